package job

import (
	"fmt"

	"warmanvil/core/fit"
	"warmanvil/core/hole"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// SurveySchema is the version of the survey's form.
const SurveySchema = 1

// Survey is the vehicle as measured and what a part must fit: everything as it
// was read. What follows from it is derived by WorkSurvey and never stored.
type Survey struct {
	Schema    int            `json:"schema" doc:"version of this form, 1"`
	Datum     Datum          `json:"datum"`
	Shop      survey.Shop    `json:"instruments,omitempty" doc:"mm, what the shop's instruments are good for where it differs"`
	Hook      float64        `json:"hook,omitempty" doc:"mm, thickness of the tape's hook"`
	Points    []SurveyPoint  `json:"points,omitempty"`
	Maps      []HoleMap      `json:"maps,omitempty"`
	Levels    []LevelSet     `json:"levels,omitempty"`
	Slopes    []SlopeSet     `json:"slopes,omitempty"`
	Squares   []SquareSet    `json:"squares,omitempty"`
	Sides     []SideRow      `json:"sides,omitempty" doc:"left against right"`
	Gaps      []GapRow       `json:"gaps,omitempty" doc:"unloaded and loaded"`
	Measures  []MeasureRow   `json:"measures,omitempty" doc:"headroom, reach, steps between two points"`
	Spaces    []survey.Space `json:"spaces,omitempty"`
	Wheels    *survey.Wheels `json:"wheels,omitempty"`
	Placed    []Placed       `json:"placed,omitempty"`
	Between   float64        `json:"between,omitempty" doc:"mm placed things keep off each other"`
	Drillings []Drilling     `json:"drillings,omitempty" doc:"holes drilled into the vehicle"`
	Follows   []Follow       `json:"follows,omitempty"`
	Stacks    []StackSet     `json:"stacks,omitempty"`
	Fits      []FitSet       `json:"fits,omitempty"`
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
	Many  []FromPoint    `json:"many,omitempty" doc:"three distances or more"`
	Thing string         `json:"thing,omitempty" doc:"placed part it is transferred from"`
	Hole  string         `json:"hole,omitempty" doc:"hole of that part"`
}

// FromPoint is a distance from a known point.
type FromPoint struct {
	Point    string         `json:"point"`
	Distance survey.Reading `json:"distance"`
}

// Face is the way a wall faces.
type Face string

// Faces, by the direction they look.
const (
	FaceFront Face = "front"
	FaceRear  Face = "rear"
	FaceLeft  Face = "left"
	FaceRight Face = "right"
	FaceUp    Face = "up"
	FaceDown  Face = "down"
)

// HoleMap is a hole pattern in one plane by distances between its holes.
type HoleMap struct {
	ID       string       `json:"id"`
	Name     string       `json:"name"`
	Holes    []MapHole    `json:"holes"`
	Readings []MapReading `json:"readings"`
	Below    bool         `json:"below,omitempty" doc:"the first hole off the line of holes 1 and 2 lies below it, seen onto the face with 1 to 2 to the right"`
	Face     Face         `json:"face,omitempty" enum:"front,rear,left,right,up,down" doc:"way the wall faces"`
	First    string       `json:"first,omitempty" doc:"surveyed point that is hole 1"`
	Second   string       `json:"second,omitempty" doc:"surveyed point that hole 2 lies towards"`
	Other    string       `json:"other,omitempty" doc:"map of the other side, hole for hole"`
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
	Size   *Box       `json:"size,omitempty" doc:"of a plain box"`
	Mates  []MatePair `json:"mates,omitempty" doc:"holes on surveyed points"`
	Facing Face       `json:"facing,omitempty" enum:"front,rear,left,right,up,down" doc:"way the good side of the mated panel looks"`
	At     [3]float64 `json:"at,omitempty" doc:"mm, without mates: where its origin stands"`
	Yaw    float64    `json:"yaw,omitempty" doc:"degrees, left positive"`
	Pitch  float64    `json:"pitch,omitempty" doc:"degrees, nose low positive"`
	Roll   float64    `json:"roll,omitempty" doc:"degrees, left side up positive"`
	Bolt   float64    `json:"bolt,omitempty" doc:"mm, bolt in the mated holes; none when left out"`
	Wall   float64    `json:"wall,omitempty" doc:"mm, wall it is bolted through"`
}

// MatePair is a hole of a part on a surveyed point.
type MatePair struct {
	Hole  string `json:"hole" doc:"id of the part's hole as made"`
	Point string `json:"point" doc:"id of a point, or of a map's hole"`
}

// Drilling is a hole to be drilled into the vehicle.
type Drilling struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Point    string   `json:"point" doc:"id of a surveyed point"`
	Face     Face     `json:"face" enum:"front,rear,left,right,up,down" doc:"way the wall faces that is drilled"`
	Diameter float64  `json:"diameter" doc:"mm"`
	Wall     float64  `json:"wall,omitempty" doc:"mm thick"`
	Looked   string   `json:"looked,omitempty" doc:"who looked behind it and what is there"`
	Free     *float64 `json:"free,omitempty" doc:"mm free behind the near face, as looked"`
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
	ID     string        `json:"id"`
	Name   string        `json:"name"`
	Slide  *fit.FitInput `json:"slide,omitempty"`
	Pocket *Pocket       `json:"pocket,omitempty"`
}

// Pocket is a measured pocket.
type Pocket struct {
	Width  survey.Reading `json:"width"`
	Height survey.Reading `json:"height"`
	Play   float64        `json:"play,omitempty" doc:"mm a side; 0.25 when left out"`
	Inches bool           `json:"inches,omitempty" doc:"sections in inches"`
}

// PartCheck is what was checked of a part before it was cut.
type PartCheck struct {
	Part   string   `json:"part"`
	Retape []Retape `json:"retape,omitempty"`
	Aside  string   `json:"aside,omitempty" doc:"why it was not measured again; printed"`
	Fit    string   `json:"fit,omitempty" enum:"paper,board,vehicle" doc:"how its fit was tried"`
	Result string   `json:"result,omitempty" doc:"what came of it"`
}

// Retape is one governing dimension measured again from another edge.
type Retape struct {
	Dimension string         `json:"dimension" doc:"key of the governing dimension"`
	Value     survey.Reading `json:"value"`
	From      string         `json:"from,omitempty" doc:"edge it was measured from this time"`
}

// faceWay answers the direction a face looks.
var faceWay = map[Face][3]float64{FaceFront: {1}, FaceRear: {-1}, FaceLeft: {0, 1}, FaceRight: {0, -1}, FaceUp: {0, 0, 1}, FaceDown: {0, 0, -1}}

const maxOffset = 3e4 // mm; farther off a vehicle's datum is a slip of the unit

// Check refuses a survey that cannot be kept. What is merely missing is kept and
// said where it matters.
func (s Survey) Check() error {
	if s.Schema > SurveySchema {
		return working.Refuse("/schema", "This survey is of a newer form (%d) than this program knows (%d).", s.Schema, SurveySchema)
	}
	for path, n := range map[string]int{"/points": len(s.Points), "/maps": len(s.Maps), "/levels": len(s.Levels), "/slopes": len(s.Slopes), "/squares": len(s.Squares), "/sides": len(s.Sides), "/gaps": len(s.Gaps),
		"/measures": len(s.Measures), "/spaces": len(s.Spaces), "/placed": len(s.Placed), "/drillings": len(s.Drillings), "/follows": len(s.Follows), "/stacks": len(s.Stacks), "/fits": len(s.Fits), "/checks": len(s.Checks)} {
		if n > maxList {
			return working.Refuse(path, "This list holds up to %d.", maxList)
		}
	}
	for name, v := range s.Shop {
		if _, known := survey.Uncertainty[name]; !known {
			return working.Refuse("/instruments", "There is no instrument %q.", string(name))
		}
		if err := working.Within("/instruments/"+string(name), "What it is good for", v, 0, 100, "mm"); err != nil {
			return err
		}
	}
	if err := working.Within("/hook", "The tape's hook", s.Hook, 0, 20, "mm"); err != nil {
		return err
	}
	return working.First(s.checkNames(), s.checkReadings(), s.checkRoom())
}

// named lists everything with an id and a name.
func (s Survey) named() (out []struct{ path, id, name string }) {
	add := func(list string, i int, id, name string) {
		out = append(out, struct{ path, id, name string }{fmt.Sprintf("/%s/%d", list, i), id, name})
	}
	for i, p := range s.Points {
		add("points", i, p.ID, p.Name+p.Thread+p.Uses)
	}
	for i, m := range s.Maps {
		add("maps", i, m.ID, m.Name)
		for k, h := range m.Holes {
			add(fmt.Sprintf("maps/%d/holes", i), k, h.ID, h.Name+h.Thread)
		}
	}
	for i, v := range s.Levels {
		add("levels", i, v.ID, v.Name)
	}
	for i, v := range s.Slopes {
		add("slopes", i, v.ID, v.Name)
	}
	for i, v := range s.Squares {
		add("squares", i, v.ID, v.Name)
	}
	for i, v := range s.Sides {
		add("sides", i, v.ID, v.Name)
	}
	for i, v := range s.Gaps {
		add("gaps", i, v.ID, v.Name)
	}
	for i, v := range s.Measures {
		add("measures", i, v.ID, v.Name)
	}
	for i, v := range s.Spaces {
		add("spaces", i, v.ID, v.Name)
	}
	for i, v := range s.Placed {
		add("placed", i, v.ID, v.Name)
	}
	for i, v := range s.Drillings {
		add("drillings", i, v.ID, v.Name+v.Looked)
	}
	for i, v := range s.Follows {
		add("follows", i, v.ID, v.Name)
	}
	for i, v := range s.Stacks {
		add("stacks", i, v.ID, v.Name)
	}
	for i, v := range s.Fits {
		add("fits", i, v.ID, v.Name)
	}
	return out
}

func (s Survey) checkNames() error {
	seen := map[string]bool{}
	for _, n := range s.named() {
		if n.id == "" || seen[n.id] {
			return working.Refuse(n.path+"/id", "Everything in a survey has an id of its own; %q is used twice or empty.", n.id)
		}
		seen[n.id] = true
		if len([]rune(n.name)) > 2*maxName {
			return working.Refuse(n.path+"/name", "A name holds up to %d characters.", maxName)
		}
	}
	for path, text := range map[string]string{"/datum/origin": s.Datum.Origin, "/datum/forward": s.Datum.Forward, "/datum/up": s.Datum.Up} {
		if len([]rune(text)) > maxText {
			return working.Refuse(path, "Texts hold up to %d characters.", maxText)
		}
	}
	return nil
}

func (s Survey) checkReadings() error {
	var errs []error
	length := func(path, name string, r survey.Reading) {
		errs = append(errs, r.Check(path, name, -maxOffset, maxOffset, "mm"))
	}
	size := func(path, name string, r survey.Reading) {
		errs = append(errs, r.Check(path, name, 1e-6, maxOffset, "mm"))
	}
	angle := func(path, name string, r survey.Reading) { errs = append(errs, r.Check(path, name, -180, 180, "°")) }
	for i, p := range s.Points {
		at := fmt.Sprintf("/points/%d", i)
		length(at+"/x", "The offset forward", p.X)
		length(at+"/y", "The offset left", p.Y)
		length(at+"/z", "The offset up", p.Z)
		size(at+"/da", "The distance", p.DA)
		size(at+"/db", "The distance", p.DB)
		if p.Behind != nil {
			size(at+"/behind", "The thickness", *p.Behind)
		}
		errs = append(errs, working.Within(at+"/size", "The size", p.Size, 0, 2000, "mm"))
		if len(p.Many) > 50 {
			errs = append(errs, working.Refuse(at+"/many", "A point takes up to 50 distances."))
		}
		for k, m := range p.Many {
			size(fmt.Sprintf("%s/many/%d/distance", at, k), "The distance", m.Distance)
		}
	}
	for i, m := range s.Maps {
		at := fmt.Sprintf("/maps/%d", i)
		if len(m.Holes) > 120 || len(m.Readings) > 2000 {
			errs = append(errs, working.Refuse(at+"/holes", "A map has up to 120 holes and 2000 readings."))
		}
		for k, h := range m.Holes {
			errs = append(errs, working.Within(fmt.Sprintf("%s/holes/%d/diameter", at, k), "The diameter", h.Diameter, 0, 2000, "mm"))
		}
		for k, r := range m.Readings {
			size(fmt.Sprintf("%s/readings/%d/value", at, k), "The distance", r.Value)
		}
	}
	for i, v := range s.Levels {
		at := fmt.Sprintf("/levels/%d", i)
		size(at+"/wheelbase", "The distance", v.Wheelbase)
		size(at+"/track", "The distance", v.Track)
		for name, r := range map[string]survey.Reading{"frontLeft": v.FrontLeft, "frontRight": v.FrontRight, "rearLeft": v.RearLeft, "rearRight": v.RearRight} {
			length(at+"/"+name, "The height", r)
		}
	}
	for i, v := range s.Slopes {
		angle(fmt.Sprintf("/slopes/%d/reading", i), "The angle", v.Reading)
		angle(fmt.Sprintf("/slopes/%d/own", i), "The vehicle's own slope", v.Own)
	}
	for i, v := range s.Squares {
		at := fmt.Sprintf("/squares/%d", i)
		size(at+"/length", "The length", v.Length)
		size(at+"/width", "The width", v.Width)
		size(at+"/first", "The diagonal", v.First)
		size(at+"/second", "The diagonal", v.Second)
	}
	for i, v := range s.Sides {
		length(fmt.Sprintf("/sides/%d/left", i), "The left size", v.Left)
		length(fmt.Sprintf("/sides/%d/right", i), "The right size", v.Right)
		errs = append(errs, working.Within(fmt.Sprintf("/sides/%d/allow", i), "The difference allowed", v.Allow, 0, 1000, "mm"))
	}
	for i, v := range s.Gaps {
		size(fmt.Sprintf("/gaps/%d/unloaded", i), "The gap", v.Unloaded)
		size(fmt.Sprintf("/gaps/%d/loaded", i), "The gap", v.Loaded)
	}
	for i, v := range s.Stacks {
		if len(v.Places) > 50 || len(v.Layers) > 50 || len(v.Shims) > 20 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/stacks/%d/places", i), "A stack has up to 50 places, 50 layers and 20 shims."))
		}
		for k, p := range v.Places {
			size(fmt.Sprintf("/stacks/%d/places/%d/gap", i, k), "The gap", p.Gap)
		}
	}
	for i, v := range s.Fits {
		if v.Pocket != nil {
			size(fmt.Sprintf("/fits/%d/pocket/width", i), "The width", v.Pocket.Width)
			size(fmt.Sprintf("/fits/%d/pocket/height", i), "The height", v.Pocket.Height)
			errs = append(errs, working.Within(fmt.Sprintf("/fits/%d/pocket/play", i), "The play", v.Pocket.Play, 0, 50, "mm"))
		}
	}
	for i, v := range s.Checks {
		for k, r := range v.Retape {
			size(fmt.Sprintf("/checks/%d/retape/%d/value", i, k), "The reading", r.Value)
		}
		switch v.Fit {
		case "", "paper", "board", "vehicle":
		default:
			errs = append(errs, working.Refuse(fmt.Sprintf("/checks/%d/fit", i), "A fit is tried on paper, board or vehicle, not %q.", v.Fit))
		}
		if len([]rune(v.Aside+v.Result)) > maxText {
			errs = append(errs, working.Refuse(fmt.Sprintf("/checks/%d/aside", i), "Texts hold up to %d characters.", maxText))
		}
	}
	return working.First(errs...)
}

func (s Survey) checkRoom() error {
	var errs []error
	for i, v := range s.Spaces {
		errs = append(errs, v.Check(fmt.Sprintf("/spaces/%d", i)))
	}
	if s.Wheels != nil {
		errs = append(errs, s.Wheels.Check("/wheels"))
	}
	errs = append(errs, working.Within("/between", "The distance between things", s.Between, 0, 1000, "mm"))
	for i, v := range s.Placed {
		at := fmt.Sprintf("/placed/%d", i)
		for k, x := range v.At {
			errs = append(errs, working.Within(fmt.Sprintf("%s/at/%d", at, k), "The place", x, -maxOffset, maxOffset, "mm"))
		}
		errs = append(errs, working.Within(at+"/yaw", "The turn", v.Yaw, -360, 360, "°"), working.Within(at+"/pitch", "The turn", v.Pitch, -360, 360, "°"), working.Within(at+"/roll", "The turn", v.Roll, -360, 360, "°"),
			working.Within(at+"/bolt", "The bolt", v.Bolt, 0, 100, "mm"), working.Within(at+"/wall", "The wall", v.Wall, 0, 200, "mm"))
		if v.Size != nil {
			errs = append(errs, working.Above(at+"/size/length", "The length", v.Size.Length, 0, maxOffset, "mm"), working.Above(at+"/size/width", "The width", v.Size.Width, 0, maxOffset, "mm"), working.Above(at+"/size/height", "The height", v.Size.Height, 0, maxOffset, "mm"))
		}
	}
	for i, v := range s.Drillings {
		at := fmt.Sprintf("/drillings/%d", i)
		errs = append(errs, working.Within(at+"/diameter", "The drill", v.Diameter, 0, 200, "mm"), working.Within(at+"/wall", "The wall", v.Wall, 0, 200, "mm"))
		if v.Free != nil {
			errs = append(errs, working.Within(at+"/free", "What is free behind", *v.Free, 0, 5000, "mm"))
		}
	}
	return working.First(errs...)
}

// renamed answers the survey with the parts of another job, by ids was → is.
func (s Survey) renamed(ids map[string]string) Survey {
	name := func(id *string) {
		if is, ok := ids[*id]; ok {
			*id = is
		}
	}
	s.Placed, s.Follows, s.Checks = append([]Placed{}, s.Placed...), append([]Follow{}, s.Follows...), append([]PartCheck{}, s.Checks...)
	for i := range s.Placed {
		name(&s.Placed[i].Part)
	}
	for i := range s.Follows {
		name(&s.Follows[i].Part)
	}
	for i := range s.Checks {
		name(&s.Checks[i].Part)
	}
	return s
}
