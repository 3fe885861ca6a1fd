package joint

import "warmanvil/core/stock"

// Usual answers what a new joint of a metric or an inch shop starts from: one bolt with
// a locking nut and two washers, its plies not said yet.
func Usual(inch bool) Input {
	in := Input{System: stock.Metric, Size: "M10", Grade: "8.8", Holes: [][2]float64{{}}, Nut: Lock, Washers: 2,
		Tighten: Tightening{Lubrication: Oiled, Locking: PlasticRing, Shakes: true}}
	if inch {
		in.System, in.Size, in.Grade = stock.Inch, "3/8", "SAE 5"
	}
	return in
}

// Sized answers the joint with the largest bolt that goes through a hole of d mm by the
// normal clearance, in its own system; as it is where none does.
func (in Input) Sized(d float64) Input {
	const read = .1 // mm a hole may be given short of its table, as 11/32 in is
	widest := 0.
	for _, t := range stock.Threads {
		if t.System == in.System && t.Coarse && t.Clearance.Normal <= d+read && t.Diameter > widest {
			in.Size, in.Pitch, widest = t.Size, 0, t.Diameter
		}
	}
	return in
}
