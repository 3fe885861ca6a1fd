package weld

import (
	"math"

	"warmanvil/core/working"
)

// Edges of a butt or a fillet as they are prepared.
const (
	SquareEdges = "square"
	VeeEdges    = "vee"
	BevelEdges  = "bevel"
	DoubleVee   = "double vee"
	NoGroove    = "fillet"
)

// GrooveInput is how edges are prepared.
type GrooveInput struct {
	Edges     string  `json:"edges" enum:"square,vee,bevel,double vee,fillet"`
	Thickness float64 `json:"thickness,omitempty" doc:"mm, of a butt"`
	Angle     float64 `json:"angle,omitempty" doc:"degrees: of a vee between its faces, of a bevel from square"`
	Land      float64 `json:"land,omitempty" doc:"mm left square at the root"`
	Root      float64 `json:"root,omitempty" doc:"mm, gap at the root"`
	Leg       float64 `json:"leg,omitempty" doc:"mm, of a fillet"`
	Length    float64 `json:"length" doc:"mm, of the seam"`
	Pass      float64 `json:"pass" doc:"mm², that one pass lays; 15 to 25 of thin wire, 30 of a 3.2 rod (practice)"`
	Backed    bool    `json:"backed,omitempty" doc:"on a backing, or gouged from the back and welded there"`
}

// GrooveResult is what goes into them.
type GrooveResult struct {
	Area    float64         `json:"area" doc:"mm², to be filled"`
	Passes  int             `json:"passes"`
	Mass    float64         `json:"mass" doc:"kg of weld metal, with crown"`
	Throat  float64         `json:"throat" doc:"mm, that counts"`
	Full    bool            `json:"full" doc:"it is melted through"`
	Working working.Working `json:"working"`
}

const (
	crown      = 1.1   // more is laid than the groove is large (practice)
	steelGrams = 7850. // kg/m³
	thinRoot   = 3.    // mm a narrow groove is not melted to its bottom (AISC 360 Table J2.1)
	openFrom   = 60.   // degrees: from here on it is
)

// Groove works out passes, weld metal and throat of prepared edges. It fails with *working.Fault.
func Groove(in GrooveInput) (GrooveResult, error) {
	if err := in.check(); err != nil {
		return GrooveResult{}, err
	}
	tan := func(deg float64) float64 { return math.Tan(deg * math.Pi / 180) }
	deep := in.Thickness - in.Land
	var out GrooveResult
	var says string
	open := in.Angle
	switch in.Edges {
	case SquareEdges:
		out.Area, deep, says = in.Root*in.Thickness, in.Thickness, "A = root·T"
	case VeeEdges:
		out.Area, says = in.Root*in.Thickness+deep*deep*tan(in.Angle/2), "A = root·T + (T − land)²·tan(angle/2)"
	case BevelEdges:
		out.Area, says = in.Root*in.Thickness+deep*deep*tan(in.Angle)/2, "A = root·T + (T − land)²·tan(angle)/2"
	case DoubleVee:
		out.Area, says = in.Root*in.Thickness+deep*deep*tan(in.Angle/2)/2, "A = root·T + 2·((T − land)/2)²·tan(angle/2)"
	default:
		out.Area, out.Throat, says = in.Leg*in.Leg/2, in.Leg*Throat, "A = leg²/2"
	}
	if in.Edges != NoGroove {
		out.Full = in.Backed
		switch {
		case in.Backed:
			out.Throat = in.Thickness
		case in.Edges == SquareEdges:
			out.Throat = 0 // how deep a square butt melts nobody knows without a coupon
		case open < openFrom && in.Edges == DoubleVee:
			out.Throat = math.Max(deep-2*thinRoot, 0)
		case open < openFrom:
			out.Throat = math.Max(deep-thinRoot, 0)
		default:
			out.Throat = deep
		}
	}
	laid := out.Area * crown
	out.Passes = max(1, int(math.Ceil(laid/in.Pass-1e-9)))
	out.Mass = laid * in.Length * 1e-9 * steelGrams
	out.Working = working.Working{Method: "Weld metal of prepared edges",
		Source:  "plane geometry; throat of a groove that is not melted through by AISC 360 Table J2.1",
		Formula: says + "; passes = 1.1·A / area of a pass",
		Inputs: []working.Quantity{working.MM("T", "thickness", in.Thickness), {Symbol: "angle", Name: "angle", Value: in.Angle, Unit: "°"},
			working.MM("land", "land", in.Land), working.MM("root", "gap", in.Root), working.MM("leg", "leg", in.Leg),
			working.MM("L", "seam", in.Length), {Symbol: "a", Name: "a pass lays", Value: in.Pass, Unit: "mm²"}},
		Steps: []working.Quantity{{Symbol: "A", Name: "to be filled", Value: out.Area, Unit: "mm²"},
			{Symbol: "n", Name: "passes", Value: float64(out.Passes)}, working.MM("throat", "that counts", out.Throat)},
		Assumptions: []string{"a tenth more for the crown; what a pass lays is practice", "steel of 7850 kg/m³",
			"under 60° a groove that is not backed counts 3 mm less a side; of a square butt that is not backed no throat is counted"},
		Result: working.Quantity{Symbol: "m", Name: "weld metal", Value: out.Mass, Unit: "kg"}}
	return out, nil
}

func (in GrooveInput) check() error {
	if err := working.First(working.Above("/length", "The seam", in.Length, 0, mostPlace, "mm"),
		working.Above("/pass", "What a pass lays", in.Pass, 0, 500, "mm²")); err != nil {
		return err
	}
	if in.Edges == NoGroove {
		return working.Above("/leg", "The leg", in.Leg, 0, 100, "mm")
	}
	if err := working.First(working.Above("/thickness", "The thickness", in.Thickness, 0, mostThick, "mm"),
		working.Within("/root", "The gap", in.Root, 0, 50, "mm")); err != nil {
		return err
	}
	switch in.Edges {
	case SquareEdges:
		return nil
	case VeeEdges, DoubleVee:
		return working.First(working.Above("/angle", "The angle between the faces", in.Angle, 0, 150, "°"),
			working.Within("/land", "The land", in.Land, 0, in.Thickness, "mm"))
	case BevelEdges:
		return working.First(working.Above("/angle", "The bevel from square", in.Angle, 0, 75, "°"),
			working.Within("/land", "The land", in.Land, 0, in.Thickness, "mm"))
	}
	return working.Refuse("/edges", "Say how the edges are prepared: square, vee, bevel, double vee or fillet.")
}
