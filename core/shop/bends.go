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
	tool, assumed := tool.Effective(r.Thickness)
	switch b.Kind {
	case bending.Press:
		b.Upper = s.tools(StraightPunch, Gooseneck)
		if len(b.Upper) == 0 {
			b.Upper = bending.UsualPunches()
		}
		b.Die, b.Dies = s.die(tool.Opening, r.Thickness, assumed)
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

// fewestT and mostT are the openings a sheet is bent over at all, as multiples of its thickness
// (practice: 6 to 12; a little past it where nothing else is there).
const fewestT, mostT = 5., 14.

// die answers the shop's die of an opening; where nobody asked for that very one, the nearest of its
// own that takes the sheet; else a usual one of that opening, and then the openings the shop has.
func (s Shop) die(opening, thickness float64, assumed bool) (die bending.Tool, has []float64) {
	var next *BendTool
	for i := range s.BendTools {
		t := &s.BendTools[i]
		if t.Kind != VDie {
			continue
		}
		v := t.opening()
		if math.Abs(v-opening) < .05*opening {
			return t.set(), nil
		}
		has = append(has, v)
		fits := v >= fewestT*thickness && v <= mostT*thickness
		if assumed && fits && (next == nil || math.Abs(math.Log(v/opening)) < math.Abs(math.Log(next.opening()/opening))) {
			next = t
		}
	}
	if next != nil {
		return next.set(), nil
	}
	slices.Sort(has)
	return bending.UsualDie(opening), has
}
