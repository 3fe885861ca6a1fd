package sheet

import (
	"fmt"
	"strconv"

	"warmanvil/core/working"
)

func (v *validator) edges(path string, list []EdgeCut) error {
	for i, c := range list {
		err := under(path+"/edges/"+strconv.Itoa(i),
			v.id("", c.ID), named80(c.Name), named80(c.Group), OneOf("/kind", "What is cut on the edge", c.Kind, Notch, Tab),
			edgeOK("/edge", c.Edge), OneOf("/shape", "The notch", c.Shape, "", SquareNotch, VeeNotch, RoundNotch),
			working.Within("/at", "Its place", c.At, 0, maxSize, "mm"), working.Above("/width", "The width", c.Width, 0, maxSize, "mm"),
			working.Above("/depth", "The depth", c.Depth, 0, maxSize, "mm"),
			working.Within("/count", "How many", float64(c.Count), 0, 200, ""), working.Within("/margin", "The margin", c.Margin, 0,
				maxSize, "mm"))
		if err != nil {
			return err
		}
		if v.cuts += max(c.Count, 1); v.cuts > maxCuts {
			return working.Refuse(path+"/edges", "A part has %d notches and tabs at most.", maxCuts)
		}
	}
	return nil
}

func (v *validator) marks(path string, list []Mark) error {
	for i, m := range list {
		at := path + "/marks/" + strconv.Itoa(i)
		err := under(at,
			v.id("", m.ID), named80(m.Name), named80(m.Group),
			OneOf("/kind", "The mark", m.Kind, TextMark, CentreMark, ArrowMark, BeadMark, NoWeldMark), offsetOK("/x", m.X),
			offsetOK("/y", m.Y),
			working.Within("/angle", "The mark's angle", m.Angle, -360, 540, "°"),
			working.Within("/height", "The words' height", m.Height, 0, 500, "mm"),
			working.Within("/length", "The length", m.Length, 0, maxSize, "mm"), working.Within("/width", "The width", m.Width, 0,
				maxSize, "mm"))
		if err == nil && len(m.Text) > 200 {
			err = working.Refuse(at+"/text", "Words on a part are up to 200 characters.")
		}
		if err != nil {
			return err
		}
		if v.marked++; v.marked > maxCuts {
			return working.Refuse(at, "A part has %d marks at most.", maxCuts)
		}
	}
	return nil
}

// edgeOK takes the four ways and a number; whether the panel has that edge is
// told when it is built.
func edgeOK(path string, e Edge) error {
	if k, err := strconv.Atoi(string(e)); err == nil && k >= 1 && k <= maxCorners && strconv.Itoa(k) == string(e) {
		return nil
	}
	return OneOf(path, "The edge, if not a number,", e, Front, Right, Back, Left, Outer, Inner, Middle, Feature)
}

func meetsOK(path string, list []Meet) error {
	if len(list) > maxFlanges {
		return working.Refuse(path+"/meets", "Up to %d corners are said to meet, not %d.", maxFlanges, len(list))
	}
	for i, m := range list {
		err := under(path+"/meets/"+strconv.Itoa(i), OneOf("/kind", "The corner", m.Kind, MeetOpen, MeetGap, MeetLap, MeetMitre, MeetWeld),
			working.Within("/gap", "The gap", m.Gap, 0, 200, "mm"))
		if err == nil && (!IdForm(m.A) || !IdForm(m.B) || m.A == m.B) {
			err = working.Refuse(path+"/meets/"+strconv.Itoa(i), "Name the two flanges that meet.")
		}
		if err != nil {
			return err
		}
	}
	return nil
}

// validateShape checks the sizes the base's shape needs.
func (b Base) validateShape() error {
	size := func(path, name string, v float64) error { return working.Above(path, name, v, 0, maxSize, "mm") }
	length := size("/base/length", "The length", b.Length)
	width := size("/base/width", "The width", b.Width)
	s := b.Shape
	if s != nil && len(s.Points) > maxCorners || s != nil && len(s.Sides) > maxCorners {
		return working.Refuse("/base/shape", "A base has %d corners at most.", maxCorners)
	}
	switch b.Kind() {
	case Rectangle, Obround:
		return working.First(length, width)
	case Trapezoid:
		return working.First(length, width, size("/base/shape/back", "The back edge", s.Back),
			working.Within("/base/shape/shift", "Where the back edge starts", s.Shift, -maxSize, maxSize, "mm"))
	case Triangle:
		return working.First(length, width, working.Within("/base/shape/shift", "The tip", s.Shift, -maxSize, maxSize, "mm"))
	case Disc:
		return size("/base/length", "The diameter", b.Length)
	case Ring:
		return working.First(size("/base/length", "The outer diameter", b.Length), width,
			working.Within("/base/shape/sweep", "How far the ring runs round", s.Sweep, 1, 350, "°"))
	case Polygon:
		for i, p := range s.Points {
			at := fmt.Sprintf("/base/shape/points/%d", i)
			if err := under(at, working.Within("/x", "The corner", p.X, -maxSize, maxSize, "mm"),
				working.Within("/y", "The corner", p.Y, -maxSize, maxSize, "mm"),
				working.Within("/bulge", "The bulge", p.Bulge, -1e3, 1e3, "")); err != nil {
				return err
			}
		}
		return nil
	case Sides:
		for i, p := range s.Sides {
			at := fmt.Sprintf("/base/shape/sides/%d", i)
			if err := under(at, size("/length", "The side", p.Length),
				working.Within("/angle", "The inside angle", p.Angle, 1, 359, "°")); err != nil {
				return err
			}
		}
		return nil
	}
	if s.Kind == Developed {
		return b.checkDeveloped()
	}
	return OneOf("/base/shape/kind", "The base's shape", s.Kind, Rectangle, Trapezoid, Triangle, Polygon, Sides, Disc, Ring,
		Obround, Developed)
}

func measureOK(path string, m Measure) error {
	return OneOf(path, "The measure", m, "", Outside, Inside, Flat, Tangent)
}

func cornerOK(path string, c Corner) error {
	return under(path, OneOf("/kind", "The corner", c.Kind, "", Square, Radius, Chamfer),
		working.Within("/size", "The corner's size", c.Size, 0, maxSize, "mm"))
}
