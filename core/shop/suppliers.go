package shop

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Supplier is somebody work is sent to, or things are bought from.
type Supplier struct {
	ID     string             `json:"id"`
	Name   string             `json:"name"`
	Does   string             `json:"does,omitempty" doc:"what is asked there: cutting, bending, coating, bolts"`
	Days   *float64           `json:"days,omitempty" doc:"usual, from asking to having it"`
	Rules  map[string]float64 `json:"rules,omitempty" doc:"by the key of the rules' table, mm; what is not said is not asked"`
	Note   string             `json:"note,omitempty"`
	Quotes []Quote            `json:"quotes,omitempty" doc:"what was asked and answered, oldest first"`
}

// Quote is what was asked of a supplier for one state of a part, and the answer.
type Quote struct {
	ID       string   `json:"id"`
	Part     string   `json:"part" doc:"id of the part"`
	Name     string   `json:"name" doc:"of the part, then"`
	Revision int      `json:"revision" doc:"of the part, as it was asked with"`
	Count    int      `json:"count"`
	Asked    string   `json:"asked" doc:"year-month-day"`
	Price    *float64 `json:"price,omitempty" doc:"for all of them, in the shop's money"`
	Days     *float64 `json:"days,omitempty"`
	Refused  string   `json:"refused,omitempty" doc:"why it was refused"`
}

// Price is what something costs.
type Price struct {
	ID     string  `json:"id"`
	What   string  `json:"what"`
	Price  float64 `json:"price" doc:"in the shop's money"`
	Per    string  `json:"per,omitempty" doc:"piece when left out: kg, m, sheet"`
	Date   string  `json:"date,omitempty" doc:"year-month-day"`
	Source string  `json:"source,omitempty" doc:"who said so"`
}

// RuleOf is one rule a supplier may have.
type RuleOf struct {
	Key  string `json:"key"`
	Text string `json:"text"`
}

// SupplierRules answers the rules that are checked before a supplier is asked.
func SupplierRules() []RuleOf { return supplierRules }

var supplierRules = []RuleOf{{"long", "Bed, long"}, {"wide", "Bed, wide"}, {"thickest", "Thickest sheet"}, {"thinnest", "Thinnest sheet"},
	{"bend", "Longest bend"}, {"flange", "Smallest flange, outside"}, {"hole", "Smallest hole"}, {"edge", "Hole to edge, at least"}}

// Broken is a rule of a supplier that a part does not keep.
type Broken struct {
	Rule string `json:"rule" doc:"its key"`
	Says string `json:"says"`
}

// Breaks answers the rules of a supplier that a part, built of a recipe, does not keep; length
// writes lengths.
func (s Supplier) Breaks(r sheet.Recipe, p made.Part, length func(mm float64) string) []Broken {
	out := []Broken{}
	say := func(rule, format string, args ...any) { out = append(out, Broken{rule, fmt.Sprintf(format, args...)}) }
	rule := func(key string) (v float64, asked bool) { v, asked = s.Rules[key]; return v, asked && v > 0 }
	const tiny = 1e-6
	x, y := p.Bounds.Size()
	long, a := rule("long")
	wide, b := rule("wide")
	if a || b {
		bed := [2]float64{math.Inf(1), math.Inf(1)}
		if a {
			bed[0] = long
		}
		if b {
			bed[1] = wide
		}
		if _, fits := profile.RectangleIn(x, y, math.Min(bed[0], 1e6), math.Min(bed[1], 1e6)); !fits {
			say("long", "the blank of %s × %s is larger than the bed", length(x), length(y))
		}
	}
	if v, asked := rule("thickest"); asked && r.Thickness > v+tiny {
		say("thickest", "%s is thicker than %s", length(r.Thickness), length(v))
	}
	if v, asked := rule("thinnest"); asked && r.Thickness < v-tiny {
		say("thinnest", "%s is thinner than %s", length(r.Thickness), length(v))
	}
	for _, l := range p.FoldLines() {
		if v, asked := rule("bend"); asked && l.Long() > v+tiny {
			say("bend", "the bend of %s is %s long, over %s", l.Name, length(l.Long()), length(v))
		}
	}
	for _, l := range p.BendLines {
		for _, panel := range p.Panels {
			leg := panel.Seat.Height + outside(l, r.Thickness)
			if v, asked := rule("flange"); asked && panel.ID == l.ID && leg < v-tiny {
				say("flange", "%s is %s outside, under %s", l.Name, length(leg), length(v))
			}
		}
	}
	outline := p.Outline.Flatten(.05)
	for _, h := range p.Holes {
		if v, asked := rule("hole"); asked && h.Cut > 0 && h.Cut < v-tiny {
			say("hole", "%s is cut at %s, under %s", h.Name, length(h.Cut), length(v))
		}
		if v, asked := rule("edge"); asked {
			if d := fromEdge(h, outline); d < v-tiny {
				say("edge", "%s is %s from the edge, under %s", h.Name, length(math.Max(d, 0)), length(v))
			}
		}
	}
	return out
}

// outside answers how far past its tangent line a flange is measured: to the apex, to the tangent
// plane where there is none.
func outside(l made.BendLine, thickness float64) float64 {
	if l.Angle > sheet.MaxApex {
		return bend.TangentSetback(l.InsideRadius, thickness, l.Angle)
	}
	return bend.OutsideSetback(l.InsideRadius, thickness, l.Angle)
}

// fromEdge answers how much sheet stands between a hole and the blank's edge, mm.
func fromEdge(h made.HoleMade, outline []profile.Point) float64 {
	if len(h.Loop) > 0 {
		return profile.Between(h.Loop.Flatten(.05), outline)
	}
	return profile.Distance(h.Centre, outline) - h.Cut/2
}

func (s Supplier) check(at string, ids map[string]bool) error {
	err := working.First(own(at, s.ID, ids), text(at+"/name", s.Name, brief.MaxName), text(at+"/does", s.Does, brief.MaxText),
		text(at+"/note", s.Note, brief.MaxText), list(at+"/quotes", len(s.Quotes)), days(at+"/days", s.Days))
	if err != nil {
		return err
	}
	for key, v := range s.Rules {
		known := false
		for _, r := range supplierRules {
			known = known || r.Key == key
		}
		if !known {
			return working.Refuse(at+"/rules/"+key, "%q is no rule of a supplier.", key)
		}
		if err := working.Above(at+"/rules/"+key, "A rule", v, 0, 1e5, "mm"); err != nil {
			return err
		}
	}
	for i, q := range s.Quotes {
		path := fmt.Sprintf("%s/quotes/%d", at, i)
		err := working.First(own(path, q.ID, ids), text(path+"/part", q.Part, brief.MaxName), text(path+"/name", q.Name, brief.MaxName),
			text(path+"/refused", q.Refused, brief.MaxText), days(path+"/days", q.Days), day(path+"/asked", q.Asked),
			working.Within(path+"/count", "How many", float64(q.Count), 0, 1e6, ""), money(path+"/price", q.Price))
		if err != nil {
			return err
		}
	}
	return nil
}

func (p Price) check(at string, ids map[string]bool) error {
	return working.First(own(at, p.ID, ids), text(at+"/what", p.What, brief.MaxName), text(at+"/per", p.Per, brief.MaxName),
		text(at+"/source", p.Source, brief.MaxName), day(at+"/date", p.Date), money(at+"/price", &p.Price))
}

func money(at string, v *float64) error {
	if v == nil {
		return nil
	}
	return working.Within(at, "A price", *v, 0, 1e9, "")
}

func days(at string, v *float64) error {
	if v == nil {
		return nil
	}
	return working.Within(at, "Days", *v, 0, 1000, "")
}

func day(at, d string) error {
	if d != "" && !brief.IsDay(d) {
		return working.Refuse(at, "A day is written as year-month-day, such as 2031-04-30, not %q.", d)
	}
	return nil
}

// PriceOf answers the latest price a kilogram of a material: one by kg or lb whose text names it.
func (s Shop) PriceOf(m stock.Material) (price float64, is bool) {
	last := ""
	for _, p := range s.Prices {
		what := strings.ToLower(p.What)
		per, byWeight := map[string]float64{"kg": 1, "lb": quantity.Pound}[p.Per]
		if !byWeight || p.Date < last || !strings.Contains(what, strings.ToLower(m.Name)) && !strings.Contains(what,
			strings.ToLower(m.Key)) {
			continue
		}
		price, is, last = p.Price/per, true, p.Date
	}
	if base := stock.BaseOf(m.Key); !is && base != m.Key {
		if like, err := stock.MaterialByKey(base); err == nil { // one delivery costs as another
			return s.PriceOf(like)
		}
	}
	return price, is
}
