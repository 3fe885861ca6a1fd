package trace

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// drawn draws what is complete, so that a large drawing is not held twice.
func (r *dxfReader) drawn(list, later []entity) ([]entity, error) {
	for i := range list {
		e := &list[i]
		if e.kind == "INSERT" && r.blocks[e.block] == nil {
			later = append(later, *e)
			continue
		}
		if err := r.draw(e, straight, ""); err != nil {
			return later, err
		}
		r.spare = e.codes[:0]
	}
	return later, nil
}

// radius answers that of a circle or arc; one of no size is left out, one that is
// negative counts as it would be drawn, and both are said.
func (r *dxfReader) radius(e *entity) (radius float64, drawn bool) {
	radius = e.first(40, 0)
	switch {
	case radius == 0:
		r.points++
	case radius < 0:
		r.turned++
	}
	return math.Abs(radius), radius != 0
}

// draw puts an entity into the drawing through a block's map.
func (r *dxfReader) draw(e *entity, m affine, byBlock string) error {
	name := e.layer
	if name == "0" && byBlock != "" {
		name = byBlock
	}
	if err := r.look(e); err != nil {
		return err
	}
	if !e.visible {
		return nil
	}
	if e.kind == "INSERT" {
		return r.insert(e, m, name)
	}
	layer := r.d.layer(name, r.layers)
	if e.first(230, 1) < 0 && (e.kind == "ARC" || e.kind == "CIRCLE" || e.kind == "LWPOLYLINE" || e.kind == "POLYLINE") {
		m = m.after(affine{a: -1, d: 1}) // seen from behind
	}
	if math.Abs(e.first(230, 1)) < .999 || math.Abs(e.first(30, 0)) > 1e-6 && e.kind == "LINE" &&
		math.Abs(e.first(30, 0)-e.first(31, 0)) > 1e-6 {
		r.raised++
	}
	tol := r.tolerance()
	switch e.kind {
	case "LINE":
		return r.d.put(m, Curve{A: e.point(10), B: e.point(11), Layer: layer}, tol)
	case "CIRCLE":
		radius, drawn := r.radius(e)
		if !drawn {
			return nil
		}
		return r.d.put(m, Curve{A: e.point(10), Bulge: radius, Circle: true, Layer: layer}, tol)
	case "ARC":
		c := e.point(10)
		radius, drawn := r.radius(e)
		if !drawn {
			return nil
		}
		from, to := e.first(50, 0)*math.Pi/180, e.first(51, 0)*math.Pi/180
		turn := math.Mod(to-from, 2*math.Pi)
		if turn <= 1e-12 {
			turn += 2 * math.Pi
		}
		if turn > 2*math.Pi-1e-9 {
			return r.d.put(m, Curve{A: c, Bulge: radius, Circle: true, Layer: layer}, tol)
		}
		on := func(a float64) profile.Point {
			s, co := math.Sincos(a)
			return c.Add(profile.Point{X: radius * co, Y: radius * s})
		}
		half := turn / 2 // two halves: a bulge grows without end towards a whole turn
		if err := r.d.put(m, Curve{A: on(from), B: on(from + half), Bulge: math.Tan(half / 4), Layer: layer}, tol); err != nil {
			return err
		}
		return r.d.put(m, Curve{A: on(from + half), B: on(from + turn), Bulge: math.Tan(half / 4), Layer: layer}, tol)
	case "LWPOLYLINE", "POLYLINE":
		return r.polyline(e, m, layer)
	case "ELLIPSE":
		c, major, ratio := e.point(10), e.point(11), e.first(40, 1)
		from, to := e.first(41, 0), e.first(42, 2*math.Pi)
		for to <= from+1e-12 {
			to += 2 * math.Pi
		}
		if math.IsNaN(from+to) || to-from > 4*math.Pi {
			return working.Refuse("/base64", "An ellipse in the drawing has no beginning or end: delete it, or save the drawing again with curves "+
				"as lines and arcs.")
		}
		minor := profile.Point{X: -major.Y, Y: major.X}.Mul(ratio)
		if e.first(230, 1) < 0 {
			minor = minor.Mul(-1)
		}
		return r.d.follow(func(t float64) profile.Point {
			s, co := math.Sincos(t)
			return m.at(c.Add(major.Mul(co)).Add(minor.Mul(s)))
		}, from, to, 8, tol, layer, to-from > 2*math.Pi-1e-9)
	case "SPLINE":
		return r.spline(e, m, layer)
	}
	return nil
}

// look counts what is looked at, shown or not: a block within blocks is met as often as
// they are repeated.
func (r *dxfReader) look(e *entity) error {
	was := r.seen
	if r.seen += 1 + len(e.codes)/2; r.seen > maxSeen {
		return working.Refuse("/base64", "The drawing's blocks come to more than %d places when each is drawn where it is repeated: explode "+
			"them, keep what is cut, and save the drawing again.", maxSeen)
	}
	if was>>12 != r.seen>>12 {
		return r.d.until.Err()
	}
	return nil
}

// polyline puts straight and round pieces from vertex to vertex.
func (r *dxfReader) polyline(e *entity, m affine, layer int32) error {
	var l profile.Loop
	old := e.kind == "POLYLINE"
	head := old // the old form's first point is a dummy
	for _, g := range e.codes {
		switch g.code {
		case 10:
			if old && head {
				continue
			}
			l = append(l, profile.Vertex{X: g.value})
		case 20:
			if len(l) > 0 {
				l[len(l)-1].Y = g.value
			}
			head = false
		case 42:
			if len(l) > 0 {
				l[len(l)-1].Bulge = g.value
			}
		}
	}
	if old && int(e.first(70, 0))&(8|16|64) != 0 {
		if int(e.first(70, 0))&8 == 0 {
			r.odd["mesh"]++
			return nil
		}
	}
	n := len(l)
	closed := int(e.first(70, 0))&1 != 0
	for i := range l {
		if i == n-1 && !closed {
			break
		}
		a, b := l[i], l[(i+1)%n]
		if a.P() == b.P() {
			continue
		}
		if err := r.d.put(m, Curve{A: a.P(), B: b.P(), Bulge: a.Bulge, Layer: layer}, r.tolerance()); err != nil {
			return err
		}
	}
	return nil
}

// insert draws a block's entities where it stands, rows and columns of it too.
func (r *dxfReader) insert(e *entity, m affine, layer string) error {
	b, ok := r.blocks[e.block]
	if !ok {
		r.odd["block "+e.block]++
		return nil
	}
	if r.depth >= maxNested {
		return working.Refuse("/base64", "Blocks stand in one another more than %d deep, or in themselves: explode the blocks and save the "+
			"drawing again.", maxNested)
	}
	r.depth++
	defer func() { r.depth-- }()
	sx, sy := e.first(41, 1), e.first(42, 1)
	sin, cos := math.Sincos(e.first(50, 0) * math.Pi / 180)
	cols, rows := int(math.Max(e.first(70, 1), 1)), int(math.Max(e.first(71, 1), 1))
	if cols > 10_000 || rows > 10_000 {
		return working.Refuse("/base64", "A block is repeated more often than anything that is cut: explode it, keep what is cut, and save the "+
			"drawing again.")
	}
	if e.first(230, 1) < 0 {
		m = m.after(affine{a: -1, d: 1})
	}
	at := e.point(10)
	for row := range rows {
		for col := range cols {
			if r.inserts++; r.inserts > maxCurves {
				return working.Refuse("/base64", "The drawing repeats blocks more than %d times: save only what is to be cut.", maxCurves)
			}
			step := profile.Point{X: float64(col) * e.first(44, 0), Y: float64(row) * e.first(45, 0)}
			own := affine{a: cos * sx, b: sin * sx, c: -sin * sy, d: cos * sy, x: at.X + cos*step.X - sin*step.Y, y: at.Y + sin*step.X + cos*step.Y}
			own = own.after(affine{a: 1, d: 1, x: -b.base.X, y: -b.base.Y})
			for i := range b.entities {
				if err := r.draw(&b.entities[i], m.after(own), layer); err != nil {
					return err
				}
			}
		}
	}
	return nil
}
