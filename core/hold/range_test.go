package hold

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/strength"
)

// byHand is the first reference bracket: 60 wide, 4 thick, R 6, bolts 40 and the load
// 30 from the tangent lines, holes of 13.
func byHand() (sheet.Recipe, Mount) {
	v := reference{"width": 60, "base": 80, "leg": 60, "radius": 6, "thickness": 4, "x1": 15, "x2": 45, "bolts": 40, "loadX": 30, "loadUp": 30}
	m := mount()
	m.Backed = false
	return v.recipe(), m
}

// 500 N square to the leg by hand, E 210 000, I = 60·4³/12 = 320. Least, clamped 12 short
// of the bolts: leg 500·30³/3, the arc of 12.57 from 15 000 to 19 000 N·mm taken straight
// at the developed 10.68 (K 0.42), base 19 000²·28/500: as ∫M²dx/(E·I·F).
func TestMovementByHand(t *testing.T) {
	r, m := byHand()
	res := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{-500, 0, 0}}}, asd)
	const (
		f, e, i = 500., 210e3, 320.
		m1, m2  = 500 * 30., 500 * 38.
	)
	arc := math.Pi / 2 * (6 + .42*4)
	low := m1*m1*30/3 + arc*(m1*m1+m1*m2+m2*m2)/3 + m2*m2*28
	near(t, "at least", *res.DeflectionLeast, low/(f*e*i), .01)
	// At most: the base runs to the bolts' middle, where two holes of 13 are off a strip
	// that is the whole 60.
	high := m1*m1*30/3 + arc*(m1*m1+m1*m2+m2*m2)/3 + m2*m2*40*60/34
	near(t, "at most", *res.Deflection, high/(f*e*i), .02)
	// σ0 at the bend: 6·19 000/(60·16) = 118.75.
	for _, c := range res.Checks {
		if c.Key != "plate:leg" {
			continue
		}
		for _, s := range c.Working.Steps {
			if s.Symbol == "σ0" {
				near(t, "σ0", s.Value, 118.75, .5)
			}
		}
	}
}

// A range is a range; more load moves more, thicker plate less; a cut-out never makes a
// bracket stiffer or stronger, and a larger one never less so than a smaller.
func TestCutOutsOnlyWeaken(t *testing.T) {
	rnd := rand.New(rand.NewPCG(5, 14))
	for range 60 {
		v := reference{"width": 90 + 80*rnd.Float64(), "base": 80, "leg": 90, "radius": 6, "thickness": 4, "bolts": 40, "loadUp": 65,
			"cutUp": 28 + 8*rnd.Float64(), "cutHigh": 16}
		v["x1"], v["x2"] = v["width"]/4, 3*v["width"]/4
		v["loadX"], v["cutX"] = v["width"]*(.3+.4*rnd.Float64()), v["width"]/2
		m := mount()
		m.Backed = false
		load := []Load{{"case", "", [3]float64{-400, 0, 0}}}
		ask := func(wide float64) (Result, map[string]strength.Check) {
			v["cutWide"] = wide
			r := v.recipe()
			by := map[string]strength.Check{}
			res := Check(build(t, r), r, m, load, asd)
			for _, c := range res.Checks {
				by[c.Key] = c
			}
			return res, by
		}
		whole, plain := ask(0)
		before, weaker := whole, plain
		for _, wide := range []float64{24, 40, 56} {
			res, by := ask(wide)
			if *res.DeflectionLeast > *res.Deflection+1e-12 {
				t.Errorf("moves %.3f at least and %.3f at most", *res.DeflectionLeast, *res.Deflection)
			}
			if *res.Deflection < *before.Deflection-1e-9 {
				t.Errorf("a cut-out of %.0f moves %.4f, a smaller one %.4f", wide, *res.Deflection, *before.Deflection)
			}
			for _, key := range []string{"plate:leg", "plate:wall", "strip"} {
				a, b := weaker[key], by[key]
				if a.Utilisation != nil && b.Utilisation != nil && *b.Utilisation < *a.Utilisation-1e-9 {
					t.Errorf("%s: %.3f with a cut-out of %.0f, %.3f with a smaller one", key, *b.Utilisation, wide, *a.Utilisation)
				}
			}
			before, weaker = res, by
		}
		load[0].Force[0] = -800
		twice, _ := ask(0)
		near(t, "twice the load", *twice.Deflection, 2**whole.Deflection, 1e-9)
		v["thickness"] = 6
		load[0].Force[0] = -400
		if thick, _ := ask(0); *thick.Deflection >= *whole.Deflection {
			t.Error("thicker plate moves more")
		}
	}
}

// A hole that lies past the bolts, or beside the way of the load, costs nothing.
func TestHolesOffTheWay(t *testing.T) {
	r, m := byHand()
	was := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{-500, 0, 0}}}, asd)
	r.Base.Holes = append(r.Base.Holes, sheet.Hole{ID: "far", Kind: sheet.RoundHole, Diameter: 12, X: from(sheet.Left, 30),
		Y: from(sheet.Back, 15)})
	now := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{-500, 0, 0}}}, asd)
	near(t, "movement", *now.Deflection, *was.Deflection, 1e-9)
	for i, c := range was.Checks {
		if c.Key == "plate:leg" {
			near(t, "the bend", now.Checks[i].Demand, c.Demand, 1e-9)
		}
	}
}
