package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// Distances that what burns, cracks or melts keeps from a weld, mm (practice).
const (
	heatTakesOff = 60.  // nearer than this it comes off before
	heatShields  = 200. // nearer than this it is covered
)

// seamFlags says what of a welded joint may not be, is minded, or can hurt.
func (s *site) seamFlags(x *seated) (out []working.Finding) {
	w := x.w
	say := func(code string, severity working.Severity, seam, format string, args ...any) {
		out = append(out, seamFinding(code, severity, w, seam, format, args...))
	}
	onVehicle := w.Sides[1].Kind == brief.VehicleSide
	out = s.seamMayNot(x)
	for i, seam := range x.seams {
		how := s.seamHow(x, seam)
		for _, f := range how.findings {
			say(f.Code, f.Severity, seam.ID, "%s: %s", seam.Called(), f.Reason)
		}
		if t := how.Spots; t != nil && seam.Form == weld.PlugForm && !t.Enough {
			say("plugs-for-spots", working.Mind, seam.ID, "%s: %s", seam.Called(), t.Says)
		}
		s.seamGap(x, seam, say)
		plan := w.Seams[i]
		if seam.Form == weld.FilletForm && plan.Panel != "" && seam.Stitch == 0 && !seam.RunOff && s.openEnds(x, i) {
			say("seam-ends", working.Mind, seam.ID, "%s starts or stops at the end of its edge: a crack starts there when it "+
				"shakes. Wrap it "+
				"round the "+
				"end, or stop a leg short of it.", seam.Called())
		}
		if m := seam.Sides[1].Material; m == "steel-unknown" {
			say("unknown-steel", working.Mind, seam.ID, "Nobody knows what %s is made of. Hardened, boron and high-strength steels and "+
				"heat-treated "+
				"chassis rails are not welded: they crack beside it. Ask the maker's body guide.", seam.Sides[1].Name)
		}
	}
	s.seamHeat(x, say)
	if onVehicle && w.Where != brief.InPlace {
		say("not-on-bench", working.Mind, "", "One of the two is the vehicle: it is not welded on the bench, and is worked out as "+
			"welded in "+
			"place. "+
			"Say so, or choose what it is welded to.")
	}
	s.openTacks(x, say)
	s.seamTwice(x, say)
	s.seamApart(x, say)
	s.seamCovers(x, say)
	s.seamBeads(x, say)
	if x.inPlace() || w.Where == brief.Tacked && x.placed {
		say("weld-on-vehicle", working.Mind, "", "Before the first arc on the vehicle: battery off and electronics unplugged, earth clamp "+
			"on bright metal "+
			"beside the seam, fuel and brake lines moved or shielded, lining and plastic off, a wetted cloth over glass, somebody with an "+
			"extinguisher, and a fire watch for an hour after. Welding on a vehicle's frame may not be allowed: local rules and a "+
			"licensed "+
			"engineer "+
			"decide.")
	}
	if strings.TrimSpace(w.Shown) != "" {
		say("hidden-later", working.Mind, "", "%s hides these seams later: look at every one of them and tick it before that goes on.",
			strings.TrimSpace(w.Shown))
	}
	return out
}

// seamMayNot says where nothing may be welded and a seam is: to a vehicle nothing is welded to, over a marked face.
func (s *site) seamMayNot(x *seated) (out []working.Finding) {
	if x.w.Sides[1].Kind == brief.VehicleSide && s.Brief.Limits.NoWelds {
		out = append(out, seamFinding("no-welds", working.Stop, x.w, "", "The brief says nothing is welded to the vehicle, and "+
			"this is: bolt "+
			"it, "+
			"or ask whose vehicle it is."))
	}
	for _, seam := range x.seams {
		if face := s.noWeld(x, seam); face != "" {
			out = append(out, seamFinding("no-weld-face", working.Stop, x.w, seam.ID, "%s runs over %s, where nothing may be "+
				"welded: end it "+
				"before, move it, or take the mark away.", seam.Called(), face))
		}
	}
	return out
}

// seamGap says what closes the gap under a seam.
func (s *site) seamGap(x *seated, seam weld.Seam, say func(string, working.Severity, string, string, ...any)) {
	gap := x.gap(seam.ID)
	if gap <= 0 || seam.Leg <= 0 {
		return
	}
	pen := s.seamPen()
	r, err := weld.Gap(weld.GapInput{Gap: gap, Leg: seam.Leg, Thinner: math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness)})
	if err != nil {
		return
	}
	switch r.Way {
	case "as it is":
	case "a larger leg":
		say("seam-gap", working.Mind, seam.ID, "%s has a gap of %s: the leg grows by it, to "+
			"%s.", seam.Called(), pen.Fine(gap), pen.Fine(*r.Leg))
	case "a strip":
		say("seam-gap", working.Stop, seam.ID, "%s has a gap of %s, more than a weld closes: fit it again, or bridge it by a strip "+
			"%s thick "+
			"that is a "+
			"part of the job with seams of its own on both sides. A slug in the gap is no "+
			"weld.", seam.Called(), pen.Fine(gap), pen.Fine(*r.Strip))
	default:
		say("seam-gap", working.Stop, seam.ID, "%s has a gap of %s, more than its sheet closes: fit it "+
			"again.", seam.Called(), pen.Fine(gap))
	}
}

// openEnds tells whether a seam along an edge reaches an end of it at which no other seam of the joint goes on.
func (s *site) openEnds(x *seated, i int) bool {
	plan, seam := x.w.Seams[i], x.seams[i]
	ends := [2]solid.Vector{seam.Path[0], seam.Path[len(seam.Path)-1]}
	for k, left := range [2]float64{plan.Before, plan.After} {
		if left >= seam.Leg-1e-9 {
			continue
		}
		goes := false
		for n, o := range x.seams {
			if n != i && (o.Path[0].Sub(ends[k]).Len() < 2*seam.Leg+1 || o.Path[len(o.Path)-1].Sub(ends[k]).Len() < 2*seam.Leg+1) {
				goes = true
			}
		}
		if !goes {
			return true
		}
	}
	return false
}

// burns are what a weld's heat and sparks do to what is in a space.
var burns = map[survey.Kind]string{survey.Plastic: "melts and burns", survey.Glass: "cracks and is pitted by sparks",
	survey.Lining: "burns", survey.Line: "fuel, brake fluid and wires burn", survey.Tank: "fuel and its vapour explode: it comes out of " +
		"the " +
		"vehicle, or nothing is welded here"}

// seamHeat says what lies within reach of the heat.
func (s *site) seamHeat(x *seated, say func(string, working.Severity, string, string, ...any)) {
	if !x.placed || !x.inPlace() && x.w.Where != brief.Tacked { // a tack is an arc too
		return
	}
	pen := s.seamPen()
	for _, sp := range s.Survey.Spaces {
		does := burns[sp.Kind]
		if does == "" {
			continue
		}
		body := solid.NewTree(sp.In(survey.Stowed))
		near, which := math.Inf(1), ""
		for _, seam := range x.seams {
			var corners [][3]float64
			for _, v := range seam.Path {
				corners = append(corners, [3]float64(v))
			}
			line := survey.Space{Shape: survey.Shape{Form: survey.RunForm, Corners: corners, Radius: 1}}
			if g := solid.Within(solid.NewTree(line.In(survey.Stowed)), body, heatShields); g.Distance < near {
				near, which = math.Max(g.Distance-1, 0), seam.Called()
			}
		}
		severity, does2 := working.Mind, "cover it, wet, and look again after"
		switch {
		case near > heatShields:
			continue
		case sp.Kind == survey.Tank:
			severity, does2 = working.Stop, "take it out first"
		case near <= heatTakesOff:
			does2 = "it comes off before"
		}
		say("seam-heat", severity, "", "%s is %s from %s, and %s: %s.", sp.Name, fmt.Sprint(pen.MM(near)), which, does, does2)
	}
}

// openTacks says that seams are tacked and not welded: what hangs on them hangs on tacks.
func (s *site) openTacks(x *seated, say func(string, working.Severity, string, string, ...any)) {
	var names []string
	for _, saw := range s.Brief.Book(x.w.ID).Seen {
		if saw.Tacked && !saw.Welded && slices.ContainsFunc(x.seams, func(q weld.Seam) bool {
			return saw.ID == q.ID || strings.HasPrefix(saw.ID, q.ID+" ") || strings.HasPrefix(saw.ID, q.ID+"-")
		}) {
			names = append(names, saw.ID)
		}
	}
	if len(names) > 0 {
		say("open-tacks", working.Mind, "", "%d of its seams %s tacked and not welded: a tack carries nothing. What is said to hold here "+
			"holds once "+
			"they are welded; until then hang nothing on it.", len(names), told.Plural(len(names), "is", "are"))
	}
}
