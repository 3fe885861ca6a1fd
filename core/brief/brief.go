package brief

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"warmanvil/core/hold"
	"warmanvil/core/load"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// BriefSchema is the version of the brief's form.
const BriefSchema = 3

// Brief is what the work is for, what it carries, how it is driven and how it
// is written.
type Brief struct {
	Schema   int      `json:"schema,omitempty" doc:"version of this form, 3; older ones are read"`
	Name     string   `json:"name"`
	Purpose  string   `json:"purpose,omitempty" doc:"what it is for"`
	Vehicle  string   `json:"vehicle,omitempty"`
	Identity Identity `json:"identity,omitempty" doc:"which vehicle of its kind it is"`
	Quantity int      `json:"quantity" doc:"how many of the whole job"`
	Unit     Unit     `json:"unit" enum:"mm,fraction,decimal" doc:"how lengths are written"`
	Grain    float64  `json:"grain" doc:"mm, step of the arrow keys and finest fraction shown"`

	Targets     []Target      `json:"targets,omitempty" doc:"what is to be reached"`
	Criticality Criticality   `json:"criticality,omitempty" enum:"comfort,load,people" doc:"what happens when it fails"`
	Strength    strength.Rule `json:"strength,omitempty"`
	Use         load.Use      `json:"use,omitempty" enum:"smooth,rough,off-road" doc:"how it is driven"`
	Road        *load.Road    `json:"road,omitempty" doc:"in place of the use's own accelerations"`
	Devices     []Device      `json:"devices,omitempty"`
	Limits      Limits        `json:"limits,omitempty"`
	Options     []Option      `json:"options,omitempty" doc:"ways it could be done, side by side"`
	Card        Card          `json:"card,omitempty" doc:"the vehicle's weights and limits"`
	Open        []OpenItem    `json:"open,omitempty"`
	Mounts      []Mount       `json:"mounts,omitempty" doc:"brackets and what they carry"`
	Joints      []Joint       `json:"joints,omitempty" doc:"bolted joints between parts, members, devices and the vehicle"`
	Welded      []Welded      `json:"welded,omitempty" doc:"welded joints between parts, members and the vehicle"`
	Books       []WeldBook    `json:"books,omitempty" doc:"orders by hand and what was seen of seams"`
	Bins        []Bin         `json:"bins,omitempty" doc:"bolts the shop has"`
	Duties      []Duty        `json:"duties,omitempty" doc:"what things are rated for, besides the road"`
	Answers     Answers       `json:"answers,omitempty"`
}

// Bin is bolts of a size in the shop's bins.
type Bin struct {
	System  stock.System `json:"system" enum:"inch,metric"`
	Size    string       `json:"size"`
	Lengths []float64    `json:"lengths,omitempty" doc:"mm"`
}

// Target is one measurable aim.
type Target struct {
	ID     string   `json:"id"`
	Text   string   `json:"text"`
	Unit   string   `json:"unit,omitempty" doc:"as people write it: kg, min, mm"`
	Sense  string   `json:"sense" enum:"atMost,atLeast" doc:"which way it is met"`
	Wanted *float64 `json:"wanted,omitempty"`
	Got    *Given   `json:"got,omitempty" doc:"what came out"`
}

// Foot is a place where a device stands, in its own axes.
type Foot struct {
	ID string  `json:"id,omitempty" doc:"of its own in the device"`
	X  float64 `json:"x" doc:"mm forward of the device's origin"`
	Y  float64 `json:"y" doc:"mm to the left"`

	Bore float64 `json:"bore,omitempty" doc:"mm, of the hole in the foot; not said when left out"`
}

// Gravity is a centre of gravity, Z above the plane of the feet.
type Gravity struct {
	X     float64 `json:"x" doc:"mm"`
	Y     float64 `json:"y" doc:"mm"`
	Z     float64 `json:"z" doc:"mm above the feet"`
	Trust Trust   `json:"trust,omitempty" enum:"measured,copied,memory,assumed"`
}

// Box is an envelope in mm.
type Box struct {
	Length float64 `json:"length" doc:"mm"`
	Width  float64 `json:"width" doc:"mm"`
	Height float64 `json:"height" doc:"mm"`
}

// Device is something the vehicle carries on feet. Its axes are the vehicle's:
// x forward, y left, z up, origin where its user puts it.
type Device struct {
	ID         string       `json:"id"`
	Name       string       `json:"name"`
	Mass       *Given       `json:"mass,omitempty" doc:"kg"`
	Gravity    *Gravity     `json:"gravity,omitempty"`
	Envelope   *Box         `json:"envelope,omitempty"`
	Feet       []Foot       `json:"feet,omitempty"`
	Rooms      []DeviceRoom `json:"rooms,omitempty" doc:"plugs, levers and hoses, with the room in front of them"`
	Behind     *Given       `json:"behind,omitempty" doc:"mm of its origin behind the front axle or the coupling"`
	NearPeople bool         `json:"nearPeople,omitempty" doc:"in a space with people, or able to enter one"`
	OnRoof     bool         `json:"onRoof,omitempty"`
}

// Limits are what the work must keep to.
type Limits struct {
	Lift       *Given   `json:"lift,omitempty" doc:"kg one person lifts"`
	NoNewHoles bool     `json:"noNewHoles,omitempty"`
	NoWelds    bool     `json:"noWelds,omitempty"`
	KeepAlive  string   `json:"keepAlive,omitempty" doc:"of older jobs: now one of kept"`
	Kept       []Kept   `json:"kept,omitempty" doc:"functions that must keep working"`
	Ground     *Given   `json:"ground,omitempty" doc:"mm of ground clearance at least"`
	Approach   *Given   `json:"approach,omitempty" doc:"degrees of approach at least"`
	Departure  *Given   `json:"departure,omitempty" doc:"degrees of departure at least"`
	Height     *Given   `json:"height,omitempty" doc:"mm over the ground at most"`
	Width      *Given   `json:"width,omitempty" doc:"mm over all at most, evenly about the vehicle's middle"`
	Envelope   *Box     `json:"envelope,omitempty"`
	Visible    string   `json:"visible,omitempty" doc:"faces that stay in sight"`
	Date       string   `json:"date,omitempty" doc:"yyyy-mm-dd"`
	Budget     *float64 `json:"budget,omitempty" doc:"in the shop's money"`
	Bought     *float64 `json:"bought,omitempty" doc:"what a bought alternative costs"`
}

// Kept is a function that must keep working, tied to the space it takes or to what a
// measure must come to.
type Kept struct {
	ID      string `json:"id"`
	Text    string `json:"text"`
	Space   string `json:"space,omitempty" doc:"id of the space nothing may reach into"`
	Measure string `json:"measure,omitempty" doc:"id of the measure that must reach what is wanted"`
}

// Card is the vehicle's weights and limits. Of a trailer the front support is
// the coupling and Front its nose load.
type Card struct {
	Trailer    bool   `json:"trailer,omitempty"`
	Span       *Given `json:"span,omitempty" doc:"mm, wheelbase, or coupling to axle"`
	Front      *Given `json:"front,omitempty" doc:"kg, empty, on the front axle or the coupling"`
	Rear       *Given `json:"rear,omitempty" doc:"kg, empty, on the rear axle"`
	Gross      *Given `json:"gross,omitempty" doc:"kg allowed in all"`
	FrontLimit *Given `json:"frontLimit,omitempty" doc:"kg allowed on the front axle or the coupling"`
	RearLimit  *Given `json:"rearLimit,omitempty" doc:"kg allowed on the rear axle"`
	RoofLimit  *Given `json:"roofLimit,omitempty" doc:"kg allowed on the roof"`
	Coupling   *Given `json:"coupling,omitempty" doc:"mm, of a trailer: how far the coupling lies forward of the datum"`
	Others     []Item `json:"others,omitempty" doc:"people, fuel, tools, goods"`
}

// Item is another mass on board.
type Item struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Mass   *Given `json:"mass,omitempty" doc:"kg"`
	Behind *Given `json:"behind,omitempty" doc:"mm behind the front axle or the coupling"`
	OnRoof bool   `json:"onRoof,omitempty"`
}

// OpenItem is something not settled yet.
type OpenItem struct {
	ID   string `json:"id"`
	Text string `json:"text"`
	Kind string `json:"kind" enum:"strength,safety,other"`
	Of   string `json:"of,omitempty" doc:"id of the part or frame it concerns; all of the job when left out"`
	Done bool   `json:"done,omitempty"`
}

// Mount is a part that carries feet of a device. TwinFeet stand on its twin,
// mounted as its mirror image about the vehicle's middle.
type Mount struct {
	ID       string     `json:"id"`
	Name     string     `json:"name"`
	Part     string     `json:"part" doc:"id of the part"`
	Device   string     `json:"device,omitempty" doc:"id of the device"`
	Feet     []Link     `json:"feet,omitempty" doc:"ids of the feet on the part as drawn"`
	TwinFeet []Link     `json:"twinFeet,omitempty" doc:"ids of the feet on its twin"`
	Welded   string     `json:"welded,omitempty" doc:"id of the welded joint that holds it, in place of bolts"`
	Hold     hold.Mount `json:"hold"`
}

// Upgraded answers the brief in the present form: one of version 1 has none of
// what came with 2, and gets what counts when nothing was said; up to 2 feet and plies
// were counted, since 3 they have ids.
func (b Brief) Upgraded() Brief {
	b = b.linked()
	b.Schema = max(b.Schema, BriefSchema)
	if b.Criticality == "" {
		b.Criticality = LoadLost
	}
	if b.Strength.School == "" {
		b.Strength.School = strength.Allowable
	}
	if b.Use == "" {
		b.Use = load.Rough
	}
	if old := strings.TrimSpace(b.Limits.KeepAlive); old != "" {
		b.Limits.Kept, b.Limits.KeepAlive = append(b.Limits.Kept[:len(b.Limits.Kept):len(b.Limits.Kept)], Kept{ID: "kept", Text: old}), ""
	}
	return b
}

const MaxList = 200

// Check refuses a brief that cannot be kept. Paths are relative to the brief.
func (b Brief) Check() error {
	if b.Schema > BriefSchema {
		return working.Refuse("/schema", "This brief is of a newer form (%d) than this program knows (%d).", b.Schema, BriefSchema)
	}
	if err := CheckName("/name", b.Name); err != nil {
		return err
	}
	if b.Unit != UnitMM && b.Unit != UnitFraction && b.Unit != UnitDecimal {
		return working.Refuse("/unit", "Lengths are written as mm, fraction or decimal, not %q.", string(b.Unit))
	}
	if b.Criticality != Comfort && b.Criticality != LoadLost && b.Criticality != People {
		return working.Refuse("/criticality", "When it fails it is comfort, load or people, not %q.", b.Criticality)
	}
	if _, ok := load.Roads[b.Use]; !ok {
		return working.Refuse("/use", "It is driven smooth, rough or off-road, not %q.", b.Use)
	}
	if b.Road != nil {
		if err := b.Road.Check("/road"); err != nil {
			return err
		}
	}
	for _, x := range []struct {
		path string
		list int
	}{{"/targets", len(b.Targets)}, {"/devices", len(b.Devices)}, {"/options", len(b.Options)}, {"/open", len(b.Open)},
		{"/mounts", len(b.Mounts)}, {"/joints", len(b.Joints)}, {"/welded", len(b.Welded)}, {"/books", len(b.Books)}, {"/duties",
			len(b.Duties)}, {"/bins", len(b.Bins)},
		{"/limits/kept", len(b.Limits.Kept)}, {"/card/others", len(b.Card.Others)}} {
		if x.list > MaxList {
			return working.Refuse(x.path, "This x.list holds up to %d.", MaxList)
		}
	}
	if err := working.First(b.texts(), b.Identity.check()); err != nil {
		return err
	}
	if err := b.Numbers(); err != nil {
		return err
	}
	return working.First(
		b.CheckJoints(),
		b.CheckWelded(),
		b.checkBooks(),
		b.CheckDuties(),
		b.Strength.Check("/strength"),
		working.Within("/quantity", "The quantity", float64(b.Quantity), 1, MaxMany, ""),
		working.Above("/grain", "The grain", b.Grain, 0, 100, "mm"))
}

// texts refuses texts that run away.
func (b Brief) texts() error {
	all := map[string]string{"/purpose": b.Purpose, "/vehicle": b.Vehicle, "/limits/keepAlive": b.Limits.KeepAlive,
		"/limits/visible": b.Limits.Visible, "/limits/date": b.Limits.Date,
		"/answers/fatigue": b.Answers.Fatigue, "/answers/crash": b.Answers.Crash}
	add := func(list string, i int, texts ...string) {
		all[fmt.Sprintf("/%s/%d", list, i)] = strings.Join(texts, "")
	}
	for i, t := range b.Targets {
		add("targets", i, t.Text, t.Unit)
	}
	for i, d := range b.Devices {
		add("devices", i, d.Name)
	}
	for i, o := range b.Options {
		add("options", i, o.Name, o.For, o.Against, o.Reason)
	}
	for i, o := range b.Open {
		add("open", i, o.Text)
	}
	for i, m := range b.Mounts {
		add("mounts", i, m.Name)
	}
	for i, k := range b.Limits.Kept {
		add("limits/kept", i, k.Text)
	}
	for i, d := range b.Duties {
		add("duties", i, d.Name)
	}
	for i, o := range b.Card.Others {
		add("card/others", i, o.Name)
	}
	for path, text := range all {
		if utf8.RuneCountInString(text) > MaxText {
			return working.Refuse(path, "Texts hold up to %d characters.", MaxText)
		}
	}
	return nil
}

// Numbers refuses values that are not numbers or run away. What is merely
// missing or 0 is kept and said where it matters.
func (b Brief) Numbers() error {
	var errs []error
	for i, d := range b.Devices {
		errs = append(errs, d.Check(fmt.Sprintf("/devices/%d", i)))
	}
	errs = append(errs, b.Limits.Envelope.check("/limits/envelope"))
	for i, m := range b.Mounts {
		at := fmt.Sprintf("/mounts/%d", i)
		if len(m.Feet) > 64 || len(m.TwinFeet) > 64 || len(m.Hold.Fasten) > 200 || len(m.Hold.Carry) > 200 {
			errs = append(errs, working.Refuse(at, "A bracket has up to 64 feet and 200 hole features."))
		}
		errs = append(errs, working.Within(at+"/hold/bolts/pitch", "The pitch", m.Hold.Bolts.Pitch, 0, 100, ""),
			working.Within(at+"/hold/bolts/washer", "The washer", m.Hold.Bolts.Washer, 0, 500, "mm"),
			working.Within(at+"/hold/doubler", "The doubler", m.Hold.Doubler, 0, 60, "mm"))
	}
	for i, x := range b.Bins {
		if len(x.Lengths) > 100 {
			errs = append(errs, working.Refuse(fmt.Sprintf("/bins/%d/lengths", i), "A bin has up to 100 lengths."))
		}
		for k, l := range x.Lengths {
			errs = append(errs, working.Above(fmt.Sprintf("/bins/%d/lengths/%d", i, k), "A bolt's length", l, 0, 1000, "mm"))
		}
	}
	if d := b.Limits.Date; d != "" {
		if !IsDay(d) {
			errs = append(errs, working.Refuse("/limits/date", "A day is written as year-month-day, such as 2031-04-30, not %q.", d))
		}
	}
	errs = append(errs, b.Limits.Lift.Check("/limits/lift", "What one person lifts", 0, 1000, "kg"),
		b.Limits.Ground.Check("/limits/ground", "The ground clearance", 0, 2000, "mm"),
		b.Limits.Approach.Check("/limits/approach", "The approach angle", 0, 90, "°"),
		b.Limits.Departure.Check("/limits/departure", "The departure angle", 0, 90, "°"),
		b.Limits.Height.Check("/limits/height", "The height", 0, 20000, "mm"), b.Limits.Width.Check("/limits/width", "The width", 0, 20000, "mm"))
	for _, x := range []struct {
		name string
		v    *float64
	}{{"budget", b.Limits.Budget}, {"bought", b.Limits.Bought}} {
		if x.v != nil {
			errs = append(errs, working.Within("/limits/"+x.name, "The amount", *x.v, 0, 1e9, ""))
		}
	}
	for i, o := range b.Options {
		errs = append(errs, o.check(fmt.Sprintf("/options/%d", i)))
	}
	c := b.Card
	errs = append(errs, c.Span.Check("/card/span", "The distance", 0, 1e5, "mm"),
		c.Coupling.Check("/card/coupling", "The coupling's place", -1e5, 1e5, "mm"))
	for _, x := range []struct {
		name string
		v    *Given
	}{{"front", c.Front}, {"rear", c.Rear}, {"gross", c.Gross}, {"frontLimit", c.FrontLimit}, {"rearLimit", c.RearLimit},
		{"roofLimit", c.RoofLimit}} {
		errs = append(errs, x.v.Check("/card/"+x.name, "The mass", 0, 1e6, "kg"))
	}
	for i, o := range c.Others {
		at := fmt.Sprintf("/card/others/%d", i)
		errs = append(errs, o.Mass.Check(at+"/mass", "The mass", 0, 1e6, "kg"), o.Behind.Check(at+"/behind", "The place", -1e5, 1e5, "mm"))
	}
	for i, t := range b.Targets {
		if t.Wanted != nil {
			errs = append(errs, working.Within(fmt.Sprintf("/targets/%d/wanted", i), "The target", *t.Wanted, -1e9, 1e9, ""))
		}
		errs = append(errs, t.Got.Check(fmt.Sprintf("/targets/%d/got", i), "What came out", -1e9, 1e9, ""))
	}
	return working.First(errs...)
}

// Target finds a target of the brief; false where it has none of that id.
func (b Brief) Target(id string) (Target, bool) {
	for _, t := range b.Targets {
		if id != "" && t.ID == id {
			return t, true
		}
	}
	return Target{}, false
}

// Holds tells whether an open item holds back a part or frame.
func (o OpenItem) Holds(id string) bool {
	return !o.Done && (o.Kind == "strength" || o.Kind == "safety") && (o.Of == "" || o.Of == id)
}
