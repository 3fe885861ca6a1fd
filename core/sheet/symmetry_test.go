package sheet

import (
	"math/rand"
	"testing"

	"warmanvil/core/working"
)

// A part needs no twin exactly when the twin's folded body is its own body
// turned: both are built and laid on each other in space.
func TestSymmetricalPartsAreTheirOwnTwins(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	same, different := 0, 0
	for range 500 {
		r := plate(100, []float64{100, 70}[rnd.Intn(2)])
		for _, e := range []Edge{Front, Right, Back, Left} {
			if rnd.Intn(5) < 2 {
				f := flange("f"+string(e), e, 30, 90)
				f.Up = rnd.Intn(3) > 0
				if rnd.Intn(4) == 0 {
					f.SetIn = SetIn{20, []float64{20, 30}[rnd.Intn(2)]}
				}
				r.Base.Flanges = append(r.Base.Flanges, f)
			} else if rnd.Intn(4) == 0 {
				r.Base.Edges = append(r.Base.Edges, EdgeCut{ID: "n" + string(e), Kind: Notch, Edge: e,
					At: []float64{35, 50}[rnd.Intn(2)], Width: 8, Depth: 8})
			}
		}
		for i, x := range []Edge{Left, Right} {
			for k, y := range []Edge{Front, Back} {
				if rnd.Intn(3) == 0 {
					r.Base.Holes = append(r.Base.Holes, round("h"+string(rune('a'+2*i+k)), x, 20, y, 20, 8))
				}
			}
		}
		a, err := Build(r, Options{Body: true})
		if err != nil || !a.Whole {
			continue
		}
		b, err := Build(r.Mirror(), Options{Body: true})
		if err != nil {
			t.Fatal(err)
		}
		want := congruent(a, b, r.Thickness)
		if got := Symmetrical(r); got != want {
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
	pair := func(change func(*Recipe)) Recipe {
		r := plate(100, 70)
		r.Hand = Hand{Pair: true, Drawn: LeftHand}
		change(&r)
		return r
	}
	z := func(r *Recipe) { // same when turned over
		up, down := flange("u", Left, 30, 90), flange("d", Right, 30, 90)
		down.Up = false
		r.Base.Flanges = []Flange{up, down}
		r.Base.Holes = []Hole{round("h", Left, 47, Front, 35, 8)}
	}
	for name, c := range map[string]struct {
		recipe Recipe
		told   bool
	}{
		"z, hole in the middle line": {pair(z), true},
		"z, countersunk": {pair(func(r *Recipe) {
			z(r)
			r.Base.Holes[0].Use = &Use{Kind: UseCountersink, Thread: "M8"}
		}), true}, // its own mirror image from front to back, without turning over
		"countersink off the middle": {pair(func(r *Recipe) {
			z(r)
			r.Base.Flanges = nil
			r.Base.Holes = []Hole{round("h", Left, 20, Front, 20, 8)}
			r.Base.Holes[0].Use = &Use{Kind: UseCountersink, Thread: "M8"}
		}), false},
		"plain hole off the middle": {pair(func(r *Recipe) { r.Base.Holes = []Hole{round("h", Left, 20, Front, 20, 8)} }), true},
		"notch off the middle, flange": {pair(func(r *Recipe) {
			r.Base.Flanges = []Flange{flange("f", Back, 30, 90)}
			r.Base.Edges = []EdgeCut{{ID: "n", Kind: Notch, Edge: Front, At: 30, Width: 10, Depth: 10}}
		}), false},
		"bead": {pair(func(r *Recipe) {
			r.Base.Marks = []Mark{{ID: "b", Kind: BeadMark, X: Offset{Edge: Left, Distance: 50},
				Y: Offset{Edge: Front, Distance: 35}, Length: 30, Width: 5}}
		}), false},
	} {
		p := build(t, c.recipe)
		f, ok := codes(p)["twin-same"]
		if ok != c.told || ok && f.Severity != working.Note {
			t.Errorf("%s: told %v, want %v", name, ok, c.told)
		}
	}
}
