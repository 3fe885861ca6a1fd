package httpapi

import (
	"fmt"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/exchange"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/shape"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/shop"
	"warmanvil/core/site"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/tube"
	"warmanvil/job"
	"warmanvil/paper"
)

// frameFiles is a frame with what its files are made from.
type frameFiles struct {
	job    job.Job
	part   job.Frame
	worked site.FrameTold
	built  *shape.Built
	head   paper.FrameSheet
	shop   shop.Shop
	length func(mm float64) string
}

func (s *server) frameFileRoutes() {
	jig := func(from shape.View) func(frameFiles) ([]byte, error) {
		return func(f frameFiles) ([]byte, error) { return f.jig(from) }
	}
	serve(s, shelf[frameFiles]{path: "/api/v1/frames/{id}/files/{kind}", id: "getFrameFile", summary: "A file of a frame",
		asks: []*huma.Param{paperQuery, pieceQuery},
		files: []file[frameFiles]{
			{name: "saw", form: asPDF, says: "cutting sheet", make: frameFiles.saw},
			{name: "bends", form: asPDF, says: "bending sheets", make: frameFiles.bends},
			{name: "labels", form: asPDF, says: "a label for each piece", make: frameFiles.labels},
			{name: "wraps", form: asPDF, says: "cope templates to wrap round", make: frameFiles.wraps},
			{name: "plan", form: asPDF, says: "three views", make: frameFiles.plan},
			{name: "csv", form: asCSV, says: "cut list as text", make: func(f frameFiles) ([]byte, error) { return f.table().CSV() }},
			{name: "xlsx", form: asXLSX, says: "cut list as a sheet", make: func(f frameFiles) ([]byte,
				error) {
				return f.table().XLSX()
			}},
			{name: "plates", form: asDXF, says: "plates side by side", make: frameFiles.plates},
			{name: "jig", form: asDXF, says: "outline from above", make: jig(shape.FromAbove)},
			{name: "jig-side", form: asDXF, says: "outline from the side", make: jig(shape.FromRight)},
			{name: "jig-behind", form: asDXF, says: "outline from behind", make: jig(shape.FromBehind)},
			{name: "stl", form: asSTL, says: "body", make: func(f frameFiles) ([]byte, error) {
				return exchange.STL(f.built.Body(), f.part.Name),
					nil
			}},
		}, open: s.frameFiles})
}

// frameFiles reads what the files of a frame are made from.
func (s *server) frameFiles(w want) (f frameFiles, called label, err error) {
	ctx := w.ctx
	of, err := s.jobs.Frame(ctx, w.id)
	if err != nil {
		return f, called, err
	}
	j, err := s.jobs.Job(ctx, of.JobID)
	if err != nil {
		return f, called, err
	}
	check, err := s.jobs.CheckedFrame(ctx, j, of)
	if err != nil {
		return f, called, err
	}
	first := check.First.Held && w.asked("piece") == "first"
	if first {
		of.Quantity = 1
	}
	frame, built, j, err := s.jobs.FrameBuilt(ctx, w.id, of.Quantity)
	if err != nil {
		return f, called, err
	}
	f = frameFiles{job: j, part: of, worked: frame.Worked, built: built, length: site.Lengths(j.Brief),
		head: paper.FrameSheet{Job: j.Brief.Name, Frame: of.Name, Revision: of.Revision, Date: of.Updated.UTC(),
			Paper: w.paper, Quantity: of.Quantity}}
	if f.shop, err = s.jobs.Shop(ctx); err != nil {
		return f, called, err
	}
	f.shop = f.shop.ToldIn(j.Brief.Display())
	if len(f.worked.Cut.Rows) == 0 {
		return f, called, asFault("There is nothing to cut yet: no member of %s can be built.", of.Name)
	}
	f.head.Says = strings.TrimSpace(check.Says + " " + check.First.Printed())
	called = label{job: j.Brief.Name, of: of.Name, revision: of.Revision}
	switch {
	case !check.Released:
		called.held = check.Unreleased()
	case first:
		f.head.Says += firstOnly(check)
		called.of += " first piece"
	case check.First.Held:
		called.held = check.Unmeasured()
	}
	return f, called, nil
}

// walls are the walls of the frame's sections, mm, each once.
func (f frameFiles) walls() (out []float64) {
	for _, x := range f.built.Pieces {
		if t := member.Thickness(x.Section); t > 0 && !slices.Contains(out, t) {
			out = append(out, t)
		}
	}
	return out
}

// holeSawn says how a tube is held and turned at when its end is cut with a hole saw.
func (f frameFiles) holeSawn(diameter float64) string {
	how := stock.DrillingOf(f.built.Steel.Family)
	return fmt.Sprintf("hole saw: clamp it in a notching jig or between two V blocks, the saw's axis as the end says; pack a square "+
		"tube with wood so "+
		"that it does not close. %.0f turns a minute, %s, even feed: the teeth catch where the wall runs along them",
		how.RPM(diameter, true), how.Fluid)
}

func (f frameFiles) saw() ([]byte, error) {
	s := paper.SawSheet{FrameSheet: f.head, Saw: paper.Station(f.shop.Sawing(f.part.Doc.Material, f.walls())),
		Grind: paper.Station(f.shop.Grinding()), Weld: paper.Station(f.shop.Welding(f.part.Doc.Material, f.walls())),
		Text: f.worked.Cut.Text}
	row := map[string]site.CutRowTold{}
	for _, r := range f.worked.Cut.Rows {
		row[r.Mark] = r
		x := paper.SawRow{Mark: r.Mark, Stock: r.Stock, Quantity: r.Quantity, CutTo: r.Text, Weighs: r.Weighs,
			Names: strings.Join(r.Names, ", "), Notes: r.Notes}
		if r.Trim > 0 {
			x.Finish = r.Finish
		}
		if len(r.Corners) == 0 {
			x.Notes = append(slices.Clone(x.Notes), "middle: mark at "+told.Pen{Display: f.job.Brief.Display()}.Said(r.Length/2)+" "+
				"from either "+
				"long point, finished")
		}
		if r.Twin != "" {
			x.Notes = append(x.Notes, "mirror image of "+r.Twin)
		}
		for e := range 2 {
			x.Ends[e], x.Scales[e] = r.Told[e].Words, r.Told[e].Scale
			if h := r.Ends[e].Hole; h != nil {
				x.Notes = append(x.Notes, f.holeSawn(h.Diameter))
			}
			if r.Told[e].Fold != "" {
				x.Notes = append(x.Notes, [2]string{"first", "second"}[e]+" end "+r.Told[e].Fold)
			}
		}
		view := func(lo, hi int, high float64) [4]profile.Point {
			return [4]profile.Point{{X: r.Starts[lo]}, {X: r.Starts[lo] + r.Faces[lo]}, {X: r.Starts[hi] + r.Faces[hi], Y: high},
				{X: r.Starts[hi], Y: high}}
		}
		x.Above, x.Side = view(3, 2, 50), view(1, 0, 50)
		for _, k := range r.Corners {
			x.Corners = append(x.Corners, paper.SawCorner{At: k.At, To: k.To, Half: k.Width / 2, Side: k.Side})
		}
		s.Rows = append(s.Rows, x)
	}
	for _, r := range f.worked.Cut.Plates {
		s.Plates = append(s.Plates, []string{r.Mark, fmt.Sprint(r.Quantity), r.Size, r.Drill, strings.Join(r.Places, "; "),
			strings.Join(r.Names, ", ")})
	}
	for _, p := range f.worked.Cut.Stocks {
		for _, k := range p.Sticks {
			stick := paper.SawStick{Title: fmt.Sprintf("%s, %s of %s; left over %s", k.Name, p.Stock, f.length(k.Length),
				f.length(k.Left)),
				Length: k.Length}
			for _, q := range k.Pieces {
				a, b := row[q.Mark].Ends[0].Slant, row[q.Mark].Ends[1].Slant
				if q.Turned {
					a, b = b, a
				}
				stick.Pieces = append(stick.Pieces, paper.SawPiece{Mark: q.Mark, At: q.At, Long: q.Length, Slants: [2]float64{a, b},
					Leans: q.Shared})
			}
			s.Sticks = append(s.Sticks, stick)
		}
	}
	return s.PDF()
}

// bends prints a bending sheet for each bent piece.
func (f frameFiles) bends() ([]byte, error) {
	var sheets []paper.BendSheet
	for _, r := range f.worked.Cut.Rows {
		if r.Bend == nil {
			continue
		}
		b, err := tube.Bend(*r.Bend)
		if err != nil {
			return nil, err
		}
		sheets = append(sheets, paper.BendSheet{Title: fmt.Sprintf("%s, %d × %s", f.part.Name, r.Quantity*max(f.part.Quantity, 1),
			r.Mark),
			Date: f.head.Date, Paper: f.head.Paper, In: *r.Bend, Result: b, Length: f.length})
	}
	if len(sheets) == 0 {
		return nil, hasNone{asFault("No piece of %s is bent.", f.part.Name)}
	}
	return paper.BendSheets(sheets)
}

func (f frameFiles) labels() ([]byte, error) {
	s := paper.LabelSheet{FrameSheet: f.head}
	for _, r := range f.worked.Cut.Rows {
		for i, name := range r.Names {
			s.Labels = append(s.Labels, paper.Label{Mark: r.Mark, Name: name, Stock: r.Stock, Length: r.Text,
				Ends: r.Told[0].Scale + " / " + r.Told[1].Scale, Of: fmt.Sprintf("%d of %d", i+1, r.Quantity)})
		}
	}
	return s.PDF()
}

func (f frameFiles) wraps() ([]byte, error) {
	s := paper.WrapSheet{FrameSheet: f.head}
	rows := make([]cutlist.CutRow, len(f.worked.Cut.Rows))
	for i, r := range f.worked.Cut.Rows {
		rows[i] = r.CutRow
	}
	for _, w := range cutlist.Wraps(f.built, rows, f.part.Doc.Saw.SawLimit) {
		says := []string{fmt.Sprintf("Wrap it round the outside, starting at %s, and run anticlockwise as seen from the first end. It "+
			"is %s "+
			"long: true for the outer surface.", w.Start, f.length(w.Around))}
		if w.Round {
			says = append(says, "The thick line is the outside, the dashed one the inside of the wall: where the dashed one is lower, "+
				"take the "+
				"wall down to it with a file, or a gap stays.")
		}
		ticks := make([]paper.WrapTick, len(w.Ticks))
		for i, t := range w.Ticks {
			ticks[i] = paper.WrapTick(t)
		}
		s.Wraps = append(s.Wraps, paper.WrapPage{Ticks: ticks, Inner: w.Inner,
			Title: fmt.Sprintf("%s, %s end: %s", w.Mark, [2]string{"first", "second"}[w.End], w.Name), Says: says, Around: w.Around,
			Line: w.Line})
	}
	return s.PDF()
}

func (f frameFiles) plan() ([]byte, error) {
	s := paper.PlanSheet{FrameSheet: f.head}
	marks := map[string]string{}
	for _, p := range f.worked.Pieces {
		marks[p.ID] = p.Mark
	}
	size := f.built.Max.Sub(f.built.Min)
	for _, v := range []struct {
		view  shape.View
		title string
		w, h  int
	}{{shape.FromAbove, "From above, forward to the right", 0, 1}, {shape.FromRight, "From the right side", 0, 2},
		{shape.FromBehind, "From behind", 1, 2}} {
		x := paper.PlanView{Title: v.title, Wide: f.length(size[v.w]), High: f.length(size[v.h])}
		for _, sh := range f.built.Shadows(v.view) {
			x.Outlines = append(x.Outlines, sh.Outline)
			if !sh.Plate {
				x.Marks = append(x.Marks, paper.PlanMark{Text: marks[sh.ID], At: sh.Middle})
			}
		}
		s.Views = append(s.Views, x)
	}
	for _, j := range f.worked.Joints {
		s.Points = append(s.Points, []string{j.Name, j.Text[0], j.Text[1], j.Text[2]})
	}
	return s.PDF()
}

func (f frameFiles) jig(view shape.View) ([]byte, error) {
	j := exchange.Jig{Inches: f.job.Brief.Inches()}
	marks := map[string]string{}
	for _, p := range f.worked.Pieces {
		marks[p.ID] = p.Mark
	}
	for _, sh := range f.built.Shadows(view) {
		var l profile.Loop
		for _, q := range sh.Outline {
			l = append(l, profile.Vertex{X: q.X, Y: q.Y})
		}
		if sh.Plate {
			j.Plates = append(j.Plates, l)
			continue
		}
		j.Outlines = append(j.Outlines, l)
		j.Marks = append(j.Marks, exchange.Mark{Text: marks[sh.ID], At: sh.Middle})
	}
	for _, p := range f.built.Joints {
		if p.Why == "" {
			j.Points = append(j.Points, view.Flat(p.At))
		}
	}
	return j.DXF(), nil
}

// plates lays the plates side by side, holes in them, each with its mark and how many.
func (f frameFiles) plates() ([]byte, error) {
	if len(f.worked.Cut.Plates) == 0 {
		return nil, hasNone{asFault("%s has no plates.", f.part.Name)}
	}
	j := exchange.Jig{Inches: f.job.Brief.Inches()}
	at := profile.Point{}
	for _, r := range f.worked.Cut.Plates {
		j.Plates = append(j.Plates, profile.Rect(at.X, at.Y, at.X+r.Width, at.Y+r.Height))
		for _, h := range r.Holes {
			x, y, d := at.X+h[0], at.Y+h[1], r.Hole/2
			j.Plates = append(j.Plates, profile.Loop{{X: x - d, Y: y, Bulge: 1}, {X: x + d, Y: y, Bulge: 1}})
		}
		j.Marks = append(j.Marks, exchange.Mark{Text: fmt.Sprintf("%s, %d", r.Mark, r.Quantity*max(f.part.Quantity, 1)),
			At: at.Add(profile.Point{X: r.Width / 2, Y: r.Height / 2})})
		at.X += r.Width + 20
	}
	return j.DXF(), nil
}

func (f frameFiles) table() paper.Table {
	u := quantity.Table{Inches: f.job.Brief.Inches()}
	unit := u.LengthUnit()
	pieces := [][]any{{"mark", "quantity", "section", "cut to " + unit, "finished " + unit, "short points " + unit,
		"first end saw deg", "first end tilt deg",
		"first end from axis deg", "first end", "second end saw deg", "second end tilt deg", "second end from axis deg", "second end",
		u.MassUnit() + " each", "pieces", "notes"}}
	for _, r := range f.worked.Cut.Rows {
		row := []any{r.Mark, r.Quantity, r.Stock, u.Length(r.CutTo), u.Length(r.Length), u.Length(r.Short)}
		for e := range 2 {
			row = append(row, r.Ends[e].Saw, r.Ends[e].Tilt, r.Ends[e].Cut, r.Told[e].Words)
		}
		pieces = append(pieces, append(row, u.Mass(r.Mass), strings.Join(r.Names, "; "), strings.Join(r.Notes, "; ")))
	}
	sticks := [][]any{{"stick", "section", "length " + unit, "mark", "at " + unit, "piece " + unit, "back to back", "left " + unit}}
	for _, p := range f.worked.Cut.Stocks {
		for _, k := range p.Sticks {
			for i, q := range k.Pieces {
				row := []any{k.Name, p.Stock, u.Length(k.Length), q.Mark, u.Length(q.At), u.Length(q.Length),
					map[bool]string{true: "yes"}[q.Shared], nil}
				if i == len(k.Pieces)-1 {
					row[7] = u.Length(k.Left)
				}
				sticks = append(sticks, row)
			}
		}
	}
	pages := []paper.TablePage{{Name: "Pieces", Rows: pieces}, {Name: "Sticks", Rows: sticks}}
	if len(f.worked.Cut.Plates) > 0 {
		plates := [][]any{{"mark", "quantity", "is", "across " + unit, "high " + unit, "thick " + unit, "holes", "hole " + unit, "for",
			"centres from the lower left corner " + unit, u.MassUnit() + " each", "pieces"}}
		for _, r := range f.worked.Cut.Plates {
			var centres []string
			for _, h := range r.Holes {
				centres = append(centres, fmt.Sprintf("%g %g", u.Length(h[0]), u.Length(h[1])))
			}
			plates = append(plates, []any{r.Mark, r.Quantity, r.Kind, u.Length(r.Width), u.Length(r.Height), u.Length(r.Thickness),
				len(r.Holes),
				u.Length(r.Hole), r.Bolt, strings.Join(centres, "; "), u.Mass(r.Mass), strings.Join(r.Names, "; ")})
		}
		pages = append(pages, paper.TablePage{Name: "Plates", Rows: plates})
	}
	return paper.Table{Pages: pages,
		Notes: []string{"Lengths from long point to long point; saw angles from square.", f.worked.Cut.Text}}
}
