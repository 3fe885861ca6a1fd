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

// DrillPress is a drill of the shop that holes are made on. 0 is no limit.
type DrillPress struct {
	Name   string
	Most   float64 // mm, largest drill in steel
	Throat float64 // mm from its column to the drill; none where it stands on the sheet
	Holds  float64 // mm, thinnest plate it stands on; 0 for one with a table
}

// ShearOf is a shear of the shop. 0 is no limit.
type ShearOf struct {
	Name        string
	Long, Thick float64 // mm, of this metal
}

// WelderOf is a welder of the shop. 0 is no limit.
type WelderOf struct {
	Name        string
	Least, Most float64 // mm, of what it welds in one pass
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
		case s.Thick > 0 && t > s.Thick+sheet.Tiny:
			why = append(why, fmt.Sprintf("%s takes up to %s of it", s.Name, b.Len(s.Thick)))
		case s.Long > 0 && math.Min(x, y) > s.Long+sheet.Tiny:
			why = append(why, fmt.Sprintf("%s is %s long", s.Name, b.Len(s.Long)))
		default:
			return
		}
	}
	b.Note("past-shear", "Machines", b.whole(), "No shear of the Shop cuts the blank: "+strings.Join(why, ", ")+". Saw it, grind it, "+
		"or have it cut outside.")
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
			case p.Most > 0 && h.Dia > p.Most+sheet.Tiny:
				why = append(why, fmt.Sprintf("%s drills up to %s", p.Name, b.Len(p.Most)))
			case p.Throat > 0 && in > p.Throat+sheet.Tiny:
				why = append(why, fmt.Sprintf("%s reaches %s in and it lies %s in", p.Name, b.Len(p.Throat), b.Len(in)))
			case p.Holds > 0 && b.Recipe.Thickness < p.Holds-sheet.Tiny:
				why = append(why, fmt.Sprintf("%s holds on plate from %s", p.Name, b.Len(p.Holds)))
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
		b.Mind("past-drill", "Machines", h.Subject(), fmt.Sprintf("%s is drilled, and no drill press of the Shop takes it: %s. Cut it "+
			"with the "+
			"blank, or drill it by hand with both hands on the drill and the work clamped.", h.Name, strings.Join(why, "; ")),
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
		case w.Least > 0 && thickness < w.Least-sheet.Tiny:
			thin = true
			why = append(why, fmt.Sprintf("%s welds from %s", w.Name, length(w.Least)))
		case w.Most > 0 && thickness > w.Most+sheet.Tiny:
			thick = true
			why = append(why, fmt.Sprintf("%s welds up to %s in one pass", w.Name, length(w.Most)))
		default:
			return ""
		}
	}
	says := fmt.Sprintf("%s is welded, and no welder of the Shop takes that: %s.", length(thickness), strings.Join(why, ", "))
	if thick {
		says += " Bevel it and weld several passes after a trial that was broken open, or have it welded outside."
	}
	if thin {
		says += " It burns through: tack and skip on a copper bar, take a thicker sheet, rivet it, or have it welded outside."
	}
	return says
}
