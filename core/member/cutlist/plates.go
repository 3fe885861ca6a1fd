package cutlist

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/member/shape"
	"warmanvil/core/stock"
)

// PlateRow is plates of a frame that are cut alike.
type PlateRow struct {
	Mark      string       `json:"mark"`
	Kind      string       `json:"kind" enum:"base,cap,tab"`
	Quantity  int          `json:"quantity"`
	Names     []string     `json:"names" doc:"with the member each sits on"`
	Width     float64      `json:"width" doc:"mm"`
	Height    float64      `json:"height" doc:"mm"`
	Thickness float64      `json:"thickness" doc:"mm"`
	Hole      float64      `json:"hole,omitempty" doc:"mm, diameter"`
	Holes     [][2]float64 `json:"holes" doc:"mm, centres from the plate's lower left corner"`
	Bolt      string       `json:"bolt,omitempty" doc:"what its holes are for"`
	Mass      float64      `json:"mass" doc:"kg, one"`
}

// Plates answers the plates of a frame as parts to be cut, alike ones together, in the
// order they stand; the bolts of their holes in the shop's system where one fits.
func Plates(b *shape.Built, system stock.System) []PlateRow {
	out := []PlateRow{}
	for _, p := range b.Plates {
		r := PlateRow{Kind: p.Kind, Width: p.Width, Height: p.Height, Thickness: p.Thickness, Holes: [][2]float64{}, Mass: p.Mass}
		for _, h := range p.Holds {
			// A tab's holes are told from its middle along its length too.
			r.Holes = append(r.Holes, [2]float64{tenthOf(h[0] + p.Width/2), tenthOf(h[1] + p.Height/2)})
		}
		if len(r.Holes) > 0 {
			r.Hole = p.Hole
			if t, ok := shape.BoltOf(p.Hole, system); ok {
				r.Bolt = t.Size
			}
		}
		slices.SortFunc(r.Holes, func(a, b [2]float64) int { return cmp.Or(cmp.Compare(a[1], b[1]), cmp.Compare(a[0], b[0])) })
		name := shape.PlateName(p.Plate) + " on " + p.Owner
		i := slices.IndexFunc(out, func(o PlateRow) bool { return o.alike(r) })
		if i < 0 {
			r.Mark = fmt.Sprintf("P%d", len(out)+1)
			i = len(out)
			out = append(out, r)
		}
		out[i].Quantity++
		out[i].Names = append(out[i].Names, name)
	}
	return out
}

// alike tells whether one cut serves for both: to a hundredth of a millimetre.
func (r PlateRow) alike(o PlateRow) bool {
	near := func(a, b float64) bool { return math.Abs(a-b) < .01 }
	return near(r.Width, o.Width) && near(r.Height, o.Height) && near(r.Thickness, o.Thickness) && near(r.Hole, o.Hole) &&
		slices.EqualFunc(r.Holes, o.Holes, func(a, b [2]float64) bool { return near(a[0], b[0]) && near(a[1], b[1]) })
}

func tenthOf(mm float64) float64 { return math.Round(mm*1000) / 1000 }
