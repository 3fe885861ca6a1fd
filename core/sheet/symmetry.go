package sheet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
)

// Symmetrical tells whether the part's mirrored twin is the part itself, turned
// on the bench by quarters or turned over. It answers false where it cannot
// tell: cutouts of a form of their own and pressed beads.
func Symmetrical(r Recipe) bool {
	if r.Validate() != nil {
		return false
	}
	b := out(r, r.Bend.School, quantity.Display{})
	return len(b.panels) > 0 && !b.broken && b.symmetrical()
}

// symmetrical tells whether the mirrored flat pattern, laid on this one, has
// the same outline, panels, bends and holes.
func (b *laid) symmetrical() bool {
	for _, p := range b.panels {
		for i := range p.marks {
			if p.marks[i].Kind == BeadMark {
				return false
			}
		}
	}
	ways := []bool{false, true}
	if b.recipe.Seen != "" { // the face that shows would lie down
		ways = ways[:1]
	}
	return b.laidOver(ways, true)
}

// sameBlank tells whether the twin's blank is this one, turned on the table but
// not over: one drawing then cuts both.
func (b *laid) sameBlank() bool {
	return b.laidOver([]bool{false}, false)
}

// laidOver lays the mirrored flat pattern on this one; bent asks for the same
// bends too.
func (b *laid) laidOver(ways []bool, bent bool) bool {
	m := out(b.recipe.Mirror(), b.school, b.display)
	outline, mirrored := b.outline, m.outline
	if len(m.panels) == 0 || len(mirrored) != len(outline) || len(m.panels) != len(b.panels) || len(m.holes) != len(b.holes) {
		return false
	}
	for _, over := range ways {
		for quarters := range 4 {
			l := laying{over: over, quarters: quarters}
			l.by = centred(outline).Sub(l.of(centred(mirrored)))
			if l.matchesBlank(b, m, outline, mirrored) && (!bent || l.matchesPanels(b, m)) {
				return true
			}
		}
	}
	return false
}

// centred answers the middle of a loop's bounds.
func centred(l profile.Loop) profile.Point {
	box := l.Bounds()
	return box.Min.Add(box.Max).Mul(.5)
}

// laying puts one flat pattern on another: turned over first, then by quarters
// anticlockwise, then moved.
type laying struct {
	over     bool
	quarters int
	by       profile.Point
}

func (l laying) turn(q profile.Point) profile.Point {
	if l.over {
		q.Y = -q.Y
	}
	for range l.quarters {
		q = profile.Point{X: -q.Y, Y: q.X}
	}
	return q
}

func (l laying) of(q profile.Point) profile.Point { return l.turn(q).Add(l.by) }

const sameWithin = .01 // mm

func (l laying) matchesBlank(b, m *laid, outline, mirrored profile.Loop) bool {
	for i, v := range mirrored {
		if !hasStretch(outline, l.of(v.P()), l.of(mirrored[(i+1)%len(mirrored)].P()), v.Bulge) {
			return false
		}
	}
	for i := range m.holes {
		if !l.hasHole(b, &m.holes[i]) {
			return false
		}
	}
	return true
}

func (l laying) matchesPanels(b, m *laid) bool {
	for _, q := range m.panels {
		if !l.hasPanel(b, q) {
			return false
		}
	}
	return true
}

// hasStretch looks for a stretch between two places, walked either way: an
// outline turned over runs backwards, and bulges out as it did.
func hasStretch(outline profile.Loop, a, c profile.Point, bulge float64) bool {
	for i, v := range outline {
		p, q := v.P(), outline[(i+1)%len(outline)].P()
		if math.Abs(v.Bulge-bulge) < 1e-4 &&
			(p.Sub(a).Len() < sameWithin && q.Sub(c).Len() < sameWithin || p.Sub(c).Len() < sameWithin && q.Sub(a).Len() < sameWithin) {
			return true
		}
	}
	return false
}

func (l laying) hasPanel(b *laid, q *panel) bool {
	for _, p := range b.panels {
		if l.covers(p, q) && (p.flange == nil) == (q.flange == nil) &&
			(p.flange == nil || (p.flange.Up == q.flange.Up) != l.over && p.flange.Angle == q.flange.Angle &&
				p.flange.InsideRadius == q.flange.InsideRadius) {
			return true
		}
	}
	return false
}

// covers tells whether q, laid on, covers the same place as p.
func (l laying) covers(p, q *panel) bool {
	if len(p.corners) != len(q.corners) {
		return false
	}
	for _, c := range q.corners {
		at := l.of(q.pose.apply(c))
		found := false
		for _, d := range p.corners {
			found = found || p.pose.apply(d).Sub(at).Len() < sameWithin
		}
		if !found {
			return false
		}
	}
	return true
}

// hasHole looks for the same hole there. What has a side, as a countersink or a
// weld nut, is not the same turned over.
func (l laying) hasHole(b *laid, h *hole) bool {
	if h.form != nil || l.over && h.recipe.Use != nil {
		return false
	}
	at, along := l.of(h.panel.pose.apply(h.centre)), l.turn(h.panel.pose.turn(h.along))
	for _, o := range b.holes {
		if o.panel.pose.apply(o.centre).Sub(at).Len() < sameWithin && o.dia == h.dia && o.pre == h.pre && o.recipe.Kind == h.recipe.Kind &&
			sameUse(o.recipe.Use, h.recipe.Use) && o.form == nil &&
			o.recipe.Length == h.recipe.Length && (h.recipe.Kind == RoundHole || math.Abs(o.panel.pose.turn(o.along).Cross(along)) < .001) {
			return true
		}
	}
	return false
}

func sameUse(a, b *Use) bool { return a == nil && b == nil || a != nil && b != nil && *a == *b }
