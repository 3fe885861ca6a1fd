package frame

import (
	"math"

	"warmanvil/core/working"
)

// ColumnInput is a member in compression.
type ColumnInput struct {
	Length           float64 `json:"length" doc:"mm"`
	K                float64 `json:"k" doc:"effective length factor"`
	RadiusOfGyration float64 `json:"radiusOfGyration" doc:"mm, the least"`
	Area             float64 `json:"area" doc:"mm²"`
	Yield            float64 `json:"yield" doc:"MPa"`
	Modulus          float64 `json:"modulus" doc:"MPa"`
}

// ColumnResult is when it buckles.
type ColumnResult struct {
	Slenderness    float64         `json:"slenderness"`
	Mode           string          `json:"mode" enum:"johnson,euler"`
	CriticalStress float64         `json:"criticalStress" doc:"MPa"`
	CriticalLoad   float64         `json:"criticalLoad" doc:"N"`
	Working        working.Working `json:"working"`
}

// Column answers the buckling load: Johnson's parabola for stocky columns,
// Euler's hyperbola for slender ones, where both give half the yield. It fails
// with *working.Fault.
func Column(in ColumnInput) (ColumnResult, error) {
	err := working.First(working.Above("/length", "The length", in.Length, 0, 1e5, "mm"),
		working.Above("/k", "The effective length factor", in.K, 0, 10, ""),
		working.Above("/radiusOfGyration", "The radius of gyration", in.RadiusOfGyration, 0, 1e4, "mm"),
		working.Above("/area", "The area", in.Area, 0, 1e7, "mm²"), working.Above("/yield", "The yield strength", in.Yield, 0, 5000, "MPa"),
		working.Above("/modulus", "The modulus", in.Modulus, 0, 1e6, "MPa"))
	if err != nil {
		return ColumnResult{}, err
	}
	s := in.K * in.Length / in.RadiusOfGyration
	limit := math.Sqrt(2 * math.Pi * math.Pi * in.Modulus / in.Yield)
	r := ColumnResult{Slenderness: s, Mode: "euler", CriticalStress: math.Pi * math.Pi * in.Modulus / (s * s)}
	formula := "σ = π²E/λ²"
	if s < limit {
		r.Mode, r.CriticalStress, formula = "johnson", in.Yield*(1-in.Yield*s*s/(4*math.Pi*math.Pi*in.Modulus)), "σ = Sy·(1 − Sy·λ²/(4π²E))"
	}
	r.CriticalLoad = r.CriticalStress * in.Area
	r.Working = working.Working{Method: "Column buckling", Source: "Johnson's parabola and Euler's hyperbola, joined at λ = √(2π²E/Sy)",
		Formula: formula + ", λ = K·L/r",
		Inputs: []working.Quantity{{Symbol: "L", Name: "length", Value: in.Length, Unit: "mm"},
			{Symbol: "K", Name: "effective length factor", Value: in.K},
			{Symbol: "r", Name: "radius of gyration", Value: in.RadiusOfGyration, Unit: "mm"},
			{Symbol: "Sy", Name: "yield", Value: in.Yield, Unit: "MPa"}, {Symbol: "E", Name: "modulus", Value: in.Modulus, Unit: "MPa"}},
		Steps: []working.Quantity{{Symbol: "λ", Name: "slenderness", Value: s}, {Symbol: "λ1", Name: "where the curves meet", Value: limit},
			{Symbol: "σ", Name: "critical stress", Value: r.CriticalStress, Unit: "MPa"}},
		Assumptions: []string{"straight, loaded through its middle; no safety factor is in it"},
		Result:      working.Quantity{Symbol: "P", Name: "critical load", Value: r.CriticalLoad, Unit: "N"}}
	return r, nil
}
