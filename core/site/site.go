// Package site is what stands where in a job and what holds it: parts and frames as
// built, placed on the vehicle as measured, the joints between them, how forces go
// through those on to the vehicle, and whether each of them holds.
package site

import (
	"context"
	"errors"
	"fmt"
	"sync"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
)

// ErrNoSuch says that what is asked about is not in the job.
var ErrNoSuch = errors.New("it is not there: it may have been removed")

// Site is a job with everything that stands in it: what strength is asked of.
type Site struct {
	Brief  brief.Brief
	Parts  []BuiltPart
	Frames []Frame
	Bodies []FacetBody // faceted, as wholes; their blanks are among the parts
	Survey vehicle.Survey
	Shop   shop.Shop // it is made in

	// Until ends the work before it is done, when whoever asked has gone: what is answered
	// then is not whole, and whoever set it asks it before taking the answer. nil for never.
	Until context.Context
}

// over tells whether nobody waits for the answer any more.
func (s Site) over() bool { return s.Until != nil && s.Until.Err() != nil }

// site is a job worked with: placed things are found once, then only read.
type site struct {
	Site
	from   *vehicle.Locator
	stands map[string]*stand // by id of the placed thing
	order  []string          // ids of placed things
	frames map[string]*shape.Built
	bodies map[string][]neighbour // panels of parts that joints go through, in their own axes
	at     map[string]bolted      // by id of the joint
	feet   map[string]standing    // by device

	asked     *sync.Mutex // guards what is asked once and kept
	frameHeld map[string]*held.Held
}

// standing is a device on its feet in every case, or why that cannot be said.
type standing struct {
	cases []brief.FeetCase
	why   string
}

// bolted is where a joint's bolts are, or why that cannot be said.
type bolted struct {
	through
	why string
}

func (s Site) open() *site {
	st := newStander(s)
	l := st.from
	out := &site{Site: s, from: l, stands: map[string]*stand{}, frames: map[string]*shape.Built{}, bodies: map[string][]neighbour{},
		at: map[string]bolted{}, feet: map[string]standing{}, asked: &sync.Mutex{}, frameHeld: map[string]*held.Held{}}
	for _, d := range s.Brief.Devices {
		cases, why := s.Brief.FeetCases(d)
		out.feet[d.ID] = standing{cases, why}
	}
	if len(s.Brief.Joints)+len(s.Brief.Welded)+len(s.Brief.Duties) == 0 {
		return out
	}
	for i := range s.Survey.Points {
		l.At(s.Survey.Points[i].ID)
	}
	for i := range s.Survey.Maps {
		l.PlaceMap(&s.Survey.Maps[i])
	}
	for _, p := range s.Survey.Placed {
		out.stands[p.ID] = st.stand(p.ID)
		out.order = append(out.order, p.ID)
	}
	for _, f := range s.Frames {
		out.frames[f.ID] = shape.Build(f.Doc, l.ForFrame(f.Doc))
	}
	for _, j := range s.Brief.Joints {
		t, why := out.bolts(j)
		out.at[j.ID] = bolted{t, why}
		p := out.part(j.Part)
		if _, there := out.bodies[j.Part]; there || p == nil || why != "" {
			continue
		}
		if built, err := made.Build(p.Recipe, made.Options{Display: s.Brief.Display(), Body: true,
			Until: s.Until}); err == nil && built.Whole {
			out.bodies[j.Part] = panels(built, "", "", j.Part, solid.Ground)
		}
	}
	return out
}

func (s *site) part(id string) *BuiltPart {
	for i := range s.Parts {
		if s.Parts[i].ID == id {
			return &s.Parts[i]
		}
	}
	return nil
}

func (s *site) frame(id string) *Frame {
	for i := range s.Frames {
		if s.Frames[i].ID == id {
			return &s.Frames[i]
		}
	}
	return nil
}

func (s *site) placed(id string) *vehicle.Placed {
	for i := range s.Survey.Placed {
		if s.Survey.Placed[i].ID == id {
			return &s.Survey.Placed[i]
		}
	}
	return nil
}

// instance answers the placed thing a side is; empty where it has no place, with
// why when that cannot be told.
func (s *site) instance(side brief.Side) (id, why string) {
	if side.Placed != "" {
		if p := s.placed(side.Placed); p != nil && (p.Part == side.Of || p.Device == side.Of) {
			return p.ID, ""
		}
		return "", "What it was placed as is not on the vehicle any more: choose its place again."
	}
	n := 0
	for _, p := range s.Survey.Placed {
		if side.Of != "" && (p.Part == side.Of || p.Device == side.Of) {
			id = p.ID
			n++
		}
	}
	if n > 1 {
		return "", fmt.Sprintf("%s stands in %d places on the vehicle: say which of them it is here.", s.named(side), n)
	}
	return id, ""
}

func (s *site) named(side brief.Side) string {
	if side.Placed != "" {
		if p := s.placed(side.Placed); p != nil && p.Name != "" {
			return p.Name
		}
	}
	switch side.Kind {
	case brief.PartSide:
		if p := s.part(side.Of); p != nil {
			return p.Name
		}
	case brief.MemberSide:
		if f := s.frame(side.Of); f != nil {
			return f.Name
		}
	case brief.DeviceSide:
		if d, ok := s.Brief.Device(side.Of); ok {
			return d.Named()
		}
	case brief.VehicleSide:
		if p, ok := s.from.Points[side.Of]; ok {
			return p.Name
		}
		if m, ok := s.from.Maps[side.Of]; ok {
			return m.Name
		}
		return "the vehicle"
	}
	return "what is typed"
}

// through is what the bolts of a joint go through: holes of a part, or places
// typed.
type through struct {
	holes      [][2]float64
	edge, bore float64
	face       *joint.Face // of the panel they stand on
}

// bolts finds where a joint's bolts are.
func (s *site) bolts(j brief.Joint) (t through, why string) {
	if t.holes = j.Design.Holes; j.Part == "" {
		return t, ""
	}
	p := s.part(j.Part)
	switch {
	case p == nil:
		return t, "The part its bolts go through is not in the job any more: choose another, or type where they are."
	case p.Err != nil || !p.Built.Whole:
		return t, p.Name + " cannot be built as it stands: look at it on the Shape bench."
	}
	if t.holes, t.edge, t.bore, why = boltsThrough(p.Built, j.Features); why == "" {
		t.face = faceOf(p.Built, j.Features)
	}
	return t, why
}
