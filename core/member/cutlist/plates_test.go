package cutlist_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/stock"
)

// post is one upright tube with a base plate at its foot and one at its head.
func post(change func(*member.Doc)) *shape.Built {
	sec := section.Sizes{Kind: "rectTube", Width: 50, Height: 50, Wall: 3}
	plate := member.Plate{ID: "p", Name: "Foot", Member: "m", End: "a", Kind: "base", Width: 140, Height: 120, Thickness: 8, Holes: 4,
		Hole: 11, Margin: 20, Leg: 4}
	head := plate
	head.ID, head.Name, head.End = "q", "Head", "b"
	d := member.Doc{Schema: 1, Material: "steel-s235",
		Points:  []member.Point{{ID: "a", Name: "Low"}, {ID: "b", Name: "High", Z: 600}},
		Members: []member.Member{{ID: "m", Name: "Post", From: "a", To: "b", Section: sec}}, Plates: []member.Plate{plate, head}}
	if change != nil {
		change(&d)
	}
	return shape.Build(d, nil)
}

// Plates cut alike are one row with their number; holes are told from the lower left corner
// and for what bolt; the frame's size over all goes over its plates.
func TestPlatesAsParts(t *testing.T) {
	b := post(nil)
	rows := cutlist.Plates(b, stock.Metric)
	if len(rows) != 1 || rows[0].Mark != "P1" || rows[0].Quantity != 2 || rows[0].Bolt != "M10" || len(rows[0].Names) != 2 {
		t.Fatalf("%+v", rows)
	}
	want := [][2]float64{{20, 20}, {120, 20}, {20, 100}, {120, 100}}
	if fmt.Sprint(rows[0].Holes) != fmt.Sprint(want) {
		t.Errorf("holes at %v, want %v", rows[0].Holes, want)
	}
	// In an inch shop the same hole is for an inch bolt; one that no inch bolt fits is told as it is.
	if inch := cutlist.Plates(b, stock.Inch); inch[0].Bolt != "3/8" {
		t.Errorf("in an inch shop a hole of 11 is for %s", inch[0].Bolt)
	}
	mass := (140*120 - 4*math.Pi/4*11*11) * 8 * b.Steel.Density * 1e-9
	if math.Abs(rows[0].Mass-mass) > 1e-9 {
		t.Errorf("%g kg, want %g", rows[0].Mass, mass)
	}
	if size := b.Max.Sub(b.Min); math.Abs(size[2]-600) > 1e-6 || math.Abs(max(size[0], size[1])-140) > 1e-6 ||
		math.Abs(min(size[0], size[1])-120) > 1e-6 {
		t.Errorf("over all %v, and the plates are 140 × 120", size)
	}
	other := cutlist.Plates(post(func(d *member.Doc) { d.Plates[1].Margin = 21 }), stock.Metric)
	if len(other) != 2 || other[1].Mark != "P2" {
		t.Errorf("plates drilled otherwise are one row: %+v", other)
	}
}

// A socket must go over the bolt's head between its hole and the wall with its weld.
func TestRoomForTheWrench(t *testing.T) {
	said := func(change func(*member.Doc)) string {
		var out []string
		for _, f := range post(change).Findings {
			if f.Code == "plate-wrench" {
				out = append(out, f.Reason)
				if f.Working == nil || len(f.Working.Inputs) == 0 {
					t.Error("it does not show its working")
				}
			}
		}
		return strings.Join(out, "\n")
	}
	if s := said(nil); s != "" {
		t.Errorf("with room enough: %s", s)
	}
	// 70 − 38 − 25 = 7 mm across, 60 − 20 − 25 = 15 up: 16.55 to the corner, 12.55 without the leg.
	small := said(func(d *member.Doc) { d.Plates[0].Width, d.Plates[0].Height, d.Plates[0].Margin = 90, 90, 18 })
	if s := small; !strings.Contains(s, "Foot: a socket for M10") || strings.Contains(s, "Head") {
		t.Errorf("with a small plate: %q", s)
	}
	for what, change := range map[string]func(*member.Doc){
		"a cap":          func(d *member.Doc) { d.Plates[0].Kind, d.Plates[0].Width = "cap", 90 },
		"no bolt's hole": func(d *member.Doc) { d.Plates[0].Hole = 3 },
	} {
		if s := said(change); strings.Contains(s, "Foot") {
			t.Errorf("%s: %s", what, s)
		}
	}
}

// Where the cut is slanted the wall leans over the holes: that room is not worked out, and
// it is said.
func TestRoomForTheWrenchOnASlant(t *testing.T) {
	open := func(change func(*member.Doc)) (out []string) {
		for _, f := range post(change).Findings {
			if f.Code == "plate-wrench-open" {
				out = append(out, f.Reason)
			}
		}
		return out
	}
	if got := open(nil); len(got) > 0 {
		t.Errorf("square: %v", got)
	}
	got := open(func(d *member.Doc) {
		d.Points = append(d.Points, member.Point{ID: "c", X: -300, Z: -100}, member.Point{ID: "e", X: 300, Z: 100})
		d.Members = append(d.Members, member.Member{ID: "n", Name: "Slope", From: "c", To: "e", Section: d.Members[0].Section})
		d.Members[0].A = member.End{Kind: member.Butt, Onto: "n"}
	})
	if len(got) != 1 || !strings.Contains(got[0], "Foot lies on a slanted cut") {
		t.Errorf("slanted: %v", got)
	}
}

// The bolt of a hole is the one whose usual clearance is nearest, in both systems.
func TestBoltOf(t *testing.T) {
	for hole, want := range map[float64]string{9: "M8", 11: "M10", 13.5: "M12", 17.5: "M16", 9. / 32 * 25.4: "1/4", 13. / 32 * 25.4: "3/8"} {
		if got, ok := shape.BoltOf(hole); !ok || got.Size != want {
			t.Errorf("a hole of %g is for %s, want %s", hole, got.Size, want)
		}
	}
	for _, hole := range []float64{3, 60} {
		if got, ok := shape.BoltOf(hole); ok {
			t.Errorf("a hole of %g is for %s", hole, got.Size)
		}
	}
}
