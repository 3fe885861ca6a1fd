// Package hold asks whether a folded bracket, bolted through a pattern of
// holes, holds what its other holes carry: bolts, the plate round them, the
// bends between. What holds the other side of the joint is not its concern and
// is said so.
package hold

import (
	"warmanvil/core/bolt"
	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Direction is one of the six ways along a part's axes.
type Direction string

// The ways: x to the right of the base, y to its back, z towards its good side.
const (
	PlusX  Direction = "+x"
	MinusX Direction = "-x"
	PlusY  Direction = "+y"
	MinusY Direction = "-y"
	PlusZ  Direction = "+z"
	MinusZ Direction = "-z"
)

var ways = map[Direction]solid.Vector{PlusX: {1}, MinusX: {-1}, PlusY: {0, 1}, MinusY: {0, -1}, PlusZ: {0, 0, 1}, MinusZ: {0, 0, -1}}

// Face is a side of a panel.
type Face string

// The good side is the one that faces up on the bench.
const (
	Good Face = "good"
	Back Face = "back"
)

// GroupSchool shares a load in the plane of a bolt group.
type GroupSchool string

// Elastic vector method, or instantaneous centre of rotation.
const (
	Elastic       GroupSchool = "elastic"
	Instantaneous GroupSchool = "icr"
)

// TensionSchool shares a load out of the plane.
type TensionSchool string

// Neutral axis at the centroid, or turning about the plate's edge.
const (
	AtCentroid TensionSchool = "centroid"
	AtEdge     TensionSchool = "edge"
)

// Bolts are the fasteners of a mount.
type Bolts struct {
	System         stock.System `json:"system" enum:"inch,metric"`
	Size           string       `json:"size"`
	Pitch          float64      `json:"pitch" doc:"threads per inch, or mm"`
	Grade          string       `json:"grade"`
	ThreadsInPlane bool         `json:"threadsInPlane" doc:"the shear plane cuts the threads"`
	Washer         float64      `json:"washer,omitempty" doc:"outside diameter of the washer on the sheet, mm; 0 for none"`
}

// Mount is how a part is bolted on and where it carries.
type Mount struct {
	Fasten   []string         `json:"fasten" doc:"ids of the hole features that bolt it to the vehicle"`
	Carry    []string         `json:"carry" doc:"ids of the hole features that carry the load"`
	Against  Face             `json:"against" enum:"good,back" doc:"the face of the fastened panel that lies on the vehicle"`
	Backed   bool             `json:"backed" doc:"what it is bolted to reaches under the whole panel, so that it can press on it"`
	Up       Direction        `json:"up" enum:"+x,-x,+y,-y,+z,-z" doc:"which way of the part points up"`
	Forward  Direction        `json:"forward" enum:"+x,-x,+y,-y,+z,-z" doc:"which way of the part points forward"`
	Bolts    Bolts            `json:"bolts"`
	Doubler  float64          `json:"doubler,omitempty" doc:"thickness of a plate of the same metal under the bolts' heads, two diameters past the holes each way, mm; 0 for none"`
	InPlane  GroupSchool      `json:"inPlane" enum:"elastic,icr"`
	Display  quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	OutPlane TensionSchool    `json:"outPlane" enum:"centroid,edge"`
	Welded   []Along          `json:"-"` // seams that hold it in place of bolts
}

// Load is one force on the carrying holes, in vehicle axes (x forward, y left,
// z up), N.
type Load struct {
	Case  string
	Where string // which foot, when there are several
	Force [3]float64
}

// Name says case and place in one line.
func (l Load) Name() string {
	if l.Where == "" {
		return l.Case
	}
	return l.Case + "; " + l.Where
}

// BoltForce is what one bolt carries in the governing case.
type BoltForce struct {
	Hole    string     `json:"hole" doc:"id of the hole as made"`
	Share   [2]float64 `json:"share" doc:"in the plane, on the panel's axes, N"`
	OnFlat  [2]float64 `json:"onFlat" doc:"the same on the flat pattern's axes, N"`
	Shear   float64    `json:"shear" doc:"N"`
	Tension float64    `json:"tension" doc:"N, school in use"`
	Prying  float64    `json:"prying" doc:"N, comes on top of the tension"`
	Centre  float64    `json:"centroidSchool" doc:"tension with the neutral axis at the centroid, N"`
	Edge    float64    `json:"edgeSchool" doc:"tension turning about the edge, N"`
}

// Result is what a bracket answers.
type Result struct {
	Checks      []strength.Check `json:"checks" doc:"hardest first"`
	Verdict     strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	First       string           `json:"first,omitempty" doc:"what gives first"`
	Hardest     *float64         `json:"hardest" doc:"largest utilisation"`
	Case        string           `json:"case,omitempty" doc:"its case"`
	Force       [3]float64       `json:"force" doc:"of that case on the carrying holes, vehicle axes, N"`
	Bolts       []BoltForce      `json:"bolts"`
	Coefficient *float64         `json:"icrCoefficient" doc:"load over one bolt's ultimate strength in that case by the instantaneous centre"`
	Deflection  *float64         `json:"deflection" doc:"mm at the carrying holes along the load of that case, at most"`
	// The plate is held somewhere between the bolts' middle and the washers' edges.
	DeflectionLeast *float64          `json:"deflectionLeast" doc:"mm, the same at least"`
	Findings        []working.Finding `json:"findings"`
}

// find answers the bolt of a mount.
func (b Bolts) find() (bolt.Bolt, error) {
	t, err := stock.FindThread(b.System, b.Size, b.Pitch)
	if err != nil {
		return bolt.Bolt{}, err
	}
	g, err := stock.FindGrade(t, b.Grade)
	return bolt.Bolt{Thread: t, Grade: g, ThreadsInPlane: b.ThreadsInPlane}, err
}

// Into answers how forces in vehicle axes turn into the part's; false where up and
// forward are one way.
func (m Mount) Into() (func(force [3]float64) solid.Vector, bool) {
	up, forward := ways[m.Up], ways[m.Forward]
	left := up.Cross(forward)
	if left.Len() < .5 {
		return nil, false
	}
	return func(f [3]float64) solid.Vector {
		return forward.Mul(f[0]).Add(left.Mul(f[1])).Add(up.Mul(f[2]))
	}, true
}
