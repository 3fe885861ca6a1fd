package site

import (
	"context"
	"maps"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shop"
	"warmanvil/core/told"
)

// FacetProposal is edges that may be bent, in words.
type FacetProposal struct {
	Why    string            `json:"why" doc:"what it goes by"`
	Blanks int               `json:"blanks"`
	Weld   string            `json:"weld" doc:"what stays to be welded"`
	Waste  int               `json:"waste" doc:"% of the blanks' boxes that is cut off"`
	Seams  []shell.FacetSeam `json:"seams" doc:"of the body, to take it"`
	Now    bool              `json:"now" doc:"it is how the body is made as it stands"`
	Price  BodyPrice         `json:"price"`
	Best   []string          `json:"best" doc:"what of all of them it is best in: fewest blanks, least to weld, least hours, cheapest"`
	weld   float64
}

// mostBent is the largest turn that is proposed to be bent, degrees: sharper ones are welded (practice).
const mostBent = 135.

// bodyPricer sets ways to bend a body side by side.
type bodyPricer struct {
	until context.Context
	brief brief.Brief
	shop  shop.Shop
	body  shell.Facets
	out   []FacetProposal
}

// ProposeFacets answers which edges of a body may be bent, those that were bent so far asked anew, so that
// every blank is a part without a stop and without a caution of size, brake or order; beside them every panel by
// itself where that can be made, and the body as it stands. It fails with *working.Fault where the body is none
// yet.
func ProposeFacets(until context.Context, b brief.Brief, w shop.Shop, f shell.Facets) ([]FacetProposal, error) {
	open := f
	open.Seams = nil
	for _, s := range f.Seams {
		if s.Kind != facet.BentOne {
			open.Seams = append(open.Seams, s)
		}
	}
	s, err := open.Shell()
	if err != nil {
		return nil, err
	}
	p := &bodyPricer{until, b, w, f, []FacetProposal{}}
	list, err := facet.Propose(until, s, mostBent, p.unfit)
	if err != nil {
		return nil, err
	}
	built, err := facet.Build(s)
	if err != nil {
		return nil, err
	}
	for _, x := range list {
		seams := append([]shell.FacetSeam{}, open.Seams...)
		for _, e := range x.Bends {
			seams = append(seams, shell.FacetSeam{A: built.Edges[e].A, B: built.Edges[e].B, Kind: facet.BentOne})
		}
		p.add(x, x.Why, seams)
	}
	p.more("as it stands", f.Seams, false)
	p.more("every panel cut by itself: nothing is bent", open.Seams, true)
	bestOf(p.out)
	return p.out, until.Err()
}

// unfit answers why a blank cannot be made in the shop, "" where it can.
func (p *bodyPricer) unfit(x *facet.Built, blank int) string {
	r, err := x.Recipe(blank, p.body.Sheet())
	if err != nil {
		return err.Error()
	}
	r = p.shop.Fill(r)
	opt := PartOptions(p.brief, p.shop, Part{Recipe: r, Quantity: 1}, nil)
	opt.Until = p.until
	part, err := made.Build(r, opt)
	if err != nil {
		return err.Error()
	}
	for _, g := range part.Findings {
		switch {
		case g.Severity == "stop", g.Code == "past-bed", g.Code == "past-brake", g.Code == "bend-order", g.Code == "bend-order-unknown",
			g.Code == "brake-overloaded", g.Code == "fold-collision", g.Code == "flat-overlap":
			return g.Reason
		}
	}
	return ""
}

// bent answers the edges that are bent.
func bent(seams []shell.FacetSeam) map[[2]string]bool {
	m := map[[2]string]bool{}
	for _, x := range seams {
		if x.Kind == facet.BentOne {
			m[[2]string{min(x.A, x.B), max(x.A, x.B)}] = true
		}
	}
	return m
}

// add prices a way to bend the body; one that cannot be priced is no body to be made, and left out.
func (p *bodyPricer) add(x facet.Proposal, why string, seams []shell.FacetSeam) {
	pen := told.Pen{Display: p.brief.Display()}
	o := FacetProposal{Why: why, Blanks: x.Blanks, Weld: pen.MM(x.Weld), Waste: int(math.Round(100 * x.Waste)), Seams: seams,
		Best: []string{}, weld: x.Weld, Now: maps.Equal(bent(seams), bent(p.body.Seams))}
	taken := p.body
	taken.Seams = seams
	var err error
	if o.Price, err = (Site{Brief: p.brief, Shop: p.shop}).priced(taken); err == nil {
		p.out = append(p.out, o)
	}
}

// more adds a way that is no proposal, once; proved asks whether each of its blanks can be made.
func (p *bodyPricer) more(why string, seams []shell.FacetSeam, proved bool) {
	if slices.ContainsFunc(p.out, func(o FacetProposal) bool { return maps.Equal(bent(o.Seams), bent(seams)) }) {
		return
	}
	taken := p.body
	taken.Seams = append([]shell.FacetSeam{}, seams...)
	s, err := taken.Shell()
	if err != nil {
		return // as it stands it is no body, which the bench says
	}
	b, err := facet.Build(s)
	if err != nil {
		return
	}
	for k := range b.Blanks {
		if proved && p.unfit(&b, k) != "" {
			return
		}
	}
	p.add(b.Measured(), why, taken.Seams)
}

// bestOf says of each of several ways what it is best in; nothing where all are alike.
func bestOf(list []FacetProposal) {
	mark := func(word string, of func(FacetProposal) (float64, bool)) {
		least, most := math.Inf(1), math.Inf(-1)
		for _, o := range list {
			v, known := of(o)
			if !known {
				return
			}
			least, most = min(least, v), max(most, v)
		}
		if most-least < 1e-6 {
			return
		}
		for i, o := range list {
			if v, _ := of(o); v-least < 1e-6 {
				list[i].Best = append(list[i].Best, word)
			}
		}
	}
	mark("fewest blanks", func(o FacetProposal) (float64, bool) { return float64(o.Blanks), true })
	mark("least to weld", func(o FacetProposal) (float64, bool) { return o.weld, true })
	outside := len(list) > 0 && len(list[0].Price.Outside) > 0
	mark("least hours", func(o FacetProposal) (float64, bool) { // cutting is in all of them or in none
		return o.Price.Minutes, len(o.Price.Outside) > 0 == outside
	})
	mark("cheapest", func(o FacetProposal) (float64, bool) {
		if o.Price.Cost == nil {
			return 0, false
		}
		return *o.Price.Cost, true
	})
}
