package trace

import (
	"math"
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// cursor reads numbers and letters of path data.
type cursor struct {
	s string
	i int
}

func (c *cursor) space() {
	for c.i < len(c.s) {
		switch c.s[c.i] {
		case ' ', ',', '\t', '\r', '\n':
			c.i++
		default:
			return
		}
	}
}

// number reads one number; a second point or sign begins the next one.
func (c *cursor) number() (float64, bool) {
	c.space()
	start, point, power := c.i, false, false
	for c.i < len(c.s) {
		switch b := c.s[c.i]; {
		case b >= '0' && b <= '9':
		case (b == '-' || b == '+') && (c.i == start || c.s[c.i-1] == 'e' || c.s[c.i-1] == 'E'):
		case b == '.' && !point && !power:
			point = true
		case (b == 'e' || b == 'E') && !power && c.i > start:
			power = true
		default:
			goto done
		}
		c.i++
	}
done:
	v, err := strconv.ParseFloat(c.s[start:c.i], 64)
	if err != nil {
		c.i = start
		return 0, false
	}
	return v, true
}

// flag reads the one digit of an arc's flags, which may stand without a space.
func (c *cursor) flag() (bool, bool) {
	c.space()
	if c.i < len(c.s) && (c.s[c.i] == '0' || c.s[c.i] == '1') {
		c.i++
		return c.s[c.i-1] == '1', true
	}
	return false, false
}

// pathReader walks path data.
type pathReader struct {
	cursor
	r          *svgReader
	m          affine
	layer      int32
	p          profile.Point // where the pen is
	start      profile.Point
	lastCubic  profile.Point // second control point of the last cubic
	lastSquare profile.Point
	was        byte
}

func (q *pathReader) fault() error {
	return working.Refuse("/base64", "Path data in the SVG is not understood at %q. Save the drawing again, paths made plain, or as DXF.",
		clip([]byte(q.s[min(q.i, len(q.s)):])))
}

func (q *pathReader) read() error {
	command := byte(0)
	for {
		q.space()
		if q.i >= len(q.s) {
			return nil
		}
		if b := q.s[q.i]; b >= 'A' && b <= 'Z' || b >= 'a' && b <= 'z' {
			command = b
			q.i++
		} else if command == 0 || command == 'Z' || command == 'z' {
			return q.fault()
		}
		if err := q.step(command); err != nil {
			return err
		}
		q.was = command
		switch command { // what follows without a letter
		case 'M':
			command = 'L'
		case 'm':
			command = 'l'
		}
	}
}

func (q *pathReader) step(command byte) error {
	var v [6]float64
	n, known := takes[command|0x20]
	if !known || !q.numbers(v[:n]) {
		return q.fault()
	}
	to := func(i int) profile.Point {
		p := profile.Point{X: v[i], Y: v[i+1]}
		if command >= 'a' {
			return q.p.Add(p)
		}
		return p
	}
	switch command | 0x20 {
	case 'm':
		q.p = to(0)
		q.start = q.p
	case 'l':
		return q.line(to(0))
	case 'h', 'v':
		p := q.p
		c := &p.X
		if command|0x20 == 'v' {
			c = &p.Y
		}
		if command >= 'a' {
			*c += v[0]
		} else {
			*c = v[0]
		}
		return q.line(p)
	case 'c':
		return q.cubic(to(0), to(2), to(4))
	case 's':
		a := q.p
		switch q.was {
		case 'C', 'c', 'S', 's':
			a = q.p.Mul(2).Sub(q.lastCubic)
		}
		return q.cubic(a, to(0), to(2))
	case 'q':
		return q.square(to(0), to(2))
	case 't':
		a := q.p
		switch q.was {
		case 'Q', 'q', 'T', 't':
			a = q.p.Mul(2).Sub(q.lastSquare)
		}
		return q.square(a, to(0))
	case 'a':
		rx, ry, turned := v[0], v[1], v[2]
		large, ok := q.flag()
		sweep, ok2 := q.flag()
		if !ok || !ok2 || !q.numbers(v[:2]) {
			return q.fault()
		}
		return q.arc(rx, ry, turned*math.Pi/180, large, sweep, to(0))
	case 'z':
		err := q.line(q.start)
		q.p = q.start
		return err
	}
	return nil
}

// takes is how many numbers follow a command, of an arc those before its flags.
var takes = map[byte]int{'m': 2, 'l': 2, 'h': 1, 'v': 1, 'c': 6, 's': 4, 'q': 4, 't': 2, 'a': 3, 'z': 0}

// numbers reads as many as v holds; false where they end before.
func (q *pathReader) numbers(v []float64) bool {
	for i := range v {
		x, ok := q.number()
		if !ok {
			return false
		}
		v[i] = x
	}
	return true
}

func (q *pathReader) line(to profile.Point) error {
	from := q.p
	q.p = to
	if from == to {
		return nil
	}
	return q.r.d.put(q.m, Curve{A: from, B: to, Layer: q.layer}, q.r.tol)
}

func (q *pathReader) cubic(a, b, to profile.Point) error {
	from := q.p
	q.p, q.lastCubic = to, b
	return q.r.d.follow(func(t float64) profile.Point {
		u := 1 - t
		return q.m.at(from.Mul(u * u * u).Add(a.Mul(3 * u * u * t)).Add(b.Mul(3 * u * t * t)).Add(to.Mul(t * t * t)))
	}, 0, 1, 1, q.r.tol, q.layer, false)
}

func (q *pathReader) square(a, to profile.Point) error {
	from := q.p
	err := q.cubic(from.Add(a.Mul(2)).Mul(1./3), to.Add(a.Mul(2)).Mul(1./3), to)
	q.lastSquare = a
	return err
}

// arc draws an elliptical arc by its ends (SVG 1.1, appendix F.6).
func (q *pathReader) arc(rx, ry, turned float64, large, sweep bool, to profile.Point) error {
	from := q.p
	q.p = to
	if from == to {
		return nil
	}
	rx, ry = math.Abs(rx), math.Abs(ry)
	if rx == 0 || ry == 0 {
		q.p = from
		return q.line(to)
	}
	sin, cos := math.Sincos(turned)
	half := from.Sub(to).Mul(.5)
	x, y := cos*half.X+sin*half.Y, -sin*half.X+cos*half.Y
	if l := x*x/(rx*rx) + y*y/(ry*ry); l > 1 { // too small: just large enough
		rx, ry = rx*math.Sqrt(l), ry*math.Sqrt(l)
	}
	k := math.Sqrt(math.Max(0, (rx*rx*ry*ry-rx*rx*y*y-ry*ry*x*x)/(rx*rx*y*y+ry*ry*x*x)))
	if large == sweep {
		k = -k
	}
	cx, cy := k*rx*y/ry, -k*ry*x/rx
	mid := from.Add(to).Mul(.5)
	c := profile.Point{X: cos*cx - sin*cy + mid.X, Y: sin*cx + cos*cy + mid.Y}
	a := math.Atan2((y-cy)/ry, (x-cx)/rx)
	turn := math.Atan2((-y-cy)/ry, (-x-cx)/rx) - a
	if sweep && turn < 0 {
		turn += 2 * math.Pi
	}
	if !sweep && turn > 0 {
		turn -= 2 * math.Pi
	}
	before := len(q.r.d.Curves)
	err := q.r.ellipse(q.m, c, rx, ry, turned, a, a+turn, q.layer)
	// Its ends are the ones written, to the last digit.
	if list := q.r.d.Curves; err == nil && len(list) > before {
		list[before].A, list[len(list)-1].B = q.m.at(from), q.m.at(to)
	}
	return err
}
