package shape

import (
	"math"

	"warmanvil/core/solid"
)

// Corner is one of the two corners beside a member's end that stands square on another member: what a gusset fills.
type Corner struct {
	Onto string       // id of the member it stands on
	At   solid.Vector // mm, where their faces meet, in the middle of what lies beside each other
	Up   solid.Vector // along the member, away from what it stands on
	Out  solid.Vector // along what it stands on, away from the member
	Room [2]float64   // mm along Up and along Out to where the members end; none on the outside of a mitre
	Wide float64      // mm, across both, where their faces lie beside each other
}

// Corners answers the corners beside an end, the one with more room first, and why there are none. A mitred end has one
// on its inside alone. k is the index of
// the piece, e 0 for its first end and 1 for its second.
func (b *Built) Corners(k, e int) (out []Corner, why string) {
	p := &b.Pieces[k]
	if p.Why != "" {
		return nil, p.Why
	}
	on := -1
	for i := range b.Pieces {
		if b.Runs[i].ID == b.Runs[k].cuts[e].onto && b.Pieces[i].Why == "" {
			on = i
		}
	}
	if on < 0 {
		return nil, "This end stands on no other member: a gusset fills the corner between two."
	}
	o := &b.Pieces[on]
	up := p.Axes.X
	if e == 1 {
		up = up.Mul(-1)
	}
	if math.Abs(up.Dot(o.Axes.X)) > .02 {
		return nil, "It stands slanted: a gusset by one press fills a square corner. Draw this one as a part."
	}
	across := up.Cross(o.Axes.X).Unit()
	level := o.first.Dot(up) + o.toward(up)
	low := math.Max(p.first.Dot(across)-p.toward(across.Mul(-1)), o.first.Dot(across)-o.toward(across.Mul(-1)))
	high := math.Min(p.first.Dot(across)+p.toward(across), o.first.Dot(across)+o.toward(across))
	if high-low < 1 {
		return nil, "Their faces do not lie beside each other there."
	}
	for _, side := range []float64{1, -1} {
		c := Corner{Onto: o.ID, Up: up, Out: o.Axes.X.Mul(side), Wide: high - low}
		from := p.first.Dot(c.Out) + p.toward(c.Out)
		c.At = up.Mul(level).Add(c.Out.Mul(from)).Add(across.Mul((low + high) / 2))
		c.Room = [2]float64{math.Max(p.line(0).Dot(up), p.line(1).Dot(up)) - level, math.Max(o.line(0).Dot(c.Out), o.line(1).Dot(c.Out)) - from}
		out = append(out, c)
	}
	if out[1].Room[1] > out[0].Room[1]+1e-6 {
		out[0], out[1] = out[1], out[0]
	}
	return out, ""
}
