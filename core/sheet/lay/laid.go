// Package lay lays a recipe out: flanges on the edges they hang on, what their
// bends take under the chosen school, reliefs, notches and holes, flat and folded.
// It tells what cannot be laid out and lays out the rest. Lengths in mm, angles in
// degrees; the flat pattern's origin is the front left corner of the base's flat.
package lay

import (
	"warmanvil/core/bend"
	"warmanvil/core/develop"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Laid is a recipe laid out: its panels with their places on the flat pattern and
// on the folded body, its holes, and the outline. Nobody changes it once it is laid.
type Laid struct {
	*Teller
	Recipe   sheet.Recipe
	Material stock.Material
	Process  stock.Process
	School   bend.School // the one drawn; differs while schools are compared
	Panels   []*Panel    // base first, parents before children; none where there is not even a base
	Holes    []Hole
	Outline  profile.Loop // of the flat pattern
	Broken   bool         // something could not be unfolded and was left out
	FellBack bool         // the school gave no figure somewhere, and the chart's is drawn
	Known    []Known
	Round    *develop.Round // that a base is unrolled from; nil of all others
	rule     bend.Prepared
	flanges  []sheet.Flange // the base's, hems and rolls as the bends they are
}

// layer lays a recipe out.
type layer struct {
	*Laid
	bare bool // only the flat places are wanted: no names, no fold
}

// Out lays out a recipe that is one, under a school. It answers what can be laid
// and tells the rest.
func Out(r sheet.Recipe, school bend.School, d quantity.Display) *Laid {
	material, _ := stock.MaterialByKey(r.Material)
	process, _ := stock.ProcessByKey(r.Process)
	if r.Cuts != nil && r.Cuts.Key == r.Process {
		process = *r.Cuts
	}
	b := &layer{Laid: &Laid{Teller: &Teller{pen: newPen(d)}, Recipe: r, flanges: plain(r.Base.Flanges, r.Thickness), Material: material,
		Process: process, rule: r.Bend.Prepare(material.Temper), School: school}}
	base := b.unfold()
	if base == nil {
		return b.Laid
	}
	for _, p := range b.Panels {
		b.cornerReliefs(p)
	}
	for _, p := range b.Panels {
		b.edgeCuts(p)
	}
	b.features()
	b.Outline = b.walk(base)
	return b.Laid
}

// Under lays out the flat panels alone, under another school.
func (b *Laid) Under(school bend.School) *Laid {
	o := &layer{Laid: &Laid{Teller: &Teller{pen: b.pen}, Recipe: b.Recipe, flanges: b.flanges, Material: b.Material, Process: b.Process,
		rule: b.rule, School: school}, bare: true}
	o.unfold()
	return o.Laid
}

// fail tells what cannot be unfolded and is left out.
func (b *layer) fail(code string, p *Panel, reason string, fixes ...working.Fix) {
	b.Broken = true
	b.Stop(code, "Cannot be unfolded", p, reason, fixes...)
}
