package frame_test

import (
	"context"
	"fmt"

	"warmanvil/core/frame"
)

// A cantilever of 1500 mm with 800 N at its end.
func Example() {
	tube := frame.Member{From: "wall", To: "end", E: 210000, G: 81000, Area: 541, Iy: 195000, Iz: 134000, J: 293000}
	r, err := frame.Solve(context.Background(), frame.Input{Nodes: map[string][3]float64{"wall": {}, "end": {1500, 0, 0}},
		Members:  []frame.Member{tube},
		Supports: map[string][6]bool{"wall": {true, true, true, true, true, true}}, Loads: map[string][6]float64{"end": {0, 0, -800}}})
	if err != nil {
		panic(err)
	}
	fmt.Printf("down %.2f mm, moment at the wall %.0f N·m\n", -r.Displacements["end"][2], -r.Reactions["wall"][4]/1000)
	// Output: down 21.98 mm, moment at the wall 1200 N·m
}
