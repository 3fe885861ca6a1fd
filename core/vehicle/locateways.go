package vehicle

import (
	"math"

	"warmanvil/core/hole"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

func (l *Locator) offsets(p *SurveyPoint, out *Located) {
	var at solid.Vector
	var sigmas []float64
	size := 0.0
	if p.From != "" {
		b, s, ok := l.base(p.From, "", out)
		if !ok {
			return
		}
		at, sigmas = b, append(sigmas, s)
		size = l.At(p.From).Size
	}
	axes := []struct {
		name string
		r    survey.Reading
	}{{"forward", p.X}, {"left", p.Y}, {"up", p.Z}}
	longest, taken := -1, 0
	var v [3]float64
	for i, a := range axes {
		if !a.r.Taken() {
			continue
		}
		taken++
		var s float64
		v[i], s = l.reading(out, a.name, a.r)
		sigmas = append(sigmas, s)
		if longest < 0 || math.Abs(v[i]) > math.Abs(v[longest]) {
			longest = i
		}
	}
	if taken == 0 {
		out.Why = "Nothing is measured yet: type how far forward, left and up it lies."
		return
	}
	if p.From != "" {
		c, ok := l.centres(p.Tape, math.Abs(v[longest]), size, p.Size, out)
		if !ok {
			return
		}
		v[longest] = math.Copysign(c, v[longest])
	}
	at = at.Add(v)
	if taken < 3 && p.From == "" && p.Kind != "edge" {
		out.Findings = append(out.Findings, working.Finding{Code: "flat-offset", Severity: working.Note, Cause: "Place",
			Reason: out.Name + ": a direction not measured counts as zero from the datum."})
	}
	a := [3]float64(at)
	out.At, out.Sigma = &a, survey.Root(sigmas...)
	w := working.Working{Method: "Place by offsets", Source: "coordinates along the vehicle's axes (ISO 8855)",
		Formula: "P = base + (forward, left, up)", Result: working.Quantity{Symbol: "±", Name: "uncertainty", Value: out.Sigma, Unit: "mm"},
		Assumptions: []string{"the tape ran along the axis", "errors of the readings are independent"}}
	for i, x := range axes {
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: string("xyz"[i]), Name: x.name, Value: v[i], Unit: "mm"})
		w.Steps = append(w.Steps, working.Quantity{Symbol: "P" + string("xyz"[i]), Name: "from the datum", Value: at[i], Unit: "mm"})
	}
	out.Working = l.Pen.Explain(w)
}

// centres turns a tape reading between the edges of two round holes into the
// distance of their centres; what was read between centres, or from a point
// without a size, stays.
func (l *Locator) centres(tape hole.Method, value, a, b float64, out *Located) (float64, bool) {
	if orCentre(tape) == hole.Centre {
		return value, true
	}
	c, err := hole.Centres(hole.CentresInput{Method: tape, Value: value, DiameterA: a, DiameterB: b})
	if err != nil {
		out.Why = l.Pen.Refused(err)
		return 0, false
	}
	return c.Centres, true
}

// AxesOf answers the plane's two axes and the third.
func AxesOf(p Plane) (u, v, n int) {
	switch p {
	case SideXZ:
		return 0, 2, 1
	case EndYZ:
		return 1, 2, 0
	}
	return 0, 1, 2
}

func (l *Locator) twoDistances(p *SurveyPoint, out *Located) {
	a, sa, ok := l.base(p.A, "the first known point", out)
	if !ok {
		return
	}
	b, sb, ok := l.base(p.B, "the second known point", out)
	if !ok {
		return
	}
	if !p.DA.Taken() || !p.DB.Taken() {
		out.Why = "Both distances are needed."
		return
	}
	u, v, n := AxesOf(p.In)
	third := a[n]
	if r := []survey.Reading{p.X, p.Y, p.Z}[n]; r.Taken() {
		third, _ = l.reading(out, "the third way", r)
	}
	da, s1 := l.reading(out, "distance from "+l.At(p.A).Name, p.DA)
	db, s2 := l.reading(out, "distance from "+l.At(p.B).Name, p.DB)
	if da, ok = l.centres(p.TapeA, da, l.At(p.A).Size, p.Size, out); !ok {
		return
	}
	if db, ok = l.centres(p.TapeB, db, l.At(p.B).Size, p.Size, out); !ok {
		return
	}
	// Distances run through space; in the plane they are shorter where the point
	// lies in front of or behind the known ones.
	in := func(d, off float64) float64 { return math.Sqrt(math.Max(d*d-off*off, 0)) }
	base := profile.Point{X: b[u] - a[u], Y: b[v] - a[v]}
	r, err := hole.Locate(hole.LocateInput{AB: base.Len(), AC: in(da, third-a[n]), BC: in(db, third-b[n])})
	if err != nil {
		out.Why = l.Pen.Refused(err)
		return
	}
	out.Working = l.Pen.Explain(r.Working)
	out.Findings = append(out.Findings, l.Pen.Found(r.Findings)...)
	e := base.Mul(1 / base.Len())
	place := func(s [2]float64) [3]float64 {
		var at [3]float64
		at[u] = a[u] + e.X*s[0] - e.Y*s[1]
		at[v] = a[v] + e.Y*s[0] + e.X*s[1]
		at[n] = third
		return at
	}
	for _, s := range r.Solutions {
		out.Choices = append(out.Choices, place(s))
	}
	out.Sigma = survey.Root(sa, sb, r.Moves*survey.Root(s1, s2)/math.Sqrt2)
	switch {
	case r.Degenerate || p.Side == "left":
		out.At = &out.Choices[0]
	case p.Side == "right":
		out.At = &out.Choices[1]
	default:
		out.Why = "Two places fit, one on either side: say which."
		return
	}
}

func (l *Locator) distances(p *SurveyPoint, out *Located) {
	var in survey.SpaceInput
	for _, f := range p.Many {
		if !f.Distance.Taken() {
			continue
		}
		b, s, ok := l.base(f.Point, "the known point", out)
		if !ok {
			return
		}
		d, sd := l.reading(out, "distance from "+l.At(f.Point).Name, f.Distance)
		if d, ok = l.centres(f.Tape, d, l.At(f.Point).Size, p.Size, out); !ok {
			return
		}
		in.From = append(in.From, survey.FromKnown{At: b, Distance: d, Sigma: survey.Root(s, sd)})
	}
	r, err := survey.InSpace(in)
	if err != nil {
		out.Why = l.Pen.Refused(err)
		return
	}
	out.Working, out.Sigma = l.Pen.Explain(r.Working), r.Sigma
	out.Findings = append(out.Findings, l.Pen.Found(r.Findings)...)
	if len(r.Solutions) == 1 {
		out.At = &r.Solutions[0]
		return
	}
	out.Choices = r.Solutions
	switch p.Side {
	case "upper":
		out.At = &out.Choices[0]
	case "lower":
		out.At = &out.Choices[1]
	default:
		out.Why = "Two places fit, one above the other: say which, or take a fourth distance."
	}
}

func (l *Locator) onLine(p *SurveyPoint, out *Located) {
	a, sa, ok := l.base(p.A, "the point the line starts at", out)
	if !ok {
		return
	}
	b, sb, ok := l.base(p.B, "the point it runs to", out)
	if !ok {
		return
	}
	if !p.DA.Taken() {
		out.Why = "The distance along the line is needed."
		return
	}
	d, s := l.reading(out, "along the line", p.DA)
	line := b.Sub(a)
	if line.Len() < 1e-6 {
		out.Why = "Both points of the line are the same."
		return
	}
	at := [3]float64(a.Add(line.Unit().Mul(d)))
	out.At, out.Sigma = &at, survey.Root(sa, s, sb*math.Abs(d)/line.Len())
	out.Working = l.Pen.Explain(working.Working{Method: "Place on a line", Source: "coordinates", Formula: "P = A + d·(B − A)/|B − A|",
		Inputs: []working.Quantity{{Symbol: "d", Name: "from A", Value: d, Unit: "mm"},
			{Symbol: "AB", Name: "length of the line", Value: line.Len(), Unit: "mm"}},
		Result: working.Quantity{Symbol: "±", Name: "uncertainty", Value: out.Sigma, Unit: "mm"}})
}

func (l *Locator) transfer(p *SurveyPoint, out *Located) {
	if l.Thing == nil || p.Thing == "" {
		out.Why = "Say which placed part it was marked through."
		return
	}
	st := l.Thing(p.Thing)
	if st.Why != "" {
		out.Why = st.Why
		return
	}
	v, ok := st.Holes[p.Hole]
	if !ok {
		out.Why = "Say which hole of the part it was marked through."
		return
	}
	at := [3]float64(st.Pose.Apply(v))
	out.At, out.Sigma = &at, survey.Root(st.Sigma, .5)
	out.Sources = append(out.Sources, st.Sources...)
	out.Working = l.Pen.Explain(working.Working{Method: "Place by transfer", Source: "marked through a hole of a part in its place",
		Formula:     "P = pose of the part · hole",
		Inputs:      []working.Quantity{{Symbol: "s", Name: "uncertainty of the part's place", Value: st.Sigma, Unit: "mm"}},
		Assumptions: []string{"half a millimetre for the transfer punch in its hole"},
		Result:      working.Quantity{Symbol: "±", Name: "uncertainty", Value: out.Sigma, Unit: "mm"}})
}
