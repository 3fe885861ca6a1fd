package site

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// tabling works out the tables of a survey that come to one line each.
type tabling struct {
	p      told.Pen
	s      vehicle.Survey
	plates []float64 // mm, sheets the job is made of
}

// doubted takes the good word from what stands on a reading whose repeats contradict each
// other.
func (w tabling) doubted(t vehicle.ResultTold, angle bool, of ...survey.Reading) vehicle.ResultTold {
	for _, r := range of {
		if t.Verdict == "good" && r.Doubtful(w.s.Shop, angle) {
			t.Verdict, t.Says = "doubtful", t.Says+"; a reading behind it was taken more than once and does not agree with itself"
		}
	}
	return t
}

func (w tabling) val(r survey.Reading) float64 { return r.Work(w.s.Shop, false).Value }

// tables works out levels, angles, diagonals, sides, gaps and the rest that
// comes to one line each.
func tables(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, sheets []float64, out *Surveyed) {
	w := tabling{p: l.Pen, s: s, plates: sheets}
	for _, v := range s.Levels {
		t := w.level(v)
		t.ResultTold = w.doubted(t.ResultTold, false, v.Wheelbase, v.Track, v.FrontLeft, v.FrontRight, v.RearLeft, v.RearRight)
		out.Levels = append(out.Levels, t)
	}
	for _, v := range s.Slopes {
		out.Slopes = append(out.Slopes, w.doubted(w.slope(v), true, v.Reading, v.Own))
	}
	for _, v := range s.Squares {
		out.Squares = append(out.Squares, w.doubted(w.square(v), false, v.Length, v.Width, v.First, v.Second))
	}
	for _, v := range s.Sides {
		out.Sides = append(out.Sides, w.doubted(w.side(v), false, v.Left, v.Right))
	}
	for _, v := range s.Centres {
		out.Centres = append(out.Centres, w.doubted(w.centre(v), false, v.Apart, v.FrontLeft, v.FrontRight, v.RearLeft, v.RearRight))
	}
	for _, v := range s.Flushes {
		out.Flushes = append(out.Flushes, w.doubted(w.flush(v), false, v.One, v.Other, v.Middle))
	}
	for _, v := range s.Gaps {
		out.Gaps = append(out.Gaps, w.doubted(w.gap(v), false, v.Unloaded, v.Loaded))
	}
	measures(l, s, b, out)
	stacks(l, s, out)
	slides(l, s, out)
}

func (w tabling) level(v vehicle.LevelSet) vehicle.LevelTold {
	t := vehicle.LevelTold{ResultTold: vehicle.Waiting(v.ID, v.Name, "All four heights and both distances are needed.")}
	t.Pitch, t.Roll, t.Twist, t.Packing = "—", "—", "—", [4]string{"—", "—", "—", "—"}
	if v.Wheelbase.Taken() && v.Track.Taken() && v.FrontLeft.Taken() && v.FrontRight.Taken() && v.RearLeft.Taken() && v.RearRight.Taken() {
		r, err := survey.Levels(survey.LevelInput{Wheelbase: w.val(v.Wheelbase), Track: w.val(v.Track),
			Heights: survey.Corners{FrontLeft: w.val(v.FrontLeft), FrontRight: w.val(v.FrontRight), RearLeft: w.val(v.RearLeft),
				RearRight: w.val(v.RearRight)}, Floor: v.Floor, Wanted: v.Wanted})
		if err != nil {
			t.Says, t.Verdict = w.p.Refused(err), "bad"
		} else {
			t.ResultTold = vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.Pitch, Text: w.p.Degrees(r.Pitch),
				Verdict: vehicle.VerdictIn(r.Findings), Findings: w.p.Found(r.Findings), Working: w.p.Explain(r.Working)}
			t.Pitch, t.Roll, t.Twist, t.Turns = w.p.Degrees(r.Pitch), w.p.Degrees(r.Roll), w.p.MM(r.Twist), [2]float64{r.Pitch, r.Roll}
			sigma := 0.0
			for _, x := range []survey.Reading{v.FrontLeft, v.FrontRight, v.RearLeft, v.RearRight} {
				sigma = math.Max(sigma, x.Work(w.s.Shop, false).Sigma)
			}
			slope := func(across float64) string { return w.p.Degrees(2 * sigma / across * 180 / math.Pi) }
			t.Says = fmt.Sprintf("known to ± %s pitch, ± %s roll, ± %s twist", slope(w.val(v.Wheelbase)), slope(w.val(v.Track)),
				w.p.MM(4*sigma))
			t.Packing = [4]string{w.p.MM(r.Packing.FrontLeft), w.p.MM(r.Packing.FrontRight), w.p.MM(r.Packing.RearLeft),
				w.p.MM(r.Packing.RearRight)}
		}
	}
	return t
}

func (w tabling) slope(v vehicle.SlopeSet) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Read the gauge on the face and on the vehicle's own level face.")
	if v.Reading.Taken() && v.Own.Taken() {
		a, o := v.Reading.Work(w.s.Shop, true), v.Own.Work(w.s.Shop, true)
		if r, err := survey.OwnSlope(survey.SlopeInput{Reading: a.Value, Own: o.Value, Wanted: v.Wanted}); err != nil {
			t.Says, t.Verdict = w.p.Refused(err), "bad"
		} else {
			sigma := survey.Root(a.Sigma, o.Sigma)
			t = vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.Angle, Text: fmt.Sprintf("%.1f°", r.Angle), Verdict: "good",
				Says: fmt.Sprintf("± %.1f°. To %.1f° turn it by %+.1f°; the gauge then shows %.1f°.", 2*sigma, v.Wanted, r.Turn,
					r.Show),
				Findings: []working.Finding{}, Working: w.p.Explain(r.Working)}
		}
	}
	return t
}

func (w tabling) square(v vehicle.SquareSet) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Length, width and both diagonals are needed.")
	if v.Length.Taken() && v.Width.Taken() && v.First.Taken() && v.Second.Taken() {
		r, err := survey.Square(survey.SquareInput{Length: w.val(v.Length), Width: w.val(v.Width), LeftToRight: w.val(v.First),
			RightToLeft: w.val(v.Second), Sigma: v.First.Sigma(w.s.Shop, false)})
		if err != nil {
			t.Says, t.Verdict = w.p.Refused(err), "bad"
		} else {
			way := "right"
			if r.Shift < 0 {
				way = "left"
			}
			t = vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.OutOfSquare, Text: w.p.MM(math.Abs(r.OutOfSquare)), Verdict: "good",
				Findings: w.p.Found(r.Findings), Working: w.p.Explain(r.Working),
				Says: fmt.Sprintf("%.2f° off square: the front side goes %s to the %s. Square, each diagonal is %s.", r.Angle,
					w.p.MM(math.Abs(r.Shift)), way, w.p.MM(r.Expected))}
			if r.Sure {
				t.Verdict = "doubtful"
			}
			if v := vehicle.VerdictIn(r.Findings); v != "good" {
				t.Verdict = v
			}
		}
	}
	return t
}

func (w tabling) side(v vehicle.SideRow) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Measure both sides: one measured and the other assumed is how parts do not fit.")
	if v.Left.Taken() && v.Right.Taken() {
		a, c := v.Left.Work(w.s.Shop, false), v.Right.Work(w.s.Shop, false)
		d, allow := c.Value-a.Value, v.Allow
		if allow == 0 {
			allow = 1
		}
		t = vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &d, Text: w.p.MM(d), Verdict: "good", Findings: []working.Finding{},
			Says: fmt.Sprintf("left %s, right %s, known to ± %s; %s may differ", w.p.MM(a.Value), w.p.MM(c.Value),
				w.p.MM(2*survey.Root(a.Sigma, c.Sigma)), w.p.MM(allow))}
		t.Working = w.p.Explain(working.Working{Method: "Left against right", Source: "difference of two readings", Formula: "d = " +
			"right − left",
			Inputs: []working.Quantity{{Symbol: "r", Name: "right", Value: c.Value, Unit: "mm"},
				{Symbol: "l", Name: "left", Value: a.Value, Unit: "mm"}},
			Steps:  []working.Quantity{{Symbol: "±", Name: "standard uncertainty", Value: survey.Root(a.Sigma, c.Sigma), Unit: "mm"}},
			Result: working.Quantity{Symbol: "d", Name: "difference", Value: d, Unit: "mm"}})
		kept := keptWords[survey.Keeps(d, allow, survey.Root(a.Sigma, c.Sigma))]
		t.Verdict, t.Says = kept[0], t.Says+": "+kept[1]
	}
	return t
}

func (w tabling) gap(v vehicle.GapRow) vehicle.ResultTold {
	t := vehicle.Waiting(v.ID, v.Name, "Measure it loaded too: springs and panels give.")
	if v.Unloaded.Taken() && v.Loaded.Taken() {
		v.Unloaded.Least, v.Loaded.Least = true, true // an inside width
		a, c := v.Unloaded.Work(w.s.Shop, false), v.Loaded.Work(w.s.Shop, false)
		least := math.Min(a.Value, c.Value)
		t = vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &least, Text: w.p.MM(least), Verdict: "good", Findings: []working.Finding{},
			Says: fmt.Sprintf("unloaded %s, loaded %s, each ± %s: it gives %s", w.p.MM(a.Value), w.p.MM(c.Value),
				w.p.MM(2*math.Max(a.Sigma, c.Sigma)), w.p.MM(a.Value-c.Value))}
		t.Working = w.p.Explain(working.Working{Method: "Gap, unloaded and loaded", Source: "smaller of two inside widths",
			Formula: "least = min(unloaded, loaded)",
			Inputs: []working.Quantity{{Symbol: "u", Name: "unloaded", Value: a.Value, Unit: "mm"},
				{Symbol: "l", Name: "loaded", Value: c.Value, Unit: "mm"}, {Symbol: "n", Name: "must stay", Value: v.Need, Unit: "mm"},
				{Symbol: "z", Name: "closes besides", Value: v.Grows, Unit: "mm"}},
			Assumptions: []string{"of repeats the smallest counts", "what closes it besides comes on top of the load"},
			Result:      working.Quantity{Symbol: "g", Name: "least gap", Value: least, Unit: "mm"}})
		stay := w.p.MM(v.Need) + " must stay"
		if v.Grows > 0 {
			stay += ", and " + w.p.MM(v.Grows) + " more close it"
		}
		if least-v.Grows < v.Need {
			t.Verdict, t.Says = "bad", t.Says+"; "+stay
		} else if v.Need > 0 && least-v.Grows-2*math.Max(a.Sigma, c.Sigma) < v.Need {
			t.Verdict, t.Says = "doubtful", t.Says+"; "+stay+", and the reading alone could be short of it: measure again, finer"
		}
		if v.Need > 0 {
			t.Says += w.spacer(v, a.Value-c.Value)
		}
	}
	return t
}

// measures sets distances between surveyed points against the brief's targets.
func measures(l *vehicle.Locator, s vehicle.Survey, b brief.Brief, out *Surveyed) {
	for _, v := range s.Measures {
		a, c := l.At(v.From), l.At(v.To)
		if a.At == nil || c.At == nil {
			out.Measures = append(out.Measures, vehicle.Waiting(v.ID, v.Name, "Both points need a place first."))
			continue
		}
		d := solid.Vector(*c.At).Sub(*a.At)
		size := map[string]float64{"headroom": math.Abs(d[2]), "step": math.Abs(d[2]), "width": math.Abs(d[1]), "reach": d.Len()}[v.Kind]
		sigma := survey.Root(a.Sigma, c.Sigma)
		t := vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &size, Says: "known to ± " + l.Pen.MM(2*sigma), Text: l.Pen.MM(size),
			Verdict: "good", Findings: []working.Finding{}, Least: brief.LeastTrusted(append(append([]brief.Source{}, a.Sources...),
				c.Sources...))}
		t.Working = l.Pen.Explain(working.Working{Method: "Distance of two surveyed points",
			Source:  "coordinates: headroom and step upright, width sideways, reach straight",
			Formula: map[string]string{"headroom": "|Δz|", "step": "|Δz|", "width": "|Δy|", "reach": "√(Δx² + Δy² + Δz²)"}[v.Kind],
			Inputs: []working.Quantity{{Symbol: "Δx", Name: "forward", Value: d[0], Unit: "mm"},
				{Symbol: "Δy", Name: "left", Value: d[1], Unit: "mm"}, {Symbol: "Δz", Name: "up", Value: d[2], Unit: "mm"}},
			Steps:  []working.Quantity{{Symbol: "±", Name: "standard uncertainty", Value: sigma, Unit: "mm"}},
			Result: working.Quantity{Symbol: "s", Name: v.Kind, Value: size, Unit: "mm"}})
		for _, g := range b.Targets {
			if g.ID != v.Target || g.Wanted == nil {
				continue
			}
			met := size <= *g.Wanted
			word := "at most"
			if g.Sense == "atLeast" {
				met, word = size >= *g.Wanted, "at least"
			}
			t.Says = fmt.Sprintf("%s: %s %s wanted; known to ± %s", g.Text, word, l.Pen.MM(*g.Wanted), l.Pen.MM(2*sigma))
			t.Met, t.Target = &met, g.ID
			if !met {
				t.Verdict = "bad"
			} else if math.Abs(size-*g.Wanted) < 2*sigma {
				t.Verdict = "doubtful"
			}
		}
		out.Measures = append(out.Measures, t)
	}
}

// MeasuredTargets answers which targets of the brief the survey itself measures,
// and whether they are met.
func MeasuredTargets(s vehicle.Survey, b brief.Brief, parts []BuiltPart) map[string]bool {
	out := map[string]bool{}
	if len(s.Measures) == 0 {
		return out
	}
	l := newStander(Site{Survey: s, Brief: b, Parts: parts}).from
	var w Surveyed
	measures(l, s, b, &w)
	for _, m := range w.Measures {
		if m.Met == nil {
			continue
		}
		if before, twice := out[m.Target]; !twice || before {
			out[m.Target] = *m.Met // of several the one that misses counts
		}
	}
	return out
}
