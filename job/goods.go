package job

import (
	"context"
	"strings"
	"time"

	"warmanvil/core/goods"
	"warmanvil/core/working"
)

// StockLine is a line of the shop's stock with how many of it there are.
type StockLine struct {
	goods.Lying
	Revision int
	Archived bool
	Updated  time.Time
}

// StockMoved is one entry of a line's ledger.
type StockMoved struct {
	goods.Move
	ID   string
	Line string
	Of   string  // the job's name then
	Who  string  // who entered it
	Here float64 // after it
	At   time.Time
}

// GoodsStore keeps the shop's stock.
type GoodsStore interface {
	// StockLines lists lines; those put away only where asked for.
	StockLines(ctx context.Context, archived bool) ([]StockLine, error)
	// StockVersion answers a text that changes whenever a line or its counts do.
	StockVersion(ctx context.Context) (string, error)
	// StockLine fails with ErrNotFound.
	StockLine(ctx context.Context, id string) (StockLine, error)
	AddStockLine(ctx context.Context, l goods.Goods, now time.Time) error
	// SaveStockLine replaces what is said of a line that is at a revision; else it fails with
	// ErrConflict, or ErrNotFound.
	SaveStockLine(ctx context.Context, l goods.Goods, archived bool, revision int, now time.Time) error
	// MoveStock moves a line by one transaction: change is asked with its counts, which nobody
	// else changes meanwhile; an error of it leaves all as it was.
	MoveStock(ctx context.Context, m StockMoved, change func(l goods.Goods, c goods.Counts) (goods.Counts, error)) (StockLine, error)
	// StockMoves lists a line's ledger, newest first.
	StockMoves(ctx context.Context, line string, most int) ([]StockMoved, error)
}

// lying answers what lies in the shop, read anew when something of it changed.
func (s *Service) lying(ctx context.Context) ([]goods.Lying, error) {
	if s.Goods == nil {
		return nil, nil
	}
	version, err := s.Goods.StockVersion(ctx)
	if err != nil {
		return nil, err
	}
	if had := s.stock.Load(); had != nil && had.version == version {
		return had.lines, nil
	}
	list, err := s.Goods.StockLines(ctx, false)
	if err != nil {
		return nil, err
	}
	now := &stockRead{version: version}
	for _, l := range list {
		now.lines = append(now.lines, l.Lying)
	}
	s.stock.Store(now)
	return now.lines, nil
}

// stockRead is the stock as it was read last.
type stockRead struct {
	version string
	lines   []goods.Lying
}

// StockLines lists what lies in the shop.
func (s *Service) StockLines(ctx context.Context, archived bool) ([]StockLine, error) {
	if s.Goods == nil {
		return nil, nil
	}
	return s.Goods.StockLines(ctx, archived)
}

// AddStockLine adds a line, with as many as are there; it fails with *working.Fault when it is none.
func (s *Service) AddStockLine(ctx context.Context, l goods.Goods, here float64, who string) (StockLine, error) {
	l.ID = s.NewID()
	if err := l.Check(); err != nil {
		return StockLine{}, working.Under("/line", err)
	}
	if _, err := (goods.Counts{}).Apply(goods.Move{Kind: goods.Counted, Count: here}, l.Whole()); err != nil {
		return StockLine{}, working.Under("/here", working.Refuse("", "%s", err.Error()))
	}
	if err := s.Goods.AddStockLine(ctx, l, s.Now()); err != nil {
		return StockLine{}, err
	}
	if here == 0 {
		return s.Goods.StockLine(ctx, l.ID)
	}
	return s.MoveStock(ctx, l.ID, goods.Move{Kind: goods.Counted, Count: here}, who)
}

// SaveStockLine replaces what is said of a line; it fails with *working.Fault, ErrNotFound or ErrConflict.
func (s *Service) SaveStockLine(ctx context.Context, l goods.Goods, archived bool, revision int) (StockLine, error) {
	if err := l.Check(); err != nil {
		return StockLine{}, working.Under("/line", err)
	}
	if now, err := s.Goods.StockLine(ctx, l.ID); err != nil {
		return StockLine{}, err
	} else if n := now.HeldInAll(); archived && n > 0 {
		return StockLine{}, working.Refuse("/archived", "%g of it are kept for jobs: free them first, then put the line away.", n)
	}
	if err := s.Goods.SaveStockLine(ctx, l, archived, revision, s.Now()); err != nil {
		return StockLine{}, err
	}
	return s.Goods.StockLine(ctx, l.ID)
}

// MoveStock enters a movement into a line's ledger; it fails with *working.Fault where there is not
// as much, or ErrNotFound.
func (s *Service) MoveStock(ctx context.Context, line string, m goods.Move, who string) (StockLine, error) {
	l, _, err := s.ReceiveStock(ctx, line, m, who)
	return l, err
}

// ReceiveStock enters a movement as MoveStock does, and says what is odd about what came.
func (s *Service) ReceiveStock(ctx context.Context, line string, m goods.Move, who string) (StockLine, []string, error) {
	was, err := s.Goods.StockLine(ctx, line)
	if err != nil {
		return StockLine{}, nil, err
	}
	w, err := s.Shop(ctx)
	if err != nil {
		return StockLine{}, nil, err
	}
	odd := goods.Incoming(was.Goods, was.Counts, m, w.Display().Fine)
	plain := m
	if m.Measured != nil {
		plain.Note = strings.TrimSuffix("measured "+w.Display().Fine(*m.Measured)+"; "+m.Note, "; ")
	}
	l, err := s.moveStock(ctx, line, plain, who)
	return l, odd, err
}

func (s *Service) moveStock(ctx context.Context, line string, m goods.Move, who string) (StockLine, error) {
	moved := StockMoved{Move: m, ID: s.NewID(), Line: line, Who: who, At: s.Now()}
	if m.Job != "" {
		j, err := s.Job(ctx, m.Job)
		if err != nil {
			return StockLine{}, err
		}
		moved.Of = j.Brief.Name
	}
	return s.Goods.MoveStock(ctx, moved, func(l goods.Goods, c goods.Counts) (goods.Counts, error) { return c.Apply(m, l.Whole()) })
}
