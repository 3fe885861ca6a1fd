package site

import (
	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// doubled is a doubler a bracket of a part asks for.
type doubled struct {
	Mount string // id of the bracket
	Blank sheet.Recipe
}

// doublers lists the doublers the brackets of a part ask for: made and weighed like
// parts, one for every one of it.
func doublers(b brief.Brief, p *BuiltPart) (out []doubled) {
	if p.Err != nil || !p.Built.Whole {
		return nil
	}
	for _, m := range b.Mounts {
		if m.Part != p.ID {
			continue
		}
		if blank, ok := hold.Doubler(&p.Built, p.Recipe, m.Hold); ok {
			out = append(out, doubled{m.ID, blank})
		}
	}
	return out
}

// kilos answers what a part weighs with its doublers, kg.
func kilos(b brief.Brief, p *BuiltPart) float64 {
	sum := p.Built.Mass
	for _, d := range doublers(b, p) {
		if built, err := made.Build(d.Blank, made.Options{}); err == nil {
			sum += built.Mass
		}
	}
	return sum
}
