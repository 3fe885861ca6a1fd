package store_test

import (
	"testing"

	"warmanvil/core/goods"
	"warmanvil/core/stock"
	"warmanvil/store/storetest"
)

// What jobs typed of the shop's stock moves over once: the demo's bins and the remnant of its
// frame; undo brings it back where it stood.
func TestBinsAndRemnantsMoveOver(t *testing.T) {
	s := storetest.Jobs(t)
	if err := s.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	jobs, err := s.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	bolts, sticks := 0, 0
	for _, j := range jobs {
		typed, err := s.TypedStock(t.Context(), j.ID)
		if err != nil {
			t.Fatal(err)
		}
		moved, err := s.MoveOver(t.Context(), j.ID, "")
		if err != nil || moved != typed {
			t.Fatalf("%v: moved %+v of %+v", err, moved, typed)
		}
		if left, err := s.TypedStock(t.Context(), j.ID); err != nil || left.Bolts+left.Sticks > 0 {
			t.Errorf("%v: %+v is left", err, left)
		}
		bolts, sticks = bolts+moved.Bolts, sticks+moved.Sticks
	}
	if bolts < 4 || sticks < 1 {
		t.Fatalf("%d bolts and %d sticks: the demo has some", bolts, sticks)
	}
	w, err := s.Shop(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	lines, pieces := 0, 0.
	for _, l := range w.Stock {
		if l.Kind == goods.Hardware {
			lines++
		} else if l.Kind == goods.Stick {
			pieces += l.Here
		}
	}
	if lines != bolts || pieces != float64(sticks) {
		t.Errorf("%d lines of bolts, %g pieces", lines, pieces)
	}
	// An unmarked bolt is no 8.8: a joint that asks for one is not told that it is there.
	if got := w.Bolts(stock.Metric, "M12", "8.8"); len(got) != 0 {
		t.Errorf("unmarked bolts are offered: %v", got)
	}
	if got := w.Bolts(stock.Metric, "M12", ""); len(got) < 4 {
		t.Errorf("%v", got)
	}
	if moved, err := s.MoveOver(t.Context(), jobs[0].ID, ""); err != nil || moved.Bolts+moved.Sticks != 0 {
		t.Errorf("twice: %v %+v", err, moved)
	}
}
