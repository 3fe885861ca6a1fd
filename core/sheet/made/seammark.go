package made

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// seamMarks writes the numbers of a faceted body's seams along the edges they are welded at, within the
// edge: the same number stands on the other side of the seam.
func (b *maker) seamMarks() (out []MarkMade) {
	f := b.Recipe.Facet
	if f == nil {
		return nil
	}
	for _, p := range b.Panels {
		for k, number := range f.Numbers[p.ID] {
			e := p.EdgeNamed(sheet.Edge(strconv.Itoa(k + 1)))
			if number == 0 || e < 0 {
				continue
			}
			start, dir, away, long := p.Edge(e)
			high := math.Min(5, long/4)
			text := fmt.Sprintf("S%d", number)
			if list := f.Blends[p.ID]; k < len(list) && list[k] > 0 {
				text += " R " + b.Len(list[k])
			}
			// Its words run with the edge, their feet towards it.
			at := start.Add(dir.Mul(long/2 - .35*high*float64(len(text)))).Sub(away.Mul(.6 * high))
			way := p.Pose.Turn(dir)
			out = append(out, MarkMade{ID: fmt.Sprintf("%s.seam.%d", p.ID, k+1), Panel: p.ID, Name: fmt.Sprintf("Seam %d", number),
				Kind: sheet.TextMark, At: p.Pose.Apply(at), Angle: math.Atan2(way.Y, way.X) * 180 / math.Pi, Text: text, Height: high,
				Lines: [][]profile.Point{}})
		}
	}
	return out
}
