package develop

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// RoundFacet is a flat piece of a round as it is drawn: between two rulings.
type RoundFacet struct {
	Flat []profile.Point // its corners on the flat, anticlockwise; three where a ruling has no length
	Body []solid.Vector  // the same corners on the middle surface
	Out  solid.Vector    // unit, to the outside
}

// RoundRow is a ruling of a round with both faces of the plate: at its bottom and at its top, inside and
// outside.
type RoundRow [4]solid.Vector

// Facets answers a round in pieces that lie no farther than off mm from it, and the rows between them:
// row i is where piece i begins, one more where the last ends.
func (r *Round) Facets(thickness, off float64) ([]RoundFacet, []RoundRow) {
	at := r.shown(off)
	facets := make([]RoundFacet, 0, len(at))
	for k := 1; k < len(at); k++ {
		facets = append(facets, r.facetOf(at[k-1], at[k]))
	}
	rows := make([]RoundRow, len(at))
	for k, i := range at {
		before, after := facets[max(k-1, 0)].Out, facets[min(k, len(facets)-1)].Out
		m := before.Add(after)
		if m.Len() < .2 { // bent back on itself
			m = after
		}
		m = m.Unit()
		half := m.Mul(thickness / 2 / math.Max(m.Dot(after), .2))
		x := r.Strip[i]
		rows[k] = RoundRow{x.Bottom.Sub(half), x.Bottom.Add(half), x.Top.Sub(half), x.Top.Add(half)}
	}
	return facets, rows
}

// shown answers the rulings that are drawn: all bends, the ends, and between them as many as keep the
// chords within off.
func (r *Round) shown(off float64) (at []int) {
	n := len(r.Strip) - 1
	lines := map[int]bool{}
	for _, l := range r.Lines {
		lines[l.ruling] = !l.Again || lines[l.ruling]
	}
	step := 1
	switch {
	case len(lines) > 0:
		step = n
	case r.Sharp > off:
		around := math.Hypot(r.Strip[0].Bottom[0], r.Strip[0].Bottom[1])
		around = math.Max(around, math.Hypot(r.Strip[0].Top[0], r.Strip[0].Top[1]))
		step = max(int(float64(n)*math.Acos(1-off/math.Max(around, 2*off))/math.Pi), 1)
	default:
		step = 10
	}
	step = min(step, n/24+1)
	if len(lines) > 0 {
		step = n
	}
	for i := 0; i <= n; i++ {
		if i%step == 0 || i == n || lines[i] {
			at = append(at, i)
		}
	}
	return at
}

func (r *Round) facetOf(i, j int) (f RoundFacet) {
	by := r.by[i]
	for _, c := range []struct {
		flat profile.Point
		body solid.Vector
	}{{r.bottom[i], r.Strip[i].Bottom}, {r.bottom[j], r.Strip[j].Bottom}, {r.top[j], r.Strip[j].Top}, {r.top[i], r.Strip[i].Top}} {
		if n := len(f.Body); n > 0 && (c.body.Sub(f.Body[n-1]).Len() < 1e-7 || c.body.Sub(f.Body[0]).Len() < 1e-7) {
			continue
		}
		f.Flat, f.Body = append(f.Flat, c.flat.Add(by)), append(f.Body, c.body)
	}
	if r.flip {
		for a, b := 0, len(f.Flat)-1; a < b; a, b = a+1, b-1 {
			f.Flat[a], f.Flat[b], f.Body[a], f.Body[b] = f.Flat[b], f.Flat[a], f.Body[b], f.Body[a]
		}
	}
	var n solid.Vector
	for k := 2; k < len(f.Body); k++ {
		n = n.Add(f.Body[k-1].Sub(f.Body[0]).Cross(f.Body[k].Sub(f.Body[0])))
	}
	if n.Len() > 0 {
		f.Out = n.Unit()
	}
	return f
}
