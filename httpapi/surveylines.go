package httpapi

import (
	"fmt"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/site"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/paper"
)

// lines writes a survey for paper: blank leaves every reading open.
type lines struct {
	display quantity.Display
	blank   bool
}

// fitted lists the options of the vehicle that decide whether things fit; on the sheet to
// take to it, what nobody looked at is left open.
func (l lines) fitted(options []brief.Fitted) []paper.SurveySection {
	s := paper.SurveySection{Title: "Options of this vehicle", Heads: []string{"option", "has it", "who looked, and where"},
		Widths: []float64{.4, .2, .4}}
	for _, f := range options {
		has := map[string]string{"yes": "yes", "no": "no"}[f.State]
		if has == "" && !l.blank {
			has = "not known: look"
		}
		s.Rows = append(s.Rows, []string{f.Text, has, f.Seen})
	}
	if len(s.Rows) == 0 {
		return nil
	}
	return []paper.SurveySection{s}
}

// rest are the results that come to one line each.
func (l lines) rest(v vehicle.Survey, w site.Surveyed) (rest [][]string) {
	result := func(names []string, how string, told []vehicle.ResultTold) (rows [][]string) {
		for i, n := range names {
			rows = append(rows, []string{n, how, "", "", l.result(told[i].Text + ". " + told[i].Says)})
		}
		return rows
	}
	names := func(n int, f func(i int) string) (out []string) {
		for i := range n {
			out = append(out, f(i))
		}
		return out
	}
	rest = append(rest, result(names(len(v.Slopes), func(i int) string { return v.Slopes[i].Name }),
		"angle on the face; on the vehicle's own", w.Slopes)...)
	rest = append(rest, result(names(len(v.Squares), func(i int) string { return v.Squares[i].Name }),
		"length, width, both diagonals", w.Squares)...)
	rest = append(rest, result(names(len(v.Sides), func(i int) string { return v.Sides[i].Name }), "left; right", w.Sides)...)
	rest = append(rest, result(names(len(v.Centres), func(i int) string { return v.Centres[i].Name }),
		"left and right of the line, both ends", w.Centres)...)
	rest = append(rest, result(names(len(v.Flushes), func(i int) string { return v.Flushes[i].Name }), "step at both ends", w.Flushes)...)
	rest = append(rest, result(names(len(v.Gaps), func(i int) string { return v.Gaps[i].Name }), "unloaded; loaded", w.Gaps)...)
	for i, x := range v.Fits {
		how := "outside; inside"
		if x.Pocket != nil {
			how = "pocket width; height"
		}
		rest = append(rest, result([]string{x.Name}, how, w.Fits[i:])...)
	}
	for _, t := range w.Sockets {
		rest = append(rest, result([]string{t.Name}, "without play", []vehicle.ResultTold{t})...)
	}
	rest = append(rest, l.lookedAt(v, w)...)
	return rest
}

// survey lays a survey out for paper, in the order it is measured.
func (l lines) survey(v vehicle.Survey, w site.Surveyed) (out []paper.SurveySection) {
	out = append(out, paper.SurveySection{Title: "1  Datum",
		Note: fmt.Sprintf("Origin: %s. Forward: %s. Up: %s. x runs forward, y left, z up.", or(v.Datum.Origin, "not named"),
			or(v.Datum.Forward, "not named"), or(v.Datum.Up, "not named"))})
	located := map[string]vehicle.Located{}
	for _, p := range w.Points {
		located[p.ID] = p
	}
	name := func(id string) string {
		if p, ok := located[id]; ok && p.Name != "" {
			return p.Name
		}
		return "the datum"
	}
	points := paper.SurveySection{Title: "2  Points", Heads: []string{"point", "how", "reading", "again", "place x / y / z"},
		Widths: []float64{.22, .3, .12, .12, .24}}
	for _, p := range v.Points {
		at := located[p.ID]
		for i, line := range l.point(p, name) {
			row := []string{"", line.how, line.read, "", ""}
			if i == 0 {
				row[0] = p.Name
				if at.At != nil {
					row[4] = l.result(strings.Join(at.Texts[:], " / "))
				} else if at.Why != "" {
					row[4] = l.result(at.Why)
				}
			} else {
				row[0], row[4] = " ", " "
			}
			points.Rows = append(points.Rows, row)
		}
	}
	if len(points.Rows) > 0 {
		out = append(out, points)
	}
	for i, m := range v.Maps {
		out = append(out, l.holes(fmt.Sprintf("3.%d  Hole map: %s", i+1, m.Name), m, w.Maps[i]))
		if places := holePlaces(m, w.Maps[i], l.display); len(places.Rows) > 0 && !l.blank {
			out = append(out, places)
		}
	}
	table := func(title string, heads []string, widths []float64, rows [][]string) {
		if len(rows) > 0 {
			out = append(out, paper.SurveySection{Title: title, Heads: heads, Widths: widths, Rows: rows})
		}
	}
	var levels [][]string
	for i, x := range v.Levels {
		t := w.Levels[i]
		levels = append(levels, []string{x.Name, "front left, front right, rear left, rear right", "", "",
			l.result(fmt.Sprintf("pitch %s, roll %s, twist %s", t.Pitch, t.Roll, t.Twist))})
	}
	table("4  Levels", []string{"what", "heights over the floor", "reading", "again", "result"}, []float64{.22, .28, .12, .12, .26}, levels)
	table("5  Square, sides, centre lines, steps, gaps, fits", []string{"what", "readings", "first", "second", "result"}, []float64{.24,
		.24, .12,
		.12, .28}, l.rest(v, w))
	var drills [][]string
	for i, d := range v.Drillings {
		drills = append(drills, []string{d.Name, l.result(d.Looked), l.result(w.Drillings[i].Stop)})
	}
	table("6  What is behind each hole to be drilled", []string{"hole", "who looked, what is there", "drill stop"},
		[]float64{.3, .45, .25}, drills)
	return out
}

func or(s, other string) string {
	if s == "" {
		return other
	}
	return s
}

type pointLine struct{ how, read string }

func (l lines) read(r survey.Reading) string {
	if l.blank || !r.Taken() {
		return ""
	}
	text, err := l.display.Given(r.Work(nil, false).Value)
	if err != nil {
		return ""
	}
	return text
}

// result is left open on a blank sheet.
func (l lines) result(s string) string {
	if l.blank {
		return ""
	}
	return s
}

// point answers what is measured for a point, reading by reading.
func (l lines) point(p vehicle.SurveyPoint, name func(string) string) (out []pointLine) {
	switch p.Way {
	case vehicle.ByTwoDistances:
		return []pointLine{{"from " + name(p.A), l.read(p.DA)}, {"from " + name(p.B), l.read(p.DB)}}
	case vehicle.OnLine:
		return []pointLine{{"from " + name(p.A) + " towards " + name(p.B), l.read(p.DA)}}
	case vehicle.ByTransfer:
		return []pointLine{{"marked through the placed part", " "}}
	case vehicle.ByDistances:
		for _, m := range p.Many {
			out = append(out, pointLine{"from " + name(m.Point), l.read(m.Distance)})
		}
		return out
	}
	return []pointLine{{"forward from " + name(p.From), l.read(p.X)}, {"left", l.read(p.Y)}, {"up", l.read(p.Z)}}
}

// holePlaces lists where the holes of a map came out to be, and what they are taken to be.
func holePlaces(m vehicle.HoleMap, t vehicle.MapTold, d quantity.Display) paper.SurveySection {
	s := paper.SurveySection{Title: "Holes of " + m.Name, Note: "x along the line from hole 1 to hole 2, y off it, seen onto the face.",
		Heads: []string{"hole", "across", "x", "y", "known to ±"}, Widths: []float64{.2, .2, .2, .2, .2}}
	for _, h := range t.Holes {
		across := "not said"
		if h.Size > 0 {
			across = d.Fine(h.Size)
		}
		s.Rows = append(s.Rows, []string{h.Name, across, h.TextX, h.TextY, h.Within})
	}
	for _, x := range t.Meant {
		if x.Used {
			s.Note += " Taken to be " + x.Name + "."
		}
	}
	return s
}

// holes is a hole map: its sketch and its distances.
func (l lines) holes(title string, m vehicle.HoleMap, t vehicle.MapTold) paper.SurveySection {
	s := paper.SurveySection{Title: title, Note: "Measure hole to hole; say where the tape lay: centre, inside, outside, or same edge.",
		Heads: []string{"from", "to", "tape", "reading", "again", "off"}, Widths: []float64{.16, .16, .16, .18, .18, .16}}
	sketch := &paper.MapSketch{}
	index := map[string]int{}
	for i, h := range m.Holes {
		index[h.ID] = i
		sketch.Names = append(sketch.Names, or(h.Name, fmt.Sprint(i+1)))
	}
	for _, h := range t.Holes {
		sketch.At = append(sketch.At, profile.Point{X: h.X, Y: h.Y})
	}
	for i, r := range m.Readings {
		a, okA := index[r.From]
		b, okB := index[r.To]
		if !okA || !okB {
			continue
		}
		sketch.Pairs = append(sketch.Pairs, [2]int{a, b})
		s.Rows = append(s.Rows, []string{sketch.Names[a], sketch.Names[b], or(string(r.Tape), "centre"), l.read(r.Value), "",
			l.result(t.Readings[i].Text)})
	}
	if len(m.Holes) > 1 {
		s.Sketch = sketch
	}
	if l.blank {
		return s
	}
	if t.Why != "" {
		s.Note += " " + t.Why
	}
	for _, f := range t.Findings {
		s.Note += " " + f.Reason
	}
	return s
}

// lookedAt are lines of the body, old parts and what people tried, as rows of the sheet.
func (l lines) lookedAt(v vehicle.Survey, w site.Surveyed) (rows [][]string) {
	for i, x := range v.Lines {
		rows = append(rows, []string{x.Name, "line of the body", "", "", l.result(w.Lines[i].Text + ". " + w.Lines[i].Says)})
	}
	for i, x := range v.Olds {
		for k, z := range x.Sizes {
			t := w.Olds[i].Sizes[k]
			rows = append(rows, []string{x.Name, z.Name + " of the old part, and now", l.result(t.Old), l.result(t.Now), l.result(t.Says)})
		}
	}
	for i, x := range v.Trials {
		rows = append(rows, []string{x.Name, "tried by " + or(x.Who, "nobody named"), "", "", l.result(w.Trials[i].Text + ". " +
			w.Trials[i].Says)})
	}
	return rows
}
