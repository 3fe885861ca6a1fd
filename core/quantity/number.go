package quantity

import "strings"

// ParseNumber reads a plain number (an angle in degrees, a count, a factor)
// with the same arithmetic as lengths and an optional degree sign. Units of
// length are refused. It fails with *Error.
func ParseNumber(text string) (float64, error) {
	trimmed := strings.TrimSpace(text)
	for _, suffix := range []string{"°", "deg", "degrees"} {
		trimmed = strings.TrimSpace(strings.TrimSuffix(trimmed, suffix))
	}
	toks, err := lex(trimmed)
	if err != nil {
		return 0, err
	}
	p := &parser{text: trimmed, toks: toks, opt: Options{Unit: Millimetre}}
	if p.peek().kind == tokEnd {
		return 0, p.fail(p.peek(), "Nothing was typed.")
	}
	v, err := p.sum()
	if err != nil {
		return 0, err
	}
	if t := p.peek(); t.kind != tokEnd {
		return 0, p.leftover(t)
	}
	if v.dim != bare {
		return 0, p.fail(toks[0], "A plain number is wanted here, without a unit of length.")
	}
	return v.v, nil
}
