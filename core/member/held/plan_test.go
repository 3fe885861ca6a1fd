package held

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/strength"
)

// sound checks a plan piece by piece: every piece once, none past its stick, none
// on another.
func sound(t *testing.T, c cutlist.CutList, saw member.Saw) {
	t.Helper()
	saw = cutlist.Usual(saw, false)
	cut := map[string]int{}
	for _, p := range c.Stocks {
		for _, s := range p.Sticks {
			var last cutlist.StickPiece
			for i, x := range s.Pieces {
				cut[x.Mark]++
				gap := x.At - last.At - last.Length
				switch {
				case x.At < 0 || x.At+x.Length > s.Length+1e-6:
					t.Errorf("%s: %s runs past", s.Name, x.Mark)
				case i > 0 && !x.Shared && gap < saw.Kerf-1e-6:
					t.Errorf("%s: %s is %.3f after the last", s.Name, x.Mark, gap)
				case x.Shared && gap > 0:
					t.Errorf("%s: %s shares nothing", s.Name, x.Mark)
				}
				last = x
			}
		}
	}
	for _, r := range c.Rows {
		if cut[r.Mark] != r.Quantity && !strings.Contains(fmt.Sprint(c.Findings), r.Mark) {
			t.Errorf("%s is cut %d times of %d", r.Mark, cut[r.Mark], r.Quantity)
		}
	}
}

// A rack: rails of two lengths and legs, alike ones together; mitres lie back to
// back and save their slant.
func TestRackCutList(t *testing.T) {
	d := racks.Started(t, "rack", "40 × 40 × 3 mm tube", map[string]float64{"length": 1000, "width": 700, "height": 800})
	b := shape.Build(d, nil)
	c := cutlist.Plan(t.Context(), b, d.Saw)
	sound(t, c, d.Saw)
	if len(c.Rows) != 3 {
		t.Fatalf("%+v", c.Rows)
	}
	for _, r := range c.Rows {
		want := map[string]int{"A1": 2, "A2": 2, "A3": 4}[r.Mark]
		if r.Quantity != want {
			t.Errorf("%s: %d", r.Mark, r.Quantity)
		}
	}
	if p := c.Stocks[0]; p.New != 2 || !p.Proven {
		t.Errorf("%+v", p)
	}
	shared := 0
	for _, s := range c.Stocks[0].Sticks {
		for _, x := range s.Pieces {
			if x.Shared {
				shared++
			}
		}
	}
	if shared == 0 {
		t.Error("no mitre lies back to back")
	}
	racks.Near(t, "bought", c.Bought, 12*b.Pieces[0].Props.MassPerMetre, 1e-9)
	// Remnants go first, and a price makes a cost.
	d.Saw = member.Saw{Remnants: []member.Remnant{{Stock: "40 × 40 × 3 mm tube", Length: 1720}, {Stock: "another", Length: 5000}},
		PerKilo: 2.5, Waste: 20}
	c = cutlist.Plan(t.Context(), b, d.Saw)
	sound(t, c, d.Saw)
	if s := c.Stocks[0].Sticks[0]; s.Name != "remnant 1" || len(s.Pieces) != 2 || s.Left > 60 {
		t.Errorf("%+v", s)
	}
	racks.Near(t, "cost", c.Cost, c.Bought*2.5, 1e-9)
	d.Saw.Stick = 900
	c = cutlist.Plan(t.Context(), b, d.Saw)
	if !strings.Contains(fmt.Sprint(c.Findings), "splice it") {
		t.Errorf("%+v", c.Findings)
	}
	sound(t, c, d.Saw)
}

// Compound pieces of the two sides are twins, not alike; plain mitres turned
// over are alike.
func TestTwinsInTheCutList(t *testing.T) {
	d := racks.Started(t, "outriggers", "50 × 50 × 4 mm tube", map[string]float64{"drop": 200, "reach": 500})
	c := cutlist.Plan(t.Context(), shape.Build(d, nil), d.Saw)
	sound(t, c, d.Saw)
	total := 0
	for _, r := range c.Rows {
		total += r.Quantity
		for _, e := range r.Ends {
			if e.Tilt > 0 && r.Twin == "" && r.Quantity%2 != 0 {
				t.Errorf("%s has no twin: %+v", r.Mark, r)
			}
		}
	}
	if total != 6 {
		t.Errorf("%d pieces", total)
	}
	d.Members[1].Splice = &member.Splice{At: 350, Kind: "sleeve", Long: 120}
	d.Members[0].Trim = 30
	c = cutlist.Plan(t.Context(), shape.Build(d, nil), d.Saw)
	sound(t, c, d.Saw)
	spliced, trimmed := 0, 0
	for _, r := range c.Rows {
		if strings.Contains(strings.Join(r.Notes, " "), "sleeve") {
			spliced += r.Quantity
		}
		if r.CutTo == r.Length+30 {
			trimmed += r.Quantity
		}
	}
	if spliced != 4 || trimmed != 2 {
		t.Errorf("%d spliced pieces, %d trimmed", spliced, trimmed)
	}
}

// Random plans hold every piece once, whatever saw and remnants.
func TestRandomPlans(t *testing.T) {
	rnd := rand.New(rand.NewPCG(41, 42))
	for range 40 {
		d := racks.Started(t, []string{"ladder", "rack", "drawbar", "hoop"}[rnd.IntN(4)], "60 × 40 × 3 mm tube", nil)
		d.Copies = []member.Copy{{ID: "r", Kind: "repeat", Step: [3]float64{0, 0, 3000}, Times: rnd.IntN(5)}}
		d.Saw = member.Saw{Stick: 3000 + 4000*rnd.Float64(), Kerf: 1 + 4*rnd.Float64(), Waste: 30 * rnd.Float64(), LastKerf: rnd.IntN(2) == 0}
		for range rnd.IntN(4) {
			d.Saw.Remnants = append(d.Saw.Remnants,
				member.Remnant{Stock: "60 × 40 × 3 mm tube", Length: 300 + 3000*rnd.Float64(), Many: 1 + rnd.IntN(3)})
		}
		sound(t, cutlist.Plan(t.Context(), shape.Build(d, nil), d.Saw), d.Saw)
	}
}

// An overloaded ladder gets a lighter section than the heaviest that holds, and
// the one proposed does hold when it is taken.
func TestCompareSections(t *testing.T) {
	d := racks.Started(t, "ladder", "60 × 40 × 2 mm tube", map[string]float64{"kilos": 900})
	ask := asked(load.Roads[load.Rough].Cases()...)
	if h := Hold(shape.Build(d, nil), d, ask); h.Verdict != strength.Over {
		t.Fatalf("%s", h.Verdict)
	}
	list := Compare(d, nil, ask, "60 × 40 × 2 mm tube")
	var pick *Option
	now, last := 0, 0.0
	for i, o := range list {
		if o.Lightest {
			pick = &list[i]
		}
		if o.Now {
			now++
		}
		if o.Mass < last-1 {
			t.Errorf("%s is out of order", o.Stock)
		}
		last = o.Mass
		if pick == nil && o.Verdict == strength.Holds {
			t.Errorf("%s holds and is lighter", o.Stock)
		}
	}
	if pick == nil || now != 1 || len(list) < 20 {
		t.Fatalf("%d options", len(list))
	}
	for i := range d.Members {
		d.Members[i].Section, d.Members[i].Stock = pick.Section, pick.Stock
	}
	b := shape.Build(d, nil)
	h := Hold(b, d, ask)
	if h.Verdict != strength.Holds || math.Abs(b.Mass-pick.Mass) > 1e-9 {
		t.Errorf("%s taken: %s", pick.Stock, h.Verdict)
	}
}
