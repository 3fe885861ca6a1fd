package shop_test

import (
	"regexp"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/shop"
)

// The ways out of a limit stand in one order: other tool, other machine, split, somebody outside
// whose limits take it, other design; a supplier is named when what it said takes the part and
// not when it does not or said nothing.
func TestWaysOutStandInOrder(t *testing.T) {
	hand := plate(900, 700)
	hand.Process = "hand"
	foot := of("shear", shop.Shear, "foot", map[string]float64{"long": 1000, "steel": 1.5})
	bed := of("laser", shop.Table, "laser", map[string]float64{"long": 800, "wide": 500, "steel": 15, "stainless": 8, "aluminum": 8})
	outside := func(rules map[string]float64) []shop.Supplier {
		return []shop.Supplier{{ID: "k", Name: "Quarry Cutting", Does: "Cutting and bending", Rules: rules}}
	}
	drill := of("bench", shop.Drill, "bench", map[string]float64{"drill": 13, "throat": 150})
	for name, c := range map[string]struct {
		w      shop.Shop
		recipe sheet.Recipe
		code   string
		order  string
	}{
		"bed": {shop.Shop{Machines: []shop.Machine{bed}}, plate(900, 700), "past-bed",
			"another machine.*split the part.*a cutter outside whose limits take it.*another design"},
		"bed, one that takes it": {shop.Shop{Machines: []shop.Machine{bed}, Suppliers: outside(map[string]float64{"long": 3000, "wide": 1500})},
			plate(900, 700), "past-bed", "another machine.*split the part.*Quarry Cutting outside.*another design"},
		"bed, one too small": {shop.Shop{Machines: []shop.Machine{bed}, Suppliers: outside(map[string]float64{"long": 850, "wide": 600})},
			plate(900, 700), "past-bed", "a cutter outside whose"},
		"bed, one for thin sheet": {shop.Shop{Machines: []shop.Machine{bed}, Suppliers: outside(map[string]float64{"thickest": 2})},
			plate(900, 700), "past-bed", "a cutter outside whose"},
		"bed, one that said nothing": {shop.Shop{Machines: []shop.Machine{bed}, Suppliers: outside(nil)}, plate(900, 700), "past-bed",
			"a cutter outside whose"},
		"shear": {shop.Shop{Machines: []shop.Machine{foot}}, hand, "past-shear", "saw it.*another machine.*cutter outside.*thinner sheet"},
		"drill": {shop.Shop{Machines: []shop.Machine{drill}}, drilled(20, 60), "past-drill", "by hand.*another machine.*outside.*cut it"},
	} {
		f := said(t, c.w, c.recipe, false)[c.code]
		if !regexp.MustCompile("Ways out: .*" + c.order).MatchString(f.Reason) {
			t.Errorf("%s: %q", name, f.Reason)
		}
		if strings.Contains(f.Reason, "a cutter outside whose limits") && strings.Contains(f.Reason, "Quarry") {
			t.Errorf("%s: names one that does not take it: %q", name, f.Reason)
		}
	}
}
