package site

import (
	"context"
	"math"

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
}

// mostBent is the largest turn that is proposed to be bent, degrees: sharper ones are welded (practice).
const mostBent = 135.

// ProposeFacets answers which edges of a body may be bent, those that were bent so far asked anew, so that
// every blank is a part without a stop and without a caution of size, brake or order. It fails with
// *working.Fault where the body is none yet.
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
	p := told.Pen{Display: b.Display()}
	fits := func(x *facet.Built, blank int) string {
		r, err := x.Recipe(blank, f.Sheet())
		if err != nil {
			return err.Error()
		}
		r = w.Fill(r)
		opt := PartOptions(b, w, Part{Recipe: r, Quantity: 1}, nil)
		opt.Until = until
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
	list, err := facet.Propose(until, s, mostBent, fits)
	if err != nil {
		return nil, err
	}
	built, err := facet.Build(s)
	if err != nil {
		return nil, err
	}
	out := []FacetProposal{}
	for _, x := range list {
		o := FacetProposal{Why: x.Why, Blanks: x.Blanks, Weld: p.MM(x.Weld), Waste: int(math.Round(100 * x.Waste)),
			Seams: append([]shell.FacetSeam{}, open.Seams...)}
		for _, e := range x.Bends {
			o.Seams = append(o.Seams, shell.FacetSeam{A: built.Edges[e].A, B: built.Edges[e].B, Kind: facet.BentOne})
		}
		out = append(out, o)
	}
	return out, until.Err()
}
