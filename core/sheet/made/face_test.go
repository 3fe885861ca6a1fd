package made_test

import (
	"math"
	"math/rand"
	"reflect"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
)

// Turned over a part is the same body, twice turned over the same recipe.
func TestTurnOver(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	built := 0
	for range 200 {
		r := plates.Random(rnd, true)
		r.Seen = sheet.BackFace
		r.Hand = sheet.Hand{Pair: true, Drawn: sheet.RightHand}
		over := r.TurnOver()
		if over.Seen != sheet.GoodFace || over.Hand != r.Hand {
			t.Fatalf("turned over its hand is %+v and %q shows", over.Hand, over.Seen)
		}
		if back := over.TurnOver(); !reflect.DeepEqual(back, r) {
			t.Fatalf("turned over twice\n%+v\nwas\n%+v", back, r)
		}
		a, errA := made.Build(r, made.Options{Body: true})
		b, errB := made.Build(over, made.Options{Body: true})
		if errA != nil || errB != nil || !a.Whole || !b.Whole {
			continue
		}
		built++
		if math.Abs(a.Area-b.Area) > 1e-6 || !plates.Congruent(a, b, r.Thickness) {
			t.Fatalf("turned over it is another body: %+v", r.Base)
		}
		for i, l := range a.BendLines {
			if b.BendLines[i].Up == l.Up {
				t.Fatalf("bend %s goes the same way seen from behind", l.ID)
			}
		}
	}
	if built < 100 {
		t.Fatalf("only %d of 200 could be built", built)
	}
	// What sits on a face changes sides; a plain tapped hole has none.
	r := plates.Plate(100, 60)
	r.Base.Holes = []sheet.Hole{plates.Round("n", sheet.Left, 30, sheet.Front, 30, 0), plates.Round("t", sheet.Left, 60, sheet.Front, 30, 0)}
	r.Base.Holes[0].Use, r.Base.Holes[1].Use = &sheet.Use{Kind: sheet.UseWeldNut, Thread: "M6"},
		&sheet.Use{Kind: sheet.UseTapped, Thread: "M6"}
	over := r.TurnOver()
	if !over.Base.Holes[0].Use.Back || over.Base.Holes[1].Use.Back || r.Base.Holes[0].Use.Back {
		t.Errorf("turned over: nut %+v, thread %+v", over.Base.Holes[0].Use, over.Base.Holes[1].Use)
	}
	if r.Seen = sheet.BackFace; r.CutFace().Base.Holes[0].X.Edge != sheet.Right {
		t.Error("a part whose back shows is cut turned over")
	}
	if r.Seen = sheet.GoodFace; !reflect.DeepEqual(r.CutFace(), r) {
		t.Error("a part whose good side shows is cut as drawn")
	}
}

// Where a face shows, a part is not its own twin turned over, and a pair is not
// cut from one drawing.
func TestFacesThatShow(t *testing.T) {
	has := func(r sheet.Recipe, code string) bool { _, ok := plates.Codes(plates.Build(t, r))[code]; return ok }
	// A Z of two flanges, the same seen from either face but no mirror image of itself on the table.
	z := plates.Plate(100, 60)
	z.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 20, sheet.Front, 20, 8)}
	z.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
	if !has(z, "twin-same") || has(z, "pair-face") {
		t.Error("a plate with one hole is its own twin turned over")
	}
	z.Seen = sheet.GoodFace
	if has(z, "twin-same") || !has(z, "pair-face") {
		t.Error("with a face that shows it is not, and each hand wants its own drawing")
	}
	z.Base.Holes[0].X.Distance = 50 // now the blank is the same, turned on the table
	if !has(z, "twin-same") || has(z, "pair-face") {
		t.Error("a plate that is the same left and right needs no twin, face or no")
	}
	// Bent to one side the hands differ, their blanks do not.
	z.Base.Flanges = []sheet.Flange{plates.Flange("l", sheet.Left, 30, 90), plates.Flange("r", sheet.Right, 30, 90)}
	z.Base.Flanges[1].Up = false
	if has(z, "twin-same") || has(z, "pair-face") {
		t.Error("one blank serves both hands of a Z")
	}
	z.Seen = sheet.BackFace
	if f := plates.Codes(plates.Build(t, z))["back-shows"]; !strings.Contains(f.Reason, "drawn from the back") {
		t.Errorf("%+v", f)
	}
}

// One master, no copy of a copy, and holes where they are drilled through.
func TestMaster(t *testing.T) {
	jig := plates.Plate(200, 100)
	jig.Base.Holes = []sheet.Hole{plates.Round("a", sheet.Left, 20, sheet.Front, 20, 6),
		plates.Round("b", sheet.Left, 150, sheet.Front, 30, 6), plates.Round("c", sheet.Left, 60, sheet.Front, 70, 6)}
	copyOf := func(move float64) sheet.Recipe {
		r := plates.Plate(300, 200)
		// The jig's layout turned by a right angle and turned over.
		for i, q := range [][2]float64{{20, 20}, {30, 150}, {70 + move, 60}} {
			h := plates.Round(string(rune('p'+i)), sheet.Left, 50+q[0], sheet.Front, 20+q[1], 8)
			h.Made = sheet.MadeMatched
			r.Base.Holes = append(r.Base.Holes, h)
		}
		r.Master = &sheet.Master{Part: "jig", Name: "Jig"}
		return r
	}
	told := func(r sheet.Recipe, m *flags.MasterTold, quantity int) string {
		p, err := made.Build(r, made.Options{Master: m, Quantity: quantity})
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range p.Findings {
			if f.Cause == "Master" {
				for _, x := range f.Fixes {
					if mended, err := sheet.ApplyEdits(r, x.Edits); err != nil || mended.Validate() != nil {
						t.Errorf("%s: %q cannot be taken: %v", f.Code, x.Label, err)
					}
				}
				return f.Code
			}
		}
		return ""
	}
	further := jig
	further.Master = &sheet.Master{Part: "first", Name: "First"}
	smaller := jig
	smaller.Base.Holes = append([]sheet.Hole{}, jig.Base.Holes...)
	smaller.Base.Holes[1].Diameter = 10 // a drill of 8 is not guided in it
	idle := copyOf(0)
	for i := range idle.Base.Holes {
		idle.Base.Holes[i].Made = sheet.MadeCut
	}
	alone := copyOf(0)
	alone.Master = nil
	for _, c := range []struct {
		want, what string
		r          sheet.Recipe
		m          *flags.MasterTold
		quantity   int
	}{
		{"", "a layout that fits, turned and turned over", copyOf(0), &flags.MasterTold{Name: "Jig", Recipe: jig}, 1},
		{"master-layout", "one hole half a millimetre off", copyOf(.5), &flags.MasterTold{Name: "Jig", Recipe: jig}, 1},
		{"master-layout", "a guide larger than the drill", copyOf(0), &flags.MasterTold{Name: "Jig", Recipe: smaller}, 1},
		{"copy-of-copy", "a master drilled through another", copyOf(0), &flags.MasterTold{Name: "Jig", Recipe: further}, 1},
		{"master-gone", "a master that is gone", copyOf(0), nil, 1},
		{"master-itself", "itself", copyOf(0), &flags.MasterTold{Name: "Jig", Recipe: jig, Itself: true}, 1},
		{"master-idle", "nothing to drill through it", idle, &flags.MasterTold{Name: "Jig", Recipe: jig}, 1},
		{"master-first", "several without a master", alone, nil, 4},
		{"", "one without a master", alone, nil, 1},
	} {
		if got := told(c.r, c.m, c.quantity); got != c.want {
			t.Errorf("%s: %q, want %q", c.what, got, c.want)
		}
	}
	bad := copyOf(0)
	bad.Master.Part = "../x"
	if bad.Validate() == nil {
		t.Error("a master that is no id")
	}
}

// A finding lies where the part has what it is about: on the flat pattern and
// on the body.
func TestFindingsHaveTheirPlace(t *testing.T) {
	r := plates.Plate(200, 120)
	r.Base.Holes = []sheet.Hole{plates.Round("edge", sheet.Left, 5, sheet.Back, 60, 8)}
	f := plates.Flange("f", sheet.Front, 40, 90)
	f.SetIn, f.Relief = sheet.SetIn{Start: 30, End: 30}, sheet.Relief{Kind: sheet.Rectangular, Width: 1, Depth: 3}
	f.Holes = []sheet.Hole{plates.Round("up", sheet.Left, 80, sheet.Back, 12, 8)}
	r.Base.Flanges = []sheet.Flange{f}
	r.Process = "plasma"
	p, err := made.Build(r, made.Options{NearPeople: true})
	if err != nil {
		t.Fatal(err)
	}
	got := plates.Codes(p)
	for _, h := range p.Holes {
		code := map[string]string{"edge": "hole-near-edge", "up": "hole-near-bend"}[h.Feature]
		w := got[code].Place
		if w == nil || (profile.Point{X: w.Flat[0], Y: w.Flat[1]}).Sub(h.Centre).Len() > 1e-9 ||
			(solid.Vector{w.Body[0], w.Body[1], w.Body[2]}).Sub(h.Body).Len() > 1e-9 {
			t.Errorf("%s of %s is told at %+v, the hole is at %v and %v", code, h.Feature, w, h.Centre, h.Body)
		}
	}
	if w := got["relief-unreachable"].Place; w == nil || math.Abs(w.Flat[0]-30) > 1e-9 || w.Flat[1] > 0 {
		t.Errorf("the relief is told at %+v", w)
	}
	if w := got["sharp-corner"].Place; w == nil {
		t.Error("a sharp corner has no place")
	}
	for _, f := range p.Findings {
		if f.Feature == "sheet" && f.Place != nil {
			t.Errorf("%s is about the whole sheet and has a place", f.Code)
		}
	}
	// Fixed, the torch gets in.
	mended, err := sheet.ApplyEdits(r, got["relief-unreachable"].Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if _, still := plates.Codes(plates.Build(t, mended))["relief-unreachable"]; still {
		t.Error("the fix does not make room for the torch")
	}
}
