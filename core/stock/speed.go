package stock

import (
	"math"
)

// Drilled is how fast a high-speed-steel tool turns in a metal, and what goes on it.
type Drilled struct {
	Speed float64 // m/min at the rim
	Fluid string
	Note  string
}

// DrillSource says where the speeds come from.
const DrillSource = "practice for high-speed steel, lower ends of the usual ranges: a hand or a light press holds them"

// drilled are by family; what is not in it is drilled as steel.
var drilled = map[Family]Drilled{
	Steel:      {25, "cutting oil", "even feed, lift to clear the chips"},
	Galvanized: {25, "cutting oil", "even feed; the zinc is gone at the rim: paint it"},
	Stainless:  {10, "cutting oil, plenty", "press on and never let it rub: it hardens and the drill is gone"},
	Aluminum:   {60, "paraffin or cutting spray", "lift often: chips weld themselves into the flutes"},
}

// DrillingOf answers how a family is drilled.
func DrillingOf(f Family) Drilled {
	if d, known := drilled[f]; known {
		return d
	}
	return drilled[Steel]
}

// RPM answers the turns a minute of a tool of a diameter in mm: n = 1000·v/(π·d), rounded down to two
// figures, which no press is set closer than; hole saws and step drills at half of it.
func (d Drilled) RPM(diameter float64, saw bool) float64 {
	n := 1000 * d.Speed / (math.Pi * diameter)
	if saw {
		n /= 2
	}
	step := math.Pow(10, math.Floor(math.Log10(n))-1)
	return math.Floor(n/step+1e-9) * step
}
