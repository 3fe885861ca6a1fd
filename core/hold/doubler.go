package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// doubled sums what the plate round a bolt takes by itself and what a doubler of the
// same metal takes beside it. The doubler reaches past the holes by two diameters each
// way and no farther: it helps at the holes and nowhere else, and is not glued on, so
// that each bends by itself.
func (p *placed) doubled(ply bolt.Plate, of func(bolt.Plate) float64) float64 {
	r := of(ply)
	if p.mount.Doubler > 0 {
		r += of(p.doubler(ply))
	}
	return r
}

func (p *placed) doubler(ply bolt.Plate) bolt.Plate {
	d := p.bolt.Thread.Diameter
	ply.Thickness = p.mount.Doubler
	ply.Clear = 2*d - ply.Hole/2
	for i, a := range p.at {
		for k, b := range p.at[:i] {
			ply.Clear = math.Min(ply.Clear, b.Sub(a).Len()-(p.holes[i].Diameter+p.holes[k].Diameter)/2)
		}
	}
	ply.Clear = math.Max(ply.Clear, 0)
	return ply
}

// doublerSays are what a working adds where a doubler helps.
func (p *placed) doublerSays() []working.Quantity {
	if p.mount.Doubler <= 0 {
		return nil
	}
	return []working.Quantity{mm("t2", "doubler, of the same metal, through the same holes, two diameters past them each way", p.mount.Doubler)}
}

// crowded tells how near a bend stands to the bolts of a doubler, and how near it may.
func (p *placed) crowded() (gap, need float64) {
	need, gap = 2*p.bolt.Thread.Diameter, math.Inf(1)
	if len(p.path) < 2 {
		return gap, need
	}
	for i := range p.holes {
		_, bend := p.sides(i)
		gap = math.Min(gap, bend)
	}
	return gap, need
}

// doubled proposes a doubler as thick as the plate, or the next thicker one.
func doubled(r sheet.Recipe, part sheet.Part, m Mount, opt sheet.Options) (list []change) {
	p, err := lay(&part, m)
	if err != nil {
		return nil
	}
	if gap, need := p.crowded(); gap < need {
		return nil
	}
	stocked := metricPlate
	if opt.Display.Style != "mm" {
		stocked = inchPlate
	}
	for _, t := range stocked {
		if t > m.Doubler && t >= r.Thickness-.05 && len(list) < 2 {
			c := change{label: fmt.Sprintf("A doubler of %s on %s, under the bolts' heads", written(t, opt), lower(p.panel.Name)), mount: m}
			c.mount.Doubler = t
			list = append(list, c)
		}
	}
	return list
}

// doublerMass answers what a mount's doubler weighs, kg: the rectangle round its holes
// and two diameters more each way.
func doublerMass(part *sheet.Part, r sheet.Recipe, m Mount) float64 {
	stuff, err := stock.MaterialByKey(r.Material)
	p, lost := lay(part, m)
	if m.Doubler <= 0 || err != nil || lost != nil {
		return 0
	}
	lx, ly, hx, hy := math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)
	for _, a := range p.at {
		lx, ly, hx, hy = math.Min(lx, a.X), math.Min(ly, a.Y), math.Max(hx, a.X), math.Max(hy, a.Y)
	}
	past := 4 * p.bolt.Thread.Diameter
	return (hx - lx + past) * (hy - ly + past) * m.Doubler * stuff.Density * 1e-9
}
