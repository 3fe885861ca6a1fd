package solid

// Middle answers the centre of gravity of a body of one density: of its pieces'
// volumes, overlaps counted twice. An empty body answers the origin.
func (b Body) Middle() (m Vector) {
	v := 0.0
	for _, p := range b.Pieces {
		for _, t := range p {
			d := t[0].Dot(t[1].Cross(t[2])) / 6
			v += d
			m = m.Add(t[0].Add(t[1]).Add(t[2]).Mul(d / 4))
		}
	}
	if v == 0 {
		return Vector{}
	}
	return m.Mul(1 / v)
}
