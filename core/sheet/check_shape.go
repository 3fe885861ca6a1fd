package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// checkWater looks for trays that hold water: a floor bent up on all its edges,
// its corners closed, without a hole.
func (b *flagger) checkWater() {
	for _, p := range b.panels {
		if len(p.holes) > 0 || p.bulges != nil || len(p.corners) < 3 {
			continue
		}
		closed := true
		for i := range p.corners {
			if i == 0 && p.flange != nil {
				closed = closed && p.flange.Up
				continue
			}
			k := p.kids[i]
			closed = closed && len(k) == 1 && k[0].flange.Up && k[0].flange.Angle >= 30 && k[0].reachesStart() && k[0].reachesEnd()
		}
		if !closed || len(p.meets) < len(p.corners) {
			continue
		}
		d := Hole{ID: p.id + "-drain", Kind: RoundHole, X: Offset{Edge: Left, Distance: 30}, Y: Offset{Edge: Front, Distance: 30},
			Use: &Use{Kind: UseDrain}, Pattern: &Pattern{Kind: MirrorPattern, Across: true, Back: true}}
		var fixes []working.Fix
		if p.edgeNamed(Left) >= 0 && p.edgeNamed(Front) >= 0 && idForm(d.ID) {
			fixes = append(fixes, b.fix("Four drains", p.path+"/holes", []Hole{d}))
		}
		b.mind("water-trap", "Water", p, fmt.Sprintf("%s is bent up all round and its corners close: it holds water, and rusts. Give it "+
			"drains, or leave a corner open.", p.name), fixes...)
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
	w := &walker{b: b.laid}
	for _, p := range b.panels {
		if p.flange != nil && p.flange.Angle > 165 {
			continue // a hem's corners lie against the sheet
		}
		sharp, first := 0, profile.Point{}
		for i, c := range p.corners {
			if pointed(p, i) && (w.treated(p, i) == 0 || p.corner.Size < bluntRadius) {
				if sharp++; sharp == 1 {
					first = c
				}
			}
		}
		if sharp == 0 {
			continue
		}
		what := "A corner of " + p.name + " is"
		if sharp > 1 {
			what = fmt.Sprintf("%d corners of %s are", sharp, p.name)
		}
		var fixes []working.Fix
		if p.corner.Kind == "" || p.corner.Kind == Square || p.corner.Size < bluntRadius {
			fixes = append(fixes, b.fix("Round them by "+b.len(softRadius), p.path+"/corner", Corner{Radius, softRadius}))
		}
		b.mind("sharp-corner", "Sharp corners", p.seen(first),
			fmt.Sprintf("%s left sharp, and the job says people are near: they cut, and hurt in a crash. Round them by %s or more (practice), or "+
				"cover them; what sits where people ride has rules of its own.", what, b.len(bluntRadius)), fixes...)
	}
}

// checkSlivers looks for necks of sheet thinner than the sheet itself between
// two stretches of the outline: they burn through, bend and hurt.
func (b *flagger) checkSlivers(outline []profile.Point) {
	t := b.recipe.Thickness
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
			if d >= t-tiny || d < tiny {
				continue
			}
			p, q := nearestEnds(seg, other)
			if !profile.Inside(p.Add(q).Mul(.5), outline) {
				continue // a slit, not a neck
			}
			owner := b.panels[0]
			for _, c := range b.panels {
				if box := c.flatBounds(); p.X >= box.Min.X-tiny && p.X <= box.Max.X+tiny && p.Y >= box.Min.Y-tiny && p.Y <= box.Max.Y+tiny {
					owner = c
				}
			}
			b.mind("sliver", "Outline", owner.seen(owner.pose.undo(p.Add(q).Mul(.5))),
				fmt.Sprintf("A neck of %s is left at %s from the left, %s from the front: thinner than the sheet, it burns through or bends. Move or "+
					"shorten what cuts in there.", b.len(d), b.len(p.X), b.len(p.Y)))
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
func pointed(p *panel, i int) bool {
	if p.flange != nil && (i < 2 || beside(p, i)) || !p.straight(i) || !p.straight(p.before(i)) {
		return false
	}
	_, in, _, before := p.edge(p.before(i))
	_, out, _, _ := p.edge(i)
	if math.Atan2(in.Cross(out), in.Dot(out)) < math.Pi/3+tiny {
		return false
	}
	if k := p.kids[p.before(i)]; len(k) > 0 && k[len(k)-1].at[1] > before-tiny {
		return false
	}
	if k := p.kids[i]; len(k) > 0 && k[0].at[0] < tiny {
		return false
	}
	return true
}

// beside tells whether another flange's end closes the flange's corner i.
func beside(p *panel, i int) bool {
	on := p.parent.next(p.on) // corner 2 is at the bend's far end
	if i > 2 {
		on = p.parent.before(p.on)
	}
	for _, m := range p.parent.meets {
		if m.Kind == MeetOpen || m.A != p.id && m.B != p.id {
			continue
		}
		for _, k := range p.parent.kids[on] {
			if k.id == m.A || k.id == m.B {
				return true
			}
		}
	}
	return false
}
