package site

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

var stateWords = map[survey.State]string{survey.Stowed: "stowed", survey.InUse: "in use", survey.Travelling: "travelling"}

// room places everything and works out what it keeps off.
func (s *stander) room(v vehicle.Survey, out *Surveyed) {
	var things []survey.Thing
	var solids []survey.Thing // without the bolts, for air and ground
	owner := map[int]int{}    // thing of each bolt and each room in front of it
	air := map[int]bool{}     // rooms: two of them may share the air
	hands := s.handed(v)
	for i := range v.Placed {
		d := s.stand(v.Placed[i].ID)
		told := d.told
		told.Findings = append(slices.Clone(told.Findings), hands[told.ID]...)
		out.Placed = append(out.Placed, told)
		if d.Why != "" {
			continue
		}
		d.thing.Name = d.told.Name
		main := len(things)
		owner[main] = main
		things, solids = append(things, d.thing), append(solids, d.thing)
		out.Sketch = append(out.Sketch, drawn(d.told.ID, d.told.Name, "thing", d.thing.Body, false))
		for _, b := range d.bolts {
			owner[len(things)] = main
			things = append(things, b)
			out.Sketch = append(out.Sketch, drawn(d.told.ID, b.Name, "bolt", b.Body, false))
		}
		for _, r := range d.rooms {
			owner[len(things)], air[len(things)] = main, true
			things = append(things, r)
			out.Sketch = append(out.Sketch, drawn(d.told.ID, r.Name, "room", r.Body, false))
		}
	}
	spaces := s.spaces(v, solids, out)
	var groups [][2]int // a thing with its bolts, against one space or thing
	for _, c := range survey.Clearances(things, spaces, v.Between) {
		if c.Other >= 0 && owner[c.Other] == owner[c.Thing] || math.IsInf(c.Distance, 1) || c.Other >= 0 && air[c.Other] && air[c.Thing] {
			continue // a bolt and what it holds; a space that is never there; a plug's room and another's
		}
		out.Clearances = append(out.Clearances, s.clear(c, things, spaces))
		groups = append(groups, [2]int{owner[c.Thing], c.Space*1000 - c.Other})
	}
	out.Clearances = leastOf(out.Clearances, groups)
	slices.SortStableFunc(out.Clearances, func(a, b ClearTold) int {
		rank := map[string]int{"bad": 0, "doubtful": 1, "good": 2}
		return cmp.Or(cmp.Compare(rank[a.Verdict], rank[b.Verdict]), cmp.Compare(a.Distance, b.Distance))
	})
	if n := len(out.Clearances); n > maxClearances {
		out.Clearances = out.Clearances[:maxClearances]
		out.Findings = append(out.Findings, working.Finding{Code: "many-clearances", Severity: working.Mind, Cause: "Room",
			Reason: fmt.Sprintf("Only the %d shortest of %d clearances are listed. Take out spaces that nothing comes near.",
				maxClearances, n)})
	}
	if v.Wheels != nil && len(solids) > 0 {
		s.ground(*v.Wheels, solids, out)
	}
	s.outside(v.Wheels, solids, out)
	s.bodyLines(v, solids, out)
	s.kept(v, out)
	for _, d := range v.Drillings {
		out.Drillings = append(out.Drillings, s.drill(d, spaces))
	}
	s.undrilled(v, out)
	around := survey.Surroundings{Wheels: v.Wheels, Things: solids, Spaces: spaces, Spots: s.spots(v), Text: s.from.Pen.MM}
	out.Findings = append(out.Findings, around.Cautions()...)
}

// spaces are what must stay clear, each known as well as it was measured; openings
// are worked out with what goes through them.
func (s *stander) spaces(v vehicle.Survey, solids []survey.Thing, out *Surveyed) (spaces []survey.Space) {
	for _, sp := range v.Spaces {
		moving := len(sp.Moves) > 0
		state := survey.Stowed
		if moving {
			state = sp.Moves[0]
		} else if len(sp.Absent) > 0 {
			for _, st := range survey.States {
				if !slices.Contains(sp.Absent, st) {
					state = st
				}
			}
		}
		out.Sketch = append(out.Sketch, drawn(sp.ID, sp.Name, string(sp.Kind), sp.In(state), moving))
		if sp.Kind == survey.Opening {
			out.Openings = append(out.Openings, s.opening(sp, solids))
			continue
		}
		if sp.Sigma == 0 {
			sp.Sigma = survey.Uncertainty[survey.Tape].Length
			if sp.Trust == "memory" || sp.Trust == "assumed" {
				sp.Sigma = survey.Uncertainty[survey.Eye].Length
			}
		}
		spaces = append(spaces, sp)
	}
	return spaces
}

// spots are the surveyed points and the first placed hole of each map.
func (s *stander) spots(v vehicle.Survey) (spots []survey.Spot) {
	for i := range v.Points {
		p := &v.Points[i]
		if d := s.from.At(p.ID); d.At != nil && p.Kind != "ground" {
			spots = append(spots, survey.Spot{Name: p.Name, At: *d.At})
		}
	}
	for _, m := range v.Maps {
		for _, h := range m.Holes {
			if d := s.from.At(h.ID); d.At != nil {
				spots = append(spots, survey.Spot{Name: m.Name, At: *d.At})
				break
			}
		}
	}
	return spots
}

// leastOf keeps the shortest of each group: of a bracket and its bolts the one
// that comes nearest.
func leastOf(list []ClearTold, groups [][2]int) []ClearTold {
	at := map[[2]int]int{}
	out := []ClearTold{}
	rank := map[string]int{"bad": 0, "doubtful": 1, "good": 2}
	for i, c := range list {
		k, known := at[groups[i]]
		if !known {
			at[groups[i]] = len(out)
			out = append(out, c)
		} else if rank[c.Verdict] < rank[out[k].Verdict] || rank[c.Verdict] == rank[out[k].Verdict] && c.Distance < out[k].Distance {
			out[k] = c
		}
	}
	return out
}

func (s *stander) clear(c survey.Clearance, things []survey.Thing, spaces []survey.Space) ClearTold {
	p := s.from.Pen
	t := ClearTold{Thing: things[c.Thing].Name, Distance: c.Distance, Text: p.MM(c.Distance), Need: p.MM(c.Need), Verdict: "good", At: c.At,
		To: c.To, Within: p.MM(2 * c.Sigma)}
	w := survey.ClearanceWorking(things[c.Thing].Body, len(spaces), c.Distance)
	w.Inputs = append(w.Inputs, working.Quantity{Symbol: "±", Name: "standard uncertainty of both places", Value: c.Sigma, Unit: "mm"},
		working.Quantity{Symbol: "k", Name: "to keep off", Value: c.Need, Unit: "mm"})
	t.Working = s.from.Pen.Explain(w)
	if c.Other >= 0 {
		t.With = things[c.Other].Name
	} else {
		t.With, t.Kind, t.State = spaces[c.Space].Name, string(spaces[c.Space].Kind), stateWords[c.State]
	}
	t.Place = fmt.Sprintf(", %s forward, %s left, %s up", p.MM(c.At[0]), p.MM(c.At[1]), p.MM(c.At[2]))
	if t.State != "" && len(c.Under) > 0 && len(c.Under) < 3 {
		t.Place = ", " + stateWords[c.Under[0]] + t.Place
	}
	switch {
	case c.Into:
		t.Verdict = "bad"
		t.Depth = p.MM(c.Depth)
		if c.Other >= 0 {
			a, b := things[c.Thing], things[c.Other]
			t.Way = cmp.Or(s.lifted(a.ID, b, c.At), s.lifted(b.ID, a, c.At))
		}
	case c.Distance < c.Need:
		t.Verdict = "bad"
	case c.Distance < c.Need+2*c.Sigma:
		t.Verdict = "doubtful"
	}
	return t
}

// maxClearances are listed, the worst first.
const maxClearances = 400

func (s *stander) opening(sp survey.Space, things []survey.Thing) vehicle.ResultTold {
	t := vehicle.ResultTold{ID: sp.ID, Name: sp.Name, Verdict: "good", Findings: []working.Finding{}}
	if sp.Shape.Form != survey.BoxForm {
		return vehicle.Waiting(sp.ID, sp.Name, "An opening is a flat box: its thin side is the way the air goes.")
	}
	reach := sp.Keep()
	if reach == 0 { // as far as half the opening's smaller side, things still choke it
		d := slices.Sorted(slices.Values(sp.Shape.Size[:]))
		reach = d[1] / 2
	}
	share := survey.Blocked(sp.Shape, things, reach)
	t.Value, t.Text = &share, fmt.Sprintf("%.0f %% blocked", share*100)
	t.Working = s.from.Pen.Explain(working.Working{Method: "Blocked share of an opening",
		Source: "things seen square to the opening on a grid of 60 by 60", Formula: "covered places / all places",
		Inputs:      []working.Quantity{{Symbol: "r", Name: "things this near count", Value: reach, Unit: "mm"}},
		Assumptions: []string{"air that goes round a thing is not counted"},
		Result:      working.Quantity{Symbol: "b", Name: "blocked share", Value: share}})
	t.Says = "things within " + s.from.Pen.MM(reach) + " of it count"
	if share > .25 {
		t.Verdict = "doubtful"
	}
	if share > .5 {
		t.Verdict = "bad"
	}
	return t
}

func (s *stander) ground(w survey.Wheels, things []survey.Thing, out *Surveyed) {
	p := s.from.Pen
	r := w.Over(things)
	line := func(name string, l survey.Lowest, text string, limit *brief.Given, write func(float64) string) {
		t := vehicle.ResultTold{Name: name, Value: &l.Value, Text: text, Verdict: "good", Findings: []working.Finding{},
			Says: "nothing placed touches first"}
		if l.By >= 0 {
			t.Says = fmt.Sprintf("%s, at %s forward", things[l.By].Name, p.MM(l.At[0]))
		}
		t.Working = p.Explain(working.Working{Method: "Ground clearance and ramp angles",
			Source:  "common tangent of the tyre and the point; ISO 612 names the angles",
			Formula: "approach = atan(ahead/(R − h)) − acos(R/√(ahead² + (R − h)²))",
			Inputs: []working.Quantity{{Symbol: "R", Name: "tyre under load", Value: w.Radius, Unit: "mm"},
				{Symbol: "x", Name: "place along the vehicle", Value: l.At[0], Unit: "mm"},
				{Symbol: "h", Name: "over the ground", Value: l.At[2] - w.Ground, Unit: "mm"}},
			Assumptions: []string{"placed things only: the vehicle's own underside may touch first",
				"springs as measured; loaded and on the bump it is less"}, Result: working.Quantity{Name: name, Value: l.Value}})
		t.Limited(limit, l.Value, 1, write)
		out.Ground = append(out.Ground, t)
	}
	limits := s.brief.Limits
	degrees := func(v float64) string { return fmt.Sprintf("%.1f°", v) }
	line("Ground clearance", r.Clearance, p.MM(r.Clearance.Value), limits.Ground, p.MM)
	if !w.Trailer {
		line("Approach angle", r.Approach, degrees(r.Approach.Value), limits.Approach, degrees)
	}
	line("Departure angle", r.Departure, degrees(r.Departure.Value), limits.Departure, degrees)
	if !w.Trailer {
		line("Break-over angle", r.BreakOver, degrees(r.BreakOver.Value), nil, degrees)
	}
}

const caution = "Behind a wall run fuel, brake, air and electric lines: look from behind, disconnect what can be cut, and where a " +
	"chassis or a restraint is drilled local rules and a licensed engineer decide."

func (s *stander) drill(d vehicle.Drilling, spaces []survey.Space) DrillTold {
	p := s.from.Pen
	t := DrillTold{ResultTold: vehicle.Waiting(d.ID, d.Name, ""), Stop: "—", Do: []string{}}
	at := s.from.At(d.Point)
	if at.At == nil {
		t.Says = "Its point has no place yet. " + at.Why
		return t
	}
	out := solid.Vector(vehicle.FaceWay[d.Face])
	if out.Len() == 0 || d.Diameter <= 0 {
		t.Says = "Say which way the wall faces and how large the hole is."
		return t
	}
	reach := 150.0
	if d.Free != nil {
		reach = *d.Free
	}
	near := spaces
	b := survey.Stop(survey.Drilling{At: *at.At, Into: out.Mul(-1), Diameter: d.Diameter, Sigma: at.Sigma}, near, math.Max(reach, .1))
	wanted := d.Wall + .3*d.Diameter + 2 // through, point and a little
	t.Value, t.Text = &b.Stop, p.MM(b.Stop)+" free"
	t.Least = at.Least
	find := func(code string, severity working.Severity, text string, args ...any) {
		t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: "What is behind", Name: d.Name,
			Reason: fmt.Sprintf(text, args...)})
	}
	limit := "what was looked at"
	if b.Space >= 0 {
		limit = near[b.Space].Name
	}
	switch {
	case b.Stop < d.Wall+.3*d.Diameter:
		t.Verdict = "bad"
		find("drilled-into", working.Stop, "The drill may go %s and the wall takes %s: %s lies behind it. Move the hole. %s", p.MM(b.Stop),
			p.MM(d.Wall+.3*d.Diameter), limit, caution)
		t.Stop = "do not drill"
	case d.Looked == "":
		t.Verdict = "open"
		t.Stop = "not before somebody looked"
		find("not-looked", working.Stop, "Nobody has said what is behind this hole. Look, and write down who did and what is there. "+
			"%s", caution)
	default:
		t.Verdict = "good"
		t.Stop = p.MM(math.Min(wanted, b.Stop))
		t.Says = fmt.Sprintf("%s. %s", d.Looked, "Limited by "+limit)
		for _, sp := range near {
			if b.Space >= 0 && sp.ID == near[b.Space].ID && (sp.Kind == survey.Skin || sp.Kind == survey.LoadEdge) {
				t.Verdict = "doubtful"
			}
		}
		if b.Space >= 0 && near[b.Space].Kind == survey.Line || b.Space >= 0 && near[b.Space].Kind == survey.Tank {
			find("line-behind", working.Mind, "%s runs behind it: set the drill stop at %s. %s", near[b.Space].Name, t.Stop, caution)
		}
	}
	if t.Verdict != "bad" {
		t.Do = s.ready(d, *at.At, out, wanted, b, spaces)
	}
	t.Working = p.Explain(working.Working{Method: "Drill stop",
		Source: "practice: through the wall, the drill's point of 0.3 d and 2 mm; kept off each space by its own distance and twice " +
			"how well " +
			"both places are known", Formula: "stop = min(wall + 0.3·d + 2, free)",
		Inputs: []working.Quantity{{Symbol: "t", Name: "wall", Value: d.Wall, Unit: "mm"},
			{Symbol: "d", Name: "drill", Value: d.Diameter, Unit: "mm"},
			{Symbol: "±", Name: "uncertainty of the place", Value: at.Sigma, Unit: "mm"}},
		Result: working.Quantity{Symbol: "free", Name: "free behind the near face", Value: b.Stop, Unit: "mm"}})
	return t
}

// undrilled names holes that bolts need in the vehicle and that nobody has
// asked about.
func (s *stander) undrilled(v vehicle.Survey, out *Surveyed) {
	asked := map[string]bool{}
	for _, d := range v.Drillings {
		asked[d.Point] = true
	}
	for _, p := range v.Placed {
		if p.Bolt == 0 {
			continue
		}
		for _, m := range p.Mates {
			pt := s.from.Points[m.Point]
			if pt == nil || pt.Kind != "point" && pt.Kind != "" || asked[m.Point] {
				continue
			}
			asked[m.Point] = true
			out.Findings = append(out.Findings, working.Finding{Code: "not-asked", Severity: working.Stop, Cause: "What is behind",
				Feature: m.Point,
				Name:    pt.Name, Reason: fmt.Sprintf("%s bolts to %s, where there is no hole yet: say what is behind it before it is "+
					"drilled.", p.Name,
					pt.Name)})
		}
	}
	if s.brief.Limits.NoNewHoles && len(v.Drillings) > 0 {
		out.Findings = append(out.Findings, working.Finding{Code: "no-new-holes", Severity: working.Stop, Cause: "What is behind",
			Reason: "The brief says no new holes, and holes are to be drilled. Use what is there, or change the brief."})
	}
}

// drawn answers the outlines of a body in three views.
func drawn(id, name, kind string, b solid.Body, swept bool) Drawn {
	d := Drawn{ID: id, Name: name, Kind: kind, Plan: [][]profile.Point{}, Side: [][]profile.Point{}, End: [][]profile.Point{}, Swept: swept}
	pieces := b.Pieces
	if len(pieces) > 24 { // many small ones: their common outline says as much
		var all solid.Piece
		for _, p := range pieces {
			all = append(all, p...)
		}
		pieces = []solid.Piece{all}
	}
	for _, piece := range pieces {
		for view, into := range [3]*[][]profile.Point{&d.Plan, &d.Side, &d.End} {
			u, v, _ := vehicle.AxesOf([3]vehicle.Plane{vehicle.PlanXY, vehicle.SideXZ, vehicle.EndYZ}[view])
			var pts []profile.Point
			for _, t := range piece {
				for _, c := range t {
					pts = append(pts, profile.Point{X: math.Round(c[u]*10) / 10, Y: math.Round(c[v]*10) / 10})
				}
			}
			*into = append(*into, profile.Hull(pts))
		}
	}
	return d
}
