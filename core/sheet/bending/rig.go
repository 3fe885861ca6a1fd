package bending

import (
	"math"

	"warmanvil/core/profile"
)

// upper is a punch or a row of fingers as it is set up for a stroke, with the beam over it.
type upper struct {
	tool     int // of the brake's
	place    int
	setup    Setup
	shift    float64 // mm its middle lies off the bend's
	elements []element
	exits    [exits][]element // what has to be clear for each way in and out
	drawn    []outline
}

// outline is a tool as it is drawn: across the bend, from one place along it to another.
type outline struct {
	what     string
	with     int
	face     []profile.Point
	from, to float64
}

// The ways a part comes into and out of the tools.
const (
	byLift = iota // the punch or clamp rises
	byLeft
	byRight
	byFront // out of a clamp, to the front
	exits
)

// lower is the die, or bed and leaf, as set up.
type lower struct {
	place    int
	setup    Setup
	shift    float64
	elements []element
	drawn    []outline
}

// rig is a brake set up for one stroke in every way there is, the one taken first, first.
type rig struct {
	motion motion
	places int
	uppers []upper
	lowers []lower
}

// places are where along the machine a bend may lie: in its middle, at its left end, at its
// right end. They are how far the machine's middle lies off the bend's then.
func (b *Brake) places(bend float64) []float64 {
	if off := (b.Long - bend) / 2; off > .5 {
		return []float64{0, off, -off}
	}
	return []float64{0}
}

// sharpFrom is the turn from which a sharp punch is taken, rad: a usual one leaves 180° less its
// tip's angle.
const sharpFrom = (180 - usualTip) * math.Pi / 180

// rigFor sets a brake up for a stroke of a part whose longest bend is given, mm.
func (b *Brake) rigFor(t *stroke, longest, thickness float64) rig {
	r := rig{motion: motion{kind: b.Kind, opening: b.Die.Opening, thickness: thickness, hinge: &t.hinge, whole: t.angle}}
	long := t.to - t.from
	for place, off := range b.places(long) {
		r.places++
		for i, tool := range b.Upper {
			if tool.Sharp && t.aim < sharpFrom {
				continue
			}
			for _, s := range tool.lengths(long, longest, b.Long) {
				for _, shift := range b.shifts(s, off, long) {
					r.uppers = append(r.uppers, b.upper(i, place, s, off, shift, thickness))
				}
			}
		}
		if b.Kind != Press {
			r.lowers = append(r.lowers, b.lowerClamp(place, thickness, off, long))
			continue
		}
		for _, s := range b.Die.lengths(long, longest, b.Long) {
			for _, shift := range b.shifts(s, off, long) {
				r.lowers = append(r.lowers, b.lower(place, s, off, shift, long))
			}
		}
	}
	return r
}

// shifts are where a setup stands against the bend: a short one in its middle, one as long as
// the machine with that, another so that the bend lies in its middle or at an end of it.
func (b *Brake) shifts(s Setup, off, bend float64) []float64 {
	switch over := (s.Long - bend) / 2; {
	case over < .5:
		return []float64{0}
	case s.Long > b.Long-1:
		return []float64{off}
	default:
		return []float64{0, over, -over}
	}
}

// ends answers from where to where the machine runs.
func (b *Brake) ends(off, bend float64) (from, to float64) {
	long := math.Max(b.Long, bend)
	return off - long/2, off + long/2
}

func (b *Brake) lower(place int, s Setup, off, shift, bend float64) lower {
	die := outline{"the die", fixed, b.Die.Outline, shift - s.Long/2, shift + s.Long/2}
	list := die.elements()
	depth := 0.
	for _, p := range b.Die.Outline {
		depth = math.Min(depth, p.Y)
	}
	from, to := b.ends(off, bend)
	bed := outline{"the bed", fixed, rect(-b.Beam/2, -b.Floor, b.Beam/2, depth), from, to}
	return lower{place, s, shift, append(append(list, bed.elements()...), b.floor()...), []outline{bed, die}}
}

// elements answers an outline as convex pieces.
func (o outline) elements() []element { return extruded(o.what, o.with, o.face, o.from, o.to) }

func rect(y0, z0, y1, z1 float64) []profile.Point {
	return []profile.Point{{X: y0, Y: z0}, {X: y1, Y: z0}, {X: y1, Y: z1}, {X: y0, Y: z1}}
}

func (b *Brake) floor() []element {
	return slab("the floor", fixed, -beyondAll, -b.Floor-1000, beyondAll, -b.Floor, -beyondAll, beyondAll)
}

// lowerClamp answers the bed and what swings, or the lower bar.
func (b *Brake) lowerClamp(place int, thickness, off, bend float64) lower {
	from, to := b.ends(off, bend)
	if b.Kind == Vice {
		bar := outline{"the lower bar", fixed, rect(0, -barHigh, barWide, 0), -bend / 2, bend / 2}
		return lower{place: place, elements: append(bar.elements(), b.floor()...), drawn: []outline{bar}}
	}
	// In the frame of what it folds, whose x runs the other way: it lies against its outer face.
	half := thickness / 2
	swing := outline{"the leaf", leaf, []profile.Point{{Y: -half - usualLeaf}, {X: usualLeaf, Y: -half - usualLeaf},
		{X: usualEdge, Y: -half}, {Y: -half}}, -to, -from}
	bed := outline{"the bed", fixed, rect(0, -b.Floor, usualBed, 0), from, to}
	return lower{place: place, elements: append(append(bed.elements(), swing.elements()...), b.floor()...), drawn: []outline{bed, swing}}
}

func (b *Brake) upper(i, place int, s Setup, off, shift, thickness float64) upper {
	tool := b.Upper[i]
	u := upper{tool: i, place: place, setup: s, shift: shift}
	left, right := b.ends(off, s.Long)
	from, to := shift-s.Long/2, shift+s.Long/2
	face, with, top, ahead := tool.Outline, punch, 0., math.Inf(1)
	for _, p := range face {
		top = math.Max(top, p.Y)
	}
	for _, p := range face {
		if p.Y > top-1e-6 {
			ahead = math.Min(ahead, p.X)
		}
	}
	beam := [2]float64{-b.Beam / 2, b.Beam / 2}
	if b.Kind != Press { // a clamp rests on the sheet
		face, with = raised(face, thickness), fixed
		top += thickness
		beam = [2]float64{ahead, ahead + usualBed}
	}
	u.drawn = []outline{{tool.Name, with, face, from, to}}
	high := top + 3000
	if b.Kind != Vice {
		u.drawn = append(u.drawn, outline{"the upper beam", with, rect(beam[0], top, beam[1], high), left, right})
	}
	for _, o := range u.drawn {
		u.elements = append(u.elements, o.elements()...)
	}
	u.exits[byLeft] = extruded(tool.Name, with, face, from-beyondAll, from)
	u.exits[byRight] = extruded(tool.Name, with, face, to, to+beyondAll)
	for _, part := range convexParts(face) {
		u.exits[byLift] = append(u.exits[byLift], extruded(tool.Name, with, swept(part, profile.Point{Y: b.Open}), from, to)...)
		if b.Kind != Press {
			u.exits[byFront] = append(u.exits[byFront], extruded(tool.Name, with, swept(part, profile.Point{X: 1e4}), from, to)...)
		}
	}
	if b.Kind == Leaf {
		u.exits[byFront] = append(u.exits[byFront], slab("the upper beam", with, beam[0], top, 1e4, high, left, right)...)
	}
	return u
}

func raised(p []profile.Point, by float64) []profile.Point {
	out := make([]profile.Point, len(p))
	for i, q := range p {
		out[i] = profile.Point{X: q.X, Y: q.Y + by}
	}
	return out
}

// swept answers what a convex outline runs through along a way.
func swept(p []profile.Point, by profile.Point) []profile.Point {
	all := append([]profile.Point(nil), p...)
	for _, q := range p {
		all = append(all, q.Add(by))
	}
	return profile.Hull(all)
}
