package bolt

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// An M10 stud by hand: 10 into the base, 12 of plies, a washer of the table, its nut, one to
// three threads of 1.5 past it.
func TestStudByHand(t *testing.T) {
	thread, err := stock.FindThread(stock.Metric, "M10", 0)
	if err != nil {
		t.Fatal(err)
	}
	hw, _ := stock.HardwareFor(thread)
	in := StudInput{System: stock.Metric, Size: "M10", Plies: []Ply{{Thickness: 8}, {Thickness: 4}}, Washers: 1, Nut: HexNut}
	r, err := Stud(in)
	if err != nil {
		t.Fatal(err)
	}
	least := 10 + 12 + hw.Washer + hw.Nut + 1.5
	if math.Abs(r.Least-least) > 1e-9 || math.Abs(r.Most-least-3) > 1e-9 || r.Length < r.Least-1e-9 || r.Length > r.Most+1e-9 ||
		math.Abs(r.Stands+r.Engaged-r.Length) > 1e-9 {
		t.Errorf("%+v, want at least %g", r, least)
	}
	in.Engage, in.Depth = 20, 20
	deeper, err := Stud(in)
	if err != nil || math.Abs(deeper.Least-r.Least-10) > 1e-9 || len(deeper.Findings) == 0 || !codesOf(deeper.Findings)["bottoms"] {
		t.Errorf("10 deeper, to the bottom: %+v %v", deeper, err)
	}
	in.Engage, in.Depth = 6, 0
	if short, err := Stud(in); err != nil || !codesOf(short.Findings)["engagement-short"] {
		t.Errorf("6 deep: %+v %v", short.Findings, err)
	}
	// A length on the step studs come in whenever one lies within the threads asked for.
	for ply := 5.; ply < 60; ply += .7 {
		for system, size := range map[stock.System]string{stock.Metric: "M8", stock.Inch: "3/8"} {
			r, err := Stud(StudInput{System: system, Size: size, Plies: []Ply{{Thickness: ply}}, Washers: 1, Nut: LockNut,
				Protrude: [2]float64{1, 6}})
			if err != nil {
				t.Fatal(err)
			}
			step := map[stock.System]float64{stock.Metric: 5, stock.Inch: 6.35}[system]
			on := math.Abs(r.Length/step-math.Round(r.Length/step)) < 1e-6
			fits := step*math.Ceil(r.Least/step-1e-9) <= r.Most+1e-9
			if on != fits || r.Length < r.Least-1e-9 || r.Length > r.Most+1e-9 {
				t.Errorf("%s through %g: %g of %g to %g", size, ply, r.Length, r.Least, r.Most)
			}
		}
	}
	for path, change := range map[string]func(*StudInput){"/nut": func(s *StudInput) { s.Nut = NoNut; s.Height = 3 },
		"/size": func(s *StudInput) { s.Size = "M11" }, "/engage": func(s *StudInput) { s.Engage = -1 }} {
		bad := StudInput{System: stock.Metric, Size: "M10", Plies: []Ply{{Thickness: 8}}, Nut: HexNut}
		change(&bad)
		_, err := Stud(bad)
		if f, is := err.(*working.Fault); !is || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// An inch stud is spoken of in inches.
func TestStudInInches(t *testing.T) {
	r, err := Stud(StudInput{System: stock.Inch, Size: "3/8", Engage: 5, Plies: []Ply{{Thickness: 6.35}}, Nut: HexNut})
	if err != nil || len(r.Findings) == 0 {
		t.Fatal(r, err)
	}
	for _, f := range r.Findings {
		if strings.Contains(f.Reason, " mm") || !strings.Contains(f.Reason, `"`) {
			t.Errorf("%s", f.Reason)
		}
	}
}
