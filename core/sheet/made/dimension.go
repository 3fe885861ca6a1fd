package made

import (
	"fmt"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// dimensions lists every value that can be typed over, in the order a hand
// walks the part: base, then panel by panel, each with its holes. Flanges that
// could not be made are listed too, so that they can be mended.
func (b *maker) dimensions() []Dimension {
	d := dimensioner{b: b, made: make(map[string]*lay.Panel, len(b.Panels))}
	count := 8
	for _, p := range b.Panels {
		d.made[p.ID] = p
		count += 6 + 5*len(p.Holes)
	}
	d.out = make([]Dimension, 0, count)
	r := b.Recipe
	base := d.made[r.Base.ID]
	d.feature, d.group = r.Base.ID, "Base"
	if b.Round != nil {
		d.group = lay.Upper(r.Base.Shape.Round.Says())
	}
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
func (d *dimensioner) base(p *lay.Panel, b sheet.Base, note string) {
	length, width, flat := "Length", "Width", note
	switch b.Kind() {
	case sheet.Disc:
		d.length("/base/length", "Diameter", b.Length, "", d.across(p), true)
		return
	case sheet.Ring:
		d.length("/base/length", "Outer diameter", b.Length, "", nil, true)
		d.length("/base/width", "Band", b.Width, "", d.span(p, 0, 1), true)
		d.angle("/base/shape/sweep", "Runs round", b.Shape.Sweep, "", true)
		return
	case sheet.Developed:
		d.round(b.Shape.Round)
		return
	case sheet.Polygon:
		for i, v := range b.Shape.Points {
			at := fmt.Sprintf("/base/shape/points/%d", i)
			d.length(at+"/x", fmt.Sprintf("Corner %d across", i+1), v.X, "", nil, false)
			d.length(at+"/y", fmt.Sprintf("Corner %d back", i+1), v.Y, "", nil, false)
		}
		return
	case sheet.Sides:
		for i, s := range b.Shape.Sides {
			at := fmt.Sprintf("/base/shape/sides/%d", i)
			d.length(at+"/length", fmt.Sprintf("Side %d", i+1), s.Length, note, d.side(p, i), true)
			d.angle(at+"/angle", fmt.Sprintf("Angle after side %d", i+1), s.Angle, "inside", true)
		}
		return
	case sheet.Trapezoid, sheet.Triangle:
		length, width = "Front edge", "Front to back"
	case sheet.Obround:
		flat = ""
	}
	d.length("/base/length", length, b.Length, flat, d.span(p, 0, 1), true)
	var s *span
	if n := 0; p != nil {
		if n = len(p.Corners) - 1; b.Kind() == sheet.Rectangle || b.Kind() == sheet.Obround {
			s = d.span(p, 0, n)
		} else {
			top := p.Corners[2]
			s = &span{profile.Point{X: top.X}, top}
		}
	}
	d.length("/base/width", width, b.Width, flat, s, true)
	switch b.Kind() {
	case sheet.Trapezoid:
		d.length("/base/shape/back", "Back edge", b.Shape.Back, flat, d.span(p, 3, 2), true)
		d.length("/base/shape/shift", "Back edge starts", b.Shape.Shift, "right of the front left corner", nil, false)
	case sheet.Triangle:
		d.length("/base/shape/shift", "Tip", b.Shape.Shift, "right of the front left corner", nil, true)
	}
}

func (d *dimensioner) side(p *lay.Panel, i int) *span {
	if p == nil || i >= len(p.Corners) {
		return nil
	}
	return d.span(p, i, p.Next(i))
}

func (d *dimensioner) across(p *lay.Panel) *span {
	if p == nil {
		return nil
	}
	return d.span(p, 0, 1)
}

type dimensioner struct {
	b              *maker
	made           map[string]*lay.Panel
	out            []Dimension
	feature, group string
}

type span struct{ from, to profile.Point }

// span answers the line between two corners of a panel.
func (d *dimensioner) span(p *lay.Panel, i, j int) *span {
	if p == nil {
		return nil
	}
	return &span{p.Pose.Apply(p.Corners[i]), p.Pose.Apply(p.Corners[j])}
}

func (d *dimensioner) add(path, label string, kind DimensionKind, v float64, text, note string, s *span, main bool) {
	dim := Dimension{Path: path, Feature: d.feature, Group: d.group, Label: label, Kind: kind, Value: v, Text: text,
		Note: note, Main: main, Size: sizeOf(path)}
	dim.Hole = strings.Contains(path, "/holes/") && strings.HasSuffix(path, "/diameter") && !strings.HasSuffix(path, "/pattern/diameter")
	if s != nil {
		dim.From, dim.To = &s.from, &s.to
	}
	d.out = append(d.out, dim)
}

func (d *dimensioner) length(path, label string, v float64, note string, s *span, main bool) {
	d.add(path, label, LengthDimension, v, d.b.Given(v), note, s, main)
}

func (d *dimensioner) angle(path, label string, v float64, note string, main bool) {
	d.add(path, label, AngleDimension, v, lay.TrimZeros(lay.Places(v, 2))+"°", note, nil, main)
}

func (d *dimensioner) count(path, label string, v int) {
	d.add(path, label, CountDimension, float64(v), strconv.Itoa(v), "", nil, false)
}

func (d *dimensioner) cornerSize(path string, c sheet.Corner) {
	if c.Kind == sheet.Radius || c.Kind == sheet.Chamfer {
		d.length(path+"/size", "Corner "+string(c.Kind), c.Size, "", nil, false)
	}
}

func measureNote(m sheet.Measure) string {
	switch m {
	case sheet.Inside:
		return "inside, to the inner apex"
	case sheet.Flat:
		return "flat, to the tangent line"
	case sheet.Tangent:
		return "outside, to the tangent plane"
	}
	return "outside, to the apex"
}

// grouped collects which feature is in which group.
func grouped(in map[string]string, holes []sheet.Hole, edges []sheet.EdgeCut, marks []sheet.Mark, flanges []sheet.Flange) {
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
