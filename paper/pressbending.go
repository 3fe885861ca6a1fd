package paper

import (
	"fmt"
	"math"
	"strings"

	"codeberg.org/go-pdf/fpdf"

	"warmanvil/core/profile"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/lay"
)

// order says how the bends were put in their order, and what stands in the way.
func (s PartSheet) order(p *sheetPrinter) {
	b := s.Flat.Bending
	if b == nil {
		p.say(9, "",
			"Bent on: "+s.Tool+". Order by rule: what hangs on a flange first, short bends before long ones. Nobody looked whether "+
				"the piece clears the tools: try it before the first good piece.")
		return
	}
	if c := b.Conflict; c != nil {
		how := "There is no order with these tools. "
		if !c.Proven {
			how = fmt.Sprintf("No order was found among %d states; there may be one. ", b.Looked)
		}
		p.say(9, "B", "It cannot be bent as it stands on "+b.Brake+". "+how+c.Says)
		p.say(9, "", "Ways out: "+strings.Join(c.Ways, "; ")+". The order below is by rule alone.")
		return
	}
	says := fmt.Sprintf("Bent on %s (%s). Every step was bent against its tools and runs into nothing; %s over, %s round.", b.Brake,
		s.Tool,
		times(b.Over), times(b.Round))
	if b.Found == bending.Search {
		says += " The order was searched for, not every one looked at: a shorter one may be there."
	}
	p.say(9, "", says)
	if len(b.Usual) > 0 {
		p.say(9, "B", "Taken as usual, since the Shop does not say it: "+strings.Join(b.Usual, "; ")+". Compare with what stands here.")
	}
}

func times(n int) string {
	switch n {
	case 0:
		return "never turned"
	case 1:
		return "turned once"
	}
	return fmt.Sprintf("turned %d times", n)
}

// worthSaying is how near the part comes to tools before it is said, mm.
const worthSaying = 5.

// setups prints what is set up for each step, and a picture of how it ends.
func (s PartSheet) setups(p *sheetPrinter) {
	b := s.Flat.Bending
	if b == nil || !b.Goes {
		return
	}
	p.room(16)
	p.put(edge, p.y, 10, "B", "Setting up")
	p.y += 5
	sec := SurveySection{Heads: []string{"step", "tool", "put together of", "die", "turn round", "hangs out", "in and out", "nearest"},
		Widths: []float64{.05, .18, .17, .13, .09, .1, .15, .13}}
	p.heads(sec)
	before := ""
	for _, st := range b.Steps {
		round := "–"
		if st.Round != 0 {
			round = fmt.Sprintf("%.4g°", st.Round)
		}
		die := "–"
		if st.Die != nil {
			die = s.Length(st.Die.Long.MM)
		}
		near := "–"
		if st.Near != "" && st.Clear < worthSaying {
			near = s.fine(st.Clear) + ", " + st.Near
		}
		tool, pieces := st.Upper.Name+", "+s.Length(st.Upper.Long.MM), s.pieces(st.Upper.Setup)
		if tool == before {
			tool, pieces = "as before", "–"
		} else {
			before = tool
		}
		p.row(sec, []string{fmt.Sprint(st.Order), tool + at(st.Upper.At), pieces, die, round, s.Length(st.Overhang.MM), inOut(st), near})
		var notes []string
		if st.Second != "" {
			notes = append(notes, "a second person: "+st.Second)
		}
		if st.Half != nil {
			notes = append(notes, fmt.Sprintf("leaf to %.1f°, %.1f° on a scale that shows half", *st.Aim, *st.Half))
		}
		if len(notes) > 0 {
			p.room(5)
			p.put(edge+10, p.y, 8, "B", lay.Upper(strings.Join(notes, "; "))+".")
			p.y += 4.5
		}
	}
	p.y += 3
	s.pictures(p, b)
}

func at(where string) string {
	if where == "" {
		return ""
	}
	return ", the bend " + where
}

func inOut(st bending.BendingStep) string {
	if st.In == st.Out {
		return st.In
	}
	return "in " + st.In + ", out " + st.Out
}

func (s PartSheet) pieces(set bending.Setup) string {
	if len(set.Pieces) == 0 {
		return "any"
	}
	var out []string
	for i := 0; i < len(set.Pieces); {
		k := i
		for k < len(set.Pieces) && set.Pieces[k] == set.Pieces[i] {
			k++
		}
		text := s.Length(set.Pieces[i])
		if k-i > 1 {
			text = fmt.Sprintf("%d × %s", k-i, text)
		}
		out, i = append(out, text), k
	}
	return strings.Join(out, " + ")
}

// pictures draws each step at its end, seen along the bend: the stop to the right.
func (s PartSheet) pictures(p *sheetPrinter, b *bending.Bending) {
	const perRow, high = 3, 46.
	w := (p.w - 2*edge) / perRow
	for i, st := range b.Steps {
		if i%perRow == 0 {
			p.room(high + 6)
		}
		x, y := edge+w*float64(i%perRow), p.y
		p.picture(b, st, s.Thickness, x, y, w-4, high-5)
		p.put(x, y+high-1, 8, "B", fmt.Sprintf("%d  %s", st.Order, clip(st.Name, 34)))
		if i%perRow == perRow-1 || i == len(b.Steps)-1 {
			p.y += high + 4
		}
	}
	p.put(edge, p.y, 8, "", "Each at its aim, seen from the right end of the brake: the stop is to the right.")
	p.y += 5
}

func clip(s string, n int) string {
	r := []rune(s)
	if len(r) <= n {
		return s
	}
	return string(r[:n-1]) + "…"
}

func (p *sheetPrinter) picture(b *bending.Bending, st bending.BendingStep, thickness, x, y, w, h float64) {
	move := st.Scene.Moves[0]
	for _, m := range st.Scene.Moves {
		if m.Turn >= move.Turn {
			move = m
		}
	}
	tools, bodies := st.Scene.Across(b.Plates, thickness, move)
	// Around the bend as far as the body reaches, no farther than is worth drawing.
	box := profile.Empty()
	for _, q := range []profile.Point{{X: -40, Y: -30}, {X: 40, Y: 60}} {
		box.Include(q)
	}
	for _, face := range bodies {
		for _, q := range face {
			box.Include(profile.Point{X: math.Max(-200, math.Min(200, q.X)), Y: math.Max(-120, math.Min(220, q.Y))})
		}
	}
	bw, bh := box.Size()
	scale := math.Min(w/bw, h/bh)
	place := func(q profile.Point) (float64, float64) {
		return x + w/2 + (q.X-(box.Min.X+box.Max.X)/2)*scale, y + h/2 - (q.Y-(box.Min.Y+box.Max.Y)/2)*scale
	}
	p.ClipRect(x, y, w, h, false)
	draw := func(face []profile.Point, grey int, line float64) {
		pts := make([]fpdf.PointType, len(face))
		for i, q := range face {
			pts[i].X, pts[i].Y = place(q)
		}
		p.SetLineWidth(line)
		p.SetFillColor(grey, grey, grey)
		p.Polygon(pts, "FD")
	}
	p.SetDrawColor(150, 150, 150)
	for _, t := range tools {
		draw(t, 235, .15)
	}
	p.SetDrawColor(0, 0, 0)
	for _, o := range bodies {
		draw(o, 120, .2)
	}
	if st.Scene.Stop != nil {
		sx, sy := place(profile.Point{X: *st.Scene.Stop, Y: 20})
		_, low := place(profile.Point{Y: -5})
		p.SetLineWidth(.5)
		p.Line(sx, sy, sx, low)
	}
	p.ClipEnd()
	p.SetFillColor(255, 255, 255)
}
