package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
)

// A plate of 8 mm with a hole of 5: plasma washes the hole out (8 at least), a laser of the shop takes
// 12 mm outside and cuts it, by hand it is cut here; each says what takes it and what it brings.
func TestWaysToCut(t *testing.T) {
	r := plates.Plate(300, 200)
	r.Material, r.Thickness, r.Process = "steel-s235", 8, "plasma"
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Front, 60, 5)}
	w := shop.Shop{Machines: []shop.Machine{
		{ID: "p", Kind: shop.Table, Sort: "plasma", Name: "Own plasma", Limits: map[string]float64{"long": 2500, "wide": 1250,
			"steel": 16}},
		{ID: "l", Kind: shop.Table, Sort: "laser", Name: "Fibre", Where: shop.Outside, Of: "Kern cutting",
			Limits: map[string]float64{"long": 3000, "wide": 1500, "steel": 12}},
		{ID: "u", Kind: shop.Table, Sort: "punch", Name: "Punch", Limits: map[string]float64{"long": 3000, "wide": 1500, "steel": 4}}}}
	list, err := CutRoutes(t.Context(), metric, w, r)
	if err != nil || len(list) != len(stock.Processes) {
		t.Fatalf("%v %+v", err, list)
	}
	by := map[string]CutRoute{}
	for _, c := range list {
		by[c.Process] = c
	}
	plasma, laser, punch, hand := by["plasma"], by["laser"], by["punch"], by["hand"]
	if !plasma.Now || plasma.Machine != "Own plasma" || plasma.Minutes == nil || plasma.Usual || plasma.Outside ||
		len(plasma.Stops)+len(plasma.Minds) == 0 {
		t.Errorf("plasma: %+v", plasma)
	}
	length := 2*(300+200) + math.Pi*5
	if math.Abs(*plasma.Minutes-length/1000*1.5) > .01 {
		t.Errorf("%.2f minutes of %.0f mm", *plasma.Minutes, length)
	}
	if laser.Machine == "" || !laser.Outside || laser.Minutes != nil || !strings.Contains(laser.Machine, "Kern") ||
		len(laser.Stops) != 0 {
		t.Errorf("laser: %+v", laser)
	}
	if punch.Machine != "" || len(punch.Stops)+len(punch.Minds) == 0 {
		t.Errorf("punch: %+v", punch)
	}
	if hand.Machine == "" || hand.Outside {
		t.Errorf("by hand: %+v", hand)
	}
	bad := r
	bad.Thickness = -1
	if _, err := CutRoutes(t.Context(), metric, w, bad); err == nil {
		t.Error("no thickness")
	}
}
