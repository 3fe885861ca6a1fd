package sheet

import (
	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// laid is a recipe laid out: its panels with their places on the flat pattern and
// on the folded body, its holes, and the outline. Nobody changes it once it is laid.
type laid struct {
	*teller
	recipe   Recipe
	material stock.Material
	process  stock.Process
	school   bend.School // the one drawn; differs while schools are compared
	panels   []*panel    // base first, parents before children; none where there is not even a base
	holes    []hole
	outline  profile.Loop // of the flat pattern
	broken   bool         // something could not be unfolded and was left out
	fellBack bool         // the school gave no figure somewhere, and the chart's is drawn
	known    []known
	rule     bend.Prepared
	flanges  []Flange // the base's, hems and rolls as the bends they are
}

// layer lays a recipe out.
type layer struct {
	*laid
	bare bool // only the flat places are wanted: no names, no fold
}

// out lays out a recipe that is one, under a school. It answers what can be laid
// and tells the rest.
func out(r Recipe, school bend.School, d quantity.Display) *laid {
	material, _ := stock.MaterialByKey(r.Material)
	process, _ := stock.ProcessByKey(r.Process)
	b := &layer{laid: &laid{teller: &teller{pen: newPen(d)}, recipe: r, flanges: plain(r.Base.Flanges, r.Thickness), material: material,
		process: process, rule: r.Bend.Prepare(material.Temper), school: school}}
	base := b.unfold()
	if base == nil {
		return b.laid
	}
	for _, p := range b.panels {
		b.cornerReliefs(p)
	}
	for _, p := range b.panels {
		b.edgeCuts(p)
	}
	b.features()
	b.outline = b.walk(base)
	return b.laid
}

// under lays out the flat panels alone, under another school.
func (b *laid) under(school bend.School) *laid {
	o := &layer{laid: &laid{teller: &teller{pen: b.pen}, recipe: b.recipe, flanges: b.flanges, material: b.material, process: b.process,
		rule: b.rule, school: school}, bare: true}
	o.unfold()
	return o.laid
}

// fail tells what cannot be unfolded and is left out.
func (b *layer) fail(code string, p *panel, reason string, fixes ...working.Fix) {
	b.broken = true
	b.stop(code, "Cannot be unfolded", p, reason, fixes...)
}
