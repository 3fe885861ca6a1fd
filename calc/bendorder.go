package calc

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// OrderRequest of bend.order.
type OrderRequest struct {
	Part  sheet.Recipe `json:"part"`
	Brake OrderBrake   `json:"brake"`
	Tools []OrderTool  `json:"tools,omitempty" doc:"punches, dies and fingers; usual ones when left out"`
}

// OrderTool is a tool, by its sizes or its outline.
type OrderTool struct {
	Kind    shop.BendKind `json:"kind" enum:"straight,gooseneck,die,fingers"`
	Angle   float64       `json:"angle,omitempty" doc:"degrees, of a punch's tip or a die's opening"`
	Width   float64       `json:"width,omitempty" doc:"mm, of a punch's body or a die's block"`
	Height  float64       `json:"height,omitempty" doc:"mm"`
	Opening float64       `json:"opening,omitempty" doc:"mm, of a die"`
	Throat  float64       `json:"throat,omitempty" doc:"mm, how far a gooseneck's neck stands back"`
	Nose    float64       `json:"nose,omitempty" doc:"mm, of a finger"`
	Lean    float64       `json:"lean,omitempty" doc:"degrees, of a finger's front"`
	Outline profile.Loop  `json:"outline,omitempty" doc:"instead of sizes: x to the back stop, y up"`
	Pieces  []float64     `json:"pieces,omitempty" doc:"mm, lengths it comes in; as long as the machine when left out"`
}

func (t OrderTool) of(i int) shop.BendTool {
	b := shop.BendTool{ID: fmt.Sprint("tool", i), Kind: t.Kind, Angle: t.Angle, Width: t.Width, Height: t.Height, Opening: t.Opening,
		Throat: t.Throat, Nose: t.Nose, Lean: t.Lean, Outline: t.Outline}
	for k, p := range t.Pieces {
		b.Pieces = append(b.Pieces, shop.BendPiece{ID: fmt.Sprint(b.ID, "-", k), Long: p})
	}
	return b
}

// OrderBrake is the machine.
type OrderBrake struct {
	Sort   string             `json:"sort" enum:"press,pan,folder,vice"`
	Limits map[string]float64 `json:"limits,omitempty" doc:"mm, by the keys of the Shop's brakes: long, open, beam, floor, stop; usual ones when left out"`
}

// OrderAnswer of bend.order.
type OrderAnswer struct {
	Goes     bool              `json:"goes" doc:"an order was found that runs into nothing"`
	Found    bending.Found     `json:"found" enum:"exact,search" doc:"exact: every state of the body was looked at"`
	Looked   int               `json:"looked" doc:"states that were looked at"`
	Over     int               `json:"over" doc:"times the sheet is turned over"`
	Round    int               `json:"round" doc:"times it is turned round"`
	Steps    []OrderStep       `json:"steps"`
	Conflict *OrderConflict    `json:"conflict,omitempty" doc:"what stands in the way; left out when it goes"`
	Usual    []string          `json:"usual" doc:"what was taken as usual"`
	Working  []working.Working `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// OrderStep is one stroke.
type OrderStep struct {
	IDs      []string  `json:"ids" doc:"of the flanges it bends"`
	SideUp   string    `json:"sideUp" enum:"good,back"`
	Turned   bool      `json:"turned" doc:"turned over since the step before"`
	Round    float64   `json:"round" doc:"degrees turned round since the step before"`
	Angle    float64   `json:"angle" doc:"degrees turned from flat"`
	Aim      *float64  `json:"aim" doc:"degrees, springback allowed for; null when the sheet takes no set"`
	Stop     *float64  `json:"stop" doc:"mm from the bend line; null when it is bent to the line"`
	StopAt   string    `json:"stopAt"`
	Tool     string    `json:"tool"`
	Long     float64   `json:"long" doc:"mm, of the tool as set up"`
	Pieces   []float64 `json:"pieces" doc:"mm, that it is put together of"`
	Force    *float64  `json:"force" doc:"N; null where no press makes it"`
	Overhang float64   `json:"overhang" doc:"mm of sheet that hangs out of the tools"`
	Clear    float64   `json:"clear" doc:"mm, at least, to what it does not rest on"`
}

// OrderConflict is what stands in the way.
type OrderConflict struct {
	IDs    []string `json:"ids"`
	Says   string   `json:"says"`
	Ways   []string `json:"ways" doc:"ways out, in the order they are tried"`
	Proven bool     `json:"proven" doc:"there is no order with these tools; else none was found"`
}

func bendOrder(ctx context.Context, r OrderRequest) (OrderAnswer, error) {
	w := shop.Shop{Machines: []shop.Machine{{ID: "brake", Kind: shop.Brake, Sort: r.Brake.Sort, Name: "the brake",
		Limits: r.Brake.Limits}}}
	for i, t := range r.Tools {
		w.BendTools = append(w.BendTools, t.of(i))
	}
	if err := w.Check(); err != nil {
		var f *working.Fault
		if errors.As(err, &f) { // at where it was asked
			f.Path = strings.NewReplacer("/machines/0", "/brake", "/bendTools", "/tools").Replace(f.Path)
		}
		return OrderAnswer{}, err
	}
	opt := made.Options{Display: quantity.Display{Style: quantity.Metric}, Until: ctx}
	opt.Brakes, _ = w.Bends(r.Part, false)
	if len(opt.Brakes) == 0 {
		_, others := w.Bends(r.Part, false)
		opt.Brakes = others
	}
	b, err := made.Bend(r.Part, opt, nil)
	if err != nil {
		return OrderAnswer{}, working.Under("/part", err)
	}
	a := OrderAnswer{Goes: b.Goes, Found: b.Found, Looked: b.Looked, Over: b.Over, Round: b.Round, Steps: []OrderStep{}, Usual: b.Usual,
		Working: []working.Working{b.Working}, Findings: []working.Finding{}}
	if c := b.Conflict; c != nil {
		a.Conflict = &OrderConflict{c.IDs, c.Says, c.Ways, c.Proven}
	}
	for _, s := range b.Steps {
		o := OrderStep{IDs: s.IDs, SideUp: s.SideUp, Turned: s.Turned, Round: s.Round, Angle: s.Angle, Aim: s.Aim, StopAt: s.StopAt,
			Tool: s.Upper.Name, Long: s.Upper.Setup.Long, Pieces: append([]float64{}, s.Upper.Setup.Pieces...), Force: s.Force,
			Overhang: s.Overhang.MM, Clear: s.Clear}
		if s.Stop != nil {
			o.Stop = &s.Stop.MM
		}
		a.Steps = append(a.Steps, o)
	}
	return a, nil
}
