package trace

import (
	"bytes"
	"fmt"
	"math"
	"sort"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// pairs walks a DXF's group codes and values.
type pairs struct {
	rest  []byte
	line  int
	code  int
	value []byte
	back  bool
}

// next reads one group; false at the end. A code that is no number ends it with
// a fault.
func (p *pairs) next() (bool, error) {
	if p.back {
		p.back = false
		return true, nil
	}
	code, ok := p.row()
	if !ok {
		return false, nil
	}
	n, err := strconv.Atoi(string(bytes.TrimSpace(code)))
	if err != nil {
		if len(bytes.TrimSpace(code)) == 0 && len(bytes.TrimSpace(p.rest)) == 0 {
			return false, nil
		}
		return false, working.Refuse("/base64", "The DXF is damaged at line %d: a group code is a number, not %q.", p.line, clip(code))
	}
	value, ok := p.row()
	if !ok {
		return false, working.Refuse("/base64", "The DXF ends in the middle of a group at line %d: it was not saved whole.", p.line)
	}
	p.code, p.value = n, bytes.TrimSpace(value)
	return true, nil
}

func (p *pairs) row() ([]byte, bool) {
	if len(p.rest) == 0 {
		return nil, false
	}
	p.line++
	i := bytes.IndexByte(p.rest, '\n')
	if i < 0 {
		row := p.rest
		p.rest = nil
		return row, true
	}
	row := p.rest[:i]
	p.rest = p.rest[i+1:]
	return bytes.TrimSuffix(row, []byte("\r")), true
}

func clip(b []byte) string {
	if len(b) > 40 {
		b = b[:40]
	}
	return string(b)
}

// entity is one entity's groups: numbers by code, in order.
type entity struct {
	kind    string
	layer   string
	block   string
	codes   []group
	visible bool
}

type group struct {
	code  int
	value float64
}

func (e *entity) first(code int, usual float64) float64 {
	for _, g := range e.codes {
		if g.code == code {
			return g.value
		}
	}
	return usual
}

func (e *entity) point(code int) profile.Point {
	return profile.Point{X: e.first(code, 0), Y: e.first(code+10, 0)}
}

// block is a named group of entities with its base point.
type block struct {
	base     profile.Point
	entities []entity
}

// insertUnits are $INSUNITS in mm.
var insertUnits = map[int]float64{1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000, 8: 25.4e-6, 9: .0254, 10: 914.4, 13: .001, 14: 100}

type dxfReader struct {
	d       *Drawing
	blocks  map[string]*block
	layers  map[string]int32
	hidden  map[string]bool
	odd     map[string]int
	depth   int
	metric  int // $MEASUREMENT, −1 when not said
	inserts int
	raised  int // entities off the plane
	fits    int // splines known by their fit points alone
	nodes   int
	names   map[string]string // layers' and blocks' names, once each
	spare   []group           // room for the next entity's groups
}

// tolerance to which curves become arcs, in file units: a hundredth of a
// millimetre, or of what may be one.
func (r *dxfReader) tolerance() float64 {
	if r.d.UnitsToMM != nil {
		return .01 / *r.d.UnitsToMM
	}
	return .001
}

func readDXF(data []byte) (*Drawing, error) {
	r := &dxfReader{d: &Drawing{}, blocks: map[string]*block{}, layers: map[string]int32{}, hidden: map[string]bool{}, odd: map[string]int{}, names: map[string]string{}, metric: -1}
	p := &pairs{rest: data}
	var pending, later []entity // a polyline waits for its vertices; inserts for blocks that come after them
	section := ""
	sections := 0
	for {
		ok, err := p.next()
		if err != nil {
			return nil, err
		}
		if !ok {
			break
		}
		if p.code != 0 {
			if p.code == 2 && section == "?" {
				section = string(p.value)
				if section == "HEADER" {
					if err := r.header(p); err != nil {
						return nil, err
					}
				}
			}
			continue
		}
		switch word := r.name(p.value); word {
		case "SECTION":
			section = "?"
			sections++
		case "ENDSEC":
			section = ""
		case "EOF":
		case "LAYER":
			if section == "TABLES" {
				if err := r.layerRow(p); err != nil {
					return nil, err
				}
			}
		case "BLOCK":
			if section == "BLOCKS" {
				if err := r.readBlock(p); err != nil {
					return nil, err
				}
			}
		default:
			if section != "ENTITIES" {
				break
			}
			if word != "VERTEX" {
				if later, err = r.drawn(pending, later); err != nil {
					return nil, err
				}
				pending = pending[:0]
			}
			if pending, err = r.entity(p, word, pending); err != nil {
				return nil, err
			}
		}
	}
	if sections == 0 {
		return nil, working.Refuse("/base64", "The file has no sections: it is no DXF.")
	}
	var err error
	if later, err = r.drawn(pending, later); err != nil {
		return nil, err
	}
	for i := range later {
		if err := r.draw(&later[i], straight, ""); err != nil {
			return nil, err
		}
	}
	r.finish()
	return r.d, nil
}

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

// name answers a name that is held once.
func (r *dxfReader) name(v []byte) string {
	if s, ok := r.names[string(v)]; ok {
		return s
	}
	s := string(v)
	r.names[s] = s
	return s
}

// header reads the units.
func (r *dxfReader) header(p *pairs) error {
	name := ""
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch {
		case p.code == 0:
			p.back = true
			return nil
		case p.code == 9:
			name = string(p.value)
		case name == "$INSUNITS" && p.code == 70:
			n, _ := strconv.Atoi(string(p.value))
			if mm, ok := insertUnits[n]; ok {
				r.d.UnitsToMM = &mm
			}
		case name == "$MEASUREMENT" && p.code == 70:
			r.metric, _ = strconv.Atoi(string(p.value))
		}
	}
}

// layerRow reads whether a layer is off or frozen.
func (r *dxfReader) layerRow(p *pairs) error {
	name, off := "", false
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch p.code {
		case 0:
			p.back = true
			r.hidden[name] = off
			return nil
		case 2:
			name = string(p.value)
		case 62:
			off = off || bytes.HasPrefix(p.value, []byte("-"))
		case 70:
			n, _ := strconv.Atoi(string(p.value))
			off = off || n&1 != 0
		}
	}
}

func (r *dxfReader) readBlock(p *pairs) error {
	b := &block{}
	name := ""
	head := true
	for {
		ok, err := p.next()
		if err != nil || !ok {
			return err
		}
		switch {
		case p.code == 0 && string(p.value) == "ENDBLK":
			r.blocks[name] = b
			return nil
		case p.code == 0 && (string(p.value) == "BLOCK" || string(p.value) == "ENDSEC"):
			p.back = true
			r.blocks[name] = b
			return nil
		case p.code == 0:
			head = false
			if b.entities, err = r.entity(p, string(p.value), b.entities); err != nil {
				return err
			}
		case !head:
		case p.code == 2:
			name = string(p.value)
		case p.code == 10:
			b.base.X = number(p.value)
		case p.code == 20:
			b.base.Y = number(p.value)
		}
	}
}

func number(v []byte) float64 {
	f, err := strconv.ParseFloat(string(v), 64)
	if err != nil {
		return math.NaN()
	}
	return f
}

// entity reads one entity's groups, a polyline with its vertices. Kinds that are
// no plane geometry are counted and left out.
func (r *dxfReader) entity(p *pairs, kind string, list []entity) ([]entity, error) {
	e := entity{kind: kind, visible: true, codes: r.spare}
	r.spare = nil
	known := true
	switch kind {
	case "LINE", "ARC", "CIRCLE", "LWPOLYLINE", "POLYLINE", "ELLIPSE", "SPLINE", "INSERT", "VERTEX":
	case "SEQEND", "ATTRIB", "ENDTAB":
		known = false
	default:
		r.odd[kind]++
		known = false
	}
	for {
		ok, err := p.next()
		if err != nil {
			return list, err
		}
		if !ok || p.code == 0 {
			p.back = ok
			break
		}
		if !known {
			continue
		}
		switch {
		case p.code == 8:
			e.layer = r.name(p.value)
		case p.code == 2 && kind == "INSERT":
			e.block = r.name(p.value)
		case p.code == 60:
			e.visible = number(p.value) == 0
		case p.code == 67 && number(p.value) == 1:
			known = false // on a paper sheet, not the part
		case p.code >= 10 && p.code < 60 || p.code >= 70 && p.code < 80 || p.code >= 210 && p.code < 240 || p.code == 66:
			e.codes = append(e.codes, group{p.code, number(p.value)})
		}
	}
	if !known {
		return list, nil
	}
	if kind == "VERTEX" && len(list) > 0 && list[len(list)-1].kind == "POLYLINE" {
		if int(e.first(70, 0))&16 != 0 { // a control point of a smoothed line
			return list, nil
		}
		last := &list[len(list)-1]
		last.codes = append(last.codes, group{10, e.first(10, 0)}, group{20, e.first(20, 0)}, group{42, e.first(42, 0)}, group{-1, 0})
		return list, nil
	}
	if r.nodes++; r.nodes > maxCurves {
		return list, working.Refuse("/base64", "The drawing has more than %d entities: save only what is to be cut.", maxCurves)
	}
	return append(list, e), nil
}

// draw puts an entity into the drawing through a block's map.
func (r *dxfReader) draw(e *entity, m affine, byBlock string) error {
	name := e.layer
	if name == "0" && byBlock != "" {
		name = byBlock
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
	if math.Abs(e.first(230, 1)) < .999 || math.Abs(e.first(30, 0)) > 1e-6 && e.kind == "LINE" && math.Abs(e.first(30, 0)-e.first(31, 0)) > 1e-6 {
		r.raised++
	}
	tol := r.tolerance()
	switch e.kind {
	case "LINE":
		return r.d.put(m, Curve{A: e.point(10), B: e.point(11), Layer: layer}, tol)
	case "CIRCLE":
		return r.d.put(m, Curve{A: e.point(10), Bulge: math.Abs(e.first(40, 0)), Circle: true, Layer: layer}, tol)
	case "ARC":
		c, radius := e.point(10), math.Abs(e.first(40, 0))
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
			return working.Refuse("/base64", "An ellipse in the drawing has no beginning or end.")
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
		return working.Refuse("/base64", "Blocks stand in one another more than %d deep, or in themselves.", maxNested)
	}
	r.depth++
	defer func() { r.depth-- }()
	sx, sy := e.first(41, 1), e.first(42, 1)
	sin, cos := math.Sincos(e.first(50, 0) * math.Pi / 180)
	cols, rows := int(math.Max(e.first(70, 1), 1)), int(math.Max(e.first(71, 1), 1))
	if cols > 10_000 || rows > 10_000 {
		return working.Refuse("/base64", "A block is repeated more often than anything that is cut.")
	}
	if e.first(230, 1) < 0 {
		m = m.after(affine{a: -1, d: 1})
	}
	at := e.point(10)
	for row := range rows {
		for col := range cols {
			if r.inserts++; r.inserts > maxCurves {
				return working.Refuse("/base64", "The drawing repeats blocks more than %d times.", maxCurves)
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

// finish says what was left out and how sure the units are.
func (r *dxfReader) finish() {
	d := r.d
	if len(r.odd) > 0 {
		var words []string
		for kind, n := range r.odd {
			words = append(words, fmt.Sprintf("%d %s", n, strings.ToLower(kind)))
		}
		sort.Strings(words)
		if len(words) > 8 {
			words = append(words[:8], "and more")
		}
		d.say(working.Note, "left-out", "Drawing", "", nil, "Left out, because they are no lines to cut: "+strings.Join(words, ", ")+".")
	}
	if r.raised > 0 {
		d.say(working.Mind, "not-flat", "Drawing", "", nil, fmt.Sprintf("%d entities do not lie flat: their height was left out.", r.raised))
	}
	if r.fits > 0 {
		d.say(working.Mind, "fit-points", "Curves", "", nil, fmt.Sprintf("%d splines are known by the points they run through alone: a smooth line through these was drawn; hold it against the original.", r.fits))
	}
	for i := range d.Layers {
		l := &d.Layers[i]
		l.Hidden = r.hidden[l.Name]
		if l.Curves > 0 && (l.Hidden || strings.EqualFold(l.Name, "defpoints")) {
			d.say(working.Mind, "odd-layer", "Layers", l.Name, nil, fmt.Sprintf("Layer %s is hidden in the file and holds %d lines: leave it out unless it is to be cut.", l.Name, l.Curves))
		}
	}
	if d.UnitsToMM == nil {
		hint := ""
		if r.metric == 1 {
			hint = " It calls itself metric, so they may be millimetres."
		} else if r.metric == 0 {
			hint = " It calls itself imperial, so they may be inches."
		}
		d.say(working.Mind, "no-units", "Units", "", nil, "The file does not say its units: say whether they are millimetres or inches, and check one size you know."+hint)
	}
}
