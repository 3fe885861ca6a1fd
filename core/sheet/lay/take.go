package lay

import (
	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// take asks the chosen school what the bend takes. When it has no answer that
// is a stop, and the chart's figure is drawn meanwhile.
func (b *layer) take(p *Panel) bend.Taken {
	f := p.Flange
	for _, k := range b.Known {
		if k.Radius == f.InsideRadius && k.Angle == f.Angle {
			return k.taken
		}
	}
	t, err := b.rule.Take(b.School, f.InsideRadius, b.Recipe.Thickness, f.Angle)
	if err != nil {
		if b.School == b.Recipe.Bend.School {
			b.Stop("school-silent", "Bend allowance", p, "The chosen school gives no figure, the chart's is drawn instead: "+b.refused(err))
		}
		t, err = b.rule.Take(bend.SchoolTable, f.InsideRadius, b.Recipe.Thickness, f.Angle)
		b.FellBack = true
	}
	if err != nil {
		b.Stop("school-silent", "Bend allowance", p, b.refused(err))
	}
	for _, finding := range working.SpokenOf(t.Findings, b.Inches()) {
		finding.Feature, finding.Name = p.ID, p.Name
		b.Findings, b.Spots = append(b.Findings, finding), append(b.Spots, spotOf(p))
	}
	k := Known{Radius: f.InsideRadius, Angle: f.Angle, taken: t}
	if b.School == b.Recipe.Bend.School { // while schools are compared nobody reads on
		k.taken.Working = b.Explain(t.Working)
		k.Aim, k.AimWorking = b.springback(f)
	}
	b.Known = append(b.Known, k)
	return k.taken
}

// Known is what a bend of one radius and angle takes: most bends of a part are
// alike, and so is what is said about them.
type Known struct {
	Radius, Angle float64
	taken         bend.Taken
	Aim           *float64
	AimWorking    working.Working
}

// springback answers the angle to bend to, by the part's own strips, by the shop's, or else
// by the formula; nil when the sheet takes no set.
func (b *layer) springback(f *sheet.Flange) (*float64, working.Working) {
	for i, strips := range [][]bend.Coupon{b.Recipe.Bend.Coupons, b.Recipe.Bend.Shop} {
		s, said := bend.FromStrips(strips, f.InsideRadius, b.Recipe.Thickness)
		if !said {
			continue
		}
		aim, w := s.Aim(f.Angle)
		w.Assumptions = append(w.Assumptions, [2]string{"strips of this part", "strips of the Shop"}[i])
		return &aim, b.Explain(w)
	}
	r, err := bend.Springback(bend.SpringbackInput{InsideRadius: f.InsideRadius, Thickness: b.Recipe.Thickness, Yield: b.Material.Yield,
		Modulus: b.Material.Modulus, Angle: f.Angle})
	if err != nil {
		return nil, working.Working{}
	}
	r.Working.Assumptions = append(r.Working.Assumptions, "the recipe's inside radius is taken as the radius under the tool",
		"strengths: "+b.Material.Source)
	return &r.AimAngle, b.Explain(r.Working)
}

func (b *Laid) WhySilent(s bend.School) string {
	for _, p := range b.Panels {
		if p.Flange == nil {
			continue
		}
		if _, err := b.rule.Take(s, p.Flange.InsideRadius, b.Recipe.Thickness, p.Flange.Angle); err != nil {
			return b.refused(err)
		}
	}
	return "There is no bend yet."
}
