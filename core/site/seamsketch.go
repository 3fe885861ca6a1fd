package site

import (
	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
)

// seamSketch answers outlines of what a welded joint joins, in the axes of its seams.
func (s *site) seamSketch(x *seated) [][]solid.Vector {
	out := [][]solid.Vector{}
	for k, side := range x.w.Sides {
		st := s.stands[x.ids[k]]
		switch {
		case side.Kind == brief.PartSide && k == 0:
			out = append(out, outlines(x.built, x.pose)...)
		case side.Kind == brief.PartSide && x.placed && st != nil && st.built != nil:
			out = append(out, outlines(st.built, st.Pose)...)
		case side.Kind == brief.MemberSide && x.placed:
			pose := s.frame(side.Of).Doc.Fit.Solid()
			if st != nil && st.Why == "" {
				pose = st.Pose
			}
			out = append(out, memberLines(s.frames[side.Of], side.Member, pose)...)
		}
	}
	for _, q := range x.w.Seams { // gussets that are as one with the first
		if st := s.stands[q.On]; q.On != "" && st != nil && st.built != nil {
			out = append(out, outlines(st.built, st.Pose)...)
		}
	}
	return out
}

// outlines answers the rims of a part's panels where it stands.
func outlines(p *made.Part, pose solid.Pose) (out [][]solid.Vector) {
	if p == nil {
		return nil
	}
	for i := range p.Panels {
		q := &p.Panels[i]
		var ring []solid.Vector
		for _, v := range q.Flat {
			ring = append(ring, pose.Apply(q.Seat.At(q.Pose.Undo(v))))
		}
		if len(ring) > 2 {
			out = append(out, append(ring, ring[0]))
		}
	}
	return out
}

// memberLines answers a member's rims and the corners between them.
func memberLines(b *shape.Built, id string, pose solid.Pose) (out [][]solid.Vector) {
	if b == nil {
		return nil
	}
	for k, r := range b.Runs {
		if r.ID != id {
			continue
		}
		var rims [2][]solid.Vector
		for e := range rims {
			for _, v := range b.Rim(k, e) {
				rims[e] = append(rims[e], pose.Apply(v))
			}
		}
		if n := len(rims[0]); n > 2 && n == len(rims[1]) {
			out = append(out, rims[0], rims[1])
			for i := 0; i < n-1; i += max(1, (n-1)/4) {
				out = append(out, []solid.Vector{rims[0][i], rims[1][i]})
			}
		}
	}
	return out
}
