package vehicle

import (
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
)

// ForFrame answers surveyed points in a frame's own axes.
func (l *Locator) ForFrame(d member.Doc) shape.Surveyed {
	return func(id string) (solid.Vector, string) {
		at := l.At(id)
		if at.At == nil {
			return solid.Vector{}, "The surveyed point has no place yet. " + at.Why
		}
		p := d.Fit.Solid()
		v := solid.Vector(*at.At).Sub(p.Origin)
		return solid.Vector{v.Dot(p.X), v.Dot(p.Y), v.Dot(p.Z)}, ""
	}
}
