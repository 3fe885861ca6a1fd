package held

import (
	"fmt"
	"math"

	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// e3 answers a member's critical stress from its elastic buckling stress, MPa (AISC
// 360 e3): 0.658^(Fy/Fe)·Fy for stocky ones, 0.877·Fe for slender ones. The elastic
// stress is never itself the strength.
func e3(yield, elastic float64) float64 {
	if elastic <= 0 {
		return 0
	}
	if yield/elastic <= 2.25 {
		return math.Pow(.658, yield/elastic) * yield
	}
	return .877 * elastic
}

// column asks for buckling with bending. The buckling length follows the structure:
// the elastic stress is the member's compression at which the frame buckles as a
// whole, or less where its user says a longer K, or an open section twists first.
func (a *asking) column() mode {
	w, p := a.w, a.r.Props
	m := mode{Key: "column", Name: "buckling", Unit: "", Idle: "It is never pressed nor bent."}
	if w.unsaid != "" {
		m.Missing = "Its buckling length cannot be worked out of the structure: " + w.unsaid
		return m
	}
	e := w.m.modulus
	pressed := w.pressed[a.i]
	elastic := math.Inf(1)
	from := "it is never pressed"
	if pressed > 1e-9 {
		elastic, from = w.stable.Factor*pressed/p.Area, "the buckling of the whole structure"
	}
	if a.r.K > 0 {
		if v := math.Pi * math.Pi * e * p.RMin * p.RMin / math.Pow(a.r.K*a.r.Length, 2); v < elastic {
			elastic, from = v, "the buckling length its user says"
		}
	}
	if v, ok := a.twistBuckling(); ok && v < elastic {
		elastic, from = v, "bending with twisting of an open section"
	}
	critical := a.yield
	if !math.IsInf(elastic, 1) {
		critical = e3(a.yield, elastic)
	}
	reduced := a.walls(critical) // share of the section that still presses
	buckles := w.ask.Rule.Capacity(critical*reduced, a.plate)
	// What it bears goes with its largest compression of all cases; so must what is asked,
	// or a case that presses it harder would ease the others.
	squeeze := max(pressed, 0) / p.Area
	m.Eval = func(c *answered) strength.Hit {
		h := hardest(c, func(l *look) (float64, float64) {
			return squeeze/max(buckles, 1e-9) + a.grows*l.bend/a.may, 1
		})
		if a.unsafe != "" && pressed > 1e-9 {
			h.Gone = a.unsafe
		}
		return h
	}
	length := 0.
	if !math.IsInf(elastic, 1) {
		length = math.Pi * math.Sqrt(e/elastic) * p.RMin
	}
	if s := length / p.RMin; s > 200 && pressed > 1e-9 {
		m.Also = fmt.Sprintf("slenderness %.0f is past 200: it shakes and is bent by handling", s)
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		l := c.looks[h.At]
		fe := elastic
		if math.IsInf(fe, 1) {
			fe = 0
		}
		return working.Working{Method: "Buckling with bending",
			Source: "AISC 360 E3 with the elastic stress by " + from +
				"; sum of shares as H1, linear; bending grown by 1/(1 − α/λ) (appendix 8)",
			Formula: "Fcr = 0.658^(Fy/Fe)·Fy, or 0.877·Fe past Fy/Fe = 2.25; u = σN/Fcr' + B·σM/σmay",
			Assumptions: []string{w.ask.Rule.Says(a.plate),
				"each member with its largest compression over all cases at once, its bending case by case"},
			Inputs: []working.Quantity{working.MM("K·L", "buckling length that goes with it", length),
				working.MM("r", "least radius of gyration", p.RMin),
				mpa("Fe", "elastic buckling stress", fe), amount("λ", "times its loads before the frame buckles", w.stable.Factor, ""),
				amount("Q", "of the section that presses, thin walls taken off", reduced, "")},
			Steps: []working.Quantity{mpa("σN", "by its largest compression of all cases", squeeze),
				mpa("Fcr'", "may be used before it buckles", buckles), amount("B", "bending grows by", a.grows, ""), mpa("σM", "by bending", l.bend)},
			Result: amount("u", "sum of shares", h.Demand, "")}
	}
	return m
}

// order asks for the stress with bending grown by how far the frame moves.
func (a *asking) order() mode {
	m := mode{Key: "order", Name: "grown by what it moves", Unit: "MPa", Spot: a.place}
	switch {
	case a.w.unsaid != "":
		m.Missing = "How far the frame is from buckling cannot be worked out: " + a.w.unsaid
		return m
	case a.w.presser < 1e-6:
		m.Needless = "Nothing of the frame is pressed: it does not buckle."
		return m
	case a.unsafe == "" && a.grows < 1.05:
		m.Needless = fmt.Sprintf("The frame is %.3g times away from buckling: bending grows by %.1f %% (AISC 360 appendix 8).",
			a.w.stable.Factor, 100*(a.grows-1))
		return m
	}
	at := func(l *look) float64 {
		s := math.Abs(l.axial) + a.grows*l.bend
		return math.Sqrt(s*s + 3*l.shear*l.shear)
	}
	m.Eval = func(c *answered) strength.Hit {
		h := hardest(c, func(l *look) (float64, float64) { return at(l), a.may })
		h.Gone = a.unsafe
		return h
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		l := c.looks[h.At]
		return working.Working{Method: "Stress grown by what the frame moves",
			Source:  "AISC 360 appendix 8: bending times 1/(1 − α/λ), λ of the whole structure, α 1.6 where loads are not factored",
			Formula: "σ = √((|N|/A + B·σM)² + 3·τ²)", Assumptions: a.assume(),
			Inputs: []working.Quantity{amount("λ", "times its loads before it buckles", a.w.stable.Factor, ""),
				mpa("σN", "by pull or press", l.axial), mpa("σM", "by bending", l.bend), mpa("τ", "by torque and shear", l.shear)},
			Steps:  []working.Quantity{amount("B", "bending grows by", a.grows, ""), mpa("may", "may be used", a.may)},
			Result: mpa("σ", "equivalent stress", h.Demand)}
	}
	return m
}

// twistBuckling answers the elastic stress at which an open section twists as it
// buckles, MPa (AISC 360 E4), over the member's own length; not for closed and solid
// ones, nor for angles with legs too stout for it (E4: b/t up to 0.71·√(E/Fy)).
func (a *asking) twistBuckling() (float64, bool) {
	s, p, e, g := a.r.Section, a.r.Props, a.w.m.modulus, a.w.m.shear
	k := max(a.r.K, 1)
	l := k * a.r.Length
	switch s.Kind {
	case "channel":
		o := openOf(s)
		x0 := o.shearCentre + p.CentroidX
		r2 := x0*x0 + (p.Ix+p.Iy)/p.Area
		ex := math.Pi * math.Pi * e * p.Rx * p.Rx / (l * l) // about the axis of symmetry
		ez := (math.Pi*math.Pi*e*o.warping/(l*l) + g*p.J) / (p.Area * r2)
		h := 1 - x0*x0/r2
		sum := ex + ez
		return sum / (2 * h) * (1 - math.Sqrt(max(0, 1-4*ex*ez*h/(sum*sum)))), true
	case "angle":
		b, t := max(s.LegHorizontal, s.LegVertical), s.Thickness
		if b/t <= .71*math.Sqrt(e/a.yield) {
			return 0, false
		}
		return g * t * t / (b * b), true // twisting of a leg about the heel
	}
	return 0, false
}

// opened is what warps: the shear centre outside the web's middle (mm from the web's
// outside, away from the flanges), the warping constant (mm⁶) and the largest sector
// area at the flanges' tips and roots (mm²).
type opened struct{ shearCentre, warping, tip, root float64 }

// openOf answers the warping of a channel by its middle lines (textbook formulas).
func openOf(s section.Sizes) opened {
	b, h := s.FlangeWidth-s.Web/2, s.Depth-s.Flange
	e := 3 * b * b * s.Flange / (6*b*s.Flange + h*s.Web) // from the web's middle
	w := s.Flange * b * b * b * h * h / 12 * (3*b*s.Flange + 2*h*s.Web) / (6*b*s.Flange + h*s.Web)
	return opened{shearCentre: e - s.Web/2, warping: w, tip: (b - e) * h / 2, root: e * h / 2}
}
