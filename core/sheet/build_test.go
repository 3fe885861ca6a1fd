package sheet

import (
	"fmt"
	"math"
	"math/rand"
	"reflect"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/working"
)

// An angle cleat 100 long, legs 60 and 40 outside, R = T = 3, K = 0.42:
// BD = 12 − 6.69159 = 5.30841, blank 60 + 40 − 5.30841 = 94.69159. A hole 25 up
// the flange from the outside lies 25 − 6 = 19 past the tangent line.
func TestCleat(t *testing.T) {
	r := plate(100, 60)
	f := flange("f", Front, 40, 90)
	f.Holes = []Hole{round("fh", Left, 20, Back, 25, 9)}
	r.Base.Flanges = []Flange{f}
	r.Base.Holes = []Hole{round("bh", Left, 20, Front, 25, 9)}
	p := build(t, r)
	w, h := p.Bounds.Size()
	near(t, "blank x", w, 100)
	near(t, "blank y", h, 94.69159)
	near(t, "base hole y", p.Holes[0].Centre.Y, 19)
	near(t, "flange hole x", p.Holes[1].Centre.X, 20)
	near(t, "flange hole y", p.Holes[1].Centre.Y, -25.69159)
	// Folded: 25 above the outer face of the base, whose mid-surface is z = 0.
	near(t, "folded z", p.Holes[1].Body[2], 23.5)
	near(t, "folded y", p.Holes[1].Body[1], -4.5)
	near(t, "normal", p.Holes[1].Normal[1], 1)
	if want := 100*94.69159 - 2*math.Pi*81/4; math.Abs(p.Area-want) > .001 {
		t.Errorf("area = %v, want %v", p.Area, want)
	}
	near(t, "mass", p.Mass, p.Area*3*7850e-9)
	near(t, "cut length", p.CutLength, 2*(100+94.69159)+2*math.Pi*9)
	if p.Pierces != 3 || !p.Whole || len(p.Outline) != 4 {
		t.Errorf("pierces %d, whole %v, outline %v", p.Pierces, p.Whole, p.Outline)
	}
	l := p.BendLines[0]
	near(t, "bend line y", l.From.Y, -6.69159/2)
	near(t, "bend line y", l.To.Y, -6.69159/2)
	near(t, "BD", l.BendDeduction, 5.30841)
	size := p.Body.Max.Sub(p.Body.Min)
	for i, want := range []float64{100, 60, 40} {
		near(t, fmt.Sprint("folded size ", i), size[i], want)
	}
	for _, f := range p.Figures {
		if f.Working.Method == "" || f.Working.Source == "" || f.Working.Result.Text == "" || f.Text == "" {
			t.Errorf("figure %s has no working: %+v", f.Key, f.Working)
		}
	}
	sum := 0.0
	for _, q := range p.Figures[1].Working.Inputs {
		sum += q.Value
	}
	near(t, "the blank's working adds up", sum, h)
}

func TestMeasures(t *testing.T) {
	// All of these make the same cleat: 34 flat past the tangent line at 90°.
	for m, length := range map[Measure]float64{Outside: 40, Inside: 37, Flat: 34, Tangent: 40} {
		r := plate(100, 60)
		f := flange("f", Front, length, 90)
		f.Measure = m
		r.Base.Flanges = []Flange{f}
		_, h := build(t, r).Bounds.Size()
		near(t, string(m), h, 94.69159)
	}
	// 120°, outside apex: setback 6·tan 60° = 10.39230; to the tangent plane 6.
	for m, length := range map[Measure]float64{Outside: 44.39230, Tangent: 40, Flat: 34} {
		r := plate(100, 60)
		r.Base.Measure = Flat
		f := flange("f", Front, length, 120)
		f.Measure = m
		r.Base.Flanges = []Flange{f}
		_, h := build(t, r).Bounds.Size()
		near(t, "120° "+string(m), h, 60+34+2*math.Pi/3*(3+1.26))
	}
}

// Folding the unfolded gives the outside sizes that were typed.
func TestFoldedOutsideSizes(t *testing.T) {
	rnd := rand.New(rand.NewSource(7))
	for range 300 {
		r := random(rnd, false)
		p := build(t, r)
		if !p.Whole {
			t.Fatalf("not whole: %+v", p.Findings)
		}
		size := p.Body.Max.Sub(p.Body.Min)
		near(t, "length", size[0], r.Base.Length)
		near(t, "width", size[1], r.Base.Width)
		up, down := 0.0, 0.0
		for _, f := range r.Base.Flanges {
			if f.Up {
				up = max(up, f.Length-r.Thickness)
			} else {
				down = max(down, f.Length-r.Thickness)
			}
		}
		near(t, "height", size[2], r.Thickness+up+down)
	}
}

// The flat's area is its faces and bend zones less reliefs and holes.
func TestAreaAddsUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(8))
	for range 300 {
		r := random(rnd, true)
		b := out(r, r.Bend.School, metric.Display)
		want := 0.0
		for _, p := range b.panels {
			w, h := p.size()
			want += w * (h + p.taken.Allowance)
			if p.flange == nil {
				for i, size := range p.corners90 {
					if size == 0 {
						continue
					}
					share := 3.0 // of a square; a circle's three quarters
					if p.cornersRound[i] {
						share = 3 * math.Pi / 4
					}
					want -= share * size * size
				}
				continue
			}
			for _, cut := range b.reliefs(p) {
				if cut {
					want -= notchArea(p.relief)
				}
			}
		}
		got := b.outline.Area()
		if math.Abs(got-want) > 1e-6*want {
			t.Fatalf("outline area %.6f, faces and bends less reliefs %.6f\n%+v", got, want, r)
		}
		part := build(t, r)
		holes := 0.0
		for _, h := range part.Holes {
			if h.Kind == SlotHole {
				holes += math.Abs(h.Loop.Area())
			} else {
				holes += math.Pi * h.Diameter * h.Diameter / 4
			}
		}
		near(t, "net area", part.Area, want-holes)
	}
}

func TestMirror(t *testing.T) {
	rnd := rand.New(rand.NewSource(9))
	for range 200 {
		r := random(rnd, true)
		r.Hand = Hand{Pair: true, Drawn: RightHand}
		m := r.Mirror()
		if !reflect.DeepEqual(m.Mirror(), r) {
			t.Fatalf("mirrored twice is not itself: %+v", r)
		}
		a, b := build(t, r), build(t, m)
		if math.Abs(a.Area-b.Area) > 1e-6 || m.Hand.Drawn != LeftHand {
			t.Fatalf("areas %v and %v", a.Area, b.Area)
		}
		// Every hole of the twin lies where the mirror puts it, body and flat.
		for i, h := range a.Holes {
			found := false
			for _, o := range b.Holes {
				if o.Feature == h.Feature && math.Abs(a.Bounds.Max.X-h.Centre.X-(o.Centre.X-b.Bounds.Min.X)) < 1e-6 &&
					math.Abs(o.Centre.Y-h.Centre.Y) < 1e-6 {
					found = true
				}
			}
			if !found {
				t.Fatalf("hole %d %s has no mirrored twin", i, h.ID)
			}
		}
	}
}

// A square corner where two bends meet is drilled out: 270° of a circle.
func TestCornerReliefRound(t *testing.T) {
	r := plate(100, 80)
	a, c := flange("a", Front, 30, 90), flange("c", Right, 30, 90)
	a.Relief, c.Relief = Relief{Kind: Round}, Relief{Kind: Round}
	r.Base.Flanges = []Flange{a, c}
	p := build(t, r)
	whole := 100*80 - 6*100 - 6*80 + 36.0 // base flat 94 × 74
	zone := math.Pi / 2 * (3 + 1.26)
	whole += 94*(24+zone) + 74*(24+zone)
	near(t, "area", p.Area, whole-.75*math.Pi*9)
	arcs := 0
	for _, v := range p.Outline {
		if v.Bulge != 0 {
			arcs++
		}
	}
	if arcs != 3 {
		t.Errorf("%d arcs in %v", arcs, p.Outline)
	}
}

func TestLipOnFlange(t *testing.T) {
	r := plate(100, 60)
	f := flange("f", Front, 40, 90)
	lip := flange("lip", Front, 20, 90)
	f.Flanges = []Flange{lip}
	r.Base.Flanges = []Flange{f}
	p := build(t, r)
	_, h := p.Bounds.Size()
	near(t, "blank", h, 60+40+20-2*5.30841)
	size := p.Body.Max.Sub(p.Body.Min)
	near(t, "height", size[2], 40)
	near(t, "width", size[1], 60) // the lip turns back over the base
}

func TestBrokenPartShowsTheRest(t *testing.T) {
	r := plate(100, 60)
	bad, good := flange("bad", Front, 2, 90), flange("good", Back, 40, 90)
	r.Base.Flanges = []Flange{bad, good}
	p := build(t, r)
	f, ok := codes(p)["flange-in-bend"]
	if p.Whole || !ok || f.Feature != "bad" || len(p.BendLines) != 1 || len(f.Fixes) != 1 {
		t.Fatalf("whole %v, findings %+v", p.Whole, p.Findings)
	}
	mended, err := ApplyEdits(r, f.Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if p := build(t, mended); !p.Whole || len(p.BendLines) != 2 {
		t.Fatalf("the fix does not mend it: %+v", p.Findings)
	}
	r = plate(5, 60)
	r.Base.Flanges = []Flange{flange("l", Left, 40, 90)}
	if p := build(t, r); p.Whole || codes(p)["base-too-small"].Severity != working.Stop || len(p.Dimensions) == 0 {
		t.Fatalf("findings %+v", p.Findings)
	}
}

func TestSchoolsSideBySide(t *testing.T) {
	r := plate(100, 60)
	r.Base.Flanges = []Flange{flange("f", Front, 40, 90)}
	p := build(t, r)
	want := map[bend.School]float64{bend.SchoolTable: 88 + math.Pi/2*(3+.38*3), bend.SchoolStandard: 88 + math.Pi/2*(3+.325*3),
		bend.SchoolFixed: 94.69159}
	for _, s := range p.Schools {
		if y, ok := want[s.School]; ok {
			if s.Y == nil {
				t.Fatalf("%s gives nothing: %s", s.School, s.Why)
			}
			near(t, string(s.School), s.Y.MM, y)
		} else if s.Y != nil || s.Why == "" {
			t.Errorf("%s without coupons gives %+v", s.School, s)
		}
	}
}

func TestSilentSchoolIsAStop(t *testing.T) {
	r := plate(100, 60)
	r.Bend.School = bend.SchoolCoupon
	r.Base.Flanges = []Flange{flange("f", Front, 40, 90)}
	if f := codes(build(t, r))["school-silent"]; f.Severity != working.Stop {
		t.Errorf("findings %+v", f)
	}
}

func manyBends() Recipe {
	r := plate(600, 400)
	for i := range 10 {
		e, at := Front, float64(i%5)
		if i >= 5 {
			e = Back
		}
		f := flange(fmt.Sprint("f", i), e, 40, 90)
		f.SetIn = SetIn{20 + at*112, 600 - 20 - at*112 - 90}
		for k := range 3 {
			y := Front
			if e == Back {
				y = Back
			}
			f.Holes = append(f.Holes, round(fmt.Sprintf("h%d%d", i, k), Left, 15+float64(k)*25, y, 15, 6))
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	grid := round("grid", Left, 60, Front, 60, 9)
	grid.Pattern = &Pattern{Kind: GridPattern, Columns: 5, Rows: 4, PitchX: 100, PitchY: 60}
	r.Base.Holes = []Hole{grid}
	return r
}

// wholeTray has 40 bends and 200 holes: 20 flanges along two edges, each with a
// lip, and a grid.
func wholeTray() Recipe {
	r := plate(1600, 600)
	for i := range 20 {
		e, at := Front, float64(i%10)
		if i >= 10 {
			e = Back
		}
		f := flange(fmt.Sprint("f", i), e, 50, 90)
		f.SetIn = SetIn{30 + at*155, 1600 - 30 - at*155 - 120}
		lip := flange(fmt.Sprint("l", i), e, 25, 90)
		f.Flanges = []Flange{lip}
		for k := range 5 {
			f.Holes = append(f.Holes, round(fmt.Sprintf("h%d%d", i, k), Left, 15+float64(k)*22, e, 22, 6))
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	grid := round("grid", Left, 60, Front, 60, 9)
	grid.Pattern = &Pattern{Kind: GridPattern, Columns: 20, Rows: 5, PitchX: 75, PitchY: 100}
	r.Base.Holes = []Hole{grid}
	return r
}

func TestWholeTrayIsTheBenchmarkedPart(t *testing.T) {
	p := build(t, wholeTray())
	if !p.Whole || len(p.BendLines) != 40 || len(p.Holes) != 200 || len(stops(p)) > 0 {
		t.Fatalf("%d bends, %d holes, %+v", len(p.BendLines), len(p.Holes), stops(p))
	}
}

func BenchmarkBuild40Bends200Holes(b *testing.B) {
	r := wholeTray()
	b.ReportAllocs()
	for b.Loop() {
		if _, err := Build(r, metric); err != nil {
			b.Fatal(err)
		}
	}
}

func TestManyBendsIsTheBenchmarkedPart(t *testing.T) {
	p := build(t, manyBends())
	if !p.Whole || len(p.BendLines) != 10 || len(p.Holes) != 50 {
		t.Fatalf("%d bends, %d holes, %+v", len(p.BendLines), len(p.Holes), p.Findings)
	}
}

func BenchmarkBuild10Bends50Holes(b *testing.B) {
	r := manyBends()
	b.ReportAllocs()
	for b.Loop() {
		if _, err := Build(r, metric); err != nil {
			b.Fatal(err)
		}
	}
}
