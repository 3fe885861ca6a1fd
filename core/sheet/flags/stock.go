package flags

import (
	"fmt"

	"warmanvil/core/goods"
	"warmanvil/core/sheet/lay"
)

// checkStock says when nothing in stock takes the blank, where the shop keeps account of its
// sheets.
func (b *flagger) checkStock(whole *lay.Panel) {
	if len(b.Machines.Sheets) == 0 {
		return
	}
	got, err := goods.Choose(goods.Need{Kind: goods.Sheet, Material: b.Recipe.Material, Thickness: b.Recipe.Thickness,
		Outline: b.Outline},
		b.Machines.Sheets)
	if err != nil {
		return // it has no outline, which is said
	}
	x, y := b.Outline.Bounds().Size()
	switch what := fmt.Sprintf("%s of %s", b.Len(b.Recipe.Thickness), b.Material.Name); {
	case len(got) == 0:
		b.Note("stock-none", "Stock", whole,
			fmt.Sprintf("No sheet and no remnant of %s in stock takes the blank of %s × %s: buy one, or say in the "+
				"Shop what is there.", what, b.Len(x), b.Len(y)))
	case !got[0].Enough:
		b.Note("stock-kept", "Stock", whole,
			fmt.Sprintf("What is in stock of %s for a blank of %s × %s is all kept for jobs, or used up: Make says "+
				"whether for this one; else keep or buy one.", what, b.Len(x), b.Len(y)))
	}
}
