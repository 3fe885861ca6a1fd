package made_test

import (
	"fmt"
	"math"
	"math/rand"
	"reflect"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// An angle cleat 100 long, legs 60 and 40 outside, R = T = 3, K = 0.42:
// BD = 12 − 6.69159 = 5.30841, blank 60 + 40 − 5.30841 = 94.69159. A hole 25 up
// the flange from the outside lies 25 − 6 = 19 past the tangent line.
func TestCleat(t *testing.T) {
	r := plates.Plate(100, 60)
	f := plates.Flange("f", sheet.Front, 40, 90)
	f.Holes = []sheet.Hole{plates.Round("fh", sheet.Left, 20, sheet.Back, 25, 9)}
	r.Base.Flanges = []sheet.Flange{f}
	r.Base.Holes = []sheet.Hole{plates.Round("bh", sheet.Left, 20, sheet.Front, 25, 9)}
	p := plates.Build(t, r)
	w, h := p.Bounds.Size()
	plates.Near(t, "blank x", w, 100)
	plates.Near(t, "blank y", h, 94.69159)
	plates.Near(t, "base hole y", p.Holes[0].Centre.Y, 19)
	plates.Near(t, "flange hole x", p.Holes[1].Centre.X, 20)
	plates.Near(t, "flange hole y", p.Holes[1].Centre.Y, -25.69159)
	// Folded: 25 above the outer face of the base, whose mid-surface is z = 0.
	plates.Near(t, "folded z", p.Holes[1].Body[2], 23.5)
	plates.Near(t, "folded y", p.Holes[1].Body[1], -4.5)
	plates.Near(t, "normal", p.Holes[1].Normal[1], 1)
	if want := 100*94.69159 - 2*math.Pi*81/4; math.Abs(p.Area-want) > .001 {
		t.Errorf("area = %v, want %v", p.Area, want)
	}
	plates.Near(t, "mass", p.Mass, p.Area*3*7850e-9)
	plates.Near(t, "cut length", p.CutLength, 2*(100+94.69159)+2*math.Pi*9)
	if p.Pierces != 3 || !p.Whole || len(p.Outline) != 4 {
		t.Errorf("pierces %d, whole %v, outline %v", p.Pierces, p.Whole, p.Outline)
	}
	l := p.BendLines[0]
	plates.Near(t, "bend line y", l.From.Y, -6.69159/2)
	plates.Near(t, "bend line y", l.To.Y, -6.69159/2)
	plates.Near(t, "BD", l.BendDeduction, 5.30841)
	size := p.Body.Max.Sub(p.Body.Min)
	for i, want := range []float64{100, 60, 40} {
		plates.Near(t, fmt.Sprint("folded size ", i), size[i], want)
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
	plates.Near(t, "the blank's working adds up", sum, h)
}

func TestMeasures(t *testing.T) {
	// All of these make the same cleat: 34 flat past the tangent line at 90°.
	for m, length := range map[sheet.Measure]float64{sheet.Outside: 40, sheet.Inside: 37, sheet.Flat: 34, sheet.Tangent: 40} {
		r := plates.Plate(100, 60)
		f := plates.Flange("f", sheet.Front, length, 90)
		f.Measure = m
		r.Base.Flanges = []sheet.Flange{f}
		_, h := plates.Build(t, r).Bounds.Size()
		plates.Near(t, string(m), h, 94.69159)
	}
	// 120°, outside apex: setback 6·tan 60° = 10.39230; to the tangent plane 6.
	for m, length := range map[sheet.Measure]float64{sheet.Outside: 44.39230, sheet.Tangent: 40, sheet.Flat: 34} {
		r := plates.Plate(100, 60)
		r.Base.Measure = sheet.Flat
		f := plates.Flange("f", sheet.Front, length, 120)
		f.Measure = m
		r.Base.Flanges = []sheet.Flange{f}
		_, h := plates.Build(t, r).Bounds.Size()
		plates.Near(t, "120° "+string(m), h, 60+34+2*math.Pi/3*(3+1.26))
	}
}

// Folding the unfolded gives the outside sizes that were typed.
func TestFoldedOutsideSizes(t *testing.T) {
	rnd := rand.New(rand.NewSource(7))
	for range 300 {
		r := plates.Random(rnd, false)
		p := plates.Build(t, r)
		if !p.Whole {
			t.Fatalf("not whole: %+v", p.Findings)
		}
		size := p.Body.Max.Sub(p.Body.Min)
		plates.Near(t, "length", size[0], r.Base.Length)
		plates.Near(t, "width", size[1], r.Base.Width)
		up, down := 0.0, 0.0
		for _, f := range r.Base.Flanges {
			if f.Up {
				up = max(up, f.Length-r.Thickness)
			} else {
				down = max(down, f.Length-r.Thickness)
			}
		}
		plates.Near(t, "height", size[2], r.Thickness+up+down)
	}
}

// The flat's area is its faces and bend zones less reliefs and holes.
func TestAreaAddsUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(8))
	for range 300 {
		r := plates.Random(rnd, true)
		b := lay.Out(r, r.Bend.School, plates.Metric.Display)
		want := 0.0
		for _, p := range b.Panels {
			w, h := p.Size()
			want += w * (h + p.Taken.Allowance)
			if p.Flange == nil {
				for i, size := range p.Corners90 {
					if size == 0 {
						continue
					}
					share := 3.0 // of a square; a circle's three quarters
					if p.CornersRound[i] {
						share = 3 * math.Pi / 4
					}
					want -= share * size * size
				}
				continue
			}
			for _, cut := range b.Reliefs(p) {
				if cut {
					want -= plates.NotchArea(p.Relief)
				}
			}
		}
		got := b.Outline.Area()
		if math.Abs(got-want) > 1e-6*want {
			t.Fatalf("outline area %.6f, faces and bends less reliefs %.6f\n%+v", got, want, r)
		}
		part := plates.Build(t, r)
		holes := 0.0
		for _, h := range part.Holes {
			if h.Kind == sheet.SlotHole {
				holes += math.Abs(h.Loop.Area())
			} else {
				holes += math.Pi * h.Diameter * h.Diameter / 4
			}
		}
		plates.Near(t, "net area", part.Area, want-holes)
	}
}

func TestMirror(t *testing.T) {
	rnd := rand.New(rand.NewSource(9))
	for range 200 {
		r := plates.Random(rnd, true)
		r.Hand = sheet.Hand{Pair: true, Drawn: sheet.RightHand}
		m := r.Mirror()
		if !reflect.DeepEqual(m.Mirror(), r) {
			t.Fatalf("mirrored twice is not itself: %+v", r)
		}
		a, b := plates.Build(t, r), plates.Build(t, m)
		if math.Abs(a.Area-b.Area) > 1e-6 || m.Hand.Drawn != sheet.LeftHand {
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
	r := plates.Plate(100, 80)
	a, c := plates.Flange("a", sheet.Front, 30, 90), plates.Flange("c", sheet.Right, 30, 90)
	a.Relief, c.Relief = sheet.Relief{Kind: sheet.Round}, sheet.Relief{Kind: sheet.Round}
	r.Base.Flanges = []sheet.Flange{a, c}
	p := plates.Build(t, r)
	whole := 100*80 - 6*100 - 6*80 + 36.0 // base flat 94 × 74
	zone := math.Pi / 2 * (3 + 1.26)
	whole += 94*(24+zone) + 74*(24+zone)
	plates.Near(t, "area", p.Area, whole-.75*math.Pi*9)
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
	r := plates.Plate(100, 60)
	f := plates.Flange("f", sheet.Front, 40, 90)
	lip := plates.Flange("lip", sheet.Front, 20, 90)
	f.Flanges = []sheet.Flange{lip}
	r.Base.Flanges = []sheet.Flange{f}
	p := plates.Build(t, r)
	_, h := p.Bounds.Size()
	plates.Near(t, "blank", h, 60+40+20-2*5.30841)
	size := p.Body.Max.Sub(p.Body.Min)
	plates.Near(t, "height", size[2], 40)
	plates.Near(t, "width", size[1], 60) // the lip turns back over the base
}

func TestBrokenPartShowsTheRest(t *testing.T) {
	r := plates.Plate(100, 60)
	bad, good := plates.Flange("bad", sheet.Front, 2, 90), plates.Flange("good", sheet.Back, 40, 90)
	r.Base.Flanges = []sheet.Flange{bad, good}
	p := plates.Build(t, r)
	f, ok := plates.Codes(p)["flange-in-bend"]
	if p.Whole || !ok || f.Feature != "bad" || len(p.BendLines) != 1 || len(f.Fixes) != 1 {
		t.Fatalf("whole %v, findings %+v", p.Whole, p.Findings)
	}
	mended, err := sheet.ApplyEdits(r, f.Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if p := plates.Build(t, mended); !p.Whole || len(p.BendLines) != 2 {
		t.Fatalf("the fix does not mend it: %+v", p.Findings)
	}
	r = plates.Plate(5, 60)
	r.Base.Flanges = []sheet.Flange{plates.Flange("l", sheet.Left, 40, 90)}
	if p := plates.Build(t, r); p.Whole || plates.Codes(p)["base-too-small"].Severity != working.Stop || len(p.Dimensions) == 0 {
		t.Fatalf("findings %+v", p.Findings)
	}
}

func TestSchoolsSideBySide(t *testing.T) {
	r := plates.Plate(100, 60)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
	p := plates.Build(t, r)
	want := map[bend.School]float64{bend.SchoolTable: 88 + math.Pi/2*(3+.38*3), bend.SchoolStandard: 88 + math.Pi/2*(3+.325*3),
		bend.SchoolFixed: 94.69159}
	for _, s := range p.Schools {
		if y, ok := want[s.School]; ok {
			if s.Y == nil {
				t.Fatalf("%s gives nothing: %s", s.School, s.Why)
			}
			plates.Near(t, string(s.School), s.Y.MM, y)
		} else if s.Y != nil || s.Why == "" {
			t.Errorf("%s without coupons gives %+v", s.School, s)
		}
	}
}

func TestSilentSchoolIsAStop(t *testing.T) {
	r := plates.Plate(100, 60)
	r.Bend.School = bend.SchoolCoupon
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
	if f := plates.Codes(plates.Build(t, r))["school-silent"]; f.Severity != working.Stop {
		t.Errorf("findings %+v", f)
	}
}

func manyBends() sheet.Recipe {
	r := plates.Plate(600, 400)
	for i := range 10 {
		e, at := sheet.Front, float64(i%5)
		if i >= 5 {
			e = sheet.Back
		}
		f := plates.Flange(fmt.Sprint("f", i), e, 40, 90)
		f.SetIn = sheet.SetIn{Start: 20 + at*112, End: 600 - 20 - at*112 - 90}
		for k := range 3 {
			y := sheet.Front
			if e == sheet.Back {
				y = sheet.Back
			}
			f.Holes = append(f.Holes, plates.Round(fmt.Sprintf("h%d%d", i, k), sheet.Left, 15+float64(k)*25, y, 15, 6))
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	grid := plates.Round("grid", sheet.Left, 60, sheet.Front, 60, 9)
	grid.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 5, Rows: 4, PitchX: 100, PitchY: 60}
	r.Base.Holes = []sheet.Hole{grid}
	return r
}

// wholeTray has 40 bends and 200 holes: 20 flanges along two edges, each with a
// lip, and a grid.
func wholeTray() sheet.Recipe {
	r := plates.Plate(1600, 600)
	for i := range 20 {
		e, at := sheet.Front, float64(i%10)
		if i >= 10 {
			e = sheet.Back
		}
		f := plates.Flange(fmt.Sprint("f", i), e, 50, 90)
		f.SetIn = sheet.SetIn{Start: 30 + at*155, End: 1600 - 30 - at*155 - 120}
		lip := plates.Flange(fmt.Sprint("l", i), e, 25, 90)
		f.Flanges = []sheet.Flange{lip}
		for k := range 5 {
			f.Holes = append(f.Holes, plates.Round(fmt.Sprintf("h%d%d", i, k), sheet.Left, 15+float64(k)*22, e, 22, 6))
		}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	grid := plates.Round("grid", sheet.Left, 60, sheet.Front, 60, 9)
	grid.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 20, Rows: 5, PitchX: 75, PitchY: 100}
	r.Base.Holes = []sheet.Hole{grid}
	return r
}

func TestWholeTrayIsTheBenchmarkedPart(t *testing.T) {
	p := plates.Build(t, wholeTray())
	if !p.Whole || len(p.BendLines) != 40 || len(p.Holes) != 200 || len(plates.Stops(p)) > 0 {
		t.Fatalf("%d bends, %d holes, %+v", len(p.BendLines), len(p.Holes), plates.Stops(p))
	}
}

func BenchmarkBuild40Bends200Holes(b *testing.B) {
	r := wholeTray()
	b.ReportAllocs()
	for b.Loop() {
		if _, err := made.Build(r, plates.Metric); err != nil {
			b.Fatal(err)
		}
	}
}

func TestManyBendsIsTheBenchmarkedPart(t *testing.T) {
	p := plates.Build(t, manyBends())
	if !p.Whole || len(p.BendLines) != 10 || len(p.Holes) != 50 {
		t.Fatalf("%d bends, %d holes, %+v", len(p.BendLines), len(p.Holes), p.Findings)
	}
}

func BenchmarkBuild10Bends50Holes(b *testing.B) {
	r := manyBends()
	b.ReportAllocs()
	for b.Loop() {
		if _, err := made.Build(r, plates.Metric); err != nil {
			b.Fatal(err)
		}
	}
}
