package flags

import (
	"fmt"
	"slices"

	"warmanvil/core/sheet"
)

// Place is a hollow a finished thing goes into, or a bed it is driven on: an oven, a spray
// place, the shop's own transport. 0 is no limit.
type Place struct {
	Name  string
	Kind  string     // oven, spray or transport
	Sizes [3]float64 // mm: long, wide, high
	Kilos float64    // carried, kg
	Said  bool       // all its limits were said, none taken as usual
	Air   Limit      // l/min taken there
}

// Takes says why a thing of some outside sizes and mass does not go in however it is
// turned; empty when it does. Size and mass are mm and kg.
func (p Place) Takes(size [3]float64, kilos float64) string {
	if p.Kilos > 0 && kilos > p.Kilos {
		return "mass"
	}
	room := p.Sizes
	for i := range room {
		room[i] = orAny(room[i])
	}
	slices.Sort(room[:])
	slices.Sort(size[:])
	for i := range size {
		if size[i] > room[i]+sheet.Tiny {
			return "size"
		}
	}
	return ""
}

// OutgrownOf tells of what kinds of place a thing goes into none that is there: the last one
// tried, and why it does not go in.
func OutgrownOf(places []Place, size [3]float64, kilos float64) (out []Outgrown) {
	for _, kind := range []string{"oven", "spray", "transport"} {
		var last *Outgrown
		for _, p := range places {
			if p.Kind != kind {
				continue
			}
			why := p.Takes(size, kilos)
			if why == "" {
				last = nil
				break
			}
			last = &Outgrown{p, why}
		}
		if last != nil {
			out = append(out, *last)
		}
	}
	return out
}

// Outgrown is a place that does not take a thing, and why.
type Outgrown struct {
	Place
	Why string // mass or size
}

// Says is what has to be so for it to matter, and the ways out.
func (o Outgrown) Says() string {
	says, ways := "It matters where it has to be driven.", Ways{Machine: "another vehicle (say it in the Shop)",
		Split: "pieces that are bolted together on site", Supplier: "a carrier"}
	switch o.Kind {
	case "oven":
		says, ways = "It matters where it is to be powder coated.", Ways{Machine: "another oven (say it in the Shop)",
			Split: "pieces that are bolted together after", Supplier: "a coater outside", Design: "wet paint"}
	case "spray":
		says, ways = "It matters where it is to be painted here.", Ways{Machine: "another place (say it in the Shop)",
			Split: "pieces that are bolted together after", Supplier: "a painter outside"}
	}
	if !o.Said {
		says = "Not all limits of it are said in the Shop: the others are usual values. " + says
	}
	return says + ways.Says()
}

// checkPlaces asks whether the folded part goes into the oven, the spray place and the
// transport of the shop.
func (b *flagger) checkPlaces() {
	for _, o := range OutgrownOf(b.Machines.Places, b.Size, b.Mass) {
		what := fmt.Sprintf("Folded it is %s × %s × %s, more than %s takes laid square", b.Len(b.Size[0]), b.Len(b.Size[1]),
			b.Len(b.Size[2]), o.Name)
		if o.Why == "mass" {
			what = "It is heavier than " + o.Name + " carries"
		}
		b.Note("past-"+o.Kind, "Machines", b.whole(), what+". "+o.Says())
	}
}
