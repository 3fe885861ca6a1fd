package cutlist

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
)

// rows puts pieces alike together and marks them.
func rows(b *shape.Built) []CutRow {
	var rows []CutRow
	at, hand := map[string]int{}, map[string]string{}
	var stocks []string
	many := map[string]int{}
	add := func(names, pieces []string, key, other string, r CutRow) {
		if k, ok := at[key]; ok {
			rows[k].Quantity++
			rows[k].Names, rows[k].Pieces = append(rows[k].Names, strings.Join(names, " + ")), append(rows[k].Pieces, pieces...)
			return
		}
		s := slices.Index(stocks, r.Stock)
		if s < 0 {
			s = len(stocks)
			stocks = append(stocks, r.Stock)
		}
		many[r.Stock]++
		r.Mark = fmt.Sprintf("%s%d", letters(s), many[r.Stock])
		r.Quantity, r.Names, r.Pieces = 1, []string{strings.Join(names, " + ")}, slices.Clone(pieces)
		at[key] = len(rows)
		if m, ok := hand[key]; ok && key != other {
			r.Twin = m
			for i := range rows {
				if rows[i].Mark == m {
					rows[i].Twin = r.Mark
				}
			}
		}
		hand[other] = r.Mark
		rows = append(rows, r)
	}
	of := map[string]*shape.Formed{}
	for i := range b.Formed {
		for _, id := range b.Formed[i].Pieces {
			of[id] = &b.Formed[i]
		}
	}
	for i := range b.Pieces {
		p := &b.Pieces[i]
		if p.Why != "" {
			continue
		}
		if f := of[p.ID]; f != nil {
			if f.Pieces[0] == p.ID {
				r := CutRow{Stock: f.Stock, Section: f.Section, Length: f.Developed, Trim: f.Trim, CutTo: f.Developed + f.Trim, Short: f.Short,
					Faces: f.Faces, Starts: f.Starts, Ends: f.Ends, Mass: f.Mass, Notes: f.Notes, Corners: f.Corners, Bend: f.Bend}
				add(f.Names, f.Pieces, f.Alike, f.Twin, r)
			}
			continue
		}
		r := CutRow{Stock: p.Stock, Section: p.Section, Length: p.Length, Trim: p.Trim, CutTo: p.Length + p.Trim, Short: p.Short, Faces: p.Faces,
			Starts: p.Starts, Ends: p.Ends, Mass: p.Mass, Notes: slices.Clone(p.Holes)}
		key, twin := alike(p)
		if p.Splice == nil {
			add([]string{p.Name}, []string{p.ID}, key, twin, r)
			continue
		}
		// Two pieces, square at the splice.
		cut := shape.Cut{Kind: member.Square, Cut: 90, Lies: "bottom", Onto: "splice"}
		for k, length := range [2]float64{p.Splice.At, p.Length - p.Splice.At} {
			s := r
			s.Length, s.CutTo, s.Ends[1-k] = length, length, cut
			s.Short = length - p.Ends[k].Slant
			for f := range s.Faces {
				if k == 0 {
					s.Faces[f] = length - s.Starts[f]
				} else {
					s.Faces[f], s.Starts[f] = s.Starts[f]+s.Faces[f]-p.Splice.At, 0
				}
			}
			if k == 1 {
				s.CutTo += p.Trim
			} else {
				s.Trim = 0
			}
			s.Mass = p.Mass * length / p.Length
			s.Notes = append(slices.Clone(r.Notes), p.Splice.Says)
			add([]string{p.Name}, []string{p.ID}, fmt.Sprintf("%s/%d", key, k), fmt.Sprintf("%s/%d", twin, k), s)
		}
	}
	return rows
}

// letters counts A … Z, AA ….
func letters(n int) string {
	if n < 26 {
		return string(rune('A' + n))
	}
	return letters(n/26-1) + string(rune('A'+n%26))
}

// alike answers what makes two pieces the same on the saw, and what its mirror
// image would be.
func alike(p *shape.Piece) (key, twin string) {
	end := func(c shape.Cut) string {
		if c.Hole != nil {
			return fmt.Sprintf("hole %.2f %.2f %.2f", c.Hole.Diameter, c.Hole.Angle, c.Hole.Offset)
		}
		return fmt.Sprintf("%.2f/%.2f/%s", c.Saw, c.Tilt, map[bool]string{true: c.Lies}[c.Saw > 0])
	}
	a, b := end(p.Ends[0]), end(p.Ends[1])
	if !member.Closed(p.Section) && p.Section.Kind != "flatBar" && !member.Round(p.Section) {
		a, b = a+p.Ends[0].Long, b+p.Ends[1].Long // an open section goes one way round only
	} else if b < a {
		a, b = b, a
	}
	// Two mitres lean towards or along one another.
	lean := ""
	if p.Ends[0].Saw > 0 && p.Ends[1].Saw > 0 {
		lean = "across"
		if p.Ends[0].Long == p.Ends[1].Long {
			lean = "same"
		} else if opposite(p.Ends[0].Long, p.Ends[1].Long) {
			lean = "opposite"
		}
	}
	base := fmt.Sprintf("%s|%.1f|%.1f|%s|%s|%s", p.Stock, p.Length, p.Trim, a, b, lean)
	hand := 0.0
	for e := range 2 {
		if p.Ends[e].Tilt > 0 {
			hand += math.Copysign(1, p.Turned[e][0]*p.Turned[e][1])
		}
	}
	if hand == 0 && (p.Ends[0].Tilt > 0 || p.Ends[1].Tilt > 0 || lean == "across") {
		hand = .5
	}
	if k := p.Section.Kind; (k == "angle" || k == "channel") && (p.Ends[0].Saw > 0 || p.Ends[1].Saw > 0) {
		hand = 1
		if p.Mirrored {
			hand = -1
		}
	}
	return fmt.Sprintf("%s|%g", base, hand), fmt.Sprintf("%s|%g", base, -hand)
}

func opposite(a, b string) bool {
	other := strings.NewReplacer("top", "bottom", "bottom", "top", "left", "right", "right", "left")
	return a != "" && other.Replace(a) == b
}

// Wraps answers the templates a saw cannot do without: copes, round tubes cut at
// an angle, compound mitres and what lies past the saw.
func Wraps(b *shape.Built, rows []CutRow, limit float64) (out []shape.Wrap) {
	if limit == 0 {
		limit = 60
	}
	for _, row := range rows {
		for i, p := range b.Pieces {
			if p.ID != row.Pieces[0] {
				continue
			}
			for e := range 2 {
				c := row.Ends[e]
				if c.Slant < .05 || !member.Round(p.Section) && c.Tilt == 0 && c.Saw <= limit || p.Section.Kind == "angle" ||
					p.Section.Kind == "channel" {
					continue
				}
				w := b.Runs[i].Develop(e)
				w.Mark, w.Name, w.End = row.Mark, p.Name, e
				out = append(out, w)
			}
		}
	}
	return out
}
