package survey

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/solid"
)

// A box under a line that climbs is past it at its upper near corner; moved beyond the line's
// end it is not looked at.
func TestBodyLine(t *testing.T) {
	l := BodyLine{Along: 0, Across: 2, Below: true, Points: []solid.Vector{{1000, 0, 300}, {0, 50, 200}}, Off: 5}
	if err := l.Check(""); err != nil {
		t.Fatal(err)
	}
	box := func(x, z float64) Thing {
		return Thing{Name: "box", Body: solid.Box(solid.Vector{x, 0, z - 100}, solid.Vector{x + 100, 80, z}), Sigma: 1}
	}
	got := l.Beside([]Thing{box(400, 260), box(2000, 999), box(-50, 190)})
	near(t, "past", got[0].By, 260-240+5, 1e-9)
	if got[0].At[0] != 400 || !got[0].Seen || got[1].Seen {
		t.Errorf("%+v", got)
	}
	near(t, "from where the line begins", got[2].By, 190-200+5, 1e-9)
	above := l
	above.Below = false
	near(t, "below a line it must stay above", above.Beside([]Thing{box(400, 260)})[0].By, 250-160+5, 1e-9)
	for _, bad := range []BodyLine{{Points: l.Points[:1]}, {Along: 0, Across: 2, Points: []solid.Vector{{1, 2, 3}, {1, 5, 9}}}} {
		if bad.Check("") == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

// No point of any triangle stands farther past a bent line than is told, and one stands as far.
func TestBodyLineEverywhere(t *testing.T) {
	rng := rand.New(rand.NewPCG(2, 9))
	for range 60 {
		l := BodyLine{Along: 0, Across: 2, Below: rng.IntN(2) == 0}
		for k := range 4 {
			l.Points = append(l.Points, solid.Vector{float64(k)*300 + rng.Float64()*200, rng.Float64() * 50, 200 + rng.Float64()*150})
		}
		body := solid.Box(solid.Vector{}, solid.Vector{200 + 900*rng.Float64(), 60, 30 + rng.Float64()*150}).At(
			solid.Turned([3]float64{rng.Float64()*400 - 100, 0, 150 + rng.Float64()*100}, 0, rng.Float64()*60-30, rng.Float64()*60-30))
		got := l.Beside([]Thing{{Body: body}})[0]
		pts, most := l.sorted(), math.Inf(-1)
		for _, piece := range body.Pieces {
			for _, tri := range piece {
				for a := 0.; a <= 1; a += .02 {
					for b := 0.; b <= 1-a; b += .02 {
						v := tri[0].Mul(1 - a - b).Add(tri[1].Mul(a)).Add(tri[2].Mul(b))
						if v[0] < pts[0][0] || v[0] > pts[3][0] {
							continue
						}
						by := v[2] - l.height(pts, v[0])
						if !l.Below {
							by = -by
						}
						most = math.Max(most, by)
					}
				}
			}
		}
		if most > got.By+1e-9 {
			t.Fatalf("%g past, and %g is told", most, got.By)
		}
		if got.Seen && got.By-most > 30 {
			t.Fatalf("%g is told, and no point is farther than %g", got.By, most)
		}
	}
}
