package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// WeldSchool is one way shops have to weld a joint, worked out with everything it touches, beside the others.
type WeldSchool struct {
	Group   string           `json:"group" enum:"long,left,where"`
	Label   string           `json:"label"`
	Now     bool             `json:"now" doc:"the joint is welded so"`
	Joint   brief.Welded     `json:"joint" doc:"welded so"`
	Why     string           `json:"why,omitempty" doc:"why it cannot be worked out"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use     *float64         `json:"use" doc:"hardest"`
	Silent  string           `json:"silent,omitempty" doc:"the first thing that cannot be said"`
	Laid    float64          `json:"laid" doc:"mm to lay, both sides counted"`
	Metal   string           `json:"metal" doc:"what is laid, in words"`
	Minutes float64          `json:"minutes" doc:"welding and dressing"`
	Peak    *float64         `json:"peak" doc:"mm, most bowed on the way, in the order found"`
	Last    *float64         `json:"last" doc:"mm, bowed when all is laid"`
	Turns   int              `json:"turns"`
	Brings  []string         `json:"brings" doc:"stops and minds it has beside it"`
	Worse   string           `json:"worse,omitempty" doc:"what else in the job becomes worse by it"`
}

// schoolStitch is a short stitch as shops lay it, mm in either system; its pitch is four of them. Of
// large legs it is four legs long.
var schoolStitch = [2]float64{40, 1.5 * 25.4}

// WeldSchools answers the usual ways to weld a joint side by side: how far along, how it is left, where it is welded.
func (s Site) WeldSchools(id string) ([]WeldSchool, error) {
	k := slices.IndexFunc(s.Brief.Welded, func(w brief.Welded) bool { return w.ID == id })
	if k < 0 {
		return nil, ErrNoSuch
	}
	out := s.schoolsOf(s.Brief.Welded[k])
	before := s.stand()
	for i := range out {
		if s.over() {
			return nil, s.Until.Err()
		}
		s.school(&out[i], k, before)
	}
	if s.over() {
		return nil, s.Until.Err()
	}
	return out, nil
}

// schoolsOf lists the ways; one that changes nothing of the joint is how it is now.
func (s Site) schoolsOf(w brief.Welded) []WeldSchool {
	out := []WeldSchool{}
	add := func(group, label string, change func(q *brief.SeamPlan), where brief.WeldPlace) {
		c := w
		c.Seams = slices.Clone(w.Seams)
		same := true
		for i := range c.Seams {
			was := c.Seams[i]
			if change != nil {
				change(&c.Seams[i])
			}
			q := c.Seams[i]
			same = same && was.Both == q.Both && was.Stitch == q.Stitch && was.Pitch == q.Pitch && finished(was) == finished(q)
		}
		if change == nil {
			c.Where = where
			was := w.Where
			if was == "" {
				was = brief.AtBench
			}
			same = was == where
		}
		out = append(out, WeldSchool{Group: group, Label: label, Joint: c, Now: same, Brings: []string{}})
	}
	pen := s.seamPen()
	stitch := schoolStitch[0]
	if s.Brief.Inches() {
		stitch = schoolStitch[1]
	}
	for _, q := range w.Seams { // a stitch is four legs at least
		if stitches(q) {
			stitch = math.Max(stitch, 4*q.Leg)
		}
	}
	lined := slices.ContainsFunc(w.Seams, func(q brief.SeamPlan) bool { return stitches(q) })
	if lined {
		add("long", "all along, both faces", func(q *brief.SeamPlan) {
			if stitches(*q) {
				q.Both, q.Stitch, q.Pitch = true, 0, 0
			}
		}, "")
		add("long", "all along, one side", func(q *brief.SeamPlan) {
			if stitches(*q) {
				q.Both, q.Stitch, q.Pitch = false, 0, 0
			}
		}, "")
		for _, both := range []bool{true, false} {
			label := fmt.Sprintf("stitches of %s every %s", pen.Fine(stitch), pen.Fine(4*stitch))
			if both {
				label += ", both faces"
			}
			add("long", label, func(q *brief.SeamPlan) {
				if stitches(*q) {
					q.Both, q.Stitch, q.Pitch = both, stitch, 4*stitch
				}
			}, "")
		}
	}
	if slices.ContainsFunc(w.Seams, func(q brief.SeamPlan) bool { return q.Form != weld.PlugForm && q.Form != weld.SpotForm }) {
		for _, f := range []struct {
			label string
			left  weld.Finish
		}{{"left as it is laid", weld.AsIs}, {"dressed, its throat left", weld.Dressed}, {"ground flush", weld.Flush}} {
			add("left", f.label, func(q *brief.SeamPlan) {
				if q.Form != weld.PlugForm && q.Form != weld.SpotForm && finished(*q) != f.left {
					q.Finish = f.left
				}
			}, "")
		}
	}
	add("where", "on the bench", nil, brief.AtBench)
	add("where", "tacked in place, welded on the bench", nil, brief.Tacked)
	add("where", "all of it in place", nil, brief.InPlace)
	return out
}

func finished(q brief.SeamPlan) weld.Finish {
	if q.Finish == "" {
		return weld.AsIs
	}
	return q.Finish
}

// stitches tells whether a seam may be laid in stitches, and on both faces of what it is an edge of.
func stitches(q brief.SeamPlan) bool {
	return q.Leg > 0 && q.End == "" && (q.Form == weld.FilletForm || q.Form == weld.LapForm || q.Form == weld.CornerForm)
}

// school works one way out: the joint through the whole job, its order, what it takes.
func (s Site) school(c *WeldSchool, k int, before stood) {
	next := s
	next.Brief.Welded = slices.Clone(s.Brief.Welded)
	next.Brief.Welded[k] = c.Joint
	h := next.Hold()
	t := h.Welded[k]
	c.Why, c.Verdict = t.Why, t.Verdict
	if t.Result != nil {
		c.Use = t.Result.Hardest
		for _, q := range t.Result.Checks {
			if q.Verdict == strength.CannotSay && c.Silent == "" {
				c.Silent = q.Why
			}
		}
	}
	for _, q := range t.Seams {
		if !q.Dots {
			c.Laid += q.Laid
		}
	}
	for _, f := range t.Findings {
		if f.Severity != working.Note {
			c.Brings = append(c.Brings, f.Reason)
		}
	}
	c.Worse = before.worse(next.stoodIn(h), c.Joint.ID)
	if x := next.open().seat(c.Joint, nil); x.why == "" {
		g := gathering{}
		open := next.open()
		for i, seam := range x.seams {
			if q, inside := open.laidAs(&x, seam); inside {
				g.weld(q, map[bool]float64{true: 1}[i == 0], "")
			}
		}
		if e, err := effort.Add(g.works, s.Shop.Rates); err == nil {
			c.Minutes = e.Minutes
		}
		for _, u := range effort.Consumed(g.welds, 0, 0, 0) {
			if u.Unit == "kg" {
				c.Metal += map[bool]string{true: ", "}[c.Metal != ""] + s.amountTold(u.Key, u.Unit, u.Amount) + " of " + u.Text
			}
		}
	}
	if p, err := next.WeldPlan(c.Joint.ID); err == nil && p.Order != nil {
		c.Peak, c.Last, c.Turns = &p.Order.Best.Peak, &p.Order.Best.Last, p.Order.Best.Turns
	}
}
