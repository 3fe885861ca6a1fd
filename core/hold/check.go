package hold

import (
	"errors"
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// mode is one way a bracket may give way, asked of a load as it is shared.
type mode = strength.Mode[shares]

// Check answers whether a built part holds the loads on its carrying holes. It
// never fails: what keeps it from an answer is said as `cannot say`.
func Check(part made.Part, r sheet.Recipe, m Mount, loads []Load, rule strength.Rule) Result {
	res := Result{Verdict: strength.CannotSay, Checks: []strength.Check{}, Bolts: []BoltForce{}, Findings: []working.Finding{}}
	silent := func(why string) Result {
		res.Checks = append(res.Checks, strength.Silent("mount", "The bracket", why))
		return res
	}
	if !part.Whole {
		return silent("The part cannot be unfolded as a whole yet: see its flags on the Shape bench.")
	}
	if part.Round != nil {
		res.Checks = append(res.Checks, strength.Silent("round", "The round", fmt.Sprintf("It is a %s bent from one plate: how it "+
			"carries as a "+
			"shell is not worked out. Bear the load on a frame or on brackets, which are.", part.Round.Says)))
		return res
	}
	if len(loads) == 0 {
		return silent("Nothing loads it: say which device's feet stand on it, with mass and centre of gravity.")
	}
	for _, l := range loads {
		for _, f := range l.Force {
			if math.IsNaN(f) || math.Abs(f) > 1e8 {
				return silent(fmt.Sprintf("A load of %.3g N is beyond what this works out (100 000 kN): look at the mass and the "+
					"accelerations.", f))
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
	p.mat = material{name: stuff.Name, t: r.Thickness, yield: stuff.Yield, tensile: stuff.Tensile, modulus: stuff.Modulus,
		family: stuff.Family, hard: stuff.Temper == stock.Hard}
	if r.Guessed {
		p.mat.t *= stock.GuessedShare
	}
	p.rule, p.recipe = rule, &r
	res.Findings = p.findings()
	p.list, p.lengths = p.sections()
	p.shade()
	all := make([]shares, len(loads))
	for i, l := range loads {
		all[i] = p.share(l)
	}
	checks := strength.Hardest(p.modes(), all, func(s *shares) string { return s.load.Name() })
	if r.Facet != nil && r.Facet.Seams > 0 {
		why := fmt.Sprintf("It is a blank of %s, welded into it (edges: %d). What those seams take, and how the body carries as a shell, "+
			"is not worked out: what is said here is of this blank by itself.", r.Facet.Name, r.Facet.Seams)
		checks = append(checks, strength.Silent("body-seams", "Its seams and the body it is of", why))
	}
	o := strength.Close(p.ledgers(), checks)
	res.Checks, res.Verdict, res.Hardest = o.Checks, o.Verdict, o.Hardest
	if o.First >= 0 {
		c := o.Checks[o.First]
		s := p.of(all, c.Case)
		res.First, res.Case, res.Force = c.Name, c.Case, s.load.Force
		if !p.welded() {
			res.Bolts, res.Coefficient = p.bolts(*s), p.coefficient(s)
		}
		if len(p.list) > 0 { // among its bolts a plate bends in a way this does not work out
			least, most := p.sag(s.force)
			res.DeflectionLeast, res.Deflection = &least, &most
		}
	}
	for _, f := range res.Findings {
		if f.Severity == working.Stop && res.Verdict != strength.Over {
			res.Verdict = strength.CannotSay
		}
	}
	return res
}

// of answers the shares of the case a check was hardest in.
func (p *placed) of(all []shares, name string) *shares {
	for i := range all {
		if all[i].load.Name() == name {
			return &all[i]
		}
	}
	return &all[0]
}

// ledgers lists what the bracket must answer: itself, and each bend or row.
func (p *placed) ledgers() []strength.Ledger {
	out := []strength.Ledger{{Form: strength.Bracket}}
	if p.welded() {
		out[0].Form = strength.WeldedBracket
	}
	seen := map[string]bool{}
	for _, c := range p.list {
		if !seen[c.id] {
			seen[c.id] = true
			out = append(out, strength.Ledger{Form: strength.BentPlate, Suffix: c.id, Where: c.name, Feature: c.id})
		}
	}
	return out
}

// modes lists every way the bracket may give way.
func (p *placed) modes() []mode {
	out := p.seamModes()
	if !p.welded() {
		out = append(p.boltModes(), p.plateModes()...)
	}
	for i := 0; i < len(p.list); {
		j := i + 1
		for j < len(p.list) && p.list[j].id == p.list[i].id { // both tangent lines of a bend
			j++
		}
		out = append(out, p.plateAt(p.list[i:j]))
		i = j
	}
	return out
}

// each answers the hardest bolt.
func (p *placed) each(f func(i int) (demand, capacity float64)) strength.Hit {
	return strength.HardestOf(len(p.holes), f)
}

// spot names a bolt.
func (p *placed) spot(_ *shares, h strength.Hit) (feature, where string) {
	return p.holes[h.At].ID, fmt.Sprintf("bolt %d", h.At+1)
}

func amount(symbol, name string, v float64, unit string) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: unit}
}

func newtons(symbol, name string, v float64) working.Quantity { return amount(symbol, name, v, "N") }

func mpa(symbol, name string, v float64) working.Quantity { return amount(symbol, name, v, "MPa") }
