package joint

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

func (j *joint) read() error {
	in := &j.in
	if j.kind = fastenerOf(in.Nut); j.kind == nil {
		return working.Refuse("/nut", "A joint is made with hex, lock, tapped, weldnut, rivetnut, slotnut, pin, selfdrill or rivet, not %q.",
			in.Nut)
	}
	if err := j.kind.read(j); err != nil {
		return err
	}
	switch j.head = j.thread.AcrossHex; in.Head {
	case "", stock.HexHead:
	case stock.SocketHead:
		if j.kind.threaded() {
			j.head = stock.SocketHeadOf(j.thread).Over
		}
	default:
		return working.Refuse("/head", "A head is hex or socket, not %q.", in.Head)
	}
	if err := in.Strength.Check("/strength"); err != nil {
		return err
	}
	switch {
	case len(in.Holes) == 0 || len(in.Holes) > maxBolts:
		return working.Refuse("/holes", "A joint has 1 to %d bolts: say where they are.", maxBolts)
	case len(in.Plies) < 2 || len(in.Plies) > 12:
		return working.Refuse("/plies", "A joint has 2 to 12 plies: name what is bolted together, from the head on.")
	case len(in.Cases) > maxCases:
		return working.Refuse("/cases", "Up to %d load cases are taken.", maxCases)
	}
	for i, h := range in.Holes {
		for k := range h {
			if err := working.Within(fmt.Sprintf("/holes/%d/%d", i, k), "A place", h[k], -1e5, 1e5, "mm"); err != nil {
				return err
			}
		}
	}
	for i, p := range in.Plies {
		q, err := readPly(p, fmt.Sprintf("/plies/%d", i), i, j.thread.Diameter, in.Display)
		if err != nil {
			return err
		}
		j.plies = append(j.plies, q)
	}
	in.Tighten.Share = cmp.Or(in.Tighten.Share, .75)
	in.Tighten.Lubrication = cmp.Or(in.Tighten.Lubrication, Dry)
	if err := working.First(in.checkCases(), in.Tighten.check()); err != nil {
		return err
	}
	if !slices.Contains([]Reached{"", BothSides, HeadsOnly, NutsOnly}, in.Reached) {
		return working.Refuse("/reached", "It is reached from both sides, the heads' or the nuts', not %q.", in.Reached)
	}
	if j.washer = in.Washer; j.washer == 0 && in.Washers > 0 {
		j.washer = j.hw.WasherOver
	}
	// One washer lies under what is turned, the nut; where that is captive, under the head.
	j.nutWasher = in.Washers > 0 && !j.kind.captive()
	j.headWasher = in.Washers > 1 || in.Washers == 1 && j.kind.captive()
	j.group = grouped(in.Holes)
	if j.planes = 1; in.Double && len(in.Plies) == 3 {
		j.planes = 2
	}
	return working.First(working.Above("/tighten/share", "The share of proof", in.Tighten.Share, 0, 1, ""),
		working.Within("/washers", "Washers", float64(in.Washers), 0, 8, ""),
		working.Within("/washer", "A washer", in.Washer, 0, 200, "mm"), working.Within("/angle", "The angle", in.Angle, 0, 20, "°"))
}

// checkCases refuses loads beyond reason. There may be thousands: words are made
// for those that are refused alone.
func (in Input) checkCases() error {
	within := func(v [3]float64, most float64) bool {
		return math.Abs(v[0]) <= most && math.Abs(v[1]) <= most && math.Abs(v[2]) <= most
	}
	for i, c := range in.Cases {
		if within(c.Force, 1e8) && within(c.At, 1e5) && within(c.Moment, 1e11) {
			continue
		}
		for k := range 3 {
			at := fmt.Sprintf("/cases/%d", i)
			err := working.First(working.Within(fmt.Sprintf("%s/force/%d", at, k), "A force", c.Force[k], -1e8, 1e8, "N"),
				working.Within(fmt.Sprintf("%s/at/%d", at, k), "A place", c.At[k], -1e5, 1e5, "mm"),
				working.Within(fmt.Sprintf("%s/moment/%d", at, k), "A moment", c.Moment[k], -1e11, 1e11, "N·mm"))
			if err != nil {
				return err
			}
		}
	}
	return nil
}

func (t Tightening) check() error {
	if _, ok := nutFactor[t.Lubrication]; !ok {
		return working.Refuse("/tighten/lubrication", "It is tightened dry, oiled, waxed, with antiseize or moly, not %q.", t.Lubrication)
	}
	if t.Cures != nil {
		return working.Within("/tighten/cures", "The temperature", *t.Cures, -10, 60, "°C")
	}
	return nil
}

func readPly(p Ply, at string, i int, d float64, show quantity.Display) (ply, error) {
	q := ply{Ply: p, worn: p.Worn}
	if q.Name == "" {
		q.Name = fmt.Sprintf("ply %d", i+1)
	}
	if q.worn == 0 {
		q.worn = 1
	}
	share := q.worn
	if p.Guessed {
		q.worn *= stock.GuessedShare * stock.GuessedShare
	}
	if p.Material != "" {
		m, err := stock.MaterialByKey(p.Material)
		if err != nil {
			return q, working.Refuse(at+"/material", "%s: %v.", q.Name, err)
		}
		q.material, q.metal = m, true
	}
	err := working.First(working.Above(at+"/thickness", "The thickness of "+q.Name, p.Thickness, 0, 500, "mm"),
		working.Within(at+"/coat", "The coat", p.Coat, 0, 10, "mm"),
		working.Within(at+"/squash", "What it is pressed together", p.Squash, 0, p.Thickness, "mm"),
		working.Within(at+"/hole", "The hole", p.Hole, 0, 500, "mm"),
		p.Lip.check(at+"/lip"),
		working.Within(at+"/edge", "The edge distance", p.Edge, 0, 5000, "mm"),
		working.Within(at+"/wide/0", "The width", p.Wide[0], 0, 1e5, "mm"), working.Within(at+"/wide/1", "The width", p.Wide[1], 0, 1e5, "mm"),
		working.Within(at+"/pull", "The distance to the bend", p.Pull, 0, 5000, "mm"),
		working.Within(at+"/worn", "What is left of its strength", share, .1, 1, ""))
	if err == nil && p.Way != nil {
		err = working.Within(at+"/way", "The way the slots run", *p.Way, -360, 360, "°")
	}
	if u := p.Isolator; err == nil && u != nil {
		err = working.First(working.Within(at+"/isolator/shear", "What it takes sideways", u.Shear, 0, 1e7, "N"),
			working.Within(at+"/isolator/pull", "What it takes in pull", u.Pull, 0, 1e7, "N"))
	}
	if err == nil && p.Hole > 0 && p.Hole < d && !p.Fixed {
		err = working.Refuse(at+"/hole", "A bolt of %s does not go through the hole of %s in %s.", show.Text(d), show.Text(p.Hole), q.Name)
	}
	return q, err
}
