package held

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// unbraced answers how long a run is between places where something holds it
// sideways: it goes on through points where it is only joined to another piece of
// the same line.
func (m *model) unbraced(i int) float64 {
	length := m.b.Runs[i].Length
	seen := map[int]bool{i: true}
	for _, first := range []bool{true, false} {
		at := i
		end := m.b.Runs[i].To
		if first {
			end = m.b.Runs[i].From
		}
		for {
			next, others := -1, 0
			for k, r := range m.b.Runs {
				if k == at || m.b.Pieces[k].Why != "" || r.From != end && r.To != end {
					continue
				}
				if others++; math.Abs(r.Axes.X.Dot(m.b.Runs[at].Axes.X)) > .999 {
					next = k
				}
			}
			n := m.node[end]
			_, held := m.in.Supports[n]
			_, soft := m.in.Springs[n]
			if next < 0 || others > 1 || held || soft || seen[next] {
				break
			}
			seen[next] = true
			length += m.b.Runs[next].Length
			if r := m.b.Runs[next]; r.From == end {
				end = r.To
			} else {
				end = r.From
			}
			at = next
		}
	}
	return length
}

// tips answers what bending about a section's stronger axis it bears before it tips
// sideways, N·mm, and by which rule; false where it does not tip.
func tips(s section.Sizes, p section.Properties, yield, e, g, length float64) (nominal float64, source string, ok bool) {
	switch s.Kind {
	case "rectTube":
		h, b := max(s.Height, s.Width), min(s.Height, s.Width)
		if h <= b*1.0001 {
			return 0, "", false
		}
		z, sx, ry := max(p.Zx, p.Zy), max(p.Sx, p.Sy), min(p.Rx, p.Ry)
		plastic := yield * z
		root := math.Sqrt(p.J * p.Area)
		lp, lr := .13*e*ry*root/plastic, 2*e*ry*root/(.7*yield*sx)
		switch {
		case length <= lp:
			return plastic, "AISC 360 F7", true
		case length <= lr:
			return plastic - (plastic-.7*yield*sx)*(length-lp)/(lr-lp), "AISC 360 F7.4", true
		}
		return min(plastic, 2*e*root*ry/length), "AISC 360 F7.4", true
	case "flatBar":
		d, t := max(s.Height, s.Width), min(s.Height, s.Width)
		if d <= t*1.0001 {
			return 0, "", false
		}
		first := yield * t * d * d / 6
		plastic := min(yield*t*d*d/4, 1.6*first)
		slender := length * d / (t * t)
		switch {
		case slender <= .08*e/yield:
			return plastic, "AISC 360 F11", true
		case slender <= 1.9*e/yield:
			return min(plastic, (1.52-.274*slender*yield/e)*first), "AISC 360 F11.2", true
		}
		return min(plastic, 1.9*e/slender*t*d*d/6), "AISC 360 F11.2", true
	case "channel":
		o := openOf(s)
		h := s.Depth - s.Flange
		plastic, sx := yield*p.Zx, p.Sx
		rts := math.Sqrt(math.Sqrt(p.Iy*o.warping) / sx)
		c := h / 2 * math.Sqrt(p.Iy/o.warping)
		lp := 1.76 * p.Ry * math.Sqrt(e/yield)
		q := p.J * c / (sx * h)
		lr := 1.95 * rts * e / (.7 * yield) * math.Sqrt(q+math.Sqrt(q*q+6.76*math.Pow(.7*yield/e, 2)))
		switch {
		case length <= lp:
			return plastic, "AISC 360 F2.1", true
		case length <= lr:
			return plastic - (plastic-.7*yield*sx)*(length-lp)/(lr-lp), "AISC 360 F2.2", true
		}
		f := math.Pi * math.Pi * e / math.Pow(length/rts, 2) * math.Sqrt(1+.078*q*math.Pow(length/rts, 2))
		return min(plastic, f*sx), "AISC 360 F2.2", true
	case "angle":
		rz := p.RMin
		beta := angleBeta(s, p)
		x := 4.4 * beta * rz / (length * s.Thickness)
		elastic := 9 * e * p.Area * rz * s.Thickness / (8 * length) * (math.Sqrt(1+x*x) - math.Abs(x))
		first := yield * p.I1 / angleReach(s, p)
		if r := first / elastic; r <= 1 {
			return min((1.92-1.17*math.Sqrt(r))*first, 1.5*first), "AISC 360 F10.2", true
		}
		return (.92 - .17*elastic/first) * elastic, "AISC 360 F10.2", true
	}
	return 0, "", false
}

// legs answers points along the middle lines of an angle's legs with their area,
// about its centroid in its principal axes: w along the stronger, z across.
func legs(s section.Sizes, p section.Properties, do func(w, z, area float64)) (heelW, heelZ float64) {
	turn := .5 * math.Atan2(-2*p.Ixy, p.Ix-p.Iy)
	sin, cos := math.Sincos(turn)
	own := func(x, y float64) (w, z float64) {
		x, y = x-p.CentroidX, y-p.CentroidY
		return x*cos + y*sin, -x*sin + y*cos
	}
	const n = 200
	t := s.Thickness
	for i := range n {
		u := (float64(i) + .5) / n
		w, z := own(u*s.LegHorizontal, t/2)
		do(w, z, s.LegHorizontal*t/n)
		w, z = own(t/2, t+u*(s.LegVertical-t))
		do(w, z, (s.LegVertical-t)*t/n)
	}
	return own(t/2, t/2)
}

// angleBeta answers βw of AISC 360 F10 for an angle, mm; 0 for equal legs.
func angleBeta(s section.Sizes, p section.Properties) float64 {
	if math.Abs(s.LegHorizontal-s.LegVertical) < 1e-6 {
		return 0
	}
	sum, iw := 0., 0.
	_, z0 := legs(s, p, func(w, z, area float64) {
		sum += z * (w*w + z*z) * area
		iw += z * z * area
	})
	return sum/iw - 2*z0
}

// angleReach answers the farthest fibre across an angle's stronger axis, mm.
func angleReach(s section.Sizes, p section.Properties) float64 {
	most := 0.
	legs(s, p, func(_, z, _ float64) { most = max(most, math.Abs(z)) })
	return most + s.Thickness/2
}

// lateral asks whether the member tips sideways while it is bent.
func (a *asking) lateral() mode {
	m := mode{Key: "lateral", Name: "tipping sideways while bent", Idle: "It is not bent."}
	length := a.w.m.unbraced(a.i)
	nominal, source, ok := tips(a.r.Section, a.r.Props, a.yield, a.w.m.modulus, a.w.m.shear, length)
	if !ok {
		m.Needless = "Closed and as wide as high, or round: it does not tip sideways."
		return m
	}
	may := a.w.ask.Rule.Capacity(nominal, a.plate)
	strong := a.iy >= a.iz
	buckles := a.may
	at := func(l *look) (float64, float64) {
		big, small := math.Abs(l.My), l.side
		if !strong {
			big, small = math.Abs(l.Mz), l.high
		}
		if nominal <= 0 {
			return 1, 0
		}
		return a.grows*big/may + a.grows*small/a.may + math.Abs(l.axial)/buckles, 1
	}
	m.Eval = func(c *answered) strength.Hit { return hardest(c, at) }
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		l := c.looks[h.At]
		big, small := math.Abs(l.My), l.side
		if !strong {
			big, small = math.Abs(l.Mz), l.high
		}
		return working.Working{Method: "Bent about its stronger axis until it tips sideways",
			Source: source + " with Cb = 1; sum of shares as H1", Formula: "u = B·M/Mn' + B·σ2/σmay + σN/σmay",
			Assumptions: []string{a.w.ask.Rule.Says(a.plate), "held sideways and against twist where other members meet it, and nowhere else"},
			Inputs: []working.Quantity{working.MM("Lb", "between places that hold it sideways", length), moment("M", "about its stronger axis", big),
				mpa("σ2", "about its weaker axis", small), mpa("σN", "by pull or press", l.axial), amount("B", "bending grows by", a.grows, "")},
			Steps:  []working.Quantity{moment("Mn", "it bears before it tips", nominal), moment("Mn'", "may be used", may)},
			Result: amount("u", "sum of shares", h.Demand, "")}
	}
	return m
}

// wall is one thin wall of a section: its flat width over its thickness, up to what
// it does not buckle, and how it is held.
type wall struct {
	name   string
	slim   float64 // width over thickness
	limit  float64 // from AISC 360 Table B4.1, times √(E/Fy) or E/Fy
	plate  float64 // its buckling coefficient k
	around float64 // share of the section's area
}

// wallsOf lists the walls of a section as pressed all over (AISC 360 Table B4.1a).
func wallsOf(s section.Sizes, p section.Properties, root, ratio float64) []wall {
	switch s.Kind {
	case "rectTube":
		r := max(s.OuterRadius, 1.5*s.Wall)
		b, h := max(s.Width-2*r, 0), max(s.Height-2*r, 0)
		return []wall{{"its sides", b / s.Wall, 1.4 * root, 4, 2 * b * s.Wall / p.Area},
			{"its sides", h / s.Wall, 1.4 * root, 4, 2 * h * s.Wall / p.Area}}
	case "roundTube":
		return []wall{{"its wall", s.Diameter / s.Wall, .11 * ratio, 0, 1}}
	case "angle":
		return []wall{{"its legs", s.LegHorizontal / s.Thickness, .45 * root, .43, s.LegHorizontal * s.Thickness / p.Area},
			{"its legs", s.LegVertical / s.Thickness, .45 * root, .43, s.LegVertical * s.Thickness / p.Area}}
	case "channel":
		return []wall{{"its flanges", s.FlangeWidth / s.Flange, .56 * root, .43, 2 * s.FlangeWidth * s.Flange / p.Area},
			{"its web", (s.Depth - 2*s.Flange) / s.Web, 1.49 * root, 4, (s.Depth - 2*s.Flange) * s.Web / p.Area}}
	}
	return nil
}

// walls answers the share of the section that presses at a stress, thin walls taken
// off by their effective width (AISI S100 appendix 1: ρ = (1 − 0.22/λ)/λ; round
// tubes AISC 360 E7.2).
func (a *asking) walls(stress float64) float64 {
	left := 1.
	e := a.w.m.modulus
	for _, x := range wallsOf(a.r.Section, a.r.Props, math.Sqrt(e/a.yield), e/a.yield) {
		if x.slim <= x.limit {
			continue
		}
		if x.plate == 0 {
			left = min(left, .038*e/(a.yield*x.slim)+2./3)
			continue
		}
		elastic := x.plate * math.Pi * math.Pi * e / (12 * .91 * x.slim * x.slim)
		slender := math.Sqrt(stress / elastic)
		if slender > .673 {
			left -= x.around * (1 - (1-.22/slender)/slender)
		}
	}
	return max(left, .05)
}

// local asks whether thin walls buckle before the section yields.
func (a *asking) local() mode {
	m := mode{Key: "local", Name: "thin walls buckling", Unit: "MPa", Spot: a.place, Idle: "It is never pressed."}
	e := a.w.m.modulus
	list := wallsOf(a.r.Section, a.r.Props, math.Sqrt(e/a.yield), e/a.yield)
	if list == nil {
		m.Needless = "It is solid."
		return m
	}
	var said []string
	slim := false
	for _, x := range list {
		slim = slim || x.slim > x.limit
		said = append(said, fmt.Sprintf("%s %.3g times as wide as thick, up to %.3g", x.name, x.slim, x.limit))
	}
	if !slim {
		m.Needless = "Its walls do not buckle before it yields (AISC 360 B4.1): " + strings.Join(said, "; ") + "."
		return m
	}
	left := a.walls(a.yield)
	may := left * a.may
	m.Eval = func(c *answered) strength.Hit {
		return hardest(c, func(l *look) (float64, float64) {
			return max(0, a.grows*l.bend-l.axial), may
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		l := c.looks[h.At]
		return working.Working{Method: "Thin walls buckling",
			Source: "AISC 360 Table B4.1; effective widths by AISI S100 appendix 1, round tubes AISC 360 E7.2", Formula: "σN + B·σM ≤ Q·σmay",
			Assumptions: append([]string{a.w.ask.Rule.Says(a.plate)}, said...),
			Inputs: []working.Quantity{mpa("σN", "by pressing", -l.axial), mpa("σM", "by bending", l.bend),
				amount("B", "bending grows by", a.grows, "")},
			Steps:  []working.Quantity{amount("Q", "of the section that presses", left, ""), mpa("cap", "may be used", may)},
			Result: mpa("σ", "pressed at its edge", h.Demand)}
	}
	return m
}

// torsion asks an open section for what twists it: shear by Saint-Venant, and where
// flanges are held from warping the stress along them. Closed and round sections
// have it in their stress.
func (a *asking) torsion() mode {
	m := mode{Key: "torsion", Name: "twisting", Unit: "MPa", Spot: a.place, Idle: "Nothing twists it."}
	s, p := a.r.Section, a.r.Props
	if s.Kind != "channel" && s.Kind != "angle" {
		m.Needless = "Closed or solid: twisting is in its stress."
		return m
	}
	var o opened
	decay, arm := 0., 0.
	if s.Kind == "channel" {
		o = openOf(s)
		decay = math.Sqrt(a.w.m.modulus * o.warping / (a.w.m.shear * p.J))
		arm = o.shearCentre + p.CentroidX // loads act through the line of its centroid
	}
	at := func(l *look) (torque, warp, sum float64) {
		torque = math.Abs(l.T) + math.Abs(l.Vz)*arm
		shear := torque*a.perT + l.shear - math.Abs(l.T)*a.perT
		if decay > 0 {
			b := torque * decay * math.Tanh(a.r.Length/(2*decay)) // held from warping at both ends
			warp = b * max(o.tip, o.root) / o.warping
		}
		n := math.Abs(l.axial) + a.grows*l.bend + warp
		return torque, warp, math.Sqrt(n*n + 3*shear*shear)
	}
	m.Eval = func(c *answered) strength.Hit {
		return hardest(c, func(l *look) (float64, float64) {
			t, _, sum := at(l)
			if t < 1 {
				return 0, a.may
			}
			return sum, a.may
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		l := c.looks[h.At]
		t, warp, _ := at(&l)
		return working.Working{Method: "Open section that is twisted",
			Source:      "Saint-Venant torsion and Vlasov's warping with both ends held from warping, which is the most; AISC Design Guide 9",
			Formula:     "B = T·a·tanh(L/2a), a = √(E·Cw/(G·J)); σ = √((σN + σM + B·ω/Cw)² + 3·τ²)",
			Assumptions: append(a.assume(), "loads through the line of its centroid twist it about its shear centre"),
			Inputs: []working.Quantity{moment("T", "torque, with the loads' own about the shear centre", t),
				working.MM("e", "centroid to shear centre", arm), amount("Cw", "warping constant", o.warping, "mm⁶"),
				amount("J", "Saint-Venant", p.J, "mm⁴")},
			Steps:  []working.Quantity{mpa("σw", "by warping", warp), mpa("σM", "by bending", l.bend), mpa("may", "may be used", a.may)},
			Result: mpa("σ", "equivalent stress", h.Demand)}
	}
	return m
}
