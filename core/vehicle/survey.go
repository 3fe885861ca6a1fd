// Package vehicle is the vehicle as measured: readings as they were taken, and the
// points, hole maps, levels and stacks that follow from them.
package vehicle

import (
	"warmanvil/core/brief"
	"warmanvil/core/fit"
	"warmanvil/core/hole"
	"warmanvil/core/survey"
)

// SurveySchema is the version of the survey's form.
const SurveySchema = 2

// Survey is the vehicle as measured and what a part must fit: everything as it
// was read. What follows from it is derived by WorkSurvey and never stored.
type Survey struct {
	Schema    int            `json:"schema" doc:"version of this form, 2"`
	Datum     Datum          `json:"datum"`
	Shop      survey.Shop    `json:"instruments,omitempty" doc:"mm, what the shop's instruments are good for where it differs"`
	Hook      float64        `json:"hook,omitempty" doc:"mm, thickness of the tape's hook"`
	Points    []SurveyPoint  `json:"points,omitempty"`
	Maps      []HoleMap      `json:"maps,omitempty"`
	Levels    []LevelSet     `json:"levels,omitempty"`
	Slopes    []SlopeSet     `json:"slopes,omitempty"`
	Squares   []SquareSet    `json:"squares,omitempty"`
	Sides     []SideRow      `json:"sides,omitempty" doc:"left against right"`
	Centres   []CentreRow    `json:"centres,omitempty" doc:"what must stand on a centre line"`
	Flushes   []FlushRow     `json:"flushes,omitempty" doc:"faces that must lie flush, or a given step apart"`
	Gaps      []GapRow       `json:"gaps,omitempty" doc:"unloaded and loaded"`
	Measures  []MeasureRow   `json:"measures,omitempty" doc:"headroom, reach, steps between two points"`
	Spaces    []survey.Space `json:"spaces,omitempty"`
	Lines     []BodyLine     `json:"lines,omitempty" doc:"lines of the body that nothing may stand past"`
	Wheels    *survey.Wheels `json:"wheels,omitempty"`
	Placed    []Placed       `json:"placed,omitempty"`
	Between   float64        `json:"between,omitempty" doc:"mm placed things keep off each other"`
	Drillings []Drilling     `json:"drillings,omitempty" doc:"holes drilled into the vehicle"`
	Follows   []Follow       `json:"follows,omitempty"`
	Stacks    []StackSet     `json:"stacks,omitempty"`
	Fits      []FitSet       `json:"fits,omitempty"`
	Olds      []Replaced     `json:"olds,omitempty" doc:"parts that were on it, to set the new ones beside"`
	Trials    []Trial        `json:"trials,omitempty" doc:"people who tried where a seat, a step or controls go"`
	Drawn     string         `json:"drawn,omitempty" doc:"why nothing of this job is measured again: made to a drawing, a bench thing; printed"`
	Checks    []PartCheck    `json:"checks,omitempty" doc:"re-taping and fit checks by part"`
}

// Datum is where coordinates start and which way they run.
type Datum struct {
	Origin  string `json:"origin,omitempty" doc:"the point everything is measured from, in words"`
	Forward string `json:"forward,omitempty" doc:"what x forward runs along"`
	Up      string `json:"up,omitempty" doc:"what z up is square to"`
}

// Way is how a point was located.
type Way string

// Offsets from the datum or another point; TwoDistances in a plane; Distances
// in space; OnLine between two points; Transfer from a part placed already.
const (
	ByOffsets      Way = "offsets"
	ByTwoDistances Way = "twoDistances"
	ByDistances    Way = "distances"
	OnLine         Way = "onLine"
	ByTransfer     Way = "transfer"
)

// Plane that two distances lie in.
type Plane string

// PlanXY seen from above, SideXZ from the left, EndYZ from the rear.
const (
	PlanXY Plane = "plan"
	SideXZ Plane = "side"
	EndYZ  Plane = "end"
)

// SurveyPoint is one place on the vehicle.
type SurveyPoint struct {
	ID     string          `json:"id"`
	Name   string          `json:"name"`
	Kind   string          `json:"kind" enum:"point,hole,square,thread,edge"`
	Size   float64         `json:"size,omitempty" doc:"mm, diameter or side"`
	Thread string          `json:"thread,omitempty"`
	Behind *survey.Reading `json:"behind,omitempty" doc:"mm, thickness there"`
	Uses   string          `json:"uses,omitempty" doc:"what uses it today"`

	Way   Way            `json:"way" enum:"offsets,twoDistances,distances,onLine,transfer"`
	From  string         `json:"from,omitempty" doc:"id of the point offsets start at; the datum when left out"`
	Tape  hole.Method    `json:"tape,omitempty" enum:"inside,outside,sameEdge,centre" doc:"where the tape lay between two round holes, along the longest offset"`
	X     survey.Reading `json:"x,omitempty" doc:"mm forward"`
	Y     survey.Reading `json:"y,omitempty" doc:"mm left"`
	Z     survey.Reading `json:"z,omitempty" doc:"mm up"`
	A     string         `json:"a,omitempty" doc:"first known point"`
	B     string         `json:"b,omitempty" doc:"second known point"`
	DA    survey.Reading `json:"da,omitempty" doc:"mm from A"`
	DB    survey.Reading `json:"db,omitempty" doc:"mm from B"`
	In    Plane          `json:"in,omitempty" enum:"plan,side,end"`
	Side  string         `json:"side,omitempty" enum:"left,right,upper,lower" doc:"which of two mirror images: left or right of the way from A to B as seen in the plane; in space the upper or lower one"`
	TapeA hole.Method    `json:"tapeA,omitempty" enum:"inside,outside,sameEdge,centre" doc:"where the tape lay from A, when both are round holes"`
	TapeB hole.Method    `json:"tapeB,omitempty" enum:"inside,outside,sameEdge,centre" doc:"where the tape lay from B"`
	Many  []FromPoint    `json:"many,omitempty" doc:"three distances or more"`
	Thing string         `json:"thing,omitempty" doc:"placed part it is transferred from"`
	Hole  string         `json:"hole,omitempty" doc:"hole of that part"`
}

// FromPoint is a distance from a known point.
type FromPoint struct {
	Point    string         `json:"point"`
	Distance survey.Reading `json:"distance"`
	Tape     hole.Method    `json:"tape,omitempty" enum:"inside,outside,sameEdge,centre" doc:"where the tape lay between two round holes"`
}

// HoleMap is a hole pattern in one plane by distances between its holes.
type HoleMap struct {
	ID       string       `json:"id"`
	Name     string       `json:"name"`
	Holes    []MapHole    `json:"holes"`
	Readings []MapReading `json:"readings"`
	Below    bool         `json:"below,omitempty" doc:"the first hole off the line of holes 1 and 2 lies below it, seen onto the face with 1 to 2 to the right"`
	Face     brief.Face   `json:"face,omitempty" enum:"front,rear,left,right,up,down" doc:"way the wall faces"`
	First    string       `json:"first,omitempty" doc:"surveyed point that is hole 1"`
	Second   string       `json:"second,omitempty" doc:"surveyed point that hole 2 lies towards"`
	Other    string       `json:"other,omitempty" doc:"map of the other side, hole for hole"`
	Spots    bool         `json:"spots,omitempty" doc:"they are spot welds of the body, not holes"`
	Meant    []MeantHoles `json:"meant,omitempty" doc:"what holes of it are meant to be"`
}

// MeantHoles is what some holes of a map are meant to be: a hypothesis that is tested, and
// used while the readings go with it once somebody has taken it.
type MeantHoles struct {
	ID    string    `json:"id"`
	Form  hole.Form `json:"form" enum:"rectangle,row,evenRow,circle,evenCircle"`
	Holes []string  `json:"holes" doc:"ids of holes of the map"`
	Taken bool      `json:"taken,omitempty" doc:"the map goes by it"`
}

// MapHole is one hole of a map.
type MapHole struct {
	ID       string  `json:"id"`
	Name     string  `json:"name,omitempty"`
	Diameter float64 `json:"diameter,omitempty" doc:"mm; of a square one its side"`
	Thread   string  `json:"thread,omitempty"`
}

// MapReading is a distance between two holes of a map.
type MapReading struct {
	ID    string         `json:"id,omitempty" doc:"what its answer is known by"`
	From  string         `json:"from" doc:"id of a hole"`
	To    string         `json:"to" doc:"id of a hole"`
	Tape  hole.Method    `json:"tape,omitempty" enum:"inside,outside,sameEdge,centre"`
	Value survey.Reading `json:"value"`
}

// LevelSet are heights at four corners.
type LevelSet struct {
	ID         string         `json:"id"`
	Name       string         `json:"name"`
	Wheelbase  survey.Reading `json:"wheelbase"`
	Track      survey.Reading `json:"track"`
	FrontLeft  survey.Reading `json:"frontLeft"`
	FrontRight survey.Reading `json:"frontRight"`
	RearLeft   survey.Reading `json:"rearLeft"`
	RearRight  survey.Reading `json:"rearRight"`
	Floor      *survey.Slope  `json:"floor,omitempty"`
	Wanted     *survey.Slope  `json:"wanted,omitempty"`
}

// SlopeSet is an angle read on a vehicle that itself stands on a slope.
type SlopeSet struct {
	ID      string         `json:"id"`
	Name    string         `json:"name"`
	Reading survey.Reading `json:"reading"`
	Own     survey.Reading `json:"own"`
	Wanted  float64        `json:"wanted,omitempty"`
}

// SquareSet are the diagonals of a frame.
type SquareSet struct {
	ID     string         `json:"id"`
	Name   string         `json:"name"`
	Length survey.Reading `json:"length"`
	Width  survey.Reading `json:"width"`
	First  survey.Reading `json:"first" doc:"mm, front left to rear right"`
	Second survey.Reading `json:"second" doc:"mm, front right to rear left"`
}

// SideRow is one size on both sides.
type SideRow struct {
	ID    string         `json:"id"`
	Name  string         `json:"name"`
	Left  survey.Reading `json:"left"`
	Right survey.Reading `json:"right"`
	Allow float64        `json:"allow,omitempty" doc:"mm they may differ; 1 when left out"`
}

// GapRow is a gap with and without load.
type GapRow struct {
	ID       string         `json:"id"`
	Name     string         `json:"name"`
	Unloaded survey.Reading `json:"unloaded"`
	Loaded   survey.Reading `json:"loaded"`
	Need     float64        `json:"need,omitempty" doc:"mm that must stay"`
	Grows    float64        `json:"grows,omitempty" doc:"mm it closes besides: heat, coats to come, wear, what swells"`
}

// CentreRow is something that must stand on a centre line, by its half widths at both ends.
type CentreRow struct {
	ID         string         `json:"id"`
	Name       string         `json:"name"`
	Apart      survey.Reading `json:"apart" doc:"mm between the two ends"`
	FrontLeft  survey.Reading `json:"frontLeft" doc:"mm from the line to its left side, at the front end"`
	FrontRight survey.Reading `json:"frontRight"`
	RearLeft   survey.Reading `json:"rearLeft"`
	RearRight  survey.Reading `json:"rearRight"`
	HalfFront  float64        `json:"halfFront,omitempty" doc:"mm, half width wanted at the front"`
	HalfRear   float64        `json:"halfRear,omitempty" doc:"mm, at the rear; the front's when left out"`
	Allow      float64        `json:"allow,omitempty" doc:"mm it may be off; 1 when left out"`
}

// FlushRow is the step between two faces, read at both ends and between them.
type FlushRow struct {
	ID     string         `json:"id"`
	Name   string         `json:"name"`
	One    survey.Reading `json:"one" doc:"mm it stands proud at one end, negative back"`
	Other  survey.Reading `json:"other" doc:"mm at the other end"`
	Middle survey.Reading `json:"middle" doc:"mm halfway between"`
	Wanted float64        `json:"wanted,omitempty" doc:"mm it shall stand proud; flush when left out"`
	Allow  float64        `json:"allow,omitempty" doc:"mm it may be off; 0.5 when left out"`
}

// MeasureRow is a distance between two points against a target of the brief.
type MeasureRow struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Kind   string `json:"kind" enum:"headroom,reach,step,width" doc:"headroom and step upright, width sideways, reach straight"`
	From   string `json:"from"`
	To     string `json:"to"`
	Target string `json:"target,omitempty" doc:"id of a target of the brief, in mm"`
}

// Placed is something in its place on the vehicle: a part, a device of the
// brief, or a plain box.
type Placed struct {
	ID     string     `json:"id"`
	Name   string     `json:"name"`
	Part   string     `json:"part,omitempty" doc:"id of a part"`
	Twin   bool       `json:"twin,omitempty" doc:"the part's mirrored twin"`
	Device string     `json:"device,omitempty" doc:"id of a device"`
	Size   *brief.Box `json:"size,omitempty" doc:"of a plain box"`
	Mates  []MatePair `json:"mates,omitempty" doc:"holes on surveyed points"`
	Facing brief.Face `json:"facing,omitempty" enum:"front,rear,left,right,up,down" doc:"way the good side of the mated panel looks"`
	At     [3]float64 `json:"at,omitempty" doc:"mm, without mates: where its origin stands, or what is named of it"`
	From   string     `json:"from,omitempty" doc:"id of the surveyed point those count from; the datum when left out"`
	To     Reached    `json:"to,omitempty" doc:"what of it they run to, as it stands; its origin when left out"`
	Yaw    float64    `json:"yaw,omitempty" doc:"degrees, left positive"`
	Pitch  float64    `json:"pitch,omitempty" doc:"degrees, nose low positive"`
	Roll   float64    `json:"roll,omitempty" doc:"degrees, left side up positive"`
	Bolt   float64    `json:"bolt,omitempty" doc:"mm, bolt in the mated holes; none when left out"`
	Wall   float64    `json:"wall,omitempty" doc:"mm, wall it is bolted through"`
}

// Reached names what of a placed thing a distance runs to, along each way of the vehicle.
type Reached struct {
	X End `json:"x,omitempty" enum:"low,middle,high" doc:"its rear face, middle or front face"`
	Y End `json:"y,omitempty" enum:"low,middle,high" doc:"its right side, middle or left side"`
	Z End `json:"z,omitempty" enum:"low,middle,high" doc:"its underside, middle or top"`
}

// End of a thing along one way of the vehicle; empty for its own origin.
type End string

// The ends: the lesser coordinate is rear, right and down.
const (
	LowEnd    End = "low"
	MiddleEnd End = "middle"
	HighEnd   End = "high"
)

// List answers the three in order.
func (r Reached) List() [3]End { return [3]End{r.X, r.Y, r.Z} }

// Between answers where an end lies of a thing that reaches from lo to hi and has its origin
// at o, in mm.
func (e End) Between(o, lo, hi float64) float64 {
	switch e {
	case LowEnd:
		return lo
	case MiddleEnd:
		return (lo + hi) / 2
	case HighEnd:
		return hi
	}
	return o
}

// MatePair is a hole of a part on a surveyed point.
type MatePair struct {
	Hole  string `json:"hole" doc:"id of the part's hole as made"`
	Point string `json:"point" doc:"id of a point, or of a map's hole"`
}

// Drilling is a hole to be drilled into the vehicle.
type Drilling struct {
	ID       string     `json:"id"`
	Name     string     `json:"name"`
	Point    string     `json:"point" doc:"id of a surveyed point"`
	Face     brief.Face `json:"face" enum:"front,rear,left,right,up,down" doc:"way the wall faces that is drilled"`
	Diameter float64    `json:"diameter" doc:"mm"`
	Wall     float64    `json:"wall,omitempty" doc:"mm thick"`
	Looked   string     `json:"looked,omitempty" doc:"who looked behind it and what is there"`
	Free     *float64   `json:"free,omitempty" doc:"mm free behind the near face, as looked"`
}

// Follow ties a hole feature of a part to a surveyed pattern.
type Follow struct {
	ID     string     `json:"id"`
	Name   string     `json:"name"`
	Part   string     `json:"part"`
	Holes  []MatePair `json:"holes" doc:"single holes of one panel, each with the point it follows"`
	Device string     `json:"device,omitempty" doc:"instead of points: feet of a device, in their order"`
	Mirror bool       `json:"mirror,omitempty" doc:"the part sees the pattern from behind"`
	Bolt   float64    `json:"bolt,omitempty" doc:"mm, bolt through them"`
}

// StackSet is a standoff at one or more places.
type StackSet struct {
	ID     string        `json:"id"`
	Name   string        `json:"name"`
	Way    string        `json:"way,omitempty" enum:"upright,sideways"`
	Layers []fit.Layer   `json:"layers,omitempty"`
	Places []StackPlace  `json:"places"`
	Grain  float64       `json:"grain,omitempty" doc:"mm the saw cuts to"`
	Shims  []float64     `json:"shims,omitempty" doc:"mm at hand"`
	Slope  *survey.Slope `json:"slope,omitempty" doc:"how the platform on the legs shall lie"`
}

// StackPlace is one place of a stack.
type StackPlace struct {
	Name string         `json:"name"`
	Gap  survey.Reading `json:"gap"`
	X    float64        `json:"x,omitempty" doc:"mm forward, for a slope"`
	Y    float64        `json:"y,omitempty" doc:"mm left, for a slope"`
}

// FitSet is a section that slides in another, or a measured pocket to fill.
type FitSet struct {
	ID     string           `json:"id"`
	Name   string           `json:"name"`
	Slide  *fit.FitInput    `json:"slide,omitempty"`
	Still  *fit.NoPlayInput `json:"still,omitempty" doc:"it must stand in there without play, which is the fit's largest"`
	Pocket *Pocket          `json:"pocket,omitempty"`
}

// Pocket is a measured pocket.
type Pocket struct {
	Width  survey.Reading `json:"width"`
	Height survey.Reading `json:"height"`
	Play   float64        `json:"play,omitempty" doc:"mm a side; 0.25 when left out"`
	Inches bool           `json:"inches,omitempty" doc:"sections in inches"`
}

// PartCheck is what was checked of a part or frame before it was cut.
type PartCheck struct {
	Part   string    `json:"part"`
	Retape []Retape  `json:"retape,omitempty"`
	First  string    `json:"first,omitempty" doc:"edge it was measured from the first time"`
	From   string    `json:"from,omitempty" doc:"edge it was measured from this time, unless a dimension says another"`
	Aside  string    `json:"aside,omitempty" doc:"why it was not measured again; printed"`
	Fit    string    `json:"fit,omitempty" enum:"paper,board,vehicle" doc:"how its fit was tried"`
	Result string    `json:"result,omitempty" doc:"what came of it"`
	Issues []Issue   `json:"issues,omitempty" doc:"what trying its fit brought up; open ones hold its files back"`
	Made   *FirstOff `json:"firstOff,omitempty" doc:"the first piece of a batch, measured before the rest is made"`
}

// Retape is one governing dimension measured again from another edge.
type Retape struct {
	Dimension string         `json:"dimension" doc:"key of the governing dimension"`
	Value     survey.Reading `json:"value"`
	From      string         `json:"from,omitempty" doc:"edge this one was measured from this time, when not as the others"`
}

// FaceWay answers the direction a face looks.
var FaceWay = map[brief.Face][3]float64{brief.FaceFront: {1}, brief.FaceRear: {-1}, brief.FaceLeft: {0, 1}, brief.FaceRight: {0, -1},
	brief.FaceUp: {0, 0, 1}, brief.FaceDown: {0, 0, -1}}

// Issue is something a mock-up or a trial of the fit brought up.
type Issue struct {
	ID   string `json:"id"`
	Text string `json:"text"`
	Done bool   `json:"done,omitempty"`
}
