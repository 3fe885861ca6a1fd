package sheet

import (
	"warmanvil/core/profile"
)

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
	Group    string   `json:"group,omitempty" doc:"features of one group are shown, copied and removed together"`
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

// Offset is a distance from a named edge, from the panel's middle, from another hole of the panel; on a
// round x may be degrees round it and y mm up.
type Offset struct {
	Edge     Edge    `json:"edge" doc:"front, right, back, left or a number; middle; feature; on a round: around (x), up (y)"`
	Feature  string  `json:"feature,omitempty" doc:"id of the hole it counts from"`
	Distance float64 `json:"distance" doc:"mm into the panel; from the middle or a hole to the right or back; around: degrees from +x anticlockwise, seen from above"`
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
	AroundPattern PatternKind = "around"
)

// Pattern repeats a hole. A grid starts at the hole and steps away from its
// edges; a circle has the hole's place as its centre; a row runs from the hole at
// an angle; an edge pattern spreads along an edge with equal margins at both its
// ends; a mirror repeats it across the panel's middle; around spreads it evenly round a round, once round
// a closed one, of one with ends from the first hole by the angle so often.
type Pattern struct {
	Kind     PatternKind `json:"kind" enum:"grid,circle,row,edge,mirror,around"`
	Columns  int         `json:"columns,omitempty" doc:"grid: along x"`
	Rows     int         `json:"rows,omitempty" doc:"grid: along y"`
	PitchX   float64     `json:"pitchX,omitempty" doc:"grid, row: mm"`
	PitchY   float64     `json:"pitchY,omitempty" doc:"grid: mm"`
	Count    int         `json:"count,omitempty" doc:"circle, row, edge, around: number of holes"`
	Edge     Edge        `json:"edge,omitempty" doc:"edge: the one they spread along; x or y says how far from it"`
	Margin   float64     `json:"margin,omitempty" doc:"edge: mm from both ends of the edge to the first and last centre"`
	Across   bool        `json:"across,omitempty" doc:"mirror: left to right"`
	Back     bool        `json:"back,omitempty" doc:"mirror: front to back; with across both, four in all"`
	Diameter float64     `json:"diameter,omitempty" doc:"circle: mm, pitch circle"`
	Start    float64     `json:"start,omitempty" doc:"circle: degrees of the first hole; row: of its way; turned as a slot's angle; around: degrees from hole to hole, once round when 0"`
}

// Count answers how many holes the feature makes.
func (h Hole) Count() int {
	switch {
	case h.Pattern == nil:
		return 1
	case h.Pattern.Kind == CirclePattern, h.Pattern.Kind == RowPattern, h.Pattern.Kind == EdgePattern, h.Pattern.Kind == AroundPattern:
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

// Bolted tells whether a hole of that use may carry a bolt.
func (u *Use) Bolted() bool {
	return u == nil || u.Kind != UseAccess && u.Kind != UseDrain && u.Kind != UsePass && u.Kind != UseLightening
}
