package survey

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// State is how the vehicle stands.
type State string

// Stowed at rest with everything shut; InUse with lids, doors and levers in
// use; Travelling on the road, wheels steering and springs working.
const (
	Stowed     State = "stowed"
	InUse      State = "inUse"
	Travelling State = "travelling"
)

// States in the order they are told.
var States = []State{Stowed, InUse, Travelling}

// Kind of a no-go space.
type Kind string

// What fills a space, or why it is kept free.
const (
	Fixed    Kind = "fixed"    // something in the way
	Moving   Kind = "moving"   // a door, lid, lever, slide
	Tyre     Kind = "tyre"     // at lock and bump
	Hot      Kind = "hot"      // exhaust, brake, lamp
	Line     Kind = "line"     // fuel, brake, air, electric behind a wall
	Tank     Kind = "tank"     // behind a wall
	Skin     Kind = "skin"     // visible, no bolt may pierce it
	LoadEdge Kind = "loadEdge" // must not be cut or drilled
	Opening  Kind = "opening"  // air goes through here
	Room     Kind = "room"     // for hands, heads, feet
	View     Kind = "view"     // through which a lamp, the plate or the road is seen
	Plastic  Kind = "plastic"  // melts and burns beside a weld
	Glass    Kind = "glass"    // cracks and is pitted by sparks
	Lining   Kind = "lining"   // trim, insulation, carpet: burns
)

// Kinds with the words they go by and the least distance that is usual, mm.
var Kinds = map[Kind]struct {
	Words string
	Need  float64
}{
	Fixed: {"something fixed", 5}, Moving: {"something that moves", 12}, Tyre: {"a tyre", 25},
	Hot: {"something hot", 50}, Line: {"a line", 15},
	Tank: {"a tank", 20}, Skin: {"a visible skin", 0}, LoadEdge: {"a load-bearing edge", 0}, Opening: {"an opening for air", 0},
	Room: {"room to keep", 0}, View: {"a lamp, plate or view", 0},
	Plastic: {"something of plastic", 10}, Glass: {"glass", 10}, Lining: {"lining or insulation", 0},
}

// Shape is a space by its numbers; which ones count is told by Form.
//
//   - box: At one corner, Size along x, y, z (turned by Yaw about At)
//   - cylinder: At to To, Radius
//   - ball: At, Radius
//   - run: Corners of a line or pipe, Radius
//   - prism: Outline in the plane square to Axis through At, Height along it
//   - swing: a leaf hinged at At about Axis, reaching from Inner to Radius along
//     Start, Low to High along the axis, Thick to its far side, turning from 0
//     to Turn degrees
//   - travel: a box as above, moving by Travel
//   - tyre: At its middle, Radius, Size[1] its width, Lock degrees either way,
//     Bump up and Droop down
type Shape struct {
	Form    Form            `json:"form" enum:"box,cylinder,ball,run,prism,swing,travel,tyre"`
	At      [3]float64      `json:"at" doc:"mm"`
	To      [3]float64      `json:"to,omitempty" doc:"mm"`
	Size    [3]float64      `json:"size,omitempty" doc:"mm along x, y, z"`
	Yaw     float64         `json:"yaw,omitempty" doc:"degrees, left positive"`
	Radius  float64         `json:"radius,omitempty" doc:"mm"`
	Inner   float64         `json:"inner,omitempty" doc:"mm from the hinge"`
	Axis    [3]float64      `json:"axis,omitempty" doc:"way of the hinge or the height; up when left out"`
	Start   [3]float64      `json:"start,omitempty" doc:"way the leaf points at rest"`
	Low     float64         `json:"low,omitempty" doc:"mm along the axis"`
	High    float64         `json:"high,omitempty" doc:"mm along the axis"`
	Thick   float64         `json:"thick,omitempty" doc:"mm of the leaf, behind the way it opens"`
	Turn    float64         `json:"turn,omitempty" doc:"degrees it opens, anticlockwise about the axis positive"`
	Travel  [3]float64      `json:"travel,omitempty" doc:"mm it moves"`
	Outline []profile.Point `json:"outline,omitempty"`
	Height  float64         `json:"height,omitempty" doc:"mm"`
	Corners [][3]float64    `json:"corners,omitempty"`
	Lock    float64         `json:"lock,omitempty" doc:"degrees either way"`
	Bump    float64         `json:"bump,omitempty" doc:"mm up"`
	Droop   float64         `json:"droop,omitempty" doc:"mm down"`
}

// FreshShape answers a new shape of a form with sizes to be typed over, as a metric or
// an inch shop would say them.
func FreshShape(f Form, inch bool) Shape {
	mm := func(mm, inches float64) float64 {
		if inch {
			return inches * 25.4
		}
		return mm
	}
	s := Shape{Form: f}
	side := mm(200, 8)
	switch f {
	case BoxForm:
		s.Size = [3]float64{side, side, side}
	case TravelForm:
		s.Size, s.Travel = [3]float64{side, side, side}, [3]float64{side, 0, 0}
	case CylinderForm:
		s.To, s.Radius = [3]float64{mm(300, 12), 0, 0}, mm(50, 2)
	case BallForm:
		s.Radius = mm(50, 2)
	case RunForm:
		s.Radius, s.Corners = mm(5, 0.25), [][3]float64{{}, {mm(500, 20), 0, 0}}
	case PrismForm:
		s.Height, s.Outline = mm(100, 4), []profile.Point{{}, {X: side}, {Y: mm(150, 6)}}
	case SwingForm:
		s.Axis, s.Start = [3]float64{0, 0, 1}, [3]float64{-1, 0, 0}
		s.Radius, s.High, s.Thick, s.Turn = mm(500, 20), mm(400, 16), mm(20, 0.75), 90
	case TyreForm:
		s.Radius, s.Size, s.Bump, s.Droop = mm(350, 14), [3]float64{0, mm(205, 8), 0}, mm(60, 2.5), mm(60, 2.5)
	}
	return s
}

// Form of a space.
type Form string

// The forms.
const (
	BoxForm      Form = "box"
	CylinderForm Form = "cylinder"
	BallForm     Form = "ball"
	RunForm      Form = "run"
	PrismForm    Form = "prism"
	SwingForm    Form = "swing"
	TravelForm   Form = "travel"
	TyreForm     Form = "tyre"
)

// Space is a no-go space in its states. A form that moves does so in the states
// of Moves and rests in the others; in those of Absent it is not there.
type Space struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Kind   Kind     `json:"kind" enum:"fixed,moving,tyre,hot,line,tank,skin,loadEdge,opening,room,view,plastic,glass,lining"`
	Need   *float64 `json:"need,omitempty" doc:"mm to keep off; usual for its kind when left out"`
	Shape  Shape    `json:"shape"`
	Moves  []State  `json:"moves,omitempty"`
	Absent []State  `json:"absent,omitempty"`
	Trust  string   `json:"trust,omitempty" enum:"measured,copied,memory,assumed"`
	Sigma  float64  `json:"sigma,omitempty" doc:"mm, how well its place is known"`
}

// Keep answers the distance to keep off.
func (s Space) Keep() float64 {
	if s.Need != nil {
		return *s.Need
	}
	return Kinds[s.Kind].Need
}

// In answers what the space fills in a state; an empty body when it is not
// there.
func (s Space) In(state State) solid.Body {
	if has(s.Absent, state) {
		return solid.Body{}
	}
	return s.Shape.body(has(s.Moves, state))
}

// Same tells whether the space is the same in both states.
func (s Space) Same(a, b State) bool {
	still := s.Shape.Form != SwingForm && s.Shape.Form != TravelForm && s.Shape.Form != TyreForm
	return has(s.Absent, a) == has(s.Absent, b) && (still || has(s.Moves, a) == has(s.Moves, b))
}

func has(list []State, s State) bool {
	for _, x := range list {
		if x == s {
			return true
		}
	}
	return false
}

func (s Shape) axis() solid.Vector {
	if a := solid.Vector(s.Axis); a.Len() > 0 {
		return a.Unit()
	}
	return solid.Vector{0, 0, 1}
}

func (s Shape) body(moving bool) solid.Body {
	at := solid.Vector(s.At)
	switch s.Form {
	case CylinderForm:
		return solid.Cylinder(at, s.To, s.Radius)
	case BallForm:
		return solid.Ball(at, s.Radius)
	case RunForm:
		corners := make([]solid.Vector, len(s.Corners))
		for i, c := range s.Corners {
			corners[i] = c
		}
		return solid.Run(corners, s.Radius)
	case PrismForm:
		return solid.Prism(seat(at, s.axis()), s.Outline, nil, s.Height)
	case SwingForm:
		return s.swing(moving)
	case TyreForm:
		return s.tyre(moving)
	}
	b := solid.Box(solid.Vector{}, s.Size).At(solid.Turned(at, s.Yaw, 0, 0))
	if s.Form == TravelForm && moving {
		return solid.Swept(b, s.Travel)
	}
	return b
}

// seat is a pose at a place with z along an axis; x forward where that can be.
func seat(at, z solid.Vector) solid.Pose {
	x := solid.Vector{1}
	if math.Abs(z[0]) > .9 {
		x = solid.Vector{0, 1}
	}
	x = x.Sub(z.Mul(x.Dot(z))).Unit()
	return solid.Pose{Origin: at, X: x, Y: z.Cross(x), Z: z}
}

// swing answers the leaf at rest, and what it sweeps. The leaf's thickness lies
// behind the way it opens: what it sweeps lies within the sector of its far
// corner and the leaf at rest, so nothing is left out.
func (s Shape) swing(moving bool) solid.Body {
	z := s.axis()
	x := solid.Vector(s.Start)
	x = x.Sub(z.Mul(x.Dot(z))).Unit()
	back := z.Cross(x).Mul(-1)
	if s.Turn < 0 {
		back = back.Mul(-1)
	}
	far := math.Hypot(s.Radius, s.Thick)
	reach := s.Radius
	if moving {
		reach = far
	}
	thick := math.Max(s.Thick, 1)
	b := solid.Block(solid.Vector(s.At).Add(x.Mul(s.Inner)).Add(z.Mul(s.Low)), x.Mul(reach-s.Inner), back.Mul(thick), z.Mul(s.High-s.Low))
	if moving && s.Turn != 0 {
		b = b.With(solid.Sector(s.At, z, x, s.Inner, far, s.Low, s.High, 0, s.Turn))
	}
	return b
}

// tyre answers the tyre straight ahead, or at every lock and bump: discs at
// steps of the lock, each moved up and down. What the steps leave out of the
// arc between them is stated as deviation.
func (s Shape) tyre(moving bool) solid.Body {
	at, up := solid.Vector(s.At), solid.Vector{0, 0, 1}
	if !moving {
		return solid.Stadium(at, at, solid.Vector{0, 1}, s.Radius, s.Size[1])
	}
	n := max(int(math.Ceil(s.Lock/4)), 1)
	step := s.Lock / float64(n)
	var b solid.Body
	for i := -n; i <= n; i++ {
		sin, cos := math.Sincos(step * float64(i) * math.Pi / 180)
		b = b.With(solid.Stadium(at.Sub(up.Mul(s.Droop)), at.Add(up.Mul(s.Bump)), solid.Vector{-sin, cos}, s.Radius, s.Size[1]))
	}
	b.Deviation = math.Hypot(s.Radius, s.Size[1]/2) * (1 - math.Cos(step/2*math.Pi/180))
	return b
}

// Check refuses a space that cannot be.
func (s Space) Check(path string) error {
	if _, ok := Kinds[s.Kind]; !ok {
		return working.Refuse(path+"/kind", "There is no kind of space %q.", string(s.Kind))
	}
	for _, list := range [][]State{s.Moves, s.Absent} {
		for _, st := range list {
			if st != Stowed && st != InUse && st != Travelling {
				return working.Refuse(path+"/moves", "A state is stowed, inUse or travelling, not %q.", string(st))
			}
		}
	}
	if s.Need != nil {
		if err := working.Within(path+"/need", "The distance to keep", *s.Need, 0, 1e4, "mm"); err != nil {
			return err
		}
	}
	return s.Shape.check(path + "/shape")
}

func (s Shape) check(path string) error {
	for _, x := range []struct {
		name string
		v    [3]float64
	}{{"at", s.At}, {"to", s.To}, {"axis", s.Axis}, {"start", s.Start}, {"travel", s.Travel}} {
		for i, v := range x.v {
			if err := working.Within(fmt.Sprintf("%s/%s/%d", path, x.name, i), "The place", v, -1e5, 1e5, "mm"); err != nil {
				return err
			}
		}
	}
	if len(s.Corners) > 100 || len(s.Outline) > 200 {
		return working.Refuse(path, "A space has up to 200 corners.")
	}
	size := func(name, word string, v float64) error { return working.Above(path+"/"+name, word, v, 0, 1e5, "mm") }
	box := func() error {
		return working.First(size("size/0", "The length", s.Size[0]), size("size/1", "The width", s.Size[1]),
			size("size/2", "The height", s.Size[2]), working.Within(path+"/yaw", "The turn", s.Yaw, -360, 360, "°"))
	}
	switch s.Form {
	case BoxForm:
		return box()
	case TravelForm:
		return box()
	case CylinderForm:
		if s.At == s.To {
			return working.Refuse(path+"/to", "The cylinder has no length: its ends are one point.")
		}
		return size("radius", "The radius", s.Radius)
	case BallForm:
		return size("radius", "The radius", s.Radius)
	case RunForm:
		if len(s.Corners) < 2 {
			return working.Refuse(path+"/corners", "A line has two points or more.")
		}
		for i, c := range s.Corners {
			for k, x := range c {
				if err := working.Within(fmt.Sprintf("%s/corners/%d/%d", path, i, k), "The place", x, -1e5, 1e5, "mm"); err != nil {
					return err
				}
			}
		}
		return size("radius", "The radius", s.Radius)
	case PrismForm:
		if len(s.Outline) < 3 {
			return working.Refuse(path+"/outline", "An outline has three corners or more.")
		}
		for i, p := range s.Outline {
			if err := working.First(working.Within(fmt.Sprintf("%s/outline/%d/x", path, i), "The corner", p.X, -1e5, 1e5, "mm"),
				working.Within(fmt.Sprintf("%s/outline/%d/y", path, i), "The corner", p.Y, -1e5, 1e5, "mm")); err != nil {
				return err
			}
		}
		return size("height", "The height", s.Height)
	case SwingForm:
		if solid.Vector(s.Start).Cross(s.axis()).Len() < 1e-9 {
			return working.Refuse(path+"/start", "Say which way the leaf points at rest, square to its hinge.")
		}
		return working.First(size("radius", "The reach", s.Radius),
			working.Within(path+"/inner", "The leaf's near edge", s.Inner, 0, s.Radius-1e-6, "mm"),
			working.Above(path+"/high", "The leaf's upper end", s.High, s.Low, 1e5, "mm"),
			working.Within(path+"/low", "The leaf's lower end", s.Low, -1e5, 1e5, "mm"),
			working.Within(path+"/thick", "The thickness", s.Thick, 0, 1e4, "mm"), working.Within(path+"/turn", "The turn", s.Turn,
				-360, 360, "°"))
	case TyreForm:
		return working.First(size("radius", "The tyre's radius", s.Radius), size("size/1", "The tyre's width", s.Size[1]),
			working.Within(path+"/lock", "The lock", s.Lock, 0, 60, "°"), working.Within(path+"/bump", "The bump", s.Bump, 0, 1e3, "mm"),
			working.Within(path+"/droop", "The droop", s.Droop, 0, 1e3, "mm"))
	}
	return working.Refuse(path+"/form", "There is no form of space %q.", string(s.Form))
}
