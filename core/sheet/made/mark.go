package made

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// MarkMade is a mark on the flat pattern: words, or lines to draw.
type MarkMade struct {
	ID     string            `json:"id"`
	Panel  string            `json:"panel"`
	Name   string            `json:"name"`
	Kind   sheet.MarkKind    `json:"kind" enum:"text,centre,arrow,bead,noweld,tick,line"`
	At     profile.Point     `json:"at"`
	Angle  float64           `json:"angle" doc:"degrees on the flat pattern"`
	Text   string            `json:"text,omitempty"`
	Height float64           `json:"height,omitempty" doc:"mm, of the words"`
	Lines  [][]profile.Point `json:"lines,omitempty"`
	On     *OnRound          `json:"on,omitempty" doc:"of a round: where on it"`
}

// tickMark is a bend tick; it is made from the recipe's ticks.
const tickMark sheet.MarkKind = "tick"

// marksMade lays the marks of every panel on the flat pattern.
func (b *maker) marksMade(part *Part) []MarkMade {
	out := []MarkMade{}
	for _, p := range b.Panels {
		for i := range p.Marks {
			if m, ok := b.mark(p, &p.Marks[i], i); ok {
				out = append(out, m)
			}
		}
	}
	out = append(out, part.roundMarks(b.Recipe.Base.ID)...)
	out = append(out, b.seamMarks()...)
	if b.Recipe.Ticks {
		if part.Round != nil {
			for _, l := range part.Round.Lines {
				out = append(out, ticked(fmt.Sprintf("round.%d", l.Number), part.Panels[0].ID, fmt.Sprintf("press line %d",
					l.Number), l.From, l.To))
			}
		}
		for _, l := range part.BendLines {
			out = append(out, ticked(l.ID, l.ID, lay.Lower(l.Name), l.From, l.To))
		}
	}
	return out
}

// ticked answers the ticks where a bend's line ends.
func ticked(id, panel, name string, from, to profile.Point) MarkMade {
	d := to.Sub(from)
	d = d.Mul(math.Min(5, d.Len()/3) / d.Len())
	return MarkMade{ID: id + ".tick", Panel: panel, Name: "Tick of " + name, Kind: tickMark, At: from,
		Lines: [][]profile.Point{{from, from.Add(d)}, {to, to.Sub(d)}}}
}

// mark lays one mark.
func (b *maker) mark(p *lay.Panel, m *sheet.Mark, i int) (MarkMade, bool) {
	name := lay.Titled(m.Name, markWord(m, i), lay.Lower(p.Name))
	who := &lay.Panel{ID: m.ID, Name: name}
	at, why := b.Locate(p, &sheet.Hole{X: m.X, Y: m.Y}, 0)
	if why != "" {
		b.Stop("mark-nowhere", "Marks", who, name+" has no place: "+why+".")
		return MarkMade{}, false
	}
	who.Spot = lay.SpotOn(p, at.Origin)
	along := lay.Turned(at.X, at.Y, m.Angle)
	across := profile.Point{X: -along.Y, Y: along.X}
	flat := p.Pose.Turn(along)
	out := MarkMade{ID: m.ID, Panel: p.ID, Name: name, Kind: m.Kind, At: p.Pose.Apply(at.Origin),
		Angle: math.Atan2(flat.Y, flat.X) * 180 / math.Pi, Text: m.Text, Height: m.Height}
	if out.On = b.onRound(p, at.Origin); b.Round != nil && out.On == nil {
		b.Stop("mark-nowhere", "Marks", who, name+" lies in the lap or in what is cut off: it belongs on the round.")
	}
	if out.Height == 0 {
		out.Height = 5
	}
	place := func(x, y float64) profile.Point {
		return p.Pose.Apply(at.Origin.Add(along.Mul(x)).Add(across.Mul(y)))
	}
	line := func(xy ...[2]float64) {
		var l []profile.Point
		for _, q := range xy {
			l = append(l, place(q[0], q[1]))
		}
		out.Lines = append(out.Lines, l)
	}
	switch l, w := m.Length/2, m.Width/2; m.Kind {
	case sheet.CentreMark:
		line([2]float64{-3, 0}, [2]float64{3, 0})
		line([2]float64{0, -3}, [2]float64{0, 3})
	case sheet.ArrowMark:
		line([2]float64{-10, 0}, [2]float64{10, 0})
		line([2]float64{6, 3}, [2]float64{10, 0}, [2]float64{6, -3})
	case sheet.BeadMark:
		line([2]float64{-l, -w}, [2]float64{l, -w})
		line([2]float64{-l, w}, [2]float64{l, w})
		line([2]float64{-l, -w}, [2]float64{-l, w})
		line([2]float64{l, -w}, [2]float64{l, w})
		b.checkBead(p, m, who, at.Origin, along)
	case sheet.NoWeldMark:
		line([2]float64{-l, -w}, [2]float64{l, -w}, [2]float64{l, w}, [2]float64{-l, w}, [2]float64{-l, -w})
		line([2]float64{-l, -w}, [2]float64{l, w})
		line([2]float64{-l, w}, [2]float64{l, -w})
		if out.Text == "" {
			out.Text = "NO WELD"
		}
	}
	return out, true
}

func markWord(m *sheet.Mark, i int) string {
	return map[sheet.MarkKind]string{sheet.TextMark: "Words ", sheet.CentreMark: "Centre mark ",
		sheet.ArrowMark: "View arrow ", sheet.BeadMark: "Bead ",
		sheet.NoWeldMark: "No weld "}[m.Kind] + strconv.Itoa(i+1)
}

// checkBead keeps a pressed bead clear of bends and edges: it runs out over its
// own width at both ends.
func (b *maker) checkBead(p *lay.Panel, m *sheet.Mark, who *lay.Panel, at, along profile.Point) {
	t := b.Recipe.Thickness
	half := m.Length/2 + m.Width
	seg := []profile.Point{at.Sub(along.Mul(half)), at.Add(along.Mul(half))}
	clear := profile.Between(seg, p.Outlined()) - m.Width/2
	if need := 3 * t; clear < need-sheet.Tiny {
		b.Mind("bead-near", "Beads", who, fmt.Sprintf("%s with its run-out comes to %s of an edge or bend; three thicknesses (%s, "+
			"practice) "+
			"keep it from pulling them.", who.Name, b.Len(math.Max(clear, 0)), b.Len(need)))
	}
}
