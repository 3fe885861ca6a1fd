package working

import (
	"math"
	"strconv"
	"strings"
)

// Written writes the values of a working finely enough to follow it: lengths to
// a thousandth of a millimetre, in inch jobs to a ten-thousandth of an inch
// with the millimetres beside it. The lists are written in place.
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
		return trimZeros(places(q.Value/1000, 3)) + " N·m"
	case "N", "MPa":
		if math.Abs(q.Value) >= 100 {
			return places(q.Value, 1) + " " + q.Unit
		}
	}
	return trimZeros(places(q.Value, 3)) + " " + q.Unit
}

func places(v float64, n int) string { return strconv.FormatFloat(v, 'f', n, 64) }

func trimZeros(s string) string {
	if !strings.Contains(s, ".") {
		return s
	}
	return strings.TrimRight(strings.TrimRight(s, "0"), ".")
}
