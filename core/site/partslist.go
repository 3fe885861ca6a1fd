package site

import (
	"context"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
)

// Listed is one row of a job's list of parts: a hand of a part, a doubler, a frame, or what
// holds something while it is welded.
type Listed struct {
	Name      string
	Hand      sheet.Side
	Frame     bool
	Doubler   bool // of a bracket, bolted on with its part
	Temporary bool // holds something while it is welded, and comes off
	Revision  int
	Quantity  int // for the whole job
	Material  string
	Thickness float64       // mm, of a part
	Kilos     float64       // each
	Cost      *float64      // money of its metal, each, by weight and the Shop's price; nil where it has none
	Gravity   *solid.Vector // mm, in its own axes
	Flat      *made.Part    // of a part that can be unfolded
	Why       string        // why it has no numbers
	Held      string        // why its files are held back: not to be cut from the list either
}

// metalCost answers what a volume of a metal in mm³ costs by the Shop's price by weight; nil where it
// has none. What is cut off a blank's box is paid for too.
func metalCost(w shop.Shop, material string, volume float64) *float64 {
	m, err := stock.MaterialByKey(material)
	if err != nil {
		return nil
	}
	price, is := w.PriceOf(m)
	if !is {
		return nil
	}
	cost := volume * m.Density * 1e-9 * price
	return &cost
}

// List works out the rows of a parts list.
func List(until context.Context, v vehicle.Survey, b brief.Brief, w shop.Shop, parts []Part, frames []Frame) []Listed {
	rows := []Listed{}
	held := map[string]string{}
	all := BuildParts(until, parts, b, w)
	for _, c := range WorkSurvey(v, b, all, frames...).Checks {
		switch {
		case !c.Released:
			held[c.Part] = strings.Join(append([]string{c.Says}, c.Holds...), " ")
		case c.First.Held:
			held[c.Part] = c.First.Says
		}
	}
	for i, p := range parts {
		opt := CheckedOptions(b, w, p, parts)
		opt.Body, opt.Until = true, until
		for _, hand := range p.Hands() {
			row := Listed{Name: p.Name, Hand: hand, Revision: p.Revision, Quantity: p.Quantity * b.Quantity,
				Material: told.MaterialName(p.Recipe.Material), Thickness: p.Recipe.Thickness, Held: held[p.ID]}
			built, err := made.Build(p.Handed(hand), opt)
			switch {
			case err != nil:
				row.Why = b.Refused(err)
			case !built.Whole:
				row.Why = "It cannot be unfolded as it stands: look at it on the Shape bench."
			default:
				at := built.Body.Solid().Middle()
				row.Flat, row.Kilos, row.Gravity = &built, built.Mass, &at
				x, y := built.Bounds.Size()
				row.Cost = metalCost(w, p.Recipe.Material, x*y*p.Recipe.Thickness)
			}
			rows = append(rows, row)
		}
		for _, d := range doublers(b, &all[i]) {
			row := Listed{Name: "Doubler of " + p.Name, Doubler: true, Revision: p.Revision,
				Quantity: len(p.Hands()) * p.Quantity * b.Quantity,
				Material: told.MaterialName(p.Recipe.Material), Thickness: d.Blank.Thickness, Held: held[p.ID]}
			if built, err := made.Build(d.Blank, b.BuildOptions()); err != nil {
				row.Why = b.Refused(err)
			} else {
				row.Flat, row.Kilos, row.Gravity = &built, built.Mass, &solid.Vector{d.Blank.Base.Length / 2, d.Blank.Base.Width / 2, 0}
			}
			rows = append(rows, row)
		}
	}
	l := newStander(Site{Survey: v, Brief: b, Frames: frames}).from
	for _, f := range frames {
		built := shape.Build(f.Doc, l.ForFrame(f.Doc))
		row := Listed{Name: f.Name, Frame: true, Revision: f.Revision, Quantity: f.Quantity * b.Quantity,
			Material: told.MaterialName(f.Doc.Material), Kilos: built.Mass, Gravity: &built.Gravity, Held: held[f.ID]}
		for _, p := range built.Pieces {
			if p.Why != "" {
				row.Why = "Not all of its members stand: " + p.Why
				break
			}
		}
		if built.Mass == 0 {
			row.Gravity = nil
		} else if price, is := w.PriceOf(built.Steel); is {
			cost := price * built.Mass
			row.Cost = &cost
		}
		rows = append(rows, row)
	}
	return rows
}
