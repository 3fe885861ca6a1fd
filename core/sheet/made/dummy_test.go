package made_test

import (
	"errors"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// Folded, a dummy has the outside sizes of the thing, and its feet are where
// its feet are; the underside alone reaches to feet that stand outside.
func TestDummies(t *testing.T) {
	rnd := rand.New(rand.NewSource(12))
	for range 200 {
		in := sheet.DummyInput{Name: "Pump", Length: 150 + 500*rnd.Float64(), Width: 150 + 400*rnd.Float64(),
			Height: 60 + 500*rnd.Float64(),
			Board:  1 + 4*rnd.Float64()}
		for i := range 4 { // one in each quarter
			x, y := float64(i%2*2-1)*(.2+.2*rnd.Float64()), float64(i/2*2-1)*(.2+.2*rnd.Float64())
			in.Feet = append(in.Feet, profile.Point{X: x * (in.Length - 50), Y: y * (in.Width - 50)})
		}
		in.Gravity = &profile.Point{X: 10, Y: -5}
		r, err := sheet.Dummy(in)
		if err != nil {
			t.Fatal(err)
		}
		p, err := made.Build(r, made.Options{Body: true})
		if err != nil || !p.Whole {
			t.Fatalf("%v %+v", err, plates.Stops(p))
		}
		size := p.Body.Max.Sub(p.Body.Min)
		plates.Near(t, "length", size[0], in.Length)
		plates.Near(t, "width", size[1], in.Width)
		plates.Near(t, "height", size[2], in.Height)
		middle := p.Body.Min.Add(p.Body.Max).Mul(.5)
		for i, h := range p.Holes {
			if f := in.Feet[i]; math.Abs(h.Body[0]-middle[0]-f.X)+math.Abs(h.Body[1]-middle[1]-f.Y) > 1e-6 {
				t.Fatalf("foot %d is at %v about %v, want %v", i+1, h.Body, middle, f)
			}
		}
		in.Floor = true
		in.Feet[0].X = in.Length // stands out in front
		if r, err = sheet.Dummy(in); err != nil {
			t.Fatal(err)
		}
		if p = plates.Build(t, r); len(p.Holes) != 4 || len(plates.Stops(p)) > 0 || len(p.BendLines) > 0 {
			t.Fatalf("%d holes, %+v", len(p.Holes), plates.Stops(p))
		}
		in.Floor = false
		var f *working.Fault
		if _, err := sheet.Dummy(in); !errors.As(err, &f) {
			t.Fatalf("a foot outside the box: %v", err)
		}
	}
	for _, bad := range []sheet.DummyInput{{Length: 100, Width: 100, Board: 2}, {Length: 0, Width: 100, Height: 50, Board: 2},
		{Length: 100, Width: 100, Height: 100, Board: 80}, {Length: math.NaN(), Width: 100, Height: 50, Board: 2}} {
		if _, err := sheet.Dummy(bad); err == nil {
			t.Errorf("%+v was made", bad)
		}
	}
}

// The window of a plug is in its face where the plug is, as wide and as high: folded, its middle
// lies there. What would lie over another window or over the rim is marked, not cut, and the board
// stays whole.
func TestWindowsOfADummy(t *testing.T) {
	in := sheet.DummyInput{Name: "Pump", Length: 320, Width: 240, Height: 160, Board: 3, Feet: []profile.Point{{X: 100, Y: 60}}}
	for _, face := range []string{"front", "rear", "left", "right", "up"} {
		in.Rooms = append(in.Rooms, sheet.DummyRoom{Face: face, Along: 22, Up: 70, Wide: 40, High: 24, Says: "plug " + face},
			sheet.DummyRoom{Face: face, Along: -30, Up: 60, Wide: 20, High: 30, Says: "hose " + face})
	}
	for i := range in.Rooms { // on top, up runs to the left
		if in.Rooms[i].Face == "up" {
			in.Rooms[i].Up -= 50
		}
	}
	r, err := sheet.Dummy(in)
	if err != nil {
		t.Fatal(err)
	}
	p, err := made.Build(r, made.Options{Body: true})
	if err != nil || !p.Whole {
		t.Fatalf("%v %+v", err, plates.Stops(p))
	}
	origin := p.Body.Min.Add(p.Body.Max).Mul(.5)
	origin[2] = p.Body.Min[2]
	seen := 0
	for _, h := range p.Holes {
		for _, room := range in.Rooms {
			if h.Name != room.Says && h.Name != room.Says+" on "+h.Panel && !strings.HasPrefix(h.Name, room.Says) {
				continue
			}
			seen++
			at := h.Body.Sub(origin)
			along, up := at[0], at[2]
			switch room.Face {
			case "front", "rear":
				along = at[1]
			case "up":
				up = at[1]
			}
			if math.Abs(along-room.Along) > 1e-6 || math.Abs(up-room.Up) > 1e-6 {
				t.Errorf("%s is at %v", room.Says, at)
			}
			out := map[string]float64{"front": at[0] - 160, "rear": at[0] + 160, "left": at[1] - 120, "right": at[1] + 120,
				"up": at[2] - 160}
			if math.Abs(out[room.Face]) > in.Board {
				t.Errorf("%s is on another face: %v", room.Says, at)
			}
			x, y := h.Loop.Bounds().Size() // in the flat, sides front and rear lie turned
			if room.Face == "front" || room.Face == "rear" {
				x, y = y, x
			}
			if math.Abs(x-room.Wide)+math.Abs(y-room.High) > 1e-6 {
				t.Errorf("%s is %g × %g", room.Says, x, y)
			}
		}
	}
	if seen != len(in.Rooms) {
		t.Errorf("%d of %d windows", seen, len(in.Rooms))
	}
	in.Rooms = []sheet.DummyRoom{{Face: "front", Up: 80, Wide: 40, High: 40, Says: "plug"}, {Face: "front", Along: 20, Up: 80,
		Wide: 40, High: 40,
		Says: "over it"}, {Face: "left", Up: 158, Wide: 40, High: 40, Says: "over the rim"}, {Face: "down", Up: 60, Along: 100,
		Wide: 30, High: 30,
		Says: "at a foot"}, {Face: "up", Along: 900, Wide: 30, High: 30, Says: "beside it"}}
	for _, floor := range []bool{false, true} {
		in.Floor = floor
		if r, err = sheet.Dummy(in); err != nil {
			t.Fatal(err)
		}
		if p, err = made.Build(r, made.Options{Body: true}); err != nil || !p.Whole {
			t.Fatalf("%v %+v", err, plates.Stops(p))
		}
		if want := map[bool]int{false: 2, true: 1}[floor]; len(p.Holes) != want { // a foot, and one plug
			t.Errorf("%d holes", len(p.Holes))
		}
	}
}
