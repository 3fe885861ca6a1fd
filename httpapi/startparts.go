package httpapi

import (
	"encoding/base64"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/split"
	"warmanvil/core/site"
	"warmanvil/core/trace"
	"warmanvil/core/working"
	"warmanvil/job"
)

// PartStarters is what sheet parts are started from.
type PartStarters struct {
	Starters []DrawnStarter `json:"starters"`
}

// PartsMade names the parts that were made, the first one first.
type PartsMade struct {
	Parts []PartMade `json:"parts"`
}

// PartMade is one part that was made.
type PartMade struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// TraceFile is a drawing to be read.
type TraceFile struct {
	Name      string   `json:"name" doc:"of the file"`
	Base64    string   `json:"base64"`
	Tolerance float64  `json:"tolerance,omitempty" doc:"file units; the usual one when 0"`
	Layers    []string `json:"layers,omitempty" doc:"only these; all that are not hidden when left out"`
	UnitsToMM float64  `json:"unitsToMM,omitempty" doc:"mm a unit, where the file does not say or says it wrong"`
}

// TracedDrawing is a drawing as it can be cut.
type TracedDrawing struct {
	Paths     []TracedPath      `json:"paths" doc:"closed outlines, largest first"`
	Open      [][][2]float64    `json:"open" doc:"lines that stay open, end to end"`
	Crossed   [][2]float64      `json:"crossed"`
	Box       [4]float64        `json:"box" doc:"least and largest x, y of all of it"`
	Down      bool              `json:"down" doc:"y runs down"`
	UnitsToMM *float64          `json:"unitsToMM" doc:"as the file says"`
	MM        float64           `json:"mm" doc:"mm a unit, as taken"`
	Tolerance float64           `json:"tolerance" doc:"file units, as taken"`
	Layers    []trace.Layer     `json:"layers"`
	Parts     []job.TracedPart  `json:"parts"`
	Cutouts   []sheet.Hole      `json:"cutouts" doc:"its outlines as holes about the drawing's middle"`
	Findings  []working.Finding `json:"findings"`
}

// TracedPath is one outline to be drawn.
type TracedPath struct {
	Points [][2]float64 `json:"points"`
	Depth  int          `json:"depth"`
}

var worse = map[working.Severity]int{working.Stop: 0, working.Mind: 1, working.Note: 2}

const maxTraced = 20 << 20 // of a request, base64

func (s *server) startPartRoutes() {
	s.sketchRoutes()
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/started-parts", id: "startParts", work: brisk,
		summary: "Add the parts a starter makes"},
		func(c call, in job.PartsStart) (PartsMade, error) {
			parts, err := s.jobs.StartParts(c.Request.Context(), c.id, in)
			return partsMade(parts), err
		})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/split", id: "splitPart", work: brisk,
		summary: "Split a part across its base; the whole is put away"}, func(c call, in split.Parting) (PartsMade, error) {
		parts, err := s.jobs.SplitPart(c.Request.Context(), c.id, in, c.whoSaves())
		return partsMade(parts), err
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/fixture", id: "fixtureOfPart", work: brisk,
		summary: "Add the fixture that holds the studs of a part square"}, func(c call, in site.FixtureAsk) (PartsMade, error) {
		parts, err := s.jobs.FixtureOf(c.Request.Context(), c.id, in)
		return partsMade(parts), err
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/split-lines", id: "splitLines", work: whole, access: reading,
		summary: "Where a part can be split: lines and bends whose pieces were built and hold"}, func(c call,
		in split.Parting) (split.Lines, error) {
		return s.jobs.SplitLines(c.Request.Context(), c.id, in)
	})
	route(s, operation{method: "POST", path: "/api/v1/parts/{id}/join", id: "joinPart", work: brisk,
		summary: "Bring the whole back that a piece was split from; its pieces are put away"}, func(c call, _ none) (PartsMade, error) {
		p, err := s.jobs.JoinPart(c.Request.Context(), c.id, c.whoSaves())
		if err != nil {
			return PartsMade{Parts: []PartMade{}}, err
		}
		return partsMade([]job.Part{p}), nil
	})
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/trace", id: "traceDrawing", work: whole,
		summary: "Read a drawing (DXF, SVG): its outlines as bases of parts", limit: maxTraced}, s.traceDrawing)
}

func partsMade(parts []job.Part) PartsMade {
	out := PartsMade{Parts: []PartMade{}}
	for _, p := range parts {
		out.Parts = append(out.Parts, PartMade{p.ID, p.Name})
	}
	return out
}

func (s *server) traceDrawing(c call, in TraceFile) (TracedDrawing, error) {
	ctx := c.Request.Context()
	j, err := s.jobs.Job(ctx, c.id)
	if err != nil {
		return TracedDrawing{}, err
	}
	data, err := base64.StdEncoding.DecodeString(in.Base64)
	if err != nil {
		return TracedDrawing{}, working.Refuse("/base64", "The file did not arrive whole: try again.")
	}
	d, err := trace.Read(ctx, in.Name, data)
	if err != nil {
		return TracedDrawing{}, err
	}
	if err := working.Within("/unitsToMM", "A unit", in.UnitsToMM, 0, 1e6, "mm"); err != nil {
		return TracedDrawing{}, err
	}
	t, err := d.Join(ctx, trace.Options{Tolerance: in.Tolerance, Layers: in.Layers})
	if err != nil {
		return TracedDrawing{}, err
	}
	out := TracedDrawing{Paths: []TracedPath{}, Open: [][][2]float64{}, Crossed: [][2]float64{}, Down: d.Down, UnitsToMM: d.UnitsToMM,
		MM: in.UnitsToMM, Tolerance: t.Tolerance, Layers: d.Layers, Findings: t.Findings, Parts: []job.TracedPart{}, Cutouts: []sheet.Hole{}}
	if out.Layers == nil {
		out.Layers = []trace.Layer{}
	}
	if out.Findings == nil {
		out.Findings = []working.Finding{}
	}
	slices.SortStableFunc(out.Findings, func(a, b working.Finding) int { return worse[a.Severity] - worse[b.Severity] })
	if out.MM == 0 {
		out.MM = 1
		if d.UnitsToMM != nil {
			out.MM = *d.UnitsToMM
		} else if j.Brief.Unit != brief.UnitMM {
			out.MM = 25.4
		}
	}
	s.drawTraced(&out, t)
	if len(t.Crossed) == 0 {
		parts, more := s.jobs.TracedParts(t, out.MM, d.Down, j.Brief)
		v, _, err := s.jobs.Survey(c.Request.Context(), c.id)
		if err != nil {
			return TracedDrawing{}, err
		}
		s.jobs.HoldTraced(parts, out.MM, v, j.Brief)
		out.Parts, out.Findings = append(out.Parts, parts...), append(out.Findings, more...)
		out.Cutouts = append(out.Cutouts, s.jobs.TracedCutouts(t, out.MM, d.Down)...)
	}
	return out, nil
}

// drawTraced writes outlines as points for the screen, the largest few thousand.
func (s *server) drawTraced(out *TracedDrawing, t *trace.Traced) {
	first := true
	grow := func(x, y float64) {
		if first {
			out.Box, first = [4]float64{x, y, x, y}, false
		}
		out.Box = [4]float64{min(out.Box[0], x), min(out.Box[1], y), max(out.Box[2], x), max(out.Box[3], y)}
	}
	for i, l := range t.Loops {
		if i == 4000 {
			break
		}
		b := l.Outline.Bounds()
		w, h := b.Size()
		p := TracedPath{Depth: l.Depth}
		for _, q := range l.Outline.Flatten(max(w, h) / 400) {
			p.Points = append(p.Points, [2]float64{q.X, q.Y})
			grow(q.X, q.Y)
		}
		out.Paths = append(out.Paths, p)
	}
	for _, c := range t.Open {
		b := c.Line.Bounds()
		w, h := b.Size()
		var line [][2]float64
		flat := c.Line.Flatten(max(max(w, h)/400, 1e-9))
		for _, q := range flat {
			line = append(line, [2]float64{q.X, q.Y})
			grow(q.X, q.Y)
		}
		if len(out.Open) < 4000 {
			out.Open = append(out.Open, line)
		}
	}
	for _, p := range t.Crossed {
		out.Crossed = append(out.Crossed, [2]float64{p.X, p.Y})
	}
}
