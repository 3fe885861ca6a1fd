package shape

import "warmanvil/core/working"

// Weighing is the working of a frame's mass and centre of gravity.
func (b *Built) Weighing() working.Working {
	pieces := 0.0
	for _, p := range b.Pieces {
		pieces += p.Mass
	}
	return working.Working{Method: "Mass and centre of gravity of a frame", Source: "sum of pieces and plates",
		Formula: "m = Σ A·L·ρ + Σ plates, x = Σ m·x / Σ m",
		Inputs: []working.Quantity{{Symbol: "ρ", Name: "density", Value: b.Steel.Density, Unit: "kg/m³"},
			{Symbol: "mp", Name: "pieces", Value: pieces, Unit: "kg"},
			{Symbol: "mb", Name: "plates, holes taken out", Value: b.Mass - pieces, Unit: "kg"}},
		Steps: []working.Quantity{{Symbol: "x", Name: "forward", Value: b.Gravity[0], Unit: "mm"},
			{Symbol: "y", Name: "left", Value: b.Gravity[1], Unit: "mm"}, {Symbol: "z", Name: "up", Value: b.Gravity[2], Unit: "mm"}},
		Assumptions: []string{"L along the middle of each piece, exact between plane cuts; a piece's middle lies halfway",
			"no weld metal, no paint"}, Result: working.Quantity{Symbol: "m", Name: "mass", Value: b.Mass, Unit: "kg"}}
}

// Cutting is the working of a piece's length and of the saw's settings.
func (p *Piece) Cutting() working.Working {
	return working.Working{Method: "Piece between its two cuts", Source: "plane geometry; a cope as two cylinders that meet",
		Formula: "L = point to point − first end − second end; saw = 90° − angle from the axis",
		Inputs: []working.Quantity{{Symbol: "l", Name: "point to point", Value: p.Between, Unit: "mm"},
			{Symbol: "a", Name: "first long point lies past the first point by, negative runs on", Value: p.bounds[0][0], Unit: "mm"},
			{Symbol: "b", Name: "second long point lies short of the second point by, negative runs on",
				Value: p.Between - p.bounds[1][1], Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "α", Name: "first cut from the axis", Value: p.Ends[0].Cut, Unit: "°"},
			{Symbol: "s", Name: "saw for it", Value: p.Ends[0].Saw, Unit: "°"},
			{Symbol: "β", Name: "second cut from the axis", Value: p.Ends[1].Cut, Unit: "°"},
			{Symbol: "s", Name: "saw for it", Value: p.Ends[1].Saw, Unit: "°"},
			{Symbol: "k", Name: "between the short points", Value: p.Short, Unit: "mm"}, {Symbol: "m", Name: "along its middle", Value: p.Middle, Unit: "mm"}},
		Assumptions: []string{"plates and gaps are taken off where they are given", "kerf lies outside the length"},
		Result:      working.Quantity{Symbol: "L", Name: "long point to long point", Value: p.Length, Unit: "mm"}}
}
