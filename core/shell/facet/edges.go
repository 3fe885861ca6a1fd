package facet

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// join finds the edges and the angles at them.
func (b *Built) join() {
	at := map[line]int{}
	for i := range b.Faces {
		f := &b.Faces[i]
		f.edges = make([]int, len(f.Points))
		for k, p := range f.Points {
			q := f.Points[(k+1)%len(f.Points)]
			l := lineOf(p, q)
			e, known := at[l]
			if !known {
				e = len(b.Edges)
				at[l] = e
				b.Edges = append(b.Edges, Edge{A: p, B: q, Long: b.at(p).Sub(b.at(q)).Len()})
			}
			b.Edges[e].Faces, b.Edges[e].sides = append(b.Edges[e].Faces, i), append(b.Edges[e].sides, k)
			f.edges[k] = e
		}
	}
	for i := range b.Edges {
		e := &b.Edges[i]
		if len(e.Faces) < 2 {
			continue
		}
		m, n := b.Faces[e.Faces[0]].Pose.Z, b.Faces[e.Faces[1]].Pose.Z
		along := b.at(e.B).Sub(b.at(e.A)).Unit() // as the first face runs
		e.Turn = math.Atan2(m.Cross(n).Dot(along), m.Dot(n)) * 180 / math.Pi
		e.Seam = Seam{A: e.A, B: e.B, Kind: Corner}
	}
}

// seamed puts down how edges meet, and refuses what does not.
func (b *Built) seamed() error {
	at := map[line]int{}
	for i, e := range b.Edges {
		at[lineOf(e.A, e.B)] = i
	}
	for i, s := range b.Seams {
		path := fmt.Sprintf("/seams/%d", i)
		if s.Kind == BentOne {
			path = fmt.Sprintf("/bends/%d", i)
		}
		k, known := at[lineOf(s.A, s.B)]
		if !known {
			return working.Refuse(path, "No panel has an edge from %s to %s.", b.called(s.A), b.called(s.B))
		}
		e := &b.Edges[k]
		switch {
		case len(e.Faces) < 2:
			return working.Refuse(path, "The edge from %s to %s is free: only %s ends there.", b.called(s.A), b.called(s.B),
				b.called(b.Faces[e.Faces[0]].ID))
		case e.sought:
			return working.Refuse(path, "The edge from %s to %s is said twice.", b.called(s.A), b.called(s.B))
		case s.Kind != Corner && s.Kind != Open && s.Kind != Lap && s.Kind != Bevel && s.Kind != BentOne:
			return working.Refuse(path, "Panels meet corner to corner, open, lapped, bevelled or bent, not %q.", string(s.Kind))
		case s.Kind == Lap && s.Over != "" && s.Over != b.Faces[e.Faces[0]].ID && s.Over != b.Faces[e.Faces[1]].ID:
			return working.Refuse(path, "%s does not end at the edge from %s to %s.", b.called(s.Over), b.called(s.A), b.called(s.B))
		case s.Kind == BentOne && math.Abs(e.Turn) > 165:
			return working.Refuse(path, "The edge from %s to %s would be bent by %.1f°: over 165° it is a hem, not a bend.", s.A,
				s.B, math.Abs(e.Turn))
		}
		if err := working.Within(path+"/gap", "The gap", s.Gap, 0, 100, "mm"); err != nil {
			return err
		}
		e.Seam, e.sought = s, true
	}
	return nil
}

// off answers how far a face's edge is moved in from its points, mm: the setback of a bend, or what
// the other panel's thickness takes at a seam; less than none where it runs on over it.
func (b *Built) off(e Edge, face int) float64 {
	if len(e.Faces) < 2 || math.Abs(e.Turn) < 1e-9 {
		if len(e.Faces) == 2 && e.Seam.Kind == Open {
			return e.Seam.Gap / 2
		}
		return 0
	}
	turn := math.Abs(e.Turn) * math.Pi / 180
	half := math.Tan(turn / 2)
	near := b.toNear(e)
	switch e.Seam.Kind {
	case BentOne: // from the apex of the face the points lie on
		return (b.Radius + near) * half
	case Bevel:
		return (near - b.Thickness) * half // at the wide face; below none it is not narrower than its points
	case Open:
		return near*half + e.Seam.Gap/2/math.Cos(turn/2)
	case Lap:
		over := e.Seam.Over
		if over == "" {
			over = b.Faces[e.Faces[0]].ID
		}
		if b.Faces[face].ID == over { // runs on to the other's far face
			return near*half - b.Thickness/math.Sin(turn)
		}
		// Its square end stops where its nearer corner meets the other's inside.
		return near*half + math.Max(0, b.Thickness/math.Tan(turn))
	}
	return near * half
}

// toNear answers how far the points lie from the face of the sheet that is on the hollow side of an
// edge, where panels touch, mm.
func (b *Built) toNear(e Edge) float64 {
	switch {
	case b.Side == Middle:
		return b.Thickness / 2
	case (b.Side == Outside) == (e.Turn > 0):
		return b.Thickness
	}
	return 0
}
