package section

import (
	"fmt"
	"slices"
)

// Stock is a section as it is sold.
type Stock struct {
	Name   string `json:"name"`
	Inches bool   `json:"inches"`
	Sizes  Sizes  `json:"sizes"`
	Source string `json:"source"`
}

const inch = 25.4

// Table lists the sections that are usually on the rack, metric and inch, tubes
// first. Corner radii of tube are nominal: 2 t to 6 mm, 2.5 t to 10 mm (EN
// 10219-2), 2 t in inches (ASTM A500); angles and channels are without fillets.
func Table() []Stock {
	return slices.Concat(metricTubes(), inchTubes(), roundTubes(), angles(), channels(), bars())
}

// stocks collects the rows of one form.
type stocks []Stock

func (l *stocks) add(inches bool, source, name string, s Sizes) {
	*l = append(*l, Stock{name, inches, s, source})
}

// named is an inch size as it is written.
type named struct {
	text string
	in   float64
}

func metricTubes() (out stocks) {
	for _, t := range []struct {
		w, h  float64
		walls []float64
	}{{15, 15, []float64{1.5}}, {20, 20, []float64{1.5, 2}}, {25, 25, []float64{1.5, 2, 2.5, 3}}, {30, 30, []float64{2, 2.5, 3}},
		{35, 35, []float64{2, 3}}, {40, 40, []float64{2, 2.5, 3, 4}}, {50, 50, []float64{2, 2.5, 3, 4, 5}}, {60, 60, []float64{2.5, 3, 4, 5}},
		{70, 70, []float64{3, 4, 5}}, {80, 80, []float64{3, 4, 5, 6}}, {90, 90, []float64{4, 5}}, {100, 100, []float64{3, 4, 5, 6, 8}},
		{120, 120, []float64{4, 5, 6, 8}},
		{30, 15, []float64{1.5, 2}}, {30, 20, []float64{1.5, 2}}, {40, 20, []float64{2, 2.5, 3}}, {40, 30, []float64{2, 3}}, {50, 20, []float64{2}}, {50, 25, []float64{2, 2.5, 3}}, {50, 30, []float64{2, 2.5, 3, 4}}, {50, 40, []float64{2, 3}}, {60, 30, []float64{2, 3}}, {60, 40, []float64{2, 2.5, 3, 4, 5}}, {70, 40, []float64{3}}, {80, 40, []float64{2, 3, 4, 5}}, {80, 50, []float64{3, 4}}, {80, 60, []float64{3, 4, 5}}, {90, 50, []float64{3, 4}}, {100, 40, []float64{3, 4}}, {100, 50, []float64{3, 4, 5, 6}}, {100, 60, []float64{3, 4, 5, 6}}, {120, 40, []float64{3, 4}}, {120, 60, []float64{3, 4, 5, 6}}, {120, 80, []float64{3, 4, 5, 6}}} {
		for _, wall := range t.walls {
			r := 2 * wall
			if wall > 6 {
				r = 2.5 * wall
			}
			out.add(false, "EN 10219-2", fmt.Sprintf("%g × %g × %g mm tube", t.w, t.h, wall),
				Sizes{Kind: "rectTube", Width: t.w, Height: t.h, Wall: wall, OuterRadius: r})
		}
	}
	return out
}

// fraction writes the inch sizes of the table.
func fraction(in float64) string {
	return map[float64]string{.5: "1/2", .75: "3/4", 1: "1", 1.25: "1-1/4", 1.5: "1-1/2", 1.75: "1-3/4", 2: "2", 2.5: "2-1/2",
		3: "3", 3.5: "3-1/2", 4: "4"}[in]
}

func inchTubes() (out stocks) {
	walls := map[float64]named{16: {"16 ga", .065}, 14: {"14 ga", .083}, 11: {"11 ga", .120}, 316: {"3/16", .1875}, 14.5: {"1/4", .25}}
	for _, t := range []struct {
		w, h  float64
		walls []float64
	}{{.5, .5, []float64{16}}, {.75, .75, []float64{16, 14}}, {1, 1, []float64{16, 14, 11}}, {1.25, 1.25, []float64{16, 14, 11}},
		{1.5, 1.5, []float64{16, 14, 11, 316}}, {1.75, 1.75, []float64{14, 11}}, {2, 2, []float64{14, 11, 316, 14.5}},
		{2.5, 2.5, []float64{11, 316, 14.5}}, {3, 3, []float64{11, 316, 14.5}}, {3.5, 3.5, []float64{316, 14.5}},
		{4, 4, []float64{11, 316, 14.5}},
		{1, .5, []float64{16}}, {1.5, .75, []float64{16}}, {1.5, 1, []float64{16, 14, 11}}, {2, 1, []float64{16, 14, 11}}, {2, 1.5, []float64{11}}, {2.5, 1.5, []float64{11, 316}}, {3, 1, []float64{14, 11}}, {3, 1.5, []float64{11, 316}}, {3, 2, []float64{11, 316, 14.5}}, {4, 2, []float64{11, 316, 14.5}}, {4, 3, []float64{316, 14.5}}} {
		for _, k := range t.walls {
			w := walls[k]
			out.add(true, "ASTM A500, A513", fmt.Sprintf("%s × %s × %s in tube", fraction(t.w), fraction(t.h), w.text),
				Sizes{Kind: "rectTube", Width: t.w * inch, Height: t.h * inch, Wall: w.in * inch, OuterRadius: min(2*w.in, t.h/2) * inch})
		}
	}
	return out
}

func roundTubes() (out stocks) {
	for _, t := range [][]float64{{21.3, 2.6}, {26.9, 2.6}, {33.7, 2.6, 3.2}, {42.4, 2.6, 3.2}, {48.3, 2.6, 3.2, 4}, {60.3, 2.9, 3.6, 5},
		{76.1, 2.9, 3.6, 5}, {88.9, 3.2, 4, 5}, {114.3, 3.6, 5, 6.3}} {
		for _, wall := range t[1:] {
			out.add(false, "EN 10219-2, EN 10255", fmt.Sprintf("Ø %g × %g mm tube", t[0], wall),
				Sizes{Kind: "roundTube", Diameter: t[0], Wall: wall})
		}
	}
	for _, p := range []struct {
		nps         string
		d, s40, s80 float64
	}{{"1/2", .840, .109, .147}, {"3/4", 1.050, .113, .154}, {"1", 1.315, .133, .179}, {"1-1/4", 1.660, .140, .191},
		{"1-1/2", 1.900, .145, .200}, {"2", 2.375, .154, .218}, {"2-1/2", 2.875, .203, .276}, {"3", 3.500, .216, .300},
		{"4", 4.500, .237, .337}} {
		out.add(true, "ASME B36.10M", "pipe "+p.nps+" schedule 40", Sizes{Kind: "roundTube", Diameter: p.d * inch, Wall: p.s40 * inch})
		out.add(true, "ASME B36.10M", "pipe "+p.nps+" schedule 80", Sizes{Kind: "roundTube", Diameter: p.d * inch, Wall: p.s80 * inch})
	}
	return out
}

func angles() (out stocks) {
	for _, a := range [][3]float64{{20, 20, 3}, {25, 25, 3}, {30, 30, 3}, {30, 30, 4}, {40, 40, 4}, {40, 40, 5}, {50, 50, 5}, {50, 50, 6},
		{60, 60, 6}, {70, 70, 7}, {80, 80, 8}, {100, 100, 10}, {50, 30, 5}, {60, 40, 5}, {75, 50, 6}, {80, 60, 7}, {100, 65, 8}} {
		out.add(false, "EN 10056-1", fmt.Sprintf("L %g × %g × %g mm", a[0], a[1], a[2]),
			Sizes{Kind: "angle", LegVertical: a[0], LegHorizontal: a[1], Thickness: a[2]})
	}
	for _, a := range []struct {
		leg  float64
		t    float64
		text string
	}{{1, .125, "1/8"}, {1.25, .125, "1/8"}, {1.5, .125, "1/8"}, {1.5, .1875, "3/16"}, {2, .125, "1/8"}, {2, .1875, "3/16"}, {2, .25, "1/4"},
		{2.5, .1875, "3/16"}, {2.5, .25, "1/4"}, {3, .1875, "3/16"}, {3, .25, "1/4"}, {3, .375, "3/8"}} {
		out.add(true, "ASTM A6", fmt.Sprintf("L %s × %s × %s in", fraction(a.leg), fraction(a.leg), a.text),
			Sizes{Kind: "angle", LegVertical: a.leg * inch, LegHorizontal: a.leg * inch, Thickness: a.t * inch})
	}
	return out
}

func channels() (out stocks) {
	for _, c := range [][4]float64{{80, 50, 4, 7}, {100, 55, 4.5, 7.5}, {120, 60, 5, 8}, {140, 65, 5, 9}, {160, 70, 5.5, 9.5},
		{180, 75, 5.5, 10.5}, {200, 80, 6, 11}} {
		out.add(false, "parallel-flange channel, EN 10365", fmt.Sprintf("UPE %g", c[0]),
			Sizes{Kind: "channel", Depth: c[0], FlangeWidth: c[1], Web: c[2], Flange: c[3]})
	}
	for _, c := range []struct {
		name       string
		d, b, w, f float64
	}{{"C3 × 4.1", 3, 1.41, .170, .273}, {"C4 × 5.4", 4, 1.58, .184, .296}, {"C5 × 6.7", 5, 1.75, .190, .320},
		{"C6 × 8.2", 6, 1.92, .200, .343}, {"C8 × 11.5", 8, 2.26, .220, .390}} {
		out.add(true, "ASTM A6, flange at its mean thickness", c.name,
			Sizes{Kind: "channel", Depth: c.d * inch, FlangeWidth: c.b * inch, Web: c.w * inch, Flange: c.f * inch})
	}
	return out
}

func bars() (out stocks) {
	for _, w := range []float64{20, 25, 30, 40, 50, 60, 80, 100} {
		for _, t := range []float64{3, 4, 5, 6, 8, 10, 12} {
			if t <= w/3 {
				out.add(false, "EN 10058", fmt.Sprintf("flat %g × %g mm", w, t), Sizes{Kind: "flatBar", Width: w, Height: t})
			}
		}
	}
	for _, d := range []float64{6, 8, 10, 12, 14, 16, 18, 20, 25, 30, 35, 40, 50} {
		out.add(false, "EN 10060", fmt.Sprintf("round %g mm", d), Sizes{Kind: "roundBar", Diameter: d})
	}
	for _, d := range []named{{"1/4", .25}, {"5/16", .3125}, {"3/8", .375}, {"1/2", .5}, {"5/8", .625}, {"3/4", .75}, {"1", 1},
		{"1-1/4", 1.25}, {"1-1/2", 1.5}} {
		out.add(true, "ASTM A6", "round "+d.text+" in", Sizes{Kind: "roundBar", Diameter: d.in * inch})
	}
	return out
}
