package facet

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// mostTabs of a seam; squareWithin is how far from a right angle the panels of a tabbed seam may stand,
// degrees; tabPlay is how much wider a notch is than its tab, mm (practice).
const mostTabs, squareWithin, tabPlay = 20, 10., .4

// tabWide is how wide a tab is of a sheet so thick, mm.
func tabWide(thickness float64) float64 { return math.Max(15, 5*thickness) }

// checkTabs refuses tabs where they would locate nothing.
func (b *Built) checkTabs() error {
	for i, s := range b.Seams {
		if s.Tabs == 0 {
			continue
		}
		path := fmt.Sprintf("/seams/%d/tabs", i)
		k := slices.IndexFunc(b.Edges, func(e Edge) bool { return lineOf(e.A, e.B) == lineOf(s.A, s.B) })
		e := b.Edges[k]
		switch {
		case s.Tabs < 0 || s.Tabs > mostTabs:
			return working.Refuse(path, "A seam has up to %d tabs.", mostTabs)
		case s.Kind != Lap:
			return working.Refuse(path, "Tabs go into notches of the panel that laps over: let the seam from %s to %s be lapped.",
				b.called(s.A), b.called(s.B))
		case math.Abs(math.Abs(e.Turn)-90) > squareWithin:
			return working.Refuse(path, "Tabs locate square panels; at the seam from %s to %s they turn by %.1f°.", b.called(s.A),
				b.called(s.B),
				math.Abs(e.Turn))
		}
		for n, f := range e.Faces {
			from, long, why := b.cutEdge(f, e.sides[n])
			if why != "" {
				return nil // said where it is cut
			}
			for _, at := range b.tabPlaces(e, f, e.sides[n]) {
				if room := math.Min(at-from, from+long-at) - tabWide(b.Thickness)/2; room < 1.5*b.Thickness {
					return working.Refuse(path, "The seam from %s to %s has no room for %d tabs of %g mm: take fewer.",
						b.called(s.A), b.called(s.B), s.Tabs,
						tabWide(b.Thickness))
				}
			}
		}
	}
	return nil
}

// tabPlaces answers where the middles of a seam's tabs lie along a side of a panel, mm from the point it
// starts at.
func (b *Built) tabPlaces(e Edge, face, side int) (out []float64) {
	for k := range e.Seam.Tabs {
		at := e.Long * (float64(k) + .5) / float64(e.Seam.Tabs)
		if b.Faces[face].Points[side] != e.A {
			at = e.Long - at
		}
		out = append(out, at)
	}
	return out
}

// cutEdge answers where a side of a panel begins as it is cut, from the point it starts at, and how long
// it is.
func (b *Built) cutEdge(face, side int) (from, long float64, why string) {
	f := b.Faces[face]
	flat, why := b.cut(face)
	if why != "" {
		return 0, 0, why
	}
	n := len(flat)
	dir := f.Outline[(side+1)%n].Sub(f.Outline[side])
	dir = dir.Mul(1 / dir.Len())
	along := func(p profile.Point) float64 { return p.Sub(f.Outline[side]).Dot(dir) }
	return along(flat[side]), along(flat[(side+1)%n]) - along(flat[side]), ""
}

// locators answers the tabs and notches on the edges of a panel whose own numbering starts at side first:
// tabs where another panel laps over its end, notches where it does so.
func (b *Built) locators(face, first int) (out []sheet.EdgeCut) {
	f := b.Faces[face]
	n := len(f.edges)
	for side, at := range f.edges {
		e := b.Edges[at]
		if e.Seam.Tabs == 0 || len(e.Faces) < 2 || e.Seam.Kind != Lap {
			continue
		}
		from, _, why := b.cutEdge(face, side)
		if why != "" {
			continue
		}
		over := e.Seam.Over
		if over == "" {
			over = b.Faces[e.Faces[0]].ID
		}
		deep := b.Thickness / math.Sin(math.Abs(e.Turn)*math.Pi/180)
		for k, place := range b.tabPlaces(e, face, side) {
			c := sheet.EdgeCut{Kind: sheet.Tab, Edge: sheet.Edge(strconv.Itoa((side-first+n)%n + 1)), At: place - from,
				Width: tabWide(b.Thickness),
				Depth: deep, Name: fmt.Sprintf("Tab %d of seam %d", k+1, at+1), ID: fmt.Sprintf("%s%d-%d-tab", sheet.LocatorPrefix, at+1, k+1)}
			if f.ID == over {
				c.Kind, c.Width, c.Shape = sheet.Notch, c.Width+tabPlay, sheet.SquareNotch
				c.Name, c.ID = strings.Replace(c.Name, "Tab", "Notch for tab", 1), fmt.Sprintf("%s%d-%d-notch", sheet.LocatorPrefix, at+1, k+1)
			}
			out = append(out, c)
		}
	}
	return out
}
