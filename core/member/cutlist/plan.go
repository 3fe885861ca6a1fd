// Package cutlist lists the pieces of a frame as they are cut, alike ones together,
// and lays them on sticks and remnants.
package cutlist

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/tube"
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
	Saw      member.Saw        `json:"saw" doc:"as it is cut by, with what is usual where nothing is said"`
}

// CutRow is pieces that are cut alike.
type CutRow struct {
	Mark     string            `json:"mark"`
	Stock    string            `json:"stock"`
	Section  section.Sizes     `json:"section"`
	Quantity int               `json:"quantity"`
	Length   float64           `json:"length" doc:"mm, long point to long point, finished"`
	Trim     float64           `json:"trim,omitempty" doc:"mm left on until the final survey"`
	CutTo    float64           `json:"cutTo" doc:"mm, with the trim"`
	Short    float64           `json:"short" doc:"mm between short points"`
	Faces    [4]float64        `json:"faces" doc:"mm along top, bottom, left, right"`
	Starts   [4]float64        `json:"starts" doc:"mm from the first long point to where each face starts"`
	Ends     [2]shape.Cut      `json:"ends"`
	Mass     float64           `json:"mass" doc:"kg each"`
	Names    []string          `json:"names"`
	Pieces   []string          `json:"pieces" doc:"ids of the members"`
	Twin     string            `json:"twin,omitempty" doc:"mark of its mirror image"`
	Notes    []string          `json:"notes,omitempty"`
	Corners  []shape.CornerCut `json:"corners,omitempty" doc:"of a piece of several members: where the straight piece is notched or bent"`

	Bend *tube.BendInput `json:"bend,omitempty" doc:"the bending sheet's request"`
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

	Working *working.Working `json:"working,omitempty" doc:"of how few sticks there can be"`
}

// StickLayout is one stick with its pieces in order.
type StickLayout struct {
	Name   string       `json:"name" doc:"new stick 1, remnant 2"`
	Length float64      `json:"length" doc:"mm"`
	Pieces []StickPiece `json:"pieces"`
	Left   float64      `json:"left" doc:"mm left over"`
	Mass   float64      `json:"mass" doc:"kg of the whole stick"`
	past   float64      // mm it would run past the stick
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

// Usual answers the saw with what is usual where nothing is said: sticks of 6 m and a kerf
// of 3 mm, where inches are spoken of 20 ft and 1/8 in.
func Usual(s member.Saw, inches bool) member.Saw {
	stick, kerf := 6000., 3.
	if inches {
		stick, kerf = 20*304.8, 25.4/8
	}
	s.Stick, s.Kerf, s.SawLimit = cmp.Or(s.Stick, stick), cmp.Or(s.Kerf, kerf), cmp.Or(s.SawLimit, member.SawTurns)
	return s
}

// CutList answers the cut list and the sticks it comes out of.
func Plan(ctx context.Context, b *shape.Built, saw member.Saw) CutList {
	saw = Usual(saw, false)
	c := CutList{Saw: saw, Rows: rows(b), Stocks: []StockPlan{}, Findings: []working.Finding{}}
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
		p := c.stock(ctx, stock, by[stock], saw, b.Steel.Density)
		c.Bought += p.Mass
		c.Stocks = append(c.Stocks, p)
	}
	c.Cost = c.Bought * saw.PerKilo
	return c
}

// stock plans the sticks of one section: remnants first, then the fewest new
// ones.
func (c *CutList) stock(ctx context.Context, stock string, rows []int, saw member.Saw, density float64) StockPlan {
	p := StockPlan{Stock: stock, Stick: saw.Stick, Sticks: []StickLayout{}}
	props, err := section.Work(func() section.Sizes { s := c.Rows[rows[0]].Section; s.Density = density; return s }())
	perMM := props.MassPerMetre / 1000
	if err != nil {
		perMM = 0
	}
	var left []StickPiece
	for _, i := range rows {
		r := c.Rows[i]
		for _, k := range r.Corners {
			if k.Kind == member.Fold && k.Width <= saw.Kerf {
				c.Findings = append(c.Findings, working.Finding{Code: "narrow-v", Severity: working.Mind, Cause: "Cutting", Feature: r.Mark,
					Reason: fmt.Sprintf("%s: the V at %s opens only %.1f mm, and the saw cuts %.1f mm: one cut of it leaves a gap to weld over.", r.Mark,
						k.Name, k.Width, saw.Kerf)})
			}
		}
		if r.CutTo > saw.Stick-saw.Waste+1e-9 {
			c.Findings = append(c.Findings, working.Finding{Code: "too-long", Severity: working.Stop, Cause: "Cutting", Feature: r.Mark,
				Reason: fmt.Sprintf("%s is %.0f mm long and does not come out of a stick of %.0f mm: splice it away from its largest moment, or buy "+
					"longer sticks.", r.Mark, r.CutTo, saw.Stick)})
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
	if err := c.fewest(ctx, &p, left, saw, perMM); err != nil {
		c.Findings = append(c.Findings, working.Finding{Code: "sticks", Severity: working.Stop, Cause: "Cutting",
			Feature: stock, Reason: err.Error()})
		p.Says = err.Error()
	}
	return p
}
