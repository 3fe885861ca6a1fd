package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// DummyInput describes a thing to be made in board to try where it goes: a box on
// feet, in its own axes, x forward, y left, its origin under the box's middle.
type DummyInput struct {
	Name                  string
	Length, Width, Height float64         // mm, outside
	Board                 float64         // mm, thickness of the board
	Feet                  []profile.Point // mm
	Bores                 []float64       // mm, holes in the feet; nil or 0 where nobody said
	Gravity               *profile.Point  // mm; nil where it is not known
	Rooms                 []DummyRoom     // its plugs, levers and hoses
	Floor                 bool            // its underside alone
}

// footHole is the hole a foot is marked through, mm: for a pencil, and for a bolt
// of M8 (practice).
const footHole = 8.

// Dummy answers the thing as one folded sheet: its underside with a hole for each
// foot, four sides up and a lid on the back one; or the underside alone, which
// then reaches to its feet. The right of the flat pattern is its front. It fails
// with *working.Fault where a foot lies outside the box that is folded.
func Dummy(in DummyInput) (Recipe, error) {
	if err := working.First(working.Above("/length", "Its length", in.Length, 0, maxSize, "mm"),
		working.Above("/width", "Its width", in.Width, 0, maxSize, "mm"),
		working.Within("/board", "The board", in.Board, .2, 50, "mm")); err != nil {
		return Recipe{}, err
	}
	if !in.Floor {
		if err := working.Above("/height", "Its height", in.Height, 0, maxSize, "mm"); err != nil {
			return Recipe{}, err
		}
	}
	half := profile.Point{X: in.Length / 2, Y: in.Width / 2}
	for i, f := range in.Feet {
		switch reach := footHole/2 + in.Board; {
		case in.Floor: // the plate reaches under all of them
			half.X, half.Y = math.Max(half.X, math.Abs(f.X)+2*footHole), math.Max(half.Y, math.Abs(f.Y)+2*footHole)
		case math.Abs(f.X) > half.X-reach || math.Abs(f.Y) > half.Y-reach:
			return Recipe{}, working.Refuse("", "Foot %d of %s lies outside its box or under a side of it: take its underside alone, which "+
				"reaches to the feet.", i+1, in.Name)
		}
	}
	k := .5
	r := Recipe{Schema: SchemaVersion, Material: "steel-s235", Thickness: in.Board, Process: "hand",
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodHand, K: &k}, Tool: bend.Tool{Kind: bend.ToolVice},
		Base: Base{ID: "floor", Length: 2 * half.X, Width: 2 * half.Y}}
	from := func(d float64) Offset { return Offset{Edge: Middle, Distance: d} }
	for i, f := range in.Feet {
		bore := footHole
		if i < len(in.Bores) && in.Bores[i] > 0 {
			bore = in.Bores[i]
		}
		r.Base.Holes = append(r.Base.Holes, Hole{ID: fmt.Sprintf("foot-%d", i+1), Name: fmt.Sprintf("Foot %d", i+1), Kind: RoundHole,
			Diameter: bore, X: from(f.X), Y: from(f.Y)})
	}
	r.Base.Marks = []Mark{
		{ID: "front", Kind: ArrowMark, X: from(half.X - 15), Y: from(0)},
		{ID: "name", Kind: TextMark, X: from(-half.X + 8), Y: from(half.Y - 14), Height: 6, Text: clipped(in.Name, 60) + ", arrow to the front"},
	}
	if g := in.Gravity; g != nil && math.Abs(g.X) < half.X && math.Abs(g.Y) < half.Y {
		r.Base.Marks = append(r.Base.Marks, Mark{ID: "gravity", Kind: CentreMark, X: from(g.X), Y: from(g.Y)},
			Mark{ID: "gravity-said", Kind: TextMark, X: from(g.X + 5), Y: from(g.Y + 3), Height: 4, Text: "centre of gravity over it"})
	}
	if in.Floor {
		in.furnish(&r)
		return r, r.Validate()
	}
	for _, e := range []Edge{Front, Right, Back, Left} { // right of the flat is its front
		r.Base.Flanges = append(r.Base.Flanges, Flange{ID: "side-" + string(e), Edge: e, Length: in.Height, Angle: 90, Up: true})
	}
	r.Base.Flanges[2].Flanges = []Flange{{ID: "lid", Name: "Lid", Edge: Back, Length: in.Width, Angle: 90, Up: true}}
	in.furnish(&r)
	return r, r.Validate()
}

func clipped(s string, most int) string {
	if r := []rune(s); len(r) > most {
		return string(r[:most])
	}
	return s
}
