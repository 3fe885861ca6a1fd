package solid

// Spread answers how a body's volume lies: mm³, its middle, and ∫ r·rᵀ dV about that, mm⁵. Overlaps count twice.
func (b Body) Spread() (volume float64, middle Vector, second [3][3]float64) {
	var first Vector
	for _, piece := range b.Pieces {
		for _, t := range piece {
			p, q, r := t[0], t[1], t[2]
			det := p.Dot(q.Cross(r))
			volume += det / 6
			sum := p.Add(q).Add(r)
			first = first.Add(sum.Mul(det / 24))
			for i := range 3 {
				for j := range 3 {
					second[i][j] += det / 120 * (sum[i]*sum[j] + p[i]*p[j] + q[i]*q[j] + r[i]*r[j])
				}
			}
		}
	}
	if volume == 0 {
		return 0, middle, second
	}
	middle = first.Mul(1 / volume)
	for i := range 3 {
		for j := range 3 {
			second[i][j] -= volume * middle[i] * middle[j]
		}
	}
	return volume, middle, second
}
