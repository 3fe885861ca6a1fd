package load

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// SupportsInput is a straight piece under an even load, to be held at some places.
type SupportsInput struct {
	Length float64 `json:"length" doc:"mm"`
	Count  int     `json:"count" doc:"supports, 2 to 40"`
	Rate   float64 `json:"rate,omitempty" doc:"N/mm the piece carries, its own weight with it; left out, shares alone are told"`
}

// SupportsResult is where to put them.
type SupportsResult struct {
	Overhang float64           `json:"overhang" doc:"mm past the first and the last support"`
	Pitch    float64           `json:"pitch" doc:"mm from one support to the next"`
	At       []float64         `json:"at" doc:"mm from the first end"`
	Shares   []float64         `json:"shares" doc:"part of the whole load on each"`
	Moment   float64           `json:"moment" doc:"largest bending, part of load times length"`
	AtEnds   float64           `json:"atEnds" doc:"the same with the outer supports at the very ends"`
	Largest  *float64          `json:"largest,omitempty" doc:"N·mm, largest bending under the load given"`
	Heaviest *float64          `json:"heaviest,omitempty" doc:"N on the support that carries most, under the load given"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// Supports answers where to hold a straight piece under an even load so that it bends least:
// evenly, with an overhang at both ends that makes the largest bending over a support as
// large as between them (Clapeyron's three moments). Refusals are *working.Fault.
func Supports(in SupportsInput) (SupportsResult, error) {
	if err := working.First(working.Above("/length", "The length", in.Length, 0, 1e5, "mm"),
		working.Within("/count", "The number of supports", float64(in.Count), 2, 40, ""),
		working.Within("/rate", "The load", in.Rate, 0, 1e5, "N/mm")); err != nil {
		return SupportsResult{}, err
	}
	most := func(a float64) float64 { m, _ := continuous(in.Count, a); return m }
	// Largest bending falls and then rises with the overhang: golden section.
	lo, hi := 0., .5
	g := (math.Sqrt(5) - 1) / 2
	for range 80 {
		p, q := hi-g*(hi-lo), lo+g*(hi-lo)
		if most(p) < most(q) {
			hi = q
		} else {
			lo = p
		}
	}
	a := (lo + hi) / 2
	moment, shares := continuous(in.Count, a)
	r := SupportsResult{Overhang: a * in.Length, Pitch: (1 - 2*a) * in.Length / float64(in.Count-1), Shares: shares, Moment: moment,
		AtEnds: most(0), Findings: []working.Finding{}}
	heaviest := 0.
	for i := range in.Count {
		r.At = append(r.At, r.Overhang+float64(i)*r.Pitch)
		heaviest = math.Max(heaviest, shares[i])
	}
	if in.Rate > 0 {
		w := in.Rate * in.Length
		m, f := moment*w*in.Length, heaviest*w
		r.Largest, r.Heaviest = &m, &f
	}
	r.Findings = append(r.Findings, working.Finding{Code: "level", Severity: working.Mind, Cause: "Supports",
		Reason: fmt.Sprintf("This holds for supports that are level and give alike: one that stands proud by little takes most of the load. "+
			"With %d of them shim to what is there.", in.Count)})
	if in.Count == 2 {
		r.Findings = r.Findings[:0]
	}
	r.Working = working.Working{Method: "Supports of a straight piece under an even load",
		Source:  "three moments (Clapeyron); overhang of least bending by golden section",
		Formula: "M₁l + 4M₂l + M₃l = −w·l³/2; outermost M = −w·a²/2; max |M| → least",
		Inputs: []working.Quantity{working.MM("L", "length", in.Length),
			{Symbol: "n", Name: "supports", Value: float64(in.Count)}, {Symbol: "w", Name: "load", Value: in.Rate, Unit: "N/mm"}},
		Steps: []working.Quantity{{Symbol: "M/(W·L)", Name: "largest bending", Value: moment},
			{Symbol: "M₀/(W·L)", Name: "the same, outer supports at the ends", Value: r.AtEnds}},
		Assumptions: []string{"one straight piece of one section, supports level and stiff", "an even load: a heavy thing on it wants a support of its own"},
		Result:      working.MM("a", "overhang", r.Overhang)}
	return r, nil
}

// continuous answers the largest bending and the supports' shares of a piece of length and
// load 1 on n even supports with overhangs a.
func continuous(n int, a float64) (most float64, shares []float64) {
	l, w := (1-2*a)/float64(n-1), 1.
	m := make([]float64, n)
	m[0], m[n-1] = -w*a*a/2, -w*a*a/2
	if inner := n - 2; inner > 0 { // Thomas' way for the inner supports
		c, d := make([]float64, inner), make([]float64, inner)
		for i := range inner {
			right := -w * l * l / 2
			if i == 0 {
				right -= m[0]
			}
			if i == inner-1 {
				right -= m[n-1]
			}
			diag := 4.
			if i > 0 {
				diag -= c[i-1]
				right -= d[i-1]
			}
			c[i], d[i] = 1/diag, right/diag
		}
		for i := inner - 1; i >= 0; i-- {
			m[i+1] = d[i]
			if i < inner-1 {
				m[i+1] -= c[i] * m[i+2]
			}
		}
	}
	shares = make([]float64, n)
	shares[0], shares[n-1] = w*a, w*a
	for i := range n {
		most = math.Max(most, math.Abs(m[i]))
		if i == n-1 {
			break
		}
		v := w*l/2 + (m[i+1]-m[i])/l // shear right of the left support
		shares[i] += v
		shares[i+1] += w*l - v
		if x := v / w; x > 0 && x < l {
			most = math.Max(most, math.Abs(m[i]+v*x-w*x*x/2))
		}
	}
	return most, shares
}
