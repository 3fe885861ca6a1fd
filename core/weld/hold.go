package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// SeamsCase is one way seams are loaded.
type SeamsCase struct {
	Name   string       `json:"name"`
	Force  solid.Vector `json:"force" doc:"N"`
	At     solid.Vector `json:"at" doc:"mm, a point on its line"`
	Moment solid.Vector `json:"moment,omitempty" doc:"N·mm, beside it"`
}

// SeamsAsk is seams between the same two bodies, and what goes through them.
type SeamsAsk struct {
	Seams  []Seam        `json:"seams"`
	Filler string        `json:"filler,omitempty" doc:"key of the table of weld metals; the weakest of steel when left out"`
	Rule   strength.Rule `json:"rule"`
	Cases  []SeamsCase   `json:"cases"`
	Flows  []float64     `json:"flows,omitempty" doc:"N/mm, by seam, lengthwise on its whole line beside what the cases ask: the shear of plates that are bent as one"`
}

// SeamsHeld is whether they hold.
type SeamsHeld struct {
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say,not needed"`
	Hardest *float64         `json:"hardest" doc:"largest share used; null when none was answered"`
	Checks  []strength.Check `json:"checks" doc:"hardest first"`
	Length  float64          `json:"length" doc:"mm that carry"`
	Notes   []string         `json:"notes" doc:"what is not counted, and what would help"`
}

// asked is one load as it goes through the group.
type asked struct {
	name  string
	flow  Flow
	loose solid.Vector
	none  string // why it does not go through at all
}

// group is seams as they are asked.
type group struct {
	ask    SeamsAsk
	filler stock.Filler
	lines  Group
	of     []laid
	stuff  [][2]stuff // by seam
	notes  []string
	silent string    // why nothing of weld metal can be said
	bare   bool      // nothing of it carries
	extra  []float64 // MPa, lengthwise by line, beside what its cases ask
}

// stuff is what is beside a seam, as it counts there.
type stuff struct {
	name            string
	thick           float64
	yield, tensile  float64
	soft, thin      bool // thin: sheet, which peels
	closed          bool // a tube's wall, which does not
	normal          solid.Vector
	why             string // it cannot be said of
	never           string // it is not welded
	aluminium, rust bool   // aluminium; stainless
}

// Hold asks whether seams hold. It fails with *working.Fault for what are no seams; what keeps it from an answer is
// said as cannot say.
func Hold(a SeamsAsk) (SeamsHeld, error) {
	g, err := a.group()
	if err != nil {
		return SeamsHeld{}, err
	}
	cases := make([]asked, len(a.Cases))
	for i, c := range a.Cases {
		cases[i] = asked{name: c.Name}
		if g.bare {
			cases[i].none = "nothing of it is long enough to count"
		}
		cases[i].flow, cases[i].loose = g.lines.Asked(Load{c.Force, c.At, c.Moment})
	}
	modes := []strength.Mode[asked]{g.metal(), g.base(), g.sheet(), g.root(), g.alloy()}
	for i := range modes {
		if g.bare { // no line to show a working of
			modes[i].Spot, modes[i].Explain = nil, nil
		}
	}
	checks := strength.Hardest(modes, cases, func(c *asked) string { return c.name })
	out := strength.Close([]strength.Ledger{{Form: strength.WeldForm}}, checks)
	return SeamsHeld{Verdict: out.Verdict, Hardest: out.Hardest, Checks: out.Checks, Length: g.lines.Length,
		Notes: append(append([]string{}, g.notes...), g.weak()...)}, nil
}

func (a SeamsAsk) group() (*group, error) {
	g := &group{ask: a}
	switch {
	case len(a.Seams) == 0:
		return nil, working.Refuse("/seams", "There is no seam.")
	case len(a.Seams) > mostSeams:
		return nil, working.Refuse("/seams", "Up to %d seams go together.", mostSeams)
	case len(a.Cases) > mostCases:
		return nil, working.Refuse("/cases", "Up to %d cases are asked.", mostCases)
	case len(a.Flows) > len(a.Seams):
		return nil, working.Refuse("/flows", "There are more flows than seams.")
	}
	for i, q := range a.Flows {
		if err := working.Within(fmt.Sprintf("/flows/%d", i), "A flow along a seam", q, 0, mostForce, "N/mm"); err != nil {
			return nil, err
		}
	}
	if err := a.Rule.Check("/rule"); err != nil {
		return nil, err
	}
	key := a.Filler
	if key == "" {
		key = stock.Fillers[0].Key
	}
	var known bool
	if g.filler, known = stock.FillerByKey(key); !known {
		return nil, working.Refuse("/filler", "%q is no weld metal of the table.", key)
	}
	for i, c := range a.Cases {
		for k := range 3 {
			at := fmt.Sprintf("/cases/%d", i)
			if err := working.First(working.Within(at+"/force", "The force", c.Force[k], -mostForce, mostForce, "N"),
				working.Within(at+"/at", "Its place", c.At[k], -mostPlace, mostPlace, "mm"),
				working.Within(at+"/moment", "The moment", c.Moment[k], -mostForce*1e3, mostForce*1e3, "N·mm")); err != nil {
				return nil, err
			}
		}
	}
	var lines []Line
	for i, s := range a.Seams {
		if err := s.check(fmt.Sprintf("/seams/%d", i)); err != nil {
			return nil, err
		}
		throat, why := s.counted()
		if why != "" {
			g.silent = s.Called() + ": " + why + "."
			throat = 1 // it takes its place in the group all the same
		}
		if s.Both && s.Sides[0].Normal.Len() == 0 {
			g.notes = append(g.notes, s.Called()+": how its first part faces nobody said, both its welds count at one line")
		}
		l, of, left := s.lay(i, throat)
		if left != "" {
			g.notes = append(g.notes, left)
		}
		g.minds(s)
		if s.dots() {
			g.dotNotes(s)
		}
		lines, g.of = append(lines, l...), append(g.of, of...)
		both, err := g.sides(fmt.Sprintf("/seams/%d", i), s)
		if err != nil {
			return nil, err
		}
		g.stuff = append(g.stuff, both)
	}
	g.lines = NewGroup(lines)
	g.flows()
	g.bare = g.lines.Area <= 0
	g.notes = append(g.notes, "how what is joined bends between its seams and what holds it, and fatigue, are not in it")
	if !g.filler.Known {
		g.notes = append(g.notes, fmt.Sprintf("nobody said what it is welded with: %.0f MPa count", g.filler.Tensile))
	}
	return g, nil
}

// minds notes what of a seam is against the rules of its size, and the fumes of a coat.
func (g *group) minds(s Seam) {
	thinner := math.Min(s.Sides[0].Thickness, s.Sides[1].Thickness)
	if least := math.Min(SmallestLeg(thinner), LargestLeg(thinner)); s.Leg > 0 && s.Throat == 0 && s.Leg < least-1e-9 {
		g.notes = append(g.notes, fmt.Sprintf("%s: a leg under %.4g mm cools too fast on parts this thick (AISC 360 Table J2.4)", s.Called(),
			least))
	}
	for _, side := range s.Sides {
		if m, err := stock.MaterialByKey(side.Material); err == nil && m.Family == stock.Galvanized {
			g.notes = append(g.notes, s.Called()+": strip the zinc a band each side first, with extraction and a respirator")
		}
	}
}

// sides answers what is beside a seam.
func (g *group) sides(at string, s Seam) (out [2]stuff, err error) {
	for k, side := range s.Sides {
		m, err := stock.MaterialByKey(side.Material)
		if err != nil {
			return out, working.Refuse(fmt.Sprintf("%s/sides/%d/material", at, k), "Choose what is welded at %s: %v.", s.Called(), err)
		}
		x := stuff{name: side.Name, thick: side.thick(), yield: m.Yield, tensile: m.Tensile, normal: side.Normal.Unit(),
			aluminium: m.Family == stock.Aluminum, rust: m.Family == stock.Stainless}
		x.thin, x.closed = side.Thickness < SheetTo, side.Closed
		if x.name == "" {
			x.name = m.Name
		}
		soft, is := stock.SoftenedBy(m.Key, g.filler.Key, side.Thickness)
		switch {
		case !m.Known():
			x.why = fmt.Sprintf("which grade %s is nobody knows: for welding a file or a spark says too little", x.name)
		case is:
			x.yield, x.tensile, x.soft = soft.Yield, soft.Tensile, true
		case x.aluminium:
			x.why = fmt.Sprintf("what welding leaves of %s is in no table here", x.name)
		case x.rust && x.thin:
			x.why = "stainless sheet beside a weld is not worked out"
		}
		out[k] = x
	}
	if out[0].aluminium != out[1].aluminium {
		never := fmt.Sprintf("%s and %s do not weld to each other: bolt or rivet them", out[0].name, out[1].name)
		out[0].never, out[1].never = never, never
	}
	return out, nil
}

// weak says where a group is strong one way and weak the other.
func (g *group) weak() []string {
	v := g.lines.values
	least, most := math.Min(v[0], math.Min(v[1], v[2])), math.Max(v[0], math.Max(v[1], v[2]))
	if g.bare || most == 0 || least > .05*most {
		return nil
	}
	for k, x := range v {
		if x == least {
			a := g.lines.axes[k]
			round := func(v float64) float64 { return math.Round(v*100)/100 + 0 }
			return []string{fmt.Sprintf("it is weak about (%g, %g, %g), with %.0f %% of what it is about its strongest axis: a second seam "+
				"beside it helps", round(a[0]), round(a[1]), round(a[2]), math.Floor(100*math.Max(least/most, 0)))}
		}
	}
	return nil
}

// spot names where a hit is.
func (g *group) spot(_ *asked, h strength.Hit) (feature, where string) {
	s := g.ask.Seams[g.of[h.At/2].seam]
	if g.of[h.At/2].dot {
		return s.ID, fmt.Sprintf("%s, number %d", s.Called(), g.number(h.At/2))
	}
	return s.ID, fmt.Sprintf("%s, %s end of a run", s.Called(), [2]string{"first", "second"}[h.At%2])
}

// ends asks every end of every line.
func (g *group) ends(c *asked, at func(i int, f solid.Vector) (demand, capacity float64)) strength.Hit {
	if c.none != "" {
		return strength.Hit{Demand: 1, Gone: sentence(c.none)}
	}
	return strength.HardestOf(2*len(g.lines.Lines), func(n int) (float64, float64) {
		l := g.lines.Lines[n/2]
		f := c.flow.At([2]solid.Vector{l.A, l.B}[n%2])
		if len(g.extra) > 0 && g.extra[n/2] > 0 { // either way: a case may bend the plates up or down
			e := g.of[n/2].along.Mul(g.extra[n/2])
			d0, c0 := at(n/2, f.Add(e))
			if d1, c1 := at(n/2, f.Sub(e)); d1*c0 > d0*c1 {
				return d1, c1
			}
			return d0, c0
		}
		demand, capacity := at(n/2, f)
		if of := g.of[n/2]; of.dot { // told by the millimetre of its rim
			k := dot / (math.Pi * g.ask.Seams[of.seam].Across)
			return demand * k, capacity * k
		}
		return demand, capacity
	})
}
