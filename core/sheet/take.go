package sheet

import (
	"warmanvil/core/bend"
	"warmanvil/core/working"
)

// take asks the chosen school what the bend takes. When it has no answer that
// is a stop, and the chart's figure is drawn meanwhile.
func (b *layer) take(p *panel) bend.Taken {
	f := p.flange
	for _, k := range b.known {
		if k.radius == f.InsideRadius && k.angle == f.Angle {
			return k.taken
		}
	}
	t, err := b.rule.Take(b.school, f.InsideRadius, b.recipe.Thickness, f.Angle)
	if err != nil {
		if b.school == b.recipe.Bend.School {
			b.stop("school-silent", "Bend allowance", p, "The chosen school gives no figure, the chart's is drawn instead: "+err.Error())
		}
		t, err = b.rule.Take(bend.SchoolTable, f.InsideRadius, b.recipe.Thickness, f.Angle)
		b.fellBack = true
	}
	if err != nil {
		b.stop("school-silent", "Bend allowance", p, err.Error())
	}
	for _, finding := range t.Findings {
		finding.Feature, finding.Name = p.id, p.name
		b.findings, b.spots = append(b.findings, finding), append(b.spots, spotOf(p))
	}
	k := known{radius: f.InsideRadius, angle: f.Angle, taken: t}
	if b.school == b.recipe.Bend.School { // while schools are compared nobody reads on
		k.taken.Working = b.explain(t.Working)
		k.aim, k.aimWorking = b.springback(f)
	}
	b.known = append(b.known, k)
	return k.taken
}

// known is what a bend of one radius and angle takes: most bends of a part are
// alike, and so is what is said about them.
type known struct {
	radius, angle float64
	taken         bend.Taken
	aim           *float64
	aimWorking    working.Working
}

// springback answers the angle to bend to, nil when the sheet takes no set.
func (b *layer) springback(f *Flange) (*float64, working.Working) {
	r, err := bend.Springback(bend.SpringbackInput{InsideRadius: f.InsideRadius, Thickness: b.recipe.Thickness, Yield: b.material.Yield,
		Modulus: b.material.Modulus, Angle: f.Angle})
	if err != nil {
		return nil, working.Working{}
	}
	r.Working.Assumptions = append(r.Working.Assumptions, "the recipe's inside radius is taken as the radius under the tool",
		"strengths: "+b.material.Source)
	return &r.AimAngle, b.explain(r.Working)
}

func (b *laid) whySilent(s bend.School) string {
	for _, p := range b.panels {
		if p.flange == nil {
			continue
		}
		if _, err := b.rule.Take(s, p.flange.InsideRadius, b.recipe.Thickness, p.flange.Angle); err != nil {
			return err.Error()
		}
	}
	return "There is no bend yet."
}
