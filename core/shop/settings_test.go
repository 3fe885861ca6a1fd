package shop_test

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
)

func val(v float64) *float64 { return &v }

// tried is a plasma table's settings on 3 mm.
func tried(id, result, date string, kerf, round *float64) shop.Setting {
	return shop.Setting{ID: id, Operation: "cutting", Machine: "pl", Material: "steel-s235", Thickness: 3, Set: "45 A " + id,
		Result: result,
		Date:   date, Kerf: kerf, Round: round}
}

var plasma = shop.Machine{ID: "pl", Kind: shop.Table, Sort: "plasma", Name: "Table P"}

// What was tried on a sheet is read at the machine: what worked first, newest first, what failed
// last; nothing of another sheet, thickness, machine or work.
func TestWhatWorkedBefore(t *testing.T) {
	w := shop.Shop{Machines: []shop.Machine{plasma, laser("la", 3000, 1500)}, Settings: []shop.Setting{
		tried("bad", "failed", "2031-05-01", nil, nil), tried("old", "worked", "2031-01-01", val(1.6), nil),
		tried("new", "worked", "2031-04-01", nil, nil), tried("thick", "worked", "2031-04-02", nil, nil), tried("other", "worked", "",
			nil, nil)}}
	w.Settings[3].Thickness, w.Settings[4].Machine = 6, "la"
	got := w.Worked("cutting", "steel-s235", 3, shop.Table, "plasma")
	if len(got) != 3 || !strings.HasPrefix(got[0], "Worked: 45 A new, Table P") || !strings.Contains(got[1], "kerf 1.60 mm "+
		"(2031-01-01)") ||
		!strings.HasPrefix(got[2], "Failed: 45 A bad") {
		t.Errorf("%q", got)
	}
	w.Settings[2].Batch = "heat 4711"
	if got := w.Worked("cutting", "steel-s235", 3, shop.Table, "plasma"); !strings.Contains(got[0], "heat 4711") {
		t.Errorf("the batch is not read: %q", got[0])
	}
	w.Unit = brief.UnitFraction
	if got := w.Worked("cutting", "steel-s235", 3, shop.Table, "plasma"); !strings.Contains(got[1], `kerf 0.063"`) {
		t.Errorf("in inches: %q", got[1])
	}
	if got := w.Worked("cutting", "steel-s355", 3, shop.Table, "plasma"); len(got) > 0 {
		t.Errorf("of another metal: %q", got)
	}
	r := plate(200, 100)
	r.Process = "plasma"
	if s := w.Cutting(r); len(s.Worked) != 3 || s.Machine != "Table P" || !strings.Contains(s.Caution, "Fumes") {
		t.Errorf("%+v", s)
	}
	r.Process = "hand"
	if s := w.Cutting(r); s.Machine != "the angle grinder" || !strings.Contains(s.Caution, "both hands") {
		t.Errorf("by hand: %+v", s)
	}
	w.Machines = append(w.Machines, shop.Machine{ID: "t", Kind: shop.Torch, Sort: "gas"})
	if s := w.Cutting(r); s.Machine != "the gas torch" || !strings.Contains(s.Caution, "held fuel") {
		t.Errorf("with a torch: %+v", s)
	}
}

// Where something is welded the settings of its thicknesses are read, with where a coupon of them broke.
func TestWeldsAreReadBefore(t *testing.T) {
	weld := func(id string, thick float64, broke string) shop.Setting {
		return shop.Setting{ID: id, Operation: "welding", Material: "steel-s235", Thickness: thick, Set: "19 V " + id,
			Result: "worked", Broke: broke}
	}
	w := shop.Shop{Machines: []shop.Machine{{ID: "m", Kind: shop.Welder, Sort: "mig", Name: "Small set"}},
		Settings: []shop.Setting{weld("a", 3, "beside"), weld("b", 4, "weld"), weld("c", 8, "")}}
	s := w.Welding("steel-s235", []float64{3, 4, 3})
	if s.Machine != "Small set" || len(s.Worked) != 2 || !strings.Contains(s.Worked[0], "broke beside the weld") ||
		!strings.Contains(s.Worked[1], "broke in the weld") || !strings.Contains(s.Caution, "fumes") {
		t.Errorf("%+v", s)
	}
	if got := w.Welding("stainless-304", []float64{3}); len(got.Worked) != 0 {
		t.Errorf("of another metal: %q", got.Worked)
	}
}

// A relief of 1.6 mm cannot be cut by a usual plasma of 1.5 mm kerf alone when the shop's own
// kerf is 1.8, and can again when it is 1.2: mean of what was measured, failed cuts left out.
func TestOwnKerfIsAsked(t *testing.T) {
	r := plate(200, 100)
	r.Process, r.Thickness, r.Bend = "plasma", 1.5, bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}
	f := plates.Flange("f", sheet.Front, 40, 90)
	f.SetIn, f.Relief = sheet.SetIn{Start: 40, End: 40}, sheet.Relief{Kind: sheet.Rectangular, Width: 1.6, Depth: 3}
	r.Base.Flanges = []sheet.Flange{f}
	stops := func(w shop.Shop) (reason string) {
		t.Helper()
		p, err := made.Build(w.Fill(r), made.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range p.Findings {
			if f.Code == "relief-unreachable" {
				return f.Reason
			}
		}
		return ""
	}
	own := func(kerfs ...float64) shop.Shop {
		w := shop.Shop{Machines: []shop.Machine{plasma}}
		for i, k := range kerfs {
			x := tried(string(rune('a'+i)), "worked", "", val(k), nil)
			x.Thickness = 1.5
			w.Settings = append(w.Settings, x)
		}
		failed := tried("z", "failed", "", val(9), nil)
		failed.Thickness = 1.5
		w.Settings = append(w.Settings, failed)
		return w
	}
	if got := stops(shop.Shop{}); got != "" {
		t.Errorf("as usual: %s", got)
	}
	if got := stops(own(1.7, 1.9)); !strings.Contains(got, "1.8 mm") {
		t.Errorf("kerf 1.8: %q", got)
	}
	if got := stops(own(1.2)); got != "" {
		t.Errorf("kerf 1.2: %s", got)
	}
	p := own(1.7, 1.9).Cuts("plasma", "steel-s235", 1.5)
	if p == nil || math.Abs(p.Kerf-1.8) > 1e-9 || !strings.Contains(p.Source, "mean of 2, spread 0.14 mm") || p.SmallestHole(1.5) != 3 {
		t.Errorf("%+v", p)
	}
	w := own()
	w.Settings = append(w.Settings, tried("r", "worked", "", nil, val(5)))
	if p := w.Cuts("plasma", "steel-s235", 3); p == nil || p.SmallestHole(3) != 5 || p.Kerf != 1.5 {
		t.Errorf("smallest hole: %+v", p)
	}
}

// A hole that has to come out round goes by the worst of what was tried, not by the mean; what
// is told is in the units of who asks, whichever the shop has.
func TestWorstHoleAndUnitsOfWhoAsks(t *testing.T) {
	w := shop.Shop{Machines: []shop.Machine{plasma}, Settings: []shop.Setting{
		tried("a", "worked", "2031-01-04", val(1.6), val(4)), tried("b", "worked", "2031-01-05", val(1.8), val(7)),
		tried("c", "failed", "", nil, val(12))}}
	p := w.Cuts("plasma", "steel-s235", 3)
	if p == nil || p.SmallestHole(3) != 7 || !strings.Contains(p.Source, "smallest round hole 7.00 mm, the largest of 2") {
		t.Errorf("%+v", p)
	}
	inch := w.ToldIn(brief.Brief{Unit: brief.UnitDecimal}.Display())
	if p := inch.Cuts("plasma", "steel-s235", 3); !strings.Contains(p.Source, `0.276"`) || strings.Contains(p.Source, " mm") {
		t.Errorf("inch job: %s", p.Source)
	}
	if got := inch.Cutting(plasmaCut()).Worked; len(got) != 3 || !strings.Contains(got[0], `kerf 0.071"`) {
		t.Errorf("inch job: %q", got)
	}
	w.Unit = brief.UnitDecimal
	metric := w.ToldIn(brief.Brief{Unit: brief.UnitMM}.Display())
	if got := metric.Cutting(plasmaCut()).Worked; len(got) != 3 || !strings.Contains(got[0], "kerf 1.80 mm") {
		t.Errorf("metric job of an inch shop: %q", got)
	}
}

// plasmaCut is a plate of 3 mm cut by plasma.
func plasmaCut() sheet.Recipe {
	r := plate(200, 100)
	r.Process, r.Thickness = "plasma", 3
	return r
}

// The kerf of a saw is as measured, or as its blade says; a shop that knows neither says nothing.
func TestKerfOfTheSaw(t *testing.T) {
	w := shop.Shop{Machines: []shop.Machine{{ID: "s", Kind: shop.Saw, Sort: "band"}}}
	if mm, says := w.SawKerf("steel-s235", 3, w.Display().Fine); mm != 0 || says != "" {
		t.Errorf("%g %q", mm, says)
	}
	w.Tools = []shop.ToolSet{{ID: "b", Kind: shop.Blades, Kerf: .9, Name: "10/14"}}
	if mm, says := w.SawKerf("steel-s235", 3, w.Display().Fine); mm != .9 || !strings.Contains(says, "blade") {
		t.Errorf("%g %q", mm, says)
	}
	w.Settings = []shop.Setting{{ID: "k", Operation: "sawing", Material: "steel-s235", Thickness: 3, Kerf: val(1.1), Result: "worked"}}
	if mm, says := w.SawKerf("steel-s235", 3, w.Display().Fine); mm != 1.1 || !strings.Contains(says, "measured once") {
		t.Errorf("%g %q", mm, says)
	}
	if mm, _ := w.SawKerf("steel-s235", 4, w.Display().Fine); mm != .9 {
		t.Errorf("of another wall: %g", mm)
	}
}

// The strips' springback is asked before the formula, and the shop says it of its strips.
func TestStripsSayWhereToAim(t *testing.T) {
	x := strip("a", .42)
	x.Coupon.BentTo = 92
	w := shop.Shop{Strips: []shop.Strip{x}}
	aim := func(w shop.Shop) float64 {
		t.Helper()
		p, err := made.Build(w.Fill(ear()), made.Options{})
		if err != nil || len(p.BendLines) != 1 || p.BendLines[0].Aim == nil {
			t.Fatalf("%v %+v", err, p.BendLines)
		}
		return *p.BendLines[0].Aim
	}
	if got := aim(w); math.Abs(got-92) > 1e-9 {
		t.Errorf("aim %.3f", got)
	}
	if got := aim(shop.Shop{Strips: []shop.Strip{strip("a", .42)}}); math.Abs(got-92) < .5 {
		t.Errorf("by the formula %.3f", got)
	}
	if told := w.Told(); len(told) != 1 || !strings.Contains(told[0].Springs, "At R 3.00 mm 97.8 % of the angle stays, from 1") {
		t.Errorf("%+v", told)
	}
}

// Settings and tools that mean nothing are refused where they stand.
func TestSettingsThatCannotBe(t *testing.T) {
	ok := shop.Setting{ID: "a", Operation: "cutting", Material: "steel-s235", Thickness: 3, Result: "worked"}
	if err := (shop.Shop{Settings: []shop.Setting{ok}}).Check(); err != nil {
		t.Fatal(err)
	}
	for at, change := range map[string]func(*shop.Setting){
		"/settings/0/operation": func(x *shop.Setting) { x.Operation = "praying" },
		"/settings/0/result":    func(x *shop.Setting) { x.Result = "" },
		"/settings/0/material":  func(x *shop.Setting) { x.Material = "wood" },
		"/settings/0/thickness": func(x *shop.Setting) { x.Thickness = 0 },
		"/settings/0/kerf":      func(x *shop.Setting) { x.Kerf = val(-1) },
		"/settings/0/round":     func(x *shop.Setting) { x.Round, x.Operation = val(3), "bending" },
		"/settings/0/minutes":   func(x *shop.Setting) { x.Minutes = val(-3) },
		"/settings/0/broke":     func(x *shop.Setting) { x.Broke = "weld" },
		"/settings/0/date":      func(x *shop.Setting) { x.Date = "May" },
		"/settings/0/id":        func(x *shop.Setting) { x.ID = "" },
	} {
		x := ok
		change(&x)
		refusedAt(t, at, shop.Shop{Settings: []shop.Setting{x}}.Check())
	}
	for at, w := range map[string]shop.Shop{
		"/people/0/hours": {People: []shop.Person{{ID: "p", Hours: val(0)}}},
		"/hour":           {Hour: val(-5)},
		"/rates/0/op":     {Rates: []effort.Rate{{Op: "sleeping"}}},
		"/rates/1/op":     {Rates: []effort.Rate{{Op: effort.Bending}, {Op: effort.Bending}}},
		"/rates/0/each":   {Rates: []effort.Rate{{Op: effort.Bending, Each: -1}}},
		"/rates/0/setUp":  {Rates: []effort.Rate{{Op: effort.Bending, SetUp: -1}}},
	} {
		refusedAt(t, at, w.Check())
	}
	for at, x := range map[string]shop.ToolSet{
		"/tools/0/kind":  {ID: "a", Kind: "spoon"},
		"/tools/0/kerf":  {ID: "a", Kind: shop.Sockets, Kerf: 1},
		"/tools/0/high":  {ID: "a", Kind: shop.Blades, High: 1},
		"/tools/0/sizes": {ID: "a", Kind: shop.Sockets, Sizes: make([]shop.ToolSize, 500)},
	} {
		refusedAt(t, at, shop.Shop{Tools: []shop.ToolSet{x}}.Check())
	}
}
