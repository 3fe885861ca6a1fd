package job

import (
	"context"
	"errors"
	"fmt"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// keep saves a new state of a document. A part of a family is settled against its head
// before, with what differs as its own sizes, or refused where strict and it differs in more
// than was its own; the members of a head come along.
func (s *Service) keep(ctx context.Context, d Document, expected int, strict bool) (Document, error) {
	follow := s.along
	switch d.Kind {
	case KindSheet:
		var err error
		if d, err = s.settled(ctx, d, strict); err != nil {
			return d, err
		}
	case KindFacets:
		follow = s.blanksAlong
		if d.JobID == "" { // it is saved by its id
			stands, err := s.Store.Document(ctx, d.ID)
			if err != nil {
				return d, err
			}
			d.JobID = stands.JobID
		}
	default:
		return s.Store.SaveDocument(ctx, d, expected)
	}
	along, err := follow(ctx, d)
	if err != nil {
		return d, err
	}
	got, err := s.Store.SaveDocument(ctx, d, expected)
	if err != nil {
		return got, err
	}
	for range tries {
		again := false
		for _, m := range along {
			_, err := s.Store.SaveDocument(ctx, m, m.Revision-1)
			if errors.Is(err, ErrConflict) { // somebody saved it meanwhile
				again = true
				continue
			}
			if err != nil {
				return got, fmt.Errorf("it is saved, and what follows it is not: %w", err)
			}
		}
		if !again {
			return got, nil
		}
		if along, err = follow(ctx, got); err != nil {
			return got, err
		}
	}
	return got, ErrConflict
}

// settled answers a part with its own sizes said, as it is of its family; any other as it is.
func (s *Service) settled(ctx context.Context, d Document, strict bool) (Document, error) {
	p, err := PartOf(d)
	if err == nil && p.Recipe.Facet != nil {
		if d, err = s.formed(ctx, d, p, strict); err != nil {
			return d, err
		}
		p, err = PartOf(d)
	}
	if err != nil || p.Recipe.Kin == nil {
		return d, err
	}
	kin := p.Recipe.Kin
	if d.JobID == "" { // it is saved by its id
		stands, err := s.Store.Document(ctx, d.ID)
		if err != nil {
			return d, err
		}
		d.JobID = stands.JobID
	}
	head, err := s.head(ctx, d.JobID, kin.Of)
	if err != nil {
		return d, err
	}
	switch following, err := s.members(ctx, d.ID); {
	case err != nil:
		return d, err
	case kin.Of == d.ID:
		return d, working.Refuse("/recipe/kin/of", "A part does not follow itself.")
	case head.Recipe.Kin != nil:
		return d, working.Refuse("/recipe/kin/of", "%s is itself of the family of %s: follow that.", head.Name, head.Recipe.Kin.Name)
	case len(following) > 0:
		return d, working.Refuse("/recipe/kin/of", "%s heads a family of its own: let that go first.", p.Name)
	}
	p.Recipe.Kin = &sheet.Kin{Of: kin.Of, Name: head.Name, Own: kin.Own}
	if strict {
		err = made.Follows(head.Recipe, p.Recipe, made.Options{Until: ctx})
	} else {
		p.Recipe, err = made.Settle(head.Recipe, p.Recipe, made.Options{Until: ctx})
	}
	if err != nil {
		return d, err
	}
	d.Body, err = ready(p.State())
	return d, err
}

// head answers the part that heads a family, of the same job, put away or not.
func (s *Service) head(ctx context.Context, jobID, id string) (Part, error) {
	d, err := s.Store.Document(ctx, id)
	if errors.Is(err, ErrNotFound) || err == nil && (d.JobID != jobID || d.Kind != KindSheet) {
		return Part{}, working.Refuse("/recipe/kin/of", "The part it follows is not in this job any more: let it go from the family.")
	}
	if err != nil {
		return Part{}, err
	}
	return PartOf(d)
}

// members lists the parts of a job that follow one of it, those that are put away too: they are
// as their head when they are brought back.
func (s *Service) members(ctx context.Context, head string) ([]Part, error) {
	list, err := s.Store.Following(ctx, head)
	if err != nil {
		return nil, err
	}
	out := make([]Part, len(list))
	for i, d := range list {
		if out[i], err = PartOf(d); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// along answers the next states of the members of a family as a new state of its head makes
// them. It fails with *working.Fault where one of them could not be.
func (s *Service) along(ctx context.Context, d Document) ([]Document, error) {
	list, err := s.members(ctx, d.ID)
	list = slices.DeleteFunc(list, func(p Part) bool { return p.Recipe.Kin == nil || p.Recipe.Kin.Of != d.ID })
	if err != nil || len(list) == 0 {
		return nil, err
	}
	head, err := PartOf(d)
	if err != nil {
		return nil, err
	}
	var out []Document
	for _, m := range list {
		r, lost, err := made.Follow(head.Recipe, m.Recipe, made.Options{Until: ctx})
		if err != nil {
			return nil, unfollowed(m, head, err)
		}
		r.Kin.Name = head.Name
		raw, err := ready(PartState{m.Name, m.Quantity, r})
		if err != nil {
			return nil, unfollowed(m, head, err)
		}
		summary := "follows " + head.Name
		if len(lost) > 0 {
			summary += fmt.Sprintf("; %d of its own sizes went with what they were of", len(lost))
		}
		was := m.Revision
		out = append(out, Document{ID: m.ID, Kind: KindSheet, Revision: was + 1, Body: raw,
			Kept: Kept{JobID: m.JobID, Summary: summary, Who: d.Who, Updated: s.Now(), UndoTo: &was}})
	}
	return out, nil
}

// unfollowed says of which member a fault is.
func unfollowed(m, head Part, err error) error {
	var f *working.Fault
	if errors.As(err, &f) {
		return working.Refuse("", "%s, which is of the family of %s, could not follow this: %s", m.Name, head.Name, f.Message)
	}
	return err
}

// Family is parts of several sizes of one shape.
type Family struct {
	Head    Part
	Members []Part // put away or not
}

// Family answers the family a part is of or heads; one without members where it is of none.
func (s *Service) Family(ctx context.Context, id string) (Family, error) {
	p, err := s.Part(ctx, id)
	if err != nil {
		return Family{}, err
	}
	if p.Recipe.Kin != nil {
		if p, err = s.head(ctx, p.JobID, p.Recipe.Kin.Of); err != nil {
			return Family{}, err
		}
	}
	f := Family{Head: p}
	f.Members, err = s.members(ctx, p.ID)
	return f, err
}

// Born is a member that a family is to have.
type Born struct {
	Name     string          `json:"name"`
	Quantity int             `json:"quantity"`
	Own      []sheet.OwnSize `json:"own" doc:"sizes in which it differs from the head"`
}

// AddKin adds members to the family of a part, all or none.
func (s *Service) AddKin(ctx context.Context, id string, list []Born) ([]Part, error) {
	if len(list) == 0 || len(list) > 50 {
		return nil, working.Refuse("/members", "Say from 1 to 50 members of the family.")
	}
	f, err := s.Family(ctx, id)
	if err != nil {
		return nil, err
	}
	if body := f.Head.Recipe.Facet; body != nil {
		return nil, working.Refuse("", "%s has the form of %s and no sizes of its own: copy the body, and make parts of the copy.", f.Head.Name,
			body.Name)
	}
	var states []PartState
	for i, b := range list {
		r := f.Head.Recipe
		r.Kin = &sheet.Kin{Of: f.Head.ID, Name: f.Head.Name, Own: b.Own}
		r.Reasons, r.SetAside, r.Piece = nil, nil, nil
		at := fmt.Sprintf("/members/%d", i)
		r, lost, err := made.Follow(f.Head.Recipe, r, made.Options{Until: ctx})
		if err == nil && (len(b.Own) == 0 || len(lost) > 0) {
			err = working.Refuse("/own", "Say a size of %s in which this one differs.", f.Head.Name)
		}
		if err != nil {
			return nil, working.Under(at, err)
		}
		if err := working.Under(at, checkHead(b.Name, b.Quantity)); err != nil {
			return nil, err
		}
		states = append(states, PartState{b.Name, b.Quantity, r})
	}
	return s.addParts(ctx, f.Head.JobID, "of the family of "+f.Head.Name, states...)
}
