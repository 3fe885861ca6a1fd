package paper

import (
	"fmt"
	"math"

	"codeberg.org/go-pdf/fpdf"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// page prints one tile at full size.
func (p printer) page(col, row int) {
	p.AddPage()
	tw, th := p.t.tile()
	// Where the tile's upper left corner lies on the whole sheet, y down.
	off := profile.Point{X: edge - float64(col)*(tw-overlap), Y: edge - float64(row)*(th-overlap)}
	at := func(q profile.Point) (x, y float64) {
		x, y = p.lay.on(q)
		return x + off.X, y + off.Y
	}
	p.here = p.t.cell(p.lay, col, row)
	p.here.Min, p.here.Max = p.here.Min.Add(off), p.here.Max.Add(off)
	p.SetDrawColor(0, 0, 0)
	p.ClipRect(edge, edge, tw, th, false)
	p.SetLineWidth(.2)
	p.SetDashPattern(nil, 0)
	p.outline(at)
	p.holes(at)
	p.bends(at)
	p.marks(at)
	p.running(at)
	p.view(at)
	p.ClipEnd()
	p.frame(col, row, tw, th)
}

// word writes a text that begins at a place, on the tile the place belongs to alone: moved as
// far as it takes to stand there whole.
func (p printer) word(x, y, size float64, style, s string) {
	if !p.mine(x, y) {
		return
	}
	p.SetFont("go", style, size)
	tall := size * .35
	x = math.Max(p.here.Min.X+1, math.Min(x, p.here.Max.X-1-p.GetStringWidth(s)))
	y = math.Max(p.here.Min.Y+1+tall, math.Min(y, p.here.Max.Y-1))
	p.Text(x, y, s)
}

// upright writes a text that runs up from a place, as word does.
func (p printer) upright(x, y, size float64, s string) {
	if !p.mine(x, y) {
		return
	}
	p.SetFont("go", "", size)
	tall := size * .35
	x = math.Max(p.here.Min.X+1+tall, math.Min(x, p.here.Max.X-1))
	y = math.Max(p.here.Min.Y+1+p.GetStringWidth(s), math.Min(y, p.here.Max.Y-1))
	p.TransformBegin()
	p.TransformRotate(90, x, y)
	p.Text(x, y, s)
	p.TransformEnd()
}

// mine tells whether a place of the page belongs to this tile: to one of all.
func (p printer) mine(x, y float64) bool {
	return x >= p.here.Min.X && x < p.here.Max.X && y >= p.here.Min.Y && y < p.here.Max.Y
}

// running draws the running dimensions from the blank's front left corner: a tick at the edge
// they run along, the distance beside it where there is room.
func (p printer) running(at mapping) {
	p.SetLineWidth(.15)
	tick := func(q, out profile.Point, text string) {
		x0, y0 := at(q)
		x1, y1 := at(q.Add(out.Mul(3)))
		p.Line(x0, y0, x1, y1)
		if !p.lay.dims {
			return
		}
		if math.Abs(x1-x0) > math.Abs(y1-y0) { // it points sideways
			p.SetFont("go", "", 7)
			if x1 < x0 {
				x1 -= p.GetStringWidth(text) + .8
			} else {
				x1 += .8
			}
			p.word(x1, y1+.9, 7, "", text)
			return
		}
		p.SetFont("go", "", 7)
		p.upright(x1+.8, y1+.8+p.GetStringWidth(text), 7, text)
	}
	last := math.Inf(-1)
	for _, o := range p.t.Flat.Ordinates.X {
		q := profile.Point{X: o.At, Y: p.t.Flat.Bounds.Min.Y}
		text := o.Dist.Said()
		if o.At-last < 2.2 { // one beside the other cannot be read
			text = ""
		} else {
			last = o.At
		}
		tick(q, profile.Point{Y: -1}, text)
	}
	last = math.Inf(-1)
	for _, o := range p.t.Flat.Ordinates.Y {
		text := o.Dist.Said()
		if o.At-last < 2.2 {
			text = ""
		} else {
			last = o.At
		}
		tick(profile.Point{X: p.t.Flat.Bounds.Min.X, Y: o.At}, profile.Point{X: -1}, text)
	}
	p.SetLineWidth(.2)
}

type mapping func(profile.Point) (x, y float64)

// outline draws the cut line; arcs as chords within 0.02 mm, finer than print.
func (p printer) outline(at mapping) { p.loop(p.t.Flat.Outline, at) }

func (p printer) loop(l profile.Loop, at mapping) {
	var points []fpdf.PointType
	for _, q := range l.Flatten(.02) {
		x, y := at(q)
		points = append(points, fpdf.PointType{X: x, Y: y})
	}
	p.Polygon(points, "D")
}

func (p printer) holes(at mapping) {
	for _, h := range p.t.Flat.Holes {
		x, y := at(h.Centre)
		arm := max(2.5, h.Diameter/2+1.5)
		p.SetLineWidth(.12)
		p.Line(x-arm, y, x+arm, y)
		p.Line(x, y-arm, x, y+arm)
		p.SetLineWidth(.2)
		label := h.Size
		if h.Says != "" {
			label += ", " + h.Says
		}
		switch {
		case h.Made == sheet.MadeMatched:
			label += " through its mate"
		case h.Made == sheet.MadeDrilled:
			p.SetDashPattern([]float64{.6, .8}, 0)
			p.Circle(x, y, h.Diameter/2, "D")
			p.SetDashPattern(nil, 0)
			label += " drill after bending"
		case len(h.Loop) > 0:
			p.loop(h.Loop, at)
		default:
			p.Circle(x, y, h.Diameter/2, "D")
		}
		p.word(x+arm*.75, y-arm*.75, 7, "", label)
	}
}

// marks draws what is marked and not cut.
func (p printer) marks(at mapping) {
	p.SetLineWidth(.12)
	for _, m := range p.t.Flat.Marks {
		for _, l := range m.Lines {
			for i := 1; i < len(l); i++ {
				x0, y0 := at(l[i-1])
				x1, y1 := at(l[i])
				p.Line(x0, y0, x1, y1)
			}
		}
		if m.Text != "" {
			x, y := at(m.At)
			p.word(x, y, 7, "", m.Text)
		}
	}
	p.SetLineWidth(.2)
}

// bends draws bend lines with a flag on the side the bend goes to: long dashes
// up, dash and dot down.
func (p printer) bends(at mapping) {
	lines := p.t.Flat.FoldLines()
	for _, l := range lines {
		x0, y0 := at(l.From)
		x1, y1 := at(l.To)
		dash := []float64{6, 3}
		if !l.Up {
			dash = []float64{6, 2, .5, 2}
		}
		p.SetDashPattern(dash, 0)
		p.SetLineWidth(.2)
		p.Line(x0, y0, x1, y1)
		p.SetDashPattern(nil, 0)
		mx, my := (x0+x1)/2, (y0+y1)/2
		if len(lines) > 40 && l.Angle < 30 { // so close their words would hide the lines
			continue
		}
		label := fmt.Sprintf("%s %s", way(l.Up), deg(l.Angle))
		if l.Radius != "" {
			label += "  R " + l.Radius
		}
		if math.Abs(x1-x0) >= math.Abs(y1-y0) {
			p.word(mx+3, my-1, 7, "", label)
			p.flag(mx, my, l.Up)
			continue
		}
		p.upright(mx-1, my-3, 7, label)
		p.TransformBegin()
		p.TransformRotate(90, mx, my)
		p.flag(mx, my, l.Up)
		p.TransformEnd()
	}
}

// flag is a triangle on the bend line: filled for up, open for down.
func (p printer) flag(x, y float64, up bool) {
	tip := y - 3.2
	style := "F"
	if !up {
		tip, style = y+3.2, "D"
	}
	p.SetFillColor(0, 0, 0)
	p.Polygon([]fpdf.PointType{{X: x - 1.3, Y: y}, {X: x + 1.3, Y: y}, {X: x, Y: tip}}, style)
}

// view draws the arrow to the front with good side and hand, in the middle of
// the base.
func (p printer) view(at mapping) {
	if len(p.t.Flat.Panels) == 0 {
		return
	}
	spot := p.t.clearSpot()
	x, y := at(spot)
	// The arrow with its words stands on one tile whole.
	if !p.mine(x, y) {
		return
	}
	x = math.Max(p.here.Min.X+12, math.Min(x, p.here.Max.X-40))
	y = math.Max(p.here.Min.Y+12, math.Min(y, p.here.Max.Y-13))
	fx, fy := at(spot.Add(profile.Point{Y: -1}))
	sx, sy := at(spot)
	ux, uy := fx-sx, fy-sy // to the front
	p.SetLineWidth(.3)
	p.Line(x-7*ux, y-7*uy, x+7*ux, y+7*uy)
	p.SetFillColor(0, 0, 0)
	p.Polygon([]fpdf.PointType{{X: x + 6*ux - 2*uy, Y: y + 6*uy + 2*ux}, {X: x + 6*ux + 2*uy, Y: y + 6*uy - 2*ux},
		{X: x + 11*ux, Y: y + 11*uy}}, "F")
	if p.lay.turned {
		y -= 6 // over the arrow, not on it
	}
	p.text(x+3, y-3, 8, "B", "GOOD SIDE UP")
	p.text(x+3, y+1, 8, "", "arrow to the front")
	if p.t.Hand != "" {
		p.text(x+3, y-7, 8, "B", string(p.t.Hand)+" hand")
	}
}

// clearSpot answers the place on the base farthest from holes, of nine.
func (t Template) clearSpot() profile.Point {
	base := t.Flat.Panels[0]
	box := profile.Empty()
	for _, q := range base.Flat {
		box.Include(q)
	}
	w, h := box.Size()
	best, far := base.Middle, -1.0
	for _, fy := range []float64{.5, .3, .7} {
		for _, fx := range []float64{.45, .2, .65} {
			q := profile.Point{X: box.Min.X + fx*w, Y: box.Min.Y + fy*h}
			near := math.Inf(1)
			for _, hole := range t.Flat.Holes {
				near = min(near, hole.Centre.Sub(q.Add(profile.Point{X: 12})).Len()-max(hole.Diameter, hole.Length)/2)
			}
			if near = min(near, 40); near > far {
				best, far = q, near
			}
		}
	}
	return best
}

// frame draws the tile's border, the crosses that neighbours share, the check
// bars and the page's name.
func (p printer) frame(col, row int, tw, th float64) {
	beside := func(dc, dr int) bool { return p.lay.used[[2]int{col + dc, row + dr}] }
	p.SetDashPattern([]float64{1, 1}, 0)
	p.SetLineWidth(.1)
	p.Rect(edge, edge, tw, th, "D")
	p.SetDashPattern(nil, 0)
	cross := func(x, y float64) {
		p.SetLineWidth(.15)
		p.Line(x-4, y, x+4, y)
		p.Line(x, y-4, x, y+4)
	}
	half := overlap / 2
	for _, fy := range []float64{.2, .8} {
		if beside(-1, 0) {
			cross(edge+half, edge+fy*th)
		}
		if beside(1, 0) {
			cross(edge+tw-half, edge+fy*th)
		}
	}
	for _, fx := range []float64{.2, .8} {
		if beside(0, -1) {
			cross(edge+fx*tw, edge+half)
		}
		if beside(0, 1) {
			cross(edge+fx*tw, edge+th-half)
		}
	}
	y := edge + th + 4
	bars(p.script, edge, y)
	p.SetFont("go", "B", 11)
	p.Text(p.w-edge-14, y+2, pageName(col, row))
	p.SetFont("go", "", 7)
	x := edge + 122
	p.Text(x, y+1, p.fit(p.t.title(), p.w-edge-x-16))
	p.Text(x, y+5, p.fit(p.t.Job+" · revision "+p.t.Revision, p.w-edge-x-16))
}
