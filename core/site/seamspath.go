package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
)

// gatherSeams adds the welded joints to the load path. Where bolts hold the same two things as well, they are taken
// out of it: the weld alone carries.
func (w *walking) gatherSeams(known map[string]bool, poses map[string]solid.Pose) {
	s := w.s
	for i, j := range s.Brief.Welded {
		if j.Sides[0].Kind == "" || j.Sides[1].Kind == "" || j.Corner != nil {
			continue // it holds nothing that is named to anything that is; a gusset of a frame lies beside its path
		}
		sides := []brief.Side{j.Sides[0].Side, j.Sides[1].Side}
		x := s.seat(j, poses)
		why := x.why
		if why == "" {
			why = x.wait
		}
		if why != "" {
			w.leave(j.Name, "", sides, why)
			continue
		}
		at, reach := x.middle()
		for k, side := range sides {
			if !known[x.ids[k]] {
				known[x.ids[k]] = true
				w.body(thing{id: x.ids[k], side: side}, at, j.Name, poses)
			}
		}
		id := fmt.Sprintf("seams/%d", i)
		for k := 0; k < len(w.in.Joints); k++ {
			q := w.in.Joints[k]
			t := w.ties[q.ID]
			if !t.seams && (q.A == x.ids[0] && q.B == x.ids[1] || q.A == x.ids[1] && q.B == x.ids[0]) {
				w.out.instead[t.id] = j.Name
				w.in.Joints = append(w.in.Joints[:k], w.in.Joints[k+1:]...)
				k--
			}
		}
		w.ties[id] = tie{id: j.ID, name: j.Name, sides: sides, seams: true, axes: axes{at: at}}
		w.in.Joints = append(w.in.Joints, load.PathJoint{ID: id, Name: j.Name, A: x.ids[0], B: x.ids[1], At: at, Turns: true, Reach: reach})
		w.out.seated[j.ID] = x
	}
}

// seamCase turns a share into a load on seams, in the vehicle's axes.
func (w *walking) seamCase(t tie, share load.PathShare, name string) {
	w.out.bySeam[t.id] = append(w.out.bySeam[t.id], weld.SeamsCase{Name: name, Force: share.Force, At: t.axes.at, Moment: share.Moment})
}
