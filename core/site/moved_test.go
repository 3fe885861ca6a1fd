package site

import (
	"math"
	"testing"

	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// moved answers a survey measured from another datum: everything that is said from the
// datum lies by that much elsewhere.
func moved(s vehicle.Survey, by [3]float64) vehicle.Survey {
	add := func(r *survey.Reading, d float64) {
		values := make([]float64, max(len(r.Values), 1)) // not read counts as 0
		for i := range values {
			if i < len(r.Values) {
				values[i] = r.Values[i]
			}
			values[i] += d
		}
		r.Values = values
	}
	s.Points = append([]vehicle.SurveyPoint{}, s.Points...)
	for i := range s.Points {
		p := &s.Points[i]
		switch {
		case p.Way == vehicle.ByOffsets && p.From == "":
			add(&p.X, by[0])
			add(&p.Y, by[1])
			add(&p.Z, by[2])
		case p.Way == vehicle.ByTwoDistances: // its height is the datum's
			add(&p.Z, by[2])
		}
	}
	shift := func(v *[3]float64) { v[0], v[1], v[2] = v[0]+by[0], v[1]+by[1], v[2]+by[2] }
	s.Spaces = append([]survey.Space{}, s.Spaces...)
	for i := range s.Spaces {
		f := &s.Spaces[i].Shape
		shift(&f.At)
		if f.To != [3]float64{} {
			shift(&f.To)
		}
		f.Corners = append([][3]float64{}, f.Corners...)
		for k := range f.Corners {
			shift(&f.Corners[k])
		}
	}
	w := *s.Wheels
	w.Front, w.Rear, w.Ground = w.Front+by[0], w.Rear+by[0], w.Ground+by[2]
	s.Wheels = &w
	return s
}

// Where the datum is put changes no clearance, no opening, no angle and no fit of holes:
// only where things are said to be.
func TestTheDatumChangesNoClearance(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	was := WorkSurvey(s, b, parts)
	for _, by := range [][3]float64{{150, 0, 0}, {0, -60, 0}, {0, 0, 45}, {-1200, 33, 17}} {
		now := WorkSurvey(moved(s, by), b, parts)
		for i, p := range was.Points {
			q := now.Points[i]
			if (p.At == nil) != (q.At == nil) {
				t.Fatalf("%v: %s has a place only once: %s%s", by, p.Name, p.Why, q.Why)
			}
			for k := range 3 {
				if p.At != nil && math.Abs(q.At[k]-p.At[k]-by[k]) > .01 {
					t.Errorf("%v: %s moves to %v from %v", by, p.Name, *q.At, *p.At)
					break
				}
			}
		}
		if len(was.Clearances) < 4 || len(now.Clearances) != len(was.Clearances) {
			t.Fatalf("%d clearances, moved %d", len(was.Clearances), len(now.Clearances))
		}
		for i, c := range was.Clearances {
			d := now.Clearances[i]
			if c.Thing != d.Thing || c.With != d.With || c.Verdict != d.Verdict || c.State != d.State || math.Abs(c.Distance-d.Distance) > .02 {
				t.Errorf("%v: %s to %s: %s %s, moved %s %s", by, c.Thing, c.With, c.Verdict, c.Text, d.Verdict, d.Text)
			}
		}
		for what, lists := range map[string][2][]vehicle.ResultTold{"openings": {was.Openings, now.Openings}, "sides": {was.Sides,
			now.Sides},
			"gaps": {was.Gaps, now.Gaps}, "measures": {was.Measures, now.Measures}, "fits": {was.Fits, now.Fits}} {
			for i, c := range lists[0] {
				if d := lists[1][i]; c.Verdict != d.Verdict || c.Text != d.Text {
					t.Errorf("%v, %s: %s %s, moved %s %s", by, what, c.Verdict, c.Text, d.Verdict, d.Text)
				}
			}
		}
		for i, p := range was.Placed {
			q := now.Placed[i]
			for k, m := range p.Misses {
				if o := q.Misses[k]; math.Abs(m.Off-o.Off) > .02 {
					t.Errorf("%v: %s misses by %.3f, moved by %.3f", by, p.Name, m.Off, o.Off)
				}
			}
		}
	}
}
