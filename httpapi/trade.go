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

// TradeFrameRequest asks what a frame would be in other metals.
type TradeFrameRequest struct {
	Materials []string `json:"materials" doc:"keys of the material table"`
}

// TradeFrameView is the frame in each of them.
type TradeFrameView struct {
	Traded []site.TradedFrame `json:"traded"`
}

// CutRoutesView is the ways to cut a part.
type CutRoutesView struct {
	Routes []site.CutRoute `json:"routes"`
}

func (s *server) tradeRoutes() {
	route(s, operation{method: "POST", path: "/api/v1/trade", id: "trade", work: whole, access: reading,
		summary: "A part in several sheets side by side: mass, blank, flags, what is in stock, stiffness, cost"},
		func(c call, in TradeRequest) (TradeView, error) {
			ctx := c.Request.Context()
			w := s.shop(ctx)
			list, err := site.Trade(ctx, brief.Brief{Unit: in.Part.Unit, Grain: in.Part.Grain, Quantity: 1}, w, w.Fill(in.Part.Recipe), in.Tries)
			if err != nil || in.Part.Part == "" {
				return TradeView{list}, working.Under("/part", err)
			}
			p, err := s.jobs.Part(ctx, in.Part.Part)
			if err != nil {
				return TradeView{}, err
			}
			_, all, err := s.jobs.Site(ctx, p.JobID)
			if err != nil {
				return TradeView{}, err
			}
			all.Prove(p.ID, list)
			return TradeView{list}, ctx.Err()
		})
	route(s, operation{method: "POST", path: "/api/v1/routes", id: "cutRoutes", work: whole, access: reading,
		summary: "Every way to cut a part side by side: what takes it, how true it comes out, what it brings"},
		func(c call, in BuildRequest) (CutRoutesView, error) {
			ctx := c.Request.Context()
			w := s.shop(ctx)
			list, err := site.CutRoutes(ctx, brief.Brief{Unit: in.Unit, Grain: in.Grain, Quantity: 1}, w, in.Recipe)
			return CutRoutesView{list}, err
		})
	route(s, operation{method: "POST", path: "/api/v1/frames/{id}/trade", id: "tradeFrame", work: whole, access: reading,
		summary: "A frame in several metals side by side: mass, cost, how hard it works, how far it moves, what rusts, what the shop cannot do"},
		func(c call, in TradeFrameRequest) (TradeFrameView, error) {
			ctx := c.Request.Context()
			f, err := s.jobs.Frame(ctx, c.id)
			if err != nil {
				return TradeFrameView{}, err
			}
			_, all, err := s.jobs.Site(ctx, f.JobID)
			if err != nil {
				return TradeFrameView{}, err
			}
			list, err := all.TradeFrame(f.Frame, in.Materials)
			return TradeFrameView{list}, working.First(err, ctx.Err())
		})
}
