package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/solid"
)

// walk works every case of the job out: in each all feet sharing, and every other way
// devices and frames may stand.
func (w *walking) walk() {
	ways := w.ways()
	cases := w.s.Brief.Happenings()
	for _, c := range w.frames {
		if c.w != nil && c.w.People() {
			cases = append(cases, standOn(w.s.Brief))
			break
		}
	}
	for _, h := range cases {
		in := w.with(h)
		base, err := w.ask(in, h, way{}, true)
		if err != nil {
			w.out.Why = w.s.Brief.Refused(err)
			return
		}
		w.tell(in, base, h)
		for _, way := range ways { // feet are never all alike: the worst of all ways counts
			other := in
			if way.joints != nil {
				other.Joints = way.joints
			}
			r, err := w.ask(other, h, way, false)
			if err != nil || newly(r, base) {
				continue // that way of sharing does not stand
			}
			if way.joints != nil {
				w.record(h, way)
			}
			for _, share := range r.Joints {
				w.jointCase(share, h.Name+", "+way.name)
			}
			w.betweens(r.Joints, h.Name+", "+way.name)
		}
	}
	for _, id := range w.s.order {
		for _, b := range w.in.Bodies {
			if st := w.s.stands[id]; b.ID == id && st.Why == "" {
				w.out.Sketch = append(w.out.Sketch, drawn(id, st.told.Name, "thing", st.thing.Body, false))
			}
		}
	}
}

// with answers the path under a case: its accelerations, and the duty on what it acts
// on.
func (w *walking) with(h brief.Happening) load.PathInput {
	in := w.in
	in.Acceleration = h.Design
	if h.Duty == nil || h.Duty.Kind == load.Retention {
		return in
	}
	in.Bodies = slices.Clone(in.Bodies)
	for i := range in.Bodies {
		b := &in.Bodies[i]
		of := w.out.sides[b.ID]
		if of.Kind != h.Duty.On.Kind || of.Of != h.Duty.On.Of || of.Kind == "" {
			continue
		}
		b.Forces = append(slices.Clone(b.Forces), load.PathForce{Force: h.Load.Design, At: w.dutyAt(b, of, h.Duty)})
		break // one of several alike carries it
	}
	return in
}

// dutyAt answers where a duty acts in the vehicle's axes.
func (w *walking) dutyAt(b *load.PathBody, of brief.Side, d *brief.Duty) solid.Vector {
	switch of.Kind {
	case brief.DeviceSide:
		if dev, ok := w.s.Brief.Device(of.Of); ok {
			pose, _ := w.s.devicePose(dev)
			return pose.Apply(d.At)
		}
	case brief.MemberSide:
		if c := w.frames[b.ID]; c != nil {
			return c.pose.Apply(d.At)
		}
	case brief.PartSide:
		if st := w.s.stands[b.ID]; st != nil && st.Why == "" {
			return st.Pose.Apply(d.At)
		}
	}
	return b.At
}

// ask works one case out in one way.
func (w *walking) ask(in load.PathInput, h brief.Happening, how way, base bool) (load.PathResult, error) {
	for _, c := range w.frames {
		c.ask(h, how, w.s.Brief)
	}
	r, err := load.Path(in)
	if err == nil && base {
		w.record(h, way{})
	}
	return r, err
}

// newly tells whether a way of sharing leaves something open that is whole with all
// feet sharing: then that way does not stand. What is open with all feet sharing
// silences no way of another device.
func newly(r, base load.PathResult) bool {
	had := map[string]bool{}
	for _, f := range base.Findings {
		had[f.Code+f.Feature] = true
	}
	for _, f := range r.Findings {
		if !had[f.Code+f.Feature] {
			return true
		}
	}
	return false
}
