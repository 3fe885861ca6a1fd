package member

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/nest"
	"warmanvil/core/section"
	"warmanvil/core/working"
)

// CutList is what the saw cuts and from what.
type CutList struct {
	Rows     []CutRow          `json:"rows" doc:"pieces alike together, by mark"`
	Stocks   []StockPlan       `json:"stocks" doc:"sticks of each section"`
	Mass     float64           `json:"mass" doc:"kg of the pieces"`
	Bought   float64           `json:"bought" doc:"kg of new sticks"`
	Paint    float64           `json:"paint" doc:"m² outside"`
	Cost     float64           `json:"cost,omitempty" doc:"money for new sticks, when a price a kilogram is given"`
	Findings []working.Finding `json:"findings"`
}

// CutRow is pieces that are cut alike.
type CutRow struct {
	Mark     string        `json:"mark"`
	Stock    string        `json:"stock"`
	Section  section.Sizes `json:"section"`
	Quantity int           `json:"quantity"`
	Length   float64       `json:"length" doc:"mm, long point to long point, finished"`
	Trim     float64       `json:"trim,omitempty" doc:"mm left on until the final survey"`
	CutTo    float64       `json:"cutTo" doc:"mm, with the trim"`
	Short    float64       `json:"short" doc:"mm between short points"`
	Faces    [4]float64    `json:"faces" doc:"mm along top, bottom, left, right"`
	Starts   [4]float64    `json:"starts" doc:"mm from the first long point to where each face starts"`
	Ends     [2]Cut        `json:"ends"`
	Mass     float64       `json:"mass" doc:"kg each"`
	Names    []string      `json:"names"`
	Pieces   []string      `json:"pieces" doc:"ids of the members"`
	Twin     string        `json:"twin,omitempty" doc:"mark of its mirror image"`
	Notes    []string      `json:"notes,omitempty"`
}

// StockPlan is the sticks of one section.
type StockPlan struct {
	Stock      string        `json:"stock"`
	Stick      float64       `json:"stick" doc:"mm"`
	New        int           `json:"new" doc:"sticks to buy"`
	LowerBound int           `json:"lowerBound"`
	Proven     bool          `json:"proven"`
	Says       string        `json:"says"`
	Sticks     []StickLayout `json:"sticks"`
	Mass       float64       `json:"mass" doc:"kg of new sticks"`
}

// StickLayout is one stick with its pieces in order.
type StickLayout struct {
	Name   string       `json:"name" doc:"new stick 1, remnant 2"`
	Length float64      `json:"length" doc:"mm"`
	Pieces []StickPiece `json:"pieces"`
	Left   float64      `json:"left" doc:"mm left over"`
	Mass   float64      `json:"mass" doc:"kg of the whole stick"`
}

// StickPiece is a piece on a stick.
type StickPiece struct {
	Mark   string  `json:"mark"`
	At     float64 `json:"at" doc:"mm from the stick's start to its first point"`
	Length float64 `json:"length" doc:"mm"`
	Turned bool    `json:"turned,omitempty" doc:"end for end or over, so that its mitre is the last one's"`
	Shared bool    `json:"shared,omitempty" doc:"its first cut is the last piece's second"`
	row    int
}

// saw answers the saw with what is usual where nothing is said.
func (s Saw) usual() Saw {
	if s.Stick == 0 {
		s.Stick = 6000
	}
	if s.Kerf == 0 {
		s.Kerf = 3
	}
	return s
}

// CutList answers the cut list and the sticks it comes out of.
func (b *Built) CutList(saw Saw) CutList {
	saw = saw.usual()
	c := CutList{Rows: b.rows(), Stocks: []StockPlan{}, Findings: []working.Finding{}}
	for _, p := range b.Pieces {
		if p.Why == "" {
			c.Mass += p.Mass
			c.Paint += p.Paint
		}
	}
	var order []string
	by := map[string][]int{}
	for i, r := range c.Rows {
		if by[r.Stock] == nil {
			order = append(order, r.Stock)
		}
		by[r.Stock] = append(by[r.Stock], i)
	}
	for _, stock := range order {
		p := c.stock(stock, by[stock], saw, b.steel.Density)
		c.Bought += p.Mass
		c.Stocks = append(c.Stocks, p)
	}
	c.Cost = c.Bought * saw.PerKilo
	return c
}

// rows puts pieces alike together and marks them.
func (b *Built) rows() []CutRow {
	var rows []CutRow
	at, hand := map[string]int{}, map[string]string{}
	var stocks []string
	many := map[string]int{}
	add := func(p *Piece, key, other string, r CutRow) {
		if k, ok := at[key]; ok {
			rows[k].Quantity++
			rows[k].Names, rows[k].Pieces = append(rows[k].Names, p.Name), append(rows[k].Pieces, p.ID)
			return
		}
		s := slices.Index(stocks, r.Stock)
		if s < 0 {
			s = len(stocks)
			stocks = append(stocks, r.Stock)
		}
		many[r.Stock]++
		r.Mark = fmt.Sprintf("%s%d", letters(s), many[r.Stock])
		r.Quantity, r.Names, r.Pieces = 1, []string{p.Name}, []string{p.ID}
		at[key] = len(rows)
		if m, ok := hand[key]; ok {
			r.Twin = m
			for i := range rows {
				if rows[i].Mark == m {
					rows[i].Twin = r.Mark
				}
			}
		}
		hand[other] = r.Mark
		rows = append(rows, r)
	}
	for i := range b.Pieces {
		p := &b.Pieces[i]
		if p.Why != "" {
			continue
		}
		r := CutRow{Stock: p.Stock, Section: p.Section, Length: p.Length, Trim: p.Trim, CutTo: p.Length + p.Trim, Short: p.Short, Faces: p.Faces, Starts: p.Starts, Ends: p.Ends, Mass: p.Mass, Notes: slices.Clone(p.Holes)}
		key, twin := p.alike()
		if p.Splice == nil {
			add(p, key, twin, r)
			continue
		}
		// Two pieces, square at the splice.
		cut := Cut{Kind: Square, Cut: 90, Lies: "bottom", Onto: "splice"}
		for k, length := range [2]float64{p.Splice.At, p.Length - p.Splice.At} {
			s := r
			s.Length, s.CutTo, s.Ends[1-k] = length, length, cut
			s.Short = length - p.Ends[k].Slant
			for f := range s.Faces {
				if k == 0 {
					s.Faces[f] = length - s.Starts[f]
				} else {
					s.Faces[f], s.Starts[f] = s.Starts[f]+s.Faces[f]-p.Splice.At, 0
				}
			}
			if k == 1 {
				s.CutTo += p.Trim
			} else {
				s.Trim = 0
			}
			s.Mass = p.Mass * length / p.Length
			s.Notes = append(slices.Clone(r.Notes), p.Splice.Says)
			add(p, fmt.Sprintf("%s/%d", key, k), fmt.Sprintf("%s/%d", twin, k), s)
		}
	}
	return rows
}

// letters counts A … Z, AA ….
func letters(n int) string {
	if n < 26 {
		return string(rune('A' + n))
	}
	return letters(n/26-1) + string(rune('A'+n%26))
}

// alike answers what makes two pieces the same on the saw, and what its mirror
// image would be.
func (p *Piece) alike() (key, twin string) {
	end := func(c Cut) string {
		if c.Hole != nil {
			return fmt.Sprintf("hole %.2f %.2f %.2f", c.Hole.Diameter, c.Hole.Angle, c.Hole.Offset)
		}
		return fmt.Sprintf("%.2f/%.2f/%s", c.Saw, c.Tilt, map[bool]string{true: c.Lies}[c.Saw > 0])
	}
	a, b := end(p.Ends[0]), end(p.Ends[1])
	if !closed(p.Section) && p.Section.Kind != "flatBar" && !round(p.Section) {
		a, b = a+p.Ends[0].Long, b+p.Ends[1].Long // an open section goes one way round only
	} else if b < a {
		a, b = b, a
	}
	// Two mitres lean towards or along one another.
	lean := ""
	if p.Ends[0].Saw > 0 && p.Ends[1].Saw > 0 {
		lean = "across"
		if p.Ends[0].Long == p.Ends[1].Long {
			lean = "same"
		} else if opposite(p.Ends[0].Long, p.Ends[1].Long) {
			lean = "opposite"
		}
	}
	base := fmt.Sprintf("%s|%.1f|%.1f|%s|%s|%s", p.Stock, p.Length, p.Trim, a, b, lean)
	hand := 0.0
	for e := range 2 {
		if p.Ends[e].Tilt > 0 {
			hand += math.Copysign(1, p.turned[e][0]*p.turned[e][1])
		}
	}
	if hand == 0 && (p.Ends[0].Tilt > 0 || p.Ends[1].Tilt > 0 || lean == "across") {
		hand = .5
	}
	if k := p.Section.Kind; (k == "angle" || k == "channel") && (p.Ends[0].Saw > 0 || p.Ends[1].Saw > 0) {
		hand = 1
		if p.Mirrored {
			hand = -1
		}
	}
	return fmt.Sprintf("%s|%g", base, hand), fmt.Sprintf("%s|%g", base, -hand)
}

func opposite(a, b string) bool {
	other := strings.NewReplacer("top", "bottom", "bottom", "top", "left", "right", "right", "left")
	return a != "" && other.Replace(a) == b
}

// stock plans the sticks of one section: remnants first, then the fewest new
// ones.
func (c *CutList) stock(stock string, rows []int, saw Saw, density float64) StockPlan {
	p := StockPlan{Stock: stock, Stick: saw.Stick, Sticks: []StickLayout{}}
	props, err := section.Work(func() section.Sizes { s := c.Rows[rows[0]].Section; s.Density = density; return s }())
	perMM := props.MassPerMetre / 1000
	if err != nil {
		perMM = 0
	}
	var left []StickPiece
	for _, i := range rows {
		r := c.Rows[i]
		if r.CutTo > saw.Stick-saw.Waste+1e-9 {
			c.Findings = append(c.Findings, working.Finding{Code: "too-long", Severity: working.Stop, Cause: "Cutting", Feature: r.Mark, Reason: fmt.Sprintf("%s is %.0f mm long and does not come out of a stick of %.0f mm: splice it away from its largest moment, or buy longer sticks.", r.Mark, r.CutTo, saw.Stick)})
			continue
		}
		for range r.Quantity {
			left = append(left, StickPiece{Mark: r.Mark, Length: r.CutTo, row: i})
		}
	}
	slices.SortStableFunc(left, func(a, b StickPiece) int { return cmp.Compare(b.Length, a.Length) })
	n := 0
	for _, r := range saw.Remnants {
		if r.Stock != stock {
			continue
		}
		for range max(r.Many, 1) {
			n++
			var taken []StickPiece
			taken, left = fill(left, r.Length, saw)
			if len(taken) > 0 {
				p.Sticks = append(p.Sticks, c.lay(fmt.Sprintf("remnant %d", n), r.Length, 0, taken, saw, perMM))
			}
		}
	}
	if len(left) == 0 {
		p.Proven, p.Says = true, "comes out of remnants"
		if len(p.Sticks) == 0 {
			p.Says = "nothing to cut"
		}
		return p
	}
	in := nest.SticksInput{Stock: saw.Stick - saw.Waste, Kerf: saw.Kerf, LastCutNeedsKerf: saw.LastKerf}
	for _, x := range left {
		in.Pieces = append(in.Pieces, nest.Piece{Length: x.Length, Quantity: 1})
	}
	plan, err := nest.Sticks(in)
	if err != nil {
		c.Findings = append(c.Findings, working.Finding{Code: "sticks", Severity: working.Stop, Cause: "Cutting", Feature: stock, Reason: err.Error()})
		p.Says = err.Error()
		return p
	}
	for k, lengths := range plan.Layout {
		var on []StickPiece
		for _, l := range lengths {
			i := slices.IndexFunc(left, func(x StickPiece) bool { return math.Abs(x.Length-l) < 1e-6 })
			on = append(on, left[i])
			left = slices.Delete(left, i, i+1)
		}
		p.Sticks = append(p.Sticks, c.lay(fmt.Sprintf("new stick %d", k+1), saw.Stick, saw.Waste, on, saw, perMM))
	}
	p.New, p.LowerBound, p.Proven = plan.Sticks, plan.LowerBound, plan.Proven
	p.Mass = float64(p.New) * saw.Stick * perMM
	p.Says = "no plan needs fewer, counted by long points"
	if !p.Proven {
		p.Says = fmt.Sprintf("no plan needs fewer than %d; whether %d will do is not known", p.LowerBound, p.LowerBound)
	}
	return p
}

// fill takes the pieces that use most of a remnant, to the millimetre.
func fill(pieces []StickPiece, length float64, saw Saw) (taken, left []StickPiece) {
	room := length
	if !saw.LastKerf {
		room += saw.Kerf
	}
	size := int(room)
	if size <= 0 {
		return nil, pieces
	}
	const none = -1
	last := make([]int, size+1) // piece that reached this much, by the first way found
	from := make([]int, size+1)
	for i := range last {
		last[i] = none
	}
	reached := make([]bool, size+1)
	reached[0] = true
	for k, p := range pieces {
		need := int(math.Ceil(p.Length + saw.Kerf - 1e-9))
		for s := size; s >= need; s-- {
			if !reached[s] && reached[s-need] {
				reached[s], last[s], from[s] = true, k, s-need
			}
		}
	}
	best := size
	for !reached[best] {
		best--
	}
	used := map[int]bool{}
	for s := best; s > 0; s = from[s] {
		used[last[s]] = true
	}
	for k, p := range pieces {
		if used[k] {
			taken = append(taken, p)
		} else {
			left = append(left, p)
		}
	}
	return taken, left
}

// lay sets pieces one after another on a stick, mitres alike back to back: one
// cut then serves both.
func (c *CutList) lay(name string, length, waste float64, pieces []StickPiece, saw Saw, perMM float64) StickLayout {
	s := StickLayout{Name: name, Length: length, Mass: length * perMM, Pieces: []StickPiece{}}
	x := waste
	var last *Cut
	for len(pieces) > 0 {
		pick, turned, shared := 0, false, false
		if last != nil && last.Saw > 0 && last.Tilt == 0 && last.Hole == nil && !saw.LongMitre {
			for i, p := range pieces {
				r := c.Rows[p.row]
				if k := r.Section.Kind; k == "angle" || k == "channel" {
					continue
				}
				for e := range 2 {
					if m := r.Ends[e]; !shared && math.Abs(m.Saw-last.Saw) < .05 && m.Tilt == 0 && m.Hole == nil && m.Lies == last.Lies && r.Trim == 0 {
						pick, turned, shared = i, true, true
					}
				}
			}
		}
		p := pieces[pick]
		pieces = slices.Delete(slices.Clone(pieces), pick, pick+1)
		r := c.Rows[p.row]
		next := r.Ends[1]
		if shared {
			x += -last.Slant + saw.Kerf*(1/math.Cos(last.Saw*math.Pi/180)-1)
			if math.Abs(r.Ends[0].Saw-last.Saw) >= .05 {
				next = r.Ends[0]
			}
		}
		p.At, p.Turned, p.Shared = x, turned && shared, shared
		s.Pieces = append(s.Pieces, p)
		x += p.Length + saw.Kerf
		last = &next
	}
	s.Left = math.Max(length-x+saw.Kerf, 0)
	if saw.LastKerf {
		s.Left = math.Max(length-x, 0)
	}
	return s
}
