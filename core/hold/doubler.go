package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
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
	return []working.Quantity{working.MM("t2", "doubler, of the same metal, through the same holes, two diameters past them each way",
		p.mount.Doubler)}
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
func doubled(r sheet.Recipe, part made.Part, m Mount, opt made.Options) (list []change) {
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

// Doubler answers the blank of a mount's doubler: the rectangle round its bolts and two
// diameters past them each way, through the same holes, of the same metal. Turned over
// it fits the twin too. None where the mount asks for none, or cannot be laid out.
func Doubler(part *made.Part, r sheet.Recipe, m Mount) (sheet.Recipe, bool) {
	if m.Doubler <= 0 {
		return sheet.Recipe{}, false
	}
	p, err := lay(part, m)
	if err != nil {
		return sheet.Recipe{}, false
	}
	low, high := p.at[0], p.at[0]
	for _, a := range p.at {
		low.X, low.Y = math.Min(low.X, a.X), math.Min(low.Y, a.Y)
		high.X, high.Y = math.Max(high.X, a.X), math.Max(high.Y, a.Y)
	}
	past := 2 * p.bolt.Thread.Diameter
	out := sheet.Recipe{Schema: sheet.SchemaVersion, Material: r.Material, Thickness: m.Doubler, Process: r.Process,
		Tool: r.Tool, Bend: r.Bend,
		Base: sheet.Base{ID: "doubler", Length: high.X - low.X + 2*past, Width: high.Y - low.Y + 2*past}}
	for i, a := range p.at {
		out.Base.Holes = append(out.Base.Holes,
			sheet.Hole{ID: fmt.Sprintf("bolt-%d", i+1), Name: fmt.Sprintf("Bolt %d", i+1), Kind: sheet.RoundHole, Diameter: p.holes[i].Diameter,
				X: sheet.Offset{Edge: sheet.Left, Distance: a.X - low.X + past}, Y: sheet.Offset{Edge: sheet.Front, Distance: a.Y - low.Y + past}})
	}
	return out, true
}

// doublerMass answers what a mount's doubler weighs, kg.
func doublerMass(part *made.Part, r sheet.Recipe, m Mount) float64 {
	blank, ok := Doubler(part, r, m)
	if !ok {
		return 0
	}
	built, err := made.Build(blank, made.Options{})
	if err != nil {
		return 0
	}
	return built.Mass
}
