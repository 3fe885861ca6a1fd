package hold

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/strength/byhand"
)

// workedOut is a mode of a bracket worked by hand.
type workedOut struct {
	key, name, source string
	recipe            sheet.Recipe
	mount             Mount
	rule              strength.Rule
	force             [3]float64 // forward is y of the part, left −x, up z
	demand, may       float64
	ends              strength.Verdict // as the check must end
}

// bar is a flat plate of 200 × 100 on four bolts at 30 and 90 by 30 and 70, loaded
// through one hole of 13 on its middle line.
func bar(thickness, eye float64) sheet.Recipe {
	r := cleat(thickness)
	r.Base.Length, r.Base.Flanges = 200, nil
	r.Base.Holes = []sheet.Hole{grid("wall", 13, 30, 30, 2, 2, 60, 40), grid("eye", 13, eye, 50, 1, 1, 0, 0)}
	return r
}

func changed[T any](v T, change func(*T)) T {
	change(&v)
	return v
}

// M12 8.8 of 84.27 on the stress area, root π/4·(12 − 1.2269·1.75)².
var (
	m12Shear   = math.Min(.45*800*math.Pi/4*144, .6*800*math.Pi/4*math.Pow(12-1.2269*1.75, 2))
	m12Stress  = math.Pi / 4 * math.Pow(12-.9382*1.75, 2)
	m12Tension = math.Min(.75*800*math.Pi/4*144, 800*m12Stress)
)

func handBrackets() []workedOut {
	lrfd, gcase := strength.Rule{School: strength.Factored}, strength.Rule{School: strength.GCase}
	middle, past := bar(8, 60), bar(8, 160)
	thin := bar(3, 60)
	m := mount()
	rows := func(n int) sheet.Recipe {
		return changed(bar(8, 160), func(r *sheet.Recipe) {
			r.Base.Holes[0].Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: n, PitchX: 60, PitchY: 40}
		})
	}
	pitch := func(t, p float64) sheet.Recipe {
		return changed(bar(t, 160), func(r *sheet.Recipe) { r.Base.Holes[0].Pattern.PitchY = p })
	}
	slot := changed(bar(8, 60), func(r *sheet.Recipe) { r.Base.Holes[0].Kind, r.Base.Holes[0].Length = sheet.SlotHole, 22 })
	hard := changed(bar(8, 60), func(r *sheet.Recipe) { r.Material = "steel-s355" })
	light := changed(bar(8, 160), func(r *sheet.Recipe) {
		r.Base.Holes = append(r.Base.Holes, grid("light", 40, 120, 50, 1, 1, 0, 0))
	})
	setIn := func(material string) sheet.Recipe {
		return changed(cleat(6), func(r *sheet.Recipe) {
			r.Material = material
			f := &r.Base.Flanges[0]
			f.SetIn.End, f.Relief.Kind, f.InsideRadius = 20, sheet.Rectangular, 24
		})
	}
	side := [3]float64{0, -8000, 0} // along the bar, to the right
	lift := [3]float64{0, 0, 8000}
	all := [3]float64{0, -8000, 8000}
	vy := .577 * 580 * m12Stress / 1.5
	mises := func(sigma, tau float64) float64 { return math.Sqrt(sigma*sigma + 3*tau*tau) }
	eyeTear := 1.2 * (math.Hypot(30, 20) - 13) * 8 * 360 / 2
	block := func(fu, fy float64) float64 { return 8 * (math.Min(.6*fu*135, .6*fy*180) + fu*25) }
	bendWide := 53 + 2*(12+math.Pi/2*(10+.42*8))
	pries := 35 * 64 * 360 * (2 - 13/35.) / (4 * 21)
	list := []workedOut{
		{"shear", "8 kN through the middle of four", "AISC 360 J3.6, threads in the plane; Ω 2", middle, m, asd, side, 2000, m12Shear / 2, ""},
		{"shear", "3 kN across, 100 past their middle", "elastic vector method, Σr² = 4·(30² + 20²); φ 0.75", past, m, lrfd, [3]float64{3000, 0, 0}, math.Hypot(3e5*20/5200, 750+3e5*30/5200), .75 * m12Shear, ""},
		{"tension", "8 kN on four", "AISC 360 J3.6; Ω 2", middle, m, asd, lift, 2000, m12Tension / 2, ""},
		{"tension", "1 kN, 100 past their middle, up to proof", "T = N/n + M·x/Σx²; proof on the stress area over 1.5", past, m, gcase, [3]float64{0, 0, 1000}, 250 + 1e5*30/3600, 580 * m12Stress / 1.5, ""},
		{"combined", "8 kN both ways", "AISC 360 J3.7", middle, m, asd, all, math.Max(2000/(m12Shear/2), (2000/(m12Tension/2)+2000/(m12Shear/2))/1.3), 1, ""},
		{"combined", "the same up to proof", "ellipse, 0.577 of proof in shear", middle, m, gcase, all, math.Hypot(2000/(580*m12Stress/1.5), 2000/vy), 1, ""},
		{"moment", "a row of two with nothing behind it", "statics: a row holds no moment about itself", rows(2), changed(m, func(m *Mount) { m.Backed = false }), asd, lift, 0, 0, strength.CannotSay},
		{"moment", "one bolt that is turned", "statics: one bolt holds no turn", rows(1), m, asd, [3]float64{1000, 0, 0}, 0, 0, strength.CannotSay},
		{"slip", "pushed along its slots", "AISC 360 J3.8: friction alone, and how tight it is is not known of a bracket", slot, m, asd, side, 0, 0, strength.CannotSay},
		{"slip", "round holes", "AISC 360 J3.8: bolts bear", middle, m, asd, side, 0, 0, strength.NotNeeded},
		{"bearing", "M12 in 8 mm", "AISC 360 J3.10: 2.4·d·t·Fu; Ω 2", middle, m, asd, side, 2000, 2.4 * 12 * 8 * 360 / 2, ""},
		{"bearing", "M12 in 3 mm, a washer on one side", "AISI S100 J3.3.1: 3·0.75·d·t·Fu; Ω 2.5", thin, m, asd, side, 2000, 3 * .75 * 12 * 3 * 360 / 2.5, ""},
		{"tear-out", "30 to the end in 8 mm", "AISC 360 J3.10: 1.2·lc·t·Fu; Ω 2", middle, m, asd, side, 2000, 1.2 * 23.5 * 8 * 360 / 2, ""},
		{"tear-out", "in 3 mm", "AISI S100 J6.1; Ω 2.22", thin, m, asd, side, 2000, 1.2 * 23.5 * 3 * 360 / 2.22, ""},
		{"spacing", "M12 at 30 in plate", "AISC 360 J3.3: 2⅔·d", pitch(8, 30), m, asd, side, 32, 30, strength.Over},
		{"spacing", "M12 at 35 in sheet", "AISI S100 J3.1: 3·d", pitch(3, 35), m, asd, side, 36, 35, strength.Over},
		{"net-section", "pulled along: 100 less two holes of 15", "AISC 360 D2(b), B4.3b; Ω 2", past, m, asd, side, 8000, 70 * 8 * 360 / 2, ""},
		{"net-section", "factored", "AISC 360 D2(b); φ 0.75", past, m, lrfd, side, 8000, .75 * 70 * 8 * 360, ""},
		{"net-along", "pulled across: 200 less two holes", "AISC 360 D2(b), B4.3b; Ω 2", past, m, asd, [3]float64{3000, 0, 0}, 3000, 170 * 8 * 360 / 2, ""},
		{"net-along", "up to yield", "on yield over 1.5", past, m, gcase, [3]float64{3000, 0, 0}, 3000, 170 * 8 * 235 / 1.5, ""},
		{"block", "two lines of 90, torn 40 less a hole; yields", "AISC 360 J4.3; Ω 2", middle, m, asd, side, 8000 / (block(360, 235) / 2), 1, ""},
		{"block", "in S355 that breaks first, factored", "AISC 360 J4.3; φ 0.75", hard, m, lrfd, side, 8000 / (.75 * block(430, 355)), 1, ""},
		{"pull-through", "washer of 24 counts 19, in 3 mm", "AISI S100 J4.4.2: 1.5·t·dw·Fu; Ω 3", thin, m, asd, [3]float64{0, 0, 800}, 200, 1.5 * 3 * 19 * 360 / 3, ""},
		{"pull-through", "head of 18 without a washer, factored", "AISI S100 J4.4.2; φ 0.5", thin, changed(m, func(m *Mount) { m.Bolts.Washer = 0 }), lrfd, [3]float64{0, 0, 800}, 200, .5 * 1.5 * 3 * 18 * 360, ""},
		{"pry", "near row 27 from its bend, 35 apart", "AISC Manual part 9, α = 1; Ω 1.67", cleat(8), m, asd, [3]float64{0, 0, 5000}, 1250 + 292500/70., pries / 1.67, ""},
		{"pry", "factored", "AISC Manual part 9; φ 0.9", cleat(8), m, lrfd, [3]float64{0, 0, 5000}, 1250 + 292500/70., .9 * pries, ""},
		{"flat", "a strip of 60 between bolts 30 either side", "plastic strip, Fy·w·t²/4·(a + b)/(a·b); Ω 1.67", middle, m, asd, lift, 8000, 60 * 16 * 60 / 900. * 235 / 1.67, ""},
		{"flat", "in 4 mm, factored", "a quarter of it; φ 0.9", bar(4, 60), m, lrfd, [3]float64{0, 0, 900}, 900, .9 * 60 * 4 * 60 / 900. * 235, ""},
		{"flat", "nearer one corner: 15 and 45, 10 and 30 from them", "plastic strip of 30, and of 20 the other way, alike; Ω 1.67", changed(bar(8, 60), func(r *sheet.Recipe) { r.Base.Holes[1] = grid("eye", 13, 45, 40, 1, 1, 0, 0) }), m, asd, lift, 8000, 30 * 16 * 60 / 675. * 235 / 1.67, ""},
		{"load-holes", "M12 through 13, nearest the bolts' holes", "AISC 360 J3.10; Ω 2", middle, m, asd, side, 8000 / math.Min(2.4*12*8*360/2, eyeTear), 1, ""},
		{"load-holes", "in 3 mm, pulled and pushed", "AISI S100 J3.3.1, J6.1, J4.4.2; Ω 2.5, 2.22, 3", thin, m, asd, [3]float64{0, -800, 800},
			800/math.Min(3*.75*12*3*360/2.5, 1.2*(math.Hypot(30, 20)-13)*3*360/2.22) + 800/(1.5*3*19*360/3.), 1, ""},
		{"strip", "a hole of 40 on the way: 93 spread less 40, bent by 40", "strip, AISC 360 F11 up to yield; Ω 1.67", light, m, asd, [3]float64{0, 0, 500}, mises(6*20000/(53*64.), 500/(60*8.)), 235 / 1.67, ""},
		{"strip", "pulled along, factored", "strip; φ 0.9", light, m, lrfd, [3]float64{0, -5000, 0}, 5000 / (53 * 8.), .9 * 235, ""},
		{"corner", "a sharp inside corner in S235", "ductile metal yields and shares", setIn("steel-s235"), m, asd, [3]float64{0, 0, 100}, 0, 0, strength.NotNeeded},
		{"corner", "in 6061-T6", "hard metal tears from it", setIn("alu-6061-t6"), m, asd, [3]float64{0, 0, 100}, 0, 0, strength.CannotSay},
		{"plate:wall", "bent at the near row, 70 off: 100 less two holes", "strip as von Mises; Ω 1.67", past, m, asd, [3]float64{0, 0, 500}, mises(6*35000/(74*64.), 500/(74*8.)), 235 / 1.67, ""},
		{"plate:wall", "pulled along, up to yield", "strip; yield over 1.5", past, m, gcase, [3]float64{0, -5000, 0}, 5000 / (74 * 8.), 235 / 1.5, ""},
		{"plate:leg", "lifted by 5 kN, 14 beside its bend", "strip spread by 45° along the bend allowance; Ω 1.67", cleat(8), m, asd, [3]float64{0, 0, 5000}, mises(6*70000/(bendWide*64), 5000/(120*8.)), 235 / 1.67, ""},
		{"plate:leg", "pulled to the front by 1 kN, 26 above", "strip; φ 0.9", cleat(8), m, lrfd, [3]float64{-1000, 0, 0}, 6*26000/(bendWide*64) + 1000/(bendWide*8), .9 * 235, ""},
	}
	return list
}

// Every mode of a bracket is what it is by hand, in two cases or more.
func TestModesByHand(t *testing.T) {
	seen := byhand.Seen{}
	for _, h := range handBrackets() {
		_, by := answer(t, h.recipe, h.mount, h.rule, h.force)
		byhand.Case{Name: h.name, Source: h.source, Demand: h.demand, May: h.may, Ends: h.ends}.Check(t, h.key+", "+h.name, by[h.key])
		form := strength.Bracket
		key, _, bent := strings.Cut(h.key, ":")
		if bent {
			form = strength.BentPlate
		}
		seen.Add(form, key)
	}
	seen.Twice(t, strength.Bracket, strength.BentPlate)
}
