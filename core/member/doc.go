// Package member is a frame as a fabricator builds it: points, members of stock
// section between them, how their ends meet, plates, what holds and what loads
// it, and whether it is one. Package shape works out where everything is, cutlist how
// it is cut, held whether it holds. Lengths mm, angles degrees, vehicle axes x forward,
// y left, z up.
package member

import (
	"fmt"
	"maps"
	"slices"

	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Schema is the form of a Doc.
const Schema = 1

// Doc is a frame.
type Doc struct {
	Schema   int       `json:"schema"`
	Material string    `json:"material" doc:"key of a material"`
	Filler   string    `json:"filler,omitempty" doc:"key of the table of weld metals; the weakest of steel when left out"`
	Chosen   string    `json:"chosen,omitempty" doc:"why it is of this material; printed"`
	Points   []Point   `json:"points,omitempty"`
	Members  []Member  `json:"members,omitempty"`
	Copies   []Copy    `json:"copies,omitempty"`
	Plates   []Plate   `json:"plates,omitempty"`
	Supports []Support `json:"supports,omitempty"`
	Loads    []Load    `json:"loads,omitempty"`
	Saw      Saw       `json:"saw,omitempty"`
	Shakes   Shakes    `json:"shakes,omitempty"`
	Sags     float64   `json:"sags,omitempty" doc:"mm it may move at most in the worst case; not asked when left out"`
	Target   string    `json:"target,omitempty" doc:"id of a target of the brief that says it, in mm"`
	Fit      *Pose     `json:"fit,omitempty" doc:"where it stands in the vehicle; its own axes are the vehicle's when left out"`
	Asides   []Aside   `json:"asides,omitempty"`
}

// Point is a place members run to. X, Y, Z count from the frame's origin, from
// another point or from a surveyed point.
type Point struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	X      float64 `json:"x,omitempty" doc:"mm forward"`
	Y      float64 `json:"y,omitempty" doc:"mm left"`
	Z      float64 `json:"z,omitempty" doc:"mm up"`
	From   string  `json:"from,omitempty" doc:"id of another point it is offset from"`
	Survey string  `json:"survey,omitempty" doc:"id of a surveyed point it is offset from"`
	Corner *Corner `json:"corner,omitempty" doc:"makes the two members that end here of one piece"`
}

// Member runs from one point to another.
type Member struct {
	ID      string        `json:"id"`
	Name    string        `json:"name"`
	From    string        `json:"from" doc:"id of a point"`
	To      string        `json:"to"`
	Section section.Sizes `json:"section"`
	Stock   string        `json:"stock,omitempty" doc:"name of the section as sold"`
	Turn    float64       `json:"turn,omitempty" doc:"degrees about its axis, right-handed seen from its first point"`
	Across  Across        `json:"across,omitempty" enum:"middle,left,right" doc:"what of the section the line follows, seen from its first point"`
	Up      Upright       `json:"up,omitempty" enum:"middle,top,bottom"`
	A       End           `json:"a,omitempty" doc:"at its first point"`
	B       End           `json:"b,omitempty"`
	Trim    float64       `json:"trim,omitempty" doc:"mm left on until the final survey"`
	K       float64       `json:"k,omitempty" doc:"buckling length over its length; left out: 2 for what stands or has a free end, else 1"`
	Drain   bool          `json:"drain,omitempty" doc:"vent and drain holes at its ends"`
	Splice  *Splice       `json:"splice,omitempty"`
}

// Across is what of the section lies on the line sideways.
type Across string

// Upright is what of the section lies on the line in height.
type Upright string

// Places of the line in the section.
const (
	Middle Across  = "middle"
	Left   Across  = "left"
	Right  Across  = "right"
	Centre Upright = "middle"
	Top    Upright = "top"
	Bottom Upright = "bottom"
)

// EndKind is how an end is cut.
type EndKind string

// Square across the member; Mitre with another; Butt stops at the other's near
// face; Flush runs on to its far face; Saddle is coped round it.
const (
	Square EndKind = "square"
	Mitre  EndKind = "mitre"
	Butt   EndKind = "butt"
	Flush  EndKind = "flush"
	Saddle EndKind = "saddle"
)

// End of a member.
type End struct {
	Kind   EndKind `json:"kind,omitempty" enum:"square,mitre,butt,flush,saddle"`
	Onto   string  `json:"onto,omitempty" doc:"id of the member it meets"`
	Back   float64 `json:"back,omitempty" doc:"mm set back along its axis, for plates and clearance; negative runs on"`
	Gap    float64 `json:"gap,omitempty" doc:"mm left for the weld"`
	Hinged bool    `json:"hinged,omitempty" doc:"one bolt: it passes on no bending"`
	Leg    float64 `json:"leg,omitempty" doc:"mm, fillet all round; the wall when left out"`
}

// Splice joins a member of two pieces.
type Splice struct {
	At   float64 `json:"at" doc:"mm from its first point"`
	Kind string  `json:"kind" enum:"sleeve,plates"`
	Long float64 `json:"long,omitempty" doc:"mm of the sleeve or plates; four times the depth when left out"`
}

// Copy mirrors or repeats members with their points.
type Copy struct {
	ID      string     `json:"id"`
	Kind    string     `json:"kind" enum:"mirror,repeat"`
	Members []string   `json:"members,omitempty" doc:"ids; all when left out"`
	Axis    string     `json:"axis,omitempty" enum:"x,y,z" doc:"mirror: square to its plane"`
	At      float64    `json:"at,omitempty" doc:"mm, mirror: where the plane cuts that axis"`
	Step    [3]float64 `json:"step,omitempty" doc:"mm, repeat: from one to the next"`
	Times   int        `json:"times,omitempty" doc:"repeat: how many more"`
}

// Plate at a member's end, or an ear.
type Plate struct {
	ID        string  `json:"id"`
	Name      string  `json:"name"`
	Member    string  `json:"member"`
	End       string  `json:"end" enum:"a,b"`
	Kind      string  `json:"kind" enum:"base,cap,tab" doc:"base is bolted down, cap closes, tab is an ear along the member"`
	Width     float64 `json:"width" doc:"mm across; of a tab its width"`
	Height    float64 `json:"height" doc:"mm; of a tab its length past the member"`
	Thickness float64 `json:"thickness" doc:"mm"`
	Holes     int     `json:"holes,omitempty"`
	Hole      float64 `json:"hole,omitempty" doc:"mm diameter"`
	Margin    float64 `json:"margin,omitempty" doc:"mm from the holes' centres to the edge"`
	Leg       float64 `json:"leg,omitempty" doc:"mm, fillet all round the member's end"`
}

// Support holds a point.
type Support struct {
	Point string     `json:"point"`
	Kind  string     `json:"kind" enum:"fixed,pinned,sliding,rubber"`
	Slide string     `json:"slide,omitempty" enum:"x,y,z" doc:"sliding: the way it may go"`
	Soft  [3]float64 `json:"soft,omitempty" doc:"N/mm, rubber: along x, y, z"`
}

// Load on the frame.
type Load struct {
	ID     string     `json:"id"`
	Name   string     `json:"name"`
	Kind   string     `json:"kind" enum:"device,mass,person,force,uniform"`
	Device string     `json:"device,omitempty" doc:"id of a device of the brief"`
	Kilos  float64    `json:"kilos,omitempty" doc:"kg: mass and person; kg/m of uniform"`
	Points []string   `json:"points,omitempty" doc:"ids of points that share it"`
	Member string     `json:"member,omitempty" doc:"id of a member it acts on"`
	At     float64    `json:"at,omitempty" doc:"mm from the member's first point"`
	Force  [3]float64 `json:"force,omitempty" doc:"N, forward, left, up"`
	High   float64    `json:"high,omitempty" doc:"mm its centre of gravity lies above the points"`
	Factor float64    `json:"factor,omitempty" doc:"person: times the weight when stepping down; 2 when left out"`
}

// SawTurns is how far a saw turns where nothing is said, degrees from square.
const SawTurns = 60.

// Saw is how sticks are cut.
type Saw struct {
	Stick     float64   `json:"stick,omitempty" doc:"mm, length as bought; 6 m, or 20 ft where inches are spoken, when left out"`
	Kerf      float64   `json:"kerf,omitempty" doc:"mm; 3, or 1/8 in where inches are spoken, when left out"`
	Waste     float64   `json:"waste,omitempty" doc:"mm cut off each stick's rough end"`
	LastKerf  bool      `json:"lastKerf,omitempty" doc:"the last piece of a full stick takes a cut too"`
	Remnants  []Remnant `json:"remnants,omitempty"`
	PerKilo   float64   `json:"perKilo,omitempty" doc:"money a kilogram"`
	SawLimit  float64   `json:"sawLimit,omitempty" doc:"degrees from square the saw goes to; 60 when left out"`
	LongMitre bool      `json:"longMitre,omitempty" doc:"do not nest mitres back to back"`
}

// Remnant is a piece left from before.
type Remnant struct {
	Stock  string  `json:"stock" doc:"name of its section"`
	Length float64 `json:"length" doc:"mm"`
	Many   int     `json:"many,omitempty" doc:"1 when left out"`
}

// Shakes are what the frame is shaken by.
type Shakes struct {
	Road      float64 `json:"road,omitempty" doc:"Hz up to which the road shakes it; 15, wheel hop, when left out"`
	Idle      float64 `json:"idle,omitempty" doc:"engine's turns a minute at idle; none when left out"`
	Cruise    float64 `json:"cruise,omitempty" doc:"and under way"`
	Cylinders int     `json:"cylinders,omitempty" doc:"of a four-stroke engine"`
}

// Pose is where the frame's origin stands in the vehicle.
type Pose struct {
	X     float64 `json:"x,omitempty" doc:"mm forward"`
	Y     float64 `json:"y,omitempty" doc:"mm left"`
	Z     float64 `json:"z,omitempty" doc:"mm up"`
	Yaw   float64 `json:"yaw,omitempty" doc:"degrees, left positive"`
	Pitch float64 `json:"pitch,omitempty" doc:"degrees, nose down positive"`
	Roll  float64 `json:"roll,omitempty" doc:"degrees, left side up positive"`
}

// Aside is a finding set aside with a reason.
type Aside struct {
	Code    string `json:"code"`
	Feature string `json:"feature,omitempty"`
	Reason  string `json:"reason"`
}

// Solid answers the pose as core/solid carries bodies.
func (p *Pose) Solid() solid.Pose {
	if p == nil {
		return solid.Ground
	}
	return solid.Turned(solid.Vector{p.X, p.Y, p.Z}, p.Yaw, p.Pitch, p.Roll)
}

const (
	MaxMany = 2000
	MaxSize = 1e6 // mm
)

// bounded refuses sizes of a section that run away; which of them make one is told where
// it is built.
func bounded(path string, s section.Sizes) error {
	sizes := map[string]float64{"width": s.Width, "height": s.Height, "wall": s.Wall, "outerRadius": s.OuterRadius, "diameter": s.Diameter,
		"legVertical": s.LegVertical, "legHorizontal": s.LegHorizontal,
		"thickness": s.Thickness, "depth": s.Depth, "flangeWidth": s.FlangeWidth, "web": s.Web, "flange": s.Flange}
	for _, name := range slices.Sorted(maps.Keys(sizes)) {
		if err := working.Within(path+"/"+name, "A size of the section", sizes[name], -5000, 5000, "mm"); err != nil {
			return err
		}
	}
	return working.Within(path+"/density", "The density", s.Density, 0, 30000, "kg/m³")
}

// Check refuses a document that cannot be kept; what cannot be built of it is
// told by Build, and everything else still shown.
func (d Doc) Check() error {
	if d.Schema > Schema {
		return working.Refuse("/schema", "This frame is of a newer form (%d) than this program knows (%d).", d.Schema, Schema)
	}
	for _, x := range []struct {
		name string
		n    int
	}{{"points", len(d.Points)}, {"members", len(d.Members)}, {"plates", len(d.Plates)}, {"supports", len(d.Supports)},
		{"loads", len(d.Loads)}, {"copies", len(d.Copies)}} {
		if x.n > MaxMany {
			return working.Refuse("/"+x.name, "A frame holds up to %d %s.", MaxMany, x.name)
		}
	}
	seen := map[string]bool{}
	once := func(path, id string) error {
		if id == "" || seen[id] {
			return working.Refuse(path, "Every point, member, plate, copy and load has an id of its own; %q does not.", id)
		}
		seen[id] = true
		return nil
	}
	var errs []error
	add := func(err error) { errs = append(errs, err) }
	length := func(path, name string, v float64) { add(working.Within(path, name, v, -MaxSize, MaxSize, "mm")) }
	for i, p := range d.Points {
		at := fmt.Sprintf("/points/%d", i)
		add(once(at+"/id", p.ID))
		length(at+"/x", "How far forward", p.X)
		length(at+"/y", "How far left", p.Y)
		length(at+"/z", "How far up", p.Z)
		if p.Corner != nil {
			add(working.Within(at+"/corner/radius", "The radius of the bend", p.Corner.Radius, 0, 1e5, "mm"))
		}
	}
	for i, m := range d.Members {
		at := fmt.Sprintf("/members/%d", i)
		add(once(at+"/id", m.ID))
		add(m.check(at))
	}
	for i, c := range d.Copies {
		at := fmt.Sprintf("/copies/%d", i)
		add(once(at+"/id", c.ID))
		add(working.Within(at+"/times", "How many more", float64(c.Times), 0, 200, ""))
		length(at+"/at", "The mirror's place", c.At)
		for k, v := range c.Step {
			length(fmt.Sprintf("%s/step/%d", at, k), "The step", v)
		}
	}
	for i, p := range d.Plates {
		at := fmt.Sprintf("/plates/%d", i)
		add(once(at+"/id", p.ID))
		add(p.check(at))
	}
	for i, s := range d.Supports {
		for k, v := range s.Soft {
			add(working.Within(fmt.Sprintf("/supports/%d/soft/%d", i, k), "The stiffness", v, 0, 1e9, "N/mm"))
		}
	}
	for i, l := range d.Loads {
		at := fmt.Sprintf("/loads/%d", i)
		add(once(at+"/id", l.ID))
		add(working.Within(at+"/kilos", "The mass", l.Kilos, 0, 1e6, "kg"))
		add(working.Within(at+"/factor", "The factor of stepping down", l.Factor, 0, 10, ""))
		length(at+"/at", "Its place along the member", l.At)
		length(at+"/high", "Its height", l.High)
		for k, v := range l.Force {
			add(working.Within(fmt.Sprintf("%s/force/%d", at, k), "The force", v, -1e9, 1e9, "N"))
		}
	}
	add(d.Saw.check())
	add(working.Within("/sags", "How far it may move", d.Sags, 0, 1000, "mm"))
	return working.First(errs...)
}

func (m Member) check(at string) error {
	errs := []error{working.Within(at+"/turn", "The turn about its axis", m.Turn, -360, 360, "°"),
		working.Within(at+"/trim", "The trim allowance", m.Trim, 0, 1000, "mm"),
		working.Within(at+"/k", "The buckling length", m.K, 0, 10, ""),
		bounded(at+"/section", m.Section)}
	if m.Splice != nil {
		errs = append(errs, working.Within(at+"/splice/at", "The splice's place", m.Splice.At, 0, MaxSize, "mm"))
	}
	for _, x := range []struct {
		name string
		e    End
	}{{"a", m.A}, {"b", m.B}} {
		errs = append(errs, working.Within(at+"/"+x.name+"/back", "The set-back", x.e.Back, -MaxSize, MaxSize, "mm"),
			working.Within(at+"/"+x.name+"/gap", "The gap", x.e.Gap, 0, 100, "mm"),
			working.Within(at+"/"+x.name+"/leg", "The fillet's leg", x.e.Leg, 0, 100, "mm"))
	}
	return working.First(errs...)
}

func (p Plate) check(at string) error {
	for _, x := range []struct {
		name string
		v    float64
	}{{"width", p.Width}, {"height", p.Height}, {"thickness", p.Thickness}, {"hole", p.Hole}, {"margin", p.Margin}, {"leg", p.Leg}} {
		if err := working.Within(at+"/"+x.name, "The plate's "+x.name, x.v, 0, 5000, "mm"); err != nil {
			return err
		}
	}
	return working.Within(at+"/holes", "The number of holes", float64(p.Holes), 0, 100, "")
}

func (s Saw) check() error {
	errs := []error{working.Within("/saw/stick", "The stick", s.Stick, 0, 1e5, "mm"),
		working.Within("/saw/kerf", "The kerf", s.Kerf, 0, 20, "mm"),
		working.Within("/saw/waste", "The end cut off", s.Waste, 0, 1000, "mm")}
	for i, r := range s.Remnants {
		errs = append(errs, working.Within(fmt.Sprintf("/saw/remnants/%d/length", i), "The remnant", r.Length, 0, 1e5, "mm"),
			working.Within(fmt.Sprintf("/saw/remnants/%d/many", i), "How many", float64(r.Many), 0, 1000, ""))
	}
	return working.First(errs...)
}

// Ends of a member that goes on round a corner in one piece.
const (
	Fold EndKind = "fold"
	Bent EndKind = "bend"
)

// Corner makes the two members that end at a point of one piece: notched and
// folded, or bent.
type Corner struct {
	Kind   EndKind `json:"kind" enum:"fold,bend"`
	Radius float64 `json:"radius,omitempty" doc:"mm, centre line of a bend; three times the tube's size when left out"`
	Hinge  string  `json:"hinge,omitempty" enum:"inner,outer" doc:"fold: face of the wall that stays at which the V ends; inner when left out"`
}
