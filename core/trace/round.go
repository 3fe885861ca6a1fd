package trace

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

func (t *Traced) circle(c Curve) {
	if !(c.Bulge > 0) {
		return
	}
	r := profile.Point{X: c.Bulge}
	a, b := c.A.Sub(r), c.A.Add(r)
	t.Loops = append(t.Loops, Loop{Outline: profile.Loop{{X: a.X, Y: a.Y, Bulge: 1}, {X: b.X, Y: b.Y, Bulge: 1}}, Round: true,
		Centre: c.A, Radius: c.Bulge})
}

// dropCircles drops circles drawn twice.
func (t *Traced) dropCircles() {
	type key struct{ x, y, r int64 }
	seen := map[key]bool{}
	grain := t.Tolerance
	out := t.Loops[:0]
	dropped := 0
	for _, l := range t.Loops {
		if !l.Round {
			out = append(out, l)
			continue
		}
		k := key{int64(math.Round(l.Centre.X / grain)), int64(math.Round(l.Centre.Y / grain)), int64(math.Round(l.Radius / grain))}
		if seen[k] {
			dropped++
			continue
		}
		seen[k] = true
		out = append(out, l)
	}
	t.Loops = out
	if dropped > 0 {
		t.say(working.Note, "doubled", "Drawing", nil,
			plural(dropped, "circle was drawn twice and is", "circles were drawn twice and are")+" taken once.")
	}
}

// loop keeps a closed outline, anticlockwise; one that is round within the
// tolerance becomes a circle.
func (t *Traced) loop(l profile.Loop) {
	if l.Area() < 0 {
		l = l.Reversed()
	}
	out := Loop{Outline: l}
	if c, r, ok := roundLoop(l, t.Tolerance); ok {
		out.Round, out.Centre, out.Radius = true, c, r
		out.Outline = profile.Loop{{X: c.X - r, Y: c.Y, Bulge: 1}, {X: c.X + r, Y: c.Y, Bulge: 1}}
	}
	t.Loops = append(t.Loops, out)
}

// roundLoop tells whether every piece of a loop is an arc of one circle.
func roundLoop(l profile.Loop, tolerance float64) (profile.Point, float64, bool) {
	var c profile.Point
	r, turn := 0.0, 0.0
	for i, v := range l {
		if v.Bulge <= 0 {
			return c, r, false
		}
		at, radius := profile.ArcOf(v, l[(i+1)%len(l)])
		if i > 0 && (at.Sub(c).Len() > 2*tolerance || math.Abs(radius-r) > 2*tolerance) {
			return c, r, false
		}
		if i == 0 {
			c, r = at, radius
		}
		turn += 4 * math.Atan(v.Bulge)
	}
	return c, r, math.Abs(turn-2*math.Pi) < 1e-3
}
