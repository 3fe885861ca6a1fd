package trace

import (
	"bytes"
	"context"
	"encoding/xml"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// svgUnits are CSS lengths in mm; px is left out: it says nothing about size.
var svgUnits = map[string]float64{"mm": 1, "cm": 10, "in": 25.4, "pt": 25.4 / 72, "pc": 25.4 / 6, "q": .25}

type svgReader struct {
	d      *Drawing
	layers map[string]int32
	odd    map[string]int
	tol    float64
}

type svgGroup struct {
	m      affine
	layer  string
	hidden bool
}

func readSVG(ctx context.Context, data []byte) (*Drawing, error) {
	r := &svgReader{d: &Drawing{Down: true, until: ctx}, layers: map[string]int32{}, odd: map[string]int{}, tol: .01}
	x := xml.NewDecoder(bytes.NewReader(data))
	x.Strict = true
	x.CharsetReader = func(_ string, in io.Reader) (io.Reader, error) { return in, nil }
	stack := []svgGroup{{m: straight, layer: "drawing"}}
	seen := false
	for {
		token, err := x.Token()
		if err == io.EOF {
			break
		}
		if err != nil {
			return nil, working.Refuse("/base64", "The SVG is damaged: %s. Save it again where it was drawn.", clip([]byte(err.Error())))
		}
		switch t := token.(type) {
		case xml.StartElement:
			if len(stack) > 200 {
				return nil, working.Refuse("/base64", "Groups stand in one another more than 200 deep: ungroup them and save the drawing again.")
			}
			g := stack[len(stack)-1]
			at := attributes(t.Attr)
			if v := at["transform"]; v != "" {
				m, err := transform(v)
				if err != nil {
					return nil, err
				}
				g.m = g.m.after(m)
			}
			style := strings.ReplaceAll(at["style"], " ", "")
			g.hidden = g.hidden || at["display"] == "none" || at["visibility"] == "hidden" || strings.Contains(style, "display:none") ||
				strings.Contains(style, "visibility:hidden")
			switch name := t.Name.Local; name {
			case "svg":
				if !seen {
					r.size(at)
				}
				seen = true
			case "g":
				if id := at["label"]; id != "" {
					g.layer = id
				} else if at["id"] != "" {
					g.layer = at["id"]
				}
			case "defs", "clipPath", "mask", "symbol", "marker", "pattern":
				g.hidden = true
				r.odd[name]++
			case "path", "line", "polyline", "polygon", "rect", "circle", "ellipse":
				if g.hidden {
					break
				}
				if err := r.shape(name, at, g); err != nil {
					return nil, err
				}
			case "text", "image", "use", "foreignObject":
				r.odd[name]++
			}
			stack = append(stack, g)
		case xml.EndElement:
			stack = stack[:len(stack)-1]
		}
	}
	if !seen {
		return nil, working.Refuse("/base64", "The file has no drawing in it: it is no SVG. Open it where it was drawn and save it "+
			"as SVG or DXF.")
	}
	if len(r.odd) > 0 {
		var words []string
		for kind, n := range r.odd {
			words = append(words, fmt.Sprintf("%d %s", n, kind))
		}
		slices.Sort(words)
		r.d.say(working.Note, "left-out", "Drawing", "", nil,
			"Left out, because they are no lines to cut: "+strings.Join(words, ", ")+". Turn words and repeated shapes into paths to keep them.")
	}
	if r.d.UnitsToMM == nil {
		r.d.say(working.Mind, "no-units", "Units", "", nil,
			"The file does not say its size in millimetres or inches: say what a unit is, and check one size you know.")
	}
	return r.d, nil
}

func attributes(list []xml.Attr) map[string]string {
	out := make(map[string]string, len(list))
	for _, a := range list {
		out[a.Name.Local] = a.Value
	}
	return out
}

// size reads how large a unit of the drawing is.
func (r *svgReader) size(at map[string]string) {
	value := strings.TrimSpace(strings.ToLower(at["width"]))
	i := strings.IndexFunc(value, func(c rune) bool { return c >= 'a' && c <= 'z' && c != 'e' || c == '%' })
	if i <= 0 {
		return
	}
	width, err := strconv.ParseFloat(strings.TrimSpace(value[:i]), 64)
	mm, known := svgUnits[strings.TrimSpace(value[i:])]
	if err != nil || !known || width <= 0 {
		return
	}
	mm *= width
	if box := numbers(at["viewBox"]); len(box) == 4 && box[2] > 0 {
		mm /= box[2]
	} else {
		mm = 25.4 / 96 // without a box a unit is a pixel, 96 to the inch
	}
	r.d.UnitsToMM = &mm
	r.tol = .01 / mm
}

// numbers reads numbers parted by spaces or commas.
func numbers(s string) (out []float64) {
	c := &cursor{s: s}
	for {
		v, ok := c.number()
		if !ok {
			return out
		}
		out = append(out, v)
	}
}

// transform reads a list of transforms.
func transform(s string) (affine, error) {
	m := straight
	for s = strings.TrimSpace(s); s != ""; s = strings.TrimLeft(s, " ,\t\r\n") {
		open, shut := strings.IndexByte(s, '('), strings.IndexByte(s, ')')
		if open < 0 || shut < open {
			return m, working.Refuse("/base64", "A transform in the SVG is not understood: %s. Ungroup everything, or apply the transforms, and "+
				"save it again.", clip([]byte(s)))
		}
		name, v := strings.TrimSpace(s[:open]), numbers(s[open+1:shut])
		s = s[shut+1:]
		get := func(i int, usual float64) float64 {
			if i < len(v) {
				return v[i]
			}
			return usual
		}
		switch name {
		case "matrix":
			if len(v) != 6 {
				return m, working.Refuse("/base64", "A matrix in the SVG has %d numbers, not six. Ungroup everything, or apply the transforms, and "+
					"save it again.", len(v))
			}
			m = m.after(affine{v[0], v[1], v[2], v[3], v[4], v[5]})
		case "translate":
			m = m.after(affine{a: 1, d: 1, x: get(0, 0), y: get(1, 0)})
		case "scale":
			m = m.after(affine{a: get(0, 1), d: get(1, get(0, 1))})
		case "rotate":
			sin, cos := math.Sincos(get(0, 0) * math.Pi / 180)
			x, y := get(1, 0), get(2, 0)
			m = m.after(affine{a: 1, d: 1, x: x, y: y}).after(affine{a: cos, b: sin, c: -sin, d: cos}).after(affine{a: 1, d: 1, x: -x, y: -y})
		case "skewX":
			m = m.after(affine{a: 1, c: math.Tan(get(0, 0) * math.Pi / 180), d: 1})
		case "skewY":
			m = m.after(affine{a: 1, b: math.Tan(get(0, 0) * math.Pi / 180), d: 1})
		default:
			return m, working.Refuse("/base64", "A transform in the SVG is not understood: %s. Ungroup everything, or apply the transforms, and "+
				"save it again.", clip([]byte(name)))
		}
	}
	return m, nil
}

// shape draws one element.
func (r *svgReader) shape(name string, at map[string]string, g svgGroup) error {
	layer := r.d.layer(g.layer, r.layers)
	num := func(key string) float64 {
		c := &cursor{s: at[key]}
		v, _ := c.number()
		return v
	}
	line := func(a, b profile.Point, bulge float64) error {
		if a == b {
			return nil
		}
		return r.d.put(g.m, Curve{A: a, B: b, Bulge: bulge, Layer: layer}, r.tol)
	}
	pt := func(x, y float64) profile.Point { return profile.Point{X: x, Y: y} }
	switch name {
	case "line":
		return line(pt(num("x1"), num("y1")), pt(num("x2"), num("y2")), 0)
	case "polyline", "polygon":
		v := numbers(at["points"])
		for i := 2; i+1 < len(v); i += 2 {
			if err := line(pt(v[i-2], v[i-1]), pt(v[i], v[i+1]), 0); err != nil {
				return err
			}
		}
		if n := len(v) / 2 * 2; name == "polygon" && n >= 6 {
			return line(pt(v[n-2], v[n-1]), pt(v[0], v[1]), 0)
		}
		return nil
	case "circle":
		if radius := num("r"); radius > 0 {
			return r.d.put(g.m, Curve{A: pt(num("cx"), num("cy")), Bulge: radius, Circle: true, Layer: layer}, r.tol)
		}
		return nil
	case "ellipse":
		return r.ellipse(g.m, pt(num("cx"), num("cy")), num("rx"), num("ry"), 0, 0, 2*math.Pi, layer)
	case "rect":
		return r.rect(at, num, g, layer)
	}
	p := &pathReader{cursor: cursor{s: at["d"]}, r: r, m: g.m, layer: layer}
	return p.read()
}

// rect draws a rectangle, its corners round by one radius or by two.
func (r *svgReader) rect(at map[string]string, num func(string) float64, g svgGroup, layer int32) error {
	x, y, w, h := num("x"), num("y"), num("width"), num("height")
	if !(w > 0 && h > 0) {
		return nil
	}
	rx, ry := num("rx"), num("ry")
	if _, has := at["rx"]; !has {
		rx = ry
	}
	if _, has := at["ry"]; !has {
		ry = rx
	}
	rx, ry = math.Max(0, math.Min(rx, w/2)), math.Max(0, math.Min(ry, h/2))
	q := &pathReader{r: r, m: g.m, layer: layer, p: profile.Point{X: x + rx, Y: y}}
	to := func(x, y float64) profile.Point { return profile.Point{X: x, Y: y} }
	for _, side := range [4][2]profile.Point{{to(x+w-rx, y), to(x+w, y+ry)}, {to(x+w, y+h-ry), to(x+w-rx, y+h)},
		{to(x+rx, y+h), to(x, y+h-ry)}, {to(x, y+ry), to(x+rx, y)}} {
		if err := q.line(side[0]); err != nil {
			return err
		}
		if err := q.arc(rx, ry, 0, false, true, side[1]); err != nil {
			return err
		}
	}
	return nil
}

// ellipse draws a turned ellipse or part of one.
func (r *svgReader) ellipse(m affine, c profile.Point, rx, ry, turned, from, to float64, layer int32) error {
	if !(rx > 0 && ry > 0) {
		return nil
	}
	whole := math.Abs(to-from) > 2*math.Pi-1e-9
	sin, cos := math.Sincos(turned)
	at := func(t float64) profile.Point {
		s, co := math.Sincos(t)
		return c.Add(profile.Point{X: rx*co*cos - ry*s*sin, Y: rx*co*sin + ry*s*cos})
	}
	if math.Abs(rx-ry) < 1e-12*rx {
		if whole {
			return r.d.put(m, Curve{A: c, Bulge: rx, Circle: true, Layer: layer}, r.tol)
		}
		half := (to - from) / 2
		for k := range 2 {
			a := from + float64(k)*half
			if err := r.d.put(m, Curve{A: at(a), B: at(a + half), Bulge: math.Tan(half / 4), Layer: layer}, r.tol); err != nil {
				return err
			}
		}
		return nil
	}
	return r.d.follow(func(t float64) profile.Point { return m.at(at(t)) }, from, to, 4, r.tol, layer, whole)
}
