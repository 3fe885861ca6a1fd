package site

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/quantity"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// workFrame works a frame out with what the job's joints put on it.
func workFrame(until context.Context, d member.Doc, id string, quantity int, b brief.Brief, w shop.Shop, surveyed shape.Surveyed,
	loads *frameLoads) FrameTold {
	p := told.Pen{Display: b.Display()}
	if t, ok := b.Target(d.Target); ok && d.Sags == 0 && t.Wanted != nil && t.Unit == "mm" {
		d.Sags = *t.Wanted
	}
	built := shape.Build(d, surveyed)
	asked := askedOf(until, b, id, loads)
	saw, kerf := sawOf(p, d, w, built, b.Inches())
	for _, x := range w.Sticks(d.Material) {
		if x.Long < saw.Stick-1e-6 { // whole ones are bought or there alike
			saw.Remnants = append(slices.Clip(saw.Remnants), member.Remnant{Stock: x.Section, Length: x.Long, Many: x.Many})
		}
	}
	cut := cutlist.Plan(asked.Within(), built, saw)
	held := held.Hold(built, d, asked)
	out := FrameTold{Welds: beadsOf(endSeams(built)), Joints: []JointTold{}, Pieces: []PieceTold{}, Plates: []PlateTold{}, Stocks: []string{},
		Findings: p.Found(slices.Concat(built.Findings, cut.Findings, sawn(p, w, built, b.Inches()),
			shopped(p, w, built, cut, b.Inches()))), Cautions: cautions(d, b, held.Supports)}
	for _, j := range built.Joints {
		out.Joints = append(out.Joints, JointTold{j, [3]string{p.MM(j.At[0]), p.MM(j.At[1]), p.MM(j.At[2])}})
	}
	mark := map[string]string{}
	for _, r := range cut.Rows {
		for _, id := range r.Pieces {
			mark[id] = told.Joined(mark[id], r.Mark)
		}
	}
	seen := map[string]bool{}
	for _, x := range built.Pieces {
		t := PieceTold{ID: x.ID, Of: x.Of, Name: x.Name, Stock: x.Stock, Why: p.Spoken(x.Why), Mark: mark[x.ID], Mass: p.Kilos(x.Mass),
			From: x.From, To: x.To, Mesh: x.Mesh}
		if x.Why == "" {
			t.Long = p.MM(x.Length)
			t.Ends = [2]EndTold{endTold(p, x.Ends[0]), endTold(p, x.Ends[1])}
			if x.Splice != nil {
				t.Splice = p.Spoken(x.Splice.Says) + ", " + p.MM(x.Splice.At) + " from its first long point"
			}
			if !seen[x.Stock] {
				seen[x.Stock] = true
				out.Stocks = append(out.Stocks, x.Stock)
			}
		}
		out.Pieces = append(out.Pieces, t)
	}
	for _, x := range built.Plates {
		out.Plates = append(out.Plates, PlateTold{ID: x.ID, Name: x.Name, Owner: x.Owner, Mesh: x.Mesh, Mass: p.Kilos(x.Mass),
			Text: fmt.Sprintf("%s × %s × %s", p.MM(x.Width), p.MM(x.Height), p.MM(x.Thickness))})
	}
	size := built.Max.Sub(built.Min)
	weighed := p.Explain(built.Weighing())
	out.Figures = []FigureTold{{"mass", "mass", p.Kilos(built.Mass), weighed},
		{"gravity", "centre of gravity", p.Place(built.Gravity), weighed},
		{"size", "over all", fmt.Sprintf("%s × %s × %s", p.MM(size[0]), p.MM(size[1]), p.MM(size[2])), nil},
		{"paint", "to paint", p.Area(cut.Paint), nil}}
	out.Cut = cutTold(p, cut, quantity)
	out.Cut.Kerf = kerf
	if why := strings.TrimSpace(d.Chosen); why != "" {
		out.Cut.Text += "; of " + built.Steel.Name + ": " + why
	}
	out.Cut.Plates = platesTold(p, cutlist.Plates(built, systemOf(p)))
	for i, r := range out.Cut.Rows {
		for _, f := range built.Formed {
			if f.Pieces[0] == r.Pieces[0] && f.Working != nil {
				out.Cut.Rows[i].Working = p.Explain(*f.Working)
			}
		}
		for k := range built.Pieces {
			if r.Corners == nil && built.Pieces[k].ID == r.Pieces[0] {
				w := built.Pieces[k].Cutting()
				if built.Pieces[k].Splice != nil { // one of its two pieces
					w.Steps = append(w.Steps, working.Quantity{Symbol: "L", Name: "both pieces together", Value: w.Result.Value,
						Unit: "mm"})
					w.Result.Name, w.Result.Value = "this piece, to the splice", r.Length
				}
				out.Cut.Rows[i].Working = p.Explain(w)
			}
		}
	}
	out.Hold = frameHeld(p, held, b, w, built.Mass)
	out.Hold.Beside = besideFrame(b, d, loads)
	out.Hold.Verdict = brief.With(held.Verdict, out.Hold.Beside)
	splices(d, built, held, &out)
	return out
}

func cutTold(p told.Pen, c cutlist.CutList, quantity int) CutTold {
	t := CutTold{Rows: []CutRowTold{}, Plates: []CutPlateTold{}, Stocks: c.Stocks, Saw: c.Saw}
	for i := range t.Stocks {
		t.Stocks[i].Says = p.Spoken(t.Stocks[i].Says)
		if w := t.Stocks[i].Working; w != nil {
			t.Stocks[i].Working = p.Explain(*w)
		}
	}
	for _, r := range c.Rows {
		r.Notes = slices.Clone(r.Notes)
		for i, note := range r.Notes {
			r.Notes[i] = p.Spoken(note)
		}
		for i, k := range r.Corners {
			free := r.Length - k.To
			if i+1 < len(r.Corners) {
				free = r.Corners[i+1].At - k.To
			}
			r.Notes = append(r.Notes, cornerTold(p, k, free, r.Trim))
		}
		t.Rows = append(t.Rows, CutRowTold{CutRow: r, Text: p.Said(r.CutTo), Finish: p.Said(r.Length), Inner: p.MM(r.Short),
			Weighs: p.Kilos(r.Mass), Told: [2]EndTold{endTold(p, r.Ends[0]), endTold(p, r.Ends[1])}})
	}
	sticks := 0
	for _, s := range c.Stocks {
		sticks += s.New
	}
	word := "new sticks"
	if sticks == 1 {
		word = "new stick"
	}
	t.Text = fmt.Sprintf("pieces %s, %d %s %s, %s to paint", p.Kilos(c.Mass), sticks, word, p.Kilos(c.Bought), p.Area(c.Paint))
	if c.Cost > 0 {
		t.Text += fmt.Sprintf(", %.2f for metal", c.Cost)
	}
	if quantity > 1 {
		t.Text += fmt.Sprintf("; of one, %d are wanted", quantity)
	}
	return t
}

func frameHeld(p told.Pen, h held.Held, b brief.Brief, w shop.Shop, mass float64) FrameHeld {
	h.Why = p.Spoken(h.Why)
	t := FrameHeld{Held: h, Most: movedTold(p, h.Moves.Most), Stands: []StandsTold{}, Hertz: []string{}}
	if h.Moves.Limit > 0 {
		t.Wanted = movedTold(p, h.Moves.Limit)
	}
	for _, s := range h.Supports {
		x := StandsTold{Point: s.Point, Name: s.Name, Kind: s.Kind, Case: s.Case, Lifts: s.Lifts, Rest: p.Newtons(s.Rest[2]),
			Worst: p.Newtons(s.Force)}
		if s.Working != nil {
			x.Working = p.Explain(*s.Working)
		}
		for k, v := range s.Worst {
			if k < 3 {
				x.Six = append(x.Six, p.Newtons(v))
			} else {
				x.Six = append(x.Six, p.Moment(v))
			}
		}
		t.Stands = append(t.Stands, x)
	}
	for _, m := range h.Modes {
		t.Hertz = append(t.Hertz, fmt.Sprintf("%.1f Hz", m.Hertz))
	}
	for i := range t.Members {
		m := &t.Members[i]
		for _, c := range []*strength.Check{&m.Stress, &m.Column, &m.Weld} {
			writtenTold(p, c)
		}
		for k := range m.More {
			writtenTold(p, &m.More[k])
		}
	}
	for _, list := range [][]strength.Check{t.Checks, t.Ledger} {
		for i := range list {
			writtenTold(p, &list[i])
		}
	}
	if t.Moves.Check != nil {
		writtenTold(p, t.Moves.Check)
	}
	if t.Stable != nil {
		t.Stable = p.Explain(*t.Stable)
	}
	if t.Swings != nil {
		t.Swings = p.Explain(*t.Swings)
	}
	if t.Moves.Work != nil {
		t.Moves.Work = p.Explain(*t.Moves.Work)
	}
	if one, who := lifts(b, w); one > 0 {
		t.Lift = fmt.Sprintf("%s: %s lifts it", p.Kilos(mass), who)
		if mass > one {
			t.Lift = fmt.Sprintf("%s, and %s lifts %s: lift it with %.0f, or by hoist", p.Kilos(mass), who, p.Kilos(one),
				math.Ceil(mass/one))
		}
	}
	return t
}

// lifts answers what one person lifts, kg, by the brief, else who lifts most in the shop; 0
// where neither says.
func lifts(b brief.Brief, w shop.Shop) (kilos float64, who string) {
	if l := b.Limits.Lift; l != nil && l.Value > 0 {
		return l.Value, "one person"
	}
	l := w.Lifter()
	return l.Kilos, l.Name
}

// besideFrame answers what a frame's checks leave out, by the rules of brackets.
func besideFrame(b brief.Brief, d member.Doc, loads *frameLoads) []brief.Beside {
	behind := b.Behind()
	devices := map[string]bool{}
	for _, l := range d.Loads {
		if l.Kind == "device" {
			devices[l.Device] = true
		}
	}
	if loads != nil {
		for _, id := range loads.devices {
			devices[id] = true
		}
	}
	b.Carried(&behind, devices)
	return behind.Beside()
}

func writtenTold(p told.Pen, c *strength.Check) {
	c.Why, c.Where = p.Spoken(c.Why), p.Spoken(c.Where)
	if c.Working != nil {
		c.Working = p.Explain(*c.Working)
	}
}

// splices warns of a splice where the moment is large.
func splices(d member.Doc, b *shape.Built, h held.Held, out *FrameTold) {
	for i, x := range b.Pieces {
		if x.Splice == nil || i >= len(h.Members) {
			continue
		}
		var at, most float64
		nearest := math.Inf(1)
		for _, s := range h.Members[i].Along {
			m := math.Hypot(s.My, s.Mz)
			most = math.Max(most, m)
			if v := math.Abs(s.At - x.Splice.At); v < nearest {
				nearest, at = v, m
			}
		}
		if most > 0 && at > .5*most {
			out.Findings = append(out.Findings, working.Finding{Code: "splice-moment", Severity: working.Mind, Cause: "Points and members",
				Feature: x.ID, Reason: fmt.Sprintf("%s is spliced where it is bent by %.0f %% of its largest moment: move the "+
					"splice to where "+
					"it is bent less.", x.Name, 100*at/most)})
		}
	}
}

// cautions are what to mind with what the frame does.
func cautions(d member.Doc, b brief.Brief, places []held.SupportHeld) (out []string) {
	out = []string{"A first calculation, no approval: local rules and a licensed engineer decide."}
	for _, l := range d.Loads {
		if l.Kind == "person" {
			out = append(out, "People step on it: check slip, edges and what it does when it is loose; rules for steps and "+
				"platforms apply.")
			break
		}
	}
	if b.Card.Trailer {
		out = append(out, "Towing: coupling, drawbar and safety chains are of rated parts only; stand clear when it is on jacks.")
	}
	stiff, most := map[int]int{}, 0 // by body
	for _, p := range places {
		if p.Kind != "rubber" {
			stiff[p.Body]++
			most = max(most, stiff[p.Body])
		}
	}
	if most > 3 {
		out = append(out, fmt.Sprintf("It is held in %d places: three meet what holds them, the others never quite do. Shim until "+
			"none rocks "+
			"before bolts are tightened; a place pulled home by its bolt bends the frame, and no check here counts that. Until the "+
			"last is tight "+
			"it can tip or drop: prop it and keep from under.", most))
	}
	welded := false
	for _, s := range d.Supports {
		welded = welded || s.Kind == "fixed"
	}
	if welded {
		out = append(out, "Cutting or welding a vehicle's frame weakens it and may not be allowed: bolt on where you can, and disconnect "+
			"electronics before welding.")
	}
	return out
}

func platesTold(p told.Pen, rows []cutlist.PlateRow) []CutPlateTold {
	out := []CutPlateTold{}
	for _, r := range rows {
		t := CutPlateTold{PlateRow: r, Size: p.Given(r.Width) + " × " + p.Given(r.Height) + " × " + p.Given(r.Thickness),
			Weighs: p.Kilos(r.Mass),
			Places: []string{}}
		for _, h := range r.Holes {
			t.Places = append(t.Places, p.Display.Fine(h[0])+", "+p.Display.Fine(h[1]))
		}
		if n := len(r.Holes); n > 0 {
			t.Drill = fmt.Sprintf("%d × Ø %s", n, p.Display.Fine(r.Hole))
			if r.Bolt != "" {
				t.Drill += " for " + r.Bolt
			}
		}
		out = append(out, t)
	}
	return out
}

// systemOf answers the bolts a job's shop has.
func systemOf(p told.Pen) stock.System {
	if p.Display.Style == quantity.Metric || p.Display.Style == "" {
		return stock.Metric
	}
	return stock.Inch
}
