package cutlist

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/member"
	"warmanvil/core/nest"
	"warmanvil/core/working"
)

// shares tells whether one cut can serve this end and the next piece's.
func (r CutRow) shares(e int) bool {
	m := r.Ends[e]
	return m.Saw > 0 && m.Tilt == 0 && m.Hole == nil && r.Trim == 0 && r.Section.Kind != "angle" && r.Section.Kind != "channel"
}

// fewest lays pieces into the fewest new sticks. It plans by long points first;
// where mitres laid back to back could save a stick, it tries plans of what the
// pieces then take. The bound counts every mitre as shared, so no plan beats it.
func (c *CutList) fewest(ctx context.Context, p *StockPlan, left []StickPiece, saw member.Saw, perMM float64) error {
	plan := func(stick float64, length func(StickPiece) float64) (nest.SticksResult, [][]StickPiece, error) {
		return grouped(ctx, left, saw, stick, length)
	}
	lay := func(groups [][]StickPiece) (out []StickLayout, fits bool) {
		for k, on := range groups {
			s := c.lay(fmt.Sprintf("new stick %d", k+1), saw.Stick, saw.Waste, on, saw, perMM)
			if s.past > 1e-6 {
				return nil, false
			}
			out = append(out, s)
		}
		return out, true
	}
	whole := func(x StickPiece) float64 { return x.Length }
	straight, groups, err := plan(saw.Stick, whole)
	if err != nil {
		return err
	}
	sticks, _ := lay(groups)
	// Each shared cut saves its slant once, half of it for either piece.
	widest := 0.0
	least := func(x StickPiece) float64 {
		r, l := c.Rows[x.row], x.Length
		for e := range 2 {
			if r.shares(e) && !saw.LongMitre {
				l -= r.Ends[e].Slant / 2
				widest = math.Max(widest, r.Ends[e].Slant)
			}
		}
		return math.Max(l, x.Length/2)
	}
	bound := straight.LowerBound
	tried := 0
	if bounded, tight, err := plan(saw.Stick, least); err == nil && widest > 0 {
		bound = min(bounded.LowerBound, straight.Sticks)
		for _, shorter := range []float64{-1, 0, .5, 1, 1.5} { // the first and last mitre of a stick are shared with nothing
			g := tight
			if shorter >= 0 && len(sticks) > bound {
				if _, g, err = plan(saw.Stick-shorter*widest, least); err != nil {
					break
				}
			}
			if len(g) >= len(sticks) {
				continue
			}
			tried++
			if better, fits := lay(g); fits {
				sticks = better
			}
		}
	}
	p.Sticks = append(p.Sticks, sticks...)
	p.New, p.LowerBound = len(sticks), bound
	p.Proven = p.New == bound
	p.Mass = float64(p.New) * saw.Stick * perMM
	switch {
	case p.Proven:
		p.Says = "no plan needs fewer"
	case straight.Proven && p.New == straight.Sticks:
		p.Says = fmt.Sprintf("no plan by long points needs fewer; whether %d would do with more mitres back to back is not known", bound)
	default:
		p.Says = fmt.Sprintf("no plan needs fewer than %d; whether %d will do is not known", bound, bound)
	}
	w := straight.Working
	w.Assumptions = append(slices.Clone(w.Assumptions),
		"pieces count from long point to long point; plans with mitres back to back are tried where they could save a stick",
		"the bound counts every mitre that can be shared as shared")
	w.Steps = []working.Quantity{{Symbol: "≥l", Name: "by long points no plan needs fewer than", Value: float64(straight.LowerBound)},
		{Symbol: "≥", Name: "with mitres back to back no plan needs fewer than", Value: float64(bound)},
		{Symbol: "t", Name: "plans tried back to back", Value: float64(tried)}}
	w.Result.Value = float64(p.New)
	p.Working = &w
	return nil
}

// grouped plans pieces on sticks of a length in mm and answers which lie together,
// the longest first; length is what a piece counts as.
func grouped(ctx context.Context, pieces []StickPiece, saw member.Saw, stick float64, length func(StickPiece) float64) (nest.SticksResult,
	[][]StickPiece, error) {
	in := nest.SticksInput{Stock: stick - saw.Waste, Kerf: saw.Kerf, LastCutNeedsKerf: saw.LastKerf}
	for _, x := range pieces {
		in.Pieces = append(in.Pieces, nest.Piece{Length: length(x), Quantity: 1})
	}
	r, err := nest.Sticks(ctx, in)
	rest, out := slices.Clone(pieces), [][]StickPiece{}
	for _, lengths := range r.Layout {
		var on []StickPiece
		for _, l := range lengths {
			i := slices.IndexFunc(rest, func(x StickPiece) bool { return math.Abs(length(x)-l) < 1e-6 })
			on = append(on, rest[i])
			rest = slices.Delete(rest, i, i+1)
		}
		slices.SortStableFunc(on, func(a, b StickPiece) int { return cmp.Compare(b.Length, a.Length) })
		out = append(out, on)
	}
	return r, out, err
}
