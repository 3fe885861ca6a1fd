package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/hole"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// whole adds the plies and washers up.
func (j *joint) whole() float64 {
	sum := float64(j.in.Washers) * j.hw.Washer
	for _, p := range j.plies {
		sum += p.Thickness + p.Coat - p.Squash
	}
	return sum
}

// nuts names the nut of a bolt in the list of hardware.
var nuts = map[Nut]string{Hex: "hexagon nut", "": "hexagon nut", Lock: "nut with plastic ring", WeldNut: "weld nut", RivetNut: "rivet nut",
	SlotNut: "slot nut for the track"}

// grip answers what the bolt's length is worked out from.
func (b bolted) grip(j *joint) bolt.GripInput {
	in := bolt.GripInput{Display: j.in.Display, System: j.in.System, Size: j.in.Size, Pitch: j.thread.Pitch, Washers: j.in.Washers,
		Nut: bolt.HexNut, Have: j.in.Bins}
	for _, p := range j.plies {
		in.Plies = append(in.Plies, bolt.Ply{Name: p.Name, Thickness: p.Thickness + p.Coat, Squash: p.Squash})
	}
	switch b.nut {
	case Lock:
		in.Nut = bolt.LockNut
	case Tapped:
		in.Nut, in.Height = bolt.NoNut, j.plies[len(j.plies)-1].Thickness
	case WeldNut, RivetNut, SlotNut: // about as long as a nut is high, behind the last ply
		in.Nut, in.Height = bolt.CustomNut, j.hw.Nut
	}
	return in
}

// stack works the grip out and names the hardware.
func (b bolted) stack(j *joint) {
	j.bolt = bolt.Bolt{Thread: j.thread, Grade: j.grade, ThreadsInPlane: true}
	g, err := bolt.Grip(b.grip(j))
	if err != nil {
		j.say("stack", working.Mind, "Stack", "The bolt's length cannot be worked out: "+j.refused(err))
		return
	}
	j.out.Grip = &g
	threaded := false
	for _, p := range g.Planes {
		threaded = threaded || p.Threaded
	}
	j.bolt.ThreadsInPlane = threaded || len(g.Planes) == 0 || g.Length == nil
	j.out.Findings = append(j.out.Findings, g.Findings...)
	n := len(j.in.Holes)
	if g.Length != nil {
		kind := "hexagon bolt"
		if g.Thread >= *g.Length-1e-6 {
			kind = "hexagon screw, threaded to the head"
		}
		if j.in.Head == stock.SocketHead {
			kind = "socket-head screw"
		}
		length := trim(*g.Length) + " mm"
		if j.thread.System == stock.Inch {
			length = trim(*g.Length/25.4) + " in"
		}
		j.take(n, "%s × %s, %s, %s", j.thread.Name(), length, j.grade.Name, kind)
	}
	if nut := nuts[b.nut]; nut != "" {
		j.take(n, "%s %s", j.thread.Name(), nut)
	}
	if j.in.Washers > 0 {
		j.take(n*j.in.Washers, "washer %s, %s across", j.thread.Size, j.mm(j.washer))
	}
	for _, p := range j.plies {
		if p.Sleeved {
			j.take(n, "spacer tube, bore %s, wall %s or more, %s long, through %s", j.mm(math.Ceil(2*j.thread.Diameter+1)/2), j.mm(2),
				j.mm(p.Thickness-p.Squash), p.Name)
		}
	}
}

func trim(v float64) string { return fmt.Sprintf("%.4g", v) }

// mm writes a length as the job has them.
func (j *joint) mm(v float64) string { return j.in.Display.Text(v) }

// drill names a drill: in the shop of an inch job the nearest on its shelf.
func (j *joint) drill(v float64) string {
	if j.inches() {
		return stock.NearestBit(v, true).Name
	}
	return j.mm(v)
}

// meet asks whether the holes of the plies that say how they are made meet.
func (j *joint) meet() {
	if j.made { // drilled through both at once
		return
	}
	in := hole.AssembleInput{Display: j.in.Display, System: j.in.System, Size: j.in.Size, Holes: j.in.Holes, Angle: j.in.Angle}
	for _, p := range j.plies {
		if p.Placed == "" {
			continue
		}
		if p.Slotted { // it gives way along the slot: the others are asked
			continue
		}
		in.Sides = append(in.Sides, hole.AssembleSide{Name: p.Name, Placed: p.Placed, Tolerance: p.Tolerance, Hole: p.Hole, Fixed: p.Fixed})
	}
	if len(in.Sides) < 2 {
		return
	}
	r, err := hole.Assemble(in)
	if err != nil {
		j.say("patterns", working.Mind, "Patterns", "Whether the holes meet cannot be worked out: "+j.refused(err))
		return
	}
	j.out.Meets = &r
	var fixes []working.Fix
	for _, s := range r.Slots {
		for k, p := range j.plies {
			if s.Kind == "slot" && p.Name == s.Side && !p.Fixed && len(fixes) == 0 {
				fixes = append(fixes, fix("Slot the holes of "+p.Name, fmt.Sprintf("/plies/%d/slotted", k), true))
			}
		}
	}
	switch r.Meets {
	case "no":
		j.say("holes-miss", working.Stop, "Patterns",
			fmt.Sprintf("The holes may lie %s off each other and the bolts have %s of play: they do not meet. %s", j.mm(most(r.Worst)),
				j.mm(*r.Play), first(r.Order)), fixes...)
	case "mostly":
		j.say("holes-may-miss", working.Mind, "Patterns",
			fmt.Sprintf("Most holes meet; the worst may lie %s off with %s of play. %s", j.mm(most(r.Worst)), j.mm(*r.Play), first(r.Order)),
			fixes...)
	}
	j.out.Findings = append(j.out.Findings, r.Findings...)
}

func most(list []float64) (m float64) {
	for _, v := range list {
		m = max(m, v)
	}
	return m
}

func first(list []string) string {
	if len(list) == 0 {
		return ""
	}
	return list[0]
}
