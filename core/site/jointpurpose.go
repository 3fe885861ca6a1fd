package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// purposes in words.
var purposes = map[brief.Purpose]string{brief.Places: "hold it in line", brief.Stills: "keep it from turning or rattling",
	brief.Closes: "close it"}

// little is a force, in N, below which a joint that is not to carry does not.
const little = 20.

// purpose looks whether what is said only to place, still or close does carry.
func purpose(j brief.Joint, b brief.Brief, r *joint.Result) {
	word, other := purposes[j.Purpose]
	if !other {
		return
	}
	most := 0.
	for _, x := range r.Bolts {
		most = math.Max(most, math.Hypot(x.Shear, x.Tension))
	}
	if most < little {
		return
	}
	p := told.Pen{Display: b.Display()}
	r.Findings = append(r.Findings, working.Finding{Code: "purpose", Severity: working.Mind, Cause: "Joint", Name: j.Name,
		Reason: fmt.Sprintf(
			"It is said only to %s, and %s come to one of its bolts: it carries. Say that it does, or give its load to the others.", word,
			p.Newtons(most))})
}

// swapped keeps a joint from holding whose hardware was not asked: something else was put in.
func swapped(j brief.Joint, r *joint.Result) {
	text := strings.TrimSpace(j.Swapped)
	if text == "" {
		return
	}
	why := "Put in instead of what is listed: " + text + ". That was not asked: give its size and class here, and then clear this."
	r.Checks = append([]strength.Check{strength.Silent("swapped", "Put in instead", why)}, r.Checks...)
	if r.Verdict != strength.Over {
		r.Verdict = strength.CannotSay
	}
}

// prepare says what comes before drilling where a member of a frame, or a wall of the vehicle,
// is among the plies.
func (s *site) prepare(j brief.Joint, in joint.Input, r *joint.Result) {
	var before []string
	for k, side := range j.Sides {
		if k >= len(in.Plies) {
			continue
		}
		drilled := in.Plies[k].Placed == hole.ByMate || in.Plies[k].Placed == hole.ByTape
		name := in.Plies[k].Name
		switch {
		case side.Kind == brief.MemberSide && drilled:
			before = append(before, fmt.Sprintf("Clamp %s straight before it is drilled: along a straightedge or a string over its whole "+
				"length, in line "+
				"with what it meets. A member drilled while it is bowed stays so.", name))
		case side.Kind == brief.VehicleSide && drilled:
			before = append(before, fmt.Sprintf("Look and feel behind %s where it is drilled; where a hand gets there, clamp a "+
				"board behind "+
				"it: it takes "+
				"the drill as it breaks through, and keeps thin sheet flat.", name))
		}
	}
	if len(before) > 0 {
		r.Making = append(before, r.Making...)
	}
}
