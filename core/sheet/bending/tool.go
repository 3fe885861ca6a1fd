package bending

import (
	"math"
	"slices"

	"warmanvil/core/profile"
)

// Kind is how a brake bends.
type Kind string

// A press pushes the sheet into a die; a leaf folds what stands out of a clamp; in a vice it
// is hammered over.
const (
	Press Kind = "press"
	Leaf  Kind = "leaf"
	Vice  Kind = "vice"
)

// Tool is a punch, a die or a finger: its outline across the bend, x to the back stop, y
// up. A punch's or finger's origin is where it touches the sheet, a die's the middle of its
// opening at the top.
type Tool struct {
	Name    string
	Said    bool // the Shop has it; else it is a usual one
	Outline []profile.Point
	Opening float64   // of a die, mm
	Sharp   bool      // it is taken only where a bend is turned far past a right angle
	Pieces  []float64 // lengths it comes in, mm; one of Long when none
	Long    float64   // mm; 0 as long as the machine
	Step    float64   // mm: it is put together to any multiple of it; a usual set
}

// Brake is a machine set up with the tools there are for one part.
type Brake struct {
	Name  string
	Kind  Kind
	Named bool // the Shop names it; else it is a usual one
	Said  bool // all that is asked of it was said
	Long  float64
	Thick float64   // mm of the part's metal; 0 is no limit
	Open  float64   // mm the punch or clamp rises
	Beam  float64   // mm, thickness of the beams over and under the tools
	Floor float64   // mm from the top of the die or bed to the floor
	Stop  float64   // mm the back stop reaches; 0 for none
	Upper []Tool    // punches or fingers, the one taken first, first
	Die   Tool      // of a press
	Dies  []float64 // mm, openings the shop has where none of them is the die: that is a usual one
	Lift  float64   // kg the strongest there lifts; 0 is not said
}

// Straight answers the outline of a straight punch: its tip's angle in degrees, width of its
// body and height, mm.
func Straight(angle, width, height float64) []profile.Point {
	half := width / 2
	z := half / math.Tan(angle*math.Pi/360)
	return []profile.Point{{}, {X: half, Y: z}, {X: half, Y: height}, {X: -half, Y: height}, {X: -half, Y: z}}
}

// gooseNose is half the width of a gooseneck's nose, and gooseTang how high its head is, mm.
const gooseNose, gooseTang = 5., 15.

// Gooseneck answers the outline of a punch whose neck stands back from its tip by throat,
// so that a flange in front of it has room. It needs GooseneckLeast of height.
func Gooseneck(angle, width, height, throat float64) []profile.Point {
	n := gooseNose
	z := n / math.Tan(angle*math.Pi/360)
	back := throat + width
	return []profile.Point{{}, {X: n, Y: z}, {X: back, Y: z + back - n}, {X: back, Y: height}, {X: -width / 2, Y: height},
		{X: -width / 2, Y: height - gooseTang}, {X: throat, Y: height - gooseTang - throat - width/2}, {X: throat, Y: z + throat + n},
		{X: -n, Y: z}}
}

// GooseneckLeast is the least height of such a punch, mm.
func GooseneckLeast(angle, width, throat float64) float64 {
	return gooseTang + 2*throat + width + gooseNose + gooseNose/math.Tan(angle*math.Pi/360)
}

// DieWidth and DieHeight are usual sizes of the block of a V die, mm.
func DieWidth(opening float64) float64 { return math.Max(opening+20, 40) }

// DieHeight is deep enough for its groove.
func DieHeight(opening, angle float64) float64 {
	return math.Max(60, opening/2/math.Tan(angle*math.Pi/360)+20)
}

// VDie answers the outline of the block of a V die.
func VDie(opening, angle, width, height float64) []profile.Point {
	half, v := width/2, opening/2
	return []profile.Point{{X: v}, {Y: -v / math.Tan(angle*math.Pi/360)}, {X: -v}, {X: -half}, {X: -half, Y: -height}, {X: half,
		Y: -height},
		{X: half}}
}

// fingerFoot is how much of a finger lies behind its front at the top, mm.
const fingerFoot = 30.

// Finger answers the outline of a box-and-pan brake's finger: its nose, its height and how
// steep its front leans back over the sheet, degrees.
func Finger(nose, height, lean float64) []profile.Point {
	back := (height - nose) / math.Tan(lean*math.Pi/180)
	return []profile.Point{{}, {X: back + fingerFoot}, {X: back + fingerFoot, Y: height}, {X: back, Y: height}, {Y: nose}}
}

// Usual sizes of tools where the Shop names none (practice).
const (
	usualPunch, usualTall          = 13., 110. // width and height of a punch
	usualTip, usualAcute           = 85., 30.  // degrees
	usualThroat, usualNeck         = 30., 22.
	usualFinger, usualLean         = 90., 45.
	usualLeaf, usualEdge, usualBed = 60., 20., 150. // how deep a leaf is, how wide at its edge; depth of a bed
	barWide, barHigh               = 50., 40.       // angle bars in a vice
	usualSections                  = 5.             // mm, to which a sectioned set combines
	usualOpen, usualFloor          = 180., 900.
	usualBeam, usualReach          = 70., 600.
)

// UsualPunches are taken where the Shop names no punch.
func UsualPunches() []Tool {
	return []Tool{{Name: "a usual straight punch", Outline: Straight(usualTip, usualPunch, usualTall), Step: usualSections},
		{Name: "a usual gooseneck", Outline: Gooseneck(usualTip, usualNeck, usualTall, usualThroat), Step: usualSections},
		{Name: "a usual acute punch", Sharp: true, Outline: Straight(usualAcute, usualPunch, usualTall), Step: usualSections}}
}

// UsualDie is the die of an opening where the Shop names none.
func UsualDie(opening float64) Tool {
	return Tool{Name: "a usual die", Opening: opening, Step: usualSections,
		Outline: VDie(opening, usualAcute, DieWidth(opening), DieHeight(opening, usualAcute))}
}

// UsualFingers of a box-and-pan brake, or the nose of a folder's beam, which is in one piece.
func UsualFingers(nose float64, pieces bool) []Tool {
	t := Tool{Name: "usual fingers", Outline: Finger(nose, usualFinger, usualLean), Step: usualSections}
	if !pieces {
		t.Name, t.Step = "the clamping beam", 0
	}
	return []Tool{t}
}

// UsualBars of a vice.
func UsualBars() []Tool {
	return []Tool{{Name: "angle bars", Step: usualSections, Outline: []profile.Point{{}, {X: barWide}, {X: barWide, Y: barHigh},
		{Y: barHigh}}}}
}

// Usual fills in what was not said of a machine.
func (b Brake) Usual() Brake {
	or := func(v *float64, usual float64) {
		if *v <= 0 {
			*v = usual
		}
	}
	or(&b.Open, usualOpen)
	or(&b.Floor, usualFloor)
	or(&b.Beam, usualBeam)
	if b.Kind == Press {
		or(&b.Stop, usualReach)
	}
	return b
}

// lengths answers what lengths of a tool can be set up for a bend: as it is, where it is in
// one piece, or long enough for the longest bend of the part, and the longest that is no
// longer than the bend.
func (t Tool) lengths(bend, longest, machine float64) (out []Setup) {
	if t.Step == 0 && len(t.Pieces) == 0 {
		long := t.Long
		if long == 0 {
			long = math.Max(machine, bend)
		}
		return []Setup{{Long: long}}
	}
	full, under := Setup{Long: math.Max(machine, bend)}, Setup{Long: math.Floor(bend/t.Step+1e-9) * t.Step}
	if t.Step == 0 {
		full, under = cover(t.Pieces, longest), combine(t.Pieces, bend)
	}
	if full.Long > bend+1e-9 {
		out = append(out, full)
	}
	if under.Long > 0 && under.Long >= bend-short(bend) {
		out = append(out, under)
	}
	return out
}

// cover answers the pieces that come nearest to a length from above; all of them where they
// do not reach it.
func cover(pieces []float64, least float64) Setup {
	sum := 0.
	for _, p := range pieces {
		sum += p
	}
	// What is left aside is the most that may be.
	aside := combine(pieces, sum-least)
	left := append([]float64(nil), aside.Pieces...)
	out := Setup{}
	for _, p := range pieces {
		if i := slices.Index(left, p); i >= 0 {
			left = slices.Delete(left, i, i+1)
			continue
		}
		out.Long, out.Pieces = out.Long+p, append(out.Pieces, p)
	}
	return out
}

// short is how much of a bend may stand out past its tool, both ends together: the sheet
// carries the bend on (practice).
func short(bend float64) float64 { return math.Max(10, .04*bend) }

// Setup is a length of tool put together for a bend.
type Setup struct {
	Long   float64   `json:"long" doc:"mm"`
	Pieces []float64 `json:"pieces,omitempty" doc:"mm, that it is put together of; left out where any length can be"`
}

// combine answers the pieces that come nearest to a length from below, the fewest of those;
// to a tenth of a millimetre.
func combine(pieces []float64, most float64) Setup {
	const tenths = 10
	top := int(math.Floor(most*tenths + 1e-6))
	if top <= 0 {
		return Setup{}
	}
	count := make([]int, top+1)
	used := make([][]bool, top+1)
	used[0] = make([]bool, len(pieces))
	for k, p := range pieces {
		n := int(math.Round(p * tenths))
		for s := top; s >= n && n > 0; s-- {
			if r := s - n; used[r] != nil && (used[s] == nil || count[r]+1 < count[s]) {
				count[s], used[s] = count[r]+1, append([]bool(nil), used[r]...)
				used[s][k] = true
			}
		}
	}
	for s := top; s > 0; s-- {
		if used[s] == nil {
			continue
		}
		out := Setup{Long: float64(s) / tenths}
		for k, on := range used[s] {
			if on {
				out.Pieces = append(out.Pieces, pieces[k])
			}
		}
		return out
	}
	return Setup{}
}
