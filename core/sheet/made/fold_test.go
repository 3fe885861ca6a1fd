package made_test

import (
	"fmt"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Folding bends no panel: distances between holes of one panel, and between a
// hole and the panel's corners, are the same on the flat and on the body.
func TestFoldingKeepsDistances(t *testing.T) {
	rnd := rand.New(rand.NewSource(21))
	for range 200 {
		r := plates.Random(rnd, true)
		for i := range r.Base.Flanges {
			f := &r.Base.Flanges[i]
			lip := plates.Flange(fmt.Sprint("lip", i), f.Edge, 30, 40+80*rnd.Float64())
			lip.InsideRadius, lip.Up = r.Thickness, rnd.Intn(2) == 0
			f.Flanges = []sheet.Flange{lip}
		}
		p := plates.Build(t, r)
		for i, a := range p.Holes {
			for _, b := range p.Holes[i+1:] {
				if a.Panel != b.Panel {
					continue
				}
				flat, body := a.Centre.Sub(b.Centre).Len(), a.Body.Sub(b.Body).Len()
				if math.Abs(flat-body) > 1e-9*math.Max(1, flat) {
					t.Fatalf("%s to %s: %v flat, %v folded", a.ID, b.ID, flat, body)
				}
			}
		}
	}
}

// Every panel's axes stay at right angles and of unit length, right-handed.
func TestFramesAreRigid(t *testing.T) {
	rnd := rand.New(rand.NewSource(22))
	for range 200 {
		b := lay.Out(plates.Random(rnd, true), bend.SchoolFixed, plates.Metric.Display)
		for _, p := range b.Panels {
			f := p.Frame
			for _, axis := range []solid.Vector{f.Ex, f.Ey, f.Ez} {
				plates.Near(t, "length of an axis", axis.Len(), 1)
			}
			plates.Near(t, "x·y", f.Ex.Dot(f.Ey), 0)
			plates.Near(t, "x × y − z", f.Ex.Cross(f.Ey).Sub(f.Ez).Len(), 0)
		}
	}
}

// The mid-surface runs on from panel to bend to panel: where a bend starts and
// ends, its swept frame meets both neighbours.
func TestBendJoinsItsPanels(t *testing.T) {
	rnd := rand.New(rand.NewSource(23))
	for range 100 {
		b := lay.Out(plates.Random(rnd, true), bend.SchoolFixed, plates.Metric.Display)
		for _, p := range b.Panels[1:] {
			start, end := b.Swing(p, 0), b.Swing(p, p.Flange.Angle)
			parent := p.Parent.Frame.Apply(p.Parent.Point(p.On, p.At[1], 0), 0)
			plates.Near(t, "start", start.Origin.Sub(parent).Len(), 0)
			plates.Near(t, "end", end.Origin.Sub(p.Frame.Origin).Len(), 0)
			// The arc's chord: 2·(R + T/2)·sin(A/2).
			chord := 2 * (p.Flange.InsideRadius + b.Recipe.Thickness/2) * math.Sin(p.Flange.Angle*math.Pi/360)
			plates.Near(t, "chord", end.Origin.Sub(start.Origin).Len(), chord)
		}
	}
}

// A strip of lips unfolds to the flat length that the profile formula gives.
func TestUnfoldingAgreesWithTheProfile(t *testing.T) {
	rnd := rand.New(rand.NewSource(24))
	for range 200 {
		r := plates.Plate(60, 40+60*rnd.Float64())
		legs := []float64{r.Base.Width}
		var bends []bend.SectionBend
		list := &r.Base.Flanges
		for i := range 1 + rnd.Intn(4) {
			f := plates.Flange(fmt.Sprint("f", i), sheet.Back, 45+40*rnd.Float64(), 15+90*rnd.Float64())
			f.InsideRadius, f.Up = 1+4*rnd.Float64(), rnd.Intn(2) == 0
			legs = append(legs, f.Length)
			bends = append(bends, bend.SectionBend{InsideRadius: f.InsideRadius, Angle: f.Angle, Up: f.Up})
			*list = []sheet.Flange{f}
			list = &(*list)[0].Flanges
		}
		want, err := bend.Section(bend.SectionInput{Thickness: 3, KFactor: .42, Legs: legs, Bends: bends})
		if err != nil {
			t.Fatal(err)
		}
		p := plates.Build(t, r)
		_, h := p.Bounds.Size()
		plates.Near(t, "flat length", h, want.Flat)
		for i, l := range p.BendLines {
			plates.Near(t, fmt.Sprint("bend line ", i+1), l.From.Y-p.Bounds.Min.Y, want.BendLines[i])
		}
		for _, o := range p.Ordinates.Y {
			plates.Near(t, "ordinate", o.Dist.MM, o.At-p.Bounds.Min.Y)
		}
	}
}

// Directions: up folds towards +z, down towards −z, on every edge alike.
func TestDirections(t *testing.T) {
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		for _, up := range []bool{true, false} {
			r := plates.Plate(100, 100)
			f := plates.Flange("f", e, 40, 90)
			f.Up = up
			y, x := sheet.Back, sheet.Left
			if e == sheet.Front || e == sheet.Back {
				y = e
			} else {
				x = e
			}
			f.Holes = []sheet.Hole{plates.Round("h", x, 15, y, 15, 5)}
			r.Base.Flanges = []sheet.Flange{f}
			h := plates.Build(t, r).Holes[0]
			if (h.Body[2] > 0) != up {
				t.Errorf("%s, up %v: the hole stands at z = %v", e, up, h.Body[2])
			}
			// 15 from the tip of a leg 40 long outside: 25 above the base's outer face.
			want := 25 - 1.5
			if !up {
				want = -want
			}
			plates.Near(t, string(e)+" height", h.Body[2], want)
		}
	}
}

// A set-in's start is the left or front end of the edge, whichever edge it is.
func TestSetInEnds(t *testing.T) {
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		r := plates.Plate(100, 100)
		f := plates.Flange("f", e, 40, 90)
		f.SetIn = sheet.SetIn{Start: 10, End: 30}
		r.Base.Flanges = []sheet.Flange{f}
		p := plates.Build(t, r)
		l := p.BendLines[0]
		lo, hi, size := math.Min(l.From.X, l.To.X), math.Max(l.From.X, l.To.X), 100.0
		if e == sheet.Left || e == sheet.Right {
			lo, hi = math.Min(l.From.Y, l.To.Y), math.Max(l.From.Y, l.To.Y)
		}
		plates.Near(t, string(e)+" start", lo, 10)
		plates.Near(t, string(e)+" end", hi, size-30)
	}
}

// Several flanges share an edge; each keeps its own relief, and reliefs that
// would run into each other are said.
func TestFlangesOnOneEdge(t *testing.T) {
	r := plates.Plate(200, 80)
	a, b := plates.Flange("a", sheet.Front, 40, 90), plates.Flange("b", sheet.Front, 30, 60)
	a.SetIn, b.SetIn = sheet.SetIn{Start: 10, End: 120}, sheet.SetIn{Start: 120, End: 10}
	r.Base.Flanges = []sheet.Flange{b, a}
	p := plates.Build(t, r)
	if len(p.BendLines) != 2 || !p.Whole {
		t.Fatalf("%+v", p.Findings)
	}
	outside := p.Bounds.Max.X - p.Bounds.Min.X
	plates.Near(t, "the edge keeps its length", outside, 200)
	r.Base.Flanges[1].SetIn.End = 82 // 2 mm between the two, reliefs of 3 mm each
	if f, ok := plates.Codes(plates.Build(t, r))["relief-room"]; !ok || len(f.Fixes) != 2 {
		t.Errorf("crowded reliefs are not said: %+v", f)
	}
}

func TestHoleOffsets(t *testing.T) {
	r := plates.Plate(100, 60)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90), plates.Flange("g", sheet.Right, 40, 90)}
	// From the outside of the bend 20, from its inside 17, from the tangent line 14: one place.
	for i, c := range []struct {
		from sheet.Measure
		d    float64
	}{{"", 20}, {sheet.Outside, 20}, {sheet.Inside, 17}, {sheet.Flat, 14}} {
		h := plates.Round(fmt.Sprint("h", i), sheet.Right, c.d, sheet.Front, c.d, 6)
		h.X.From, h.Y.From = c.from, c.from
		r.Base.Holes = []sheet.Hole{h}
		got := plates.Build(t, r).Holes[0].Centre
		plates.Near(t, string(c.from)+" x", got.X, 94-14)
		plates.Near(t, string(c.from)+" y", got.Y, 14)
	}
}

func TestPatterns(t *testing.T) {
	r := plates.Plate(200, 120)
	grid := plates.Round("g", sheet.Right, 20, sheet.Back, 15, 6)
	grid.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 3, Rows: 2, PitchX: 30, PitchY: 40}
	circle := plates.Round("c", sheet.Left, 60, sheet.Front, 60, 5)
	circle.Pattern = &sheet.Pattern{Kind: sheet.CirclePattern, Count: 6, Diameter: 50, Start: 90}
	r.Base.Holes = []sheet.Hole{grid, circle}
	p := plates.Build(t, r)
	if len(p.Holes) != 12 || p.Holes[0].ID != "g.1" || p.Holes[11].ID != "c.6" {
		t.Fatalf("%d holes, %s … %s", len(p.Holes), p.Holes[0].ID, p.Holes[len(p.Holes)-1].ID)
	}
	// The grid steps away from its edges: to the left and to the front.
	plates.Near(t, "second column", p.Holes[1].Centre.X, 200-20-30)
	plates.Near(t, "second row", p.Holes[3].Centre.Y, 120-15-40)
	for _, h := range p.Holes[6:] {
		plates.Near(t, "pitch radius", math.Hypot(h.Centre.X-60, h.Centre.Y-60), 25)
	}
	// 90° turns from "away from the left" to "away from the front": straight back.
	plates.Near(t, "first hole x", p.Holes[6].Centre.X, 60)
	plates.Near(t, "first hole y", p.Holes[6].Centre.Y, 85)
}

// A corner's cut: radius r takes r²·(1 − π/4), a chamfer r²/2; corners that a
// flange reaches stay square.
func TestCorners(t *testing.T) {
	for kind, lost := range map[sheet.CornerKind]float64{sheet.Radius: 100 * (1 - math.Pi/4), sheet.Chamfer: 50, sheet.Square: 0} {
		r := plates.Plate(100, 60)
		r.Base.Corner = sheet.Corner{Kind: kind, Size: 10}
		plates.Near(t, string(kind), plates.Build(t, r).Area, 6000-4*lost)
		r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
		with := plates.Build(t, r)
		r.Base.Corner = sheet.Corner{}
		plates.Near(t, string(kind)+" beside a flange", with.Area, plates.Build(t, r).Area-2*lost)
	}
}

// In inches every number of the part is written in inches, and its workings say both.
func TestWrittenInInches(t *testing.T) {
	r := plates.Plate(4*25.4, 2.5*25.4)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 1.5*25.4, 90)}
	p, err := made.Build(r, made.Options{Display: quantity.Display{Style: quantity.Fraction, Denominator: 32}})
	if err != nil {
		t.Fatal(err)
	}
	if d := p.Dimensions[0]; d.Text != `4"` {
		t.Errorf("length is written %q", d.Text)
	}
	// 63.5 + 38.1 − 5.30841 = 96.29159 mm = 3.7910 in; to 1/32 that is 3 25/32, heavy.
	for _, f := range p.Figures {
		if f.Key == "blankY" && (f.Text != `3 25/32"` || f.Lies != "heavy" || f.Off != ".010" || f.Working.Result.Text != "3.7910 in (96.292 mm)") {
			t.Errorf("blank is written %q, its working %q", f.Text, f.Working.Result.Text)
		}
	}
}

func TestSetAsideMarksTheFinding(t *testing.T) {
	r := plates.Plate(100, 60)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
	if f := plates.Codes(plates.Build(t, r))["radius-grain"]; f.SetAside != "" {
		t.Fatalf("set aside from the start: %+v", f)
	}
	r.SetAside = []sheet.Aside{{Code: "radius-grain", Feature: "f", Reason: "bent a strip"}}
	if f := plates.Codes(plates.Build(t, r))["radius-grain"]; f.SetAside != "bent a strip" {
		t.Errorf("%+v", f)
	}
	r.SetAside[0].Reason = ""
	if _, err := made.Build(r, plates.Metric); err == nil {
		t.Error("a reason is not asked for")
	}
}

// Every dimension leads to a number of the recipe, and typing over it changes
// that dimension and nothing before it.
func TestEveryDimensionCanBeTypedOver(t *testing.T) {
	r := plates.Random(rand.New(rand.NewSource(30)), false)
	r.Base.Corner = sheet.Corner{Kind: sheet.Radius, Size: 8}
	circle := plates.Round("circle", sheet.Left, 70, sheet.Back, 45, 4)
	circle.Pattern = &sheet.Pattern{Kind: sheet.CirclePattern, Count: 5, Diameter: 20}
	r.Base.Holes = append(r.Base.Holes, circle)
	dims := plates.Build(t, r).Dimensions
	if len(dims) < 30 {
		t.Fatalf("%d dimensions", len(dims))
	}
	for i, d := range dims {
		next := d.Value + 1
		changed, err := sheet.ApplyEdits(r, typed(d.Path, next))
		if err != nil {
			t.Errorf("%s: %v", d.Path, err)
			continue
		}
		p, err := made.Build(changed, plates.Metric)
		if err != nil {
			t.Errorf("%s = %v: %v", d.Path, next, err)
			continue
		}
		if got := p.Dimensions[i]; got.Path != d.Path || math.Abs(got.Value-next) > 1e-9 || got.Text == "" || got.Group == "" || got.Label == "" {
			t.Errorf("%s: typed %v, reads %+v", d.Path, next, got)
		}
	}
}

func typed(path string, value any) []working.Edit { return []working.Edit{{Path: path, Value: value}} }
