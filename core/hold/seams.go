package hold

import (
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Along is a seam that holds a bracket on, where bolts would: along an edge of a panel, or drawn by hand.
type Along struct {
	Panel  string
	Edge   sheet.Edge
	Before float64        // mm of the edge left out
	After  float64        // mm
	Path   []solid.Vector // in the part's axes, where it runs along no edge
	Filler string         // key of its weld metal
}

// welded tells whether seams hold it, not bolts.
func (p *placed) welded() bool { return len(p.mount.Welded) > 0 }

// weld lays the seams that hold a bracket.
func (p *placed) weld(m Mount) error {
	for _, a := range m.Welded {
		line, on, err := p.seam(a)
		if err != nil {
			return err
		}
		p.seams = append(p.seams, line)
		if p.panel == nil {
			p.panel = on
		}
		if on != nil && p.panel != nil && on.ID != p.panel.ID {
			return missing("The seams that hold it lie on several of its panels: which of them takes how much is not worked out. Weld it on by " +
				"one " +
				"panel, or ask about each joint by itself.")
		}
	}
	if p.panel == nil {
		return missing("The seams that hold it are drawn by hand, and on which of its panels is not known: lay one along an edge.")
	}
	s := p.panel.Seat
	p.x, p.n = s.X, s.Z
	p.y = p.n.Cross(p.x)
	n := 0.
	for _, line := range p.seams {
		for _, v := range line {
			p.origin, n = p.origin.Add(v), n+1
		}
	}
	p.origin = p.origin.Mul(1 / n)
	return nil
}

// seam answers a seam as a line on the part.
func (p *placed) seam(a Along) ([]solid.Vector, *made.PanelMade, error) {
	if a.Panel == "" {
		if len(a.Path) < 2 {
			return nil, nil, missing("A seam that holds it has no place: say along which edge it runs.")
		}
		return a.Path, nil, nil
	}
	for i := range p.part.Panels {
		q := &p.part.Panels[i]
		if q.ID != a.Panel {
			continue
		}
		for _, e := range q.Edges {
			if e.Edge != a.Edge {
				continue
			}
			from, to := q.Pose.Undo(e.From), q.Pose.Undo(e.To)
			dir := to.Sub(from)
			if long := dir.Len(); long > a.Before+a.After {
				dir = dir.Mul(1 / long)
				return []solid.Vector{q.Seat.At(from.Add(dir.Mul(a.Before))), q.Seat.At(to.Sub(dir.Mul(a.After)))}, q, nil
			}
		}
	}
	return nil, nil, missing("An edge a seam ran along is not on the part any more: choose it again among the welded joints.")
}

// toe answers the line across the fastened panel at which its seams begin, seen from the load, and how far that is.
func (p *placed) toe(from solid.Vector) (c section, step float64, ok bool) {
	s := p.panel.Seat
	c = section{id: "seams", name: "where its seams begin", normal: s.Z}
	towards := from.Sub(p.origin)
	towards = towards.Sub(s.Z.Mul(towards.Dot(s.Z)))
	c.across, c.line, c.whole = s.Y, s.X, s.Width
	if math.Abs(towards.Dot(s.X)) > math.Abs(towards.Dot(s.Y)) {
		c.across, c.line, c.whole = s.X, s.Y, s.Height
	}
	if towards.Dot(c.across) < 0 {
		c.across = c.across.Mul(-1)
	}
	nearest := math.Inf(1)
	var at solid.Vector
	for _, line := range p.seams {
		for _, v := range line {
			if d := from.Sub(v).Dot(c.across); d < nearest {
				nearest, at = d, v
			}
		}
	}
	if nearest <= 1e-6 {
		return c, 0, false
	}
	q := s.In(at)
	if c.line == s.X {
		q.X = s.Width / 2
	} else {
		q.Y = s.Height / 2
	}
	c.at = s.At(q)
	return c, nearest, true
}

// heated answers the metal at a place: of aluminium what its seams leave of it within their heat.
func (p *placed) heated(near float64) material {
	m := p.mat
	for _, a := range p.mount.Welded {
		if soft, is := stock.SoftenedBy(p.recipe.Material, a.Filler, p.recipe.Thickness); is && near <= stock.HeatReach {
			m.yield, m.tensile = math.Min(m.yield, soft.Yield), math.Min(m.tensile, soft.Tensile)
			m.name += ", softened beside its weld"
			return m
		}
	}
	return m
}

// fromSeams is how far a place lies from the nearest seam, mm; infinite of what is bolted.
func (p *placed) fromSeams(v solid.Vector) float64 {
	near := math.Inf(1)
	for _, line := range p.seams {
		for i := 1; i < len(line); i++ {
			d := line[i].Sub(line[i-1])
			k := 0.
			if n := d.Dot(d); n > 0 {
				k = math.Min(1, math.Max(0, v.Sub(line[i-1]).Dot(d)/n))
			}
			near = math.Min(near, v.Sub(line[i-1].Add(d.Mul(k))).Len())
		}
	}
	return near
}

// near is how near a line comes to a seam, mm.
func (p *placed) near(c section) float64 {
	near := math.Inf(1)
	start := p.lineStart(c)
	for i := range 21 {
		near = math.Min(near, p.fromSeams(start.Add(c.line.Mul(c.whole*float64(i)/20))))
	}
	return near
}

// seamModes lists what a bracket that is welded on must answer besides its bends.
func (p *placed) seamModes() []mode {
	among := mode{Key: "among", Name: "Plate bent among its seams"}
	if len(p.list) > 0 {
		among.Needless = "The load comes in past its seams: the plate is asked where they begin, and at its bends."
	} else {
		among.Missing = "The load comes in among its seams: how the plate bends between them is not worked out. Move the load past them, or " +
			"stiffen " +
			"the plate there and ask an engineer."
	}
	return []mode{among, p.loadHoles(), p.strip(), p.corner()}
}

// Seams folds into a bracket's answer what the seams that hold it answer.
func (r *Result) Seams(name string, verdict strength.Verdict, use *float64, why string) {
	c := strength.Check{Key: "seams", Name: "Seams that hold it", Where: name, Verdict: verdict, Utilisation: use, Why: why}
	if c.Why == "" && verdict != strength.Over && verdict != strength.CannotSay {
		c.Why = fmt.Sprintf("Asked among the welded joints as %s.", name)
	}
	list := []strength.Check{c}
	for _, q := range r.Checks {
		if q.Key != c.Key {
			list = append(list, q)
		}
	}
	o := strength.Close([]strength.Ledger{{Form: strength.WeldedBracket}}, list)
	r.Checks, r.Verdict, r.Hardest = o.Checks, o.Verdict, o.Hardest
	for _, f := range r.Findings {
		if f.Severity == working.Stop && r.Verdict != strength.Over {
			r.Verdict = strength.CannotSay
		}
	}
	if use != nil && r.Hardest != nil && *use >= *r.Hardest {
		r.First = c.Name
	}
}
