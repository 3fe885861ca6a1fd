package shop_test

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/demo"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// tray is a box of 2 mm steel with sides of a height, bent in a press.
func tray(high float64) sheet.Recipe {
	r := plate(300, 200)
	r.Thickness = 2
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		f := plates.Flange("side-"+string(e), e, high, 90)
		f.InsideRadius = 2
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	return r
}

// bentIn builds a part in a shop with the order of its bends.
func bentIn(t *testing.T, w shop.Shop, r sheet.Recipe) made.Part {
	t.Helper()
	opt := made.Options{Machines: w.For(r, false), Ordered: true, Display: plates.Metric.Display}
	opt.Brakes, opt.Others = w.Bends(r, false)
	p, err := made.Build(r, opt)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// What is known stops a part that cannot be bent; what is usual has it looked at, and says what
// was taken.
func TestNoOrder(t *testing.T) {
	f := plates.Codes(bentIn(t, shop.Shop{}, tray(180)))["bend-order"]
	if f.Severity != working.Mind || !strings.Contains(f.Reason, "On a usual press brake") ||
		!strings.Contains(f.Reason, "Taken as usual: the machine; the punches; the die's block") || f.Feature != "side-front" {
		t.Errorf("%+v", f)
	}
	known := demo.Shop()
	r := tray(180)
	r.Tool.Opening = 12
	f = plates.Codes(bentIn(t, known, r))["bend-order"]
	if f.Severity != working.Stop || !strings.Contains(f.Reason, "On Long press") || strings.Contains(f.Reason, "usual:") ||
		!strings.Contains(f.Reason, "Ways out: another tool") || f.Working == nil {
		t.Errorf("%+v", f)
	}
	r = tray(40)
	r.Tool.Opening = 12
	p := bentIn(t, known, r)
	if _, is := plates.Codes(p)["bend-order"]; is || p.Bending == nil || !p.Bending.Goes || len(p.Bending.Usual) > 0 {
		t.Fatalf("%+v", p.Bending)
	}
	// The last side goes in between two that stand, 300 less two thicknesses apart.
	last := p.Bending.Steps[3]
	if last.Upper.Setup.Long > 296 || len(last.Upper.Setup.Pieces) == 0 || p.Steps[3].Name != last.Name ||
		p.Steps[3].Stop.MM != last.Stop.MM {
		t.Errorf("%+v against %+v", last.Upper, p.Steps[3])
	}
}

// A part that nobody can look through is not called bendable.
func TestNobodyLooked(t *testing.T) {
	r := plate(7000, 400)
	for i := range 36 { // jogs have two bends
		f := plates.Flange(fmt.Sprint("f", i), []sheet.Edge{sheet.Front, sheet.Back}[i%2], 30, 20+float64(i))
		f.Kind, f.Depth = sheet.Jog, 20
		f.SetIn = sheet.SetIn{Start: 20 + 220*float64(i/2), End: 7000 - 20 - 220*float64(i/2) - 150}
		r.Base.Flanges = append(r.Base.Flanges, f)
	}
	if f := plates.Codes(bentIn(t, shop.Shop{}, r))["bend-order-unknown"]; f.Severity != working.Mind ||
		!strings.Contains(f.Reason, "Nobody looked whether it can be bent") {
		t.Errorf("%+v", f)
	}
}

// A brake that is away is not replaced by a usual one.
func TestBrakeAway(t *testing.T) {
	w := shop.Shop{Machines: []shop.Machine{press("a", 2000, 5e5, 500)}}
	w.Machines[0].Away = true
	if there, _ := w.Bends(tray(40), false); len(there) != 0 {
		t.Errorf("%+v", there)
	}
}

// Sizes and an outline of the same tool are the same tool, wherever it is drawn.
func TestOwnOutline(t *testing.T) {
	sized := shop.BendTool{ID: "a", Kind: shop.VDie, Opening: 16, Angle: 60, Width: 50, Height: 70}
	drawn := shop.BendTool{ID: "b", Kind: shop.VDie}
	v := 8 / math.Tan(30*math.Pi/180)
	for _, p := range []profile.Point{{X: 25, Y: 0}, {X: 8, Y: 0}, {X: 0, Y: -v}, {X: -8, Y: 0}, {X: -25, Y: 0}, {X: -25, Y: -70},
		{X: 25, Y: -70}} {
		drawn.Outline = append(drawn.Outline, profile.Vertex{X: p.X + 130, Y: p.Y + 400})
	}
	r := tray(40)
	r.Tool.Opening = 16
	for _, tool := range []shop.BendTool{sized, drawn} {
		w := shop.Shop{BendTools: []shop.BendTool{tool}}
		if err := w.Check(); err != nil {
			t.Fatal(err)
		}
		there, _ := w.Bends(r, false)
		die := there[0].Die
		if !die.Said || math.Abs(die.Opening-16) > 1e-9 {
			t.Fatalf("%+v", die)
		}
		low, right := math.Inf(1), math.Inf(-1)
		for _, p := range die.Outline {
			low, right = math.Min(low, p.Y), math.Max(right, p.X)
		}
		if math.Abs(low+70) > 1e-9 || math.Abs(right-25) > 1e-9 {
			t.Errorf("reaches %.3f down and %.3f to the back", low, right)
		}
	}
	// A die of another opening is not this one.
	r.Tool.Opening = 24
	there, _ := shop.Shop{BendTools: []shop.BendTool{sized}}.Bends(r, false)
	if there[0].Die.Said || there[0].Die.Opening != 24 {
		t.Errorf("%+v", there[0].Die)
	}
}

// A punch drawn upside down or a die without a groove says what is wrong and where.
func TestToolsThatAreNone(t *testing.T) {
	square := profile.Loop{{X: 0, Y: 0}, {X: 10, Y: 0}, {X: 10, Y: 10}, {X: 0, Y: 10}}
	for name, c := range map[string]struct {
		tool shop.BendTool
		path string
		says string
	}{
		"die wider than its block": {shop.BendTool{Kind: shop.VDie, Opening: 50, Angle: 80, Width: 40, Height: 60},
			"/bendTools/0/width", "no shoulders"},
		"groove through its block": {shop.BendTool{Kind: shop.VDie, Opening: 50, Angle: 30, Width: 80, Height: 60},
			"/bendTools/0/height", "93.3"},
		"neck without a head": {shop.BendTool{Kind: shop.Gooseneck, Angle: 85, Width: 22, Height: 60, Throat: 30},
			"/bendTools/0/height", "108 mm"},
		"blunt punch": {shop.BendTool{Kind: shop.StraightPunch, Angle: 20, Width: 60, Height: 100},
			"/bendTools/0/height", "such a tip"},
		"nose over the finger": {shop.BendTool{Kind: shop.Fingers, Nose: 50, Height: 40, Lean: 45}, "/bendTools/0/nose", "as high"},
		"no size":              {shop.BendTool{Kind: shop.Fingers, Nose: 5, Lean: 45}, "/bendTools/0/height", "The height"},
		"no kind":              {shop.BendTool{Kind: "anvil"}, "/bendTools/0/kind", "anvil"},
		"no piece": {shop.BendTool{Kind: shop.Fingers, Nose: 5, Height: 90, Lean: 45,
			Pieces: []shop.BendPiece{{ID: "p"}}}, "/bendTools/0/pieces/0/long", "A piece"},
		"die without a groove": {shop.BendTool{Kind: shop.VDie, Outline: square}, "/bendTools/0/outline", "No groove"},
		"two corners":          {shop.BendTool{Kind: shop.Fingers, Outline: square[:2]}, "/bendTools/0/outline", "3 to 400 corners"},
		"crossed": {shop.BendTool{Kind: shop.Fingers, Outline: profile.Loop{square[0], square[2], square[1],
			square[3]}}, "/bendTools/0/outline", "crosses itself"},
		"in metres": {shop.BendTool{Kind: shop.Fingers, Outline: profile.Loop{{}, {X: 4e3}, {Y: 4e3}}},
			"/bendTools/0/outline", "drawn in millimetres"},
	} {
		c.tool.ID = "x"
		var f *working.Fault
		if err := (shop.Shop{BendTools: []shop.BendTool{c.tool}}).Check(); !errors.As(err, &f) || f.Path != c.path ||
			!strings.Contains(f.Message, c.says) {
			t.Errorf("%s: %v at %+v", name, err, f)
		}
	}
	if err := demo.Shop().Check(); err != nil {
		t.Error(err)
	}
}

// The bench part's tool decides which machines are its own and which are others.
func TestOtherSorts(t *testing.T) {
	w := demo.Shop()
	r := tray(40)
	there, others := w.Bends(r, false)
	if len(there) != 1 || there[0].Name != "Long press" || len(others) != 1 || others[0].Name != "Pan brake" ||
		others[0].Upper[0].Name != "Fingers" {
		t.Errorf("%+v and %+v", there, others)
	}
	r.Tool = bend.Tool{Kind: bend.ToolPan}
	if there, others = w.Bends(r, false); there[0].Name != "Pan brake" || others[0].Name != "Long press" || others[0].Die.Opening != 12 {
		t.Errorf("%+v and %+v", there, others)
	}
}

// The shop's own die makes its own radius in air: 16 % of V 24 is 3.84, and R 2 is drawn; of V 12 it is
// 1.92. A usual die, a die the recipe names and a bottomed bend are not asked so.
func TestRadiusOfTheOwnDie(t *testing.T) {
	w := func(opening float64) shop.Shop {
		out := shop.Shop{Machines: []shop.Machine{press("p", 2500, 1e6, 1000)}}
		if opening > 0 {
			out.BendTools = []shop.BendTool{{ID: "d", Kind: shop.VDie, Opening: opening, Angle: 80, Width: 2*opening + 10, Height: 70}}
		}
		return out
	}
	radius := func(w shop.Shop, r sheet.Recipe) string {
		for _, f := range bentIn(t, w, r).Findings {
			if f.Code == "die-radius" {
				return f.Reason
			}
		}
		return ""
	}
	r := tray(30)
	r.Bend.Method = bend.MethodAir
	if got := radius(w(24), r); !strings.Contains(got, "die of 24") || !strings.Contains(got, "3.84") && !strings.Contains(got, "3.8") {
		t.Errorf("V 24: %q", got)
	}
	named, bottomed := r, r
	named.Tool.Opening, bottomed.Bend.Method = 24, bend.MethodBottomed
	// A part that asks for V 12 where the shop has V 24 alone is told so, with what it has; a shop that
	// names no die is not asked.
	asks := r
	asks.Tool.Opening = 12
	missing := func(w shop.Shop) string {
		for _, f := range bentIn(t, w, asks).Findings {
			if f.Code == "die-missing" {
				return f.Reason
			}
		}
		return ""
	}
	if got := missing(w(24)); !strings.Contains(got, "a die of 12") || !strings.Contains(got, "24") {
		t.Errorf("V 12 asked for: %q", got)
	}
	if a, b := missing(w(12)), missing(w(0)); a != "" || b != "" {
		t.Errorf("%q %q", a, b)
	}
	for what, got := range map[string]string{"V 12": radius(w(12), r), "usual": radius(w(0), r), "named": radius(w(24), named),
		"bottomed": radius(w(24), bottomed)} {
		if got != "" {
			t.Errorf("%s: %s", what, got)
		}
	}
}
