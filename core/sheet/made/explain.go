package made

import (
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// Subject names a number of a part whose working is made only when asked for,
// because there are many of them and few are asked about.
type Subject struct {
	What   string      `json:"what" enum:"hole,bend,school,allowance,aim,force,stop" doc:"a hole's centre, a bend line's mark, the blank under a school, or of a bend its allowance, the angle to bend to, the press force or the stop"`
	ID     string      `json:"id,omitempty" doc:"of the hole as made, or of the flange"`
	School bend.School `json:"school,omitempty" enum:"coupon,table,standard,fixed"`
	Axis   string      `json:"axis,omitempty" enum:"x,y" doc:"of a place: x from the blank's left edge, y from its front"`
}

// Explain answers the working of one number of a part. It fails with
// *working.Fault when the recipe is not one or has no such number.
func Explain(r sheet.Recipe, opt Options, s Subject) (working.Working, error) {
	if err := r.Validate(); err != nil {
		return working.Working{}, err
	}
	switch s.What {
	case "allowance", "aim", "force", "stop":
		return explainBend(r, opt, s)
	}
	school := r.Bend.School
	if s.What == "school" {
		school = s.School
	}
	l := lay.Out(r, school, opt.Display)
	b := &maker{Laid: l, Teller: l.Teller, opt: opt}
	if len(b.Panels) == 0 {
		return working.Working{}, working.Refuse("/subject", "The part cannot be unfolded, so nothing on it has a place.")
	}
	axis := profile.Point{X: 1}
	if s.Axis == "y" {
		axis = profile.Point{Y: 1}
	}
	switch s.What {
	case "school":
		if b.FellBack || len(b.Panels) == 1 {
			return working.Working{}, working.Refuse("/subject/school", "%s", b.WhySilent(s.School))
		}
		return b.Explain(b.blankWorking(s.Axis == "y")), nil
	case "bend":
		for _, p := range b.Panels {
			if p.ID == s.ID && p.Flange != nil {
				return b.Explain(b.bendMark(p, axis)), nil
			}
		}
	case "hole":
		for i := range b.Holes {
			if b.Holes[i].ID == s.ID {
				return b.Explain(b.holePlace(&b.Holes[i], axis)), nil
			}
		}
	}
	return working.Working{}, working.Refuse("/subject", "The part has no %s %s as it stands.", s.What, s.ID)
}

// explainBend answers a working of a row of the bend table.
func explainBend(r sheet.Recipe, opt Options, s Subject) (working.Working, error) {
	opt.Body, opt.Ordered = false, s.What == "stop"
	p, err := Build(r, opt)
	if err != nil {
		return working.Working{}, err
	}
	for _, l := range p.BendLines {
		switch {
		case l.ID != s.ID:
		case s.What == "allowance":
			return l.Working, nil
		case s.What == "aim" && l.Aim != nil:
			return l.AimWorking, nil
		case s.What == "force" && l.Force != nil:
			return l.ForceWorking, nil
		}
	}
	for _, t := range p.Steps {
		if t.ID == s.ID && s.What == "stop" {
			return *t.Working, nil
		}
	}
	return working.Working{}, working.Refuse("/subject", "The part has no %s of a bend %s as it stands.", s.What, s.ID)
}

// fromEdge explains how far the base's corner lies inside the blank's left or
// front edge: the flats and bends on that side.
func (b *maker) fromEdge(w *working.Working, axis profile.Point) float64 {
	vertical := axis.Y > .5
	low, _ := b.farthest(vertical)
	edge := low.FlatBounds().Min
	in := -axis.Dot(edge)
	for _, p := range chainOf(low) {
		if p.Flange == nil || math.Abs(p.Pose.Ey.Dot(axis)) < .5 {
			continue
		}
		_, h := p.Size()
		w.Inputs = append(w.Inputs, working.MM("flat", lay.Lower(p.Name)+" between tangent lines", h),
			working.MM("BA", "bend allowance of "+lay.Lower(p.Name), p.Taken.Allowance))
	}
	w.Steps = append(w.Steps, working.MM("b", "from the blank's edge to the base's tangent line or edge", in))
	return in
}

func side(axis profile.Point) string {
	if axis.Y > .5 {
		return "front"
	}
	return "left"
}

func (b *maker) holePlace(h *lay.Hole, axis profile.Point) working.Working {
	w := working.Working{Method: "Hole centre from the blank's " + side(axis), Source: "the typed offsets, laid out on the flat pattern",
		Formula:     "place = b + p + u",
		Assumptions: []string{"K by school: " + string(b.School)}}
	t, p, pat := b.Recipe.Thickness, h.Panel, h.Recipe.Pattern
	for i, o := range []sheet.Offset{h.Recipe.X, h.Recipe.Y} {
		n, _, _ := b.Line(p, o, [2]profile.Point{{X: 1}, {Y: 1}}[i], 0)
		if math.Abs(p.Pose.Turn(n).Dot(axis)) < .5 {
			continue // measured the other way
		}
		e := p.EdgeNamed(o.Edge)
		w.Inputs = append(w.Inputs, working.MM("typed", lay.Lower(fromWord(o)), o.Distance))
		if e < 0 {
			// from the middle or another hole: no edge to start from
		} else if out := p.Reference(e, o.From, t); out != 0 {
			w.Inputs = append(w.Inputs, working.MM("beyond", "that edge's start lies past the tangent line by", out))
		}
		switch {
		case pat == nil:
		case pat.Kind == sheet.CirclePattern:
			w.Inputs = append(w.Inputs, working.MM("PCD", "pitch circle", pat.Diameter))
		default:
			w.Inputs = append(w.Inputs, working.MM("pitch", "pitch of the grid", [2]float64{pat.PitchX, pat.PitchY}[i]))
		}
	}
	in := b.fromEdge(&w, axis)
	corner, centre := p.Pose.Origin.Dot(axis), p.Pose.Apply(h.Centre).Dot(axis)
	w.Steps = append(w.Steps, working.MM("p", "from there to the corner of "+lay.Lower(p.Name), corner),
		working.MM("u", "from that corner to the hole", centre-corner))
	w.Result = working.MM("place", "centre from the blank's "+side(axis), in+centre)
	return w
}

func (b *maker) bendMark(p *lay.Panel, axis profile.Point) working.Working {
	w := working.Working{Method: "Bend line from the blank's " + side(axis), Source: "the bend line lies in the middle of the bend allowance",
		Formula:     "place = b + t ± BA/2",
		Assumptions: []string{"K by school: " + string(b.School)}}
	in := b.fromEdge(&w, axis)
	half := p.Taken.Allowance / 2
	w.Inputs = append(w.Inputs, working.MM("BA", "bend allowance of "+lay.Lower(p.Name), p.Taken.Allowance))
	line := p.Pose.Apply(profile.Point{Y: -half}).Dot(axis)
	w.Steps = append(w.Steps, working.MM("t", "from there to the tangent line of "+lay.Lower(p.Parent.Name),
		p.Pose.Apply(profile.Point{Y: -2 * half}).Dot(axis)))
	w.Result = working.MM("place", "bend line from the blank's "+side(axis), in+line)
	return w
}
