package exchange

import (
	"cmp"

	"warmanvil/core/profile"
)

// Jig is a frame's outline in one plane, full size: pieces, the points they meet
// at, and their marks.
type Jig struct {
	Outlines []profile.Loop // of pieces; on the layer that is marked, not cut
	Plates   []profile.Loop
	Bends    []BendAt
	Lines    [][2]profile.Point // that are marked
	Points   []profile.Point
	Marks    []Mark
	Inches   bool
}

// BendAt is a line that is bent at, seen from the side that lies up.
type BendAt struct {
	From, To profile.Point
	Up       bool
}

// Mark is words at a place.
type Mark struct {
	Text string
	At   profile.Point
	High float64 // mm; 12 when 0

	Angle float64 // degrees
}

// DXF writes the jig: everything lies on the marking layer but the plates, which
// are on CUT so that they can be told apart. The lowest corner is the origin.
func (j Jig) DXF() []byte {
	b := profile.Empty()
	for _, list := range [][]profile.Loop{j.Outlines, j.Plates} {
		for _, l := range list {
			for _, v := range l {
				b.Include(v.P())
			}
		}
	}
	for _, p := range j.Points {
		b.Include(p)
	}
	d := &dxf{handle: firstHandle, scale: 1, shift: b.Min}
	units := 4
	if j.Inches {
		d.scale, units = 1/25.4, 1
	}
	d.section("ENTITIES")
	for _, l := range j.Outlines {
		d.polyline(l, layerMark)
	}
	for _, l := range j.Plates {
		d.polyline(l, layerCut)
	}
	for _, l := range j.Bends {
		layer := layerBendDown
		if l.Up {
			layer = layerBendUp
		}
		d.line(l.From, l.To, layer)
	}
	for _, l := range j.Lines {
		d.line(l[0], l[1], layerMark)
	}
	for _, p := range j.Points {
		d.cross(p)
	}
	for _, m := range j.Marks {
		d.text(m.Text, m.At, cmp.Or(m.High, 12), m.Angle)
	}
	d.put(0, "ENDSEC")
	w, h := b.Size()
	return d.whole(units, append([]byte(nil), d.buf.Bytes()...), w, h)
}
