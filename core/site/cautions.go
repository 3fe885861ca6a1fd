package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// cautions says where somebody could get hurt by what a job makes: read from what is
// there, not from a tick.
func (s Site) cautions(joints []BoltedTold) (out []working.Finding) {
	say := func(code, name, format string, args ...any) {
		out = append(out, working.Finding{Code: code, Severity: working.Mind, Cause: "Caution", Name: name,
			Reason: fmt.Sprintf(format, args...)})
	}
	b := s.Brief
	people := b.Criticality == brief.People || slices.ContainsFunc(b.Devices, func(d brief.Device) bool { return d.NearPeople })
	var one, all []string
	coupled := b.Card.Trailer
	for i, t := range joints {
		all = append(all, t.Name)
		if len(t.Holes) == 1 {
			one = append(one, t.Name)
		}
		coupled = coupled || slices.Contains(b.Joints[i].Design.Meets, joint.Coupling)
	}
	for _, m := range b.Mounts {
		n := 0
		for _, p := range s.Parts {
			if p.ID != m.Part {
				continue
			}
			for _, h := range p.Built.Holes {
				if slices.Contains(m.Hold.Fasten, h.Feature) {
					n++
				}
			}
		}
		if n == 1 {
			one = append(one, m.Name)
		}
	}
	if len(one) > 0 {
		say("one-bolt", one[0], "%s: on one bolt a part turns and drops when it loosens, and while it is fitted. Hold it up until "+
			"it is tight, "+
			"keep hands from below, and give it a second bolt, a dowel or a folded edge.", strings.Join(one, ", "))
	}
	if coupled {
		say("coupling-undone", "", "A coupling that comes undone on the road kills: its latch is proved shut by eye and by lifting, "+
			"a chain or "+
			"a breakaway cable goes to the vehicle and not to the ball, and a plug that pulls out is seen. Local rules and a licensed "+
			"engineer decide.")
	}
	for _, d := range b.Devices {
		if d.Mass != nil && d.Mass.Value > 0 && !s.holds(d.ID) {
			say("tie-down", d.Named(), "Nothing in the job holds %s, %s: stand it on a mount, bolt or frame, or tie it down by "+
				"rated straps over "+
				"what can take them, and rate that as a duty.", d.Named(), told.Pen{Display: s.Brief.Display()}.Mass(d.Mass.Value))
		}
	}
	if !people {
		return out
	}
	for _, f := range s.Frames {
		if n := openEnds(f.Doc); n > 0 {
			say("sharp-ends", f.Name, "%s has %d open tube %s near people: cap or fold them, and round corners to 3 mm at least.",
				f.Name, n,
				told.Plural(n, "end", "ends"))
		}
		if len(f.Doc.Plates) > 0 {
			say("sharp-plates", f.Name, "The plates of %s are square, and people are near: round their corners and break their "+
				"edges.", f.Name)
		}
	}
	if len(all) > 0 {
		say("bolt-ends", all[0], "People are near: where a bolt's end can be touched, as of %s, two or three threads past the nut "+
			"are enough; "+
			"cut off what is more, or take cap nuts.", all[0])
	}
	return out
}

// holds tells whether anything in a job holds a device.
func (s Site) holds(device string) bool {
	for _, m := range s.Brief.Mounts {
		if m.Device == device && len(m.Feet)+len(m.TwinFeet) > 0 {
			return true
		}
	}
	for _, j := range s.Brief.Joints {
		if slices.ContainsFunc(j.Sides, func(x brief.Side) bool { return x.Kind == brief.DeviceSide && x.Of == device }) {
			return true
		}
	}
	for _, f := range s.Frames {
		if slices.ContainsFunc(f.Doc.Loads, func(l member.Load) bool { return l.Device == device }) {
			return true
		}
	}
	return false
}

// openEnds counts the ends of hollow members that meet no other and carry no plate.
func openEnds(d member.Doc) (n int) {
	meets, plated := map[string]int{}, map[string]bool{}
	for _, m := range d.Members {
		meets[m.From]++
		meets[m.To]++
	}
	for _, p := range d.Plates {
		plated[p.Member+p.End] = true
	}
	for _, m := range d.Members {
		if m.Section.Wall <= 0 {
			continue
		}
		for _, e := range [2][2]string{{m.From, "a"}, {m.To, "b"}} {
			if e[0] != "" && meets[e[0]] == 1 && !plated[m.ID+e[1]] {
				n++
			}
		}
	}
	return n
}
