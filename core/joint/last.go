package joint

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// galvanicApart is the difference of potentials, V, from which metals that touch
// where it is wet are told: about that of usual tables for a mild outside.
const galvanicApart = .25

// last says what keeps the joint tight and whole.
func (j *joint) last() {
	j.locking()
	j.washers()
	j.galvanic()
	keep := func(format string, args ...any) { j.out.Keep = append(j.out.Keep, fmt.Sprintf(format, args...)) }
	if len(j.out.Sequence) > 1 {
		var order []string
		for _, i := range j.out.Sequence {
			order = append(order, fmt.Sprint(i+1))
		}
		keep("Tighten in two rounds, half and full, in the order %s. To line it up, loosen in the same order.", strings.Join(order, ", "))
	}
	if !j.kind.threaded() {
		return
	}
	if j.in.Reached == HeadsOnly {
		keep("Draw a witness line over head and part: the nut is not seen.")
	} else {
		keep("Draw a witness line over bolt, nut and part.")
	}
	if j.in.Tighten.Shakes {
		keep("Tighten again after %s and after %s, then look at the lines every %s (practice).", j.km(50), j.km(500), j.km(5000))
	}
}

// km writes how far it is driven, in the miles of an inch job to one figure.
func (j *joint) km(v float64) string {
	if s := j.in.Display.Style; s == quantity.Fraction || s == quantity.Decimal {
		figure := math.Pow(10, math.Floor(math.Log10(v/1.609344)))
		return fmt.Sprintf("%g miles", math.Round(v/1.609344/figure)*figure)
	}
	return fmt.Sprintf("%g km", v)
}

func (j *joint) locking() {
	t := j.in.Tighten
	if !j.kind.threaded() {
		return
	}
	switch {
	case j.in.Reached == HeadsOnly && !j.kind.captive():
		j.say("blind", working.Stop, "Staying tight",
			"Nobody reaches the nuts' side, to put them on or to hold them: a rivet nut, a weld nut or a thread.",
			fix("Rivet nuts", "/nut", RivetNut), fix("Weld nuts", "/nut", WeldNut))
	case j.in.Reached == NutsOnly:
		j.say("headless", working.Stop, "Staying tight",
			"Nobody reaches the heads' side, to put the bolts in or to hold them: turn them round, or weld them in before it is closed and say "+
				"both sides are reached.")
	}
	soft := false
	for _, p := range j.plies {
		soft = soft || p.Squash > 0
	}
	needs := t.Shakes || t.Reused || soft
	cure := "Liquid lock: clean and dry the thread, a primer on stainless and zinc. " + cures(t.Cures)
	switch {
	case t.Locking == Liquid && j.grade.Stainless:
		j.out.Keep = append(j.out.Keep, cure, "On stainless the liquid also keeps it from galling.")
	case t.Locking == Liquid:
		j.out.Keep = append(j.out.Keep, cure)
	case t.Locking == PlasticRing:
		j.out.Keep = append(j.out.Keep, "Nuts with a plastic ring: new ones whenever it was taken apart five times, or turns by hand.")
	}
	switch {
	case needs && (t.Locking == NoLock || t.Locking == ""):
		take, by := "a nut with a plastic ring", fix("A nut with a plastic ring", "/tighten/locking", PlasticRing, "/nut", Lock)
		switch {
		case j.kind.captive():
			take, by = "liquid lock in the captive thread", fix("Liquid lock", "/tighten/locking", Liquid)
		case t.Hot:
			take, by = "an all-metal lock nut", fix("An all-metal lock nut", "/tighten/locking", MetalLock)
		}
		why := "it shakes"
		if !t.Shakes {
			why = "it is taken apart again and again"
			if soft {
				why = "a soft ply lets it loosen"
			}
		}
		j.say("no-lock", working.Mind, "Staying tight", fmt.Sprintf("Nothing locks it, and %s: take %s. Spring washers do not lock.", why, take),
			by)
	case t.Locking == PlasticRing && t.Hot:
		j.say("lock-hot", working.Mind, "Staying tight", "A plastic ring softens over 120 °C: take an all-metal lock nut.",
			fix("An all-metal lock nut", "/tighten/locking", MetalLock, "/nut", Hex))
	case t.Locking == PlasticRing && j.in.Nut != Lock:
		by := fix("A nut with a plastic ring", "/nut", Lock)
		if j.kind.captive() {
			by = fix("Liquid lock", "/tighten/locking", Liquid)
		}
		j.say("lock-none", working.Mind, "Staying tight", "It is to be locked by a plastic ring, and the nut chosen has none.", by)
	case t.Locking == Liquid && t.Reused:
		j.say("lock-reused", working.Mind, "Staying tight",
			"Liquid lock is cleaned off and put on anew each time: for what is taken apart often a lock nut is less work.")
	case t.Locking == JamNut && j.kind.captive():
		j.say("lock-jam", working.Mind, "Staying tight", "A jam nut needs a free thread behind the nut, and this one is captive.")
	}
}

// cures says how long liquid lock takes: 20 minutes and a day at 20 °C, twice as
// long for every 10 °C less (the usual rule for what cures by reaction).
func cures(at *float64) string {
	c := 20.
	if at != nil {
		c = *at
	}
	if c < 5 {
		return fmt.Sprintf("At %s °C it does not cure: warm the joint over 5 °C, or take a lock nut.", trim(c))
	}
	slower := math.Exp2((20 - c) / 10)
	return fmt.Sprintf("At %s °C it holds after %.0f minutes and is hard after %.0f hours (typical: by its sheet).", trim(c),
		math.Round(20*slower/5)*5, math.Round(24*slower))
}

// washers asks for them on slots, soft and thin plies.
func (j *joint) washers() {
	if !j.kind.seats() {
		return
	}
	for i, p := range j.plies {
		outer := i == 0 || i == len(j.plies)-1 && !j.kind.captive()
		if !outer {
			continue
		}
		hole := p.Hole
		if hole == 0 {
			hole = j.thread.Clearance.Normal
		}
		large := 3 * j.thread.Diameter
		larger := func(over float64) working.Fix {
			return fix("Washers of "+j.mm(math.Ceil(over)), "/washer", math.Ceil(over), "/washers", max(j.in.Washers, 2))
		}
		switch {
		case p.Slotted && j.washered(i) < hole+6:
			j.say("washer-slot", working.Mind, "Washers",
				fmt.Sprintf("%s is slotted and nothing bridges it: a thick washer of %s across.", p.Name, j.mm(math.Ceil(large))),
				larger(math.Max(large, hole+8)))
		case hole > j.bearing(i)-2 && j.washered(i) < hole+4:
			j.say("washer-hole", working.Stop, "Washers",
				fmt.Sprintf("The hole of %s in %s is nearly as wide as the head: it pulls through. A thick washer of %s across.", j.mm(hole), p.Name,
					j.mm(math.Ceil(math.Max(large, hole+10)))), larger(math.Max(large, hole+10)))
		case p.metal && p.Thickness < j.thread.Diameter/4 && j.washered(i) < large-1:
			j.say("washer-thin", working.Mind, "Washers",
				fmt.Sprintf("%s is thin for %s: a large washer of %s spreads it.", p.Name, j.thread.Size, j.mm(math.Ceil(large))), larger(large))
		}
	}
}

// Eats tells how far two families of metal lie apart, V, where they touch wet, and whether that is
// enough for the less noble one to be eaten; a family that is no metal eats nothing.
func Eats(a, b stock.Family) (apart float64, eats bool) {
	va, known := potential[a]
	vb, both := potential[b]
	if !known || !both {
		return 0, false
	}
	apart = math.Abs(va - vb)
	return apart, apart > galvanicApart
}

func (j *joint) galvanic() {
	if !j.in.Tighten.Wet {
		return
	}
	type metal struct {
		name string
		v    float64
		bare bool
	}
	var list []metal
	for _, p := range j.plies {
		if v, ok := potential[p.material.Family]; ok && p.metal {
			list = append(list, metal{p.Name, v, p.Coat == 0})
		} else if !p.metal {
			list = append(list, metal{p.Name, math.NaN(), false}) // parts its neighbours
		}
	}
	told := false
	for i := 1; i < len(list); i++ {
		a, b := list[i-1], list[i]
		if d := math.Abs(a.v - b.v); d > galvanicApart && (a.bare || b.bare) {
			told = true
			j.say("galvanic", working.Mind, "Corrosion",
				fmt.Sprintf("%s on %s, %.2f V apart where it is wet: the less noble one is eaten. A gasket and sleeves between them, or paint on "+
					"both, the nobler one first.", a.name, b.name, d))
		}
	}
	bolt := potential[stock.Galvanized]
	if j.grade.Stainless {
		bolt = potential[stock.Stainless]
	}
	for _, m := range list {
		if j.grade.Stainless && bolt-m.v > galvanicApart && m.bare && !told {
			told = true
			j.say("galvanic-bolt", working.Mind, "Corrosion",
				fmt.Sprintf("Stainless bolts in %s: a small noble bolt in a large plate does little harm, the edge of its hole still rusts or pits. "+
					"Paste under the head, paint round it.", m.name))
		}
	}
}

// Meeting is what a joint is part of or near to.
type Meeting string

// What asks for a caution.
const (
	Recovery    Meeting = "recovery"
	Coupling    Meeting = "coupling"
	Seat        Meeting = "seat"
	Steering    Meeting = "steering"
	ThinBody    Meeting = "body"
	Lines       Meeting = "lines"
	HighVoltage Meeting = "voltage"
)

var cautioned = map[Meeting]string{
	Recovery:    "A recovery point that lets go kills: its load is many times the vehicle's weight, and neither this nor a road case covers it. Rated hardware, and a licensed engineer.",
	Coupling:    "A coupling is type-approved with its own bolts, holes and torque: nothing here replaces its papers. Local rules and a licensed engineer decide.",
	Seat:        "A seat or belt anchorage is tested in a crash, not worked out: local rules and a licensed engineer decide. Do not drive with people on it before.",
	Steering:    "Steering, brake and suspension bolts are the maker's: the right class, new ones, his torque. Do not make or weld them; a bracket of a control is tried for flex under a hard pull and over its full travel; local rules and a licensed engineer decide.",
	ThinBody:    "Thin body sheet tears round the bolt under shaking: a doubler behind, bonded or plug-welded, and large washers.",
	Lines:       "Look behind before drilling: brake, fuel and wiring run behind this wall. Stop the drill at its depth.",
	HighVoltage: "High voltage is near: have it switched off and proved dead by somebody who may, before anything is drilled or bolted.",
}

func (j *joint) cautions() {
	for _, m := range j.in.Meets {
		if text, ok := cautioned[m]; ok {
			j.say("caution-"+string(m), working.Mind, "Caution", text)
		}
	}
	for i, p := range j.plies {
		if p.Guessed {
			j.say(fmt.Sprintf("thickness-guessed-%d", i), working.Mind, "Plies",
				fmt.Sprintf("Nobody measured %s: 0.85 of %s counts. A caliper past the edge, or a wire hooked through the hole.",
					p.Name, j.mm(p.Thickness)))
		}
		if p.metal && !p.material.Known() {
			j.say(fmt.Sprintf("grade-unknown-%d", i), working.Mind, "Plies", p.Name+": "+p.material.Caution)
		}
	}
	thin := j.plies[len(j.plies)-1]
	if thin.metal && thin.Thickness < 1.5 && len(j.in.Cases) > 0 {
		j.say("thin-host", working.Mind, "Plies",
			fmt.Sprintf("%s of %s is body sheet: bolts in it loosen and tear. A doubler on its far side, larger than the bolt group.",
				thin.Name, j.mm(thin.Thickness)))
	}
}
