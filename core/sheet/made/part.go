package made

import (
	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Part is everything a recipe says: flat pattern, folded body, figures, flags.
// It is derived and never stored.
type Part struct {
	Whole      bool              `json:"whole" doc:"false when something could not be unfolded and was left out"`
	Outline    profile.Loop      `json:"outline" doc:"flat pattern, anticlockwise, good side up, mm; origin at the front left corner of the base's flat part"`
	Bounds     profile.Bounds    `json:"bounds"`
	Holes      []HoleMade        `json:"holes"`
	Marks      []MarkMade        `json:"marks" doc:"what is marked, not cut through"`
	BendLines  []BendLine        `json:"bendLines"`
	Round      *RoundMade        `json:"round,omitempty" doc:"of a part unrolled from a round"`
	Steps      []BendStep        `json:"steps" doc:"bends in the order they are made, by rule; as found where that was asked for"`
	Bending    *bending.Bending  `json:"-"` // where the order was asked for
	First      *FirstBend        `json:"first,omitempty" doc:"the first bend, as a test strip"`
	Panels     []PanelMade       `json:"panels"`
	Body       Body              `json:"body"`
	Sections   []Section         `json:"sections" doc:"the folded part cut square to its bends; empty unless asked for"`
	Figures    []Figure          `json:"figures"`
	Schools    []SchoolBlank     `json:"schools" doc:"the blank under each school"`
	Dimensions []Dimension       `json:"dimensions" doc:"what can be typed over, in walking order"`
	Ordinates  Ordinates         `json:"ordinates"`
	Findings   []working.Finding `json:"findings"`

	Area      float64 `json:"area" doc:"mm², net of cut holes"`
	Mass      float64 `json:"mass" doc:"kg"`
	CutLength float64 `json:"cutLength" doc:"mm"`
	Pierces   int     `json:"pierces"`
}

// HoleMade is one hole on the flat pattern and on the body.
type HoleMade struct {
	ID       string         `json:"id"`
	Feature  string         `json:"feature" doc:"id in the recipe"`
	Panel    string         `json:"panel"`
	Name     string         `json:"name"`
	Kind     sheet.HoleKind `json:"kind" enum:"round,slot,square,rectangle,d,keyhole,cutout"`
	Made     sheet.Made     `json:"made" enum:"cut,drilled,pilot,matched"`
	Use      sheet.UseKind  `json:"use,omitempty"`
	Back     bool           `json:"back,omitempty" doc:"its head, nut or flange is on the back"`
	Says     string         `json:"says,omitempty" doc:"what it is for"`
	Centre   profile.Point  `json:"centre"`
	Diameter float64        `json:"diameter"`
	Cut      float64        `json:"cut" doc:"mm, diameter that is cut: less where it is drilled out or flanged after"`
	Length   float64        `json:"length,omitempty"`
	Loop     profile.Loop   `json:"loop,omitempty" doc:"of all but round holes"`
	Body     solid.Vector   `json:"body" doc:"centre on the folded mid-surface"`
	On       *OnRound       `json:"on,omitempty" doc:"of a round: where on it"`
	Normal   solid.Vector   `json:"normal" doc:"towards the panel's good side"`
	Size     string         `json:"size" doc:"as the job writes it"`
	X        lay.Length     `json:"x" doc:"centre from the blank's left edge"`
	Y        lay.Length     `json:"y" doc:"centre from the blank's front edge"`
}

// BendLine is the centre line of a bend on the flat pattern, with its row of
// the bend table.
type BendLine struct {
	ID            string        `json:"id" doc:"id of the flange"`
	Name          string        `json:"name"`
	From          profile.Point `json:"from"`
	To            profile.Point `json:"to"`
	Angle         float64       `json:"angle" doc:"degrees turned from flat"`
	Opens         float64       `json:"opens" doc:"degrees the two faces enclose, 180 − angle"`
	Up            bool          `json:"up"`
	InsideRadius  float64       `json:"insideRadius"`
	Radius        lay.Length    `json:"radius"`
	BendAllowance float64       `json:"bendAllowance"`
	Allowance     lay.Length    `json:"allowance"`
	BendDeduction float64       `json:"bendDeduction"`
	Deduction     lay.Length    `json:"deduction"`
	KFactor       float64       `json:"kFactor"`
	School        bend.School   `json:"school" enum:"coupon,table,standard,fixed"`
	Length        lay.Length    `json:"length" doc:"of the bend"`
	Place         lay.Length    `json:"place" doc:"of the line from the blank's left or front edge"`
	Axis          string        `json:"axis" enum:"x,y,slanted" doc:"which place counts: x from the left, y from the front; slanted: both its ends"`
	Aim           *float64      `json:"aim" doc:"degrees to bend to, springback allowed for; null when the sheet takes no set"`
	Force         *float64      `json:"force" doc:"N, air bend; null on other tools"`
	// Their workings are asked for by Explain: there are many and few are read.
	Working        working.Working `json:"-"`
	AimWorking     working.Working `json:"-"`
	ForceWorking   working.Working `json:"-"`
	TangentOffsets [2]float64      `json:"tangentOffsets" doc:"mm from the centre line to the tangent lines"`
}

// PanelMade is one flat piece.
type PanelMade struct {
	ID     string          `json:"id"`
	Name   string          `json:"name"`
	Path   string          `json:"path" doc:"JSON pointer into the recipe"`
	Parent string          `json:"parent,omitempty"`
	Flat   []profile.Point `json:"flat" doc:"outline on the flat pattern"`
	Zone   []profile.Point `json:"zone,omitempty" doc:"bend zone on the flat pattern"`
	Edges  []EdgeMade      `json:"edges"`
	Middle profile.Point   `json:"middle"`
	Seat   lay.Seat        `json:"-"`
	Pose   lay.Pose        `json:"-"`
}

// EdgeMade is one edge of a panel, for tapping.
type EdgeMade struct {
	Edge sheet.Edge    `json:"edge" doc:"front, right, back, left or a number"`
	From profile.Point `json:"from"`
	To   profile.Point `json:"to"`
	Role string        `json:"role" enum:"free,bend,tip,bent,round" doc:"free; the panel's own bend; opposite it; carrying a flange; or an arc"`
}

// Figure is one number of the part with its working.
type Figure struct {
	Key     string          `json:"key"`
	Name    string          `json:"name"`
	Text    string          `json:"text"`
	Lies    string          `json:"lies" enum:"exact,heavy,light" doc:"where the true size lies against the text"`
	Off     string          `json:"off,omitempty" doc:"by how many inches a fraction is rounded, as .011"`
	Value   float64         `json:"value"`
	Unit    string          `json:"unit"`
	Working working.Working `json:"working"`
}

// SchoolBlank is the blank size one school gives.
type SchoolBlank struct {
	School bend.School `json:"school" enum:"coupon,table,standard,fixed"`
	Chosen bool        `json:"chosen"`
	X      *lay.Length `json:"x,omitempty" doc:"left out when the school gives no figure"`
	Y      *lay.Length `json:"y,omitempty"`
	Off    *lay.Length `json:"off,omitempty" doc:"longest side's difference to the chosen school"`
	Why    string      `json:"why,omitempty" doc:"why there is no figure"`
}

// DimensionKind tells how a dimension is typed.
type DimensionKind string

// The kinds of dimension.
const (
	LengthDimension DimensionKind = "length"
	AngleDimension  DimensionKind = "angle"
	CountDimension  DimensionKind = "count"
)

// Dimension is one value of the recipe that can be typed over.
type Dimension struct {
	Path    string         `json:"path" doc:"JSON pointer into the recipe"`
	Feature string         `json:"feature" doc:"id"`
	Group   string         `json:"group" doc:"name of the feature"`
	In      string         `json:"in,omitempty" doc:"name of the group the feature is in"`
	Label   string         `json:"label"`
	Kind    DimensionKind  `json:"kind" enum:"length,angle,count"`
	Value   float64        `json:"value"`
	Text    string         `json:"text" doc:"as it was given, never rounded"`
	Note    string         `json:"note,omitempty" doc:"how it is measured"`
	From    *profile.Point `json:"from,omitempty" doc:"on the flat pattern"`
	To      *profile.Point `json:"to,omitempty"`
	Hole    bool           `json:"hole,omitempty" doc:"a hole's diameter: what goes through it may be typed"`
	Main    bool           `json:"main" doc:"shown on the drawing without being chosen"`
	Size    string         `json:"size" doc:"which size of its feature it is, whatever comes before it"`
	Why     string         `json:"why,omitempty" doc:"why it is as it is, as somebody said"`
}

// Ordinates are the places to mark out on the blank, from its front left corner.
type Ordinates struct {
	X []Ordinate `json:"x"`
	Y []Ordinate `json:"y"`
}

// Ordinate is one line to mark.
type Ordinate struct {
	At   float64    `json:"at" doc:"place on the flat pattern's own axis"`
	Dist lay.Length `json:"dist" doc:"from the blank's edge"`
	What string     `json:"what" enum:"edge,bend"`
}

// Onto answers a direction in the seat's axes on the flat pattern, by the
// panel's front left corners there.
func (m PanelMade) Onto(d profile.Point) profile.Point {
	return m.Pose.Turn(d)
}
