package flags

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// checkWater looks for trays that hold water: a floor bent up on all its edges,
// its corners closed, without a hole.
func (b *flagger) checkWater() {
	for _, p := range b.Panels {
		if len(p.Holes) > 0 || p.Bulges != nil || len(p.Corners) < 3 {
			continue
		}
		closed := true
		for i := range p.Corners {
			if i == 0 && p.Flange != nil {
				closed = closed && p.Flange.Up
				continue
			}
			k := p.Kids[i]
			closed = closed && len(k) == 1 && k[0].Flange.Up && k[0].Flange.Angle >= 30 && k[0].ReachesStart() && k[0].ReachesEnd()
		}
		if !closed || len(p.Meets) < len(p.Corners) {
			continue
		}
		d := sheet.Hole{ID: p.ID + "-drain", Kind: sheet.RoundHole, X: sheet.Offset{Edge: sheet.Left, Distance: 30},
			Y:   sheet.Offset{Edge: sheet.Front, Distance: 30},
			Use: &sheet.Use{Kind: sheet.UseDrain}, Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}}
		var fixes []working.Fix
		if p.EdgeNamed(sheet.Left) >= 0 && p.EdgeNamed(sheet.Front) >= 0 && sheet.IdForm(d.ID) {
			fixes = append(fixes, b.Fix("Four drains", p.Path+"/holes", []sheet.Hole{d}))
		}
		b.Mind("water-trap", "Water", p, fmt.Sprintf("%s is bent up all round and its corners close: it holds water, and rusts. Give it "+
			"drains, or leave a corner open.", p.Name), fixes...)
	}
}

// bluntRadius is the least plan radius of a corner that people can walk or be
// thrown against, and softRadius what is offered, mm (practice).
const bluntRadius, softRadius = 3., 6.

// checkSharp looks for free corners that point at people: sharper than 120°, and
// neither rounded nor cut off.
func (b *flagger) checkSharp() {
	if !b.NearPeople {
		return
	}
	w := &lay.Walker{B: b.Laid}
	for _, p := range b.Panels {
		if p.Flange != nil && p.Flange.Angle > 165 {
			continue // a hem's corners lie against the sheet
		}
		sharp, first := 0, profile.Point{}
		for i, c := range p.Corners {
			if pointed(p, i) && (w.Treated(p, i) == 0 || p.Corner.Size < bluntRadius) {
				if sharp++; sharp == 1 {
					first = c
				}
			}
		}
		if sharp == 0 {
			continue
		}
		what := "A corner of " + p.Name + " is"
		if sharp > 1 {
			what = fmt.Sprintf("%d corners of %s are", sharp, p.Name)
		}
		var fixes []working.Fix
		if p.Corner.Kind == "" || p.Corner.Kind == sheet.Square || p.Corner.Size < bluntRadius {
			fixes = append(fixes, b.Fix("Round them by "+b.Len(softRadius), p.Path+"/corner", sheet.Corner{Kind: sheet.Radius, Size: softRadius}))
		}
		b.Mind("sharp-corner", "Sharp corners", p.Seen(first),
			fmt.Sprintf("%s left sharp, and the job says people are near: they cut, and hurt in a crash. Round them by %s or more (practice), or "+
				"cover them; what sits where people ride has rules of its own.", what, b.Len(bluntRadius)), fixes...)
	}
}

// checkSlivers looks for necks of sheet thinner than the sheet itself between
// two stretches of the outline: they burn through, bend and hurt.
func (b *flagger) checkSlivers(outline []profile.Point) {
	t := b.Recipe.Thickness
	n := len(outline)
	type side struct {
		lo, hi float64
		i      int
	}
	list := make([]side, n)
	before := make([]float64, n+1) // length of outline up to each corner
	for i, p := range outline {
		q := outline[(i+1)%n]
		list[i] = side{min(p.X, q.X), max(p.X, q.X), i}
		before[i+1] = before[i] + q.Sub(p).Len()
	}
	slices.SortFunc(list, func(a, c side) int { return cmp.Compare(a.lo, c.lo) })
	whole := before[n]
	for k, s := range list {
		a := outline[s.i : s.i+1]
		seg := []profile.Point{a[0], outline[(s.i+1)%n]}
		for _, o := range list[k+1:] {
			if o.lo > s.hi+t {
				break
			}
			other := []profile.Point{outline[o.i], outline[(o.i+1)%n]}
			if min(seg[0].Y, seg[1].Y) > max(other[0].Y, other[1].Y)+t || min(other[0].Y, other[1].Y) > max(seg[0].Y, seg[1].Y)+t {
				continue
			}
			along := before[max(s.i, o.i)] - before[min(s.i, o.i)+1]
			round := whole - along - seg[1].Sub(seg[0]).Len() - other[1].Sub(other[0]).Len()
			if min(along, round) < 4*t { // one corner or fillet
				continue
			}
			d := profile.Between(seg, other)
			if d >= t-sheet.Tiny || d < sheet.Tiny {
				continue
			}
			p, q := nearestEnds(seg, other)
			if !profile.Inside(p.Add(q).Mul(.5), outline) {
				continue // a slit, not a neck
			}
			owner := b.Panels[0]
			for _, c := range b.Panels {
				if box := c.FlatBounds(); p.X >= box.Min.X-sheet.Tiny && p.X <= box.Max.X+sheet.Tiny && p.Y >= box.Min.Y-sheet.Tiny &&
					p.Y <= box.Max.Y+sheet.Tiny {
					owner = c
				}
			}
			b.Mind("sliver", "Outline", owner.Seen(owner.Pose.Undo(p.Add(q).Mul(.5))),
				fmt.Sprintf("A neck of %s is left at %s from the left, %s from the front: thinner than the sheet, it burns through or bends. Move or "+
					"shorten what cuts in there.", b.Len(d), b.Len(p.X), b.Len(p.Y)))
			return
		}
	}
}

// nearestEnds answers the nearest places of two stretches, by their corners.
func nearestEnds(a, c []profile.Point) (p, q profile.Point) {
	best := -1.0
	foot := func(x profile.Point, s []profile.Point) profile.Point {
		d := s[1].Sub(s[0])
		t := 0.0
		if l := d.Dot(d); l > 0 {
			t = max(0, min(1, x.Sub(s[0]).Dot(d)/l))
		}
		return s[0].Add(d.Mul(t))
	}
	for i := range 2 {
		for _, pair := range [2][2]profile.Point{{a[i], foot(a[i], c)}, {foot(c[i], a), c[i]}} {
			if d := pair[0].Sub(pair[1]).Len(); best < 0 || d < best {
				best, p, q = d, pair[0], pair[1]
			}
		}
	}
	return p, q
}

// pointed tells whether corner i of the panel is free and sharper than 120°:
// no bend, no other flange's end beside it.
func pointed(p *lay.Panel, i int) bool {
	if p.Flange != nil && (i < 2 || beside(p, i)) || !p.Straight(i) || !p.Straight(p.Before(i)) {
		return false
	}
	_, in, _, before := p.Edge(p.Before(i))
	_, out, _, _ := p.Edge(i)
	if math.Atan2(in.Cross(out), in.Dot(out)) < math.Pi/3+sheet.Tiny {
		return false
	}
	if k := p.Kids[p.Before(i)]; len(k) > 0 && k[len(k)-1].At[1] > before-sheet.Tiny {
		return false
	}
	if k := p.Kids[i]; len(k) > 0 && k[0].At[0] < sheet.Tiny {
		return false
	}
	return true
}

// beside tells whether another flange's end closes the flange's corner i.
func beside(p *lay.Panel, i int) bool {
	on := p.Parent.Next(p.On) // corner 2 is at the bend's far end
	if i > 2 {
		on = p.Parent.Before(p.On)
	}
	for _, m := range p.Parent.Meets {
		if m.Kind == sheet.MeetOpen || m.A != p.ID && m.B != p.ID {
			continue
		}
		for _, k := range p.Parent.Kids[on] {
			if k.ID == m.A || k.ID == m.B {
				return true
			}
		}
	}
	return false
}
