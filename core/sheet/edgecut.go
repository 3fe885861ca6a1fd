package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"

	"warmanvil/core/profile"
)

// cut is a notch or tab as it lies on an edge: where it begins and ends along it.
type cut struct {
	of       *EdgeCut
	from, to float64
}

// edgeCuts places the notches and tabs of a panel. What has no room is left out
// and said.
func (b *layer) edgeCuts(p *panel) {
	if len(p.edges) == 0 {
		return
	}
	p.cuts = make([][]cut, len(p.corners))
	for i := range p.edges {
		c := &p.edges[i]
		name := titled(c.Name, edgeWord(c, i), lower(p.name))
		who := &panel{id: c.ID, name: name, spot: spotOf(p)}
		e := p.edgeNamed(c.Edge)
		switch {
		case e < 0 || !p.straight(e):
			b.stop("edge-cut-none", "Edges", who, fmt.Sprintf("%s has no straight edge %q to lie on.", name, c.Edge))
			continue
		case e == 0 && p.flange != nil:
			b.stop("edge-cut-none", "Edges", who, name+" lies on the bend its panel hangs on: cut a relief, or a hole across the bend.")
			continue
		}
		_, _, _, length := p.edge(e)
		var middles []float64
		if c.Count > 1 {
			for k := range c.Count {
				middles = append(middles, c.Margin+(length-2*c.Margin)*float64(k)/float64(c.Count-1))
			}
		} else {
			at := c.At
			if p.along(e) == c.FromEnd {
				at = length - at
			}
			middles = []float64{at}
		}
		made := make([]cut, 0, len(middles))
		for _, m := range middles {
			made = append(made, cut{c, m - c.Width/2, m + c.Width/2})
		}
		slices.SortFunc(made, func(a, b cut) int { return cmp.Compare(a.from, b.from) })
		who.spot = &spot{p, p.point(e, (made[0].from+made[0].to)/2, 0)}
		if why := b.cutRoom(p, e, made); why != "" {
			b.stop("edge-cut-room", "Edges", who, fmt.Sprintf("%s has no room: %s. It is left out.", name, why))
			continue
		}
		p.cuts[e] = append(p.cuts[e], made...)
		slices.SortFunc(p.cuts[e], func(a, b cut) int { return cmp.Compare(a.from, b.from) })
	}
}

func edgeWord(c *EdgeCut, i int) string {
	return map[EdgeKind]string{Notch: "Notch ", Tab: "Tab "}[c.Kind] + strconv.Itoa(i+1)
}

// cutRoom says why cuts have no room on an edge.
func (b *layer) cutRoom(p *panel, e int, made []cut) string {
	_, _, _, length := p.edge(e)
	w := &walker{b: b.laid}
	lo, hi := math.Max(w.treated(p, e), p.corners90[e]), length-math.Max(w.treated(p, p.next(e)), p.corners90[p.next(e)])
	for i, c := range made {
		switch {
		case c.from < lo+tiny || c.to > hi-tiny:
			return fmt.Sprintf("its edge is %s long between its corners", b.len(hi-lo))
		case i > 0 && c.from < made[i-1].to+tiny:
			return "so many run into each other"
		}
		for _, o := range p.cuts[e] {
			if c.from < o.to+tiny && o.from < c.to+tiny {
				return "another notch or tab lies there"
			}
		}
		for _, k := range p.kids[e] {
			if c.from < k.at[1]+k.relief.Width && k.at[0]-k.relief.Width < c.to {
				return lower(k.name) + " hangs there"
			}
		}
		if c.of.Kind == Notch {
			inside := p.point(e, (c.from+c.to)/2, -c.of.Depth)
			if !profile.Inside(inside, p.outlined()) {
				return "it is deeper than the panel"
			}
		}
	}
	return ""
}

// edgeCut walks one notch or tab, in the edge's direction.
func (w *walker) edgeCut(p *panel, e int, c cut) {
	deep := -c.of.Depth
	if c.of.Kind == Tab {
		deep = c.of.Depth
	}
	shape := c.of.Shape
	if c.of.Kind == Tab {
		shape = SquareNotch
	}
	half := (c.to - c.from) / 2
	w.put(p, p.point(e, c.from, 0), 0)
	switch shape {
	case VeeNotch:
		w.put(p, p.point(e, c.from+half, deep), 0)
	case RoundNotch: // straight sides where it is deeper than half its width
		if d := c.of.Depth; d <= half {
			w.loop[len(w.loop)-1].Bulge = -d / half
		} else {
			w.put(p, p.point(e, c.from, deep+half), -1)
			w.put(p, p.point(e, c.to, deep+half), 0)
		}
	default:
		w.put(p, p.point(e, c.from, deep), 0)
		w.put(p, p.point(e, c.to, deep), 0)
	}
	w.put(p, p.point(e, c.to, 0), 0)
}

// slotClearance is what a slot for a tab is wider and longer than the tab, mm: by
// how true the process cuts (practice).
func slotClearance(process string) float64 {
	switch process {
	case "plasma":
		return .8
	case "hand":
		return 1
	}
	return .2
}
