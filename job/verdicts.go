package job

import (
	"context"
	"maps"
	"time"

	"warmanvil/core/site"
	"warmanvil/core/strength"
)

// VerdictStore keeps them; no verdicts are kept of a job nobody has opened yet.
type VerdictStore interface {
	Verdicts(ctx context.Context, jobID string) (site.Verdicts, error)
	SaveVerdicts(ctx context.Context, jobID string, v site.Verdicts, now time.Time) error
}

// Rules answers what changed rules turned in a job since it was last looked at; nil
// where none did, and what is said now is kept then.
func (s *Service) Rules(ctx context.Context, id string, all site.Site, h site.Holding) (*site.RulesTold, error) {
	was, err := s.Store.Verdicts(ctx, id)
	if err != nil {
		return nil, err
	}
	now := site.Verdicts{Rules: strength.Rules, Said: all.Said(h)}
	if was.Rules == 0 || was.Rules >= strength.Rules {
		if was.Rules == now.Rules && maps.EqualFunc(was.Said, now.Said, site.Said.Same) {
			return nil, nil
		}
		if err := s.Store.SaveVerdicts(ctx, id, now, s.Now()); err != nil && s.Store.Trouble(err) != Full {
			return nil, err // looking goes on without room: they are kept when there is some
		}
		return nil, nil
	}
	return site.Against(was, now), nil
}

// RulesSeen keeps what is said now: somebody has read what changed.
func (s *Service) RulesSeen(ctx context.Context, id string) error {
	_, all, err := s.Site(ctx, id)
	if err != nil {
		return err
	}
	return s.Store.SaveVerdicts(ctx, id, site.Verdicts{Rules: strength.Rules, Said: all.Said(all.Hold())}, s.Now())
}
