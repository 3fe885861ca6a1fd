package sheet

// Flange is a panel bent off an edge of another.
type Flange struct {
	ID           string     `json:"id"`
	Name         string     `json:"name,omitempty" doc:"the shop's own"`
	Group        string     `json:"group,omitempty" doc:"features of one group are shown, copied and removed together"`
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
	Outline      []Corner2D `json:"outline,omitempty" doc:"mm, corners of the flat part of one of any outline, anticlockwise, the first two on the line where its bend ends: instead of length and tapers"`
	Rebent       int        `json:"rebent,omitempty" doc:"times it was bent back and bent again so far, of the worst piece"`
	Relief       Relief     `json:"relief,omitempty" doc:"where the bend ends inside the material"`
	Corner       Corner     `json:"corner,omitempty" doc:"of free corners"`
	Meets        []Meet     `json:"meets,omitempty" doc:"how its own flanges meet"`
	Holes        []Hole     `json:"holes,omitempty"`
	Edges        []EdgeCut  `json:"edges,omitempty" doc:"notches and tabs"`
	Marks        []Mark     `json:"marks,omitempty"`
	Flanges      []Flange   `json:"flanges,omitempty"`
}

// Corner2D is a corner of a flange of any outline: X along its bend from the bend's middle, Y away from
// the line where the bend ends.
type Corner2D struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
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
