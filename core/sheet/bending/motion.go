package bending

import "math"

// Both sides of the body have a frame at their tangent line: y away from the bend, z to the
// side it bends to, x = y × z. back and front say where each of them stands in the machine.
const (
	front = iota
	back
)

// motion is how one stroke moves the two sides of the sheet in a machine.
type motion struct {
	kind      Kind
	opening   float64 // of the die
	thickness float64
	hinge     *hinge
	whole     float64  // rad
	table     []moment // of every step of the grid
}

// moment is where the two sides and the punch are.
type moment struct {
	sides [2]pose
	tip   float64
}

// on answers the moment of a step of the grid; the last one is at to.
func (m *motion) on(i int, to float64) *moment {
	for k := len(m.table); k <= i; k++ {
		var x moment
		x.sides, x.tip = m.at(float64(k) * grid)
		m.table = append(m.table, x)
	}
	if float64(i)*grid <= to {
		return &m.table[i]
	}
	var x moment
	x.sides, x.tip = m.at(to)
	return &x
}

// at answers where the front and the back side stand when the bend is turned by a, and how
// high the tip of the punch is.
func (m *motion) at(a float64) (sides [2]pose, tip float64) {
	t := m.thickness
	if m.kind != Press {
		sides[back] = pose{vec{0, 0, t / 2}, vec{1, 0, 0}, vec{0, 1, 0}, vec{0, 0, 1}}
		if a == 0 {
			sides[front] = pose{vec{0, -m.hinge.allowance, t / 2}, vec{-1, 0, 0}, vec{0, -1, 0}, vec{0, 0, 1}}
			return sides, t
		}
		r, _ := m.hinge.bow(a, m.whole)
		sin, cos := math.Sincos(a)
		sides[front] = pose{vec{0, -r * sin, t/2 + r*(1-cos)}, vec{-1, 0, 0}, vec{0, -cos, sin}, vec{0, sin, cos}}
		return sides, t
	}
	if a == 0 {
		half := m.hinge.allowance / 2
		sides[front] = pose{vec{0, -half, t / 2}, vec{-1, 0, 0}, vec{0, -1, 0}, vec{0, 0, 1}}
		sides[back] = pose{vec{0, half, t / 2}, vec{1, 0, 0}, vec{0, 1, 0}, vec{0, 0, 1}}
		return sides, t
	}
	r, _ := m.hinge.bow(a, m.whole)
	sin, cos := math.Sincos(a / 2)
	outer, shoulder := r+t/2, m.opening/2
	// The middle of the arc hangs where the outer face rests on both shoulders.
	middle := (outer - shoulder*sin) / cos
	if outer*sin >= shoulder { // the arc itself does
		middle = math.Sqrt(outer*outer - shoulder*shoulder)
	}
	sides[front] = pose{vec{0, -r * sin, middle - r*cos}, vec{-1, 0, 0}, vec{0, -cos, sin}, vec{0, sin, cos}}
	sides[back] = pose{vec{0, r * sin, middle - r*cos}, vec{1, 0, 0}, vec{0, cos, sin}, vec{0, -sin, cos}}
	return sides, middle - (r - t/2)
}

// speed bounds how fast a point moves at most, mm per rad, that lies so far from its side's
// tangent line.
func (m *motion) speed(far float64) float64 {
	slow := m.hinge.allowance + math.Abs(m.whole*m.hinge.mid-m.hinge.allowance)/math.Max(m.whole, .01) + m.hinge.mid + m.thickness
	if m.kind != Press {
		return far + 2*slow
	}
	// The tangent line moves with the arc, the arc with the shoulders (up to 75° to either side).
	return far/2 + 2*slow + 4*m.opening
}

// sideFrames answers the two frames of a stroke in its parent's axes: the parent's side, and
// that of what is bent, still flat.
func (t *stroke) sideFrames() (parent, child pose) {
	f := t.frame
	parent = pose{f.o, f.x.mul(-1), f.y.mul(-1), f.z}
	child = pose{f.o.add(f.y.mul(t.hinge.allowance)), f.x, f.y, f.z}
	return parent, child
}

// world answers where a panel stands in the base's axes, with some strokes made.
func (b *body) world(i int, made uint64) pose {
	p := &b.panels[i]
	if p.parent < 0 {
		return still
	}
	k := 0
	if made&(1<<p.stroke) != 0 {
		k = 1
	}
	return b.world(p.parent, made).after(p.rel[k])
}

// beyond tells whether a panel lies beyond a stroke.
func (b *body) beyond(i, s int) bool { return b.panels[i].path&(1<<s) != 0 }

// local answers where a panel stands in the frame of its side of a stroke.
func (b *body) local(s, i int, made uint64) pose {
	t := &b.strokes[s]
	parent, child := t.sideFrames()
	in := b.world(t.parent, made).undone().after(b.world(i, made&^(1<<s)))
	if b.beyond(i, s) {
		return child.undone().after(in)
	}
	return parent.undone().after(in)
}

// item is what moves as one: a panel, or the bend a panel hangs on, which stands with its
// parent.
type item struct {
	panel int
	strip bool
}

// items answers all of a body, the base first.
func (b *body) items() (out []item) {
	for i := range b.panels {
		if i > 0 {
			out = append(out, item{i, true})
		}
		out = append(out, item{i, false})
	}
	return out
}

// on answers the panel an item stands with.
func (b *body) on(it item) int {
	if it.strip {
		return b.panels[it.panel].parent
	}
	return it.panel
}

// decides answers the strokes on which it depends where an item stands against a stroke, and
// what it is.
func (b *body) decides(s int, it item) uint64 {
	mask := b.panels[b.on(it)].path ^ b.panels[b.strokes[s].parent].path
	if it.strip {
		mask |= 1 << b.panels[it.panel].stroke
	}
	return mask &^ (1 << s)
}

// pieces answers what an item is made of, in the axes of the panel it stands with.
func (b *body) pieces(it item, made uint64) []*convex {
	p := &b.panels[it.panel]
	switch {
	case !it.strip:
		return p.pieces
	case made&(1<<p.stroke) != 0:
		return p.bent
	}
	return p.flat
}
