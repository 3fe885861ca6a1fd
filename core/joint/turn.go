package joint

import (
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

// lever answers how far from the bolts' middle the plies really press on each
// other on one side, mm: to the nearest edge there of either of the two that touch,
// since only what both reach is backed. 0 where one of them is not known.
func (j *joint) lever(m, way profile.Point) float64 {
	e := math.Inf(1)
	first := -1
	for k, p := range j.plies {
		if !p.metal {
			continue
		}
		if first < 0 {
			first = k
		}
		at := p.Edge
		if f := j.in.Face; f != nil && f.Ply == k {
			x, y := f.Low[0], f.Low[1]
			if way.X > 0 {
				x = f.High[0]
			}
			if way.Y > 0 {
				y = f.High[1]
			}
			at = math.Max(0, profile.Point{X: x, Y: y}.Sub(m).Dot(way))
		}
		if at <= 0 {
			return 0
		}
		e = math.Min(e, at)
		if k != first { // the two that touch
			break
		}
	}
	if math.IsInf(e, 1) {
		return 0
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
		s.silent, s.loose = what+" Give the distance of the holes to the edge of both plies.", moment
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

// turned answers the index of the ply that turns about its edge: the one whose face
// is given, else the first of metal.
func (j *joint) turned() int {
	if f := j.in.Face; f != nil && f.Ply > 0 && f.Ply < len(j.plies) && j.plies[f.Ply].metal {
		return f.Ply
	}
	for k, p := range j.plies {
		if p.metal {
			return k
		}
	}
	return 0
}

// leans asks the ply that turns about its edge: the moment goes through it beside
// the bolts. Nothing to ask where no case turns it.
func (j *joint) leans(k int, list []spread) (mode, bool) {
	some := false
	for i := range list {
		some = some || list[i].lean > 0
	}
	if !some {
		return mode{}, false
	}
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	long := 0.
	for i, a := range j.in.Holes {
		for _, b := range j.in.Holes[:i] {
			long = math.Max(long, math.Hypot(a[0]-b[0], a[1]-b[1]))
		}
	}
	past := func(s *spread) float64 { // metal past the ends of the row that takes part: no more than the lever
		if p.Edge > 0 {
			return math.Min(s.lever, p.Edge)
		}
		return s.lever
	}
	capacity := func(s *spread) float64 {
		width := long + 2*past(s) - float64(len(j.in.Holes))*plate.Hole
		return rule.Capacity(plate.Yield*math.Max(width, 0)*p.Thickness*p.Thickness/4, plate.Yields())
	}
	return mode{Key: "lean", Name: "Bent about its edge", Where: p.Name, Unit: "N·mm",
		Eval: func(s *spread) strength.Hit {
			if s.lean <= 0 {
				return strength.Hit{}
			}
			return strength.Hit{Demand: s.lean, Capacity: capacity(s)}
		},
		Explain: func(s *spread, h strength.Hit) working.Working {
			return working.Working{Method: p.Name + " bent where it turns about its edge",
				Source: "strip beside the bolts, plastic modulus; AISC 360 F11", Formula: "M ≤ Fy·(L + 2a − n·dh)·t²/4",
				Inputs: []working.Quantity{working.MM("L", "length of the row", long), working.MM("a", "metal past its ends", past(s)),
					working.MM("e", "to the edge where it presses", s.lever), working.MM("t", "thickness as measured", p.Thickness),
					mpa("Fy", "yield of "+p.material.Name, plate.Yield)},
				Steps:  []working.Quantity{amount("cap", "may be used", h.Capacity, "N·mm")},
				Result: amount("M", "moment across the row", h.Demand, "N·mm"),
				Assumptions: []string{rule.Says(plate.Yields()),
					"it turns about the nearest edge that both plies reach; what it stands on does not give way"}}
		}}, true
}

// pry adds what thin plies pry on their bolts beside the bend or web the load
// comes through. ta is the bolt's usable tension, N.
func (j *joint) pry(s *spread, ta float64) {
	for _, k := range []int{0, len(j.plies) - 1} {
		if p := j.plies[k]; p.Pull == 0 || p.Stiff || !p.metal || !s.through(k) {
			continue
		}
		for i := range s.pull {
			if t := s.drawn(i); t > 0 {
				s.pried[i] = math.Max(s.pried[i], j.levers(k)[i].Force(j.in.Strength, t, ta))
			}
		}
	}
}

// levers answers the prying geometry of an outer ply at all bolts, worked out once.
func (j *joint) levers(k int) []bolt.Prying {
	if j.pries == nil {
		j.pries = map[int][]bolt.Prying{}
	}
	if _, there := j.pries[k]; !there {
		for i := range j.in.Holes {
			j.pries[k] = append(j.pries[k], j.leverArm(k, i))
		}
	}
	return j.pries[k]
}
