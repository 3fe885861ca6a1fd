package lay

import (
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Seat is where a panel lies on the folded body, for those who work with
// forces: its mid-surface runs through Origin along X (its bend) and Y (away
// from the bend), Z towards its good side. Width and Height in mm.
type Seat struct {
	Origin, X, Y, Z solid.Vector
	Width, Height   float64
	Allowance       float64 // of the bend it hangs on, mm
}

func (p *Panel) Seat() Seat {
	w, h := p.Size()
	return Seat{p.Frame.Origin, p.Frame.Ex, p.Frame.Ey, p.Frame.Ez, w, h, p.Taken.Allowance}
}

// At answers a place given in the seat's own axes.
func (s Seat) At(p profile.Point) solid.Vector {
	return s.Origin.Add(s.X.Mul(p.X)).Add(s.Y.Mul(p.Y))
}

// In answers a place on the body in the seat's own axes.
func (s Seat) In(v solid.Vector) profile.Point {
	d := v.Sub(s.Origin)
	return profile.Point{X: d.Dot(s.X), Y: d.Dot(s.Y)}
}
