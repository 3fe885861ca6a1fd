package made_test

import (
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// Every rule is driven over its edge and back: the flag appears, and each fix
// it offers clears it.
func TestFlagsAndTheirFixes(t *testing.T) {
	with := func(f sheet.Flange, change func(*sheet.Recipe)) sheet.Recipe {
		r := plates.Plate(120, 90)
		r.Base.Flanges = []sheet.Flange{f}
		if change != nil {
			change(&r)
		}
		return r
	}
	f40 := plates.Flange("f", sheet.Front, 40, 90)
	cases := []struct {
		code     string
		severity working.Severity
		fixes    int
		recipe   sheet.Recipe
	}{
		{"radius-small", working.Stop, 1, with(f40, func(r *sheet.Recipe) { r.Base.Flanges[0].InsideRadius = 1 })},
		{"radius-grain", working.Mind, 1, with(f40, nil)}, // 3 mm along the grain of A36 wants 4.5
		{"flange-short", working.Stop, 1, with(plates.Flange("f", sheet.Front, 12, 90), nil)},
		{"bends-close", working.Stop, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Width = 15
			r.Base.Flanges = append(r.Base.Flanges, plates.Flange("g", sheet.Back, 40, 90))
		})},
		{"hole-near-bend", working.Mind, 2, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Front, 13, 8)}
		})},
		{"hole-near-bend", working.Mind, 2, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges[0].Holes = []sheet.Hole{{ID: "s", Kind: sheet.SlotHole, Diameter: 8, Length: 30,
				X: sheet.Offset{Edge: sheet.Left, Distance: 60},
				Y: sheet.Offset{Edge: sheet.Back, Distance: 17}}}
		})},
		{"hole-small", working.Stop, 2, with(f40, func(r *sheet.Recipe) {
			r.Process = "plasma"
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Back, 30, 2.5)}
		})},
		{"off-face", working.Stop, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Front, 4, 8)}
		})},
		{"hole-breaks-edge", working.Stop, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Corner = sheet.Corner{Kind: sheet.Radius, Size: 30}
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 6, sheet.Back, 6, 10)}
		})},
		{"hole-near-edge", working.Mind, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 6, sheet.Back, 45, 10)}
		})},
		{"edge-distance", working.Note, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 14, sheet.Back, 45, 10)}
		})},
		{"holes-meet", working.Stop, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Back, 30, 10), plates.Round("i", sheet.Left, 68, sheet.Back, 30, 10)}
		})},
		{"holes-close", working.Mind, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Back, 30, 10), plates.Round("i", sheet.Left, 72, sheet.Back, 30, 10)}
		})},
		{"relief-tear", working.Mind, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = sheet.SetIn{Start: 20, End: 20}, sheet.Relief{Kind: sheet.Tear}
		})},
		{"relief-room", working.Stop, 2, with(f40, func(r *sheet.Recipe) { r.Base.Flanges[0].SetIn = sheet.SetIn{Start: 1, End: 0} })},
		{"relief-narrow", working.Mind, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = sheet.SetIn{Start: 20, End: 20},
				sheet.Relief{Kind: sheet.Rectangular, Width: 1.5, Depth: 4}
		})},
		{"relief-shallow", working.Mind, 1, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = sheet.SetIn{Start: 20, End: 20},
				sheet.Relief{Kind: sheet.Rectangular, Width: 3, Depth: 1}
		})},
		{"corner-tear", working.Mind, 1, with(f40, func(r *sheet.Recipe) {
			g := plates.Flange("g", sheet.Right, 40, 90)
			g.Relief.Kind = sheet.Tear
			r.Base.Flanges = append(r.Base.Flanges, g)
		})},
		{"fold-collision", working.Stop, 0, with(plates.Flange("f", sheet.Front, 120, 135), func(r *sheet.Recipe) {
			r.Base.Flanges = append(r.Base.Flanges, plates.Flange("g", sheet.Back, 120, 135))
		})},
		{"flat-overlap", working.Stop, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges[0].Length = 80
			side, other := plates.Flange("a", sheet.Right, 60, 90), plates.Flange("g", sheet.Right, 80, 90)
			side.SetIn = sheet.SetIn{Start: 0, End: 9}
			r.Base.Flanges[0].Flanges = []sheet.Flange{side}
			wing := plates.Flange("w", sheet.Front, 60, 90)
			other.Flanges = []sheet.Flange{wing}
			r.Base.Flanges = append(r.Base.Flanges, other)
		})},
		{"air-radius", working.Note, 1, with(f40, func(r *sheet.Recipe) { r.Tool.Opening = 50; r.Base.Flanges[0].Length = 60 })},
		{"gauge-nominal", working.Note, 0, with(f40, func(r *sheet.Recipe) { g := 10; r.Gauge = &g })},
		{"material-caution", working.Note, 0, with(f40, func(r *sheet.Recipe) { r.Material = "steel-galv" })},
		{"twin-same", working.Note, 1, with(f40, func(r *sheet.Recipe) { r.Hand = sheet.Hand{Pair: true, Drawn: sheet.RightHand} })},
		{"edge-taken", working.Stop, 0, with(f40, func(r *sheet.Recipe) {
			r.Base.Flanges = append(r.Base.Flanges, plates.Flange("g", sheet.Front, 40, 90))
		})},
		{"flange-no-width", working.Stop, 0, with(f40, func(r *sheet.Recipe) { r.Base.Flanges[0].SetIn = sheet.SetIn{Start: 80, End: 80} })},
	}
	for _, c := range cases {
		p := plates.Build(t, c.recipe)
		f, ok := plates.Codes(p)[c.code]
		if !ok {
			t.Errorf("%s is not flagged; got %v", c.code, p.Findings)
			continue
		}
		if f.Severity != c.severity || f.Reason == "" || f.Cause == "" || f.Feature == "" || len(f.Fixes) != c.fixes {
			t.Errorf("%s: %+v", c.code, f)
		}
		for _, fix := range f.Fixes {
			mended, err := sheet.ApplyEdits(c.recipe, fix.Edits)
			if err != nil {
				t.Errorf("%s, %q: %v", c.code, fix.Label, err)
				continue
			}
			if still, ok := plates.Codes(plates.Build(t, mended))[c.code]; ok && still.Feature == f.Feature && still.Reason == f.Reason {
				t.Errorf("%s: after %q it is still flagged: %s", c.code, fix.Label, still.Reason)
			}
		}
	}
}

// A sound part raises nothing: the rules are not wallpaper.
func TestSoundPartIsQuiet(t *testing.T) {
	r := plates.Plate(120, 90)
	r.Grain = sheet.GrainY // across the bend line
	f := plates.Flange("f", sheet.Front, 40, 90)
	f.Holes = []sheet.Hole{plates.Round("h1", sheet.Left, 30, sheet.Front, 18, 9), plates.Round("h2", sheet.Right, 30, sheet.Front, 18, 9)}
	r.Base.Flanges = []sheet.Flange{f}
	r.Base.Holes = []sheet.Hole{plates.Round("h3", sheet.Left, 30, sheet.Back, 30, 9)}
	if p := plates.Build(t, r); len(p.Findings) != 0 {
		t.Errorf("findings %+v", p.Findings)
	}
}

// A box of four sides at right angles, with reliefs, folds without collision.
func TestBoxFolds(t *testing.T) {
	r := plates.Plate(200, 150)
	for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		f := plates.Flange(string(rune('a'+i)), e, 60, 90)
		f.Relief.Kind = sheet.Round
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	got := plates.Codes(plates.Build(t, r))
	for _, code := range []string{"fold-collision", "flat-overlap", "corner-tear"} {
		if f, ok := got[code]; ok {
			t.Errorf("%s: %s", code, f.Reason)
		}
	}
	for _, i := range []int{0, 3} { // front and left both lean in over the base
		r.Base.Flanges[i].Angle, r.Base.Flanges[i].Length = 120, 80
	}
	if _, ok := plates.Codes(plates.Build(t, r))["fold-collision"]; !ok {
		t.Error("two sides leaning into each other are not seen")
	}
}

func TestValidateRefuses(t *testing.T) {
	nan := func(r *sheet.Recipe) { r.Base.Length = -1 }
	cases := map[string]func(*sheet.Recipe){
		"/schema":                          func(r *sheet.Recipe) { r.Schema = 2 },
		"/material":                        func(r *sheet.Recipe) { r.Material = "oak" },
		"/process":                         func(r *sheet.Recipe) { r.Process = "teeth" },
		"/thickness":                       func(r *sheet.Recipe) { r.Thickness = -3 },
		"/base/length":                     nan,
		"/base/width":                      func(r *sheet.Recipe) { r.Base.Width = 1e308 },
		"/bend/school":                     func(r *sheet.Recipe) { r.Bend.School = "old" },
		"/tool/kind":                       func(r *sheet.Recipe) { r.Tool.Kind = bend.ToolKind("knee") },
		"/base/flanges/0/angle":            func(r *sheet.Recipe) { r.Base.Flanges[0].Angle = 180 },
		"/base/flanges/0/measure":          func(r *sheet.Recipe) { r.Base.Flanges[0].Angle = 170 },
		"/base/flanges/0/edge":             func(r *sheet.Recipe) { r.Base.Flanges[0].Edge = "top" },
		"/base/flanges/0/id":               func(r *sheet.Recipe) { r.Base.Flanges[0].ID = "base" },
		"/base/flanges/0/holes/0/diameter": func(r *sheet.Recipe) { r.Base.Flanges[0].Holes[0].Diameter = 0 },
		"/base/flanges/0/holes/0/x/edge":   func(r *sheet.Recipe) { r.Base.Flanges[0].Holes[0].X.Edge = "top" },
		"/base/flanges/0/holes/0/length": func(r *sheet.Recipe) {
			r.Base.Flanges[0].Holes[0].Kind = sheet.SlotHole
			r.Base.Flanges[0].Holes[0].Length = 5
		},
		"/base/flanges/0/holes/0/pattern/pitchX": func(r *sheet.Recipe) {
			r.Base.Flanges[0].Holes[0].Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 3, Rows: 1}
		},
		"/base/flanges/0/holes/0": func(r *sheet.Recipe) {
			r.Base.Flanges[0].Holes[0].Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 100, Rows: 100, PitchX: 1, PitchY: 1}
		},
	}
	for path, spoil := range cases {
		r := plates.Plate(120, 90)
		f := plates.Flange("f", sheet.Front, 40, 90)
		f.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 30, sheet.Front, 18, 9)}
		r.Base.Flanges = []sheet.Flange{f}
		spoil(&r)
		_, err := made.Build(r, plates.Metric)
		fault, ok := err.(*working.Fault)
		if !ok || fault.Path != path {
			t.Errorf("%s: got %#v", path, err)
		}
	}
}

// Corners that point at people are told where people are, by the panel, and the
// fix rounds them; what a bend or another flange closes is no corner.
func TestSharpCornersNearPeople(t *testing.T) {
	near := func(r sheet.Recipe) map[string]working.Finding {
		out := map[string]working.Finding{}
		p, err := made.Build(r, made.Options{NearPeople: true})
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range p.Findings {
			if f.Code == "sharp-corner" {
				out[f.Feature] = f
			}
		}
		return out
	}
	angle := plates.Plate(120, 90)
	angle.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
	if _, told := plates.Codes(plates.Build(t, angle))["sharp-corner"]; told {
		t.Error("told without people near")
	}
	got := near(angle)
	if len(got) != 2 || got["base"].Severity != working.Mind || got["base"].Reason[:1] != "2" || len(got["f"].Fixes) != 1 {
		t.Fatalf("findings %+v", got)
	}
	for _, id := range []string{"base", "f"} {
		var err error
		if angle, err = sheet.ApplyEdits(angle, got[id].Fixes[0].Edits); err != nil {
			t.Fatal(err)
		}
	}
	if got := near(angle); len(got) != 0 {
		t.Errorf("rounded, and still told: %+v", got)
	}
	angle.Base.Corner.Size = 1
	if got := near(angle); len(got) != 1 || len(got["base"].Fixes) != 1 {
		t.Errorf("rounded by 1 mm: %+v", got)
	}
	tray := plates.Plate(120, 90)
	for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		tray.Base.Flanges = append(tray.Base.Flanges, plates.Flange(string(rune('a'+i)), e, 30, 90))
	}
	if got := near(tray); len(got) != 4 { // open corners: eight sharp ends
		t.Errorf("open tray: %+v", got)
	}
	for i := range 4 {
		tray.Base.Meets = append(tray.Base.Meets, sheet.Meet{A: string(rune('a' + i)), B: string(rune('a' + (i+1)%4)), Kind: sheet.MeetGap})
	}
	if got := near(tray); len(got) != 0 {
		t.Errorf("closed tray: %+v", got)
	}
	disc := plates.Plate(120, 120)
	disc.Base.Shape = &sheet.Shape{Kind: sheet.Disc}
	hexagon := plates.Plate(0, 0)
	hexagon.Base.Shape = &sheet.Shape{Kind: sheet.Sides,
		Sides: []sheet.SideSize{{Length: 60, Angle: 120}, {Length: 60, Angle: 120}, {Length: 60, Angle: 120}, {Length: 60, Angle: 120},
			{Length: 60, Angle: 120}}}
	if got := near(disc); len(got) != 0 {
		t.Errorf("disc: %+v", got)
	}
	if got := near(hexagon); len(got) != 0 {
		t.Errorf("a regular hexagon: %+v", got)
	}
	hexagon.Base.Shape.Sides = hexagon.Base.Shape.Sides[:2]
	hexagon.Base.Shape.Sides[0].Angle = 60
	if got := near(hexagon); len(got) != 1 || got["base"].Reason[:1] != "3" {
		t.Errorf("an equal triangle: %+v", got)
	}
}
