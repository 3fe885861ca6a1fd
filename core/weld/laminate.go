package weld

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// LaminateInput is plates that lie on each other and are welded along both edges into one.
type LaminateInput struct {
	Shear   float64       `json:"shear" doc:"N, across the plates where they are bent"`
	Width   float64       `json:"width" doc:"mm"`
	Layers  []float64     `json:"layers" doc:"mm, thickness of each, from one face on"`
	Between int           `json:"between" doc:"the seam between this layer and the next, from 1"`
	Filler  float64       `json:"filler" doc:"MPa, tensile strength of the weld metal"`
	Leg     float64       `json:"leg" doc:"mm, of the edge seams"`
	Stitch  float64       `json:"stitch,omitempty" doc:"mm, long, of stitches; all along when left out"`
	Rule    strength.Rule `json:"rule"`
}

// LaminateResult is what the edges must take.
type LaminateResult struct {
	Flow    float64          `json:"flow" doc:"N/mm, along both edges together"`
	Most    float64          `json:"most" doc:"N/mm, what both seams may take"`
	Leg     float64          `json:"leg" doc:"mm, least leg all along"`
	Pitch   *float64         `json:"pitch" doc:"mm, from middle to middle of such stitches; null where they do not do"`
	Use     float64          `json:"use" doc:"share used of what is laid"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over"`
	Working working.Working  `json:"working"`
}

// Laminate answers the shear flow V·Q/I between two layers of plates welded along both edges, the leg and the pitch
// of stitches that take it. It fails with *working.Fault.
func Laminate(in LaminateInput) (LaminateResult, error) {
	if err := working.First(working.Within("/shear", "The shear", in.Shear, 0, mostForce, "N"),
		working.Above("/width", "The width", in.Width, 0, mostPlace, "mm"), electrode(in.Filler), working.Above("/leg", "The leg", in.Leg, 0, 100,
			"mm"), working.Within("/stitch", "A stitch", in.Stitch, 0, mostPlace, "mm"), in.Rule.Check("/rule")); err != nil {
		return LaminateResult{}, err
	}
	if len(in.Layers) < 2 || len(in.Layers) > 20 {
		return LaminateResult{}, working.Refuse("/layers", "From 2 to 20 plates lie on each other.")
	}
	if in.Between < 1 || in.Between >= len(in.Layers) {
		return LaminateResult{}, working.Refuse("/between", "Say between which layers: from 1 to %d.", len(in.Layers)-1)
	}
	whole := 0.
	for i, t := range in.Layers {
		if err := working.Above(fmt.Sprintf("/layers/%d", i), "A layer", t, 0, mostThick, "mm"); err != nil {
			return LaminateResult{}, err
		}
		whole += t
	}
	off, at := 0., 0.
	for i, t := range in.Layers { // first moment of what lies past the seam, about the middle
		if i < in.Between {
			off += in.Width * t * (whole/2 - at - t/2)
		}
		at += t
	}
	inertia := in.Width * whole * whole * whole / 12
	past := 0.
	for _, t := range in.Layers[:in.Between] {
		past += t
	}
	out := LaminateResult{Flow: LayersAt{in.Shear, past, whole}.Flow()}
	factor := weldShear.Omega
	capacity := .6 * in.Filler / factor
	if in.Rule.School == strength.Factored {
		capacity = weldShear.Phi * .6 * in.Filler
	}
	out.Most = 2 * capacity * in.Leg * Throat
	out.Leg = out.Flow / (2 * capacity * Throat)
	laid := out.Most
	if in.Stitch > 0 {
		sound := math.Max(in.Stitch-2*in.Leg, 0)
		if least := math.Max(leastLegs*in.Leg, LeastCounted); in.Stitch < least {
			sound = 0
		}
		if pitch := out.Most * sound / math.Max(out.Flow, 1e-12); sound > 0 && pitch >= in.Stitch {
			most := math.Min(pitch, MostApart(slices.Min(in.Layers))) // plates that touch are held no farther apart
			out.Pitch = &most
			laid = out.Most * sound / most
		}
	}
	use, verdict := strength.Judge(out.Flow, laid)
	if out.Verdict = verdict; use != nil {
		out.Use = *use
	}
	out.Working = working.Working{Method: "Seam between plates on each other", Source: "shear flow V·Q/I; AISC 360 J2.4: 0.60·FEXX on the " +
		"throat",
		Formula: "q = V·Q/I; leg = q/(2·0.7071·0.30·FEXX); pitch = 2·0.7071·leg·0.30·FEXX·(stitch − 2·leg)/q",
		Inputs: []working.Quantity{{Symbol: "V", Name: "shear", Value: in.Shear, Unit: "N"}, working.MM("b", "width", in.Width),
			working.MM("h", "all layers", whole), working.MM("leg", "leg", in.Leg), {Symbol: "FEXX", Name: "weld " +
				"metal", Value: in.Filler, Unit: "MPa"}},
		Steps: []working.Quantity{{Symbol: "Q", Name: "first moment past the seam", Value: math.Abs(off), Unit: "mm³"},
			{Symbol: "I", Name: "inertia of the whole", Value: inertia, Unit: "mm⁴"}, perMM("may", "both seams may take", out.Most),
			working.MM("leg", "least leg", out.Leg)},
		Assumptions: []string{"welded along both long edges, plates of one width", "the layers bend as one: without the seams they do not",
			"stitches lose their starts and stops, and are no farther apart than 24 times the thinner, nor a foot (AISC 360 J3.5)"},
		Result: perMM("q", "along both edges together", out.Flow)}
	return out, nil
}

// flows puts what runs lengthwise on every seam by its whole line on what of it carries.
func (g *group) flows() {
	for k, q := range g.ask.Flows {
		if q == 0 {
			continue
		}
		if g.extra == nil {
			g.extra = make([]float64, len(g.lines.Lines))
		}
		laid := 0. // mm², throats of all of it that carries
		for i, of := range g.of {
			if of.seam == k && !of.dot {
				laid += g.lines.Lines[i].Len() * g.lines.Lines[i].Throat
			}
		}
		for i, of := range g.of {
			if of.seam == k && !of.dot {
				g.extra[i] = q * g.ask.Seams[k].Len() / laid
			}
		}
	}
}

// LayersAt is where a seam lies in plates that are bent as one.
type LayersAt struct {
	Shear float64 // N, across them
	Past  float64 // mm, of the layers on one side of the seam
	Whole float64 // mm, of all of them
}

// Flow answers V·Q/I where two layers meet, N/mm along both edges together: of plates of one width that falls out.
func (l LayersAt) Flow() float64 {
	return 6 * math.Abs(l.Shear) * l.Past * (l.Whole - l.Past) / (l.Whole * l.Whole * l.Whole)
}

// MostApart is how far apart from middle to middle stitches along plates that lie on each other are at most, mm: 24 times
// the thinner, and a foot (AISC 360 J3.5).
func MostApart(thinner float64) float64 { return math.Min(24*thinner, 305) }
