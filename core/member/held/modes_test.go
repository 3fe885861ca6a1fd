package held

import (
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/frame"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// Each mode of a member, of its plates and ears taken away in turn leaves a frame that
// cannot say; with all of them it holds.
func TestEveryModeIsMissed(t *testing.T) {
	d := arm(racks.Box40, 20)
	d.Plates = []member.Plate{{ID: "p", Name: "Foot", Member: "m", End: "a", Kind: "base", Width: 140, Height: 160, Thickness: 10,
		Holes: 4, Hole: 11, Margin: 18},
		{ID: "e", Name: "Ear", Member: "m", End: "b", Kind: "tab", Width: 50, Height: 60, Thickness: 8, Holes: 1, Hole: 13, Margin: 25}}
	b := shape.Build(d, nil)
	h := Hold(b, d, asked())
	if h.Verdict != strength.Holds {
		t.Fatalf("%s %+v", h.Verdict, h.Ledger[0])
	}
	ledgers := append(memberLedgers("m", "Arm"), strength.Ledger{Form: strength.BasePlate, Feature: "p"},
		strength.Ledger{Form: strength.EarPlate, Feature: "e"}, strength.Ledger{Form: strength.FrameForm})
	if len(h.Ledger) < 15 {
		t.Fatalf("%d modes in all", len(h.Ledger))
	}
	for i, c := range h.Ledger {
		rest := slices.Delete(slices.Clone(h.Ledger), i, i+1)
		if o := strength.Close(ledgers, rest); o.Verdict != strength.CannotSay {
			t.Errorf("without %s of %s it says %s", c.Key, c.Where, o.Verdict)
		}
	}
	for _, c := range h.Ledger {
		if c.Utilisation != nil && (c.Working == nil || c.Working.Source == "" || len(c.Working.Inputs) == 0 || c.Working.Result.Unit != c.Unit) {
			t.Errorf("%s has no whole working: %+v", c.Key, c.Working)
		}
	}
}

func more(t *testing.T, h Held, key string) strength.Check {
	t.Helper()
	for _, c := range h.Ledger {
		if c.Key == key {
			return c
		}
	}
	t.Fatalf("no %s in %+v", key, h.Ledger)
	return strength.Check{}
}

// A flat bar of 60 by 6 standing on edge, 1000 long: Lb·d/t² = 1667, past 1.9·E/Fy =
// 1698? no: between; Mn = (1.52 − 0.274·1667·235/210000)·235·6·60²/6. 2000 long it is
// 1.9·210000/3333·3600.
func TestFlatBarTips(t *testing.T) {
	s := section.Sizes{Kind: "flatBar", Width: 6, Height: 60}
	p, err := section.Work(s)
	if err != nil {
		t.Fatal(err)
	}
	n, _, ok := tips(s, p, 235, 210000, 80769, 1000)
	first := 235 * 6 * 3600 / 6.
	racks.Near(t, "1000", n, (1.52-.274*(1000*60/36.)*235/210000)*first, 1e-6)
	n, _, _ = tips(s, p, 235, 210000, 80769, 2000)
	racks.Near(t, "2000", n, 1.9*210000/(2000*60/36.)*6*3600/6, 1e-6)
	n, _, _ = tips(s, p, 235, 210000, 80769, 30)
	racks.Near(t, "short", n, min(235*6*3600/4, 1.6*first), 1e-6)
	if !ok {
		t.Error("a flat bar does not tip")
	}
	for _, k := range []section.Sizes{{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}, {Kind: "roundTube", Diameter: 40, Wall: 3},
		{Kind: "roundBar", Diameter: 20}} {
		q, _ := section.Work(k)
		if _, _, tipped := tips(k, q, 235, 210000, 80769, 5000); tipped {
			t.Errorf("%s tips", k.Kind)
		}
	}
	// Never more than plastic, and never more for being longer.
	for _, k := range []section.Sizes{s, {Kind: "channel", Depth: 100, FlangeWidth: 50, Web: 6, Flange: 8.5},
		{Kind: "angle", LegVertical: 60, LegHorizontal: 60, Thickness: 6}, {Kind: "angle", LegVertical: 80, LegHorizontal: 40, Thickness: 6},
		{Kind: "rectTube", Width: 40, Height: 100, Wall: 3}} {
		q, err := section.Work(k)
		if err != nil {
			t.Fatal(err)
		}
		last := math.Inf(1)
		for l := 50.; l < 20000; l *= 1.2 {
			n, _, _ := tips(k, q, 235, 210000, 80769, l)
			if n > last+1e-6 || n <= 0 || n > 1.7*235*max(q.Zx, q.Zy) {
				t.Errorf("%s at %.0f: %g after %g", k.Kind, l, n, last)
			}
			last = n
		}
	}
}

// A channel by AISC F2: 100 by 50, web 6, flanges 8.5, between Lp and Lr on the straight
// line between Mp and 0.7·Fy·Sx.
func TestChannelTips(t *testing.T) {
	s := section.Sizes{Kind: "channel", Depth: 100, FlangeWidth: 50, Web: 6, Flange: 8.5}
	p, err := section.Work(s)
	if err != nil {
		t.Fatal(err)
	}
	// By middle lines: b = 47, h = 91.5; Cw, e after the usual formulas.
	o := openOf(s)
	b, h := 47., 91.5
	e := 3 * b * b * 8.5 / (6*b*8.5 + h*6)
	racks.Near(t, "shear centre", o.shearCentre, e-3, 1e-9)
	racks.Near(t, "warping", o.warping, 8.5*b*b*b*h*h/12*(3*b*8.5+2*h*6)/(6*b*8.5+h*6), 1e-3)
	lp := 1.76 * p.Ry * math.Sqrt(210000./235)
	n, _, _ := tips(s, p, 235, 210000, 80769, lp*.99)
	racks.Near(t, "under Lp", n, 235*p.Zx, 1e-6)
	if n, _, _ = tips(s, p, 235, 210000, 80769, 4000); n >= 235*p.Zx || n <= 0 {
		t.Errorf("at 4 m %g of %g", n, 235*p.Zx)
	}
}

// A tube of 100 with a wall of 1.2: sides (100 − 3.6)/1.2 = 80.3 against 41.8 buckle;
// one of 40 by 3 does not.
func TestThinWalls(t *testing.T) {
	thin := arm(section.Sizes{Kind: "rectTube", Width: 100, Height: 100, Wall: 1.2}, 60)
	c := more(t, Hold(shape.Build(thin, nil), thin, asked()), "local")
	slim := (100 - 3.6) / 1.2
	elastic := 4 * math.Pi * math.Pi * 210000 / (12 * .91 * slim * slim)
	lambda := math.Sqrt(235 / elastic)
	p, _ := section.Work(thin.Members[0].Section)
	left := 1 - 4*96.4*1.2/p.Area*(1-(1-.22/lambda)/lambda)
	racks.Near(t, "share that presses", c.Capacity, left*235/1.67, 1e-6)
	stout := arm(racks.Box40, 60)
	if c := more(t, Hold(shape.Build(stout, nil), stout, asked()), "local"); c.Verdict != strength.NotNeeded ||
		!strings.Contains(c.Why, "up to") {
		t.Errorf("%+v", c)
	}
}

// An arm of channel carries a box in the middle of its width: it twists about its shear
// centre by V·(e + x̄) and by what the box hangs beside its centroid, with warping at
// the wall.
func TestChannelTwists(t *testing.T) {
	s := section.Sizes{Kind: "channel", Depth: 100, FlangeWidth: 50, Web: 6, Flange: 8.5}
	d := arm(s, 50)
	b := shape.Build(d, nil)
	c := more(t, Hold(b, d, asked()), "torsion")
	p := b.Pieces[0].Props
	own := p.Area * 7850e-9 * load.G
	v := 50*load.G + own*1000
	o := openOf(s)
	torque := v*(o.shearCentre+p.CentroidX) + 50*load.G*math.Abs(25-p.CentroidX) // the box hangs at the middle of its width
	a := math.Sqrt(210000 * o.warping / (210000 / 2.6 * p.J))
	warp := torque * a * math.Tanh(1000/(2*a)) * max(o.tip, o.root) / o.warping
	racks.Near(t, "warping", c.Working.Steps[0].Value, warp, 1e-6*warp)
	tube := arm(racks.Box40, 50)
	if c := more(t, Hold(shape.Build(tube, nil), tube, asked()), "torsion"); c.Verdict != strength.NotNeeded {
		t.Errorf("a tube: %+v", c)
	}
}

// AISC K3.2: a branch of 40 square on the face of 60 of a chord with a wall of 3, at
// right angles: β = η = 2/3.
func TestWallUnderABranch(t *testing.T) {
	rule := strength.Rule{School: strength.Allowable}
	chord := section.Sizes{Kind: "rectTube", Width: 60, Height: 60, Wall: 3}
	b := branch{sine: 1, across: 40, long: 40, face: 60}
	w, _ := wallOf(rule, chord, b, 235, 0)
	beta, eta, base := 2./3, 2./3, 235*9.
	racks.Near(t, "force", w.force, min(base*(2*eta/(1-beta)+4/math.Sqrt(1-beta))/1.5,
		.6*235*3*60*(2*eta+2*min(5*beta/10, beta))/1.58),
		1e-6)
	racks.Near(t, "in the plane", w.in, base*40*(1/(2*eta)+2/math.Sqrt(1-beta)+eta/(1-beta))/1.5, 1e-6)
	racks.Near(t, "out of it", w.out, base*(.5*40*(1+beta)/(1-beta)+math.Sqrt(2*60*40*(1+beta)/(1-beta)))/1.5, 1e-6)
	half, _ := wallOf(rule, chord, b, 235, .9)
	racks.Near(t, "in a chord that works hard", half.in, w.in*min(1, 1.3-.4*.9/beta), 1e-6)
	// Round on round, K3.1: 40 on 60 by 3: γ = 10.
	round := section.Sizes{Kind: "roundTube", Diameter: 60, Wall: 3}
	r, _ := wallOf(rule, round, b, 235, 0)
	racks.Near(t, "round", r.force, base*(3.1+15.6*beta*beta)*math.Pow(10, .2)/1.67, 1e-6)
	racks.Near(t, "round, in", r.in, 5.39*base*math.Sqrt(10)*beta*40/1.67, 1e-6)
	racks.Near(t, "round, out", r.out, base*40*3/(1-.81*beta)/1.67, 1e-6)
	// A thicker wall bears more, a wider branch too, up to the whole face.
	last := 0.
	for across := 10.; across <= 60; across += 5 {
		x := b
		x.across = across
		v, _ := wallOf(rule, chord, x, 235, 0)
		if v.in < last-1e-9 {
			t.Errorf("%g across: %g after %g", across, v.in, last)
		}
		last = v.in
	}
}

// A post on a rail: its moment at the foot is what the rail's wall gets, in the plane
// of both, and a rail of thicker wall is used less.
func TestPostOnARail(t *testing.T) {
	post := func(wall float64) Held {
		d := member.Doc{Schema: 1, Material: "steel-s235",
			Points: []member.Point{racks.Point("l", -400, 0, 0), racks.Point("m", 0, 0, 0), racks.Point("r", 400, 0, 0),
				racks.Point("t", 0, 0, 500)},
			Members: []member.Member{{ID: "rail", Name: "Rail", From: "l", To: "r",
				Section: section.Sizes{Kind: "rectTube", Width: 60, Height: 60, Wall: wall}},
				{ID: "post", Name: "Post", From: "m", To: "t", Section: racks.Box40, A: member.End{Kind: member.Butt, Onto: "rail"}}},
			Supports: []member.Support{{Point: "l", Kind: "fixed"}, {Point: "r", Kind: "fixed"}},
			Loads:    []member.Load{{ID: "f", Name: "Push", Kind: "force", Force: [3]float64{300, 0, 0}, Points: []string{"t"}}}}
		return Hold(shape.Build(d, nil), d, asked())
	}
	find := func(h Held) strength.Check {
		for _, c := range h.Ledger {
			if c.Key == "chord" && c.Feature == "post" {
				return c
			}
		}
		t.Fatal("no chord")
		return strength.Check{}
	}
	c := find(post(3))
	racks.Near(t, "in the plane", c.Working.Inputs[1].Value, 300*500, 300*20)
	racks.Near(t, "out of it", c.Working.Inputs[2].Value, 0, 1)
	if thick := find(post(6)); c.Utilisation == nil || *thick.Utilisation >= *c.Utilisation/2 {
		t.Errorf("3 mm: %v, 6 mm: %v", *c.Utilisation, *thick.Utilisation)
	}
}

// End plates: a hole under the member or too near its wall is over whatever the load,
// a moment across a line of bolts too; a bigger tube never makes a plate easier to say
// yes to.
func TestEndPlatesAreBolted(t *testing.T) {
	held := func(s section.Sizes, w, h float64, holes int, margin float64) map[string]strength.Check {
		d := arm(s, 10)
		d.Plates = []member.Plate{{ID: "p", Name: "Foot", Member: "m", End: "a", Kind: "base", Width: w, Height: h, Thickness: 10, Holes: holes,
			Hole: 11, Margin: margin}}
		out := map[string]strength.Check{}
		for _, c := range Hold(shape.Build(d, nil), d, asked()).Ledger {
			if c.Feature == "p" {
				out[c.Key] = c
			}
		}
		return out
	}
	big := section.Sizes{Kind: "rectTube", Width: 100, Height: 100, Wall: 4}
	if c := held(big, 120, 120, 4, 18)["plate-under"]; c.Verdict != strength.Over || !strings.Contains(c.Why, "under") {
		t.Errorf("under a bigger tube: %+v", c)
	}
	if c := held(racks.Box40, 80, 100, 4, 15)["plate-wrench"]; c.Verdict != strength.Over {
		t.Errorf("no room for a head: %+v", c)
	}
	ok := held(racks.Box40, 160, 180, 4, 20)
	for _, key := range []string{"plate-under", "plate-wrench", "plate-line"} {
		if ok[key].Verdict != strength.NotNeeded {
			t.Errorf("%s: %+v", key, ok[key])
		}
	}
	if c := held(racks.Box40, 160, 160, 2, 20)["plate-line"]; c.Verdict != strength.Over || c.Demand < 10*load.G*900 {
		t.Errorf("two bolts in line: %+v", c)
	}
	if c := held(racks.Box40, 160, 180, 0, 0)["plate"]; c.Verdict != strength.CannotSay {
		t.Errorf("no holes: %+v", c)
	}
}

// An ear at the end of an arm is bent by its forces and by the moment that comes in at
// its hole, both ways, as a cantilever by hand.
func TestEarIsBentBothWays(t *testing.T) {
	d := member.Doc{Schema: 1, Material: "steel-s235", Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 600, 0, 0)},
		Members: []member.Member{{ID: "m", Name: "Link", From: "a", To: "b", Section: racks.Box40}},
		Plates: []member.Plate{{ID: "e", Name: "Ear", Member: "m", End: "a", Kind: "tab", Width: 60, Height: 50, Thickness: 10,
			Holes: 1, Hole: 13, Margin: 20}},
		Supports: []member.Support{{Point: "a", Kind: "fixed"}},
		Loads:    []member.Load{{ID: "f", Name: "Push", Kind: "force", Force: [3]float64{0, 100, 0}, Points: []string{"b"}}}}
	none := []load.Case{{Name: "no gravity"}}
	c := more(t, Hold(shape.Build(d, nil), d, asked(none...)), "ear-bend")
	// 100 N sideways 600 off: 60 000 N·mm along the ear's width, and 100·30 by its lever.
	racks.Near(t, "wide way", c.Demand, (60000+100*30)/(10*60*60/6.), 1e-6)
	d.Loads[0].Force = [3]float64{0, 0, -100}
	c = more(t, Hold(shape.Build(d, nil), d, asked(none...)), "ear-bend")
	racks.Near(t, "thin way", c.Demand, (60000+100*30)/(60*10*10/6.), 1e-6)
}

// A device on four points is asked with each foot loose and two across each other
// carrying, as brackets are: it works the frame harder than all sharing.
func TestFramesCountLooseFeet(t *testing.T) {
	d := racks.Started(t, "rack", "40 × 40 × 3 mm tube", nil)
	d.Loads[0].Kind, d.Loads[0].Device, d.Loads[0].Kilos, d.Loads[0].Name = "device", "dev", 0, "Press"
	gravity := solid.Vector{0, 0, 400}
	ask := asked(load.Roads[load.Smooth].Cases()...)
	ask.Devices = map[string]Carried{"dev": {"Press", 150, &gravity}}
	h := Hold(shape.Build(d, nil), d, ask)
	loose := 0
	for _, c := range h.Cases {
		if strings.Contains(c, "loose") || strings.Contains(c, "carrying") {
			loose++
		}
	}
	if loose != 6*len(ask.Cases) {
		t.Errorf("%d ways of standing in %d cases", loose, len(ask.Cases))
	}
	if c := h.Members[4].Stress.Case; !strings.Contains(c, "loose") && !strings.Contains(c, "carrying") {
		t.Errorf("a leg works hardest %s", c)
	}
}

// What lands on a frame from outside goes through it to what holds it, moments and all;
// a landing is a place of its own, wherever it is on a member.
func TestWhatLandsArrives(t *testing.T) {
	d := arm(racks.Box40, 5)
	d.Points = append(d.Points, racks.Point("far", 700, 1000, 0))
	d.Members = append(d.Members, member.Member{ID: "n", Name: "Cross", From: "tip", To: "far", Section: racks.Box40})
	ask := asked()
	ask.Lands = []Landing{{Name: "post", Member: "n", At: solid.Vector{300, 1000, 40}}}
	s, err := Stand(shape.Build(d, nil), d, ask)
	if err != nil {
		t.Fatal(err)
	}
	w := Wrench{solid.Vector{120, -80, -900}, solid.Vector{5000, -7000, 3000}}
	on, err := s.React(Asking{Net: solid.Vector{}, Typed: 1, Way: -1, Lands: []Wrench{w}})
	if err != nil {
		t.Fatal(err)
	}
	at := s.Holders()[0].At
	got := on["wall"]
	racks.Near(t, "force", got.Force.Sub(w.Force).Len(), 0, 1e-6)
	want := w.Moment.Add(ask.Lands[0].At.Sub(at).Cross(w.Force))
	racks.Near(t, "moment", got.Moment.Sub(want).Len(), 0, 1e-3)
	// And its own verdict feels it.
	idle := Hold(shape.Build(d, nil), d, ask)
	ask.Happens = []Happening{{Name: "at rest", Net: solid.Vector{0, 0, -1}, Design: solid.Vector{0, 0, -1}, Lands: []Wrench{w}}}
	if h := Hold(shape.Build(d, nil), d, ask); *h.Use <= *idle.Use {
		t.Errorf("with 900 N on it %g, without %g", *h.Use, *idle.Use)
	}
	ask.Happens[0].Lands = []Wrench{{}}
	ask.Open = []string{"The press has no mass."}
	if h := Hold(shape.Build(d, nil), d, ask); h.Verdict != strength.CannotSay {
		t.Errorf("with what lands not known it says %s", h.Verdict)
	}
}

// Advice on sections is proved as a whole: what is called the lightest that holds holds
// when it is put in, plates and all.
func TestLightestHoldsAsAWhole(t *testing.T) {
	d := racks.Started(t, "outriggers", "50 × 50 × 4 mm tube", nil)
	ask := asked(load.Roads[load.Smooth].Cases()...)
	for _, o := range Compare(d, nil, ask, "50 × 50 × 4 mm tube") {
		x := d
		x.Members = slices.Clone(d.Members)
		for i := range x.Members {
			x.Members[i].Section, x.Members[i].Stock = o.Section, o.Stock
		}
		h := Hold(shape.Build(x, nil), x, ask)
		if o.Lightest && h.Verdict != strength.Holds {
			t.Errorf("%s is offered as holding: %s", o.Stock, h.Verdict)
		}
		if o.Verdict != h.Verdict {
			t.Errorf("%s: %s here, %s put in (%s)", o.Stock, o.Verdict, h.Verdict, h.Hardest)
		}
	}
}

// A mass on a stalk above a post swings slower than one at its top: by hand a cantilever
// with an end mass at a height has its frequency from flexibility, L³/3 + L²h + L·h².
func TestHeightSwingsSlower(t *testing.T) {
	hertz := func(high float64) float64 {
		d := member.Doc{Schema: 1, Material: "steel-s235", Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 0, 0, 800)},
			Members:  []member.Member{{ID: "m", From: "a", To: "b", Section: racks.Box40}},
			Supports: []member.Support{{Point: "a", Kind: "fixed"}},
			Loads:    []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: 200, High: high, Points: []string{"b"}}}}
		return Hold(shape.Build(d, nil), d, asked()).Modes[0].Hertz
	}
	p, _ := section.Work(racks.Box40)
	i := min(p.Ix, p.Iy)
	by := func(h float64) float64 {
		const l = 800.
		flex := (l*l*l/3 + l*l*h + l*h*h) / (210000 * i)
		return math.Sqrt(1/(.2*flex)) / (2 * math.Pi)
	}
	racks.Near(t, "at its top", hertz(0), by(0), .02*by(0))
	racks.Near(t, "300 above", hertz(300), by(300), .02*by(300))
	if _, err := (&frame.Model{}).Buckles(t.Context(), []float64{1}, 1); err == nil {
		t.Error("compressions of no members are taken")
	}
}

// Uniform loads swing with their member: twice the mass along it, 1/√2 of the hertz of
// what is nearly all load.
func TestUniformLoadsSwing(t *testing.T) {
	hertz := func(kilos float64) float64 {
		d := arm(racks.Box40, 1)
		d.Loads = []member.Load{{ID: "u", Name: "Deck", Kind: "uniform", Kilos: kilos, Member: "m"}}
		return Hold(shape.Build(d, nil), d, asked()).Modes[0].Hertz
	}
	racks.Near(t, "half as fast", hertz(400)/hertz(100), .5, .01)
}
