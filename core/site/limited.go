package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// outside sets what is placed against the limits of height and width, and says which
// limits cannot be looked at yet.
func (s *stander) outside(wheels *survey.Wheels, things []survey.Thing, out *Surveyed) {
	limits, p := s.brief.Limits, s.from.Pen
	cannot := func(name string, limit *brief.Given, why string) {
		if limit != nil && limit.Value > 0 {
			out.Ground = append(out.Ground, vehicle.Waiting("", name, why))
		}
	}
	if wheels == nil || len(things) == 0 {
		why := "Say where the wheels stand, to know the ground."
		if len(things) == 0 {
			why = "Nothing is placed yet."
		}
		for _, x := range []struct {
			name  string
			limit *brief.Given
		}{{"Ground clearance", limits.Ground}, {"Approach angle", limits.Approach}, {"Departure angle", limits.Departure},
			{"Height over all", limits.Height}} {
			cannot(x.name, x.limit, why)
		}
	}
	if len(things) == 0 {
		cannot("Width over all", limits.Width, "Nothing is placed yet.")
		return
	}
	high, wide := math.Inf(-1), 0.
	top, side := "", ""
	for _, t := range things {
		for _, piece := range t.Body.Pieces {
			for _, tri := range piece {
				for _, c := range tri {
					if c[2] > high {
						high, top = c[2], t.Name
					}
					if w := 2 * math.Abs(c[1]); w > wide {
						wide, side = w, t.Name
					}
				}
			}
		}
	}
	told := func(name, by, how string, value float64, limit *brief.Given) {
		if limit == nil || limit.Value <= 0 {
			return
		}
		t := vehicle.ResultTold{Name: name, Value: &value, Text: p.MM(value), Verdict: "good", Findings: []working.Finding{}, Says: by}
		t.Working = p.Explain(working.Working{Method: name, Source: "the placed bodies", Formula: how,
			Inputs:      []working.Quantity{{Symbol: "limit", Name: "asked at most", Value: limit.Value, Unit: "mm"}},
			Assumptions: []string{"placed things only: the vehicle itself may be larger"},
			Result:      working.Quantity{Name: strings.ToLower(name), Value: value, Unit: "mm"}})
		t.Limited(limit, value, -1, p.MM)
		out.Ground = append(out.Ground, t)
	}
	if wheels != nil {
		told("Height over all", top, "highest corner − ground", high-wheels.Ground, limits.Height)
	}
	told("Width over all", side, "twice the farthest corner from the vehicle's middle", wide, limits.Width)
}

// kept asks of every function that must keep working whether its space is left alone
// and its measure reached.
func (s *stander) kept(v vehicle.Survey, out *Surveyed) {
	for _, k := range s.brief.Limits.Kept {
		say := func(severity working.Severity, format string, args ...any) {
			out.Findings = append(out.Findings, working.Finding{Code: "kept", Severity: severity, Cause: "Must keep working", Name: k.Text,
				Reason: k.Text + " " + fmt.Sprintf(format, args...)})
		}
		space := slices.IndexFunc(v.Spaces, func(x survey.Space) bool { return x.ID == k.Space })
		if k.Space == "" && k.Measure == "" {
			say(working.Mind, "Nothing looks after it: tie it to the space it takes, or to a measure, under Limits.")
			continue
		}
		if k.Space != "" && space < 0 {
			say(working.Stop, "Its space is not in the survey any more: tie it to another.")
		}
		if space >= 0 {
			for _, c := range out.Clearances {
				if c.With == v.Spaces[space].Name && c.Verdict == "bad" {
					say(working.Stop, "It does not: %s reaches into %s%s.", c.Thing, c.With, c.Place)
				}
			}
		}
		if k.Measure == "" {
			continue
		}
		i := slices.IndexFunc(out.Measures, func(x vehicle.ResultTold) bool { return x.ID == k.Measure })
		switch {
		case i < 0:
			say(working.Stop, "Its measure is not in the survey any more: tie it to another.")
		case out.Measures[i].Verdict == "bad":
			say(working.Stop, "It does not: %s. %s", out.Measures[i].Text, out.Measures[i].Says)
		case out.Measures[i].Verdict == "open":
			say(working.Mind, "It cannot be said: %s", out.Measures[i].Says)
		}
	}
}

// bans says what of a job is welded to the vehicle, drilled or seen although it may not
// be, or that nobody said.
func (s Site) bans() (out []working.Finding) {
	say := func(code string, severity working.Severity, name, format string, args ...any) {
		out = append(out, working.Finding{Code: code, Severity: severity, Cause: "It must come off again", Name: name,
			Reason: fmt.Sprintf(format, args...)})
	}
	for _, j := range s.Brief.Joints {
		for k, side := range j.Sides {
			if side.Kind != brief.VehicleSide {
				continue
			}
			if s.Brief.Limits.NoWelds && j.Design.Nut == "weldnut" && k == len(j.Sides)-1 {
				say("no-welds", working.Stop, j.Name,
					"%s holds by weld nuts on the vehicle, and the brief says nothing is welded to it: rivet nuts, a nut plate, or "+
						"through bolts.", j.Name)
			}
			if s.Brief.Limits.NoNewHoles && side.Of == "" {
				say("new-holes", working.Mind, j.Name,
					"%s bolts to the vehicle, the brief says no new holes, and which holes it uses is not said: choose the surveyed "+
						"ones.", j.Name)
			}
		}
	}
	for _, f := range s.Frames {
		if points := s.unbolted(f); s.Brief.Limits.NoWelds && len(points) > 0 {
			say("no-welds", working.Mind, f.Name,
				"%s stands at %s on something with no bolts there, and the brief says nothing is welded to the vehicle: a foot "+
					"plate or an ear with "+
					"holes, or a joint to the vehicle.", f.Name, strings.Join(points, ", "))
		}
	}
	if text := strings.TrimSpace(s.Brief.Limits.Visible); text != "" {
		var names []string
		for _, p := range s.Parts {
			if p.Recipe.Seen == "" {
				names = append(names, p.Name)
			}
		}
		if len(names) > 0 {
			out = append(out, working.Finding{Code: "face-in-sight", Severity: working.Mind, Cause: "Faces in sight",
				Reason: fmt.Sprintf("%s Which face shows is not said on the Shape bench for %s.", text, strings.Join(names, ", "))})
		}
	}
	return out
}

// unbolted names the points at which a frame is held with neither a drilled plate nor a
// joint to the vehicle.
func (s Site) unbolted(f Frame) (out []string) {
	for _, j := range s.Brief.Joints {
		mine, vehicle := false, false
		for _, side := range j.Sides {
			mine = mine || side.Kind == brief.MemberSide && side.Of == f.ID
			vehicle = vehicle || side.Kind == brief.VehicleSide
		}
		if mine && vehicle {
			return nil
		}
	}
	for _, p := range f.Doc.Supports {
		drilled := false
		for _, m := range f.Doc.Members {
			for _, q := range f.Doc.Plates {
				ends := q.End == "a" && m.From == p.Point || q.End == "b" && m.To == p.Point
				drilled = drilled || q.Member == m.ID && ends && q.Kind != "cap" && q.Holes > 0
			}
		}
		if drilled {
			continue
		}
		name := p.Point
		for _, q := range f.Doc.Points {
			if q.ID == p.Point && q.Name != "" {
				name = q.Name
			}
		}
		out = append(out, told.LowerFirst(name))
	}
	return out
}
