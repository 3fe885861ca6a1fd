package joint

import (
	"maps"
	"math/rand/v2"
	"slices"
	"testing"

	"warmanvil/core/working"
)

// Every fix offered beside a finding of random joints is taken: the finding is gone, no
// stop has come, and nothing that was answered is silent.
func TestEveryFixHelps(t *testing.T) {
	rnd := rand.New(rand.NewPCG(14, 6))
	kinds := answered()
	names := slices.Sorted(maps.Keys(kinds))
	took, failed := map[string]int{}, map[string]int{}
	for n := range 800 {
		in := kinds[names[n%len(names)]]
		in.Plies = slices.Clone(in.Plies)
		for i := range in.Plies {
			p := &in.Plies[i]
			if rnd.IntN(3) == 0 {
				p.Thickness = []float64{.8, 1.2, 2, 3, 6, 10}[rnd.IntN(6)]
			}
			if rnd.IntN(5) == 0 {
				p.Slotted = true
			}
			if rnd.IntN(6) == 0 {
				p.Hollow = true
			}
			if rnd.IntN(6) == 0 {
				p.Edge = 12 + 10*rnd.Float64()
			}
			if rnd.IntN(6) == 0 {
				p.Material = []string{"alu-6061-t6", "stainless-304", "rubber", "steel-s355"}[rnd.IntN(4)]
			}
		}
		in.Washers = rnd.IntN(3)
		in.Double = rnd.IntN(6) == 0
		in.Tighten.Wet, in.Tighten.Hot = rnd.IntN(4) == 0, rnd.IntN(6) == 0
		size := 4000 * rnd.ExpFloat64()
		in.Cases = []Case{{Name: "x", Force: [3]float64{size * rnd.NormFloat64(), size * rnd.NormFloat64(), size * rnd.NormFloat64()},
			At: [3]float64{50, 40, 0}}}
		now, err := Work(in)
		if err != nil {
			continue
		}
		for _, f := range now.Findings {
			for _, x := range f.Fixes {
				took[f.Code]++
				then, err := Work(taken(t, in, x))
				if err != nil {
					failed[f.Code+", "+x.Label+": "+err.Error()]++
					continue
				}
				had := codes(now)
				for _, g := range then.Findings {
					switch {
					case g.Code == f.Code && f.Code == "torque-lowered" && then.Tight.Torque > now.Tight.Torque*1.05 && g.Reason != f.Reason:
						// the sleeve is gone from the reason, and the next thing holds the torque
					case g.Code == f.Code:
						failed[f.Code+" stays after "+x.Label]++
						t.Log(f.Reason, "→", g.Reason)
					case g.Severity == working.Stop && !had[g.Code]:
						failed[f.Code+", "+x.Label+" brings "+g.Code]++
					}
				}
			}
		}
	}
	t.Log(took)
	for _, k := range slices.Sorted(maps.Keys(failed)) {
		t.Errorf("%s: %d times", k, failed[k])
	}
}
