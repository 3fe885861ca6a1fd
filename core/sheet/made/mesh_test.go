package made_test

import (
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
)

// The folded body's surfaces are closed and hold as much as the sheet: plates
// by their area, bends by their arc.
func TestSolidHoldsTheSheet(t *testing.T) {
	r := plates.Plate(200, 120)
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 40, sheet.Front, 40, 20), plates.Round("i", sheet.Left, 140, sheet.Back, 30, 12)}
	up, down := plates.Flange("f", sheet.Front, 40, 90), plates.Flange("g", sheet.Back, 50, 60)
	down.Up = false
	up.Flanges = []sheet.Flange{plates.Flange("lip", sheet.Front, 20, 90)}
	r.Base.Flanges = []sheet.Flange{up, down}
	p, err := made.Build(r, made.Options{Body: true})
	if err != nil {
		t.Fatal(err)
	}
	body := p.Body.Solid()
	want := 0.0
	for _, panel := range p.Body.Panels {
		area := 0.0
		for _, ring := range append([][]struct{ X, Y float64 }{}, rings(panel)...) {
			for i, a := range ring {
				b := ring[(i+1)%len(ring)]
				area += (a.X*b.Y - a.Y*b.X) / 2
			}
		}
		want += math.Abs(area) * r.Thickness
	}
	for _, bend := range p.BendLines {
		width := math.Hypot(bend.To.X-bend.From.X, bend.To.Y-bend.From.Y)
		want += width * r.Thickness * (bend.InsideRadius + r.Thickness/2) * bend.Angle * math.Pi / 180
	}
	if got := body.Volume(); math.Abs(got-want) > .01*want {
		t.Errorf("it holds %.0f mm³, want %.0f", got, want)
	}
	if body.Deviation < .1 || body.Deviation > .5 {
		t.Errorf("deviation %.3f mm", body.Deviation)
	}
	// A place in the middle of each plate lies inside, one above it outside.
	tree := solid.NewTree(body)
	for _, panel := range p.Body.Panels {
		at := panel.Origin.Add(panel.X.Mul(3)).Add(panel.Y.Mul(3))
		if !tree.Holds(at) {
			t.Errorf("%s: its own plate does not hold %v", panel.ID, at)
		}
		if tree.Holds(at.Add(panel.Z.Mul(r.Thickness))) {
			t.Errorf("%s: what is above the plate is held", panel.ID)
		}
	}
	for _, h := range p.Holes {
		if tree.Holds(h.Body) {
			t.Errorf("hole %s is filled", h.Name)
		}
	}
}

func rings(p made.BodyPanel) (out [][]struct{ X, Y float64 }) {
	add := func(ring []struct{ X, Y float64 }, hole bool) {
		a := 0.0
		for i, p := range ring {
			q := ring[(i+1)%len(ring)]
			a += p.X*q.Y - p.Y*q.X
		}
		if (a > 0) == hole {
			for i, j := 0, len(ring)-1; i < j; i, j = i+1, j-1 {
				ring[i], ring[j] = ring[j], ring[i]
			}
		}
		out = append(out, ring)
	}
	var face []struct{ X, Y float64 }
	for _, q := range p.Face {
		face = append(face, struct{ X, Y float64 }{q.X, q.Y})
	}
	add(face, false)
	for _, h := range p.Holes {
		var ring []struct{ X, Y float64 }
		for _, q := range h {
			ring = append(ring, struct{ X, Y float64 }{q.X, q.Y})
		}
		add(ring, true)
	}
	return out
}
