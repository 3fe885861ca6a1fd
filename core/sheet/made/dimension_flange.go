package made

import (
	"fmt"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

func (d *dimensioner) flanges(path, parent string, list []sheet.Flange) {
	for i := range list {
		f := &list[i]
		p := d.made[f.ID]
		here := path + "/flanges/" + strconv.Itoa(i)
		d.feature = f.ID
		if p != nil {
			d.group = p.Name
		} else {
			d.group = lay.FlangeName(&lay.Panel{}, f) + " (not made)"
		}
		group := d.group
		var s *span
		if p != nil {
			w, h := p.Size()
			s = &span{p.Pose.Apply(profile.Point{X: w * .5, Y: -p.Taken.Allowance / 2}), p.Pose.Apply(profile.Point{X: w * .5, Y: h})}
		}
		if f.Outline == nil {
			d.length(here+"/length", lengthWord(f), f.Length, lengthNote(f), s, true)
		}
		d.kind(here, f)
		start, end := "left", "right"
		if f.Edge == sheet.Left || f.Edge == sheet.Right {
			start, end = "front", "back"
		} else if f.Edge != sheet.Front && f.Edge != sheet.Back {
			start, end = "first end", "far end"
		}
		if f.Width > 0 {
			d.length(here+"/width", "Width", f.Width, "in the middle of its edge", nil, false)
		} else {
			d.length(here+"/setIn/start", "Set in from the "+start, f.SetIn.Start, "from the tangent line where that edge is bent", d.setIn(p, true),
				false)
			d.length(here+"/setIn/end", "Set in from the "+end, f.SetIn.End, "from the tangent line where that edge is bent",
				d.setIn(p, false), false)
		}
		if f.Taper.Start != 0 || f.Taper.End != 0 {
			d.angle(here+"/taper/start", "Taper at the "+start, f.Taper.Start, "from square", false)
			d.angle(here+"/taper/end", "Taper at the "+end, f.Taper.End, "from square", false)
		}
		if f.SetIn.Start > 0 || f.SetIn.End > 0 || f.Width > 0 {
			d.length(here+"/relief/width", "Relief width", lay.OrThickness(f.Relief.Width, d.b.Recipe.Thickness), "", nil, false)
			d.length(here+"/relief/depth", "Relief depth", lay.OrThickness(f.Relief.Depth, d.b.Recipe.Thickness),
				"past the tangent line", nil, false)
		}
		d.cornerSize(here+"/corner", f.Corner)
		d.holes(p, here, lay.Lower(group), f.Holes)
		d.edges(here, lay.Lower(group), f.Edges, f.Marks)
		d.flanges(here, group, f.Flanges)
	}
}

// kind lists what a flange, hem, jog or roll is bent by.
func (d *dimensioner) kind(here string, f *sheet.Flange) {
	switch f.Kind {
	case sheet.Hem:
		switch f.Hem {
		case sheet.OpenHem:
			d.length(here+"/gap", "Gap", lay.OrThickness(f.Gap, d.b.Recipe.Thickness), "between the faces", nil, true)
		case sheet.TeardropHem:
			d.length(here+"/insideRadius", "Inside radius", f.InsideRadius, "", nil, true)
		}
		return
	case sheet.Jog:
		d.length(here+"/depth", "Depth", f.Depth, "from face to the same face", nil, true)
	case sheet.Roll:
		if f.Round > 0 {
			d.length(here+"/round", "Round it sits on", f.Round, "diameter", nil, true)
		}
	}
	d.angle(here+"/angle", "Bend angle", f.Angle, fmt.Sprintf("opens to %s°", lay.TrimZeros(lay.Places(180-f.Angle, 2))), true)
	if f.Kind != sheet.Roll || f.Round == 0 {
		d.length(here+"/insideRadius", "Inside radius", f.InsideRadius, "", nil, false)
	}
}

func lengthWord(f *sheet.Flange) string {
	switch {
	case f.Kind == sheet.Hem && f.Hem == sheet.TeardropHem:
		return "Straight lip"
	case f.Kind == sheet.Hem:
		return "Return"
	case f.Kind == sheet.Roll:
		return "Length beyond"
	}
	return "Length"
}

func lengthNote(f *sheet.Flange) string {
	switch {
	case f.Kind == sheet.Hem && f.Hem == sheet.TeardropHem, f.Kind == sheet.Roll:
		return "from the tangent line"
	case f.Kind == sheet.Hem && f.Measure != sheet.Flat, f.Angle > sheet.MaxApex && f.Measure != sheet.Flat:
		return "to the outer tangent"
	}
	return measureNote(f.Measure)
}

// setIn answers the stretch of edge a set-in leaves free.
func (d *dimensioner) setIn(p *lay.Panel, start bool) *span {
	if p == nil {
		return nil
	}
	_, _, _, l := p.Parent.Edge(p.On)
	a, c := 0.0, p.At[0]
	if start != p.Parent.Along(p.On) {
		a, c = p.At[1], l
	}
	if c-a < sheet.Tiny {
		return nil
	}
	return &span{p.Parent.Pose.Apply(p.Parent.Point(p.On, a, 0)), p.Parent.Pose.Apply(p.Parent.Point(p.On, c, 0))}
}
