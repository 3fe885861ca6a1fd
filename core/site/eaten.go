package site

import (
	"fmt"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// liesOn is how near two bodies are that lie on each other, mm: less than a coat of paint and what
// a place is known to.
const liesOn = .3

// wetted answers a site in which every joint of a thing is asked as if water got there. Nothing
// but corrosion asks it.
func (s Site) wetted(id string) Site {
	own := s.touching(id)
	s.Brief.Joints = slices.Clone(s.Brief.Joints)
	for i := range s.Brief.Joints {
		if slices.Contains(own, s.Brief.Joints[i].ID) {
			s.Brief.Joints[i].Design.Tighten.Wet = true
		}
	}
	return s
}

// dry tells whether nobody said that water gets to a joint.
func (s Site) dry(id string) bool {
	return !slices.ContainsFunc(s.Brief.Joints, func(j brief.Joint) bool { return j.ID == id && j.Design.Tighten.Wet })
}

// rusts answers what of the joints of a thing corrodes, asked with them wetted.
func (s Site) rusts(h Holding, own []string) []string {
	out := []string{}
	for _, j := range h.Joints {
		if j.Result == nil || !slices.Contains(own, j.ID) {
			continue
		}
		for _, f := range j.Result.Findings {
			switch {
			case f.Cause != "Corrosion" || f.Severity == working.Stop:
			case s.dry(j.ID):
				out = append(out, j.Name+", should it get wet: "+f.Reason)
			default:
				out = append(out, j.Name+": "+f.Reason)
			}
		}
	}
	return out
}

// lying answers which placed parts and frames of another metal a thing lies on where no joint is asked
// between them.
func (s Site) lying(id string) []string {
	out := []string{}
	of := map[string]stock.Material{}
	for i := range s.Parts {
		if m, err := stock.MaterialByKey(s.Parts[i].Recipe.Material); err == nil {
			of[s.Parts[i].ID] = m
		}
	}
	for _, f := range s.Frames {
		if m, err := stock.MaterialByKey(f.Doc.Material); err == nil {
			of[f.ID] = m
		}
	}
	mine, known := of[id]
	if !known {
		return out
	}
	st := newStander(s)
	trees := map[string]*solid.Tree{}
	tree := func(placed string) *solid.Tree {
		if t, made := trees[placed]; made {
			return t
		}
		d := st.stand(placed)
		if d.Why != "" {
			trees[placed] = nil
		} else {
			trees[placed] = solid.NewTree(d.thing.Body)
		}
		return trees[placed]
	}
	told := map[string]bool{}
	for _, a := range s.Survey.Placed {
		if a.Part != id {
			continue
		}
		for _, b := range s.Survey.Placed {
			theirs, known := of[b.Part]
			apart, eats := joint.Eats(mine.Family, theirs.Family)
			if !known || !eats || b.Part == id || told[b.Part] || s.joined(id, b.Part) || tree(a.ID) == nil || tree(b.ID) == nil {
				continue
			}
			if g := solid.Within(tree(a.ID), tree(b.ID), liesOn); g.Distance < liesOn || g.Into {
				told[b.Part] = true
				out = append(out, fmt.Sprintf("It lies on %s, %s, %.2f V apart: where it gets wet the less noble one is eaten. A strip "+
					"between them, or paint on both, the nobler one first.", b.Name, theirs.Name, apart))
			}
		}
	}
	return out
}

// joined tells whether a joint goes through two parts.
func (s Site) joined(a, b string) bool {
	return slices.ContainsFunc(s.Brief.Joints, func(j brief.Joint) bool {
		through := func(id string) bool {
			return j.Part == id || slices.ContainsFunc(j.Sides, func(x brief.Side) bool { return x.Of == id })
		}
		return through(a) && through(b)
	})
}
