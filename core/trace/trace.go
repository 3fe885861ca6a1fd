// Package trace reads drawings that come from elsewhere (DXF, SVG) and makes
// closed loops of them: what is drawn in pieces is joined, doubled lines are
// dropped, and what stays open, crosses itself or is no plane geometry is said
// with its place. Coordinates are the file's own.
package trace

import (
	"bytes"
	"context"
	"fmt"
	"math"
	"path"
	"slices"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Curve is one straight line or arc of a drawing, or a whole circle.
type Curve struct {
	A, B   profile.Point
	Bulge  float64 // of the arc from A to B
	Layer  int32   // index in the drawing's layers
	Circle bool    // A is the centre and Bulge the radius
}

// Drawing is what a file holds, before anything is joined.
type Drawing struct {
	Curves    []Curve
	Layers    []Layer
	UnitsToMM *float64 // nil when the file does not say
	Down      bool     // y runs down, as on a screen
	Findings  []working.Finding
	until     context.Context // of the reading
	approx    int             // curves that were neither straight nor round
	worst     float64         // how far their arcs lie off them at most
}

// Layer of a drawing.
type Layer struct {
	Name   string `json:"name"`
	Curves int    `json:"curves"`
	Hidden bool   `json:"hidden,omitempty" doc:"off or frozen in the file"`
}

const (
	maxBytes  = 100 << 20
	maxCurves = 250_000
	maxNested = 16
	maxSeen   = 4_000_000   // places looked at, repeated blocks and what is not shown counted
	maxInside = 500_000_000 // sides of outlines looked at for what lies in them
)

// Read reads a file by its name's ending, or by what it holds. It fails with
// *working.Fault, or with the context's error when that ends.
func Read(ctx context.Context, name string, data []byte) (*Drawing, error) {
	switch {
	case len(data) == 0:
		return nil, working.Refuse("/base64", "The file is empty: choose the one that was saved last.")
	case len(data) > maxBytes:
		return nil, working.Refuse("/base64", "The file is larger than %d MB: save only what is to be cut.", maxBytes>>20)
	case bytes.HasPrefix(data, []byte("AC10")):
		return nil, working.Refuse("/name", "That is a DWG, which cannot be read here: save the drawing as DXF (R12 to 2018, text).")
	case bytes.HasPrefix(data, []byte("AutoCAD Binary DXF")):
		return nil, working.Refuse("/name", "That is a DXF in binary form: save it as text.")
	case bytes.HasPrefix(data, []byte("%PDF")):
		return nil, working.Refuse("/name", "That is a PDF: save the drawing as DXF or SVG.")
	}
	head := data[:min(len(data), 4096)]
	ext := strings.ToLower(path.Ext(name))
	var d *Drawing
	var err error
	switch {
	case bytes.Contains(head, []byte("<svg")), ext == ".svg":
		d, err = readSVG(ctx, data)
	case ext == ".dxf", bytes.Contains(head, []byte("SECTION")):
		d, err = readDXF(ctx, data)
	default:
		return nil, working.Refuse("/name", "%s is neither a DXF nor an SVG by its name or by what it holds: save the drawing as DXF or SVG.",
			name)
	}
	if err != nil {
		return nil, err
	}
	d.until = nil
	if d.approx > 0 {
		d.say(working.Note, "approximated", "Curves", "", nil,
			fmt.Sprintf("%d curves were neither straight nor round; they are arcs now that lie within %.3g of them.", d.approx, d.worst))
	}
	return d, nil
}

// Finding words carry the place they are about in their edits' path, as the
// interface shows it: /at/x/y.
func (d *Drawing) say(severity working.Severity, code, cause, feature string, fixes []working.Fix, reason string) {
	d.Findings = append(d.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Feature: feature,
		Reason: reason, Fixes: fixes})
}

// layer answers the index of a layer, made when it is new.
func (d *Drawing) layer(name string, index map[string]int32) int32 {
	if k, ok := index[name]; ok {
		return k
	}
	k := int32(len(d.Layers))
	index[name] = k
	d.Layers = append(d.Layers, Layer{Name: name})
	return k
}

func (d *Drawing) add(c Curve) error {
	if len(d.Curves) >= maxCurves {
		return working.Refuse("/base64", "The drawing has more than %d lines and arcs: save only what is to be cut.", maxCurves)
	}
	for _, v := range [5]float64{c.A.X, c.A.Y, c.B.X, c.B.Y, c.Bulge} {
		if math.IsNaN(v) || math.Abs(v) > 1e12 {
			return working.Refuse("/base64", "The drawing holds a place that is none, or beyond all measure: delete what lies far off, and save "+
				"only what is to be cut.")
		}
	}
	if len(d.Curves)%4096 == 0 {
		if err := d.until.Err(); err != nil {
			return err
		}
	}
	if n := len(d.Curves); n == cap(d.Curves) {
		d.Curves = slices.Grow(d.Curves, min(max(n, 1024), maxCurves-n)) // twice as many: a large list grown by little is copied often
	}
	d.Curves = append(d.Curves, c)
	d.Layers[c.Layer].Curves++
	return nil
}

// affine carries places of a block or group into the drawing.
type affine struct{ a, b, c, d, x, y float64 } // x' = a·x + c·y + x, y' = b·x + d·y + y

var straight = affine{a: 1, d: 1}

func (m affine) at(p profile.Point) profile.Point {
	return profile.Point{X: m.a*p.X + m.c*p.Y + m.x, Y: m.b*p.X + m.d*p.Y + m.y}
}

// after answers m applied to what n gives.
func (m affine) after(n affine) affine {
	o := m.at(profile.Point{X: n.x, Y: n.y})
	return affine{m.a*n.a + m.c*n.b, m.b*n.a + m.d*n.b, m.a*n.c + m.c*n.d, m.b*n.c + m.d*n.d, o.X, o.Y}
}

// alike tells whether it keeps circles round, and whether it mirrors.
func (m affine) alike() (scale float64, round, mirrored bool) {
	scale = math.Hypot(m.a, m.b)
	other := math.Hypot(m.c, m.d)
	dot := m.a*m.c + m.b*m.d
	return scale, math.Abs(scale-other) <= 1e-9*scale && math.Abs(dot) <= 1e-9*scale*scale, m.a*m.d-m.b*m.c < 0
}

// put adds a line or arc through a map, a round one as it is, another as arcs
// that follow it.
func (d *Drawing) put(m affine, c Curve, tolerance float64) error {
	scale, round, mirrored := m.alike()
	switch {
	case scale == 0:
		return nil
	case c.Circle && round:
		c.A, c.Bulge = m.at(c.A), c.Bulge*scale
		return d.add(c)
	case c.Circle:
		centre, r := c.A, c.Bulge
		return d.follow(func(t float64) profile.Point {
			s, co := math.Sincos(t)
			return m.at(centre.Add(profile.Point{X: r * co, Y: r * s}))
		}, 0, 2*math.Pi, 8, tolerance, c.Layer, true)
	case c.Bulge == 0 || round:
		c.A, c.B = m.at(c.A), m.at(c.B)
		if mirrored {
			c.Bulge = -c.Bulge
		}
		return d.add(c)
	}
	centre, r := profile.ArcOf(profile.Vertex{X: c.A.X, Y: c.A.Y, Bulge: c.Bulge}, profile.Vertex{X: c.B.X, Y: c.B.Y})
	from := math.Atan2(c.A.Y-centre.Y, c.A.X-centre.X)
	return d.follow(func(t float64) profile.Point {
		s, co := math.Sincos(t)
		return m.at(centre.Add(profile.Point{X: r * co, Y: r * s}))
	}, from, from+4*math.Atan(c.Bulge), 4, tolerance, c.Layer, false)
}

// follow adds arcs and lines that stay within a tolerance of a curve. Its ends
// are kept exactly; a closed one ends where it starts.
func (d *Drawing) follow(at func(t float64) profile.Point, from, to float64, pieces int, tolerance float64,
	layer int32, closed bool) error {
	d.approx++
	first := at(from)
	p := first
	var split func(t0, t1 float64, a, b profile.Point, deep int) error
	split = func(t0, t1 float64, a, b profile.Point, deep int) error {
		mid := at((t0 + t1) / 2)
		bulge := bulgeThrough(a, mid, b)
		off := 0.0
		for _, f := range [4]float64{.125, .25, .75, .875} {
			off = math.Max(off, distanceTo(at(t0+f*(t1-t0)), a, b, bulge))
		}
		if off > tolerance && deep < 18 {
			if err := split(t0, (t0+t1)/2, a, mid, deep+1); err != nil {
				return err
			}
			return split((t0+t1)/2, t1, mid, b, deep+1)
		}
		d.worst = math.Max(d.worst, off)
		if a == b {
			return nil
		}
		return d.add(Curve{A: a, B: b, Bulge: bulge, Layer: layer})
	}
	for k := range pieces {
		t0, t1 := from+(to-from)*float64(k)/float64(pieces), from+(to-from)*float64(k+1)/float64(pieces)
		q := at(t1)
		if closed && k == pieces-1 {
			q = first
		}
		if err := split(t0, t1, p, q, 0); err != nil {
			return err
		}
		p = q
	}
	return nil
}

// bulgeThrough answers the bulge of the arc from a to b through m; 0 when they
// lie in line.
func bulgeThrough(a, m, b profile.Point) float64 {
	chord := b.Sub(a)
	l := chord.Len()
	if l == 0 {
		return 0
	}
	// The angle over the chord seen from m is half the arc that is left.
	u, v := a.Sub(m), b.Sub(m)
	angle := math.Atan2(u.Cross(v), u.Dot(v)) // ±π on the line
	turn := 2 * (math.Pi - math.Abs(angle))   // of the arc
	if turn < 1e-9 {
		return 0
	}
	return math.Copysign(math.Tan(turn/4), -angle)
}

// distanceTo answers how far a place lies from an arc or line, near its span.
func distanceTo(p, a, b profile.Point, bulge float64) float64 {
	if math.Abs(bulge) < 1e-12 {
		d := b.Sub(a)
		l := d.Len()
		if l == 0 {
			return p.Sub(a).Len()
		}
		return math.Abs(d.Cross(p.Sub(a))) / l
	}
	c, r := profile.ArcOf(profile.Vertex{X: a.X, Y: a.Y, Bulge: bulge}, profile.Vertex{X: b.X, Y: b.Y})
	return math.Abs(p.Sub(c).Len() - r)
}
