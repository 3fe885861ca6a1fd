package httpapi

import (
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"warmanvil/core/brief"
	"warmanvil/core/site"
	"warmanvil/core/tube"
	"warmanvil/paper"
	"warmanvil/strictjson"
)

// bendSheetRoutes serves the bending sheet of the calculation member.bend.
func (s *server) bendSheetRoutes() {
	s.download(huma.Operation{OperationID: "getBendingSheet", Path: "/api/v1/bending-sheet", Summary: "A bent bar or tube on paper: the request of member.bend as JSON",
		Parameters: []*huma.Param{{Name: "request", In: "query", Required: true, Schema: &huma.Schema{Type: "string"}}, {Name: "title", In: "query", Schema: &huma.Schema{Type: "string"}},
			query("paper", "of the sheet", "a4", "letter"), query("unit", "lengths are written in", "mm", "fraction", "decimal")}}, s.bendSheet)
}

func (s *server) bendSheet(c *gin.Context) error {
	var in tube.BendInput
	if err := strictjson.Decode([]byte(c.Query("request")), &in); err != nil {
		return err
	}
	r, err := tube.Bend(in)
	if err != nil {
		return err
	}
	title := strings.TrimSpace(c.Query("title"))
	if title == "" || len(title) > 120 {
		title = "Bent piece"
	}
	unit := brief.Unit(c.Query("unit"))
	if unit != brief.UnitFraction && unit != brief.UnitDecimal {
		unit = brief.UnitMM
	}
	size := paper.A4
	if c.Query("paper") == "letter" {
		size = paper.Letter
	}
	raw, err := paper.BendSheet{Title: title, Date: s.jobs.Now().UTC(), Paper: size, In: in, Result: r, Length: site.Lengths(brief.Brief{Unit: unit, Grain: .5})}.PDF()
	if err != nil {
		return err
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName("bending sheet", title, "", "r1", "pdf")+`"`)
	c.Data(http.StatusOK, "application/pdf", raw)
	return nil
}
