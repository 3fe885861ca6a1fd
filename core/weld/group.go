package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// GroupInput is a load on a group of seams that lie in one plane, z = 0.
type GroupInput struct {
	Segments [][2][2]float64 `json:"segments" doc:"ends of each seam, mm"`
	Force    [3]float64      `json:"force" doc:"N"`
	At       [3]float64      `json:"at" doc:"a point on the load's line, mm"`
}

// GroupResult is the group as a line of throat 1 and what the load asks of it.
type GroupResult struct {
	Length   float64         `json:"length" doc:"mm"`
	Centroid [2]float64      `json:"centroid" doc:"mm"`
	IX       float64         `json:"ix" doc:"mm³, ∫y² about the centroid"`
	IY       float64         `json:"iy" doc:"mm³, ∫x²"`
	IXY      float64         `json:"ixy" doc:"mm³, ∫xy"`
	Polar    float64         `json:"polar" doc:"mm³"`
	Peak     float64         `json:"peak" doc:"N/mm, greatest vector sum at any end"`
	Place    [2]float64      `json:"at" doc:"mm, where that is"`
	Working  working.Working `json:"working"`
}

// WorkGroup works out a group in its plane: shear and torsion in it, pull and bending out of it, in its principal
// axes. It fails with *working.Fault.
func WorkGroup(in GroupInput) (GroupResult, error) {
	switch {
	case len(in.Segments) == 0:
		return GroupResult{}, working.Refuse("/segments", "There is no seam: give both ends of each.")
	case len(in.Segments) > mostSegments:
		return GroupResult{}, working.Refuse("/segments", "%d seams are more than the %d this takes.", len(in.Segments), mostSegments)
	}
	lines := make([]Line, len(in.Segments))
	for i, s := range in.Segments {
		for k, p := range s {
			for j, v := range p {
				at := fmt.Sprintf("/segments/%d/%d/%d", i, k, j)
				if err := working.Within(at, "An end's place", v, -mostPlace, mostPlace, "mm"); err != nil {
					return GroupResult{}, err
				}
			}
		}
		lines[i] = Line{solid.Vector{s[0][0], s[0][1]}, solid.Vector{s[1][0], s[1][1]}, 1}
		if lines[i].Len() < 1e-9 {
			return GroupResult{}, working.Refuse(fmt.Sprintf("/segments/%d", i), "Seam %d has no length: both its ends are one point.", i+1)
		}
	}
	for k := range 3 {
		if err := working.First(working.Within(fmt.Sprintf("/force/%d", k), "The force", in.Force[k], -mostForce, mostForce, "N"),
			working.Within(fmt.Sprintf("/at/%d", k), "Its place", in.At[k], -mostPlace, mostPlace, "mm")); err != nil {
			return GroupResult{}, err
		}
	}
	g := NewGroup(lines)
	load := Load{Force: solid.Vector(in.Force), At: solid.Vector(in.At)}
	flow, loose := g.Asked(load)
	arm := load.At.Sub(g.Centroid)
	moment := arm.Cross(load.Force)
	if loose.Len() > 1e-9*math.Max(load.Force.Len()*math.Max(arm.Len(), 1), 1) {
		return GroupResult{}, working.Refuse("/segments", "All of it lies on one line, and the load turns it about that line by %.4g N·m: one "+
			"straight seam does not hold that. Add a second seam beside it.", loose.Len()/1000)
	}
	out := GroupResult{Length: g.Length, Centroid: [2]float64{g.Centroid[0], g.Centroid[1]}, IX: g.Inertia[0][0], IY: g.Inertia[1][1],
		IXY: -g.Inertia[0][1] + 0, Polar: g.Inertia[2][2]}
	line, end, peak := g.Peak(flow)
	place := [2]solid.Vector{lines[line].A, lines[line].B}[end]
	out.Peak, out.Place = peak, [2]float64{place[0], place[1]}
	f := flow.At(place)
	newton := func(symbol, name string, v float64) working.Quantity {
		return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N"}
	}
	turn := func(symbol, name string, v float64) working.Quantity {
		return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N·mm"}
	}
	out.Working = working.Working{Method: "Weld group as lines", Source: "elastic vector method; Blodgett, Design of Welded Structures, 7.4",
		Formula: "f = F/L + b × r with I·b = M, r from the centroid; I of the lines, with Ixy",
		Inputs: []working.Quantity{newton("Fx", "force across", in.Force[0]), newton("Fy", "force up", in.Force[1]),
			newton("Fz", "force out of the plane", in.Force[2])},
		Steps: []working.Quantity{working.MM("L", "length", g.Length), turn("Mx", "moment about x", moment[0]),
			turn("My", "moment about y", moment[1]), turn("Mz", "torsion", moment[2]), perMM("fx", "across there", f[0]),
			perMM("fy", "up there", f[1]), perMM("fz", "out of the plane there", f[2])},
		Assumptions: []string{"what is joined is stiff against the weld", "throat 1: divide by the throat for a stress",
			fmt.Sprintf("greatest at (%.4g, %.4g)", place[0], place[1])},
		Result: perMM("f", "greatest on a millimetre", peak)}
	return out, nil
}

func perMM(symbol, name string, v float64) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N/mm"}
}
