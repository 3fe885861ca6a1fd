package shape

import (
	"math"

	"warmanvil/core/member"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// mesh is the closed surface of a cut member, its inside included.
func (r *Run) mesh(ts [2][]float64) (m Mesh) {
	n := len(r.Outer)
	ring := func(list [][2]float64, e int, t func(i int) float64) []int {
		out := make([]int, len(list))
		for i, q := range list {
			out[i] = len(m.Corners)
			m.Corners = append(m.Corners, r.Start.Add(r.Axes.At(q[0], q[1])).Add(r.Axes.X.Mul(t(i))))
		}
		return out
	}
	tri := func(a, b, c int) { m.Triangles = append(m.Triangles, [3]int{a, b, c}) }
	wall := func(a, b []int) { // seen from outside anticlockwise, when both run clockwise seen along the member
		for i := range a {
			k := (i + 1) % len(a)
			tri(a[i], a[k], b[k])
			tri(a[i], b[k], b[i])
		}
	}
	var outs, ins [2][]int
	for e := range 2 {
		outs[e] = ring(r.Outer, e, func(i int) float64 { return ts[e][i] })
		if r.inner != nil {
			ins[e] = ring(r.inner, e, func(i int) float64 { t, _ := r.meets(r.cuts[e], e, r.inner[i]); return t })
		}
	}
	// Seen from the first point the section runs anticlockwise, so a wall of
	// rising corners faces inwards: turn it.
	wall(outs[1], outs[0])
	if r.inner != nil {
		wall(ins[0], ins[1])
		for i := range n {
			k := (i + 1) % n
			tri(outs[0][i], outs[0][k], ins[0][k])
			tri(outs[0][i], ins[0][k], ins[0][i])
			tri(outs[1][i], ins[1][k], outs[1][k])
			tri(outs[1][i], ins[1][i], ins[1][k])
		}
	} else {
		at := map[profile.Point]int{}
		flat := make([]profile.Point, n)
		for i, q := range r.Outer {
			flat[i] = profile.Point{X: q[0], Y: q[1]}
			at[flat[i]] = i
		}
		for _, t := range solid.Triangulate(flat, nil) {
			a, b, c := at[t[0]], at[t[1]], at[t[2]]
			tri(outs[0][a], outs[0][b], outs[0][c])
			tri(outs[1][a], outs[1][c], outs[1][b])
		}
	}
	if m.Volume() < 0 {
		for i := range m.Triangles {
			m.Triangles[i][1], m.Triangles[i][2] = m.Triangles[i][2], m.Triangles[i][1]
		}
	}
	// What is drawn as lines: both ends' rings, and the corners between them.
	loop := func(list []int) (out []solid.Vector) {
		for _, i := range append(append([]int{}, list...), list[0]) {
			out = append(out, m.Corners[i])
		}
		return out
	}
	for e := range 2 {
		m.Edges = append(m.Edges, loop(outs[e]))
		if r.inner != nil {
			m.Edges = append(m.Edges, loop(ins[e]))
		}
	}
	step := 1
	switch {
	case member.Round(r.Section):
		step = n / 4
	case r.inner != nil:
		step = n / 8
	}
	for i := 0; i < n; i += max(step, 1) {
		m.Edges = append(m.Edges, []solid.Vector{m.Corners[outs[0][i]], m.Corners[outs[1][i]]})
	}
	for i := range m.Corners { // a hundredth is enough to be drawn
		for k := range 3 {
			m.Corners[i][k] = math.Round(m.Corners[i][k]*1e4) / 1e4
		}
	}
	return m
}

// Volume is what the surface holds; negative when it faces inwards.
func (m Mesh) Volume() (v float64) {
	for _, t := range m.Triangles {
		v += m.Corners[t[0]].Dot(m.Corners[t[1]].Cross(m.Corners[t[2]])) / 6
	}
	return v
}

// Body answers the mesh as one closed piece.
func (m Mesh) Body() solid.Body {
	piece := make(solid.Piece, len(m.Triangles))
	for i, t := range m.Triangles {
		piece[i] = solid.Triangle{m.Corners[t[0]], m.Corners[t[1]], m.Corners[t[2]]}
	}
	return solid.Body{Pieces: []solid.Piece{piece}}
}

// Body answers the whole frame, in its own axes. Round members' facets lie
// inside the true surface by the Deviation.
func (b *Built) Body() (out solid.Body) {
	for i, p := range b.Pieces {
		if p.Why != "" {
			continue
		}
		out = out.With(p.Mesh.Body())
		if r := b.Runs[i]; member.Round(r.Section) {
			out.Deviation = math.Max(out.Deviation, r.Section.Diameter/2*(1-math.Cos(math.Pi/36)))
		}
	}
	for _, p := range b.Plates {
		out = out.With(p.Mesh.Body())
	}
	return out
}
