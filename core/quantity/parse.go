package quantity

import (
	"fmt"
	"math"
	"strings"
)

// Options says what a bare number and a gauge mean where the entry is typed.
type Options struct {
	Unit   Unit   // of a bare number
	Family string // sheet family for `10 ga`; may be empty
	// Gauge looks up a sheet gauge and answers mm. Nil refuses gauges.
	Gauge func(family string, gauge float64) (float64, error)
}

// Reading is an entry that was understood.
type Reading struct {
	Millimetres float64
	// Plain is true for a single number in the field's own unit: nothing about
	// it needs to be shown back.
	Plain bool
}

// dimension of a value while it is worked out. A bare number may still become
// a length in the field's unit or stay a plain factor.
type dimension int

const (
	bare dimension = iota
	length
	ratio
)

type value struct {
	v   float64
	dim dimension
}

type parser struct {
	text string
	toks []token
	i    int
	opt  Options
	ops  int
	unit bool // a unit or gauge was written
}

// Parse reads a length. It fails with *Error.
func Parse(text string, opt Options) (Reading, error) {
	if opt.Unit.Size() == 0 {
		return Reading{}, &Error{Text: text, Problem: fmt.Sprintf("The field's unit %q is not known.", string(opt.Unit))}
	}
	toks, err := lex(text)
	if err != nil {
		return Reading{}, err
	}
	p := &parser{text: text, toks: toks, opt: opt}
	if p.peek().kind == tokEnd {
		return Reading{}, p.fail(p.peek(), "Nothing was typed.")
	}
	val, err := p.sum()
	if err != nil {
		return Reading{}, err
	}
	if t := p.peek(); t.kind != tokEnd {
		return Reading{}, p.leftover(t)
	}
	if val.dim == ratio {
		return Reading{}, p.fail(p.toks[0], "A length divided by a length is a plain number, not a length.")
	}
	mm := p.millimetres(val)
	if math.IsNaN(mm) || math.Abs(mm) > maxLength {
		return Reading{}, p.fail(p.toks[0], "The length is over 100 m.")
	}
	if mm == 0 {
		mm = 0 // never minus zero
	}
	return Reading{Millimetres: mm, Plain: p.ops == 0 && !p.unit}, nil
}

func (p *parser) peek() token { return p.toks[p.i] }

func (p *parser) take() token {
	t := p.toks[p.i]
	if t.kind != tokEnd {
		p.i++
	}
	return t
}

func (p *parser) operator(set string) bool {
	t := p.peek()
	return t.kind == tokOperator && strings.Contains(set, t.text)
}

func (p *parser) fail(t token, problem string, readings ...string) error {
	return &Error{Text: p.text, Offset: t.at, Problem: problem, Readings: readings}
}

func (p *parser) source(from, to token) string {
	return strings.TrimSpace(string([]rune(p.text)[from.at:to.end]))
}

func (p *parser) leftover(t token) error {
	switch {
	case t.kind == tokUnit:
		return p.fail(t, fmt.Sprintf("The unit %s is left over.", t.text))
	case t.kind == tokGauge:
		return p.fail(t, "A gauge needs one whole number before it.")
	case t.kind == tokNumber:
		return p.fail(t, "Two numbers stand side by side: put +, -, * or / between them, or a unit after each.")
	case t.kind == tokOperator && t.text == ")":
		return p.fail(t, "A closing bracket has no opening one.")
	}
	return p.fail(t, "A sign is missing before the bracket.")
}

func (p *parser) millimetres(v value) float64 {
	if v.dim == bare {
		return v.v * p.opt.Unit.Size()
	}
	return v.v
}

func (p *parser) sum() (value, error) {
	left, err := p.product()
	if err != nil {
		return left, err
	}
	for p.operator("+-") {
		prev := p.toks[p.i-1]
		op := p.take()
		if err := p.twoReadings(prev, op); err != nil {
			return left, err
		}
		p.ops++
		if p.operator("+-") {
			return left, p.fail(p.peek(), "Two signs stand side by side.")
		}
		right, err := p.product()
		if err != nil {
			return left, err
		}
		if left.dim == bare && right.dim == bare || left.dim == ratio && right.dim == ratio {
			left.v = signed(left.v, op.text, right.v)
			continue
		}
		if left.dim == ratio || right.dim == ratio {
			return left, p.fail(op, "A plain number cannot be added to a length.")
		}
		left = value{signed(p.millimetres(left), op.text, p.millimetres(right)), length}
	}
	return left, nil
}

func signed(a float64, op string, b float64) float64 {
	if op == "-" {
		return a - b
	}
	return a + b
}

// twoReadings refuses `1 - 1/2` (one and a half, or a half) and `3' - 2"`
// (three foot two, or two foot ten).
func (p *parser) twoReadings(prev, op token) error {
	next := p.peek()
	if op.text != "-" || next.kind != tokNumber {
		return nil
	}
	spaced := op.spaceBefore || next.spaceBefore
	if prev.kind == tokNumber && prev.form == formWhole && next.form == formFraction && spaced {
		n, f := p.source(prev, prev), p.source(next, next)
		return p.fail(op, fmt.Sprintf("%s - %s has two readings.", n, f),
			n+"-"+f+" (no spaces) for "+n+" and "+f, "("+n+") - "+f+" to take "+f+" away")
	}
	if prev.kind == tokUnit && prev.unit == Foot {
		after := p.toks[min(p.i+1, len(p.toks)-1)]
		inches := after.kind == tokUnit && after.unit == Inch
		if inches && (prev.text == "'") == spaced {
			q := p.source(next, after)
			return p.fail(op, "Feet, a hyphen and inches have two readings here.",
				"3'-2\" (no spaces) to join them, as "+p.source(p.toks[max(p.i-3, 0)], prev)+" "+q,
				"("+p.source(p.toks[max(p.i-3, 0)], prev)+") - "+q+" to take away")
		}
	}
	return nil
}

func (p *parser) product() (value, error) {
	left, err := p.signed()
	if err != nil {
		return left, err
	}
	divided := false
	for p.operator("*/") {
		prev := p.toks[p.i-1]
		op := p.take()
		p.ops++
		next := p.peek()
		plainFraction := func(t token) bool { return t.kind == tokNumber && t.form == formFraction }
		if op.text == "/" && (divided || plainFraction(prev) || plainFraction(next)) {
			return left, p.fail(op, "Two divisions in a row have two readings.", "(a/b)/c", "a/(b/c)")
		}
		right, err := p.signed()
		if err != nil {
			return left, err
		}
		if left, err = p.combine(left, op, right); err != nil {
			return left, err
		}
		divided = op.text == "/"
	}
	return left, nil
}

func (p *parser) combine(a value, op token, b value) (value, error) {
	if op.text == "*" {
		if a.dim == length && b.dim == length {
			return a, p.fail(op, "A length times a length is an area, not a length.")
		}
		return value{a.v * b.v, product(a.dim, b.dim)}, nil
	}
	if b.v == 0 {
		return a, p.fail(op, "Division by zero.")
	}
	switch {
	case a.dim == length && b.dim == length:
		return value{a.v / b.v, ratio}, nil
	case b.dim == length:
		return a, p.fail(op, "A plain number divided by a length is not a length. For a fraction leave out the spaces: 5/8 in.")
	case a.dim == ratio && b.dim == bare:
		return value{a.v / b.v, ratio}, nil
	}
	return value{a.v / b.v, a.dim}, nil
}

func product(a, b dimension) dimension {
	switch {
	case a == length || b == length:
		return length
	case a == ratio && b == ratio:
		return ratio
	}
	return bare
}

func (p *parser) signed() (value, error) {
	sign := 1.0
	if p.operator("+-") {
		if p.take().text == "-" {
			sign = -1
		}
		if p.operator("+-") {
			return value{}, p.fail(p.peek(), "Two signs stand side by side.")
		}
	}
	v, err := p.primary()
	v.v *= sign
	return v, err
}

func (p *parser) primary() (value, error) {
	t := p.peek()
	switch {
	case t.kind == tokNumber:
		return p.compound()
	case t.kind == tokOperator && t.text == "(":
		p.take()
		p.ops++
		v, err := p.sum()
		if err != nil {
			return v, err
		}
		if !p.operator(")") {
			if p.peek().kind == tokEnd {
				return v, p.fail(t, "A bracket is not closed.")
			}
			return v, p.leftover(p.peek())
		}
		p.take()
		if n := p.peek(); n.kind == tokNumber || n.kind == tokUnit || n.kind == tokGauge {
			return v, p.leftover(n)
		}
		return v, nil
	case t.kind == tokEnd:
		return value{}, p.fail(t, "The entry ends where a number should follow.")
	case t.kind == tokUnit || t.kind == tokGauge:
		return value{}, p.fail(t, fmt.Sprintf("A number is missing before %s.", t.text))
	}
	return value{}, p.fail(t, fmt.Sprintf("A number is missing before %q.", t.text))
}

// compound reads `3' 2 1/8"`: numbers with units that descend.
func (p *parser) compound() (value, error) {
	num := p.take()
	if p.peek().kind == tokGauge {
		return p.gauge(num)
	}
	if p.peek().kind != tokUnit {
		if n := p.peek(); n.kind == tokNumber || n.kind == tokOperator && n.text == "(" {
			return value{}, p.leftover(n)
		}
		return value{num.value, bare}, nil
	}
	unit := p.take()
	p.unit = true
	total, last := num.value*unit.unit.Size(), unit.unit
	for {
		joined := p.joins(unit)
		if !joined && p.peek().kind != tokNumber {
			return value{total, length}, nil
		}
		num = p.take()
		if p.peek().kind != tokUnit {
			if last == Foot && num.value < 12 { // 2'6 is two foot six
				if n := p.peek(); n.kind == tokNumber || n.kind == tokGauge {
					return value{}, p.leftover(n)
				}
				return value{total + num.value*Inch.Size(), length}, nil
			}
			return value{}, p.fail(num, fmt.Sprintf("The unit of %s is missing.", p.source(num, num)))
		}
		unit = p.take()
		if unit.unit.Size() >= last.Size() {
			return value{}, p.fail(unit, "Units go from large to small, each once.")
		}
		total, last = total+num.value*unit.unit.Size(), unit.unit
	}
}

// joins takes the hyphen of `3'-2"`.
func (p *parser) joins(unit token) bool {
	if unit.text != "'" || !p.operator("-") || p.peek().spaceBefore {
		return false
	}
	n, after := p.toks[min(p.i+1, len(p.toks)-1)], p.toks[min(p.i+2, len(p.toks)-1)]
	inches := after.kind == tokUnit && after.unit == Inch || after.kind != tokUnit && after.kind != tokGauge
	if n.kind != tokNumber || n.spaceBefore || !inches {
		return false
	}
	p.take()
	return true
}

func (p *parser) gauge(num token) (value, error) {
	g := p.take()
	p.unit = true
	family := p.opt.Family
	if g.family != "" {
		if family != "" && family != g.family {
			return value{}, p.fail(g, fmt.Sprintf("The gauge says %s but the material is %s.", g.family, family))
		}
		family = g.family
	}
	switch {
	case p.opt.Gauge == nil:
		return value{}, p.fail(g, "A gauge is not used here: type the thickness.")
	case family == "":
		return value{}, p.fail(g, "A gauge means a different thickness in steel, galvanized, stainless and aluminum: say which, as "+
			"in 10 ga steel.")
	}
	mm, err := p.opt.Gauge(family, num.value)
	if err != nil {
		return value{}, p.fail(num, err.Error())
	}
	if n := p.peek(); n.kind == tokNumber || n.kind == tokUnit || n.kind == tokGauge {
		return value{}, p.leftover(n)
	}
	return value{mm, length}, nil
}
