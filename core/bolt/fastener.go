package bolt

import (
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// FastenerInput names one bolt.
type FastenerInput struct {
	System stock.System `json:"system" enum:"inch,metric"`
	Size   string       `json:"size" doc:"1/4, #10, M8"`
	Pitch  float64      `json:"pitch" doc:"threads per inch, or mm"`
	Grade  string       `json:"grade" doc:"SAE 2, SAE 5, SAE 8, 8.8, 10.9, 12.9, A2-70, A4-70, A4-80"`
}

// FastenerResult is what the tables say about it.
type FastenerResult struct {
	StressArea      float64           `json:"stressArea" doc:"mm²"`
	ProofStress     float64           `json:"proofStress" doc:"MPa"`
	TensileStrength float64           `json:"tensileStrength" doc:"MPa"`
	ProofLoad       float64           `json:"proofLoad" doc:"N"`
	TensileLoad     float64           `json:"tensileLoad" doc:"N"`
	Diameter        float64           `json:"diameter" doc:"mm"`
	Clearance       stock.Clearance   `json:"clearance"`
	TapDrill        float64           `json:"tapDrill" doc:"mm"`
	Working         working.Working   `json:"working"`
	Findings        []working.Finding `json:"findings"`
}

// find answers thread and class of a bolt, or a fault at the member that is
// wrong.
func (in FastenerInput) find() (stock.Thread, stock.Grade, error) {
	if in.System != stock.Inch && in.System != stock.Metric {
		return stock.Thread{}, stock.Grade{}, working.Refuse("/system", "The system is inch or metric, not %q.", in.System)
	}
	if _, err := stock.FindThread(in.System, in.Size, 0); err != nil {
		return stock.Thread{}, stock.Grade{}, working.Refuse("/size", "%v.", err)
	}
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		return stock.Thread{}, stock.Grade{}, working.Refuse("/pitch", "%v.", err)
	}
	g, err := stock.FindGrade(t, in.Grade)
	if err != nil {
		return stock.Thread{}, stock.Grade{}, working.Refuse("/grade", "%v.", err)
	}
	return t, g, nil
}

// Fastener answers areas, loads and holes of a bolt. It fails with
// *working.Fault.
func Fastener(in FastenerInput) (FastenerResult, error) {
	t, g, err := in.find()
	if err != nil {
		return FastenerResult{}, err
	}
	a := t.StressArea()
	r := FastenerResult{StressArea: a, ProofStress: g.Proof, TensileStrength: g.Tensile, ProofLoad: g.Proof * a, TensileLoad: g.Tensile * a,
		Diameter: t.Diameter, Clearance: t.Clearance, TapDrill: t.TapDrill, Findings: cautions(g)}
	formula := "A = π/4·(d − 0.9382·P)²; Fp = Sp·A; Fm = Rm·A"
	if t.System == stock.Inch {
		formula = "A = π/4·(D − 25.4·0.9743/n)²; Fp = Sp·A; Fm = Rm·A"
	}
	r.Working = working.Working{Method: "Bolt " + t.Name() + " " + g.Name, Source: t.Source + "; " + g.Source, Formula: formula,
		Inputs: []working.Quantity{{Symbol: "d", Name: "diameter", Value: t.Diameter, Unit: "mm"},
			{Symbol: "P", Name: "pitch, or threads per inch", Value: t.Pitch},
			{Symbol: "Sp", Name: "proof stress", Value: g.Proof, Unit: "MPa"},
			{Symbol: "Rm", Name: "tensile strength", Value: g.Tensile, Unit: "MPa"}},
		Steps: []working.Quantity{{Symbol: "A", Name: "tensile stress area", Value: a, Unit: "mm²"},
			{Symbol: "Fm", Name: "tensile load", Value: r.TensileLoad, Unit: "N"}},
		Result: working.Quantity{Symbol: "Fp", Name: "proof load", Value: r.ProofLoad, Unit: "N"}}
	return r, nil
}

func cautions(g stock.Grade) []working.Finding {
	out := []working.Finding{}
	if g.Stainless {
		out = append(out, working.Finding{Code: "no-proof", Severity: working.Note, Cause: "Stainless",
			Reason: "Stainless has no proof stress: its 0.2 % stress stands in for it. It galls: grease it and turn slowly."})
	}
	if g.Name == "12.9" {
		out = append(out, working.Finding{Code: "brittle-plated", Severity: working.Mind, Cause: "12.9",
			Reason: "Electroplated 12.9 can become brittle and break days later: take it plain or zinc-flake coated."})
	}
	return out
}

// TorqueInput is a bolt to be tightened.
type TorqueInput struct {
	System    stock.System `json:"system" enum:"inch,metric"`
	Size      string       `json:"size" doc:"1/4, #10, M8"`
	Pitch     float64      `json:"pitch" doc:"threads per inch, or mm"`
	Grade     string       `json:"grade"`
	NutFactor float64      `json:"nutFactor" doc:"K: dry about 0.20, waxed 0.12"`
	Share     float64      `json:"share" doc:"of the proof load: 0.75, or 0.9 for permanent"`
}

// TorqueResult is how tight.
type TorqueResult struct {
	Preload  float64           `json:"preload" doc:"N"`
	Torque   float64           `json:"torque" doc:"N·mm"`
	Least    float64           `json:"least" doc:"N, preload with the scatter against"`
	Most     float64           `json:"most" doc:"N, preload with the scatter for"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// scatter of preload by a torque wrench.
const scatter = .3

// Torque answers T = K·D·F. It fails with *working.Fault.
func Torque(in TorqueInput) (TorqueResult, error) {
	t, g, err := FastenerInput{in.System, in.Size, in.Pitch, in.Grade}.find()
	if err != nil {
		return TorqueResult{}, err
	}
	err = working.First(
		working.Within("/nutFactor", "The nut factor K", in.NutFactor, .05, .6, ""),
		working.Above("/share", "The share of proof", in.Share, 0, 1, ""))
	if err != nil {
		return TorqueResult{}, err
	}
	f := in.Share * g.Proof * t.StressArea()
	r := TorqueResult{Preload: f, Torque: in.NutFactor * t.Diameter * f, Least: (1 - scatter) * f, Most: (1 + scatter) * f}
	r.Findings = append(cautions(g), working.Finding{Code: "lubrication", Severity: working.Mind, Cause: "Tightening",
		Reason: "K must match what is on the thread: dry about 0.20, waxed about 0.12. The dry torque on a waxed bolt pulls 1.7 times as hard."},
		working.Finding{Code: "soft-ply", Severity: working.Note, Cause: "Tightening",
			Reason: "Soft plies, tube walls, rubber and rivet nuts have their own lower limit."})
	if r.Most > g.Proof*t.StressArea() {
		r.Findings = append(r.Findings, working.Finding{Code: "past-proof", Severity: working.Mind, Cause: "Tightening",
			Reason: "A wrench scatters by about 30 %: some bolts will be pulled past proof. Take 0.75 of proof unless the joint is permanent and " +
				"the wrench is known."})
	}
	r.Working = working.Working{Method: "Tightening torque",
		Source: "T = K·D·F, usual practice; scatter about ±30 % with a torque wrench; " + g.Source, Formula: "F = share·Sp·A; T = K·D·F",
		Inputs: []working.Quantity{{Symbol: "K", Name: "nut factor", Value: in.NutFactor},
			{Symbol: "D", Name: "diameter", Value: t.Diameter, Unit: "mm"}, {Symbol: "share", Name: "of proof", Value: in.Share},
			{Symbol: "Sp", Name: "proof stress", Value: g.Proof, Unit: "MPa"},
			{Symbol: "A", Name: "tensile stress area", Value: t.StressArea(), Unit: "mm²"}},
		Steps: []working.Quantity{{Symbol: "F", Name: "preload", Value: f, Unit: "N"},
			{Symbol: "Fmin", Name: "preload at least", Value: r.Least, Unit: "N"},
			{Symbol: "Fmax", Name: "preload at most", Value: r.Most, Unit: "N"}},
		Result: working.Quantity{Symbol: "T", Name: "torque", Value: r.Torque, Unit: "N·mm"}}
	return r, nil
}
