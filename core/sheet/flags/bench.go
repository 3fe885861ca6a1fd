package flags

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/stock"
)

// DrillPress is a drill of the shop that holes are made on.
type DrillPress struct {
	Name   string
	Most   Limit // mm, largest drill in steel
	Throat Limit // mm from its column to the drill; none where it stands on the sheet
	Holds  Limit // mm, thinnest plate it stands on; none for one with a table
}

// ShearOf is a shear of the shop.
type ShearOf struct {
	Name        string
	Long, Thick Limit // mm, of this metal
}

// WelderOf is a welder of the shop.
type WelderOf struct {
	Name        string
	Least, Most Limit // mm, of what it welds in one pass
}

func (b *flagger) whole() *lay.Panel { return &lay.Panel{ID: "sheet", Name: "Sheet"} }

// checkBench asks of what is made by hand and after bending whether the shop's shear, drill and
// welder take it; a kind the shop names none of is not asked.
func (b *flagger) checkBench() {
	b.checkShear()
	b.checkPress()
	b.checkWelder()
}

func (b *flagger) checkShear() {
	if b.Recipe.Process != "hand" || len(b.Machines.Shears) == 0 {
		return
	}
	x, y := b.Outline.Bounds().Size()
	var why []string
	for _, s := range b.Machines.Shears {
		switch t := b.Recipe.Thickness; {
		case s.Thick.More(t):
			why = append(why, fmt.Sprintf("%s takes up to %s of it", s.Name, s.Thick.Says(b.Len)))
		case s.Long.More(math.Min(x, y)):
			why = append(why, fmt.Sprintf("%s is %s long", s.Name, s.Long.Says(b.Len)))
		default:
			return
		}
	}
	b.Note("past-shear", "Machines", b.whole(), "No shear of the Shop cuts the blank: "+strings.Join(why, ", ")+"."+
		Ways{Tool: "saw it or cut it with the grinder", Machine: another, Supplier: b.outside("cut", "a cutter"),
			Design: "a thinner sheet or smaller pieces"}.Says())
}

// checkPress asks of every hole that is drilled after cutting whether a drill press takes it.
// A part is drilled flat or folded: how far a hole lies in from the nearest edge of the
// blank is the least it has to reach.
func (b *flagger) checkPress() {
	if len(b.Machines.Presses) == 0 {
		return
	}
	rim := b.Outline.Flatten(.1)
	seen := map[string]bool{}
	for i := range b.Holes {
		h := &b.Holes[i]
		if h.Recipe.Kind != sheet.RoundHole || h.Recipe.Made == "" || h.Recipe.Made == sheet.MadeCut || seen[h.Recipe.ID] {
			continue
		}
		in := edgeOf(h.Panel.Pose.Apply(h.Centre), rim)
		var why []string
		for _, p := range b.Machines.Presses {
			switch {
			case p.Most.More(h.Dia):
				why = append(why, fmt.Sprintf("%s drills up to %s", p.Name, p.Most.Says(b.Len)))
			case p.Throat.More(in):
				why = append(why, fmt.Sprintf("%s reaches in %s and it lies %s in", p.Name, p.Throat.Says(b.Len), b.Len(in)))
			case p.Holds.Less(b.Recipe.Thickness):
				why = append(why, fmt.Sprintf("%s holds on plate from %s", p.Name, p.Holds.Says(b.Len)))
			default:
				why = nil
			}
			if why == nil {
				break
			}
		}
		if why == nil {
			continue
		}
		seen[h.Recipe.ID] = true
		b.Mind("past-drill", "Machines", h.Subject(), fmt.Sprintf("%s is drilled, and no drill press of the Shop takes it: %s.",
			h.Name, strings.Join(why, "; "))+Ways{Tool: "drill it by hand, the work clamped and both hands on the drill", Machine: another,
			Supplier: b.outside("cut", "a cutter"), Design: "cut it with the blank"}.Says(),
			b.Fix("Cut it with the blank", h.Path+"/made", sheet.MadeCut))
	}
}

// edgeOf answers how far a point lies from a closed line.
func edgeOf(p profile.Point, rim []profile.Point) float64 {
	best := math.Inf(1)
	for i, a := range rim {
		c := rim[(i+1)%len(rim)]
		along := c.Sub(a)
		k := 0.
		if n := along.Dot(along); n > 0 {
			k = math.Min(1, math.Max(0, p.Sub(a).Dot(along)/n))
		}
		best = math.Min(best, p.Sub(a.Add(along.Mul(k))).Len())
	}
	return best
}

func (b *flagger) checkWelder() {
	if !b.Welds || len(b.Machines.Welders) == 0 {
		return
	}
	if says := NoWelder(b.Machines.Welders, b.Recipe.Thickness, b.Material, b.Len); says != "" {
		b.Mind("past-welder", "Machines", b.whole(), says)
	}
}

// NoWelder says why no welder of the shop welds a thickness in one pass; empty when one does.
// What they weld is said for steel: aluminium is asked of nobody here.
func NoWelder(list []WelderOf, thickness float64, m stock.Material, length func(float64) string) string {
	if m.Family == stock.Aluminum {
		return ""
	}
	thin, thick := false, false
	var why []string
	for _, w := range list {
		switch {
		case w.Least.Less(thickness):
			thin = true
			why = append(why, fmt.Sprintf("%s welds from %s", w.Name, w.Least.Says(length)))
		case w.Most.More(thickness):
			thick = true
			why = append(why, fmt.Sprintf("%s welds in one pass up to %s", w.Name, w.Most.Says(length)))
		default:
			return ""
		}
	}
	says := fmt.Sprintf("%s is welded, and no welder of the Shop takes that: %s.", length(thickness), strings.Join(why, ", "))
	ways := Ways{Machine: "another welder or process, said in the Shop", Supplier: "have it welded outside"}
	if thick {
		ways.Tool, ways.Design = "bevel it and weld several passes, after a trial that was broken open", "a thinner section, or bolt it"
	}
	if thin {
		says += " It burns through."
		ways.Tool, ways.Design = "tack and skip on a copper bar", "a thicker sheet, or rivet it"
	}
	return says + ways.Says()
}
