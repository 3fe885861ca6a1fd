package hole

import (
	"errors"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// By hand: M10 through a table-cut plate (0.25) and a rail drilled by tape (1):
// 1.25 mm worst, 1.031 likely; normal holes of 11 leave 1 between them, loose of
// 12 leave 2.
func TestAssembleByHand(t *testing.T) {
	in := AssembleInput{System: stock.Metric, Size: "M10", Holes: [][2]float64{{0, 0}, {200, 0}, {200, 80}, {0, 80}},
		Sides: []AssembleSide{{Name: "plate", Placed: ByTable, Hole: 11}, {Name: "rail", Placed: ByTape, Hole: 11}}}
	r, err := Assemble(in)
	if err != nil {
		t.Fatal(err)
	}
	if math.Abs(r.Worst[2]-1.25) > 1e-9 || math.Abs(r.Likely[2]-math.Sqrt(1.0625)) > 1e-9 || *r.Play != 1 {
		t.Errorf("%+v", r)
	}
	if r.Meets != "no" || *r.Class != "loose" || *r.Usual != "loose" {
		t.Errorf("meets %s, class %v, usual %v", r.Meets, *r.Class, *r.Usual)
	}
	// Slotted on the rail, the side least true: towards the first hole, 11 + 2·0.25.
	kinds := map[string]int{}
	for _, s := range r.Slots {
		kinds[s.Kind]++
		if s.Side != "rail" {
			t.Errorf("slotted on %s", s.Side)
		}
		if s.Kind == "slot" && (s.Hole != 2 || math.Abs(s.Length-11.5) > 1e-9 || math.Abs(s.Along[0]-200/math.Hypot(200, 80)) > 1e-9) {
			t.Errorf("%+v", s)
		}
	}
	if kinds["datum"] != 1 || kinds["slot"] != 1 || kinds["later"] != 2 || len(r.Order) != 4 {
		t.Errorf("%v %v", kinds, r.Order)
	}
	// A weld nut gives no play: the plate is slotted though it is the truer side.
	in.Sides[1] = AssembleSide{Name: "nuts", Placed: ByTape, Fixed: true}
	if r, err = Assemble(in); err != nil || *r.Play != .5 || len(r.Slots) == 0 || r.Slots[0].Side != "plate" {
		t.Errorf("%v %+v", err, r)
	}
	in.Sides[0].Fixed = true
	if r, err = Assemble(in); err != nil || len(r.Findings) != 1 || r.Findings[0].Code != "both-fixed" || len(r.Slots) != 0 {
		t.Errorf("%v %+v", err, r)
	}
	// Drilled through each other they meet in close holes.
	in.Sides = []AssembleSide{{Name: "plate", Placed: ByTable, Hole: 10.5}, {Name: "rail", Placed: ByMate, Hole: 10.5}}
	if r, err = Assemble(in); err != nil || r.Meets != "always" || *r.Class != "close" || len(r.Slots) != 0 {
		t.Errorf("%v %+v", err, r)
	}
	// One degree over 200 mm is 3.49 mm at the far hole and nothing at the first.
	in.Angle = 1
	if r, err = Assemble(in); err != nil || math.Abs(r.Worst[0]-.35) > 1e-9 ||
		math.Abs(r.Worst[1]-.35-200*math.Tan(math.Pi/180)) > 1e-9 || r.Class != nil {
		t.Errorf("%v %+v", err, r)
	}
	for path, change := range map[string]func(*AssembleInput){
		"/size": func(a *AssembleInput) { a.Size = "M1" }, "/holes": func(a *AssembleInput) { a.Holes = nil },
		"/sides":        func(a *AssembleInput) { a.Sides = a.Sides[:1] },
		"/sides/0/hole": func(a *AssembleInput) { a.Sides[0].Hole = 8 }, "/sides/1/placed": func(a *AssembleInput) { a.Sides[1].Placed = "eye" },
		"/sides/1/tolerance": func(a *AssembleInput) { a.Sides[1] = AssembleSide{Placed: ByTyped} }, "/holes/0/1": func(a *AssembleInput) { a.Holes = [][2]float64{{0, math.NaN()}} },
	} {
		bad := in
		bad.Sides = append([]AssembleSide{}, in.Sides...)
		change(&bad)
		_, err := Assemble(bad)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}

// The worst case is never below the likely one; what always meets does in every
// sample of holes that lie off as far as they may.
func TestAssembleNeverPromisesTooMuch(t *testing.T) {
	rnd := rand.New(rand.NewSource(4))
	always := 0
	for range 400 {
		th := stock.Threads[rnd.Intn(len(stock.Threads))]
		in := AssembleInput{System: th.System, Size: th.Size, Angle: .3 * rnd.Float64()}
		for range 2 + rnd.Intn(5) {
			in.Holes = append(in.Holes, [2]float64{300 * rnd.Float64(), 200 * rnd.Float64()})
		}
		for range 2 {
			in.Sides = append(in.Sides, AssembleSide{Placed: ByTyped, Tolerance: .05 + rnd.Float64(), Hole: th.Diameter + 3*rnd.Float64(),
				Fixed: rnd.Intn(5) == 0})
		}
		r, err := Assemble(in)
		if err != nil {
			t.Fatal(err)
		}
		for i := range r.Worst {
			if r.Worst[i] < r.Likely[i]-1e-9 {
				t.Fatal("likelier than the worst")
			}
		}
		if r.Meets != "always" {
			continue
		}
		always++
		for range 50 {
			turn := in.Angle * (2*rnd.Float64() - 1) * math.Pi / 180
			for _, h := range in.Holes {
				off := func(tol float64) (x, y float64) {
					s, c := math.Sincos(2 * math.Pi * rnd.Float64())
					return tol * c, tol * s
				}
				ax, ay := off(in.Sides[0].Tolerance)
				bx, by := off(in.Sides[1].Tolerance)
				dx, dy := h[0]-in.Holes[0][0], h[1]-in.Holes[0][1]
				s, c := math.Sincos(turn)
				miss := math.Hypot(ax-bx+dx*c-dy*s-dx, ay-by+dx*s+dy*c-dy)
				if miss > *r.Play+1e-6 {
					t.Fatalf("a bolt misses by %.4f with %.4f of play", miss, *r.Play)
				}
			}
		}
	}
	if always < 40 {
		t.Fatalf("only %d always meet: the sample shows too little", always)
	}
}
