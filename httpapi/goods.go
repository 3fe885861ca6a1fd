package httpapi

import (
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"warmanvil/core/goods"
	"warmanvil/core/shop"
	"warmanvil/core/working"
	"warmanvil/job"
)

// StockLineView is a line of the shop's stock.
type StockLineView struct {
	Line     goods.Goods        `json:"line"`
	Called   string             `json:"called" doc:"what it is, in the shop's units; its label stands last"`
	Here     float64            `json:"here" doc:"all that lie there"`
	Free     float64            `json:"free" doc:"that nobody keeps"`
	Ordered  float64            `json:"ordered" doc:"on their way"`
	Held     map[string]float64 `json:"held" doc:"kept, by the job's id"`
	Area     float64            `json:"area,omitempty" doc:"mm², of a sheet or remnant"`
	Revision int                `json:"revision"`
	Archived bool               `json:"archived,omitempty"`
	Updated  time.Time          `json:"updated"`
	Odd      []string           `json:"odd,omitempty" doc:"what is odd about what was just received"`
}

// StockMoveView is one entry of a line's ledger.
type StockMoveView struct {
	goods.Move
	Of   string    `json:"of,omitempty" doc:"the job's name then"`
	Who  string    `json:"who,omitempty"`
	Here float64   `json:"here" doc:"after it"`
	At   time.Time `json:"at"`
}

// StockLineSaved is what is said of a line.
type StockLineSaved struct {
	Line     goods.Goods `json:"line"`
	Archived bool        `json:"archived,omitempty"`
	Revision int         `json:"revision" doc:"it was changed on"`
}

// StockLineAdded is a new line and how many of it there are.
type StockLineAdded struct {
	Line goods.Goods `json:"line" doc:"its id is given to it"`
	Here float64     `json:"here"`
}

func stockLineView(l job.StockLine, w shop.Shop) StockLineView {
	v := StockLineView{Line: l.Goods, Called: l.Called(w.Display().Text), Here: l.Here, Free: l.Free(), Ordered: l.Ordered,
		Held: l.Held, Area: l.Area(), Revision: l.Revision,
		Archived: l.Archived, Updated: l.Updated}
	if v.Held == nil {
		v.Held = map[string]float64{}
	}
	return v
}

// mostMoves is how much of a ledger is shown.
const mostMoves = 200

func (s *server) goodsRoutes() {
	who := func(c call) string { return whoIs(c.Context).Name }
	route(s, operation{method: "GET", path: "/api/v1/goods", id: "listGoods", summary: "What lies in the shop",
		query: []*huma.Param{query("archived", "true lists what was put away", "true", "false")}},
		func(c call, _ none) ([]StockLineView, error) {
			list, err := s.jobs.StockLines(c.Request.Context(), c.Query("archived") == "true")
			out, w := make([]StockLineView, len(list)), s.shop(c.Request.Context())
			for i, l := range list {
				out[i] = stockLineView(l, w)
			}
			return out, err
		})
	route(s, operation{method: "POST", path: "/api/v1/goods", id: "addGoods", summary: "Add a line to the shop's stock"},
		func(c call, in StockLineAdded) (StockLineView, error) {
			l, err := s.jobs.AddStockLine(c.Request.Context(), in.Line, in.Here, who(c))
			s.shopChanged(nil)
			return stockLineView(l, s.shop(c.Request.Context())), err
		})
	route(s, operation{method: "PUT", path: "/api/v1/goods/{id}", id: "saveGoods",
		summary: "Change what is said of a line, or put it away"},
		func(c call, in StockLineSaved) (StockLineView, error) {
			in.Line.ID = c.id
			l, err := s.jobs.SaveStockLine(c.Request.Context(), in.Line, in.Archived, in.Revision)
			s.shopChanged(nil)
			return stockLineView(l, s.shop(c.Request.Context())), err
		})
	route(s, operation{method: "GET", path: "/api/v1/goods/{id}/moves", id: "listGoodsMoves",
		summary: "The ledger of a line, newest first"},
		func(c call, _ none) ([]StockMoveView, error) {
			list, err := s.jobs.Goods.StockMoves(c.Request.Context(), c.id, mostMoves)
			out := make([]StockMoveView, len(list))
			for i, m := range list {
				out[i] = StockMoveView{m.Move, m.Of, m.Who, m.Here, m.At}
			}
			return out, err
		})
	route(s, operation{method: "POST", path: "/api/v1/goods/{id}/moves", id: "moveGoods",
		summary: "Order, receive, count, keep for a job, free, take, return or scrap; nobody takes what another job keeps"},
		func(c call, in goods.Move) (StockLineView, error) {
			if _, err := uuid.Parse(in.Job); in.Job != "" && err != nil {
				return StockLineView{}, working.Refuse("/job", "There is no such job.")
			}
			l, odd, err := s.jobs.ReceiveStock(c.Request.Context(), c.id, in, who(c))
			s.shopChanged(nil) // what parts are told of the stock is out of date
			v := stockLineView(l, s.shop(c.Request.Context()))
			v.Odd = odd
			return v, err
		})
	route(s, operation{method: "POST", path: "/api/v1/goods/choose", id: "chooseGoods", work: brisk, access: reading,
		summary: "The lines that serve a need: remnants first, then what leaves least"},
		func(c call, in goods.Need) ([]goods.Choice, error) {
			list, err := s.jobs.StockLines(c.Request.Context(), false)
			if err != nil {
				return nil, err
			}
			lines := make([]goods.Lying, len(list))
			for i, l := range list {
				lines[i] = l.Lying
			}
			return goods.Choose(in, lines)
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/goods", id: "getJobGoods", work: brisk,
		summary: "What a job keeps of the stock, and what in it serves its blanks"},
		func(c call, _ none) (JobGoods, error) { return s.jobGoods(c.Request.Context(), c.id) })
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/goods/move-over", id: "moveJobGoods", work: brisk,
		summary: "Put bins and remnants typed in a job into the shop's stock"},
		func(c call, _ none) (job.TypedStock, error) {
			return s.jobs.MoveOver(c.Request.Context(), c.id, who(c))
		})
	route(s, operation{method: "GET", path: "/api/v1/jobs/{id}/suppliers", id: "getJobSuppliers", work: brisk,
		summary: "How the parts of a job stand to the rules of suppliers"},
		func(c call, _ none) (JobSuppliers, error) { return s.jobSuppliers(c.Request.Context(), c.id) })
}
