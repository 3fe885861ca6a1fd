package site

import (
	"warmanvil/core/brief"
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
	return opt
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
