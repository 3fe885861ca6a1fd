package job

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// tables works out levels, angles, diagonals, sides, gaps and the rest that
// comes to one line each.
func (l *locator) tables(s Survey, b Brief, out *Surveyed) {
	p := l.pen
	val := func(r survey.Reading) float64 { return r.Work(s.Shop, false).Value }
	for _, v := range s.Levels {
		t := LevelTold{ResultTold: open(v.ID, v.Name, "All four heights and both distances are needed.")}
		t.Pitch, t.Roll, t.Twist, t.Packing = "—", "—", "—", [4]string{"—", "—", "—", "—"}
		if v.Wheelbase.Taken() && v.Track.Taken() && v.FrontLeft.Taken() && v.FrontRight.Taken() && v.RearLeft.Taken() && v.RearRight.Taken() {
			r, err := survey.Levels(survey.LevelInput{Wheelbase: val(v.Wheelbase), Track: val(v.Track), Heights: survey.Corners{FrontLeft: val(v.FrontLeft), FrontRight: val(v.FrontRight), RearLeft: val(v.RearLeft), RearRight: val(v.RearRight)}, Floor: v.Floor, Wanted: v.Wanted})
			if err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				t.ResultTold = ResultTold{ID: v.ID, Name: v.Name, Value: &r.Pitch, Text: p.deg(r.Pitch), Verdict: verdictIn(r.Findings), Findings: r.Findings, Working: p.explain(r.Working)}
				t.Pitch, t.Roll, t.Twist, t.Turns = p.deg(r.Pitch), p.deg(r.Roll), p.mm(r.Twist), [2]float64{r.Pitch, r.Roll}
				t.Packing = [4]string{p.mm(r.Packing.FrontLeft), p.mm(r.Packing.FrontRight), p.mm(r.Packing.RearLeft), p.mm(r.Packing.RearRight)}
			}
		}
		out.Levels = append(out.Levels, t)
	}
	for _, v := range s.Slopes {
		t := open(v.ID, v.Name, "Read the gauge on the face and on the vehicle's own level face.")
		if v.Reading.Taken() && v.Own.Taken() {
			a, o := v.Reading.Work(s.Shop, true), v.Own.Work(s.Shop, true)
			if r, err := survey.OwnSlope(survey.SlopeInput{Reading: a.Value, Own: o.Value, Wanted: v.Wanted}); err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				sigma := survey.Root(a.Sigma, o.Sigma)
				t = ResultTold{ID: v.ID, Name: v.Name, Value: &r.Angle, Text: fmt.Sprintf("%.1f°", r.Angle), Verdict: "good", Says: fmt.Sprintf("± %.1f°. To %.1f° turn it by %+.1f°; the gauge then shows %.1f°.", 2*sigma, v.Wanted, r.Turn, r.Show), Findings: []working.Finding{}, Working: p.explain(r.Working)}
			}
		}
		out.Slopes = append(out.Slopes, t)
	}
	for _, v := range s.Squares {
		t := open(v.ID, v.Name, "Length, width and both diagonals are needed.")
		if v.Length.Taken() && v.Width.Taken() && v.First.Taken() && v.Second.Taken() {
			r, err := survey.Square(survey.SquareInput{Length: val(v.Length), Width: val(v.Width), LeftToRight: val(v.First), RightToLeft: val(v.Second), Sigma: v.First.Sigma(s.Shop, false)})
			if err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				way := "right"
				if r.Shift < 0 {
					way = "left"
				}
				t = ResultTold{ID: v.ID, Name: v.Name, Value: &r.OutOfSquare, Text: p.mm(math.Abs(r.OutOfSquare)), Verdict: "good", Findings: r.Findings, Working: p.explain(r.Working), Says: fmt.Sprintf("%.2f° off square: the front side goes %s to the %s. Square, each diagonal is %s.", r.Angle, p.mm(math.Abs(r.Shift)), way, p.mm(r.Expected))}
				if r.Sure {
					t.Verdict = "doubtful"
				}
				if v := verdictIn(r.Findings); v != "good" {
					t.Verdict = v
				}
			}
		}
		out.Squares = append(out.Squares, t)
	}
	for _, v := range s.Sides {
		t := open(v.ID, v.Name, "Measure both sides: one measured and the other assumed is how parts do not fit.")
		if v.Left.Taken() && v.Right.Taken() {
			a, c := v.Left.Work(s.Shop, false), v.Right.Work(s.Shop, false)
			d, allow := c.Value-a.Value, v.Allow
			if allow == 0 {
				allow = 1
			}
			t = ResultTold{ID: v.ID, Name: v.Name, Value: &d, Text: p.mm(d), Verdict: "good", Findings: []working.Finding{}, Says: fmt.Sprintf("left %s, right %s; %s may differ", p.mm(a.Value), p.mm(c.Value), p.mm(allow))}
			if math.Abs(d) > allow {
				t.Verdict = "bad"
				if math.Abs(d) < 2*survey.Root(a.Sigma, c.Sigma) {
					t.Verdict, t.Says = "doubtful", t.Says+", and the tape alone could do it: measure again"
				}
			}
		}
		out.Sides = append(out.Sides, t)
	}
	for _, v := range s.Gaps {
		t := open(v.ID, v.Name, "Measure it loaded too: springs and panels give.")
		if v.Unloaded.Taken() && v.Loaded.Taken() {
			v.Unloaded.Least, v.Loaded.Least = true, true // an inside width
			a, c := v.Unloaded.Work(s.Shop, false), v.Loaded.Work(s.Shop, false)
			least := math.Min(a.Value, c.Value)
			t = ResultTold{ID: v.ID, Name: v.Name, Value: &least, Text: p.mm(least), Verdict: "good", Findings: []working.Finding{}, Says: fmt.Sprintf("unloaded %s, loaded %s: it gives %s", p.mm(a.Value), p.mm(c.Value), p.mm(a.Value-c.Value))}
			if least < v.Need {
				t.Verdict, t.Says = "bad", t.Says+fmt.Sprintf("; %s must stay", p.mm(v.Need))
			}
		}
		out.Gaps = append(out.Gaps, t)
	}
	l.measures(s, b, out)
	l.stacks(s, out)
	l.fits(s, out)
}

// measures sets distances between surveyed points against the brief's targets.
func (l *locator) measures(s Survey, b Brief, out *Surveyed) {
	for _, v := range s.Measures {
		a, c := l.at(v.From), l.at(v.To)
		if a.At == nil || c.At == nil {
			out.Measures = append(out.Measures, open(v.ID, v.Name, "Both points need a place first."))
			continue
		}
		d := solid.Vector(*c.At).Sub(*a.At)
		size := map[string]float64{"headroom": math.Abs(d[2]), "step": math.Abs(d[2]), "width": math.Abs(d[1]), "reach": d.Len()}[v.Kind]
		t := ResultTold{ID: v.ID, Name: v.Name, Value: &size, Text: l.pen.mm(size), Verdict: "good", Findings: []working.Finding{}, Least: leastTrusted(append(append([]Source{}, a.sources...), c.sources...))}
		for _, g := range b.Targets {
			if g.ID != v.Target || g.Wanted == nil {
				continue
			}
			met := size <= *g.Wanted
			word := "at most"
			if g.Sense == "atLeast" {
				met, word = size >= *g.Wanted, "at least"
			}
			t.Says = fmt.Sprintf("%s: %s %s wanted", g.Text, word, l.pen.mm(*g.Wanted))
			sigma := survey.Root(a.Sigma, c.Sigma)
			if !met {
				t.Verdict = "bad"
			} else if math.Abs(size-*g.Wanted) < 2*sigma {
				t.Verdict, t.Says = "doubtful", t.Says+fmt.Sprintf("; known to %s only", l.pen.mm(2*sigma))
			}
		}
		out.Measures = append(out.Measures, t)
	}
}
