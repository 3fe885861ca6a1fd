package lay

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
)

// Symmetrical tells whether the part's mirrored twin is the part itself, turned
// on the bench by quarters or turned over. It answers false where it cannot
// tell: cutouts of a form of their own and pressed beads.
func Symmetrical(r sheet.Recipe) bool {
	if r.Validate() != nil {
		return false
	}
	b := Out(r, r.Bend.School, quantity.Display{})
	return len(b.Panels) > 0 && !b.Broken && b.Symmetrical()
}

// Symmetrical tells whether the mirrored flat pattern, laid on this one, has
// the same outline, panels, bends and holes.
func (b *Laid) Symmetrical() bool {
	for _, p := range b.Panels {
		for i := range p.Marks {
			if p.Marks[i].Kind == sheet.BeadMark {
				return false
			}
		}
	}
	ways := []bool{false, true}
	if b.Recipe.Seen != "" { // the face that shows would lie down
		ways = ways[:1]
	}
	return b.laidOver(ways, true)
}

// SameBlank tells whether the twin's blank is this one, turned on the table but
// not over: one drawing then cuts both.
func (b *Laid) SameBlank() bool {
	return b.laidOver([]bool{false}, false)
}

// laidOver lays the mirrored flat pattern on this one; bent asks for the same
// bends too.
func (b *Laid) laidOver(ways []bool, bent bool) bool {
	m := Out(b.Recipe.Mirror(), b.School, b.Display)
	outline, mirrored := b.Outline, m.Outline
	if len(m.Panels) == 0 || len(mirrored) != len(outline) || len(m.Panels) != len(b.Panels) || len(m.Holes) != len(b.Holes) {
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

func (l laying) matchesBlank(b, m *Laid, outline, mirrored profile.Loop) bool {
	for i, v := range mirrored {
		if !hasStretch(outline, l.of(v.P()), l.of(mirrored[(i+1)%len(mirrored)].P()), v.Bulge) {
			return false
		}
	}
	for i := range m.Holes {
		if !l.hasHole(b, &m.Holes[i]) {
			return false
		}
	}
	return true
}

func (l laying) matchesPanels(b, m *Laid) bool {
	for _, q := range m.Panels {
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

func (l laying) hasPanel(b *Laid, q *Panel) bool {
	for _, p := range b.Panels {
		if l.covers(p, q) && (p.Flange == nil) == (q.Flange == nil) &&
			(p.Flange == nil || (p.Flange.Up == q.Flange.Up) != l.over && p.Flange.Angle == q.Flange.Angle &&
				p.Flange.InsideRadius == q.Flange.InsideRadius) {
			return true
		}
	}
	return false
}

// covers tells whether q, laid on, covers the same place as p.
func (l laying) covers(p, q *Panel) bool {
	if len(p.Corners) != len(q.Corners) {
		return false
	}
	for _, c := range q.Corners {
		at := l.of(q.Pose.Apply(c))
		found := false
		for _, d := range p.Corners {
			found = found || p.Pose.Apply(d).Sub(at).Len() < sameWithin
		}
		if !found {
			return false
		}
	}
	return true
}

// hasHole looks for the same hole there. What has a side, as a countersink or a
// weld nut, is not the same turned over.
func (l laying) hasHole(b *Laid, h *Hole) bool {
	if h.Form != nil || l.over && h.Recipe.Use != nil {
		return false
	}
	at, along := l.of(h.Panel.Pose.Apply(h.Centre)), l.turn(h.Panel.Pose.Turn(h.Along))
	for _, o := range b.Holes {
		if o.Panel.Pose.Apply(o.Centre).Sub(at).Len() < sameWithin && o.Dia == h.Dia && o.Pre == h.Pre && o.Recipe.Kind == h.Recipe.Kind &&
			sameUse(o.Recipe.Use, h.Recipe.Use) && o.Form == nil &&
			o.Recipe.Length == h.Recipe.Length && (h.Recipe.Kind == sheet.RoundHole || math.Abs(o.Panel.Pose.Turn(o.Along).Cross(along)) < .001) {
			return true
		}
	}
	return false
}

func sameUse(a, b *sheet.Use) bool { return a == nil && b == nil || a != nil && b != nil && *a == *b }
