package lay

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
)

// plain gives hems and rolls the angle and radius of the bend they are. The
// recipe's own list is answered where there are none.
func plain(list []sheet.Flange, thickness float64) []sheet.Flange {
	special := false
	for i := range list {
		special = special || bentOver(&list[i])
	}
	if !special {
		return list
	}
	out := make([]sheet.Flange, len(list))
	for i, f := range list {
		f.Flanges = plain(f.Flanges, thickness)
		switch f.Kind {
		case sheet.Hem:
			f.Angle = 180
			if f.Measure != sheet.Flat {
				f.Measure = sheet.Tangent
			}
			switch f.Hem {
			case sheet.OpenHem:
				f.InsideRadius = OrThickness(f.Gap, thickness) / 2
			case sheet.TeardropHem: // turned on until its straight lip touches: lip = R·cot(β/2)
				f.Measure, f.Angle = sheet.Flat, 180+2*math.Atan(f.InsideRadius/f.Length)*180/math.Pi
			default:
				f.InsideRadius = 0
			}
		case sheet.Roll:
			f.Measure = sheet.Flat
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
func (b *layer) slope(p *Panel) *Panel {
	f := *p.Flange
	k := .5 // the slope does not depend on it
	j, err := bend.Jog(bend.JogInput{Depth: f.Depth, InsideRadius: f.InsideRadius, Thickness: b.Recipe.Thickness, Angle: f.Angle, KFactor: k})
	if err != nil {
		b.fail("jog-shallow", p, fmt.Sprintf("%s cannot be bent: %v", p.Name, err))
		return nil
	}
	g := f
	g.ID, g.Length, g.Measure, g.Taper, g.Holes, g.Flanges, g.Meets, g.Edges, g.Marks = f.ID+".slope", j.Slope, sheet.Flat,
		sheet.SetIn{}, nil, nil, nil, nil, nil
	if j.Slope < sheet.Tiny { // the two bends run into one another
		g.Length = sheet.Tiny * 2
	}
	return &Panel{ID: g.ID, Name: p.Name + ", slope", Path: p.Path, Parent: p.Parent, On: p.On, Flange: &g, Jog: p.Flange}
}

// beyond makes the panel past a jog's second bend.
func (b *layer) beyond(slope *Panel) *Panel {
	f := *slope.Jog
	f.Up, f.Edge, f.SetIn, f.Width, f.Kind = !f.Up, slope.Names[2], sheet.SetIn{}, 0, sheet.Bent
	return &Panel{ID: f.ID, Name: FlangeName(slope.Parent, slope.Jog), Path: slope.Path, Corner: f.Corner, Meets: f.Meets, Holes: f.Holes,
		edges: f.Edges, Marks: f.Marks, Parent: slope, On: 2, Flange: &f}
}

func bentOver(f *sheet.Flange) bool {
	if f.Kind == sheet.Hem || f.Kind == sheet.Roll {
		return true
	}
	for i := range f.Flanges {
		if bentOver(&f.Flanges[i]) {
			return true
		}
	}
	return false
}
