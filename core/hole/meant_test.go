package hole

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// forms are figures with two holes of no figure, from 60 to 400 mm.
func forms() map[Form][]profile.Point {
	two := []profile.Point{{X: 37, Y: 311}, {X: 470, Y: 290}}
	even := func(n int) (out []profile.Point) {
		for k := range n {
			s, c := math.Sincos(.3 + 2*math.Pi*float64(k)/float64(n))
			out = append(out, profile.Point{X: 200 + 90*c, Y: 150 + 90*s})
		}
		return out
	}
	circle := even(7)
	return map[Form][]profile.Point{
		RectangleForm:  append([]profile.Point{{X: 0, Y: 0}, {X: 300, Y: 160}, {X: 300, Y: 0}, {X: 0, Y: 160}}, two...),
		RowForm:        append([]profile.Point{{X: 0, Y: 10}, {X: 260, Y: 114}, {X: 130, Y: 62}, {X: 400, Y: 170}}, two...),
		EvenRowForm:    append([]profile.Point{{X: 0, Y: 0}, {X: 180, Y: 60}, {X: 60, Y: 20}, {X: 120, Y: 40}}, two...),
		CircleForm:     append([]profile.Point{circle[0], circle[1], circle[3], circle[4]}, two...),
		EvenCircleForm: append(even(6), two...),
	}
}

func figured(f Form, n int) []Figure {
	var holes []int
	for k := range n {
		holes = append(holes, k)
	}
	return []Figure{{f, holes}}
}

// Distances without error: every form holds, nothing moves, its sizes come out. One hole
// set off by twice what is said to show makes it fail.
func TestMeantExact(t *testing.T) {
	want := map[Form][]float64{RectangleForm: {300, 160}, RowForm: {math.Hypot(400, 160)}, EvenRowForm: {math.Hypot(60, 20)},
		CircleForm: {180}, EvenCircleForm: {180}}
	for form, at := range forms() {
		in := every(at, always, none)
		ask := figured(form, len(at)-2)
		r, err := CalcMeant(MeantInput{in, ask})
		if err != nil {
			t.Fatal(form, err)
		}
		if !r.Holds || slices.Max(r.Moves) > 1e-4 {
			t.Errorf("%s of exact distances: holds %v, moves %g, rise %g of %g", form, r.Holds, slices.Max(r.Moves), r.Rise, r.Limit)
		}
		for k, w := range want[form] {
			near(t, string(form)+" size", r.Sizes[0][k], w, 1e-4)
		}
		// The hole that breaks the figure, in the direction that breaks it most: across a row or a
		// circle, any way else.
		off := slices.Clone(at)
		way := profile.Point{X: 1}
		switch form {
		case RowForm, EvenRowForm:
			d := at[1].Sub(at[0])
			way = profile.Point{X: -d.Y, Y: d.X}.Mul(1 / d.Len())
		case CircleForm, EvenCircleForm:
			way = at[1].Sub(profile.Point{X: 200, Y: 150}).Mul(1. / 90)
		}
		off[1] = off[1].Add(way.Mul(4 * r.Shows))
		bad, err := CalcMeant(MeantInput{every(off, always, none), ask})
		if err != nil {
			t.Fatal(form, err)
		}
		if bad.Holds {
			t.Errorf("%s with a hole %g mm off holds: rise %g of %g", form, 4*r.Shows, bad.Rise, bad.Limit)
		}
	}
}

// Readings that scatter as they are said to: what is a figure is refused once in twenty
// times, within what chance makes of it in 300 tries, and the exact figure is nearer to the
// truth than the readings alone.
func TestMeantByChance(t *testing.T) {
	for form, at := range forms() {
		random := rand.New(rand.NewPCG(7, uint64(len(form))))
		refused, nearer, tries := 0, 0, 300
		for range tries {
			in := every(at, always, func() float64 { return random.NormFloat64() })
			m, err := Map(in)
			if err != nil {
				t.Fatal(err)
			}
			if m.Suspect != nil || !m.Consistent || len(m.Alternatives) > 0 {
				continue
			}
			r, err := in.Meant(m, figured(form, len(at)-2))
			if err != nil {
				t.Fatal(form, err)
			}
			if !r.Holds {
				refused++
			}
			miss := func(list [][2]float64) (sum float64) {
				var pts []profile.Point
				for _, p := range list {
					pts = append(pts, profile.Point{X: p[0], Y: p[1]})
				}
				meets := Meet(pts, at, false)
				other := Meet(pts, at, true)
				for _, x := range []Meets{meets, other} {
					s := 0.
					for _, d := range x.Misses {
						s += d.Dot(d)
					}
					if sum == 0 || s < sum {
						sum = s
					}
				}
				return sum
			}
			if miss(r.Points) < miss(m.Points) {
				nearer++
			}
		}
		if refused < 3 || refused > 33 {
			t.Errorf("%s was refused %d times of %d", form, refused, tries)
		}
		if nearer < tries*6/10 {
			t.Errorf("%s made exact was nearer to the truth %d times of %d", form, nearer, tries)
		}
	}
}

// A hole measured on the line of the first two and another well below: made exact, the row
// keeps the other on its side.
func TestMeantKeepsItsSide(t *testing.T) {
	at := []profile.Point{{}, {X: 400}, {X: 200, Y: .3}, {X: 120, Y: -80}, {X: 300, Y: -75}}
	in := every(at, always, none)
	m, err := Map(in)
	if err != nil {
		t.Fatal(err)
	}
	r, err := in.Meant(m, []Figure{{RowForm, []int{0, 1, 2}}})
	if err != nil || !r.Holds {
		t.Fatal(r.Holds, err)
	}
	for i := range at {
		near(t, "y", r.Points[i][1], m.Points[i][1], .5)
	}
	near(t, "the hole of the row", r.Points[2][1], 0, 1e-9)
}

func TestMeantRefused(t *testing.T) {
	at := forms()[RectangleForm]
	in := every(at, always, none)
	for name, x := range map[string]struct {
		figures []Figure
		path    string
	}{
		"nothing said":      {nil, "/figures"},
		"no such form":      {[]Figure{{"star", []int{0, 1, 2}}}, "/figures/0/form"},
		"too few":           {[]Figure{{RowForm, []int{0, 1}}}, "/figures/0/holes"},
		"too many":          {[]Figure{{RectangleForm, []int{0, 1, 2, 3, 4}}}, "/figures/0/holes"},
		"no such hole":      {[]Figure{{RowForm, []int{0, 1, 9}}}, "/figures/0/holes"},
		"one hole in two":   {[]Figure{{RowForm, []int{0, 1, 2}}, {RowForm, []int{2, 3, 4}}}, "/figures/1/holes"},
		"the same one over": {[]Figure{{RowForm, []int{0, 1, 1}}}, "/figures/0/holes"},
	} {
		_, err := CalcMeant(MeantInput{in, x.figures})
		if f, is := err.(*working.Fault); !is || f.Path != x.path {
			t.Errorf("%s: %v", name, err)
		}
	}
	in.Readings[0].Distance += 40
	in.Readings[7].Distance -= 55
	in.Readings[9].Distance += 35
	if _, err := CalcMeant(MeantInput{in, figured(RectangleForm, 4)}); err == nil {
		t.Error("readings that contradict each other are tested all the same")
	}
}
