package trace

import (
	"math"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

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

// name answers a name that is held once.
func (r *dxfReader) name(v []byte) string {
	if s, ok := r.names[string(v)]; ok {
		return s
	}
	s := string(v)
	r.names[s] = s
	return s
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
