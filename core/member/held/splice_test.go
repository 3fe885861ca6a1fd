package held

import (
	"math"
	"slices"
	"testing"

	"warmanvil/core/frame"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
)

// spliceAsked answers the check of the splice's welds of the first member alone.
func spliceAsked(t *testing.T, d member.Doc) (strength.Check, bool) {
	t.Helper()
	var h Held
	w, err := weighed(shape.Build(d, nil), d, asked(load.Case{Name: "still"}), &h)
	if err == nil {
		err = w.cases()
	}
	if err != nil {
		t.Fatal(err)
	}
	a := w.asked(0)
	cases := slices.Clone(w.answers)
	for k := range cases {
		var room []frame.Station
		for _, n := range w.m.of[0] {
			from := len(room)
			room = cases[k].design.Forces(room, n, 10)
			for _, s := range room[from:] {
				v := a.stress(s)
				s.At += w.m.parts[n].from
				cases[k].looks = append(cases[k].looks, look{s, v})
			}
		}
	}
	return a.weldSplice(cases)
}

// By hand: 10 kN of pull through a sleeve go on 200 mm round a tube of 40 × 60; through two plates of 240 on its higher
// sides, 54 wide flat less the weld beside each, on half of each: 120 + 54 + 120 less a leg at both ends. 800 N down, 1 m
// out, bend the weld of a sleeve 500 from the tip as they bend a line all round: its worst corner.
func TestWeldsOfASpliceByHand(t *testing.T) {
	splice := func(s member.Splice) func(*member.Doc) { return func(d *member.Doc) { d.Members[0].Splice = &s } }
	near := func(name string, c strength.Check, want float64) {
		t.Helper()
		if math.Abs(c.Demand-want) > 1e-6*want || c.Verdict == strength.NotNeeded {
			t.Errorf("%s: %+v, by hand %g", name, c, want)
		}
	}
	pull := [3]float64{0, 10000, 0}
	c, _ := spliceAsked(t, pushed(sharp, pull, splice(member.Splice{At: 500, Kind: "sleeve"})))
	near("a sleeve", c, 10000/200.)
	c, _ = spliceAsked(t, pushed(sharp, pull, splice(member.Splice{At: 500, Kind: "plates"})))
	near("plates", c, 10000/(2*(120+54+120-6.)))
	moment := func(at float64) float64 { return 800 * (1000 - at) }
	inertia := 2*60*60*60/12. + 2*40*30*30
	c, _ = spliceAsked(t, pushed(sharp, [3]float64{0, 0, -800}, splice(member.Splice{At: 500, Kind: "sleeve"})))
	near("bent", c, math.Hypot(moment(400)*30/inertia, 800/200.)) // the worst station within a ninth is at 400
	if _, asked := spliceAsked(t, pushed(sharp, pull)); asked {
		t.Error("one piece has a splice")
	}
	angle := section.Sizes{Kind: "angle", LegVertical: 60, LegHorizontal: 40, Thickness: 5}
	if c, asked := spliceAsked(t, pushed(angle, pull, splice(member.Splice{At: 500, Kind: "plates"}))); !asked ||
		c.Verdict != strength.CannotSay || c.Why == "" {
		t.Errorf("plates on an angle: %+v", c)
	}
}

// A splice beside which more goes through than its welds take is over, and so is its member, however strong its ends are.
func TestASpliceIsAmongTheWelds(t *testing.T) {
	d := pushed(sharp, [3]float64{0, 60000, 0}, func(d *member.Doc) {
		d.Members[0].A.Leg, d.Members[0].B.Leg = 12, 12
		d.Members[0].Splice = &member.Splice{At: 500, Kind: "sleeve"}
	})
	h := Hold(shape.Build(d, nil), d, asked(load.Case{Name: "still"}))
	if len(h.Members) != 1 || h.Members[0].Weld.Verdict != strength.Over {
		t.Fatalf("%q %+v", h.Why, h.Members)
	}
	racks.Near(t, "on a millimetre", h.Members[0].Weld.Demand, 300, 1e-6)
	built := shape.Build(d, nil)
	first, second, why := built.SpliceSides(0)
	if why != "" || len(first) != 1 || len(second) != 0 || len(first[0].Path) < 4 {
		t.Errorf("%q %d and %d sides", why, len(first), len(second))
	}
	for _, v := range first[0].Path {
		if math.Abs(v[1]-500) > 1e-9 {
			t.Errorf("its weld runs by %v", v)
		}
	}
	d.Members[0].Splice.Kind = "plates"
	built = shape.Build(d, nil)
	if first, second, _ = built.SpliceSides(0); len(first) != 2 || len(second) != 2 {
		t.Errorf("%d and %d halves of plates", len(first), len(second))
	}
	if q := (weld.Seam{Path: first[0].Path}); math.Abs(q.Len()-(120+54+120)) > 1e-9 {
		t.Errorf("a half of a plate is welded along %g mm", q.Len())
	}
}
