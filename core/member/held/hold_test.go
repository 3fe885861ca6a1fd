package held

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

var rest = []load.Case{{Name: "at rest", Net: [3]float64{0, 0, -1}}}

func asked(cases ...load.Case) Asked {
	if cases == nil {
		cases = rest
	}
	return Asked{Rule: strength.Rule{School: strength.Allowable}, Cases: cases}
}

// arm is a cantilever along y with a mass at its end.
func arm(s section.Sizes, kilos float64) member.Doc {
	return member.Doc{Schema: 1, Material: "steel-s235", Points: []member.Point{racks.Point("wall", 0, 0, 0), racks.Point("tip", 0, 1000, 0)},
		Members:  []member.Member{{ID: "m", Name: "Arm", From: "wall", To: "tip", Section: s}},
		Supports: []member.Support{{Point: "wall", Kind: "fixed"}},
		Loads:    []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: kilos, Points: []string{"tip"}}}}
}

// A loaded arm by hand: moment, stress, sag, buckling left out, utilisation.
func TestCantileverByHand(t *testing.T) {
	d := arm(racks.Box40, 80)
	b := shape.Build(d, nil)
	h := Hold(b, d, asked())
	if h.Why != "" || len(h.Members) != 1 {
		t.Fatalf("%+v", h)
	}
	p := b.Pieces[0].Props
	own := p.Area * 7850e-9 * load.G // N/mm
	moment := 80*load.G*1000 + own*1000*1000/2
	shear := 80*load.G + own*1000
	sigma, tau := moment/(p.Ix/30), shear/(2*60*3)
	racks.Near(t, "stress", h.Members[0].Stress.Demand, math.Sqrt(sigma*sigma+3*tau*tau), 1e-6)
	racks.Near(t, "may be used", h.Members[0].Stress.Capacity, 235/1.67, 1e-9)
	racks.Near(t, "place", h.Members[0].At, 0, 1e-6)
	racks.Near(t, "sag", h.Moves.Most, 80*load.G*1e9/(3*210000*p.Ix)+own*1e12/(8*210000*p.Ix), 1e-6)
	racks.Near(t, "carries", h.Carries, 80, 1e-9)
	racks.Near(t, "reaction", h.Supports[0].Rest[2], shear, 1e-9)
	racks.Near(t, "first frequency", h.Modes[0].Hertz, math.Sqrt(3*210000*p.Iy/1e9/(.08+.236*p.Area*7850e-12*1000))/(2*math.Pi), 2e-3)
	if h.Modes[0].Verdict != strength.Tight {
		t.Errorf("%+v", h.Modes[0])
	}
	// Weld all round: M·c/I of the line and V over its length, rounded corners left
	// to the outline.
	if w := h.Members[0].Weld; w.Utilisation == nil || math.Abs(w.Demand-moment/(60*40+60*60/3.)) > .25*w.Demand {
		t.Errorf("weld %+v", w)
	}
	d.Loads[0].Kilos = 800
	if h = Hold(shape.Build(d, nil), d, asked()); h.Verdict != strength.Over {
		t.Errorf("ten times the load: %s", h.Verdict)
	}
}

// A post with a free head buckles as one of twice its length, whether it is drawn in
// one piece or in three; a longer K of its user's counts, a shorter one does not.
func TestBucklingLengthFollowsTheStructure(t *testing.T) {
	length := func(d member.Doc) (l, lambda float64) {
		t.Helper()
		h := Hold(shape.Build(d, nil), d, asked())
		c := h.Members[0].Column
		if c.Working == nil || c.Working.Inputs[0].Symbol != "K·L" {
			t.Fatalf("%+v", c)
		}
		return c.Working.Inputs[0].Value, h.Stable.Result.Value
	}
	slim := section.Sizes{Kind: "roundTube", Diameter: 20, Wall: 2}
	post := member.Doc{Schema: 1, Material: "steel-s235", Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 0, 0, 900)},
		Members:  []member.Member{{ID: "post", From: "a", To: "b", Section: slim}},
		Supports: []member.Support{{Point: "a", Kind: "fixed"}},
		Loads:    []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: 120, Points: []string{"b"}}}}
	one, lambda := length(post)
	racks.Near(t, "one piece", one, 1800, 40)
	p, err := section.Work(slim)
	if err != nil {
		t.Fatal(err)
	}
	own := p.Area * 7850e-9 * 900 * load.G
	racks.Near(t, "Euler", lambda, math.Pi*math.Pi*210000*p.Ix/(1800*1800)/(120*load.G+own), .05*lambda)
	pieces := post
	pieces.Points = append([]member.Point{}, racks.Point("a", 0, 0, 0), racks.Point("1", 0, 0, 300), racks.Point("2", 0, 0, 600),
		racks.Point("b", 0, 0, 900))
	pieces.Members = []member.Member{{ID: "post", From: "a", To: "1", Section: slim}, {ID: "q", From: "1", To: "2", Section: slim},
		{ID: "r", From: "2", To: "b", Section: slim}}
	three, _ := length(pieces)
	racks.Near(t, "three pieces", three, one, 40)
	post.Members[0].K = 3
	said, _ := length(post)
	racks.Near(t, "said longer", said, 2700, 1e-6)
	post.Members[0].K = .7
	said, _ = length(post)
	racks.Near(t, "said shorter", said, one, 1e-6)
	// Four times the box: it buckles, and says so.
	post.Members[0].K, post.Loads[0].Kilos = 0, 480
	if h := Hold(shape.Build(post, nil), post, asked()); h.Verdict != strength.Over || h.Members[0].Column.Verdict != strength.Over {
		t.Errorf("%s, column %+v", h.Verdict, h.Members[0].Column)
	}
}

// AISC 360 e3 by hand: stocky at Fy/Fe = 0.5, slender at 4; never Fe itself.
func TestE3(t *testing.T) {
	racks.Near(t, "stocky", e3(235, 470), math.Pow(.658, .5)*235, 1e-9)
	racks.Near(t, "slender", e3(235, 235./4), .877*235/4, 1e-9)
	racks.Near(t, "where they meet", e3(235, 235/2.25), .658*.658*math.Pow(.658, .25)*235, 1e-9)
	racks.Near(t, "nothing", e3(235, 0), 0, 0)
	for fe := 1.; fe < 1000; fe *= 1.3 {
		if got := e3(235, fe); got >= fe || got > 235 {
			t.Errorf("Fe %g: %g", fe, got)
		}
	}
}

// An angle bends about its principal axes: stress as unsymmetrical bending gives
// it about its own legs.
func TestAngleBendsSideways(t *testing.T) {
	d := arm(racks.Angle, 20)
	b := shape.Build(d, nil)
	h := Hold(b, d, asked())
	p := b.Pieces[0].Props
	own := p.Area * 7850e-9 * load.G
	m := 20*load.G*1000 + own*1e6/2
	det := p.Ix*p.Iy - p.Ixy*p.Ixy
	worst := 0.0
	for _, q := range b.Runs[0].Outer {
		worst = max(worst, math.Abs(m*(p.Iy*q[1]-p.Ixy*q[0])/det))
	}
	racks.Near(t, "stress", h.Members[0].Stress.Demand, worst, .02) // besides a little shear
	if h.Members[0].Stress.Demand < worst {
		t.Error("shear takes stress away")
	}
}

// Loads and reactions balance in every case, whatever carries what.
func TestFrameBalances(t *testing.T) {
	rnd := rand.New(rand.NewPCG(71, 72))
	for range 10 {
		d := rack(rnd)
		b := shape.Build(d, nil)
		gravity := solid.Vector{40, -30, 220}
		ask := asked(load.Roads[load.Rough].Cases()...)
		ask.Devices = map[string]Carried{"dev": {"Press", 185, &gravity}}
		h := Hold(b, d, ask)
		if h.Why != "" {
			t.Fatal(h.Why)
		}
		m, err := newModel(b, Asked{})
		if err != nil {
			t.Fatal(err)
		}
		w := &weighing{m: m, d: d, ask: ask, held: &Held{}}
		w.gather()
		for _, c := range ask.Cases {
			l := w.loading(c.Net, 1, 1, nil, nil)
			a, err := m.solved.Case(l)
			if err != nil {
				t.Fatal(err)
			}
			var force, moment solid.Vector
			add := func(n string, f [6]float64) {
				v := solid.Vector{f[0], f[1], f[2]}
				force = force.Add(v)
				moment = moment.Add(solid.Vector{f[3], f[4], f[5]}).Add(solid.Vector(m.in.Nodes[n]).Cross(v))
			}
			for n, f := range a.Reactions {
				add(n, f)
			}
			// The loads by themselves: masses where they are, not where they were put.
			for _, x := range w.masses {
				f := solid.Vector(c.Net).Mul(x.kilos * load.G)
				if x.person > 0 {
					f = solid.Vector{0, 0, -x.kilos * load.G * x.person}
				}
				f = f.Add(x.force)
				at := x.at
				if x.member >= 0 {
					r := b.Runs[x.member]
					if x.metre > 0 {
						f, at = solid.Vector(c.Net).Mul(x.metre*load.G*r.Length/1000), r.Start.Add(r.Axes.X.Mul(r.Length/2))
					}
				}
				force, moment = force.Add(f), moment.Add(at.Cross(f))
			}
			for i, r := range b.Runs {
				f := solid.Vector(c.Net).Mul(r.Props.Area * 7850e-9 * r.Length * load.G)
				force, moment = force.Add(f), moment.Add(r.Start.Add(r.Axes.X.Mul(r.Length/2)).Cross(f))
				_ = i
			}
			if force.Len() > 1e-6*300*load.G || moment.Len() > 1e-6*300*load.G*1000 {
				t.Errorf("%s: %.3g N and %.3g N·mm are left", c.Name, force.Len(), moment.Len())
			}
		}
	}
}

// rack is two rails with crosses butted between them, legs, and all kinds of
// loads.
func rack(rnd *rand.Rand) member.Doc {
	v := func(x float64) float64 { return x * (1 + .1*rnd.Float64()) }
	d := member.Doc{Schema: 1, Material: "steel-s235"}
	for i, y := range []float64{-400, 400} {
		s := fmt.Sprint(i)
		d.Points = append(d.Points, racks.Point("f"+s, 0, y, v(500)), racks.Point("r"+s, v(1500), y, v(500)), racks.Point("ff"+s, 0, y, 0),
			racks.Point("rf"+s, v(1500), y, 0), racks.Point("c"+s, 700, y, 510), racks.Point("d"+s, 300, y, 500))
		d.Members = append(d.Members, member.Member{ID: "rail" + s, Name: "Rail " + s, From: "f" + s, To: "r" + s,
			Section: racks.Box40, Up: member.Top},
			member.Member{ID: "fl" + s, From: "ff" + s, To: "f" + s, Section: racks.Pipe},
			member.Member{ID: "rl" + s, From: "rf" + s, To: "r" + s, Section: racks.Pipe})
		d.Supports = append(d.Supports, member.Support{Point: "ff" + s, Kind: "fixed"}, member.Support{Point: "rf" + s, Kind: "pinned"})
	}
	d.Supports[1].Kind, d.Supports[1].Soft = "rubber", [3]float64{400, 500, 600}
	d.Members = append(d.Members, member.Member{ID: "c", From: "c0", To: "c1", Section: racks.Angle,
		A: member.End{Kind: member.Butt, Onto: "rail0"},
		B: member.End{Kind: member.Butt, Onto: "rail1", Hinged: true}},
		member.Member{ID: "d", From: "d0", To: "d1", Section: racks.Flat, A: member.End{Kind: member.Butt, Onto: "rail0"},
			B: member.End{Kind: member.Butt, Onto: "rail1"}})
	d.Loads = []member.Load{{ID: "1", Name: "Press", Kind: "device", Device: "dev", Points: []string{"c0", "c1", "d0", "d1"}},
		{ID: "2", Name: "Cook", Kind: "person", Member: "c", At: v(300)}, {ID: "3", Name: "Deck", Kind: "uniform", Kilos: 12, Member: "rail0"},
		{ID: "4", Name: "Rope", Kind: "force", Force: [3]float64{v(200), -50, 30}, Points: []string{"r1"}},
		{ID: "5", Name: "Cans", Kind: "mass", Kilos: v(30), High: 150, Points: []string{"f0", "f1"}},
		{ID: "6", Name: "Can", Kind: "mass", Kilos: 9, High: 80, Points: []string{"r0"}}}
	return d
}

// A frame turned about any axis with its loads holds the same: only gravity has
// to turn with it, so forces take its place.
func TestTurnedFrameHoldsTheSame(t *testing.T) {
	base := member.Doc{Schema: 1, Material: "steel-s235",
		Points:   []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 900, 100, 50), racks.Point("c", 900, 700, 300)},
		Members:  []member.Member{{ID: "m", From: "a", To: "b", Section: racks.Box40}, {ID: "n", From: "b", To: "c", Section: racks.Pipe}},
		Supports: []member.Support{{Point: "a", Kind: "fixed"}},
		Loads:    []member.Load{{ID: "l", Kind: "force", Force: [3]float64{100, 250, -900}, Points: []string{"c"}}}}
	none := []load.Case{{Name: "no gravity"}}
	one := Hold(shape.Build(base, nil), base, asked(none...))
	for k, p := range []solid.Pose{solid.Turned(solid.Vector{}, 70, 0, 0), solid.Turned(solid.Vector{10, 20, 30}, 0, 0, 0)} {
		d := base
		d.Points = append([]member.Point{}, base.Points...)
		for i, q := range d.Points {
			v := p.Apply(solid.Vector{q.X, q.Y, q.Z})
			d.Points[i].X, d.Points[i].Y, d.Points[i].Z = v[0], v[1], v[2]
		}
		d.Loads = append([]member.Load{}, base.Loads...)
		d.Loads[0].Force = p.Turn(base.Loads[0].Force)
		two := Hold(shape.Build(d, nil), d, asked(none...))
		racks.Near(t, fmt.Sprint("moves ", k), two.Moves.Most, one.Moves.Most, 1e-6)
		for i := range one.Members {
			racks.Near(t, "stress", two.Members[i].Stress.Demand, one.Members[i].Stress.Demand, 1e-6)
			racks.Near(t, "column", two.Members[i].Column.Demand, one.Members[i].Column.Demand, 1e-6)
		}
		for i := range one.Modes {
			racks.Near(t, "frequency", two.Modes[i].Hertz, one.Modes[i].Hertz, 1e-6)
		}
	}
}

// A load spread on points keeps its force and its moment.
func TestSpread(t *testing.T) {
	rnd := rand.New(rand.NewPCG(81, 82))
	v := func() solid.Vector { return solid.Vector{rnd.NormFloat64(), rnd.NormFloat64(), rnd.NormFloat64()} }
	for n := 1; n < 7; n++ {
		points := make([]solid.Vector, n)
		for i := range points {
			points[i] = v().Mul(300)
			if n == 3 { // in a row
				points[i] = solid.Vector{100, 50, 20}.Mul(float64(i))
			}
		}
		at, force := v().Mul(200), v().Mul(1000)
		forces, each := spread(points, nil, at, force)
		var f, m solid.Vector
		for i, x := range forces {
			f, m = f.Add(x), m.Add(points[i].Cross(x)).Add(each)
		}
		racks.Near(t, "force", f.Sub(force).Len(), 0, 1e-8)
		racks.Near(t, "moment", m.Sub(at.Cross(force)).Len(), 0, 1e-5)
		if n > 3 && each.Len() > 1e-6 {
			t.Errorf("%d points keep a moment of %v", n, each)
		}
	}
}

// Schools: factored loads against φ, g-case against a margin; the frame moves
// the same in all.
func TestSchools(t *testing.T) {
	d := arm(racks.Box40, 80)
	b := shape.Build(d, nil)
	one := Hold(b, d, asked())
	ask := asked()
	ask.Rule.School = strength.Factored
	two := Hold(b, d, ask)
	racks.Near(t, "1.4 times at rest", two.Members[0].Stress.Demand, 1.4*one.Members[0].Stress.Demand, 1e-9)
	racks.Near(t, "φ", two.Members[0].Stress.Capacity, .9*235, 1e-9)
	racks.Near(t, "moves", two.Moves.Most, one.Moves.Most, 1e-12)
	ask.Rule = strength.Rule{School: strength.GCase, Margin: 2}
	three := Hold(b, d, ask)
	racks.Near(t, "margin", three.Members[0].Stress.Capacity, 235/2., 1e-9)
	d.Material = "alu-6061-t6"
	four := Hold(shape.Build(d, nil), d, asked())
	racks.Near(t, "welded aluminium", four.Members[0].Stress.Capacity, 105/1.67, 1e-9)
	if strength.Worse(strength.CannotSay, four.Members[0].Weld.Verdict) || four.Verdict == strength.Holds {
		t.Errorf("%+v", four.Members[0].Weld)
	}
}

// Plates, ears and people; a longer reach and a smaller ear take more.
func TestPlatesAndPeople(t *testing.T) {
	d := arm(racks.Box40, 60)
	d.Plates = []member.Plate{{ID: "p", Name: "Foot", Member: "m", End: "a", Kind: "base", Width: 120, Height: 140, Thickness: 8,
		Holes: 4, Hole: 11, Margin: 18},
		{ID: "e", Name: "Ear", Member: "m", End: "b", Kind: "tab", Width: 50, Height: 60, Thickness: 8, Holes: 1, Hole: 13, Margin: 25}}
	h := Hold(shape.Build(d, nil), d, asked())
	by := map[string]strength.Check{}
	for _, c := range h.Checks {
		by[c.Key] = c
	}
	for _, key := range []string{"plate", "plate-edge", "ear", "ear-bend"} {
		if c := by[key]; c.Utilisation == nil || c.Working == nil || c.Demand <= 0 {
			t.Errorf("%s: %+v", key, c)
		}
	}
	for _, key := range []string{"plate-under", "plate-wrench", "plate-line", "ear-edge"} {
		if c := by[key]; c.Verdict != strength.NotNeeded { // an ear at a free end is not pressed
			t.Errorf("%s: %+v", key, c)
		}
	}
	f := h.Supports[0].Rest
	lever := math.Hypot(140./2-18-30, 120./2-18-20)
	bolt := math.Abs(f[3]) / (4 * (140./2 - 18)) // the wall's moment about x, four bolts
	racks.Near(t, "plate", by["plate"].Demand, bolt*lever*6/(min(2*lever+11, 120)*64), .05)
	d.Loads = append(d.Loads, member.Load{ID: "s", Name: "Somebody", Kind: "person", Member: "m", At: 900})
	two := Hold(shape.Build(d, nil), d, asked())
	if two.Members[0].Stress.Case != "stood on, 1 g down" || two.Carries != h.Carries {
		t.Errorf("%+v", two.Members[0].Stress)
	}
	racks.Near(t, "stepping down counts double", two.Supports[0].Worst[2]-h.Supports[0].Rest[2], 2*100*load.G, 1e-6)
}

// What is loose, unheld, unloaded or unknown is said.
func TestHoldSaysWhatIsMissing(t *testing.T) {
	d := arm(racks.Box40, 80)
	d.Supports = nil
	if h := Hold(shape.Build(d, nil), d, asked()); !strings.Contains(h.Why, "Nothing holds") || h.Verdict != strength.CannotSay {
		t.Errorf("%+v", h)
	}
	d.Supports = []member.Support{{Point: "wall", Kind: "pinned"}}
	if h := Hold(shape.Build(d, nil), d, asked()); !strings.Contains(h.Why, "loose") || !strings.Contains(h.Why, "moves freely") ||
		strings.Contains(h.Why, "\"") {
		t.Errorf("%q", h.Why)
	}
	d.Supports[0].Kind = "fixed"
	d.Loads = []member.Load{{ID: "x", Name: "Press", Kind: "device", Device: "?", Points: []string{"tip"}},
		{ID: "y", Name: "Lost", Kind: "mass", Kilos: 5, Points: []string{"?"}}}
	h := Hold(shape.Build(d, nil), d, asked())
	if h.Verdict != strength.CannotSay || !strings.Contains(fmt.Sprint(h.Findings), "Press: the device's mass") ||
		!strings.Contains(fmt.Sprint(h.Findings), "Lost acts nowhere") {
		t.Errorf("%+v", h)
	}
	d = arm(racks.Box40, 80)
	d.Points = append(d.Points, racks.Point("off", 0, 500, 300))
	d.Loads[0].Points, d.Supports = []string{"tip", "off"}, append(d.Supports, member.Support{Point: "off", Kind: "fixed"})
	h = Hold(shape.Build(d, nil), d, asked())
	if h.Verdict != strength.CannotSay || !strings.Contains(fmt.Sprint(h.Findings), "rest on off, where no member runs") ||
		!strings.Contains(fmt.Sprint(h.Findings), "held at off, but no member") {
		t.Errorf("%s %+v", h.Verdict, h.Findings)
	}
	if h := Hold(shape.Build(member.Doc{Schema: 1, Material: "steel-s235"}, nil), member.Doc{}, asked()); h.Why == "" {
		t.Error("an empty frame holds")
	}
	// Engine and road.
	d = arm(section.Sizes{Kind: "rectTube", Width: 100, Height: 100, Wall: 5}, 1)
	d.Members[0].B.Back = 0
	d.Points[1].Y = 500
	hz := Hold(shape.Build(d, nil), d, asked()).Modes[0].Hertz
	d.Shakes = member.Shakes{Idle: hz * 60 / 2, Cylinders: 4}
	if m := Hold(shape.Build(d, nil), d, asked()).Modes[0]; m.Verdict != strength.Tight || !strings.Contains(m.Says, "idle") {
		t.Errorf("%+v", m)
	}
}

// row is a rack of eight bays side by side, each on its own feet, tied along the
// front: 71 members.
func row(rnd *rand.Rand) member.Doc {
	d := rack(rnd)
	one := d
	for n := 1; n < 8; n++ {
		of := func(id string) string { return fmt.Sprint(id, "+", n) }
		for _, p := range one.Points {
			p.ID, p.Y = of(p.ID), p.Y+900*float64(n)
			d.Points = append(d.Points, p)
		}
		for _, m := range one.Members {
			m.ID, m.From, m.To = of(m.ID), of(m.From), of(m.To)
			for _, e := range []*member.End{&m.A, &m.B} {
				if e.Onto != "" {
					e.Onto = of(e.Onto)
				}
			}
			d.Members = append(d.Members, m)
		}
		for _, s := range one.Supports {
			s.Point = of(s.Point)
			d.Supports = append(d.Supports, s)
		}
		before := "f1"
		if n > 1 {
			before = fmt.Sprint("f1+", n-1)
		}
		d.Members = append(d.Members, member.Member{ID: of("tie"), From: before, To: of("f0"), Section: racks.Pipe})
	}
	return d
}

func BenchmarkRackBuiltAndHeld(b *testing.B) {
	d := row(rand.New(rand.NewPCG(1, 2)))
	gravity := solid.Vector{40, -30, 220}
	ask := asked(load.Roads[load.Rough].Cases()...)
	ask.Devices = map[string]Carried{"dev": {"Press", 185, &gravity}}
	for b.Loop() {
		h := Hold(shape.Build(d, nil), d, ask)
		if h.Why != "" || len(h.Members) != 71 {
			b.Fatal(h.Why, len(h.Members))
		}
	}
}
