package bolt

import (
	"math"

	"warmanvil/core/working"
)

// OutOfPlaneInput is a bracket whose load bends it away from what it is bolted
// to: rows of bolts at heights above the plate's lower edge.
type OutOfPlaneInput struct {
	Rows         []float64 `json:"rows" doc:"heights above the lower edge, mm"`
	Columns      int       `json:"columns" doc:"bolts in each row"`
	Shear        float64   `json:"shear" doc:"load along the plate, N"`
	Eccentricity float64   `json:"eccentricity" doc:"of the load from the plate's face, mm"`
}

// OutOfPlaneResult is the tension per bolt by row in both schools, rows in the
// order given; a row in compression answers 0.
type OutOfPlaneResult struct {
	Moment    float64           `json:"moment" doc:"N·mm"`
	Centroid  []float64         `json:"centroid" doc:"tension per bolt, neutral axis at the group's centroid, N"`
	LowerEdge []float64         `json:"lowerEdge" doc:"tension per bolt, turning about the lower edge, N"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

// OutOfPlane answers bolt tension from a moment out of the plane, with the
// neutral axis at the centroid (the default; needed for thin plate) and by
// turning about the compression edge. It fails with *working.Fault.
func OutOfPlane(in OutOfPlaneInput) (OutOfPlaneResult, error) {
	if len(in.Rows) == 0 {
		return OutOfPlaneResult{}, working.Refuse("/rows", "There is no row: give the height of each above the lower edge.")
	}
	if len(in.Rows) > maxBolts {
		return OutOfPlaneResult{}, working.Refuse("/rows", "%d rows are more than the %d this takes.", len(in.Rows), maxBolts)
	}
	mean := 0.0
	for i, y := range in.Rows {
		if err := working.Within(place("/rows", i), "A row's height", y, 0, maxPlace, "mm"); err != nil {
			return OutOfPlaneResult{}, err
		}
		mean += y / float64(len(in.Rows))
	}
	err := working.First(
		working.Within("/columns", "The bolts in a row", float64(in.Columns), 1, maxBolts, ""),
		working.Within("/shear", "The shear", in.Shear, -maxForce, maxForce, "N"),
		working.Within("/eccentricity", "The eccentricity", in.Eccentricity, -maxPlace, maxPlace, "mm"))
	if err != nil {
		return OutOfPlaneResult{}, err
	}
	m, n := in.Shear*in.Eccentricity, float64(in.Columns)
	var about, edge float64
	for _, y := range in.Rows {
		about += (y - mean) * (y - mean)
		edge += y * y
	}
	if m != 0 && (about <= 1e-12*(1+mean*mean) || edge == 0) {
		return OutOfPlaneResult{}, working.Refuse("/rows",
			"All rows are at one height, which holds no moment about the row: add a row or carry the moment elsewhere.")
	}
	r := OutOfPlaneResult{Moment: m, Findings: []working.Finding{{Code: "prying", Severity: working.Mind, Cause: "Prying",
		Reason: "Turning about the lower edge is only for plate shown stiff enough; thin plate pries on its bolts and takes the " +
			"centroid school."}}}
	largest := 0.0
	for _, y := range in.Rows {
		c, e := 0.0, 0.0
		if m != 0 {
			c, e = max(0, m*(y-mean)/(n*about)), max(0, m*y/(n*edge))
		}
		r.Centroid, r.LowerEdge = append(r.Centroid, c), append(r.LowerEdge, e)
		largest = max(largest, c)
	}
	r.Working = working.Working{Method: "Bolt tension out of the plane",
		Source:  "textbook methods, AISC Manual part 7: neutral axis at the centroid, or turning about the compression edge",
		Formula: "T = M·(y − ȳ)/(columns·Σ(y − ȳ)²); T = M·y/(columns·Σy²)",
		Inputs: []working.Quantity{{Symbol: "V", Name: "shear", Value: in.Shear, Unit: "N"},
			{Symbol: "e", Name: "eccentricity", Value: in.Eccentricity, Unit: "mm"}, {Symbol: "columns", Name: "bolts in a row", Value: n}},
		Steps: []working.Quantity{{Symbol: "M", Name: "moment", Value: m, Unit: "N·mm"},
			{Symbol: "ȳ", Name: "centroid", Value: mean, Unit: "mm"},
			{Symbol: "Σ(y−ȳ)²", Name: "about the centroid, one column", Value: about, Unit: "mm²"},
			{Symbol: "Σy²", Name: "about the edge, one column", Value: edge, Unit: "mm²"}},
		Assumptions: []string{"rigid plate; preload left out; prying to be added for thin plate"},
		Result:      working.Quantity{Symbol: "T", Name: "largest tension, centroid school", Value: largest, Unit: "N"}}
	return r, nil
}

// InteractionInput is shear and tension in one bolt.
type InteractionInput struct {
	Shear            float64 `json:"shear" doc:"N or MPa"`
	Tension          float64 `json:"tension" doc:"same unit"`
	AllowableShear   float64 `json:"allowableShear" doc:"same unit"`
	AllowableTension float64 `json:"allowableTension" doc:"same unit"`
}

// InteractionResult is the combined utilisation by both rules.
type InteractionResult struct {
	Linear     float64         `json:"linear" doc:"sum of the shares"`
	Elliptical float64         `json:"elliptical" doc:"root of the sum of squares of the shares"`
	Working    working.Working `json:"working"`
}

// Interaction combines shear and tension. It fails with *working.Fault.
func Interaction(in InteractionInput) (InteractionResult, error) {
	err := working.First(
		working.Within("/shear", "The shear", in.Shear, 0, maxForce, ""),
		working.Within("/tension", "The tension", in.Tension, 0, maxForce, ""),
		working.Above("/allowableShear", "The allowable shear", in.AllowableShear, 0, maxForce, ""),
		working.Above("/allowableTension", "The allowable tension", in.AllowableTension, 0, maxForce, ""))
	if err != nil {
		return InteractionResult{}, err
	}
	v, t := in.Shear/in.AllowableShear, in.Tension/in.AllowableTension
	r := InteractionResult{Linear: v + t, Elliptical: math.Hypot(v, t)}
	r.Working = working.Working{Method: "Shear with tension",
		Source: "ellipse: AISC 360 commentary to J3.7; the straight line is the careful bound", Formula: "√((V/Va)² + (T/Ta)²); V/Va + T/Ta",
		Inputs: []working.Quantity{{Symbol: "V", Name: "shear", Value: in.Shear},
			{Symbol: "Va", Name: "allowable shear", Value: in.AllowableShear}, {Symbol: "T", Name: "tension", Value: in.Tension},
			{Symbol: "Ta", Name: "allowable tension", Value: in.AllowableTension}},
		Steps:  []working.Quantity{{Symbol: "V/Va", Name: "share of shear", Value: v}, {Symbol: "T/Ta", Name: "share of tension", Value: t}},
		Result: working.Quantity{Symbol: "ellipse", Name: "elliptical", Value: r.Elliptical}}
	return r, nil
}
