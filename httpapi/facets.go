package httpapi

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/exchange"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell/starters"
	"warmanvil/core/site"
	"warmanvil/core/solid"
	"warmanvil/job"
	"warmanvil/paper"
)

// FacetsPage is a faceted body as it stands with everything that follows from it.
type FacetsPage struct {
	DocumentHead
	State  job.FacetsState `json:"state"`
	Worked site.FacetsTold `json:"worked"`
}

// FacetsHead is a faceted body in lists.
type FacetsHead struct {
	ID       string    `json:"id" format:"uuid"`
	Name     string    `json:"name"`
	Quantity int       `json:"quantity"`
	Revision int       `json:"revision"`
	Panels   int       `json:"panels"`
	Pair     bool      `json:"pair,omitempty" doc:"made left and right"`
	Updated  time.Time `json:"updated"`
}

func (s *server) facetsPage(ctx context.Context, d job.Saved) (FacetsPage, error) {
	f, err := job.FacetsOf(d.Document)
	if err != nil {
		return FacetsPage{}, err
	}
	w, err := s.jobs.WorkBody(ctx, f)
	return FacetsPage{headOf(d), f.FacetsState, w}, err
}

// newFacets answers a body that was made.
func (s *server) newFacets(c call, f job.FacetedBody, err error) (FacetsPage, error) {
	if err != nil {
		return FacetsPage{}, err
	}
	d, err := s.jobs.Find(c.Request.Context(), job.KindFacets, f.ID)
	if err != nil {
		return FacetsPage{}, err
	}
	return s.facetsPage(c.Request.Context(), job.Saved{Document: d})
}

func facetsHead(f job.FacetedBody) FacetsHead {
	return FacetsHead{f.ID, f.Name, f.Quantity, f.Revision, len(f.Body.Panels), f.Body.Hand.Pair, f.Updated}
}

func (s *server) facetsRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/facet-starters", id: "getFacetStarters", access: fixed,
		summary: "Forms that faceted bodies start from"},
		func(call, none) ([]starters.FacetStarter, error) { return starters.Starters, nil })
	documentRoutes(s, documented[job.FacetsState, FacetsPage]{kind: job.KindFacets, path: "/api/v1/facets/{id}", name: "Facets",
		word: "faceted body", view: s.facetsPage})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/facets", id: "createFacets", work: brisk,
		summary: "Add a faceted body, from a starter or empty"},
		func(c call, in job.FacetStart) (FacetsPage, error) {
			f, err := s.jobs.StartBody(c.Request.Context(), c.id, in)
			return s.newFacets(c, f, err)
		})
	route(s, operation{method: "POST", path: "/api/v1/facets/{id}/duplicate", id: "duplicateFacets", work: brisk,
		summary: "Copy a faceted body within its job"},
		func(c call, _ none) (FacetsPage, error) {
			f, err := s.jobs.DuplicateBody(c.Request.Context(), c.id)
			return s.newFacets(c, f, err)
		})
	route(s, operation{method: "POST", path: "/api/v1/facets/{id}/parts", id: "makeFacetParts", work: brisk,
		summary: "A part for every blank of a body that has none; they follow the body"},
		func(c call, _ none) (FacetsPage, error) {
			if _, err := s.jobs.MakeParts(c.Request.Context(), c.id); err != nil {
				return FacetsPage{}, err
			}
			return s.newFacets(c, job.FacetedBody{ID: c.id}, nil)
		})
	route(s, operation{method: "POST", path: "/api/v1/facets/{id}/work", id: "workFacets", work: brisk, access: reading,
		summary: "What follows from a state of a faceted body that is not kept"},
		func(c call, in job.FacetsState) (site.FacetsTold, error) {
			return s.jobs.TryBody(c.Request.Context(), c.id, in)
		})
	route(s, operation{method: "POST", path: "/api/v1/facets/{id}/bends", id: "proposeFacetBends", work: whole, access: reading,
		summary: "Which edges of a body may be bent so that its blanks can be made in the shop"},
		func(c call, _ none) ([]site.FacetProposal, error) {
			return s.jobs.ProposeBends(c.Request.Context(), c.id)
		})
	serve(s, shelf[faceted]{path: "/api/v1/facets/{id}/files/{kind}", id: "getFacetsFile", summary: "A file of a faceted body",
		files: []file[faceted]{
			{name: "stl", form: asSTL, says: "the body", free: true, make: func(f faceted) ([]byte,
				error) {
				return exchange.STL(f.body, f.name), nil
			}},
			{name: "gauges", form: asDXF, says: "gauges of its seams", free: true, make: faceted.gauges},
			{name: "gauges-paper", form: asPDF, says: "gauges of its seams, on paper", free: true, make: faceted.paper},
			{name: "mockup", form: asDXF, says: "all of it in board, with tabs to glue", free: true, make: faceted.mockup},
			{name: "mockup-paper", form: asPDF, says: "all of it in card, with tabs to glue, on paper", free: true, make: faceted.templates},
		}, asks: []*huma.Param{paperQuery, boardQuery}, open: s.faceted})
}

// faceted is a body as its files are made from it.
type faceted struct {
	name   string
	body   solid.Body
	cards  []site.GaugeCard
	inches bool
	head   paper.GaugeSheet
	blanks []sheet.Recipe // of board
	opt    made.Options
	thick  string   // of the board, in words
	called []string // blanks, by the panel they are known by
}

func (s *server) faceted(w want) (f faceted, called label, err error) {
	b, err := s.jobs.FacetedBody(w.ctx, w.id)
	if err != nil {
		return f, called, err
	}
	j, err := s.jobs.Job(w.ctx, b.JobID)
	if err != nil {
		return f, called, err
	}
	f.name, f.inches = b.Name, j.Brief.Inches()
	if f.body, f.cards, err = site.FacetFiles(b.Body); err != nil {
		return f, called, err
	}
	f.head = paper.GaugeSheet{Job: j.Brief.Name, Body: b.Name, Revision: b.Revision, Date: b.Updated.UTC(), Paper: w.paper}
	f.opt = j.Brief.BuildOptions()
	if strings.HasPrefix(w.kind, "mockup") {
		board, err := w.board("mock-up")
		if err != nil {
			return f, called, err
		}
		_, blanks, err := b.Body.Blanks(b.ID, b.Name)
		if err != nil {
			return f, called, err
		}
		for _, r := range blanks {
			f.blanks, f.called = append(f.blanks, r.Mockup(board)), append(f.called, b.Body.Called(r.Base.ID))
		}
		f.thick = site.Lengths(j.Brief)(board)
	}
	return f, label{job: j.Brief.Name, of: b.Name, revision: b.Revision}, nil
}

// paper are cards of all seams one under the other, to be cut out.
func (f faceted) paper() ([]byte, error) {
	if len(f.cards) == 0 {
		return nil, asFault("%s has no seam that asks a gauge.", f.name)
	}
	for _, c := range f.cards {
		f.head.Cards = append(f.head.Cards, paper.Gauge{Outline: c.Outline, Says: c.Says + "°"})
	}
	return f.head.PDF()
}

// mockup lays all blanks side by side, of board: creased, the seams numbered, a tab to glue on one side of
// each.
func (f faceted) mockup() ([]byte, error) {
	j := exchange.Jig{Inches: f.inches}
	at := profile.Point{}
	for _, r := range f.blanks {
		p, err := made.Build(r, made.Options{})
		if err != nil {
			return nil, err
		}
		by := at.Sub(p.Bounds.Min)
		plate := slices.Clone(p.Outline)
		for i := range plate {
			plate[i].X, plate[i].Y = plate[i].X+by.X, plate[i].Y+by.Y
		}
		j.Plates = append(j.Plates, plate)
		for _, l := range p.FoldLines() {
			j.Bends = append(j.Bends, exchange.BendAt{From: l.From.Add(by), To: l.To.Add(by), Up: l.Up})
		}
		for _, m := range p.Marks {
			if m.Text != "" {
				j.Marks = append(j.Marks, exchange.Mark{Text: m.Text, At: m.At.Add(by), High: m.Height, Angle: m.Angle})
			}
		}
		wide, _ := p.Bounds.Size()
		at.X += wide + 15
	}
	return j.DXF(), nil
}

// templates are all blanks of card one after the other at full size, in tiles.
func (f faceted) templates() ([]byte, error) {
	var list []paper.Template
	for i, r := range f.blanks {
		p, err := made.Build(r, f.opt)
		if err != nil {
			return nil, err
		}
		list = append(list, paper.Template{Job: f.head.Job, Part: fmt.Sprintf("%s, %d of %d: %s", f.name, i+1, len(f.blanks), f.called[i]),
			Revision: fmt.Sprintf("r%d, mock-up", f.head.Revision), Material: "board or card", Thickness: f.thick, Quantity: 1,
			Date: f.head.Date, Paper: f.head.Paper, Flat: p, Welded: p.Welded(r)})
	}
	if len(list) == 0 {
		return nil, asFault("%s has no blank yet.", f.name)
	}
	return paper.Templates(list)
}

// gauges are cards of all seams side by side, to be cut of board or sheet.
func (f faceted) gauges() ([]byte, error) {
	if len(f.cards) == 0 {
		return nil, asFault("%s has no seam that asks a gauge.", f.name)
	}
	j := exchange.Jig{Inches: f.inches}
	for _, c := range f.cards {
		j.Plates = append(j.Plates, c.Outline)
		j.Marks = append(j.Marks, exchange.Mark{Text: c.Says, At: c.Middle, High: 4})
	}
	return j.DXF(), nil
}
