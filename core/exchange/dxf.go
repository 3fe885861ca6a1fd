// Package exchange writes and reads the files of the shop: DXF, SVG, CSV.
// Bytes come out the same for the same part.
package exchange

import (
	"bytes"
	"math"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// Layers of the flat pattern.
const (
	layerCut      = "CUT"
	layerBendUp   = "BEND_UP"
	layerBendDown = "BEND_DOWN"
	layerMark     = "MARK"
)

// Flat is a flat pattern to be written: the part, the mark it carries, and
// whether the file is in inches.
type Flat struct {
	Part   made.Part
	Mark   string
	Inches bool
}

// dxf numbers handles and writes pairs of group code and value.
type dxf struct {
	buf    bytes.Buffer
	handle int
	scale  float64
	shift  profile.Point
	old    bool // R12: no handles, no classes
}

func (d *dxf) put(code int, value string) {
	d.buf.WriteString(strconv.Itoa(code))
	d.buf.WriteByte('\n')
	d.buf.WriteString(value)
	d.buf.WriteByte('\n')
}

func (d *dxf) int(code, v int) { d.put(code, strconv.Itoa(v)) }

func (d *dxf) num(code int, v float64) {
	if math.Abs(v) < 5e-10 {
		v = 0
	}
	s := strconv.FormatFloat(v, 'f', 9, 64)
	s = strings.TrimRight(s, "0")
	if strings.HasSuffix(s, ".") {
		s += "0"
	}
	d.put(code, s)
}

// at writes a point of the flat pattern in file units.
func (d *dxf) at(code int, p profile.Point) {
	d.num(code, (p.X-d.shift.X)*d.scale)
	d.num(code+10, (p.Y-d.shift.Y)*d.scale)
}

func hex(h int) string { return strings.ToUpper(strconv.FormatInt(int64(h), 16)) }

func (d *dxf) next() string {
	d.handle++
	return hex(d.handle)
}

// Fixed handles of the skeleton; entities count on from firstHandle.
const (
	hBlockRecords = 0x1
	hModel        = 0x10
	hPaper        = 0x11
	hRoot         = 0x20
	hGroups       = 0x21
	firstHandle   = 0x100
)

// DXF writes a flat pattern as AutoCAD 2000 (AC1015) drawing: closed
// LWPOLYLINEs with bulges for arcs, CIRCLEs for round holes, bend lines and
// marks on layers of their own. The blank's front left corner is the origin.
func DXF(f Flat) []byte {
	d := &dxf{handle: firstHandle, scale: 1, shift: f.Part.Bounds.Min}
	units := 4
	if f.Inches {
		d.scale, units = 1/25.4, 1
	}
	d.buf.Grow(16 << 10)
	w, h := f.Part.Bounds.Size()
	return d.whole(units, d.entities(f), w, h)
}

// whole writes a drawing round its entities.
func (d *dxf) whole(units int, entities []byte, w, h float64) []byte {
	seed := hex(d.handle + 1)
	d.buf.Reset()
	d.header(units, seed, w, h)
	d.tables()
	d.blocks()
	d.buf.Write(entities)
	d.objects()
	d.put(0, "EOF")
	return d.buf.Bytes()
}

func (d *dxf) section(name string) {
	d.put(0, "SECTION")
	d.put(2, name)
}

func (d *dxf) entity(kind, layer, class string) {
	d.put(0, kind)
	if d.old {
		d.put(8, layer)
		return
	}
	d.put(5, d.next())
	d.put(330, hex(hModel))
	d.put(100, "AcDbEntity")
	d.put(8, layer)
	d.put(100, class)
}

func (d *dxf) entities(f Flat) []byte {
	d.section("ENTITIES")
	d.polyline(f.Part.Outline, layerCut)
	for _, h := range f.Part.Holes {
		switch {
		case h.Made == sheet.MadeDrilled:
			d.cross(h.Centre)
		case h.Made == sheet.MadeMatched: // laid out by its mate
		case len(h.Loop) > 0:
			d.polyline(h.Loop, layerCut)
		default:
			d.entity("CIRCLE", layerCut, "AcDbCircle")
			d.at(10, h.Centre)
			d.num(30, 0)
			d.num(40, h.Cut/2*d.scale)
		}
	}
	for _, l := range f.Part.FoldLines() {
		layer := layerBendDown
		if l.Up {
			layer = layerBendUp
		}
		d.line(l.From, l.To, layer)
	}
	d.mark(f)
	d.put(0, "ENDSEC")
	return append([]byte(nil), d.buf.Bytes()...)
}

func (d *dxf) polyline(l profile.Loop, layer string) {
	d.entity("LWPOLYLINE", layer, "AcDbPolyline")
	d.int(90, len(l))
	d.int(70, 1)
	for _, v := range l {
		d.at(10, v.P())
		if v.Bulge != 0 {
			d.num(42, v.Bulge)
		}
	}
}

func (d *dxf) line(a, b profile.Point, layer string) {
	d.entity("LINE", layer, "AcDbLine")
	d.at(10, a)
	d.num(30, 0)
	d.at(11, b)
	d.num(31, 0)
}

// cross marks the centre of a hole that is drilled later.
func (d *dxf) cross(c profile.Point) {
	const arm = 3
	d.line(c.Add(profile.Point{X: -arm}), c.Add(profile.Point{X: arm}), layerMark)
	d.line(c.Add(profile.Point{Y: -arm}), c.Add(profile.Point{Y: arm}), layerMark)
}

// mark writes the part's mark in the middle of the base.
func (d *dxf) mark(f Flat) {
	for _, m := range f.Part.Marks {
		for _, l := range m.Lines {
			for i := 1; i < len(l); i++ {
				d.line(l[i-1], l[i], layerMark)
			}
		}
		if m.Text != "" {
			d.text(m.Text, m.At, m.Height, m.Angle)
		}
	}
	if f.Mark == "" || len(f.Part.Panels) == 0 {
		return
	}
	d.text(f.Mark, f.Part.Panels[0].Middle, 5, 0)
}

// text writes words of a height in mm, turned by degrees.
func (d *dxf) text(words string, at profile.Point, high, angle float64) {
	d.entity("TEXT", layerMark, "AcDbText")
	d.at(10, at)
	d.num(30, 0)
	d.num(40, high*d.scale)
	d.put(1, plainText(words))
	if angle != 0 {
		d.num(50, angle)
	}
	d.put(7, "STANDARD")
	if !d.old {
		d.put(100, "AcDbText")
	}
}

// plainText keeps what the drawing's code page can hold; the rest is written
// as the drawing format's own escapes.
func plainText(s string) string {
	var b strings.Builder
	for _, r := range s {
		switch {
		case r < 32:
			b.WriteByte(' ')
		case r < 127:
			b.WriteRune(r)
		case r >= 0xA0 && r <= 0xFF: // the same bytes in the drawing's code page
			b.WriteByte(byte(r))
		case r <= 0xFFFF:
			b.WriteString(`\U+` + strings.ToUpper(strconv.FormatInt(0x10000+int64(r), 16)[1:]))
		}
	}
	return b.String()
}
