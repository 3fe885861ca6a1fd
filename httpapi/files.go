package httpapi

import (
	"fmt"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/exchange"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/site"
	"warmanvil/core/stock"
	"warmanvil/job"
	"warmanvil/paper"
)

var archivedQuery = []*huma.Param{query("archived", "true lists what was put away", "true", "false")}

// cutting is one hand of a part with what its files are made from.
type cutting struct {
	job    job.Job
	part   job.Part
	hand   sheet.Side
	built  made.Part
	check  site.CheckTold
	inches bool
	paper  paper.Size
	shop   shop.Shop

	material  stock.Material
	thickness string
	mockup    string // said on it
	first     bool   // only the first piece of a batch may be made yet
}

// fileRoutes serves the files of a part.
func (s *server) fileRoutes() {
	serve(s, shelf[cutting]{path: "/api/v1/parts/{id}/files/{kind}", id: "getFile", summary: "A file of a part for the shop",
		asks: []*huma.Param{query("hand", "which hand of a pair", "left", "right"), paperQuery,
			query("units", "of the drawing", "mm", "in"), boardQuery, pieceQuery},
		files: []file[cutting]{
			{name: "dxf", form: asDXF, says: "to be cut", make: func(p cutting) ([]byte, error) {
				return checked(p.flat(), "part.dxf",
					exchange.DXF(p.flat()))
			}},
			{name: "r12", form: asDXF, says: "the old form of DXF", make: func(p cutting) ([]byte, error) {
				return checked(p.flat(),
					"part.dxf", exchange.DXF12(p.flat()))
			}},
			{name: "svg", form: asSVG, says: "true millimetres", make: func(p cutting) ([]byte, error) {
				return checked(p.flat(),
					"part.svg", exchange.SVG(p.flat()))
			}},
			{name: "pdf", form: asPDF, says: "full-size template", free: true, make: cutting.template},
			{name: "csv", form: asCSV, says: "cut ticket", make: cutting.ticket},
			{name: "bends", form: asPDF, says: "bending sheet", make: cutting.bends},
			{name: "drills", form: asPDF, says: "drill sheet", make: cutting.drills},
			{name: "stl", form: asSTL, says: "folded body", make: func(p cutting) ([]byte,
				error) {
				return exchange.STL(p.built.Body.Solid(), p.part.Name), nil
			}},
			{name: "mockup", form: asPDF, says: "in board or card, to try the fit", free: true, make: cutting.template},
			{name: "mockup-dxf", form: asDXF, says: "in board or card, to be cut", free: true, make: func(p cutting) ([]byte,
				error) {
				return checked(p.flat(), "part.dxf", exchange.DXF(p.flat()))
			}},
		}, open: s.cutting})
}

// cutting reads what the files of a part are made from, as the screen has it.
func (s *server) cutting(w want) (out cutting, called label, err error) {
	ctx := w.ctx
	p, err := s.jobs.Part(ctx, w.id)
	if err != nil {
		return out, called, err
	}
	j, err := s.jobs.Job(ctx, p.JobID)
	if err != nil {
		return out, called, err
	}
	out = cutting{job: j, part: p, paper: w.paper, inches: j.Brief.Unit != brief.UnitMM, thickness: thicknessText(j, p)}
	if units := w.asked("units"); units != "" {
		out.inches = units == "in"
	}
	if out.hand, err = handOf(p, w.asked("hand")); err != nil {
		return out, called, err
	}
	if out.material, err = stock.MaterialByKey(p.Recipe.Material); err != nil {
		return out, called, err
	}
	recipe := p.Cut(out.hand)
	switch w.kind {
	case "stl": // in the part's own axes
		recipe = p.Handed(out.hand)
	case "mockup", "mockup-dxf":
		board, err := w.board("mock-up")
		if err != nil {
			return out, called, err
		}
		recipe = recipe.Mockup(board)
		out.mockup, out.material.Name, out.thickness = " mock-up", "board or card", site.Lengths(j.Brief)(board)
	}
	parts, err := s.jobs.Parts(ctx, j.ID)
	if err != nil {
		return out, called, err
	}
	if out.shop, err = s.jobs.ShopFor(ctx, j.ID); err != nil {
		return out, called, err
	}
	out.shop = out.shop.ToldIn(j.Brief.Display())
	opt := site.CheckedOptions(j.Brief, out.shop, p.Part, job.BareParts(parts))
	opt.Body, opt.Until = w.kind == "stl", ctx
	if out.mockup != "" {
		opt.Machines, opt.Brakes = flags.Machines{}, nil // board is cut and folded by hand
	}
	if out.built, err = made.Build(recipe, opt); err != nil {
		return out, called, err
	}
	if !out.built.Whole {
		return out, called, asFault("The part cannot be unfolded as it stands, so no file is made: %s", out.built.Findings[0].Reason)
	}
	if out.check, err = s.jobs.CheckedPart(ctx, j, p); err != nil {
		return out, called, err
	}
	called = label{job: j.Brief.Name, of: p.Name, hand: out.hand, revision: p.Revision}
	switch out.first = out.check.First.Held && w.asked("piece") == "first"; {
	case !out.check.Released:
		called.held = out.check.Unreleased()
	case out.first:
		called.of += " first piece"
	case out.check.First.Held:
		called.held = out.check.Unmeasured()
	}
	return out, called, nil
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

// flat answers the part as drawings write it.
func (p cutting) flat() exchange.Flat {
	return exchange.Flat{Part: p.built, Mark: fmt.Sprintf("%s r%d%s", p.part.Mark(p.hand), p.part.Revision, p.marked()), Inches: p.inches}
}

// marked is what is written behind the mark of what is no piece of the batch.
func (p cutting) marked() string {
	if p.first {
		return p.mockup + " first piece"
	}
	return p.mockup
}

// many answers how many of it are made in all, of a batch's first piece one.
func (p cutting) many() int {
	if p.first {
		return 1
	}
	return p.part.Quantity * p.job.Brief.Quantity
}

// pieceQuery asks for the files of a batch's first piece where that is not measured yet; those
// of the whole batch else.
var pieceQuery = query("piece", "the first piece of a batch, where that is not measured yet", "first")

// firstOnly is what papers of a first piece say.
func firstOnly(c site.CheckTold) string {
	return fmt.Sprintf(" FIRST PIECE: make one of %d, measure it, and then the others.", c.First.Batch)
}

func (p cutting) ticket() ([]byte, error) {
	process, err := stock.ProcessByKey(p.part.Recipe.Process)
	if err != nil {
		return nil, err
	}
	return exchange.Ticket{Job: p.job.Brief.Name, Part: p.part.Name, Hand: string(p.hand), Revision: p.part.Revision, Quantity: p.many(),
		Units:    quantity.Table{Inches: p.job.Brief.Inches()},
		Material: p.material.Name, Thickness: p.thickness, Process: process.Name, Flat: p.built, Notes: p.notes()}.CSV()
}

// notes are what the part's papers say of what was measured.
func (p cutting) notes() []string {
	out := []string{p.check.Says, p.check.Fit}
	if said := p.check.First.Printed(); said != "" {
		out = append(out, said)
	}
	if p.first {
		out = append(out, strings.TrimSpace(firstOnly(p.check)))
	}
	at := p.shop.Cutting(p.part.Recipe)
	for _, w := range at.Worked {
		out = append(out, "Tried before. "+w)
	}
	if len(at.Ready) > 0 {
		out = append(out, "Before "+at.Machine+" is used: "+strings.Join(at.Ready, ", ")+".")
	}
	if at.Caution != "" {
		out = append(out, at.Caution)
	}
	if len(p.built.Welded(p.part.Recipe)) > 0 {
		weld := p.shop.Welding(p.part.Recipe.Material, []float64{p.part.Recipe.Thickness})
		for _, w := range weld.Worked {
			out = append(out, "Welded before. "+w)
		}
		out = append(out, "Corners are welded at "+weld.Machine+". "+weld.Caution)
	}
	if p.part.Recipe.Seen != "" {
		out = append(out, "One face of it shows: its film stays on, paper lies between pieces, no edge of another on it, when it is "+
			"carried or sent.")
	}
	if g := p.shop.Grinding(); g.Caution != "" {
		out = append(out, "Edges are dressed at "+g.Machine+". "+g.Caution)
	}
	return out
}

func (p cutting) template() ([]byte, error) {
	revision := fmt.Sprintf("r%d", p.part.Revision)
	if p.mockup != "" {
		revision += ", mock-up"
	} else if p.first {
		revision += ", first piece"
	}
	return paper.Template{Job: p.job.Brief.Name, Part: p.part.Name, Hand: p.hand, Revision: revision,
		Material: p.material.Name, Thickness: p.thickness,
		Quantity: p.many(), Date: p.part.Updated.UTC(), Paper: p.paper, Flat: p.built,
		Welded: p.built.Welded(p.part.Recipe)}.PDF()
}

// sheet answers the part's papers of the shop.
func (p cutting) sheet() paper.PartSheet {
	r := p.part.Recipe
	s := paper.PartSheet{Bend: paper.Station(p.shop.Bending(r)), Drill: paper.Station(p.shop.Drilling(r)), Job: p.job.Brief.Name,
		Part: p.part.Name, Hand: string(p.hand), Revision: p.part.Revision, Date: p.part.Updated.UTC(),
		Paper: p.paper, Quantity: p.many(),
		Material: p.material.Name + " " + p.thickness, Tool: toolText(p.job, p.part), Family: p.material.Family, Flat: p.built,
		Length: site.Lengths(p.job.Brief), Thickness: r.Thickness, Inches: p.job.Brief.Inches(), Face: faceText(p.part.Recipe),
		Welded: p.built.Welded(p.part.Recipe)}
	if m := p.part.Recipe.Master; m != nil {
		s.Master = m.Name
	}
	if p.first {
		s.Part += fmt.Sprintf(", first piece of %d", p.check.First.Batch)
	}
	return s
}

func (p cutting) bends() ([]byte, error) {
	if len(p.built.Steps) == 0 && p.built.Round == nil {
		return nil, hasNone{asFault("%s has no bend.", p.part.Name)}
	}
	return p.sheet().BendPDF()
}

func (p cutting) drills() ([]byte, error) {
	if len(p.built.Holes) == 0 {
		return nil, hasNone{asFault("%s has no hole.", p.part.Name)}
	}
	return p.sheet().DrillPDF()
}

// toolText says what a part is bent on.
func toolText(j job.Job, p job.Part) string {
	tool, assumed := p.Recipe.Tool.Effective(p.Recipe.Thickness)
	size := site.Lengths(j.Brief)(tool.Opening)
	text := map[bend.ToolKind]string{bend.ToolVDie: "press, V die of " + size, bend.ToolPan: "box-and-pan brake, nose of " + size,
		bend.ToolVice: "vice and hammer"}[tool.Kind]
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
