package shop

import (
	"cmp"
	"fmt"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// ToolKind is what kind of small tools a set holds.
type ToolKind string

// The kinds a part is asked of.
const (
	Drills   ToolKind = "drill"
	Taps     ToolKind = "tap"
	HoleSaws ToolKind = "holesaw"
)

// ToolSet is a set of small tools the shop has. A shop that names none of a kind is not asked
// of it.
type ToolSet struct {
	ID      string     `json:"id"`
	Kind    ToolKind   `json:"kind" enum:"drill,tap,holesaw"`
	Series  string     `json:"series,omitempty" enum:"fraction,number,letter,tenths,halves" doc:"of drills: by 64ths of an inch, numbers, letters, tenths or half millimetres; single ones when left out"`
	From    float64    `json:"from,omitempty" doc:"mm, smallest of a series"`
	To      float64    `json:"to,omitempty" doc:"mm, largest of a series"`
	Sizes   []ToolSize `json:"sizes,omitempty" doc:"single drills or hole saws"`
	Threads []TapSize  `json:"threads,omitempty" doc:"of taps"`
}

// ToolSize is one single tool.
type ToolSize struct {
	ID       string  `json:"id"`
	Diameter float64 `json:"diameter" doc:"mm"`
}

// TapSize is one tap.
type TapSize struct {
	ID   string `json:"id"`
	Name string `json:"name" doc:"M8, 3/8-16"`
}

// Drilled answers every drill of the sets, smallest first; nil where the shop names none.
func (s Shop) Drilled() (out []stock.Bit) {
	for _, x := range s.Tools {
		if x.Kind != Drills {
			continue
		}
		for _, b := range stock.Bits(x.series()) {
			if b.Diameter >= x.From-1e-9 && b.Diameter <= x.To+1e-9 && (x.Series != "halves" || halves(b.Diameter)) {
				out = append(out, b)
			}
		}
		for _, z := range x.Sizes {
			name, is := stock.BitName(z.Diameter, s.Inches())
			if !is {
				name = s.Display().Fine(z.Diameter)
			}
			out = append(out, stock.Bit{Name: name, Diameter: z.Diameter})
		}
	}
	slices.SortStableFunc(out, func(a, b stock.Bit) int { return cmp.Compare(a.Diameter, b.Diameter) })
	return out
}

func (x ToolSet) series() stock.Series {
	if x.Series == "tenths" || x.Series == "halves" {
		return stock.Millimetre
	}
	return stock.Series(x.Series)
}

func halves(mm float64) bool {
	twice := mm * 2
	return twice-float64(int(twice+.5)) < 1e-6 && float64(int(twice+.5))-twice < 1e-6
}

// Sawed answers the diameters of the hole saws, and Tapped the threads of the taps, by the
// names of the table; nil where the shop names none.
func (s Shop) Sawed() (out []float64) {
	for _, x := range s.Tools {
		for _, z := range x.Sizes {
			if x.Kind == HoleSaws {
				out = append(out, z.Diameter)
			}
		}
	}
	return out
}

// Tapped answers the threads of the taps.
func (s Shop) Tapped() (out []string) {
	for _, x := range s.Tools {
		for _, t := range x.Threads {
			if th, err := stock.ThreadNamed(t.Name); err == nil && x.Kind == Taps {
				out = append(out, th.Name())
			}
		}
	}
	return out
}

func (x ToolSet) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, x.ID, ids), list(at+"/sizes", len(x.Sizes)), list(at+"/threads", len(x.Threads))); err != nil {
		return err
	}
	switch {
	case x.Kind != Drills && x.Kind != Taps && x.Kind != HoleSaws:
		return working.Refuse(at+"/kind", "A set is of drills, taps or hole saws, not of %q.", string(x.Kind))
	case x.Series != "" && (x.Kind != Drills || !slices.Contains([]string{"fraction", "number", "letter", "tenths", "halves"}, x.Series)):
		return working.Refuse(at+"/series", "Drills come by fractions, numbers, letters, tenths or halves of a millimetre, not by %q.", x.Series)
	case x.Series != "" && x.From > x.To:
		return working.Refuse(at+"/to", "The largest is at least as large as the smallest.")
	}
	if err := working.First(working.Within(at+"/from", "The smallest", x.From, 0, 100, "mm"), working.Within(at+"/to", "The largest",
		x.To, 0, 100,
		"mm")); err != nil {
		return err
	}
	for i, z := range x.Sizes {
		path := fmt.Sprintf("%s/sizes/%d", at, i)
		if err := working.First(own(path, z.ID, ids), working.Above(path+"/diameter", "A tool's diameter", z.Diameter, 0, 500,
			"mm")); err != nil {
			return err
		}
	}
	for i, t := range x.Threads {
		path := fmt.Sprintf("%s/threads/%d", at, i)
		if err := working.First(own(path, t.ID, ids), text(path+"/name", t.Name, brief.MaxName)); err != nil {
			return err
		}
		if _, err := stock.ThreadNamed(t.Name); err != nil {
			return working.Refuse(path+"/name", "Write the thread as the table does, M8 or 3/8-16: %v.", err)
		}
	}
	return nil
}
