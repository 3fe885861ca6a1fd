// Package tube works out how members' ends are cut: mitres, saddles, notches,
// and how bar and tube are bent. Lengths mm, angles degrees.
package tube

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

const maxLength = 1e5 // mm

// MitreInput are two members that meet in a plane.
type MitreInput struct {
	DepthA   float64 `json:"depthA" doc:"mm, of A in the plane of the joint"`
	DepthB   float64 `json:"depthB" doc:"mm, of B"`
	Included float64 `json:"included" doc:"degrees between the two members"`
}

// MitreResult are the cuts: angles from the member's axis and as the saw's scale
// shows them (0 is square).
type MitreResult struct {
	CutA            float64           `json:"cutA" doc:"degrees from A's axis"`
	CutB            float64           `json:"cutB" doc:"degrees from B's axis"`
	SawA            float64           `json:"sawA" doc:"degrees, 90 − cutA"`
	SawB            float64           `json:"sawB" doc:"degrees, 90 − cutB"`
	LongMinusShortA float64           `json:"longMinusShortA" doc:"mm from short point to long point along A"`
	LongMinusShortB float64           `json:"longMinusShortB" doc:"mm along B"`
	Findings        []working.Finding `json:"findings"`
	Working         working.Working   `json:"working"`
}

// Mitre answers the cuts at which inside and outside corners of two members
// meet, also of unequal depth. It fails with *working.Fault.
func Mitre(in MitreInput) (MitreResult, error) {
	err := working.First(working.Above("/depthA", "The depth of A", in.DepthA, 0, maxLength, "mm"),
		working.Above("/depthB", "The depth of B", in.DepthB, 0, maxLength, "mm"),
		working.Above("/included", "The angle between the members", in.Included, 0, 180, "°"))
	if err != nil {
		return MitreResult{}, err
	}
	s, c := math.Sincos(in.Included * math.Pi / 180)
	if in.Included == 180 {
		s, c = 0, -1
	}
	cut := func(own, other float64) float64 { return math.Atan2(own*s, other+own*c) * 180 / math.Pi }
	r := MitreResult{CutA: cut(in.DepthA, in.DepthB), CutB: cut(in.DepthB, in.DepthA), Findings: []working.Finding{}}
	if in.Included == 180 {
		if in.DepthA != in.DepthB {
			return MitreResult{}, working.Refuse("/included",
				"Members of unequal depth in one line do not mitre: butt them, or take a plate between.")
		}
		r.CutA, r.CutB = 90, 90
	}
	r.SawA, r.SawB = 90-r.CutA, 90-r.CutB
	r.LongMinusShortA, r.LongMinusShortB = in.DepthA/math.Tan(r.CutA*math.Pi/180), in.DepthB/math.Tan(r.CutB*math.Pi/180)
	if r.CutA == 90 {
		r.LongMinusShortA, r.LongMinusShortB = 0, 0
	}
	for _, m := range []struct {
		name string
		saw  float64
	}{{"A", r.SawA}, {"B", r.SawB}} {
		if math.Abs(m.saw) > 60 {
			r.Findings = append(r.Findings, working.Finding{Code: "saw-limit", Severity: working.Mind, Cause: "Mitre",
				Reason: fmt.Sprintf("The saw would stand at %.1f° for %s; most stop at 45 or 60. Turn the piece and cut from its other side, or "+
					"notch or cope it.", m.saw, m.name)})
		}
	}
	r.Working = working.Working{Method: "Mitre of two members", Source: "plane geometry: one cut line joins inside and outside corner",
		Formula: "tan cutA = dA·sin φ / (dB + dA·cos φ), cutA + cutB = φ, long − short = d / tan cut",
		Inputs: []working.Quantity{{Symbol: "dA", Name: "depth of A", Value: in.DepthA, Unit: "mm"},
			{Symbol: "dB", Name: "depth of B", Value: in.DepthB, Unit: "mm"},
			{Symbol: "φ", Name: "between the members", Value: in.Included, Unit: "°"}},
		Steps: []working.Quantity{{Symbol: "cutB", Name: "from B's axis", Value: r.CutB, Unit: "°"},
			{Symbol: "saw", Name: "scale for A, 0 is square", Value: r.SawA, Unit: "°"}},
		Result: working.Quantity{Symbol: "cutA", Name: "from A's axis", Value: r.CutA, Unit: "°"}}
	return r, nil
}

// SaddleInput is a round branch on a round main tube.
type SaddleInput struct {
	BranchDiameter float64 `json:"branchDiameter" doc:"mm outside"`
	BranchWall     float64 `json:"branchWall" doc:"mm"`
	MainDiameter   float64 `json:"mainDiameter" doc:"mm outside"`
	Angle          float64 `json:"angle" doc:"degrees between the axes, over 0 to 90"`
	Offset         float64 `json:"offset" doc:"mm of the branch's axis sideways from the main's"`
	Stations       int     `json:"stations" doc:"equal steps round the branch"`
}

// SaddleResult are cut depths round the branch, from the heel (the acute side),
// each above the lowest station of its own wall.
type SaddleResult struct {
	Outer     []float64       `json:"outer" doc:"mm, outer surface: the wrap-around template"`
	Inner     []float64       `json:"inner" doc:"mm, inner surface"`
	Wrap      float64         `json:"wrap" doc:"mm, length of the template round the branch"`
	LongShort float64         `json:"longShort" doc:"mm from the deepest to the shallowest of the outer surface"`
	Working   working.Working `json:"working"`
}

// Saddle answers the cope of a round tube on a round tube. It fails with
// *working.Fault.
func Saddle(in SaddleInput) (SaddleResult, error) {
	err := working.First(working.Above("/branchDiameter", "The branch", in.BranchDiameter, 0, maxLength, "mm"),
		working.Above("/branchWall", "The wall", in.BranchWall, 0, in.BranchDiameter/2, "mm"),
		working.Above("/mainDiameter", "The main tube", in.MainDiameter, 0, maxLength, "mm"),
		working.Above("/angle", "The angle between the axes", in.Angle, 0, 90, "°"),
		working.Within("/offset", "The offset", in.Offset, -maxLength, maxLength, "mm"),
		working.Within("/stations", "The number of stations", float64(in.Stations), 4, 720, ""))
	if err != nil {
		return SaddleResult{}, err
	}
	if in.Angle < 5 {
		return SaddleResult{}, working.Refuse("/angle", "Under 5° the cope runs away along the tube: lap the tubes and plate them instead.")
	}
	R := in.MainDiameter / 2
	if reach := math.Abs(in.Offset) + in.BranchDiameter/2; reach > R+1e-9 {
		return SaddleResult{}, working.Refuse("/branchDiameter",
			"The branch stands %.4g mm past the main tube's side: it does not sit on it all round. Bring it nearer, or take a smaller branch.",
			reach-R)
	}
	r := SaddleResult{Outer: cope(in, in.BranchDiameter/2), Inner: cope(in, in.BranchDiameter/2-in.BranchWall),
		Wrap: math.Pi * in.BranchDiameter}
	for _, d := range r.Outer {
		r.LongShort = math.Max(r.LongShort, d)
	}
	r.Working = working.Working{Method: "Saddle of round on round", Source: "intersection of two cylinders",
		Formula: "t(θ) = (√(R² − (e + r·sin θ)²) + r·cos θ·cos α) / sin α, depth = t − least t",
		Inputs: []working.Quantity{{Symbol: "r", Name: "branch outside", Value: in.BranchDiameter / 2, Unit: "mm"},
			{Symbol: "R", Name: "main outside", Value: R, Unit: "mm"}, {Symbol: "α", Name: "between the axes", Value: in.Angle, Unit: "°"},
			{Symbol: "e", Name: "offset", Value: in.Offset, Unit: "mm"}, {Symbol: "n", Name: "stations", Value: float64(in.Stations)}},
		Assumptions: []string{"stations start at the heel, the acute side, and run round by equal angles"},
		Result:      working.Quantity{Symbol: "d", Name: "deepest of the outer surface", Value: r.LongShort, Unit: "mm"}}
	return r, nil
}

func cope(in SaddleInput, r float64) []float64 {
	R := in.MainDiameter / 2
	s, c := math.Sincos(in.Angle * math.Pi / 180)
	if in.Angle == 90 {
		s, c = 1, 0
	}
	out := make([]float64, in.Stations)
	least := math.Inf(1)
	for i := range out {
		st, ct := math.Sincos(2 * math.Pi * float64(i) / float64(in.Stations))
		y := in.Offset + r*st
		out[i] = (math.Sqrt(math.Max(R*R-y*y, 0)) + r*ct*c) / s
		least = math.Min(least, out[i])
	}
	for i := range out {
		out[i] -= least
	}
	return out
}

// NotchInput is a square tube notched and folded.
type NotchInput struct {
	Depth float64 `json:"depth" doc:"mm of the tube in the plane of the fold"`
	Wall  float64 `json:"wall" doc:"mm"`
	Fold  float64 `json:"fold" doc:"degrees turned from straight"`
	Hinge string  `json:"hinge" enum:"inner,outer" doc:"face of the wall that stays at which the notch ends"`
}

// NotchResult is the V to cut.
type NotchResult struct {
	NotchAngle float64         `json:"notchAngle" doc:"degrees of the V"`
	Width      float64         `json:"width" doc:"mm, opening at the open face"`
	Height     float64         `json:"height" doc:"mm from the open face to the hinge"`
	Working    working.Working `json:"working"`
}

// VNotch answers the notch that closes when the tube is folded. It fails with
// *working.Fault.
func VNotch(in NotchInput) (NotchResult, error) {
	err := working.First(working.Above("/depth", "The depth", in.Depth, 0, maxLength, "mm"),
		working.Above("/wall", "The wall", in.Wall, 0, in.Depth/2, "mm"), working.Above("/fold", "The fold", in.Fold, 0, 170, "°"))
	if err != nil {
		return NotchResult{}, err
	}
	h := in.Depth
	switch in.Hinge {
	case "outer":
	case "inner":
		h -= in.Wall
	default:
		return NotchResult{}, working.Refuse("/hinge", "The hinge is at the inner or the outer face of the wall that stays, not %q.", in.Hinge)
	}
	r := NotchResult{NotchAngle: in.Fold, Height: h, Width: 2 * h * math.Tan(in.Fold/2*math.Pi/180)}
	r.Working = working.Working{Method: "V-notch and fold", Source: "plane geometry: the V closes by the fold",
		Formula: "width = 2·h·tan(fold/2)",
		Inputs: []working.Quantity{{Symbol: "h", Name: "from the open face to the hinge", Value: h, Unit: "mm"},
			{Symbol: "fold", Name: "turned from straight", Value: in.Fold, Unit: "°"}},
		Assumptions: []string{"the wall folds at the hinge without stretching; kerf is cut inside the lines"},
		Result:      working.Quantity{Symbol: "w", Name: "opening", Value: r.Width, Unit: "mm"}}
	return r, nil
}
