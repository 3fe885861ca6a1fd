package exchange

import (
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// DXF12 writes the flat pattern in the old form (R12, AC1009) that every
// machine reads: polylines of vertices, no handles. It cannot say its units;
// the mark says them.
func DXF12(f Flat) []byte {
	d := &dxf{scale: 1, shift: f.Part.Bounds.Min, old: true}
	units := "mm"
	if f.Inches {
		d.scale, units = 1/25.4, "in"
	}
	d.section("HEADER")
	d.put(9, "$ACADVER")
	d.put(1, "AC1009")
	d.put(0, "ENDSEC")
	d.section("TABLES")
	d.put(0, "TABLE")
	d.put(2, "LAYER")
	layers := []string{layerCut, layerBendUp, layerBendDown, layerMark}
	d.int(70, len(layers))
	for i, l := range layers {
		d.put(0, "LAYER")
		d.put(2, l)
		d.int(70, 0)
		d.int(62, i+1)
		d.put(6, "CONTINUOUS")
	}
	d.put(0, "ENDTAB")
	d.put(0, "ENDSEC")
	d.section("ENTITIES")
	loop := func(l profile.Loop) {
		d.put(0, "POLYLINE")
		d.put(8, layerCut)
		d.int(66, 1)
		d.num(10, 0)
		d.num(20, 0)
		d.num(30, 0)
		d.int(70, 1)
		for _, v := range l {
			d.put(0, "VERTEX")
			d.put(8, layerCut)
			d.at(10, v.P())
			d.num(30, 0)
			if v.Bulge != 0 {
				d.num(42, v.Bulge)
			}
		}
		d.put(0, "SEQEND")
		d.put(8, layerCut)
	}
	loop(f.Part.Outline)
	for _, h := range f.Part.Holes {
		switch {
		case h.Made == sheet.MadeDrilled:
			d.cross(h.Centre)
		case h.Made == sheet.MadeMatched:
		case len(h.Loop) > 0:
			loop(h.Loop)
		default:
			d.put(0, "CIRCLE")
			d.put(8, layerCut)
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
	if f.Mark != "" {
		f.Mark += " " + units
	}
	d.mark(f)
	d.put(0, "ENDSEC")
	d.put(0, "EOF")
	return d.buf.Bytes()
}
