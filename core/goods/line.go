// Package goods is what lies in a shop's racks and bins: lines of sheets, remnants, sticks,
// hardware and consumables, the ledger of what came and went, and which of it serves a need.
// Lengths mm. Nothing here knows where it is kept.
package goods

import (
	"fmt"
	"math"
	"unicode/utf8"

	"warmanvil/core/profile"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Kind of a line.
type Kind string

// The kinds.
const (
	Sheet      Kind = "sheet"
	Remnant    Kind = "remnant"
	Stick      Kind = "stick"
	Hardware   Kind = "hardware"
	Consumable Kind = "consumable"
)

// Goods is one thing that lies there, any number of times.
type Goods struct {
	ID        string       `json:"id"`
	Kind      Kind         `json:"kind" enum:"sheet,remnant,stick,hardware,consumable"`
	Name      string       `json:"name,omitempty" doc:"the shop's own; of hardware what it is: bolt, nut, washer; of a consumable what it is"`
	Label     string       `json:"label,omitempty" doc:"what is written on it"`
	Place     string       `json:"place,omitempty" doc:"rack, bin, shelf"`
	Batch     string       `json:"batch,omitempty" doc:"mark or delivery, certificate"`
	Material  string       `json:"material,omitempty" doc:"key of the material table, of sheets, remnants and sticks"`
	Thickness float64      `json:"thickness,omitempty" doc:"mm, of sheets and remnants"`
	Long      float64      `json:"long,omitempty" doc:"mm, of sheets and sticks; of a bolt under its head"`
	Wide      float64      `json:"wide,omitempty" doc:"mm, of sheets"`
	Outline   profile.Loop `json:"outline,omitempty" doc:"of a remnant, as it is: a corner's bulge makes the edge behind it an arc"`
	Section   string       `json:"section,omitempty" doc:"of a stick, as frames name it: 50 × 50 × 4 mm tube"`
	System    stock.System `json:"system,omitempty" enum:"inch,metric" doc:"of hardware with a thread"`
	Size      string       `json:"size,omitempty" doc:"of hardware: M10, 3/8"`
	Grade     string       `json:"grade,omitempty" doc:"of hardware; unmarked counts as the lowest when left out"`
	Unit      string       `json:"unit,omitempty" doc:"of a consumable: m, kg, l; pieces when left out"`
	Least     float64      `json:"least,omitempty" doc:"fewer than this are too few"`
	Note      string       `json:"note,omitempty"`
}

const (
	mostText  = 200
	mostNote  = 2000
	greatest  = 1e5 // mm
	mostLoop  = 500 // corners of a remnant
	mostCount = 1e6
)

// Check refuses a line that is none, with *working.Fault at the first fault.
func (l Goods) Check() error {
	for _, x := range []struct{ at, text string }{{"/name", l.Name}, {"/label", l.Label}, {"/place", l.Place}, {"/batch", l.Batch},
		{"/section", l.Section}, {"/size", l.Size}, {"/grade", l.Grade}, {"/unit", l.Unit}} {
		if utf8.RuneCountInString(x.text) > mostText {
			return working.Refuse(x.at, "This holds up to %d characters.", mostText)
		}
	}
	if utf8.RuneCountInString(l.Note) > mostNote {
		return working.Refuse("/note", "This holds up to %d characters.", mostNote)
	}
	if err := working.Within("/least", "Too few are fewer than", l.Least, 0, mostCount, ""); err != nil {
		return err
	}
	metal := func() error {
		if _, err := stock.MaterialByKey(l.Material); err != nil {
			return working.Refuse("/material", "Choose what it is made of.")
		}
		return nil
	}
	switch l.Kind {
	case Sheet:
		return working.First(metal(), working.Above("/thickness", "The thickness", l.Thickness, 0, 100, "mm"),
			working.Above("/long", "The length", l.Long, 0, greatest, "mm"), working.Above("/wide", "The width", l.Wide, 0, greatest,
				"mm"))
	case Remnant:
		return working.First(metal(), working.Above("/thickness", "The thickness", l.Thickness, 0, 100, "mm"), l.checkOutline())
	case Stick:
		if l.Section == "" {
			return working.Refuse("/section", "Say its section as frames name it, such as 50 × 50 × 4 mm tube.")
		}
		return working.First(metal(), working.Above("/long", "The length", l.Long, 0, greatest, "mm"))
	case Hardware:
		return l.checkHardware()
	case Consumable:
		if l.Name == "" {
			return working.Refuse("/name", "Say what it is: cutting discs, 1.0 wire, sealer.")
		}
		return nil
	}
	return working.Refuse("/kind", "It is a sheet, a remnant, a stick, hardware or a consumable, not %q.", string(l.Kind))
}

func (l Goods) checkOutline() error {
	switch {
	case len(l.Outline) < 3 || len(l.Outline) > mostLoop:
		return working.Refuse("/outline", "A remnant's outline has 3 to %d corners: measure them from one of its corners.", mostLoop)
	case l.Outline.Crosses():
		return working.Refuse("/outline", "The outline crosses itself: list its corners in their order round.")
	}
	for _, v := range l.Outline {
		if math.IsNaN(v.X+v.Y+v.Bulge) || math.Abs(v.X) > greatest || math.Abs(v.Y) > greatest || math.Abs(v.Bulge) > 1e3 {
			return working.Refuse("/outline", "A corner of the outline lies farther away than any sheet is long.")
		}
	}
	if math.Abs(l.Outline.Area()) < 1 {
		return working.Refuse("/outline", "The outline has no area.")
	}
	return nil
}

func (l Goods) checkHardware() error {
	if l.Name == "" {
		return working.Refuse("/name", "Say what it is: bolt, nut, washer, rivet.")
	}
	if l.System == "" {
		return working.Within("/long", "The length", l.Long, 0, greatest, "mm")
	}
	if _, err := stock.FindThread(l.System, l.Size, 0); err != nil {
		return working.Refuse("/size", "%s is no size of the table: write M8 or 3/8.", l.Size)
	}
	if l.Grade != "" && l.strength() == 0 {
		return working.Refuse("/grade",
			"%s is no grade of the table at this size. Leave it out where its head is not marked: it counts as the lowest.",
			l.Grade)
	}
	return working.Within("/long", "The length", l.Long, 0, greatest, "mm")
}

// strength answers the proof stress of a bolt's grade, MPa; 0 where the table has none. One
// that is not marked has the lowest there is at its size.
func (l Goods) strength() float64 {
	th, err := stock.FindThread(l.System, l.Size, 0)
	if err != nil {
		return 0
	}
	least := 0.
	for _, g := range stock.Grades {
		if g.System != l.System || th.Diameter <= g.From || th.Diameter > g.UpTo+1e-9 {
			continue
		}
		if g.Name == l.Grade {
			return g.Proof
		}
		if l.Grade == "" && (least == 0 || g.Proof < least) {
			least = g.Proof
		}
	}
	return least
}

// Area answers what a sheet or remnant covers, mm²; 0 of the others.
func (l Goods) Area() float64 {
	switch l.Kind {
	case Sheet:
		return l.Long * l.Wide
	case Remnant:
		return math.Abs(l.Outline.Area())
	}
	return 0
}

// Whole tells whether only whole ones of it can come and go.
func (l Goods) Whole() bool { return l.Kind != Consumable || l.Unit == "" }

// Called names a line in a sentence; length writes lengths.
func (l Goods) Called(length func(mm float64) string) string {
	name := l.Name
	if m, err := stock.MaterialByKey(l.Material); err == nil && name == "" {
		name = m.Name
	}
	switch l.Kind {
	case Sheet:
		name = fmt.Sprintf("%s, %s, %s × %s", name, length(l.Thickness), length(l.Long), length(l.Wide))
	case Remnant:
		w, h := l.Outline.Bounds().Size()
		name = fmt.Sprintf("%s, %s, remnant in %s × %s", name, length(l.Thickness), length(w), length(h))
	case Stick:
		name = fmt.Sprintf("%s, %s, %s", name, l.Section, length(l.Long))
	case Hardware:
		name = fmt.Sprintf("%s %s", name, l.Size)
		if l.Long > 0 {
			name += " × " + length(l.Long)
		}
		if l.Grade != "" {
			name += ", " + l.Grade
		} else if l.System != "" {
			name += ", unmarked"
		}
	}
	if l.Label != "" {
		name += " (" + l.Label + ")"
	}
	return name
}
