package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
)

// Effort is what a job takes: hours, what is used up, money; and the ways to come by it side
// by side.
type Effort struct {
	effort.Estimate
	Works    []WorkTold   `json:"works" doc:"its lines in words"`
	Hours    string       `json:"hours" doc:"in all, in words"`
	Spoiled  string       `json:"spoiled,omitempty" doc:"what of them is for what is made again"`
	Currency string       `json:"currency,omitempty" doc:"name of the shop's money"`
	Days     *float64     `json:"days,omitempty" doc:"days until it is made, at the hours of the people there; left out where nobody says any"`
	Labour   *float64     `json:"labour,omitempty" doc:"money; left out where the Shop says no rate by the hour"`
	Metal    *float64     `json:"metal,omitempty" doc:"money, by weight and the Shop's prices; left out where none of it has one"`
	Unpriced []string     `json:"unpriced" doc:"metals with no price by weight in the Shop"`
	Outside  []string     `json:"outside" doc:"parts that are cut outside: their cutting is in no hour"`
	UsedUp   []UsedUpTold `json:"usedUp"`
	Machines []MachineUse `json:"machines" doc:"it goes to, those that stand elsewhere first"`
	Ways     []WayTold    `json:"ways" doc:"of the brief, in their order"`
	Looks    []brief.Look `json:"looks" doc:"what is looked at of a second-hand device"`
}

// WorkTold is a kind of work in the units of the job.
type WorkTold struct {
	Op    effort.Op `json:"op" enum:"cutting,bending,drilling,tapping,sawing,fitting,welding,tig,stick,spot,dressing,painting,bolting"`
	Text  string    `json:"text"`
	Own   bool      `json:"own,omitempty" doc:"the shop's own rate, a usual one otherwise"`
	Many  string    `json:"many" doc:"how much there is of it"`
	Each  string    `json:"each" doc:"its rate"`
	SetUp string    `json:"setUp"`
	Takes string    `json:"takes"`
}

// UsedUpTold is something used up, with what there is of it.
type UsedUpTold struct {
	effort.UsedUp
	Need  string   `json:"need" doc:"in the units of the job"`
	Lies  string   `json:"lies,omitempty" doc:"what is free of it, in the units of the job"`
	Here  *float64 `json:"here,omitempty" doc:"free of it in stock, in the same unit; left out where nothing is called so"`
	Short bool     `json:"short" doc:"less is there than is needed, or nobody knows"`
}

// WayTold is one way to come by it.
type WayTold struct {
	ID     string   `json:"id"`
	Hours  *float64 `json:"hours,omitempty" doc:"own work, h"`
	Cost   *float64 `json:"cost,omitempty" doc:"money in all; left out where something of it is not known"`
	Days   *float64 `json:"days,omitempty"`
	Year   *float64 `json:"year,omitempty" doc:"money for each year it serves, running it included"`
	Unseen []string `json:"unseen" doc:"what was not looked at of a second-hand thing"`
	Lacks  []string `json:"lacks" doc:"what is not known of it"`
	Best   string   `json:"best,omitempty" doc:"what it is best in: cheapest, soonest"`
	Says   string   `json:"says"`
}

// gathering collects the work of a job.
type gathering struct {
	works                    []effort.Work
	welds                    []effort.Weld
	dressed, handCut, paints float64            // m, mm², m²
	kilos                    map[string]float64 // by material
	outside                  []string
}

func (g *gathering) add(op effort.Op, many, pieces float64, of string) {
	g.works = append(g.works, effort.Work{Op: op, Many: many, Pieces: pieces, Of: of})
}

// paint adds m² of bare steel; what is galvanised, stainless or aluminium stays as it is.
func (g *gathering) paint(m stock.Material, area float64, of string) {
	if painted(m.Key) {
		g.add(effort.Painting, area, 1, of)
		g.paints += area
	}
}

// Effort works out what the job takes as it stands.
func (s Site) Effort() (Effort, error) {
	g := gathering{kilos: map[string]float64{}}
	for i := range s.Parts {
		if s.Parts[i].Err == nil {
			s.partWork(&g, &s.Parts[i])
		}
	}
	from := newStander(s).from
	for _, f := range s.Frames {
		s.frameWork(&g, f, shape.Build(f.Doc, from.ForFrame(f.Doc)))
	}
	for _, f := range s.Bodies {
		if b, err := f.Doc.Build(); err == nil {
			hands := len(Part{Recipe: sheet.Recipe{Hand: f.Doc.Hand}}.Hands())
			s.bodyWork(&g, &b, f.Doc.Material, float64(batchOf(s.Brief, f.Quantity, hands)), f.Name)
		}
	}
	unseamed, seamedOut := s.weldedWork(&g)
	bolts := 0
	h := s.Hold()
	for i, j := range h.Joints {
		bolts += len(j.Holes) * max(len(s.Brief.Joints[i].Stands), 1)
	}
	g.add(effort.Bolting, float64(bolts*max(s.Brief.Quantity, 1)), 0, "joints")
	e := Effort{Unpriced: []string{}, Outside: append([]string{}, g.outside...), Works: []WorkTold{},
		UsedUp: []UsedUpTold{}, Ways: []WayTold{}, Machines: s.Machines(), Looks: brief.SecondHand()}
	var err error
	if e.Estimate, err = effort.Add(g.works, s.Shop.Rates); err != nil {
		return e, err
	}
	again := 0.
	if s.Shop.Again != nil {
		again = *s.Shop.Again
	}
	e.Respoil(again)
	for _, name := range unseamed {
		e.Working.Assumptions = append(e.Working.Assumptions, "the seams of "+name+" cannot be said and are in no hour")
	}
	for _, name := range seamedOut {
		e.Working.Assumptions = append(e.Working.Assumptions, name+" is welded outside and is in no hour")
	}
	for _, name := range s.unmade() {
		e.Working.Assumptions = append(e.Working.Assumptions, "blanks of "+name+" that are no parts yet are in no hour")
	}
	e.Working.Assumptions = append(e.Working.Assumptions, "bare steel is painted on all faces, other metals are not",
		"metal is priced by the boxes of blanks and the mass of frames: what is left over of sticks is in no sum",
		"members are welded all round where they meet, with a leg of their wall")
	for _, l := range e.Lines {
		e.Works = append(e.Works, s.workTold(l))
	}
	e.Currency = s.Shop.Currency
	e.Hours = hoursTold(e.Minutes / 60)
	e.Days = s.Shop.DaysFor(e.Minutes / 60)
	if s.Shop.Hour != nil {
		labour := *s.Shop.Hour * e.Minutes / 60
		e.Labour = &labour
	}
	if e.Again > 0 {
		e.Spoiled = fmt.Sprintf("%s of them and %.4g %% of the metal for what is spoiled and made again", hoursTold(e.Again/60), again)
	}
	s.metal(&e, g.kilos, 1+again/100)
	for _, u := range effort.Consumed(g.welds, g.dressed, g.handCut, g.paints) {
		e.UsedUp = append(e.UsedUp, s.usedUp(u))
	}
	s.ways(&e)
	return e, nil
}

func hoursTold(h float64) string {
	if h < 1 {
		return fmt.Sprintf("%.0f min", h*60)
	}
	return fmt.Sprintf("%.1f h", h)
}

// partWork adds what a folded part takes, all of it that the job makes.
func (s Site) partWork(g *gathering, p *BuiltPart) {
	n := float64(batchOf(s.Brief, p.Quantity, len(p.Hands())))
	r, b := p.Recipe, p.Built
	x, y := b.Bounds.Size()
	if t := s.Shop.For(r, s.Brief.Inches()).Cutter(x, y, r.Thickness); t != nil && strings.HasPrefix(t.Where, "outside") {
		g.outside = append(g.outside, p.Name)
	} else {
		g.add(effort.Cutting, n*b.CutLength/1000, 1, p.Name)
	}
	if folds := len(b.FoldLines()); folds > 0 {
		g.add(effort.Bending, n*float64(folds), 1, p.Name)
	}
	drilled, tapped := 0., 0.
	for _, h := range b.Holes {
		if h.Made != sheet.MadeCut {
			drilled += n
		}
		if h.Use == sheet.UseTapped {
			tapped += n
		}
	}
	once := func(many float64) float64 { return math.Min(many, 1) }
	g.add(effort.Drilling, drilled, once(drilled), p.Name)
	g.add(effort.Tapping, tapped, once(tapped), p.Name)
	long := seamsOf(r) / 1000 * n
	if b.Round != nil && b.Round.Closed {
		long += b.Round.Seam / 1000 * n
	}
	g.weld(s.laidBy(r.Material, r.Thickness, r.Thickness, long, r.Thickness), once(long*1000), p.Name)
	rough := 0.
	if r.Process == "plasma" || r.Process == "hand" {
		rough = b.CutLength / 1000 * n
	}
	g.add(effort.Dressing, rough, 0, p.Name)
	g.dressed += rough
	if r.Process == "hand" {
		g.handCut += b.Outline.Length() * r.Thickness * n
	}
	if m, err := stock.MaterialByKey(r.Material); err == nil {
		g.paint(m, 2*b.Area*1e-6*n, p.Name)
		g.kilos[r.Material] += x * y * r.Thickness * m.Density * 1e-9 * n // what is cut off is bought too
	}
}

// seamsOf answers how long the corners of a part that are welded are, mm: the shorter of the two
// flanges that meet.
func seamsOf(r sheet.Recipe) (mm float64) {
	long := map[string]float64{}
	var walk func([]sheet.Flange)
	walk = func(list []sheet.Flange) {
		for _, f := range list {
			long[f.ID] = f.Length
			walk(f.Flanges)
		}
	}
	walk(r.Base.Flanges)
	for _, m := range r.WeldedMeets() {
		mm += math.Min(long[m.A], long[m.B])
	}
	return mm
}

// frameWork adds what a frame takes: its cuts, bends, ends that are fitted and welded all round,
// plates, paint.
func (s Site) frameWork(g *gathering, f Frame, b *shape.Built) {
	n := float64(batchOf(s.Brief, f.Quantity, 1))
	cuts, ends, paint, stocks := 0., 0., 0., map[string]bool{}
	around := map[string]float64{} // m, by name of the member
	for k, x := range b.Pieces {
		if x.Why != "" {
			continue
		}
		cuts += n
		if x.Splice != nil { // of two pieces, fitted and welded to what splices them
			cuts, ends = cuts+n, ends+n
			first, second, _ := b.SpliceSides(k)
			t := member.Thickness(x.Section)
			for _, side := range append(first, second...) {
				g.weld(s.laidBy(f.Doc.Material, t, t, lengthOf(side.Path)/1000*n, t), 0, f.Name)
			}
		}
		stocks[x.Stock] = true
		paint += x.Paint * n
		if x.Middle > 0 {
			around[x.Name] = x.Paint / (x.Middle / 1000)
		}
		for _, e := range x.Ends {
			if e.Onto == "" || e.Kind == member.Fold || e.Kind == member.Bent {
				continue
			}
			ends += n
			t := member.Thickness(x.Section)
			g.weld(s.laidBy(f.Doc.Material, t, t, around[x.Name]*n, t), 0, f.Name)
		}
	}
	for _, p := range b.Plates {
		ends += n
		g.weld(s.laidBy(f.Doc.Material, p.Thickness, p.Thickness, around[p.Owner]*n, p.Thickness), 0, f.Name)
	}
	g.add(effort.Sawing, cuts, float64(len(stocks)), f.Name)
	g.add(effort.Fitting, ends, math.Min(ends, 1), f.Name)
	bends := 0.
	for _, x := range b.Formed {
		bends += float64(len(x.Pieces)-1) * n
	}
	g.add(effort.Bending, bends, math.Min(bends, 1), f.Name)
	g.paint(b.Steel, paint, f.Name)
	g.kilos[f.Doc.Material] += b.Mass * n
}

// metal prices what is bought by weight.
func (s Site) metal(e *Effort, kilos map[string]float64, more float64) {
	sum, any := 0., false
	for _, key := range slices.Sorted(keysOf(kilos)) {
		m, err := stock.MaterialByKey(key)
		if err != nil || kilos[key] == 0 {
			continue
		}
		price, is := s.Shop.PriceOf(m)
		if !is {
			e.Unpriced = append(e.Unpriced, m.Name)
			continue
		}
		sum, any = sum+kilos[key]*more*price, true
	}
	if any {
		e.Metal = &sum
	}
}

func keysOf(m map[string]float64) func(yield func(string) bool) {
	return func(yield func(string) bool) {
		for k := range m {
			if !yield(k) {
				return
			}
		}
	}
}
