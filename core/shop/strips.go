package shop

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// thicknessWithin is how far a strip's thickness may lie from a sheet's to be of it, as a
// share (practice: sheet is rolled to within some per cent, and gauges lie farther apart).
const thicknessWithin = .05

// Of answers the strips of a sheet on a tool: same material, thickness within 5 %.
func (s Shop) Of(material string, thickness float64, tool bend.ToolKind) (out []bend.Coupon) {
	for _, x := range s.Strips {
		if !x.Left && x.Material == material && x.Tool == tool && math.Abs(x.Coupon.Thickness-thickness) <= thicknessWithin*thickness+1e-9 {
			out = append(out, x.Coupon)
		}
	}
	return out
}

// Fill answers a recipe with the strips the shop has of its sheet and tool, and how its machine
// cuts it.
func (s Shop) Fill(r sheet.Recipe) sheet.Recipe {
	r.Cuts = s.Cuts(r.Process, r.Material, r.Thickness)
	r.Bend.Shop = s.Of(r.Material, r.Thickness, r.Tool.Kind)
	return r
}

func (x Strip) check(at string, ids map[string]bool) error {
	if err := working.First(own(at, x.ID, ids), text(at+"/batch", x.Batch, brief.MaxName)); err != nil {
		return err
	}
	if _, err := stock.MaterialByKey(x.Material); err != nil {
		return working.Refuse(at+"/material", "Choose which sheet the strip is of: %v.", err)
	}
	switch {
	case brakes[x.Tool] == nil:
		return working.Refuse(at+"/tool", "A strip is bent in a V die, a pan brake or a vice, not on %q.", string(x.Tool))
	case x.Date != "" && !brief.IsDay(x.Date):
		return working.Refuse(at+"/date", "A day is written as year-month-day, such as 2031-04-30, not %q.", x.Date)
	}
	_, err := bend.FromCoupon(x.Coupon)
	return working.Under(at+"/coupon", err)
}

// StripsTold is what the strips of one sheet on one tool say together.
type StripsTold struct {
	Material  string            `json:"material"`
	Thickness float64           `json:"thickness" doc:"mm, of the first of them"`
	Thick     string            `json:"thick" doc:"the thickness as the shop writes it"`
	Tool      bend.ToolKind     `json:"tool"`
	Count     int               `json:"count"`
	K         float64           `json:"k" doc:"mean"`
	Spread    float64           `json:"spread" doc:"standard deviation of K; 0 for one"`
	Says      string            `json:"says"`
	Springs   string            `json:"springs,omitempty" doc:"what they say of springback; left out where none was read on the tool"`
	Findings  []working.Finding `json:"findings"`
}

// Told answers the means of the strips, sheet by sheet and tool by tool, as they are listed.
func (s Shop) Told() []StripsTold {
	out := []StripsTold{}
	for _, x := range s.Strips {
		if x.Left {
			continue
		}
		known := false
		for _, t := range out {
			known = known || t.Material == x.Material && t.Tool == x.Tool && math.Abs(t.Thickness-x.Coupon.Thickness) <= thicknessWithin*t.Thickness
		}
		if known {
			continue
		}
		t := StripsTold{Material: x.Material, Thickness: x.Coupon.Thickness, Thick: s.fine(x.Coupon.Thickness), Tool: x.Tool,
			Findings: []working.Finding{}}
		mean, err := bend.AverageCoupons(s.Of(x.Material, t.Thickness, x.Tool))
		if err != nil {
			t.Says = err.Error()
		} else {
			t.Count, t.K, t.Spread, t.Findings = mean.Count, mean.KFactor, mean.Spread, append(t.Findings, mean.Findings...)
			t.Says = fmt.Sprintf("K %.3f from %d strips, spread %.3f", t.K, t.Count, t.Spread)
			if t.Count == 1 {
				t.Says = fmt.Sprintf("K %.3f from one strip: bend a second to know how far it scatters", t.K)
			}
		}
		var radii []float64 // springback follows R/T: each of its own
		for _, c := range s.Of(x.Material, t.Thickness, x.Tool) {
			k, said := bend.FromStrips(s.Of(x.Material, t.Thickness, x.Tool), c.InsideRadius, c.Thickness)
			if !said || slices.Contains(radii, c.InsideRadius) {
				continue
			}
			radii = append(radii, c.InsideRadius)
			t.Springs += fmt.Sprintf("At R %s %.1f %% of the angle stays, from %d of them. ", s.fine(c.InsideRadius), 100*k.Keeps, k.Count)
		}
		t.Springs = strings.TrimSpace(t.Springs)
		out = append(out, t)
	}
	return out
}
