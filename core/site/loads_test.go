package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/load"
	"warmanvil/core/strength"
)

// What the school makes of a case reaches the feet: at rest the factored school
// counts 1.4 of gravity; allowable and g-case the weight itself.
func TestSchoolReachesTheFeet(t *testing.T) {
	for school, want := range map[strength.School]float64{strength.Allowable: 1, strength.GCase: 1, strength.Factored: 1.4} {
		b := truck(load.Rough)
		b.Strength.School = school
		cases, why := b.FeetCases(b.Devices[0])
		if why != "" {
			t.Fatal(why)
		}
		sum := 0.0
		for _, f := range cases[0].Forces {
			sum -= f[2]
		}
		if math.Abs(sum-want*185*load.G) > 1e-6 {
			t.Errorf("%s: at rest %g N, want %g", school, sum, want*185*load.G)
		}
	}
}

// A road typed in the brief counts in place of the use's own.
func TestTypedRoad(t *testing.T) {
	b := truck(load.OffRoad)
	b.Road = &load.Road{Down: 1, Up: 0, Along: 0, Side: 0}
	cases, _ := b.FeetCases(b.Devices[0])
	for _, c := range cases {
		if c.Sharing != brief.AllSharing {
			continue
		}
		for i, f := range c.Forces {
			if strings.Contains(c.Case, "emergency") {
				continue
			}
			if math.Abs(f[0])+math.Abs(f[1]) > 1e-9 {
				t.Errorf("%s pushes foot %d sideways on a road that does not", c.Name, i)
			}
		}
	}
	if !strings.Contains(cases[len(cases)-1].Case, "emergency stop") {
		t.Error("a road gentler than an emergency stop has none")
	}
}

// Three feet have no loose foot and no diagonal, six have both.
func TestOddNumbersOfFeet(t *testing.T) {
	b := truck(load.Rough)
	d := b.Devices[0]
	d.Feet = []brief.Foot{{ID: "f1", X: 400, Y: 0}, {ID: "f2", X: -300, Y: 250}, {ID: "f3", X: -300, Y: -250}}
	cases, why := b.FeetCases(d)
	if why != "" || len(cases) != 9 {
		t.Errorf("three feet: %d cases, %s", len(cases), why)
	}
	d.Feet = []brief.Foot{{ID: "f1", X: 400, Y: 250}, {ID: "f2", X: 0, Y: 250}, {ID: "f3", X: -400, Y: 250}, {ID: "f4", X: 400, Y: -250},
		{ID: "f5", X: 0, Y: -250}, {ID: "f6", X: -400, Y: -250}}
	if cases, why = b.FeetCases(d); why != "" || len(cases) != 9*9 {
		t.Errorf("six feet: %d cases, %s", len(cases), why)
	}
	d.Feet = []brief.Foot{{ID: "f1", X: 0, Y: 0}, {ID: "f2", X: 100, Y: 0}, {ID: "f3", X: 200, Y: 0}, {ID: "f4", X: 300, Y: 0}}
	if _, why = b.FeetCases(d); !strings.Contains(why, "in one line") {
		t.Errorf("feet in a line: %q", why)
	}
}

// Feet on the drawn part and on its twin are both counted, each by its name.
func TestLoadsOfAMount(t *testing.T) {
	b := truck(load.Rough)
	d := b.Devices[0]
	cases, _ := b.FeetCases(d)
	m := b.Mounts[0]
	loads, why := b.LoadsOn(m, d, cases)
	if why != "" || len(loads) != 4*len(cases) {
		t.Fatalf("%d loads of %d cases, %s", len(loads), len(cases), why)
	}
	first, twin := loads[0], loads[2*len(cases)]
	if first.Where != "foot 1" || twin.Where != "foot 2 on the twin" {
		t.Errorf("%q, %q", first.Where, twin.Where)
	}
	if twin.Force[1] != -cases[0].Forces[1][1] || twin.Force[0] != cases[0].Forces[1][0] {
		t.Errorf("the twin's force %v of %v", twin.Force, cases[0].Forces[1])
	}
	m.TwinFeet = []brief.Link{"gone"}
	if _, why = b.LoadsOn(m, d, cases); !strings.Contains(why, "no such foot") {
		t.Errorf("a foot that is gone: %q", why)
	}
}

// The least trusted input is the one that is named; a gauge is nominal and no
// better than copied.
func TestSourcesAndTrust(t *testing.T) {
	for _, c := range []struct {
		list []brief.Source
		want brief.Trust
	}{
		{[]brief.Source{{Name: "a", Trust: brief.Measured}, {Name: "b", Trust: brief.Copied}}, brief.Copied},
		{[]brief.Source{{Name: "a", Trust: brief.Memory}, {Name: "b", Trust: brief.Copied}, {Name: "c", Trust: brief.Measured}},
			brief.Memory},
		{[]brief.Source{{Name: "a", Trust: brief.Assumed}, {Name: "b", Trust: brief.Memory}}, brief.Assumed},
	} {
		if got := brief.LeastTrusted(c.list); got == nil || got.Trust != c.want {
			t.Errorf("%v: %+v", c.list, got)
		}
	}
	if brief.LeastTrusted(nil) != nil {
		t.Error("nothing is trusted least of all")
	}
	gauge := 14
	p := BuiltPart{Part: Part{Name: "Shelf", Recipe: demo.ShelfBracket()}}
	p.Recipe.Gauge = &gauge
	if s := p.source(); s.Trust != brief.Copied || !strings.Contains(s.Name, "nominal gauge") {
		t.Errorf("%+v", s)
	}
}
