package paper

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
)

// PartSheet is a sheet part on its way through the shop: bend sheet or drill
// sheet.
type PartSheet struct {
	Job, Part, Hand string
	Revision        int
	Date            time.Time
	Paper           Size
	Quantity        int
	Material        string // with its thickness
	Tool            string
	Family          stock.Family
	Flat            made.Part
	Length          func(mm float64) string
	Thickness       float64  // mm
	Inches          bool     // the shop has inch drills
	Master          string   // what matched holes are drilled through
	Face            string   // what is said of the face that lies up
	Welded          []string // corners that are welded once it is bent
	Bend, Drill     Station  // where that is done
}

// drill names the drill for a hole in mm, or its size where none is that.
func (s PartSheet) drill(mm float64) string {
	if name, is := stock.BitName(mm, s.Inches); is {
		return name
	}
	return s.Length(mm)
}

func (s PartSheet) pages(kind string) *sheetPrinter {
	name := s.Part
	if s.Hand != "" {
		name += ", " + s.Hand + " hand"
	}
	p := &sheetPrinter{pages: newPages(s.Paper, s.Date, name+", "+kind)}
	p.kind = name + ": " + kind
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s  ·  for %d  ·  %s", s.Job, s.Revision, s.Date.Format("2006-01-02"), s.Quantity,
		s.Material)
	p.next()
	if s.Face != "" {
		p.put(edge, p.y, 9, "B", s.Face)
		p.y += 6
	}
	return p
}

// BendPDF prints the bends in their order, with the stop for each.
func (s PartSheet) BendPDF() ([]byte, error) {
	p := s.pages("bend sheet")
	if s.Flat.Round == nil || len(s.Flat.Round.Lines) > 0 { // what is rolled is not for a brake
		p.station(s.Bend)
	}
	if s.Flat.Round != nil {
		return s.roundSheet(p)
	}
	s.order(p)
	p.y += 1
	w, h := s.Flat.Bounds.Size()
	p.say(9, "B", fmt.Sprintf("Blank %s × %s, %s.", s.Length(w), s.Length(h), s.Material))
	p.say(9, "", "Bend lines run from the blank's front left corner; its own size stands last.")
	p.y += 2
	p.runs = true
	p.flatSketch(s.Flat, func(l made.BendLine) string {
		for _, st := range s.Flat.Steps {
			if st.ID == l.ID {
				return fmt.Sprint(st.Order)
			}
		}
		return ""
	}, nil)
	sec := SurveySection{Heads: []string{"step", "bend", "side up", "stop at", "from", "turn", "aim", "opens to", "long", "done"},
		Widths: []float64{.05, .19, .09, .10, .18, .07, .07, .08, .10, .07}}
	p.heads(sec)
	for _, st := range s.Flat.Steps {
		aim := "no set"
		if st.Aim != nil {
			aim = fmt.Sprintf("%.1f°", *st.Aim)
		}
		side := st.SideUp
		if st.Turned {
			side += ", turn over"
		}
		stop := s.Length(st.Stop.MM)
		if st.Stop.MM == 0 {
			stop = "–"
		}
		p.row(sec, []string{fmt.Sprint(st.Order), st.Name, side, stop, st.StopAt, fmt.Sprintf("%.4g°", st.Angle), aim,
			fmt.Sprintf("%.4g°", st.Opens), s.Length(st.Length.MM), ""})
		if st.Note != "" {
			p.room(5)
			p.put(edge+10, p.y, 8, "", st.Note)
			p.y += 4.5
		}
	}
	if len(s.Welded) > 0 {
		p.y += 2
		p.say(9, "B", "Welded after bending: "+strings.Join(s.Welded, "; ")+".")
	}
	p.y += 4
	s.setups(p)
	s.gauges(p)
	p.y += 3
	for _, text := range []string{"Stop distances run from the bend line to what meets the stop.",
		"Angles turned from flat; the aim allows for springback by yield: bend a strip first."} {
		p.room(5)
		p.put(edge, p.y, 8, "", text)
		p.y += 4.2
	}
	return p.bytes()
}

// gauges prints what each bend is set by: its radius, where its line and its zone lie on the
// blank, what it takes up, and the force of an air bend.
func (s PartSheet) gauges(p *sheetPrinter) {
	sec := SurveySection{Heads: []string{"step", "inside radius", "bend line at", "zone to either side", "allowance", "deduction",
		"force"},
		Widths: []float64{.06, .14, .24, .17, .13, .13, .13}}
	p.room(16)
	p.put(edge, p.y, 10, "B", "Gauge settings")
	p.y += 5
	p.heads(sec)
	from := map[string]string{"x": " from the left", "y": " from the front", "slanted": ", slanted: see the drawing"}
	for _, st := range s.Flat.Steps {
		i := slices.IndexFunc(s.Flat.BendLines, func(l made.BendLine) bool { return l.ID == st.ID })
		if i < 0 {
			continue
		}
		l, force := s.Flat.BendLines[i], "–"
		if l.Force != nil {
			force = s.atLeast(*l.Force)
		}
		zone := s.fine(l.TangentOffsets[0])
		if math.Abs(math.Abs(l.TangentOffsets[0])-math.Abs(l.TangentOffsets[1])) > .005 {
			zone += " and " + s.fine(l.TangentOffsets[1])
		}
		p.row(sec, []string{fmt.Sprint(st.Order), l.Radius.Said(), l.Place.Said() + from[l.Axis], zone, s.fine(l.BendAllowance),
			s.signed(l.BendDeduction), force})
	}
}

// fine writes what is set on a stop: to 0.01 mm or .001 in.
func (s PartSheet) fine(mm float64) string {
	style := quantity.Metric
	if s.Inches {
		style = quantity.Decimal
	}
	return quantity.Display{Style: style}.Fine(math.Abs(mm))
}

func (s PartSheet) signed(mm float64) string {
	if mm < 0 {
		return "-" + s.fine(mm)
	}
	return s.fine(mm)
}

// atLeast writes a force that is needed: rounded up, in the shop's unit.
func (s PartSheet) atLeast(newtons float64) string {
	if s.Inches {
		return fmt.Sprintf("%.0f lbf", math.Ceil(newtons/quantity.PoundForce/10)*10)
	}
	return fmt.Sprintf("%.1f kN", math.Ceil(newtons/100)/10)
}

// DrillPDF prints every hole with its running dimensions from the blank's front
// left corner, its drills, and when it is made.
func (s PartSheet) DrillPDF() ([]byte, error) {
	p := s.pages("drill sheet")
	p.station(s.Drill)
	p.put(edge, p.y, 9, "", "Places run from the blank's front left corner, good side up. Break both edges of every hole.")
	p.y += 5
	how := stock.DrillingOf(s.Family)
	p.put(edge, p.y, 9, "", strings.ToUpper(how.Fluid[:1])+how.Fluid[1:]+": "+how.Note+". Turns a minute are for the last drill, of "+
		"high-speed steel; a hole saw turns half as fast.")
	p.y += 5
	matched := 0
	for _, h := range s.Flat.Holes {
		if h.Made == sheet.MadeMatched {
			matched++
		}
	}
	if matched > 0 {
		master := s.Master
		switch {
		case master != "":
			master = "through " + master + ", which is marked MASTER"
		case s.Quantity > 1:
			master = "through the first one, which is marked MASTER"
		default:
			master = "through its mate, both clamped"
		}
		p.put(edge, p.y, 9, "B", fmt.Sprintf("Drill %d holes %s. Never through a copy.", matched, master))
		p.y += 5
	}
	p.y += 2
	p.flatSketch(s.Flat, nil, func(i int) string { return fmt.Sprint(i + 1) })
	sec := SurveySection{Heads: []string{"no.", "hole", "from left", "from front", "size", "drills", "rpm", "when", "done"},
		Widths: []float64{.05, .2, .11, .11, .12, .15, .06, .13, .07}}
	p.heads(sec)
	for i, h := range s.Flat.Holes {
		drills, rpm, when := "–", "", "cut with the blank"
		switch h.Made {
		case sheet.MadeDrilled:
			when = "after bending"
		case sheet.MadePilot:
			when = "pilot cut, drilled out"
		case sheet.MadeMatched:
			when = "through its mate, together"
		}
		if h.Kind == sheet.RoundHole && h.Made != sheet.MadeCut {
			var list []string
			if h.Made == sheet.MadePilot {
				list = append(list, s.drill(h.Cut)+" pilot")
			} else {
				for _, d := range stock.PilotSteps(h.Diameter, s.Family) {
					list = append(list, stock.NearestBit(d, s.Inches).Name)
				}
			}
			drills = strings.Join(append(list, s.drill(h.Diameter)), ", ")
			rpm = fmt.Sprintf("%.0f", how.RPM(h.Diameter, false))
		}
		if h.Use == sheet.UseWeldNut || h.Use == sheet.UseRivetNut {
			when += "; nut set before welding and paint"
		}
		name := h.Name
		if h.Says != "" {
			name = h.Says
		}
		p.row(sec, []string{fmt.Sprint(i + 1), name, h.X.Said(), h.Y.Said(), h.Size, drills, rpm, when, ""})
	}
	return p.bytes()
}

// foldLine draws a line the sheet is bent at: long dashes up, dash and dot down.
func (p *sheetPrinter) foldLine(x0, y0, x1, y1 float64, up bool) {
	dash := []float64{4, 2}
	if !up {
		dash = []float64{4, 1.5, .5, 1.5}
	}
	p.SetDashPattern(dash, 0)
	p.Line(x0, y0, x1, y1)
	p.SetDashPattern(nil, 0)
}

// flatSketch draws the flat pattern to fit, bends and holes numbered.
func (p *sheetPrinter) flatSketch(part made.Part, bend func(made.BendLine) string, hole func(int) string) {
	w, h := part.Bounds.Size()
	left, below := 5., 8.
	if p.runs {
		left, below = 26, 16
	}
	scale := math.Min((p.w-2*edge-left-5)/math.Max(w, 1), 95/math.Max(h, 1))
	p.room(h*scale + below + 4)
	top := p.y
	at := func(q profile.Point) (x, y float64) {
		return edge + left + (q.X-part.Bounds.Min.X)*scale, top + (part.Bounds.Max.Y-q.Y)*scale
	}
	draw := func(l profile.Loop) {
		pts := l.Flatten(.2 / scale)
		for i, q := range pts {
			x0, y0 := at(q)
			x1, y1 := at(pts[(i+1)%len(pts)])
			p.Line(x0, y0, x1, y1)
		}
	}
	p.SetLineWidth(.35)
	draw(part.Outline)
	p.SetLineWidth(.2)
	for i, o := range part.Holes {
		x, y := at(o.Centre)
		if len(o.Loop) > 0 {
			draw(o.Loop)
		} else {
			p.Circle(x, y, math.Max(o.Diameter/2*scale, .5), "D")
		}
		if hole != nil {
			p.put(x+o.Diameter/2*scale+.8, y-.6, 7, "B", hole(i))
		}
	}
	for _, l := range part.BendLines {
		x0, y0 := at(l.From)
		x1, y1 := at(l.To)
		p.foldLine(x0, y0, x1, y1, l.Up)
		if bend != nil {
			mx, my := (x0+x1)/2, (y0+y1)/2
			p.SetFillColor(255, 255, 255)
			p.Circle(mx, my, 3, "FD")
			p.put(mx-1.2, my+1.2, 8, "B", bend(l))
		}
	}
	p.pressLines(part, at)
	if p.runs {
		p.running(part, at)
	}
	p.y = top + h*scale + below
}

// running draws the distances of the blank's ends and bend lines from its front left corner,
// below it and at its left, in two rows where they stand close.
func (p *sheetPrinter) running(part made.Part, at func(profile.Point) (x, y float64)) {
	const (
		gap = 2.5 // mm from the blank to its ticks
		row = 3.6
	)
	p.SetLineWidth(.15)
	p.SetFont("go", "", 7)
	zeroX, zeroY := at(part.Bounds.Min)
	farX, farY := at(part.Bounds.Max)
	base, side := zeroY+gap, zeroX-gap
	p.Line(zeroX, base, farX, base)
	p.Line(side, zeroY, side, farY)
	ends := [2]float64{math.Inf(-1), math.Inf(-1)} // where the last text of each row ends
	for _, o := range part.Ordinates.X {
		x, _ := at(profile.Point{X: o.At, Y: part.Bounds.Min.Y})
		text := o.Dist.Said()
		wide := p.GetStringWidth(drawn(text))
		from := math.Min(x-wide/2, p.w-edge-wide)
		k := 0
		if from < ends[0]+1 {
			k = 1
		}
		ends[k] = from + wide
		p.Line(x, base-1, x, base+1)
		p.put(from, base+3.6+row*float64(k), 7, "", text)
	}
	last := math.Inf(1)
	for _, o := range part.Ordinates.Y {
		_, y := at(profile.Point{X: part.Bounds.Min.X, Y: o.At})
		text := o.Dist.Said()
		p.Line(side-1, y, side+1, y)
		if down := y + 1; last-down < 2.8 { // one over the other: the later one moves up
			y = last - 2.8 - 1
		}
		last = y + 1
		p.put(side-1.6-p.GetStringWidth(drawn(text)), y+1, 7, "", text)
	}
}
