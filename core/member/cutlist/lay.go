package cutlist

import (
	"math"
	"slices"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
)

// fill takes the pieces that use most of a remnant, to the millimetre.
func fill(pieces []StickPiece, length float64, saw member.Saw) (taken, left []StickPiece) {
	room := length
	if !saw.LastKerf {
		room += saw.Kerf
	}
	size := int(room)
	if size <= 0 {
		return nil, pieces
	}
	const none = -1
	last := make([]int, size+1) // piece that reached this much, by the first way found
	from := make([]int, size+1)
	for i := range last {
		last[i] = none
	}
	reached := make([]bool, size+1)
	reached[0] = true
	for k, p := range pieces {
		need := int(math.Ceil(p.Length + saw.Kerf - 1e-9))
		for s := size; s >= need; s-- {
			if !reached[s] && reached[s-need] {
				reached[s], last[s], from[s] = true, k, s-need
			}
		}
	}
	best := size
	for !reached[best] {
		best--
	}
	used := map[int]bool{}
	for s := best; s > 0; s = from[s] {
		used[last[s]] = true
	}
	for k, p := range pieces {
		if used[k] {
			taken = append(taken, p)
		} else {
			left = append(left, p)
		}
	}
	return taken, left
}

// lay sets pieces one after another on a stick, mitres alike back to back: one
// cut then serves both.
func (c *CutList) lay(name string, length, waste float64, pieces []StickPiece, saw member.Saw, perMM float64) StickLayout {
	s := StickLayout{Name: name, Length: length, Mass: length * perMM, Pieces: []StickPiece{}}
	x := waste
	var last *shape.Cut
	for len(pieces) > 0 {
		pick, turned, shared := 0, false, false
		if last != nil && last.Saw > 0 && last.Tilt == 0 && last.Hole == nil && !saw.LongMitre {
			for i, p := range pieces {
				r := c.Rows[p.row]
				for e := range 2 {
					if m := r.Ends[e]; !shared && r.shares(e) && math.Abs(m.Saw-last.Saw) < .05 && m.Lies == last.Lies {
						pick, turned, shared = i, true, true
					}
				}
			}
		}
		p := pieces[pick]
		pieces = slices.Delete(slices.Clone(pieces), pick, pick+1)
		r := c.Rows[p.row]
		next := r.Ends[1]
		if shared {
			x += -last.Slant + saw.Kerf*(1/math.Cos(last.Saw*math.Pi/180)-1)
			if math.Abs(r.Ends[0].Saw-last.Saw) >= .05 {
				next = r.Ends[0]
			}
		}
		p.At, p.Turned, p.Shared = x, turned && shared, shared
		s.Pieces = append(s.Pieces, p)
		x += p.Length + saw.Kerf
		last = &next
	}
	left := length - x
	if !saw.LastKerf {
		left += saw.Kerf
	}
	s.Left, s.past = math.Max(left, 0), math.Max(-left, 0)
	return s
}
