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
	Inside bool       `json:"inside" doc:"it goes into a head's socket, not over a hexagon"`
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

// Head of a bolt.
type Head string

// Hexagon outside, or a socket for a hex key.
const (
	HexHead    Head = "hex"
	SocketHead Head = "socket"
)

// Socketed is the size of a socket head, mm.
type Socketed struct{ Over, High, Key float64 }

// SocketHeadOf answers the socket head of a thread: 1.5 d over, d high, a key of
// about 0.8 d (ISO 4762; ASME B18.3 alike).
func SocketHeadOf(t Thread) Socketed {
	return Socketed{1.5 * t.Diameter, t.Diameter, .8 * t.Diameter}
}

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
	s := SocketHeadOf(t)
	short, over := .5*s.High+16+3.3*s.Key, 50+7*s.Key // ISO 2936 keys, about
	spanner := 40 + 8.5*af
	return []ToolShape{
		{"socket", "socket and ratchet", true, true, false, false, []Round{{socket, 1, long}, {neck, long, long + 28}}, &ToolSwing{long + 2, long + 26, arm, wide, 12}},
		{"deep", "deep socket and ratchet", true, true, false, false, []Round{{socket, 1, 2.1 * long}, {neck, 2.1 * long, 2.1*long + 28}}, &ToolSwing{2.1*long + 2, 2.1*long + 26, arm, wide, 12}},
		{"extension", "socket on an extension of 150", true, true, false, false, []Round{{socket, 1, long}, {9, long, long + 150}, {neck, long + 150, long + 178}}, &ToolSwing{long + 152, long + 176, arm, wide, 12}},
		{"ratcheting", "ratcheting spanner", true, true, false, false, []Round{{.92 * af, 0, head + 3}}, &ToolSwing{0, head + 3, spanner, .8*af + 4, 8}},
		{"ring", "ring spanner", true, true, false, false, []Round{{.85 * af, 0, head + 2}}, &ToolSwing{0, head + 8, spanner, .7*af + 4, 30}},
		{"open", "open spanner", true, true, false, false, []Round{{1.15 * af, 0, head}}, &ToolSwing{0, head, spanner, .8 * af, 30}},
		{"hand", "fingers to start the nut", false, false, false, false, []Round{{af/math.Sqrt(3) + 1, .5, hw.Nut + 2}}, &ToolSwing{1, 25, 75, 22, 30}},
		{"key", "hex key", true, true, false, true, []Round{{.6 * s.Key, 1, short}}, &ToolSwing{short - s.Key, short, over, 1.2 * s.Key, 60}},
		{"bit", "hex bit on a ratchet", true, true, false, true, []Round{{.6*s.Key + 1, 1, s.High + 15}, {long / 2.8, s.High + 15, s.High + 40}, {neck, s.High + 40, s.High + 68}}, &ToolSwing{s.High + 42, s.High + 66, arm, wide, 12}},
		{"driver", "straight driver with a hex bit", true, true, false, true, []Round{{6, 0, 100}, {18, 100, 220}}, nil},
		{"drill", "straight drill", false, false, true, false, []Round{{t.Diameter/2 + 1, 0, 60}, {24, 60, 130}, {34, 130, 300}}, &ToolSwing{200, 300, 170, 50, 0}},
		{"angledrill", "angle drill", false, false, true, false, []Round{{t.Diameter/2 + 1, 0, 40}, {20, 40, 110}}, &ToolSwing{60, 105, 260, 55, 0}},
		{"riveter", "hand riveter", false, false, true, false, []Round{{9, 0, 45}, {24, 45, 130}}, &ToolSwing{60, 110, 230, 45, 0}},
		{"impact", "impact driver", false, true, false, false, []Round{{socket, 1, long}, {30, long, long + 150}}, &ToolSwing{long + 90, long + 150, 180, 70, 0}},
	}
}
