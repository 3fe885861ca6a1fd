// Package joint works a bolted joint out as a whole: what holds in each ply,
// what length of bolt, whether the holes meet, how tight, and what keeps it so.
// Axes of a joint: x and y in the plane of its plies, z along the bolts towards
// their heads; loads act on the ply under the heads.
package joint

import (
	"fmt"
	"slices"

	"warmanvil/core/bolt"
	"warmanvil/core/hole"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Lubrication of threads and faces when the bolt is tightened.
type Lubrication string

// The ways a bolt is tightened.
const (
	Dry       Lubrication = "dry"
	Oiled     Lubrication = "oiled"
	Waxed     Lubrication = "waxed"
	Antiseize Lubrication = "antiseize"
	Moly      Lubrication = "moly"
)

// nutFactor is K by lubrication (practice; 0.12 against 0.20 over-tightens 1.7
// times).
var nutFactor = map[Lubrication]float64{Dry: .20, Oiled: .16, Waxed: .12, Antiseize: .13, Moly: .11}

// NutFactor answers K of the torque's formula; 0 of a lubrication that is not known.
func (l Lubrication) NutFactor() float64 { return nutFactor[l] }

// Locking keeps a nut from turning.
type Locking string

// The ways to lock.
const (
	NoLock      Locking = "none"
	PlasticRing Locking = "plastic"
	MetalLock   Locking = "metal"
	Liquid      Locking = "liquid"
	JamNut      Locking = "jam"
	Wire        Locking = "wire"
)

// Ply is one layer, head side first.
type Ply struct {
	ID        string       `json:"id,omitempty" doc:"of its own in the joint"`
	Name      string       `json:"name"`
	Material  string       `json:"material,omitempty" doc:"key of the material table; left out for what is not metal"`
	Thickness float64      `json:"thickness" doc:"mm, as measured, without its coats"`
	Coat      float64      `json:"coat,omitempty" doc:"mm, both faces together"`
	Squash    float64      `json:"squash,omitempty" doc:"mm it is pressed together: rubber, sealant, a gasket"`
	Hole      float64      `json:"hole,omitempty" doc:"mm, diameter; of a slot its width"`
	Slotted   bool         `json:"slotted,omitempty"`
	Way       *float64     `json:"way,omitempty" doc:"degrees from across towards up the slots run; not known when left out"`
	Edge      float64      `json:"edge,omitempty" doc:"mm, centre of the nearest hole to the nearest edge the force may tear to; 0 not known"`
	Wide      [2]float64   `json:"wide,omitzero" doc:"mm, width of the ply at the holes across and up; 0 not known"`
	Placed    hole.Placing `json:"placed,omitempty" enum:"table,tape,matched,surveyed,typed"`
	Tolerance float64      `json:"tolerance,omitempty" doc:"mm a hole may lie off, on the radius"`
	Fixed     bool         `json:"fixed,omitempty" doc:"tapped, or its nut does not move"`
	Hollow    bool         `json:"hollow,omitempty" doc:"a tube or box the bolt squeezes"`
	Sleeved   bool         `json:"sleeved,omitempty" doc:"a spacer tube through it takes the squeeze"`
	Pull      float64      `json:"pull,omitempty" doc:"mm, of an outer ply, centre of the bolts to the bend, web or wall that pulls it off: it pries then; 0 not known"`
	Stiff     bool         `json:"stiff,omitempty" doc:"backed or stiff over its whole face: nothing of it bends beside the bolts"`
	Isolator  *Isolator    `json:"isolator,omitempty" doc:"it is rubber, one on each bolt"`
	Guessed   bool         `json:"guessed,omitempty" doc:"nobody measured its thickness: 0.85 of it counts, and that squared where it bends"`
	Worn      float64      `json:"worn,omitempty" doc:"share of its strength that is left where it rusted, 0.1 to 1; whole when left out"`
	Lip       Lip          `json:"lip,omitempty" enum:"ground,flattened,joggled" doc:"what is done to its edge before the next ply lies on it"`
}

// Case is one load on the ply under the heads.
type Case struct {
	Name   string     `json:"name"`
	Force  [3]float64 `json:"force" doc:"N; z pulls the heads' ply off"`
	At     [3]float64 `json:"at" doc:"mm, where it acts, in the joint's axes"`
	Moment [3]float64 `json:"moment,omitzero" doc:"N·mm"`
	Done   bool       `json:"-"` // factored as the school says already; a typed load is not
	Plies  *[2]int    `json:"-"` // first and last ply it goes through; all when nil
}

// Nut is what the bolt is screwed into.
type Nut string

// The nuts.
const (
	Hex      Nut = "hex"
	Lock     Nut = "lock"
	Tapped   Nut = "tapped"
	WeldNut  Nut = "weldnut"
	RivetNut Nut = "rivetnut"
	SlotNut  Nut = "slotnut"
	Pin      Nut = "pin"       // no thread: a plain pin with its clip, in ears or a clevis
	Screw    Nut = "selfdrill" // a screw that drills its own hole in the last ply
	Riveted  Nut = "rivet"     // a blind rivet
)

// Reached tells from which sides hands and tools come to a joint.
type Reached string

// The sides that can be reached.
const (
	BothSides Reached = "both"
	HeadsOnly Reached = "heads"
	NutsOnly  Reached = "nuts"
)

// Input is a joint.
type Input struct {
	Display  quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	System   stock.System     `json:"system" enum:"inch,metric"`
	Size     string           `json:"size"`
	Pitch    float64          `json:"pitch,omitempty" doc:"threads per inch, or mm; coarse when left out"`
	Grade    string           `json:"grade"`
	Holes    [][2]float64     `json:"holes,omitempty" doc:"mm, bolts in the joint's axes"`
	Plies    []Ply            `json:"plies,omitempty"`
	Head     stock.Head       `json:"head,omitempty" enum:"hex,socket" doc:"hexagon when left out"`
	Nut      Nut              `json:"nut" enum:"hex,lock,tapped,weldnut,rivetnut,slotnut,pin,selfdrill,rivet"`
	Washers  int              `json:"washers"`
	Washer   float64          `json:"washer,omitempty" doc:"mm across them; the table's when left out"`
	Face     *Face            `json:"face,omitempty" doc:"where the ply under the heads lies on the next; by the nearest edges when left out"`
	Reached  Reached          `json:"reached,omitempty" enum:"both,heads,nuts" doc:"the sides that can be reached; both when left out"`
	Track    *Track           `json:"track,omitempty" doc:"where it is screwed into slot nuts"`
	Rivet    *RivetPick       `json:"rivet,omitempty" doc:"where it is riveted"`
	Double   bool             `json:"double,omitempty" doc:"the middle ply pulls between two: two shear planes"`
	Bins     []float64        `json:"bins,omitempty" doc:"mm, lengths in the shop's bins"`
	Tighten  Tightening       `json:"tighten"`
	Cases    []Case           `json:"cases,omitempty"`
	NoSlip   bool             `json:"noSlip,omitempty" doc:"it must not slip: it holds something in line"`
	Angle    float64          `json:"angle,omitempty" doc:"degrees a side may come out turned"`
	Meets    []Meeting        `json:"meets,omitempty" doc:"what it is part of or near to"`
	Strength strength.Rule    `json:"strength,omitzero" doc:"its school; in a job that of the brief"`
	trying   bool             // worked to prove a change: no advice
	Open     []string         `json:"-"` // why loads do not all arrive, in words
}

// Tightening is how it is tightened and what it goes through.
type Tightening struct {
	Lubrication Lubrication `json:"lubrication" enum:"dry,oiled,waxed,antiseize,moly"`
	Share       float64     `json:"share,omitempty" doc:"of the proof load; 0.75 when left out"`
	Locking     Locking     `json:"locking" enum:"none,plastic,metal,liquid,jam,wire"`
	Shakes      bool        `json:"shakes,omitempty" doc:"on a vehicle that is driven"`
	Hot         bool        `json:"hot,omitempty" doc:"near an engine or exhaust, over 100 °C"`
	Reused      bool        `json:"reused,omitempty" doc:"taken apart again and again"`
	Wet         bool        `json:"wet,omitempty" doc:"outside, or where water gets"`
	Cures       *float64    `json:"cures,omitempty" doc:"°C at which liquid lock and sealant cure; 20 when left out"`
}

// Result is the joint worked out.
type Result struct {
	Verdict  strength.Verdict     `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest  *float64             `json:"hardest" doc:"largest share used; null when it cannot be said"`
	Checks   []strength.Check     `json:"checks" doc:"every mode it must answer, hardest first"`
	Bolts    []BoltForce          `json:"bolts" doc:"of the case that governs"`
	Stack    float64              `json:"stack" doc:"mm, plies, coats and washers pressed together"`
	Grip     *bolt.GripResult     `json:"grip" doc:"null when the stack cannot be worked out"`
	Meets    *hole.AssembleResult `json:"meets" doc:"whether the holes meet; null when no side says how it is made"`
	Tight    *Tight               `json:"tight" doc:"null when it cannot be tightened by number"`
	Sequence []int                `json:"sequence" doc:"bolts in the order they are tightened"`
	Hardware []Item               `json:"hardware" doc:"what is taken from the bins"`
	Keep     []string             `json:"keep" doc:"what keeps it tight, in words"`
	Making   []string             `json:"making" doc:"how its holes are made, in order, in words"`
	Findings []working.Finding    `json:"findings"`
}

// Item is hardware to be taken.
type Item struct {
	Count int    `json:"count"`
	Name  string `json:"name"`
}

// String writes it as a list has it.
func (i Item) String() string { return fmt.Sprintf("%d × %s", i.Count, i.Name) }

// take adds hardware.
func (j *joint) take(count int, format string, args ...any) {
	j.out.Hardware = append(j.out.Hardware, Item{count, fmt.Sprintf(format, args...)})
}

// BoltForce is what one bolt gets.
type BoltForce struct {
	Share   [2]float64 `json:"share" doc:"N in the plane"`
	Shear   float64    `json:"shear" doc:"N"`
	Tension float64    `json:"tension" doc:"N"`
}

const (
	maxBolts = 60
	maxCases = 5000 // every foot of a device in every case
)

type point = profile.Point

// joint is what is worked with.
type joint struct {
	in                    Input
	kind                  fastener
	group                 group
	planes                float64               // shear planes of a fastener
	made                  bool                  // how its holes are made is said by its fastener
	pries                 map[int][]bolt.Prying // of outer plies, at each bolt
	headWasher, nutWasher bool
	thread                stock.Thread
	grade                 stock.Grade
	rivet                 stock.Rivet
	bolt                  bolt.Bolt
	hw                    stock.Hardware
	washer                float64
	head                  float64 // mm over the bolt's head
	plies                 []ply
	out                   *Result
	preload               float64 // N, the least by scatter
}

type ply struct {
	Ply
	material stock.Material
	metal    bool
	worn     float64
}

// aluminium tells whether the rules of aluminium go for the ply.
func (p ply) aluminium() bool { return p.metal && p.material.Family == stock.Aluminum }

// with answers the input with every ply changed, the plies a copy.
func (in Input) with(change func(p *Ply)) Input {
	in.Plies = slices.Clone(in.Plies)
	for i := range in.Plies {
		change(&in.Plies[i])
	}
	return in
}

// Work answers a joint. It fails with *working.Fault for what is no joint; what
// is missing for one answer is told with that answer.
func Work(in Input) (Result, error) {
	j := joint{in: in, out: &Result{Checks: []strength.Check{}, Bolts: []BoltForce{}, Sequence: []int{}, Hardware: []Item{}, Keep: []string{},
		Making: []string{}, Findings: []working.Finding{}}}
	if err := j.read(); err != nil {
		return Result{}, err
	}
	j.out.Stack = j.whole()
	j.kind.stack(&j)
	j.made = j.kind.making(&j)
	j.meet()
	j.kind.tighten(&j)
	j.hold()
	j.last()
	j.making()
	j.track()
	j.cautions()
	j.stopped()
	j.proposeCaptive()
	return *j.out, nil
}

// stopped keeps a joint with a stop from holding: what cannot be put together, or is
// put together of what is not there, has no strength to tell.
func (j *joint) stopped() {
	for _, f := range j.out.Findings {
		if f.Severity == working.Stop && f.Cause != "Plies" && j.out.Verdict != strength.Over {
			j.out.Verdict = strength.CannotSay
			j.out.Checks = append([]strength.Check{strength.Silent("stop", "Goes together", f.Reason)}, j.out.Checks...)
			return
		}
	}
}

func (j *joint) refused(err error) string { return working.SpokenError(err, j.inches()).Error() }

func (j *joint) inches() bool {
	return j.in.Display.Style == quantity.Fraction || j.in.Display.Style == quantity.Decimal
}

func (j *joint) say(code string, severity working.Severity, cause, reason string, fixes ...working.Fix) {
	j.out.Findings = append(j.out.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason, Fixes: fixes})
}

// fix makes a fix from pairs of path into the joint and value.
func fix(label string, pairs ...any) working.Fix {
	f := working.Fix{Label: label}
	for i := 0; i+1 < len(pairs); i += 2 {
		f.Edits = append(f.Edits, working.Edit{Path: pairs[i].(string), Value: pairs[i+1]})
	}
	return f
}
