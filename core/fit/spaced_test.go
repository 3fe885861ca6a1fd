package fit

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"warmanvil/core/working"
)

func TestEvenGap(t *testing.T) {
	r, err := EvenGap(EvenGapInput{Need: 6, Gives: 4, Length: 1500, Degrees: 60, Coats: .2, Other: .5, Sheets: []float64{1.5, 3, 5}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "heat", r.Heat, 1500*60*12e-6, 1e-12)
	near(t, "spacer", r.Spacer, 6+4+1.08+.2+.5, 1e-12)
	near(t, "sheets", r.Stacked, 12, 1e-12) // four of 3
	for _, bad := range []EvenGapInput{{}, {Need: 5, Degrees: 40}, {Need: 2, Gives: -3}, {Need: 5, Sheets: []float64{0}}, {Need: math.NaN()}} {
		if _, err := EvenGap(bad); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
	if r, _ := EvenGap(EvenGapInput{Need: 100, Sheets: []float64{1, 2}}); len(r.Stack) != 0 || len(r.Findings) != 1 {
		t.Errorf("ten sheets are laid together: %+v", r)
	}
}

// No pile of up to five sheets comes nearer from above than the one answered, against every
// pile there is.
func TestPiles(t *testing.T) {
	rng := rand.New(rand.NewPCG(9, 2))
	for range 60 {
		kinds := make([]float64, 1+rng.IntN(4))
		for i := range kinds {
			kinds[i] = math.Round((.5+rng.Float64()*6)*10) / 10
		}
		height := 1 + rng.Float64()*20
		got := atLeast(kinds, height)
		best := math.Inf(1)
		var try func(sum float64, n int)
		try = func(sum float64, n int) {
			if sum >= height-1e-9 {
				best = math.Min(best, sum)
			}
			if n < mostSheets {
				for _, k := range kinds {
					try(sum+k, n+1)
				}
			}
		}
		try(0, 0)
		sum := 0.0
		for _, s := range got {
			sum += s
		}
		if math.IsInf(best, 1) {
			if got != nil {
				t.Errorf("%v for %g, and none reaches it", got, height)
			}
			continue
		}
		near(t, "pile", sum, best, 1e-9)
	}
}

func TestCaptive(t *testing.T) {
	in := CaptiveInput{Panel: 420, Between: 400, Deep: 24, Shallow: 10, Thickness: 4, Slot: 5, Tolerance: .5}
	r, err := Captive(in)
	if err != nil {
		t.Fatal(err)
	}
	// It lies in the lower channel and reaches 10 into the upper; lifted by 10 of its 14 it is free.
	near(t, "play", r.Play, 14, 1e-12)
	near(t, "in the upper", r.InUpper, 9.5, 1e-12)
	near(t, "lift", r.Lift, 9.5, 1e-12)
	if r.Way != "lifts out" || r.Findings[0].Code != "keeper" {
		t.Errorf("%+v", r)
	}
	for way, change := range map[string]func(*CaptiveInput){
		"held":           func(i *CaptiveInput) { i.Panel = 428 }, // 6 to move, 10 deep
		"falls out":      func(i *CaptiveInput) { i.Panel = 409 },
		"binds":          func(i *CaptiveInput) { i.Panel, i.Swells = 432, 3 },
		"does not go in": func(i *CaptiveInput) { i.Thickness = 5.2 },
	} {
		x := in
		change(&x)
		if r, err := Captive(x); err != nil || r.Way != way || len(r.Findings) == 0 {
			t.Errorf("%s, want %s: %v %+v", r.Way, way, err, r.Findings)
		}
	}
	if _, err := Captive(CaptiveInput{Panel: 10}); err == nil {
		t.Error("a panel without channels is taken")
	}
}

// At every tolerance there is, a panel said to be held cannot be lifted out, and one said to
// lift out reaches into both channels.
func TestCaptiveAtTheWorst(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 5))
	seen := map[string]int{}
	for range 3000 {
		in := CaptiveInput{Panel: 400 + rng.Float64()*40, Between: 400, Deep: 5 + rng.Float64()*30, Shallow: 3 + rng.Float64()*15,
			Thickness: 4, Slot: 4.5,
			Tolerance: .1 + rng.Float64()*2, Swells: rng.Float64() * 3}
		r, err := Captive(in)
		if err != nil {
			t.Fatal(err)
		}
		seen[r.Way]++
		for _, off := range []float64{-in.Tolerance, in.Tolerance} {
			panel := in.Panel + off
			free := in.Between + in.Deep + in.Shallow - panel // to lift
			upper := panel - in.Between - in.Shallow
			switch r.Way {
			case "held":
				if free >= in.Shallow {
					t.Fatalf("held, and comes out: %+v", in)
				}
			case "lifts out":
				if upper < -1e-9 {
					t.Fatalf("lies outside the upper channel: %+v", in)
				}
			}
			if r.Way != "binds" && free < in.Swells-1e-9 {
				t.Fatalf("%s, and grows by more than is left: %+v", r.Way, in)
			}
		}
	}
	if seen["held"] < 50 || seen["lifts out"] < 50 || seen["binds"] < 50 {
		t.Errorf("seen %v", seen)
	}
}

func TestNoPlay(t *testing.T) {
	in := NoPlayInput{Play: .5, Engaged: 100, Reach: 400, Load: 100, Pull: 200, Screw: 10, Torque: 20}
	r, err := NoPlay(in)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "force", r.Force, 10000, 1e-9)
	near(t, "loose", r.Loose, 1*(1+8), 1e-12)
	near(t, "lean", r.Lean, 2*math.Atan(.01)*180/math.Pi, 1e-12)
	near(t, "holds", r.Holds, 10000*math.Min(50./400, 50./500), 1e-9)
	near(t, "slips", r.Slips, 3000, 1e-9)
	near(t, "used", r.Used, .1, 1e-12)
	if r.Way != "tight" {
		t.Error(r.Way)
	}
	for way, change := range map[string]func(*NoPlayInput){
		"rocks":  func(i *NoPlayInput) { i.Load = 1500 },
		"slides": func(i *NoPlayInput) { i.Pull = 4000 },
		"loose":  func(i *NoPlayInput) { i.Screw, i.Torque = 0, 0 },
	} {
		x := in
		change(&x)
		if r, err := NoPlay(x); err != nil || r.Way != way {
			t.Errorf("%s, want %s: %v", r.Way, way, err)
		}
	}
	taper, err := NoPlay(NoPlayInput{Play: .2, Engaged: 60, Reach: 100, Taper: 3})
	if err != nil || !taper.Locks || taper.Way != "tight" {
		t.Errorf("%v %+v", err, taper)
	}
	near(t, "drawn in", taper.Draw, .2/math.Tan(3*math.Pi/180), 1e-12)
	if loaded, _ := NoPlay(NoPlayInput{Play: .2, Engaged: 60, Reach: 100, Taper: 3, Load: 500}); !slices.ContainsFunc(loaded.Findings,
		func(f working.Finding) bool { return f.Code == "load-unasked" }) {
		t.Errorf("a load nobody asked is not named: %+v", loaded.Findings)
	}
	if blunt, _ := NoPlay(NoPlayInput{Play: .2, Engaged: 60, Reach: 100, Taper: 15}); blunt.Locks || blunt.Way != "loose" {
		t.Errorf("a blunt taper stays: %+v", blunt)
	}
	if pulled, _ := NoPlay(NoPlayInput{Play: .2, Engaged: 60, Reach: 100, Taper: 3, Pull: 500}); pulled.Way == "tight" {
		t.Error("a taper nobody measured holds a pull")
	}
	if _, err := NoPlay(NoPlayInput{Engaged: 10, Reach: 5, Torque: 3}); err == nil {
		t.Error("a torque without a screw is taken")
	}
}

func TestInserts(t *testing.T) {
	two := []Insert{{Name: "small", Width: 180, Height: 100, FaceWidth: 210, FaceHeight: 130}, {Name: "large", Width: 186, Height: 104,
		FaceWidth: 220, FaceHeight: 140}}
	r, err := Inserts(InsertsInput{Corner: 5, Inserts: two})
	if err != nil {
		t.Fatal(err)
	}
	beside := 5 - 4.5/math.Sqrt2
	near(t, "wide", r.Width, 186+2*beside, 1e-9)
	near(t, "high", r.Height, 104+2*beside, 1e-9)
	near(t, "the large one's play is at its corners", r.Each[1].Play, .5, 1e-9)
	if !r.Serves || !r.Each[0].Hides {
		t.Errorf("%+v", r.Each)
	}
	near(t, "the small one's cover", r.Each[0].Cover, math.Min(210-r.Width, 130-r.Height)/2, 1e-9)
	far := append(two, Insert{Name: "tiny", Width: 60, Height: 40, FaceWidth: 80, FaceHeight: 60})
	if r, _ = Inserts(InsertsInput{Inserts: far}); r.Serves || r.Each[2].Hides || r.Each[2].Plate == "" || !r.Each[1].Hides {
		t.Errorf("%+v", r)
	}
	if r, _ = Inserts(InsertsInput{Width: 181, Height: 101, Corner: 4, Inserts: two[:1]}); r.Each[0].Goes {
		t.Error("it goes past the rounds of the corners")
	}
	for _, bad := range []InsertsInput{{}, {Width: 5, Inserts: two}, {Inserts: []Insert{{Width: 5}}}} {
		if _, err := Inserts(bad); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}
