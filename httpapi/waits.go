package httpapi

import (
	lru "github.com/hashicorp/golang-lru/v2"

	"warmanvil/core/site"
)

// newWaits remembers what waits in the jobs last listed.
func newWaits() *lru.Cache[string, site.Waits] {
	kept, _ := lru.New[string, site.Waits](500) // fails for no size alone
	return kept
}

// waiting is worked out once for each state of a job.
func (s *server) waiting(c call, _ none) (site.Waits, error) {
	ctx := c.Request.Context()
	standing, err := s.jobs.Store.Standing(ctx, c.id)
	if err != nil {
		return site.Waits{}, err
	}
	if w, known := s.waits.Get(c.id + " " + standing); known {
		return w, nil
	}
	_, all, err := s.jobs.Site(ctx, c.id)
	if err != nil {
		return site.Waits{}, err
	}
	w := all.Waits()
	if ctx.Err() == nil { // else it is not whole
		s.waits.Add(c.id+" "+standing, w)
	}
	return w, nil
}
