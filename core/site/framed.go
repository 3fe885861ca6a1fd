package site

import (
	"context"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/told"
)

// Framed is a frame among what it stands in: its surveyed points, and what lands on it
// by the joints of the job.
type Framed struct {
	Frame    Frame
	Surveyed shape.Surveyed
	brief    brief.Brief
	until    context.Context
	shop     shop.Shop
	loads    *frameLoads // nil where no joint holds it or anything on it
}

// Framed answers a frame as given among everything in the job; it takes the place of
// the one with its id. The load path is walked only where a joint touches it.
func (s Site) Framed(p Frame) Framed {
	l := newStander(Site{Survey: s.Survey, Brief: s.Brief, Parts: s.Parts}).from
	out := Framed{Frame: p, brief: s.Brief, until: s.Until, shop: s.Shop, Surveyed: l.ForFrame(p.Doc)}
	if !s.touched(p.ID) {
		return out
	}
	path := s.with(p).open().paths()
	out.loads = path.frames[p.ID]
	switch {
	case path.Why != "":
		out.loads = &frameLoads{open: []string{"What the joints put on it cannot be worked out: " + path.Why}}
	case out.loads == nil:
		out.loads = &frameLoads{open: []string{"A joint holds it or something on it, and that joint has no place: what it puts on the " +
			"frame is not known."}}
	}
	return out
}

// touched tells whether a joint of the job touches a frame.
func (s Site) touched(id string) bool {
	for _, j := range s.Brief.Joints {
		for _, side := range j.Sides {
			if side.Kind == brief.MemberSide && side.Of == id {
				return true
			}
		}
	}
	for _, w := range s.Brief.Welded {
		if w.Corner != nil {
			continue // a gusset of its own
		}
		for _, side := range w.Sides {
			if side.Kind == brief.MemberSide && side.Of == id {
				return true
			}
		}
	}
	return false
}

// Asked answers what the frame is asked to hold.
func (f Framed) Asked() held.Asked { return askedOf(f.until, f.brief, f.Frame.ID, f.loads) }

// Told works the frame out: shape, cut list, strength.
func (f Framed) Told() FrameTold {
	return workFrame(f.until, f.Frame.Doc, f.Frame.ID, f.Frame.Quantity, f.brief, f.shop, f.Surveyed, f.loads)
}

// Lengths answers how the job writes a length.
func Lengths(b brief.Brief) func(mm float64) string { return told.Pen{Display: b.Display()}.MM }

// asked answers what a frame of the job is asked to hold by itself.
func asked(b brief.Brief) held.Asked {
	a := held.Asked{Rule: b.Strength, Cases: b.OnRoad().Cases(), Devices: map[string]held.Carried{}}
	for _, d := range b.Devices {
		c := held.Carried{Name: d.Named()}
		if d.Mass != nil {
			c.Kilos = d.Mass.Value
		}
		if d.Gravity != nil {
			g := solid.Vector{d.Gravity.X, d.Gravity.Y, d.Gravity.Z}
			for _, f := range d.Feet {
				g = g.Sub(solid.Vector{f.X, f.Y, 0}.Mul(1 / float64(len(d.Feet))))
			}
			c.Gravity = &g
		}
		a.Devices[d.ID] = c
	}
	return a
}

// askedOf answers what a frame is asked to hold: what lands on it by joints, and the
// duties it is rated for.
func askedOf(until context.Context, b brief.Brief, id string, loads *frameLoads) held.Asked {
	a := asked(b)
	a.Until = until
	if loads != nil {
		a.Lands, a.Happens, a.Elsewise, a.Open = loads.lands, loads.happens, loads.elsewise, loads.open
	}
	if len(a.Happens) > 0 {
		return a // its duties are among them
	}
	for i := range b.Duties {
		if d := &b.Duties[i]; d.On.Kind == brief.MemberSide && d.On.Of == id {
			a.Lands = append(a.Lands, held.Landing{Name: d.Name, Member: d.On.Member, At: d.At})
		}
	}
	n := 0
	for _, h := range b.Happenings() {
		x := held.Happening{Name: h.Name, Net: h.Service, Design: h.Design}
		if d := h.Duty; d != nil {
			mine := d.On.Kind == brief.MemberSide && d.On.Of == id
			if !mine && d.Kind != load.Retention {
				continue
			}
			if mine {
				x.Lands, x.Service = make([]held.Wrench, len(a.Lands)), make([]held.Wrench, len(a.Lands))
				x.Lands[n].Force, x.Service[n].Force = h.Load.Design, h.Load.Force
				n++
			}
		}
		a.Happens = append(a.Happens, x)
	}
	return a
}
