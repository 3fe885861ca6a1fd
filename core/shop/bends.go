package shop

import (
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
)

// bendsAs is how a sort of brake bends.
var bendsAs = map[string]bending.Kind{"press": bending.Press, "pan": bending.Leaf, "folder": bending.Leaf, "vice": bending.Vice}

// Bends answers the brakes a part is bent in, with the tools there are, the one taken first,
// first; and those of other sorts that are there, on which it could be bent instead. Where
// the shop names none of a sort the part is bent on, a usual one is taken.
func (s Shop) Bends(r sheet.Recipe, inch bool) (there, others []bending.Brake) {
	if s.Unit != "" {
		inch = s.Inches()
	}
	sorts := brakes[r.Tool.Kind]
	for _, m := range s.there(Brake, func(Machine) bool { return true }) {
		b := s.bends(m, r, inch)
		if slices.Contains(sorts, m.Sort) {
			there = append(there, b)
		} else {
			others = append(others, b)
		}
	}
	away := slices.ContainsFunc(s.Machines, func(m Machine) bool { return m.Kind == Brake && m.Away && slices.Contains(sorts, m.Sort) })
	if len(there) == 0 && !away && len(sorts) > 0 {
		b := s.bends(Machine{Kind: Brake, Sort: sorts[0]}, r, inch)
		b.Name, b.Named = "a usual "+Brake.table().sort(sorts[0]).Text, false
		there = append(there, b)
	}
	return there, others
}

// bends answers a brake as it is set up for a part.
func (s Shop) bends(m Machine, r sheet.Recipe, inch bool) bending.Brake {
	b := bending.Brake{Name: m.Called(), Kind: bendsAs[m.Sort], Named: true, Said: true, Lift: s.Lifter().Kilos}
	limit := func(key string) float64 {
		v, said := m.Limit(key, inch)
		b.Said = b.Said && (said || v == 0)
		return v
	}
	b.Long, b.Thick = limit("long"), limit(family(r.Material))
	b.Open, b.Beam, b.Floor, b.Stop = limit("open"), limit("beam"), limit("floor"), limit("stop")
	tool := r.Tool
	if !slices.Contains(brakes[tool.Kind], m.Sort) { // bent on another sort than it was meant for
		tool = bend.Tool{Kind: map[bending.Kind]bend.ToolKind{bending.Press: bend.ToolVDie, bending.Leaf: bend.ToolPan,
			bending.Vice: bend.ToolVice}[b.Kind]}
	}
	tool, _ = tool.Effective(r.Thickness)
	switch b.Kind {
	case bending.Press:
		b.Upper = s.tools(StraightPunch, Gooseneck)
		if len(b.Upper) == 0 {
			b.Upper = bending.UsualPunches()
		}
		b.Die = s.die(tool.Opening)
	case bending.Leaf:
		if m.Sort == "pan" {
			b.Upper = s.tools(Fingers)
		}
		if len(b.Upper) == 0 {
			b.Upper = bending.UsualFingers(tool.Opening, m.Sort == "pan")
		}
	default:
		b.Upper = bending.UsualBars()
	}
	return b
}

// tools answers the tools of some kinds, straight punches before goosenecks.
func (s Shop) tools(kinds ...BendKind) (out []bending.Tool) {
	for _, k := range kinds {
		for _, t := range s.BendTools {
			if t.Kind == k {
				out = append(out, t.set())
			}
		}
	}
	return out
}

// die answers the shop's die of an opening, else a usual one of that opening.
func (s Shop) die(opening float64) bending.Tool {
	for _, t := range s.BendTools {
		if t.Kind == VDie && math.Abs(t.opening()-opening) < .05*opening {
			return t.set()
		}
	}
	return bending.UsualDie(opening)
}
