package shape

import (
	"math"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/section"
	"warmanvil/core/solid"
)

// ladder is two rails of 1000, so far apart, with rungs of 40 × 40 at some places along them.
func ladder(apart float64, rungs ...float64) member.Doc {
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0), racks.Point("c", 0, apart, 0),
		racks.Point("d", 1000, apart, 0)},
		Members: []member.Member{{ID: "l", Name: "Right rail", From: "a", To: "b", Section: racks.Box40},
			{ID: "r", Name: "Left rail", From: "c", To: "d", Section: racks.Box40}}}
	for i, x := range rungs {
		id := string(rune('s' + i))
		d.Points = append(d.Points, racks.Point(id+"1", x, 0, 0), racks.Point(id+"2", x, apart, 0))
		d.Members = append(d.Members, member.Member{ID: id, Name: "Rung " + id, From: id + "1", To: id + "2", Section: racks.Box40,
			A: member.End{Kind: member.Butt, Onto: "l"}, B: member.End{Kind: member.Butt, Onto: "r"}})
	}
	return d
}

// A ladder of two rungs has one opening, 560 wide between the inner faces; a third rung makes three,
// the largest first. Diagonals by hand: √(560² + (between the rungs − 40)²).
func TestOpeningsOfALadder(t *testing.T) {
	b := Build(racks.Steel(t, ladder(600, 100, 900)), nil)
	list := b.Quads()
	if len(list) != 1 {
		t.Fatalf("%d openings", len(list))
	}
	want := math.Hypot(560, 760)
	first, second := list[0].Diagonals()
	racks.Near(t, "first", first, want, 1e-6)
	racks.Near(t, "second", second, want, 1e-6)
	b = Build(racks.Steel(t, ladder(600, 100, 400, 900)), nil)
	list = b.Quads()
	if len(list) != 3 {
		t.Fatalf("%d openings", len(list))
	}
	for i, long := range []float64{760, 460, 260} {
		first, _ = list[i].Diagonals()
		racks.Near(t, "of three", first, math.Hypot(560, long), 1e-6)
	}
}

// What lies out of the plane, is bent round, or has no opening is not asked; a wide flat bar on edge
// reaches less to the inside than one that lies flat.
func TestOpeningsThatAreNone(t *testing.T) {
	high := ladder(600, 100, 900)
	high.Points[6].Z, high.Points[7].Z = 120, 120 // one rung above
	if got := Build(racks.Steel(t, high), nil).Quads(); len(got) > 0 {
		t.Errorf("one above the others: %+v", got)
	}
	if got := Build(racks.Steel(t, ladder(600, 100)), nil).Quads(); len(got) > 0 {
		t.Errorf("three pieces: %+v", got)
	}
	if got := Build(racks.Steel(t, ladder(60, 100, 900)), nil).Quads(); len(got) != 1 {
		t.Errorf("a slot of 20: %+v", got)
	}
	if got := Build(racks.Steel(t, ladder(50, 100, 900)), nil).Quads(); len(got) > 0 {
		t.Errorf("a slot of 10: %+v", got)
	}
	flat := ladder(600, 100, 900)
	flat.Members[2].Section = section.Sizes{Kind: "rectTube", Width: 60, Height: 40, Wall: 3}
	list := Build(racks.Steel(t, flat), nil).Quads()
	if len(list) != 1 {
		t.Fatalf("%d openings", len(list))
	}
	first, _ := list[0].Diagonals()
	racks.Near(t, "a wider rung", first, math.Hypot(560, 750), 1e-6)
}

// Beside the end of a rung there are two corners on the rail, where the faces meet; the one with more room comes first. A
// mitred corner has room on its inside alone, as long as its members less the other's half. Slanted and free ends have none.
func TestCornersBesideAnEnd(t *testing.T) {
	b := Build(racks.Steel(t, ladder(600, 300)), nil)
	list, why := b.Corners(2, 0)
	if why != "" || len(list) != 2 || list[0].Onto != "l" {
		t.Fatalf("%q %+v", why, list)
	}
	for i, want := range []solid.Vector{{320, 20, 0}, {280, 20, 0}} { // away from the rail's nearer end first
		c := list[i]
		if c.At.Sub(want).Len() > 1e-9 || c.Up.Sub(solid.Vector{0, 1}).Len() > 1e-9 || math.Abs(c.Wide-60) > 1e-9 {
			t.Errorf("%+v, want %v", c, want)
		}
		racks.Near(t, "room on the rail", c.Room[1], []float64{680, 280}[i], 1e-9)
		racks.Near(t, "room on the rung", c.Room[0], 560, 1e-9)
	}
	if _, why := b.Corners(0, 0); why == "" {
		t.Error("the free end of a rail has a corner")
	}
	d := racks.Path(racks.Box40, [3]float64{500}, [3]float64{}, [3]float64{0, 400})
	d.Members[0].B, d.Members[1].A = member.End{Kind: member.Mitre, Onto: "m2"}, member.End{Kind: member.Mitre, Onto: "m1"}
	b = Build(racks.Steel(t, d), nil)
	list, why = b.Corners(0, 1)
	if why != "" || list[0].Room[1] < 370 || list[1].Room[1] > 1 {
		t.Errorf("%q %+v", why, list)
	}
	if at := list[0].At.Sub(solid.Vector{20, 20, 0}).Len(); at > 1e-9 {
		t.Errorf("its inside is at %v", list[0].At)
	}
	d.Points[2].X = 120
	b = Build(racks.Steel(t, d), nil)
	if _, why = b.Corners(0, 1); why == "" {
		t.Error("a slanted corner is filled")
	}
}
