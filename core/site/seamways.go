package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// WeldWay is a change of a welded joint that was worked out with everything it touches.
type WeldWay struct {
	Label   string           `json:"label"`
	Joint   brief.Welded     `json:"joint" doc:"with the change"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use     *float64         `json:"use" doc:"hardest, with the change"`
	Laid    float64          `json:"laid" doc:"mm that are welded, both sides counted"`
	Metal   float64          `json:"metal" doc:"mm³ of weld metal"`
}

// Legs and pitches that are tried, mm: as shops of either system have them.
var (
	legsMetric    = []float64{2, 3, 4, 5, 6, 8, 10, 12, 15}
	legsInch      = []float64{25.4 / 16, 25.4 / 8, 25.4 * 3 / 16, 25.4 / 4, 25.4 * 5 / 16, 25.4 * 3 / 8, 25.4 / 2}
	pitchesMetric = []float64{75, 100, 125, 150, 200, 250, 300}
	pitchesInch   = []float64{3 * 25.4, 4 * 25.4, 5 * 25.4, 6 * 25.4, 8 * 25.4, 10 * 25.4, 12 * 25.4}
)

// WeldWays answers what would help a welded joint that does not hold, and how little of it would do where it does:
// each asked through the whole job, and offered only where nothing else becomes worse.
func (s Site) WeldWays(id string) ([]WeldWay, error) {
	out := []WeldWay{}
	k := slices.IndexFunc(s.Brief.Welded, func(w brief.Welded) bool { return w.ID == id })
	if k < 0 {
		return nil, ErrNoSuch
	}
	open := s.open()
	path := open.paths()
	now := open.tellSeams(s.Brief.Welded[k], path)
	if now.Result == nil {
		return out, nil
	}
	before := s.stand()
	for _, c := range open.weldChanges(s.Brief.Welded[k], now, path) {
		if s.over() {
			return nil, s.Until.Err()
		}
		next := s
		next.Brief.Welded = slices.Clone(s.Brief.Welded)
		next.Brief.Welded[k] = c.Joint
		h := next.Hold()
		t := h.Welded[k]
		after := next.stoodIn(h)
		if t.Result == nil || t.Result.Hardest == nil || before.worse(after, id) != "" || stopsMore(now, t) ||
			strength.Worse(t.Verdict, now.Verdict) {
			continue
		}
		c.Verdict, c.Use = t.Verdict, t.Result.Hardest
		for i, seam := range t.Seams {
			c.Laid += seam.Laid
			leg := c.Joint.Seams[i].Leg
			c.Metal += seam.Laid * leg * leg / 2
		}
		out = append(out, c)
	}
	if s.over() {
		return nil, s.Until.Err()
	}
	return out, nil
}

// stopsMore tells whether a change brings a stop or a mind that was not there.
func stopsMore(was, now WeldedTold) bool {
	had := map[string]bool{}
	for _, f := range was.Findings {
		had[f.Code+f.Feature] = true
	}
	return slices.ContainsFunc(now.Findings, func(f working.Finding) bool { return f.Severity != working.Note && !had[f.Code+f.Feature] })
}

// weldChanges lists what is worth asking: what is over gets more, what holds with room to spare gets less.
func (s *site) weldChanges(w brief.Welded, now WeldedTold, path Pathway) (out []WeldWay) {
	inch := s.Brief.Inches()
	pen := s.seamPen()
	with := func(change func(q *brief.SeamPlan) bool) (brief.Welded, bool) {
		c := w
		c.Seams = slices.Clone(w.Seams)
		any := false
		for i := range c.Seams {
			any = change(&c.Seams[i]) || any
		}
		return c, any
	}
	offer := func(label string, c brief.Welded) { out = append(out, WeldWay{Label: label, Joint: c}) }
	use := func(c brief.Welded) (float64, bool) {
		t := s.tellSeams(c, path)
		if t.Result == nil || t.Result.Hardest == nil || strength.Worse(t.Result.Verdict, strength.Holds) {
			return 0, false
		}
		return *t.Result.Hardest, true
	}
	legs, pitches, stitch := legsMetric, pitchesMetric, 40.
	if inch {
		legs, pitches, stitch = legsInch, pitchesInch, 1.5*25.4
	}
	fits := map[string][2]float64{} // least and largest leg, by seam
	for i, q := range w.Seams {
		t := now.Seams[i]
		fits[q.ID] = [2]float64{math.Min(t.Least, t.Most), math.Inf(1)}
		if q.Form == weld.LapForm || q.Form == weld.CornerForm {
			fits[q.ID] = [2]float64{math.Min(t.Least, t.Most), t.Most}
		}
	}
	if strength.Worse(now.Result.Verdict, strength.Holds) {
		if c, is := with(func(q *brief.SeamPlan) bool {
			was := q.Both
			q.Both = q.Form != weld.ButtForm && q.Form != weld.EdgeForm
			return q.Both != was
		}); is {
			offer("both sides", c)
		}
		if c, is := with(func(q *brief.SeamPlan) bool {
			was := q.Stitch > 0
			q.Stitch, q.Pitch = 0, 0
			return was
		}); is {
			offer("all along in place of stitches", c)
		}
		if c, is := with(func(q *brief.SeamPlan) bool {
			was := q.Finish == weld.Flush
			if was {
				q.Finish = weld.AsIs
			}
			return was
		}); is {
			offer("left as it is in place of flush", c)
		}
		for _, both := range []bool{false, true} {
			for _, leg := range legs {
				c, is := with(func(q *brief.SeamPlan) bool {
					both := both && q.Form != weld.ButtForm && q.Form != weld.EdgeForm
					if q.Leg <= 0 || leg <= q.Leg+1e-9 || leg > fits[q.ID][1]+1e-9 {
						return false
					}
					q.Leg, q.Both = leg, q.Both || both
					return true
				})
				if _, holds := use(c); is && holds {
					label := fmt.Sprintf("legs of %s", pen.Fine(leg))
					if both {
						label += " on both sides"
					}
					offer(label, c)
					break
				}
			}
		}
		return out
	}
	if c, label := s.lessWeld(with, use, legs, pitches, stitch, fits); label != "" {
		offer(label, c)
	}
	return out
}

// lessWeld answers the least weld of those tried that still holds: stitches at the longest pitch first, else a
// smaller leg.
func (s *site) lessWeld(with func(func(*brief.SeamPlan) bool) (brief.Welded, bool), use func(brief.Welded) (float64, bool), legs,
	pitches []float64, stitch float64, fits map[string][2]float64) (best brief.Welded, label string) {
	pen := s.seamPen()
	for _, pitch := range slices.Backward(pitches) {
		c, is := with(func(q *brief.SeamPlan) bool {
			if q.Leg <= 0 || q.Stitch > 0 || q.End != "" {
				return false
			}
			q.Stitch, q.Pitch = math.Max(stitch, 4*q.Leg), pitch
			return q.Stitch < pitch
		})
		if !is {
			continue
		}
		if _, holds := use(c); holds {
			return c, fmt.Sprintf("stitches of %s every %s", pen.Fine(c.Seams[0].Stitch), pen.Fine(pitch))
		}
	}
	for _, leg := range legs {
		c, is := with(func(q *brief.SeamPlan) bool {
			if q.Leg <= leg+1e-9 || leg < fits[q.ID][0]-1e-9 {
				return false
			}
			q.Leg = leg
			return true
		})
		if _, holds := use(c); is && holds {
			return c, fmt.Sprintf("legs of %s", pen.Fine(leg))
		}
	}
	return best, ""
}
