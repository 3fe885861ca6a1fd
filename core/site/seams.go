package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
)

// seated is a welded joint where it stands: its seams as lines in the axes of its first body, of the vehicle where
// that is placed.
type seated struct {
	w      brief.Welded
	seams  []weld.Seam
	pose   solid.Pose // of the first body
	built  *made.Part // of the first, where that is a part, in the hand that stands there
	ids    [2]string  // of the bodies in the load path; "" where one has no place
	placed bool       // lines lie in the vehicle's axes
	why    string     // why its seams cannot be said
	wait   string     // why it has no place in the load path
}

// seat finds where the seams of a welded joint run. poses are of parts that hang where a bolted joint says.
func (s *site) seat(w brief.Welded, poses map[string]solid.Pose) (x seated) {
	x = seated{w: w, pose: solid.Ground}
	var sides [2]weld.SeamSide
	for k, side := range w.Sides {
		if sides[k], x.why = s.weldSide(side, k); x.why != "" {
			return x
		}
		id, why := s.instance(side.Side)
		switch {
		case side.Kind == brief.VehicleSide:
			x.ids[k] = ground
		case why != "":
			x.wait = why
		case id != "":
			x.ids[k] = id
		case side.Kind == brief.MemberSide, s.alone(side.Side):
			x.ids[k] = string(side.Kind) + " " + side.Of
		case side.Kind == "":
			x.wait = fmt.Sprintf("What %s belongs to is not said.", sides[k].Name)
		default:
			x.wait = fmt.Sprintf("There are several of %s, and which of them it is here is not said: place it on the Measure "+
				"bench.", s.named(side.Side))
		}
	}
	first := w.Sides[0]
	var frame *shape.Built
	switch st := s.stands[x.ids[0]]; {
	case st != nil && st.Why != "":
		x.why = st.Why
		return x
	case st != nil:
		x.pose, x.built, x.placed = st.Pose, st.built, true
	}
	switch first.Kind {
	case brief.PartSide:
		if p := s.part(first.Of); x.built == nil {
			if p.Err != nil || !p.Built.Whole {
				x.why = p.Name + " cannot be built as it stands: look at it on the Shape bench."
				return x
			}
			x.built = &p.Built
			if pose, there := poses[x.ids[0]]; there && x.ids[0] != "" {
				x.pose, x.placed = pose, true
			}
		}
	case brief.MemberSide:
		frame = s.frames[first.Of]
		if !x.placed {
			x.pose, x.placed = s.frame(first.Of).Doc.Fit.Solid(), true
		}
	}
	if x.wait == "" && !x.placed {
		x.wait = fmt.Sprintf("%s has no place on the vehicle: place it on the Measure bench.", s.named(first.Side))
	}
	if len(w.Seams) == 0 {
		x.why = "It has no seam yet: add one along an edge, all round a member's end, or drawn by hand."
		return x
	}
	for _, seam := range w.Seams {
		out, why := s.runOn(&x, seam, sides, frame)
		if seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
			out, why = s.dots(&x, seam, sides)
		}
		if why != "" {
			x.why = seam.Called() + ": " + why
			return x
		}
		x.seams = append(x.seams, out)
	}
	return x
}

// inPlace tells whether it is welded where it belongs: what is welded to the vehicle is, wherever it is tacked.
func (x *seated) inPlace() bool {
	return x.w.Where == brief.InPlace || x.w.Sides[1].Kind == brief.VehicleSide
}

// alone tells whether there is one of a part.
func (s *site) alone(side brief.Side) bool {
	p := s.part(side.Of)
	return side.Kind == brief.PartSide && p != nil && p.Quantity <= 1 && !p.Recipe.Hand.Pair
}

// weldSide answers what one side of a welded joint is made of.
func (s *site) weldSide(side brief.SeamBody, k int) (out weld.SeamSide, why string) {
	word := [2]string{"first", "second"}[k]
	switch side.Kind {
	case brief.PartSide:
		p := s.part(side.Of)
		if p == nil {
			return out, fmt.Sprintf("Its %s part is not in the job any more: choose another.", word)
		}
		if p.Built.Round != nil && k == 0 {
			return out, fmt.Sprintf("%s is a %s: its edges run in no plane. Draw what is welded from the other side of the joint.", p.Name,
				p.Built.Round.Says)
		}
		return weld.SeamSide{Name: p.Name, Material: p.Recipe.Material, Thickness: p.Recipe.Thickness, Guessed: p.Recipe.Guessed}, ""
	case brief.MemberSide:
		f := s.frame(side.Of)
		if f == nil {
			return out, fmt.Sprintf("Its %s frame is not in the job any more: choose another.", word)
		}
		for _, m := range f.Doc.Members {
			if m.ID == side.Member {
				name := m.Name
				if name == "" {
					name = f.Name
				}
				return weld.SeamSide{Name: name, Material: f.Doc.Material, Thickness: member.Thickness(m.Section), Closed: m.Section.Wall > 0}, ""
			}
		}
		return out, fmt.Sprintf("Choose which member of %s it is.", f.Name)
	}
	if k == 0 {
		return out, "Choose the part or member whose edges are welded."
	}
	out = weld.SeamSide{Name: side.Name, Material: side.Material, Thickness: side.Thickness, Guessed: side.Guessed}
	if side.Kind == brief.VehicleSide {
		q := joint.Ply{Thickness: side.Thickness}
		s.surveyed(side.Of, &q)
		out.Thickness = q.Thickness
		if out.Name == "" {
			out.Name = s.named(side.Side)
		}
	}
	if out.Name == "" {
		out.Name = "what it is welded to"
	}
	switch {
	case out.Material == "":
		return out, fmt.Sprintf("Say of what metal %s is; that nobody knows is an answer too.", out.Name)
	case out.Thickness <= 0:
		return out, fmt.Sprintf("Say how thick %s is.", out.Name)
	}
	return out, ""
}

// rounded answers the outside radius of a member that is joined, mm; 0 where none of both is round.
func (s *site) rounded(w brief.Welded) float64 {
	for _, side := range w.Sides {
		if f := s.frame(side.Of); side.Kind == brief.MemberSide && f != nil {
			for _, m := range f.Doc.Members {
				if m.ID == side.Member {
					return max(m.Section.OuterRadius, m.Section.Diameter/2)
				}
			}
		}
	}
	return 0
}

// runOn lays one seam: on the first body, or on a gusset that stands beside it and is as one with it.
func (s *site) runOn(x *seated, seam brief.SeamPlan, sides [2]weld.SeamSide, frame *shape.Built) (weld.Seam, string) {
	if seam.Form == weld.FlareForm && seam.Radius == 0 {
		seam.Radius = s.rounded(x.w)
	}
	if seam.On == "" {
		return x.run(seam, sides, frame)
	}
	st := s.stands[seam.On]
	switch {
	case st == nil:
		return seam.Seam, "the gusset whose edge it is is not placed any more: take the seam out, or place it again."
	case st.Why != "":
		return seam.Seam, st.Why
	case st.built == nil || !x.placed:
		return seam.Seam, "its gusset has no place beside what it braces: place both on the Measure bench."
	}
	g := seated{w: x.w, pose: st.Pose, built: st.built, placed: true}
	for _, p := range s.Survey.Placed {
		if q := s.part(p.Part); p.ID == seam.On && q != nil {
			sides[0] = weld.SeamSide{Name: st.told.Name, Material: q.Recipe.Material, Thickness: q.Recipe.Thickness, Guessed: q.Recipe.Guessed}
		}
	}
	return g.run(seam, sides, nil)
}

// run lays one seam on the first body.
func (x *seated) run(seam brief.SeamPlan, sides [2]weld.SeamSide, frame *shape.Built) (weld.Seam, string) {
	out := seam.Seam
	out.Sides = sides
	into := func(list []solid.Vector) (to []solid.Vector) {
		for _, v := range list {
			to = append(to, x.pose.Apply(v))
		}
		return to
	}
	switch {
	case seam.End != "":
		if frame == nil {
			return out, "only a member of a frame has an end to weld all round."
		}
		for k, r := range frame.Runs {
			if r.ID == x.w.Sides[0].Member {
				out.Path = into(frame.Rim(k, map[string]int{"a": 0, "b": 1}[seam.End]))
			}
		}
		if len(out.Path) == 0 {
			return out, "its member cannot be built as it stands: look at the frame on the Shape bench."
		}
		return out, ""
	case seam.Panel == "":
		if len(seam.Path) < 2 {
			return out, "say where it runs: an edge, a member's end, or points drawn by hand."
		}
		out.Path = into(seam.Path)
		return out, ""
	case x.built == nil:
		return out, "only a part of sheet has an edge to weld along."
	}
	for i := range x.built.Panels {
		p := &x.built.Panels[i]
		if p.ID != seam.Panel {
			continue
		}
		for _, e := range p.Edges {
			if e.Edge == seam.Edge {
				return x.along(out, seam, p, e)
			}
		}
		return out, fmt.Sprintf("the edge it ran along is not on %s any more: choose another.", p.Name)
	}
	return out, "the panel it ran along is not on the part any more: choose its edge again."
}

// along lays a seam along an edge of a panel.
func (x *seated) along(out weld.Seam, seam brief.SeamPlan, p *made.PanelMade, e made.EdgeMade) (weld.Seam, string) {
	switch e.Role {
	case "bend", "bent":
		return out, fmt.Sprintf("a bend lies along that edge of %s: nothing is welded there.", p.Name)
	case "round":
		return out, fmt.Sprintf("that edge of %s is an arc: draw the seam by hand, as a line of short pieces.", p.Name)
	}
	a, b := p.Pose.Undo(e.From), p.Pose.Undo(e.To)
	long := b.Sub(a).Len()
	if seam.Before+seam.After >= long-1e-6 {
		return out, "as much is left out at its ends as the edge is long: nothing of it is left."
	}
	dir := b.Sub(a).Mul(1 / long)
	off := profile.Point{X: dir.Y, Y: -dir.X} // away from the panel
	if off.Dot(p.Pose.Undo(p.Middle).Sub(a)) > 0 {
		off = off.Mul(-1)
	}
	for _, q := range []profile.Point{a.Add(dir.Mul(seam.Before)), b.Sub(dir.Mul(seam.After))} {
		out.Path = append(out.Path, x.pose.Apply(p.Seat.At(q)))
	}
	face := x.pose.Turn(p.Seat.Z)
	out.Sides[0].Normal, out.Sides[1].Normal = face, face
	if seam.Form == weld.FilletForm || seam.Form == weld.CornerForm {
		out.Sides[1].Normal = x.pose.Turn(p.Seat.X.Mul(off.X).Add(p.Seat.Y.Mul(off.Y)))
	}
	return out, ""
}

// middle is where the seams lie together, and how far they reach from there in turning, mm.
func (x *seated) middle() (at solid.Vector, reach float64) {
	var lines []weld.Line
	for _, s := range x.seams {
		for i := range s.Path { // plugs and spots have no length: each as a little one
			if s.Form == weld.PlugForm || s.Form == weld.SpotForm {
				lines = append(lines, weld.Line{A: s.Path[i], B: s.Path[i].Add(solid.Vector{1}), Throat: 1})
			}
		}
		for i := 1; i < len(s.Path) && s.Form != weld.PlugForm && s.Form != weld.SpotForm; i++ {
			lines = append(lines, weld.Line{A: s.Path[i-1], B: s.Path[i], Throat: 1})
		}
	}
	return weld.NewGroup(lines).Middle()
}

// noWeld names the face on which nothing may be welded that a seam comes upon; empty where none.
func (s *site) noWeld(x *seated, seam weld.Seam) string {
	for k, side := range x.w.Sides {
		p := s.part(side.Of)
		if side.Kind != brief.PartSide || p == nil {
			continue
		}
		built, pose := &p.Built, solid.Ground
		switch st := s.stands[x.ids[k]]; {
		case k == 0:
			built, pose = x.built, x.pose
		case st != nil && st.built != nil:
			built, pose = st.built, st.Pose
		case x.placed:
			continue // it has no place beside the other
		}
		for _, m := range built.Marks {
			if m.Kind == "noweld" && len(m.Lines) > 0 && onFace(seam, built, pose, m) {
				return fmt.Sprintf("%s of %s", m.Name, p.Name)
			}
		}
	}
	return ""
}

// onFace tells whether a seam runs over a marked face: beside its plane by no more than the sheet and the weld.
func onFace(seam weld.Seam, built *made.Part, pose solid.Pose, m made.MarkMade) bool {
	for i := range built.Panels {
		p := &built.Panels[i]
		if p.ID != m.Panel {
			continue
		}
		var ring []profile.Point
		for _, q := range m.Lines[0][:len(m.Lines[0])-1] {
			ring = append(ring, p.Pose.Undo(q))
		}
		for j := 1; j < len(seam.Path); j++ {
			a, d := seam.Path[j-1], seam.Path[j].Sub(seam.Path[j-1])
			n := int(d.Len()/3) + 1
			for k := range n + 1 {
				v := into(pose, a.Add(d.Mul(float64(k)/float64(n))))
				q := p.Seat.In(v)
				beside := v.Sub(p.Seat.At(q)).Len()
				if beside <= built.Body.Thickness+max(seam.Leg, seam.Throat) && (profile.Inside(q, ring) ||
					profile.Distance(q, ring) <= max(seam.Leg, seam.Throat)) {
					return true
				}
			}
		}
	}
	return false
}
