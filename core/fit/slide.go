package fit

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Inner is what goes in: its outside.
type Inner struct {
	Width  float64 `json:"width" doc:"mm outside"`
	Height float64 `json:"height,omitempty" doc:"mm outside; of a round one left out"`
	Corner float64 `json:"corner,omitempty" doc:"mm, outside corner radius"`
	Plus   float64 `json:"plus,omitempty" doc:"mm it may be larger"`
	Minus  float64 `json:"minus,omitempty" doc:"mm it may be smaller, as a positive number"`
	Coat   float64 `json:"coat,omitempty" doc:"mm a face"`
}

// Outer is what it goes into: its inside.
type Outer struct {
	Width  float64 `json:"width" doc:"mm inside"`
	Height float64 `json:"height,omitempty" doc:"mm inside; of a round one left out"`
	Corner float64 `json:"corner,omitempty" doc:"mm, inside corner radius"`
	Plus   float64 `json:"plus,omitempty" doc:"mm it may be larger"`
	Minus  float64 `json:"minus,omitempty" doc:"mm it may be smaller, as a positive number"`
	Coat   float64 `json:"coat,omitempty" doc:"mm a face"`
	Seam   float64 `json:"seam,omitempty" doc:"mm the weld bead stands in"`
}

// FitInput are two sections that slide, or a liner between them.
type FitInput struct {
	Inner  Inner   `json:"inner"`
	Outer  Outer   `json:"outer"`
	Liner  float64 `json:"liner,omitempty" doc:"mm a face, before it is squashed"`
	Squash float64 `json:"squash,omitempty" doc:"share the liner is squashed by, 0 to 0.9"`
	Want   float64 `json:"want,omitempty" doc:"mm of clearance a side that is wanted; 0.25 when left out"`
}

// Side is the clearance of one way.
type Side struct {
	Nominal float64 `json:"nominal" doc:"mm a side"`
	Min     float64 `json:"min" doc:"mm a side at the worst"`
	Max     float64 `json:"max" doc:"mm a side at the loosest"`
	Shim    float64 `json:"shim" doc:"mm a side that would centre it"`
}

// FitResult says whether it goes in.
type FitResult struct {
	Across   Side              `json:"across"`
	Upright  *Side             `json:"upright,omitempty"`
	Corner   *float64          `json:"corner,omitempty" doc:"mm between the corners at the worst, negative when they bind"`
	Goes     string            `json:"goes" enum:"free,tight,binds"`
	Mask     string            `json:"mask,omitempty" doc:"face to mask from the coat"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Slide answers the clearance of a section in another with coats, seam and
// corners. It fails with *working.Fault.
func Slide(in FitInput) (FitResult, error) {
	i, o := in.Inner, in.Outer
	if in.Want == 0 {
		in.Want = .25
	}
	if err := in.check(); err != nil {
		return FitResult{}, err
	}
	liner := in.Liner * (1 - in.Squash)
	side := func(outside, inside float64) Side {
		take := i.Coat + o.Coat + liner
		s := Side{Nominal: (inside-outside-o.Seam)/2 - take}
		s.Min = (inside-o.Minus-outside-i.Plus-o.Seam)/2 - take
		s.Max = (inside+o.Plus-outside+i.Minus-o.Seam)/2 - take
		s.Shim = math.Max(s.Nominal-in.Want, 0)
		return s
	}
	r := FitResult{Across: side(i.Width, o.Width), Findings: []working.Finding{}}
	least, bare := r.Across.Min, r.Across.Min+i.Coat+o.Coat
	if i.Height > 0 {
		u := side(i.Height, o.Height)
		r.Upright = &u
		least = math.Min(least, u.Min)
		bare = math.Min(bare, u.Min+i.Coat+o.Coat)
		gap := corner(i, o, liner)
		r.Corner = &gap
	}
	word := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Fit", Reason: fmt.Sprintf(text, args...)})
	}
	r.Goes = "free"
	switch {
	case least < 0 || r.Corner != nil && *r.Corner < 0:
		r.Goes = "binds"
	case least < in.Want:
		r.Goes = "tight"
	}
	if r.Corner != nil && *r.Corner < 0 && least >= 0 {
		word("corner", working.Stop, "The corners bind by %.2f mm though the faces are free: the outer's inside radius is larger than the "+
			"inner's. Break the inner's corners or take the next size.", -*r.Corner)
	}
	if least < 0 && bare >= 0 && i.Coat+o.Coat > 0 {
		r.Mask = "inner"
		if o.Coat > i.Coat {
			r.Mask = "outer"
		}
		word("coat", working.Stop, "Bare it goes, coated it binds by %.2f mm a side: mask the %s section's sliding faces.", -least, r.Mask)
	} else if least < 0 {
		word("binds", working.Stop, "At the worst it is %.2f mm a side too large to go in.", -least)
	}
	if o.Seam > 0 {
		word("seam", working.Note, "The seam stands %.1f mm into the outer section: it is counted on one side. Turned to a corner, or filed "+
			"flat, it gives that back.", o.Seam)
	}
	if r.Across.Max > 2 && in.Liner == 0 {
		word("rattle", working.Mind, "Up to %.1f mm a side is loose: it will rattle. Shims of %.2f mm a side centre it.",
			r.Across.Max, r.Across.Shim)
	}
	r.Working = working.Working{Method: "Sliding fit", Source: "difference of sizes at their limits",
		Formula: "a side = (inside − outside − seam)/2 − coats − liner",
		Inputs: []working.Quantity{{Symbol: "I", Name: "inside of the outer", Value: o.Width, Unit: "mm"},
			{Symbol: "O", Name: "outside of the inner", Value: i.Width, Unit: "mm"}, {Symbol: "w", Name: "seam", Value: o.Seam, Unit: "mm"},
			{Symbol: "c", Name: "coats of both faces", Value: i.Coat + o.Coat, Unit: "mm"},
			{Symbol: "l", Name: "liner squashed", Value: liner, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "min", Name: "a side at the worst", Value: r.Across.Min, Unit: "mm"},
			{Symbol: "max", Name: "a side at the loosest", Value: r.Across.Max, Unit: "mm"}},
		Assumptions: []string{"both straight and in line; a bow or a twist takes from the clearance"},
		Result:      working.Quantity{Symbol: "s", Name: "a side", Value: r.Across.Nominal, Unit: "mm"}}
	return r, nil
}

func (in FitInput) check() error {
	i, o := in.Inner, in.Outer
	err := working.First(working.Above("/inner/width", "The inner section's width", i.Width, 0, 1e4, "mm"),
		working.Above("/outer/width", "The outer section's inside width", o.Width, 0, 1e4, "mm"),
		working.Within("/inner/height", "The height", i.Height, 0, 1e4, "mm"),
		working.Within("/outer/height", "The height", o.Height, 0, 1e4, "mm"),
		working.Within("/inner/corner", "The corner radius", i.Corner, 0, i.Width/2, "mm"),
		working.Within("/outer/corner", "The corner radius", o.Corner, 0, o.Width/2, "mm"),
		working.Within("/inner/plus", "The tolerance", i.Plus, 0, 50, "mm"),
		working.Within("/inner/minus", "The tolerance", i.Minus, 0, 50, "mm"),
		working.Within("/outer/plus", "The tolerance", o.Plus, 0, 50, "mm"),
		working.Within("/outer/minus", "The tolerance", o.Minus, 0, 50, "mm"),
		working.Within("/inner/coat", "The coat", i.Coat, 0, 10, "mm"), working.Within("/outer/coat", "The coat", o.Coat, 0, 10, "mm"),
		working.Within("/outer/seam", "The seam", o.Seam, 0, 20, "mm"), working.Within("/liner", "The liner", in.Liner, 0, 100, "mm"),
		working.Within("/squash", "The squash", in.Squash, 0, .9, ""), working.Within("/want", "The clearance wanted", in.Want, 0, 50, "mm"))
	if err == nil && (i.Height == 0) != (o.Height == 0) {
		err = working.Refuse("/inner/height", "One of the two is round and the other not: give both heights, or neither.")
	}
	return err
}

// corner is the least gap over the round of a corner, at the worst sizes, in mm.
// The corners lie on the diagonal: each is its radius's centre plus the radius.
func corner(i Inner, o Outer, liner float64) float64 {
	ix, iy := (i.Width+i.Plus)/2+i.Coat+liner-i.Corner, (i.Height+i.Plus)/2+i.Coat+liner-i.Corner
	ox, oy := (o.Width-o.Minus)/2-o.Coat-o.Corner, (o.Height-o.Minus)/2-o.Coat-o.Corner
	gap := math.Inf(1)
	for k := range 31 {
		s, c := math.Sincos(float64(k) * 3 * math.Pi / 180)
		gap = math.Min(gap, (ox-ix+(o.Corner-i.Corner)*c)*c+(oy-iy+(o.Corner-i.Corner)*s)*s)
	}
	return gap
}

// Stock is a section as bought.
type Stock struct {
	Name          string
	Width, Height float64 // mm outside
}

// Pocketed is a section for a pocket with what centres it.
type Pocketed struct {
	Stock
	ShimAcross, ShimUpright float64 // mm a side
}

// Pocket answers up to three sections nearest below a measured pocket, either
// way up; play is the clearance a side left for sliding it in.
func Pocket(width, height, play float64, table []Stock) (out []Pocketed) {
	for _, s := range table {
		for _, t := range [][2]float64{{s.Width, s.Height}, {s.Height, s.Width}} {
			a, b := (width-t[0])/2-play, (height-t[1])/2-play
			if a < 0 || b < 0 {
				continue
			}
			out = append(out, Pocketed{Stock{s.Name, t[0], t[1]}, a, b})
			if s.Width == s.Height {
				break
			}
		}
	}
	for i := range out {
		for j := i; j > 0 && out[j].ShimAcross+out[j].ShimUpright < out[j-1].ShimAcross+out[j-1].ShimUpright; j-- {
			out[j], out[j-1] = out[j-1], out[j]
		}
	}
	return out[:min(len(out), 3)]
}
