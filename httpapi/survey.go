package httpapi

import (
	"context"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/brief"
	"warmanvil/core/quantity"
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
	documentRoutes(s, documented[vehicle.Survey, SurveyPage]{kind: job.KindSurvey, path: "/api/v1/jobs/{id}/survey", name: "Survey",
		word: "survey of the vehicle", view: s.surveyPage})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/bring", id: "bringUp", work: whole,
		summary: "Bring parts that follow a pattern to where the survey has it"}, func(c call, in BringIn) (Brought, error) {
		list, err := s.jobs.BringUp(c.Request.Context(), c.id, in.Follow, c.whoSaves())
		out := Brought{Parts: []string{}}
		for _, p := range list {
			out.Parts = append(out.Parts, p.Name)
		}
		return out, err
	})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/map-holes", id: "holesFromMap", work: whole,
		summary: "Make the holes of a map in a part, or a plate around them; they follow the map"},
		func(c call, in job.MapInto) (PartMade, error) {
			p, err := s.jobs.HolesFromMap(c.Request.Context(), c.id, in, c.whoSaves())
			return PartMade{p.ID, p.Name}, err
		})
	route(s, operation{method: "POST", path: "/api/v1/points", id: "readPoints", work: brisk,
		summary: "Read a list of points; lines that are refused are told", access: reading}, func(_ call, in PointsText) (PointsRead, error) {
		points, refused := vehicle.PointsIn(in.CSV, s.jobs.NewID)
		return PointsRead{points, refused}, nil
	})
	s.sheetRoutes()
	s.partsListRoutes()
	s.dummyRoutes()
	s.torqueRoutes()
	s.weldRoutes()
}

// surveySheet is a survey with what follows from it, to be printed.
type surveySheet struct {
	paper.SurveySheet
	survey  vehicle.Survey
	worked  site.Surveyed
	lines   lines
	options []brief.Fitted
}

func (v surveySheet) print(blank bool) ([]byte, error) {
	v.Blank, v.lines.blank = blank, blank
	v.Lines = append(v.lines.fitted(v.options), v.lines.survey(v.survey, v.worked)...)
	return v.PDF()
}

// sheetRoutes serves the survey's papers and its list of points.
func (s *server) sheetRoutes() {
	serve(s, shelf[surveySheet]{path: "/api/v1/jobs/{id}/sheets/{kind}", id: "getSheet", summary: "Survey on paper",
		asks: []*huma.Param{paperQuery},
		files: []file[surveySheet]{
			{name: "blank", form: asPDF, says: "to take to the vehicle", free: true,
				make: func(v surveySheet) ([]byte, error) { return v.print(true) }},
			{name: "results", form: asPDF, says: "with what came out", free: true,
				make: func(v surveySheet) ([]byte, error) { return v.print(false) }},
			{name: "points", form: asCSV, says: "points as text", free: true,
				make: func(v surveySheet) ([]byte, error) {
					return vehicle.PointsCSV(v.worked.Points, quantity.Table{Inches: v.lines.display.Style != quantity.Metric})
				}},
			{name: "holes", form: asCSV, says: "holes of the maps as text", free: true,
				make: func(v surveySheet) ([]byte, error) {
					return vehicle.HolesCSV(v.survey.Maps, v.worked.Maps, quantity.Table{Inches: v.lines.display.Style != quantity.Metric})
				}},
		},
		open: func(w want) (v surveySheet, called label, err error) {
			ctx := w.ctx
			j, err := s.jobs.Job(ctx, w.id)
			if err != nil {
				return v, called, err
			}
			revision := 0
			if v.survey, revision, err = s.jobs.Survey(ctx, w.id); err != nil {
				return v, called, err
			}
			v.worked, err = s.jobs.WorkSurvey(ctx, w.id, v.survey)
			v.lines, v.options = lines{j.Brief.Display(), false}, j.Brief.Identity.Fitted
			v.SurveySheet = paper.SurveySheet{Job: j.Brief.Name, Vehicle: j.Brief.Called(), Revision: revision, Date: j.Updated.UTC(),
				Paper: w.paper}
			return v, label{job: j.Brief.Name, of: "survey", revision: revision}, err
		}})
}
