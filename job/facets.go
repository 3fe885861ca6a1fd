package job

import (
	"context"
	"errors"
	"fmt"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shell/starters"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// FacetsState is what a faceted body's document says.
type FacetsState struct {
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Body     shell.Facets `json:"body"`
}

// Upgraded answers the state in the form of today.
func (s FacetsState) Upgraded() FacetsState {
	s.Body.Schema = max(s.Body.Schema, shell.Schema)
	return s
}

// Check refuses what cannot be kept.
func (s FacetsState) Check() error {
	return working.First(checkHead(s.Name, s.Quantity), working.Under("/body", s.Body.Check()))
}

// Renamed answers the body itself: it names no other document.
func (s FacetsState) Renamed(map[string]string) FacetsState { return s }

// FacetedBody is one faceted body as it stands in the store.
type FacetedBody struct {
	ID       string
	Revision int
	FacetsState
	Kept
}

// FacetsOf reads a document that is a faceted body; ErrNotFound when it is none.
func FacetsOf(d Document) (FacetedBody, error) {
	if d.Kind != KindFacets {
		return FacetedBody{}, ErrNotFound
	}
	s, err := Body[FacetsState](d.Body)
	return FacetedBody{d.ID, d.Revision, s, d.Kept}, err
}

// Bodies lists a job's faceted bodies that are not put away, oldest first.
func (s *Service) Bodies(ctx context.Context, jobID string) ([]FacetedBody, error) {
	return readAll(ctx, s, jobID, KindFacets, FacetsOf)
}

// FacetedBody answers one faceted body as it stands.
func (s *Service) FacetedBody(ctx context.Context, id string) (FacetedBody, error) {
	return readOne(ctx, s, id, FacetsOf)
}

// bareBodies answers bodies as the core knows them.
func bareBodies(list []FacetedBody) []site.FacetBody {
	out := make([]site.FacetBody, len(list))
	for i, f := range list {
		out[i] = site.FacetBody{ID: f.ID, Name: f.Name, Quantity: f.Quantity, Revision: f.Revision, Doc: f.Body}
	}
	return out
}

// AddBody adds a faceted body to a job.
func (s *Service) AddBody(ctx context.Context, jobID string, state FacetsState) (FacetedBody, error) {
	d, err := fresh(s, jobID, KindFacets, state, "started", s.Now())
	if err != nil {
		return FacetedBody{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return FacetedBody{}, err
	}
	if err := s.Store.AddDocuments(ctx, d); err != nil {
		return FacetedBody{}, err
	}
	return FacetsOf(d)
}

// PartsOf answers the parts that follow a body, put away or not, oldest first.
func (s *Service) PartsOf(ctx context.Context, id string) ([]Part, error) {
	list, err := s.members(ctx, id)
	if err != nil {
		return nil, err
	}
	return slices.DeleteFunc(list, func(p Part) bool { return p.Recipe.Facet == nil || p.Recipe.Facet.Of != id }), nil
}

// MakeParts adds a part for every blank of a body that has none yet, all or none. It fails with
// *working.Fault where the body is none yet or every blank has its part.
func (s *Service) MakeParts(ctx context.Context, id string) ([]Part, error) {
	f, err := s.FacetedBody(ctx, id)
	if err != nil {
		return nil, err
	}
	_, blanks, err := f.Body.Blanks(f.ID, f.Name)
	if err != nil {
		return nil, err
	}
	have, err := s.PartsOf(ctx, id)
	if err != nil {
		return nil, err
	}
	taken := map[int]bool{}
	for _, p := range have {
		taken[shell.Root(p.Recipe, blanks)] = true
	}
	var states []PartState
	for i, r := range blanks {
		if !taken[i] {
			name := f.Name + ", " + f.Body.Called(r.Base.ID)
			states = append(states, PartState{clippedName(name), f.Quantity, r})
		}
	}
	if len(states) == 0 {
		return nil, working.Refuse("", "Every blank of %s has its part.", f.Name)
	}
	return s.addParts(ctx, f.JobID, "made of "+f.Name, states...)
}

func clippedName(name string) string {
	if r := []rune(name); len(r) > brief.MaxName {
		return string(r[:brief.MaxName])
	}
	return name
}

// formed answers a part of a body with the form the body gives it: a form that was changed by hand is
// refused, and where again is asked for (undone, redone) it is made anew. A part whose body is gone
// or is none just now stays as it is.
func (s *Service) formed(ctx context.Context, d Document, p Part, again bool) (Document, error) {
	f, err := s.FacetedBody(ctx, p.Recipe.Facet.Of)
	if errors.Is(err, ErrNotFound) {
		return d, nil
	}
	if err != nil {
		return d, err
	}
	_, blanks, err := f.Body.Blanks(f.ID, f.Name)
	if err != nil {
		return d, nil
	}
	i := shell.Root(p.Recipe, blanks)
	if i < 0 {
		return d, nil
	}
	if !again {
		if p.Quantity != f.Quantity {
			return d, working.Refuse("/quantity", "It is cut as often as %s is made: %d. Change that there.", f.Name, f.Quantity)
		}
		if err := shell.Kept(blanks[i], p.Recipe, f.Name); err != nil {
			return d, err
		}
		p.Recipe.Facet = blanks[i].Facet // nobody else says how it is welded in
		d.Body, err = ready(p.State())
		return d, err
	}
	p.Recipe, _ = shell.Follow(blanks[i], p.Recipe)
	p.Quantity = f.Quantity
	d.Body, err = ready(p.State())
	return d, err
}

// blanksAlong answers the next states of the parts of a body as its new state makes them, as many
// as it. While the body
// is none, or a part's panels are in no blank of it, they stay as they are.
func (s *Service) blanksAlong(ctx context.Context, d Document) ([]Document, error) {
	f, err := FacetsOf(d)
	if err != nil {
		return nil, err
	}
	parts, err := s.PartsOf(ctx, d.ID)
	if err != nil || len(parts) == 0 {
		return nil, err
	}
	_, blanks, err := f.Body.Blanks(d.ID, f.Name)
	if err != nil {
		return nil, nil // it is drawn on: its parts wait
	}
	var out []Document
	for _, p := range parts {
		i := shell.Root(p.Recipe, blanks)
		if i < 0 {
			continue
		}
		r, lost := shell.Follow(blanks[i], p.Recipe)
		raw, err := ready(PartState{p.Name, f.Quantity, r})
		if err != nil {
			return nil, unfolded(p, f, err)
		}
		summary := "follows " + f.Name
		if len(lost) > 0 {
			summary += fmt.Sprintf("; %d of its panels are in another blank or gone", len(lost))
		}
		was := p.Revision
		out = append(out, Document{ID: p.ID, Kind: KindSheet, Revision: was + 1, Body: raw,
			Kept: Kept{JobID: p.JobID, Summary: summary, Who: d.Who, Updated: s.Now(), UndoTo: &was}})
	}
	return out, nil
}

// unfolded says of which part a fault is.
func unfolded(p Part, f FacetedBody, err error) error {
	var fault *working.Fault
	if errors.As(err, &fault) {
		return working.Refuse("", "%s, a blank of %s, could not follow this: %s", p.Name, f.Name, fault.Message)
	}
	return err
}

// FacetStart is what a faceted body starts from.
type FacetStart struct {
	Name      string             `json:"name"`
	Starter   string             `json:"starter,omitempty" doc:"key of a starter; an empty body when left out"`
	Material  string             `json:"material" doc:"key of a material"`
	Thickness float64            `json:"thickness" doc:"mm"`
	Values    map[string]float64 `json:"values,omitempty" doc:"mm, numbers it asks for; the usual ones when left out"`
	Face      profile.Loop       `json:"face,omitempty" doc:"mm: it begins with this outline as its first panel, level, seen from outside; instead of a starter"`
}

// StartBody adds a body made by a starter from a few numbers, or an empty one.
func (s *Service) StartBody(ctx context.Context, jobID string, in FacetStart) (FacetedBody, error) {
	j, err := s.Job(ctx, jobID)
	if err != nil {
		return FacetedBody{}, err
	}
	f := shell.Facets{Schema: shell.Schema, Material: in.Material, Thickness: in.Thickness, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, Side: facet.Outside, InsideRadius: in.Thickness}
	if err := f.Check(); err != nil {
		return FacetedBody{}, err
	}
	if len(in.Face) > 0 {
		if in.Starter != "" {
			return FacetedBody{}, working.Refuse("/face", "It begins with a face or by a starter, not both.")
		}
		if err := f.Begin(in.Face, s.NewID); err != nil {
			return FacetedBody{}, working.Under("/face", err)
		}
	}
	if in.Starter != "" {
		if f, err = starters.Start(in.Starter, in.Values, j.Brief.Inches(), f, s.NewID); err != nil {
			return FacetedBody{}, err
		}
	}
	return s.AddBody(ctx, jobID, FacetsState{in.Name, 1, f})
}

// DuplicateBody copies a body within its job; its parts stay those of the first.
func (s *Service) DuplicateBody(ctx context.Context, id string) (FacetedBody, error) {
	f, err := s.FacetedBody(ctx, id)
	if err != nil {
		return FacetedBody{}, err
	}
	return s.AddBody(ctx, f.JobID, FacetsState{copyName(f.Name), f.Quantity, f.Body})
}

// WorkBody works a body out in its job.
func (s *Service) WorkBody(ctx context.Context, f FacetedBody) (site.FacetsTold, error) {
	j, err := s.Job(ctx, f.JobID)
	if err != nil {
		return site.FacetsTold{}, err
	}
	w, err := s.ShopFor(ctx, f.JobID)
	if err != nil {
		return site.FacetsTold{}, err
	}
	parts, err := s.PartsOf(ctx, f.ID)
	if err != nil {
		return site.FacetsTold{}, err
	}
	there := slices.DeleteFunc(parts, func(p Part) bool { return p.Archived })
	var measured site.Measured
	if slices.ContainsFunc(f.Body.Points, func(p shell.FacetPoint) bool { return p.Survey != "" }) {
		_, all, err := s.Site(ctx, f.JobID)
		if err != nil {
			return site.FacetsTold{}, err
		}
		measured = all.Measured()
	}
	return site.Faceted(j.Brief, w, f.Body, f.ID, f.Name, f.Quantity, BareParts(there), measured), nil
}

// TryBody works a state of a body out that is not kept: as it is drawn on. It fails with *working.Fault
// where it could not be kept either.
func (s *Service) TryBody(ctx context.Context, id string, state FacetsState) (site.FacetsTold, error) {
	f, err := s.FacetedBody(ctx, id)
	if err != nil {
		return site.FacetsTold{}, err
	}
	f.FacetsState = state.Upgraded()
	if err := f.Check(); err != nil {
		return site.FacetsTold{}, err
	}
	return s.WorkBody(ctx, f)
}

// ProposeBends answers which edges of a body may be bent so that every blank can be made in the shop.
func (s *Service) ProposeBends(ctx context.Context, id string) ([]site.FacetProposal, error) {
	f, err := s.FacetedBody(ctx, id)
	if err != nil {
		return nil, err
	}
	j, err := s.Job(ctx, f.JobID)
	if err != nil {
		return nil, err
	}
	w, err := s.ShopFor(ctx, f.JobID)
	if err != nil {
		return nil, err
	}
	return site.ProposeFacets(ctx, j.Brief, w, f.Body)
}
