package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// corner puts a triangle into a corner of a frame, with a seam to each of both members. The end's own seam goes on
// carrying everything: the gusset gets no credit for it.
func (s *site) corner(in WeldAdd, newID func() string) (out WeldAdded, err error) {
	f, built := s.frame(in.Frame), s.frameBuilt(in.Frame)
	if f == nil || built == nil {
		return out, working.Refuse("/frame", "The frame is not there any more.")
	}
	e := map[string]int{"a": 0, "b": 1}[in.End]
	k := slices.IndexFunc(built.Runs, func(r *shape.Run) bool { return r.ID == in.Member })
	if k < 0 || in.End != "a" && in.End != "b" {
		return out, working.Refuse("/member", "That end is not there any more.")
	}
	list, why := built.Corners(k, e)
	if why != "" {
		return out, working.Refuse("/end", "%s", s.seamPen().Spoken(why))
	}
	a := adding{s: s, part: newPart, newID: newID, out: &out}
	r, pose := built.Runs[k], f.Doc.Fit.Solid()
	beside, leg := member.Thickness(r.Section), [2]member.End{r.A, r.B}[e].Leg
	size := math.Max(math.Max(leg, weld.SmallestLeg(beside)), math.Min(beside, 6))
	for _, c := range list {
		snip, long, thick, base := a.triangle(size, beside, gussetMost, built.Steel)
		if long > min(c.Room[0], c.Room[1]) || thick > c.Wide || s.fills(f.ID, in, pose.Turn(c.Out)) {
			continue
		}
		base.ID, base.Measure = newID(), sheet.Flat
		out.Name = shortName("Gusset, " + r.Named())
		out.Recipe = sheet.Recipe{Schema: sheet.SchemaVersion, Material: f.Doc.Material, Thickness: thick, Process: "laser",
			Tool: bend.Tool{Kind: bend.ToolVDie}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, Base: base}
		a.place(pose.Apply(c.At.Add(c.Out.Mul(snip))), pose.Turn(c.Out), pose.Turn(c.Up))
		on := built.Runs[slices.IndexFunc(built.Runs, func(o *shape.Run) bool { return o.ID == c.Onto })]
		out.Welded = slices.Clone(s.Brief.Welded)
		for i, side := range []*shape.Run{on, r} {
			edge := [2]sheet.Edge{"1", "5"}[i]
			q := brief.SeamPlan{Seam: weld.Seam{ID: newID(), Name: "gusset to " + side.Named(), Form: weld.FilletForm, Both: true,
				Leg: math.Min(size, thick)}, Panel: base.ID, Edge: edge}
			q.Before, q.After = q.Leg, q.Leg
			out.Welded = append(out.Welded, brief.Welded{ID: newID(), Name: shortName(out.Name + " to " + side.Named()),
				Sides: [2]brief.SeamBody{a.side(), {Side: brief.Side{Kind: brief.MemberSide, Of: f.ID, Member: side.ID}}},
				Seams: []brief.SeamPlan{q}, Filler: f.Doc.Filler, Corner: &brief.WeldCorner{Member: r.ID, End: in.End}})
		}
		out.Summary = "a gusset beside the end of " + r.Named() + ", welded on both sides along its two legs"
		return out, nil
	}
	return out, working.Refuse("/end", "There is no room for a gusset beside that end, or one stands on each of its sides already.")
}

// frameBuilt answers a frame as it is built, whether or not anything else of the job asks for it.
func (s *site) frameBuilt(id string) *shape.Built {
	if b := s.frames[id]; b != nil {
		return b
	}
	if f := s.frame(id); f != nil {
		return shape.Build(f.Doc, s.from.ForFrame(f.Doc))
	}
	return nil
}

// fills tells whether a gusset of an end lies on that side of it already: its x axis is along what it stands on.
func (s *site) fills(frame string, in WeldAdd, out solid.Vector) bool {
	for _, w := range s.Brief.Welded {
		if w.Corner == nil || w.Sides[1].Of != frame || *w.Corner != (brief.WeldCorner{Member: in.Member, End: in.End}) {
			continue
		}
		if st := s.stands[w.Sides[0].Placed]; st != nil && st.Pose.X.Dot(out) > .5 {
			return true
		}
	}
	return false
}

// gussets lists the joints of the gusset one is of: to each of the two members.
func (s *site) gussets(x *seated) (out []brief.Welded) {
	for _, w := range s.Brief.Welded {
		if w.Corner != nil && w.Sides[0] == x.w.Sides[0] {
			out = append(out, w)
		}
	}
	return out
}

// heldFrame asks a frame what it holds, once.
func (s *site) heldFrame(id string, path Pathway) *held.Held {
	s.asked.Lock()
	defer s.asked.Unlock()
	if h := s.frameHeld[id]; h != nil {
		return h
	}
	f, built := s.frame(id), s.frames[id]
	if f == nil || built == nil {
		return nil
	}
	loads := path.frames[id]
	if loads == nil && s.touched(id) {
		loads = &frameLoads{open: []string{"A joint holds the frame or something on it, and has no place in the load path."}}
	}
	asked := askedOf(s.Until, s.Brief, id, loads)
	h := held.Hold(built, f.Doc, asked)
	s.frameHeld[id] = &h
	return &h
}

// cornered answers what goes through one of both legs of a gusset in a corner of a frame: what its foot takes of the
// member's end, foot and end being one group of lines; the other leg hands the same on.
func (s *site) cornered(x *seated, path Pathway) ([]weld.SeamsCase, string) {
	of := x.w.Corner
	h := s.heldFrame(x.w.Sides[1].Of, path)
	if h == nil {
		return nil, "The frame it is a gusset of is not there any more: take the gusset out, or type what it carries."
	}
	if h.Why != "" {
		return nil, "What goes through that end of the frame nobody can say: " + h.Why
	}
	for _, c := range h.Ledger { // some of its loads did not arrive
		if c.Key == "loads" && c.Verdict == strength.CannotSay {
			return nil, "What goes through that end of the frame nobody can say: " + c.Why
		}
	}
	k := slices.IndexFunc(h.Members, func(m held.MemberHeld) bool { return m.ID == of.Member })
	if k < 0 {
		return nil, "The member it stands beside is not there any more: take the gusset out, or type what it carries."
	}
	end := h.Members[k].Ends[map[string]int{"a": 0, "b": 1}[of.End]]
	if end == nil || len(end.Cases) == 0 {
		return nil, fmt.Sprintf("Nothing goes through that end of %s: nothing is on the frame yet, or it is bolted there.", h.Members[k].Name)
	}
	f := s.frame(x.w.Sides[1].Of)
	ask := endIn(*end, f.Doc.Fit.Solid())
	foot := x
	for _, w := range s.gussets(x) {
		if w.Sides[1].Member != of.Member {
			seat := s.seat(w, nil)
			foot = &seat
		}
	}
	if foot.w.Sides[1].Member == of.Member || foot.why != "" {
		return nil, strings.TrimSpace("The leg of this gusset on the other member is not welded any more: nothing goes through it. " + foot.why)
	}
	ends := len(ask.Seams)
	ask.Seams = append(slices.Clip(ask.Seams), foot.seams...)
	shares, err := weld.Shares(ask, func(i int) bool { return i >= ends })
	if err != nil {
		return nil, s.Brief.Refused(err)
	}
	if len(shares) == 0 {
		return nil, "The foot of this gusset is too short to count: nothing goes through it."
	}
	out := make([]weld.SeamsCase, 0, 2*len(shares))
	for _, c := range shares { // either way: which way a root opens is not guessed
		back := c
		back.Force, back.Moment = c.Force.Mul(-1), c.Moment.Mul(-1)
		out = append(out, c, back)
	}
	return out, ""
}

// endIn answers seams and what goes through them in the axes a pose stands in.
func endIn(a weld.SeamsAsk, p solid.Pose) weld.SeamsAsk {
	a.Seams, a.Cases = slices.Clone(a.Seams), slices.Clone(a.Cases)
	for i := range a.Seams {
		q := &a.Seams[i]
		q.Path = slices.Clone(q.Path)
		for k := range q.Path {
			q.Path[k] = p.Apply(q.Path[k])
		}
		for k := range q.Sides {
			q.Sides[k].Normal = p.Turn(q.Sides[k].Normal)
		}
	}
	for i := range a.Cases {
		c := &a.Cases[i]
		c.Force, c.At, c.Moment = p.Turn(c.Force), p.Apply(c.At), p.Turn(c.Moment)
	}
	return a
}
