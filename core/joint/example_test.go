package joint_test

import (
	"fmt"

	"warmanvil/core/joint"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// Two plates on one bolt in single shear: what it uses, and what was not asked.
func Example() {
	r, err := joint.Work(joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Lock, Washers: 2, Holes: [][2]float64{{0, 0}},
		Plies: []joint.Ply{{Name: "bracket", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 25, Wide: [2]float64{100, 100},
			Stiff: true}, {Name: "rail", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 25, Wide: [2]float64{200, 200}, Stiff: true}},
		Cases:    []joint.Case{{Name: "towed sideways", Force: [3]float64{4000, 0, 0}}},
		Strength: strength.Rule{School: strength.Allowable}})
	if err != nil {
		panic(err)
	}
	for _, c := range r.Checks {
		if c.Key == "shear" {
			fmt.Printf("%s: %s, %.0f %%\n", c.Name, c.Verdict, 100**c.Utilisation)
		}
	}
	// Output: Bolt in shear: holds, 32 %
}
