package bending

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// grid is the step of the sweeps where things are close, rad: half a degree. Where they are
// farther apart than they can move, steps are leapt over, always whole ones.
const grid = math.Pi / 360

// wide is beyond every body, mm.
const beyondAll = 1e5

// element is one convex piece of a tool or of the machine.
type element struct {
	what string
	with int // what it moves with
	cx   *convex
}

// What elements move with.
const (
	fixed = iota
	punch
	leaf
)

// hit is what a sweep found: the grid step at which something runs into something, −1 for
// none, and how far apart they stay at least.
type hit struct {
	at    int16
	what  int16 // of the elements, or of the other items
	clear float32
}

var clearHit = hit{at: -1, what: -1, clear: math.MaxFloat32}

// sweeper sweeps pieces, with storage of its own: one for each goroutine.
type sweeper struct{ a convex }

// wanted is what a sweep is to find out.
type wanted int

// Whether anything is run into at all, what is run into first, or how near it comes too.
const (
	whether wanted = iota
	first
	nearness
)

// tools sweeps pieces of one side, given in its frame, against elements while the bend is
// turned up to a.
func (w *sweeper) tools(m *motion, side int, pieces []*convex, list []element, to float64, want wanted) hit {
	h := clearHit
	steps := int(math.Ceil(to/grid - 1e-9))
	for _, p := range pieces {
		far := p.reach()
		for k := range list {
			e := &list[k]
			// Nothing moves along the bend.
			if d := besides(p, side, e); d > 0 {
				h.clear = min(h.clear, float32(d))
				continue
			}
			speed := m.speed(far)
			if e.with == leaf {
				speed += 2 * m.speed(math.Max(far, e.cx.reach()))
			}
			var by axis
			for i := 0; i <= steps; {
				a := math.Min(float64(i)*grid, to)
				if want == nearness {
					by = axis{}
				}
				d := w.gap(m.on(i, to), side, p, e, speed*(to-a)+1, &by)
				if want == nearness && d > 0 && d < truly && d < float64(h.clear) {
					h.clear = min(h.clear, float32(w.exactly(e.cx)))
				} else {
					h.clear = min(h.clear, float32(d))
				}
				if d <= 0 {
					if h.at < 0 || int16(i) < h.at {
						h.at, h.what = int16(i), int16(k)
					}
					if want == whether {
						return h
					}
					break
				}
				if i == steps {
					break
				}
				i = min(i+max(1, int(d/(speed*grid))), steps)
			}
		}
	}
	return h
}

// besides answers by how much a piece lies beside an element along the bend.
func besides(p *convex, side int, e *element) float64 {
	lo, hi := p.lo.x, p.hi.x
	if (side == front) != (e.with == leaf) { // x of the front side, which a leaf is given in, runs the other way
		lo, hi = -hi, -lo
	}
	return max(lo-e.cx.hi.x, e.cx.lo.x-hi)
}

// gap answers how far a piece is from an element at a turn, at least: by the axis that kept
// them apart a step before, if it still does.
func (w *sweeper) gap(m *moment, side int, p *convex, e *element, enough float64, by *axis) float64 {
	at := m.sides[side]
	switch e.with {
	case punch:
		at.o.z -= m.tip
	case leaf: // it lies against the front side: both are taken in its frame
		if side == front {
			at = still
		} else {
			at = m.sides[front].undone().after(at)
		}
	}
	p.shifted(&at, &w.a)
	return w.between(p, &at, e.cx, enough, by)
}

// between answers how far what was shifted is from another piece.
func (w *sweeper) between(p *convex, at *pose, o *convex, enough float64, by *axis) float64 {
	if d := boxes(&w.a, o); d >= enough || d > 0 && by.known {
		return d
	}
	p.turned(at, &w.a)
	if by.known {
		if n, is := by.way(&w.a, o); is {
			if d := across(&w.a, o, n); d > 0 {
				return d
			}
		}
	}
	d, x := apart(&w.a, o, enough)
	*by = x
	return d
}

// truly is what a nearness below which it is told is worked out by, mm: axes may say less than
// it is between corners.
const truly = 3.

// exactly answers how far the piece shifted last is from another.
func (w *sweeper) exactly(o *convex) float64 {
	return solid.Within(solid.NewTree(mesh(&w.a)), solid.NewTree(mesh(o)), 2*truly).Distance
}

// selves sweeps pieces of the parent's side against pieces of what is bent, both in their
// side's frames.
func (w *sweeper) selves(t *stroke, parents, children []*convex) bool {
	steps := int(math.Ceil(t.fold/grid - 1e-9))
	p0, c0 := t.sideFrames()
	flat := p0.undone().after(c0)
	for _, p := range parents {
		for _, c := range children {
			speed := c.reach() + 2*(t.hinge.allowance+t.hinge.mid+math.Abs(t.angle*t.hinge.mid-t.hinge.allowance)/math.Max(t.angle, .01))
			var by axis
			for i := 0; i <= steps; {
				a := math.Min(float64(i)*grid, t.fold)
				at := flat
				if a > 0 { // in the parent's side: y away from the bend is −y of the child
					r, _ := t.hinge.bow(a, t.angle)
					sin, cos := math.Sincos(a)
					at = pose{vec{0, -r * sin, r * (1 - cos)}, vec{-1, 0, 0}, vec{0, -cos, sin}, vec{0, sin, cos}}
				}
				c.shifted(&at, &w.a)
				d := w.between(c, &at, p, speed*(t.fold-a)+1, &by)
				if d <= 0 {
					return true
				}
				if i == steps {
					break
				}
				i = min(i+max(1, int(d/(speed*grid))), steps)
			}
		}
	}
	return false
}

// extruded answers an outline across the bend, from one x to another, as convex elements.
func extruded(what string, with int, outline []profile.Point, from, to float64) (out []element) {
	// The outline's x is the machine's y, its y the machine's z.
	at := pose{vec{}, vec{0, 1, 0}, vec{0, 0, 1}, vec{1, 0, 0}}
	for _, part := range convexParts(outline) {
		out = append(out, element{what, with, prism(at, part, from, to)})
	}
	return out
}

func slab(what string, with int, y0, z0, y1, z1, from, to float64) []element {
	return extruded(what, with, rect(y0, z0, y1, z1), from, to)
}
