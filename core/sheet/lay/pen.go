package lay

import (
	"strconv"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// pen writes lengths and workings as the job does. Sizes of a part repeat: what
// was written once is kept.
type pen struct {
	Display quantity.Display
	written map[float64]Length
}

func newPen(d quantity.Display) *pen { return &pen{d, make(map[float64]Length, 64)} }

// Length writes a length for people.
func (p *pen) Length(mm float64) Length {
	if l, ok := p.written[mm]; ok {
		return l
	}
	l := Length{MM: mm, Text: Places(mm, 1) + " mm", Lies: string(quantity.Exact)}
	if w, err := quantity.Format(mm, p.Display); err == nil {
		l.Text, l.Lies, l.Off = w.Text, string(w.Lies), w.Off
		if w.Off != "" {
			l.Fine = p.Display.Fine(mm)
		}
	}
	p.written[mm] = l
	return l
}

// Fine writes a length that is never a fraction of a tape: to 0.01 mm or .001 in.
func (p *pen) Fine(mm float64) Length {
	return Length{MM: mm, Text: p.Display.Fine(mm), Lies: string(quantity.Exact)}
}

// Inches tells whether the job writes inches.
func (p *pen) Inches() bool { return p.Display.Style != quantity.Metric && p.Display.Style != "" }

// refused says why something was refused in the job's units.
func (p *pen) refused(err error) string { return working.SpokenError(err, p.Inches()).Error() }

// Given writes a size as somebody gave it.
func (p *pen) Given(mm float64) string {
	text, err := p.Display.Given(mm)
	if err != nil {
		return Places(mm, 1) + " mm"
	}
	return text
}

// Len writes a length in a sentence or a table, which has no room to say how a fraction is
// rounded: it is a decimal then.
func (p *pen) Len(mm float64) string {
	if l := p.Length(mm); l.Off == "" {
		return l.Text
	}
	return p.Display.Text(mm)
}

// Explain writes the values of a working finely enough to follow it.
func (p *pen) Explain(w working.Working) working.Working {
	return w.Written(p.Display.Style != quantity.Metric)
}

func Places(v float64, n int) string { return strconv.FormatFloat(v, 'f', n, 64) }

func TrimZeros(s string) string {
	if !strings.Contains(s, ".") {
		return s
	}
	return strings.TrimRight(strings.TrimRight(s, "0"), ".")
}

// Upper begins a sentence with a name.
func Upper(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}

func Lower(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}

// Length is a length with the way the job writes it.
type Length struct {
	MM   float64 `json:"mm"`
	Text string  `json:"text" doc:"as the job writes it"`
	Lies string  `json:"lies" enum:"exact,heavy,light" doc:"where the true size lies against the text"`
	Off  string  `json:"off,omitempty" doc:"by how many inches a fraction is rounded, as .011"`
	Fine string  `json:"fine,omitempty" doc:"the decimal, where a fraction is rounded"`
}

// Said answers the text and, where a fraction was rounded, which way the true size lies and
// by how much.
func (l Length) Said() string {
	if l.Off == "" {
		return l.Text
	}
	return l.Text + " " + l.Lies + " " + l.Off
}
