package httpapi

import (
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/brief"
	"warmanvil/core/site"
	"warmanvil/core/tube"
	"warmanvil/paper"
	"warmanvil/strictjson"
)

// bendSheetRoutes serves the bending sheet of the calculation member.bend.
func (s *server) bendSheetRoutes() {
	serve(s, shelf[paper.BendSheet]{path: "/api/v1/bending-sheet", id: "getBendingSheet",
		summary: "A bent bar or tube on paper: the request of member.bend as JSON",
		asks: []*huma.Param{{Name: "request", In: "query", Required: true, Schema: &huma.Schema{Type: "string"}},
			{Name: "title", In: "query", Schema: &huma.Schema{Type: "string"}},
			paperQuery, query("unit", "lengths are written in", "mm", "fraction", "decimal")},
		files: []file[paper.BendSheet]{{form: asPDF, free: true, make: paper.BendSheet.PDF}}, open: s.bendSheet})
}

func (s *server) bendSheet(w want) (out paper.BendSheet, called label, err error) {
	var in tube.BendInput
	if err := strictjson.Decode([]byte(w.asked("request")), &in); err != nil {
		return out, called, err
	}
	r, err := tube.Bend(in)
	if err != nil {
		return out, called, err
	}
	title := strings.TrimSpace(w.asked("title"))
	if title == "" || len(title) > 120 {
		title = "Bent piece"
	}
	unit := brief.Unit(w.asked("unit"))
	if unit != brief.UnitFraction && unit != brief.UnitDecimal {
		unit = brief.UnitMM
	}
	out = paper.BendSheet{Title: title, Date: s.jobs.Now().UTC(), Paper: w.paper, In: in, Result: r,
		Length: site.Lengths(brief.Brief{Unit: unit, Grain: .5})}
	return out, label{job: "bending sheet", of: title, revision: 1}, nil
}
