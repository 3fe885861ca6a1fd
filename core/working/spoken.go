package working

import (
	"errors"
	"math"
	"regexp"
	"strconv"
	"strings"
	"unicode"
)

// measured is a number with its unit in a text.
var measured = regexp.MustCompile(`-?\d+(?:\.\d+)?(?:e[+-]?\d+)? (?:mm|kg|kN|N·m|N|MPa)(?:[^²³⁴/·\pL]|$)`)

// said are the units of inch jobs: what one of ours is in theirs, and how many decimals
// more it takes to say it as finely.
var said = map[string]struct {
	name   string
	size   float64
	digits int
}{"mm": {"in", 25.4, 2}, "kg": {"lb", .45359237, 1}, "kN": {"lbf", poundForce / 1000, -2}, "N": {"lbf", poundForce, 1},
	"N·m": {"lbf·ft", poundForce * .3048, 1}, "MPa": {"ksi", poundForce / .64516, 1}}

// Spoken says a text in the units of an inch job: each number about as finely as it was, so
// that 5.2 mm, which stands for a tenth, is said to a thousandth. The sizes of a bought
// section stay its name, and what says both stays as it is.
func Spoken(text string, inches bool) string {
	if !inches {
		return text
	}
	var out strings.Builder
	end := 0
	for _, at := range measured.FindAllStringIndex(text, -1) {
		number, rest, _ := strings.Cut(text[at[0]:at[1]], " ")
		unit := strings.TrimRightFunc(rest, func(r rune) bool { return !unicode.IsLetter(r) })
		before := text[:at[0]]
		v, err := strconv.ParseFloat(number, 64)
		if err != nil || bought(before) || saysBoth(before, text[at[1]-1:]) {
			continue
		}
		_, decimals, _ := strings.Cut(number, ".")
		to := said[unit]
		digits := len(decimals) + to.digits
		if unit == "N" && math.Abs(v) >= 100*poundForce { // a whole newton is no tenth of a pound
			digits--
		}
		out.WriteString(text[end:at[0]] + trimZeros(places(v/to.size, max(min(digits, 4), 0))) + " " + to.name)
		end = at[0] + len(number) + 1 + len(unit)
	}
	return out.String() + text[end:]
}

// bought tells whether a size ends the name of a bought section: 60 × 40 × 3 mm, round 20 mm.
func bought(before string) bool {
	return strings.HasSuffix(before, "× ") || strings.HasSuffix(before, "round ")
}

// saysBoth tells whether a number stands in brackets behind itself in the other system.
func saysBoth(before, after string) bool {
	return strings.HasSuffix(before, " (") && strings.HasPrefix(after, ")") && strings.ContainsAny(before[max(len(before)-3, 0):], `n"bfti`)
}

// SpokenOf says findings as Spoken does; the list it was given stays.
func SpokenOf(list []Finding, inches bool) []Finding {
	if !inches {
		return list
	}
	out := make([]Finding, len(list))
	for i, f := range list {
		said := []string{f.Reason}
		if f.Name != "" { // what it is called was typed so
			said = strings.Split(f.Reason, f.Name)
		}
		for k := range said {
			said[k] = Spoken(said[k], true)
		}
		f.Reason = strings.Join(said, f.Name)
		out[i] = f
	}
	return out
}

// SpokenError says a fault as Spoken does; another error stays.
func SpokenError(err error, inches bool) error {
	var f *Fault
	if inches && errors.As(err, &f) {
		return &Fault{Path: f.Path, Message: Spoken(f.Message, true)}
	}
	return err
}
