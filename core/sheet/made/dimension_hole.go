package made

import (
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// edges lists notches, tabs and marks.
func (d *dimensioner) edges(path, group string, edges []sheet.EdgeCut, marks []sheet.Mark) {
	feature, was := d.feature, d.group
	for i := range edges {
		c := &edges[i]
		here := path + "/edges/" + strconv.Itoa(i)
		d.feature, d.group = c.ID, lay.Titled(c.Name, lay.EdgeWord(c, i), group)
		d.length(here+"/width", "Width", c.Width, "along the edge", nil, false)
		d.length(here+"/depth", "Depth", c.Depth, map[sheet.EdgeKind]string{sheet.Notch: "into the sheet", sheet.Tab: "out of the " +
			"edge"}[c.Kind],
			nil, false)
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
		d.feature, d.group = m.ID, lay.Titled(m.Name, markWord(m, i), group)
		if m.Kind == sheet.TextMark {
			d.length(here+"/height", "Height", m.Height, "5 mm when 0", nil, false)
		}
		if m.Kind == sheet.BeadMark || m.Kind == sheet.NoWeldMark {
			d.length(here+"/length", "Length", m.Length, "", nil, false)
			d.length(here+"/width", "Width", m.Width, "", nil, false)
		}
		d.offset(nil, here+"/x", nil, m.X)
		d.offset(nil, here+"/y", nil, m.Y)
		d.angle(here+"/angle", "Turned", m.Angle, "from the line across", false)
	}
	d.feature, d.group = feature, was
}

func (d *dimensioner) holes(p *lay.Panel, path, group string, list []sheet.Hole) {
	feature, was := d.feature, d.group
	for i := range list {
		h := &list[i]
		here := path + "/holes/" + strconv.Itoa(i)
		d.feature, d.group = h.ID, lay.Titled(h.Name, lay.HoleWord(h, i), group)
		d.holeSizes(here, h)
		d.offset(p, here+"/x", h, h.X)
		d.offset(p, here+"/y", h, h.Y)
		d.pattern(here+"/pattern", h.Pattern)
	}
	d.feature, d.group = feature, was
}

// holeSizes lists what a hole of its kind is cut to.
func (d *dimensioner) holeSizes(here string, h *sheet.Hole) {
	turned := func() { d.angle(here+"/angle", "Turned", h.Angle, "from the line across", false) }
	switch {
	case h.Use != nil && h.Use.Kind == sheet.UseTab:
		d.length(here+"/use/width", "Tab's width", h.Use.Width, "", nil, true)
		d.length(here+"/use/thick", "Tab's thickness", lay.OrThickness(h.Use.Thick, d.b.Recipe.Thickness), "", nil, false)
		turned()
		return
	}
	switch h.Kind {
	case sheet.SlotHole, sheet.RectangleHole:
		d.length(here+"/diameter", "Width", h.Diameter, "", nil, true)
		d.length(here+"/length", "Length overall", h.Length, "", nil, false)
		if h.Kind == sheet.RectangleHole {
			d.length(here+"/radius", "Corner radius", h.Radius, "", nil, false)
		}
		turned()
	case sheet.SquareHole:
		d.length(here+"/diameter", "Side", h.Diameter, "", nil, true)
		d.length(here+"/radius", "Corner radius", h.Radius, "", nil, false)
		turned()
	case sheet.DHole:
		d.length(here+"/diameter", "Diameter", h.Diameter, "", nil, true)
		d.length(here+"/flat", "Across the flat", h.Flat, "from the flat to the far side", nil, false)
		turned()
	case sheet.KeyholeHole:
		d.length(here+"/diameter", "Large diameter", h.Diameter, "", nil, true)
		d.length(here+"/narrow", "Slot width", h.Narrow, "", nil, false)
		d.length(here+"/length", "Length overall", h.Length, "", nil, false)
		turned()
	case sheet.CutoutHole:
		turned()
	default:
		if h.Use == nil || h.Diameter > 0 {
			d.length(here+"/diameter", "Diameter", h.Diameter, "", nil, true)
		}
	}
	if u := h.Use; u != nil {
		switch u.Kind {
		case sheet.UseCountersink:
			d.length(here+"/use/head", "Head", u.Head, "diameter; twice the thread when 0", nil, false)
		case sheet.UseAccess:
			d.length(here+"/use/tool", "Tool", u.Tool, "its largest outside", nil, false)
		case sheet.UsePass:
			d.length(here+"/use/line", "Led through", u.Line, "the largest of it, plugs too", nil, false)
		case sheet.UseLightening:
			d.length(here+"/use/height", "Flange height", u.Height, "0 for none", nil, false)
		}
	}
}

func (d *dimensioner) offset(p *lay.Panel, path string, h *sheet.Hole, o sheet.Offset) {
	switch o.Edge {
	case sheet.Around:
		d.angle(path+"/distance", "Round the form", o.Distance, "from +x, anticlockwise seen from above", false)
		return
	case sheet.Up:
		d.length(path+"/distance", "Up", o.Distance, "over the bottom", nil, false)
		return
	}
	note := ""
	var s *span
	if p != nil {
		i := p.EdgeNamed(o.Edge)
		if i >= 0 && d.b.Recipe.Thickness > 0 && p.Reference(i, sheet.Tangent, d.b.Recipe.Thickness) > 0 {
			note = "from the outside of the bend"
			switch o.From {
			case sheet.Flat:
				note = "from the tangent line"
			case sheet.Inside:
				note = "from the inside of the bend"
			}
		}
		way := profile.Point{X: 1}
		if strings.HasSuffix(path, "/y") {
			way = profile.Point{Y: 1}
		}
		if at, why := d.b.Locate(p, h, 0); why == "" {
			n, line, _ := d.b.Line(p, o, way, 0)
			from := line - o.Distance
			if i >= 0 {
				start, _, _, _ := p.Edge(i)
				from = n.Dot(start)
			}
			s = &span{p.Pose.Apply(at.Origin.Add(n.Mul(from - n.Dot(at.Origin)))), p.Pose.Apply(at.Origin)}
		}
	}
	d.length(path+"/distance", fromWord(o), o.Distance, note, s, false)
}

func fromWord(o sheet.Offset) string {
	switch {
	case o.Edge == sheet.Middle:
		return "From the middle"
	case o.Edge == sheet.Feature:
		return "From another hole"
	case o.Edge != "" && o.Edge[0] >= '0' && o.Edge[0] <= '9':
		return "From side " + string(o.Edge)
	}
	return "From the " + string(o.Edge)
}

func (d *dimensioner) pattern(path string, p *sheet.Pattern) {
	switch {
	case p == nil:
	case p.Kind == sheet.AroundPattern:
		d.count(path+"/count", "Holes", p.Count)
		d.angle(path+"/start", "From hole to hole", p.Start, "0 for once round, evenly", false)
	case p.Kind == sheet.CirclePattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/diameter", "Pitch circle", p.Diameter, "", nil, false)
		d.angle(path+"/start", "First hole at", p.Start, "", false)
	case p.Kind == sheet.RowPattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/pitchX", "Pitch", p.PitchX, "", nil, false)
		d.angle(path+"/start", "Turned", p.Start, "from the line across", false)
	case p.Kind == sheet.EdgePattern:
		d.count(path+"/count", "Holes", p.Count)
		d.length(path+"/margin", "Margin at both ends", p.Margin, "to the first and last centre", nil, false)
	case p.Kind == sheet.MirrorPattern:
	default:
		d.count(path+"/columns", "Columns", p.Columns)
		d.length(path+"/pitchX", "Pitch across", p.PitchX, "", nil, false)
		d.count(path+"/rows", "Rows", p.Rows)
		d.length(path+"/pitchY", "Pitch front to back", p.PitchY, "", nil, false)
	}
}
