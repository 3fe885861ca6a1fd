package sheet

import (
	"fmt"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Folding bends no panel: distances between holes of one panel, and between a
// hole and the panel's corners, are the same on the flat and on the body.
func TestFoldingKeepsDistances(t *testing.T) {
	rnd := rand.New(rand.NewSource(21))
	for range 200 {
		r := random(rnd, true)
		for i := range r.Base.Flanges {
			f := &r.Base.Flanges[i]
			lip := flange(fmt.Sprint("lip", i), f.Edge, 30, 40+80*rnd.Float64())
			lip.InsideRadius, lip.Up = r.Thickness, rnd.Intn(2) == 0
			f.Flanges = []Flange{lip}
		}
		p := build(t, r)
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
		b := out(random(rnd, true), bend.SchoolFixed, metric.Display)
		for _, p := range b.panels {
			f := p.frame
			for _, axis := range []solid.Vector{f.ex, f.ey, f.ez} {
				near(t, "length of an axis", axis.Len(), 1)
			}
			near(t, "x·y", f.ex.Dot(f.ey), 0)
			near(t, "x × y − z", f.ex.Cross(f.ey).Sub(f.ez).Len(), 0)
		}
	}
}

// The mid-surface runs on from panel to bend to panel: where a bend starts and
// ends, its swept frame meets both neighbours.
func TestBendJoinsItsPanels(t *testing.T) {
	rnd := rand.New(rand.NewSource(23))
	for range 100 {
		b := out(random(rnd, true), bend.SchoolFixed, metric.Display)
		for _, p := range b.panels[1:] {
			start, end := b.swing(p, 0), b.swing(p, p.flange.Angle)
			parent := p.parent.frame.apply(p.parent.point(p.on, p.at[1], 0), 0)
			near(t, "start", start.origin.Sub(parent).Len(), 0)
			near(t, "end", end.origin.Sub(p.frame.origin).Len(), 0)
			// The arc's chord: 2·(R + T/2)·sin(A/2).
			chord := 2 * (p.flange.InsideRadius + b.recipe.Thickness/2) * math.Sin(p.flange.Angle*math.Pi/360)
			near(t, "chord", end.origin.Sub(start.origin).Len(), chord)
		}
	}
}

// A strip of lips unfolds to the flat length that the profile formula gives.
func TestUnfoldingAgreesWithTheProfile(t *testing.T) {
	rnd := rand.New(rand.NewSource(24))
	for range 200 {
		r := plate(60, 40+60*rnd.Float64())
		legs := []float64{r.Base.Width}
		var bends []bend.SectionBend
		list := &r.Base.Flanges
		for i := range 1 + rnd.Intn(4) {
			f := flange(fmt.Sprint("f", i), Back, 45+40*rnd.Float64(), 15+90*rnd.Float64())
			f.InsideRadius, f.Up = 1+4*rnd.Float64(), rnd.Intn(2) == 0
			legs = append(legs, f.Length)
			bends = append(bends, bend.SectionBend{InsideRadius: f.InsideRadius, Angle: f.Angle, Up: f.Up})
			*list = []Flange{f}
			list = &(*list)[0].Flanges
		}
		want, err := bend.Section(bend.SectionInput{Thickness: 3, KFactor: .42, Legs: legs, Bends: bends})
		if err != nil {
			t.Fatal(err)
		}
		p := build(t, r)
		_, h := p.Bounds.Size()
		near(t, "flat length", h, want.Flat)
		for i, l := range p.BendLines {
			near(t, fmt.Sprint("bend line ", i+1), l.From.Y-p.Bounds.Min.Y, want.BendLines[i])
		}
		for _, o := range p.Ordinates.Y {
			near(t, "ordinate", o.Dist.MM, o.At-p.Bounds.Min.Y)
		}
	}
}

// Directions: up folds towards +z, down towards −z, on every edge alike.
func TestDirections(t *testing.T) {
	for _, e := range []Edge{Front, Right, Back, Left} {
		for _, up := range []bool{true, false} {
			r := plate(100, 100)
			f := flange("f", e, 40, 90)
			f.Up = up
			y, x := Back, Left
			if e == Front || e == Back {
				y = e
			} else {
				x = e
			}
			f.Holes = []Hole{round("h", x, 15, y, 15, 5)}
			r.Base.Flanges = []Flange{f}
			h := build(t, r).Holes[0]
			if (h.Body[2] > 0) != up {
				t.Errorf("%s, up %v: the hole stands at z = %v", e, up, h.Body[2])
			}
			// 15 from the tip of a leg 40 long outside: 25 above the base's outer face.
			want := 25 - 1.5
			if !up {
				want = -want
			}
			near(t, string(e)+" height", h.Body[2], want)
		}
	}
}

// A set-in's start is the left or front end of the edge, whichever edge it is.
func TestSetInEnds(t *testing.T) {
	for _, e := range []Edge{Front, Right, Back, Left} {
		r := plate(100, 100)
		f := flange("f", e, 40, 90)
		f.SetIn = SetIn{Start: 10, End: 30}
		r.Base.Flanges = []Flange{f}
		p := build(t, r)
		l := p.BendLines[0]
		lo, hi, size := math.Min(l.From.X, l.To.X), math.Max(l.From.X, l.To.X), 100.0
		if e == Left || e == Right {
			lo, hi = math.Min(l.From.Y, l.To.Y), math.Max(l.From.Y, l.To.Y)
		}
		near(t, string(e)+" start", lo, 10)
		near(t, string(e)+" end", hi, size-30)
	}
}

// Several flanges share an edge; each keeps its own relief, and reliefs that
// would run into each other are said.
func TestFlangesOnOneEdge(t *testing.T) {
	r := plate(200, 80)
	a, b := flange("a", Front, 40, 90), flange("b", Front, 30, 60)
	a.SetIn, b.SetIn = SetIn{10, 120}, SetIn{120, 10}
	r.Base.Flanges = []Flange{b, a}
	p := build(t, r)
	if len(p.BendLines) != 2 || !p.Whole {
		t.Fatalf("%+v", p.Findings)
	}
	outside := p.Bounds.Max.X - p.Bounds.Min.X
	near(t, "the edge keeps its length", outside, 200)
	r.Base.Flanges[1].SetIn.End = 82 // 2 mm between the two, reliefs of 3 mm each
	if f, ok := codes(build(t, r))["relief-room"]; !ok || len(f.Fixes) != 2 {
		t.Errorf("crowded reliefs are not said: %+v", f)
	}
}

func TestHoleOffsets(t *testing.T) {
	r := plate(100, 60)
	r.Base.Flanges = []Flange{flange("f", Front, 40, 90), flange("g", Right, 40, 90)}
	// From the outside of the bend 20, from its inside 17, from the tangent line 14: one place.
	for i, c := range []struct {
		from Measure
		d    float64
	}{{"", 20}, {Outside, 20}, {Inside, 17}, {Flat, 14}} {
		h := round(fmt.Sprint("h", i), Right, c.d, Front, c.d, 6)
		h.X.From, h.Y.From = c.from, c.from
		r.Base.Holes = []Hole{h}
		got := build(t, r).Holes[0].Centre
		near(t, string(c.from)+" x", got.X, 94-14)
		near(t, string(c.from)+" y", got.Y, 14)
	}
}

func TestPatterns(t *testing.T) {
	r := plate(200, 120)
	grid := round("g", Right, 20, Back, 15, 6)
	grid.Pattern = &Pattern{Kind: GridPattern, Columns: 3, Rows: 2, PitchX: 30, PitchY: 40}
	circle := round("c", Left, 60, Front, 60, 5)
	circle.Pattern = &Pattern{Kind: CirclePattern, Count: 6, Diameter: 50, Start: 90}
	r.Base.Holes = []Hole{grid, circle}
	p := build(t, r)
	if len(p.Holes) != 12 || p.Holes[0].ID != "g.1" || p.Holes[11].ID != "c.6" {
		t.Fatalf("%d holes, %s … %s", len(p.Holes), p.Holes[0].ID, p.Holes[len(p.Holes)-1].ID)
	}
	// The grid steps away from its edges: to the left and to the front.
	near(t, "second column", p.Holes[1].Centre.X, 200-20-30)
	near(t, "second row", p.Holes[3].Centre.Y, 120-15-40)
	for _, h := range p.Holes[6:] {
		near(t, "pitch radius", math.Hypot(h.Centre.X-60, h.Centre.Y-60), 25)
	}
	// 90° turns from "away from the left" to "away from the front": straight back.
	near(t, "first hole x", p.Holes[6].Centre.X, 60)
	near(t, "first hole y", p.Holes[6].Centre.Y, 85)
}

// A corner's cut: radius r takes r²·(1 − π/4), a chamfer r²/2; corners that a
// flange reaches stay square.
func TestCorners(t *testing.T) {
	for kind, lost := range map[CornerKind]float64{Radius: 100 * (1 - math.Pi/4), Chamfer: 50, Square: 0} {
		r := plate(100, 60)
		r.Base.Corner = Corner{kind, 10}
		near(t, string(kind), build(t, r).Area, 6000-4*lost)
		r.Base.Flanges = []Flange{flange("f", Front, 40, 90)}
		with := build(t, r)
		r.Base.Corner = Corner{}
		near(t, string(kind)+" beside a flange", with.Area, build(t, r).Area-2*lost)
	}
}

// In inches every number of the part is written in inches, and its workings say both.
func TestWrittenInInches(t *testing.T) {
	r := plate(4*25.4, 2.5*25.4)
	r.Base.Flanges = []Flange{flange("f", Front, 1.5*25.4, 90)}
	p, err := Build(r, Options{Display: quantity.Display{Style: quantity.Fraction, Denominator: 32}})
	if err != nil {
		t.Fatal(err)
	}
	if d := p.Dimensions[0]; d.Text != `4"` || d.Lies != "exact" {
		t.Errorf("length is written %q, %s", d.Text, d.Lies)
	}
	// 63.5 + 38.1 − 5.30841 = 96.29159 mm = 3.7910 in; to 1/32 that is 3 25/32, heavy.
	for _, f := range p.Figures {
		if f.Key == "blankY" && (f.Text != `3 25/32"` || f.Working.Result.Text != "3.7910 in (96.292 mm)") {
			t.Errorf("blank is written %q, its working %q", f.Text, f.Working.Result.Text)
		}
	}
}

func TestSetAsideMarksTheFinding(t *testing.T) {
	r := plate(100, 60)
	r.Base.Flanges = []Flange{flange("f", Front, 40, 90)}
	if f := codes(build(t, r))["radius-grain"]; f.SetAside != "" {
		t.Fatalf("set aside from the start: %+v", f)
	}
	r.SetAside = []Aside{{Code: "radius-grain", Feature: "f", Reason: "bent a strip"}}
	if f := codes(build(t, r))["radius-grain"]; f.SetAside != "bent a strip" {
		t.Errorf("%+v", f)
	}
	r.SetAside[0].Reason = ""
	if _, err := Build(r, metric); err == nil {
		t.Error("a reason is not asked for")
	}
}

// Every dimension leads to a number of the recipe, and typing over it changes
// that dimension and nothing before it.
func TestEveryDimensionCanBeTypedOver(t *testing.T) {
	r := random(rand.New(rand.NewSource(30)), false)
	r.Base.Corner = Corner{Radius, 8}
	circle := round("circle", Left, 70, Back, 45, 4)
	circle.Pattern = &Pattern{Kind: CirclePattern, Count: 5, Diameter: 20}
	r.Base.Holes = append(r.Base.Holes, circle)
	dims := build(t, r).Dimensions
	if len(dims) < 30 {
		t.Fatalf("%d dimensions", len(dims))
	}
	for i, d := range dims {
		next := d.Value + 1
		changed, err := ApplyEdits(r, typed(d.Path, next))
		if err != nil {
			t.Errorf("%s: %v", d.Path, err)
			continue
		}
		p, err := Build(changed, metric)
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
