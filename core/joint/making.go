package joint

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/hole"
	"warmanvil/core/stock"
)

// Limits of drills held by hand (practice): a chuck takes 13 mm; a step drill cuts
// sheet as thick as its steps are high and holes up to 30 mm; a hole saw starts
// where its pilot leaves a wall, and cuts about 25 mm deep.
const (
	chuck      = 13.
	turned     = 16. // with a shank turned down to the chuck
	stepMost   = 30.
	stepSheet  = 3.
	stepSoft   = 5. // aluminium
	sawLeast   = 16.
	sawThrough = 25.
)

// making says how the holes are made, in order: what is given first, then what is
// laid out, then what is drilled through it, slots before rounds.
func (j *joint) making() {
	j.lips()
	if j.made {
		return
	}
	say := func(format string, args ...any) { j.out.Making = append(j.out.Making, fmt.Sprintf(format, args...)) }
	master := ""
	mates := 0
	for _, step := range []hole.Placing{hole.BySurvey, hole.ByTable, hole.ByTape} {
		for _, p := range j.plies {
			if p.Placed != step {
				continue
			}
			what := "holes"
			if p.Slotted {
				what = "slots"
			}
			switch step {
			case hole.BySurvey:
				say("The %s of %s are there: look that they are round, true and as measured.", what, p.Name)
			case hole.ByTable:
				say("Cut the %s of %s on the table.", what, p.Name)
			case hole.ByTape:
				say("Lay the %s of %s out by running dimensions from one corner, punch them, %s.", what, p.Name, j.drilled(p))
			}
			if master == "" && !p.Slotted {
				master = p.Name
			}
		}
	}
	for _, p := range j.plies {
		if p.Placed == hole.ByMate {
			mates++
		}
	}
	for _, p := range j.plies {
		switch {
		case p.Placed != hole.ByMate:
		case master == "":
			say("%s is to be drilled through a mate and no ply says how its own holes are made: choose the one that is made first.", p.Name)
		case mates == 1:
			say("Clamp %s to %s, mark through its holes with a transfer punch, take it off, %s.", p.Name, master, j.drilled(p))
		default:
			say("Clamp %s to %s, always that one and never a copy of it, mark through its holes with a transfer punch, and drill the pilot.", p.Name,
				master)
		}
	}
	if mates > 1 {
		say("Leave every mate under size until all of them are marked; then bolt up with two bolts and %s.", j.drilled(j.plies[len(j.plies)-1]))
	}
	slotted := false
	for _, p := range j.plies {
		slotted = slotted || p.Slotted
	}
	if slotted {
		say("Slots first and finger tight, rounds later: let the round holes say where it stands, then the slots under thick washers.")
	}
	if j.out.Meets != nil {
		j.out.Making = append(j.out.Making, j.out.Meets.Order...)
	}
}

// drills lists sizes of drills.
func (j *joint) drills(list []float64) string {
	said := make([]string, len(list))
	for i, d := range list {
		said[i] = j.drill(d)
		if i < len(list)-1 {
			said[i] = strings.TrimSuffix(said[i], " mm")
		}
	}
	return strings.Join(said, ", ")
}

// drilled says how a hole is drilled by hand: its steps, and the cutter where
// twist drills end.
func (j *joint) drilled(p ply) string {
	d := p.Hole
	if d == 0 {
		d = j.thread.Clearance.Normal
	}
	if j.in.Nut == Tapped && p.Fixed { // a size, not a kind of fastener: the drill of its thread
		d = j.thread.TapDrill
	}
	family := stock.Steel
	if p.metal {
		family = p.material.Family
	}
	steps := slices.Clone(stock.PilotSteps(min(d, chuck), family))
	sheet := stepSheet
	if family == stock.Aluminum {
		sheet = stepSoft
	}
	switch {
	case d <= chuck:
		return "drill by " + j.drills(append(steps, d))
	case d <= stepMost && p.Thickness <= sheet:
		return fmt.Sprintf("drill a pilot and open it with a step drill to %s: its steps are higher than the %s of %s", j.drill(d),
			j.mm(p.Thickness), p.Name)
	case d >= sawLeast && p.Thickness <= sawThrough:
		return fmt.Sprintf("drill a pilot of %s and saw it out at %s with a hole saw, slowly and oiled: a step drill ends at %s of sheet",
			j.drill(6.35), j.drill(d), j.mm(sheet))
	case d <= turned:
		return fmt.Sprintf("drill by %s with a drill whose shank is turned down to fit the chuck, slowly, both hands on the machine; "+
			"better in a press", j.drills(append(steps, d)))
	}
	return fmt.Sprintf("drill it to %s in a press: no chuck of a hand drill takes that", j.drill(d))
}
