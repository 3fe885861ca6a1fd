package facet

import (
	"fmt"
	"math"
	"slices"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// Recipe answers a blank as a part of the sheet core: its first panel is the base, the others are
// flanges of their own outlines, all of them flat parts between the lines where bends end. like says
// of which sheet it is and how it is cut and bent; panels keep their ids. It fails with
// *working.Fault where panels hang on each other deeper than a part goes.
func (b *Built) Recipe(blank int, like sheet.Recipe) (sheet.Recipe, error) {
	k := b.Blanks[blank]
	r := like
	r.Schema, r.Thickness, r.Base = sheet.SchemaVersion, b.Thickness, sheet.Base{}
	r.Base.ID, r.Base.Measure = b.Faces[k.Faces[0]].ID, sheet.Flat
	var loop profile.Loop
	for _, p := range k.Flats[0] {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	r.Base.Shape = &sheet.Shape{Kind: sheet.Polygon, Points: loop}
	at := map[int]int{} // of a face in the blank
	for i, f := range k.Faces {
		at[f] = i
	}
	done := map[int]bool{k.Faces[0]: true}
	r.Base.Edges = b.locators(k.Faces[0], 0)
	r.Base.Flanges = b.hung(k, at, done, 0, 0)
	if err := r.Validate(); err != nil {
		return r, working.Refuse(fmt.Sprintf("/panels/%d", k.Faces[0]), "The blank of %s is no part: %v", b.names(k.Faces), err)
	}
	return r, nil
}

// hung answers the flanges on a panel of a blank: first is the side its own edges are counted from.
func (b *Built) hung(k Blank, at map[int]int, done map[int]bool, i, first int) (out []sheet.Flange) {
	f := b.Faces[k.Faces[i]]
	n := len(f.edges)
	for s := range n {
		side := (first + s) % n
		e := b.Edges[f.edges[side]]
		if e.Seam.Kind != BentOne || len(e.Faces) < 2 {
			continue
		}
		o, its := e.Faces[0], e.sides[0]
		if o == k.Faces[i] {
			o, its = e.Faces[1], e.sides[1]
		}
		if done[o] {
			continue
		}
		done[o] = true
		g := b.flange(k, i, side, at[o], its, e)
		g.Edge = sheet.Edge(strconv.Itoa(s + 1))
		g.Edges = b.locators(o, its)
		g.Flanges = b.hung(k, at, done, at[o], its)
		out = append(out, g)
	}
	return out
}

// flange answers a panel as a flange on the side of another, by how both lie on the blank.
func (b *Built) flange(k Blank, parent, side, child, its int, e Edge) sheet.Flange {
	on, flat := k.Flats[parent], k.Flats[child]
	start, end := on[side], on[(side+1)%len(on)]
	along := end.Sub(start)
	long := along.Len()
	along = along.Mul(1 / long)
	out := profile.Point{X: along.Y, Y: -along.X}
	n := len(flat)
	far := b.allowance(e)
	where := func(i int) (t, y float64) { // along the parent's edge, and past the bend
		d := flat[(its+i)%n].Sub(start)
		return d.Dot(along), d.Dot(out) - far
	}
	// The bend is as long as the edge it hangs on; its ends run slanting to the panel's own corners.
	f := sheet.Flange{ID: b.Faces[k.Faces[child]].ID, Angle: math.Abs(e.Turn), Up: e.Turn < 0, InsideRadius: b.Radius, Measure: sheet.Flat}
	for i := range n {
		t, y := where(i)
		c := sheet.Corner2D{X: long/2 - t, Y: y}
		if i < 2 {
			c.Y = 0
		}
		f.Outline = append(f.Outline, c)
	}
	return f
}

// Middle answers how far the middle of the sheet lies from the points, the way the panels look, mm.
func (b *Built) Middle() float64 {
	switch b.Side {
	case Outside:
		return -b.Thickness / 2
	case Inside:
		return b.Thickness / 2
	}
	return 0
}

// Numbers answers of each panel of a blank the numbers of the welded seams along its edges, as those are
// numbered in its part, 0 where there is none; glued are those of its edges that carry the tab when the
// body is made of board and glued: one of the two at every seam.
func (b *Built) Numbers(blank int) (numbers, glued map[string][]int) {
	k := b.Blanks[blank]
	numbers, glued = map[string][]int{}, map[string][]int{}
	for i, f := range k.Faces {
		first := 0
		if i > 0 {
			first = b.hangsBy(k, i)
		}
		id, n := b.Faces[f].ID, len(b.Faces[f].edges)
		for s := range n {
			side := (first + s) % n
			at := b.Faces[f].edges[side]
			e, number := b.Edges[at], 0
			if len(e.Faces) > 1 && e.Seam.Kind != BentOne {
				number = at + 1
				if e.Faces[0] == f && e.sides[0] == side {
					glued[id] = append(glued[id], s+1)
				}
			}
			numbers[id] = append(numbers[id], number)
		}
	}
	return numbers, glued
}

// Blends answers of each panel of a blank what the seams along its edges are ground round to, mm, as
// Numbers numbers them; nil where nothing is said of any.
func (b *Built) Blends(blank int) map[string][]float64 {
	numbers, _ := b.Numbers(blank)
	out, said := map[string][]float64{}, false
	for id, list := range numbers {
		for _, n := range list {
			r := 0.
			if n > 0 {
				r = b.Edges[n-1].Seam.Blend
			}
			said = said || r > 0
			out[id] = append(out[id], r)
		}
	}
	if !said {
		return nil
	}
	return out
}

// Corners answers of each panel of a blank the points its edges start at, as they are numbered in its
// part.
func (b *Built) Corners(blank int) map[string][]string {
	k := b.Blanks[blank]
	out := map[string][]string{}
	for i, f := range k.Faces {
		first := 0
		if i > 0 {
			first = b.hangsBy(k, i)
		}
		points := b.Faces[f].Points
		for n := range points {
			out[b.Faces[f].ID] = append(out[b.Faces[f].ID], points[(first+n)%len(points)])
		}
	}
	return out
}

// Welded answers at how many edges a blank is welded, to others or to itself.
func (b *Built) Welded(blank int) (n int) {
	for _, e := range b.Edges {
		if len(e.Faces) < 2 || e.Seam.Kind == BentOne {
			continue
		}
		if slices.ContainsFunc(e.Faces, func(f int) bool { return slices.Contains(b.Blanks[blank].Faces, f) }) {
			n++
		}
	}
	return n
}

// hangsBy answers the side by which a panel hangs on one that was unfolded before it.
func (b *Built) hangsBy(k Blank, i int) int {
	for s, e := range b.Faces[k.Faces[i]].edges {
		if b.Edges[e].Seam.Kind != BentOne {
			continue
		}
		for _, o := range b.Edges[e].Faces {
			if slices.Contains(k.Faces[:i], o) {
				return s
			}
		}
	}
	return 0
}
