package joint

import (
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// mode is one way a joint may give way, asked of a case as it is spread over the
// fasteners.
type mode = strength.Mode[spread]

// fastener is what goes through the plies. Everything that differs between bolts,
// pins, screws and rivets is asked here and nowhere else.
type fastener interface {
	// form is what it must answer itself, ply what its ply k must.
	form() strength.Form
	ply(j *joint, k int) strength.Form
	// threaded tells whether a thread tightens it, captive whether its nut is fast
	// in the last ply, clamps whether it presses the plies together by a known
	// force, seats whether washers may lie under it.
	threaded() bool
	captive() bool
	clamps() bool
	seats() bool
	// read finds it in the tables.
	read(j *joint) error
	// stack names it, as long as the plies ask for; tighten says how tight it is
	// made; making how its holes are, when that is all there is to say.
	stack(j *joint)
	tighten(j *joint)
	making(j *joint) (said bool)
	// modes answers what it must itself, under the spread cases.
	modes(j *joint, list []spread) []mode
	// set tells how it is put in.
	set() Set
	// next answers the next stronger ones to try.
	next(in Input, heldHoles bool) []tried
}

// tried is a joint with another fastener, and what that is called.
type tried struct {
	text string
	in   Input
}

// fastenerOf answers the fastener a nut goes with; nil for none that is known.
func fastenerOf(n Nut) fastener {
	switch n {
	case "", Hex, Lock:
		return bolted{n}
	case Tapped, WeldNut, RivetNut, SlotNut:
		return inCaptive{bolted{n}}
	case Pin:
		return pin{}
	case Screw:
		return screw{}
	case Riveted:
		return riveted{}
	}
	return nil
}

// Set is how a fastener is put in.
type Set string

// The ways: turned with tools on both sides, pushed along its axis, driven through
// undrilled plies, drawn from one side.
const (
	Turned Set = "turned"
	Pushed Set = "pushed"
	Driven Set = "driven"
	Drawn  Set = "drawn"
)

// Set tells how a fastener is put in; turned for one that is not known.
func (n Nut) Set() Set {
	if f := fastenerOf(n); f != nil {
		return f.set()
	}
	return Turned
}

// Captive tells whether the nut is fast in the last ply.
func (n Nut) Captive() bool { f := fastenerOf(n); return f != nil && f.captive() }

// Threaded tells whether a thread tightens it.
func (n Nut) Threaded() bool { f := fastenerOf(n); return f != nil && f.threaded() }

// Asks names the inputs that are said of a joint with this nut and not of every other:
// the rivet or the size of its thread, the head, the angle a side may be turned by.
func (n Nut) Asks() []string {
	f := fastenerOf(n)
	if f == nil || f.set() == Drawn {
		return []string{"rivet"}
	}
	out := []string{"size"}
	if f.clamps() {
		out = append(out, "head")
	}
	if f.set() != Driven {
		out = append(out, "angle")
	}
	if n == SlotNut {
		out = append(out, "track")
	}
	return out
}

func amount(symbol, name string, v float64, unit string) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: unit}
}

func newtons(symbol, name string, v float64) working.Quantity { return amount(symbol, name, v, "N") }

func mpa(symbol, name string, v float64) working.Quantity { return amount(symbol, name, v, "MPa") }
