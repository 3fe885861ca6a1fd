package site

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/develop"
	"warmanvil/core/effort"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shell"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// welders puts welders in a shop: mm they take at least and at most, by their sort.
func welders(list ...shop.Machine) func(*Site) {
	return func(s *Site) { s.Shop.Machines = append(s.Shop.Machines, list...) }
}

func welder(id, sort string, least, most float64) shop.Machine {
	return shop.Machine{ID: id, Name: id, Kind: shop.Welder, Sort: sort, Limits: map[string]float64{"least": least, "most": most, "amps": 200}}
}

// One welder takes thin sheet, the other thick plate, neither both: nobody can say what thin on thick holds. The ways out
// come in their order, and a process that takes both is offered by a press.
func TestNoWelderTakesBoth(t *testing.T) {
	w := seamed(t, welds(t, welders(welder("fine", "mig", .6, 6), welder("heavy", "stick", 7, 20))))
	how := w.Seams[0].How
	if w.Verdict != strength.CannotSay || !strings.Contains(how.Past, "6 mm on 8 mm") || len(how.Outs) == 0 {
		t.Fatalf("%s: %+v", w.Verdict, how)
	}
	with := welds(t, welders(welder("little", "mig", .6, 4), welder("bar", "stick", 3, 10)))
	with.Brief.Welded[0].Seams[0].By = weld.MIG
	w = seamed(t, with)
	how = w.Seams[0].How
	var order []string
	for _, o := range how.Outs {
		order = append(order, strings.Fields(o.Text)[0])
		if o.By == "" || o.By == "outside" {
			continue
		}
		took := with
		took.Brief.Welded = slices.Clone(with.Brief.Welded)
		took.Brief.Welded[0].Seams = slices.Clone(with.Brief.Welded[0].Seams)
		took.Brief.Welded[0].Seams[0].By = o.By
		if x := seamed(t, took); x.Verdict != strength.Holds || !strings.Contains(strings.Join(x.Seams[0].How.Lines, " "), "rods") {
			t.Errorf("with rods %s: %+v", x.Verdict, x.Seams[0].How)
		}
	}
	if w.Verdict != strength.CannotSay || !slices.Equal(order, []string{"Lay", "Have", "Bolt"}) {
		t.Errorf("%s, ways out %v", w.Verdict, order)
	}
	// Past all of the shop: bevel, preheat or warmth, thinner, outside, bolts.
	far := seamed(t, welds(t, welders(welder("little", "mig", .6, 4))))
	order = nil
	for _, o := range far.Seams[0].How.Outs {
		order = append(order, strings.Fields(o.Text)[0])
	}
	if !slices.Equal(order, []string{"Bevel", "Warm", "A", "Have", "Bolt"}) {
		t.Errorf("ways out %v", order)
	}
	inch := seamed(t, welds(t, welders(welder("little", "mig", .6, 4)), func(s *Site) { s.Brief.Unit = brief.UnitFraction }))
	for _, o := range inch.Seams[0].How.Outs {
		if strings.Contains(o.Text, " mm") || strings.Contains(o.Text, "°C") {
			t.Errorf("half metric: %s", o.Text)
		}
	}
}

// A limit nobody typed is told as the usual one it is.
func TestUsualWelderSaysSo(t *testing.T) {
	s := welds(t, welders(shop.Machine{ID: "m", Name: "Set", Kind: shop.Welder, Sort: "mig", Limits: map[string]float64{"least": .8}}))
	how := seamed(t, s).Seams[0].How
	if !strings.Contains(how.Past, "from 0.8 mm to 6 mm (a usual value, the Shop says none)") {
		t.Errorf("%q", how.Past)
	}
}

// Welded outside it is open until somebody is named; it is in no hour of the shop. A way the Shop has no welder for is
// open too.
func TestWeldedOutside(t *testing.T) {
	s := welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].By = "outside" })
	if w := seamed(t, s); w.Verdict != strength.CannotSay || !strings.Contains(w.Seams[0].How.Past, "Another house") {
		t.Errorf("%s %+v", w.Verdict, w.Seams[0].How)
	}
	s.Brief.Welded[0].Seams[0].Passed = "a coupon of theirs, bent"
	if w := seamed(t, s); w.Verdict != strength.Holds {
		t.Errorf("with a coupon of theirs %s", w.Verdict)
	}
	e, err := s.Effort()
	if err != nil || slices.ContainsFunc(e.Lines, func(l effort.WorkLine) bool { return l.Op == effort.Welding }) ||
		!slices.ContainsFunc(e.Working.Assumptions, func(a string) bool { return strings.Contains(a, "welded outside") }) {
		t.Errorf("%v %+v", err, e.Lines)
	}
	if p, err := s.WeldPlan("w"); err != nil || !strings.Contains(strings.Join(p.Takes, "; "), "1 seam welded outside") {
		t.Errorf("%v %v", err, p.Takes)
	}
	none := seamed(t, welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].By = weld.TIG }))
	if none.Verdict != strength.CannotSay || !strings.Contains(none.Seams[0].How.Past, "names no such welder") {
		t.Errorf("%s %+v", none.Verdict, none.Seams[0].How)
	}
	bad := welds(t).Brief
	bad.Welded[0].Seams[0].By = "glue"
	if err := bad.Check(); err == nil || !strings.Contains(err.Error(), "glue") {
		t.Errorf("glued: %v", err)
	}
}

// By TIG it takes other metal, another gas and more minutes than by MIG, each by its own rate.
func TestTakesByProcess(t *testing.T) {
	takes := func(by string) string {
		s := welds(t, welders(welder("m", "mig", .6, 12), welder("t", "tig", .6, 12), welder("s", "stick", 2, 20)))
		s.Brief.Welded[0].Seams[0].By = by
		p, err := s.WeldPlan("w")
		if err != nil {
			t.Fatal(err)
		}
		return strings.Join(p.Takes, "; ")
	}
	for by, want := range map[string][]string{"mig": {"welding wire", "shielding gas", "11 min MIG welding"},
		"tig": {"TIG rods", "argon", "17 min TIG welding"}, "stick": {"welding rods", "12 min welding with rods"}, "": {"welding wire"}} {
		for _, w := range want {
			if got := takes(by); !strings.Contains(got, w) {
				t.Errorf("by %q no %q: %s", by, w, got)
			}
		}
	}
	if strings.Contains(takes("stick"), "gas") {
		t.Error("rods take gas")
	}
}

// The schools stand side by side: what is taken gives what was shown, one of each group is how it is, both faces are no
// weaker than one, flush no stronger than as it is laid, and stitches are laid shorter.
func TestWeldSchools(t *testing.T) {
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		s := welds(t, func(s *Site) { s.Brief.Unit = unit })
		list, err := s.WeldSchools("w")
		if err != nil || len(list) != 10 {
			t.Fatalf("%v %+v", err, list)
		}
		now, by := map[string]int{}, map[string]WeldSchool{}
		for _, c := range list {
			by[c.Label] = c
			if c.Now {
				now[c.Group]++
			}
			took := welds(t, func(s *Site) { s.Brief.Unit = unit; s.Brief.Welded[0] = c.Joint })
			x := seamed(t, took)
			if x.Verdict != c.Verdict || x.Result != nil && x.Result.Hardest != nil && *x.Result.Hardest != *c.Use {
				t.Errorf("%s taken is %s, shown %s", c.Label, x.Verdict, c.Verdict)
			}
			if unit == brief.UnitFraction && strings.Contains(c.Label+c.Metal, " mm") || c.Metal == "" || c.Minutes <= 0 {
				t.Errorf("%s: %q, %g min", c.Label, c.Metal, c.Minutes)
			}
		}
		if now["long"] != 1 || now["left"] != 1 || now["where"] != 1 {
			t.Errorf("how it is: %v", now)
		}
		both, one, flush := by["all along, both faces"], by["all along, one side"], by["ground flush"]
		if *both.Use > *one.Use || math.Abs(both.Laid-2*one.Laid) > 1e-9 || flush.Verdict != strength.CannotSay || flush.Silent == "" ||
			flush.Minutes <= one.Minutes {
			t.Errorf("both %g, one %g, flush %s", *both.Use, *one.Use, flush.Verdict)
		}
	}
	large, err := welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Leg = 12 }).WeldSchools("w")
	if err != nil || !slices.ContainsFunc(large, func(c WeldSchool) bool {
		return c.Label == "stitches of 48 mm every 192 mm" && c.Joint.Seams[0].Stitch == 48 && c.Joint.Seams[0].Pitch == 192
	}) {
		t.Errorf("%v: of a leg of 12 the stitches are said as %+v", err, large[2].Label)
	}
	if _, err := welds(t).WeldSchools("gone"); err == nil {
		t.Error("a joint that is gone has schools")
	}
}

// A part that is welded where nothing may be welded is not cut, and its weld map stays in the house.
func TestNoWeldHoldsBackTheFiles(t *testing.T) {
	marked := func(s *Site) {
		r := ear()
		r.Base.Marks = []sheet.Mark{{ID: "m", Kind: sheet.NoWeldMark, X: sheet.Offset{Edge: sheet.Left, Distance: 10},
			Y: sheet.Offset{Edge: sheet.Front, Distance: 40}, Length: 30, Width: 30}}
		s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
	}
	for name, change := range map[string]func(s *Site){"over a no-weld face": marked, "to the vehicle": func(s *Site) {
		s.Brief.Limits.NoWelds = true
		s.Brief.Welded[0].Sides[1].Side = brief.Side{Kind: brief.VehicleSide}
	}} {
		s := welds(t, change)
		c := s.CheckOf(s.Parts[0])
		if c.Released || !slices.ContainsFunc(c.Holds, func(h string) bool { return strings.Contains(h, "Ear on its plate") }) ||
			s.WeldsHeldBy("w") == "" {
			t.Errorf("%s: %v, map %q", name, c.Holds, s.WeldsHeldBy("w"))
		}
	}
	if s := welds(t); s.WeldsHeldBy("w") != "" || len(s.CheckOf(s.Parts[0]).Holds) != 0 {
		t.Errorf("what may be welded is held back: %v", s.CheckOf(s.Parts[0]).Holds)
	}
	asked := welds(t, func(s *Site) {
		s.Brief.Open = []brief.OpenItem{{ID: "q", Kind: "strength", Text: "which steel", Of: "ear"}}
	})
	if asked.WeldsHeldBy("w") == "" {
		t.Error("an open question of strength does not hold its weld map")
	}
}

// What is tacked and not welded is told at the joint, and ticks of stitches that are not there any more are not lost
// without a word. What is welded to the vehicle is not on the bench.
func TestOpenTacksAndLostTicks(t *testing.T) {
	s := welds(t, func(s *Site) {
		s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "w", Seen: []brief.SeamSeen{{ID: "s1", Tacked: true}, {ID: "s1-3", Welded: true}}}}
		s.Brief.Welded[0].Where = brief.Tacked
	})
	has := func(list []working.Finding, code string) bool {
		return slices.ContainsFunc(list, func(f working.Finding) bool { return f.Code == code })
	}
	if w := seamed(t, s); !has(w.Findings, "open-tacks") {
		t.Errorf("%+v", w.Findings)
	}
	p, err := s.WeldPlan("w")
	if err != nil || !has(p.Findings, "ticks-gone") || !strings.Contains(strings.Join(p.Does, " "), "Tack it where it belongs") {
		t.Errorf("%v %+v %v", err, p.Findings, p.Does)
	}
	s.Brief.Books[0].Seen[0].Until = "the tank hangs in it"
	if p, err = s.WeldPlan("w"); err != nil || !strings.Contains(strings.Join(p.Does, " "), "Seam 1 is tacked on one side only and stays "+
		"adjustable until the tank hangs in it") {
		t.Errorf("%v %v", err, p.Does)
	}
	s.Brief.Welded[0].Sides[1].Side = brief.Side{Kind: brief.VehicleSide}
	if w := seamed(t, s); !has(w.Findings, "not-on-bench") || !has(w.Findings, "weld-on-vehicle") {
		t.Errorf("%+v", w.Findings)
	}
}

// cornered is a tray of 2 mm with two neighbouring sides, their corner welded.
func cornered(t *testing.T, thick float64) Site {
	t.Helper()
	r := ear()
	r.Thickness = thick
	r.Base.Length, r.Base.Width = 200, 150
	x, y := plates.Flange("a", sheet.Front, 60, 90), plates.Flange("b", sheet.Right, 60, 90)
	x.InsideRadius, y.InsideRadius = thick, thick
	r.Base.Flanges = []sheet.Flange{x, y}
	r.Base.Meets = []sheet.Meet{{A: "a", B: "b", Kind: sheet.MeetWeld}}
	b := welds(t).Brief
	b.Welded = nil
	s := Site{Brief: b, Parts: BuildParts(context.Background(), []Part{{ID: "tray", Name: "Tray", Recipe: r, Quantity: 1}}, b, shop.Shop{})}
	if s.Parts[0].Err != nil {
		t.Fatal(s.Parts[0].Err)
	}
	return s
}

// The welded corner of a tray is a seam of the job: upright, as long as its sides are high less the bend, with its
// order, tacks, metal and what it carries by itself.
func TestWeldedCornerIsASeam(t *testing.T) {
	s := cornered(t, 6)
	if list := s.Weldings(); len(list) != 1 || list[0].ID != "tray" {
		t.Fatalf("%+v", list)
	}
	p, err := s.WeldPlan("tray")
	if err != nil || p.Why != "" || len(p.Seams) != 1 || p.Order == nil {
		t.Fatalf("%v %+v", err, p)
	}
	q := p.Seams[0]
	if d := q.Path[1].Sub(q.Path[0]); math.Abs(math.Abs(d[2])-q.Long) > 1e-6 || q.Long < 40 || q.Long > 60 || len(q.Tacks) == 0 {
		t.Errorf("it runs %v, %g long", d, q.Long)
	}
	if q.Carries == nil || q.Carries.Along == nil || math.Abs(*q.Carries.Along-6*math.Sqrt2/2*.3*414*(q.Long-12)/q.Long) > .5 {
		t.Errorf("it carries %+v", q.Carries)
	}
	if out := q.open; out[0] < .5 || out[1] > -.5 {
		t.Errorf("it opens towards %v, not forward right", out)
	}
	s.Brief.Unit = brief.UnitFraction
	if p, err = s.WeldPlan("tray"); err != nil || strings.Contains(p.Seams[0].Carries.Says, "N/mm") ||
		!strings.Contains(p.Seams[0].Carries.Says, "lbf/in") {
		t.Errorf("half metric: %v %q", err, p.Seams[0].Carries.Says)
	}
	s.Parts[0].Recipe.Base.Meets = nil
	if _, err := s.WeldPlan("tray"); err == nil {
		t.Error("a tray whose corners are open is welded")
	}
}

// Every welded seam of a body says what it carries by itself, or why nobody can.
func TestSeamsOfABodyCarry(t *testing.T) {
	f := started(t, "hopper")
	p, err := (Site{Brief: welds(t).Brief, Bodies: []FacetBody{{ID: "b", Name: "Hopper", Quantity: 1, Doc: f}}}).WeldPlan("b")
	if err != nil || len(p.Seams) == 0 {
		t.Fatalf("%v %+v", err, p)
	}
	for _, q := range p.Seams {
		if w := q.Carries; w != nil && w.Pulled > 0 && math.Abs(thinner(t, f, q.Name)/w.Pulled-stock.GuessedShare) > 1e-9 {
			t.Errorf("%s: of a guessed thickness the sheet counts %g of the known", q.Name, thinner(t, f, q.Name)/w.Pulled)
		}
		if q.Carries == nil || q.Carries.Says == "" || q.Carries.Along == nil && q.Carries.WhyAlong == "" {
			t.Errorf("%s: %+v", q.Name, q.Carries)
		}
	}
}

// A pipe of sheet is welded where its ends meet: one seam as long as it is, upright, that nobody can say the strength of
// until its depth is known. An open band is not welded.
func TestSeamOfARound(t *testing.T) {
	f := develop.Form{Kind: develop.ConeForm, Face: develop.OutsideFace, Way: develop.Rolled,
		Cone: &develop.ConeInput{Bottom: 150, Top: 150, Height: 240}}
	r := plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Developed, Round: &f})
	r.Thickness, r.Grain = 2, sheet.GrainUnknown
	s := cornered(t, 2)
	s.Parts = BuildParts(context.Background(), []Part{{ID: "pipe", Name: "Pipe", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
	if s.Parts[0].Err != nil {
		t.Fatal(s.Parts[0].Err)
	}
	p, err := s.WeldPlan("pipe")
	if err != nil || p.Order == nil || len(p.Seams) != 1 {
		t.Fatalf("%v %q %+v", err, p.Why, p.Seams)
	}
	q := p.Seams[0]
	if math.Abs(q.Long-240) > 1e-6 || math.Abs(q.Path[1].Sub(q.Path[0])[2]-240) > 1e-6 || q.Carries == nil || q.Carries.Along != nil {
		t.Errorf("%+v", q)
	}
	if away := (solid.Vector{q.Path[0][0], q.Path[0][1]}); q.open.Dot(away.Unit()) < .9 {
		t.Errorf("at %v it looks %v, not out", away, q.open)
	}
}

// A tapped hole near a seam is covered, and the face of a joint bolted there; what is far off is not. Flush on thin sheet
// is soon ground through.
func TestThreadsAreCovered(t *testing.T) {
	with := func(x, thick float64, finish weld.Finish) []working.Finding {
		s := welds(t, func(s *Site) {
			r := ear()
			r.Base.Length, r.Thickness = 300, thick
			h := plates.Round("m8", sheet.Left, x, sheet.Front, 40, 6.8)
			h.Name, h.Use = "Mounting hole", &sheet.Use{Kind: sheet.UseTapped, Thread: "M8"}
			r.Base.Holes = []sheet.Hole{h}
			s.Parts = BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
			s.Brief.Welded[0].Seams[0].Finish = finish
			s.Brief.Joints = []brief.Joint{{ID: "j", Name: "Cover on the ear", Part: "ear", Features: []string{"m8"}},
				{ID: "k", Name: "Elsewhere", Part: "other", Features: []string{"m8"}}}
		})
		return seamed(t, s).Findings
	}
	has := func(list []working.Finding, code, says string) bool {
		return slices.ContainsFunc(list, func(f working.Finding) bool { return f.Code == code && strings.Contains(f.Reason, says) })
	}
	if list := with(60, 6, ""); !has(list, "cover-threads", "Mounting hole, 60.0 mm off") {
		t.Errorf("%+v", list)
	}
	if list := with(60, 6, ""); !has(list, "cover-faces", "Cover on the ear, 56.6 mm off") || has(list, "cover-faces", "Elsewhere") {
		t.Errorf("%+v", list)
	}
	if list := with(150, 6, ""); has(list, "cover-threads", "") || has(list, "cover-faces", "") {
		t.Errorf("far off: %+v", list)
	}
	if list := with(60, 1.5, weld.Flush); !has(list, "ground-through", "1.5") {
		t.Errorf("%+v", list)
	}
}

// A box that stands in the corner of an ear lies on its bead; one that keeps off by more than the leg does not, and a seam
// that ends before it has no bead there.
func TestBeadInTheWay(t *testing.T) {
	with := func(off float64, change ...func(*Site)) bool {
		s := upright(t, append([]func(*Site){func(s *Site) {
			s.Survey.Placed = append(s.Survey.Placed, vehicle.Placed{ID: "box", Name: "Battery", Size: &brief.Box{Length: 100, Width: 30,
				Height: 80},
				At: [3]float64{-3 - off - 100, 25, 0}})
		}}, change...)...)
		return slices.ContainsFunc(seamed(t, s).Findings, func(f working.Finding) bool {
			return f.Code == "bead-in-the-way" && strings.Contains(f.Reason, "Battery lies where the bead of Root seam")
		})
	}
	if !with(.5) {
		t.Error("nothing is said of a box on the bead")
	}
	if with(6) {
		t.Error("a box clear of the bead lies on it")
	}
	if with(.5, func(s *Site) { s.Brief.Welded[0].Seams[0].After = 58 }) && with(.5,
		func(s *Site) { s.Brief.Welded[0].Seams[0].Before = 58 }) {
		t.Error("a seam that ends before it has a bead there")
	}
}

// One weld named twice does not hold twice: neither in one joint nor in two. Seams that share an edge one after the other
// are two, and so are stitches that alternate with another's.
func TestOneWeldIsNotCountedTwice(t *testing.T) {
	told := func(change func(*Site)) (string, strength.Verdict) {
		s := welds(t, change)
		h := s.Hold()
		w := h.Welded[len(h.Welded)-1]
		for _, f := range w.Findings {
			if f.Code == "seam-twice" {
				return f.Reason, w.Verdict
			}
		}
		return "", w.Verdict
	}
	again := func(before, after float64) func(*Site) {
		return func(s *Site) {
			q := s.Brief.Welded[0].Seams[0]
			q.ID, q.Name, q.Before, q.After = "s2", "Again", before, after
			s.Brief.Welded[0].Seams = append(s.Brief.Welded[0].Seams, q)
		}
	}
	if says, v := told(again(0, 0)); says == "" || v == strength.Holds {
		t.Errorf("the same edge twice: %q, %s", says, v)
	}
	if says, v := told(func(s *Site) {
		s.Brief.Welded[0].Seams[0].After = 40
		again(40, 0)(s)
	}); says != "" || v != strength.Holds {
		t.Errorf("one after the other: %q, %s", says, v)
	}
	drawn := func(s *Site) {
		q := s.Brief.Welded[0].Seams[0]
		q.ID, q.Panel, q.Edge, q.Path = "s2", "", "", []solid.Vector{{0, 20, 0}, {0, 200, 0}}
		s.Brief.Welded[0].Seams = append(s.Brief.Welded[0].Seams, q)
	}
	if says, v := told(drawn); says == "" || v == strength.Holds {
		t.Errorf("drawn along it: %q, %s", says, v)
	}
	if says, _ := told(func(s *Site) {
		s.Brief.Welded[0].Seams[0].Stitch, s.Brief.Welded[0].Seams[0].Pitch = 20, 60
		drawn(s)
		s.Brief.Welded[0].Seams[1].Path = []solid.Vector{{0, 32, 0}, {0, 48, 0}}
	}); says != "" {
		t.Errorf("between stitches: %q", says)
	}
	second := func(before float64) func(*Site) {
		return func(s *Site) {
			w := s.Brief.Welded[0]
			w.ID, w.Name, w.Seams = "w2", "Once more", slices.Clone(w.Seams)
			w.Seams[0].ID, w.Seams[0].Before = "t1", before
			s.Brief.Welded[0].Seams = slices.Clone(s.Brief.Welded[0].Seams)
			s.Brief.Welded[0].Seams[0].After = 80 - 40
			s.Brief.Welded = append(s.Brief.Welded, w)
		}
	}
	if says, v := told(second(0)); says == "" || v == strength.Holds {
		t.Errorf("in two joints: %q, %s", says, v)
	}
	placed := func(s *Site) { // one of them names the place, the other none: there is one
		second(0)(s)
		s.Survey = vehicle.Survey{Schema: vehicle.SurveySchema, Placed: []vehicle.Placed{{ID: "p", Name: "Ear", Part: "ear"}}}
		s.Brief.Welded[1].Sides[0].Placed = "p"
	}
	if says, v := told(placed); says == "" || v == strength.Holds {
		t.Errorf("in two joints, one of which names the place: %q, %s", says, v)
	}
	if says, _ := told(second(45)); says != "" {
		t.Errorf("in two joints, each its own half: %q", says)
	}
}

// thinner answers what the sheet beside a seam of a body pulls where its blanks are of a guessed thickness, N/mm.
func thinner(t *testing.T, f shell.Facets, name string) float64 {
	t.Helper()
	s := Site{Brief: welds(t).Brief, Bodies: []FacetBody{{ID: "b", Name: "Hopper", Quantity: 1, Doc: f}},
		Parts: []BuiltPart{{Part: Part{ID: "blank", Recipe: sheet.Recipe{Guessed: true, Facet: &sheet.Facet{Of: "b"}}}}}}
	p, err := s.WeldPlan("b")
	if err != nil {
		t.Fatal(err)
	}
	for _, q := range p.Seams {
		if q.Name == name && q.Carries != nil {
			return q.Carries.Pulled
		}
	}
	return 0
}
