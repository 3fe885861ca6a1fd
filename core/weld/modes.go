package weld

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

var (
	weldShear   = strength.Factors{Omega: 2, Phi: .75}
	aluminiumTo = strength.Factors{Omega: 1.95, Phi: .75}
	baseShear   = strength.Factors{Omega: 1.5, Phi: 1}

	aluminiumYield = strength.Factors{Omega: 1.65, Phi: .9}
)

// keeps answers what may be used of a strength that keeps its own factor in the g-case school.
func (g *group) keeps(nominal float64, f strength.Factors) float64 {
	if g.ask.Rule.School == strength.Factored {
		return f.Phi * nominal
	}
	return nominal / f.Omega
}

func (g *group) says(f strength.Factors) string {
	if g.ask.Rule.School == strength.Factored {
		return fmt.Sprintf("φ = %g", f.Phi)
	}
	return fmt.Sprintf("Ω = %g, in the g-case school too", f.Omega)
}

// never answers why what is joined is not welded, or cannot be said of; "" where it can.
func (g *group) never() (never, why string) {
	for _, both := range g.stuff {
		for _, x := range both {
			if x.never != "" {
				never = x.never
			}
			if x.why != "" {
				why = x.why
			}
		}
	}
	return never, why
}

// metal is the weld itself.
func (g *group) metal() strength.Mode[asked] {
	m := strength.Mode[asked]{Key: "throat", Name: "Weld metal", Unit: "N/mm", Idle: "Nothing goes through it."}
	light := slices.ContainsFunc(g.stuff, func(b [2]stuff) bool { return b[0].aluminium || b[1].aluminium })
	rust := slices.ContainsFunc(g.stuff, func(b [2]stuff) bool { return b[0].rust || b[1].rust })
	switch {
	case g.silent != "":
		m.Missing = g.silent
		return m
	case light != (g.filler.Metal == "aluminum"), rust && g.filler.Metal != "stainless":
		m.Missing = fmt.Sprintf("%s is not laid on what is joined: choose the weld metal.", g.filler.Name)
		return m
	}
	matched := func(k int) bool { // a butt as strong as what it joins, which is asked beside it
		s, both := g.ask.Seams[k], g.stuff[k]
		return s.Form == ButtForm && s.Full && !light && g.filler.Known && g.filler.Tensile >= math.Max(both[0].tensile, both[1].tensile)
	}
	if !slices.ContainsFunc(g.ask.Seams, func(s Seam) bool { return s.Form != SpotForm }) {
		m.Needless = "Resistance spots are as strong as the sheet they are in: that is asked beside them."
		return m
	}
	every := true
	for k := range g.stuff {
		every = every && matched(k)
	}
	if every {
		m.Needless = "Melted through and laid of a metal as strong as what it joins: that is asked beside it."
		return m
	}
	factors, nominal := weldShear, .6*g.filler.Tensile
	if light {
		factors, nominal = aluminiumTo, g.filler.Shear
	}
	capacity := func(i int) float64 {
		s, l := g.ask.Seams[g.of[i].seam], g.lines.Lines[i]
		if g.of[i].dot {
			return g.metalAt(s, nominal, factors) / dot
		}
		if matched(g.of[i].seam) {
			return math.Inf(1)
		}
		return g.keeps(nominal, factors) * l.Throat * endLoaded(g.of[i].long, s.size())
	}
	m.Eval = func(c *asked) strength.Hit {
		return g.ends(c, func(i int, f solid.Vector) (float64, float64) { return f.Len() * g.lines.Lines[i].Throat, capacity(i) })
	}
	m.Spot = g.spot
	m.Explain = func(c *asked, h strength.Hit) working.Working {
		if g.of[h.At/2].dot {
			return g.dotWorking(c, h, "Weld metal of a plug", "AISC 360 J2.4", "F ≤ 0.60·FEXX·π·d²/4 / 2.00")
		}
		l := g.lines.Lines[h.At/2]
		w := working.Working{Method: "Seams together, as lines",
			Source:  "elastic vector method in principal axes; AISC 360 J2.4: 0.60·FEXX on the throat",
			Formula: "f = |F/A + b × r|·throat",
			Inputs: []working.Quantity{{Symbol: "FEXX", Name: g.filler.Name, Value: g.filler.Tensile, Unit: "MPa"},
				working.MM("throat", "throat", l.Throat), working.MM("L", "length that carries", g.lines.Length)},
			Steps:       []working.Quantity{perMM("may", "may be used", h.Capacity)},
			Assumptions: []string{g.says(factors), "starts and stops, twice the leg, do not carry", "no more for a load across it"},
			Result:      perMM("f", "on a millimetre", h.Demand)}
		if len(g.extra) > 0 && g.extra[h.At/2] > 0 {
			w.Steps = append(w.Steps, perMM("q", "of it lengthwise, from plates bent as one", g.extra[h.At/2]*l.Throat))
			w.Assumptions = append(w.Assumptions, "what shears the plates, V·Q/I, is added lengthwise, either way")
		}
		if light {
			w.Source = "elastic vector method; Aluminum Design Manual J.2: shear of the filler lengthwise"
		}
		return w
	}
	return m
}

// endLoaded is what counts of a seam that is longer than 100 legs (AISC 360 J2.2b).
func endLoaded(long, leg float64) float64 {
	switch ratio := long / leg; {
	case leg == 0 || ratio <= 100:
		return 1
	case ratio <= 300:
		return 1.2 - .002*ratio
	default:
		return 180 / ratio
	}
}

// base is what stands beside the weld.
func (g *group) base() strength.Mode[asked] {
	m := strength.Mode[asked]{Key: "base", Name: "Metal beside it", Unit: "N/mm", Idle: "Nothing goes through it."}
	if never, why := g.never(); never != "" || why != "" {
		m.Missing = sentence(cmp.Or(why, never))
		return m
	}
	for k, s := range g.ask.Seams {
		if s.dots() && (g.stuff[k][0].aluminium || g.stuff[k][1].aluminium) {
			m.Missing = sentence("plugs and spots in aluminium are not worked out: weld along its edges, rivet or bolt it")
			return m
		}
	}
	m.Eval = func(c *asked) strength.Hit {
		return g.ends(c, func(i int, f solid.Vector) (demand, capacity float64) {
			flow, along := f.Mul(g.lines.Lines[i].Throat), g.of[i].along
			s := math.Abs(flow.Dot(along))
			n := flow.Sub(along.Mul(flow.Dot(along))).Len()
			worst := -1.
			if seam := &g.ask.Seams[g.of[i].seam]; g.of[i].dot { // sheared off at the faces that meet
				demand, capacity = flow.Len(), math.Inf(1)
				for _, x := range g.stuff[g.of[i].seam] {
					capacity = math.Min(capacity, g.keepsBase(.6*x.tensile, .6*x.yield, strength.Rupture, baseShear)*seam.face()/dot)
				}
				return demand, capacity
			}
			for k, x := range g.stuff[g.of[i].seam] {
				share := 1.
				if k == 0 && g.of[i].two {
					share = .5 // both welds pull on the one plate between them
				}
				shear, pull := g.beside(x, share, &g.ask.Seams[g.of[i].seam])
				d := math.Hypot(n, s*pull/shear)
				if d/pull > worst {
					worst, demand, capacity = d/pull, d, pull
				}
			}
			return demand, capacity
		})
	}
	m.Spot = g.spot
	m.Explain = func(c *asked, h strength.Hit) working.Working {
		if g.of[h.At/2].dot {
			return g.dotWorking(c, h, "Metal beside a plug or a spot", "AISC 360 J4 on the faces that meet", "F ≤ min(0.60·Fu/2.00, "+
				"0.60·Fy/1.50)·π·d²/4")
		}
		w := working.Working{Method: "Metal beside a weld", Source: "AISC 360 J4: 0.60·Fu torn, 0.60·Fy sheared; pulled Fy and Fu",
			Formula: "per millimetre: √(across² + (along·pull/shear)²) ≤ thickness · least strength", Steps: []working.Quantity{},
			Assumptions: []string{g.ask.Rule.Says(strength.Rupture)}, Result: perMM("f", "on a millimetre", h.Demand)}
		for _, x := range g.stuff[g.of[h.At/2].seam] {
			w.Inputs = append(w.Inputs, working.MM("t", x.name, x.thick),
				working.Quantity{Symbol: "Fy", Name: "yield that counts", Value: x.yield, Unit: "MPa"},
				working.Quantity{Symbol: "Fu", Name: "tensile that counts", Value: x.tensile, Unit: "MPa"})
			if x.soft {
				w.Assumptions = append(w.Assumptions, fmt.Sprintf("%s is softened within 25 mm of the weld", x.name))
			}
		}
		if g.of[h.At/2].two {
			w.Assumptions = append(w.Assumptions, "welded on both sides: the plate between them takes both")
		}
		w.Steps = append(w.Steps, perMM("may", "may be used", h.Capacity))
		return w
	}
	return m
}

// beside answers what a millimetre of what stands beside a seam may take along it and across, N/mm: so much of its
// thickness, of aluminium no more than the face it is melted on to.
func (g *group) beside(x stuff, share float64, s *Seam) (shear, pull float64) {
	torn, sheared, pulled := strength.Rupture, baseShear, strength.Yield
	if x.aluminium {
		torn, sheared, pulled = aluminiumTo, aluminiumYield, aluminiumYield
	}
	shear = g.keepsBase(.6*x.tensile, .6*x.yield, torn, sheared) * x.thick * share
	pull = g.keepsBase(x.tensile, x.yield, torn, pulled) * x.thick * share
	if s.Form != ButtForm {
		pull = shear // beside a fillet it is torn along the leg
		if x.aluminium {
			face := g.keeps(.6*x.tensile, aluminiumTo) * s.size()
			shear, pull = math.Min(shear, face), math.Min(pull, face)
		}
	}
	return shear, pull
}

// keepsBase is what may be used of base metal, MPa, by its tensile and its yield value.
func (g *group) keepsBase(tensile, yield float64, torn, yields strength.Factors) float64 {
	if g.ask.Rule.Yields() {
		return g.ask.Rule.Capacity(yield, yields)
	}
	return math.Min(g.ask.Rule.Capacity(tensile, torn), g.ask.Rule.Capacity(yield, yields))
}

// peels is how large a part of what goes through a weld may run square to a sheet's face before it is peel.
const peels = .05

// sheet is thin steel beside the weld.
func (g *group) sheet() strength.Mode[asked] {
	m := strength.Mode[asked]{Key: "sheet", Name: "Thin sheet beside it", Unit: "N/mm", Idle: "Nothing goes through it."}
	of := make([][]stuff, len(g.of)) // by line, once: there are many cases
	peels := false
	for i := range g.of {
		for k, x := range g.stuff[g.of[i].seam] {
			if x.thin {
				if k == 0 && g.of[i].two {
					x.thick /= 2
				}
				of[i] = append(of[i], x)
				peels = peels || !x.closed
			}
		}
		peels = peels || g.of[i].dot
	}
	thin := func(i int) []stuff { return of[i] }
	any := false
	for _, both := range g.stuff {
		any = any || both[0].thin || both[1].thin
	}
	for _, s := range g.ask.Seams { // plugs are asked for a pull in plate too
		any = any || s.dots()
	}
	if !any {
		m.Needless = "What is joined is 4.8 mm and more: plate, no sheet."
		return m
	}
	if _, why := g.never(); why != "" {
		m.Missing = sentence(why)
		return m
	}
	if peels { // walls of tubes do not
		m.Unsure = func(c *asked) string { return g.peeled(c, thin) }
	}
	m.Eval = func(c *asked) strength.Hit {
		return g.ends(c, func(i int, f solid.Vector) (demand, capacity float64) {
			demand, capacity = f.Len()*g.lines.Lines[i].Throat, math.Inf(1)
			for _, x := range thin(i) {
				if seam := &g.ask.Seams[g.of[i].seam]; g.of[i].dot {
					n, by := g.sheetAt(*seam, x)
					capacity = math.Min(capacity, g.keeps(n, by)/dot)
					if seam.Form == PlugForm {
						deep := math.Min(.7*seam.Across-1.5*x.thick, .55*seam.Across)
						capacity = math.Min(capacity, g.keeps(math.Pi/4*deep*deep*.75*g.filler.Tensile, spotMetal)/dot)
					}
					continue
				}
				if x.aluminium { // by what is softened beside it, asked as the metal beside it
					shear, _ := g.beside(x, 1, &g.ask.Seams[g.of[i].seam])
					capacity = math.Min(capacity, shear)
					continue
				}
				if g.ask.Seams[g.of[i].seam].Form == FlareForm {
					capacity = math.Min(capacity, g.flareFlow(x, g.of[i], f))
					continue
				}
				capacity = math.Min(capacity, g.sheetFlow(x, g.of[i], f))
				if x.thick > ThroatFrom {
					throat := math.Min(g.lines.Lines[i].Throat, Throat*x.thick)
					capacity = math.Min(capacity, g.keeps(.75*throat*g.filler.Tensile, sheetThroat))
				}
			}
			return demand, capacity
		})
	}
	m.Spot = g.spot
	m.Explain = func(c *asked, h strength.Hit) working.Working {
		if g.of[h.At/2].dot {
			return g.dotWorking(c, h, "Sheet beside a plug or a spot", "AISI S100 J2.2 of plugs as arc spots, J2.6 of resistance spots",
				"plug 2.20·t·(d − t)·Fu, Ω 2.20, to 1.40·t·(d − t)·Fu, Ω 3.05, and 0.75·FEXX on 0.7·d − 1.5·t, Ω 2.55; spot 5.51·t^1.47 kN, Ω 2.35")
		}
		w := working.Working{Method: "Sheet beside a weld", Source: "AISI S100 J2.4; of flares J2.5",
			Formula: "along (1 − 0.01·L/t)·t·Fu, Ω 2.55, from L/t = 25 on 0.75·t·Fu, Ω 3.05; across t·Fu, Ω 2.35; else 0.75·t·Fu, Ω 3.05; " +
				"beside a flare 0.75·t·Fu, Ω 2.80, across 0.833·t·Fu, Ω 2.55",
			Assumptions: []string{"along or across within 10°, mixed otherwise", "carbon steel; aluminium by what is softened beside the weld",
				"over 2.54 mm not over 0.75·FEXX on the throat, Ω 2.55"},
			Steps: []working.Quantity{perMM("may", "may be used", h.Capacity)}, Result: perMM("f", "on a millimetre", h.Demand)}
		for _, x := range thin(h.At / 2) {
			w.Inputs = append(w.Inputs, working.MM("t", x.name, x.thick), working.Quantity{Symbol: "Fu", Name: "tensile", Value: x.tensile,
				Unit: "MPa"})
		}
		return w
	}
	return m
}

// peeled says that sheet is pulled square to its face, or a plug or a spot off; "" where neither.
func (g *group) peeled(c *asked, thin func(i int) []stuff) string {
	for i, l := range g.lines.Lines {
		if g.of[i].dot {
			if why := g.pulled(c, i); why != "" {
				return why
			}
			continue
		}
		for _, x := range thin(i) {
			for _, p := range [2]solid.Vector{l.A, l.B} {
				f := c.flow.At(p)
				switch across := math.Abs(f.Dot(x.normal)); {
				case f.Len() == 0 || x.closed:
				case x.normal.Len() == 0:
					return fmt.Sprintf("how %s faces nobody said: whether the weld peels it is not known.", x.name)
				case across > peels*f.Len():
					return fmt.Sprintf("%.0f %% of what goes through %s pulls square to the face of %s: peel and bending of sheet beside a seam are "+
						"not worked out. Let it pull along the sheet, or stiffen it there.", 100*across/f.Len(), g.ask.Seams[g.of[i].seam].Called(),
						x.name)
				}
			}
		}
	}
	return ""
}

// A load within 10° of a seam runs along it, or across it.
var nearAlong, nearAcross = math.Cos(10 * math.Pi / 180), math.Sin(10 * math.Pi / 180)

// sheetFlow is what a millimetre of sheet beside a weld may take, N/mm.
func (g *group) sheetFlow(x stuff, of laid, f solid.Vector) float64 {
	along := 0.
	if f.Len() > 0 {
		along = math.Abs(f.Dot(of.along)) / f.Len()
	}
	switch {
	case along > nearAlong:
		n, factors := SheetFillet(x.thick, of.long, x.tensile, false)
		return g.keeps(n/of.long, factors)
	case along < nearAcross:
		n, factors := SheetFillet(x.thick, of.long, x.tensile, true)
		return g.keeps(n/of.long, factors)
	}
	return g.keeps(.75*x.thick*x.tensile, sheetLong)
}

// flareFlow is what a millimetre of sheet beside a flare may take, N/mm (AISI S100 J2.5): the groove filled to once the
// sheet at least, as its throat is asked besides.
func (g *group) flareFlow(x stuff, of laid, f solid.Vector) float64 {
	if f.Len() > 0 && math.Abs(f.Dot(of.along))/f.Len() < nearAcross {
		return g.keeps(.833*x.thick*x.tensile, flareAcross)
	}
	return g.keeps(.75*x.thick*x.tensile, flareAlong)
}

// root is a seam that is bent about its own line.
func (g *group) root() strength.Mode[asked] {
	m := strength.Mode[asked]{Key: "root", Name: "Bent about its own line", Unit: "N·mm",
		Idle: "What turns it goes through its seams as pairs of forces."}
	m.Eval = func(c *asked) strength.Hit {
		reach := 1.
		for _, l := range g.lines.Lines {
			reach = math.Max(reach, l.A.Sub(g.lines.Centroid).Len())
		}
		if turn := c.loose.Len(); !g.bare && turn > 1e-6*math.Max(1, c.flow.even.Len()*g.lines.Area*reach) {
			return strength.Hit{Demand: turn, Gone: fmt.Sprintf("%.1f N·m bend it about its own line, and one line of weld opens at its root: weld "+
				"both sides, return it round the end, or put a gusset.", turn/1000)}
		}
		return strength.Hit{}
	}
	return m
}

// alloy is whether what is joined is welded at all, and what heat leaves of it.
func (g *group) alloy() strength.Mode[asked] {
	m := strength.Mode[asked]{Key: "alloy", Name: "What welding leaves of it", Unit: "",
		Idle: "It keeps its strength beside a weld, or is counted as softened."}
	never, why := g.never()
	if why != "" {
		m.Missing = sentence(why)
		return m
	}
	m.Eval = func(c *asked) strength.Hit {
		if never != "" {
			return strength.Hit{Demand: 1, Gone: sentence(never)}
		}
		return strength.Hit{}
	}
	return m
}

// sentence makes a sentence of what is said within one.
func sentence(s string) string {
	if s == "" {
		return ""
	}
	r := []rune(s)
	if r[0] >= 'a' && r[0] <= 'z' {
		r[0] += 'A' - 'a'
	}
	return string(r) + "."
}
