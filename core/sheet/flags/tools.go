package flags

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/stock"
)

// Tools are the small tools a shop has; nil of a kind is not asked of.
type Tools struct {
	Drills []stock.Bit // smallest first
	Saws   []float64   // mm, hole saws
	Taps   []string    // threads by their names
	Steps  []float64   // mm, holes a step drill makes in this sheet
	Nuts   []string    // threads of the rivet nuts that can be set
}

// drillWithin is how far a drill may be off a hole to be of it, mm: a few hundredths are
// less than it wanders. sawWithin is the same of a hole saw (practice).
const drillWithin, sawWithin = .05, .5

// checkTools asks of every hole that is drilled or tapped whether its drill and tap are there.
func (b *flagger) checkTools() {
	seen := map[string]bool{}
	for i := range b.Holes {
		h := &b.Holes[i]
		if h.Recipe.Kind != sheet.RoundHole || seen[h.Recipe.ID] {
			continue
		}
		seen[h.Recipe.ID] = true
		d := h.Dia
		if u := h.Recipe.Use; u != nil && u.Kind == sheet.UseTapped {
			thread, err := stock.ThreadNamed(u.Thread)
			if err != nil {
				continue
			}
			if b.Machines.Tools.Taps != nil && !slices.Contains(b.Machines.Tools.Taps, thread.Name()) {
				b.Mind("tap-missing", "Tools", h.Subject(), fmt.Sprintf("%s is tapped %s, and the Shop has no such tap: buy one, take a weld or rivet "+
					"nut, or another thread.", h.Name, thread.Name()))
			}
			d = thread.TapDrill
		}
		if u := h.Recipe.Use; u != nil && u.Kind == sheet.UseRivetNut && b.Machines.Tools.Nuts != nil {
			if thread, err := stock.ThreadNamed(u.Thread); err == nil && !slices.Contains(b.Machines.Tools.Nuts, thread.Name()) {
				b.Mind("riveter-missing", "Tools", h.Subject(), fmt.Sprintf("%s takes a rivet nut %s, and the Shop has no tool that sets it: buy one, "+
					"take a weld nut, or another thread.", h.Name, thread.Name()))
			}
		}
		if h.Recipe.Made != "" && h.Recipe.Made != sheet.MadeCut {
			b.checkDrill(h, d)
		}
	}
}

func (b *flagger) checkDrill(h *lay.Hole, d float64) {
	t := b.Machines.Tools
	if t.Drills == nil && t.Saws == nil && t.Steps == nil {
		return
	}
	for _, s := range t.Saws {
		if math.Abs(s-d) <= sawWithin {
			return
		}
	}
	if slices.ContainsFunc(t.Steps, func(s float64) bool { return math.Abs(s-d) <= drillWithin }) {
		return
	}
	under, over := "none smaller", "none larger"
	var next *stock.Bit
	for i := range t.Drills {
		switch x := &t.Drills[i]; {
		case math.Abs(x.Diameter-d) <= drillWithin:
			return
		case x.Diameter < d:
			under = x.Name
		case next == nil:
			next, over = x, x.Name
		}
	}
	reason := fmt.Sprintf("%s is drilled %s, and the Shop has no such drill: its next are %s and %s.", h.Name, b.Len(d), under, over)
	tapped := h.Recipe.Use != nil && h.Recipe.Use.Kind == sheet.UseTapped
	if next == nil || tapped || next.Diameter > 1.06*d { // a bolt's clearance classes lie about so far apart
		b.Mind("drill-missing", "Tools", h.Subject(), reason)
		return
	}
	b.Mind("drill-missing", "Tools", h.Subject(), reason, b.Fix("Drill it "+next.Name, h.Path+"/diameter", next.Diameter))
}
