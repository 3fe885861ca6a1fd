package facet

import (
	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
)

// Inside answers the room a body holds as a solid, and how many openings were closed flat for that, each
// by triangles from its middle; empty where its panels hold none. Its corners are where the inner faces
// meet: exact at every point where panels of three ways meet, the nearest place where fewer do.
func (b *Built) Inside() (room solid.Body, openings int) {
	corner := b.innerCorners()
	var piece solid.Piece
	for i, f := range b.Faces {
		for _, t := range b.Triangles(i) {
			piece = append(piece, solid.Triangle{corner[f.Points[t[0]]], corner[f.Points[t[1]]], corner[f.Points[t[2]]]})
		}
	}
	rims := b.rims()
	for _, loop := range rims {
		var middle solid.Vector
		for _, id := range loop {
			middle = middle.Add(corner[id].Mul(1 / float64(len(loop))))
		}
		for k, id := range loop {
			piece = append(piece, solid.Triangle{corner[loop[(k+1)%len(loop)]], corner[id], middle})
		}
	}
	room = solid.Body{Pieces: []solid.Piece{piece}}
	if room.Volume() < 1 {
		return solid.Body{}, len(rims)
	}
	return room, len(rims)
}

// innerCorners answers where the inner faces of the sheet meet at every point.
func (b *Built) innerCorners() map[string]solid.Vector {
	depth := map[Side]float64{Outside: b.Thickness, Middle: b.Thickness / 2}[b.Side]
	normals := map[string][]solid.Vector{}
	for _, f := range b.Faces {
		for _, id := range f.Points {
			normals[id] = append(normals[id], f.Pose.Z)
		}
	}
	out := map[string]solid.Vector{}
	for _, p := range b.Points {
		list := normals[p.ID]
		if out[p.ID] = p.At; len(list) == 0 || depth == 0 {
			continue
		}
		// The least move d with n·d = −depth for every panel's normal n.
		n, rhs := mat.NewDense(len(list), 3, nil), mat.NewVecDense(len(list), nil)
		for i, v := range list {
			n.SetRow(i, []float64{v[0], v[1], v[2]})
			rhs.SetVec(i, -depth)
		}
		var svd mat.SVD
		if !svd.Factorize(n, mat.SVDThin) {
			continue
		}
		rank := 0
		values := svd.Values(nil)
		for _, v := range values {
			if v > .05*values[0] { // flatter than that the panels lie in one plane
				rank++
			}
		}
		var d mat.VecDense
		svd.SolveVecTo(&d, rhs, rank)
		out[p.ID] = p.At.Add(solid.Vector{d.AtVec(0), d.AtVec(1), d.AtVec(2)})
	}
	return out
}

// rims answers the loops of free edges, each the way its panels run along it.
func (b *Built) rims() (out [][]string) {
	next := map[string]string{}
	for _, f := range b.Faces {
		n := len(f.Points)
		for side, e := range f.edges {
			if len(b.Edges[e].Faces) < 2 {
				next[f.Points[side]] = f.Points[(side+1)%n]
			}
		}
	}
	for len(next) > 0 {
		var start string
		for id := range next {
			if start == "" || id < start {
				start = id
			}
		}
		loop := []string{}
		for at := start; ; {
			to, is := next[at]
			if !is {
				break
			}
			loop = append(loop, at)
			delete(next, at)
			at = to
		}
		out = append(out, loop)
	}
	return out
}
