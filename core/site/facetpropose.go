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
	bent := func(seams []shell.FacetSeam) map[[2]string]bool {
		m := map[[2]string]bool{}
		for _, x := range seams {
			if x.Kind == facet.BentOne {
				m[[2]string{min(x.A, x.B), max(x.A, x.B)}] = true
			}
		}
		return m
	}
	out := []FacetProposal{}
	seen := func(seams []shell.FacetSeam) bool {
		return slices.ContainsFunc(out, func(o FacetProposal) bool { return maps.Equal(bent(o.Seams), bent(seams)) })
	}
	add := func(x facet.Proposal, why string, seams []shell.FacetSeam) error {
		o := FacetProposal{Why: why, Blanks: x.Blanks, Weld: p.MM(x.Weld), Waste: int(math.Round(100 * x.Waste)), Seams: seams,
			Best: []string{}, weld: x.Weld, Now: maps.Equal(bent(seams), bent(f.Seams))}
		taken := f
		taken.Seams = seams
		var err error
		o.Price, err = Site{Brief: b, Shop: w}.priced(taken)
		out = append(out, o)
		return err
	}
	for _, x := range list {
		seams := append([]shell.FacetSeam{}, open.Seams...)
		for _, e := range x.Bends {
			seams = append(seams, shell.FacetSeam{A: built.Edges[e].A, B: built.Edges[e].B, Kind: facet.BentOne})
		}
		if err := add(x, x.Why, seams); err != nil {
			return nil, err
		}
	}
	for _, more := range []struct {
		why   string
		seams []shell.FacetSeam
	}{{"every panel cut by itself: nothing is bent", open.Seams}, {"as it stands", f.Seams}} {
		if seen(more.seams) {
			continue
		}
		taken := f
		taken.Seams = append([]shell.FacetSeam{}, more.seams...)
		s, err := taken.Shell()
		if err != nil {
			return nil, err
		}
		x, err := facet.Measured(s)
		if err != nil {
			continue // as it stands it is no body, which the bench says
		}
		if err := add(x, more.why, taken.Seams); err != nil && more.why != "as it stands" {
			return nil, err
		}
	}
	bestOf(out)
	return out, until.Err()
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
	mark("least hours", func(o FacetProposal) (float64, bool) { return o.Price.Minutes, true })
	mark("cheapest", func(o FacetProposal) (float64, bool) {
		if o.Price.Cost == nil {
			return 0, false
		}
		return *o.Price.Cost, true
	})
}
