package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
)

// plain gives hems and rolls the angle and radius of the bend they are. The
// recipe's own list is answered where there are none.
func plain(list []Flange, thickness float64) []Flange {
	special := false
	for i := range list {
		special = special || bentOver(&list[i])
	}
	if !special {
		return list
	}
	out := make([]Flange, len(list))
	for i, f := range list {
		f.Flanges = plain(f.Flanges, thickness)
		switch f.Kind {
		case Hem:
			f.Angle = 180
			if f.Measure != Flat {
				f.Measure = Tangent
			}
			switch f.Hem {
			case OpenHem:
				f.InsideRadius = orThickness(f.Gap, thickness) / 2
			case TeardropHem: // turned on until its straight lip touches: lip = R·cot(β/2)
				f.Measure, f.Angle = Flat, 180+2*math.Atan(f.InsideRadius/f.Length)*180/math.Pi
			default:
				f.InsideRadius = 0
			}
		case Roll:
			f.Measure = Flat
			if f.Round > 0 {
				f.InsideRadius = f.Round / 2
			}
		}
		out[i] = f
	}
	return out
}

// slope makes the panel between a jog's two bends, from a panel made for the jog
// as a whole. Nil, and said, where the jog cannot be bent.
func (b *layer) slope(p *panel) *panel {
	f := *p.flange
	k := .5 // the slope does not depend on it
	j, err := bend.Jog(bend.JogInput{Depth: f.Depth, InsideRadius: f.InsideRadius, Thickness: b.recipe.Thickness, Angle: f.Angle, KFactor: k})
	if err != nil {
		b.fail("jog-shallow", p, fmt.Sprintf("%s cannot be bent: %v", p.name, err))
		return nil
	}
	g := f
	g.ID, g.Length, g.Measure, g.Taper, g.Holes, g.Flanges, g.Meets, g.Edges, g.Marks = f.ID+".slope", j.Slope, Flat,
		SetIn{}, nil, nil, nil, nil, nil
	if j.Slope < tiny { // the two bends run into one another
		g.Length = tiny * 2
	}
	return &panel{id: g.ID, name: p.name + ", slope", path: p.path, parent: p.parent, on: p.on, flange: &g, jog: p.flange}
}

// beyond makes the panel past a jog's second bend.
func (b *layer) beyond(slope *panel) *panel {
	f := *slope.jog
	f.Up, f.Edge, f.SetIn, f.Width, f.Kind = !f.Up, slope.names[2], SetIn{}, 0, Bent
	return &panel{id: f.ID, name: flangeName(slope.parent, slope.jog), path: slope.path, corner: f.Corner, meets: f.Meets, holes: f.Holes,
		edges: f.Edges, marks: f.Marks, parent: slope, on: 2, flange: &f}
}

func bentOver(f *Flange) bool {
	if f.Kind == Hem || f.Kind == Roll {
		return true
	}
	for i := range f.Flanges {
		if bentOver(&f.Flanges[i]) {
			return true
		}
	}
	return false
}
