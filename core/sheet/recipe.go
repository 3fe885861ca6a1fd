// Package sheet is the recipe of a folded sheet part: what is asked for, and whether
// it is one. What it makes goes from room to room, each handing values on:
// lay (flat and folded), flags (what would be scrap), made (all that is told of it);
// starters and split write recipes.
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
	"warmanvil/core/stock"
)

// SchemaVersion of the recipe written by this program.
const SchemaVersion = 1

// Edge of a panel: the way it faces on the flat pattern, or its number.
type Edge string

// The four edges of a panel, the arcs of a ring, and those that are none: distances may count from a
// panel's middle or from another hole, and on a round its place may be degrees round and mm up.
const (
	Front   Edge = "front"
	Right   Edge = "right"
	Back    Edge = "back"
	Left    Edge = "left"
	Outer   Edge = "outer"
	Inner   Edge = "inner"
	Middle  Edge = "middle"
	Feature Edge = "feature"
	Around  Edge = "around"
	Up      Edge = "up"
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
	Guessed   bool      `json:"guessed,omitempty" doc:"nobody measured the thickness: strength counts 0.85 of it"`
	Gauge     *int      `json:"gauge,omitempty" doc:"gauge the thickness was typed as"`
	Grain     Grain     `json:"grain,omitempty" enum:"unknown,x,y" doc:"rolling direction on the flat pattern"`
	Process   string    `json:"process" enum:"plasma,laser,waterjet,punch,hand" doc:"how it is cut"`
	Tool      bend.Tool `json:"tool" doc:"what it is bent on"`
	Bend      bend.Rule `json:"bend" doc:"where K comes from"`
	Base      Base      `json:"base"`
	Ticks     bool      `json:"ticks,omitempty" doc:"small marks at the edges where bend lines end"`
	Hand      Hand      `json:"hand,omitempty" doc:"left and right pair"`
	Seen      Face      `json:"seen,omitempty" enum:"good,back" doc:"the face that shows or carries film: it lies up on the cutting table; left out when none does"`
	Master    *Master   `json:"master,omitempty" doc:"the part its matched holes are drilled through"`
	Piece     *Piece    `json:"piece,omitempty" doc:"the part it was split from"`
	Kin       *Kin      `json:"kin,omitempty" doc:"the family it is of"`
	Facet     *Facet    `json:"facet,omitempty" doc:"the faceted body it is a blank of"`
	SetAside  []Aside   `json:"setAside,omitempty" doc:"findings set aside, with the reason"`
	Reasons   []Reason  `json:"reasons,omitempty" doc:"why sizes are as they are: held up, tried, asked for"`

	// Cuts is how the shop's own machine cuts this sheet, where that was tried: filled in where a
	// part is worked with. nil for the usual.
	Cuts *stock.Process `json:"-"`
}

// Aside records that a finding was set aside and why; it is printed.
type Aside struct {
	Code    string `json:"code"`
	Feature string `json:"feature,omitempty" doc:"id of the feature"`
	Reason  string `json:"reason"`
}

// Reason is why a size is as it is, and what it was when that was said; it is printed.
type Reason struct {
	Feature string  `json:"feature" doc:"id of the feature the size is of"`
	Size    string  `json:"size" doc:"which of its sizes, as its dimension says"`
	Value   float64 `json:"value" doc:"mm, degrees or count, as it was then"`
	Why     string  `json:"why"`
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

// Face of the sheet.
type Face string

// The good side is the one flanges that go up are bent towards; the back is the
// other.
const (
	GoodFace Face = "good"
	BackFace Face = "back"
)

// Master names the part that the matched holes of another are drilled through.
type Master struct {
	Part string `json:"part" doc:"id of the part"`
	Name string `json:"name" doc:"its name then"`
}

// Piece says which part a piece was split from.
type Piece struct {
	Of   string `json:"of" doc:"id of the part it was split from"`
	Name string `json:"name" doc:"its name then"`
	Why  string `json:"why,omitempty" doc:"why it was split, and why there"`
}
