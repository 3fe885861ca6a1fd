package hole

import (
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/profile"
)

// A drawing laid down anywhere, either way up, out of scale and in wrong units,
// is found again: which hole is which, its scale and its units.
func TestLieFindsTheLayout(t *testing.T) {
	rnd := rand.New(rand.NewSource(9))
	for range 400 {
		n := 3 + rnd.Intn(5)
		var measured, drawn []Bore
		for len(measured) < n {
			q := profile.Point{X: 600 * rnd.Float64(), Y: 400 * rnd.Float64()}
			clear := true
			for _, m := range measured {
				clear = clear && m.At.Sub(q).Len() > 60
			}
			if clear {
				measured = append(measured, Bore{q, 10})
			}
		}
		back := Rigid{Mirror: rnd.Intn(2) == 0, Turn: 360 * rnd.Float64(), Shift: profile.Point{X: 900 * rnd.Float64(), Y: -300}}
		unit := layoutUnits[rnd.Intn(len(layoutUnits))]
		scale := 1 + .02*(rnd.Float64()-.5)
		order := rnd.Perm(n)
		for _, i := range order {
			drawn = append(drawn, Bore{back.Apply(measured[i].At).Mul(scale / unit), 10})
		}
		for range rnd.Intn(4) { // holes for other things
			drawn = append(drawn, Bore{profile.Point{X: 2000 * rnd.Float64() / unit, Y: 2000 * rnd.Float64() / unit}, 5})
		}
		l, ok := Lie(drawn, measured)
		if !ok || len(l.Pairs) != n || l.Unit != unit || l.By.Mirror != back.Mirror || math.Abs(l.Scale-scale) > 1e-3 {
			t.Fatalf("%d holes, unit %g, mirrored %v, scale %.4f: found %v, %d pairs, unit %g, mirrored %v, scale %.4f", n, unit, back.Mirror, scale,
				ok, len(l.Pairs), l.Unit, l.By.Mirror, l.Scale)
		}
		for _, p := range l.Pairs {
			if order[p[0]] != p[1] {
				t.Fatalf("hole %d was taken for %d", p[1], order[p[0]])
			}
		}
		// What it is off grows with the scale: no more than half the layout times it.
		if l.Most > 721*math.Abs(scale-1)+1e-6 {
			t.Fatalf("off by %.3f at a scale of %.4f", l.Most, scale)
		}
	}
}

// One hole that was moved is the one that is named, by what it was moved.
func TestLieNamesTheHoleThatIsOff(t *testing.T) {
	at := func(xy ...float64) (out []Bore) {
		for i := 0; i < len(xy); i += 2 {
			out = append(out, Bore{profile.Point{X: xy[i], Y: xy[i+1]}, 9})
		}
		return out
	}
	measured := at(0, 0, 200, 0, 200, 120, 0, 120, 90, 50, 130, 80, 40, 90)
	drawn := append([]Bore{}, measured...)
	drawn[4].At.X += 3
	l, ok := Lie(drawn, measured)
	if !ok || l.Unit != 1 || l.By.Mirror || len(l.Pairs) != 7 {
		t.Fatalf("%v %+v", ok, l)
	}
	if l.Pairs[l.Worst] != [2]int{4, 4} || math.Abs(l.Misses[l.Worst].X+3*6/7.) > .15 {
		t.Errorf("worst is %v, off by %v", l.Pairs[l.Worst], l.Misses[l.Worst])
	}
	if _, ok := Lie(drawn[:1], measured); ok {
		t.Error("one hole lies nowhere")
	}
	if _, ok := Lie(at(0, 0, 60, 0), at(0, 0, 200, 0)); ok {
		t.Error("60 was taken for 200")
	}
	if _, ok := Lie(at(5, 5, 5, 5), at(0, 0, 0, 0)); ok {
		t.Error("holes on one spot were laid")
	}
}
