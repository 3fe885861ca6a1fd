package made_test

import (
	"errors"
	"math"
	"math/rand"
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
		in := sheet.DummyInput{Name: "Pump", Length: 150 + 500*rnd.Float64(), Width: 150 + 400*rnd.Float64(), Height: 60 + 500*rnd.Float64(),
			Board: 1 + 4*rnd.Float64()}
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
