package weld

import (
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Sheet and what of AISI S100 J2.4 goes with a fillet on it.
var (
	sheetShort  = strength.Factors{Omega: 2.55, Phi: .60}
	sheetLong   = strength.Factors{Omega: 3.05, Phi: .50}
	sheetAcross = strength.Factors{Omega: 2.35, Phi: .65}
	sheetThroat = strength.Factors{Omega: 2.55, Phi: .60}
	flareAlong  = strength.Factors{Omega: 2.80, Phi: .55}
	flareAcross = strength.Factors{Omega: 2.55, Phi: .60}
)

// SheetTo is the thickness under which carbon-steel sheet is worked by AISI S100, mm; ThroatFrom that over which
// the throat is asked besides.
const (
	SheetTo    = 4.8
	ThroatFrom = 2.54
)

// SheetInput is a fillet on sheet.
type SheetInput struct {
	Thickness float64  `json:"thickness" doc:"mm"`
	Length    float64  `json:"length" doc:"mm of fillet"`
	Across    bool     `json:"across" doc:"the load runs across the fillet; along it otherwise"`
	Tensile   float64  `json:"tensile" doc:"MPa, of the sheet"`
	Electrode *float64 `json:"electrode,omitempty" doc:"MPa, tensile strength of the weld metal; 483 when left out"`
}

// SheetResult is what it takes.
type SheetResult struct {
	Nominal   float64           `json:"nominal" doc:"N"`
	Allowable float64           `json:"allowable" doc:"N, of the allowable school"`
	Governs   string            `json:"governs" enum:"sheet,throat"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

// SheetFillet answers what the sheet beside a fillet takes, N, with its factors: along it, or across.
func SheetFillet(thickness, length, tensile float64, across bool) (float64, strength.Factors) {
	flow := thickness * length * tensile
	switch ratio := length / thickness; {
	case across:
		return flow, sheetAcross
	case ratio < 25:
		return (1 - .01*ratio) * flow, sheetShort
	}
	return .75 * flow, sheetLong
}

// FilletOnSheet works out a fillet on carbon-steel sheet. It fails with *working.Fault.
func FilletOnSheet(in SheetInput) (SheetResult, error) {
	metal := 483.
	if in.Electrode != nil {
		metal = *in.Electrode
	}
	if err := working.First(working.Above("/thickness", "The sheet", in.Thickness, 0, mostThick, "mm"),
		working.Above("/length", "The fillet", in.Length, 0, mostPlace, "mm"),
		working.Within("/tensile", "The sheet's tensile strength", in.Tensile, 50, 2000, "MPa"), electrode(metal)); err != nil {
		return SheetResult{}, err
	}
	n, f := SheetFillet(in.Thickness, in.Length, in.Tensile, in.Across)
	out := SheetResult{Nominal: n, Allowable: n / f.Omega, Governs: "sheet", Findings: []working.Finding{}}
	formula := map[strength.Factors]string{sheetAcross: "P = t·L·Fu, Ω 2.35", sheetShort: "P = (1 − 0.01·L/t)·t·L·Fu, Ω 2.55",
		sheetLong: "P = 0.75·t·L·Fu, Ω 3.05"}[f]
	if in.Thickness > ThroatFrom {
		throat := .75 * Throat * in.Thickness * in.Length * metal
		if throat/sheetThroat.Omega < out.Allowable {
			out.Nominal, out.Allowable, out.Governs = throat, throat/sheetThroat.Omega, "throat"
		}
		formula += "; not over 0.75·0.707·t·L·FEXX, Ω 2.55, over 2.54 mm"
	}
	say := func(reason string) {
		out.Findings = append(out.Findings, working.Finding{Code: "weld-sheet", Severity: working.Mind, Cause: "Welds", Reason: reason})
	}
	if in.Thickness >= SheetTo {
		say("From 4.8 mm on it is plate, no sheet: the rules of structural steel govern.")
	}
	if in.Length < 19 {
		say("A fillet shorter than 19 mm is not counted on sheet (AWS D1.3).")
	}
	out.Working = working.Working{Method: "Fillet on sheet", Source: "AISI S100 J2.4; leg as large as the sheet is thick (AWS D1.3)",
		Formula: formula, Inputs: []working.Quantity{working.MM("t", "sheet", in.Thickness), working.MM("L", "fillet", in.Length),
			{Symbol: "Fu", Name: "sheet, tensile", Value: in.Tensile, Unit: "MPa"}, {Symbol: "FEXX", Name: "weld metal, tensile", Value: metal,
				Unit: "MPa"}},
		Steps:       []working.Quantity{{Symbol: "P", Name: "breaks at", Value: out.Nominal, Unit: "N"}},
		Assumptions: []string{"carbon steel; peel and bending of the sheet beside it are not in it"},
		Result:      working.Quantity{Symbol: "P/Ω", Name: "may be used", Value: out.Allowable, Unit: "N"}}
	if in.Electrode == nil {
		out.Working.Assumptions = append(out.Working.Assumptions, "weld metal of 483 MPa: nobody said which")
	}
	return out, nil
}
