package bolt

import (
	"errors"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

func within(t *testing.T, what string, got, want, by float64) {
	t.Helper()
	if math.Abs(got-want) > by {
		t.Errorf("%s is %.4f, want %.4f", what, got, want)
	}
}

func codesOf(list []working.Finding) map[string]bool {
	out := map[string]bool{}
	for _, f := range list {
		out[f.Code] = true
	}
	return out
}

// By hand: M10 × 1.5, As = π/4·(10 − 1.4073)² = 57.99 mm², D1 = 8.3762: the
// bolt's thread shears 0.75·π·D1 = 19.736 mm² a mm, the nut's 0.875·π·d = 27.489.
func TestEngagementByHand(t *testing.T) {
	r, err := Engagement(EngagementInput{Diameter: 10, Pitch: 1.5, BoltTensile: 800, NutTensile: 800})
	if err != nil {
		t.Fatal(err)
	}
	within(t, "the bolt's need", r.Bolt, 57.99/(.5*19.736), .005)
	within(t, "the nut's need", r.Nut, 57.99/(.5*27.489), .005)
	if r.Length != r.Bolt || r.Weaker != "bolt" {
		t.Errorf("%+v", r)
	}
	// In aluminium of 310 MPa the nut's thread decides, by the ratio of strengths.
	a, err := Engagement(EngagementInput{Diameter: 10, Pitch: 1.5, BoltTensile: 800, NutTensile: 310})
	if err != nil {
		t.Fatal(err)
	}
	within(t, "in aluminium", a.Length, r.Nut*800/310, 1e-9)
	if a.Weaker != "nut" || a.Length <= r.Length {
		t.Errorf("%+v", a)
	}
	if f := codesOf(must(Engagement(EngagementInput{Diameter: 6, Pitch: 1, BoltTensile: 1200,
		NutTensile: 150})).Checks); !f["engagement-deep"] {
		t.Error("a hard bolt in soft metal is not told")
	}
	for _, bad := range []EngagementInput{{Diameter: 10, Pitch: 10, BoltTensile: 800, NutTensile: 800},
		{Diameter: 0, Pitch: 1, BoltTensile: 1, NutTensile: 1}, {Diameter: 10, Pitch: 1.5, NutTensile: 800},
		{Diameter: math.NaN(), Pitch: 1.5, BoltTensile: 800, NutTensile: 800}} {
		if _, err := Engagement(bad); err == nil {
			t.Errorf("%+v was answered", bad)
		}
	}
}

func must[T any](v T, err error) T {
	if err != nil {
		panic(err)
	}
	return v
}

// By hand: M8 through 3 and 5 mm with two washers of 1.6 and a nut of 6.8: grip
// 11.2, 19.25 to 21.75 long, so 20, which stands 1.6 threads out.
func TestGripByHand(t *testing.T) {
	in := GripInput{System: stock.Metric, Size: "M8", Plies: []Ply{{Name: "bracket", Thickness: 3}, {Name: "rail", Thickness: 5}}, Washers: 2,
		Nut: HexNut}
	r := must(Grip(in))
	within(t, "grip", r.Grip, 11.2, 1e-9)
	within(t, "shortest", r.Least, 19.25, 1e-9)
	within(t, "longest", r.Most, 21.75, 1e-9)
	if r.Length == nil || *r.Length != 20 || len(r.Planes) != 1 || !r.Planes[0].Threaded {
		t.Fatalf("%+v", r)
	}
	within(t, "threads out", r.Threads, 1.6, 1e-9)
	within(t, "the sliding face", r.Planes[0].At, 4.6, 1e-9)
	if c := codesOf(r.Findings); !c["thread-in-plane"] || !c["lookalike"] || c["long"] {
		t.Errorf("%v", c)
	}
	// A rubber of 12 pressed by 3 counts 9; it is told to be sleeved.
	soft := in
	soft.Plies = []Ply{{Thickness: 3}, {Name: "rubber", Thickness: 12, Squash: 3}, {Thickness: 5}}
	s := must(Grip(soft))
	within(t, "with rubber", s.Grip, 11.2+9, 1e-9)
	if c := codesOf(s.Findings); !c["soft-stack"] {
		t.Errorf("%v", c)
	}
	// A long grip has its shank in the planes: M12 × 120, thread 30, so 90 shank.
	long := must(Grip(GripInput{System: stock.Metric, Size: "M12", Plies: []Ply{{Thickness: 50}, {Thickness: 50}}, Washers: 2, Nut: HexNut}))
	if *long.Length != 120 || long.Planes[0].Threaded {
		t.Errorf("%+v", long)
	}
	// Only odd lengths in the bin: told, not hidden.
	in.Have = []float64{16, 40}
	h := must(Grip(in))
	if c := codesOf(h.Findings); *h.Length != 40 || !c["long"] || !c["shank-long"] { // 40 has 22 of thread, 18 of shank
		t.Errorf("%+v", h)
	}
	in.Have = []float64{10, 16}
	if n := must(Grip(in)); n.Length != nil || !codesOf(n.Findings)["no-length"] {
		t.Errorf("%+v", n)
	}
	// Into 12 mm of tapped plate: as deep as it goes and never to the ground.
	tap := must(Grip(GripInput{System: stock.Metric, Size: "M8", Plies: []Ply{{Thickness: 6}, {Thickness: 15}}, Washers: 1,
		Nut: NoNut, Height: 12}))
	within(t, "tapped grip", tap.Grip, 7.6, 1e-9)
	if *tap.Length != 16 {
		t.Errorf("%+v", tap)
	}
}

func TestGripRefuses(t *testing.T) {
	ok := GripInput{System: stock.Metric, Size: "M8", Plies: []Ply{{Thickness: 3}, {Thickness: 5}}, Washers: 2, Nut: HexNut}
	for path, change := range map[string]func(*GripInput){
		"/size":              func(g *GripInput) { g.Size = "M7" },
		"/plies":             func(g *GripInput) { g.Plies = nil },
		"/plies/1/thickness": func(g *GripInput) { g.Plies = []Ply{{Thickness: 3}, {}} },
		"/plies/0/squash":    func(g *GripInput) { g.Plies = []Ply{{Thickness: 3, Squash: 4}, {Thickness: 1}} },
		"/nut":               func(g *GripInput) { g.Nut = "wing" },
		"/height":            func(g *GripInput) { g.Nut = NoNut },
		"/protrude/1":        func(g *GripInput) { g.Protrude = [2]float64{4, 2} },
	} {
		in := ok
		change(&in)
		_, err := Grip(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}

// Whatever the stack: the length taken reaches, is one of those at hand, and no
// shorter one would.
func TestGripProperties(t *testing.T) {
	rnd := rand.New(rand.NewSource(8))
	for range 500 {
		th := stock.Threads[rnd.Intn(len(stock.Threads))]
		in := GripInput{System: th.System, Size: th.Size, Pitch: th.Pitch, Washers: rnd.Intn(3), Nut: HexNut}
		for range 1 + rnd.Intn(4) {
			in.Plies = append(in.Plies, Ply{Thickness: 1 + 15*rnd.Float64()})
		}
		r, err := Grip(in)
		if err != nil {
			t.Fatal(err)
		}
		if r.Length == nil {
			if r.Least < 250 {
				t.Fatalf("%s: nothing for %.2f to %.2f", th.Name(), r.Least, r.Most)
			}
			continue
		}
		if *r.Length < r.Least-1e-6 || r.Threads < 1-1e-6 {
			t.Fatalf("%s: %.2f does not reach %.2f", th.Name(), *r.Length, r.Least)
		}
		for _, l := range stock.BoltLengths(th.System) {
			if l >= r.Least-1e-6 && l < *r.Length-1e-6 {
				t.Fatalf("%s: %.2f would do, %.2f was taken", th.Name(), l, *r.Length)
			}
		}
	}
}
