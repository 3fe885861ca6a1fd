package facet

import (
	"math"
	"testing"

	"warmanvil/core/solid"
)

// openBox is a box of 200 × 100 × 60 without its lid.
func openBox(side Side, thickness float64) Shell {
	s := Shell{Thickness: thickness, Side: side, Radius: 2, K: .42}
	for id, at := range map[string]solid.Vector{"a": {0, 0, 0}, "b": {200, 0, 0}, "c": {200, 100, 0}, "d": {0, 100, 0}, "e": {0, 0, 60},
		"f": {200, 0, 60}, "g": {200, 100, 60}, "h": {0, 100, 60}} {
		s.Points = append(s.Points, Point{ID: id, At: at})
	}
	s.Panels = []Panel{{ID: "floor", Points: []string{"d", "c", "b", "a"}}, {ID: "front", Points: []string{"a", "b", "f", "e"}},
		{ID: "right", Points: []string{"b", "c", "g", "f"}}, {ID: "back", Points: []string{"c", "d", "h", "g"}},
		{ID: "left", Points: []string{"d", "a", "e", "h"}}}
	return s
}

// By hand: 2 thick, the points outside, 196 × 96 × 58 to the level of its rim; inside 200 × 100 × 60; in
// the middle 198 × 98 × 59. It has one opening.
func TestRoomInABody(t *testing.T) {
	for side, want := range map[Side]float64{Outside: 196 * 96 * 58, Inside: 200 * 100 * 60, Middle: 198 * 98 * 59} {
		b, err := Build(openBox(side, 2))
		if err != nil {
			t.Fatal(err)
		}
		room, openings := b.Inside()
		got := room.Volume()
		if openings != 1 || math.Abs(got-want) > 1e-6*want {
			t.Errorf("%s: %g of %g, %d openings", side, got, want, openings)
		}
	}
	closed := openBox(Outside, 2)
	closed.Panels = append(closed.Panels, Panel{ID: "lid", Points: []string{"e", "f", "g", "h"}})
	b, err := Build(closed)
	if err != nil {
		t.Fatal(err)
	}
	if room, openings := b.Inside(); openings != 0 || math.Abs(room.Volume()-196*96*56) > 1 {
		t.Errorf("closed: %g, %d openings", room.Volume(), openings)
	}
	flat := Shell{Thickness: 2, Side: Outside, Radius: 2, K: .42, Points: openBox(Outside, 2).Points,
		Panels: []Panel{{ID: "front", Points: []string{"a", "b", "f", "e"}}}}
	if b, err = Build(flat); err != nil {
		t.Fatal(err)
	}
	if room, _ := b.Inside(); room.Count() != 0 {
		t.Errorf("a plate holds %g", room.Volume())
	}
}
