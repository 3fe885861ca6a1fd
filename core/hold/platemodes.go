package hold

import (
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// plate answers the sheet as the rules round a hole take it.
func (p *placed) plate(hole float64) bolt.Plate {
	return bolt.Plate{Thickness: p.mat.t, Hole: hole, Yield: p.mat.yield, Tensile: p.mat.tensile, Aluminium: p.mat.aluminium()}
}

// plateModes lists what the plate round bolts and load must answer.
func (p *placed) plateModes() []mode {
	return []mode{p.bearing(), p.tearOut(), p.spacing(), p.net("net-section", "Plate torn across the row of bolts", false),
		p.net("net-along", "Plate torn along the row of bolts", true),
		p.block(), p.pullThrough(), p.pryPlate(), p.flatPlate(), p.loadHoles(), p.strip(), p.corner()}
}

func (p *placed) thick() working.Quantity { return working.MM("t", "thickness", p.mat.t) }

func (p *placed) strong() working.Quantity {
	return mpa("Fu", "strength of "+p.mat.name, p.plate(0).Strong(p.rule))
}

// plateAt checks the plate at one bend or row, at the harder of its lines.
func (p *placed) plateAt(lines []section) mode {
	plate, near := p.plate(0), math.Inf(1)
	for _, c := range lines {
		near = math.Min(near, p.near(c))
	}
	mat := p.heated(near)
	capacity, said := p.rule.Capacity(mat.yield, plate.Yields()), p.rule.Says(plate.Yields())
	first := lines[0]
	name := "Plate bent at the bend of " + lower(first.name)
	if first.holes > 0 {
		name = "Plate bent at the row of bolts"
	} else if first.id == "seams" {
		name = "Plate bent where its seams begin"
	}
	hardest := func(s *shares) (at section, worst stress) {
		for i, c := range lines {
			if x := c.under(s.force, p.load, p.mat.t); i == 0 || x.equivalent > worst.equivalent {
				at, worst = c, x
			}
		}
		return at, worst
	}
	return mode{Key: "plate:" + first.id, Name: name, Unit: "MPa", Feature: first.id, Where: first.name,
		Eval: func(s *shares) strength.Hit {
			_, x := hardest(s)
			return strength.Hit{Demand: x.equivalent, Capacity: capacity}
		},
		Explain: func(s *shares, _ strength.Hit) working.Working {
			c, x := hardest(s)
			return *c.working(x, mat, capacity, said)
		}}
}
