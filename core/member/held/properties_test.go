package held

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// ledgerOf answers a frame's checks by what they are of.
func ledgerOf(h Held) map[string]strength.Check {
	out := map[string]strength.Check{}
	for _, c := range h.Ledger {
		out[c.Key+" of "+c.Feature] = c
	}
	return out
}

// furnished is a random rack with a foot plate under a leg and an ear on another, one
// rail in two pieces, carrying a device of known mass.
func furnished(rnd *rand.Rand) (member.Doc, Asked) {
	d := rack(rnd)
	d.Plates = []member.Plate{{ID: "foot", Name: "Foot", Member: "fl0", End: "a", Kind: "base", Width: 140, Height: 140, Thickness: 10,
		Holes: 4, Hole: 11, Margin: 18},
		{ID: "ear", Name: "Ear", Member: "rail1", End: "b", Kind: "tab", Width: 60, Height: 60, Thickness: 8, Holes: 1, Hole: 13, Margin: 25}}
	d.Members[0].Splice = &member.Splice{At: 500 + 300*rnd.Float64()}
	gravity := solid.Vector{40, -30, 220}
	ask := asked(load.Roads[load.Rough].Cases()...)
	ask.Devices = map[string]Carried{"dev": {"Press", 120, &gravity}}
	return d, ask
}

// fell tells whether a check fell: a better verdict, or less used of what was used.
func fell(was, is strength.Check, tolerance float64) bool {
	if strength.Worse(was.Verdict, is.Verdict) && was.Verdict != strength.CannotSay {
		return true
	}
	return was.Utilisation != nil && is.Utilisation != nil && *is.Utilisation < *was.Utilisation*(1-tolerance)-1e-12
}

// A case that is added never makes any check of a frame easier. The buckling load is
// closed in to 2 %, past ten times the loads to 10 %: what hangs on it may fall by that.
func TestFrameCasesNeverEase(t *testing.T) {
	rnd := rand.New(rand.NewPCG(5, 14))
	for range 4 {
		d, ask := furnished(rnd)
		few := ask
		few.Cases = ask.Cases[:2]
		before, after := ledgerOf(Hold(shape.Build(d, nil), d, few)), ledgerOf(Hold(shape.Build(d, nil), d, ask))
		for key, c := range before {
			if fell(c, after[key], .02) {
				t.Errorf("%s falls from %s %v to %s %v", key, c.Verdict, deref(c.Utilisation), after[key].Verdict, deref(after[key].Utilisation))
			}
		}
	}
}

func deref(v *float64) string {
	if v == nil {
		return "–"
	}
	return fmt.Sprintf("%.4f", *v)
}

// Twice of everything a frame carries never eases a check, in any school; with nothing
// pressed it is twice of every check, weight of its own left out.
func TestFrameChecksGrowWithTheLoad(t *testing.T) {
	rnd := rand.New(rand.NewPCG(6, 14))
	for _, school := range []strength.School{strength.Allowable, strength.Factored, strength.GCase} {
		d, ask := furnished(rnd)
		ask.Rule.School = school
		one := ledgerOf(Hold(shape.Build(d, nil), d, ask))
		twice := d
		twice.Loads = slices.Clone(d.Loads)
		for i := range twice.Loads {
			l := &twice.Loads[i]
			l.Kilos *= 2
			for k := range l.Force {
				l.Force[k] *= 2
			}
		}
		more := ask
		c := ask.Devices["dev"]
		c.Kilos *= 2
		more.Devices = map[string]Carried{"dev": c}
		two := ledgerOf(Hold(shape.Build(twice, nil), twice, more))
		for key, c := range one {
			if fell(c, two[key], .02) {
				t.Errorf("%s: %s falls from %s %s to %s %s under twice the load", school, key, c.Verdict, deref(c.Utilisation), two[key].Verdict,
					deref(two[key].Utilisation))
			}
		}
	}
	for name, force := range map[string][3]float64{"bent": {0, 0, -300}, "pulled": {0, 4000, 0}, "both ways": {150, 2000, -200}} {
		none := asked(load.Case{Name: "no gravity"})
		d := pushed(sharp, force, footed(140, 160, 10, 4, 18))
		one := ledgerOf(Hold(shape.Build(d, nil), d, none))
		d = pushed(sharp, [3]float64{2 * force[0], 2 * force[1], 2 * force[2]}, footed(140, 160, 10, 4, 18))
		two := ledgerOf(Hold(shape.Build(d, nil), d, none))
		for key, c := range one {
			if c.Utilisation != nil && math.Abs(*two[key].Utilisation-2**c.Utilisation) > 1e-9 {
				t.Errorf("%s, %s: %s and %s", name, key, deref(c.Utilisation), deref(two[key].Utilisation))
			}
		}
	}
}

// A frame turned about the upright with all its loads is used as before, every check.
func TestTurnedFramesAreUsedAlike(t *testing.T) {
	rnd := rand.New(rand.NewPCG(7, 14))
	d, ask := furnished(rnd)
	ask.Cases = []load.Case{{Name: "at rest", Net: [3]float64{0, 0, -1}}, {Name: "braked", Net: [3]float64{.6, 0, -1}}}
	one := ledgerOf(Hold(shape.Build(d, nil), d, ask))
	pose := solid.Turned(solid.Vector{}, 90, 0, 0)
	x := d
	x.Points = slices.Clone(d.Points)
	for i, p := range x.Points {
		v := pose.Apply(solid.Vector{p.X, p.Y, p.Z})
		x.Points[i].X, x.Points[i].Y, x.Points[i].Z = v[0], v[1], v[2]
	}
	x.Loads = slices.Clone(d.Loads)
	for i := range x.Loads {
		x.Loads[i].Force = pose.Turn(x.Loads[i].Force)
	}
	x.Supports = slices.Clone(d.Supports)
	for i, s := range x.Supports {
		x.Supports[i].Soft = [3]float64{s.Soft[1], s.Soft[0], s.Soft[2]}
	}
	turned := ask
	turned.Cases = slices.Clone(ask.Cases)
	for i, c := range turned.Cases {
		turned.Cases[i].Net = pose.Turn(c.Net)
	}
	g := solid.Vector(pose.Turn(*ask.Devices["dev"].Gravity))
	turned.Devices = map[string]Carried{"dev": {"Press", 120, &g}}
	two := ledgerOf(Hold(shape.Build(x, nil), x, turned))
	if len(one) != len(two) {
		t.Fatalf("%d checks, turned %d", len(one), len(two))
	}
	for key, c := range one {
		o := two[key]
		if c.Verdict != o.Verdict || (c.Utilisation == nil) != (o.Utilisation == nil) || c.Utilisation != nil &&
			math.Abs(*c.Utilisation-*o.Utilisation) > 1e-6*max(1, *c.Utilisation) {
			t.Errorf("%s: %s %s, turned %s %s", key, c.Verdict, deref(c.Utilisation), o.Verdict, deref(o.Utilisation))
		}
	}
}

// Every section offered on a frame is what it says when it is put in: the whole ledger,
// plates, ends, welds and what others stand on; the lightest that holds is.
func TestSectionsAreWhatTheySay(t *testing.T) {
	const in = "50 × 50 × 4 mm tube"
	offered := 0
	for _, starter := range []string{"rack", "hoop", "outriggers", "standoff"} {
		for _, times := range []float64{1, 3} {
			d := racks.Started(t, starter, in, nil)
			for i := range d.Loads {
				d.Loads[i].Kilos *= times
			}
			ask := asked(load.Roads[load.Smooth].Cases()...)
			was := ledgerOf(Hold(shape.Build(d, nil), d, ask))
			lightest := math.Inf(1)
			list := Compare(d, nil, ask, in)
			for _, o := range list {
				if o.Verdict == strength.Holds {
					lightest = min(lightest, o.Mass)
				}
			}
			for _, o := range list {
				if o.Lightest && o.Mass > lightest {
					t.Errorf("%s: %s is called the lightest that holds", starter, o.Stock)
				}
				if o.Now || strength.Worse(o.Verdict, strength.Tight) {
					continue
				}
				offered++
				x := Swapped(d, in, o)
				for key, c := range ledgerOf(Hold(shape.Build(x, nil), x, ask)) {
					before, known := was[key]
					if strength.Worse(c.Verdict, strength.Tight) && (!known || strength.Worse(c.Verdict, before.Verdict)) {
						t.Errorf("%s: %s is offered as %s, and %s is %s then", starter, o.Stock, o.Verdict, key, c.Verdict)
					}
				}
			}
		}
	}
	if offered < 40 {
		t.Errorf("%d sections are offered in all: the test shows little", offered)
	}
}
