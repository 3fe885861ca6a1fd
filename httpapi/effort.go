package httpapi

import (
	"warmanvil/core/site"
)

func (s *server) effortRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/effort", id: "getEffort", work: whole, access: reading,
		summary: "What a job takes: hours by kind of work, what is used up, money; its ways to come by it side by side"},
		func(c call, _ none) (site.Effort, error) {
			ctx := c.Request.Context()
			_, all, err := s.jobs.Site(ctx, c.id)
			if err != nil {
				return site.Effort{}, err
			}
			e, err := all.Effort()
			if err == nil {
				err = ctx.Err()
			}
			return e, err
		})
}
