package made

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// dieMissing says when the shop, which names dies, has none of the opening a part is bent over.
func (b *maker) dieMissing(found bending.Bending) {
	for _, k := range b.opt.Brakes {
		if k.Name != found.Brake || len(k.Dies) == 0 {
			continue
		}
		var have []string
		for _, v := range k.Dies {
			have = append(have, b.Len(v))
		}
		b.Mind("die-missing", "Brake", &lay.Panel{ID: "sheet", Name: "Sheet"}, fmt.Sprintf("It is bent over a die of %s, and the Shop "+
			"has %s: a usual "+
			"one is taken. Buy or borrow it, bend over another that takes the sheet, or have it bent outside.", b.Len(k.Die.Opening),
			strings.Join(have, ", ")))
		return
	}
}

// dieRadius says when the shop's own die makes another radius than is drawn: in air the die
// makes it, whatever the punch, and the flat comes out for the wrong one. A die the recipe names
// itself is asked with the radius.
func (b *maker) dieRadius(found bending.Bending) {
	t := b.Recipe.Thickness
	if _, assumed := b.Recipe.Tool.Effective(t); !assumed || b.Recipe.Tool.Kind != bend.ToolVDie ||
		b.Recipe.Bend.Method != bend.MethodAir {
		return
	}
	opening := 0.
	for _, k := range b.opt.Brakes {
		if k.Name != found.Brake || k.Kind != bending.Press || !k.Die.Said {
			continue
		}
		if opening != 0 && opening != k.Die.Opening {
			return // two brakes of one name: which it is nobody knows
		}
		opening = k.Die.Opening
	}
	if opening == 0 {
		return
	}
	natural := b.Material.AirRadius * opening
	seen := map[float64]bool{}
	for _, p := range b.Panels[1:] {
		r := p.Flange.InsideRadius
		if !p.Flange.Form().Die || seen[r] || math.Abs(natural-r) <= .25*math.Max(natural, t) {
			continue
		}
		seen[r] = true
		to := math.Round(natural*10) / 10
		at := len(b.Teller.Findings)
		b.Note("die-radius", "Inside radius", p, fmt.Sprintf("The Shop's die of %s makes about R %s in air whatever the punch, and R "+
			"%s is drawn: the "+
			"flat comes out for the wrong radius.", b.Len(opening), b.Len(natural), b.Len(r)), b.Fix("Take R "+b.Len(to),
			p.Path+"/insideRadius", to))
		b.Attach(at, func() working.Working {
			return working.Working{Method: "Radius of an air bend", Source: "practice: a share of the die opening by material",
				Formula: "R = share·V",
				Inputs: []working.Quantity{{Symbol: "share", Name: b.Material.Name, Value: b.Material.AirRadius},
					working.MM("V", "die opening", opening)}, Result: working.MM("R", "inside radius", natural)}
		})
	}
}
