package site

import (
	"context"
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/goods"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// TradeTry is a sheet a part is tried in.
type TradeTry struct {
	Material  string  `json:"material" doc:"key of the material table"`
	Thickness float64 `json:"thickness" doc:"mm"`
}

// Traded is a part as it would be of another sheet.
type Traded struct {
	TradeTry
	Name      string           `json:"name"`
	Thick     string           `json:"thick"`
	Now       bool             `json:"now,omitempty" doc:"it is this sheet already"`
	Mass      float64          `json:"mass" doc:"kg, each"`
	Blank     string           `json:"blank"`
	Stiffness float64          `json:"stiffness" doc:"of a plate of it in bending, E·T³, against now"`
	Strength  float64          `json:"strength" doc:"of a plate of it in bending until it yields, Fy·T², against now"`
	Cost      *float64         `json:"cost,omitempty" doc:"of the blank's box by the Shop's price by weight; left out where it has none"`
	Stock     string           `json:"stock,omitempty" doc:"what lies there that takes the blank"`
	Free      float64          `json:"free,omitempty"`
	Stops     []string         `json:"stops" doc:"flags that say do not cut"`
	Minds     []string         `json:"minds"`
	Radii     []string         `json:"radii" doc:"inside radii that were made larger for it"`
	Edits     []working.Edit   `json:"edits" doc:"of the recipe, to take it"`
	Why       string           `json:"why,omitempty" doc:"why it could not be built"`
	Working   *working.Working `json:"working,omitempty"`
	Held      *TradedHeld      `json:"held,omitempty" doc:"in its job; left out where the part is of none"`
	recipe    *sheet.Recipe    // as it would be
}

// mostTries is how many sheets a part is tried in at once.
const mostTries = 12

// Trade builds a part of several sheets, side by side: radii under what a sheet takes are made as
// large as it needs, all else stays. It fails with *working.Fault where the recipe is none or too
// much is tried, or with the context's error.
func Trade(until context.Context, b brief.Brief, w shop.Shop, r sheet.Recipe, tries []TradeTry) ([]Traded, error) {
	if len(tries) > mostTries {
		return nil, working.Refuse("/tries", "Up to %d sheets are tried at once, and these are %d.", mostTries, len(tries))
	}
	if err := working.Under("/recipe", r.Validate()); err != nil {
		return nil, err
	}
	now, err := stock.MaterialByKey(r.Material)
	if err != nil {
		return nil, err
	}
	out := []Traded{}
	for i, try := range tries {
		if until.Err() != nil {
			return nil, until.Err()
		}
		m, err := stock.MaterialByKey(try.Material)
		if err != nil {
			return nil, working.Refuse(fmt.Sprintf("/tries/%d/material", i), "Choose what it is made of.")
		}
		if err := working.Above(fmt.Sprintf("/tries/%d/thickness", i), "The thickness", try.Thickness, 0, 100, "mm"); err != nil {
			return nil, err
		}
		t := Traded{TradeTry: try, Name: m.Name, Stops: []string{}, Minds: []string{}, Radii: []string{}, Edits: []working.Edit{},
			Now:       try.Material == r.Material && math.Abs(try.Thickness-r.Thickness) < 1e-9,
			Stiffness: m.Modulus * math.Pow(try.Thickness, 3) / (now.Modulus * math.Pow(r.Thickness, 3)),
			Strength:  m.Yield * try.Thickness * try.Thickness / (now.Yield * r.Thickness * r.Thickness)}
		t.build(until, b, w, r, m)
		t.Working = tradeWorking(r, now, try, m, t)
		out = append(out, t)
	}
	return out, nil
}

func (t *Traded) build(until context.Context, b brief.Brief, w shop.Shop, r sheet.Recipe, m stock.Material) {
	p := told.Pen{Display: b.Display()}
	t.Thick = p.MM(t.Thickness)
	if text, err := b.Display().Given(t.Thickness); err == nil {
		t.Thick = text
	}
	t.Edits = append(t.Edits, working.Edit{Path: "/material", Value: t.Material}, working.Edit{Path: "/thickness", Value: t.Thickness})
	if r.Gauge != nil && !t.Now {
		t.Edits = append(t.Edits, working.Edit{Path: "/gauge"})
	}
	if !t.Now {
		_, along := m.SmallestRadius(t.Thickness)
		t.widen("/base", r.Base.Flanges, along, p)
	}
	next, err := sheet.ApplyEdits(r, t.Edits)
	if err != nil {
		t.Why = b.Refused(err)
		return
	}
	opt := CheckedOptions(b, w, Part{Recipe: next, Quantity: 1}, nil)
	opt.Until = until
	built, err := made.Build(next, opt)
	switch {
	case err != nil:
		t.Why = b.Refused(err)
		return
	case !built.Whole:
		t.Why = "It cannot be unfolded of this sheet."
		return
	}
	t.recipe = &next
	x, y := built.Bounds.Size()
	t.Mass, t.Blank = built.Mass, p.MM(x)+" × "+p.MM(y)
	for _, f := range built.Findings {
		switch {
		case f.SetAside != "":
		case f.Severity == working.Stop:
			t.Stops = append(t.Stops, f.Reason)
		case f.Severity == working.Mind:
			t.Minds = append(t.Minds, f.Reason)
		}
	}
	if price, is := w.PriceOf(m); is {
		cost := x * y * t.Thickness * m.Density * 1e-9 * price
		t.Cost = &cost
	}
	got, err := goods.Choose(goods.Need{Kind: goods.Sheet, Material: t.Material, Thickness: t.Thickness, Outline: built.Outline},
		w.Sheets())
	if err == nil && len(got) > 0 {
		for _, l := range w.Stock {
			if l.ID == got[0].Line {
				t.Stock, t.Free = l.Called(p.MM), got[0].Free
			}
		}
	}
}

// Prove asks of every sheet a part was tried in how the part holds in its job: its brackets
// and joints, what of the rest becomes worse, what rusts. A sheet it cannot be built of is not
// asked.
func (s Site) Prove(id string, list []Traded) {
	var recipes []sheet.Recipe
	var at []int
	for i, t := range list {
		if t.recipe != nil {
			recipes, at = append(recipes, *t.recipe), append(at, i)
		}
	}
	for k, held := range s.TradeHeld(id, recipes) {
		list[at[k]].Held = &held
	}
}

// widen makes radii as large as a sheet needs.
func (t *Traded) widen(at string, list []sheet.Flange, least float64, p told.Pen) {
	for i, f := range list {
		path := fmt.Sprintf("%s/flanges/%d", at, i)
		if f.Form().Die && f.InsideRadius < least-1e-9 {
			to := sheet.HalfUp(least)
			t.Edits = append(t.Edits, working.Edit{Path: path + "/insideRadius", Value: to})
			name := f.Name
			if name == "" {
				name = string(f.Edge)
			}
			t.Radii = append(t.Radii, fmt.Sprintf("%s: R %s", strings.ToLower(name), p.MM(to)))
		}
		t.widen(path, f.Flanges, least, p)
	}
}

func tradeWorking(r sheet.Recipe, now stock.Material, try TradeTry, m stock.Material, t Traded) *working.Working {
	w := working.Working{Method: "A part in another sheet",
		Source:  "bending of a plate, elementary; strengths and moduli of the material table",
		Formula: "stiffness = E·T³ / (E·T³) now; strength = Fy·T² / (Fy·T²) now",
		Inputs: []working.Quantity{working.MM("T", "thickness tried", try.Thickness), {Symbol: "E", Name: "its modulus",
			Value: m.Modulus, Unit: "MPa"},
			{Symbol: "Fy", Name: "its yield strength", Value: m.Yield, Unit: "MPa"}, working.MM("T now", "thickness now", r.Thickness),
			{Symbol: "E now", Name: "modulus now", Value: now.Modulus, Unit: "MPa"}, {Symbol: "Fy now", Name: "yield strength now",
				Value: now.Yield,
				Unit:  "MPa"}},
		Steps: []working.Quantity{{Symbol: "strength", Name: "against now", Value: t.Strength}},
		Assumptions: []string{"the same shape carries the same load as a plate in bending; flanges, holes and bolts are asked on " +
			"the Hold bench",
			"cost is the box of the blank by weight: what a sheet leaves over is not in it"},
		Result: working.Quantity{Symbol: "stiffness", Name: "against now", Value: t.Stiffness}}
	return &w
}
