package shape

import (
	"math"

	"warmanvil/core/member"
	"warmanvil/core/solid"
)

// SpliceSides answers where a splice is welded, and why nobody can say. A sleeve: all round where the two pieces meet. Plates:
// of each half of each the end and both long edges; first are those of the first half, which carry all of it by themselves,
// as those of the second do.
func (b *Built) SpliceSides(k int) (first, second []RimSide, why string) {
	r := b.Runs[k]
	if r.Splice == nil || b.Pieces[k].Splice == nil {
		return nil, nil, ""
	}
	at := r.Start.Add(r.Axes.X.Mul(r.Splice.At))
	if r.Splice.Kind != "plates" {
		rim := RimSide{Name: "all round its sleeve"}
		for i := range len(r.Outer) + 1 {
			q := r.Outer[i%len(r.Outer)]
			rim.Path = append(rim.Path, at.Add(r.Axes.At(q[0], q[1])))
		}
		return []RimSide{rim}, nil, ""
	}
	if kind := r.Section.Kind; kind != "rectTube" && kind != "flatBar" {
		return nil, nil, "Plates over a splice are worked out on tubes with flat sides and on flat bars: on this section draw them " +
			"as parts and " +
			"weld them on the Hold bench."
	}
	box, t := r.Box, member.Thickness(r.Section)
	upright := box.Top-box.Bottom >= box.Right-box.Left
	off, half := [2]float64{box.Right, box.Left}, (box.Top-box.Bottom)/2
	if !upright {
		off, half = [2]float64{box.Top, box.Bottom}, (box.Right-box.Left)/2
	}
	half -= r.Section.OuterRadius + t // what of the face is flat, less the weld beside the plate
	if half < 2*t {
		return nil, nil, "Its sides are too narrow for plates that are welded along their edges: take a sleeve."
	}
	local := func(across, over float64) solid.Vector {
		if upright {
			return r.Axes.At(across, over)
		}
		return r.Axes.At(over, across)
	}
	middle := (box.Top + box.Bottom) / 2
	if !upright {
		middle = (box.Right + box.Left) / 2
	}
	for n, x := range off {
		face := local(math.Copysign(1, x), 0)
		for h, way := range []float64{-1, 1} {
			end := at.Add(r.Axes.X.Mul(way * b.Pieces[k].Splice.Long / 2))
			lo, hi := local(x, middle-half), local(x, middle+half)
			side := RimSide{Name: [2]string{"first", "second"}[n] + " plate, " + [2]string{"first", "second"}[h] + " half", Face: face,
				Path: []solid.Vector{at.Add(lo), end.Add(lo), end.Add(hi), at.Add(hi)}}
			if h == 0 {
				first = append(first, side)
			} else {
				second = append(second, side)
			}
		}
	}
	return first, second, ""
}
