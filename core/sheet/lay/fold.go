package lay

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Frame places a panel's mid-surface on the folded body.
type Frame struct{ Origin, Ex, Ey, Ez solid.Vector }

var ground = Frame{Ex: solid.Vector{1}, Ey: solid.Vector{0, 1}, Ez: solid.Vector{0, 0, 1}}

func (f Frame) Apply(p profile.Point, z float64) solid.Vector {
	return f.Origin.Add(f.Ex.Mul(p.X)).Add(f.Ey.Mul(p.Y)).Add(f.Ez.Mul(z))
}

func (f Frame) turn(p profile.Point) solid.Vector { return f.Ex.Mul(p.X).Add(f.Ey.Mul(p.Y)) }

// fold answers where the bend carries the panel. The mid-surface runs on the
// radius R + T/2 whatever K is: K only says how much flat goes into it.
func (b *Laid) fold(p *Panel) Frame { return b.Swing(p, p.Flange.Angle) }

// Swing answers the frame part way through the bend: angle degrees from the
// parent's tangent line.
func (b *Laid) Swing(p *Panel, angle float64) Frame {
	_, dir, out, _ := p.Parent.Edge(p.On)
	start := p.Parent.Frame.Apply(p.Parent.Point(p.On, p.At[1], 0), 0)
	ex, ey, ez := p.Parent.Frame.turn(dir.Mul(-1)), p.Parent.Frame.turn(out), p.Parent.Frame.Ez
	sin, cos := math.Sincos(angle * math.Pi / 180)
	up := 1.0
	if !p.Flange.Up {
		up = -1
	}
	mid := p.Flange.InsideRadius + b.Recipe.Thickness/2
	return Frame{
		Origin: start.Add(ey.Mul(mid * sin)).Add(ez.Mul(up * mid * (1 - cos))),
		Ex:     ex,
		Ey:     ey.Mul(cos).Add(ez.Mul(up * sin)),
		Ez:     ez.Mul(cos).Sub(ey.Mul(up * sin)),
	}
}
