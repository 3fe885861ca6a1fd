package bending

import (
	"math"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// By hand, at 90° in a V die of 24, 3 mm, R 3: both legs rise by 45°, their outer faces go
// through the shoulders at ±12, and the zone runs over into them without a step.
func TestAcross(t *testing.T) {
	r := plate(300, 200, 3, sheet.Flange{ID: "f", Name: "f", Edge: sheet.Front, Length: 60, Angle: 90, Up: true, InsideRadius: 3})
	brake := press
	brake.Die = UsualDie(24)
	b := find(t, r, brake)
	scene := b.Steps[0].Scene
	for _, m := range scene.Moves {
		tools, bodies := scene.Across(b.Plates, 3, m)
		if len(tools) < 4 || len(bodies) != 3 {
			t.Fatalf("%d tools, %d bodies", len(tools), len(bodies))
		}
		for _, p := range bodies[2] { // the zone touches what it joins
			if m.Turn < 2 {
				continue
			}
			if near := math.Min(profile.Distance(p, bodies[0]), profile.Distance(p, bodies[1])); near > 12 {
				t.Errorf("at %.1f° the zone is %.2f off the legs", m.Turn, near)
			}
		}
		if m.Turn == 90 {
			for _, body := range bodies[:2] {
				on := math.Inf(1)
				for _, x := range []float64{-12, 12} {
					on = math.Min(on, profile.Distance(profile.Point{X: x}, body))
				}
				near(t, "shoulder to leg", on, 0, 1e-6)
			}
		}
	}
	if last := scene.Moves[len(scene.Moves)-1]; math.Abs(last.Turn-90) > 1e-9 || scene.Moves[len(scene.Moves)-2].Turn < 90 {
		t.Errorf("it ends at %.2f after %.2f: bent over, then sprung back", last.Turn, scene.Moves[len(scene.Moves)-2].Turn)
	}
}
