package made

import (
	"math"

	"warmanvil/core/solid"
)

// Solid answers the folded body as closed surfaces, for distances: a plate with
// its holes for each panel, a bent strip for each bend. Its deviation is what
// the chords of outlines, holes and bends lie off the true arcs at most.
func (b Body) Solid() solid.Body {
	out := solid.Body{Deviation: chordDeviation}
	half := b.Thickness / 2
	for _, p := range b.Panels {
		low := p.Origin.Sub(p.Z.Mul(half))
		out = out.With(solid.Prism(solid.Pose{Origin: low, X: p.X, Y: p.Y, Z: p.Z}, p.Face, p.Holes, b.Thickness))
	}
	for _, bend := range b.Bends {
		piece, off := bend.piece()
		if len(piece) > 0 {
			out.Pieces = append(out.Pieces, piece)
			out.Deviation = math.Max(out.Deviation, off)
		}
	}
	return out
}

// piece closes a bend's strips. off is how far its chords lie inside the arc.
func (b BodyBend) piece() (piece solid.Piece, off float64) {
	quad := func(a, b, c, d solid.Vector) { piece = append(piece, solid.Triangle{a, b, c}, solid.Triangle{a, c, d}) }
	n := len(b.Rows)
	if n < 2 {
		return nil, 0
	}
	for k := 1; k < n; k++ {
		r, s := b.Rows[k-1], b.Rows[k]
		quad(r[0], s[0], s[2], r[2]) // face down
		quad(r[1], r[3], s[3], s[1]) // face up
		quad(r[0], r[1], s[1], s[0]) // start
		quad(r[2], s[2], s[3], r[3]) // end
		if k+1 < n {
			for i := range 4 { // how far the middle corner stands off the chord of its neighbours, a quarter of it for one step
				chord := b.Rows[k+1][i].Sub(r[i])
				d := s[i].Sub(r[i])
				off = math.Max(off, d.Sub(chord.Mul(d.Dot(chord)/math.Max(chord.Dot(chord), 1e-12))).Len()/4)
			}
		}
	}
	first, last := b.Rows[0], b.Rows[n-1]
	quad(first[0], first[2], first[3], first[1])
	quad(last[0], last[1], last[3], last[2])
	if (solid.Body{Pieces: []solid.Piece{piece}}).Volume() < 0 { // bent the other way
		for i := range piece {
			piece[i][1], piece[i][2] = piece[i][2], piece[i][1]
		}
	}
	return piece, off
}
