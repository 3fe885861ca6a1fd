package bolt

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Ply is one layer a bolt passes through.
type Ply struct {
	Name      string  `json:"name,omitempty"`
	Thickness float64 `json:"thickness" doc:"mm, with its coats"`
	Squash    float64 `json:"squash,omitempty" doc:"mm it is pressed together when tight: an isolator, sealant, a gasket"`
}

// NutKind is what the bolt is screwed into.
type NutKind string

// The nuts: hexagon, with a plastic ring, or threads in the last ply itself.
const (
	HexNut    NutKind = "hex"
	LockNut   NutKind = "lock"
	NoNut     NutKind = "tapped"
	CustomNut NutKind = "other"
)

// GripInput is a stack to be bolted together, head side first.
type GripInput struct {
	Display  quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	System   stock.System     `json:"system" enum:"inch,metric"`
	Size     string           `json:"size" doc:"1/4, #10, M8"`
	Pitch    float64          `json:"pitch,omitempty" doc:"threads per inch, or mm; coarse when left out"`
	Plies    []Ply            `json:"plies"`
	Washers  int              `json:"washers" doc:"plain washers in all, of the table's thickness"`
	Nut      NutKind          `json:"nut" enum:"hex,lock,tapped,other"`
	Height   float64          `json:"height,omitempty" doc:"mm, of another nut; of a tapped ply how deep its thread runs"`
	Full     bool             `json:"full,omitempty" doc:"only screws threaded to the head are at hand"`
	Have     []float64        `json:"have,omitempty" doc:"mm, lengths in the shop's bins; the usual ones when left out"`
	Protrude [2]float64       `json:"protrude,omitzero" doc:"threads past the nut, least and most; 1 and 3 when left out"`
}

// GripResult is the length to take.
type GripResult struct {
	Grip      float64           `json:"grip" doc:"mm from under the head to under the nut, tight"`
	Least     float64           `json:"least" doc:"mm, shortest length that will do"`
	Most      float64           `json:"most" doc:"mm, longest that stays within the protrusion asked for"`
	Length    *float64          `json:"length" doc:"mm, the length to take; null when none will do"`
	Protrudes float64           `json:"protrudes" doc:"mm past the nut"`
	Threads   float64           `json:"threads" doc:"threads past the nut"`
	Thread    float64           `json:"thread" doc:"mm, length of its thread"`
	Planes    []GripPlane       `json:"planes" doc:"where plies slide on each other"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

// GripPlane is a face between two plies.
type GripPlane struct {
	At       float64 `json:"at" doc:"mm under the head"`
	Threaded bool    `json:"threaded" doc:"the thread is in the plane"`
}

// shankShort is by how many pitches a bolt's full shank may be shorter than its
// length less its thread (ISO 4014: least shank ls = lg − 5·P; ASME B18.2.1 has a
// transition of about as much).
const shankShort = 5

// maxPlies of a stack.
const maxPlies = 40

// Grip answers the bolt length for a stack. It fails with *working.Fault.
func Grip(in GripInput) (GripResult, error) {
	if in.Pitch == 0 {
		if t, err := stock.FindThread(in.System, in.Size, 0); err == nil {
			in.Pitch = t.Pitch
		}
	}
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		return GripResult{}, working.Refuse("/size", "%v.", err)
	}
	hw, known := stock.HardwareFor(t)
	if err := in.check(); err != nil {
		return GripResult{}, err
	}
	r := GripResult{Planes: []GripPlane{}, Findings: []working.Finding{}}
	for _, p := range in.Plies {
		r.Grip += p.Thickness - p.Squash
	}
	if in.Washers > 0 && hw.Washer == 0 {
		return GripResult{}, working.Refuse("/washers", "No washer of %s is in the table: count it as a ply.", t.Size)
	}
	pitch := t.PitchMM()
	least, most := in.Protrude[0], in.Protrude[1]
	if most == 0 {
		least, most = 1, 3
	}
	if most < least {
		return GripResult{}, working.Refuse("/protrude/1", "At most %g threads past the nut is fewer than at least %g.", most, least)
	}
	washers := float64(in.Washers) * hw.Washer
	r.Grip += washers
	nut, err := in.nut(hw)
	if err != nil {
		return GripResult{}, err
	}
	if !known || nut == 0 {
		return GripResult{}, working.Refuse("/nut", "No such nut of %s is in the table: choose other and type its height.", t.Size)
	}
	say := func(code string, severity working.Severity, cause, reason string) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason})
	}
	first := 0. // where sliding faces are counted from
	if in.Washers > 0 {
		first = hw.Washer
	}
	r.Least, r.Most = r.Grip+nut+least*pitch, r.Grip+nut+most*pitch
	if in.Nut == NoNut { // the last ply is threaded: screwed in, not through
		last := in.Plies[len(in.Plies)-1]
		if nut > last.Thickness-last.Squash+1e-9 {
			return GripResult{}, working.Refuse("/height", "A thread %s deep does not fit into a ply of %s.", in.Display.Text(nut),
				in.Display.Text(last.Thickness))
		}
		r.Grip -= last.Thickness - last.Squash
		r.Least, r.Most = r.Grip+math.Min(t.Diameter, nut), r.Grip+nut
		if nut < t.Diameter {
			say("engagement-short", working.Mind, "Threads",
				fmt.Sprintf("The thread is %s deep, under one diameter (%s): ask the thread engagement whether it strips before the bolt breaks.",
					in.Display.Text(nut), in.Display.Text(t.Diameter)))
		}
	}
	lengths := in.Have
	if len(lengths) == 0 {
		lengths = stock.BoltLengths(t.System)
	}
	r.choose(in, t, nut, lengths, say)
	r.slide(in, first, pitch)
	r.tell(in, t, say)
	r.Working = working.Working{Method: "Grip and bolt length",
		Source: stock.HardwareSource + "; thread length " + map[bool]string{true: "ASME B18.2.1",
			false: "ISO 4014, ISO 4017"}[t.System == stock.Inch], Formula: "grip = Σ(t − squash) + washers; L = grip + nut + threads past it · P",
		Inputs: []working.Quantity{{Symbol: "Σt", Name: "plies, tight", Value: r.Grip - washers, Unit: "mm"},
			{Symbol: "washers", Name: "washers", Value: washers, Unit: "mm"},
			{Symbol: "nut", Name: "nut, or depth of thread", Value: nut, Unit: "mm"}, {Symbol: "P", Name: "pitch", Value: pitch, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "Lmin", Name: "shortest", Value: r.Least, Unit: "mm"},
			{Symbol: "Lmax", Name: "longest", Value: r.Most, Unit: "mm"}},
		Result: working.Quantity{Symbol: "grip", Name: "grip", Value: r.Grip, Unit: "mm"}}
	return r, nil
}

// check refuses a stack that is none.
func (in GripInput) check() error {
	if len(in.Plies) == 0 || len(in.Plies) > maxPlies {
		return working.Refuse("/plies", "A stack has 1 to %d plies: name what the bolt passes through.", maxPlies)
	}
	for i, p := range in.Plies {
		at := fmt.Sprintf("/plies/%d", i)
		if err := working.First(working.Above(at+"/thickness", "The thickness of "+p.said(i), p.Thickness, 0, 1000, "mm"),
			working.Within(at+"/squash", "What it is pressed together", p.Squash, 0, p.Thickness, "mm")); err != nil {
			return err
		}
	}
	return working.First(working.Within("/washers", "Washers", float64(in.Washers), 0, 20, ""),
		working.Within("/height", "The nut's height", in.Height, 0, 300, "mm"),
		working.Within("/protrude/0", "Threads past the nut", in.Protrude[0], 0, 20, ""),
		working.Within("/protrude/1", "Threads past the nut", in.Protrude[1], 0, 40, ""))
}

// nut is the height of the nut, or the depth of the thread, in mm; 0 where the
// table has none.
func (in GripInput) nut(hw stock.Hardware) (float64, error) {
	switch in.Nut {
	case HexNut, "":
		return hw.Nut, nil
	case LockNut:
		return hw.LockNut, nil
	case CustomNut, NoNut:
		if in.Height == 0 {
			return 0, working.Refuse("/height", "Say how high the nut is, or how deep the thread runs.")
		}
		return in.Height, nil
	}
	return 0, working.Refuse("/nut", "The nut is hex, lock, tapped or other, not %q.", in.Nut)
}

// slide finds the faces between plies, counted from first, and which of them
// the thread of pitch lies in.
func (r *GripResult) slide(in GripInput, first, pitch float64) {
	at := first
	for i := 0; i+1 < len(in.Plies); i++ {
		at += in.Plies[i].Thickness - in.Plies[i].Squash
		plane := GripPlane{At: at}
		if r.Length != nil {
			plane.Threaded = at > *r.Length-r.Thread-shankShort*pitch
		}
		r.Planes = append(r.Planes, plane)
	}
}

func (p Ply) said(i int) string {
	if p.Name != "" {
		return p.Name
	}
	return fmt.Sprintf("ply %d", i+1)
}

// choose takes the shortest length that reaches, told when it stands out too far.
func (r *GripResult) choose(in GripInput, t stock.Thread, nut float64, lengths []float64,
	say func(code string, severity working.Severity, cause, reason string)) {
	best := math.Inf(1)
	for _, l := range lengths {
		if l >= r.Least-1e-6 && l < best {
			best = l
		}
	}
	if in.Nut == NoNut { // as deep as it goes, never on the ground
		best = math.Inf(-1)
		for _, l := range lengths {
			if l >= r.Least-1e-6 && l <= r.Most+1e-6 && l > best {
				best = l
			}
		}
	}
	if math.IsInf(best, 0) {
		say("no-length", working.Stop, "Bolt length",
			fmt.Sprintf("No length at hand lies between %s and %s: add washers, cut a longer one, or take another nut.", in.Display.Text(r.Least),
				in.Display.Text(r.Most)))
		return
	}
	r.Length = &best
	r.Thread = t.ThreadLength(best)
	if in.Full {
		r.Thread = best
	}
	if in.Nut == NoNut {
		return
	}
	r.Protrudes = best - r.Grip - nut
	r.Threads = r.Protrudes / t.PitchMM()
	if best > r.Most+1e-6 {
		say("long", working.Mind, "Bolt length",
			fmt.Sprintf("The next length at hand stands %s past the nut, %.2g threads: it catches and corrodes. A washer more, or cut it "+
				"and file the end.", in.Display.Text(r.Protrudes), r.Threads))
	}
	// The nut must not run onto the shank.
	if shank := best - r.Thread; shank > r.Grip-1e-6 {
		say("shank-long", working.Stop, "Bolt length",
			fmt.Sprintf("Its shank of %s is as long as the grip of %s: the nut runs out of thread before it is tight. Take a screw threaded to "+
				"the head, or a washer more.", in.Display.Text(shank), in.Display.Text(r.Grip)))
	}
}

// tell says what else to mind about the stack.
func (r *GripResult) tell(in GripInput, t stock.Thread, say func(code string, severity working.Severity, cause, reason string)) {
	threaded := 0
	for _, p := range r.Planes {
		if p.Threaded {
			threaded++
		}
	}
	if threaded > 0 {
		say("thread-in-plane", working.Note, "Shear",
			fmt.Sprintf("The thread lies in %d of %d faces that slide: count it weaker there (0.45 of tensile strength instead of 0.563, "+
				"AISC 360 J3.6).", threaded, len(r.Planes)))
	}
	soft := 0.
	var names []string
	for i, p := range in.Plies {
		if p.Squash > 0 {
			soft += p.Squash
			names = append(names, p.said(i))
		}
	}
	if soft > 0 {
		say("soft-stack", working.Mind, "Staying tight",
			fmt.Sprintf("%s give way by %s: a bolt that presses on soft plies loses its tension. Put a sleeve through them so that metal is "+
				"pressed on metal.", strings.Join(names, ", "), in.Display.Text(soft)))
	}
	if in.Nut == LockNut && r.Length != nil && r.Threads < 1 {
		say("ring-not-through", working.Mind, "Staying tight",
			"The bolt's end does not come out of the plastic ring by a full thread: it does not lock.")
	}
	if other := t.Lookalike(); other != "" {
		say("lookalike", working.Note, "Threads",
			fmt.Sprintf("%s and %s start in each other's nuts by hand and strip under load: try one that is known first.", t.Name(), other))
	}
}
