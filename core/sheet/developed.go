package sheet

import (
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/develop"
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Developed unrolls the round a base is of, its press lines by a school. silent is why the school gives
// no figure somewhere, and the chart's is drawn. It fails with *working.Fault whose path points into
// the recipe.
func (r Recipe) Developed(rule bend.Prepared, school bend.School) (round *develop.Round, silent, err error) {
	f := r.Base.Shape.Round
	known := map[float64]float64{} // many bends are alike
	take := func(angle float64) (float64, error) {
		angle = math.Round(angle*1e6) / 1e6
		if mm, is := known[angle]; is {
			return mm, nil
		}
		t, err := rule.Take(school, f.Radius, r.Thickness, angle)
		if err != nil {
			silent = err
			t, err = rule.Take(bend.SchoolTable, f.Radius, r.Thickness, angle)
		}
		if err != nil {
			return 0, err
		}
		known[angle] = 2*(f.Radius+r.Thickness/2)*math.Tan(angle*math.Pi/360) - t.Allowance
		return known[angle], nil
	}
	round, err = f.Build(r.Thickness, take)
	return round, silent, working.Under("/base/shape/round", err)
}

// DevelopedOutline answers a round's blank as the outline of a base with its edges' names: left and right
// its ends, front and back its bottom and its top where those are straight, the others by number.
func DevelopedOutline(r *develop.Round) (loop profile.Loop, names []Edge, why string) {
	if r.Overlap {
		return nil, nil, "unrolled it lies over itself: make it of two pieces or more, with a seam each"
	}
	for _, p := range r.Outline {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	names = Numbered(len(loop))
	left, right := r.Sides[0], r.Sides[1]
	if left >= 0 && right >= 0 {
		names[left], names[right] = Left, Right
		n := len(loop)
		if (left+2)%n == right {
			names[(left+1)%n] = Front
		}
		if (right+2)%n == left {
			names[(right+1)%n] = Back
		}
	}
	return loop, names, unsound(loop)
}

// checkDeveloped refuses on a round what no round takes.
func (b Base) checkDeveloped() error {
	f := b.Shape.Round
	switch {
	case f == nil:
		return working.Refuse("/base/shape/round", "Say what round it is unrolled from.")
	case len(b.Flanges) > 0:
		return working.Refuse("/base/flanges/0", "A round carries no flanges: make them of a part of their own and join it, or fold "+
			"the whole of "+
			"flat panels as a body.")
	case len(b.Edges) > 0:
		return working.Refuse("/base/edges/0", "On the edges of a round nothing is put: let its form be cut leaning, or cut a hole.")
	case b.Corner.Kind != "" && b.Corner.Kind != Square:
		return working.Refuse("/base/corner", "The corners of a round's blank are those of its edges: leave them square.")
	}
	return working.Under("/base/shape/round", f.Check())
}

// mirrorAround answers a place round a round seen in the mirror.
func (o Offset) mirrorAround() Offset {
	if o.Edge == Around {
		o.Distance = math.Remainder(180-o.Distance, 360)
	}
	return o
}

// outsideUp refuses to cut a round with its inside up: its flat, its press lines and its marks are drawn on
// the outside.
func (r Recipe) outsideUp() error {
	if r.Base.Kind() == Developed && r.Seen == BackFace {
		return working.Refuse("/seen", "A round lies on the table with its outside up. Let the outside be the face that shows, or "+
			"none, and film "+
			"the inside after it is cut.")
	}
	return nil
}
