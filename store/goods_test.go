package store_test

import (
	"errors"
	"fmt"
	"sync"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/goods"
	"warmanvil/core/profile"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/store/storetest"
)

var rest = goods.Goods{Kind: goods.Remnant, Material: "steel-s235", Thickness: 3, Label: "R 12",
	Outline: profile.Loop{{X: 0, Y: 0}, {X: 600, Y: 0}, {X: 600, Y: 200}, {X: 0, Y: 300}}}

// Two jobs keep the same remnant at once, again and again: one gets it, the other is told, and
// the ledger has one entry.
func TestOneRemnantForTwo(t *testing.T) {
	s := storetest.Jobs(t)
	jobs := make([]string, 2)
	for i := range jobs {
		j, err := s.CreateJob(t.Context(), brief.Brief{Name: fmt.Sprint("Job ", i), Unit: brief.UnitMM, Quantity: 1, Grain: 1})
		if err != nil {
			t.Fatal(err)
		}
		jobs[i] = j.ID
	}
	for range 10 {
		l, err := s.AddStockLine(t.Context(), rest, 1, "")
		if err != nil || l.Here != 1 {
			t.Fatalf("%v %+v", err, l)
		}
		var wait sync.WaitGroup
		errs := make([]error, len(jobs))
		for i, id := range jobs {
			wait.Go(func() {
				_, errs[i] = s.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Kept, Count: 1, Job: id}, "")
			})
		}
		wait.Wait()
		got, told := 0, 0
		for _, err := range errs {
			var f *working.Fault
			switch {
			case err == nil:
				got++
			case errors.As(err, &f) && f.Message == "Only 0 of 1 are free: the others are kept for other jobs.":
				told++
			default:
				t.Error(err)
			}
		}
		now, err := s.Goods.StockLine(t.Context(), l.ID)
		if err != nil || got != 1 || told != 1 || now.HeldInAll() != 1 || now.Free() != 0 {
			t.Fatalf("%d got it, %d were told: %v, %+v", got, told, err, now)
		}
		moves, err := s.Goods.StockMoves(t.Context(), l.ID, 10)
		if err != nil || len(moves) != 2 || moves[0].Kind != goods.Kept || moves[0].Of == "" || moves[1].Kind != goods.Counted {
			t.Fatalf("%v %+v", err, moves)
		}
	}
}

// What is said of a line is not overwritten by
// who saw an older state; a line put away is not listed.
func TestStockLines(t *testing.T) {
	s := storetest.Jobs(t)
	j, err := s.CreateJob(t.Context(), brief.Brief{Name: "Job", Unit: brief.UnitMM, Quantity: 1, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	l, err := s.AddStockLine(t.Context(), rest, 2, "Mara")
	if err != nil {
		t.Fatal(err)
	}
	if l, err = s.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Kept, Count: 2, Job: j.ID}, "Mara"); err != nil || l.Free() != 0 {
		t.Fatalf("%v %+v", err, l)
	}
	if l, err = s.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Taken, Count: 1, Job: j.ID}, ""); err != nil || l.Here != 1 ||
		l.Held[j.ID] != 1 {
		t.Fatalf("%v %+v", err, l)
	}
	changed := l.Goods
	changed.Place = "rack 2"
	saved, err := s.SaveStockLine(t.Context(), changed, false, l.Revision)
	if err != nil || saved.Place != "rack 2" || saved.Held[j.ID] != 1 {
		t.Fatalf("%v %+v", err, saved)
	}
	if _, err := s.SaveStockLine(t.Context(), changed, false, l.Revision); !errors.Is(err, job.ErrConflict) {
		t.Errorf("an older state is kept: %v", err)
	}
	if _, err := s.SaveStockLine(t.Context(), changed, true, saved.Revision); err == nil {
		t.Error("what a job keeps was put away")
	}
	if _, err := s.MoveStock(t.Context(), l.ID, goods.Move{Kind: goods.Freed, Count: 1, Job: j.ID}, ""); err != nil {
		t.Fatal(err)
	}
	if _, err := s.SaveStockLine(t.Context(), changed, true, saved.Revision); err != nil {
		t.Fatal(err)
	}
	for archived, want := range map[bool]int{false: 0, true: 1} {
		if list, err := s.StockLines(t.Context(), archived); err != nil || len(list) != want {
			t.Errorf("put away %v: %v, %d lines", archived, err, len(list))
		}
	}
	if _, err := s.Goods.StockLine(t.Context(), s.NewID()); !errors.Is(err, job.ErrNotFound) {
		t.Error(err)
	}
	if _, err := s.AddStockLine(t.Context(), goods.Goods{Kind: goods.Remnant}, 1, ""); err == nil {
		t.Error("a remnant of nothing")
	}
	if _, err := s.AddStockLine(t.Context(), rest, -1, ""); err == nil {
		t.Error("less than none")
	}
}

func BenchmarkStock2000(b *testing.B) {
	s := storetest.Jobs(b)
	for range 2000 {
		if _, err := s.AddStockLine(b.Context(), rest, 1, ""); err != nil {
			b.Fatal(err)
		}
	}
	for b.Loop() {
		if list, err := s.StockLines(b.Context(), false); err != nil || len(list) != 2000 {
			b.Fatal(err, len(list))
		}
	}
}
