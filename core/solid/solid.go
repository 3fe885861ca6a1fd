// Package solid holds bodies as closed triangle meshes and answers how far two
// of them are apart. Lengths mm. A body's Deviation says by how much its facets
// may lie inside the true surface; whoever states a clearance takes it off.
package solid

import "math"

// Vector in mm.
type Vector [3]float64

func (a Vector) Add(b Vector) Vector  { return Vector{a[0] + b[0], a[1] + b[1], a[2] + b[2]} }
func (a Vector) Sub(b Vector) Vector  { return Vector{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }
func (a Vector) Mul(s float64) Vector { return Vector{a[0] * s, a[1] * s, a[2] * s} }
func (a Vector) Dot(b Vector) float64 { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }
func (a Vector) Cross(b Vector) Vector {
	return Vector{a[1]*b[2] - a[2]*b[1], a[2]*b[0] - a[0]*b[2], a[0]*b[1] - a[1]*b[0]}
}

// Len is the length.
func (a Vector) Len() float64 { return math.Sqrt(a.Dot(a)) }

// Unit answers the direction; of a zero vector zero.
func (a Vector) Unit() Vector {
	if l := a.Len(); l > 0 {
		return a.Mul(1 / l)
	}
	return Vector{}
}

// Triangle of a closed surface, anticlockwise seen from outside.
type Triangle [3]Vector

// Piece is one closed surface.
type Piece []Triangle

// Body is a union of closed pieces.
type Body struct {
	Pieces    []Piece
	Deviation float64 // mm, how far facets may lie inside the true surface
}

// Count answers the number of triangles.
func (b Body) Count() (n int) {
	for _, p := range b.Pieces {
		n += len(p)
	}
	return n
}

// With answers both bodies as one.
func (b Body) With(o Body) Body {
	return Body{append(append([]Piece{}, b.Pieces...), o.Pieces...), math.Max(b.Deviation, o.Deviation)}
}

// Pose carries a body from its own axes to where it stands.
type Pose struct{ Origin, X, Y, Z Vector }

// Ground leaves everything where it is.
var Ground = Pose{X: Vector{1}, Y: Vector{0, 1}, Z: Vector{0, 0, 1}}

// Turn carries a direction.
func (p Pose) Turn(v Vector) Vector { return p.X.Mul(v[0]).Add(p.Y.Mul(v[1])).Add(p.Z.Mul(v[2])) }

// Apply carries a point.
func (p Pose) Apply(v Vector) Vector { return p.Origin.Add(p.Turn(v)) }

// After answers the pose that carries by q first, then by p.
func (p Pose) After(q Pose) Pose {
	return Pose{p.Apply(q.Origin), p.Turn(q.X), p.Turn(q.Y), p.Turn(q.Z)}
}

// Turned answers the pose at a place, turned by yaw about z (left positive),
// then pitch about its y (nose down positive), then roll about its x (left side
// up positive), degrees; ISO 8855.
func Turned(origin Vector, yaw, pitch, roll float64) Pose {
	sy, cy := math.Sincos(yaw * math.Pi / 180)
	sp, cp := math.Sincos(pitch * math.Pi / 180)
	sr, cr := math.Sincos(roll * math.Pi / 180)
	return Pose{origin,
		Vector{cy * cp, sy * cp, -sp},
		Vector{cy*sp*sr - sy*cr, sy*sp*sr + cy*cr, cp * sr},
		Vector{cy*sp*cr + sy*sr, sy*sp*cr - cy*sr, cp * cr}}
}

// Upon answers a pose at a point with z along a unit vector, x and y anywhere
// square to it.
func Upon(origin, z Vector) Pose {
	a := Vector{1}
	if math.Abs(z[0]) > .8 {
		a = Vector{0, 1}
	}
	x := a.Sub(z.Mul(a.Dot(z))).Unit()
	return Pose{Origin: origin, X: x, Y: z.Cross(x), Z: z}
}

// Mirrored tells whether the pose turns left into right.
func (p Pose) Mirrored() bool { return p.X.Cross(p.Y).Dot(p.Z) < 0 }

// At answers the body carried by a pose. A mirroring pose keeps the surfaces
// facing outwards.
func (b Body) At(p Pose) Body {
	out := Body{make([]Piece, len(b.Pieces)), b.Deviation}
	flip := p.Mirrored()
	for i, piece := range b.Pieces {
		q := make(Piece, len(piece))
		for k, t := range piece {
			q[k] = Triangle{p.Apply(t[0]), p.Apply(t[1]), p.Apply(t[2])}
			if flip {
				q[k][1], q[k][2] = q[k][2], q[k][1]
			}
		}
		out.Pieces[i] = q
	}
	return out
}

// Bounds answers the box round the body; of an empty one the first corner lies
// beyond the second.
func (b Body) Bounds() (lo, hi Vector) {
	lo = Vector{math.Inf(1), math.Inf(1), math.Inf(1)}
	hi = lo.Mul(-1)
	for _, p := range b.Pieces {
		low, high := p.Bounds()
		for i := range 3 {
			lo[i], hi[i] = min(lo[i], low[i]), max(hi[i], high[i])
		}
	}
	return lo, hi
}

// Bounds answers the box round the piece, as that of a body.
func (p Piece) Bounds() (lo, hi Vector) {
	lo = Vector{math.Inf(1), math.Inf(1), math.Inf(1)}
	hi = lo.Mul(-1)
	for _, t := range p {
		for _, v := range t {
			for i := range 3 {
				lo[i], hi[i] = min(lo[i], v[i]), max(hi[i], v[i])
			}
		}
	}
	return lo, hi
}

// Volume answers what the pieces hold, overlaps counted twice, mm³.
func (b Body) Volume() (v float64) {
	for _, p := range b.Pieces {
		for _, t := range p {
			v += t[0].Dot(t[1].Cross(t[2])) / 6
		}
	}
	return v
}
