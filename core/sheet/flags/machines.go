package flags

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/goods"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// Machines are what a part is cut and bent on and who lifts it, each list in the order it
// is taken: what stands here first. An empty list is not asked of.
type Machines struct {
	Tables  []Machine
	Brakes  []Machine
	Lifter  Lifter
	Tools   Tools
	Gear    []Lifter      // lifting gear that is there, weakest first
	Untried []string      // operations nobody there is practised at: cutting, bending, drilling
	Away    []string      // machines it would be made on that are not there now, and why
	Sheets  []goods.Lying // and remnants in stock; none where no account is kept
	Presses []DrillPress
	Shears  []ShearOf
	Welders []WelderOf
	Outside []Outsider

	Compressors []Compressor
	Places      []Place  // ovens, spray places and own transport
	Unnamed     []string // sorts of machine it is made on that the Shop, which names others, does not name
}

// Machine is a table a blank lies on, or a brake: what it takes of this part's metal. 0 is
// no limit.
type Machine struct {
	ID        string // of the shop's machine; empty of a usual one
	Name      string
	Where     string  // "" here, else where: borrowed, at a supplier
	Named     bool    // the Shop names it; else it is a usual one
	Said      bool    // all its limits were said, none taken as usual
	Long      float64 // mm, of its bed, or of a bend
	Wide      float64 // mm, of its bed
	Thick     float64 // mm of this metal
	Force     float64 // N in all
	PerLength float64 // N/mm of bend
	Sure      [2]bool // that its force, and its force on each length, were said
	Angle     float64 // degrees a bend may turn
	Bow       float64 // mm the middle of its beam gives at full force over its whole length
	BowSaid   bool
	Air       Limit // l/min it takes; none where it takes none
}

// Lifter is who lifts it alone.
type Lifter struct {
	Name  string
	Kilos float64
}

// called names a machine in a sentence.
func (m Machine) called() string {
	name := m.Name
	if m.Where != "" {
		name += " (" + m.Where + ")"
	}
	return name
}

// unsaid says, where it has to be said, whose the limits are; it ends a sentence.
func (m Machine) unsaid() string {
	switch {
	case !m.Named:
		return " The Shop names none of its own: these are usual values."
	case !m.Said:
		return " Not all of its limits are said in the Shop: the others are usual values."
	}
	return ""
}

// mindForce and stopForce are the shares of a brake's force that are worth a look and that
// it does not give (practice: gauges, dies and sheet are each off by some per cent).
const mindForce, stopForce = .8, 1.

// Bottoming is how much more force a bottomed bend takes than an air bend, at most (practice:
// 3 to 5 times).
const Bottoming = 5.

// lies says why a blank does not go on a table; empty when it does. turned is how far it is
// turned for it.
func (m Machine) lies(x, y, t float64) (why string, turned float64) {
	if m.Thick > 0 && t > m.Thick+sheet.Tiny {
		return "thick", 0
	}
	turned, fits := profile.RectangleIn(x, y, orAny(m.Long), orAny(m.Wide))
	if !fits {
		return "size", 0
	}
	return "", turned
}

// Takes tells whether a blank of two sides and a thickness, mm, goes on a table, turned any way.
func (m Machine) Takes(x, y, thickness float64) bool {
	why, _ := m.lies(x, y, thickness)
	return why == ""
}

// Cutter answers the table that is taken first of those a blank goes on; nil where none takes it.
func (m Machines) Cutter(x, y, thickness float64) *Machine {
	for i := range m.Tables {
		if m.Tables[i].Takes(x, y, thickness) {
			return &m.Tables[i]
		}
	}
	return nil
}

// Bends tells whether a bend so long, of a thickness and a turn, asking so much force, is made on a
// brake. mm, degrees, N.
func (m Machine) Bends(long, thickness, angle, force float64) bool {
	why, _ := m.bends(long, thickness, angle, force)
	return why == ""
}

func orAny(v float64) float64 {
	if v <= 0 {
		return 1e9
	}
	return v
}

// checkMachines says when a part is more than the tables, brakes and people there are take.
func (b *flagger) checkMachines() {
	whole := &lay.Panel{ID: "sheet", Name: "Sheet"}
	for _, away := range b.Machines.Away {
		b.Mind("machine-away", "Machines", whole, away+" Nothing else of its sort is in the Shop: what it takes was not asked.")
	}
	for _, sort := range b.Machines.Unnamed {
		b.Note("machine-unnamed", "Machines", whole, "The Shop names no "+sort+": a usual one is taken. Say whose it is, or make the "+
			"part another way.")
	}
	for _, o := range b.Machines.Untried {
		if b.needs(o) {
			b.Note("practice", "People", whole, fmt.Sprintf("Nobody in the shop is practised at %s: make a practice piece of the "+
				"same sheet first, "+
				"and measure it.", o))
		}
	}
	b.checkTables(whole)
	b.checkStock(whole)
	b.checkTools()
	b.checkBench()
	b.checkPlaces()
	for _, p := range b.Panels[1:] {
		b.checkBrakes(p)
	}
	lift, who := b.Lift, "one person"
	if lift == 0 && b.Machines.Lifter.Kilos > 0 {
		lift, who = b.Machines.Lifter.Kilos, b.Machines.Lifter.Name
	}
	if lift > 0 && b.Mass > lift {
		b.Mind("past-lift", "Large parts", whole,
			fmt.Sprintf("It weighs %s and %s lifts %s: %slift it with %.0f%s.", quantity.FormatMass(b.Mass, b.Display), who,
				quantity.FormatMass(lift, b.Display), map[bool]string{true: "split it, or "}[b.Round == nil],
				math.Ceil(b.Mass/lift), b.gear()))
	}
}

// gear names the weakest lifting gear of the shop that lifts the part.
func (b *flagger) gear() string {
	for _, g := range b.Machines.Gear {
		if g.Kilos >= b.Mass {
			return fmt.Sprintf(", or with %s, which lifts %s", g.Name, quantity.FormatMass(g.Kilos, b.Display))
		}
	}
	return ""
}

// needs tells whether a part is made by an operation.
func (b *flagger) needs(operation string) bool {
	switch operation {
	case "bending":
		return len(b.Panels) > 1 || b.Round != nil
	case "drilling":
		return slices.ContainsFunc(b.Holes, func(h lay.Hole) bool { return h.Recipe.Made != "" && h.Recipe.Made != sheet.MadeCut })
	case "welding":
		return b.Welds
	case "sawing":
		return false // of frames
	}
	return true
}

func (b *flagger) checkTables(whole *lay.Panel) {
	x, y := b.Outline.Bounds().Size()
	t := b.Recipe.Thickness
	for i, m := range b.Machines.Tables {
		why, turned := m.lies(x, y, t)
		if why != "" {
			continue
		}
		if turned > 0 && turned != 90 {
			b.Note("turned-on-bed", "Large parts", whole, fmt.Sprintf("The blank of %s × %s lies on %s only turned by %.1f°.",
				b.Len(x), b.Len(y),
				m.called(), turned))
		}
		b.checkAir(whole, m)
		if i > 0 && m.Where != "" {
			b.Note("cut-elsewhere", "Large parts", whole, fmt.Sprintf("It does not go on %s: it is cut on %s.",
				b.Machines.Tables[0].called(), m.called()))
		}
		return
	}
	if len(b.Machines.Tables) == 0 {
		return
	}
	m := b.Machines.Tables[0]
	what := fmt.Sprintf("The blank of %s × %s does not go on %s, %s × %s", b.Len(x), b.Len(y), m.called(), b.Len(m.Long), b.Len(m.Wide))
	code := "past-bed"
	if why, _ := m.lies(x, y, t); why == "thick" {
		what, code = fmt.Sprintf("%s of %s is thicker than %s cuts, %s", b.Len(t), b.Material.Name, m.called(), b.Len(m.Thick)), "past-cut"
	}
	b.Mind(code, "Large parts", whole, what+others(b.Machines.Tables)+"."+m.unsaid()+Ways{Machine: another,
		Split: b.splits(code == "past-bed"), Supplier: b.outside("cut", "a cutter"), Design: "another design"}.Says())
}

// others says that no other machine takes it either.
func others(list []Machine) string {
	if len(list) < 2 {
		return ""
	}
	names := make([]string, 0, len(list)-1)
	for _, m := range list[1:] {
		names = append(names, m.called())
	}
	return ", nor is it taken by " + strings.Join(names, " or ")
}

const another = "another machine (say it in the Shop)"

// splits offers to split the part where that helps; a round is not parted by a line.
func (b *flagger) splits(it bool) string {
	if it && b.Round == nil {
		return "split the part (Split proposes where)"
	}
	return ""
}

// bends says how a brake stands to a bend: why it does not go, and the share of its force.
func (m Machine) bends(long, t, angle, force float64) (why string, used float64) {
	if m.Force > 0 {
		used = force / m.Force
	}
	if m.PerLength > 0 && long > 0 {
		used = math.Max(used, force/long/m.PerLength)
	}
	switch {
	case m.Long > 0 && long > m.Long+sheet.Tiny:
		why = "long"
	case m.Thick > 0 && t > m.Thick+sheet.Tiny:
		why = "thick"
	case m.Angle > 0 && angle > m.Angle+1e-9:
		why = "angle"
	case used > stopForce+1e-9:
		why = "force"
	}
	return why, used
}

func (b *flagger) checkBrakes(p *lay.Panel) {
	list := b.Machines.Brakes
	if len(list) == 0 {
		return
	}
	t := b.Recipe.Thickness
	force, opening := b.force(p)
	for i, m := range list {
		why, used := m.bends(p.Zone, t, b.turned(p), force)
		if why != "" {
			continue
		}
		b.checkBow(p, m, force, opening)
		at := len(b.Findings)
		switch {
		case used > mindForce:
			b.Mind("brake-force", "Brake", p, fmt.Sprintf("%s takes %.0f %% of the force of %s.%s", p.Name, math.Floor(used*100),
				m.called(), m.unsaid()),
				b.wider(used, opening)...)
			b.Attach(at, func() working.Working { return b.forceWorking(p, m, force, opening, used) })
		case i > 0 && m.Where != "":
			b.Note("bent-elsewhere", "Brake", p, fmt.Sprintf("%s is not bent on %s: it goes to %s.", p.Name, list[0].called(), m.called()))
		}
		return
	}
	m := list[0]
	why, used := m.bends(p.Zone, t, b.turned(p), force)
	if why == "thick" && b.thickSaid {
		return // the sheet is as thick at every bend
	}
	b.thickSaid = b.thickSaid || why == "thick"
	code, cause, what, split := "past-brake", "Brake", "", false
	switch why {
	case "long":
		cause, split = "Large parts", true
		what = fmt.Sprintf("The bend of %s is %s long and %s takes %s", p.Name, b.Len(p.Zone), m.called(), b.Len(m.Long))
	case "thick":
		code += "-thickness"
		what = fmt.Sprintf("%s of %s is thicker than %s bends, %s", b.Len(t), b.Material.Name, m.called(), b.Len(m.Thick))
	case "angle":
		code += "-angle"
		what = fmt.Sprintf("%s is turned by %.1f° and %s bends up to %.1f°", p.Name, p.Flange.Angle, m.called(), m.Angle)
	default:
		code, split = "brake-overloaded", true
		what = fmt.Sprintf("%s takes %.0f %% of the force of %s", p.Name, math.Ceil(used*100), m.called())
	}
	ways := Ways{Machine: another, Split: b.splits(split), Supplier: b.outside("bend", "a bender"), Design: "another design"}
	if why == "force" {
		ways.Tool = "a wider die opening, which leaves a larger inside radius"
	}
	reason := what + others(list) + "." + m.unsaid() + ways.Says()
	at := len(b.Findings)
	switch {
	case why != "force":
		b.Mind(code, cause, p, reason)
		return
	case m.Sure[0] && m.Force > 0 && force > m.Force || m.Sure[1] && m.PerLength > 0 && force > m.PerLength*p.Zone:
		b.Stop(code, cause, p, reason, b.wider(used, opening)...)
	default:
		b.Mind(code, cause, p, reason, b.wider(used, opening)...)
	}
	b.Attach(at, func() working.Working { return b.forceWorking(p, m, force, opening, used) })
}

// turned answers the angle a brake bends at once; a hem or a roll is not made by one bend.
func (b *flagger) turned(p *lay.Panel) float64 {
	if !p.Flange.Form().Die {
		return 0
	}
	return p.Flange.Angle
}

// force answers what bending a flange asks of a press, N, and the die opening it was worked
// out with; 0 where no die bends it. A bottomed bend counts five times an air bend.
func (b *flagger) force(p *lay.Panel) (newtons, opening float64) {
	tool, _ := b.Recipe.Tool.Effective(b.Recipe.Thickness)
	if tool.Kind != bend.ToolVDie || !p.Flange.Form().Die {
		return 0, 0
	}
	r, err := bend.Force(bend.ForceInput{Thickness: b.Recipe.Thickness, Length: p.Zone, DieOpening: tool.Opening,
		Tensile: b.Material.Tensile})
	if err != nil {
		return 0, 0
	}
	if b.Recipe.Bend.Method == bend.MethodBottomed {
		r.Newtons *= Bottoming
	}
	return r.Newtons, tool.Opening
}

// wider offers the die opening that brings the force under what is worth a look: it falls
// as the opening grows.
func (b *flagger) wider(used, opening float64) []working.Fix {
	if opening == 0 {
		return nil
	}
	v := math.Ceil(opening * used / mindForce)
	return []working.Fix{b.Fix("Die opening "+b.Len(v), "/tool/opening", v)}
}

func (b *flagger) forceWorking(p *lay.Panel, m Machine, force, opening, used float64) working.Working {
	w := working.Working{Method: "Force of a bend against its brake", Source: "usual press-brake formula, air bending over a V die; over " +
		"80 % is " +
		"worth a look (practice)", Formula: "F = 1.42·UTS·T²·L/V; used = max(F/F brake, F/L / f brake)",
		Inputs: []working.Quantity{working.MM("T", "thickness", b.Recipe.Thickness), working.MM("L", "length of the bend", p.Zone),
			working.MM("V", "die opening", opening), {Symbol: "UTS", Name: "tensile strength", Value: b.Material.Tensile, Unit: "MPa"}},
		Steps:  []working.Quantity{{Symbol: "F", Name: "force asked", Value: force, Unit: "N"}},
		Result: working.Quantity{Symbol: "used", Name: "share of " + m.Name, Value: used}}
	if m.Force > 0 {
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: "F brake", Name: "its force in all", Value: m.Force, Unit: "N"})
	}
	if m.PerLength > 0 {
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: "f brake", Name: "its force on each mm", Value: m.PerLength, Unit: "N/mm"})
	}
	if b.Recipe.Bend.Method == bend.MethodBottomed {
		w.Assumptions = append(w.Assumptions, "a bottomed bend takes five times an air bend")
	}
	if m.Force > 0 && !m.Sure[0] || m.PerLength > 0 && !m.Sure[1] {
		w.Assumptions = append(w.Assumptions, "what the Shop does not say of its force is a usual value")
	}
	return w
}
