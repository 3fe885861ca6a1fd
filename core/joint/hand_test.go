package joint

import (
	"math"
	"slices"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/strength/byhand"
)

// handCase is a mode of a joint worked by hand.
type handCase struct {
	forms  []strength.Form
	key    string // of the check; a number at its end is the ply
	name   string
	source string
	in     Input
	demand float64
	may    float64
	ends   strength.Verdict
}

// Materials of the table, MPa: S235 235/360, 304 205/515, cold-rolled 205/330, 6061-T6
// 240/290. M8: stress area π/4·(8 − 0.9382·1.25)², root π/4·(8 − 1.2269·1.25)²; M10
// with 1.5 likewise. 8.8: proof 580, tensile 800; 10.9: 830, 1040; A2-70: 450, 700.
const (
	s235, s235y = 360., 235.
	inox        = 515.
	cold        = 330.
	proof88     = 580.
	tensile88   = 800.
)

func circle(d float64) float64 { return math.Pi / 4 * d * d }

func stressArea(d, p float64) float64 { return circle(d - .9382*p) }

func rootArea(d, p float64) float64 { return circle(d - 1.2269*p) }

// stacked is plies of one metal, 25 to their edge, 200 wide both ways, stiff.
func stacked(nut Nut, size, grade, metal string, hole float64, holes [][2]float64, thick ...float64) Input {
	in := Input{System: stock.Metric, Size: size, Grade: grade, Nut: nut, Washers: 2, Holes: holes,
		Tighten: Tightening{Lubrication: Oiled, Locking: MetalLock}, Strength: strength.Rule{School: strength.Allowable}}
	for i, t := range thick {
		in.Plies = append(in.Plies, Ply{Name: []string{"first", "second", "third"}[i], Material: metal, Thickness: t, Hole: hole, Edge: 25,
			Wide: [2]float64{200, 200}, Stiff: true})
	}
	return in
}

// square is four holes, row two, lone one.
var (
	square = [][2]float64{{0, 0}, {100, 0}, {100, 80}, {0, 80}}
	row    = [][2]float64{{0, 0}, {60, 0}}
	lone   = [][2]float64{{0, 0}}
)

// under puts one case on a joint, worked out already so that no school factors it.
func under(in Input, force, at [3]float64, more ...func(*Input)) Input {
	in.Cases = []Case{{Name: "x", Force: force, At: at, Done: true}}
	in.Plies = slices.Clone(in.Plies)
	for _, m := range more {
		m(&in)
	}
	return in
}

func school(s strength.School) func(*Input) { return func(in *Input) { in.Strength.School = s } }

var boltForms = []strength.Form{strength.BoltedForm}

// captives are the same bolts with their nuts fast in the last ply.
var captives = map[Nut]strength.Form{Tapped: strength.TappedForm, RivetNut: strength.InsertForm, SlotNut: strength.TrackForm}

// handBolts are bolts themselves, once with each kind of nut.
func handBolts() (out []handCase) {
	mid := [3]float64{50, 40, 0}
	for _, nut := range []Nut{Hex, Tapped, RivetNut, SlotNut} {
		forms := boltForms
		if f, ok := captives[nut]; ok {
			forms = []strength.Form{f}
		}
		in := func(size string, holes [][2]float64) Input {
			return stacked(nut, size, "8.8", "steel-s235", 11, holes, 6, 12)
		}
		add := func(key, name, source string, in Input, demand, may float64, ends ...strength.Verdict) {
			h := handCase{forms: forms, key: key, name: name, source: source, in: in, demand: demand, may: may}
			if len(ends) > 0 {
				h.ends = ends[0]
			}
			out = append(out, h)
		}
		// Thread in the plane: the screws of these short stacks are threaded to the head.
		v10, t10 := .6*tensile88*rootArea(10, 1.5), min(.75*tensile88*circle(10), tensile88*stressArea(10, 1.5))
		add("shear", "8 kN on four M10 8.8", "AISC 360 J3.6, 0.6·Fu on the root where 0.45·Fu·Ab is more; Ω 2",
			under(in("M10", square), [3]float64{8000, 0, 0}, mid), 2000, v10/2)
		add("shear", "two M10 turned by 3 kN, 40 beside their middle",
			"elastic vector method: 1500 and 120 000·30/(2·30²) up on the far one; φ 0.75",
			under(in("M10", row), [3]float64{0, 3000, 0}, [3]float64{70, 0, 0}, school(strength.Factored)), 1500+120000*30/(2*900.), .75*v10)
		add("tension", "12 kN on four M10 8.8", "AISC 360 J3.6; Ω 2", under(in("M10", square), [3]float64{0, 0, 12000}, mid), 3000, t10/2)
		add("tension", "12 kN on four M10, up to proof", "proof stress on the stress area over 1.5",
			under(in("M10", square), [3]float64{0, 0, 12000}, mid, school(strength.GCase)), 3000, proof88*stressArea(10, 1.5)/1.5)
		add("combined", "8 kN and 12 kN on four M10", "AISC 360 J3.7: (T/Ta + V/Va)/1.3, no less than either alone",
			under(in("M10", square), [3]float64{8000, 0, 12000}, mid), max(3000/(t10/2), 2000/(v10/2), (3000/(t10/2)+2000/(v10/2))/1.3), 1)
		vy := .577 * proof88 * stressArea(10, 1.5) / 1.5
		add("combined", "the same up to proof", "ellipse, 0.577 of proof in shear on the stress area",
			under(in("M10", square), [3]float64{8000, 0, 12000}, mid, school(strength.GCase)),
			math.Hypot(3000/(proof88*stressArea(10, 1.5)/1.5), 2000/vy), 1)
		noEdge := func(in *Input) { in.Plies[0].Edge, in.Plies[1].Edge = 0, 0 }
		add("moment", "one M10 bent by 500 N, 100 off its face", "statics: nothing backs the plies where their edges are not known",
			under(in("M10", lone), [3]float64{0, -500, 0}, [3]float64{0, 0, 100}, noEdge), 0, 0, strength.CannotSay)
		add("moment", "a row of two bent across itself", "statics: a row holds no moment about itself",
			under(in("M10", row), [3]float64{0, -500, 0}, [3]float64{30, 0, 100}, noEdge), 0, 0, strength.CannotSay)
		out[len(out)-1].in.Plies[0].Pull = 0
	}
	// Slip: 0.7·0.75·proof·As is the least preload; a slot nut's track takes 0.3 of it.
	least := .7 * .75 * proof88 * stressArea(10, 1.5)
	zero := 0.
	slotted := func(in *Input) { in.Plies[0].Slotted, in.Plies[0].Way = true, &zero }
	for _, nut := range []Nut{Hex, Tapped} {
		forms := boltForms
		if f, ok := captives[nut]; ok {
			forms = []strength.Form{f}
		}
		in := stacked(nut, "M10", "8.8", "steel-s235", 11, square, 6, 14)
		out = append(out,
			handCase{forms, "slip", "4 kN along the slots of four M10", "AISC 360 J3.8: μ·T, Ω 2.14 along a slot; μ 0.2 practice",
				under(in, [3]float64{4000, 0, 0}, mid, slotted), 1000, .2 * least / 2.14, ""},
			handCase{forms, "slip", "must not slip, pulled by 8 kN, loads factored", "AISC 360 J3.8, J3.9: 1 − T/T0; φ 1",
				under(in, [3]float64{4000, 0, 8000}, mid, school(strength.Factored), func(in *Input) { in.NoSlip = true }), 1000,
				.2 * least * (1 - 2000/least), ""})
	}
	return out
}

// handNuts are threads, inserts and tracks letting go.
func handNuts() (out []handCase) {
	pull := [3]float64{100, 0, 4000}
	mid := [3]float64{50, 40, 0}
	tapped := []strength.Form{strength.TappedForm}
	in := stacked(Tapped, "M8", "8.8", "steel-s235", 9, square, 6, 8)
	// FED-STD-H28: the nut's thread shears at the bolt's major diameter, π·d·0.875 for
	// every mm (half the pitch and 0.6495·P/√3 of it), at half its tensile strength.
	out = append(out, handCase{tapped, "strip", "M8 8.8 in 8 mm of S235", "FED-STD-H28/2: the plate's thread goes first; Ω 2",
		under(in, pull, mid), 1000, .5 * s235 * math.Pi * 8 * (.5 + .649519/math.Sqrt(3)) * 8 / 2, ""})
	// In stainless the screw's own thread goes first, at the nut's minor diameter.
	in = stacked(Tapped, "M8", "A2-70", "stainless-304", 9, square, 6, 8)
	d1 := 8 - 1.082532*1.25
	out = append(out, handCase{tapped, "strip", "A2-70 in 8 mm of 304", "FED-STD-H28/2: the screw's thread goes first; Ω 2",
		under(in, pull, mid), 1000, .5 * 700 * math.Pi * d1 * (.5 + .433013/math.Sqrt(3)) * 8 / 2, ""})
	insert, track := []strength.Form{strength.InsertForm}, []strength.Form{strength.TrackForm}
	for size, typical := range map[string]float64{"M6": 7500, "M8": 12000} {
		d := map[string]float64{"M6": 6, "M8": 8}[size]
		in := stacked(RivetNut, size, "8.8", "steel-cold", d+1, square, 2, 2)
		out = append(out, handCase{insert, "insert", size + " rivet nut", "typical pull-out; AISI S100 J4.4 Ω 3",
			under(in, pull, mid), 1000, typical / 3, ""},
			handCase{insert, "push", size + " rivet nut through 2 mm", "shear round a body of 1.4 d, 0.6·Fu; Ω 3", under(in, pull, mid), 1000,
				.6 * cold * math.Pi * 1.4 * d * 2 / 3, ""})
	}
	for size, typical := range map[string][2]float64{"M8": {8000, 3000}, "M10": {12000, 5000}} {
		d := map[string]float64{"M8": 8, "M10": 10}[size]
		in := stacked(SlotNut, size, "8.8", "steel-s235", d+1, square, 3, 3)
		out = append(out, handCase{track, "insert", size + " slot nut", "typical pull-out of a track; Ω 3", under(in, pull, mid),
			1000, typical[0] / 3, ""},
			handCase{track, "slot-slip", size + " slot nut along its track", "typical slip, all shear along the track; Ω 3",
				under(in, [3]float64{1200, 1600, 0}, mid), 500, typical[1] / 3, ""})
	}
	// A turn about one bolt is held by its washer's ring, a third of its width about it.
	for nut, f := range map[Nut]strength.Form{RivetNut: strength.InsertForm, SlotNut: strength.TrackForm} {
		for _, size := range []string{"M8", "M10"} {
			d := map[string]float64{"M8": 8, "M10": 10}[size]
			p := map[string]float64{"M8": 1.25, "M10": 1.5}[size]
			in := under(stacked(nut, size, "8.8", "steel-s235", d+1, square, 6, 6), [3]float64{2000, 0, 0}, mid,
				func(in *Input) { in.NoSlip = true })
			share := 1.
			if nut == SlotNut {
				share = trackShare
			}
			t := .16 * d * .75 * proof88 * stressArea(d, p) // N·mm, oiled
			if most, ok := insertTorque[size]; ok && nut == RivetNut {
				share = min(1, most/t)
			}
			out = append(out, handCase{[]strength.Form{f}, "slip", size + ", must not slip",
				"AISC 360 J3.8 in round holes, Ω 1.5; preload lowered to what the nut stands", in, 500,
				.2 * .7 * .75 * proof88 * stressArea(d, p) * share / 1.5, ""})
		}
	}
	return out
}

// handPins are pins and their ears.
func handPins() (out []handCase) {
	form, ear := []strength.Form{strength.PinForm}, []strength.Form{strength.PinnedPly}
	three := func(in *Input) { in.Double, in.Washers = true, 0 }
	plain := func(in *Input) { in.Washers = 0 }
	pull := [3]float64{10000, 0, 0}
	double := stacked(Pin, "M12", "8.8", "steel-s235", 12.5, lone, 5, 8, 5)
	single := stacked(Pin, "M12", "8.8", "steel-s235", 12.5, lone, 10, 8)
	shank := .563 * tensile88 * circle(12)
	out = append(out,
		handCase{form, "shear", "two planes", "AISC 360 J3.6, 0.563·Fu on the shank; Ω 2",
			under(double, pull, [3]float64{}, three), 5000, shank / 2, ""},
		handCase{form, "shear", "one plane, factored", "AISC 360 J3.6; φ 0.75",
			under(single, pull, [3]float64{}, plain, school(strength.Factored)), 10000, .75 * shank, ""},
		handCase{form, "pin-bent", "between three ears", "M = P/2·(8/4 + 5/2); AISC 360 F11, 1.6·S; Ω 1.67",
			under(double, pull, [3]float64{}, three), 5000 * 4.5, proof88 * 1.6 * math.Pi * 1728 / 32 / 1.67, ""},
		handCase{form, "pin-bent", "between two ears, factored", "M = P·(10 + 8)/4; φ 0.9",
			under(single, pull, [3]float64{}, plain, school(strength.Factored)), 10000 * 4.5, .9 * proof88 * 1.6 * math.Pi * 1728 / 32, ""},
		handCase{form, "pin-pull", "pulled along itself", "a pin has no head that holds",
			under(single, [3]float64{5000, 0, 800}, [3]float64{}, plain), 0, 0, strength.CannotSay},
		handCase{form, "pin-pull", "nothing pulls along it", "statics", under(single, pull, [3]float64{}, plain), 0, 0, strength.NotNeeded},
		handCase{form, "moment", "turned by 500 N, 60 beside it", "statics: a plain pin turns",
			under(single, [3]float64{0, -500, 0}, [3]float64{60, 0, 0}, plain), 30000, 0, strength.Over},
		handCase{form, "moment", "through its middle", "statics", under(single, pull, [3]float64{}, plain), 0, 0, strength.NotNeeded},
		handCase{ear, "bearing-1", "8 mm ear", "AISC 360 J7: 1.8·Fy·d·t; Ω 2", under(double, pull, [3]float64{}, three), 10000,
			1.8 * s235y * 12 * 8 / 2, ""},
		handCase{ear, "bearing-0", "5 mm ear takes half, up to yield", "bearing yield 1.5·d·t·Fy over 1.5",
			under(double, pull, [3]float64{}, three, school(strength.GCase)), 5000, 12 * 5 * s235y, ""},
		handCase{ear, "tear-1", "18.75 to the edge", "AISC 360 J3.10: 1.2·lc·t·Fu; Ω 2", under(double, pull, [3]float64{}, three), 10000,
			1.2 * 18.75 * 8 * s235 / 2, ""},
		handCase{ear, "tear-0", "factored", "AISC 360 J3.10; φ 0.75", under(double, pull, [3]float64{}, three, school(strength.Factored)), 5000,
			.75 * 1.2 * 18.75 * 5 * s235, ""},
		handCase{ear, "ear-1", "8 mm: shear behind the hole", "AISC 360 D5.1: 0.6·Fu·2t·(a + d/2); Ω 2", under(double, pull, [3]float64{}, three),
			10000, .6 * s235 * 16 * (18.75 + 6) / 2, ""},
		handCase{ear, "ear-0", "2 mm: tension across it, be = 2·2 + 16 no more than 18.75", "AISC 360 D5.1: 2·t·be·Fu; Ω 2",
			under(stacked(Pin, "M12", "8.8", "steel-s235", 12.5, lone, 2, 8), [3]float64{3000, 0, 0}, [3]float64{}, plain), 3000,
			min(s235*4*18.75, .6*s235*4*24.75) / 2, ""},
		handCase{ear, "dish-0", "2 mm stands out 18.75, over four times its thickness", "ASME BTH-1 3-3.3.1: Fy·2t·4t; Ω 1.67",
			under(stacked(Pin, "M12", "8.8", "steel-s235", 12.5, lone, 2, 8), [3]float64{3000, 0, 0}, [3]float64{}, plain), 3000,
			s235y * 4 * 8 / 1.67, ""},
		handCase{ear, "dish-1", "8 mm is stout", "ASME BTH-1 3-3.3.1: 18.75 ≤ 4·8", under(double, pull, [3]float64{}, three),
			0, 0, strength.NotNeeded},
		handCase{ear, "spacing-0", "two pins 30 apart", "AISC 360 J3.3: 2⅔·12 = 32",
			under(stacked(Pin, "M12", "8.8", "steel-s235", 12.5, [][2]float64{{0, 0}, {30, 0}}, 10, 8), pull, [3]float64{15, 0, 0}, plain), 32, 30,
			strength.Over},
		handCase{ear, "spacing-0", "two pins 33 apart", "AISC 360 J3.3: 2⅔·12 = 32",
			under(stacked(Pin, "M12", "8.8", "steel-s235", 12.5, [][2]float64{{0, 0}, {33, 0}}, 10, 8), pull, [3]float64{16.5, 0, 0}, plain),
			0, 0, strength.NotNeeded})
	return out
}

// handScrews are self-drilling screws and blind rivets with their sheets.
func handScrews() (out []handCase) {
	form, sheet := []strength.Form{strength.ScrewForm}, []strength.Form{strength.ScrewedPly}
	plain := func(in *Input) { in.Washers = 0 }
	mid := [3]float64{30, 0, 0}
	m6 := stacked(Screw, "M6", "8.8", "steel-cold", 6, row, 1.5, 2)
	thin := stacked(Screw, "M6", "8.8", "steel-cold", 6, row, 1, 1.2)
	tilts := 4.2 * math.Sqrt(1.2*1.2*1.2*6) * cold
	m5 := stacked(Screw, "M5", "8.8", "steel-cold", 5, row, 2, 2)
	load := [3]float64{600, 0, 400}
	sum := 300/(10500/3.) + 200/(15500/3.)
	tilt := 4.2 * math.Sqrt(8*5) * cold // t2 = 2, d = 5
	at3 := min(4.2*math.Sqrt(8*6)*cold, 2.7*1.5*6*cold)
	bear3 := 2.7 * 1.5 * 6 * cold
	out = append(out,
		handCase{form, "shear", "two M6", "typical 10.5 kN; AISI S100 J4.3.2 Ω 3", under(m6, load, mid, plain), 300, 10500 / 3., ""},
		handCase{form, "shear", "two M5, factored", "typical 6.5 kN; φ 0.5", under(m5, load, mid, plain, school(strength.Factored)), 300, 3250,
			""},
		handCase{form, "tension", "two M6", "typical 15.5 kN; AISI S100 J4.4.3 Ω 3", under(m6, load, mid, plain), 200, 15500 / 3., ""},
		handCase{form, "tension", "two M5, factored", "typical 9 kN; φ 0.5", under(m5, load, mid, plain, school(strength.Factored)), 200, 4500,
			""},
		handCase{form, "combined", "two M6", "AISI S100 J4.5.3: (V/Va + T/Ta)/1.3", under(m6, load, mid, plain), sum / 1.3, 1, ""},
		handCase{form, "combined", "two M5, factored", "AISI S100 J4.5.3", under(m5, load, mid, plain, school(strength.Factored)),
			(300/3250. + 200/4500.) / 1.3, 1, ""},
		handCase{form, "moment", "one M6 turned by 300 N, 50 beside it", "statics: one screw turns",
			under(stacked(Screw, "M6", "8.8", "steel-cold", 6, lone, 1.5, 2), [3]float64{0, 300, 0}, [3]float64{50, 0, 0}, plain),
			15000, 0, strength.Over},
		handCase{form, "moment", "two hold it", "statics", under(m6, [3]float64{0, 300, 0}, [3]float64{50, 0, 0}, plain),
			0, 0, strength.NotNeeded},
		handCase{form, "tilt", "equal sheets of 2 mm, M5", "AISI S100 J4.3.1: 4.2·√(t2³·d)·Fu2; Ω 3", under(m5, load, mid, plain), 300,
			min(tilt, 2.7*2*5*cold) / 3, ""},
		handCase{form, "tilt", "1.5 on 2 mm, M6: t2/t1 = 4/3", "AISI S100 J4.3.1, a straight line from t2 = t1 to 2.5·t1; Ω 3",
			under(m6, load, mid, plain), 300, (at3 + (bear3-at3)*(4./3-1)/1.5) / 3, ""},
		handCase{form, "tilt", "1 on 1.2 mm, M6 tilts: t2/t1 = 1.2", "AISI S100 J4.3.1, two fifteenths of the way to bearing; Ω 3",
			under(thin, load, mid, plain), 300, (tilts + (2.7*6*cold-tilts)*.2/1.5) / 3, ""},
		handCase{form, "pull-out", "M6 out of 2 mm", "AISI S100 J4.4.1: 0.85·t2·d·Fu2; Ω 3", under(m6, load, mid, plain), 200,
			.85 * 2 * 6 * cold / 3, ""},
		handCase{form, "pull-out", "M5 out of 2 mm, factored", "AISI S100 J4.4.1; φ 0.5", under(m5, load, mid, plain, school(strength.Factored)),
			200, .5 * .85 * 2 * 5 * cold, ""},
		handCase{sheet, "tear-0", "1.5 mm, 25 to the edge, no hole drilled before", "AISI S100 J6.1: 0.6·Fu·2·lc·t; Ω 2.22",
			under(m6, load, mid, plain), 300, 1.2 * 22 * 1.5 * cold / 2.22, ""},
		handCase{sheet, "tear-1", "2 mm, factored", "AISI S100 J6.1; φ 0.65", under(m5, load, mid, plain, school(strength.Factored)), 300,
			.65 * 1.2 * 22.5 * 2 * cold, ""},
		handCase{sheet, "spacing-0", "M6 at 15", "AISI S100 J4.1: 3·d = 18",
			under(stacked(Screw, "M6", "8.8", "steel-cold", 6, [][2]float64{{0, 0}, {15, 0}}, 1.5, 2), load, [3]float64{7.5, 0, 0}, plain), 18, 15,
			strength.Over},
		handCase{sheet, "spacing-0", "M6 at 60", "AISI S100 J4.1", under(m6, load, mid, plain), 0, 0, strength.NotNeeded},
		handCase{sheet, "net-0", "1.5 mm, 200 wide less one hole of 6 + 2", "AISC 360 D2(b), B4.3b; Ω 2", under(m6, load, mid, plain),
			600 / ((200 - 8) * 1.5 * cold / 2), 1, ""},
		handCase{sheet, "net-1", "2 mm across: two holes of 5 + 2", "AISC 360 D2(b), B4.3b; Ω 2", under(m5, [3]float64{0, 500, 0}, mid, plain),
			500 / ((200 - 14) * 2 * cold / 2), 1, ""},
		handCase{sheet, "block-0", "one line of two along the force",
			"AISI S100 J6.3: one side sheared, 85 less 1½ holes; torn 25 less half a hole; Ω 2.22", under(m6, [3]float64{600, 0, 0}, mid, plain),
			600 / (1.5 * (min(.6*cold*(85-12), .6*205*85) + cold*(25-4)) / 2.22), 1, ""},
		handCase{sheet, "block-1", "across: two lines of one", "two sides of 25 sheared, torn between, 60 less a hole; Ω 2.22",
			under(m6, [3]float64{0, 600, 0}, mid, plain), 600 / (2 * (min(.6*cold*(50-8), .6*205*50) + cold*(60-8)) / 2.22), 1, ""},
		handCase{sheet, "through-0", "head of M6, 10 across, through 1.5 mm", "AISI S100 J4.4.2: 1.5·t·dw·Fu; Ω 3", under(m6, load, mid, plain),
			200, 1.5 * 1.5 * 10 * cold / 3, ""},
		handCase{sheet, "through-0", "head of M5, 8 across, factored", "AISI S100 J4.4.2; φ 0.5",
			under(m5, load, mid, plain, school(strength.Factored)), 200, .5 * 1.5 * 2 * 8 * cold, ""})
	form, sheet = []strength.Form{strength.RivetForm}, []strength.Form{strength.RivetedPly}
	rivet := func(metal string) Input {
		in := stacked(Riveted, "", "", "steel-cold", 4.9, row, 1.5, 2)
		in.Rivet, in.Washers = &RivetPick{4.8, metal}, 0
		return in
	}
	steel, alu := rivet("steel"), rivet("aluminium")
	out = append(out,
		handCase{form, "shear", "two of steel, 4.8", "typical 2.4 kN; Ω 3", under(steel, load, mid), 300, 800, ""},
		handCase{form, "shear", "two of aluminium, factored", "typical 1.2 kN; φ 0.5",
			under(alu, load, mid, school(strength.Factored)), 300, 600, ""},
		handCase{form, "tension", "two of steel", "typical 2.9 kN; Ω 3", under(steel, load, mid), 200, 2900 / 3., ""},
		handCase{form, "tension", "two of aluminium, factored", "typical 1.7 kN; φ 0.5",
			under(alu, load, mid, school(strength.Factored)), 200, 850, ""},
		handCase{form, "combined", "two of steel", "ellipse", under(steel, load, mid), math.Hypot(300/800., 200/(2900/3.)), 1, ""},
		handCase{form, "combined", "two of aluminium, factored", "ellipse", under(alu, load, mid, school(strength.Factored)),
			math.Hypot(.5, 200/850.), 1, ""},
		handCase{form, "moment", "two hold it", "statics", under(steel, [3]float64{0, 200, 0}, [3]float64{50, 0, 0}), 0, 0, strength.NotNeeded},
		handCase{form, "moment", "one turned by 100 N, 50 beside it", "statics",
			under(func() Input { in := steel; in.Holes = lone; return in }(), [3]float64{0, 100, 0}, [3]float64{50, 0, 0}), 5000, 0, strength.Over},
		handCase{sheet, "bearing-0", "1.5 mm, no washers", "AISI S100 J3.3.1: 3·0.75·d·t·Fu; Ω 2.5", under(steel, load, mid), 300,
			3 * .75 * 4.8 * 1.5 * cold / 2.5, ""},
		handCase{sheet, "bearing-1", "2 mm, factored", "AISI S100 J3.3.1; φ 0.6", under(steel, load, mid, school(strength.Factored)), 300,
			.6 * 3 * .75 * 4.8 * 2 * cold, ""},
		handCase{sheet, "tear-0", "1.5 mm, 25 to the edge", "AISI S100 J6.1; Ω 2.22", under(steel, load, mid), 300,
			1.2 * (25 - 2.45) * 1.5 * cold / 2.22, ""},
		handCase{sheet, "tear-1", "2 mm up to yield", "the same on yield over 1.5", under(steel, load, mid, school(strength.GCase)), 300,
			1.2 * (25 - 2.45) * 2 * 205 / 1.5, ""},
		handCase{sheet, "spacing-0", "4.8 at 14", "AISI S100 J3.1: 3·d = 14.4",
			under(func() Input { in := steel; in.Holes = [][2]float64{{0, 0}, {14, 0}}; return in }(), load, [3]float64{7, 0, 0}),
			14.4, 14, strength.Over},
		handCase{sheet, "spacing-1", "4.8 at 60", "AISI S100 J3.1", under(steel, load, mid), 0, 0, strength.NotNeeded},
		handCase{sheet, "net-0", "1.5 mm less one hole of 4.9 + 2", "AISC 360 D2(b); Ω 2", under(steel, load, mid),
			600 / ((200 - 6.9) * 1.5 * cold / 2), 1, ""},
		handCase{sheet, "net-1", "2 mm across, two holes", "AISC 360 D2(b); Ω 2", under(steel, [3]float64{0, 500, 0}, mid),
			500 / ((200 - 13.8) * 2 * cold / 2), 1, ""},
		handCase{sheet, "block-0", "one line of two", "AISI S100 J6.3; Ω 2.22", under(steel, [3]float64{600, 0, 0}, mid),
			600 / (1.5 * (min(.6*cold*(85-1.5*6.9), .6*205*85) + cold*(25-3.45)) / 2.22), 1, ""},
		handCase{sheet, "block-1", "two lines of one", "AISI S100 J6.3; Ω 2.22", under(steel, [3]float64{0, 600, 0}, mid),
			600 / (2 * (min(.6*cold*(50-6.9), .6*205*50) + cold*(60-6.9)) / 2.22), 1, ""},
		handCase{sheet, "through-0", "head of 9.6 through 1.5 mm", "AISI S100 J4.4.2; ISO 15977 heads; Ω 3", under(steel, load, mid), 200,
			1.5 * 1.5 * 9.6 * cold / 3, ""},
		handCase{sheet, "through-0", "factored", "AISI S100 J4.4.2; φ 0.5", under(alu, load, mid, school(strength.Factored)), 200,
			.5 * 1.5 * 1.5 * 9.6 * cold, ""})
	return out
}

// handPlies are plies under bolts, soft ones and rubber.
func handPlies() (out []handCase) {
	mid := [3]float64{50, 40, 0}
	inner, outer := []strength.Form{strength.BoltedPly}, []strength.Form{strength.OuterPly}
	plate := stacked(Hex, "M10", "8.8", "steel-s235", 11, square, 6, 8, 6)
	sheet := stacked(Hex, "M10", "8.8", "steel-s235", 11, square, 2, 3, 2)
	side := [3]float64{8000, 0, 0}
	close26 := func(in *Input) { in.Holes = [][2]float64{{0, 0}, {26, 0}} }
	close29 := func(in *Input) { in.Holes = [][2]float64{{0, 0}, {29, 0}} }
	block := func(t, fu, fy float64) float64 { return t * (min(.6*fu*211, .6*fy*250) + fu*67) }
	for _, x := range []struct {
		forms     []strength.Form
		ply       string
		thick, to float64
	}{{inner, "1", 8, 3}, {outer, "0", 6, 2}} {
		out = append(out,
			handCase{x.forms, "bearing-" + x.ply, "M10 in plate", "AISC 360 J3.10: 2.4·d·t·Fu; Ω 2", under(plate, side, mid), 2000,
				2.4 * 10 * x.thick * s235 / 2, ""},
			handCase{x.forms, "bearing-" + x.ply, "M10 in sheet, washers both sides, factored", "AISI S100 J3.3.1: 3·1·d·t·Fu; φ 0.6",
				under(sheet, side, mid, school(strength.Factored)), 2000, .6 * 3 * 10 * x.to * s235, ""},
			handCase{x.forms, "tear-" + x.ply, "M10 in plate", "AISC 360 J3.10: 1.2·lc·t·Fu; Ω 2", under(plate, side, mid), 2000,
				1.2 * 19.5 * x.thick * s235 / 2, ""},
			handCase{x.forms, "tear-" + x.ply, "in sheet", "AISI S100 J6.1; Ω 2.22", under(sheet, side, mid), 2000,
				1.2 * 19.5 * x.to * s235 / 2.22, ""},
			handCase{x.forms, "spacing-" + x.ply, "M10 at 26 in plate", "AISC 360 J3.3: 2⅔·d", under(plate, side, [3]float64{13, 0, 0}, close26),
				80 / 3., 26, strength.Over},
			handCase{x.forms, "spacing-" + x.ply, "M10 at 29 in sheet", "AISI S100 J3.1: 3·d",
				under(sheet, side, [3]float64{14.5, 0, 0}, close29), 30, 29, strength.Over},
			handCase{x.forms, "net-" + x.ply, "plate 200 wide less two holes of 11 + 2", "AISC 360 D2(b), B4.3b; Ω 2", under(plate, side, mid),
				8000 / ((200 - 26) * x.thick * s235 / 2), 1, ""},
			handCase{x.forms, "net-" + x.ply, "up to yield, both ways", "the same on yield over 1.5",
				under(plate, [3]float64{3000, -4000, 0}, mid, school(strength.GCase)), 7000 / ((200 - 26) * x.thick * s235y / 1.5), 1, ""},
			handCase{x.forms, "block-" + x.ply, "plate: two lines of 125, torn 80 less a hole", "AISC 360 J4.3; Ω 2", under(plate, side, mid),
				8000 / (block(x.thick, s235, s235y) / 2), 1, ""},
			handCase{x.forms, "block-" + x.ply, "sheet, factored", "AISI S100 J6.3; φ 0.65", under(sheet, side, mid, school(strength.Factored)),
				8000 / (.65 * block(x.to, s235, s235y)), 1, ""})
	}
	hard := stacked(Hex, "M10", "8.8", "steel-s355", 11, row, 6, 6)
	out = append(out, handCase{outer, "block-0", "a line of two in S355 that breaks before it yields",
		"AISC 360 J4.3: 85 less 1½ holes of 13; torn 25 less half a one; Ω 2", under(hard, side, [3]float64{30, 0, 0}),
		8000 / (6 * (.6*430*(85-19.5) + 430*(25-6.5)) / 2), 1, ""})
	pull := [3]float64{100, 0, 8000}
	soft := func(in *Input) { in.Plies[0].Stiff, in.Plies[0].Pull = false, 30 }
	delta := 1 - 11/60.
	out = append(out,
		handCase{outer, "through-0", "washer of M10, over 19 across counts as 19", "AISI S100 J4.4.2: 1.5·t·dw·Fu; Ω 3", under(sheet, pull, mid),
			2000, 1.5 * 2 * 19 * s235 / 3, ""},
		handCase{outer, "through-2", "factored", "AISI S100 J4.4.2; φ 0.5", under(sheet, pull, mid, school(strength.Factored)), 2000,
			.5 * 1.5 * 2 * 19 * s235, ""},
		handCase{outer, "bend-0", "6 mm, 30 from its bend", "AISC Manual part 9, α = 1: p·t²·Fu·(1 + δ)/(4·b'); Ω 1.67",
			under(plate, pull, mid, soft), 2000, 60 * 36 * s235 * (1 + delta) / 100 / 1.67, ""},
		handCase{outer, "bend-0", "the same, factored", "AISC Manual part 9; φ 0.9", under(plate, pull, mid, soft, school(strength.Factored)),
			2000, .9 * 60 * 36 * s235 * (1 + delta) / 100, ""})
	rubber, gasket := []strength.Form{strength.IsolatorPly}, []strength.Form{strength.SoftPly}
	core := math.Sqrt(4 * stressArea(10, 1.5) / math.Pi)
	z := 1.6 * math.Pi * core * core * core / 32
	over := func(height, squash float64, u *Isolator) Input {
		in := stacked(Hex, "M10", "8.8", "steel-s235", 11, square, 6, height, 6)
		in.Plies[1] = Ply{Name: "rubber", Thickness: height, Squash: squash, Isolator: u}
		return in
	}
	made := &Isolator{Shear: 800, Pull: 600}
	out = append(out,
		handCase{rubber, "rubber-bend-1", "20 mm high, 500 N sideways", "M = V·h/2, both ends guided; AISC 360 F11, 1.6·S of the core; Ω 1.67",
			under(over(24, 4, made), [3]float64{2000, 0, 0}, mid), 500 * 10 / z, proof88 / 1.67, ""},
		handCase{rubber, "rubber-bend-1", "with a pull of 400 N, factored", "σ = M/Z + T/As; φ 0.9",
			under(over(24, 4, made), [3]float64{2000, 0, 1600}, mid, school(strength.Factored)),
			500*10/z + 400/stressArea(10, 1.5), .9 * proof88, ""},
		handCase{rubber, "rubber-shear-1", "500 N sideways on one", "its maker's sheet",
			under(over(24, 4, made), [3]float64{2000, 0, 0}, mid), 500, 800, ""},
		handCase{rubber, "rubber-shear-1", "two of four take more: 3 kN, 50 beside the middle", "elastic vector method",
			under(over(24, 4, made), [3]float64{0, 1200, 0}, [3]float64{100, 40, 0}), math.Hypot(300+60000*50/16400., 60000*40/16400.), 800, ""},
		handCase{rubber, "rubber-pull-1", "400 N on one", "its maker's sheet",
			under(over(24, 4, made), [3]float64{0, 0, 1600}, mid), 400, 600, ""},
		handCase{rubber, "rubber-pull-1", "tipped by 40 N·m about x", "T = M·y/Σy²",
			under(over(24, 4, made), [3]float64{0, 0, 0}, mid, func(in *Input) { in.Cases[0].Moment = [3]float64{40000, 0, 0} }),
			40000 * 40 / 6400., 600, ""},
		handCase{gasket, "ply-1", "a gasket of 3 lies between", "AISC 360 J5.2: fillers up to 6 mm",
			under(over(3, 1, nil), [3]float64{2000, 0, 0}, mid), 0, 0, strength.NotNeeded},
		handCase{gasket, "ply-1", "24 mm of soft stuff bends the bolt", "M = V·h/2", under(over(24, 1, nil), [3]float64{2000, 0, 0}, mid),
			500 * 11.5 / z, proof88 / 1.67, ""})
	return out
}

// Every mode of every form of a joint is what it is by hand, in two cases or more.
func TestModesByHand(t *testing.T) {
	seen := byhand.Seen{}
	for _, h := range slices.Concat(handBolts(), handNuts(), handPins(), handScrews(), handPlies()) {
		what := string(h.forms[0]) + ", " + h.key + ", " + h.name
		byhand.Case{Name: h.name, Source: h.source, Demand: h.demand, May: h.may, Ends: h.ends}.Check(t, what, check(t, work(t, h.in), h.key))
		for _, f := range h.forms {
			seen.Add(f, mainKey(h.key))
		}
	}
	seen.Twice(t, strength.BoltedForm, strength.TappedForm, strength.InsertForm, strength.TrackForm, strength.PinForm, strength.ScrewForm,
		strength.RivetForm, strength.BoltedPly, strength.OuterPly, strength.PinnedPly, strength.ScrewedPly, strength.RivetedPly,
		strength.IsolatorPly, strength.SoftPly)
}
