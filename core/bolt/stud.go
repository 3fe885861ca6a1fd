package bolt

import (
	"fmt"
	"math"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// StudInput is a stud screwed into a base, with a stack on it and a nut.
type StudInput struct {
	Display  quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	System   stock.System     `json:"system" enum:"inch,metric"`
	Size     string           `json:"size" doc:"1/4, #10, M8"`
	Pitch    float64          `json:"pitch,omitempty" doc:"threads per inch, or mm; coarse when left out"`
	Engage   float64          `json:"engage,omitempty" doc:"mm screwed into the base; the diameter when left out"`
	Depth    float64          `json:"depth,omitempty" doc:"mm the base is threaded deep, if it is a blind hole"`
	Plies    []Ply            `json:"plies"`
	Washers  int              `json:"washers" doc:"plain washers under the nut"`
	Nut      NutKind          `json:"nut" enum:"hex,lock,other"`
	Height   float64          `json:"height,omitempty" doc:"mm, of another nut"`
	Protrude [2]float64       `json:"protrude,omitzero" doc:"threads past the nut, least and most; 1 and 3 when left out"`
}

// StudResult is the stud to make or buy.
type StudResult struct {
	Length   float64           `json:"length" doc:"mm, shortest that does, on the step studs come in"`
	Least    float64           `json:"least" doc:"mm"`
	Most     float64           `json:"most" doc:"mm, longest that stays within the threads asked for"`
	Stands   float64           `json:"stands" doc:"mm it stands out of the base"`
	Engaged  float64           `json:"engaged" doc:"mm screwed into the base"`
	Far      float64           `json:"far" doc:"mm of thread the nut's end needs"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// Stud answers how long a stud must be: screwed into the base, through the stack and its
// washers, through the nut and past it. Refusals are *working.Fault.
func Stud(in StudInput) (StudResult, error) {
	if in.System == stock.Inch && in.Display.Style == "" {
		in.Display.Style = quantity.Decimal
	}
	g, err := Grip(GripInput{Display: in.Display, System: in.System, Size: in.Size, Pitch: in.Pitch, Plies: in.Plies, Washers: in.Washers,
		Nut: in.Nut, Height: in.Height, Protrude: in.Protrude})
	if err != nil {
		return StudResult{}, err
	}
	if in.Nut == NoNut {
		return StudResult{}, working.Refuse("/nut", "A stud has a nut on it: hexagon, with a plastic ring, or another by its height.")
	}
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		return StudResult{}, working.Refuse("/size", "%v.", err)
	}
	if in.Engage == 0 {
		in.Engage = t.Diameter
	}
	if err := working.First(working.Above("/engage", "What is screwed in", in.Engage, 0, 500, "mm"),
		working.Within("/depth", "The threaded depth", in.Depth, 0, 500, "mm")); err != nil {
		return StudResult{}, err
	}
	r := StudResult{Engaged: in.Engage, Least: in.Engage + g.Least, Most: in.Engage + g.Most, Far: g.Most - g.Grip,
		Findings: []working.Finding{}}
	say := func(code, reason string) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Stud", Reason: reason})
	}
	step := 5.
	if in.System == stock.Inch {
		step = 25.4 / 4
	}
	r.Length = step * math.Ceil(r.Least/step-1e-9)
	if r.Length > r.Most+1e-9 { // no step within the threads asked for: cut to length
		r.Length = r.Least
		say("cut", fmt.Sprintf("No usual length lies between %s and %s: cut it from threaded rod and dress the end.", in.Display.Text(r.Least),
			in.Display.Text(r.Most)))
	}
	r.Stands = r.Length - in.Engage
	if in.Depth > 0 && in.Engage > in.Depth-t.PitchMM()+1e-9 {
		say("bottoms", fmt.Sprintf("Screwed in %s it bottoms in a thread %s deep: leave a turn free, and set the stud with adhesive rather than "+
			"against the bottom.", in.Display.Text(in.Engage), in.Display.Text(in.Depth)))
	}
	if in.Engage < t.Diameter-1e-9 {
		say("engagement-short", fmt.Sprintf("It is screwed in %s, under one diameter (%s): ask the thread engagement whether it strips before "+
			"the stud breaks. In aluminium twice the diameter is usual.", in.Display.Text(in.Engage), in.Display.Text(t.Diameter)))
	}
	r.Working = working.Working{Method: "Length of a stud", Source: stock.HardwareSource + "; one diameter of engagement in steel by practice",
		Formula: "L = engagement + Σ(t − squash) + washers + nut + threads past it · P",
		Inputs: []working.Quantity{working.MM("e", "screwed into the base", in.Engage), working.MM("grip", "stack with washers, tight", g.Grip),
			{Symbol: "P", Name: "pitch", Value: t.PitchMM(), Unit: "mm"}},
		Steps:  []working.Quantity{working.MM("Lmin", "shortest", r.Least), working.MM("Lmax", "longest", r.Most)},
		Result: working.MM("L", "length", r.Length)}
	return r, nil
}
