package httpapi

import (
	"context"
	"slices"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/working"
	"warmanvil/job"
)

// ShopPage is the shop as it stands.
type ShopPage struct {
	DocumentHead
	State  shop.Shop           `json:"state"`
	Strips []shop.StripsTold   `json:"strips" doc:"what its test strips say, sheet by sheet"`
	Bends  []shop.BendToolTold `json:"bends" doc:"its bending tools as they stand in their machines"`

	Sections  []shop.SectionTold `json:"sections" doc:"its own sections with what they weigh"`
	Materials []stock.Material   `json:"materials" doc:"its own materials, as the table has its own"`
}

// StationsView is what is read at the machines a part goes to.
type StationsView struct {
	Cutting shop.Station  `json:"cutting"`
	Bending *shop.Station `json:"bending,omitempty" doc:"of a part with bends"`
	Welding *shop.Station `json:"welding,omitempty" doc:"of a part with welded corners"`
}

// ShopSince asks what a change of the shop made of the jobs' parts.
type ShopSince struct {
	Revision int `json:"revision" doc:"of the shop before the change; 0 when nothing was said"`
}

// ShopEffects are the parts of which something else is said.
type ShopEffects struct {
	Jobs []job.ShopMoves `json:"jobs"`
}

// ShopKinds is the table of machines.
type ShopKinds struct {
	Kinds  []shop.KindOf   `json:"kinds"`
	Rules  []shop.RuleOf   `json:"rules" doc:"that suppliers may have"`
	Rates  []effort.RateOf `json:"rates" doc:"usual rates of work"`
	Metric []shop.BendTool `json:"metric" doc:"a bending tool of each kind, as a metric shop has it"`
	Inch   []shop.BendTool `json:"inch" doc:"the same in an inch shop"`
}

func (s *server) shopRoutes() {
	documentRoutes(s, documented[shop.Shop, ShopPage]{kind: job.KindShop, path: "/api/v1/shop", name: "Shop", word: "shop",
		view: func(_ context.Context, d job.Saved) (ShopPage, error) {
			w, err := job.Body[shop.Shop](d.Body)
			if err == nil {
				s.shopChanged(&w)
			}
			return ShopPage{headOf(d), w, w.Told(), w.Outlined(), w.SectionsTold(), w.MaterialsTold()}, err
		}})
	table := ShopKinds{Kinds: shop.Kinds(), Rules: shop.SupplierRules(), Rates: effort.Usual}
	for _, k := range []shop.BendKind{shop.StraightPunch, shop.Gooseneck, shop.VDie, shop.Fingers} {
		table.Metric, table.Inch = append(table.Metric, shop.NewBendTool(k, false)), append(table.Inch, shop.NewBendTool(k, true))
	}
	route(s, operation{method: "GET", path: "/api/v1/shop/kinds", id: "getShopKinds", access: fixed,
		summary: "Kinds of machines with their limits and usual values"}, func(call, none) (ShopKinds, error) { return table, nil })
	route(s, operation{method: "POST", path: "/api/v1/stations", id: "stations", work: brisk, access: reading,
		summary: "What is looked at, what can hurt and what was tried before at the machines a recipe goes to"}, s.stations)
	route(s, operation{method: "POST", path: "/api/v1/shop/effects", id: "getShopEffects", work: whole, access: reading,
		summary: "Parts of all jobs of which something else is said since a kept state of the shop"}, func(c call,
		in ShopSince) (ShopEffects, error) {
		list, err := s.jobs.ShopMoved(c.Request.Context(), in.Revision)
		return ShopEffects{list}, err
	})
}

// stations answers what is read at the machines a part goes to.
func (s *server) stations(c call, in BuildRequest) (StationsView, error) {
	w := s.shop(c.Request.Context()).ToldIn(brief.Brief{Unit: in.Unit, Grain: in.Grain}.Display())
	if err := working.Under("/recipe", in.Recipe.Validate()); err != nil {
		return StationsView{}, err
	}
	v := StationsView{Cutting: w.Cutting(in.Recipe).Told()}
	if len(in.Recipe.Base.Flanges) > 0 {
		b := w.Bending(in.Recipe).Told()
		v.Bending = &b
	}
	if welded(in.Recipe) {
		x := w.Welding(in.Recipe.Material, []float64{in.Recipe.Thickness}).Told()
		v.Welding = &x
	}
	return v, nil
}

// welded tells whether a corner of a part is closed by a weld.
func welded(r sheet.Recipe) bool {
	var any func(meets []sheet.Meet, list []sheet.Flange) bool
	any = func(meets []sheet.Meet, list []sheet.Flange) bool {
		return slices.ContainsFunc(meets, func(m sheet.Meet) bool { return m.Kind == sheet.MeetWeld }) ||
			slices.ContainsFunc(list, func(f sheet.Flange) bool { return any(f.Meets, f.Flanges) })
	}
	return any(r.Base.Meets, r.Base.Flanges)
}

// shopAt is the shop and when it was read.
type shopAt struct {
	shop.Shop
	at time.Time
}

// shopChanged has the shop read anew when it is asked for next; what was read last serves while the
// store cannot be reached, as it was saved where that is given.
func (s *server) shopChanged(saved *shop.Shop) {
	last := s.shopRead.Load()
	switch {
	case saved != nil:
		now := shopAt{Shop: *saved}
		if last != nil {
			now.Stock = last.Stock
		}
		s.shopRead.Store(&now)
	case last != nil:
		s.shopRead.Store(&shopAt{Shop: last.Shop})
	}
}

// shop answers the shop as it stands, to within a moment of what another server keeps. While
// the store cannot be reached, it is taken as it was read last: a part is still drawn then.
func (s *server) shop(ctx context.Context) shop.Shop {
	const wait, moment = 500 * time.Millisecond, time.Second
	last := s.shopRead.Load()
	if last != nil && time.Since(last.at) < moment {
		return last.Shop
	}
	short, done := context.WithTimeout(ctx, wait)
	defer done()
	w, err := s.jobs.Shop(short)
	if err == nil {
		s.shopRead.Store(&shopAt{w, time.Now()})
	} else if last != nil {
		w = last.Shop
		s.shopRead.Store(&shopAt{w, time.Now()}) // it is not waited for at every press
	}
	return w
}
