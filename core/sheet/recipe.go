// Package sheet turns the recipe of a folded sheet part into what is cut and
// what comes out of the brake. Build goes through named steps, each a file:
// panels (the tree and its sizes) → fold → flatten → features → check.
//
// A recipe is a tree: the base carries flanges, a flange may carry flanges.
// Edges of a flange, and of a base with four or three sides, are named by the
// way they face on the flat pattern, good side up: front (−y), right (+x), back
// (+y), left (−x); of a flange on a slanted edge by the way that comes nearest.
// Edges of a base with many sides are numbered from 1, anticlockwise. Lengths
// are mm, angles degrees.
package sheet

import (
	"warmanvil/core/bend"
	"warmanvil/core/profile"
)

// SchemaVersion of the recipe written by this program.
const SchemaVersion = 1

// Edge of a panel: the way it faces on the flat pattern, or its number.
type Edge string

// The four edges of a panel, the arcs of a ring, and two that are none:
// distances may count from a panel's middle or from another hole.
const (
	Front   Edge = "front"
	Right   Edge = "right"
	Back    Edge = "back"
	Left    Edge = "left"
	Outer   Edge = "outer"
	Inner   Edge = "inner"
	Middle  Edge = "middle"
	Feature Edge = "feature"
)

// Measure says between which points a length was taken.
type Measure string

// Outside: to the outer apex of the bend. Inside: to the inner apex. Flat: to
// the tangent line. Tangent: to the outermost tangent plane.
const (
	Outside Measure = "outside"
	Inside  Measure = "inside"
	Flat    Measure = "flat"
	Tangent Measure = "tangent"
)

// Grain is the rolling direction of the sheet under the flat pattern.
type Grain string

// GrainX runs left to right, GrainY front to back.
const (
	GrainUnknown Grain = "unknown"
	GrainX       Grain = "x"
	GrainY       Grain = "y"
)

// Recipe is one sheet part as the fabricator described it.
type Recipe struct {
	Schema    int       `json:"schema" doc:"version of this form, 1"`
	Material  string    `json:"material" doc:"key of the material table"`
	Thickness float64   `json:"thickness" doc:"mm"`
	Gauge     *int      `json:"gauge,omitempty" doc:"gauge the thickness was typed as"`
	Grain     Grain     `json:"grain,omitempty" enum:"unknown,x,y" doc:"rolling direction on the flat pattern"`
	Process   string    `json:"process" enum:"plasma,laser,waterjet,punch,hand" doc:"how it is cut"`
	Tool      bend.Tool `json:"tool" doc:"what it is bent on"`
	Bend      bend.Rule `json:"bend" doc:"where K comes from"`
	Base      Base      `json:"base"`
	Ticks     bool      `json:"ticks,omitempty" doc:"small marks at the edges where bend lines end"`
	Hand      Hand      `json:"hand,omitempty" doc:"left and right pair"`
	Piece     *Piece    `json:"piece,omitempty" doc:"the part it was split from"`
	SetAside  []Aside   `json:"setAside,omitempty" doc:"findings set aside, with the reason"`
}

// Aside records that a finding was set aside and why; it is printed.
type Aside struct {
	Code    string `json:"code"`
	Feature string `json:"feature,omitempty" doc:"id of the feature"`
	Reason  string `json:"reason"`
}

// Hand says whether a mirrored twin is made too.
type Hand struct {
	Pair  bool `json:"pair,omitempty" doc:"make the mirrored twin too"`
	Drawn Side `json:"drawn,omitempty" enum:"left,right" doc:"which hand the recipe describes"`
}

// Side of the vehicle.
type Side string

// The two hands.
const (
	LeftHand  Side = "left"
	RightHand Side = "right"
)

// Base is the panel everything hangs on.
type Base struct {
	ID      string    `json:"id"`
	Length  float64   `json:"length,omitempty" doc:"mm, left to right; of a disc its diameter, of a ring its outer diameter"`
	Width   float64   `json:"width,omitempty" doc:"mm, front to back; of a ring across its band"`
	Shape   *Shape    `json:"shape,omitempty" doc:"a rectangle when left out"`
	Measure Measure   `json:"measure,omitempty" enum:"outside,inside,flat,tangent" doc:"how it was measured where an edge is bent"`
	Corner  Corner    `json:"corner,omitempty" doc:"of corners no flange reaches"`
	Meets   []Meet    `json:"meets,omitempty" doc:"how flanges meet at its corners; they stay open where nothing is said"`
	Holes   []Hole    `json:"holes,omitempty"`
	Edges   []EdgeCut `json:"edges,omitempty" doc:"notches and tabs"`
	Marks   []Mark    `json:"marks,omitempty"`
	Flanges []Flange  `json:"flanges,omitempty"`
}

// ShapeKind of a base.
type ShapeKind string

// The shapes of a base.
const (
	Rectangle ShapeKind = "rectangle"
	Trapezoid ShapeKind = "trapezoid"
	Triangle  ShapeKind = "triangle"
	Polygon   ShapeKind = "polygon"
	Sides     ShapeKind = "sides"
	Disc      ShapeKind = "disc"
	Ring      ShapeKind = "ring"
	Obround   ShapeKind = "slot"
)

// Shape of a base other than a rectangle. Sizes of shapes with arcs are those of
// the flat part, whatever the measure.
type Shape struct {
	Kind   ShapeKind    `json:"kind" enum:"rectangle,trapezoid,triangle,polygon,sides,disc,ring,slot"`
	Back   float64      `json:"back,omitempty" doc:"mm, trapezoid: its back edge"`
	Shift  float64      `json:"shift,omitempty" doc:"mm, trapezoid: its back edge's left end lies so far right of the front left corner; triangle: its tip does"`
	Sweep  float64      `json:"sweep,omitempty" doc:"degrees, ring: how far it runs round"`
	Flip   bool         `json:"flip,omitempty" doc:"ring: it runs round the other way"`
	Points profile.Loop `json:"points,omitempty" doc:"polygon: corners anticlockwise; a corner's bulge makes the edge behind it an arc"`
	Sides  []SideSize   `json:"sides,omitempty" doc:"sides: lengths and inside angles, anticlockwise; the last side closes it by itself"`
}

// SideSize is one side of a base typed by lengths and angles.
type SideSize struct {
	Length float64 `json:"length" doc:"mm"`
	Angle  float64 `json:"angle" doc:"degrees inside the corner at its far end"`
}

// MeetKind is how two flanges meet at a corner.
type MeetKind string

// The ways to meet: left open at the tangent lines; edge to edge with a gap; one
// lapping over the other's end; edge to edge; and with a gap for the weld.
const (
	MeetOpen  MeetKind = "open"
	MeetGap   MeetKind = "gap"
	MeetLap   MeetKind = "lap"
	MeetMitre MeetKind = "mitre"
	MeetWeld  MeetKind = "weld"
)

// Meet is a corner where two flanges of one panel meet.
type Meet struct {
	A    string   `json:"a" doc:"id of a flange; of a lap the one that covers the other's end"`
	B    string   `json:"b" doc:"id of the other"`
	Kind MeetKind `json:"kind" enum:"open,gap,lap,mitre,weld"`
	Gap  float64  `json:"gap,omitempty" doc:"mm between them; left out: 2 of a gap, half the thickness of a weld, 0.2 of the others"`
}

// Corner is how free corners are cut.
type Corner struct {
	Kind CornerKind `json:"kind,omitempty" enum:"square,radius,chamfer"`
	Size float64    `json:"size,omitempty" doc:"mm"`
}

// CornerKind of a free corner.
type CornerKind string

// The kinds of corner.
const (
	Square  CornerKind = "square"
	Radius  CornerKind = "radius"
	Chamfer CornerKind = "chamfer"
)

// Flange is a panel bent off an edge of another.
type Flange struct {
	ID           string     `json:"id"`
	Name         string     `json:"name,omitempty" doc:"the shop's own"`
	Kind         FlangeKind `json:"kind,omitempty" enum:"flange,hem,jog,roll"`
	Edge         Edge       `json:"edge" doc:"edge of the panel it hangs on: front, right, back, left, or its number"`
	Length       float64    `json:"length" doc:"mm; of a roll what lies beyond it, of a teardrop hem its straight lip"`
	Measure      Measure    `json:"measure,omitempty" enum:"outside,inside,flat,tangent" doc:"how the length was measured; past 165° there is no apex to measure to"`
	Angle        float64    `json:"angle,omitempty" doc:"degrees turned from flat, 1 to 179; of a jog both its bends; a hem has its own"`
	Up           bool       `json:"up" doc:"true towards the good side"`
	InsideRadius float64    `json:"insideRadius" doc:"mm"`
	Hem          HemKind    `json:"hem,omitempty" enum:"closed,open,teardrop"`
	Gap          float64    `json:"gap,omitempty" doc:"mm, open hem: between the faces"`
	Depth        float64    `json:"depth,omitempty" doc:"mm, jog: from face to the same face"`
	Round        float64    `json:"round,omitempty" doc:"mm, roll: diameter of the round it sits on, instead of the radius"`
	Width        float64    `json:"width,omitempty" doc:"mm, in the middle of its edge; instead of the set-ins"`
	SetIn        SetIn      `json:"setIn,omitempty"`
	Taper        SetIn      `json:"taper,omitempty" doc:"degrees its ends lean inwards from square"`
	Relief       Relief     `json:"relief,omitempty" doc:"where the bend ends inside the material"`
	Corner       Corner     `json:"corner,omitempty" doc:"of free corners"`
	Meets        []Meet     `json:"meets,omitempty" doc:"how its own flanges meet"`
	Holes        []Hole     `json:"holes,omitempty"`
	Edges        []EdgeCut  `json:"edges,omitempty" doc:"notches and tabs"`
	Marks        []Mark     `json:"marks,omitempty"`
	Flanges      []Flange   `json:"flanges,omitempty"`
}

// FlangeKind is what hangs on an edge.
type FlangeKind string

// A flange is one bend; a hem is folded back; a jog is two bends and back to
// parallel; a roll is a bend of large radius.
const (
	Bent FlangeKind = "flange"
	Hem  FlangeKind = "hem"
	Jog  FlangeKind = "jog"
	Roll FlangeKind = "roll"
)

// HemKind is how a hem is closed.
type HemKind string

// The hems.
const (
	ClosedHem   HemKind = "closed"
	OpenHem     HemKind = "open"
	TeardropHem HemKind = "teardrop"
)

// SetIn is how far the flange keeps off the ends of its edge: Start is the
// left end of a front or back edge, the front end of a left or right edge.
type SetIn struct {
	Start float64 `json:"start,omitempty" doc:"mm, from the left or front end"`
	End   float64 `json:"end,omitempty" doc:"mm, from the right or back end"`
}

// Relief is cut beside a bend that ends inside the material. Zero sizes take
// the thickness.
type Relief struct {
	Kind  ReliefKind `json:"kind,omitempty" enum:"rectangular,round,tear" doc:"tear cuts nothing"`
	Width float64    `json:"width,omitempty" doc:"mm along the edge, 0 for the thickness"`
	Depth float64    `json:"depth,omitempty" doc:"mm past the tangent line, 0 for the thickness"`
}

// ReliefKind of a relief.
type ReliefKind string

// The kinds of relief; a tear is not cut, the sheet tears there.
const (
	Rectangular ReliefKind = "rectangular"
	Round       ReliefKind = "round"
	Tear        ReliefKind = "tear"
)

// EdgeKind is what is cut on an edge.
type EdgeKind string

// A notch is cut into the sheet; a tab stands out of it and goes into a slot of
// another part.
const (
	Notch EdgeKind = "notch"
	Tab   EdgeKind = "tab"
)

// NotchShape is the form of a notch.
type NotchShape string

// The forms of a notch.
const (
	SquareNotch NotchShape = "square"
	VeeNotch    NotchShape = "vee"
	RoundNotch  NotchShape = "round"
)

// EdgeCut is a notch or a tab on a free edge, or several with equal margins.
type EdgeCut struct {
	ID      string     `json:"id"`
	Name    string     `json:"name,omitempty" doc:"the shop's own"`
	Kind    EdgeKind   `json:"kind" enum:"notch,tab"`
	Edge    Edge       `json:"edge"`
	At      float64    `json:"at,omitempty" doc:"mm from the edge's left or front end to its middle; several are spread instead"`
	FromEnd bool       `json:"fromEnd,omitempty" doc:"at counts from the other end"`
	Width   float64    `json:"width" doc:"mm along the edge"`
	Depth   float64    `json:"depth" doc:"mm into the sheet; of a tab out of it"`
	Shape   NotchShape `json:"shape,omitempty" enum:"square,vee,round"`
	Count   int        `json:"count,omitempty" doc:"more than one are spread along the edge"`
	Margin  float64    `json:"margin,omitempty" doc:"mm from both ends of the edge to the middles of the first and last"`
}

// MarkKind is what is marked and not cut through.
type MarkKind string

// The marks: words, the part's own mark, a centre, the side that faces the
// viewer, a pressed bead, and a face that stays free of weld.
const (
	TextMark   MarkKind = "text"
	CentreMark MarkKind = "centre"
	ArrowMark  MarkKind = "arrow"
	BeadMark   MarkKind = "bead"
	NoWeldMark MarkKind = "noweld"
)

// Mark on a panel.
type Mark struct {
	ID     string   `json:"id"`
	Name   string   `json:"name,omitempty" doc:"the shop's own"`
	Kind   MarkKind `json:"kind" enum:"text,centre,arrow,bead,noweld"`
	X      Offset   `json:"x"`
	Y      Offset   `json:"y"`
	Angle  float64  `json:"angle,omitempty" doc:"degrees, as a slot's"`
	Text   string   `json:"text,omitempty"`
	Height float64  `json:"height,omitempty" doc:"mm, of words; 5 when left out"`
	Length float64  `json:"length,omitempty" doc:"mm, of a bead from end to end, of a face along it"`
	Width  float64  `json:"width,omitempty" doc:"mm, across a bead or a face"`
}

// HoleKind is the shape of a hole.
type HoleKind string

// The shapes of holes; a cutout is any loop.
const (
	RoundHole     HoleKind = "round"
	SlotHole      HoleKind = "slot"
	SquareHole    HoleKind = "square"
	RectangleHole HoleKind = "rectangle"
	DHole         HoleKind = "d"
	KeyholeHole   HoleKind = "keyhole"
	CutoutHole    HoleKind = "cutout"
)

// Made says how a hole is made: cut with the blank, drilled after bending from a
// centre mark, drilled out from a small pilot that is cut, or drilled through its
// mate when both stand together.
type Made string

// The ways to make a hole.
const (
	MadeCut     Made = "cut"
	MadeDrilled Made = "drilled"
	MadePilot   Made = "pilot"
	MadeMatched Made = "matched"
)

// Hole is one hole or slot, or a pattern of them, placed from two edges of its
// panel.
type Hole struct {
	ID       string   `json:"id"`
	Name     string   `json:"name,omitempty" doc:"the shop's own"`
	Kind     HoleKind `json:"kind" enum:"round,slot,square,rectangle,d,keyhole,cutout"`
	Diameter float64  `json:"diameter,omitempty" doc:"mm; of a slot its width, of a square its side, of a rectangle its short side; left out where its use gives it"`
	Length   float64  `json:"length,omitempty" doc:"mm overall, of a slot, a rectangle or a keyhole"`
	Radius   float64  `json:"radius,omitempty" doc:"mm, corners of a square or rectangle"`
	Flat     float64  `json:"flat,omitempty" doc:"mm across a D, from its flat to the far side"`
	Narrow   float64  `json:"narrow,omitempty" doc:"mm, width of a keyhole's slot"`
	Angle    float64  `json:"angle,omitempty" doc:"degrees of its long way, from the direction away from the x edge towards the direction away from the y edge"`
	X        Offset   `json:"x" doc:"across"`
	Y        Offset   `json:"y" doc:"front to back"`
	Pattern  *Pattern `json:"pattern,omitempty"`
	Made     Made     `json:"made,omitempty" enum:"cut,drilled,pilot,matched"`
	Use      *Use     `json:"use,omitempty" doc:"what a round hole is for"`

	Cut profile.Loop `json:"cut,omitempty" doc:"mm, of a cutout: its outline about its place, x along its angle"`
}

// UseKind is what a round hole is for.
type UseKind string

// The uses of round holes.
const (
	UseCountersink UseKind = "countersink"
	UseTapped      UseKind = "tapped"
	UseWeldNut     UseKind = "weldnut"
	UseRivetNut    UseKind = "rivetnut"
	UseAccess      UseKind = "access"
	UseDrain       UseKind = "drain"
	UsePass        UseKind = "pass"
	UseLightening  UseKind = "lightening"
	UseTab         UseKind = "tab"
)

// Use of a hole; what its kind does not ask for is left out. A slot for a tab is
// a rectangle whose size comes from the tab.
type Use struct {
	Kind   UseKind `json:"kind" enum:"countersink,tapped,weldnut,rivetnut,access,drain,pass,lightening,tab"`
	Thread string  `json:"thread,omitempty" doc:"M8, 3/8-16: of a tapped hole, a nut or a countersunk screw"`
	Back   bool    `json:"back,omitempty" doc:"the head, nut or flange is on the back, not on the good side"`
	Head   float64 `json:"head,omitempty" doc:"mm, countersink: head's diameter; twice the thread when left out"`
	Cone   float64 `json:"cone,omitempty" doc:"degrees, countersink: 90 metric, 82 inch when left out"`
	Tool   float64 `json:"tool,omitempty" doc:"mm, access: outside of the socket"`
	Line   float64 `json:"line,omitempty" doc:"mm, pass: the largest thing that is led through, plugs too"`
	Cover  string  `json:"cover,omitempty" enum:"none,grommet,split" doc:"pass: what lines the edge"`
	Height float64 `json:"height,omitempty" doc:"mm, lightening: its flange's height, 0 for none"`
	Width  float64 `json:"width,omitempty" doc:"mm, tab: its width"`
	Thick  float64 `json:"thick,omitempty" doc:"mm, tab: thickness of the part it is on; this part's own when left out"`
}

// Offset is a distance from a named edge, from the panel's middle, or from
// another hole of the panel.
type Offset struct {
	Edge     Edge    `json:"edge" doc:"front, right, back, left or a number; middle; feature"`
	Feature  string  `json:"feature,omitempty" doc:"id of the hole it counts from"`
	Distance float64 `json:"distance" doc:"mm into the panel; from the middle or a hole to the right or back"`
	From     Measure `json:"from,omitempty" enum:"outside,inside,flat" doc:"where the edge is bent: from the outer tangent plane, the inner one or the tangent line"`
}

// PatternKind is the layout of a hole pattern.
type PatternKind string

// The layouts.
const (
	GridPattern   PatternKind = "grid"
	CirclePattern PatternKind = "circle"
	RowPattern    PatternKind = "row"
	EdgePattern   PatternKind = "edge"
	MirrorPattern PatternKind = "mirror"
)

// Pattern repeats a hole. A grid starts at the hole and steps away from its
// edges; a circle has the hole's place as its centre; a row runs from the hole at
// an angle; an edge pattern spreads along an edge with equal margins at both its
// ends; a mirror repeats it across the panel's middle.
type Pattern struct {
	Kind     PatternKind `json:"kind" enum:"grid,circle,row,edge,mirror"`
	Columns  int         `json:"columns,omitempty" doc:"grid: along x"`
	Rows     int         `json:"rows,omitempty" doc:"grid: along y"`
	PitchX   float64     `json:"pitchX,omitempty" doc:"grid, row: mm"`
	PitchY   float64     `json:"pitchY,omitempty" doc:"grid: mm"`
	Count    int         `json:"count,omitempty" doc:"circle, row, edge: number of holes"`
	Edge     Edge        `json:"edge,omitempty" doc:"edge: the one they spread along; x or y says how far from it"`
	Margin   float64     `json:"margin,omitempty" doc:"edge: mm from both ends of the edge to the first and last centre"`
	Across   bool        `json:"across,omitempty" doc:"mirror: left to right"`
	Back     bool        `json:"back,omitempty" doc:"mirror: front to back; with across both, four in all"`
	Diameter float64     `json:"diameter,omitempty" doc:"circle: mm, pitch circle"`
	Start    float64     `json:"start,omitempty" doc:"circle: degrees of the first hole; row: of its way; turned as a slot's angle"`
}

// Count answers how many holes the feature makes.
func (h Hole) Count() int {
	switch {
	case h.Pattern == nil:
		return 1
	case h.Pattern.Kind == CirclePattern, h.Pattern.Kind == RowPattern, h.Pattern.Kind == EdgePattern:
		return h.Pattern.Count
	case h.Pattern.Kind == MirrorPattern:
		n := 1
		if h.Pattern.Across {
			n *= 2
		}
		if h.Pattern.Back {
			n *= 2
		}
		return n
	}
	return h.Pattern.Columns * h.Pattern.Rows
}
