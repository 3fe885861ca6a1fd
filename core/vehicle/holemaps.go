package vehicle

import (
	"errors"
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

func holeName(m *HoleMap, i int) string {
	if n := m.Holes[i].Name; n != "" {
		return n
	}
	return fmt.Sprint(i + 1)
}

// MapOf works a hole map out in its own axes.
func (l *Locator) MapOf(m *HoleMap) *MapTold {
	if t, ok := l.told[m.ID]; ok {
		return t
	}
	t := &MapTold{ID: m.ID, Holes: []MapHoleTold{}, Readings: make([]MapReadingTold, len(m.Readings)), Slips: []string{},
		Meant: []MeantTold{}, Findings: []working.Finding{}}
	l.told[m.ID] = t
	defer func() { l.agree(m, t) }()
	in, at, shift := l.taken(m, t)
	switch {
	case len(m.Holes) < 2:
		t.Why = "A map has two holes or more."
		return t
	case len(in.Readings) == 0:
		t.Why = "No distance is measured yet."
		t.NextFrom, t.NextTo, t.Missing = m.Holes[0].ID, m.Holes[1].ID, 2*len(m.Holes)-3
		return t
	}
	r, err := hole.Map(in)
	var lack *hole.Lack
	if errors.As(err, &lack) {
		t.Missing, t.NextFrom, t.NextTo = lack.Missing, m.Holes[lack.From].ID, m.Holes[lack.To].ID
		t.Why = fmt.Sprintf("%d more %s needed. Next, measure from %s to %s.", lack.Missing,
			told.Plural(lack.Missing, "distance is", "distances are"), holeName(m, lack.From), holeName(m, lack.To))
		return t
	}
	if err != nil {
		t.Why = l.Pen.Refused(err)
		return t
	}
	t.Bare, t.Consistent, t.Alternatives, t.Spare = r, r.Consistent, r.Alternatives, r.Redundancy
	points := r.Points
	if r.Suspect != nil {
		points = r.PointsWithout // what is built on it goes by the readings that agree
	}
	if at := l.meant(m, t, in, r); at != nil {
		points = at
	}
	for i, h := range m.Holes {
		y := points[i][1]
		if m.Below {
			y = -y
		}
		t.Holes = append(t.Holes, MapHoleTold{ID: h.ID, Name: holeName(m, i), X: points[i][0], Y: y, TextX: l.Pen.Display.Fine(points[i][0]),
			TextY: l.Pen.Display.Fine(y), Within: l.Pen.MM(2 * r.Sigmas[i]), Size: h.Diameter})
	}
	for i, k := range at {
		t.Readings[k].Residual, t.Readings[k].Text, t.Readings[k].Control = r.Residuals[i], l.Pen.MM(r.Residuals[i]), r.Control[i]
		t.Readings[k].Large = math.Abs(r.Standardised[i]) > 3.29
	}
	l.sayMap(m, t, in, r, at, shift)
	l.sayMeant(m, t)
	t.Working = l.Pen.Explain(r.Working)
	return t
}

// taken answers what was read of a map, centre to centre, which reading each is, and by how
// much the tape's way of lying shifted it.
func (l *Locator) taken(m *HoleMap, t *MapTold) (in hole.MapInput, at []int, shift map[int]float64) {
	in = hole.MapInput{Count: len(m.Holes), Hook: l.Survey.Hook, Plates: l.Plates}
	index := map[string]int{}
	for i, h := range m.Holes {
		index[h.ID] = i
		in.Diameters = append(in.Diameters, h.Diameter)
	}
	shift = map[int]float64{}
	for k, r := range named(m.Readings) {
		t.Readings[k].ID = r.ID
		a, okA := index[r.From]
		b, okB := index[r.To]
		if !okA || !okB || a == b || !r.Value.Taken() {
			t.Readings[k].Why = "not taken yet"
			continue
		}
		v, sigma := l.known(r.Value)
		t.Readings[k].Read = l.Pen.Given(v)
		c, err := hole.Centres(hole.CentresInput{Method: orCentre(r.Tape), Value: v, DiameterA: m.Holes[a].Diameter,
			DiameterB: m.Holes[b].Diameter})
		if err != nil {
			t.Readings[k].Why = l.Pen.Refused(err)
			t.Findings = append(t.Findings, working.Finding{Code: "reading", Severity: working.Mind, Cause: "Hole map",
				Reason: fmt.Sprintf("%s to %s does not count: %s", holeName(m, a), holeName(m, b), l.Pen.Refused(err))})
			continue
		}
		t.Readings[k].Centres, shift[k] = c.Centres, c.Centres-v
		reading := hole.Reading{From: a, To: b, Distance: c.Centres}
		if r.Value.Unsaid(l.Survey.Shop) {
			t.Unsaid, t.UnsaidText = true, l.Pen.Fine(hole.Unsaid)
		} else {
			reading.Sigma = &sigma
		}
		in.Readings = append(in.Readings, reading)
		at = append(at, k)
		t.sources = append(t.sources, sourceOf(fmt.Sprintf("%s, %s to %s", m.Name, holeName(m, a), holeName(m, b)), r.Value))
	}
	return in, at, shift
}

func orCentre(m hole.Method) hole.Method {
	if m == "" {
		return hole.Centre
	}
	return m
}

// sayMap puts what the fit tells in words with the holes' names.
func (l *Locator) sayMap(m *HoleMap, t *MapTold, in hole.MapInput, r hole.MapResult, at []int, shift map[int]float64) {
	say := func(code string, severity working.Severity, text string, args ...any) {
		t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: "Hole map", Name: m.Name,
			Reason: fmt.Sprintf(text, args...), Working: l.Pen.Explain(r.Working)})
	}
	if s := r.Suspect; s != nil {
		k := at[s.Index]
		t.Suspect, t.AgreesValue = t.Readings[k].ID, s.Value-shift[k]
		t.Agrees = l.Pen.MM(t.AgreesValue)
		why := ""
		for _, slip := range s.Slips {
			t.Slips = append(t.Slips, slip.Words)
		}
		if len(t.Slips) > 0 {
			why = " Likely " + t.Slips[0] + "."
		}
		say("suspect", working.Stop, "The reading from %s to %s does not go with the others: %s would agree.%s Until it is taken again the map "+
			"goes by the others.", holeName(m, s.From), holeName(m, s.To), t.Agrees, why)
	} else if len(r.Doubtful) > 0 {
		var list []string
		for _, k := range r.Doubtful {
			list = append(list, fmt.Sprintf("%s to %s", holeName(m, in.Readings[k].From), holeName(m, in.Readings[k].To)))
		}
		say("cannot-tell", working.Stop, "One reading does not go with the others, and they cannot tell which: %s. Take these again.",
			strings.Join(list, ", or "))
	} else if !r.Consistent {
		say("cannot-tell", working.Stop, "The readings contradict each other and cannot tell which one is wrong. Measure again, or one more "+
			"from a hole that has few.")
	} else if r.Redundancy == 0 && len(m.Holes) > 2 {
		say("no-check", working.Mind, "There is no reading to spare: a wrong one would not show. Take one more.")
	} else if r.Redundancy == 1 {
		say("one-spare", working.Mind, "There is one reading to spare: a slip may not show, and one that shows cannot be told from the others. "+
			"Take one more.")
	}
	if r.Next != nil {
		t.NextFrom, t.NextTo = m.Holes[r.Next.From].ID, m.Holes[r.Next.To].ID
		for _, w := range r.Next.Ways {
			t.NextWays = append(t.NextWays, NextWay{w, l.Pen.MM(w)})
		}
		say("mirror", working.Stop, "Another map fits as well. From %s to %s tells them apart: %s in the one, %s in the other. Look which it "+
			"is, by eye if need be.", holeName(m, r.Next.From), holeName(m, r.Next.To), t.NextWays[0].Text, t.NextWays[1].Text)
	}
	for _, f := range r.Findings {
		if f.Code == "in-line" {
			say(f.Code, f.Severity, "All holes lie nearly in one line: how far one stands beside it, distances along it hardly say. Measure from "+
				"a point off the line.")
		}
		if f.Code == "weak" {
			say(f.Code, f.Severity, "One hole is hardly held by its readings: measure it from a hole that sees it from another side.")
		}
	}
	far := 0.0
	for _, p := range r.Points {
		far = math.Max(far, math.Hypot(p[0], p[1]))
	}
	if far > 8000 {
		say("far", working.Mind, "The holes lie up to %s apart, more than a vehicle is long: were they typed in the right unit?",
			l.Pen.MM(math.Round(far)))
	}
}

// PlaceMap carries a map's holes onto the vehicle, if its first two holes are
// tied to surveyed points.
func (l *Locator) PlaceMap(m *HoleMap) {
	t := l.MapOf(m)
	if l.under[m.ID] {
		return
	}
	l.under[m.ID] = true
	defer delete(l.under, m.ID)
	for i, h := range m.Holes {
		l.Done[h.ID] = &Located{ID: h.ID, Name: m.Name + " " + holeName(m, i), Of: m.ID, Kind: "hole", Size: h.Diameter,
			Findings: []working.Finding{}, Sources: t.sources}
	}
	fail := func(why string) {
		for _, h := range m.Holes {
			l.Done[h.ID].Why = why
		}
	}
	if t.Why != "" {
		fail(t.Why)
		return
	}
	if m.First == "" || m.Second == "" || m.Face == "" {
		fail("Say which surveyed points its holes 1 and 2 are, and which way the wall faces.")
		return
	}
	first, s1, ok := l.base(m.First, "", l.Done[m.Holes[0].ID])
	if !ok {
		fail(l.Done[m.Holes[0].ID].Why)
		return
	}
	second, s2, ok := l.base(m.Second, "", l.Done[m.Holes[0].ID])
	if !ok {
		fail(l.Done[m.Holes[0].ID].Why)
		return
	}
	n := solid.Vector(FaceWay[m.Face])
	x := second.Sub(first)
	out := math.Abs(x.Dot(n))
	x = x.Sub(n.Mul(x.Dot(n)))
	if x.Len() < 1 {
		fail("Its first two holes lie one behind the other as seen onto that face: look whether the face is the right one.")
		return
	}
	long := x.Len()
	x = x.Unit()
	y := n.Cross(x)
	sources := append(append([]brief.Source{}, t.sources...), append(l.At(m.First).Sources, l.At(m.Second).Sources...)...)
	for i, h := range t.Holes {
		d := l.Done[h.ID]
		at := [3]float64(first.Add(x.Mul(h.X)).Add(y.Mul(h.Y)))
		d.At, d.Sources = &at, sources
		// The second point turns the map about the first: the farther, the more.
		d.Sigma = survey.Root(s1, t.Bare.Sigmas[i], survey.Root(s1, s2)*math.Hypot(h.X, h.Y)/long)
		d.Working = t.Working
		l.finish(d)
	}
	if m.Second != "" && len(t.Holes) > 1 {
		if off := long - t.Holes[1].X; math.Abs(off) > 3*survey.Root(s1, s2, 1) {
			t.Findings = append(t.Findings, working.Finding{Code: "tie", Severity: working.Mind, Cause: "Hole map", Name: m.Name,
				Reason: fmt.Sprintf("Holes 1 and 2 are %s apart by the map and %s by the surveyed points: one of them is off.",
					l.Pen.MM(t.Holes[1].X), l.Pen.MM(long))})
		}
		if out > 3*survey.Root(s1, s2, 1) {
			t.Findings = append(t.Findings, working.Finding{Code: "tilt", Severity: working.Mind, Cause: "Hole map", Name: m.Name,
				Reason: fmt.Sprintf("The surveyed points of holes 1 and 2 stand %s out of the wall from each other: it does not face straight, "+
					"or one is off.", l.Pen.MM(out))})
		}
	}
}
