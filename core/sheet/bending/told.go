package bending

import (
	"warmanvil/core/profile"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Found is how an order was looked for.
type Found string

// Exact: every state the body can be in was looked at. Search: the more hopeful ones. None:
// no order was found; with Exact beside it there is none. Idle: nothing is bent.
const (
	Exact  Found = "exact"
	Search Found = "search"
)

// Bending is a part bent in a brake: the order, what is done at each step and what it looks
// like, or what stands in the way.
type Bending struct {
	Brake    string           `json:"brake" doc:"it is bent on"`
	Kind     Kind             `json:"kind" enum:"press,leaf,vice"`
	Goes     bool             `json:"goes" doc:"an order was found that runs into nothing"`
	Found    Found            `json:"found" enum:"exact,search" doc:"exact: every state of the body was looked at"`
	Looked   int              `json:"looked" doc:"states that were looked at"`
	Over     int              `json:"over" doc:"times the sheet is turned over"`
	Round    int              `json:"round" doc:"times it is turned round"`
	Steps    []BendingStep    `json:"steps"`
	Plates   []BendingPlate   `json:"plates" doc:"the panels, for drawing; bodies of steps name them"`
	Conflict *BendingConflict `json:"conflict,omitempty"`
	Usual    []string         `json:"usual" doc:"what was taken as usual because the Shop does not say it"`
	Working  working.Working  `json:"working"`
}

// BendingStep is one stroke as whoever stands at the brake sees it.
type BendingStep struct {
	Order    int          `json:"order" doc:"from 1"`
	IDs      []string     `json:"ids" doc:"of the flanges it bends"`
	Name     string       `json:"name"`
	SideUp   string       `json:"sideUp" enum:"good,back"`
	Turned   bool         `json:"turned" doc:"turned over since the step before"`
	Round    float64      `json:"round" doc:"degrees turned round since the step before"`
	Angle    float64      `json:"angle" doc:"degrees turned from flat in this step"`
	Opens    float64      `json:"opens" doc:"degrees the two faces enclose after it"`
	Aim      *float64     `json:"aim" doc:"degrees to bend to, springback allowed for; null when the sheet takes no set"`
	Half     *float64     `json:"half,omitempty" doc:"degrees on a leaf scale that shows half the turn"`
	Stop     *lay.Length  `json:"stop,omitempty" doc:"from the bend line to what meets the stop; left out when it is bent to the line"`
	StopAt   string       `json:"stopAt" doc:"what meets the stop, or why it is bent to the line"`
	Length   lay.Length   `json:"length" doc:"of the bend"`
	Upper    BendingTool  `json:"upper" doc:"punch or fingers"`
	Die      *BendingTool `json:"die,omitempty"`
	Force    *float64     `json:"force" doc:"N"`
	Overhang lay.Length   `json:"overhang" doc:"sheet that hangs out of the tools"`
	Held     float64      `json:"held" doc:"kg, the part"`
	Second   string       `json:"second,omitempty" doc:"why a second person is wanted"`
	In       string       `json:"in" doc:"how it comes into the tools"`
	Out      string       `json:"out" doc:"how it comes out"`
	Clear    float64      `json:"clear" doc:"mm, what comes nearest to tools it does not rest on stays so far off at least"`
	Near     string       `json:"near,omitempty" doc:"what that is"`
	Note     string       `json:"note,omitempty"`
	Scene    BendingScene `json:"scene"`
}

// BendingTool is a tool as it is set up for a step.
type BendingTool struct {
	Name  string     `json:"name"`
	Setup Setup      `json:"setup"`
	Long  lay.Length `json:"long"`
	At    string     `json:"at,omitempty" doc:"where along it the bend lies, when not in its middle"`
}

// BendingScene is what a step looks like: side 0 is in front, side 1 at the back. Bodies are
// given in the frame of their side: x along the bend, y away from it, z to the side it bends
// to. A move says where both sides are: a point of the machine is y and z of the side's
// origin, turned up about the bend.
type BendingScene struct {
	Bodies []BendingBody    `json:"bodies"`
	Tools  []BendingOutline `json:"tools"`
	Moves  []BendingMove    `json:"moves" doc:"from flat to the aim, and back to what is left"`
	From   float64          `json:"from" doc:"ends of the bend along the machine, mm"`
	To     float64          `json:"to"`
	Stop   *float64         `json:"stop,omitempty" doc:"mm, where the back stop stands"`
	Radius float64          `json:"radius" doc:"mm, of the middle of the sheet when bent"`
}

// BendingBody is a panel or a bend on one side.
type BendingBody struct {
	Plate int               `json:"plate" doc:"of the plates; −1 for a bend"`
	Side  int               `json:"side"`
	At    [3]solid.Vector   `json:"at,omitempty" doc:"of a panel: origin, x and y"`
	Rows  [][2]solid.Vector `json:"rows,omitempty" doc:"of a bend: both ends of lines along it, on the middle of the sheet"`
}

// BendingPlate is the face of a panel in its own axes.
type BendingPlate struct {
	ID   string          `json:"id"`
	Name string          `json:"name"`
	Face []profile.Point `json:"face"`
}

// BendingOutline is a tool across the bend: x to the back, y up, from one place along the
// machine to another.
type BendingOutline struct {
	Name string          `json:"name"`
	With string          `json:"with" enum:"fixed,punch,leaf"`
	Face []profile.Point `json:"face"`
	From float64         `json:"from"`
	To   float64         `json:"to"`
}

// BendingMove is one moment: the turn, and of each side y, z and how far it is turned up.
type BendingMove struct {
	Turn  float64    `json:"turn" doc:"degrees"`
	Front [3]float64 `json:"front" doc:"y, z in mm, degrees turned up"`
	Back  [3]float64 `json:"back"`
	Tip   float64    `json:"tip" doc:"mm, height of the punch's tip"`
}

// BendingConflict is what stands in the way.
type BendingConflict struct {
	IDs    []string `json:"ids" doc:"of the flanges"`
	Says   string   `json:"says" doc:"what runs into what, and when"`
	Ways   []string `json:"ways" doc:"ways out, in the order they are tried"`
	Proven bool     `json:"proven" doc:"there is no order with these tools; else none was found"`
}
