package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/develop"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
)

// PartOptions answers what one of a job's parts is built and checked with.
func PartOptions(b brief.Brief, w shop.Shop, p Part, parts []Part) made.Options {
	opt := b.BuildOptions()
	opt.Machines = w.For(p.Recipe, b.Inches())
	opt.Brakes, opt.Others = w.Bends(p.Recipe, b.Inches())
	opt.Quantity = p.Quantity * max(b.Quantity, 1)
	if m := p.Recipe.Master; m != nil {
		for _, o := range parts {
			if o.ID == m.Part {
				opt.Master = &flags.MasterTold{Name: o.Name, Recipe: o.Recipe, Itself: o.ID == p.ID}
			}
		}
	}
	opt.Elbow = elbowOf(b, p, parts)
	return opt
}

// elbowOf counts the pieces a job makes of the elbow a part is one of; nil where it is none, or where the
// parts of its job are not known.
func elbowOf(b brief.Brief, p Part, parts []Part) *flags.ElbowTold {
	own := roundOf(p)
	if own == nil || own.Elbow == nil || !slices.ContainsFunc(parts, func(o Part) bool { return o.ID == p.ID }) {
		return nil
	}
	out := &flags.ElbowTold{}
	for _, o := range parts {
		if o.ID == p.ID {
			o = p // as it is drawn on, not as it was kept
		}
		f := roundOf(o)
		if f == nil || f.Elbow == nil || *f.Elbow != *own.Elbow || f.Face != own.Face || o.Recipe.Thickness != p.Recipe.Thickness ||
			o.Recipe.Material != p.Recipe.Material {
			continue
		}
		n := o.Quantity * max(b.Quantity, 1) * len(o.Hands())
		if f.Whole {
			out.Whole += n
		} else {
			out.Ends += n
		}
	}
	return out
}

// roundOf answers the round a part is unrolled from; nil of all others.
func roundOf(p Part) *develop.Form {
	if p.Recipe.Base.Shape == nil {
		return nil
	}
	return p.Recipe.Base.Shape.Round
}

// CheckedOptions are those of a part that is asked everything, the order of its bends too.
func CheckedOptions(b brief.Brief, w shop.Shop, p Part, parts []Part) made.Options {
	opt := PartOptions(b, w, p, parts)
	opt.Ordered = true
	return opt
}

// Part is one folded part as it stands in a job.
type Part struct {
	ID       string
	Name     string
	Quantity int
	Recipe   sheet.Recipe
	Revision int // number of this state among those kept of it
}

// Frame is one frame as it stands in a job.
type Frame struct {
	ID       string
	Name     string
	Quantity int
	Doc      member.Doc
	Revision int // number of this state among those kept of it
}
