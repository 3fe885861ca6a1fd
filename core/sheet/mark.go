package sheet

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/profile"
)

// MarkMade is a mark on the flat pattern: words, or lines to draw.
type MarkMade struct {
	ID     string            `json:"id"`
	Panel  string            `json:"panel"`
	Name   string            `json:"name"`
	Kind   MarkKind          `json:"kind" enum:"text,centre,arrow,bead,noweld,tick"`
	At     profile.Point     `json:"at"`
	Angle  float64           `json:"angle" doc:"degrees on the flat pattern"`
	Text   string            `json:"text,omitempty"`
	Height float64           `json:"height,omitempty" doc:"mm, of the words"`
	Lines  [][]profile.Point `json:"lines,omitempty"`
}

// tickMark is a bend tick; it is made from the recipe's ticks.
const tickMark MarkKind = "tick"

// marksMade lays the marks of every panel on the flat pattern.
func (b *maker) marksMade(part *Part) []MarkMade {
	out := []MarkMade{}
	for _, p := range b.panels {
		for i := range p.marks {
			if m, ok := b.mark(p, &p.marks[i], i); ok {
				out = append(out, m)
			}
		}
	}
	if b.recipe.Ticks {
		for _, l := range part.BendLines {
			d := l.To.Sub(l.From)
			d = d.Mul(math.Min(5, d.Len()/3) / d.Len())
			out = append(out, MarkMade{ID: l.ID + ".tick", Panel: l.ID, Name: "Tick of " + lower(l.Name), Kind: tickMark, At: l.From,
				Lines: [][]profile.Point{{l.From, l.From.Add(d)}, {l.To, l.To.Sub(d)}}})
		}
	}
	return out
}

// mark lays one mark.
func (b *maker) mark(p *panel, m *Mark, i int) (MarkMade, bool) {
	name := titled(m.Name, markWord(m, i), lower(p.name))
	who := &panel{id: m.ID, name: name}
	at, why := b.locate(p, &Hole{X: m.X, Y: m.Y}, 0)
	if why != "" {
		b.stop("mark-nowhere", "Marks", who, name+" has no place: "+why+".")
		return MarkMade{}, false
	}
	who.spot = &spot{p, at.origin}
	along := turned(at.x, at.y, m.Angle)
	across := profile.Point{X: -along.Y, Y: along.X}
	flat := p.pose.turn(along)
	out := MarkMade{ID: m.ID, Panel: p.id, Name: name, Kind: m.Kind, At: p.pose.apply(at.origin),
		Angle: math.Atan2(flat.Y, flat.X) * 180 / math.Pi, Text: m.Text, Height: m.Height}
	if out.Height == 0 {
		out.Height = 5
	}
	place := func(x, y float64) profile.Point {
		return p.pose.apply(at.origin.Add(along.Mul(x)).Add(across.Mul(y)))
	}
	line := func(xy ...[2]float64) {
		var l []profile.Point
		for _, q := range xy {
			l = append(l, place(q[0], q[1]))
		}
		out.Lines = append(out.Lines, l)
	}
	switch l, w := m.Length/2, m.Width/2; m.Kind {
	case CentreMark:
		line([2]float64{-3, 0}, [2]float64{3, 0})
		line([2]float64{0, -3}, [2]float64{0, 3})
	case ArrowMark:
		line([2]float64{-10, 0}, [2]float64{10, 0})
		line([2]float64{6, 3}, [2]float64{10, 0}, [2]float64{6, -3})
	case BeadMark:
		line([2]float64{-l, -w}, [2]float64{l, -w})
		line([2]float64{-l, w}, [2]float64{l, w})
		line([2]float64{-l, -w}, [2]float64{-l, w})
		line([2]float64{l, -w}, [2]float64{l, w})
		b.checkBead(p, m, who, at.origin, along)
	case NoWeldMark:
		line([2]float64{-l, -w}, [2]float64{l, -w}, [2]float64{l, w}, [2]float64{-l, w}, [2]float64{-l, -w})
		line([2]float64{-l, -w}, [2]float64{l, w})
		line([2]float64{-l, w}, [2]float64{l, -w})
		if out.Text == "" {
			out.Text = "NO WELD"
		}
	}
	return out, true
}

func markWord(m *Mark, i int) string {
	return map[MarkKind]string{TextMark: "Words ", CentreMark: "Centre mark ", ArrowMark: "View arrow ", BeadMark: "Bead ",
		NoWeldMark: "No weld "}[m.Kind] + strconv.Itoa(i+1)
}

// checkBead keeps a pressed bead clear of bends and edges: it runs out over its
// own width at both ends.
func (b *maker) checkBead(p *panel, m *Mark, who *panel, at, along profile.Point) {
	t := b.recipe.Thickness
	half := m.Length/2 + m.Width
	seg := []profile.Point{at.Sub(along.Mul(half)), at.Add(along.Mul(half))}
	clear := profile.Between(seg, p.outlined()) - m.Width/2
	if need := 3 * t; clear < need-tiny {
		b.mind("bead-near", "Beads", who, fmt.Sprintf("%s with its run-out comes to %s of an edge or bend; three thicknesses (%s, practice) "+
			"keep it from pulling them.", who.name, b.len(math.Max(clear, 0)), b.len(need)))
	}
}
