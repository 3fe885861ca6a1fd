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
	l := Length{mm, Places(mm, 1) + " mm", string(quantity.Exact)}
	if w, err := quantity.Format(mm, p.Display); err == nil {
		l.Text, l.Lies = w.Text, string(w.Lies)
	}
	p.written[mm] = l
	return l
}

func (p *pen) Len(mm float64) string { return p.Length(mm).Text }

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
}

// Said answers the text and, where a fraction or inch figure was rounded, which
// way the true size lies.
func (l Length) Said() string {
	if l.Lies == "exact" || !strings.HasSuffix(l.Text, `"`) {
		return l.Text
	}
	return l.Text + " " + l.Lies
}
