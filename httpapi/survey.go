package httpapi

import (
	"context"
	"net/http"
	"strconv"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/job"
	"warmanvil/paper"
)

// SurveyPage is a job's survey with everything that follows from it.
type SurveyPage struct {
	DocumentHead
	State  vehicle.Survey `json:"state"`
	Worked site.Surveyed  `json:"worked"`
}

// BringIn names the following to bring up to date.
type BringIn struct {
	Follow string `json:"follow" doc:"id of a following; all that follow the same pattern are brought along"`
}

// Brought are the parts that were changed.
type Brought struct {
	Parts []string `json:"parts" doc:"names"`
}

// PointsText is a list of points as text.
type PointsText struct {
	CSV string `json:"csv"`
}

// PointsRead is what was taken of it.
type PointsRead struct {
	Points  []vehicle.SurveyPoint `json:"points"`
	Refused []vehicle.RefusedLine `json:"refused"`
}

func (s *server) surveyPage(ctx context.Context, d job.Saved) (SurveyPage, error) {
	v, err := job.Body[vehicle.Survey](d.Body)
	if err != nil {
		return SurveyPage{}, err
	}
	worked, err := s.jobs.WorkSurvey(ctx, d.JobID, v)
	return SurveyPage{headOf(d), v, worked}, err
}

func (s *server) surveyRoutes() {
	documentRoutes(s, documented[vehicle.Survey, SurveyPage]{kind: job.KindSurvey, path: "/api/v1/jobs/{id}/survey", name: "Survey", word: "survey of the vehicle", view: s.surveyPage})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/bring", id: "bringUp", summary: "Bring parts that follow a pattern to where the survey has it"}, func(c call, in BringIn) (Brought, error) {
		list, err := s.jobs.BringUp(c.Request.Context(), c.id, in.Follow, c.whoSaves())
		out := Brought{Parts: []string{}}
		for _, p := range list {
			out.Parts = append(out.Parts, p.Name)
		}
		return out, err
	})
	route(s, operation{method: "POST", path: "/api/v1/points", id: "readPoints", summary: "Read a list of points; lines that are refused are told", access: reading}, func(_ call, in PointsText) (PointsRead, error) {
		points, refused := vehicle.PointsIn(in.CSV, s.jobs.NewID)
		return PointsRead{points, refused}, nil
	})
	s.sheetRoutes()
	s.partsListRoutes()
	s.dummyRoutes()
	s.torqueRoutes()
}

// sheetRoutes serves the survey's papers and its list of points.
func (s *server) sheetRoutes() {
	s.download(huma.Operation{OperationID: "getSheet", Path: "/api/v1/jobs/{id}/sheets/{kind}", Summary: "Survey on paper: blank to take to the vehicle, results, or points as CSV",
		Parameters: []*huma.Param{idParam,
			{Name: "kind", In: "path", Required: true, Schema: &huma.Schema{Type: "string", Enum: []any{"blank", "results", "points"}}}, query("paper", "of the sheets", "a4", "letter")}}, s.sheet)
}

func (s *server) sheet(c *gin.Context) error {
	id := c.Param("id")
	if _, err := uuid.Parse(id); err != nil {
		return job.ErrNotFound
	}
	ctx := c.Request.Context()
	j, err := s.jobs.Job(ctx, id)
	if err != nil {
		return err
	}
	v, revision, err := s.jobs.Survey(ctx, id)
	if err != nil {
		return err
	}
	worked, err := s.jobs.WorkSurvey(ctx, id, v)
	if err != nil {
		return err
	}
	kind, ext, mime := c.Param("kind"), "pdf", "application/pdf"
	var raw []byte
	switch kind {
	case "points":
		ext, mime = "csv", contentType["csv"]
		raw, err = vehicle.PointsCSV(worked.Points)
	case "blank", "results":
		size := paper.A4
		if c.Query("paper") == "letter" {
			size = paper.Letter
		}
		raw, err = paper.SurveySheet{Job: j.Brief.Name, Vehicle: j.Brief.Vehicle, Revision: revision, Date: j.Updated.UTC(), Paper: size, Blank: kind == "blank", Lines: lines{j.Brief.Display(), kind == "blank"}.survey(v, worked)}.PDF()
	default:
		return job.ErrNotFound
	}
	if err != nil {
		return err
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName(j.Brief.Name, "survey-"+kind, "", "r"+strconv.Itoa(revision), ext)+`"`)
	c.Data(http.StatusOK, mime, raw)
	return nil
}
