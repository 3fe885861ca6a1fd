package httpapi

import (
	"bufio"
	"context"
	"encoding/json"
	"io"
	"time"

	"warmanvil/calc"
	"warmanvil/core/brief"
	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/core/working"
	"warmanvil/job"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"
)

// JobView is a job in lists.
type JobView struct {
	ID       string      `json:"id" format:"uuid"`
	Brief    brief.Brief `json:"brief"`
	Archived bool        `json:"archived"`
	Revision int         `json:"revision"`
	Parts    int         `json:"parts"`
	Updated  time.Time   `json:"updated"`
}

// JobPage is a job with what is in it.
type JobPage struct {
	Job     JobView      `json:"job"`
	Parts   []PartHead   `json:"parts" doc:"folded of sheet"`
	Frames  []NamedFrame `json:"frames" doc:"built of members"`
	Bodies  []FacetsHead `json:"bodies" doc:"of flat panels"`
	Numbers []NumberView `json:"numbers"`

	Away []job.PutAway `json:"away" doc:"parts, frames and bodies that were put away"`
}

// NamedFrame is a frame to choose.
type NamedFrame struct {
	ID   string `json:"id" format:"uuid"`
	Name string `json:"name"`
}

// PartHead is a part in lists.
type PartHead struct {
	ID       string    `json:"id" format:"uuid"`
	Name     string    `json:"name"`
	Quantity int       `json:"quantity"`
	Pair     bool      `json:"pair"`
	Revision int       `json:"revision"`
	Blank    string    `json:"blank"`
	Mass     string    `json:"mass"`
	Material string    `json:"material"`
	Stops    int       `json:"stops" doc:"open flags that say do not cut"`
	Updated  time.Time `json:"updated"`
}

// NumberView is a kept calculation with its answer worked out now.
type NumberView struct {
	ID      string          `json:"id" format:"uuid"`
	Calc    string          `json:"calc"`
	Title   string          `json:"title"`
	Request json.RawMessage `json:"request"`
	Answer  json.RawMessage `json:"answer"`
	Refused string          `json:"refused,omitempty" doc:"why there is no answer"`
	Created time.Time       `json:"created"`
}

// BriefPage is what is wanted of a job.
type BriefPage struct {
	DocumentHead
	State brief.Brief `json:"state"`
}

// NumberKeep keeps a calculation in a job.
type NumberKeep struct {
	Calc    string          `json:"calc"`
	Title   string          `json:"title"`
	Request json.RawMessage `json:"request"`
}

// Done answers a change that has nothing else to say.
type Done struct {
	Done bool `json:"done"`
}

// maxJobFile is the largest file of a job that is taken over HTTP, in bytes.
const maxJobFile = 256 << 20

// Health answers that all is well.
type Health struct {
	Done  bool      `json:"done"`
	Since time.Time `json:"since" doc:"when the database that answers was started"`
}

func jobView(j job.Job, parts int) JobView {
	return JobView{ID: j.ID, Brief: j.Brief, Archived: j.Archived, Revision: j.Revision, Parts: parts, Updated: j.Updated}
}

func (s *server) jobRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/health", id: "health", access: public, summary: "Whether the database answers"},
		func(c call, _ none) (Health, error) {
			since, err := s.jobs.Store.Health(c.Request.Context())
			return Health{true, since}, working.First(err, s.roomLeft())
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs", id: "listJobs", summary: "Jobs, last touched first", query: archivedQuery},
		func(c call, _ none) ([]JobView, error) {
			list, err := s.jobs.Jobs(c.Request.Context(), c.Query("archived") == "true")
			views := make([]JobView, len(list))
			for i, j := range list {
				views[i] = jobView(j.Job, j.Parts)
				views[i].Updated = j.Updated
			}
			return views, err
		})
	route(s, operation{method: "POST", path: "/api/v1/jobs", id: "createJob", summary: "Start a job"},
		func(c call, b brief.Brief) (JobView, error) {
			j, err := s.jobs.CreateJob(c.Request.Context(), b)
			return jobView(j, 0), err
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}", id: "getJob", work: whole,
		summary: "A job with its parts and kept numbers"}, s.jobPage)
	documentRoutes(s, documented[brief.Brief, BriefPage]{kind: job.KindBrief, path: "/api/v1/jobs/{id}/brief", name: "Brief", word: "brief",
		view: func(_ context.Context, d job.Saved) (BriefPage, error) {
			b, err := job.Body[brief.Brief](d.Body)
			return BriefPage{headOf(d), b}, err
		}})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/waits", id: "getWaits", work: whole,
		summary: "What of a job waits: over, cannot be said, to be measured again"}, s.waiting)
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/named-by", id: "namedBy",
		summary: "What of a job names things within it, and is not whole without them",
		query: []*huma.Param{{Name: "thing", In: "query", Required: true,
			Schema:      &huma.Schema{Type: "array", Items: &huma.Schema{Type: "string"}},
			Description: "ids of points, devices, holes, features: of anything of a list"}}},
		func(c call, _ none) ([]job.Dependant, error) {
			return s.jobs.NamedBy(c.Request.Context(), c.id, c.QueryArray("thing")...)
		})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/archive", id: "archiveJob", summary: "Put a job away or bring it back"},
		func(c call, in Archiving) (Done, error) {
			return Done{true}, s.jobs.Store.ArchiveJob(c.Request.Context(), c.id, in.Archived, s.jobs.Now())
		})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/duplicate", id: "duplicateJob", work: whole,
		summary: "Copy a job with its parts"},
		func(c call, _ none) (JobView, error) {
			j, err := s.jobs.DuplicateJob(c.Request.Context(), c.id)
			return s.madeJob(c, j, err)
		})
	s.describe(operation{method: "GET", path: "/api/v1/jobs/{id}/export", id: "exportJob", summary: "The whole job as one file"},
		typeOf[none](), typeOf[job.File]())
	s.engine.GET("/api/v1/jobs/:id/export", s.exportJob)
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/numbers", id: "keepNumber", work: whole,
		summary: "Keep a quick calculation"},
		func(c call, in NumberKeep) (NumberView, error) {
			k, err := calc.Find(in.Calc)
			if err != nil {
				return NumberView{}, err
			}
			if _, err := k.Run(c.Request.Context(), in.Request); err != nil {
				return NumberView{}, working.Under("/request", err)
			}
			n, err := s.jobs.KeepNumber(c.Request.Context(), c.id, in.Calc, in.Title, in.Request)
			if err != nil {
				return NumberView{}, err
			}
			j, err := s.jobs.Job(c.Request.Context(), c.id)
			return s.numberView(c.Request.Context(), n, j.Brief.Inches()), err
		})
	route(s, operation{method: "DELETE", path: "/api/v1/numbers/{id}", id: "dropNumber", summary: "Remove a kept calculation"},
		func(c call, _ none) (Done, error) {
			return Done{true}, s.jobs.Store.DropNumber(c.Request.Context(), c.id)
		})
}

// exportJob writes a job's file as it is read, never whole.
func (s *server) exportJob(c *gin.Context) {
	if err := s.admit(c, reading); err != nil {
		s.refuse(c, err)
		return
	}
	ctx := c.Request.Context()
	s.within(c, rest, func() (func(), error) {
		if _, err := uuid.Parse(c.Param("id")); err != nil {
			return nil, job.ErrNotFound
		}
		x, err := s.jobs.Export(c.Request.Context(), c.Param("id"))
		return func() {
			c.Header("Content-Disposition", `attachment; filename="`+site.ExportName(x.Name)+`"`)
			s.stream(c, "application/json; charset=utf-8", func(w io.Writer) error {
				pieces := bufio.NewWriterSize(w, 64<<10)
				if err := x.Write(ctx, pieces, ""); err != nil {
					return err
				}
				return pieces.Flush()
			})
		}, err
	})
}

// madeJob answers a job that was copied.
func (s *server) madeJob(c call, j job.Job, err error) (JobView, error) {
	if err != nil {
		return JobView{}, err
	}
	r, err := s.jobs.Store.Job(c.Request.Context(), j.ID)
	return jobView(j, r.Parts), err
}

func (s *server) jobPage(c call, _ none) (JobPage, error) {
	ctx := c.Request.Context()
	j, err := s.jobs.Job(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	parts, err := s.jobs.Parts(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	frames, err := s.jobs.Frames(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	numbers, err := s.jobs.Store.Numbers(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	page := JobPage{Job: jobView(j, len(parts)+len(frames)), Parts: make([]PartHead, len(parts)), Numbers: make([]NumberView, len(numbers)),
		Frames: make([]NamedFrame, len(frames)), Bodies: []FacetsHead{}}
	for i, f := range frames {
		page.Frames[i] = NamedFrame{f.ID, f.Name}
	}
	bodies, err := s.jobs.Bodies(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	for _, f := range bodies {
		page.Bodies = append(page.Bodies, facetsHead(f))
	}
	w, err := s.jobs.ShopFor(ctx, c.id)
	if err != nil {
		return JobPage{}, err
	}
	for i, p := range parts {
		opt := site.CheckedOptions(j.Brief, w, p.Part, job.BareParts(parts))
		opt.Until = ctx
		page.Parts[i] = partHead(p, opt)
	}
	if page.Away, err = s.jobs.Away(ctx, c.id); err != nil {
		return JobPage{}, err
	}
	for i, n := range numbers {
		page.Numbers[i] = s.numberView(ctx, n, j.Brief.Inches())
	}
	return page, nil
}

func partHead(p job.Part, opt made.Options) PartHead {
	h := PartHead{ID: p.ID, Name: p.Name, Quantity: p.Quantity, Pair: p.Recipe.Hand.Pair, Revision: p.Revision, Updated: p.Updated}
	h.fill(p, opt)
	return h
}
