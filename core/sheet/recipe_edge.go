package sheet

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
	Group   string     `json:"group,omitempty" doc:"features of one group are shown, copied and removed together"`
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
	Group  string   `json:"group,omitempty" doc:"features of one group are shown, copied and removed together"`
	Kind   MarkKind `json:"kind" enum:"text,centre,arrow,bead,noweld"`
	X      Offset   `json:"x"`
	Y      Offset   `json:"y"`
	Angle  float64  `json:"angle,omitempty" doc:"degrees, as a slot's"`
	Text   string   `json:"text,omitempty"`
	Height float64  `json:"height,omitempty" doc:"mm, of words; 5 when left out"`
	Length float64  `json:"length,omitempty" doc:"mm, of a bead from end to end, of a face along it"`
	Width  float64  `json:"width,omitempty" doc:"mm, across a bead or a face"`
}
