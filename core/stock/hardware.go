package stock

import "math"

// Hardware is what goes with a thread: heights, widths and thicknesses in mm.
// A zero is not in the table.
type Hardware struct {
	Size       string  `json:"size"`
	Nut        float64 `json:"nut" doc:"mm high, hexagon nut"`
	LockNut    float64 `json:"lockNut" doc:"mm high, with a plastic ring"`
	Head       float64 `json:"head" doc:"mm high, hexagon head"`
	Washer     float64 `json:"washer" doc:"mm thick"`
	WasherOver float64 `json:"washerOver" doc:"mm across the washer"`
	Socket     float64 `json:"socket" doc:"mm across a usual socket for its head, outside"`
}

// HardwareSource of the tables.
const HardwareSource = "ISO 4032 nuts, ISO 7040 nuts with plastic ring, ISO 4014 heads, ISO 7089 washers; inch ASME B18.2.2, B18.21.1 " +
	"narrow washers, plastic-ring nuts typical; sockets typical: measure what is at hand"

const inch = 25.4

// hardware by thread size. Sockets: outside diameters of usual 3/8 and 1/2 in
// sockets.
var hardware = []Hardware{
	{"M5", 4.7, 6.8, 3.5, 1, 10, 12}, {"M6", 5.2, 8, 4, 1.6, 12, 15}, {"M8", 6.8, 9.5, 5.3, 1.6, 16, 18.5}, {"M10", 8.4, 11.9, 6.4, 2, 20, 22.5}, {"M12", 10.8, 14.9, 7.5, 2.5, 24, 25.5},
	{"M14", 12.8, 17, 8.8, 2.5, 28, 29}, {"M16", 14.8, 19.1, 10, 3, 30, 33}, {"M18", 15.8, 0, 11.5, 3, 34, 37}, {"M20", 18, 22.8, 12.5, 3, 37, 41}, {"M22", 19.4, 0, 14, 3, 39, 46}, {"M24", 21.5, 27.1, 15, 4, 44, 48},
	{"#10", inch / 8, 6.1, 3.2, .049 * inch, inch / 2, 12}, {"1/4", 7. / 32 * inch, 7.9, 5. / 32 * inch, .065 * inch, .625 * inch, 16}, {"5/16", 17. / 64 * inch, 8.9, 13. / 64 * inch, .065 * inch, .6875 * inch, 18}, {"3/8", 21. / 64 * inch, 11.8, 15. / 64 * inch, .065 * inch, .8125 * inch, 20.5},
	{"7/16", 3. / 8 * inch, 11.9, 9. / 32 * inch, .065 * inch, 59. / 64 * inch, 22.5}, {"1/2", 7. / 16 * inch, 15.1, 5. / 16 * inch, .095 * inch, 1.0625 * inch, 26}, {"9/16", 31. / 64 * inch, 0, 23. / 64 * inch, .095 * inch, 1.1875 * inch, 29}, {"5/8", 35. / 64 * inch, 19.4, 25. / 64 * inch, .095 * inch, 1.3125 * inch, 32},
	{"3/4", 41. / 64 * inch, 22.4, 15. / 32 * inch, .134 * inch, 1.46875 * inch, 38}, {"7/8", 3. / 4 * inch, 0, 35. / 64 * inch, .134 * inch, 1.75 * inch, 44}, {"1", 55. / 64 * inch, 0, 39. / 64 * inch, .134 * inch, 2 * inch, 50},
}

// HardwareFor finds what goes with a thread.
func HardwareFor(t Thread) (Hardware, bool) {
	for _, h := range hardware {
		if h.Size == t.Size {
			return h, true
		}
	}
	return Hardware{}, false
}

// BoltLengths are the lengths bolts of a system usually come in, mm.
func BoltLengths(s System) (out []float64) {
	if s == Metric {
		for _, span := range []struct{ from, to, step float64 }{{10, 12, 2}, {16, 20, 4}, {25, 70, 5}, {80, 160, 10}, {180, 300, 20}} {
			for l := span.from; l <= span.to; l += span.step {
				out = append(out, l)
			}
		}
		return out
	}
	for _, span := range []struct{ from, to, step float64 }{{.5, 1.375, .125}, {1.5, 5.75, .25}, {6, 12, .5}} {
		for l := span.from; l <= span.to; l += span.step {
			out = append(out, l*inch)
		}
	}
	return out
}

// ThreadLength answers how long the thread of a hexagon bolt of a length is, mm:
// ISO 4014 2d + 6, 12 past 125, 25 past 200; ASME B18.2.1 2D + 1/4 in, 1/2 past
// 6 in. Shorter bolts are threaded to the head, as ISO 4017.
func (t Thread) ThreadLength(length float64) float64 {
	b := 2*t.Diameter + 6
	switch {
	case t.System == Inch && length > 6*inch:
		b = 2*t.Diameter + inch/2
	case t.System == Inch:
		b = 2*t.Diameter + inch/4
	case length > 200:
		b = 2*t.Diameter + 25
	case length > 125:
		b = 2*t.Diameter + 12
	}
	return math.Min(b, length)
}

// Look-alike threads: sizes of the other system that start by hand in a nut of
// this one, or seem to, and strip under load.
var lookalikes = [][2]string{{"M5", "#10"}, {"M6", "1/4"}, {"M8", "5/16"}, {"M10", "3/8"}, {"M12", "1/2"}, {"M14", "9/16"}, {"M16", "5/8"},
	{"M20", "3/4"}, {"M22", "7/8"}, {"M24", "1"}}

// Lookalike answers the size of the other system that is easily taken for a
// thread, "" where there is none.
func (t Thread) Lookalike() string {
	for _, l := range lookalikes {
		switch t.Size {
		case l[0]:
			return l[1]
		case l[1]:
			return l[0]
		}
	}
	return ""
}
