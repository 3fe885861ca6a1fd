package profile

// Polygon is a list of corners, anticlockwise.
type Polygon []Point

// Convex tells whether it bulges outwards everywhere; straight on counts.
func (p Polygon) Convex() bool {
	n := len(p)
	for i := range p {
		a, b := p[(i+1)%n].Sub(p[i]), p[(i+2)%n].Sub(p[(i+1)%n])
		if a.Cross(b) < -1e-9*(1+a.Len()*b.Len()) {
			return false
		}
	}
	return n > 2
}

// Half answers the part of a convex polygon to the left of the line from a to b, without where the line
// only touches it (Sutherland and Hodgman 1974).
func (p Polygon) Half(a, b Point) Polygon {
	const tiny = 1e-9
	way := b.Sub(a)
	side := func(q Point) float64 { return way.Cross(q.Sub(a)) / way.Len() }
	var out Polygon
	for i, q := range p {
		r := p[(i+1)%len(p)]
		s, t := side(q), side(r)
		if s >= -tiny {
			out = append(out, q)
		}
		if s > tiny && t < -tiny || s < -tiny && t > tiny {
			out = append(out, q.Add(r.Sub(q).Mul(s/(s-t))))
		}
	}
	if out.Area() < tiny {
		return nil
	}
	return out
}

// Less answers a convex polygon without another convex one, in convex pieces that do not overlap; false
// where that takes nothing off it. Either way round the other may be given.
func (p Polygon) Less(cut Polygon) (pieces []Polygon, hit bool) {
	if cut.Area() < 0 {
		turned := make(Polygon, len(cut))
		for i, q := range cut {
			turned[len(cut)-1-i] = q
		}
		cut = turned
	}
	rest := p
	for i, a := range cut {
		b := cut[(i+1)%len(cut)]
		if b.Sub(a).Len() < 1e-9 {
			continue
		}
		if out := rest.Half(b, a); out != nil {
			pieces = append(pieces, out)
		}
		if rest = rest.Half(a, b); rest == nil {
			return []Polygon{p}, false
		}
	}
	return pieces, true
}

// Area answers how large it is, mm²; less than nothing clockwise.
func (p Polygon) Area() (mm2 float64) {
	for i, q := range p {
		mm2 += q.Cross(p[(i+1)%len(p)]) / 2
	}
	return mm2
}
