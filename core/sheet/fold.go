package sheet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// frame places a panel's mid-surface on the folded body.
type frame struct{ origin, ex, ey, ez solid.Vector }

var ground = frame{ex: solid.Vector{1}, ey: solid.Vector{0, 1}, ez: solid.Vector{0, 0, 1}}

func (f frame) apply(p profile.Point, z float64) solid.Vector {
	return f.origin.Add(f.ex.Mul(p.X)).Add(f.ey.Mul(p.Y)).Add(f.ez.Mul(z))
}

func (f frame) turn(p profile.Point) solid.Vector { return f.ex.Mul(p.X).Add(f.ey.Mul(p.Y)) }

// fold answers where the bend carries the panel. The mid-surface runs on the
// radius R + T/2 whatever K is: K only says how much flat goes into it.
func (b *laid) fold(p *panel) frame { return b.swing(p, p.flange.Angle) }

// swing answers the frame part way through the bend: angle degrees from the
// parent's tangent line.
func (b *laid) swing(p *panel, angle float64) frame {
	_, dir, out, _ := p.parent.edge(p.on)
	start := p.parent.frame.apply(p.parent.point(p.on, p.at[1], 0), 0)
	ex, ey, ez := p.parent.frame.turn(dir.Mul(-1)), p.parent.frame.turn(out), p.parent.frame.ez
	sin, cos := math.Sincos(angle * math.Pi / 180)
	up := 1.0
	if !p.flange.Up {
		up = -1
	}
	mid := p.flange.InsideRadius + b.recipe.Thickness/2
	return frame{
		origin: start.Add(ey.Mul(mid * sin)).Add(ez.Mul(up * mid * (1 - cos))),
		ex:     ex,
		ey:     ey.Mul(cos).Add(ez.Mul(up * sin)),
		ez:     ez.Mul(cos).Sub(ey.Mul(up * sin)),
	}
}
