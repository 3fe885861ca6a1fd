package lay

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// cut is a notch or tab as it lies on an edge: where it begins and ends along it.
type cut struct {
	Of       *sheet.EdgeCut
	From, To float64
}

// edgeCuts places the notches and tabs of a panel. What has no room is left out
// and said.
func (b *layer) edgeCuts(p *Panel) {
	if len(p.edges) == 0 {
		return
	}
	p.Cuts = make([][]cut, len(p.Corners))
	for i := range p.edges {
		c := &p.edges[i]
		name := Titled(c.Name, EdgeWord(c, i), Lower(p.Name))
		who := &Panel{ID: c.ID, Name: name, Spot: spotOf(p)}
		e := p.EdgeNamed(c.Edge)
		switch {
		case e < 0 || !p.Straight(e):
			b.Stop("edge-cut-none", "Edges", who, fmt.Sprintf("%s has no straight edge %q to lie on.", name, c.Edge))
			continue
		case e == 0 && p.Flange != nil:
			b.Stop("edge-cut-none", "Edges", who, name+" lies on the bend its panel hangs on: cut a relief, or a hole across the bend.")
			continue
		}
		_, _, _, length := p.Edge(e)
		var middles []float64
		if c.Count > 1 {
			for k := range c.Count {
				middles = append(middles, c.Margin+(length-2*c.Margin)*float64(k)/float64(c.Count-1))
			}
		} else {
			at := c.At
			if p.Along(e) == c.FromEnd {
				at = length - at
			}
			middles = []float64{at}
		}
		made := make([]cut, 0, len(middles))
		for _, m := range middles {
			made = append(made, cut{c, m - c.Width/2, m + c.Width/2})
		}
		slices.SortFunc(made, func(a, b cut) int { return cmp.Compare(a.From, b.From) })
		who.Spot = &Spot{p, p.Point(e, (made[0].From+made[0].To)/2, 0)}
		if why := b.cutRoom(p, e, made); why != "" {
			b.Stop("edge-cut-room", "Edges", who, fmt.Sprintf("%s has no room: %s. It is left out.", name, why))
			continue
		}
		p.Cuts[e] = append(p.Cuts[e], made...)
		slices.SortFunc(p.Cuts[e], func(a, b cut) int { return cmp.Compare(a.From, b.From) })
	}
}

func EdgeWord(c *sheet.EdgeCut, i int) string {
	return map[sheet.EdgeKind]string{sheet.Notch: "Notch ", sheet.Tab: "Tab "}[c.Kind] + strconv.Itoa(i+1)
}

// cutRoom says why cuts have no room on an edge.
func (b *layer) cutRoom(p *Panel, e int, made []cut) string {
	_, _, _, length := p.Edge(e)
	w := &Walker{B: b.Laid}
	lo, hi := math.Max(w.Treated(p, e), p.Corners90[e]), length-math.Max(w.Treated(p, p.Next(e)), p.Corners90[p.Next(e)])
	for i, c := range made {
		switch {
		case c.From < lo+sheet.Tiny || c.To > hi-sheet.Tiny:
			return fmt.Sprintf("its edge is %s long between its corners", b.Len(hi-lo))
		case i > 0 && c.From < made[i-1].To+sheet.Tiny:
			return "so many run into each other"
		}
		for _, o := range p.Cuts[e] {
			if c.From < o.To+sheet.Tiny && o.From < c.To+sheet.Tiny {
				return "another notch or tab lies there"
			}
		}
		for _, k := range p.Kids[e] {
			if c.From < k.At[1]+k.Relief.Width && k.At[0]-k.Relief.Width < c.To {
				return Lower(k.Name) + " hangs there"
			}
		}
		if c.Of.Kind == sheet.Notch {
			inside := p.Point(e, (c.From+c.To)/2, -c.Of.Depth)
			if !profile.Inside(inside, p.Outlined()) {
				return "it is deeper than the panel"
			}
		}
	}
	return ""
}

// edgeCut walks one notch or tab, in the edge's direction.
func (w *Walker) edgeCut(p *Panel, e int, c cut) {
	deep := -c.Of.Depth
	if c.Of.Kind == sheet.Tab {
		deep = c.Of.Depth
	}
	shape := c.Of.Shape
	if c.Of.Kind == sheet.Tab {
		shape = sheet.SquareNotch
	}
	half := (c.To - c.From) / 2
	w.put(p, p.Point(e, c.From, 0), 0)
	switch shape {
	case sheet.VeeNotch:
		w.put(p, p.Point(e, c.From+half, deep), 0)
	case sheet.RoundNotch: // straight sides where it is deeper than half its width
		if d := c.Of.Depth; d <= half {
			w.loop[len(w.loop)-1].Bulge = -d / half
		} else {
			w.put(p, p.Point(e, c.From, deep+half), -1)
			w.put(p, p.Point(e, c.To, deep+half), 0)
		}
	default:
		w.put(p, p.Point(e, c.From, deep), 0)
		w.put(p, p.Point(e, c.To, deep), 0)
	}
	w.put(p, p.Point(e, c.To, 0), 0)
}

// SlotClearance is what a slot for a tab is wider and longer than the tab, mm: by
// how true the process cuts (practice).
func SlotClearance(process string) float64 {
	switch process {
	case "plasma":
		return .8
	case "hand":
		return 1
	}
	return .2
}
