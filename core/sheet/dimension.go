package sheet

import (
	"fmt"
	"strconv"

	"warmanvil/core/profile"
)

// dimensions lists every value that can be typed over, in the order a hand
// walks the part: base, then panel by panel, each with its holes. Flanges that
// could not be made are listed too, so that they can be mended.
func (b *maker) dimensions() []Dimension {
	d := dimensioner{b: b, made: make(map[string]*panel, len(b.panels))}
	count := 8
	for _, p := range b.panels {
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
	in := map[string]string{}
	grouped(in, r.Base.Holes, r.Base.Edges, r.Base.Marks, r.Base.Flanges)
	if len(in) > 0 {
		for i := range d.out {
			d.out[i].In = in[d.out[i].Feature]
		}
	}
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
	b              *maker
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
	dim := Dimension{Path: path, Feature: d.feature, Group: d.group, Label: label, Kind: kind, Value: v, Text: text,
		Lies: lies, Note: note, Main: main}
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

// grouped collects which feature is in which group.
func grouped(in map[string]string, holes []Hole, edges []EdgeCut, marks []Mark, flanges []Flange) {
	put := func(id, group string) {
		if group != "" {
			in[id] = group
		}
	}
	for _, h := range holes {
		put(h.ID, h.Group)
	}
	for _, e := range edges {
		put(e.ID, e.Group)
	}
	for _, m := range marks {
		put(m.ID, m.Group)
	}
	for _, f := range flanges {
		put(f.ID, f.Group)
		grouped(in, f.Holes, f.Edges, f.Marks, f.Flanges)
	}
}
