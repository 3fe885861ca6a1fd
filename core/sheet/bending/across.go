package bending

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Across answers what a scene looks like along the bend at one of its moves: the outlines of
// the tools, and of each body's shadow with the sheet's thickness. x to the back stop, y up.
func (s BendingScene) Across(plates []BendingPlate, thickness float64, move BendingMove) (tools, bodies [][]profile.Point) {
	sides := [2][3]float64{move.Front, move.Back}
	out := [2]float64{-1, 1} // y away from the bend is towards the front, or the back
	place := func(side int, v solid.Vector) profile.Point {
		sin, cos := math.Sincos(sides[side][2] * math.Pi / 180)
		return profile.Point{X: sides[side][0] + out[side]*(v[1]*cos-v[2]*sin), Y: sides[side][1] + v[1]*sin + v[2]*cos}
	}
	for _, t := range s.Tools {
		face := make([]profile.Point, len(t.Face))
		for i, p := range t.Face {
			switch t.With {
			case "punch":
				face[i] = profile.Point{X: p.X, Y: p.Y + move.Tip}
			case "leaf":
				face[i] = place(front, solid.Vector{0, p.X, p.Y})
			default:
				face[i] = p
			}
		}
		tools = append(tools, face)
	}
	half := thickness / 2
	for _, b := range s.Bodies {
		var all []profile.Point
		if b.Plate >= 0 {
			n := b.At[1].Cross(b.At[2]).Mul(half)
			for _, p := range plates[b.Plate].Face {
				v := b.At[0].Add(b.At[1].Mul(p.X)).Add(b.At[2].Mul(p.Y))
				all = append(all, place(b.Side, v.Add(n)), place(b.Side, v.Sub(n)))
			}
			bodies = append(bodies, profile.Hull(all))
			continue
		}
		for i := 1; i < len(b.Rows); i++ {
			all = all[:0]
			for _, row := range [2][2]solid.Vector{b.Rows[i-1], b.Rows[i]} {
				along := b.Rows[i][0].Sub(b.Rows[i-1][0])
				n := row[1].Sub(row[0]).Cross(along).Unit().Mul(half)
				for _, v := range row {
					all = append(all, place(b.Side, v.Add(n)), place(b.Side, v.Sub(n)))
				}
			}
			bodies = append(bodies, profile.Hull(all))
		}
	}
	return tools, append(bodies, s.zone(move, half))
}

// zone answers the bend itself between its two tangent lines.
func (s BendingScene) zone(m BendingMove, half float64) []profile.Point {
	var outer, inner []profile.Point
	const n = 8
	turn := m.Turn * math.Pi / 180
	across := func(side int, angle float64) (outside, inside profile.Point) {
		sin, cos := math.Sincos(angle)
		sign := float64(2*side - 1)
		at := profile.Point{X: []float64{m.Front[0], m.Back[0]}[side], Y: []float64{m.Front[1], m.Back[1]}[side]}
		d := profile.Point{X: -sign * sin * half, Y: cos * half}
		return at.Sub(d), at.Add(d)
	}
	fo, fi := across(front, m.Front[2]*math.Pi/180)
	bo, bi := across(back, m.Back[2]*math.Pi/180)
	if turn < .02 {
		return []profile.Point{fo, bo, bi, fi}
	}
	// The arc between: its middle lies where the two normals meet.
	chord := math.Hypot(m.Back[0]-m.Front[0], m.Back[1]-m.Front[1])
	r := chord / 2 / math.Sin(math.Min(turn, math.Pi-.001)/2)
	from := m.Front[2] * math.Pi / 180
	centre := profile.Point{X: m.Front[0] + r*math.Sin(from), Y: m.Front[1] + r*math.Cos(from)}
	for i := range n + 1 {
		a := -from + turn*float64(i)/n
		sin, cos := math.Sincos(a)
		outer = append(outer, profile.Point{X: centre.X + (r+half)*sin, Y: centre.Y - (r+half)*cos})
		inner = append(inner, profile.Point{X: centre.X + (r-half)*sin, Y: centre.Y - (r-half)*cos})
	}
	for i := n; i >= 0; i-- {
		outer = append(outer, inner[i])
	}
	return outer
}
