package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
)

// laid is a straight run of a seam that carries.
type laid struct {
	seam  int
	long  float64 // mm of the unbroken run it is of, which its length is judged by
	along solid.Vector
	dot   bool // it is a plug or a spot
	two   bool // its other side is welded too, at the same place of the plate
}

// run cuts a path from one length along it to another into straight pieces.
func run(path []solid.Vector, from, to float64) (out [][2]solid.Vector) {
	at := 0.
	for i := 1; i < len(path); i++ {
		a, b := path[i-1], path[i]
		long := b.Sub(a).Len()
		lo, hi := math.Max(from-at, 0), math.Min(to-at, long)
		if long > 0 && hi-lo > 1e-9 {
			d := b.Sub(a).Mul(1 / long)
			out = append(out, [2]solid.Vector{a.Add(d.Mul(lo)), a.Add(d.Mul(hi))})
		}
		at += long
	}
	return out
}

// stretches answers the unbroken runs of a seam as lengths along it: all of it, or its stitches, as many as go on
// it, the same left over at both ends.
func (s Seam) stretches() (out [][2]float64) {
	long := s.Len()
	if s.Stitch == 0 || s.Stitch >= long {
		return [][2]float64{{0, long}}
	}
	n := math.Floor((long-s.Stitch)/s.Pitch + 1e-9)
	first := (long - s.Stitch - n*s.Pitch) / 2
	for k := 0.; k <= n; k++ {
		out = append(out, [2]float64{first + k*s.Pitch, first + k*s.Pitch + s.Stitch})
	}
	return out
}

// lay answers the lines of a seam that carry: starts and stops taken off, both sides where both are welded; left
// says what of it is not counted.
func (s Seam) lay(seam int, throat float64) (lines []Line, of []laid, left string) {
	if s.dots() {
		lines, of = s.placed(seam)
		return lines, of, ""
	}
	least := math.Max(leastLegs*s.size(), LeastCounted)
	if s.sheet() {
		least = math.Max(leastLegs*s.size(), leastSheet)
	}
	short := 0
	shifts := []solid.Vector{{}}
	if off := s.Sides[0].Normal.Unit().Mul(s.Sides[0].thick() / 2); s.Both {
		shifts = []solid.Vector{off, off.Mul(-1)}
	}
	for _, x := range s.stretches() {
		long := math.Max(x[1]-x[0], s.Of)
		if long < least-1e-9 {
			short++
			continue
		}
		lost := s.size() // at each end: twice the leg in all
		if s.RunOff || s.closed() && s.Stitch == 0 {
			lost = 0
		}
		for _, piece := range run(s.Path, x[0]+lost, x[1]-lost) {
			for _, shift := range shifts {
				lines = append(lines, Line{piece[0].Add(shift), piece[1].Add(shift), throat})
				of = append(of, laid{seam: seam, long: long, along: piece[1].Sub(piece[0]).Unit(), two: s.Both})
			}
		}
	}
	if short > 0 {
		what := "it is"
		if s.Stitch > 0 {
			what = fmt.Sprintf("%d of its stitches are", short)
		}
		left = fmt.Sprintf("%s: %s shorter than %.0f mm and not counted", s.Called(), what, least)
	}
	return lines, of, left
}

// size is what a seam's length is judged by: its leg, of a butt its throat.
func (s Seam) size() float64 {
	if s.Leg > 0 {
		return s.Leg
	}
	t, _ := s.counted()
	return t
}

// sheet tells whether the thinner of what it joins is sheet.
func (s Seam) sheet() bool { return math.Min(s.Sides[0].Thickness, s.Sides[1].Thickness) < SheetTo }

// Runs answers what of a seam is welded, as lines: all of it, or its stitches.
func (s Seam) Runs() (out [][]solid.Vector) {
	if s.dots() {
		return [][]solid.Vector{}
	}
	for _, x := range s.stretches() {
		var line []solid.Vector
		for i, piece := range run(s.Path, x[0], x[1]) {
			if i == 0 {
				line = append(line, piece[0])
			}
			line = append(line, piece[1])
		}
		out = append(out, line)
	}
	return out
}
