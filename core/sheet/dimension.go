package sheet

import (
	"fmt"
	"strconv"
	"strings"

	"warmanvil/core/profile"
)

// dimensions lists every value that can be typed over, in the order a hand
// walks the part: base, then panel by panel, each with its holes. Flanges that
// could not be made are listed too, so that they can be mended.
func (b *builder) dimensions() []Dimension {
	d := dimensioner{b: b, made: make(map[string]*panel, len(b.all))}
	count := 8
	for _, p := range b.all {
		d.made[p.id] = p
		count += 6 + 5*len(p.holes)
	}
	d.out = make([]Dimension, 0, count)
	r := b.recipe
	base := d.made[r.Base.ID]
	d.feature, d.group = r.Base.ID, "Base"
	note := measureNote(r.Base.Measure)
	if len(r.Base.Flanges) == 0 {
		note = ""
	}
	d.base(base, r.Base, note)
	d.cornerSize("/base/corner", r.Base.Corner)
	d.holes(base, "/base", "base", r.Base.Holes)
	d.edges("/base", "base", r.Base.Edges, r.Base.Marks)
	d.flanges("/base", "", r.Base.Flanges)
	d.feature, d.group = "sheet", "Sheet"
	d.length("/thickness", "Thickness", r.Thickness, "measure it: a gauge is nominal", nil, false)
	return d.out
}

// base lists the sizes of the base's shape.
func (d *dimensioner) base(p *panel, b Base, note string) {
	length, width, flat := "Length", "Width", note
	switch b.kind() {
	case Disc:
		d.length("/base/length", "Diameter", b.Length, "", d.across(p), true)
		return
	case Ring:
		d.length("/base/length", "Outer diameter", b.Length, "", nil, true)
		d.length("/base/width", "Band", b.Width, "", d.span(p, 0, 1), true)
		d.angle("/base/shape/sweep", "Runs round", b.Shape.Sweep, "", true)
		return
	case Polygon:
		for i, v := range b.Shape.Points {
			at := fmt.Sprintf("/base/shape/points/%d", i)
			d.length(at+"/x", fmt.Sprintf("Corner %d across", i+1), v.X, "", nil, false)
			d.length(at+"/y", fmt.Sprintf("Corner %d back", i+1), v.Y, "", nil, false)
		}
		return
	case Sides:
		for i, s := range b.Shape.Sides {
			at := fmt.Sprintf("/base/shape/sides/%d", i)
			d.length(at+"/length", fmt.Sprintf("Side %d", i+1), s.Length, note, d.side(p, i), true)
			d.angle(at+"/angle", fmt.Sprintf("Angle after side %d", i+1), s.Angle, "inside", true)
		}
		return
	case Trapezoid, Triangle:
		length, width = "Front edge", "Front to back"
	case Obround:
		flat = ""
	}
	d.length("/base/length", length, b.Length, flat, d.span(p, 0, 1), true)
	var s *span
	if n := 0; p != nil {
		if n = len(p.corners) - 1; b.kind() == Rectangle || b.kind() == Obround {
			s = d.span(p, 0, n)
		} else {
			top := p.corners[2]
			s = &span{profile.Point{X: top.X}, top}
		}
	}
	d.length("/base/width", width, b.Width, flat, s, true)
	switch b.kind() {
	case Trapezoid:
		d.length("/base/shape/back", "Back edge", b.Shape.Back, flat, d.span(p, 3, 2), true)
		d.length("/base/shape/shift", "Back edge starts", b.Shape.Shift, "right of the front left corner", nil, false)
	case Triangle:
		d.length("/base/shape/shift", "Tip", b.Shape.Shift, "right of the front left corner", nil, true)
	}
}

func (d *dimensioner) side(p *panel, i int) *span {
	if p == nil || i >= len(p.corners) {
		return nil
	}
	return d.span(p, i, p.next(i))
}

func (d *dimensioner) across(p *panel) *span {
	if p == nil {
		return nil
	}
	return d.span(p, 0, 1)
}

type dimensioner struct {
	b              *builder
	made           map[string]*panel
	out            []Dimension
	feature, group string
}

type span struct{ from, to profile.Point }

// span answers the line between two corners of a panel.
func (d *dimensioner) span(p *panel, i, j int) *span {
	if p == nil {
		return nil
	}
	return &span{p.pose.apply(p.corners[i]), p.pose.apply(p.corners[j])}
}

func (d *dimensioner) add(path, label string, kind DimensionKind, v float64, text, lies, note string, s *span, main bool) {
	dim := Dimension{Path: path, Feature: d.feature, Group: d.group, Label: label, Kind: kind, Value: v, Text: text, Lies: lies, Note: note, Main: main}
	if s != nil {
		dim.From, dim.To = &s.from, &s.to
	}
	d.out = append(d.out, dim)
}

func (d *dimensioner) length(path, label string, v float64, note string, s *span, main bool) {
	l := d.b.length(v)
	d.add(path, label, LengthDimension, v, l.Text, l.Lies, note, s, main)
}

func (d *dimensioner) angle(path, label string, v float64, note string, main bool) {
	d.add(path, label, AngleDimension, v, trimZeros(places(v, 2))+"°", "exact", note, nil, main)
}

func (d *dimensioner) count(path, label string, v int) {
	d.add(path, label, CountDimension, float64(v), strconv.Itoa(v), "exact", "", nil, false)
}

func (d *dimensioner) cornerSize(path string, c Corner) {
	if c.Kind == Radius || c.Kind == Chamfer {
		d.length(path+"/size", "Corner "+string(c.Kind), c.Size, "", nil, false)
	}
}

func measureNote(m Measure) string {
	switch m {
	case Inside:
		return "inside, to the inner apex"
	case Flat:
		return "flat, to the tangent line"
	case Tangent:
		return "outside, to the tangent plane"
	}
	return "outside, to the apex"
}

func (d *dimensioner) flanges(path, parent string, list []Flange) {
	for i := range list {
		f := &list[i]
		p := d.made[f.ID]
		here := path + "/flanges/" + strconv.Itoa(i)
		d.feature = f.ID
		if p != nil {
			d.group = p.name
		} else {
			d.group = flangeName(&panel{}, f) + " (not made)"
		}
		group := d.group
		var s *span
		if p != nil {
			w, h := p.size()
			s = &span{p.pose.apply(profile.Point{X: w * .5, Y: -p.taken.Allowance / 2}), p.pose.apply(profile.Point{X: w * .5, Y: h})}
		}
		d.length(here+"/length", lengthWord(f), f.Length, lengthNote(f), s, true)
		d.kind(here, f)
		start, end := "left", "right"
		if f.Edge == Left || f.Edge == Right {
			start, end = "front", "back"
		} else if f.Edge != Front && f.Edge != Back {
			start, end = "first end", "far end"
		}
		if f.Width > 0 {
			d.length(here+"/width", "Width", f.Width, "in the middle of its edge", nil, false)
		} else {
			d.length(here+"/setIn/start", "Set in from the "+start, f.SetIn.Start, "from the tangent line where that edge is bent", d.setIn(p, true), false)
			d.length(here+"/setIn/end", "Set in from the "+end, f.SetIn.End, "from the tangent line where that edge is bent", d.setIn(p, false), false)
		}
		if f.Taper.Start != 0 || f.Taper.End != 0 {
			d.angle(here+"/taper/start", "Taper at the "+start, f.Taper.Start, "from square", false)
			d.angle(here+"/taper/end", "Taper at the "+end, f.Taper.End, "from square", false)
		}
		if f.SetIn.Start > 0 || f.SetIn.End > 0 || f.Width > 0 {
			d.length(here+"/relief/width", "Relief width", orThickness(f.Relief.Width, d.b.recipe.Thickness), "", nil, false)
			d.length(here+"/relief/depth", "Relief depth", orThickness(f.Relief.Depth, d.b.recipe.Thickness), "past the tangent line", nil, false)
		}
		d.cornerSize(here+"/corner", f.Corner)
		d.holes(p, here, lower(group), f.Holes)
		d.edges(here, lower(group), f.Edges, f.Marks)
		d.flanges(here, group, f.Flanges)
	}
}

// setIn answers the stretch of edge a set-in leaves free.
// kind lists what a flange, hem, jog or roll is bent by.
func (d *dimensioner) kind(here string, f *Flange) {
	switch f.Kind {
	case Hem:
		switch f.Hem {
		case OpenHem:
			d.length(here+"/gap", "Gap", orThickness(f.Gap, d.b.recipe.Thickness), "between the faces", nil, true)
		case TeardropHem:
			d.length(here+"/insideRadius", "Inside radius", f.InsideRadius, "", nil, true)
		}
		return
	case Jog:
		d.length(here+"/depth", "Depth", f.Depth, "from face to the same face", nil, true)
	case Roll:
		if f.Round > 0 {
			d.length(here+"/round", "Round it sits on", f.Round, "diameter", nil, true)
		}
	}
	d.angle(here+"/angle", "Bend angle", f.Angle, fmt.Sprintf("opens to %s°", trimZeros(places(180-f.Angle, 2))), true)
	if f.Kind != Roll || f.Round == 0 {
		d.length(here+"/insideRadius", "Inside radius", f.InsideRadius, "", nil, false)
	}
}

func lengthWord(f *Flange) string {
	switch {
	case f.Kind == Hem && f.Hem == TeardropHem:
		return "Straight lip"
	case f.Kind == Hem:
		return "Return"
	case f.Kind == Roll:
		return "Length beyond"
	}
	return "Length"
}

func lengthNote(f *Flange) string {
	switch {
	case f.Kind == Hem && f.Hem == TeardropHem, f.Kind == Roll:
		return "from the tangent line"
	case f.Kind == Hem && f.Measure != Flat, f.Angle > maxApex && f.Measure != Flat:
		return "to the outer tangent"
	}
	return measureNote(f.Measure)
}

func (d *dimensioner) setIn(p *panel, start bool) *span {
	if p == nil {
		return nil
	}
	_, _, _, l := p.parent.edge(p.on)
	a, c := 0.0, p.at[0]
	if start != p.parent.along(p.on) {
		a, c = p.at[1], l
	}
	if c-a < tiny {
		return nil
	}
	return &span{p.parent.pose.apply(p.parent.point(p.on, a, 0)), p.parent.pose.apply(p.parent.point(p.on, c, 0))}
}

// edges lists notches, tabs and marks.
func (d *dimensioner) edges(path, group string, edges []EdgeCut, marks []Mark) {
	feature, was := d.feature, d.group
	for i := range edges {
		c := &edges[i]
		here := path + "/edges/" + strconv.Itoa(i)
		d.feature, d.group = c.ID, titled(c.Name, edgeWord(c, i), group)
		d.length(here+"/width", "Width", c.Width, "along the edge", nil, false)
		d.length(here+"/depth", "Depth", c.Depth, map[EdgeKind]string{Notch: "into the sheet", Tab: "out of the edge"}[c.Kind], nil, false)
		if c.Count > 1 {
			d.count(here+"/count", "How many", c.Count)
			d.length(here+"/margin", "Margin at both ends", c.Margin, "to the first and last middle", nil, false)
		} else {
			d.length(here+"/at", "Along its edge", c.At, "to its middle", nil, false)
		}
	}
	for i := range marks {
		m := &marks[i]
		here := path + "/marks/" + strconv.Itoa(i)
		d.feature, d.group = m.ID, titled(m.Name, markWord(m, i), group)
		if m.Kind == TextMark {
			d.length(here+"/height", "Height", m.Height, "5 mm when 0", nil, false)
		}
		if m.Kind == BeadMark || m.Kind == NoWeldMark {
			d.length(here+"/length", "Length", m.Length, "", nil, false)
			d.length(here+"/width", "Width", m.Width, "", nil, false)
		}
		d.length(here+"/x/distance", fromWord(m.X), m.X.Distance, "", nil, false)
		d.length(here+"/y/distance", fromWord(m.Y), m.Y.Distance, "", nil, false)
		d.angle(here+"/angle", "Turned", m.Angle, "from the line across", false)
	}
	d.feature, d.group = feature, was
}

func (d *dimensioner) holes(p *panel, path, group string, list []Hole) {
	feature, was := d.feature, d.group
	for i := range list {
		h := &list[i]
		here := path + "/holes/" + strconv.Itoa(i)
		d.feature, d.group = h.ID, titled(h.Name, holeWord(h, i), group)
		d.holeSizes(here, h)
		d.offset(p, here+"/x", h, h.X)
		d.offset(p, here+"/y", h, h.Y)
		d.pattern(here+"/pattern", h.Pattern)
	}
	d.feature, d.group = feature, was
}

// holeSizes lists what a hole of its kind is cut to.
func (d *dimensioner) holeSizes(here string, h *Hole) {
	turned := func() { d.angle(here+"/angle", "Turned", h.Angle, "from the line across", false) }
	switch {
	case h.Use != nil && h.Use.Kind == UseTab:
		d.length(here+"/use/width", "Tab's width", h.Use.Width, "", nil, true)
		d.length(here+"/use/thick", "Tab's thickness", orThickness(h.Use.Thick, d.b.recipe.Thickness), "", nil, false)
		turned()
		return
	}
	switch h.Kind {
	case SlotHole, RectangleHole:
		d.length(here+"/diameter", "Width", h.Diameter, "", nil, true)
		d.length(here+"/length", "Length overall", h.Length, "", nil, false)
		if h.Kind == RectangleHole {
			d.length(here+"/radius", "Corner radius", h.Radius, "", nil, false)
		}
		turned()
	case SquareHole:
		d.length(here+"/diameter", "Side", h.Diameter, "", nil, true)
		d.length(here+"/radius", "Corner radius", h.Radius, "", nil, false)
		turned()
	case DHole:
		d.length(here+"/diameter", "Diameter", h.Diameter, "", nil, true)
		d.length(here+"/flat", "Across the flat", h.Flat, "from the flat to the far side", nil, false)
		turned()
	case KeyholeHole:
		d.length(here+"/diameter", "Large diameter", h.Diameter, "", nil, true)
		d.length(here+"/narrow", "Slot width", h.Narrow, "", nil, false)
		d.length(here+"/length", "Length overall", h.Length, "", nil, false)
		turned()
	case CutoutHole:
		turned()
	default:
		if h.Use == nil || h.Diameter > 0 {
			d.length(here+"/diameter", "Diameter", h.Diameter, "", nil, true)
		}
	}
	if u := h.Use; u != nil {
		switch u.Kind {
		case UseCountersink:
			d.length(here+"/use/head", "Head", u.Head, "diameter; twice the thread when 0", nil, false)
		case UseAccess:
			d.length(here+"/use/tool", "Tool", u.Tool, "its largest outside", nil, false)
		case UsePass:
			d.length(here+"/use/line", "Led through", u.Line, "the largest of it, plugs too", nil, false)
		case UseLightening:
			d.length(here+"/use/height", "Flange height", u.Height, "0 for none", nil, false)
		}
	}
}

func (d *dimensioner) offset(p *panel, path string, h *Hole, o Offset) {
	note := ""
	var s *span
	if p != nil {
		i := p.edgeNamed(o.Edge)
		if i >= 0 && d.b.recipe.Thickness > 0 && p.reference(i, Tangent, d.b.recipe.Thickness) > 0 {
			note = "from the outside of the bend"
			switch o.From {
			case Flat:
				note = "from the tangent line"
			case Inside:
				note = "from the inside of the bend"
			}
		}
		way := profile.Point{X: 1}
		if strings.HasSuffix(path, "/y") {
			way = profile.Point{Y: 1}
		}
		if at, why := d.b.locate(p, h, 0); why == "" {
			n, line, _ := d.b.line(p, o, way, 0)
			from := line - o.Distance
			if i >= 0 {
				start, _, _, _ := p.edge(i)
				from = n.Dot(start)
			}
			s = &span{p.pose.apply(at.origin.Add(n.Mul(from - n.Dot(at.origin)))), p.pose.apply(at.origin)}
		}
	}
	d.length(path+"/distance", fromWord(o), o.Distance, note, s, false)
}

func fromWord(o Offset) string {
	switch {
	case o.Edge == Middle:
		return "From the middle"
	case o.Edge == Feature:
		return "From another hole"
	case o.Edge != "" && o.Edge[0] >= '0' && o.Edge[0] <= '9':
		return "From side " + string(o.Edge)
	}
	return "From the " + string(o.Edge)
}

func (d *dimensioner) pattern(path string, p *Pattern) {
	switch {
	case p == nil:
	case p.Kind == CirclePattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/diameter", "Pitch circle", p.Diameter, "", nil, false)
		d.angle(path+"/start", "First hole at", p.Start, "", false)
	case p.Kind == RowPattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/pitchX", "Pitch", p.PitchX, "", nil, false)
		d.angle(path+"/start", "Turned", p.Start, "from the line across", false)
	case p.Kind == EdgePattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/margin", "Margin at both ends", p.Margin, "to the first and last centre", nil, false)
	case p.Kind == MirrorPattern:
	default:
		d.count(path+"/columns", "Columns", p.Columns)
		d.length(path+"/pitchX", "Pitch across", p.PitchX, "", nil, false)
		d.count(path+"/rows", "Rows", p.Rows)
		d.length(path+"/pitchY", "Pitch front to back", p.PitchY, "", nil, false)
	}
}
