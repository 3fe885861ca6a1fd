package sheet

import (
	"fmt"
	"strconv"

	"warmanvil/core/profile"
)

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
			d.length(here+"/relief/width", "Relief width", orThickness(f.Relief.Width, d.b.recipe.Thickness), "", nil, false)
			d.length(here+"/relief/depth", "Relief depth", orThickness(f.Relief.Depth, d.b.recipe.Thickness), "past the tangent line", nil, false)
		}
		d.cornerSize(here+"/corner", f.Corner)
		d.holes(p, here, lower(group), f.Holes)
		d.edges(here, lower(group), f.Edges, f.Marks)
		d.flanges(here, group, f.Flanges)
	}
}

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

// setIn answers the stretch of edge a set-in leaves free.
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
