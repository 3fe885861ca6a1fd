package profile

// Crosses tells whether the outline runs over itself; arcs by chords of a
// twentieth of a millimetre.
func (l Loop) Crosses() bool {
	p := l.Flatten(.05)
	n := len(p)
	for i := range p {
		a, b := p[i], p[(i+1)%n]
		for j := i + 2; j < n; j++ {
			if i == 0 && j == n-1 {
				continue
			}
			c, d := p[j], p[(j+1)%n]
			if max(a.X, b.X) < min(c.X, d.X) || max(c.X, d.X) < min(a.X, b.X) || max(a.Y, b.Y) < min(c.Y, d.Y) || max(c.Y, d.Y) < min(a.Y, b.Y) {
				continue
			}
			if cross(a, b, c, d) {
				return true
			}
		}
	}
	return false
}
