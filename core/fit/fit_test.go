package fit

import (
	"math"
	"testing"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func TestStack(t *testing.T) {
	r, err := Stack(StackInput{Gap: Layer{Thickness: 100, Plus: 2, Minus: 1},
		Layers: []Layer{{Thickness: 5, Plus: .3, Minus: .3, Count: 2}, {Thickness: 12, Plus: 0, Minus: 2}}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "nominal", r.Nominal, 78, 1e-12)
	near(t, "least", r.Worst.Min, 99-2*5.3-12, 1e-12)
	near(t, "most", r.Worst.Max, 102-2*4.7-10, 1e-12)
	half := math.Sqrt(1.5*1.5 + 2*.3*.3 + 1)
	near(t, "middle", (r.RSS.Min+r.RSS.Max)/2, 100.5-10-11, 1e-12)
	near(t, "root of squares", (r.RSS.Max-r.RSS.Min)/2, half, 1e-12)
	if r.RSS.Min < r.Worst.Min || r.RSS.Max > r.Worst.Max {
		t.Error("the root of squares lies outside the worst case")
	}
	if _, err := Stack(StackInput{Gap: Layer{Thickness: 10}, Layers: []Layer{{Thickness: 12}}}); err == nil {
		t.Error("a stack thicker than its gap is taken")
	}
	if _, err := Stack(StackInput{Gap: Layer{Thickness: 10, Plus: -1}}); err == nil {
		t.Error("a negative tolerance is taken")
	}
}

func TestSpacers(t *testing.T) {
	out, common := Spacers([]float64{40.2, 41.7, 40.9}, 1, []float64{.5, 1, 2})
	if !common {
		t.Error("one spacer would do")
	}
	for i, want := range []float64{40.2, 41.7, 40.9} {
		sum := out[i].Spacer + out[i].Left
		for _, s := range out[i].Shims {
			sum += s
		}
		near(t, "it adds up", sum, want, 1e-9)
		if out[i].Left > .25+1e-9 || out[i].Left < -.25-1e-9 {
			t.Errorf("%.2f mm are left open", out[i].Left)
		}
	}
	out, common = Spacers([]float64{40, 95}, 1, []float64{1})
	if common || out[0].Spacer != 40 || out[1].Spacer != 95 {
		t.Errorf("%v %+v", common, out)
	}
}

func TestLegs(t *testing.T) {
	l := Legs([][2]float64{{500, 0}, {-500, 0}, {-500, 300}}, 10, 0, 120)
	near(t, "rear", l[1], 120, 1e-9)
	near(t, "front", l[0], 120+1000*math.Tan(10*math.Pi/180), 1e-9)
	near(t, "beside", l[2], 120, 1e-9)
}

func TestSlide(t *testing.T) {
	r, err := Slide(FitInput{Inner: Inner{Width: 50, Height: 50, Corner: 3}, Outer: Outer{Width: 52, Height: 52, Corner: 1, Seam: 1}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "a side", r.Across.Nominal, .5, 1e-12)
	if r.Goes != "free" || r.Mask != "" {
		t.Errorf("%+v", r)
	}
	// Faces free, corners not: inner radius 1, outer inside radius 5, half a
	// millimetre a side. On the diagonal: (26−5−(25−1))·√2·… by hand.
	r, _ = Slide(FitInput{Inner: Inner{Width: 50, Height: 50, Corner: 1}, Outer: Outer{Width: 51, Height: 51, Corner: 5}})
	near(t, "corner", *r.Corner, (25.5-5-24)*math.Sqrt2+4, 1e-3)
	if r.Goes != "binds" || r.Findings[0].Code != "corner" {
		t.Errorf("%+v", r)
	}
	r, _ = Slide(FitInput{Inner: Inner{Width: 40, Coat: .1}, Outer: Outer{Width: 40.5, Coat: .3}})
	if r.Goes != "binds" || r.Mask != "outer" {
		t.Errorf("coats: %+v", r)
	}
	r, _ = Slide(FitInput{Inner: Inner{Width: 40}, Outer: Outer{Width: 50}, Liner: 6, Squash: .25})
	near(t, "liner squashed", r.Across.Nominal, .5, 1e-12)
	r, _ = Slide(FitInput{Inner: Inner{Width: 40, Plus: .3, Minus: .2}, Outer: Outer{Width: 42, Plus: .4, Minus: .5}})
	near(t, "tightest", r.Across.Min, (41.5-40.3)/2, 1e-12)
	near(t, "loosest", r.Across.Max, (42.4-39.8)/2, 1e-12)
	for _, in := range []FitInput{{Inner: Inner{Width: 40, Height: 40}, Outer: Outer{Width: 50}}, {Outer: Outer{Width: 5}},
		{Inner: Inner{Width: 5}, Outer: Outer{Width: 6}, Squash: 2}} {
		if _, err := Slide(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

func TestPocket(t *testing.T) {
	table := []Stock{{"40×40", 40, 40}, {"50×30", 50, 30}, {"60×40", 60, 40}, {"50×50", 50, 50}}
	got := Pocket(42, 62, .5, table)
	if len(got) == 0 || got[0].Name != "60×40" || got[0].Width != 40 {
		t.Fatalf("%+v", got)
	}
	near(t, "shim a side", got[0].ShimAcross, .5, 1e-12)
	if len(Pocket(20, 20, .5, table)) != 0 {
		t.Error("something goes into a pocket too small for all")
	}
}
