package site

import (
	"fmt"

	"warmanvil/core/effort"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// BodyPrice is what a faceted body takes to make, one of it: by the Shop's rates, prices and what an hour costs.
type BodyPrice struct {
	Hours   string           `json:"hours" doc:"cutting, bending, fitting, welding and dressing, painting"`
	Minutes float64          `json:"minutes"`
	Labour  *float64         `json:"labour,omitempty" doc:"money; left out where the Shop says no rate by the hour"`
	Metal   *float64         `json:"metal,omitempty" doc:"money, of the boxes of its blanks; left out where the Shop has no price for it"`
	Cost    *float64         `json:"cost,omitempty" doc:"both; left out where one is not known, or a blank is cut outside"`
	Money   string           `json:"money,omitempty" doc:"name of the shop's money"`
	Works   []string         `json:"works" doc:"minutes of each kind of work"`
	Outside []string         `json:"outside" doc:"blanks that are cut outside: their cutting is in no hour"`
	Lacks   []string         `json:"lacks" doc:"what the Shop does not say"`
	Working *working.Working `json:"working"`
}

// bodyWork adds what putting a faceted body together takes: every seam is fitted, welded and dressed.
func (s Site) bodyWork(g *gathering, b *facet.Built, material string, many float64, name string) {
	seams, long := 0., 0.
	for _, e := range b.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != facet.BentOne {
			seams, long = seams+many, long+e.Long/1000*many
		}
	}
	if seams > 0 {
		g.add(effort.Fitting, seams, 1, name)
		g.weld(s.laidBy(material, b.Thickness, b.Thickness, long, b.Thickness), 1, name)
	}
}

// unmade names bodies some of whose blanks are no parts of the job yet.
func (s Site) unmade() (names []string) {
	for _, f := range s.Bodies {
		b, err := f.Doc.Build()
		if err != nil {
			continue
		}
		parts := 0
		for _, p := range s.Parts {
			if p.Recipe.Facet != nil && p.Recipe.Facet.Of == f.ID {
				parts++
			}
		}
		if parts < len(b.Blanks) {
			names = append(names, f.Name)
		}
	}
	return names
}

// priced works out what one of a faceted body takes. It fails with *working.Fault where it is no body or one
// of its blanks is no part.
func (s Site) priced(f shell.Facets) (BodyPrice, error) {
	o := BodyPrice{Works: []string{}, Outside: []string{}, Lacks: []string{}, Money: s.Shop.Currency}
	built, recipes, err := f.Blanks("body", "")
	if err != nil {
		return o, err
	}
	s.Brief.Quantity = 1
	g := gathering{kilos: map[string]float64{}}
	for _, r := range recipes {
		p := Part{Name: f.Called(r.Base.ID), Quantity: 1, Recipe: s.Shop.Fill(r)}
		x, err := made.Build(p.Recipe, PartOptions(s.Brief, s.Shop, p, nil))
		if err != nil {
			return o, err
		}
		p.Recipe.Hand.Pair = false
		s.partWork(&g, &BuiltPart{Part: p, Built: x})
	}
	s.bodyWork(&g, &built, f.Material, 1, "")
	o.Outside = append(o.Outside, g.outside...)
	e := Effort{Unpriced: []string{}}
	if e.Estimate, err = effort.Add(g.works, s.Shop.Rates); err != nil {
		return o, err
	}
	if s.Shop.Again != nil {
		e.Respoil(*s.Shop.Again)
		s.metal(&e, g.kilos, 1+*s.Shop.Again/100)
	} else {
		s.metal(&e, g.kilos, 1)
	}
	o.Minutes, o.Hours, o.Metal = e.Minutes, hoursTold(e.Minutes/60), e.Metal
	for _, l := range e.Lines {
		o.Works = append(o.Works, fmt.Sprintf("%s %.0f min", l.Text, l.Minutes))
	}
	if s.Shop.Hour == nil {
		o.Lacks = append(o.Lacks, "what an hour costs")
	} else {
		labour := *s.Shop.Hour * e.Minutes / 60
		o.Labour = &labour
	}
	for _, m := range e.Unpriced {
		o.Lacks = append(o.Lacks, "the price of "+m+" by weight")
	}
	if len(o.Outside) > 0 {
		o.Lacks = append(o.Lacks, "what is asked for cutting outside")
	}
	if o.Labour != nil && o.Metal != nil && len(o.Lacks) == 0 {
		sum := *o.Labour + *o.Metal
		o.Cost = &sum
	}
	e.Working.Assumptions = append(e.Working.Assumptions, "one of it, a set-up for every blank", "bare steel is painted on all faces",
		"seams are welded all along on one side with a leg of the plate's thickness, and dressed",
		"metal is priced by the boxes of the blanks")
	o.Working = told.Pen{Display: s.Brief.Display()}.Explain(e.Working)
	return o, nil
}
