package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/solid"
)

// splicePlates answers how plates over a splice lie: on the upright sides, the higher ones, or over and under; half as wide
// as they are, mm: the flat of the side less the weld beside them. As thick as the wall. why says that nobody can say.
func (r *Run) splicePlates() (upright bool, half float64, why string) {
	if kind := r.Section.Kind; kind != "rectTube" && kind != "flatBar" {
		return false, 0, "Plates over a splice are worked out on tubes with flat sides and on flat bars: on this section draw them as parts " +
			"and weld them on the Hold bench."
	}
	high, wide, t := r.Box.Top-r.Box.Bottom, r.Box.Right-r.Box.Left, member.Thickness(r.Section)
	upright = high >= wide
	if half = math.Max(high, wide)/2 - r.Section.OuterRadius - t; half < 2*t {
		return upright, 0, "Its sides are too narrow for plates that are welded along their edges: take a sleeve."
	}
	return upright, half, ""
}

// spliceSays tells what is made of a splice, as its strength is asked.
func (r *Run) spliceSays(long float64) string {
	t := member.Thickness(r.Section)
	if r.Splice.Kind != "plates" {
		return fmt.Sprintf("sleeve inside, %.4g mm long, plug-welded each side of the seam, and the seam welded all round, the ends %.4g mm "+
			"apart; the plugs are not counted", long, t)
	}
	upright, half, why := r.splicePlates()
	if why != "" {
		return fmt.Sprintf("plates on two sides, %.4g mm long, welded along their edges", long)
	}
	on := "on its top and bottom"
	if upright {
		on = "on its left and right"
	}
	return fmt.Sprintf("plates %s, %.4g mm long, %.4g mm wide and %.4g mm thick, welded all round with a leg of that", on, long, 2*half, t)
}

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
	upright, half, why := r.splicePlates()
	if why != "" {
		return nil, nil, why
	}
	box := r.Box
	off := [2]float64{box.Right, box.Left}
	if !upright {
		off = [2]float64{box.Top, box.Bottom}
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
