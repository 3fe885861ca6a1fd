package bend

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// SectionBend is one bend of a sheet profile.
type SectionBend struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm"`
	Angle        float64 `json:"angle" doc:"degrees away from flat, over 0 to 180"`
	Up           bool    `json:"up" doc:"direction; does not change the length"`
}

// SectionInput is a sheet profile: n legs and n−1 bends.
type SectionInput struct {
	Thickness float64       `json:"thickness" doc:"mm"`
	KFactor   float64       `json:"kFactor" doc:"0 to 1"`
	Legs      []float64     `json:"legs" doc:"mm, outside: to the outer apex of each bend, at 180° to the outer tangent"`
	Bends     []SectionBend `json:"bends"`
}

// SectionResult is its developed length.
type SectionResult struct {
	Flat      float64         `json:"flat" doc:"mm"`
	Straights []float64       `json:"straights" doc:"mm between tangent lines"`
	BendLines []float64       `json:"bendLines" doc:"mm from the first end to each bend's centre line"`
	Working   working.Working `json:"working"`
}

const maxLegs = 200

// Section answers the flat length of a profile. A leg too short for its bends
// is refused by name.
func Section(in SectionInput) (SectionResult, error) {
	err := working.First(working.Above("/thickness", "The thickness", in.Thickness, 0, maxThickness, "mm"), checkK(in.KFactor))
	if err != nil {
		return SectionResult{}, err
	}
	if len(in.Legs) < 1 || len(in.Legs) > maxLegs {
		return SectionResult{}, working.Refuse("/legs", "A profile has from 1 to %d legs, not %d.", maxLegs, len(in.Legs))
	}
	if len(in.Bends) != len(in.Legs)-1 {
		return SectionResult{}, working.Refuse("/bends", "%d legs need %d bends, not %d.", len(in.Legs), len(in.Legs)-1, len(in.Bends))
	}
	setback := make([]float64, len(in.Bends))
	allowance := make([]float64, len(in.Bends))
	for i, b := range in.Bends {
		path := fmt.Sprintf("/bends/%d", i)
		if err := working.First(working.Within(path+"/insideRadius", "The inside radius", b.InsideRadius, 0, maxLength, "mm"),
			working.Above(path+"/angle", "The bend angle", b.Angle, 0, 180, "°")); err != nil {
			return SectionResult{}, err
		}
		setback[i] = TangentSetback(b.InsideRadius, in.Thickness, b.Angle)
		if b.Angle < 180 {
			setback[i] = OutsideSetback(b.InsideRadius, in.Thickness, b.Angle)
		}
		allowance[i] = Allowance(b.InsideRadius, in.Thickness, in.KFactor, b.Angle)
	}
	r := SectionResult{Straights: make([]float64, len(in.Legs)), BendLines: make([]float64, len(in.Bends))}
	w := working.Working{Method: "Flat length of a profile", Source: "straights between tangent lines plus bend allowances",
		Formula: "flat = Σ(leg − setbacks) + Σ A·π/180·(R + K·T)",
		Inputs:  []working.Quantity{working.MM("T", "thickness", in.Thickness), number("K", "K factor", in.KFactor)}}
	for i, leg := range in.Legs {
		if err := working.Within(fmt.Sprintf("/legs/%d", i), fmt.Sprintf("Leg %d", i+1), leg, 0, maxLength, "mm"); err != nil {
			return SectionResult{}, err
		}
		straight := leg
		if i > 0 {
			straight -= setback[i-1]
		}
		if i < len(setback) {
			straight -= setback[i]
		}
		if straight < -1e-9 {
			return SectionResult{}, working.Refuse(fmt.Sprintf("/legs/%d", i),
				"Leg %d is %.2f mm too short for its bends: it needs at least %.2f mm.", i+1, -straight, leg-straight)
		}
		r.Straights[i] = math.Max(straight, 0)
		r.Flat += r.Straights[i]
		w.Inputs = append(w.Inputs, working.MM(fmt.Sprintf("leg %d", i+1), "outside", leg))
		w.Steps = append(w.Steps, working.MM(fmt.Sprintf("s%d", i+1), "straight", r.Straights[i]))
		if i < len(allowance) {
			r.BendLines[i] = r.Flat + allowance[i]/2
			r.Flat += allowance[i]
			w.Steps = append(w.Steps, working.MM(fmt.Sprintf("BA%d", i+1), "bend allowance", allowance[i]))
		}
	}
	w.Result = working.MM("flat", "flat length", r.Flat)
	r.Working = w
	return r, nil
}

// JogInput is an offset of two equal, opposite bends.
type JogInput struct {
	Depth        float64 `json:"depth" doc:"mm, shift between the same faces of the two legs"`
	InsideRadius float64 `json:"insideRadius" doc:"mm"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	Angle        float64 `json:"angle" doc:"degrees of each bend, over 0 to under 180"`
	KFactor      float64 `json:"kFactor" doc:"0 to 1"`
}

// JogResult in mm.
type JogResult struct {
	Slope   float64         `json:"slope" doc:"mm, straight between the bends"`
	Run     float64         `json:"run" doc:"mm, the jog takes along the sheet"`
	Flat    float64         `json:"flat" doc:"mm, developed length of the jog alone"`
	Growth  float64         `json:"growth" doc:"mm, flat − run"`
	Working working.Working `json:"working"`
}

// Jog answers depth = 2(R + T/2)(1 − cos A) + slope·sin A solved for the slope.
// A jog too shallow for its bends is refused.
func Jog(in JogInput) (JogResult, error) {
	err := working.First(checkSheet(in.InsideRadius, in.Thickness, in.Angle), checkK(in.KFactor),
		working.Above("/angle", "The bend angle", in.Angle, 0, 179, "°"),
		working.Above("/depth", "The depth", in.Depth, 0, maxLength, "mm"))
	if err != nil {
		return JogResult{}, err
	}
	sin, cos := math.Sincos(in.Angle * math.Pi / 180)
	mid := in.InsideRadius + in.Thickness/2
	least := 2 * mid * (1 - cos)
	slope := (in.Depth - least) / sin
	if slope < -1e-9 {
		return JogResult{}, working.Refuse("/depth",
			"At %.4g° the two bends alone shift the sheet %.2f mm, more than %.2f mm: take a smaller angle or radius.", in.Angle, least, in.Depth)
	}
	slope = math.Max(slope, 0)
	ba := Allowance(in.InsideRadius, in.Thickness, in.KFactor, in.Angle)
	r := JogResult{Slope: slope, Run: 2*mid*sin + slope*cos, Flat: slope + 2*ba}
	r.Growth = r.Flat - r.Run
	r.Working = working.Working{Method: "Jog of two equal bends", Source: "plane geometry of the mid-line; bend allowance from K",
		Formula: "depth = 2·(R + T/2)·(1 − cos A) + s·sin A;  run = 2·(R + T/2)·sin A + s·cos A;  flat = s + 2·BA",
		Inputs:  append(sheetInputs(in.InsideRadius, in.Thickness, in.KFactor, in.Angle), working.MM("depth", "depth", in.Depth)),
		Steps: []working.Quantity{working.MM("s", "slope", slope), working.MM("BA", "bend allowance", ba), working.MM("run", "run", r.Run),
			working.MM("growth", "flat − run", r.Growth)},
		Result: working.MM("flat", "developed length of the jog", r.Flat)}
	return r, nil
}

// HemInput is a 180° fold; both lengths go to the outer tangent of the fold.
type HemInput struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm, 0 for a closed hem"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	KFactor      float64 `json:"kFactor" doc:"0 to 1"`
	Outside      float64 `json:"outside" doc:"mm, sheet to the outer tangent of the fold"`
	Return       float64 `json:"return" doc:"mm, returned lip to the outer tangent of the fold"`
}

// HemResult in mm.
type HemResult struct {
	BendAllowance float64         `json:"bendAllowance" doc:"mm"`
	Flat          float64         `json:"flat" doc:"mm"`
	Working       working.Working `json:"working"`
}

// Hem answers flat = (outside − (R+T)) + (return − (R+T)) + π·(R + K·T).
func Hem(in HemInput) (HemResult, error) {
	err := working.First(checkSheet(in.InsideRadius, in.Thickness, 180), checkK(in.KFactor),
		working.Within("/outside", "The outside length", in.Outside, 0, maxLength, "mm"),
		working.Within("/return", "The return", in.Return, 0, maxLength, "mm"))
	if err != nil {
		return HemResult{}, err
	}
	setback := in.InsideRadius + in.Thickness
	for _, leg := range []struct {
		path, name string
		v          float64
	}{{"/outside", "The outside length", in.Outside}, {"/return", "The return", in.Return}} {
		if leg.v < setback {
			return HemResult{}, working.Refuse(leg.path, "%s of %.2f mm is shorter than the fold itself (R + T = %.2f mm).",
				leg.name, leg.v, setback)
		}
	}
	ba := Allowance(in.InsideRadius, in.Thickness, in.KFactor, 180)
	r := HemResult{BendAllowance: ba, Flat: in.Outside + in.Return - 2*setback + ba}
	r.Working = working.Working{Method: "Hem", Source: "straights to the tangent plane plus bend allowance at 180°",
		Formula: "flat = outside + return − 2·(R + T) + π·(R + K·T)",
		Inputs: append(sheetInputs(in.InsideRadius, in.Thickness, in.KFactor, 180), working.MM("outside", "outside", in.Outside),
			working.MM("return", "return", in.Return)),
		Steps:       []working.Quantity{working.MM("BA", "bend allowance", ba)},
		Assumptions: []string{"both lengths go to the outer tangent of the fold"},
		Result:      working.MM("flat", "flat length", r.Flat)}
	return r, nil
}

// TrayInput is a four-sided tray, outside sizes.
type TrayInput struct {
	Length       float64 `json:"length" doc:"mm, outside"`
	Width        float64 `json:"width" doc:"mm, outside"`
	Height       float64 `json:"height" doc:"mm, outside"`
	InsideRadius float64 `json:"insideRadius" doc:"mm"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	KFactor      float64 `json:"kFactor" doc:"0 to 1"`
}

// TrayResult is the blank.
type TrayResult struct {
	BlankX  float64         `json:"blankX" doc:"mm, from the length"`
	BlankY  float64         `json:"blankY" doc:"mm, from the width"`
	Working working.Working `json:"working"`
}

// Tray answers blank = outside + 2·height − 2·BD at 90°.
func Tray(in TrayInput) (TrayResult, error) {
	err := working.First(checkSheet(in.InsideRadius, in.Thickness, 90), checkK(in.KFactor))
	if err != nil {
		return TrayResult{}, err
	}
	setback := OutsideSetback(in.InsideRadius, in.Thickness, 90)
	for _, side := range []struct {
		path, name string
		v, least   float64
	}{{"/length", "The length", in.Length, 2 * setback}, {"/width", "The width", in.Width, 2 * setback},
		{"/height", "The height", in.Height, setback}} {
		if err := working.Above(side.path, side.name, side.v, 0, maxLength, "mm"); err != nil {
			return TrayResult{}, err
		}
		if side.v < side.least {
			return TrayResult{}, working.Refuse(side.path, "%s of %.2f mm is smaller than its bends: it needs at least %.2f mm.",
				side.name, side.v, side.least)
		}
	}
	ba := Allowance(in.InsideRadius, in.Thickness, in.KFactor, 90)
	bd := 2*setback - ba
	r := TrayResult{BlankX: in.Length + 2*in.Height - 2*bd, BlankY: in.Width + 2*in.Height - 2*bd}
	r.Working = working.Working{Method: "Blank of a four-sided tray", Source: "outside sizes less bend deductions",
		Formula: "blank = outside + 2·height − 2·BD",
		Inputs: append(sheetInputs(in.InsideRadius, in.Thickness, in.KFactor, 90),
			working.MM("L", "length outside", in.Length), working.MM("W", "width outside", in.Width), working.MM("H", "height outside", in.Height)),
		Steps: []working.Quantity{working.MM("BA", "bend allowance", ba), working.MM("BD", "bend deduction", bd),
			working.MM("blank Y", "blank from the width", r.BlankY)},
		Assumptions: []string{"four 90° bends of the same radius", "corners are notched to the bend lines"},
		Result:      working.MM("blank X", "blank from the length", r.BlankX)}
	return r, nil
}
