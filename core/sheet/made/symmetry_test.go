package made_test

import (
	"math/rand"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// A part needs no twin exactly when the twin's folded body is its own body
// turned: both are built and laid on each other in space.
func TestSymmetricalPartsAreTheirOwnTwins(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	same, different := 0, 0
	for range 500 {
		r := plates.Plate(100, []float64{100, 70}[rnd.Intn(2)])
		for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
			if rnd.Intn(5) < 2 {
				f := plates.Flange("f"+string(e), e, 30, 90)
				f.Up = rnd.Intn(3) > 0
				if rnd.Intn(4) == 0 {
					f.SetIn = sheet.SetIn{Start: 20, End: []float64{20, 30}[rnd.Intn(2)]}
				}
				r.Base.Flanges = append(r.Base.Flanges, f)
			} else if rnd.Intn(4) == 0 {
				r.Base.Edges = append(r.Base.Edges, sheet.EdgeCut{ID: "n" + string(e), Kind: sheet.Notch, Edge: e,
					At: []float64{35, 50}[rnd.Intn(2)], Width: 8, Depth: 8})
			}
		}
		for i, x := range []sheet.Edge{sheet.Left, sheet.Right} {
			for k, y := range []sheet.Edge{sheet.Front, sheet.Back} {
				if rnd.Intn(3) == 0 {
					r.Base.Holes = append(r.Base.Holes, plates.Round("h"+string(rune('a'+2*i+k)), x, 20, y, 20, 8))
				}
			}
		}
		a, err := made.Build(r, made.Options{Body: true})
		if err != nil || !a.Whole {
			continue
		}
		b, err := made.Build(r.Mirror(), made.Options{Body: true})
		if err != nil {
			t.Fatal(err)
		}
		want := plates.Congruent(a, b, r.Thickness)
		if got := lay.Symmetrical(r); got != want {
			t.Fatalf("symmetrical is %v, its bodies say %v: %+v", got, want, r.Base)
		}
		if want {
			same++
		} else {
			different++
		}
	}
	if same < 50 || different < 50 {
		t.Fatalf("%d the same and %d different: the sample shows too little", same, different)
	}
}

// What has a side, or a form that is not compared, keeps its twin.
func TestTwinKeptWhereItMatters(t *testing.T) {
	pair := func(change func(*sheet.Recipe)) sheet.Recipe {
		r := plates.Plate(100, 70)
		r.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
		change(&r)
		return r
	}
	z := func(r *sheet.Recipe) { // same when turned over
		up, down := plates.Flange("u", sheet.Left, 30, 90), plates.Flange("d", sheet.Right, 30, 90)
		down.Up = false
		r.Base.Flanges = []sheet.Flange{up, down}
		r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 47, sheet.Front, 35, 8)}
	}
	for name, c := range map[string]struct {
		recipe sheet.Recipe
		told   bool
	}{
		"z, hole in the middle line": {pair(z), true},
		"z, countersunk": {pair(func(r *sheet.Recipe) {
			z(r)
			r.Base.Holes[0].Use = &sheet.Use{Kind: sheet.UseCountersink, Thread: "M8"}
		}), true}, // its own mirror image from front to back, without turning over
		"countersink off the middle": {pair(func(r *sheet.Recipe) {
			z(r)
			r.Base.Flanges = nil
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 20, sheet.Front, 20, 8)}
			r.Base.Holes[0].Use = &sheet.Use{Kind: sheet.UseCountersink, Thread: "M8"}
		}), false},
		"plain hole off the middle": {pair(func(r *sheet.Recipe) {
			r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 20, sheet.Front, 20, 8)}
		}), true},
		"notch off the middle, flange": {pair(func(r *sheet.Recipe) {
			r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Back, 30, 90)}
			r.Base.Edges = []sheet.EdgeCut{{ID: "n", Kind: sheet.Notch, Edge: sheet.Front, At: 30, Width: 10, Depth: 10}}
		}), false},
		"bead": {pair(func(r *sheet.Recipe) {
			r.Base.Marks = []sheet.Mark{{ID: "b", Kind: sheet.BeadMark, X: sheet.Offset{Edge: sheet.Left, Distance: 50},
				Y: sheet.Offset{Edge: sheet.Front, Distance: 35}, Length: 30, Width: 5}}
		}), false},
	} {
		p := plates.Build(t, c.recipe)
		f, ok := plates.Codes(p)["twin-same"]
		if ok != c.told || ok && f.Severity != working.Note {
			t.Errorf("%s: told %v, want %v", name, ok, c.told)
		}
	}
}
