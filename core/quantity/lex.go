package quantity

import (
	"fmt"
	"math"
	"strconv"
	"strings"
	"unicode"
)

type tokenKind int

const (
	tokEnd tokenKind = iota
	tokNumber
	tokUnit
	tokGauge
	tokOperator // + - * / ( )
)

// numberForm tells how a number was written: two readings arise only between
// certain forms.
type numberForm int

const (
	formWhole    numberForm = iota // 58
	formDecimal                    // 58.5, .5
	formFraction                   // 5/8
	formMixed                      // 7-5/8, 7 5/8
)

type token struct {
	kind        tokenKind
	at, end     int // rune offsets
	text        string
	value       float64
	form        numberForm
	unit        Unit
	family      string // of a gauge, when named
	spaceBefore bool
}

const maxEntry = 200

var vulgar = map[rune][2]int{
	'¼': {1, 4}, '½': {1, 2}, '¾': {3, 4}, '⅐': {1, 7}, '⅑': {1, 9}, '⅒': {1, 10},
	'⅓': {1, 3}, '⅔': {2, 3}, '⅕': {1, 5}, '⅖': {2, 5}, '⅗': {3, 5}, '⅘': {4, 5},
	'⅙': {1, 6}, '⅚': {5, 6}, '⅛': {1, 8}, '⅜': {3, 8}, '⅝': {5, 8}, '⅞': {7, 8},
}

var spelling = map[rune]rune{
	'⁄': '/', '∕': '/', '÷': '/', '×': '*', '−': '-', '–': '-', '‐': '-', '‑': '-',
	'′': '\'', '’': '\'', '‘': '\'', '″': '"', '”': '"', '“': '"', '\u00a0': ' ', '\u202f': ' ', '\u2009': ' ',
}

var familyWords = map[string]string{
	"steel": "steel", "galvanized": "galvanized", "galvanised": "galvanized",
	"stainless": "stainless", "aluminum": "aluminum", "aluminium": "aluminum",
}

type lexer struct {
	text  string
	runes []rune
	pos   int
	out   []token
}

func lex(text string) ([]token, error) {
	l := &lexer{text: text, runes: []rune(text)}
	if len(l.runes) > maxEntry {
		return nil, l.fail(maxEntry, fmt.Sprintf("The entry is longer than %d characters.", maxEntry))
	}
	for i, r := range l.runes {
		if s, ok := spelling[r]; ok {
			l.runes[i] = s
		}
	}
	for {
		space := l.skipSpace()
		if l.pos >= len(l.runes) {
			l.out = append(l.out, token{kind: tokEnd, at: l.pos, end: l.pos, spaceBefore: space})
			return l.out, nil
		}
		t, err := l.next()
		if err != nil {
			return nil, err
		}
		t.spaceBefore = space
		l.out = append(l.out, t)
	}
}

func (l *lexer) fail(at int, problem string, readings ...string) error {
	return &Error{Text: l.text, Offset: at, Problem: problem, Readings: readings}
}

func (l *lexer) skipSpace() bool {
	start := l.pos
	for l.pos < len(l.runes) && unicode.IsSpace(l.runes[l.pos]) {
		l.pos++
	}
	return l.pos > start
}

func (l *lexer) peek(offset int) rune {
	if i := l.pos + offset; i >= 0 && i < len(l.runes) {
		return l.runes[i]
	}
	return 0
}

func isDigit(r rune) bool { return r >= '0' && r <= '9' }

func (l *lexer) next() (token, error) {
	start, r := l.pos, l.runes[l.pos]
	_, isVulgar := vulgar[r]
	switch {
	case isDigit(r) || r == '.' || isVulgar:
		return l.number()
	case strings.ContainsRune("+-*/()", r):
		l.pos++
		return token{kind: tokOperator, at: start, end: l.pos, text: string(r)}, nil
	case r == '"':
		l.pos++
		return token{kind: tokUnit, at: start, end: l.pos, text: `"`, unit: Inch}, nil
	case r == '\'':
		l.pos++
		if l.peek(0) == '\'' { // two feet marks are how some keyboards write inches
			l.pos++
			return token{kind: tokUnit, at: start, end: l.pos, text: `"`, unit: Inch}, nil
		}
		return token{kind: tokUnit, at: start, end: l.pos, text: "'", unit: Foot}, nil
	case unicode.IsLetter(r):
		return l.word()
	case r == ',':
		return token{}, l.fail(start, "A comma is not used in lengths: write a decimal point.")
	}
	return token{}, l.fail(start, fmt.Sprintf("%q is not part of a length.", r))
}

func (l *lexer) word() (token, error) {
	start := l.pos
	for l.pos < len(l.runes) && unicode.IsLetter(l.runes[l.pos]) {
		l.pos++
	}
	w := strings.ToLower(string(l.runes[start:l.pos]))
	if u, ok := unitWords[w]; ok {
		return token{kind: tokUnit, at: start, end: l.pos, text: w, unit: u}, nil
	}
	if w == "ga" || w == "gauge" {
		t := token{kind: tokGauge, at: start, end: l.pos, text: w}
		save := l.pos
		l.skipSpace()
		from := l.pos
		for l.pos < len(l.runes) && unicode.IsLetter(l.runes[l.pos]) {
			l.pos++
		}
		if f, ok := familyWords[strings.ToLower(string(l.runes[from:l.pos]))]; ok {
			t.family, t.end = f, l.pos
		} else {
			l.pos = save
		}
		return t, nil
	}
	return token{}, l.fail(start, fmt.Sprintf("%q is not a unit: use mm, cm, m, in, ft or ga.", w))
}

// number reads a whole, a decimal, a fraction or a mixed number.
func (l *lexer) number() (token, error) {
	start := l.pos
	if f, ok, err := l.fraction(); err != nil {
		return token{}, err
	} else if ok {
		return token{kind: tokNumber, at: start, end: l.pos, value: f, form: formFraction}, nil
	}
	digits := l.digits()
	if l.peek(0) == '.' {
		l.pos++
		tail := l.digits()
		if digits == "" && tail == "" {
			return token{}, l.fail(start, "A point alone is not a number.")
		}
		if l.peek(0) == '.' {
			return token{}, l.fail(l.pos, "A number has one decimal point.")
		}
		v, err := strconv.ParseFloat("0"+digits+"."+tail+"0", 64)
		if err != nil || math.IsInf(v, 0) {
			return token{}, l.fail(start, "The number is too long.")
		}
		return token{kind: tokNumber, at: start, end: l.pos, value: v, form: formDecimal}, nil
	}
	whole, err := strconv.ParseFloat(digits, 64)
	if err != nil || math.IsInf(whole, 0) {
		return token{}, l.fail(start, "The number is too long.")
	}
	t := token{kind: tokNumber, at: start, end: l.pos, value: whole, form: formWhole}
	// A fraction that follows after blanks, or after a hyphen without blanks,
	// makes a mixed number.
	save := l.pos
	if l.peek(0) == '-' {
		l.pos++
	} else {
		l.skipSpace()
	}
	if f, ok, err := l.fraction(); err != nil {
		return token{}, err
	} else if ok {
		t.value, t.form, t.end = whole+f, formMixed, l.pos
		return t, nil
	}
	l.pos = save
	return t, nil
}

func (l *lexer) digits() string {
	start := l.pos
	for isDigit(l.peek(0)) {
		l.pos++
	}
	return string(l.runes[start:l.pos])
}

// fraction reads `5/8` or `⅝`; it leaves the position alone when there is none.
func (l *lexer) fraction() (float64, bool, error) {
	if v, ok := vulgar[l.peek(0)]; ok {
		l.pos++
		return float64(v[0]) / float64(v[1]), true, nil
	}
	save := l.pos
	n := l.digits()
	if n == "" || l.peek(0) != '/' || !isDigit(l.peek(1)) {
		l.pos = save
		return 0, false, nil
	}
	l.pos++
	d := l.digits()
	if l.peek(0) == '.' { // 5/8.5 is a division, not a fraction
		l.pos = save
		return 0, false, nil
	}
	a, errA := strconv.ParseFloat(n, 64)
	b, errB := strconv.ParseFloat(d, 64)
	if errA != nil || errB != nil {
		return 0, false, l.fail(save, "The number is too long.")
	}
	if b == 0 {
		return 0, false, l.fail(save, "A fraction cannot have 0 below the line.")
	}
	return a / b, true, nil
}
