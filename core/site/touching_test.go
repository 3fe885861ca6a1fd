package site

import (
	"context"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
)

// onPlate is an ear of 6 mm and a plate of 8 mm, the ear where it is told.
func onPlate(at vehicle.Placed) Site {
	plate := demo.DemoSheet(8)
	plate.Base.Length, plate.Base.Width = 300, 200
	b := brief.Brief{Name: "Touching", Unit: brief.UnitMM, Grain: 1, Quantity: 1}.Upgraded()
	at.ID, at.Name, at.Part = "e", "Ear", "ear"
	return Site{Brief: b, Parts: BuildParts(context.Background(), []Part{{ID: "ear", Name: "Ear", Recipe: ear(), Quantity: 1},
		{ID: "plate", Name: "Plate", Recipe: plate, Quantity: 1}}, b, shop.Shop{}),
		Survey: vehicle.Survey{Placed: []vehicle.Placed{at, {ID: "p", Name: "Plate", Part: "plate"}}}}
}

// An ear that stands on a plate touches it by its lower edge, one that lies on it by all four; off it, past it or in it
// by none. What is found is a joint that can be taken, along the load path.
func TestPartsThatTouch(t *testing.T) {
	for name, c := range map[string]struct {
		at    vehicle.Placed
		seams int
		form  weld.Form
	}{"standing": {vehicle.Placed{At: solid.Vector{50, 100, 4}, Roll: 90}, 1, weld.FilletForm},
		"a millimetre off": {vehicle.Placed{At: solid.Vector{50, 100, 5}, Roll: 90}, 1, weld.FilletForm},
		"lying":            {vehicle.Placed{At: solid.Vector{50, 50, 7}}, 4, weld.LapForm},
		"hovering":         {vehicle.Placed{At: solid.Vector{50, 100, 8}, Roll: 90}, 0, ""},
		"through it":       {vehicle.Placed{At: solid.Vector{50, 100, -30}, Roll: 90}, 0, ""},
		"beside it":        {vehicle.Placed{At: solid.Vector{50, 400, 4}, Roll: 90}, 0, ""},
		"half past it":     {vehicle.Placed{At: solid.Vector{240, 100, 4}, Roll: 90}, 0, ""}} {
		s := onPlate(c.at)
		got := s.Touching()
		if c.seams == 0 {
			if len(got) != 0 {
				t.Errorf("%s: %+v", name, got)
			}
			continue
		}
		if len(got) != 1 || len(got[0].Joint.Seams) != c.seams || got[0].Joint.Seams[0].Form != c.form {
			t.Errorf("%s: %+v", name, got)
			continue
		}
		w := got[0].Joint
		w.ID = "w"
		s.Brief.Welded = []brief.Welded{w}
		s.Brief.Strength.School = strength.Allowable
		if err := s.Brief.Check(); err != nil {
			t.Errorf("%s: %v", name, err)
		}
		if x := s.Hold().Welded[0]; len(x.Seams) != c.seams || !x.Placed {
			t.Errorf("%s: taken it says %q", name, x.Why)
		}
		if again := s.Touching(); len(again) != 0 {
			t.Errorf("%s: welded, and proposed again", name)
		}
	}
}
