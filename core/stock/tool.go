package stock

import "math"

// ToolShape is the room a tool takes on a fastener's axis, from the face the
// head lies on outwards: turned bodies on the axis, and a handle that leans away
// from it and must swing.
type ToolShape struct {
	Key    string     `json:"key"`
	Name   string     `json:"name"`
	Holds  bool       `json:"holds" doc:"it can hold a head or nut still"`
	Turns  bool       `json:"turns" doc:"it can tighten"`
	Drills bool       `json:"drills" doc:"it makes the hole, or sets a rivet"`
	Rounds []Round    `json:"rounds"`
	Handle *ToolSwing `json:"handle,omitempty"`
}

// Round is a turned body on the axis.
type Round struct {
	Radius float64 `json:"radius" doc:"mm"`
	From   float64 `json:"from" doc:"mm from the face"`
	To     float64 `json:"to" doc:"mm from the face"`
}

// ToolSwing is a straight handle that swings round the axis.
type ToolSwing struct {
	From   float64 `json:"from" doc:"mm from the face"`
	To     float64 `json:"to" doc:"mm from the face"`
	Length float64 `json:"length" doc:"mm from the axis to its end"`
	Width  float64 `json:"width" doc:"mm"`
	Swing  float64 `json:"swing" doc:"degrees it needs to swing; 0 to be put on at all"`
}

// ToolSource of the shapes.
const ToolSource = "usual hand tools, measured roughly: typical; measure the tool that must go in"

// handRoom is what fingers need round a tool, mm.
const handRoom = 12.

// ToolsFor answers the tools for a thread, simplest first.
func ToolsFor(t Thread) []ToolShape {
	hw, _ := HardwareFor(t)
	af := t.AcrossHex
	socket, head := hw.Socket/2, hw.Head
	// A socket's length and its ratchet, by drive: 3/8 in to 19 mm, 1/2 in above.
	long, neck, arm, wide := 30., 17., 190., 30.
	if af > 19.5 {
		long, neck, arm, wide = 38, 22, 260, 38
	}
	spanner := 40 + 8.5*af
	return []ToolShape{
		{"socket", "socket and ratchet", true, true, false, []Round{{socket, 1, long}, {neck, long, long + 28}}, &ToolSwing{long + 2, long + 26, arm, wide, 12}},
		{"deep", "deep socket and ratchet", true, true, false, []Round{{socket, 1, 2.1 * long}, {neck, 2.1 * long, 2.1*long + 28}}, &ToolSwing{2.1*long + 2, 2.1*long + 26, arm, wide, 12}},
		{"extension", "socket on an extension of 150", true, true, false, []Round{{socket, 1, long}, {9, long, long + 150}, {neck, long + 150, long + 178}}, &ToolSwing{long + 152, long + 176, arm, wide, 12}},
		{"ratcheting", "ratcheting spanner", true, true, false, []Round{{.92 * af, 0, head + 3}}, &ToolSwing{0, head + 3, spanner, .8*af + 4, 8}},
		{"ring", "ring spanner", true, true, false, []Round{{.85 * af, 0, head + 2}}, &ToolSwing{0, head + 8, spanner, .7*af + 4, 30}},
		{"open", "open spanner", true, true, false, []Round{{1.15 * af, 0, head}}, &ToolSwing{0, head, spanner, .8 * af, 30}},
		{"hand", "fingers to start the nut", false, false, false, []Round{{math.Max(hw.Socket/2, af/2) + handRoom, .5, 30}}, nil},
		{"driver", "straight screwdriver", false, true, false, []Round{{6, 0, 100}, {18, 100, 220}}, nil},
		{"drill", "straight drill", false, false, true, []Round{{t.Diameter/2 + 1, 0, 60}, {24, 60, 130}, {34, 130, 300}}, &ToolSwing{200, 300, 170, 50, 0}},
		{"angledrill", "angle drill", false, false, true, []Round{{t.Diameter/2 + 1, 0, 40}, {20, 40, 110}}, &ToolSwing{60, 105, 260, 55, 0}},
		{"riveter", "hand riveter", false, false, true, []Round{{9, 0, 45}, {24, 45, 130}}, &ToolSwing{60, 110, 230, 45, 0}},
		{"impact", "impact driver", false, true, false, []Round{{socket, 1, long}, {30, long, long + 150}}, &ToolSwing{long + 90, long + 150, 180, 70, 0}},
	}
}
