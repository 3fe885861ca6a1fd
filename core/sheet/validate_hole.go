package sheet

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/working"
)

func (v *validator) holes(path string, list []Hole) error {
	for i, h := range list {
		p := path + "/holes/" + strconv.Itoa(i)
		err := under(p,
			v.id("", h.ID), named80(h.Name), named80(h.Group),
			OneOf("/kind", "The kind of hole", h.Kind, RoundHole, SlotHole, SquareHole, RectangleHole, DHole, KeyholeHole, CutoutHole),
			OneOf("/made", "How it is made", h.Made, "", MadeCut, MadeDrilled, MadePilot, MadeMatched),
			h.sizesOK(),
			working.Within("/angle", "The hole's angle", h.Angle, -360, 540, "°"),
			offsetOK("/x", h.X), offsetOK("/y", h.Y),
			patternOK("/pattern", h.Pattern),
		)
		if err != nil {
			return err
		}
		if v.drilled += h.Count(); v.drilled > maxHoles {
			return working.Refuse(p, "A part has %d holes at most, patterns counted out.", maxHoles)
		}
		if v.cornered += h.Count() * len(h.Cut); v.cornered > maxCornered {
			return working.Refuse(p, "The cutouts of a part have %d corners at most, patterns counted out, and these have %d: draw round "+
				"corners as arcs, or repeat the cutout less often.", maxCornered, v.cornered)
		}
	}
	return nil
}

// under answers the first error, its path put under base. Paths are joined only
// once something is wrong.
// sizesOK checks what a hole of its kind is cut to.
func (h Hole) sizesOK() error {
	if h.Use != nil {
		if want := map[bool]HoleKind{true: RectangleHole, false: RoundHole}[h.Use.Kind == UseTab]; h.Kind != want {
			return working.Refuse("/use", "Only a %s hole has that use.", want)
		}
		u := h.Use
		err := under("/use",
			OneOf("/kind", "The use", u.Kind, UseCountersink, UseTapped, UseWeldNut, UseRivetNut, UseAccess, UseDrain,
				UsePass, UseLightening, UseTab),
			working.Within("/width", "The tab's width", u.Width, 0, maxSize, "mm"),
			working.Within("/thick", "The tab's thickness", u.Thick, 0, 50, "mm"),
			OneOf("/cover", "The edge's cover", u.Cover, "", "none", "grommet", "split"),
			working.Within("/head", "The head", u.Head, 0, 500, "mm"), working.Within("/cone", "The cone", u.Cone, 0, 150, "°"),
			working.Within("/tool", "The tool", u.Tool, 0, 500, "mm"), working.Within("/line", "What is led through", u.Line, 0,
				1000, "mm"),
			working.Within("/height", "The flange", u.Height, 0, 500, "mm"))
		if err == nil && len(u.Thread) > 20 {
			err = working.Refuse("/use/thread", "A thread is written as M8 or 3/8-16.")
		}
		if err != nil {
			return err
		}
		if u.Kind == UseTab {
			return working.Above("/use/width", "The tab's width", u.Width, 0, maxSize, "mm")
		}
		if u.Kind != UseLightening {
			return working.Within("/diameter", "The diameter", h.Diameter, 0, 5000, "mm")
		}
	}
	diameter := working.Above("/diameter", "The diameter", h.Diameter, 0, 5000, "mm")
	switch h.Kind {
	case SlotHole:
		return working.First(diameter, working.Above("/length", "The slot's overall length", h.Length, h.Diameter, maxSize, "mm"))
	case SquareHole:
		return working.First(diameter, working.Within("/radius", "The corner radius", h.Radius, 0, h.Diameter/2, "mm"))
	case RectangleHole:
		return working.First(diameter, working.Above("/length", "The length", h.Length, 0, maxSize, "mm"),
			working.Within("/radius", "The corner radius", h.Radius, 0, math.Min(h.Diameter, h.Length)/2, "mm"))
	case DHole:
		return working.First(diameter, working.Above("/flat", "The size across the flat", h.Flat, h.Diameter/20, h.Diameter*.999, "mm"))
	case KeyholeHole:
		return working.First(diameter, working.Above("/narrow", "The slot of the keyhole", h.Narrow, 0, h.Diameter*.999, "mm"),
			working.Above("/length", "The keyhole's overall length", h.Length, h.Diameter+h.Narrow/2, maxSize, "mm"))
	case CutoutHole:
		if len(h.Cut) > maxCorners {
			return working.Refuse("/cut", "A cutout has %d corners at most.", maxCorners)
		}
		for i, p := range h.Cut {
			at := fmt.Sprintf("/cut/%d", i)
			if err := under(at, working.Within("/x", "The corner", p.X, -maxSize, maxSize, "mm"),
				working.Within("/y", "The corner", p.Y, -maxSize, maxSize, "mm"),
				working.Within("/bulge", "The bulge", p.Bulge, -1e3, 1e3, "")); err != nil {
				return err
			}
		}
		if why := unsound(h.Cut); why != "" {
			return working.Refuse("/cut", "The cutout is none: %s.", why)
		}
		return nil
	}
	return diameter
}

func patternOK(path string, p *Pattern) error {
	if p == nil {
		return nil
	}
	switch p.Kind {
	case GridPattern:
		return under(path,
			working.Within("/columns", "The number of columns", float64(p.Columns), 1, maxHoles, ""),
			working.Within("/rows", "The number of rows", float64(p.Rows), 1, maxHoles, ""),
			pitchOK("/pitchX", p.PitchX, p.Columns), pitchOK("/pitchY", p.PitchY, p.Rows))
	case CirclePattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""),
			working.Above("/diameter", "The pitch circle", p.Diameter, 0, maxSize, "mm"),
			working.Within("/start", "The first hole's angle", p.Start, -360, 540, "°"))
	case AroundPattern:
		return under(path, working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""),
			working.Within("/start", "The angle from hole to hole", p.Start, -360, 360, "°"))
	case RowPattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""), pitchOK("/pitchX", p.PitchX, p.Count),
			working.Within("/start", "The row's angle", p.Start, -360, 540, "°"))
	case EdgePattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""), edgeOK("/edge", p.Edge),
			working.Within("/margin", "The margin", p.Margin, 0, maxSize, "mm"))
	case MirrorPattern:
		return nil
	}
	return working.Refuse(path+"/kind", "A pattern is a grid, a circle, a row, along an edge, round a round or mirrored, not %q.",
		string(p.Kind))
}

func pitchOK(path string, pitch float64, count int) error {
	if count <= 1 {
		return working.Within(path, "The pitch", pitch, 0, maxSize, "mm")
	}
	return working.Above(path, "The pitch", pitch, 0, maxSize, "mm")
}

func offsetOK(path string, o Offset) error {
	if o.Edge == Feature && !IdForm(o.Feature) {
		return working.Refuse(path+"/feature", "Say which hole it counts from.")
	}
	switch o.Edge {
	case Around:
		return under(path, working.Within("/distance", "How far round", o.Distance, -360, 360, "°"))
	case Up:
		return under(path, working.Within("/distance", "How high", o.Distance, -maxSize, maxSize, "mm"))
	}
	return under(path,
		edgeOK("/edge", o.Edge),
		working.Within("/distance", "The distance", o.Distance, -maxSize, maxSize, "mm"),
		OneOf("/from", "Measured from", o.From, "", Outside, Inside, Flat))
}
