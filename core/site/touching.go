package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
)

// Touch is two placed parts whose edges lie on each other's faces and which nothing holds together yet: a welded joint
// with its seams, ready to be taken.
type Touch struct {
	Name  string       `json:"name"`
	Says  string       `json:"says" doc:"which edges, in words"`
	Joint brief.Welded `json:"joint" doc:"without ids"`
}

// Touching is how far an edge may stand off a face, or stick into it, to lie on it, mm: what a fillet closes as it is.
const (
	touchesOff  = 1.6
	touchesInto = .5
	touchesOver = .6 // of its length
)

// Touching finds the edges of placed parts that lie on faces of others.
func (s Site) Touching() []Touch {
	out := []Touch{}
	from := newStander(s)
	joined := map[[2]string]bool{}
	pair := func(a, b string) [2]string {
		if a > b {
			a, b = b, a
		}
		return [2]string{a, b}
	}
	for _, j := range s.Brief.Joints {
		for _, a := range j.Sides {
			for _, b := range j.Sides {
				joined[pair(a.Of, b.Of)] = true
			}
		}
	}
	for _, w := range s.Brief.Welded {
		joined[pair(w.Sides[0].Of, w.Sides[1].Of)] = true
	}
	type stood struct {
		id, part string
		st       *stand
	}
	var list []stood
	for _, p := range s.Survey.Placed {
		if st := from.stand(p.ID); st.Why == "" && st.built != nil && st.built.Round == nil {
			list = append(list, stood{p.ID, p.Part, st})
		}
	}
	for i, a := range list[:min(len(list), 60)] {
		for k, b := range list[:min(len(list), 60)] {
			if i == k || joined[pair(a.part, b.part)] || !boxesMeet(a.st.thing.Body, b.st.thing.Body) {
				continue
			}
			seams := edgesOn(a.st, b.st)
			if len(seams) == 0 {
				continue
			}
			side := func(x stood) brief.SeamBody {
				return brief.SeamBody{Side: brief.Side{Kind: brief.PartSide, Of: x.part, Placed: x.id}}
			}
			t := Touch{Name: a.st.told.Name + " on " + b.st.told.Name, Joint: brief.Welded{Sides: [2]brief.SeamBody{side(a), side(b)}, Seams: seams,
				Path: true}}
			t.Joint.Name = t.Name
			for n, q := range seams {
				if n > 0 {
					t.Says += ", "
				}
				t.Says += q.Name
			}
			out = append(out, t)
			joined[pair(a.part, b.part)] = true
		}
	}
	return out
}

// boxesMeet tells whether the boxes round two bodies meet.
func boxesMeet(a, b solid.Body) bool {
	alo, ahi := a.Bounds()
	blo, bhi := b.Bounds()
	for k := range 3 {
		if alo[k] > bhi[k]+touchesOff || blo[k] > ahi[k]+touchesOff {
			return false
		}
	}
	return true
}

// edgesOn answers the edges of a part that lie on a face of another, as seams.
func edgesOn(a, b *stand) (out []brief.SeamPlan) {
	for i := range a.built.Panels {
		p := &a.built.Panels[i]
		for _, e := range p.Edges {
			if e.Role != "free" && e.Role != "tip" {
				continue
			}
			from, to := a.Pose.Apply(p.Seat.At(p.Pose.Undo(e.From))), a.Pose.Apply(p.Seat.At(p.Pose.Undo(e.To)))
			form := lies(from, to, a.Pose.Turn(p.Seat.Z), a.built.Body.Thickness, b)
			if form == "" {
				continue
			}
			q := brief.SeamPlan{Panel: p.ID, Edge: e.Edge}
			q.ID, q.Name, q.Form = fmt.Sprintf("s%d", len(out)+1), fmt.Sprintf("%s, %s", p.Name, e.Edge), form
			q.Leg = math.Min(math.Max(weld.SmallestLeg(math.Min(a.built.Body.Thickness, b.built.Body.Thickness)), 2),
				math.Min(a.built.Body.Thickness, b.built.Body.Thickness))
			if !slices.ContainsFunc(out, func(o brief.SeamPlan) bool { return o.Panel == q.Panel && o.Edge == q.Edge }) {
				out = append(out, q)
			}
		}
	}
	return out
}

// lies answers how an edge lies on one of the panels of a part: in a corner, or along it on its face; empty where on
// none.
func lies(from, to, normal solid.Vector, thick float64, b *stand) weld.Form {
	for i := range b.built.Panels {
		q := &b.built.Panels[i]
		form, off := weld.Form(""), b.built.Body.Thickness/2
		switch lean := math.Abs(normal.Dot(b.Pose.Turn(q.Seat.Z))); {
		case lean < .34: // within 70° to 110°
			form = weld.FilletForm
		case lean > .99:
			form, off = weld.LapForm, off+thick/2
		default:
			continue
		}
		ring := ringOf(q)
		on := 0
		const samples = 11
		for k := range samples {
			v := into(b.Pose, from.Add(to.Sub(from).Mul((float64(k)+.5)/samples)))
			at := q.Seat.In(v)
			high := math.Abs(v.Sub(q.Seat.At(at)).Dot(q.Seat.Z)) - off
			if high < touchesOff && high > -touchesInto && profile.Inside(at, ring) {
				on++
			}
		}
		if float64(on) >= touchesOver*samples {
			return form
		}
	}
	return ""
}

// ringOf answers a panel's outline in its own axes.
func ringOf(p *made.PanelMade) (ring []profile.Point) {
	for _, v := range p.Flat {
		ring = append(ring, p.Pose.Undo(v))
	}
	return ring
}
