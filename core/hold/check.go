package hold

import (
	"errors"
	"fmt"
	"math"
	"sort"

	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Check answers whether a built part holds the loads on its carrying holes. It
// never fails: what keeps it from an answer is said as `cannot say`.
func Check(part sheet.Part, r sheet.Recipe, m Mount, loads []Load, rule strength.Rule) Result {
	res := Result{Verdict: strength.CannotSay, Checks: []strength.Check{}, Bolts: []BoltForce{}, Findings: []working.Finding{}}
	silent := func(why string) Result {
		res.Checks = append(res.Checks, strength.Silent("mount", "The bracket", why))
		return res
	}
	if !part.Whole {
		return silent("The part cannot be unfolded as a whole yet: see its flags on the Shape bench.")
	}
	if len(loads) == 0 {
		return silent("Nothing loads it: say which device's feet stand on it, with mass and centre of gravity.")
	}
	for _, l := range loads {
		for _, f := range l.Force {
			if math.IsNaN(f) || math.Abs(f) > 1e8 {
				return silent(fmt.Sprintf("A load of %.3g N is beyond what this works out (100 000 kN): look at the mass and the accelerations.", f))
			}
		}
	}
	stuff, err := stock.MaterialByKey(r.Material)
	if err != nil {
		return silent(err.Error() + ".")
	}
	p, err := lay(&part, m)
	var why missing
	if errors.As(err, &why) {
		return silent(string(why))
	}
	mat := material{stuff.Name, r.Thickness, stuff.Yield, stuff.Tensile, stuff.Modulus, stuff.Family != stock.Aluminum}
	res.Findings = p.findings(mat, rule)
	list, lengths := p.sections()
	checks := p.checks(mat, rule, list)
	worst := make([]hit, len(checks))
	all := make([]shares, len(loads))
	for i, l := range loads {
		all[i] = p.share(l, rule, mat)
		for k := range checks {
			if h := checks[k].eval(&all[i]); h.share() > worst[k].share() || i == 0 {
				h.load = i
				worst[k] = h
			}
		}
	}
	hardest := -1
	for k, c := range checks {
		h := worst[k]
		out := strength.Check{Key: c.key, Name: c.name, Feature: c.feature, Where: c.where, Case: loads[h.load].Name(), Demand: h.demand, Capacity: h.capacity, Unit: c.unit}
		if h.hole >= 0 {
			out.Feature, out.Where = p.holes[h.hole].ID, fmt.Sprintf("bolt %d", h.hole+1)
		}
		out.Utilisation, out.Verdict = strength.Judge(h.demand, h.capacity)
		if out.Utilisation == nil {
			out.Why = "There is no strength to set against: look at the plate's edge, the hole and the material."
		}
		if c.caution != nil {
			out.Why = c.caution(&all[h.load])
		}
		w := c.explain(&all[h.load], h)
		out.Working = &w
		res.Checks = append(res.Checks, out)
		if out.Utilisation != nil && (hardest < 0 || *out.Utilisation > *res.Checks[hardest].Utilisation) {
			hardest = len(res.Checks) - 1
		}
	}
	if hardest >= 0 {
		c := res.Checks[hardest]
		l := loads[worst[hardest].load]
		res.First, res.Hardest, res.Case, res.Force = c.Name, c.Utilisation, c.Case, l.Force
		s := all[worst[hardest].load]
		res.Bolts = p.bolts(s)
		d := sag(s.force, p.load, list, lengths, mat)
		res.Deflection = &d
		res.Coefficient = p.coefficient(&s)
	}
	sort.SliceStable(res.Checks, func(i, j int) bool { return size(res.Checks[i]) > size(res.Checks[j]) })
	res.Verdict = strength.Worst(res.Checks)
	for _, f := range res.Findings {
		if f.Severity == working.Stop && res.Verdict != strength.Over {
			res.Verdict = strength.CannotSay
		}
	}
	return res
}

func size(c strength.Check) float64 {
	if c.Utilisation == nil {
		return math.Inf(1)
	}
	return *c.Utilisation
}
