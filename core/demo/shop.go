package demo

import (
	"warmanvil/core/brief"
	"warmanvil/core/shop"
)

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
		"steel": 8, "stainless": 5, "aluminum": 8})
	press.Care = []shop.Care{{ID: "press-oil", Date: "2031-02-11", Text: "oil and filter"},
		{ID: "press-gauge", Date: "2031-03-02", Text: "back stop reads 0.4 mm long on the left: set again", Fault: true}}
	return shop.Shop{Schema: shop.Schema, Name: "Warm Anvil demo shop", Unit: brief.UnitMM,
		Machines: []shop.Machine{
			of("plasma", shop.Table, "plasma", "Plasma table", map[string]float64{"long": 2500, "wide": 1250, "steel": 16, "stainless": 10,
				"aluminum": 10}), town, press,
			of("pan", shop.Brake, "pan", "Pan brake", map[string]float64{"long": 1270, "angle": 135, "steel": 1.6, "stainless": 1, "aluminum": 2}),
			of("band", shop.Saw, "band", "Band saw", nil), of("drill", shop.Drill, "pillar", "Pillar drill", nil),
			of("mig", shop.Welder, "mig", "MIG set", nil), of("van", shop.Transport, "van", "Van", nil),
			of("crane", shop.Lift, "crane", "Engine crane", map[string]float64{"mass": 1000, "high": 2300})},
		People: []shop.Person{
			{ID: "mara", Name: "Mara", Lift: lift(22), Skills: []shop.Skill{{ID: "mara-bend", Operation: "bending", Level: "sure"},
				{ID: "mara-cut", Operation: "cutting", Level: "practised"}}},
			{ID: "tovi", Name: "Tovi", Lift: lift(30), Skills: []shop.Skill{{ID: "tovi-drill", Operation: "drilling", Level: "sure"},
				{ID: "tovi-bend", Operation: "bending", Level: "new"}}}}}
}
