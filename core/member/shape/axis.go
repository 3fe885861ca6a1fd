package shape

import (
	"math"

	"warmanvil/core/frame"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/solid"
)

// Axes are a member's own: X along it, Y to its left, Z towards its top. A
// section's horizontal runs along −Y, its vertical along Z: it is drawn as seen
// from the first point.
type Axes struct{ X, Y, Z solid.Vector }

// axes answers a member's axes between its placed points.
func (l *laid) axes(m member.Member) (Axes, bool) {
	i, okI := l.At[m.From]
	j, okJ := l.At[m.To]
	if !okI || !okJ || l.Joints[i].Why != "" || l.Joints[j].Why != "" {
		return Axes{}, false
	}
	x := l.Joints[j].At.Sub(l.Joints[i].At)
	if x.Len() < Together {
		return Axes{}, false
	}
	return turned(x.Unit(), m.Turn), true
}

func turned(x solid.Vector, degrees float64) Axes {
	if math.Hypot(x[0], x[1]) < 1e-6 { // upright within a millionth
		x = solid.Vector{0, 0, math.Copysign(1, x[2])}
	}
	z, _ := frame.Upward(x, nil)
	s, c := math.Sincos(degrees * math.Pi / 180)
	z = z.Mul(c).Add(x.Cross(z).Mul(s))
	return Axes{X: x, Y: z.Cross(x), Z: z}
}

// At carries a place of the section, from its centroid, to the frame.
func (a Axes) At(x, y float64) solid.Vector { return a.Y.Mul(-x).Add(a.Z.Mul(y)) }

// mirrored gives m, whose points already are the mirrored ones, the attitude in
// which it is the mirror image of what it was: x and z are its mirrored axes.
func mirrored(m member.Member, x, z solid.Vector) member.Member {
	plain := turned(x, 0)
	m.Turn = math.Atan2(-plain.Y.Dot(z), plain.Z.Dot(z)) * 180 / math.Pi
	swap := map[member.Across]member.Across{member.Left: member.Right, member.Right: member.Left, member.Middle: member.Middle}
	switch m.Section.Kind {
	case "angle": // its mirror image is the other leg turned a quarter
		m.Section.LegVertical, m.Section.LegHorizontal = m.Section.LegHorizontal, m.Section.LegVertical
		m.Turn -= 90
		across, up := m.Across, m.Up
		m.Up = map[member.Across]member.Upright{member.Left: member.Bottom, member.Right: member.Top}[across]
		m.Across = map[member.Upright]member.Across{member.Top: member.Right, member.Bottom: member.Left}[up]
	case "channel": // turned half round
		m.Turn += 180
		m.Up = map[member.Upright]member.Upright{member.Top: member.Bottom, member.Bottom: member.Top}[m.Up]
	default:
		m.Across = swap[m.Across]
	}
	if m.Turn > 180 {
		m.Turn -= 360
	}
	if m.Turn < -180 {
		m.Turn += 360
	}
	return m
}

// box is a section's outside from its centroid.
type box struct{ Left, Right, Bottom, Top float64 }

func boxOf(s section.Sizes, p section.Properties) box {
	w, h := s.Width, s.Height
	switch s.Kind {
	case "roundTube", "roundBar":
		w, h = s.Diameter, s.Diameter
	case "angle":
		return box{-p.CentroidX, s.LegHorizontal - p.CentroidX, -p.CentroidY, s.LegVertical - p.CentroidY}
	case "channel":
		return box{-p.CentroidX, s.FlangeWidth - p.CentroidX, -p.CentroidY, s.Depth - p.CentroidY}
	}
	return box{-w / 2, w / 2, -h / 2, h / 2}
}

// follow answers where in the section its line runs.
func (b box) follow(across member.Across, up member.Upright) (x, y float64) {
	x, y = (b.Left+b.Right)/2, (b.Bottom+b.Top)/2
	switch across {
	case member.Left:
		x = b.Left
	case member.Right:
		x = b.Right
	}
	switch up {
	case member.Top:
		y = b.Top
	case member.Bottom:
		y = b.Bottom
	}
	return x, y
}

// rings answers a section's outline, from its centroid: outside anticlockwise,
// and of tubes the inside with as many corners.
func rings(s section.Sizes, p section.Properties) (outer, inner [][2]float64) {
	circle := func(r float64) (out [][2]float64) {
		const n = 36
		for i := range n {
			sin, cos := math.Sincos(2 * math.Pi * float64(i) / n)
			out = append(out, [2]float64{r * cos, r * sin})
		}
		return out
	}
	rect := func(w, h, r float64) (out [][2]float64) {
		const n = 3 // steps round a corner
		for q, c := range [4][2]float64{{1, 1}, {-1, 1}, {-1, -1}, {1, -1}} {
			for i := range n + 1 {
				sin, cos := math.Sincos(math.Pi / 2 * (float64(q) + float64(i)/n))
				out = append(out, [2]float64{c[0]*(w/2-r) + r*cos, c[1]*(h/2-r) + r*sin})
			}
		}
		return out
	}
	b := boxOf(s, p)
	switch s.Kind {
	case "roundTube":
		return circle(s.Diameter / 2), circle(s.Diameter/2 - s.Wall)
	case "roundBar":
		return circle(s.Diameter / 2), nil
	case "rectTube":
		return rect(s.Width, s.Height, s.OuterRadius), rect(s.Width-2*s.Wall, s.Height-2*s.Wall, math.Max(s.OuterRadius-s.Wall, 0))
	case "angle":
		t := s.Thickness
		return [][2]float64{{b.Left, b.Bottom}, {b.Right, b.Bottom}, {b.Right, b.Bottom + t}, {b.Left + t, b.Bottom + t},
			{b.Left + t, b.Top}, {b.Left, b.Top}}, nil
	case "channel":
		w, f := s.Web, s.Flange
		return [][2]float64{{b.Left, b.Bottom}, {b.Right, b.Bottom}, {b.Right, b.Bottom + f}, {b.Left + w, b.Bottom + f}, {b.Left + w, b.Top - f},
			{b.Right, b.Top - f}, {b.Right, b.Top}, {b.Left, b.Top}}, nil
	}
	return [][2]float64{{b.Left, b.Bottom}, {b.Right, b.Bottom}, {b.Right, b.Top}, {b.Left, b.Top}}, nil
}
