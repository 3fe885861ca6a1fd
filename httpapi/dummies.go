package httpapi

import (
	"fmt"
	"net/http"
	"strconv"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/brief"
	"warmanvil/core/exchange"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/job"
	"warmanvil/paper"
)

// dummyRoutes serves a device in board, to try where it goes.
func (s *server) dummyRoutes() {
	s.download(huma.Operation{OperationID: "getDummy", Path: "/api/v1/jobs/{id}/dummies/{device}/{kind}", Summary: "A device in board: underside (full-size PDF with its feet), box (folded, PDF) or box-dxf",
		Parameters: []*huma.Param{idParam, {Name: "device", In: "path", Required: true, Schema: &huma.Schema{Type: "string"}},
			{Name: "kind", In: "path", Required: true, Schema: &huma.Schema{Type: "string", Enum: []any{"underside", "box", "box-dxf"}}},
			query("paper", "of the template", "a4", "letter"), query("units", "of the drawing", "mm", "in"),
			{Name: "board", In: "query", Description: "mm; 2 when left out", Schema: &huma.Schema{Type: "number"}}}}, s.dummy)
}

func (s *server) dummy(c *gin.Context) error {
	kind := c.Param("kind")
	if _, err := uuid.Parse(c.Param("id")); err != nil || kind != "underside" && kind != "box" && kind != "box-dxf" {
		return job.ErrNotFound
	}
	j, err := s.jobs.Job(c.Request.Context(), c.Param("id"))
	if err != nil {
		return err
	}
	board, err := strconv.ParseFloat(c.DefaultQuery("board", "2"), 64)
	if err != nil || !(board >= .2 && board <= 50) {
		return asFault("A dummy is made of board from 0.2 to 50 mm.")
	}
	in, err := dummyOf(j.Brief, c.Param("device"), board)
	if err != nil {
		return err
	}
	in.Floor = kind == "underside"
	recipe, err := sheet.Dummy(in)
	if err != nil {
		return err
	}
	opt := j.Brief.BuildOptions()
	opt.Body = true
	built, err := sheet.Build(recipe, opt)
	if err != nil {
		return err
	}
	if !built.Whole {
		return asFault("%s cannot be folded of board of %g mm: %s", in.Name, board, built.Findings[0].Reason)
	}
	name := in.Name + " dummy"
	var raw []byte
	ending := "pdf"
	if kind == "box-dxf" {
		ending = "dxf"
		flat := exchange.Flat{Part: built, Mark: name, Inches: c.Query("units") == "in"}
		raw, err = checked(flat, "dummy.dxf", exchange.DXF(flat))
	} else {
		size := paper.A4
		if c.Query("paper") == "letter" {
			size = paper.Letter
		}
		raw, err = paper.Template{Job: j.Brief.Name, Part: name, Revision: fmt.Sprintf("brief r%d", j.Revision), Material: "board or card", Thickness: site.Lengths(j.Brief)(board), Quantity: 1, Date: j.Updated.UTC(), Paper: size, Flat: built}.PDF()
	}
	if err != nil {
		return err
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName(j.Brief.Name, name+" "+kind, "", "r"+strconv.Itoa(j.Revision), ending)+`"`)
	c.Data(http.StatusOK, contentType[ending], raw)
	return nil
}

// dummyOf answers a device of the brief as a thing of board.
func dummyOf(b brief.Brief, id string, board float64) (sheet.DummyInput, error) {
	for _, d := range b.Devices {
		if d.ID != id {
			continue
		}
		if d.Envelope == nil {
			return sheet.DummyInput{}, asFault("%s has no envelope: give its length, width and height in the brief.", d.Name)
		}
		in := sheet.DummyInput{Name: d.Name, Length: d.Envelope.Length, Width: d.Envelope.Width, Height: d.Envelope.Height, Board: board}
		for _, f := range d.Feet {
			in.Feet = append(in.Feet, profile.Point{X: f.X, Y: f.Y})
		}
		if d.Gravity != nil {
			in.Gravity = &profile.Point{X: d.Gravity.X, Y: d.Gravity.Y}
		}
		return in, nil
	}
	return sheet.DummyInput{}, job.ErrNotFound
}
