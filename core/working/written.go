package working

import (
	"math"
	"strconv"
	"strings"
)

// Written writes the values of a working finely enough to follow it: lengths to
// a thousandth of a millimetre, in inch jobs to a ten-thousandth of an inch
// with the millimetres beside it; forces, moments, stresses and masses of inch jobs in
// pounds, areas and moduli of sections in inches, what they were worked in beside them. The lists are written in place.
func (w Working) Written(inches bool) Working {
	for _, list := range [][]Quantity{w.Inputs, w.Steps} {
		for i := range list {
			list[i].Text = list[i].fine(inches)
		}
	}
	w.Result.Text = w.Result.fine(inches)
	return w
}

func (q Quantity) fine(inches bool) string {
	switch q.Unit {
	case "mm":
		if inches {
			return places(q.Value/25.4, 4) + " in (" + places(q.Value, 3) + " mm)"
		}
		return places(q.Value, 3) + " mm"
	case "°":
		return places(q.Value, 2) + "°"
	case "":
		return trimZeros(places(q.Value, 4))
	case "N·mm":
		metric := trimZeros(places(q.Value/1000, 3)) + " N·m"
		if inches {
			return trimZeros(places(q.Value/(poundForce*304.8), 2)) + " lbf·ft (" + metric + ")"
		}
		return metric
	}
	if unit, known := pounds[q.Unit]; known {
		if inches {
			return trimZeros(places(q.Value/unit.size, unit.digits)) + " " + unit.name + " (" + q.fine(false) + ")"
		}
		if (q.Unit == "N" || q.Unit == "MPa") && math.Abs(q.Value) >= 100 {
			return places(q.Value, 1) + " " + q.Unit
		}
	}
	return trimZeros(places(q.Value, 3)) + " " + q.Unit
}

// poundForce is a pound's weight in N (exact by definition).
const poundForce = 4.4482216152605

// pounds are the units of an inch job: their names, sizes and decimals.
var pounds = map[string]struct {
	name   string
	size   float64
	digits int
}{"N": {"lbf", poundForce, 1}, "MPa": {"ksi", poundForce * 1000 / 645.16, 2}, "kg": {"lb", .45359237, 2},
	"N/mm": {"lbf/in", poundForce / 25.4, 1}, "kg/m": {"lb/ft", .45359237 / .3048, 3}, "m²": {"ft²", .3048 * .3048, 3},
	"mm²": {"in²", 25.4 * 25.4, 4}, "mm³": {"in³", 25.4 * 25.4 * 25.4, 4}, "mm⁴": {"in⁴", 25.4 * 25.4 * 25.4 * 25.4, 4},
	"kJ/mm": {"kJ/in", 1 / 25.4, 1}, "mm/min": {"in/min", 25.4, 1}}

func places(v float64, n int) string { return strconv.FormatFloat(v, 'f', n, 64) }

func trimZeros(s string) string {
	if !strings.Contains(s, ".") {
		return s
	}
	return strings.TrimRight(strings.TrimRight(s, "0"), ".")
}

// MM is a length in mm as a working names it.
func MM(symbol, name string, v float64) Quantity {
	return Quantity{Symbol: symbol, Name: name, Value: v, Unit: "mm"}
}
