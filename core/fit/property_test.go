package fit

import (
	"math"
	"math/rand/v2"
	"testing"
)

// A standoff drawn from within every tolerance lies within the worst case; of
// thousands nearly all lie within the root of squares.
func TestStacksByDrawing(t *testing.T) {
	r := rand.New(rand.NewPCG(121, 122))
	in := StackInput{Gap: Layer{Thickness: 120, Plus: 2, Minus: 1}}
	for range 5 {
		in.Layers = append(in.Layers, Layer{Thickness: 2 + 8*r.Float64(), Plus: r.Float64(), Minus: r.Float64(), Count: 1 + r.IntN(2)})
	}
	s, err := Stack(in)
	if err != nil {
		t.Fatal(err)
	}
	const draws = 4000
	inside := 0
	normal := func(l Layer) float64 { // three standard deviations at the limits, cut there
		middle, half := l.Thickness+(l.Plus-l.Minus)/2, (l.Plus+l.Minus)/2
		return middle + half*math.Max(-1, math.Min(1, r.NormFloat64()/3))
	}
	for range draws {
		v := normal(in.Gap)
		for _, l := range in.Layers {
			for range max(l.Count, 1) {
				v -= normal(l)
			}
		}
		if v < s.Worst.Min-1e-9 || v > s.Worst.Max+1e-9 {
			t.Fatalf("%.4f lies outside %.4f to %.4f", v, s.Worst.Min, s.Worst.Max)
		}
		if v >= s.RSS.Min && v <= s.RSS.Max {
			inside++
		}
	}
	if share := float64(inside) / draws; share < .99 {
		t.Errorf("%.4f of them lie within the root of squares", share)
	}
}

// Spacer, shims and rest add up at every place, and the rest is what a bolt
// takes up.
func TestSpacersAddUp(t *testing.T) {
	r := rand.New(rand.NewPCG(123, 124))
	for range 200 {
		shims := []float64{.5, 1, 2}
		if r.IntN(3) == 0 {
			shims = []float64{.3, .8}
		}
		grain := []float64{.5, 1, 2}[r.IntN(3)]
		var s []float64
		for range 1 + r.IntN(6) {
			s = append(s, 30+4*r.Float64())
		}
		out, common := Spacers(s, grain, shims)
		for i, p := range out {
			sum := p.Spacer + p.Left
			for _, x := range p.Shims {
				sum += x
			}
			near(t, "sum", sum, s[i], 1e-9)
			near(t, "cut to the grain", math.Remainder(p.Spacer, grain), 0, 1e-9)
			if common && p.Spacer != out[0].Spacer {
				t.Error("a common spacer differs")
			}
			if len(p.Shims) < 8 && (p.Left > shims[0] || p.Left < -shims[0]/2-1e-9) {
				t.Errorf("%.2f mm are left of %.2f with shims %v", p.Left, s[i], p.Shims)
			}
		}
	}
	if out, common := Spacers(nil, 1, nil); out != nil || !common {
		t.Error("nothing to space")
	}
}

// A larger inner section, a thicker coat, a higher seam never give more room.
func TestSlideOnlyGetsTighter(t *testing.T) {
	r := rand.New(rand.NewPCG(125, 126))
	for range 200 {
		in := FitInput{Inner: Inner{Width: 40 + 2*r.Float64(), Height: 30 + 2*r.Float64(), Corner: 1 + 3*r.Float64(), Coat: .2 * r.Float64()},
			Outer: Outer{Width: 43, Height: 33, Corner: 1 + 2*r.Float64(), Coat: .2 * r.Float64(), Seam: r.Float64()}}
		a, err := Slide(in)
		if err != nil {
			t.Fatal(err)
		}
		for name, change := range map[string]func(*FitInput){"width": func(f *FitInput) { f.Inner.Width += .3 },
			"coat": func(f *FitInput) { f.Inner.Coat += .1 }, "outer coat": func(f *FitInput) { f.Outer.Coat += .1 },
			"seam": func(f *FitInput) { f.Outer.Seam += .4 }, "outer corner": func(f *FitInput) { f.Outer.Corner += .7 },
			"tolerance": func(f *FitInput) { f.Inner.Plus += .2 }} {
			c := in
			change(&c)
			b, err := Slide(c)
			if err != nil {
				t.Fatal(err)
			}
			if b.Across.Min > a.Across.Min+1e-9 || *b.Corner > *a.Corner+1e-9 {
				t.Errorf("more %s gives more room: %.3f to %.3f, corner %.3f to %.3f", name, a.Across.Min, b.Across.Min, *a.Corner, *b.Corner)
			}
		}
		if (a.Goes == "binds") != (a.Across.Min < 0 || a.Upright.Min < 0 || *a.Corner < 0) {
			t.Errorf("%s with %.3f, %.3f and %.3f", a.Goes, a.Across.Min, a.Upright.Min, *a.Corner)
		}
	}
}

// Corners by hand sampling: the least distance between two rounded corners.
func TestCornersBySampling(t *testing.T) {
	r := rand.New(rand.NewPCG(127, 128))
	for range 60 {
		in := FitInput{Inner: Inner{Width: 40, Height: 30, Corner: 1 + 4*r.Float64()},
			Outer: Outer{Width: 41.5, Height: 31.5, Corner: 1 + 4*r.Float64()}}
		got, err := Slide(in)
		if err != nil {
			t.Fatal(err)
		}
		if *got.Corner < 0 {
			continue
		}
		ri, ro := in.Inner.Corner, in.Outer.Corner
		least := math.Inf(1)
		for i := range 91 {
			s, c := math.Sincos(float64(i) * math.Pi / 180)
			x, y := 20-ri+ri*c, 15-ri+ri*s
			for k := range 91 {
				s2, c2 := math.Sincos(float64(k) * math.Pi / 180)
				least = math.Min(least, math.Hypot(20.75-ro+ro*c2-x, 15.75-ro+ro*s2-y))
			}
		}
		if *got.Corner > least+.02 {
			t.Errorf("radii %.2f and %.2f: %.3f, by sampling %.3f", ri, ro, *got.Corner, least)
		}
	}
}
