package lay

import (
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/solid"
)

// meet lets flanges at the corners of a panel meet as asked. Their ends follow
// the line in which their faces meet on the folded body, so a corner closes at
// any angle of corner and bends.
func (b *layer) meet(parent *Panel) {
	for i := range parent.Meets {
		m := &parent.Meets[i]
		if m.Kind == sheet.MeetOpen {
			continue
		}
		a, c := parent.Corner2(m.A, m.B)
		lapsFirst := a != nil && a.ID == m.A
		if a == nil {
			b.Mind("meet-apart", "Corners", parent,
				fmt.Sprintf("On %s two flanges are to meet that do not both reach one corner: run them to their edges' ends, or take the corner out.",
					Lower(parent.Name)))
			continue
		}
		if why := b.close(a, c, *m, lapsFirst); why != "" {
			b.Mind("meet-apart", "Corners", a, fmt.Sprintf("%s and %s cannot meet: %s.", a.Name, c.Name, why))
		}
	}
}

// Corner2 answers two flanges that reach a corner of the panel: the one whose
// edge ends there, and the one whose edge starts there.
func (p *Panel) Corner2(one, other string) (ends, starts *Panel) {
	for i := range p.Corners {
		prev, next := p.Kids[p.Before(i)], p.Kids[i]
		if len(prev) == 0 || len(next) == 0 {
			continue
		}
		a, c := prev[len(prev)-1], next[0]
		if (a.ID == one && c.ID == other || a.ID == other && c.ID == one) && a.ReachesEnd() && c.ReachesStart() {
			return a, c
		}
	}
	return nil, nil
}

// close runs the ends of two flanges on to their seam. a's own x starts at the
// corner, c's ends there.
func (b *layer) close(a, c *Panel, m sheet.Meet, lapsFirst bool) (why string) {
	switch {
	case a.Flange.Up != c.Flange.Up:
		return "one is bent up and the other down"
	case a.Flange.Outline != nil || c.Flange.Outline != nil:
		return "one has an outline of its own"
	}
	if b.bare { // the folded frames are not known, nor needed for the blank
		a.Frame, c.Frame = b.fold(a), b.fold(c)
	}
	half := b.Recipe.Thickness / 2
	in := half // towards the inside of the bend
	if !a.Flange.Up {
		in = -half
	}
	gap := usualGap(m, b.Recipe.Thickness)
	var atA, slopeA, atC, slopeC float64
	ok, okC := false, false
	if m.Kind == sheet.MeetLap {
		// One covers the other's end up to its outer face; the other stops before
		// it, on whichever of its faces gets there first.
		covers, stops := a, c
		if !lapsFirst {
			covers, stops = c, a
		}
		at, slope, one := seamLine(covers, stops, 0, -in)
		stop, lean, two := seamLine(stops, covers, in, in)
		other, _, _ := seamLine(stops, covers, -in, in)
		away := 1.0 // into the panel that stops, along its x
		if stops == c {
			away = -1
		}
		if (other-stop)*away > 0 {
			stop = other
		}
		turn := between(covers, stops, slope, lean, lapsFirst)
		stop += away * gap / math.Max(math.Abs(math.Sin(turn)), .1) * math.Hypot(1, lean)
		atA, slopeA, ok, atC, slopeC, okC = at, slope, one, stop, lean, two
		if !lapsFirst {
			atA, slopeA, ok, atC, slopeC, okC = stop, lean, two, at, slope, one
		}
	} else {
		// Edge to edge: inner edges stand the gap apart.
		atA, slopeA, ok = seamLine(a, c, in, in)
		atC, slopeC, okC = seamLine(c, a, in, in)
		back := gap / 2 / math.Max(math.Sin(between(a, c, slopeA, slopeC, true)/2), .1)
		atA += back * math.Hypot(1, slopeA) // a's x grows away from the corner
		atC -= back * math.Hypot(1, slopeC)
	}
	if !ok || !okC || math.Abs(slopeA) > 5 || math.Abs(slopeC) > 5 {
		return "their planes run beside one another"
	}
	h, g := a.Corners[2].Y, c.Corners[2].Y
	la, lc := atA+slopeA*h, atC+slopeC*g
	if min(a.Corners[1].X-atA, a.Corners[2].X-la, atC-c.Corners[0].X, lc-c.Corners[3].X) <= sheet.Tiny {
		return "nothing of one would be left"
	}
	a.Corners[0].X, a.Corners[3].X = atA, la
	c.Corners[1].X, c.Corners[2].X = atC, lc
	return ""
}

// between answers the angle two flanges enclose at their seam, radians. first
// tells that p's own x grows away from the corner, and o's towards it.
func between(p, o *Panel, slopeP, slopeO float64, first bool) float64 {
	away := func(q *Panel, slope float64, grows bool) solid.Vector {
		v := q.Frame.Ex.Sub(q.Frame.Ey.Mul(slope)).Unit()
		if !grows {
			v = v.Mul(-1)
		}
		return v
	}
	d := away(p, slopeP, first).Dot(away(o, slopeO, !first))
	return math.Acos(math.Max(-1, math.Min(1, d)))
}

// seamLine answers where, in p's axes, its plane at height own over the
// mid-surface meets o's at height its: x = at + slope·y.
func seamLine(p, o *Panel, own, its float64) (at, slope float64, ok bool) {
	n := o.Frame.Ez
	across := n.Dot(p.Frame.Ex)
	if math.Abs(across) < .05 {
		return 0, 0, false
	}
	d := n.Dot(o.Frame.Origin.Add(n.Mul(its)).Sub(p.Frame.Origin.Add(p.Frame.Ez.Mul(own))))
	return d / across, -n.Dot(p.Frame.Ey) / across, true
}

// RunsOn tells at which ends a panel's foot differs from its bend zone.
func (p *Panel) RunsOn() (start, end bool) {
	return math.Abs(p.Corners[0].X) > sheet.Tiny, math.Abs(p.Corners[1].X-p.Zone) > sheet.Tiny
}

// usualGap fills in the gap that is usual for a kind of corner.
func usualGap(m sheet.Meet, thickness float64) float64 {
	switch {
	case m.Gap > 0:
		return m.Gap
	case m.Kind == sheet.MeetGap:
		return 2
	case m.Kind == sheet.MeetWeld:
		return thickness / 2
	}
	return .2
}
