package httpapi

import (
	"fmt"
	"net/http"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/exchange"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/stock"
	"warmanvil/job"
	"warmanvil/paper"
)

var archivedQuery = []*huma.Param{query("archived", "true lists what was put away", "true", "false")}

var contentType = map[string]string{"dxf": "application/dxf", "svg": "image/svg+xml", "pdf": "application/pdf", "csv": "text/csv; charset=utf-8", "r12": "application/dxf", "bends": "application/pdf", "drills": "application/pdf", "stl": "model/stl", "mockup": "application/pdf", "mockup-dxf": "application/dxf"}

// free files are for trying a fit: they are not held back.
var free = map[string]bool{"mockup": true, "mockup-dxf": true, "pdf": true}

// endings of the kinds that are not their own.
var endings = map[string]string{"mockup": "pdf", "mockup-dxf": "dxf", "r12": "dxf", "bends": "pdf", "drills": "pdf"}

// fileRoutes serves downloads: plain routes, since they are not JSON.
func (s *server) fileRoutes() {
	s.download(huma.Operation{OperationID: "getFile", Path: "/api/v1/parts/{id}/files/{kind}", Summary: "A file for the shop: dxf, r12 (the old form of DXF), svg, pdf (full-size template), csv (cut ticket), bends and drills (PDF sheets), stl (folded body), mockup (PDF) and mockup-dxf (in board or card)",
		Parameters: []*huma.Param{
			idParam,
			{Name: "kind", In: "path", Required: true, Schema: &huma.Schema{Type: "string", Enum: []any{"dxf", "r12", "svg", "pdf", "csv", "bends", "drills", "stl", "mockup", "mockup-dxf"}}},
			query("hand", "which hand of a pair", "left", "right"), query("paper", "of the template", "a4", "letter"), query("units", "of the drawing", "mm", "in"),
			{Name: "board", In: "query", Description: "mm, thickness of a mock-up; 2 when left out", Schema: &huma.Schema{Type: "number"}}}}, s.file)
}

func (s *server) file(c *gin.Context) error {
	kind := c.Param("kind")
	if _, ok := contentType[kind]; !ok {
		return job.ErrNotFound
	}
	if _, err := uuid.Parse(c.Param("id")); err != nil {
		return job.ErrNotFound
	}
	p, err := s.jobs.Part(c.Request.Context(), c.Param("id"))
	if err != nil {
		return err
	}
	j, err := s.jobs.Job(c.Request.Context(), p.JobID)
	if err != nil {
		return err
	}
	hand, err := handOf(p, c.Query("hand"))
	if err != nil {
		return err
	}
	recipe := p.Cut(hand)
	if kind == "stl" { // in the part's own axes
		recipe = p.Handed(hand)
	}
	if strings.HasPrefix(kind, "mockup") {
		board, err := strconv.ParseFloat(c.DefaultQuery("board", "2"), 64)
		if err != nil || !(board >= .2 && board <= 50) {
			return asFault("A mock-up is made of board from 0.2 to 50 mm.")
		}
		recipe = recipe.Mockup(board)
	}
	parts, err := s.jobs.Parts(c.Request.Context(), j.ID)
	if err != nil {
		return err
	}
	opt := site.PartOptions(j.Brief, p.Part, job.BareParts(parts)) // as the screen has it
	opt.Body = kind == "stl"
	built, err := sheet.Build(recipe, opt)
	if err != nil {
		return err
	}
	if !built.Whole {
		return asFault("The part cannot be unfolded as it stands, so no file is made: %s", built.Findings[0].Reason)
	}
	check, err := s.jobs.CheckedPart(c.Request.Context(), j, p)
	if err != nil {
		return err
	}
	if !free[kind] && !check.Released {
		return check.Unreleased()
	}
	raw, err := export(c, j, p, hand, built, check, kind)
	if err != nil {
		return err
	}
	named, ending := p.Name, kind
	if e := endings[kind]; e != "" {
		named, ending = p.Name+" "+kind, e
	}
	name := site.FileName(j.Brief.Name, named, hand, "r"+strconv.Itoa(p.Revision), ending)
	c.Header("Content-Disposition", `attachment; filename="`+name+`"`)
	c.Data(http.StatusOK, contentType[kind], raw)
	return nil
}

// handOf answers the hand asked for: a pair needs one, a single part has none.
func handOf(p job.Part, asked string) (sheet.Side, error) {
	for _, h := range p.Hands() {
		if string(h) == asked {
			return h, nil
		}
	}
	if p.Recipe.Hand.Pair {
		return "", asFault("This part is a pair: say which hand, left or right.")
	}
	return "", asFault("This part has no hands.")
}

// checked offers a file only when it reads back as the part.
func checked(f exchange.Flat, name string, raw []byte) ([]byte, error) {
	if err := exchange.ReadBack(f, name, raw); err != nil {
		return nil, fmt.Errorf("the written file is not the part: %w", err)
	}
	return raw, nil
}

func export(c *gin.Context, j job.Job, p job.Part, hand sheet.Side, built sheet.Part, check site.CheckTold, kind string) ([]byte, error) {
	revision := fmt.Sprintf("r%d", p.Revision)
	flat := exchange.Flat{Part: built, Mark: p.Mark(hand) + " " + revision, Inches: j.Brief.Unit != brief.UnitMM}
	switch c.Query("units") {
	case "mm":
		flat.Inches = false
	case "in":
		flat.Inches = true
	}
	material, err := stock.MaterialByKey(p.Recipe.Material)
	if err != nil {
		return nil, err
	}
	thickness := thicknessText(j, p)
	if strings.HasPrefix(kind, "mockup") {
		flat.Mark += " mock-up"
		revision += ", mock-up"
		material.Name, thickness = "board or card", site.Lengths(j.Brief)(built.Body.Thickness)
	}
	switch kind {
	case "dxf", "mockup-dxf":
		return checked(flat, "part.dxf", exchange.DXF(flat))
	case "svg":
		return checked(flat, "part.svg", exchange.SVG(flat))
	case "r12":
		return checked(flat, "part.dxf", exchange.DXF12(flat))
	case "stl":
		return exchange.STL(built.Body.Solid(), p.Name), nil
	case "csv":
		process, err := stock.ProcessByKey(p.Recipe.Process)
		if err != nil {
			return nil, err
		}
		return exchange.Ticket{Job: j.Brief.Name, Part: p.Name, Hand: string(hand), Revision: p.Revision, Quantity: p.Quantity * j.Brief.Quantity,
			Material: material.Name, Thickness: thickness, Process: process.Name, Flat: built, Notes: []string{check.Says, check.Fit}}.CSV()
	}
	size := paper.A4
	if c.Query("paper") == "letter" {
		size = paper.Letter
	}
	if kind == "bends" || kind == "drills" {
		s := paper.PartSheet{Job: j.Brief.Name, Part: p.Name, Hand: string(hand), Revision: p.Revision, Date: p.Updated.UTC(), Paper: size, Quantity: p.Quantity * j.Brief.Quantity,
			Material: material.Name + " " + thickness, Tool: toolText(j, p), Family: material.Family, Flat: built, Length: site.Lengths(j.Brief), Face: faceText(p.Recipe)}
		if p.Recipe.Master != nil {
			s.Master = p.Recipe.Master.Name
		}
		if kind == "bends" {
			if len(built.Steps) == 0 {
				return nil, asFault("%s has no bend.", p.Name)
			}
			return s.BendPDF()
		}
		if len(built.Holes) == 0 {
			return nil, asFault("%s has no hole.", p.Name)
		}
		return s.DrillPDF()
	}
	return paper.Template{Job: j.Brief.Name, Part: p.Name, Hand: hand, Revision: revision, Material: material.Name, Thickness: thickness,
		Quantity: p.Quantity * j.Brief.Quantity, Date: p.Updated.UTC(), Paper: size, Flat: built}.PDF()
}

// toolText says what a part is bent on.
func toolText(j job.Job, p job.Part) string {
	tool, assumed := p.Recipe.Tool.Effective(p.Recipe.Thickness)
	size := site.Lengths(j.Brief)(tool.Opening)
	text := map[bend.ToolKind]string{bend.ToolVDie: "press, V die of " + size, bend.ToolPan: "box-and-pan brake, nose of " + size, bend.ToolVice: "vice and hammer"}[tool.Kind]
	if assumed && tool.Kind != bend.ToolVice {
		text += " (the usual size)"
	}
	return text
}

func thicknessText(j job.Job, p job.Part) string {
	text := fmt.Sprintf("%.2f mm", p.Recipe.Thickness)
	if j.Brief.Unit != brief.UnitMM {
		text = fmt.Sprintf("%.4f in", p.Recipe.Thickness/25.4)
	}
	if p.Recipe.Gauge != nil {
		text += fmt.Sprintf(" (%d ga nominal)", *p.Recipe.Gauge)
	}
	return text
}

// faceText says which face lies up, where one shows.
func faceText(r sheet.Recipe) string {
	switch r.Seen {
	case sheet.GoodFace:
		return "The good side shows: it lies up on the table."
	case sheet.BackFace:
		return "Drawn from the back, which shows: it lies up on the table. Up and down are as seen here."
	}
	return ""
}
