package calc

import (
	"context"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// FlatRequest of flat.
type FlatRequest struct {
	Part sheet.Recipe `json:"part"`
}

// FlatAnswer of flat. Points are [x, y] on the flat pattern, in mm, x along
// the base's front edge, y into the panel, the origin at that corner of the
// base's flat part.
type FlatAnswer struct {
	Area      float64           `json:"area" doc:"mm², net of cut holes"`
	Mass      float64           `json:"mass" doc:"kg"`
	Bounds    FlatBounds        `json:"bounds"`
	Outline   [][3]float64      `json:"outline" doc:"x, y and bulge of each vertex, anticlockwise"`
	Holes     []FlatHole        `json:"holes"`
	BendLines []FlatBend        `json:"bendLines"`
	Press     []FlatPress       `json:"pressLines,omitempty" doc:"of a round: lines it is pressed at, from its left end on"`
	Folded    FoldedAnswer      `json:"folded"`
	CutLength float64           `json:"cutLength" doc:"mm"`
	Pierces   int               `json:"pierces"`
	Working   []working.Working `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

// FlatBounds is the blank's box.
type FlatBounds struct {
	Min [2]float64 `json:"min"`
	Max [2]float64 `json:"max"`
}

// FlatHole is one hole on the flat pattern; a slot has no diameter but a width.
type FlatHole struct {
	ID       string       `json:"id"`
	Centre   [2]float64   `json:"centre"`
	Diameter *float64     `json:"diameter,omitempty" doc:"mm, of a round hole"`
	Outline  [][3]float64 `json:"outline,omitempty" doc:"of a slot"`
}

// FlatBend is the centre line of a bend zone.
type FlatBend struct {
	ID            string     `json:"id"`
	From          [2]float64 `json:"from"`
	To            [2]float64 `json:"to"`
	Angle         float64    `json:"angle" doc:"degrees turned from flat"`
	Up            bool       `json:"up"`
	InsideRadius  float64    `json:"insideRadius"`
	BendAllowance float64    `json:"bendAllowance"`
	KFactor       float64    `json:"kFactor"`
}

// FlatPress is a line a round is pressed at.
type FlatPress struct {
	From  [2]float64 `json:"from"`
	To    [2]float64 `json:"to"`
	Angle float64    `json:"angle" doc:"degrees turned from flat"`
	Up    bool       `json:"up" doc:"towards the outside of the round"`
}

// FoldedAnswer is the folded part: the base's mid-surface is z = 0.
type FoldedAnswer struct {
	Holes []FoldedHole `json:"holes"`
}

// FoldedHole is a hole's centre on the mid-surface and its panel's +z.
type FoldedHole struct {
	ID     string     `json:"id"`
	Centre [3]float64 `json:"centre"`
	Normal [3]float64 `json:"normal"`
}

func flat(ctx context.Context, r FlatRequest) (FlatAnswer, error) {
	p, err := made.Build(r.Part, made.Options{Display: quantity.Display{Style: quantity.Metric}, Until: ctx})
	if err != nil {
		return FlatAnswer{}, working.Under("/part", err)
	}
	if len(p.Outline) == 0 {
		return FlatAnswer{}, working.Refuse("/part/base", "%s", p.Findings[0].Reason)
	}
	a := FlatAnswer{Area: p.Area, Mass: p.Mass, Bounds: FlatBounds{pair(p.Bounds.Min), pair(p.Bounds.Max)}, Outline: loop(p.Outline),
		CutLength: p.CutLength, Pierces: p.Pierces,
		Holes: []FlatHole{}, BendLines: []FlatBend{}, Folded: FoldedAnswer{[]FoldedHole{}}, Findings: p.Findings, Working: []working.Working{}}
	for _, h := range p.Holes {
		f := FlatHole{ID: h.ID, Centre: pair(h.Centre), Outline: loop(h.Loop)}
		if h.Kind == sheet.RoundHole {
			f.Diameter = &h.Diameter
		}
		a.Holes = append(a.Holes, f)
		a.Folded.Holes = append(a.Folded.Holes, FoldedHole{h.ID, h.Body, h.Normal})
	}
	for _, l := range p.BendLines {
		a.BendLines = append(a.BendLines, FlatBend{l.ID, pair(l.From), pair(l.To), l.Angle, l.Up, l.InsideRadius, l.BendAllowance, l.KFactor})
		a.Working = append(a.Working, l.Working)
	}
	if p.Round != nil {
		for _, l := range p.Round.Lines {
			a.Press = append(a.Press, FlatPress{pair(l.From), pair(l.To), l.Angle, l.Up})
		}
	}
	for _, f := range p.Figures {
		a.Working = append(a.Working, f.Working)
	}
	return a, nil
}

func pair(p profile.Point) [2]float64 { return [2]float64{p.X, p.Y} }

func loop(l profile.Loop) [][3]float64 {
	var out [][3]float64
	for _, v := range l {
		out = append(out, [3]float64{v.X, v.Y, v.Bulge})
	}
	return out
}
