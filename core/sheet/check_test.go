package sheet

import (
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/working"
)

// Every rule is driven over its edge and back: the flag appears, and each fix
// it offers clears it.
func TestFlagsAndTheirFixes(t *testing.T) {
	with := func(f Flange, change func(*Recipe)) Recipe {
		r := plate(120, 90)
		r.Base.Flanges = []Flange{f}
		if change != nil {
			change(&r)
		}
		return r
	}
	f40 := flange("f", Front, 40, 90)
	cases := []struct {
		code     string
		severity working.Severity
		fixes    int
		recipe   Recipe
	}{
		{"radius-small", working.Stop, 1, with(f40, func(r *Recipe) { r.Base.Flanges[0].InsideRadius = 1 })},
		{"radius-grain", working.Mind, 1, with(f40, nil)}, // 3 mm along the grain of A36 wants 4.5
		{"flange-short", working.Stop, 1, with(flange("f", Front, 12, 90), nil)},
		{"bends-close", working.Stop, 0, with(f40, func(r *Recipe) {
			r.Base.Width = 15
			r.Base.Flanges = append(r.Base.Flanges, flange("g", Back, 40, 90))
		})},
		{"hole-near-bend", working.Mind, 2, with(f40, func(r *Recipe) { r.Base.Holes = []Hole{round("h", Left, 60, Front, 13, 8)} })},
		{"hole-near-bend", working.Mind, 2, with(f40, func(r *Recipe) {
			r.Base.Flanges[0].Holes = []Hole{{ID: "s", Kind: SlotHole, Diameter: 8, Length: 30, X: Offset{Edge: Left, Distance: 60},
				Y: Offset{Edge: Back, Distance: 17}}}
		})},
		{"hole-small", working.Stop, 2, with(f40, func(r *Recipe) {
			r.Process = "plasma"
			r.Base.Holes = []Hole{round("h", Left, 60, Back, 30, 2.5)}
		})},
		{"off-face", working.Stop, 1, with(f40, func(r *Recipe) { r.Base.Holes = []Hole{round("h", Left, 60, Front, 4, 8)} })},
		{"hole-breaks-edge", working.Stop, 0, with(f40, func(r *Recipe) {
			r.Base.Corner = Corner{Radius, 30}
			r.Base.Holes = []Hole{round("h", Left, 6, Back, 6, 10)}
		})},
		{"hole-near-edge", working.Mind, 1, with(f40, func(r *Recipe) { r.Base.Holes = []Hole{round("h", Left, 6, Back, 45, 10)} })},
		{"edge-distance", working.Note, 1, with(f40, func(r *Recipe) { r.Base.Holes = []Hole{round("h", Left, 14, Back, 45, 10)} })},
		{"holes-meet", working.Stop, 0, with(f40, func(r *Recipe) {
			r.Base.Holes = []Hole{round("h", Left, 60, Back, 30, 10), round("i", Left, 68, Back, 30, 10)}
		})},
		{"holes-close", working.Mind, 0, with(f40, func(r *Recipe) {
			r.Base.Holes = []Hole{round("h", Left, 60, Back, 30, 10), round("i", Left, 72, Back, 30, 10)}
		})},
		{"relief-tear", working.Mind, 1, with(f40, func(r *Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = SetIn{20, 20}, Relief{Kind: Tear}
		})},
		{"relief-room", working.Stop, 2, with(f40, func(r *Recipe) { r.Base.Flanges[0].SetIn = SetIn{1, 0} })},
		{"relief-narrow", working.Mind, 1, with(f40, func(r *Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = SetIn{20, 20}, Relief{Rectangular, 1.5, 4}
		})},
		{"relief-shallow", working.Mind, 1, with(f40, func(r *Recipe) {
			r.Base.Flanges[0].SetIn, r.Base.Flanges[0].Relief = SetIn{20, 20}, Relief{Rectangular, 3, 1}
		})},
		{"corner-tear", working.Mind, 1, with(f40, func(r *Recipe) {
			g := flange("g", Right, 40, 90)
			g.Relief.Kind = Tear
			r.Base.Flanges = append(r.Base.Flanges, g)
		})},
		{"fold-collision", working.Stop, 0, with(flange("f", Front, 120, 135), func(r *Recipe) { r.Base.Flanges = append(r.Base.Flanges, flange("g", Back, 120, 135)) })},
		{"flat-overlap", working.Stop, 0, with(f40, func(r *Recipe) {
			r.Base.Flanges[0].Length = 80
			side, other := flange("a", Right, 60, 90), flange("g", Right, 80, 90)
			side.SetIn = SetIn{0, 9}
			r.Base.Flanges[0].Flanges = []Flange{side}
			wing := flange("w", Front, 60, 90)
			other.Flanges = []Flange{wing}
			r.Base.Flanges = append(r.Base.Flanges, other)
		})},
		{"air-radius", working.Note, 1, with(f40, func(r *Recipe) { r.Tool.Opening = 50; r.Base.Flanges[0].Length = 60 })},
		{"gauge-nominal", working.Note, 0, with(f40, func(r *Recipe) { g := 10; r.Gauge = &g })},
		{"material-caution", working.Note, 0, with(f40, func(r *Recipe) { r.Material = "steel-galv" })},
		{"twin-same", working.Note, 1, with(f40, func(r *Recipe) { r.Hand = Hand{Pair: true, Drawn: RightHand} })},
		{"edge-taken", working.Stop, 0, with(f40, func(r *Recipe) { r.Base.Flanges = append(r.Base.Flanges, flange("g", Front, 40, 90)) })},
		{"flange-no-width", working.Stop, 0, with(f40, func(r *Recipe) { r.Base.Flanges[0].SetIn = SetIn{80, 80} })},
	}
	for _, c := range cases {
		p := build(t, c.recipe)
		f, ok := codes(p)[c.code]
		if !ok {
			t.Errorf("%s is not flagged; got %v", c.code, p.Findings)
			continue
		}
		if f.Severity != c.severity || f.Reason == "" || f.Cause == "" || f.Feature == "" || len(f.Fixes) != c.fixes {
			t.Errorf("%s: %+v", c.code, f)
		}
		for _, fix := range f.Fixes {
			mended, err := ApplyEdits(c.recipe, fix.Edits)
			if err != nil {
				t.Errorf("%s, %q: %v", c.code, fix.Label, err)
				continue
			}
			if still, ok := codes(build(t, mended))[c.code]; ok && still.Feature == f.Feature && still.Reason == f.Reason {
				t.Errorf("%s: after %q it is still flagged: %s", c.code, fix.Label, still.Reason)
			}
		}
	}
}

// A sound part raises nothing: the rules are not wallpaper.
func TestSoundPartIsQuiet(t *testing.T) {
	r := plate(120, 90)
	r.Grain = GrainY // across the bend line
	f := flange("f", Front, 40, 90)
	f.Holes = []Hole{round("h1", Left, 30, Front, 18, 9), round("h2", Right, 30, Front, 18, 9)}
	r.Base.Flanges = []Flange{f}
	r.Base.Holes = []Hole{round("h3", Left, 30, Back, 30, 9)}
	if p := build(t, r); len(p.Findings) != 0 {
		t.Errorf("findings %+v", p.Findings)
	}
}

// A box of four sides at right angles, with reliefs, folds without collision.
func TestBoxFolds(t *testing.T) {
	r := plate(200, 150)
	for i, e := range []Edge{Front, Right, Back, Left} {
		f := flange(string(rune('a'+i)), e, 60, 90)
		f.Relief.Kind = Round
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	got := codes(build(t, r))
	for _, code := range []string{"fold-collision", "flat-overlap", "corner-tear"} {
		if f, ok := got[code]; ok {
			t.Errorf("%s: %s", code, f.Reason)
		}
	}
	for _, i := range []int{0, 3} { // front and left both lean in over the base
		r.Base.Flanges[i].Angle, r.Base.Flanges[i].Length = 120, 80
	}
	if _, ok := codes(build(t, r))["fold-collision"]; !ok {
		t.Error("two sides leaning into each other are not seen")
	}
}

func TestValidateRefuses(t *testing.T) {
	nan := func(r *Recipe) { r.Base.Length = -1 }
	cases := map[string]func(*Recipe){
		"/schema":                          func(r *Recipe) { r.Schema = 2 },
		"/material":                        func(r *Recipe) { r.Material = "oak" },
		"/process":                         func(r *Recipe) { r.Process = "teeth" },
		"/thickness":                       func(r *Recipe) { r.Thickness = -3 },
		"/base/length":                     nan,
		"/base/width":                      func(r *Recipe) { r.Base.Width = 1e308 },
		"/bend/school":                     func(r *Recipe) { r.Bend.School = "old" },
		"/tool/kind":                       func(r *Recipe) { r.Tool.Kind = bend.ToolKind("knee") },
		"/base/flanges/0/angle":            func(r *Recipe) { r.Base.Flanges[0].Angle = 180 },
		"/base/flanges/0/measure":          func(r *Recipe) { r.Base.Flanges[0].Angle = 170 },
		"/base/flanges/0/edge":             func(r *Recipe) { r.Base.Flanges[0].Edge = "top" },
		"/base/flanges/0/id":               func(r *Recipe) { r.Base.Flanges[0].ID = "base" },
		"/base/flanges/0/holes/0/diameter": func(r *Recipe) { r.Base.Flanges[0].Holes[0].Diameter = 0 },
		"/base/flanges/0/holes/0/x/edge":   func(r *Recipe) { r.Base.Flanges[0].Holes[0].X.Edge = "top" },
		"/base/flanges/0/holes/0/length": func(r *Recipe) {
			r.Base.Flanges[0].Holes[0].Kind = SlotHole
			r.Base.Flanges[0].Holes[0].Length = 5
		},
		"/base/flanges/0/holes/0/pattern/pitchX": func(r *Recipe) {
			r.Base.Flanges[0].Holes[0].Pattern = &Pattern{Kind: GridPattern, Columns: 3, Rows: 1}
		},
		"/base/flanges/0/holes/0": func(r *Recipe) {
			r.Base.Flanges[0].Holes[0].Pattern = &Pattern{Kind: GridPattern, Columns: 100, Rows: 100, PitchX: 1, PitchY: 1}
		},
	}
	for path, spoil := range cases {
		r := plate(120, 90)
		f := flange("f", Front, 40, 90)
		f.Holes = []Hole{round("h", Left, 30, Front, 18, 9)}
		r.Base.Flanges = []Flange{f}
		spoil(&r)
		_, err := Build(r, metric)
		fault, ok := err.(*working.Fault)
		if !ok || fault.Path != path {
			t.Errorf("%s: got %#v", path, err)
		}
	}
}

// Corners that point at people are told where people are, by the panel, and the
// fix rounds them; what a bend or another flange closes is no corner.
func TestSharpCornersNearPeople(t *testing.T) {
	near := func(r Recipe) map[string]working.Finding {
		out := map[string]working.Finding{}
		p, err := Build(r, Options{NearPeople: true})
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
	angle := plate(120, 90)
	angle.Base.Flanges = []Flange{flange("f", Front, 40, 90)}
	if _, told := codes(build(t, angle))["sharp-corner"]; told {
		t.Error("told without people near")
	}
	got := near(angle)
	if len(got) != 2 || got["base"].Severity != working.Mind || got["base"].Reason[:1] != "2" || len(got["f"].Fixes) != 1 {
		t.Fatalf("findings %+v", got)
	}
	for _, id := range []string{"base", "f"} {
		var err error
		if angle, err = ApplyEdits(angle, got[id].Fixes[0].Edits); err != nil {
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
	tray := plate(120, 90)
	for i, e := range []Edge{Front, Right, Back, Left} {
		tray.Base.Flanges = append(tray.Base.Flanges, flange(string(rune('a'+i)), e, 30, 90))
	}
	if got := near(tray); len(got) != 4 { // open corners: eight sharp ends
		t.Errorf("open tray: %+v", got)
	}
	for i := range 4 {
		tray.Base.Meets = append(tray.Base.Meets, Meet{A: string(rune('a' + i)), B: string(rune('a' + (i+1)%4)), Kind: MeetGap})
	}
	if got := near(tray); len(got) != 0 {
		t.Errorf("closed tray: %+v", got)
	}
	disc := plate(120, 120)
	disc.Base.Shape = &Shape{Kind: Disc}
	hexagon := plate(0, 0)
	hexagon.Base.Shape = &Shape{Kind: Sides, Sides: []SideSize{{60, 120}, {60, 120}, {60, 120}, {60, 120}, {60, 120}}}
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
