package hold

import (
	"fmt"
	"strings"

	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

func lower(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}

// findings says what the numbers leave out and what does not fit together.
func (p *placed) findings() []working.Finding {
	mat, rule := p.mat, p.rule
	var out []working.Finding
	size := func(mm float64) string { return lengthIn(p.mount.Display, mm) }
	say := func(severity working.Severity, code, cause string, h *made.HoleMade, format string, args ...any) {
		f := working.Finding{Code: code, Severity: severity, Cause: cause, Reason: fmt.Sprintf(format, args...)}
		if h != nil {
			f.Feature, f.Name = h.Feature, h.Name
		}
		out = append(out, f)
	}
	if p.recipe.Guessed {
		say(working.Mind, "thickness-guessed", "Sheet", nil,
			"Nobody measured the thickness of the sheet: 0.85 of it counts. Put a caliper on it.")
	}
	if m, err := stock.MaterialByKey(p.recipe.Material); err == nil && !m.Known() {
		say(working.Mind, "grade-unknown", "Sheet", nil, "%s", m.Caution)
	}
	if p.welded() {
		say(working.Note, "other-side", "What is not checked", nil, "What the bracket is welded to, and the bolts of the load's own foot, are "+
			"not "+
			"checked here: its seams are, among the welded joints.")
		return out
	}
	d := p.bolt.Thread
	said := map[string]bool{}
	for _, h := range p.holes {
		if said[h.Feature] {
			continue
		}
		said[h.Feature] = true
		switch {
		case h.Diameter < d.Diameter:
			say(working.Stop, "bolt-too-big", "Bolts", h, "%s does not go through %s, which is %s.", d.Name(), lower(h.Name), size(h.Diameter))
		case h.Diameter > d.Clearance.Loose+.5:
			say(working.Mind, "hole-too-big", "Bolts", h,
				"%s is %s wide for %s, over the loose clearance of %s: use a washer that covers it, the bolts will not share alike.", h.Name,
				size(h.Diameter), d.Name(), size(d.Clearance.Loose))
		}
		if h.Length > 0 {
			say(working.Mind, "slot-slips", "Bolts", h,
				"%s is a slot: it slips along its long way until the bolt meets the end, and only clamping holds it there.", h.Name)
		}
	}
	if p.mount.Doubler > 0 {
		say(working.Mind, "doubler-made", "Doubler", p.holes[0],
			"The doubler is a part of its own, with the same holes: make it, drill it through the bracket, and take bolts longer by its "+
				"thickness. Where the bolts are worked out as a joint, it is a ply of that joint too.")
		if gap, need := p.crowded(); gap < need {
			say(working.Stop, "doubler-room", "Doubler", p.holes[0],
				"A doubler reaches past its bolts by two diameters, %s, and the bend stands %s from them: move the holes, or take thicker plate.",
				size(need), size(gap))
		}
	}
	if p.mount.InPlane == Instantaneous && !p.icrHere() {
		why := "the plate is not ductile steel thick enough to bear"
		if rule.Yields() {
			why = "the g-case school counts to yield and the instantaneous centre to breaking"
		}
		say(working.Mind, "icr-not-here", "Bolts", nil, "The elastic method is used in place of the instantaneous centre: %s.", why)
	}
	if p.mount.OutPlane == AtEdge {
		say(working.Mind, "edge-stiff", "Bolts", nil, "Turning about the plate's edge is less careful: it is only for plate shown stiff enough.")
	}
	if mat.t > 0 && d.Diameter/mat.t > 4 {
		say(working.Note, "bolt-heavy", "Bolts", nil, "%s is large for sheet of %s: the sheet gives long before the bolt.", d.Name(),
			size(p.recipe.Thickness))
	}
	say(working.Note, "other-side", "What is not checked", nil,
		"What the bracket is bolted to, and the bolts of the load's own foot, are not checked here: a thin floor or wall gives "+
			"before the bracket.")
	return out
}
