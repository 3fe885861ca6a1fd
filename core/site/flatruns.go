package site

import (
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
)

// FlatRun is a run of the order something is welded in, where it lies on the flat pattern of a part.
type FlatRun struct {
	Of     string        `json:"of" doc:"id of the welded joint; of the part itself where it is a corner of it"`
	Seam   string        `json:"seam" doc:"id of the seam of the plan"`
	Name   string        `json:"name"`
	Number int           `json:"number" doc:"in the order of that joint or part"`
	From   profile.Point `json:"from" doc:"mm, on the flat"`
	To     profile.Point `json:"to" doc:"mm"`
	Back   bool          `json:"back" doc:"laid on the other side"`
}

// FlatRuns answers the runs of all that is welded along the edges of a part, and of its own corners, on its flat.
func (s Site) FlatRuns(part string) []FlatRun {
	out := []FlatRun{}
	open := s.open()
	p := open.part(part)
	if p == nil || p.Err != nil || !p.Built.Whole {
		return out
	}
	for _, w := range s.Brief.Welded {
		if w.Sides[0].Kind == brief.PartSide && w.Sides[0].Of == part || slices.ContainsFunc(w.Seams, open.footOf(part)) {
			out = append(out, s.jointRuns(open, p, w)...)
		}
	}
	if !p.weldsItself() {
		return out
	}
	plan, err := s.WeldPlan(part)
	if err != nil {
		return out
	}
	for _, meet := range p.Recipe.WeldedMeets() {
		c, is := cornerOf(&p.Built, meet)
		if !is {
			continue
		}
		l := edgeLine{ends: c.path, flat: [2]profile.Point{c.edge.From, c.edge.To}}
		for i, r := range runsOf(plan) {
			if r.Seam == meet.A+" "+meet.B {
				out = append(out, l.run(part, r, i))
			}
		}
	}
	return out
}

// footOf tells of a seam whether it is along the foot of a gusset that is a part.
func (s *site) footOf(part string) func(brief.SeamPlan) bool {
	return func(q brief.SeamPlan) bool {
		return q.On != "" && slices.ContainsFunc(s.Survey.Placed, func(p vehicle.Placed) bool { return p.ID == q.On && p.Part == part })
	}
}

// jointRuns answers the runs of one welded joint along edges of a part.
func (s Site) jointRuns(open *site, p *BuiltPart, w brief.Welded) (out []FlatRun) {
	plan, err := s.WeldPlan(w.ID)
	x, stands := open.paths().seated[w.ID]
	if !stands {
		x = open.seat(w, nil)
	}
	if err != nil || x.why != "" {
		return nil
	}
	for _, q := range w.Seams {
		built, pose := x.built, x.pose
		if q.On != "" {
			st := open.stands[q.On]
			if st == nil || st.built == nil || !open.footOf(p.ID)(q) {
				continue
			}
			built, pose = st.built, st.Pose
		} else if w.Sides[0].Of != p.ID {
			continue
		}
		l, is := lineOf(built, &p.Built, pose, q)
		if !is {
			continue
		}
		for i, r := range runsOf(plan) {
			if ofSeam(r.Seam, q.ID) {
				out = append(out, l.run(w.ID, r, i))
			}
		}
	}
	return out
}

// edgeLine is an edge as it stands, and where it lies on the flat as it is drawn: of a twin they are of two hands.
type edgeLine struct {
	ends [2]solid.Vector
	flat [2]profile.Point
}

// lineOf finds the edge a seam runs along on a part as it stands, and on the drawn one.
func lineOf(built, drawn *made.Part, pose solid.Pose, q brief.SeamPlan) (l edgeLine, is bool) {
	stands, found := edgeOf(built, q)
	if p := panelOf(built, q.Panel); found && p != nil {
		l.ends = [2]solid.Vector{pose.Apply(p.Seat.At(p.Pose.Undo(stands.From))), pose.Apply(p.Seat.At(p.Pose.Undo(stands.To)))}
	}
	e, also := edgeOf(drawn, q)
	l.flat = [2]profile.Point{e.From, e.To}
	return l, found && also
}

func panelOf(p *made.Part, id string) *made.PanelMade {
	if p == nil {
		return nil
	}
	for i := range p.Panels {
		if p.Panels[i].ID == id {
			return &p.Panels[i]
		}
	}
	return nil
}

func edgeOf(p *made.Part, q brief.SeamPlan) (made.EdgeMade, bool) {
	if panel := panelOf(p, q.Panel); panel != nil {
		for _, e := range panel.Edges {
			if e.Edge == q.Edge {
				return e, true
			}
		}
	}
	return made.EdgeMade{}, false
}

// ofSeam tells whether a seam of a plan is of a seam of its joint: itself, its other side, or a stitch of either.
func ofSeam(planned, seam string) bool {
	rest, is := strings.CutPrefix(planned, seam)
	rest = strings.TrimPrefix(rest, " back")
	return is && (rest == "" || strings.HasPrefix(rest, "-"))
}

// runsOf answers the runs of a plan in the order they are laid.
func runsOf(p WeldPlan) []weld.OrderRun {
	switch {
	case p.Order == nil:
		return nil
	case p.Order.Hand != nil:
		return p.Order.Hand.Runs
	}
	return p.Order.Best.Runs
}

// run puts a run on the flat: as far along the edge as it is on what stands.
func (l edgeLine) run(of string, r weld.OrderRun, i int) FlatRun {
	way := l.ends[1].Sub(l.ends[0])
	at := func(v solid.Vector) profile.Point {
		return l.flat[0].Add(l.flat[1].Sub(l.flat[0]).Mul(v.Sub(l.ends[0]).Dot(way) / way.Dot(way)))
	}
	return FlatRun{Of: of, Seam: r.Seam, Name: r.Name, Number: i + 1, From: at(r.From), To: at(r.To),
		Back: strings.Contains(r.Seam, " back")}
}
