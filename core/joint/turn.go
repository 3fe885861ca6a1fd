package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Face is the rectangle in which the ply that carries lies on the next, in the
// joint's axes.
type Face struct {
	Low  [2]float64 `json:"low" doc:"mm"`
	High [2]float64 `json:"high" doc:"mm"`
	Ply  int        `json:"ply,omitempty" doc:"index of the ply it is the face of, when not the first"`
}

// lever answers how far from the bolts' middle the ply under the heads presses on
// the next on one side, mm: to the edge of its face there, or to the nearest edge of
// the two where no face is given; 0 not known.
func (j *joint) lever(m, way profile.Point) float64 {
	if f := j.in.Face; f != nil {
		x, y := f.Low[0], f.Low[1]
		if way.X > 0 {
			x = f.High[0]
		}
		if way.Y > 0 {
			y = f.High[1]
		}
		return math.Max(0, profile.Point{X: x, Y: y}.Sub(m).Dot(way))
	}
	e := 0.
	for _, p := range j.plies[:2] {
		if p.Edge > 0 && (e == 0 || p.Edge < e) {
			e = p.Edge
		}
	}
	return e
}

// turnOver adds to bolts in a row, or to one alone, the tension of a moment that
// only the plies pressing on each other hold: the ply turns about its edge on the
// side way, where it presses; what presses it down there helps. raw is each bolt's
// pull before that, which may be negative.
func (j *joint) turnOver(s *spread, moment float64, m, way profile.Point, raw []float64, what string) {
	e := j.lever(m, way)
	if e <= 0 {
		s.silent = what + " Give the distance of the holes to the edge of the plies."
		return
	}
	n := float64(len(raw))
	for i, r := range raw {
		s.add[i] = math.Max(0, r+moment/(n*e)) - s.pull[i]
	}
	// Pulled off, the plate is bent at the bolts by the whole moment; pressed down
	// beyond them, only by what is left to its edge.
	s.lean, s.lever = math.Max(0, moment+math.Min(s.c.Force[2], 0)*e), e
}

// leans checks the ply under the heads where it turns about its edge: the moment
// goes through it beside the bolts.
func (j *joint) leans(list []spread) {
	best, at := 0., -1
	for k, s := range list {
		if s.lean > best {
			best, at = s.lean, k
		}
	}
	p := j.plies[0]
	if f := j.in.Face; f != nil && f.Ply > 0 && f.Ply < len(j.plies) {
		p = j.plies[f.Ply]
	}
	if at < 0 || !p.metal {
		return
	}
	e := list[at].lever
	long := 0.
	for i, a := range j.in.Holes {
		for _, b := range j.in.Holes[:i] {
			long = math.Max(long, math.Hypot(a[0]-b[0], a[1]-b[1]))
		}
	}
	hole := p.Hole
	if hole == 0 {
		hole = j.thread.Clearance.Normal
	}
	a := e // metal past the ends of the row that takes part: no more than the lever
	if p.Edge > 0 {
		a = math.Min(a, p.Edge)
	}
	width := long + 2*a - float64(len(j.in.Holes))*hole
	z := math.Max(width, 0) * p.Thickness * p.Thickness / 4
	capacity := j.in.Strength.Capacity(p.material.Yield*p.worn*z, strength.Yield)
	u, verdict := strength.Judge(best, capacity)
	w := working.Working{Method: p.Name + " bent where it turns about its edge", Source: "strip beside the bolts, plastic modulus; AISC 360 F11", Formula: "M ≤ Fy·(L + 2a − n·dh)·t²/4",
		Inputs: []working.Quantity{{Symbol: "L", Name: "length of the row", Value: long, Unit: "mm"}, {Symbol: "a", Name: "metal past its ends", Value: a, Unit: "mm"}, {Symbol: "e", Name: "to the edge where it presses", Value: e, Unit: "mm"}, {Symbol: "t", Name: "thickness as measured", Value: p.Thickness, Unit: "mm"}, {Symbol: "Fy", Name: "yield of " + p.material.Name, Value: p.material.Yield * p.worn, Unit: "MPa"}},
		Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: capacity, Unit: "N·mm"}}, Result: working.Quantity{Symbol: "M", Name: "moment across the row", Value: best, Unit: "N·mm"},
		Assumptions: []string{j.in.Strength.Says(strength.Yield), "what it stands on does not give way"}}
	j.out.Checks = append(j.out.Checks, strength.Check{Key: "lean", Name: "Bent about its edge", Where: p.Name, Case: list[at].c.Name, Demand: best, Capacity: capacity, Unit: "N·mm", Utilisation: u, Verdict: verdict, Working: &w})
	j.say("edge-turn", working.Mind, "Bolts", fmt.Sprintf("The bolts hold a moment across them only with %s turning about its edge %s away. A second row holds it better.", p.Name, j.mm(e)))
}

// pry adds what thin plies pry on their bolts beside the bend or web the load
// comes through.
func (j *joint) pry(s *spread) {
	if j.in.Nut == Riveted || j.in.Nut == Screw {
		return
	}
	ta, _ := j.bolt.Capacity(j.in.Strength)
	for _, k := range []int{0, len(j.plies) - 1} {
		p := j.plies[k]
		if p.Pull == 0 || !p.metal {
			continue
		}
		hole := p.Hole
		if hole == 0 {
			hole = j.thread.Clearance.Normal
		}
		a := p.Edge
		if a == 0 {
			a = p.Pull
		}
		for i := range s.pull {
			long := 2 * p.Pull
			for m, h := range j.in.Holes {
				if d := math.Hypot(h[0]-j.in.Holes[i][0], h[1]-j.in.Holes[i][1]); m != i && d > 1e-6 {
					long = math.Min(long, d)
				}
			}
			q := bolt.Prying{A: a, B: p.Pull, Length: long, Bolt: j.thread.Diameter, Plate: bolt.Plate{Thickness: p.Thickness, Hole: hole, Yield: p.material.Yield * p.worn, Tensile: p.material.Tensile * p.worn}}
			s.pried[i] = math.Max(s.pried[i], q.Force(j.in.Strength, s.pull[i]+s.add[i], ta))
		}
	}
}
