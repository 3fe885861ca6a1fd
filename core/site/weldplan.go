package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/hole"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// WeldPlan is how one thing is welded: tacks, the order of its runs, what it takes, what is looked at.
type WeldPlan struct {
	Of       string            `json:"of"`
	Name     string            `json:"name"`
	Why      string            `json:"why,omitempty" doc:"why there is none"`
	Seams    []PlannedSeam     `json:"seams"`
	Order    *weld.OrderResult `json:"order" doc:"null where there is none"`
	Sketch   [][]solid.Vector  `json:"sketch" doc:"mm, outlines of what is welded"`
	Gain     string            `json:"gain" doc:"what the order does against seam by seam"`
	Does     []string          `json:"does" doc:"braces, presets, what is measured again, in words"`
	Takes    []string          `json:"takes" doc:"metal, wire, gas, minutes, in words"`
	Class    string            `json:"class" enum:"B,C,D" doc:"of ISO 5817, by what happens when it fails"`
	Back     *StrongBack       `json:"back,omitempty" doc:"what holds it straight while it is welded, where it bows"`
	Braces   []Brace           `json:"braces" doc:"of a frame: what keeps its openings square while it is welded"`
	Sizes    []Remeasured      `json:"sizes" doc:"what is measured when it is tacked, and again when it has cooled"`
	Draw     *DrawTold         `json:"draw,omitempty" doc:"how far its worst seam pulls together"`
	Bowed    *BowLearnt        `json:"bowed,omitempty" doc:"how far it bowed against the estimate"`
	Findings []working.Finding `json:"findings"`
}

// PlannedSeam is a seam of a plan.
type PlannedSeam struct {
	ID     string           `json:"id"`
	Number int              `json:"number" doc:"as it is drawn"`
	Name   string           `json:"name"`
	Path   []solid.Vector   `json:"path" doc:"mm"`
	Leg    float64          `json:"leg" doc:"mm"`
	Long   float64          `json:"long" doc:"mm"`
	Tacks  []weld.Tack      `json:"tacks"`
	Draws  float64          `json:"draws" doc:"mm, that it pulls together across, an estimate"`
	Look   *weld.LookResult `json:"look" doc:"null where nobody looked"`
	Room   *TorchRoom       `json:"room,omitempty" doc:"left out where its corner is not known"`

	Carries *SeamCarries `json:"carries,omitempty" doc:"of bodies and corners: what it carries by itself, whatever loads it"`

	thin  float64
	metal stock.Material
	area  float64
	face  solid.Vector
	open  solid.Vector // the way its corner opens
	body  int
	by    laying
}

// DrawTold is how far a seam pulls together across itself.
type DrawTold struct {
	Says    string           `json:"says"`
	Working *working.Working `json:"working"`
}

// drawTold shows the working of a seam's draw.
func (s Site) drawTold(q PlannedSeam, says string) *DrawTold {
	out := DrawTold{Says: fmt.Sprintf("A seam pulls together by about %s across itself: leave that over on a size that must fit close.", says)}
	if r, err := weld.Shrink(weld.ShrinkInput{WeldArea: q.area, Thickness: q.thin}); err == nil {
		r.Working.Assumptions = append(slices.Clip(r.Working.Assumptions), "of a fillet no more than its leg; seam "+fmt.Sprint(q.Number))
		r.Working.Result.Value = q.Draws
		k := r.Working.Written(s.Brief.Inches())
		out.Working = &k
	}
	return &out
}

// BowLearnt is an estimate beside what was measured.
type BowLearnt struct {
	Guessed  float64 `json:"guessed" doc:"mm"`
	Measured float64 `json:"measured" doc:"mm"`
	Share    float64 `json:"share" doc:"measured over guessed"`
	Kept     bool    `json:"kept" doc:"the Shop learns from it"`
}

// welding is a thing that is welded, gathered.
type welding struct {
	name    string
	seams   []PlannedSeam
	bulks   []solid.Body // of the bodies that are welded, each by itself
	sketch  [][]solid.Vector
	why     string
	trees   []*solid.Tree // what stands round it
	names   []string
	sizes   []Remeasured // that welding pulls off
	frame   *shape.Built // where it is a frame
	laid    []effort.Weld
	outside int  // seams that another house lays
	alone   bool // what it is welded to has no body here
}

// WeldPlan plans the welding of a welded joint, a frame, a faceted body or a part with welded corners.
func (s Site) WeldPlan(of string) (WeldPlan, error) {
	g, known := s.welding(of)
	if !known {
		return WeldPlan{}, ErrNoSuch
	}
	p := WeldPlan{Of: of, Name: g.name, Why: g.why, Seams: []PlannedSeam{}, Sketch: [][]solid.Vector{}, Does: []string{}, Takes: []string{},
		Braces: []Brace{}, Sizes: []Remeasured{}, Findings: []working.Finding{}, Class: s.lookClass()}
	if g.sketch != nil {
		p.Sketch = g.sketch
	}
	if g.why != "" {
		return p, nil
	}
	book := s.Brief.Book(of)
	ask := weld.OrderAsk{Fixed: book.Order}
	for _, b := range g.bulks {
		v, m, second := b.Spread()
		ask.Bulks = append(ask.Bulks, weld.Bulk{Volume: v, Middle: m, Second: second})
	}
	for i := range g.seams {
		q := &g.seams[i]
		q.Number = i + 1
		q.Tacks = append([]weld.Tack{}, weld.Tacks(q.ID, q.Path, q.thin)...)
		q.Draws = .2 * q.area / math.Max(q.thin, 1e-6)
		if q.Draws > q.Leg { // of a fillet on plate a sixteenth of an inch each is much
			q.Draws = math.Min(q.Draws, q.Leg)
		}
		q.Look, q.Room = s.look(*q, book, p.Class), roomFor(q.Path, q.open, g.trees, g.names)
		how, err := weld.How(weld.HowInput{Process: q.by.process, Family: string(q.metal.Family), Thinner: q.thin, Thicker: q.thin, Leg: q.Leg,
			Length: math.Max(q.Long, 1)})
		if err != nil {
			continue
		}
		ask.Seams = append(ask.Seams, weld.OrderSeam{ID: q.ID, Name: fmt.Sprintf("%d %s", q.Number, q.Name), Path: q.Path, Area: q.area,
			Face: q.face, Run: how.Run, Body: q.body})
	}
	p.Seams = append(p.Seams, g.seams...)
	if s.Until != nil {
		ask.Tell = func(float64) bool { return !s.over() }
	}
	r, err := weld.Order(ask)
	if err != nil {
		p.Why = s.Brief.Refused(err)
		return p, nil
	}
	r.Working = r.Working.Written(s.Brief.Inches())
	p.Order = &r
	s.planWords(&p, g, book)
	return p, nil
}

// lookClass answers the class seams are looked at by, by what happens when they fail.
func (s Site) lookClass() string {
	return map[brief.Criticality]string{brief.People: "B", brief.LoadLost: "C", brief.Comfort: "D"}[s.Brief.Criticality]
}

// look judges what was seen of a seam; nil where nobody looked.
func (s Site) look(q PlannedSeam, book brief.WeldBook, class string) *weld.LookResult {
	saw := book.Saw(q.ID)
	if saw.Leg == nil && saw.Throat == nil && saw.Undercut == nil && saw.Pore == nil && !saw.Overlap && !saw.Crack && !saw.Crater {
		return nil
	}
	r, err := weld.Look(weld.LookInput{Class: class, Thick: q.thin, Leg: q.Leg, GotLeg: saw.Leg, GotDeep: saw.Throat, Undercut: saw.Undercut,
		Pore: saw.Pore, Overlap: saw.Overlap, Crack: saw.Crack, Crater: saw.Crater})
	if err != nil {
		return nil
	}
	r.Working = r.Working.Written(s.Brief.Inches())
	return &r
}

// planWords writes what the plan says.
func (s Site) planWords(p *WeldPlan, g welding, book brief.WeldBook) {
	pen := told.Pen{Display: s.Brief.Display()}
	fine := func(mm float64) string { return pen.Fine(math.Round(mm*100) / 100) } // they are no more exact than that
	best, plain := p.Order.Best, p.Order.Plain
	if p.Order.Hand != nil {
		best = *p.Order.Hand
	}
	p.Gain = fmt.Sprintf("Bowed %s at most on the way and %s in the end, %d %s, %d hot %s. Seam by seam, end to end: %s at most, %d %s, %d "+
		"hot %s.",
		fine(best.Peak), fine(best.Last), best.Turns, told.Plural(best.Turns, "turn", "turns"), best.Hots,
		told.Plural(best.Hots, "start", "starts"), fine(plain.Peak), plain.Turns, told.Plural(plain.Turns, "turn", "turns"), plain.Hots,
		told.Plural(plain.Hots, "start", "starts"))
	if g.alone {
		p.Gain += " That is the first part free by itself: what it is welded to has no body here, and holds it straighter."
	}
	do := func(format string, args ...any) { p.Does = append(p.Does, fmt.Sprintf(format, args...)) }
	tacks := 0
	for _, q := range p.Seams {
		tacks += len(q.Tacks)
	}
	do("Tack all of it first, %d tacks, in the order of their numbers: the middle, the ends, then between. Measure, and square it up, "+
		"before the "+
		"first run.", tacks)
	if times, n := s.Shop.Bowing(); n > 0 { // what came out here counts
		best.Peak, best.Last = best.Peak*times, best.Last*times
		do("Here what was welded bowed %.2f times the estimates, of %d measured: the next lines count that.", times, n)
	}
	if p.Back = s.strongBack(p.Order.Bent, best.Peak); p.Back != nil {
		do("%s", p.Back.Says)
	}
	if best.Last > .5 {
		do("Preset: clamped bent %s the other way in its middle it comes out about straight. Half as much and half as much again are as likely.",
			fine(best.Last))
	}
	if long := slices.MaxFunc(p.Seams, func(a, b PlannedSeam) int { return int(1000 * (a.Draws - b.Draws)) }); long.Draws > .2 {
		p.Draw = s.drawTold(long, fine(long.Draws))
		do("%s", p.Draw.Says)
	}
	if g.frame != nil {
		p.Braces = s.braces(g.frame, book.Braced)
	}
	s.planSizes(p, g, book)
	if guessed := p.guessed(); book.Bowed != nil && guessed > 1e-6 {
		p.Bowed = &BowLearnt{guessed, *book.Bowed, *book.Bowed / guessed,
			slices.ContainsFunc(s.Shop.Bows, func(b shop.Bow) bool { return b.ID == "bow-"+p.Of })}
	}
	blocked := []string{}
	for _, q := range p.Seams {
		if q.Room != nil && q.Room.Reach == hole.Blocked {
			blocked = append(blocked, fmt.Sprint(q.Number))
		}
	}
	if len(blocked) > 0 {
		p.Findings = append(p.Findings, working.Finding{Code: "torch-blocked", Severity: working.Mind, Cause: "Room for the torch", Name: p.Name,
			Reason: fmt.Sprintf("No torch comes to all of %s %s: look at them below, and weld them "+
				"first.", told.Plural(len(blocked), "seam", "seams"),
				strings.Join(blocked, ", "))})
	}
	for _, w := range s.Brief.Welded {
		if w.ID == p.Of && w.Where == brief.Tacked {
			do("Tack it where it belongs, mark both pieces, take it off, and weld it on the bench: there most of it lies flat. Try it again " +
				"before " +
				"it is coated: what is welded off the vehicle comes back bowed.")
		}
		if note := strings.TrimSpace(w.Note); w.ID == p.Of && note != "" {
			do("%s", note)
		}
	}
	if cause := strings.TrimSpace(book.Cause); cause != "" {
		do("Of its bow: %s", cause)
	}
	s.planTakes(p, &g)
	p.rework(book)
	s.planOpen(p, book)
}

// guessed is how far it is bowed when all is laid, mm, as estimated.
func (p *WeldPlan) guessed() float64 {
	if p.Order.Hand != nil {
		return p.Order.Hand.Last
	}
	return p.Order.Best.Last
}

// rework says what was done again, why, and how long that took.
func (p *WeldPlan) rework(book brief.WeldBook) {
	minutes := 0.
	var why []string
	for _, q := range p.Seams {
		saw := book.Saw(q.ID)
		if saw.Minutes != nil {
			minutes += *saw.Minutes
		}
		if text := strings.TrimSpace(saw.Rework); text != "" {
			why = append(why, fmt.Sprintf("seam %d: %s", q.Number, text))
		}
	}
	if minutes > 0 || len(why) > 0 {
		p.Takes = append(p.Takes, strings.TrimSuffix(fmt.Sprintf("%.0f min done again so far (%s)", minutes, strings.Join(why, "; ")), " ()"))
	}
}

// planTakes says what the seams take: metal, gas and minutes by the way each is laid.
func (s Site) planTakes(p *WeldPlan, g *welding) {
	pen := told.Pen{Display: s.Brief.Display()}
	long := 0.
	all := gathering{}
	for _, w := range g.laid {
		long += w.Long
		set := 1.
		for _, done := range all.works {
			if done.Op == w.Work(0, "").Op {
				set = 0
			}
		}
		all.weld(w, set, "")
	}
	if long > 0 {
		p.Takes = append(p.Takes, fmt.Sprintf("%s to weld", pen.MM(long*1000)))
	}
	for _, u := range effort.Consumed(all.welds, 0, 0, 0) {
		word := "of"
		if u.Unit == "" {
			word = "×"
		}
		p.Takes = append(p.Takes, fmt.Sprintf("%s %s %s", s.amountTold(u.Key, u.Unit, u.Amount), word, u.Text))
	}
	e, err := effort.Add(all.works, s.Shop.Rates)
	if err == nil {
		for _, l := range e.Lines {
			p.Takes = append(p.Takes, fmt.Sprintf("%.0f min %s", math.Ceil(l.Minutes), l.Text))
		}
	}
	if g.outside > 0 {
		p.Takes = append(p.Takes, fmt.Sprintf("%d %s welded outside, in none of that", g.outside, told.Plural(g.outside, "seam", "seams")))
	}
}

// planOpen says what is still to be welded or looked at.
func (s Site) planOpen(p *WeldPlan, book brief.WeldBook) {
	tacked, unlooked := 0, 0
	for _, q := range p.Seams {
		saw := book.Saw(q.ID)
		if saw.Tacked && !saw.Welded {
			tacked++
		}
		if until := strings.TrimSpace(saw.Until); until != "" && !saw.Welded {
			p.Does = append(p.Does, fmt.Sprintf("Seam %d is tacked on one side only and stays adjustable until %s: weld it after, not before.",
				q.Number, until))
		}
		if saw.Welded && saw.Looked == "" {
			unlooked++
		}
		if q.Look != nil && len(q.Look.Faults) > 0 {
			p.Findings = append(p.Findings, working.Finding{Code: "seam-looked", Severity: working.Stop, Cause: "Looked " +
				"at", Feature: q.ID, Name: q.Name,
				Reason: fmt.Sprintf("Seam %d does not pass: %s.", q.Number, strings.Join(q.Look.Faults, "; "))})
		}
	}
	gone := 0
	for _, saw := range book.Seen {
		if (saw.Tacked || saw.Welded || saw.Looked != "") && !slices.ContainsFunc(p.Seams, func(q PlannedSeam) bool { return q.ID == saw.ID }) {
			gone++
		}
	}
	if gone > 0 {
		p.Findings = append(p.Findings, working.Finding{Code: "ticks-gone", Severity: working.Mind, Cause: "Welding", Name: p.Name,
			Reason: fmt.Sprintf("%d %s ticked that %s not there any more: stitches, sides or ends were changed since. Look at what is on the "+
				"work, and tick what is.", gone, told.Plural(gone, "seam was", "seams were"), told.Plural(gone, "is", "are"))})
	}
	if tacked > 0 {
		p.Findings = append(p.Findings, working.Finding{Code: "open-tacks", Severity: working.Mind, Cause: "Welding", Name: p.Name,
			Reason: fmt.Sprintf("%d %s tacked and not welded: a tack carries no load. Hang nothing on it, and do not drive with it.", tacked,
				told.Plural(tacked, "seam is", "seams are"))})
	}
	if unlooked > 0 {
		p.Findings = append(p.Findings, working.Finding{Code: "not-looked", Severity: working.Mind, Cause: "Looked at", Name: p.Name,
			Reason: fmt.Sprintf("%d %s welded and nobody looked: before it is coated or covered.", unlooked, told.Plural(unlooked, "seam is",
				"seams are"))})
	}
}
