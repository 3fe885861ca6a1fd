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
	"warmanvil/core/working"
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

// What was welded on paper is asked again where it stands: moved off by more than a weld closes nothing holds, by less the
// gap is asked for, and said it is silent. A lap lies on its face by half its sheet.
func TestSeamsThatDoNotMeet(t *testing.T) {
	told := func(at vehicle.Placed, gap float64) WeldedTold {
		s := onPlate(vehicle.Placed{At: solid.Vector{50, 100, 4}, Roll: 90})
		if at.Roll == 0 {
			s = onPlate(vehicle.Placed{At: solid.Vector{50, 50, 7}})
		}
		w := s.Touching()[0].Joint
		w.ID, w.Path = "w", false
		w.Cases = []brief.SeamLoad{{Name: "pushed", Force: [3]float64{100, 0, 0}, At: [3]float64{100, 100, 4}}}
		if gap > 0 {
			w.Seams[0].Gap = &gap
		}
		moved := onPlate(at)
		moved.Brief.Welded = []brief.Welded{w}
		moved.Brief.Strength.School = strength.Allowable
		return moved.Hold().Welded[0]
	}
	find := func(w WeldedTold) working.Severity {
		for _, f := range w.Findings {
			if f.Code == "seam-apart" {
				return f.Severity
			}
		}
		return ""
	}
	standing := func(z float64) vehicle.Placed { return vehicle.Placed{At: solid.Vector{50, 100, z}, Roll: 90} }
	for _, c := range []struct {
		at   vehicle.Placed
		gap  float64
		want working.Severity
	}{{standing(4), 0, ""}, {standing(5), 0, ""}, {standing(7), 0, working.Mind}, {standing(7), 3, ""}, {standing(12), 0, working.Stop},
		{standing(12), 8, ""}, {vehicle.Placed{At: solid.Vector{50, 50, 7}}, 0, ""}, {vehicle.Placed{At: solid.Vector{50, 50, 20}}, 0,
			working.Stop}} {
		w := told(c.at, c.gap)
		if got := find(w); got != c.want {
			t.Errorf("at %v with a gap of %g said: %q, not %q; %s", c.at.At, c.gap, got, c.want, w.Why)
		}
		if c.want == working.Stop && w.Verdict == strength.Holds {
			t.Errorf("at %v it holds in the air", c.at.At)
		}
	}
}
