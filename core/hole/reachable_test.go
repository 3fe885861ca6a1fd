package hole

import (
	"errors"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

func v(x, y, z float64) *solid.Vector { return &solid.Vector{x, y, z} }

// A bolt through a floor of 5 mm, amid what stands round it: in the open; over a
// beam that stops the nut's tools; under a shelf that stops the head's; in a
// closed box.
func TestAccessAndWaysOut(t *testing.T) {
	ask := func(captive bool, list ...AccessObstacle) AccessResult {
		t.Helper()
		r, err := Access(AccessInput{System: stock.Metric, Size: "M10", At: solid.Vector{0, 0, 0}, Axis: solid.Vector{0, 0, 2}, Grip: 5,
			Length: 16, Captive: captive, Obstacles: list})
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	kinds := func(r AccessResult) (out string) {
		for _, w := range r.Ways {
			out += string(w.Kind) + " "
		}
		return out
	}
	floor := AccessObstacle{Name: "floor", Low: v(-500, -500, -5), High: v(500, 500, 0)}
	if r := ask(false, floor); r.Reach != Reachable || !r.Insert || len(r.Ways) != 0 || len(r.Findings) != 0 {
		t.Errorf("in the open: %+v", r)
	}
	// A beam 12 under the floor: 11 of bolt has room, a nut over it has not.
	beam := AccessObstacle{Name: "beam", Low: v(-60, -500, -60), High: v(60, 500, -17)}
	r := ask(false, floor, beam)
	if r.Reach != Blocked || r.Sides[0].Turns != Reachable || kinds(r) != "captive order hole " {
		t.Errorf("over a beam: %s %q %s", r.Reach, kinds(r), r.How)
	}
	for _, w := range r.Ways {
		if w.Kind == HoleWay && (w.Diameter != 27 || w.Through != "beam") { // a socket of 22.5 and 4
			t.Errorf("%+v", w)
		}
	}
	if r := ask(true, floor, beam); r.Reach != Reachable {
		t.Errorf("over a beam with a captive nut: %s", r.Reach)
	}
	// A shelf 20 over the floor: a bolt of 16 and its head do not go in from above.
	shelf := AccessObstacle{Name: "shelf", Low: v(-300, -300, 20), High: v(300, 300, 26)}
	r = ask(false, floor, shelf)
	if r.Reach != Blocked || r.Insert || r.Sides[0].By[0] != "shelf" || !contains(r.Ways, FlipWay) {
		t.Errorf("under a shelf: %s %q %s", r.Reach, kinds(r), r.How)
	}
	// Flipped as advised, it is reached.
	flipped, err := Access(AccessInput{System: stock.Metric, Size: "M10", At: solid.Vector{0, 0, -5}, Axis: solid.Vector{0, 0, -1}, Grip: 5,
		Length: 16, Obstacles: []AccessObstacle{floor, shelf}})
	if err != nil || flipped.Reach == Blocked {
		t.Errorf("flipped: %v %s %s", err, flipped.Reach, flipped.How)
	}
	// Closed in on both sides nothing helps.
	r = ask(false, floor, beam, shelf)
	if r.Reach != Blocked || contains(r.Ways, FlipWay) || contains(r.Ways, CaptiveWay) {
		t.Errorf("closed in: %s %q", r.Reach, kinds(r))
	}
	// A pipe beside the head leaves a spanner.
	pipe := AccessObstacle{Name: "pipe", From: v(15, -300, 12), To: v(15, 300, 12), Radius: 5}
	r = ask(false, floor, pipe)
	for _, x := range r.Sides[0].Tools {
		if x.Tool == "socket" && x.Reach != Blocked {
			t.Errorf("a socket of 22.5 goes past a pipe 10 off: %+v", x)
		}
	}
	if r.Reach == Blocked {
		t.Errorf("a pipe beside the head: %s", r.How)
	}
}

// By hand: a pocket 21 wide over an M10. Its head of 16 across goes in (18.5 over
// its corners), no socket of 22.5 and no spanner does; a screw with a socket of
// 15 over goes in and a key of 8 turns above the pocket's rim. A screwdriver turns no
// hexagon.
func TestPocketAsksForASocketHead(t *testing.T) {
	var walls []AccessObstacle
	for i, w := range [][2]*solid.Vector{{v(-60, -60, 0), v(-10.5, 60, 30)}, {v(10.5, -60, 0), v(60, 60, 30)},
		{v(-10.5, -60, 0), v(10.5, -10.5, 30)}, {v(-10.5, 10.5, 0), v(10.5, 60, 30)}} {
		walls = append(walls, AccessObstacle{Name: "wall " + string(rune('a'+i)), Low: w[0], High: w[1]})
	}
	in := AccessInput{System: stock.Metric, Size: "M10", Axis: solid.Vector{0, 0, 1}, Grip: 5, Length: 25, Captive: true, Obstacles: walls}
	r, err := Access(in)
	if err != nil || r.Reach != Blocked || !r.Insert || !contains(r.Ways, HeadWay) {
		t.Fatalf("%v %s %+v", err, r.How, r.Ways)
	}
	in.Head = stock.SocketHead
	r, err = Access(in)
	if err != nil || r.Reach == Blocked || contains(r.Ways, HeadWay) {
		t.Errorf("%v %s %+v", err, r.How, r.Sides[0].Tools)
	}
	in.Tools = []string{"socket", "ring"}
	if r, _ = Access(in); r.Reach != Blocked {
		t.Error("a ring spanner turns a socket head")
	}
	in.Head, in.Tools, in.Obstacles = "", []string{"driver"}, nil
	if r, _ = Access(in); r.Reach != Blocked {
		t.Error("a driver turns a hexagon")
	}
	in.Head = "square"
	var f *working.Fault
	if _, err = Access(in); !errors.As(err, &f) || f.Path != "/head" {
		t.Errorf("%v", err)
	}
}

// Asked for the first tool that does, a bolt is reached as well as with all of them.
func TestFirstToolThatDoes(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	many := map[Reach]int{}
	for range 300 {
		var list []Obstacle
		for i := range 1 + rnd.Intn(3) {
			lo := solid.Vector{200*rnd.Float64() - 100, 200*rnd.Float64() - 100, 120*rnd.Float64() - 60}
			list = append(list, Obstacle{string(rune('a' + i)),
				solid.Box(lo, lo.Add(solid.Vector{5 + 60*rnd.Float64(), 5 + 60*rnd.Float64(), 5 + 40*rnd.Float64()}))})
		}
		b := Through{Thread: thread(t, "M10"), Head: Along(solid.Vector{}, solid.Vector{0, 0, 1}), Grip: 8, Length: 25, Socket: rnd.Intn(2) == 0,
			Captive: rnd.Intn(2) == 0}
		all := b.Reached(list)
		b.First = true
		first := b.Reached(list)
		many[all.Reach]++
		if first.Reach != all.Reach || first.How != all.How || len(first.Ways) != len(all.Ways) {
			t.Fatalf("%s, %s; with all tools %s, %s", first.Reach, first.How, all.Reach, all.How)
		}
	}
	if many[Blocked] < 30 || many[Reachable] < 30 {
		t.Errorf("%v: the sample shows too little", many)
	}
}

// By hand: the nut of an M10, 9.8 over its corners, stands in a gap 24 wide and 30
// deep: a socket of 22.5 goes on and turns it, fingers, two of them 22 wide, do not get to it.
func TestFingersStartTheNut(t *testing.T) {
	gap := []AccessObstacle{{Name: "left", Low: v(-300, -12, -60), High: v(300, -11.6, -8)},
		{Name: "right", Low: v(-300, 11.6, -60), High: v(300, 12, -8)}, {Name: "front", Low: v(11.6, -12, -60), High: v(12, 12, -8)},
		{Name: "back", Low: v(-12, -12, -60), High: v(-11.6, 12, -8)}}
	in := AccessInput{System: stock.Metric, Size: "M10", Axis: solid.Vector{0, 0, 1}, Grip: 8, Length: 25, Obstacles: gap}
	r, err := Access(in)
	if err != nil || r.Reach != Tight || r.Sides[1].Hand != Blocked || !strings.Contains(r.How, "Fingers") {
		t.Errorf("%v %s %s %+v", err, r.Reach, r.How, r.Sides[1].Tools)
	}
	in.Captive = true
	if r, _ = Access(in); r.Reach != Reachable || r.Sides[1].Hand != "" {
		t.Errorf("captive: %s %s", r.Reach, r.How)
	}
	in.Captive, in.Obstacles = false, gap[:1]
	if r, _ = Access(in); r.Reach == Blocked || r.Sides[1].Hand == Blocked || strings.Contains(r.How, "Fingers") {
		t.Errorf("beside a wall: %s %s", r.Reach, r.How)
	}
}

func contains(list []WayOut, k WayKind) bool {
	for _, w := range list {
		if w.Kind == k {
			return true
		}
	}
	return false
}

func TestAccessRefuses(t *testing.T) {
	ok := AccessInput{System: stock.Metric, Size: "M10", Axis: solid.Vector{0, 0, 1}, Grip: 5, Length: 30}
	for path, change := range map[string]func(*AccessInput){
		"/size": func(a *AccessInput) { a.Size = "M9" }, "/axis": func(a *AccessInput) { a.Axis = solid.Vector{} }, "/grip": func(a *AccessInput) { a.Grip = 0 },
		"/length": func(a *AccessInput) { a.Length = 3 }, "/at/1": func(a *AccessInput) { a.At[1] = math.NaN() }, "/tools/0": func(a *AccessInput) { a.Tools = []string{"hammer"} },
		"/obstacles/0": func(a *AccessInput) { a.Obstacles = []AccessObstacle{{Name: "x", Low: v(0, 0, 0)}} },
		"/obstacles/0/high/2": func(a *AccessInput) {
			a.Obstacles = []AccessObstacle{{Low: v(0, 0, 5), High: v(1, 1, 5)}}
		},
		"/obstacles/0/radius": func(a *AccessInput) { a.Obstacles = []AccessObstacle{{From: v(0, 0, 0), To: v(1, 0, 0)}} },
		"/obstacles":          func(a *AccessInput) { a.Obstacles = make([]AccessObstacle, 500) },
	} {
		in := ok
		change(&in)
		_, err := Access(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}
