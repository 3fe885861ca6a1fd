package made_test

import (
	"fmt"
	"math"
	"math/rand"
	"reflect"
	"strconv"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
)

// Areas of plain bases by hand.
func TestBaseShapes(t *testing.T) {
	v := func(x, y float64) profile.Vertex { return profile.Vertex{X: x, Y: y} }
	for _, c := range []struct {
		name string
		r    sheet.Recipe
		area float64
	}{
		{"trapezoid", plates.Shaped(200, 80, sheet.Shape{Kind: sheet.Trapezoid, Back: 120, Shift: 30}), (200 + 120) / 2 * 80},
		{"triangle", plates.Shaped(100, 60, sheet.Shape{Kind: sheet.Triangle, Shift: 20}), 3000},
		{"polygon", plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Polygon, Points: profile.Loop{v(10, 10), v(110, 10), v(110, 60), v(60, 60), v(60, 110), v(10, 110)}}), 100*100 - 50*50},
		{"sides", plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Sides, Sides: []sheet.SideSize{{Length: 80, Angle: 90}, {Length: 50, Angle: 90}, {Length: 80, Angle: 90}}}), 4000},
		{"disc", plates.Shaped(90, 0, sheet.Shape{Kind: sheet.Disc}), math.Pi * 45 * 45},
		{"ring", plates.Shaped(200, 30, sheet.Shape{Kind: sheet.Ring, Sweep: 120}), math.Pi * (100*100 - 70*70) / 3},
		{"ring the other way", plates.Shaped(200, 30, sheet.Shape{Kind: sheet.Ring, Sweep: 120, Flip: true}), math.Pi * (100*100 - 70*70) / 3},
		{"slot", plates.Shaped(120, 40, sheet.Shape{Kind: sheet.Obround}), 80*40 + math.Pi*400},
	} {
		p := plates.Build(t, c.r)
		if !p.Whole || len(plates.Stops(p)) > 0 {
			t.Errorf("%s: %+v", c.name, p.Findings)
		}
		plates.Near(t, c.name, p.Area, c.area)
		if len(p.Outline) == 0 || math.Abs(p.Outline[0].X)+math.Abs(p.Outline[0].Y) > 1e-9 {
			t.Errorf("%s starts at %+v", c.name, p.Outline[:1])
		}
	}
}

// A regular hexagon typed outside with a flange on every side folds to that
// hexagon's own width across flats; its blank is the hexagon moved out by leg and
// bend.
func TestHexagonTray(t *testing.T) {
	const side, leg = 100., 40.
	r := plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Sides})
	for i := range 6 {
		if i < 5 {
			r.Base.Shape.Sides = append(r.Base.Shape.Sides, sheet.SideSize{Length: side, Angle: 120})
		}
		r.Base.Flanges = append(r.Base.Flanges, plates.Flange(fmt.Sprint("f", i), sheet.Edge(strconv.Itoa(i+1)), leg, 90))
	}
	p := plates.Build(t, r)
	if !p.Whole || len(plates.Stops(p)) > 0 {
		t.Fatalf("%+v", p.Findings)
	}
	size := p.Body.Max.Sub(p.Body.Min)
	plates.Near(t, "folded across flats", size[1], side*math.Sqrt(3))
	plates.Near(t, "height", size[2], leg)
	// Area: the inner hexagon and six strips of leg − 6 + BA, less what the corner reliefs take.
	inner := side - 2*6*math.Tan(math.Pi/6)
	ba := math.Pi / 2 * (3 + .42*3)
	want := 3*math.Sqrt(3)/2*inner*inner + 6*inner*(leg-6+ba)
	relief := 3. * 3 * math.Sin(120*math.Pi/180) // rhombus in the base
	relief += 2 * 3 * 3                          // and in both bend zones
	plates.Near(t, "area", p.Area, want-6*relief)
	if len(p.BendLines) != 6 || p.BendLines[1].Axis != "slanted" || p.BendLines[0].Axis != "y" {
		t.Errorf("%+v", p.BendLines[1])
	}
	// Mitred all round it closes: neighbours' flanges stand the gap apart.
	for i := range 6 {
		r.Base.Meets = append(r.Base.Meets, sheet.Meet{A: fmt.Sprint("f", i), B: fmt.Sprint("f", (i+1)%6), Kind: sheet.MeetMitre, Gap: .5})
	}
	p, err := made.Build(r, made.Options{Body: true})
	if err != nil {
		t.Fatal(err)
	}
	if len(plates.Stops(p)) > 0 {
		t.Fatalf("%+v", plates.Stops(p))
	}
	for i := range 6 {
		gap := apart(p, fmt.Sprint("f", i), fmt.Sprint("f", (i+1)%6))
		if math.Abs(gap-.5) > 1e-6 {
			t.Errorf("flanges %d and the next stand %.4f apart", i, gap)
		}
	}
}

// apart answers the distance of two panels' plates on the folded body.
func apart(p made.Part, a, b string) float64 {
	tree := func(id string) *solid.Tree {
		one := p.Body
		one.Bends = nil
		one.Panels = nil
		for _, q := range p.Body.Panels {
			if q.ID == id {
				one.Panels = append(one.Panels, q)
			}
		}
		return solid.NewTree(one.Solid())
	}
	return solid.Between(tree(a), tree(b)).Distance
}

// Corners of a tray meet as asked at any angle of its sides: the gap is the gap,
// a lap lies against the other's outside.
func TestCornersMeet(t *testing.T) {
	rnd := rand.New(rand.NewSource(31))
	for range 120 {
		r := plates.Plate(200+100*rnd.Float64(), 150+100*rnd.Float64())
		r.Thickness = 1 + 2*rnd.Float64()
		up, angle := rnd.Intn(2) == 0, 35+80*rnd.Float64()
		kind := []sheet.MeetKind{sheet.MeetGap, sheet.MeetLap, sheet.MeetMitre, sheet.MeetWeld}[rnd.Intn(4)]
		for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
			f := plates.Flange(fmt.Sprint("f", i), e, 40+20*rnd.Float64(), angle)
			f.Up, f.InsideRadius = up, r.Thickness*(1+rnd.Float64())
			f.Length += 2 * f.InsideRadius
			f.Relief.Kind = sheet.Round
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		gap := .3 + rnd.Float64()
		r.Base.Meets = []sheet.Meet{{A: "f0", B: "f1", Kind: kind, Gap: gap}, {A: "f2", B: "f1", Kind: kind, Gap: gap},
			{A: "f3", B: "f2", Kind: kind, Gap: gap}, {A: "f3", B: "f0", Kind: kind, Gap: gap}}
		p, err := made.Build(r, made.Options{Body: true})
		if err != nil {
			t.Fatal(err)
		}
		if _, said := plates.Codes(p)["meet-apart"]; said || !p.Whole {
			t.Fatalf("%v %+v", angle, p.Findings)
		}
		for _, m := range r.Base.Meets {
			got := apart(p, m.A, m.B)
			if kind != sheet.MeetLap && math.Abs(got-gap) > 2e-6 || kind == sheet.MeetLap && (got < gap-2e-6 || got > gap+2*r.Thickness) {
				t.Fatalf("%s at %.1f°, gap %.4f: %s and %s stand %.4f apart", kind, angle, gap, m.A, m.B, got)
			}
		}
		if !reflect.DeepEqual(r.Mirror().Mirror(), r) {
			t.Fatal("mirrored twice is not itself")
		}
		if a := plates.Build(t, r.Mirror()).Area; math.Abs(a-p.Area) > 1e-6 {
			t.Fatalf("areas %v and %v", a, p.Area)
		}
	}
	r := plates.Plate(200, 100)
	r.Base.Flanges = []sheet.Flange{plates.Flange("a", sheet.Front, 40, 90), plates.Flange("b", sheet.Back, 40, 90)}
	r.Base.Meets = []sheet.Meet{{A: "a", B: "b", Kind: sheet.MeetMitre}}
	if _, said := plates.Codes(plates.Build(t, r))["meet-apart"]; !said {
		t.Error("flanges at no corner meet")
	}
}

// A lap by hand: 3 mm, R 3, both at 90°. The covering side runs on 6 past its
// tangent corner, to the other's outside; the other stops 0.2 short of its inner
// face, 3 − 0.2 on.
func TestLapByHand(t *testing.T) {
	r := plates.Plate(200, 100)
	r.Base.Flanges = []sheet.Flange{plates.Flange("a", sheet.Front, 40, 90), plates.Flange("b", sheet.Right, 40, 90)}
	r.Base.Meets = []sheet.Meet{{A: "a", B: "b", Kind: sheet.MeetLap}}
	b := lay.Out(r, r.Bend.School, plates.Metric.Display)
	plates.Near(t, "covers", b.Panels[1].Corners[0].X, -6)
	plates.Near(t, "covers at its tip", b.Panels[1].Corners[3].X, -6)
	plates.Near(t, "stops", b.Panels[2].Corners[1].X-b.Panels[2].Zone, 2.8)
	r.Base.Meets[0] = sheet.Meet{A: "b", B: "a", Kind: sheet.MeetLap}
	b = lay.Out(r, r.Bend.School, plates.Metric.Display)
	plates.Near(t, "stops", b.Panels[1].Corners[0].X, -2.8)
	plates.Near(t, "covers", b.Panels[2].Corners[1].X-b.Panels[2].Zone, 6)
}

// Hems against the hem formula; a teardrop's lip comes back to the face.
func TestHems(t *testing.T) {
	for _, c := range []struct {
		hem    sheet.HemKind
		gap, r float64
	}{{sheet.ClosedHem, 0, 0}, {sheet.OpenHem, 4, 2}, {sheet.OpenHem, 0, 1.5}} {
		r := plates.Plate(100, 60)
		r.Base.Flanges = []sheet.Flange{{ID: "h", Kind: sheet.Hem, Hem: c.hem, Gap: c.gap, Edge: sheet.Back, Length: 15, Up: true}}
		p := plates.Build(t, r)
		want, err := bend.Hem(bend.HemInput{InsideRadius: c.r, Thickness: 3, KFactor: .42, Outside: 60, Return: 15})
		if err != nil {
			t.Fatal(err)
		}
		_, h := p.Bounds.Size()
		plates.Near(t, string(c.hem)+" blank", h, want.Flat)
		size := p.Body.Max.Sub(p.Body.Min)
		plates.Near(t, "outside", size[1], 60)
		plates.Near(t, "height", size[2], 6+2*c.r)
		if len(plates.Stops(p)) > 0 {
			t.Errorf("%+v", plates.Stops(p))
		}
	}
	r := plates.Plate(100, 60)
	r.Base.Flanges = []sheet.Flange{{ID: "h", Kind: sheet.Hem, Hem: sheet.TeardropHem, Edge: sheet.Back, Length: 12,
		InsideRadius: 4, Up: true}}
	b := lay.Out(r, r.Bend.School, plates.Metric.Display)
	lip := b.Panels[1]
	plates.Near(t, "its tip's inner face touches the face", lip.Frame.Apply(lip.Corners[2], 1.5)[2], 1.5)
	r.Material = "alu-6061-t6"
	r.Base.Flanges[0].Hem = sheet.ClosedHem
	f, said := plates.Codes(plates.Build(t, r))["hem-cracks"]
	if !said || len(f.Fixes) == 0 {
		t.Fatalf("%+v", plates.Build(t, r).Findings)
	}
	fixed, err := sheet.ApplyEdits(r, f.Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if c := plates.Codes(plates.Build(t, fixed)); c["hem-cracks"].Code != "" || c["radius-small"].Code != "" {
		t.Errorf("%+v", c)
	}
}

// Jogs against the jog formula: the depth between same faces, the flat's growth.
func TestJogs(t *testing.T) {
	for _, c := range [][2]float64{{20, 45}, {12, 90}, {6, 30}} {
		r := plates.Plate(100, 60)
		f := plates.Flange("j", sheet.Back, 30, c[1])
		f.Kind, f.Depth, f.Measure = sheet.Jog, c[0], sheet.Flat
		f.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 20, sheet.Back, 15, 6)}
		r.Base.Measure = sheet.Flat
		r.Base.Flanges = []sheet.Flange{f}
		p := plates.Build(t, r)
		j, err := bend.Jog(bend.JogInput{Depth: c[0], InsideRadius: 3, Thickness: 3, Angle: c[1], KFactor: .42})
		if err != nil {
			t.Fatal(err)
		}
		_, h := p.Bounds.Size()
		plates.Near(t, "blank", h, 60+j.Flat+30)
		size := p.Body.Max.Sub(p.Body.Min)
		plates.Near(t, "height", size[2], c[0]+3)
		plates.Near(t, "run", size[1], 60+j.Run+30)
		plates.Near(t, "hole", p.Holes[0].Body[2], c[0])
		if len(p.BendLines) != 2 || p.BendLines[0].Up == p.BendLines[1].Up || p.Panels[2].ID != "j" {
			t.Errorf("%+v", p.BendLines)
		}
		for _, f := range plates.Stops(p) {
			if f.Code != "bends-close" && f.Code != "flange-short" {
				t.Errorf("%+v", f)
			}
		}
	}
	r := plates.Plate(100, 60)
	f := plates.Flange("j", sheet.Back, 30, 90)
	f.Kind, f.Depth = sheet.Jog, 5
	r.Base.Flanges = []sheet.Flange{f}
	if f, said := plates.Codes(plates.Build(t, r))["jog-shallow"]; !said {
		t.Errorf("%+v", f)
	}
}

// A cradle rolled round a tank: its inside lies on the round.
func TestRolls(t *testing.T) {
	r := plates.Plate(40, 60)
	r.Base.Measure = sheet.Flat
	r.Base.Flanges = []sheet.Flange{{ID: "c", Kind: sheet.Roll, Edge: sheet.Back, Length: 30, Angle: 180, Round: 300, Up: true}}
	p := plates.Build(t, r)
	if len(plates.Stops(p)) > 0 {
		t.Fatalf("%+v", plates.Stops(p))
	}
	_, h := p.Bounds.Size()
	plates.Near(t, "blank", h, 60+math.Pi*(150+.5*3)-math.Pi*(.5-.42)*3+30)
	plates.Near(t, "height over the round", p.Body.Max[2]-p.Body.Min[2], 300+2*3)
	if _, said := plates.Codes(p)["roll-steps"]; !said {
		t.Error("how it is rolled is not said")
	}
}

// Random parts on polygons: the flat's area is panels and bends less reliefs; a
// hole keeps its place on its panel; mirrored twice is itself.
func TestRandomPolygonParts(t *testing.T) {
	rnd := rand.New(rand.NewSource(77))
	whole := 0
	for range 300 {
		n := 3 + rnd.Intn(5)
		r := plates.Plate(0, 0)
		r.Thickness = 1 + rnd.Float64()*2
		var pts profile.Loop
		for i := range n {
			a := (float64(i) + .5*rnd.Float64()) * 2 * math.Pi / float64(n)
			pts = append(pts, profile.Vertex{X: 200 * math.Cos(a), Y: (150 + 50*rnd.Float64()) * math.Sin(a)})
		}
		r.Base.Shape = &sheet.Shape{Kind: sheet.Polygon, Points: pts}
		for i := range n {
			if rnd.Intn(3) == 0 {
				continue
			}
			f := plates.Flange(fmt.Sprint("f", i), sheet.Edge(strconv.Itoa(i+1)), 25+20*rnd.Float64(), 30+60*rnd.Float64())
			f.Up = rnd.Intn(2) == 0
			f.InsideRadius = r.Thickness * (1 + rnd.Float64())
			f.Relief.Kind = []sheet.ReliefKind{sheet.Rectangular, sheet.Round}[rnd.Intn(2)]
			if rnd.Intn(2) == 0 {
				f.SetIn = sheet.SetIn{Start: r.Thickness * (1 + 3*rnd.Float64()), End: r.Thickness * (1 + 3*rnd.Float64())}
			}
			f.Taper = sheet.SetIn{Start: 10 * rnd.Float64(), End: 10 * rnd.Float64()}
			h := plates.Round(fmt.Sprint("h", i), sheet.Middle, 5*rnd.Float64(), sheet.Middle, 2, 4)
			f.Holes = []sheet.Hole{h}
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		r.Base.Holes = []sheet.Hole{plates.Round("one", sheet.Middle, 10, sheet.Middle, -20, 8),
			plates.Round("two", sheet.Feature, 25, sheet.Feature, 5, 8),
			plates.Round("three", "1", 30, "2", 30, 5)}
		r.Base.Holes[1].X.Feature, r.Base.Holes[1].Y.Feature = "one", "one"
		p := plates.Build(t, r)
		if !p.Whole {
			continue // a corner too sharp for its bends
		}
		whole++
		b := lay.Out(r, r.Bend.School, plates.Metric.Display)
		want := 0.0
		for _, q := range b.Panels {
			loop := profile.Loop{}
			for _, c := range q.Corners {
				loop = append(loop, profile.Vertex{X: c.X, Y: c.Y})
			}
			want += loop.Area() + q.Zone*q.Taken.Allowance
			if q.Flange != nil {
				for _, cut := range b.Reliefs(q) {
					if cut {
						want -= plates.NotchArea(q.Relief)
					}
				}
				continue
			}
			for i, size := range q.Corners90 {
				if size == 0 {
					continue
				}
				_, in, _, _ := q.Edge(q.Before(i))
				_, out, _, _ := q.Edge(i)
				inside := math.Pi - math.Atan2(in.Cross(out), in.Dot(out))
				if q.CornersRound[i] {
					want -= size*size*inside/2 + 2*math.Pi*size*size/4
				} else {
					want -= size*size*math.Sin(inside) + 2*size*size
				}
			}
		}
		if got := b.Outline.Area(); math.Abs(got-want) > 1e-6*want {
			t.Fatalf("area %.6f, want %.6f: %+v", got, want, r)
		}
		for _, h := range p.Holes { // where the panel's frame carries its place on the flat
			for _, q := range p.Panels {
				if q.ID == h.Panel {
					plates.Near(t, "its panel's plane", q.Seat.Z.Dot(h.Body.Sub(q.Seat.Origin)), 0)
					d := h.Centre.Sub(q.Pose.Origin)
					plates.Near(t, "its place", h.Body.Sub(q.Seat.At(profile.Point{X: d.Dot(q.Pose.Ex), Y: d.Dot(q.Pose.Ey)})).Len(), 0)
				}
			}
		}
		for i := range p.Holes {
			for j := range i {
				if a, c := p.Holes[i], p.Holes[j]; a.Panel == c.Panel {
					plates.Near(t, "distance kept", a.Body.Sub(c.Body).Len(), a.Centre.Sub(c.Centre).Len())
				}
			}
		}
		var two, one made.HoleMade
		for _, h := range p.Holes {
			switch h.ID {
			case "one":
				one = h
			case "two":
				two = h
			}
		}
		plates.Near(t, "measured from another", two.Centre.Sub(one.Centre).X, 25)
		m := r.Mirror()
		if !reflect.DeepEqual(m.Mirror(), r) {
			t.Fatalf("mirrored twice is not itself:\n%+v\n%+v", m.Mirror().Base.Shape, r.Base.Shape)
		}
		if a := plates.Build(t, m); math.Abs(a.Area-p.Area) > 1e-6 || a.Mass-p.Mass > 1e-9 {
			t.Fatalf("areas %v and %v", a.Area, p.Area)
		}
	}
	if whole < 150 {
		t.Errorf("only %d were whole", whole)
	}
}

// Words where an edge, a shape or a place is none.
func TestShapesThatCannot(t *testing.T) {
	v := func(x, y float64) profile.Vertex { return profile.Vertex{X: x, Y: y} }
	for code, r := range map[string]sheet.Recipe{
		"base-shape": plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Polygon, Points: profile.Loop{v(0, 0), v(100, 100), v(100, 0), v(0, 100)}}),
		"edge-none": func() sheet.Recipe {
			r := plates.Plate(100, 60)
			r.Base.Flanges = []sheet.Flange{plates.Flange("f", "7", 30, 90)}
			return r
		}(),
		"edge-round": func() sheet.Recipe {
			r := plates.Shaped(120, 40, sheet.Shape{Kind: sheet.Obround})
			r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Right, 30, 90)}
			return r
		}(),
		"hole-nowhere": func() sheet.Recipe {
			r := plates.Plate(100, 60)
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 10, sheet.Right, 10, 5)}
			return r
		}(),
		"base-too-small": func() sheet.Recipe {
			r := plates.Plate(100, 10)
			r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 30, 90), plates.Flange("g", sheet.Back, 30, 90)}
			return r
		}(),
		"flange-no-width": func() sheet.Recipe {
			r := plates.Plate(100, 60)
			f := plates.Flange("f", sheet.Front, 30, 90)
			f.Width = 200
			r.Base.Flanges = []sheet.Flange{f}
			return r
		}(),
	} {
		p := plates.Build(t, r)
		f, said := plates.Codes(p)[code]
		if !said {
			t.Errorf("%s: %+v", code, p.Findings)
		}
		if code == "hole-nowhere" && len(p.Outline) == 0 {
			t.Errorf("%s: nothing is drawn: %+v", code, f)
		}
	}
	ring := plates.Plate(100, 60)
	ring.Base.Holes = []sheet.Hole{plates.Round("a", sheet.Feature, 5, sheet.Feature, 5, 5),
		plates.Round("b", sheet.Feature, 5, sheet.Feature, 5, 5)}
	ring.Base.Holes[0].X.Feature, ring.Base.Holes[0].Y.Feature = "b", "b"
	ring.Base.Holes[1].X.Feature, ring.Base.Holes[1].Y.Feature = "a", "a"
	if _, said := plates.Codes(plates.Build(t, ring))["hole-nowhere"]; !said {
		t.Error("holes measured from one another have places")
	}
}
