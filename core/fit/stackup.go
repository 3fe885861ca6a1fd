// Package fit adds up what lies between two faces and says what goes into what:
// stack-ups with their spread, spacers and shims, sliding and telescoping
// sections with coats, seams and beads, liners, unequal legs. Lengths mm.
package fit

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// Layer is one thing in a stack, or the gap it must fill.
type Layer struct {
	Name      string  `json:"name,omitempty"`
	Thickness float64 `json:"thickness" doc:"mm, nominal"`
	Plus      float64 `json:"plus,omitempty" doc:"mm it may be more"`
	Minus     float64 `json:"minus,omitempty" doc:"mm it may be less, as a positive number"`
	Count     int     `json:"count,omitempty" doc:"how many of it, 1 when left out"`
}

// StackInput is a gap and what else fills it.
type StackInput struct {
	Gap    Layer   `json:"gap" doc:"distance between the two faces"`
	Layers []Layer `json:"layers,omitempty" doc:"plates, pads squashed, coats, weld gaps"`
}

// Span is from the least to the most.
type Span struct {
	Min float64 `json:"min" doc:"mm"`
	Max float64 `json:"max" doc:"mm"`
}

// StackResult is what is left for the standoff.
type StackResult struct {
	Nominal  float64           `json:"nominal" doc:"mm"`
	Worst    Span              `json:"worst" doc:"everything at its limit at once"`
	RSS      Span              `json:"rss" doc:"root of the sum of squares about the middle"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

func (l Layer) many() float64 { return float64(max(l.Count, 1)) }

func (l Layer) check(path string) error {
	return working.First(working.Within(path+"/thickness", "The thickness", l.Thickness, 0, 1e5, "mm"),
		working.Within(path+"/plus", "The tolerance", l.Plus, 0, 1e4, "mm"),
		working.Within(path+"/minus", "The tolerance", l.Minus, 0, 1e4, "mm"),
		working.Within(path+"/count", "The number", float64(l.Count), 0, 1000, ""))
}

// Stack answers the standoff: gap less everything else. It fails with
// *working.Fault when nothing is left.
func Stack(in StackInput) (StackResult, error) {
	if err := in.Gap.check("/gap"); err != nil {
		return StackResult{}, err
	}
	if len(in.Layers) > 100 {
		return StackResult{}, working.Refuse("/layers", "A stack holds up to 100 layers.")
	}
	for i, l := range in.Layers {
		if err := l.check(fmt.Sprintf("/layers/%d", i)); err != nil {
			return StackResult{}, err
		}
	}
	r := StackResult{Nominal: in.Gap.Thickness, Worst: Span{in.Gap.Thickness - in.Gap.Minus, in.Gap.Thickness + in.Gap.Plus},
		Findings: []working.Finding{}}
	// The root of squares is taken about the middle of each tolerance.
	middle, squares := in.Gap.Thickness+(in.Gap.Plus-in.Gap.Minus)/2, math.Pow((in.Gap.Plus+in.Gap.Minus)/2, 2)
	w := working.Working{Method: "Stack-up", Source: "worst case and root of the sum of squares of the half tolerances",
		Formula: "standoff = gap − Σ layers",
		Inputs:  []working.Quantity{{Symbol: "gap", Name: "between the faces", Value: in.Gap.Thickness, Unit: "mm"}},
		Assumptions: []string{"root of squares: the layers vary on their own and about their middles; two in three hundred stacks lie outside " +
			"when the tolerances are three standard deviations"}}
	for i, l := range in.Layers {
		n := l.many()
		r.Nominal -= n * l.Thickness
		r.Worst.Min -= n * (l.Thickness + l.Plus)
		r.Worst.Max -= n * (l.Thickness - l.Minus)
		middle -= n * (l.Thickness + (l.Plus-l.Minus)/2)
		squares += n * math.Pow((l.Plus+l.Minus)/2, 2)
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: fmt.Sprintf("t%d", i+1), Name: l.Name, Value: n * l.Thickness, Unit: "mm"})
	}
	half := math.Sqrt(squares)
	r.RSS = Span{middle - half, middle + half}
	if r.Nominal <= 0 {
		return StackResult{}, working.Refuse("/gap/thickness",
			"Nothing is left: the layers are %.4g mm thicker than the gap. Look whether one was counted twice or a length was taken in "+
				"the other unit.", -r.Nominal)
	}
	if r.Worst.Min < 0 {
		r.Findings = append(r.Findings, working.Finding{Code: "clash", Severity: working.Mind, Cause: "Stack",
			Reason: fmt.Sprintf("At the worst the layers are %.2f mm thicker than the gap.", -r.Worst.Min)})
	}
	w.Steps = []working.Quantity{{Symbol: "min", Name: "worst case", Value: r.Worst.Min, Unit: "mm"},
		{Symbol: "max", Name: "worst case", Value: r.Worst.Max, Unit: "mm"}, {Symbol: "±", Name: "root of squares", Value: half, Unit: "mm"}}
	w.Result = working.Quantity{Symbol: "s", Name: "standoff", Value: r.Nominal, Unit: "mm"}
	r.Working = w
	return r, nil
}

// Packed is a spacer and shims for one place.
type Packed struct {
	Spacer float64   `json:"spacer" doc:"mm, cut"`
	Shims  []float64 `json:"shims" doc:"mm, thickest first"`
	Left   float64   `json:"left" doc:"mm still open; negative is squeezed"`
}

// Spacers answers the spacer and shims of each place: one spacer length for all
// when the shims can make up the differences, its own otherwise. grain is what
// the saw cuts to; shims are the thicknesses at hand.
func Spacers(standoffs []float64, grain float64, shims []float64) (out []Packed, common bool) {
	if len(standoffs) == 0 {
		return nil, true
	}
	if grain <= 0 {
		grain = .5
	}
	down := func(v float64) float64 { return math.Floor(v/grain+1e-9) * grain }
	sorted := slices.Clone(shims)
	slices.Sort(sorted)
	slices.Reverse(sorted)
	least := slices.Min(standoffs)
	spacer := down(least)
	common = true
	reach := 0.0
	for _, s := range sorted {
		reach = math.Max(reach, 3*s) // no stack of more than about three of the thickest
	}
	if slices.Max(standoffs)-spacer > math.Max(reach, grain) {
		common = false
	}
	for _, s := range standoffs {
		p := Packed{Spacer: spacer, Shims: []float64{}}
		if !common {
			p.Spacer = down(s)
		}
		left := s - p.Spacer
		// Half a thin shim too much is pulled together by the bolt; more is not.
		slack := 0.0
		if n := len(sorted); n > 0 {
			slack = sorted[n-1] / 2
		}
		for _, shim := range sorted {
			for shim > 0 && left+slack >= shim-1e-9 && len(p.Shims) < 8 {
				p.Shims = append(p.Shims, shim)
				left -= shim
			}
		}
		p.Left = left
		out = append(out, p)
	}
	return out, common
}

// Legs answers the lengths of legs under a platform that slopes: shortest is
// the least of them, slopes in degrees, forward end up and left side up
// positive.
func Legs(at [][2]float64, forward, left, shortest float64) []float64 {
	out := make([]float64, len(at))
	least := math.Inf(1)
	for i, p := range at {
		out[i] = p[0]*math.Tan(forward*math.Pi/180) + p[1]*math.Tan(left*math.Pi/180)
		least = math.Min(least, out[i])
	}
	for i := range out {
		out[i] += shortest - least
	}
	return out
}

// SpacersInput asks for spacers and shims.
type SpacersInput struct {
	Standoffs []float64 `json:"standoffs" doc:"mm, one for each place"`
	Grain     float64   `json:"grain,omitempty" doc:"mm the saw cuts to; 0.5 when left out"`
	Shims     []float64 `json:"shims,omitempty" doc:"mm, thicknesses at hand"`
}

// SpacersResult is the cut list.
type SpacersResult struct {
	Places  []Packed        `json:"places"`
	Common  bool            `json:"common" doc:"one spacer length serves all"`
	Working working.Working `json:"working"`
}

// AskSpacers answers a spacer and shims for each place. It fails with
// *working.Fault.
func AskSpacers(in SpacersInput) (SpacersResult, error) {
	if len(in.Standoffs) == 0 || len(in.Standoffs) > 200 || len(in.Shims) > 50 {
		return SpacersResult{}, working.Refuse("/standoffs", "Give from 1 to 200 standoffs and up to 50 shims.")
	}
	for i, s := range in.Standoffs {
		if err := working.Above(fmt.Sprintf("/standoffs/%d", i), "The standoff", s, 0, 1e5, "mm"); err != nil {
			return SpacersResult{}, err
		}
	}
	for i, s := range in.Shims {
		if err := working.Above(fmt.Sprintf("/shims/%d", i), "The shim", s, 0, 100, "mm"); err != nil {
			return SpacersResult{}, err
		}
	}
	if err := working.Within("/grain", "What the saw cuts to", in.Grain, 0, 100, "mm"); err != nil {
		return SpacersResult{}, err
	}
	var r SpacersResult
	r.Places, r.Common = Spacers(in.Standoffs, in.Grain, in.Shims)
	most := 0.0
	for _, p := range r.Places {
		most = math.Max(most, math.Abs(p.Left))
	}
	r.Working = working.Working{Method: "Spacer and shims",
		Source: "practice: one spacer for all where shims make up the rest, thickest shim first", Formula: "standoff = spacer + Σ shims + rest",
		Inputs:      []working.Quantity{{Symbol: "n", Name: "places", Value: float64(len(in.Standoffs))}},
		Assumptions: []string{"a rest of up to half the thinnest shim is taken up by the bolt"},
		Result:      working.Quantity{Symbol: "r", Name: "largest rest", Value: most, Unit: "mm"}}
	return r, nil
}
