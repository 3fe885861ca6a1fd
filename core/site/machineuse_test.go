package site

import (
	"context"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
)

// A job's machines are listed with all that is done at each, those that stand elsewhere first and
// with whether they are booked for it; what does not go on the first table is on the next.
func TestMachinesOfAJob(t *testing.T) {
	bent := func(id string, long float64) Part {
		r := plates.Plate(long, 300)
		r.Material, r.Process, r.Thickness = "steel-s235", "laser", 2
		f := plates.Flange("f", sheet.Front, 60, 90)
		f.InsideRadius = 3
		r.Base.Flanges = []sheet.Flange{f}
		return Part{ID: id, Name: "Tray " + id, Recipe: r, Quantity: 1}
	}
	b := metric.Upgraded()
	b.Name = "Rack"
	w := shop.Shop{Machines: []shop.Machine{machine(shop.Table, "laser", map[string]float64{"long": 1000, "wide": 600, "steel": 10}),
		{ID: "far", Kind: shop.Table, Sort: "laser", Name: "Far laser", Where: shop.Outside, Of: "Quarry Cutting"},
		{ID: "lent", Kind: shop.Brake, Sort: "press", Name: "Lent brake", Where: shop.Borrowed, Of: "Ilo",
			Booked: []shop.Booking{{ID: "b", From: "2031-05-02", To: "2031-05-03", For: "somebody"}}},
		machine(shop.Welder, "mig", nil), machine(shop.Saw, "band", nil), machine(shop.Spray, "yard", nil),
		machine(shop.Compressor, "piston", map[string]float64{"flow": 200})}}
	s := Site{Brief: b, Shop: w, Parts: BuildParts(context.Background(), []Part{bent("a", 500), bent("b", 1500)}, b, w),
		Frames: []Frame{{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 1}}}
	list := s.Machines()
	work := func(name string) (u MachineUse, ops map[string]string) {
		ops = map[string]string{}
		for _, x := range list {
			if x.Name == name {
				u = x
				for _, k := range x.Work {
					ops[k.Op] = strings.Join(k.Of, ", ")
				}
			}
		}
		return u, ops
	}
	if len(list) != 6 || list[0].Where != shop.Outside || list[1].Where != shop.Borrowed {
		t.Fatalf("%+v", list)
	}
	for name, want := range map[string]map[string]string{"The table": {"cut": "Tray a"}, "Far laser": {"cut": "Tray b"},
		"Lent brake": {"bend": "Tray a, Tray b"}, "The welder": {"weld": "Corner"}, "The saw": {"saw": "Corner"},
		"The spray": {"spray": "Tray a, Tray b, Corner"}} {
		_, ops := work(name)
		for op, of := range want {
			if ops[op] != of || len(ops) != len(want) {
				t.Errorf("%s: %v, want %v", name, ops, want)
			}
		}
	}
	lent, _ := work("Lent brake")
	if lent.Ours || len(lent.Lacks) != 1 || len(lent.Booked) != 1 || lent.Of != "Ilo" {
		t.Errorf("%+v", lent)
	}
	spray, _ := work("The spray")
	if len(spray.Lacks) != 1 || !strings.Contains(spray.Lacks[0], "300 l/min (a usual value") || !strings.Contains(spray.Lacks[0],
		"gives 200 l/min:") {
		t.Errorf("%q", spray.Lacks)
	}
	s.Shop.Machines = slices.Clone(w.Machines)
	s.Shop.Machines[2].Booked = append(s.Shop.Machines[2].Booked, shop.Booking{ID: "c", From: "2031-05-04", For: " rack "})
	list = s.Machines()
	if lent, _ = work("Lent brake"); !lent.Ours || len(lent.Lacks) > 0 {
		t.Errorf("booked for it: %+v", lent)
	}
	s.Shop = shop.Shop{}
	list = s.Machines()
	for _, x := range list {
		if !x.Usual || x.Where != shop.Own {
			t.Errorf("a shop that names none: %+v", x)
		}
	}
}
