package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Tell answers what the brief says back, of all that is made in the job.
func (s Site) Tell(joints []BoltedTold) brief.Told {
	t := tell(s.Brief, s.Parts, s.frameSizes(), s.made(joints))
	t.Says = append(append(t.Says, s.bans()...), s.cautions(joints)...)
	return t
}

// sized is a frame with its outside sizes.
type sized struct {
	name string
	size solid.Vector
	mass float64
}

func tell(b brief.Brief, parts []BuiltPart, frames []sized, made []brief.Made) brief.Told {
	t := brief.Told{Weighed: b.Weigh(made...), Targets: []brief.TargetMet{}, Says: []working.Finding{}}
	say := func(severity working.Severity, code, cause, format string, args ...any) {
		t.Says = append(t.Says, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: fmt.Sprintf(format, args...)})
	}
	for _, x := range b.Targets {
		m := brief.TargetMet{ID: x.ID}
		if x.Wanted != nil && x.Got != nil {
			met := x.Got.Value <= *x.Wanted+1e-9
			if x.Sense == "atLeast" {
				met = x.Got.Value >= *x.Wanted-1e-9
			}
			m.Met = &met
			if !met {
				say(working.Mind, "target-missed", "Targets", "%s: %s came out, %g is wanted.", x.Text,
					strings.TrimSpace(fmt.Sprintf("%g %s", x.Got.Value, x.Unit)), *x.Wanted)
			}
		}
		t.Targets = append(t.Targets, m)
	}
	for _, o := range b.Open {
		if !o.Done && o.Kind != "other" {
			say(working.Mind, "open-"+o.Kind, "Open items", "Not settled, and it is about %s: %s", o.Kind, o.Text)
		}
	}
	for _, f := range b.Identity.Fitted {
		if f.Open() {
			say(working.Mind, "fitted", "The vehicle", "Whether the vehicle has this is not known, and it decides whether things "+
				"fit: %s", f.Text)
		}
	}
	mass := told.Pen{Display: b.Display()}.Mass
	if l := b.Limits.Lift; l != nil && l.Value > 0 {
		for _, d := range b.Devices {
			if d.Mass != nil && d.Mass.Value > l.Value {
				say(working.Note, "lift", "Lifting", "%s of %s takes %.0f people at %s each, or a hoist.", d.Named(), mass(d.Mass.Value),
					math.Ceil(d.Mass.Value/l.Value), mass(l.Value))
			}
		}
		for _, p := range parts {
			if kg := kilos(b, &p); p.Err == nil && kg > l.Value {
				say(working.Mind, "lift", "Lifting", "%s weighs %s, over the %s one person lifts: split it or say who helps.",
					p.Name, mass(kg), mass(l.Value))
			}
		}
	}
	if l := b.Limits.Lift; l != nil && l.Value > 0 {
		for _, f := range frames {
			if f.mass > l.Value {
				say(working.Mind, "lift", "Lifting", "%s weighs %s, over the %s one person lifts: say who helps.", f.name,
					mass(f.mass), mass(l.Value))
			}
		}
	}
	if e := b.Limits.Envelope; e != nil {
		write := told.Pen{Display: b.Display()}.MM
		out := func(name string) {
			say(working.Stop, "envelope", "Envelope", "%s does not fit into %s × %s × %s, whichever way it is turned.", name,
				write(e.Length),
				write(e.Width), write(e.Height))
		}
		for _, p := range parts {
			if p.Err == nil && !fits(p.Built.Body.Max.Sub(p.Built.Body.Min), *e) {
				out(p.Name)
			}
		}
		for _, f := range frames {
			if !fits(f.size, *e) {
				out(f.name)
			}
		}
	}
	if b.Limits.Budget != nil && b.Limits.Bought != nil && *b.Limits.Bought < *b.Limits.Budget {
		say(working.Note, "budget", "Budget", "Bought, it costs %g, less than the budget of %g: say why it is made.",
			*b.Limits.Bought, *b.Limits.Budget)
	}
	chosen := 0
	for _, o := range b.Options {
		if o.Chosen {
			chosen++
			if o.Reason == "" {
				say(working.Note, "reason", "Options", "%s is chosen: say why.", o.Name)
			}
		}
	}
	if len(b.Options) > 1 && chosen == 0 {
		say(working.Note, "choice", "Options", "No way is chosen yet.")
	}
	return t
}

// fits tells whether the folded box goes into an envelope, its sides sorted.
func fits(s solid.Vector, e brief.Box) bool {
	size, room := [3]float64{s[0], s[1], s[2]}, [3]float64{e.Length, e.Width, e.Height}
	sort3(&size)
	sort3(&room)
	for i := range 3 {
		if size[i] > room[i]+1e-6 {
			return false
		}
	}
	return true
}

func sort3(v *[3]float64) {
	for range 2 {
		for i := range 2 {
			if v[i] > v[i+1] {
				v[i], v[i+1] = v[i+1], v[i]
			}
		}
	}
}
