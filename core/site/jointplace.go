package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
)

// axes of a joint in the vehicle's: its middle, across, up and off along the
// bolts. Of the other hand they are those of the part as drawn, mirrored, so that
// loads are told as they act on that.
type axes struct {
	at, x, y, off solid.Vector
	twin          bool
}

// force answers a vehicle's force in the joint's own axes.
func (a axes) force(v solid.Vector) [3]float64 {
	return [3]float64{v.Dot(a.x), v.Dot(a.y), v.Dot(a.off)}
}

// moment answers a vehicle's moment in the joint's own axes: in axes that are a
// mirror image, as of a twin or with the heads on a part's back, it turns the other
// way.
func (a axes) moment(v solid.Vector) [3]float64 {
	if a.x.Cross(a.y).Dot(a.off) < 0 {
		v = v.Mul(-1)
	}
	return a.force(v)
}

// standsOf answers the places of a joint: those that are said, else the only one
// its part has on the vehicle.
func (s *site) standsOf(j brief.Joint) ([]brief.Stand, string) {
	if len(j.Stands) > 0 {
		return j.Stands, ""
	}
	for _, side := range j.Sides {
		if side.Kind != brief.PartSide || side.Of != j.Part {
			continue
		}
		id, why := s.instance(side)
		if id == "" && why == "" {
			break
		}
		return []brief.Stand{{Placed: id}}, why
	}
	return nil, "It has no place on the vehicle: say at which foot of a device or surveyed point it stands, or place the part its " +
		"bolts go " +
		"through on the Measure bench."
}

// axesAt answers where a joint stands at one of its places.
func (s *site) axesAt(j brief.Joint, st brief.Stand) (axes, string) {
	a := axes{twin: st.Twin}
	switch {
	case st.Placed != "":
		d := s.stands[st.Placed]
		if d == nil || s.placed(st.Placed).Part != j.Part || d.built == nil && d.Why == "" {
			return a, "The part it was placed as is not on the vehicle any more: choose its place again."
		}
		if d.Why != "" {
			return a, d.Why
		}
		a.twin = s.placed(st.Placed).Twin
		return s.standing(j, d, a)
	case st.Foot != "":
		d, ok := s.Brief.Stood(j)
		if !ok {
			return a, "It stands at a foot, and it carries no device: say which device its plies or those of the joint above belong to."
		}
		return s.atFoot(j, st, d, a)
	case st.Point != "":
		p := s.from.At(st.Point)
		if p.At == nil {
			return a, "The surveyed point it stands at has no place. " + p.Why
		}
		a.at = solid.Vector(*p.At)
	default:
		a.at = solid.Vector(st.At)
	}
	return turned(st, a, j.Part != "" && s.Brief.Heads(j) == hold.Back), ""
}

func (s *site) atFoot(j brief.Joint, st brief.Stand, d brief.Device, a axes) (axes, string) {
	i, ok := d.Foot(st.Foot)
	if !ok {
		return a, fmt.Sprintf("%s has no such foot any more: say anew where it stands.", d.Named())
	}
	pose, why := s.devicePose(d)
	if why != "" {
		return a, why
	}
	f := d.Feet[i]
	a.at = pose.Apply(solid.Vector{f.X, f.Y, 0})
	return turned(st, a, j.Part != "" && s.Brief.Heads(j) == hold.Back), ""
}

// devicePose answers where a device stands: as it was placed, else level in the
// middle of the vehicle, as far behind as the brief says.
func (s *site) devicePose(d brief.Device) (solid.Pose, string) {
	id, why := s.instance(brief.Side{Kind: brief.DeviceSide, Of: d.ID})
	if st := s.stands[id]; st != nil {
		return st.Pose, st.Why
	}
	pose := solid.Ground
	if d.Behind != nil {
		pose.Origin[0] = -d.Behind.Value
	}
	return pose, why
}

// turned adds the ways of a place that is no placed part: right-handed, but with the
// heads on a part's back up is that of its pattern, seen from behind.
func turned(st brief.Stand, a axes, back bool) axes {
	way, ok := vehicle.FaceWay[st.Heads]
	if !ok {
		way = vehicle.FaceWay[brief.FaceUp]
	}
	if a.off = solid.Vector(way); a.twin { // as the drawn one on the other side
		a.off[1] = -a.off[1]
	}
	x, y := solid.Vector{1, 0, 0}, solid.Vector{0, 0, 1}
	if a.off[2] != 0 {
		y = a.off.Cross(x)
	} else {
		x = y.Cross(a.off)
	}
	sin, cos := math.Sincos(st.Turn * math.Pi / 180)
	a.x, a.y = x.Mul(cos).Add(y.Mul(sin)), y.Mul(cos).Sub(x.Mul(sin))
	if back {
		a.y = a.y.Mul(-1)
	}
	if a.twin {
		a.x[1], a.y[1], a.off[1] = -a.x[1], -a.y[1], -a.off[1]
	}
	return a
}

// standing answers the axes of a joint through a placed part.
func (s *site) standing(j brief.Joint, d *stand, a axes) (axes, string) {
	own, why := s.within(j, *d.built)
	if why != "" {
		return a, why
	}
	a.at, a.x, a.y, a.off = d.Pose.Apply(own.at), d.Pose.Turn(own.x), d.Pose.Turn(own.y), d.Pose.Turn(own.off)
	if a.twin { // the mirrored recipe is the drawn one, across turned round
		a.x = a.x.Mul(-1)
	}
	return a, ""
}

// within answers the axes of a joint on its part's body.
func (s *site) within(j brief.Joint, built made.Part) (a axes, why string) {
	var first *made.HoleMade
	n := 0.
	for i := range built.Holes {
		h := &built.Holes[i]
		if !slices.Contains(j.Features, h.Feature) {
			continue
		}
		if first == nil {
			first = h
		}
		a.at, n = a.at.Add(h.Body), n+1
	}
	if n == 0 {
		return a, "A hole its bolts go through is not on the part any more: choose its holes again."
	}
	against := hold.Back
	if s.Brief.Heads(j) == hold.Back {
		against = hold.Good
	}
	ok := false
	if a.x, a.y, a.off, ok = flatAxes(built, first, against); !ok {
		return a, "The panel its bolts stand on is not on the part any more."
	}
	a.at = a.at.Mul(1 / n)
	return a, ""
}

// poseBy answers how a part stands whose joint stands at a place: mirrored where
// it is the other hand.
func (s *site) poseBy(j brief.Joint, p *BuiltPart, a axes) (solid.Pose, bool) {
	own, why := s.within(j, p.Built)
	if why != "" || (own.x.Cross(own.y).Dot(own.off)*a.x.Cross(a.y).Dot(a.off) < 0) != a.twin {
		return solid.Pose{}, false
	}
	turn := func(v solid.Vector) solid.Vector {
		return a.x.Mul(v.Dot(own.x)).Add(a.y.Mul(v.Dot(own.y))).Add(a.off.Mul(v.Dot(own.off)))
	}
	pose := solid.Pose{X: turn(solid.Vector{1, 0, 0}), Y: turn(solid.Vector{0, 1, 0}), Z: turn(solid.Vector{0, 0, 1})}
	pose.Origin = a.at.Sub(pose.Turn(own.at))
	return pose, true
}

// posed answers the axes of a joint through a part that stands by another joint.
func (s *site) posed(j brief.Joint, p *BuiltPart, pose solid.Pose) (axes, string) {
	own, why := s.within(j, p.Built)
	return axes{at: pose.Apply(own.at), x: pose.Turn(own.x), y: pose.Turn(own.y), off: pose.Turn(own.off), twin: pose.Mirrored()}, why
}

// reachOf answers the radius of gyration of a pattern, mm.
func reachOf(holes [][2]float64) float64 {
	var m profile.Point
	for _, h := range holes {
		m = m.Add(profile.Point{X: h[0], Y: h[1]})
	}
	n := max(float64(len(holes)), 1)
	m = m.Mul(1 / n)
	sum := 0.
	for _, h := range holes {
		d := profile.Point{X: h[0], Y: h[1]}.Sub(m).Len()
		sum += d * d
	}
	return math.Sqrt(sum / n)
}
