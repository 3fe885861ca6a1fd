package held

import (
	"math"
	"slices"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/strength/byhand"
)

// workedOut is a mode of a frame worked by hand. The buckling load is closed in from
// below to 2 %, past ten times the loads to 10 %.
type workedOut struct {
	form         strength.Form
	key, of      string // check, and what it is asked of where that is not the first
	name, source string
	doc          member.Doc
	school       strength.School
	demand, may  float64
	within       float64
	ends         strength.Verdict
}

// sharp is a tube of 40 × 60 × 3 with sharp corners: A = 40·60 − 34·54 = 564, in height
// (40·60³ − 34·54³)/12, sideways (60·40³ − 54·34³)/12.
var sharp = section.Sizes{Kind: "rectTube", Width: 40, Height: 60, Wall: 3}

const (
	sharpArea = 40*60 - 34*54.
	sharpHigh = (40*60*60*60 - 34*54*54*54) / 12.
	sharpSide = (60*40*40*40 - 54*34*34*34) / 12.
	steelE    = 210000.
	fy        = 235.
)

// pushed is an arm of 1000 along y from a wall, with a force at its tip and no gravity.
func pushed(s section.Sizes, force [3]float64, more ...func(*member.Doc)) member.Doc {
	d := arm(s, 1)
	d.Loads = []member.Load{{ID: "f", Name: "Push", Kind: "force", Force: force, Points: []string{"tip"}}}
	for _, m := range more {
		m(&d)
	}
	return d
}

func long(mm float64) func(*member.Doc) { return func(d *member.Doc) { d.Points[1].Y = mm } }

func footed(w, h, thick float64, holes int, margin float64) func(*member.Doc) {
	return func(d *member.Doc) {
		d.Plates = []member.Plate{{ID: "p", Name: "Foot", Member: "m", End: "a", Kind: "base", Width: w, Height: h,
			Thickness: thick, Holes: holes,
			Hole: 11, Margin: margin}}
	}
}

func eared(h, thick, margin float64) func(*member.Doc) {
	return func(d *member.Doc) {
		d.Plates = []member.Plate{{ID: "e", Name: "Ear", Member: "m", End: "a", Kind: "tab", Width: 60, Height: h, Thickness: thick, Holes: 1,
			Hole: 13, Margin: margin}}
	}
}

// standing is a post on the middle of a rail held at both ends, pressed down by 1 kN.
func standing(rail, post section.Sizes) member.Doc {
	return member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{racks.Point("l", -400, 0, 0), racks.Point("m", 0, 0, 0), racks.Point("r", 400, 0, 0), racks.Point("t", 0, 0, 500)},
		Members: []member.Member{{ID: "rail", Name: "Rail", From: "l", To: "r", Section: rail},
			{ID: "post", Name: "Post", From: "m", To: "t", Section: post, A: member.End{Kind: member.Butt, Onto: "rail"}}},
		Supports: []member.Support{{Point: "l", Kind: "fixed"}, {Point: "r", Kind: "fixed"}},
		Loads:    []member.Load{{ID: "f", Name: "Push", Kind: "force", Force: [3]float64{0, 0, -1000}, Points: []string{"t"}}}}
}

func mises(sigma, tau float64) float64 { return math.Sqrt(sigma*sigma + 3*tau*tau) }

func handMembers(t *testing.T) []workedOut {
	t.Helper()
	props := func(s section.Sizes) section.Properties {
		p, err := section.Work(s)
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	const may, gcase = fy / 1.67, fy / 1.5
	down, pull := [3]float64{0, 0, -800}, [3]float64{0, 10000, 0}
	bent := 800 * 1000 * 30 / sharpHigh
	shear := 800 / (2 * 60 * 3.)
	// Pressed as a post with a free head: Euler over twice its length, about the weaker axis.
	euler := func(l float64) float64 { return math.Pi * math.Pi * steelE * sharpSide / (4 * l * l) }
	stocky, slender := euler(1000)/sharpArea, euler(2500)/sharpArea
	// Pressed and pushed upwards together.
	lean := [3]float64{0, -5000, 100}
	grows := 1 / (1 - 1.6*5000/euler(1000))
	grown := mises(5000/sharpArea+grows*100*1000*30/sharpHigh, 100/360.)
	edge := section.Sizes{Kind: "flatBar", Width: 6, Height: 60}
	first := fy * 6 * 3600 / 6.
	tall := section.Sizes{Kind: "rectTube", Width: 40, Height: 120, Wall: 3}
	tp := props(tall)
	root := math.Sqrt(tp.J * tp.Area)
	plastic := fy * max(tp.Zx, tp.Zy)
	lp, lr := .13*steelE*root*min(tp.Rx, tp.Ry)/plastic, 2*steelE*root*min(tp.Rx, tp.Ry)/(.7*fy*max(tp.Sx, tp.Sy))
	line := plastic - (plastic-.7*fy*max(tp.Sx, tp.Sy))*(2000-lp)/(lr-lp)
	thin := section.Sizes{Kind: "rectTube", Width: 100, Height: 100, Wall: 1.2}
	thinArea, slim := 100*100-97.6*97.6, (100-3.6)/1.2
	lambda := math.Sqrt(fy / (4 * math.Pi * math.Pi * steelE / (12 * .91 * slim * slim)))
	share := 1 - 4*96.4*1.2/thinArea*(1-(1-.22/lambda)/lambda)
	round := section.Sizes{Kind: "roundTube", Diameter: 100, Wall: .8}
	channel := section.Sizes{Kind: "channel", Depth: 100, FlangeWidth: 50, Web: 6, Flange: 8.5}
	cp := props(channel)
	const b, h = 47., 91.5 // middle lines
	e := 3 * b * b * 8.5 / (6*b*8.5 + h*6)
	warping := 8.5 * b * b * b * h * h / 12 * (3*b*8.5 + 2*h*6) / (6*b*8.5 + h*6)
	torque := 500*(e-3+cp.CentroidX) + 500*math.Abs(25-cp.CentroidX)
	decay := math.Sqrt(steelE * warping / (steelE / 2.6 * cp.J))
	warp := torque * decay * math.Tanh(1000/(2*decay)) * max((b-e)*h/2, e*h/2) / warping
	twisted := mises(500*1000/cp.Sx+warp, torque*8.5/cp.J+500/600.)
	leg := section.Sizes{Kind: "angle", LegVertical: 60, LegHorizontal: 60, Thickness: 6}
	seam := 60*60*60/6. + 2*40*30*30                    // of the outline, in height
	thinThroat := .75 * 3 * math.Sqrt2 / 2 * 414 / 2.55 // AISI J2.4 on a wall of 3, which is less than 0.3·414 and 0.75·3·360/3.05
	onWall := 1000 / (2*40 + 2*(10/20.)*40/1.)          // a post of 40 on a face of 60, wall 3: be = 10/(B/t)·Bb, half of Bb at most
	fold := 800 * 1000 * 30 / seam
	post, rail := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3},
		section.Sizes{Kind: "rectTube", Width: 60, Height: 60, Wall: 3}
	beta := 2 / 3.
	wall := min(fy*9*(2*beta/(1-beta)+4/math.Sqrt(1-beta))/1.5, .6*fy*3*60*(2*beta+2*min(5*beta/10, beta))/1.58)
	pipe60, pipe40 := section.Sizes{Kind: "roundTube", Diameter: 60, Wall: 3}, section.Sizes{Kind: "roundTube", Diameter: 40, Wall: 3}
	used := 1000 * 800 / 8. / (math.Pi * (math.Pow(60, 4) - math.Pow(54, 4)) / 64 / 30) / fy
	qf := 1 - .3*used*(1+used)
	wallRound := fy * 9 * qf * (3.1 + 15.6*beta*beta) * math.Pow(10, .2) / 1.67
	// Base plates of 140 × 160: holes at 52 and 62, 32 past both faces of the tube.
	lever := math.Hypot(32, 32)
	onOne := 800 * 1000 / (4 * 62.)
	allow := strength.Allowable
	whole, end, plate, ear := strength.MemberForm, strength.MemberEnd, strength.BasePlate, strength.EarPlate
	return []workedOut{
		{whole, "stress", "", "800 N down, 1 m out", "beam theory, von Mises; AISC 360 F, Ω 1.67", pushed(sharp, down), allow, mises(bent, shear), may, 0, ""},
		{whole, "stress", "", "10 kN pull up to yield", "N/A; yield over 1.5", pushed(sharp, pull), strength.GCase, 10000 / sharpArea, gcase, 0, ""},
		{whole, "column", "", "5 kN on a post of 1 m with a free head", "Euler at twice its length; AISC 360 E3, 0.658^(Fy/Fe); Ω 1.67", pushed(sharp, [3]float64{0, -5000, 0}), allow, 5000 / sharpArea / (math.Pow(.658, fy/stocky) * fy / 1.67), 1, .05, ""},
		{whole, "column", "", "1 kN on one of 2.5 m", "AISC 360 E3, 0.877·Fe; Ω 1.67", pushed(sharp, [3]float64{0, -1000, 0}, long(2500)), allow, 1000 / sharpArea / (.877 * slender / 1.67), 1, .1, ""},
		{whole, "order", "", "5 kN pressed and 100 N up", "AISC 360 appendix 8: 1/(1 − 1.6·P/Pe)", pushed(sharp, lean), allow, grown, may, .02, ""},
		{whole, "order", "", "pulled", "it does not buckle", pushed(sharp, pull), allow, 0, 0, 0, strength.NotNeeded},
		{whole, "lateral", "", "flat bar on edge, 1 m", "AISC 360 F11.2, between; Ω 1.67", pushed(edge, [3]float64{0, 0, -100}), allow, 100 * 1000 / ((1.52 - .274*(1000*60/36.)*fy/steelE) * first / 1.67), 1, 0, ""},
		{whole, "lateral", "", "flat bar on edge, 2 m", "AISC 360 F11.2, elastic; Ω 1.67", pushed(edge, [3]float64{0, 0, -30}, long(2000)), allow, 30 * 2000 / (1.9 * steelE / (2000 * 60 / 36.) * 3600 / 1.67), 1, 0, ""},
		{whole, "lateral", "", "tube three times as high as wide, 2 m", "AISC 360 F7.4, between Lp and Lr; Ω 1.67", pushed(tall, [3]float64{0, 0, -400}, long(2000)), allow, 400 * 2000 / (line / 1.67), 1, 0, ""},
		{whole, "local", "", "tube of 100 with a wall of 1.2, bent", "AISI S100 appendix 1, effective widths; Ω 1.67", pushed(thin, down), allow, 800 * 1000 * 50 / ((math.Pow(100, 4) - math.Pow(97.6, 4)) / 12), share * may, 0, ""},
		{whole, "local", "", "pipe of 100 with a wall of 0.8, pressed by 2 kN", "AISC 360 E7.2: 0.038·E/(Fy·D/t) + 2/3; Ω 1.67", pushed(round, [3]float64{0, -2000, 0}), allow, 2000 / (math.Pi / 4 * (10000 - 98.4*98.4)), (.038*steelE/(fy*125) + 2/3.) * may, 0, ""},
		{whole, "torsion", "", "channel loaded beside its shear centre", "Vlasov, both ends held from warping; AISC Design Guide 9", pushed(channel, [3]float64{0, 0, -500}), allow, twisted, may, 1e-4, ""},
		{whole, "torsion", "", "angle pulled: nothing twists it", "statics", pushed(leg, pull), allow, 0, 0, 0, strength.NotNeeded},
		{whole, "splice", "", "200 from the wall: the worst station within a ninth is at 100", "practice: half of the member counts", pushed(sharp, down, func(d *member.Doc) { d.Members[0].Splice = &member.Splice{At: 200} }), allow, mises(.9*bent, shear), may / 2, 0, ""},
		{whole, "splice", "", "one piece", "nothing is spliced", pushed(sharp, down), allow, 0, 0, 0, strength.NotNeeded},
		{end, "weld", "", "800 N down, fillets of 3", "elastic line; AISI S100 J2.4 on a wall of 3, 60 ksi weld metal; Ω 2.55", pushed(sharp, down), allow, math.Hypot(fold, 800/200.), thinThroat, 0, strength.Tight},
		{end, "weld", "", "10 kN pull up to yield", "N/l; welds keep their own factors, Ω 2.55", pushed(sharp, pull), strength.GCase, 50, thinThroat, 0, ""},
		{end, "weld", "", "10 kN pull, 70 ksi named", "N/l; the wall yields in shear beside it first, 0.6·Fy, Ω 1.5", pushed(sharp, pull, laidOf("e70")), allow, 50, .6 * fy * 3 / 1.5, 0, ""},
		{end, "weld", "", "aluminium by a filler of steel", "it is not laid on it", pushed(sharp, pull, light("e70")), allow, 50, .6 * 105 / 1.65 * 3, 0, strength.CannotSay},
		{end, "weld", "", "aluminium by 5356", "softened: 0.6·105 on the wall, Ω 1.65", pushed(sharp, pull, light("er5356")), allow, 50, .6 * 105 / 1.65 * 3, 0, ""},
		{end, "weld", "post", "post of 40 on a rail of 60", "AISC 360 K5: 2·Hb + 2·be; AISI S100 J2.4", standing(rail, post), allow, onWall, thinThroat, 0, ""},
		{end, "chord", "post", "post of 40 on a rail of 60", "AISC 360 K3.2: the wall yields or is punched; Ω 1.5, 1.58", standing(rail, post), allow, 1000 / wall, 1, 1e-4, ""},
		{end, "chord", "post", "pipe of 40 on a pipe of 60", "AISC 360 K3.1 with Qf of the rail's bending; Ω 1.67", standing(pipe60, pipe40), allow, 1000 / wallRound, 1, .001, ""},
		{plate, "plate", "p", "800 N down on four bolts", "cantilever strip at 45°; Ω 1.67", pushed(sharp, down, footed(140, 160, 10, 4, 18)), allow, onOne * lever * 6 / (min(2*lever+11, 140) * 100), may, 0, ""},
		{plate, "plate", "p", "10 kN pull up to yield", "the same; yield over 1.5", pushed(sharp, pull, footed(140, 160, 10, 4, 18)), strength.GCase, 2500 * lever * 6 / (min(2*lever+11, 140) * 100), gcase, 0, ""},
		{plate, "plate-under", "p", "holes at 21 under a tube of 100", "geometry", pushed(section.Sizes{Kind: "rectTube", Width: 100, Height: 100, Wall: 4}, down, footed(120, 120, 10, 4, 18)), allow, 0, 0, 0, strength.Over},
		{plate, "plate-under", "p", "holes 32 past it", "geometry", pushed(sharp, down, footed(140, 160, 10, 4, 18)), allow, 0, 0, 0, strength.NotNeeded},
		{plate, "plate-wrench", "p", "M10 5 past both faces, fillets of 3", "heads 1.85 d over corners, and the leg", pushed(sharp, down, footed(80, 100, 10, 4, 15)), allow, 9.25 + 3, math.Hypot(5, 5), 0, strength.Over},
		{plate, "plate-wrench", "p", "M10 32 past both", "geometry", pushed(sharp, down, footed(140, 160, 10, 4, 18)), allow, 0, 0, 0, strength.NotNeeded},
		{plate, "plate-line", "p", "two bolts in a line, bent across it", "statics: Σy² = 0", pushed(sharp, down, footed(160, 160, 10, 2, 20)), allow, 800 * 1000, 0, 0, strength.Over},
		{plate, "plate-line", "p", "four bolts", "statics", pushed(sharp, down, footed(140, 160, 10, 4, 18)), allow, 0, 0, 0, strength.NotNeeded},
		{plate, "plate-edge", "p", "200 N on each, 12.5 to the edge", "AISC 360 J3.10: 1.2·lc·t·Fu; Ω 2", pushed(sharp, down, footed(140, 160, 10, 4, 18)), allow, 200, 1.2 * 12.5 * 10 * 360 / 2, 0, ""},
		{plate, "plate-edge", "p", "far from the edge: crushed", "AISC 360 J3.10: 2.4·d·t·Fu; Ω 2", pushed(sharp, down, footed(180, 200, 10, 4, 38)), allow, 200, 2.4 * 10 * 10 * 360 / 2, 0, ""},
		{ear, "ear", "e", "10 kN pull, 13.5 to the edge: crushed by M12", "AISC 360 J7: 1.8·Fy·d·t; Ω 2", pushed(sharp, pull, eared(50, 10, 20)), allow, 10000, 1.8 * fy * 12 * 10 / 2, 0, ""},
		{ear, "ear", "e", "8.5 to the edge: torn out", "AISC 360 J3.10; Ω 2", pushed(sharp, pull, eared(50, 10, 15)), allow, 10000, 1.2 * 8.5 * 10 * 360 / 2, 0, ""},
		{ear, "ear-bend", "e", "10 kN pull", "N/(w·t); Ω 1.67", pushed(sharp, pull, eared(50, 10, 20)), allow, 10000 / 600., may, 0, ""},
		{ear, "ear-bend", "e", "100 N down 1 m out: its thin way", "6·(V·h + M)/(w·t²); Ω 1.67", pushed(sharp, [3]float64{0, 0, -100}, eared(50, 10, 20)), allow, (100*1000 + 100*30) / (60 * 100 / 6.), may, 0, ""},
		{ear, "ear-edge", "e", "5 kN pressed, stands out 50 of 10", "AISC 360 E3, λ = 2·h·√12/t; Ω 1.67", pushed(sharp, [3]float64{0, -5000, 0}, eared(50, 10, 20)), allow, 5000 / 600., e3(fy, math.Pi*math.Pi*steelE/math.Pow(10*math.Sqrt(12), 2)) / 1.67, 0, ""},
		{ear, "ear-edge", "e", "100 of 4: slender", "AISC 360 E3, 0.877·Fe; Ω 1.67", pushed(sharp, [3]float64{0, -5000, 0}, eared(100, 4, 20)), allow, 5000 / 240., .877 * math.Pi * math.Pi * steelE / math.Pow(50*math.Sqrt(12), 2) / 1.67, 0, ""},
		{strength.FrameForm, "modes", "", "a massless arm that swings", "frequencies carry nothing: TestHertzByHand", pushed(sharp, down), allow, 0, 0, 0, strength.NotNeeded},
		{strength.FrameForm, "modes", "", "the same with a foot", "frequencies carry nothing: TestHertzByHand", pushed(sharp, pull, footed(140, 160, 10, 4, 18)), allow, 0, 0, 0, strength.NotNeeded},
	}
}

// Every mode of a frame is what it is by hand, in two cases or more.
func TestModesByHand(t *testing.T) {
	seen := byhand.Seen{}
	for _, h := range handMembers(t) {
		ask := asked(load.Case{Name: "no gravity"})
		ask.Rule.School = h.school
		held := Hold(shape.Build(h.doc, nil), h.doc, ask)
		i := slices.IndexFunc(held.Ledger, func(c strength.Check) bool { return c.Key == h.key && (h.of == "" || c.Feature == h.of) })
		if i < 0 {
			t.Errorf("%s, %s: there is no such check (%s)", h.key, h.name, held.Why)
			continue
		}
		byhand.Case{Name: h.name, Source: h.source, Demand: h.demand, May: h.may, Within: h.within, Ends: h.ends}.Check(t,
			h.key+", "+h.name, held.Ledger[i])
		seen.Add(h.form, h.key)
	}
	seen.Twice(t, strength.MemberForm, strength.MemberEnd, strength.BasePlate, strength.EarPlate, strength.FrameForm)
}

// A mass at the end of an arm swings at √(3·E·I/(L³·m))/2π about the weaker axis, with
// 33/140 of the arm's own mass; one in the middle of an arm held at both ends at
// √(192·E·I/(L³·m))/2π with 13/35 of it (Rayleigh).
func TestHertzByHand(t *testing.T) {
	own := sharpArea * 7850e-9 * 1000
	d := arm(sharp, 200)
	racks.Near(t, "free end", Hold(shape.Build(d, nil), d, asked()).Modes[0].Hertz,
		math.Sqrt(3*steelE*sharpSide/1e9/((200+own*33/140)/1000))/(2*math.Pi),
		.01)
	d.Points = append(d.Points, racks.Point("far", 0, 1000, 0))
	d.Points[1].Y = 500
	d.Members = append(d.Members, member.Member{ID: "n", Name: "Other half", From: "tip", To: "far", Section: sharp})
	d.Supports = append(d.Supports, member.Support{Point: "far", Kind: "fixed"})
	racks.Near(t, "between two walls", Hold(shape.Build(d, nil), d, asked()).Modes[0].Hertz,
		math.Sqrt(192*steelE*sharpSide/1e9/((200+own*13/35)/1000))/(2*math.Pi), .1)
}

// laidOf names the weld metal of a frame; light makes it of aluminium besides.
func laidOf(key string) func(*member.Doc) { return func(d *member.Doc) { d.Filler = key } }

func light(key string) func(*member.Doc) {
	return func(d *member.Doc) { d.Material, d.Filler = "alu-6061-t6", key }
}
