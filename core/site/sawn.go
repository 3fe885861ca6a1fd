package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// sawn asks of every piece of a frame whether a saw of the shop cuts it, each section and
// angle once. Ends that are coped, folded or bent are not sawn to their form.
func sawn(p told.Pen, w shop.Shop, built *shape.Built, inch bool) (out []working.Finding) {
	saws := w.Saws(inch)
	if len(saws) == 0 {
		if len(built.Pieces) > 0 {
			out = append(out, working.Finding{Code: "saw-away", Severity: working.Mind, Cause: "Saw",
				Reason: "No saw of the shop is there now: whether one takes these sections was not asked."})
		}
		return out
	}
	if len(built.Pieces) > 0 && !saws[0].Named && len(w.Machines) > 0 {
		out = append(out, working.Finding{Code: "saw-unnamed", Severity: working.Note, Cause: "Saw",
			Reason: "The Shop names no saw: a usual one is taken."})
	}
	seen := map[string]bool{}
	for _, x := range built.Pieces {
		run := runOf(built, x.ID)
		if x.Why != "" || run == nil {
			continue
		}
		wide, high := run.Box.Right-run.Box.Left, run.Box.Top-run.Box.Bottom
		for _, e := range x.Ends {
			cut := shop.Sawn{Wide: wide, High: high, Round: member.Round(x.Section)}
			if e.Hole == nil && e.Kind != member.Fold && e.Kind != member.Bent {
				cut.Angle = math.Max(e.Saw, e.Tilt)
				if e.Lies == "side" {
					cut.Wide, cut.High = high, wide
				}
			}
			key := fmt.Sprintf("%s %.1f %s", x.Stock, cut.Angle, e.Lies)
			if seen[key] {
				continue
			}
			seen[key] = true
			if f := notSawn(p, saws, x, cut); f != nil {
				out = append(out, *f)
			}
		}
	}
	return out
}

func runOf(built *shape.Built, id string) *shape.Run {
	for _, r := range built.Runs {
		if r.ID == id {
			return r
		}
	}
	return nil
}

// notSawn says why no saw makes a cut; nil when one does.
func notSawn(p told.Pen, saws []shop.SawSaid, x shape.Piece, cut shop.Sawn) *working.Finding {
	var why []string
	for _, w := range saws {
		switch w.Takes(cut) {
		case "":
			return nil
		case "angle":
			why = append(why, fmt.Sprintf("%s turns to %.4g°", w.Name, w.Angle))
		default:
			size := p.MM(w.Wide) + " wide and " + p.MM(w.High) + " high"
			if cut.Round && w.Round > 0 {
				size = "rounds of " + p.MM(w.Round)
			}
			why = append(why, w.Name+" takes "+size)
		}
	}
	what := fmt.Sprintf("%s: %s is not cut at %.4g° on any saw there is: %s.", x.Name, x.Stock, cut.Angle, strings.Join(why, ", "))
	switch w := saws[0]; {
	case !w.Named:
		what += " The Shop names no saw: these are usual values."
	case !w.Said:
		what += " Not all limits are said in the Shop: the others are usual values."
	}
	return &working.Finding{Code: "past-saw", Severity: working.Mind, Cause: "Saw", Feature: x.ID, Name: x.Name,
		Reason: what + " Ways out: another saw (say it in the Shop); turn it over and cut from two sides; a cutter outside; another " +
			"section or joint."}
}
