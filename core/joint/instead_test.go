package joint

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// swapped applies a substitute as a press does.
func swapped(t *testing.T, in Input, s Substitute) Input {
	t.Helper()
	for _, e := range s.Fix.Edits {
		switch e.Path {
		case "/grade":
			in.Grade = e.Value.(string)
		case "/system":
			in.System = e.Value.(stock.System)
		case "/size":
			in.Size = e.Value.(string)
		case "/pitch":
			in.Pitch = e.Value.(float64)
		case "/washer":
			in.Washer = e.Value.(float64)
		default:
			t.Fatalf("%s edits %s", s.Name, e.Path)
		}
	}
	return in
}

// Whatever is offered in place of a bolt is what it says under every case of the joint,
// not only under those that rule now: one that holds there holds when it is taken.
func TestSubstitutesAreWorkedWhole(t *testing.T) {
	rnd := rand.New(rand.NewPCG(21, 14))
	offered, held := 0, 0
	for range 60 {
		in := sound()
		in = in.with(func(p *Ply) {
			p.Stiff = true
			p.Thickness = []float64{2, 3, 5, 8, 12}[rnd.IntN(5)]
			p.Edge = 18 + 20*rnd.Float64()
		})
		in.Grade = []string{"8.8", "10.9", "A2-70"}[rnd.IntN(3)]
		in.NoSlip = rnd.IntN(2) == 0
		in.Cases = nil
		size := math.Pow(10, 2.5+2*rnd.Float64())
		for k := range 30 {
			in.Cases = append(in.Cases, Case{Name: string(rune('a' + k)),
				Force: [3]float64{size * (rnd.Float64() - .5), size * (rnd.Float64() - .5), .3 * size * (rnd.Float64() - .5)},
				At:    [3]float64{100 * rnd.Float64(), 80 * rnd.Float64(), 40 * rnd.Float64()}})
		}
		now := work(t, in)
		for _, s := range Instead(in, now) {
			offered++
			r := work(t, swapped(t, in, s))
			if s.Verdict == strength.Over {
				if r.Verdict != strength.Over {
					t.Errorf("%s is called over, and %s when it is taken", s.Name, r.Verdict)
				}
				continue
			}
			held++
			if r.Verdict != s.Verdict || s.Hardest != nil && math.Abs(*r.Hardest-*s.Hardest) > 1e-9 {
				t.Errorf("%s is called %s at %.4f, and is %s at %.4f", s.Name, s.Verdict, *s.Hardest, r.Verdict, *r.Hardest)
			}
			if s.Torque != nil && (r.Tight == nil || math.Abs(r.Tight.Torque-*s.Torque) > 1e-6**s.Torque) {
				t.Errorf("%s: its torque is another when it is taken", s.Name)
			}
		}
	}
	if offered < 60 || held < 20 {
		t.Errorf("%d offered, %d of them hold: the test shows little", offered, held)
	}
}
