package facet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Built is a body worked out.
type Built struct {
	Shell
	Faces    []Face
	Edges    []Edge
	Blanks   []Blank
	Closed   bool // every edge has two panels
	Findings []working.Finding
}

// Face is a panel as it lies: its corners run anticlockwise seen from outside, and its axes have x
// along its first edge.
type Face struct {
	ID      string
	Points  []string
	Pose    solid.Pose // of its own axes: z looks out
	Outline []profile.Point
	Area    float64 // mm²
	Off     float64 // mm the corner that stands off most does
	edges   []int   // into Built.Edges, by side
}

// Edge is a line between two points where one or two panels end.
type Edge struct {
	A, B   string
	Faces  []int   // one where it is free
	Long   float64 // mm
	Turn   float64 // degrees from flat; positive where the body bulges out
	Seam   Seam
	sides  []int // of its faces, by their order
	sought bool  // somebody said how it meets
}

// Between is the angle between its two faces, degrees; 180 is flat.
func (e Edge) Between() float64 { return 180 - math.Abs(e.Turn) }

// Build works a body out. It fails with *working.Fault where there is none: a panel without area or
// one that crosses itself, three panels on one edge, panels that cannot all look out.
func Build(s Shell) (Built, error) {
	if err := s.check(); err != nil {
		return Built{}, err
	}
	if s.Tolerance == 0 {
		s.Tolerance = flatWithin
	}
	b := Built{Shell: s, Findings: []working.Finding{}}
	for i, p := range s.Panels { // each by itself, before it is asked which way it looks
		if _, err := b.face(i, p.ID, p.Points); err != nil {
			return Built{}, err
		}
	}
	rounds, err := b.orient()
	if err != nil {
		return Built{}, err
	}
	for i, p := range s.Panels {
		f, err := b.face(i, p.ID, rounds[i])
		if err != nil {
			return Built{}, err
		}
		if f.Off > b.Tolerance {
			b.unflat(f)
		}
		b.Faces = append(b.Faces, f)
	}
	b.join()
	if err := b.seamed(); err != nil {
		return Built{}, err
	}
	if err := b.checkTabs(); err != nil {
		return Built{}, err
	}
	return b, b.blank()
}

func (b *Built) at(id string) solid.Vector {
	for _, p := range b.Points {
		if p.ID == id {
			return p.At
		}
	}
	return solid.Vector{}
}

// face lays a panel into its own axes.
func (b *Built) face(i int, id string, points []string) (Face, error) {
	f := Face{ID: id, Points: points}
	corners := make([]solid.Vector, len(points))
	for k, p := range points {
		corners[k] = b.at(p)
	}
	z, long := newell(corners)
	if long < 1e-3 {
		for k := 2; k < len(corners); k++ {
			if corners[1].Sub(corners[0]).Cross(corners[k].Sub(corners[0])).Len() > 1 {
				return f, b.crossed(i, id)
			}
		}
		return f, working.Refuse(fmt.Sprintf("/panels/%d", i), "%s has no area: its corners lie in one line.", b.called(id))
	}
	x := corners[1].Sub(corners[0])
	x = x.Sub(z.Mul(x.Dot(z))).Unit()
	f.Pose = solid.Pose{Origin: corners[0], X: x, Y: z.Cross(x), Z: z}
	var loop profile.Loop
	for _, c := range corners {
		d := c.Sub(corners[0])
		p := profile.Point{X: d.Dot(f.Pose.X), Y: d.Dot(f.Pose.Y)}
		f.Outline = append(f.Outline, p)
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	if loop.Crosses() {
		return f, b.crossed(i, id)
	}
	f.Area = loop.Area()
	f.Off = standsOff(corners, z)
	return f, nil
}

func (b *Built) crossed(i int, id string) error {
	return working.Refuse(fmt.Sprintf("/panels/%d", i), "%s crosses itself: name its corners in turn.", b.called(id))
}

// newell answers the direction a round of corners looks by the right hand, and twice its area (Newell's
// sum: right for hollow rounds and near for warped ones).
func newell(c []solid.Vector) (solid.Vector, float64) {
	var n solid.Vector
	for i, p := range c {
		q := c[(i+1)%len(c)]
		n = n.Add(p.Sub(c[0]).Cross(q.Sub(c[0])))
	}
	long := n.Len()
	if long == 0 {
		return n, 0
	}
	return n.Mul(1 / long), long
}

// standsOff answers how far a panel's worst corner stands off the plane three others lie on, the best
// three taken: what gapes when it is laid on a table, mm. Of many corners it is what they lie apart
// across their mean plane.
func standsOff(c []solid.Vector, z solid.Vector) float64 {
	if len(c) == 3 {
		return 0
	}
	if len(c) > 12 {
		lo, hi := math.Inf(1), math.Inf(-1)
		for _, p := range c {
			d := p.Sub(c[0]).Dot(z)
			lo, hi = math.Min(lo, d), math.Max(hi, d)
		}
		return hi - lo
	}
	least := math.Inf(1)
	for i := range c {
		for j := range i {
			for k := range j {
				n := c[j].Sub(c[i]).Cross(c[k].Sub(c[i]))
				long := n.Len()
				if long < 1e-6 {
					continue
				}
				worst := 0.
				for _, p := range c {
					worst = math.Max(worst, math.Abs(p.Sub(c[i]).Dot(n))/long)
				}
				least = math.Min(least, worst)
			}
		}
	}
	return least
}

// unflat says that a panel is not flat, and offers the diagonal to bend or cut it at: the shorter of a
// panel of four.
func (b *Built) unflat(f Face) {
	c := make([]solid.Vector, len(f.Points))
	for i, p := range f.Points {
		c[i] = b.at(p)
	}
	reason := fmt.Sprintf("%s is not flat: a corner stands %.2f mm off the others. Move a point", b.called(f.ID), f.Off)
	if len(c) == 4 {
		first := 0
		if c[1].Sub(c[3]).Len() < c[0].Sub(c[2]).Len() {
			first = 1
		}
		reason += fmt.Sprintf(", or make two of it by the diagonal %s to %s", b.called(f.Points[first]), b.called(f.Points[first+2]))
	} else {
		reason += ", or make triangles of it by its diagonals"
	}
	b.Findings = append(b.Findings, working.Finding{Code: "panel-unflat", Severity: working.Stop, Cause: "Panels", Feature: f.ID,
		Name:   b.called(f.ID),
		Reason: reason + "."})
}
