package site

import (
	"fmt"
	"math"

	"warmanvil/core/section"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// StrongBack is what something is clamped to while it is welded.
type StrongBack struct {
	Section string           `json:"section,omitempty" doc:"of the table; left out where none is stiff enough"`
	Long    float64          `json:"long" doc:"mm"`
	Clamps  int              `json:"clamps"`
	Left    float64          `json:"left" doc:"mm, bowed on the way with it on"`
	Kilos   float64          `json:"kilos"`
	Says    string           `json:"says"`
	Working *working.Working `json:"working"`
}

const (
	backFrom  = 1.   // mm of bow from which something is clamped to a back (practice)
	backLeft  = .5   // mm that may be left
	clampsOff = 400. // mm between clamps (practice)
)

// strongBack answers the lightest tube of the table that holds something straight while it is welded; nil where it
// bows too little to be held.
func (s Site) strongBack(b weld.Bent, peak float64) *StrongBack {
	if peak <= backFrom || b.I <= 0 || b.Long <= 0 {
		return nil
	}
	pen := s.seamPen()
	need := b.I * (peak/backLeft - 1)
	whole := 10. // mm it is cut to
	if s.Brief.Inches() {
		whole = 25.4 / 2
	}
	out := StrongBack{Long: whole * math.Ceil(b.Long/whole-1e-9), Clamps: max(3, int(math.Ceil(b.Long/clampsOff))+1)}
	var best section.Properties
	for _, t := range section.Table() {
		if t.Inches != s.Brief.Inches() || t.Sizes.Kind != "rectTube" {
			continue
		}
		p, err := section.Work(t.Sizes)
		if err != nil || max(p.Ix, p.Iy) < need || out.Section != "" && p.MassPerMetre >= best.MassPerMetre {
			continue
		}
		out.Section, best = t.Name, p
	}
	inertia := working.Quantity{Symbol: "I", Name: "of what is welded, against its bow", Value: b.I, Unit: "mm⁴"}
	w := working.Working{Method: "Strong-back", Source: "what is clamped along its length bends with its back as two beams side by side; " +
		"practice",
		Formula: "bow left = bow · I / (I + I back)", Inputs: []working.Quantity{inertia, working.MM("bow", "bow on the way, free", peak),
			working.MM("left", "that may be left", backLeft)},
		Steps: []working.Quantity{{Symbol: "need", Name: "I back at least", Value: need, Unit: "mm⁴"}},
		Assumptions: []string{"both of steel; clamped tight along all of it, stood on its stiffer side", "let go it springs back by a part: " +
			"leave it clamped until it is cold"},
		Result: working.MM("left", "bowed on the way with it on", backLeft)}
	if out.Section == "" {
		out.Left = peak
		out.Says = fmt.Sprintf("Free it bows up to %s on the way, and no tube of the table is stiff enough to hold it: brace it corner to "+
			"corner, "+
			"or clamp it to the table, until it has cooled. Braces come off and are ground after the last run.", pen.Fine(math.Round(peak*100)/100))
	} else {
		stiff := max(best.Ix, best.Iy)
		out.Left, out.Kilos = peak*b.I/(b.I+stiff), best.MassPerMetre*out.Long/1000
		w.Steps = append(w.Steps, working.Quantity{Symbol: "Ib", Name: out.Section, Value: stiff, Unit: "mm⁴"})
		w.Result.Value = out.Left
		out.Says = fmt.Sprintf("Free it bows up to %s on the way. Clamp it to a straight back of %s, %s long, with %d clamps, both ends "+
			"first, until it "+
			"has cooled: that leaves about %s. It comes off after the last run.", pen.Fine(math.Round(peak*100)/100), out.Section, pen.MM(out.Long),
			out.Clamps, pen.Fine(math.Round(out.Left*100)/100))
	}
	k := w.Written(s.Brief.Inches())
	out.Working = &k
	return &out
}

// Backs lists what holds things while they are welded and is on the parts list: strong-backs and braces.
func (s Site) Backs() (out []Listed) {
	for _, k := range s.Brief.Books {
		if !k.Back && len(k.Braced) == 0 {
			continue
		}
		p, err := s.WeldPlan(k.Of)
		if err != nil {
			continue
		}
		for _, b := range p.Braces {
			if b.On {
				row := Listed{Name: "Brace of " + p.Name, Temporary: true, Quantity: 1, Material: b.Section, Kilos: b.Kilos,
					Why: fmt.Sprintf("%s long, %s; it comes off after welding", s.seamPen().MM(b.Long), b.Name)}
				if b.Section == "" {
					row.Why = b.Says
				}
				out = append(out, row)
			}
		}
		if !k.Back || p.Back == nil {
			continue
		}
		row := Listed{Name: "Strong-back of " + p.Name, Temporary: true, Quantity: 1, Material: p.Back.Section, Kilos: p.Back.Kilos,
			Why: fmt.Sprintf("%s long; it comes off after welding", s.seamPen().MM(p.Back.Long))}
		if p.Back.Section == "" {
			row.Why = "No tube of the table is stiff enough: " + p.Back.Says
		}
		out = append(out, row)
	}
	return out
}
