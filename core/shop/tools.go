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
	StepBits ToolKind = "stepdrill"
	Sockets  ToolKind = "socket"
	Riveters ToolKind = "riveter"
	Blades   ToolKind = "blade"
)

// stepHigh is the thickest sheet a step drill goes through with one step where nothing else is
// said, mm (practice: steps of common ones are 4 to 6 mm high).
const stepHigh = 4.

// ToolSet is a set of small tools the shop has. A shop that names none of a kind is not asked
// of it.
type ToolSet struct {
	ID      string     `json:"id"`
	Kind    ToolKind   `json:"kind" enum:"drill,tap,holesaw,stepdrill,socket,riveter,blade"`
	Series  string     `json:"series,omitempty" enum:"fraction,number,letter,tenths,halves" doc:"of drills: by 64ths of an inch, numbers, letters, tenths or half millimetres; single ones when left out"`
	From    float64    `json:"from,omitempty" doc:"mm, smallest of a series"`
	To      float64    `json:"to,omitempty" doc:"mm, largest of a series"`
	Sizes   []ToolSize `json:"sizes,omitempty" doc:"single drills or hole saws, steps, sockets across flats, rivets that can be set"`
	Threads []TapSize  `json:"threads,omitempty" doc:"of taps, or of rivet nuts that can be set"`
	High    float64    `json:"high,omitempty" doc:"mm, step drill: how high a step is; 4 when left out"`
	Kerf    float64    `json:"kerf,omitempty" doc:"mm, blade: what it takes away"`
	Name    string     `json:"name,omitempty" doc:"of a blade: teeth, make"`
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

// Stepped answers the holes a step drill makes in a sheet, smallest first.
func (s Shop) Stepped(thickness float64) (out []float64) {
	for _, x := range s.Tools {
		for _, z := range x.Sizes {
			if x.Kind == StepBits && thickness <= cmp.Or(x.High, stepHigh)+1e-9 {
				out = append(out, z.Diameter)
			}
		}
	}
	slices.Sort(out)
	return out
}

// Turned answers the sockets and spanners, mm across flats; nil where the shop names none.
func (s Shop) Turned() []float64 { return s.sizes(Sockets) }

// Riveted answers the diameters of blind rivets that can be set; nil where the shop names none.
func (s Shop) Riveted() []float64 { return s.sizes(Riveters) }

func (s Shop) sizes(k ToolKind) (out []float64) {
	for _, x := range s.Tools {
		for _, z := range x.Sizes {
			if x.Kind == k {
				out = append(out, z.Diameter)
			}
		}
	}
	return out
}

// Tapped answers the threads of the taps.
func (s Shop) Tapped() []string { return s.threads(Taps) }

// Nutted answers the threads of the rivet nuts that can be set; nil where the shop names none.
func (s Shop) Nutted() []string { return s.threads(Riveters) }

func (s Shop) threads(k ToolKind) (out []string) {
	for _, x := range s.Tools {
		for _, t := range x.Threads {
			if th, err := stock.ThreadNamed(t.Name); err == nil && x.Kind == k {
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
	case !slices.Contains([]ToolKind{Drills, Taps, HoleSaws, StepBits, Sockets, Riveters, Blades}, x.Kind):
		return working.Refuse(at+"/kind", "A set is of drills, taps, hole saws, step drills, sockets, rivet tools or blades, not of %q.",
			string(x.Kind))
	case x.Kerf != 0 && x.Kind != Blades:
		return working.Refuse(at+"/kerf", "A kerf is of a blade.")
	case x.High != 0 && x.Kind != StepBits:
		return working.Refuse(at+"/high", "A step's height is of a step drill.")
	case x.Series != "" && (x.Kind != Drills || !slices.Contains([]string{"fraction", "number", "letter", "tenths", "halves"}, x.Series)):
		return working.Refuse(at+"/series", "Drills come by fractions, numbers, letters, tenths or halves of a millimetre, not by %q.", x.Series)
	case x.Series != "" && x.From > x.To:
		return working.Refuse(at+"/to", "The largest is at least as large as the smallest.")
	}
	if err := working.First(working.Within(at+"/kerf", "What a blade takes away", x.Kerf, 0, 20, "mm"),
		working.Within(at+"/high", "The height of a step", x.High, 0, 50, "mm"), text(at+"/name", x.Name, brief.MaxName),
		working.Within(at+"/from", "The smallest", x.From, 0, 100, "mm"), working.Within(at+"/to", "The largest",
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
