package starters_test

import (
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/working"
)

func guide(t *testing.T, key string, values map[string]float64) made.Part {
	t.Helper()
	p := plates.Build(t, startedParts(t, key, 3, values)[0].Recipe)
	if !p.Whole {
		t.Fatalf("%v: %+v", values, p.Findings)
	}
	return p
}

// By hand: a nozzle of 12 with a kerf of 2 leaves a hole of 100 where its middle runs on 98: round a plate
// of 86, in a window of 110.
func TestGuidesByHand(t *testing.T) {
	torch := func(more map[string]float64) map[string]float64 {
		v := map[string]float64{"form": 0, "wide": 100, "clear": 0, "nozzle": 12, "kerf": 2}
		for k, x := range more {
			v[k] = x
		}
		return v
	}
	size := func(p made.Part) (x, y float64) { return p.Bounds.Size() }
	if x, y := size(guide(t, "guide", torch(nil))); math.Abs(x-86)+math.Abs(y-86) > 1e-6 {
		t.Errorf("round the plate: %g × %g", x, y)
	}
	if p := guide(t, "guide", torch(map[string]float64{"runs": 1})); math.Abs(p.Holes[0].Diameter-110) > 1e-9 {
		t.Errorf("in a window: %g", p.Holes[0].Diameter)
	}
	// 120 × 80 with 3 all round is 126 × 86; the corners' 16 leave 8 − 7 on the plate; they are drilled 8 in from
	// both sides of the cut-out.
	p := guide(t, "guide", torch(map[string]float64{"form": 2, "wide": 120, "high": 80, "clear": 3, "drill": 16}))
	if x, y := size(p); math.Abs(x-112)+math.Abs(y-72) > 1e-6 {
		t.Errorf("window: %g × %g", x, y)
	}
	drills := 0
	for _, m := range p.Marks {
		if strings.Contains(m.Name, "Stop-drill") {
			drills++
			if math.Abs(math.Abs(m.At.X-56)-(63-8)) > 1e-6 || math.Abs(math.Abs(m.At.Y-36)-(43-8)) > 1e-6 {
				t.Errorf("drilled at %v", m.At)
			}
		}
	}
	if drills != 4 {
		t.Errorf("%d corners to drill", drills)
	}
	// A notch for 120, 80 deep: 83 from the host's edge, which is 40 up the plate's sides; 7 less on the plate.
	p = guide(t, "guide", torch(map[string]float64{"form": 3, "wide": 120, "high": 80, "clear": 3, "drill": 16}))
	if x, y := size(p); math.Abs(x-112)+math.Abs(y-(40+83-7)) > 1e-6 {
		t.Errorf("notch: %g × %g", x, y)
	}
	for _, m := range p.Marks {
		if strings.Contains(m.Name, "Stop-drill") && math.Abs(m.At.Y-(40+83-8)) > 1e-6 {
			t.Errorf("its corners drilled %g up", m.At.Y)
		}
	}
	ticks := 0
	for _, v := range p.Outline {
		if math.Abs(v.Y-40) < 1e-6 && (math.Abs(v.X-2) < 1e-6 || math.Abs(v.X-110) < 1e-6) {
			ticks++
		}
	}
	if ticks != 2 {
		t.Errorf("%d ticks on the host's edge: %v", ticks, p.Outline)
	}
	// Kept within 300, the middle runs on 301; the guide within lies 10 inside that, outside 10 past it.
	for side, want := range map[float64]float64{0: 291, 1: 311 + 60} {
		out := startedParts(t, "curve", 3, map[string]float64{"side": side})[0].Recipe
		if math.Abs(out.Base.Length/2-want) > 1e-9 {
			t.Errorf("curve, side %g: outer radius %g", side, out.Base.Length/2)
		}
	}
}

// What a guide cannot lead is refused by the number that is to change.
func TestGuidesRefused(t *testing.T) {
	for at, v := range map[string]map[string]float64{"/values/drill": {"form": 2, "drill": 4, "nozzle": 12, "kerf": 2},
		"/values/nozzle": {"form": 0, "wide": 30, "clear": 0, "nozzle": 40}, "/values/runs": {"form": 3, "runs": 1}} {
		var f *working.Fault
		if _, err := starters.StartPart("guide", v, plates.Plate(10, 10), func() string { return "x" }); !errors.As(err,
			&f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
	var f *working.Fault
	if _, err := starters.StartPart("curve", map[string]float64{"radius": 40}, plates.Plate(10, 10), nil); !errors.As(err, &f) ||
		f.Path != "/values/band" {
		t.Errorf("a guide wider than its curve: %v", err)
	}
}

// Two plates with the studs' pattern in both, each hole as wide as the stud and its play; bolts clear of them.
func TestStudFixtureByHand(t *testing.T) {
	list := startedParts(t, "studs", 3, map[string]float64{"columns": 3, "rows": 2, "pitchX": 50, "pitchY": 40, "stud": 8,
		"play": .2, "border": 30})
	p := plates.Build(t, list[0].Recipe)
	x, y := p.Bounds.Size()
	if list[0].Quantity != 2 || len(p.Holes) != 3*2+4 || math.Abs(x-160)+math.Abs(y-100) > 1e-9 {
		t.Fatalf("%d of %g × %g with %d holes", list[0].Quantity, x, y, len(p.Holes))
	}
	last := p.Holes[5]
	if math.Abs(last.Diameter-8.2) > 1e-9 || math.Abs(last.Centre.X-130) > 1e-9 || math.Abs(last.Centre.Y-70) > 1e-9 {
		t.Errorf("%+v", last)
	}
	if stops := plates.Stops(p); len(stops) > 0 {
		t.Errorf("%+v", stops)
	}
}
