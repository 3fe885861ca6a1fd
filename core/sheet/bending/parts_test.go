package bending

import (
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// plate is mild steel, K fixed at 0.42.
func plate(long, wide, thickness float64, flanges ...sheet.Flange) sheet.Recipe {
	k := .42
	return sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: thickness, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "base", Length: long, Width: wide, Flanges: flanges}}
}

// flange hangs on an edge at a right angle, R 2.
func flange(id string, e sheet.Edge, long float64, up bool, on ...sheet.Flange) sheet.Flange {
	return sheet.Flange{ID: id, Name: id, Edge: e, Length: long, Angle: 90, Up: up, InsideRadius: 2, Flanges: on}
}

func inset(f sheet.Flange, in float64) sheet.Flange {
	f.SetIn = sheet.SetIn{Start: in, End: in}
	return f
}

var around = []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left}

// trayOf has a side on every edge.
func trayOf(long, wide, thickness float64, side func(e sheet.Edge) sheet.Flange) sheet.Recipe {
	r := plate(long, wide, thickness)
	for _, e := range around {
		r.Base.Flanges = append(r.Base.Flanges, side(e))
	}
	return r
}

// lipped is a tray whose sides have lips out, and these a turn up: twelve bends.
func lipped() sheet.Recipe {
	return trayOf(400, 300, 2, func(e sheet.Edge) sheet.Flange {
		return flange("side "+string(e), e, 60, true, inset(flange("lip "+string(e), e, 25, false, flange("turn "+string(e), e, 15,
			true)), 30))
	})
}

func laid(r sheet.Recipe) *lay.Laid {
	return lay.Out(r, r.Bend.School, quantity.Display{Style: quantity.Metric})
}

var (
	press  = Brake{Name: "the press", Kind: Press, Named: true, Said: true, Long: 2500, Upper: UsualPunches(), Die: UsualDie(12)}
	pan    = Brake{Name: "the pan brake", Kind: Leaf, Named: true, Said: true, Long: 1250, Upper: UsualFingers(6, true)}
	folder = Brake{Name: "the folder", Kind: Leaf, Named: true, Said: true, Long: 1250, Upper: UsualFingers(6, false)}
	vice   = Brake{Name: "the vice", Kind: Vice, Named: true, Said: true, Long: 600, Upper: UsualBars()}
)

func tall() Brake {
	b := press
	b.Upper = append(UsualPunches()[:2], Tool{Name: "a tall gooseneck", Step: 5, Outline: Gooseneck(85, 22, 200, 60)})
	return b
}

func find(t testing.TB, r sheet.Recipe, brakes ...Brake) Bending {
	t.Helper()
	b, err := Find(t.Context(), laid(r), Asked{Brakes: brakes, Mass: 2}, nil)
	if err != nil {
		t.Fatal(err)
	}
	return b
}

// planned answers an order with the planner that found it.
func planned(t testing.TB, r sheet.Recipe, brake Brake) (*planner, plan) {
	t.Helper()
	p := newPlanner(bodyOf(laid(r)), brake)
	plan, err := p.plan(t.Context(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return p, plan
}
