package exchange

import (
	"bytes"
	"encoding/xml"
	"fmt"
	"html"
	"math"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// SVG writes a flat pattern in true millimetres, one group a layer, hairlines,
// the blank's front left corner at the lower left.
func SVG(f Flat) []byte {
	const margin = 1
	w, h := f.Part.Bounds.Size()
	var b bytes.Buffer
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" width="%smm" height="%smm" viewBox="%s %s %s %s">`+"\n",
		coord(w+2*margin), coord(h+2*margin), coord(-margin), coord(-margin), coord(w+2*margin), coord(h+2*margin))
	fmt.Fprintf(&b, "<title>%s</title>\n", escape(f.Mark))
	flip := func(p profile.Point) profile.Point {
		return profile.Point{X: p.X - f.Part.Bounds.Min.X, Y: f.Part.Bounds.Max.Y - p.Y}
	}
	group := func(layer, dash string) {
		fmt.Fprintf(&b, `<g id="%s" fill="none" stroke="#000" stroke-width="0.1"%s>`+"\n", layer, dash)
	}
	group(layerCut, "")
	fmt.Fprintf(&b, `<path d="%s"/>`+"\n", svgPath(f.Part.Outline, flip))
	for _, hole := range f.Part.Holes {
		c := flip(hole.Centre)
		switch {
		case hole.Made == sheet.MadeDrilled, hole.Made == sheet.MadeMatched:
		case len(hole.Loop) > 0:
			fmt.Fprintf(&b, `<path d="%s"/>`+"\n", svgPath(hole.Loop, flip))
		default:
			fmt.Fprintf(&b, `<circle cx="%s" cy="%s" r="%s"/>`+"\n", coord(c.X), coord(c.Y), coord(hole.Cut/2))
		}
	}
	b.WriteString("</g>\n")
	for _, layer := range []struct {
		name, dash string
		up         bool
	}{{layerBendUp, ` stroke-dasharray="6 3"`, true}, {layerBendDown, ` stroke-dasharray="6 2 0.5 2"`, false}} {
		group(layer.name, layer.dash)
		for _, l := range f.Part.FoldLines() {
			if l.Up == layer.up {
				a, c := flip(l.From), flip(l.To)
				fmt.Fprintf(&b, `<path d="M%s %sL%s %s"/>`+"\n", coord(a.X), coord(a.Y), coord(c.X), coord(c.Y))
			}
		}
		b.WriteString("</g>\n")
	}
	group(layerMark, "")
	for _, hole := range f.Part.Holes {
		if hole.Made == sheet.MadeDrilled {
			c := flip(hole.Centre)
			fmt.Fprintf(&b, `<path d="M%s %sh6M%s %sv6"/>`+"\n", coord(c.X-3), coord(c.Y), coord(c.X), coord(c.Y-3))
		}
	}
	for _, m := range f.Part.Marks {
		for _, l := range m.Lines {
			for i, q := range l {
				c := flip(q)
				fmt.Fprintf(&b, `%s%s %s`, map[bool]string{true: `<path d="M`, false: "L"}[i == 0], coord(c.X), coord(c.Y))
			}
			b.WriteString("\"/>\n")
		}
		if m.Text != "" {
			c := flip(m.At)
			fmt.Fprintf(&b, `<text x="%s" y="%s" font-size="%s" transform="rotate(%s %s %s)">%s</text>`+"\n", coord(c.X), coord(c.Y),
				coord(m.Height), coord(-m.Angle), coord(c.X), coord(c.Y), html.EscapeString(m.Text))
		}
	}
	b.WriteString("</g>\n</svg>\n")
	return b.Bytes()
}

// svgPath writes a loop as path data, arcs exact; flip turns the drawing's
// axes into the page's.
func svgPath(l profile.Loop, flip func(profile.Point) profile.Point) string {
	var b strings.Builder
	for i, v := range l {
		p := flip(v.P())
		if i == 0 {
			fmt.Fprintf(&b, "M%s %s", coord(p.X), coord(p.Y))
		}
		w := l[(i+1)%len(l)]
		q := flip(w.P())
		switch {
		case v.Bulge != 0:
			c, r := profile.ArcOf(v, w)
			sweep := 0
			if v.Bulge < 0 { // the page's y runs down, so clockwise is positive there
				sweep = 1
			}
			// In two halves: the middle of a half circle hangs on the last digit.
			chord := w.P().Sub(v.P())
			out := profile.Point{X: chord.Y, Y: -chord.X}.Mul(math.Copysign(1/chord.Len(), v.Bulge))
			m := flip(c.Add(out.Mul(r)))
			fmt.Fprintf(&b, "A%s %s 0 0 %d %s %sA%s %s 0 0 %d %s %s", coord(r), coord(r), sweep, coord(m.X), coord(m.Y), coord(r), coord(r),
				sweep, coord(q.X), coord(q.Y))
		case i < len(l)-1:
			fmt.Fprintf(&b, "L%s %s", coord(q.X), coord(q.Y))
		}
	}
	b.WriteByte('Z')
	return b.String()
}

func coord(v float64) string {
	s := strconv.FormatFloat(v, 'f', 6, 64)
	s = strings.TrimRight(strings.TrimRight(s, "0"), ".")
	if s == "-0" {
		return "0"
	}
	return s
}

func escape(s string) string {
	var b bytes.Buffer
	if err := xml.EscapeText(&b, []byte(s)); err != nil {
		return ""
	}
	return b.String()
}
