package hole

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Placing is how the holes of a side get where they are.
type Placing string

// The ways: cut on a table, drilled by tape and centre punch, drilled through
// the mate, measured on the vehicle, or typed.
const (
	ByTable  Placing = "table"
	ByTape   Placing = "tape"
	ByMate   Placing = "matched"
	BySurvey Placing = "surveyed"
	ByTyped  Placing = "typed"
)

// placed is how far holes lie off by the way they are placed, mm on the radius
// (practice).
var placed = map[Placing]float64{ByTable: .25, ByTape: 1, ByMate: .1, BySurvey: 1.5}

// AssembleSide is one of the things that are bolted together.
type AssembleSide struct {
	Name      string  `json:"name"`
	Placed    Placing `json:"placed" enum:"table,tape,matched,surveyed,typed"`
	Tolerance float64 `json:"tolerance,omitempty" doc:"mm a hole may lie off, on the radius; by the way it is placed when left out"`
	Hole      float64 `json:"hole,omitempty" doc:"mm, diameter; left out where it is asked for"`
	Fixed     bool    `json:"fixed,omitempty" doc:"tapped, or a nut that does not move: the bolt has no play in it"`
}

// AssembleInput asks whether two hole patterns meet.
type AssembleInput struct {
	Display quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	System  stock.System     `json:"system" enum:"inch,metric"`
	Size    string           `json:"size" doc:"1/4, #10, M8"`
	Holes   [][2]float64     `json:"holes" doc:"mm, as drawn"`
	Sides   []AssembleSide   `json:"sides" doc:"two or more"`
	Angle   float64          `json:"angle,omitempty" doc:"degrees a side may come out turned about its first hole"`
}

// AssembleResult says what makes it assemble.
type AssembleResult struct {
	Worst    []float64         `json:"worst" doc:"mm by hole, two sides off against each other as far as they may"`
	Likely   []float64         `json:"likely" doc:"mm by hole, root of the sum of squares"`
	Play     *float64          `json:"play" doc:"mm the bolt has between the two sides, as the holes are; null when a hole is not given"`
	Meets    string            `json:"meets" enum:"always,mostly,no,cannot say"`
	Class    *string           `json:"class" enum:"close,normal,loose" doc:"the tightest holes that always meet; null when none do"`
	Usual    *string           `json:"usual" enum:"close,normal,loose" doc:"the tightest that mostly meet"`
	Round    float64           `json:"round" doc:"mm, holes on the loosest side that always meet without a slot"`
	Slots    []AssembleSlot    `json:"slots" doc:"instead: which hole becomes a slot, on which side"`
	Order    []string          `json:"order" doc:"what to do, one after the other"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// AssembleSlot is a hole that becomes a slot, or is left until the rest is bolted.
type AssembleSlot struct {
	Hole   int        `json:"hole"`
	Side   string     `json:"side"`
	Kind   string     `json:"kind" enum:"datum,slot,later" doc:"stays round; slotted along; drilled through when the others are bolted"`
	Along  [2]float64 `json:"along" doc:"unit, the way it runs"`
	Length float64    `json:"length" doc:"mm overall; its width is the hole"`
}

const maxAssembled = 200

// Assemble answers whether patterns meet, and what makes them. The worst two
// sides decide. It fails with *working.Fault.
func Assemble(in AssembleInput) (AssembleResult, error) {
	th, err := stock.FindThread(in.System, in.Size, 0)
	if err != nil {
		return AssembleResult{}, working.Refuse("/size", "%v.", err)
	}
	d := th.Diameter
	sides, err := in.sides(d)
	if err != nil {
		return AssembleResult{}, err
	}
	a, b := worstPair(sides)
	r := AssembleResult{Slots: []AssembleSlot{}, Order: []string{}, Findings: []working.Finding{}, Meets: "cannot say"}
	for _, h := range in.Holes {
		turn := math.Hypot(h[0]-in.Holes[0][0], h[1]-in.Holes[0][1]) * math.Tan(in.Angle*math.Pi/180)
		r.Worst = append(r.Worst, a.Tolerance+b.Tolerance+turn)
		r.Likely = append(r.Likely, math.Sqrt(a.Tolerance*a.Tolerance+b.Tolerance*b.Tolerance+turn*turn))
	}
	worst, likely := most(r.Worst), most(r.Likely)
	if play, ok := playOf(a, b, d); ok {
		r.Play = &play
		switch {
		case worst <= play+1e-9:
			r.Meets = "always"
		case likely <= play+1e-9:
			r.Meets = "mostly"
		default:
			r.Meets = "no"
		}
	}
	r.Class, r.Usual = classOf(th, worst, a, b), classOf(th, likely, a, b)
	r.makeMeet(in, a, b, th, worst)
	r.Working = working.Working{Method: "Two hole patterns that must meet",
		Source:  "worst case and root of the sum of squares; ISO 273 and ASME B18.2.8 holes; how far holes lie off is practice",
		Formula: "worst = tA + tB + L·tan α; likely = √(tA² + tB² + (L·tan α)²); play = Σ (H − d)/2",
		Inputs: []working.Quantity{{Symbol: "d", Name: "bolt " + th.Name(), Value: d, Unit: "mm"},
			{Symbol: "tA", Name: a.said(0) + " off by", Value: a.Tolerance, Unit: "mm"},
			{Symbol: "tB", Name: b.said(1) + " off by", Value: b.Tolerance, Unit: "mm"},
			{Symbol: "α", Name: "turned by", Value: in.Angle, Unit: "°"}},
		Steps:  []working.Quantity{{Symbol: "likely", Name: "most holes' miss", Value: likely, Unit: "mm"}},
		Result: working.Quantity{Symbol: "worst", Name: "largest miss", Value: worst, Unit: "mm"},
		Assumptions: []string{"the bolts of both sides are the pattern as drawn; the part may not be shifted to help",
			"holes lie off any way alike"}}
	return r, nil
}

// sides checks what is asked and answers the sides with how far their holes may
// lie off, for a bolt of d mm.
func (in AssembleInput) sides(d float64) ([]AssembleSide, error) {
	switch {
	case len(in.Holes) == 0 || len(in.Holes) > maxAssembled:
		return nil, working.Refuse("/holes", "A pattern has 1 to %d holes.", maxAssembled)
	case len(in.Sides) < 2 || len(in.Sides) > 10:
		return nil, working.Refuse("/sides", "Two sides or more are bolted together: name them.")
	}
	if err := working.Within("/angle", "The angle", in.Angle, 0, 20, "°"); err != nil {
		return nil, err
	}
	for i, h := range in.Holes {
		for k := range h {
			if err := working.Within(fmt.Sprintf("/holes/%d/%d", i, k), "A place", h[k], -1e5, 1e5, "mm"); err != nil {
				return nil, err
			}
		}
	}
	sides := slices.Clone(in.Sides)
	for i := range sides {
		s := &sides[i]
		at := fmt.Sprintf("/sides/%d", i)
		typical, ok := placed[s.Placed]
		if !ok && s.Placed != ByTyped {
			return nil, working.Refuse(at+"/placed", "Holes are placed by table, tape, matched, surveyed or typed, not %q.", s.Placed)
		}
		s.Tolerance = cmp.Or(s.Tolerance, typical)
		err := working.First(working.Within(at+"/tolerance", "How far a hole may lie off", s.Tolerance, 0, 50, "mm"),
			working.Within(at+"/hole", "The hole", s.Hole, 0, 500, "mm"))
		if err == nil && s.Placed == ByTyped && s.Tolerance == 0 {
			err = working.Refuse(at+"/tolerance", "Type how far a hole of %s may lie off.", s.said(i))
		}
		if err == nil && !s.Fixed && s.Hole > 0 && s.Hole < d {
			err = working.Refuse(at+"/hole", "A bolt of %g mm does not go through a hole of %g.", d, s.Hole)
		}
		if err != nil {
			return nil, err
		}
	}
	return sides, nil
}

// classOf is the closest class of clearance holes whose play takes a miss in mm;
// nil where none does.
func classOf(th stock.Thread, miss float64, sides ...AssembleSide) *string {
	for _, c := range []struct {
		name string
		hole float64
	}{{"close", th.Clearance.Close}, {"normal", th.Clearance.Normal}, {"loose", th.Clearance.Loose}} {
		play := 0.
		for _, s := range sides {
			if !s.Fixed {
				play += (c.hole - th.Diameter) / 2
			}
		}
		if miss <= play+1e-9 {
			return &c.name
		}
	}
	return nil
}

func (s AssembleSide) said(i int) string {
	if s.Name != "" {
		return s.Name
	}
	return fmt.Sprintf("side %d", i+1)
}

// worstPair answers the two sides that leave each other least: largest tolerance
// over play.
func worstPair(sides []AssembleSide) (a, b AssembleSide) {
	worst := math.Inf(-1)
	for i := range sides {
		for k := range i {
			short := sides[i].Tolerance + sides[k].Tolerance
			for _, s := range []AssembleSide{sides[i], sides[k]} {
				if !s.Fixed && s.Hole > 0 {
					short -= s.Hole / 2
				}
			}
			if short > worst {
				worst, a, b = short, sides[k], sides[i]
			}
		}
	}
	return a, b
}

// playOf answers how far the bolt lets two sides lie off each other.
func playOf(a, b AssembleSide, d float64) (play float64, ok bool) {
	for _, s := range []AssembleSide{a, b} {
		if s.Fixed {
			continue
		}
		if s.Hole == 0 {
			return 0, false
		}
		play += (s.Hole - d) / 2
	}
	return play, true
}

func most(list []float64) (m float64) {
	for _, v := range list {
		m = math.Max(m, v)
	}
	return m
}

// makeMeet says what to slot, on which side, and in which order to go.
func (r *AssembleResult) makeMeet(in AssembleInput, a, b AssembleSide, th stock.Thread, worst float64) {
	d := th.Diameter
	// The side that is slotted: it can be, and it is the one least true.
	loose, firm := a, b
	if loose.Fixed || !firm.Fixed && firm.Tolerance > loose.Tolerance {
		loose, firm = b, a
	}
	if loose.Fixed {
		r.Findings = append(r.Findings, working.Finding{Code: "both-fixed", Severity: working.Stop, Cause: "Patterns",
			Reason: "Both sides hold the bolt without play: they meet only when one is made on the other. Open one to a clearance hole."})
		return
	}
	width := loose.Hole
	if width == 0 {
		width = th.Clearance.Normal
	}
	play := (width - d) / 2
	if !firm.Fixed {
		hole := firm.Hole
		if hole == 0 {
			hole = th.Clearance.Normal
		}
		play += (hole - d) / 2
	}
	r.Round = math.Ceil((width+2*math.Max(0, worst-play))*2) / 2
	if worst <= play+1e-9 {
		return
	}
	first, far := 0, 0
	at := func(i int) profile.Point { return profile.Point{X: in.Holes[i][0], Y: in.Holes[i][1]} }
	for i := range in.Holes {
		if at(i).Sub(at(first)).Len() > at(far).Sub(at(first)).Len() {
			far = i
		}
	}
	for i := range in.Holes {
		s := AssembleSlot{Hole: i, Side: loose.said(0), Length: width}
		switch {
		case i == first:
			s.Kind = "datum"
		case i == far:
			s.Kind = "slot"
			way := at(far).Sub(at(first))
			way = way.Mul(1 / way.Len())
			// What the turn about the first hole takes up is no miss along the line.
			s.Along, s.Length = [2]float64{way.X, way.Y}, math.Ceil((width+2*(r.Worst[i]-play))*2)/2
		default:
			s.Kind = "later"
			s.Length = math.Ceil((width+2*math.Max(0, r.Worst[i]-play))*2) / 2
		}
		r.Slots = append(r.Slots, s)
	}
	if len(in.Holes) > 1 {
		r.Order = append(r.Order, fmt.Sprintf("Cut hole %d of %s as a slot towards hole %d; leave the others under size.",
			far+1, loose.said(0), first+1),
			fmt.Sprintf("Bolt the slot first, loose, then hole %d, and square the part up.", first+1))
		if len(in.Holes) > 2 {
			r.Order = append(r.Order, "Drill the others through when both sit, from a pilot, each through the side that is made already, never "+
				"through a copy.")
		}
		r.Order = append(r.Order, fmt.Sprintf("Tighten hole %d, then the slot under a thick washer, then the rest.", first+1))
	}
	if r.Round > width+1e-9 && len(in.Holes) > 1 {
		r.Findings = append(r.Findings, working.Finding{Code: "open-up", Severity: working.Mind, Cause: "Patterns",
			Reason: fmt.Sprintf("Opened round until they always meet, the holes of %s would be %s for a bolt of %s: such a joint slips. A slot "+
				"and a washer that covers it hold better.", loose.said(0), in.Display.Text(r.Round), in.Display.Text(d))})
	}
	for i := range r.Slots {
		if s := &r.Slots[i]; s.Kind == "slot" && s.Length > 2.5*width {
			r.Findings = append(r.Findings, working.Finding{Code: "slot-long", Severity: working.Mind, Cause: "Patterns",
				Reason: fmt.Sprintf("A slot of %s is long: measure the other side first, or drill both together.", in.Display.Text(s.Length))})
		}
	}
}
