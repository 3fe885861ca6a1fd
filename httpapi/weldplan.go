package httpapi

import (
	"cmp"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/paper"
)

func (s *server) weldRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/weld-ways", id: "getWeldWays", work: whole,
		summary: "What would help a welded joint, or how little of it would do, each asked through the whole job",
		query:   []*huma.Param{query("joint", "id of the welded joint")}}, func(c call, _ none) ([]site.WeldWay, error) {
		_, all, err := s.jobs.Site(c.Request.Context(), c.id)
		if err != nil {
			return nil, err
		}
		return all.WeldWays(c.Query("joint"))
	})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/weld-add", id: "addToWeld", work: whole,
		summary: "Add a gusset, a doubler or a strip to a welded joint: the part, its place and its seams"},
		func(c call, in site.WeldAdd) (PartsMade, error) {
			parts, err := s.jobs.AddToWeld(c.Request.Context(), c.id, in, c.whoSaves())
			return partsMade(parts), err
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/weld-schools", id: "getWeldSchools", work: whole, access: reading,
		summary: "The usual ways to weld a joint side by side: how far along, how it is left, where it is welded",
		query:   []*huma.Param{query("joint", "id of the welded joint")}}, func(c call, _ none) ([]site.WeldSchool, error) {
		_, all, err := s.jobs.Site(c.Request.Context(), c.id)
		if err != nil {
			return nil, err
		}
		return all.WeldSchools(c.Query("joint"))
	})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/weld-plan", id: "getWeldPlan", work: whole, access: reading,
		summary: "How a welded joint, a frame or a body is welded: tacks, the order of its runs against seam by seam, what it takes, what is " +
			"looked at",
		query: []*huma.Param{query("of", "id of the welded joint, the frame or the body")}}, func(c call, _ none) (site.WeldPlan, error) {
		_, all, err := s.jobs.Site(c.Request.Context(), c.id)
		if err != nil {
			return site.WeldPlan{}, err
		}
		p, err := all.WeldPlan(c.Query("of"))
		if err == nil {
			err = c.Request.Context().Err()
		}
		return p, err
	})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/flat-runs", id: "getFlatRuns", work: whole, access: reading,
		summary: "In which order the edges and corners of a part are welded, on its flat",
		query:   []*huma.Param{query("part", "id of the part")}}, func(c call, _ none) ([]site.FlatRun, error) {
		_, all, err := s.jobs.Site(c.Request.Context(), c.id)
		if err != nil {
			return nil, err
		}
		return all.FlatRuns(c.Query("part")), c.Request.Context().Err()
	})
	serve(s, shelf[paper.WeldMap]{path: "/api/v1/jobs/{id}/weld-map", id: "getWeldMap",
		summary: "The weld map of a welded joint, a frame or a body: numbered runs and seams, with boxes for tacked, welded, looked at (PDF)",
		asks:    []*huma.Param{query("of", "id of the welded joint, the frame or the body"), paperQuery},
		files:   []file[paper.WeldMap]{{form: asPDF, make: paper.WeldMap.PDF}}, open: s.weldMap})
}

// weldMap answers the map of one thing's welds.
func (s *server) weldMap(w want) (m paper.WeldMap, called label, err error) {
	j, all, err := s.jobs.Site(w.ctx, w.id)
	if err != nil {
		return m, called, err
	}
	p, err := all.WeldPlan(w.asked("of"))
	if err != nil {
		return m, called, err
	}
	if p.Order == nil {
		return m, called, hasNone{working.Refuse("", "There is no weld map of %s: %s", p.Name, p.Why)}
	}
	pen := told.Pen{Display: j.Brief.Display()}
	m = paper.WeldMap{Job: j.Brief.Name, Revision: j.Revision, Date: j.Updated.UTC(), Paper: w.paper, Write: pen.Fine, Plan: p}
	for _, x := range all.Hold().Welded {
		if x.ID != p.Of {
			continue
		}
		for _, f := range x.Findings {
			if f.Severity != working.Note {
				m.Caution = append(m.Caution, f.Reason)
			}
		}
	}
	called = label{job: j.Brief.Name, of: "weld map " + p.Name, revision: j.Revision}
	if why := cmp.Or(p.Held(), all.WeldsHeldBy(p.Of)); why != "" {
		called.held = asFault("The weld map of %s is held back: %s Settle it on the Hold bench, in the brief, or under Make.", p.Name, why)
	}
	return m, called, nil
}
