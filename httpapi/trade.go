package httpapi

import (
	"warmanvil/core/brief"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// TradeRequest asks what a part would be in other sheets.
type TradeRequest struct {
	Part  BuildRequest    `json:"part"`
	Tries []site.TradeTry `json:"tries"`
}

// TradeView is the part in each of them.
type TradeView struct {
	Traded []site.Traded `json:"traded"`
}

func (s *server) tradeRoutes() {
	route(s, operation{method: "POST", path: "/api/v1/trade", id: "trade", work: whole, access: reading,
		summary: "A part in several sheets side by side: mass, blank, flags, what is in stock, stiffness, cost"},
		func(c call, in TradeRequest) (TradeView, error) {
			ctx := c.Request.Context()
			w := s.shop(ctx)
			list, err := site.Trade(ctx, brief.Brief{Unit: in.Part.Unit, Grain: in.Part.Grain, Quantity: 1}, w, w.Fill(in.Part.Recipe), in.Tries)
			return TradeView{list}, working.Under("/part", err)
		})
}
