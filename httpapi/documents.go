package httpapi

import (
	"context"
	"errors"
	"strconv"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/working"
	"warmanvil/job"
)

// DocumentHead is what is told of every document beside what it says.
type DocumentHead struct {
	ID       string           `json:"id" doc:"empty before the first save"`
	JobID    string           `json:"jobId" doc:"empty where it is the installation's own"`
	Kind     job.Kind         `json:"kind" enum:"brief,survey,sheet,frame,facets,shop"`
	Revision int              `json:"revision" doc:"0 before the first save"`
	Summary  string           `json:"summary"`
	Who      string           `json:"who,omitempty" doc:"who made this state"`
	CanUndo  bool             `json:"canUndo"`
	CanRedo  bool             `json:"canRedo"`
	Archived bool             `json:"archived"`
	Updated  time.Time        `json:"updated"`
	Joined   []job.Difference `json:"joined,omitempty" doc:"after a save: what somebody else had changed meanwhile, which is joined with it"`
}

func headOf(d job.Saved) DocumentHead {
	return DocumentHead{ID: d.ID, JobID: d.JobID, Kind: d.Kind, Revision: d.Revision, Summary: d.Summary, Who: d.Who,
		CanUndo: d.UndoTo != nil, CanRedo: d.RedoTo != nil, Archived: d.Archived, Updated: d.Updated, Joined: d.Joined}
}

// RevisionView is one kept state of a document in its history.
type RevisionView struct {
	Number  int       `json:"number"`
	Summary string    `json:"summary"`
	Who     string    `json:"who,omitempty"`
	Created time.Time `json:"created"`
}

// Archiving puts something away or brings it back.
type Archiving struct {
	Archived bool `json:"archived"`
}

// documented says how documents of one kind are reached: T is what one says, V what is
// told of one.
type documented[T job.Form[T], V any] struct {
	kind job.Kind
	path string // of one of them, with {id} its own or, where a job has one, the job's
	name string // in the names of operations: Part
	word string // in their summaries: part
	view func(ctx context.Context, d job.Saved) (V, error)
}

// documentRoutes serves one kind of document: as it stands, saved, undone and redone, its
// history, and put away where there may be several.
func documentRoutes[T job.Form[T], V any](s *server, k documented[T, V]) {
	ctx := func(c call) context.Context { return c.Request.Context() }
	stands := func(c call, d job.Document, err error) (V, error) {
		if err != nil {
			var none V
			return none, err
		}
		return k.view(ctx(c), job.Saved{Document: d})
	}
	route(s, operation{method: "GET", path: k.path, id: "get" + k.name, work: brisk, summary: "A " + k.word + " as it stands"},
		func(c call, _ none) (V, error) {
			d, err := s.jobs.Find(ctx(c), k.kind, c.id)
			return stands(c, d, err)
		})
	route(s, operation{method: "PUT", path: k.path, id: "save" + k.name, work: keeping,
		summary: "Keep a new state of a " + k.word + " as a revision, joined with what others saved meanwhile", match: true, query: saving},
		func(c call, in T) (v V, err error) {
			on, err := c.on()
			if err != nil {
				return v, err
			}
			got, err := job.Save(ctx(c), s.jobs, k.kind, c.id, on, in)
			if err != nil {
				return v, err
			}
			return k.view(ctx(c), got)
		})
	for _, step := range []struct {
		word, summary string
		do            func(context.Context, job.Kind, string, job.On) (job.Document, error)
	}{{"undo", "Bring back the state before the last change", s.jobs.Undo}, {"redo", "Take back the last undo", s.jobs.Redo}} {
		route(s, operation{method: "POST", path: k.path + "/" + step.word, id: step.word + k.name, work: keeping,
			summary: step.summary, match: true},
			func(c call, _ none) (v V, err error) {
				on, err := c.on()
				if err != nil {
					return v, err
				}
				d, err := step.do(ctx(c), k.kind, c.id, on)
				return stands(c, d, err)
			})
	}
	route(s, operation{method: "GET", path: k.path + "/revisions", id: "list" + k.name + "Revisions",
		summary: "Kept states of a " + k.word + ", newest first"}, func(c call, _ none) ([]RevisionView, error) {
		d, err := s.jobs.Find(ctx(c), k.kind, c.id)
		if err != nil {
			return nil, err
		}
		list, err := s.jobs.History(ctx(c), d)
		out := make([]RevisionView, len(list))
		for i, r := range list {
			out[i] = RevisionView{r.Number, r.Summary, r.Who, r.Created}
		}
		return out, err
	})
	route(s, operation{method: "GET", path: k.path + "/revisions/{number}", id: "get" + k.name + "Revision",
		summary: "What a " + k.word + " said in one kept state"}, func(c call, _ none) (v T, err error) {
		d, n, err := s.revision(c, k.kind)
		if err != nil {
			return v, err
		}
		r, err := s.jobs.Store.Revision(ctx(c), d.ID, n)
		if err != nil {
			return v, err
		}
		return job.Body[T](r.Body)
	})
	route(s, operation{method: "GET", path: k.path + "/revisions/{number}/since", id: "compare" + k.name, work: brisk,
		summary: "What was changed since one kept state, in words"}, func(c call, _ none) ([]job.Difference, error) {
		d, n, err := s.revision(c, k.kind)
		if err != nil {
			return nil, err
		}
		return s.jobs.Since(ctx(c), d, n)
	})
	if k.kind.Many() {
		route(s, operation{method: "POST", path: k.path + "/archive", id: "archive" + k.name,
			summary: "Put a " + k.word + " away or bring it back"}, func(c call, in Archiving) (Done, error) {
			return Done{true}, s.jobs.Archive(ctx(c), k.kind, c.id, in.Archived)
		})
		route(s, operation{method: "GET", path: k.path + "/dependants", id: "dependantsOf" + k.name,
			summary: "What of the job names this " + k.word + ", and is not whole without it"}, func(c call, _ none) ([]job.Dependant, error) {
			return s.jobs.Dependants(ctx(c), k.kind, c.id)
		})
	}
}

// revision answers the document of a path and the number of one of its states.
func (s *server) revision(c call, k job.Kind) (job.Document, int, error) {
	n, err := revisionNumber(c.Param("number"))
	if err != nil {
		return job.Document{}, 0, job.ErrNotFound
	}
	d, err := s.jobs.Find(c.Request.Context(), k, c.id)
	if err == nil && d.Revision == 0 {
		err = job.ErrNotFound // it was never saved
	}
	return d, n, err
}

// revisionNumber reads the number of a revision; beyond 32 bits there is none.
func revisionNumber(text string) (int, error) {
	n, err := strconv.ParseInt(text, 10, 32)
	return int(n), err
}

// saving are the questions a save may carry.
var saving = []*huma.Param{
	query("continues", "true: the change still goes on that made the revision this is made on, a number typed digit by digit: undo goes "+
		"back to before it", "true", "false"),
	{Name: "settled", In: "query", Schema: &huma.Schema{Type: "integer"},
		Description: "the revision whose clashes were looked at and chosen in"},
	{Name: "mine", In: "query", Schema: &huma.Schema{Type: "array", Items: &huma.Schema{Type: "string"}},
		Description: "with settled: the places of its clashes where this state is to stand; theirs stands in the others"},
}

// on reads what a change was made on.
func (c call) on() (job.On, error) {
	n, err := revisionNumber(strings.Trim(c.GetHeader("If-Match"), `W/"`))
	if err != nil || n < 0 {
		return job.On{}, working.Refuse("", "Say which revision the change was made on: If-Match with the number of the revision, 0 "+
			"for the first.")
	}
	on := job.On{Revision: n, Continues: c.Query("continues") == "true", Who: c.whoSaves(), Mine: c.QueryArray("mine")}
	if text := c.Query("settled"); text != "" {
		if on.Settled, err = revisionNumber(text); err != nil {
			return on, working.Refuse("", "settled is the number of a revision, not %q.", text)
		}
	}
	return on, nil
}

// ClashView is what stands in the way of a save.
type ClashView struct {
	Revision int            `json:"revision" doc:"that stands"`
	State    any            `json:"state" doc:"what it says, in the form of its kind"`
	Places   []job.Clashing `json:"places" doc:"what both changed, and not alike"`
	Why      string         `json:"why,omitempty" doc:"why the two cannot be joined even so"`
}

// whoSaves answers the name that is kept with a change; on loopback nobody signs in.
func (c call) whoSaves() string {
	if a := whoIs(c.Context); a.ID != "" {
		return a.Name
	}
	return ""
}

func clashOf(err error) *ClashView {
	var clash *job.Clash
	if !errors.As(err, &clash) {
		return nil
	}
	return &ClashView{Revision: clash.Current.Revision, State: clash.Current.Body, Places: clash.Places, Why: clash.Why}
}
