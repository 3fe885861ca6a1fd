package joint

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/hole"
	"warmanvil/core/strength"
)

// kinds are sound joints with every fastener there is.
func kinds() map[string]Input {
	with := func(change func(*Input)) Input {
		in := sound()
		change(&in)
		return in
	}
	thin := func(in *Input) { in.Plies[0].Thickness, in.Plies[1].Thickness = 2, 2 }
	return map[string]Input{
		"bolts": sound(), "tapped": with(func(in *Input) { in.Nut = Tapped }), "weld nuts": with(func(in *Input) { in.Nut = WeldNut; thin(in) }),
		"rivet nuts": with(func(in *Input) { in.Nut = RivetNut }), "slot nuts": with(func(in *Input) { in.Nut = SlotNut }),
		"pins": with(func(in *Input) { in.Nut, in.Washers = Pin, 0 }),
		"screws": with(func(in *Input) {
			in.Nut, in.Size, in.Washers = Screw, "M6", 0
			thin(in)
			in.Plies[0].Hole, in.Plies[1].Hole = 0, 0
		}),
		"rivets": with(func(in *Input) {
			in.Nut, in.Rivet, in.Washers = Riveted, &RivetPick{4.8, "steel"}, 0
			thin(in)
			in.Plies[0].Hole, in.Plies[1].Hole = 4.9, 4.9
		}),
		"socket heads": with(func(in *Input) { in.Head = "socket" }),
	}
}

// Every check of every kind of fastener says its method, its source, what it
// started from and what came out, and what came out is what it asks, in its unit:
// a share is no force.
func TestEveryCheckCarriesItsWorking(t *testing.T) {
	for name, in := range kinds() {
		r := work(t, in)
		some := 0
		for _, c := range r.Checks {
			w := c.Working
			if c.Utilisation == nil {
				if c.Why == "" {
					t.Errorf("%s: %s has no number and does not say why", name, c.Key)
				}
				continue
			}
			some++
			switch {
			case w == nil:
				t.Errorf("%s: %s has no working", name, c.Key)
			case w.Method == "" || w.Source == "" || w.Formula == "" || len(w.Inputs) == 0 || len(w.Assumptions) == 0:
				t.Errorf("%s: the working of %s is not whole: %+v", name, c.Key, *w)
			case w.Result.Unit != c.Unit || math.Abs(w.Result.Value-c.Demand) > 1e-9*math.Max(1, math.Abs(c.Demand)):
				t.Errorf("%s: %s asks %g %q, its working says %g %q", name, c.Key, c.Demand, c.Unit, w.Result.Value, w.Result.Unit)
			}
		}
		if some < 3 {
			t.Errorf("%s: %d checks have a number", name, some)
		}
	}
}

// Twice the load is twice the share of every check that is a straight share, for
// every kind of fastener, in every school; the same load turned with the holes
// leaves bolts and plies where they were.
func TestChecksGrowWithTheLoad(t *testing.T) {
	for _, school := range []strength.School{strength.Allowable, strength.Factored, strength.GCase} {
		for name, in := range kinds() {
			in.Strength.School = school
			in.Cases = []Case{{Name: "x", Force: [3]float64{300, -200, 150}, At: [3]float64{50, 40, 0}}}
			one := work(t, in)
			in.Cases = []Case{{Name: "x", Force: [3]float64{600, -400, 300}, At: [3]float64{50, 40, 0}}}
			two := work(t, in)
			for _, c := range one.Checks {
				d := check(t, two, c.Key)
				if (c.Utilisation == nil) != (d.Utilisation == nil) {
					t.Fatalf("%s in %s: %s becomes %s", name, school, c.Key, d.Key)
				}
				if c.Utilisation == nil || c.Key == "slip" {
					continue
				}
				if u, v := *c.Utilisation, *d.Utilisation; c.Key != "combined" && math.Abs(v-2*u) > 1e-9 || v < u-1e-12 {
					t.Errorf("%s in %s: %s takes %g, of twice the load %g", name, school, c.Key, u, v)
				}
			}
		}
	}
}

// Turning bolts and load about the joint's axis by a quarter changes no check.
func TestTurnedByAQuarter(t *testing.T) {
	for name, in := range kinds() {
		in.Cases = []Case{{Name: "x", Force: [3]float64{900, -500, 700}, At: [3]float64{20, 90, 15}, Moment: [3]float64{1e4, -2e4, 3e4}}}
		was := work(t, in)
		quarter := func(x, y float64) (float64, float64) { return -y, x }
		in.Holes = append([][2]float64{}, in.Holes...)
		for i, h := range in.Holes {
			in.Holes[i][0], in.Holes[i][1] = quarter(h[0], h[1])
		}
		c := &in.Cases[0]
		c.Force[0], c.Force[1] = quarter(c.Force[0], c.Force[1])
		c.At[0], c.At[1] = quarter(c.At[0], c.At[1])
		c.Moment[0], c.Moment[1] = quarter(c.Moment[0], c.Moment[1])
		in = in.with(func(p *Ply) { p.Wide[0], p.Wide[1] = p.Wide[1], p.Wide[0] })
		now := work(t, in)
		for _, a := range was.Checks {
			b := check(t, now, a.Key)
			if a.Utilisation != nil && (b.Utilisation == nil || math.Abs(*a.Utilisation-*b.Utilisation) > 1e-9) {
				t.Errorf("%s: %s says %v, turned %v", name, a.Key, *a.Utilisation, b.Utilisation)
			}
		}
	}
}

// The worst that holes may lie off is never less than what is likely, for any way
// the two sides are made and any angle.
func TestWorstIsNoLessThanLikely(t *testing.T) {
	ways := []hole.Placing{hole.ByTable, hole.ByTape, hole.ByMate, hole.BySurvey}
	for _, a := range ways {
		for _, b := range ways {
			for _, angle := range []float64{0, .5, 3} {
				in := sound()
				in.Plies[0].Placed, in.Plies[1].Placed, in.Angle = a, b, angle
				r := work(t, in)
				if r.Meets == nil {
					t.Fatalf("%s on %s: nothing is said", a, b)
				}
				for i := range r.Meets.Worst {
					if r.Meets.Worst[i] < r.Meets.Likely[i]-1e-12 {
						t.Errorf("%s on %s at %g°: worst %g, likely %g", a, b, angle, r.Meets.Worst[i], r.Meets.Likely[i])
					}
				}
				if text := fmt.Sprint(r.Making); len(r.Making) == 0 {
					t.Errorf("%s on %s: nobody says how the holes are made: %s", a, b, text)
				}
			}
		}
	}
}
