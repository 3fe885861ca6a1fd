package sheet

import (
	"warmanvil/core/develop"
	"warmanvil/core/profile"
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
	Developed ShapeKind = "developed"
)

// Shape of a base other than a rectangle. Sizes of shapes with arcs are those of
// the flat part, whatever the measure.
type Shape struct {
	Kind   ShapeKind    `json:"kind" enum:"rectangle,trapezoid,triangle,polygon,sides,disc,ring,slot,developed"`
	Back   float64      `json:"back,omitempty" doc:"mm, trapezoid: its back edge"`
	Shift  float64      `json:"shift,omitempty" doc:"mm, trapezoid: its back edge's left end lies so far right of the front left corner; triangle: its tip does"`
	Sweep  float64      `json:"sweep,omitempty" doc:"degrees, ring: how far it runs round"`
	Flip   bool         `json:"flip,omitempty" doc:"ring: it runs round the other way"`
	Points profile.Loop `json:"points,omitempty" doc:"polygon: corners anticlockwise; a corner's bulge makes the edge behind it an arc"`
	Sides  []SideSize   `json:"sides,omitempty" doc:"sides: lengths and inside angles, anticlockwise; the last side closes it by itself"`

	Round *develop.Form `json:"round,omitempty" doc:"developed: the round it is unrolled from; good side out, no flanges"`
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
