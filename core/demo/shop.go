package demo

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/shop"
)

func pieces(of string, long ...float64) (out []shop.BendPiece) {
	for i, v := range long {
		out = append(out, shop.BendPiece{ID: fmt.Sprint(of, "-", i), Long: v})
	}
	return out
}

// Shop is the demo's shop: two people, their machines, and what is sent out for. All of it
// is invented.
func Shop() shop.Shop {
	lift := func(v float64) *float64 { return &v }
	of := func(id string, k shop.Kind, sort, name string, limits map[string]float64) shop.Machine {
		return shop.Machine{ID: id, Kind: k, Sort: sort, Name: name, Limits: limits}
	}
	town := of("laser", shop.Table, "laser", "Fibre laser", map[string]float64{"long": 3000, "wide": 1500, "steel": 20, "stainless": 12,
		"aluminum": 12})
	town.Where, town.Of = shop.Outside, "Kern cutting, in town"
	press := of("press", shop.Brake, "press", "Long press", map[string]float64{"long": 2550, "force": 784_532, "line": 780, "angle": 145,
		"steel": 8, "stainless": 5, "aluminum": 8, "open": 200, "beam": 75, "floor": 920, "stop": 650})
	press.Care = []shop.Care{{ID: "press-oil", Date: "2031-02-11", Text: "oil and filter"},
		{ID: "press-gauge", Date: "2031-03-02", Text: "back stop reads 0.4 mm long on the left: set again", Fault: true}}
	return shop.Shop{Schema: shop.Schema, Name: "Warm Anvil demo shop", Unit: brief.UnitMM,
		Machines: []shop.Machine{
			of("plasma", shop.Table, "plasma", "Plasma table", map[string]float64{"long": 2500, "wide": 1250, "steel": 16,
				"stainless": 10,
				"aluminum":  10}), town, press,
			of("pan", shop.Brake, "pan", "Pan brake", map[string]float64{"long": 1270, "angle": 135, "steel": 1.6, "stainless": 1,
				"aluminum": 2}),
			of("band", shop.Saw, "band", "Band saw", nil), of("drill", shop.Drill, "pillar", "Pillar drill", nil),
			of("mig", shop.Welder, "mig", "MIG set", nil), of("van", shop.Transport, "van", "Van", nil),
			of("crane", shop.Lift, "crane", "Engine crane", map[string]float64{"mass": 1000, "high": 2300})},
		BendTools: []shop.BendTool{
			{ID: "punch", Kind: shop.StraightPunch, Name: "Straight punch", Angle: 85, Width: 13, Height: 120,
				Pieces: pieces("punch", 10, 15, 20, 40, 50, 100, 200, 415, 835, 835)},
			{ID: "neck", Kind: shop.Gooseneck, Name: "Gooseneck", Angle: 85, Width: 22, Height: 130, Throat: 32,
				Pieces: pieces("neck", 50, 100, 200, 415, 415)},
			{ID: "v12", Kind: shop.VDie, Name: "V12 die", Opening: 12, Angle: 30, Width: 40, Height: 75,
				Pieces: pieces("v12", 20, 40, 50, 100, 200, 415, 835, 835)},
			{ID: "v16", Kind: shop.VDie, Name: "V16 die", Opening: 16, Angle: 80, Width: 44, Height: 60,
				Pieces: pieces("v16", 415, 415, 835, 835)},
			{ID: "v24", Kind: shop.VDie, Name: "V24 die", Opening: 24, Angle: 80, Width: 55, Height: 60, Pieces: pieces("v24", 415,
				835, 835)},
			{ID: "v50", Kind: shop.VDie, Name: "V50 die", Opening: 50, Angle: 80, Width: 90, Height: 80, Pieces: pieces("v50", 415, 835)},
			{ID: "fingers", Kind: shop.Fingers, Name: "Fingers", Nose: 6, Height: 95, Lean: 45,
				Pieces: pieces("fingers", 25, 25, 50, 75, 100, 150, 200, 250, 395)}},
		Currency: "crowns", Hour: lift(55),
		Settings: []shop.Setting{{ID: "pl-3", Operation: "cutting", Machine: "plasma", Material: "steel-s235", Thickness: 3,
			Set: "45 A, 5.2 bar, 3.0 m/min, " +
				"stand-off 1.5", Kerf: lift(1.62), Result: "worked", Part: "Tank saddle", Date: "2031-02-20"},
			{ID: "pl-6", Operation: "cutting", Machine: "plasma", Material: "steel-s235", Thickness: 6,
				Set: "65 A, 5.2 bar, 1.2 m/min", Result: "poor",
				Note: "dross under the front edge: slower", Date: "2031-02-20"}},
		Suppliers: []shop.Supplier{{ID: "kern", Name: "Kern cutting, in town", Does: "cutting and bending", Days: lift(4),
			Rules: map[string]float64{"long": 3000, "wide": 1500, "thickest": 20, "bend": 2500, "flange": 12, "hole": 3, "edge": 4}},
			{ID: "zink", Name: "Dip works", Does: "zinc, 450 °C", Days: lift(9), Rules: map[string]float64{"long": 6500, "wide": 1500,
				"thinnest": 1.5}}},
		Prices: []shop.Price{{ID: "s235-3", What: "S235, 3 mm, 2500 × 1250", Price: 96, Per: "sheet", Date: "2031-03-04",
			Source: "Kern cutting"},
			{ID: "tube-50", What: "50 × 50 × 4 mm tube", Price: 7.4, Per: "m", Date: "2031-02-18", Source: "steel yard"},
			{ID: "kilo", What: "structural steel S235JR, sheet and tube", Price: 2.1, Per: "kg", Date: "2031-03-04", Source: "steel yard"},
			{ID: "powder", What: "powder coat", Price: 21, Per: "m²", Date: "2031-01-30", Source: "Dip works"}},
		People: []shop.Person{
			{ID: "mara", Name: "Mara", Lift: lift(22), Hours: lift(32), Skills: []shop.Skill{
				{ID: "mara-bend", Operation: "bending", Level: "sure"},
				{ID: "mara-cut", Operation: "cutting", Level: "practised"}}},
			{ID: "tovi", Name: "Tovi", Lift: lift(30), Hours: lift(38), Skills: []shop.Skill{
				{ID: "tovi-drill", Operation: "drilling", Level: "sure"},
				{ID: "tovi-bend", Operation: "bending", Level: "new"}}}}}
}
