package nest

import (
	"context"
	"errors"
	"math/rand/v2"
	"testing"
)

// A search that nobody waits for any more is left off, and half of it is not answered.
func TestSearchEnds(t *testing.T) {
	in := job300(rand.New(rand.NewPCG(223, 224)))
	if r, err := Sticks(t.Context(), in); err != nil || r.Sticks == 0 {
		t.Fatal(r.Sticks, err)
	}
	over, cancel := context.WithCancel(t.Context())
	cancel()
	if r, err := Sticks(over, in); !errors.Is(err, context.Canceled) || r.Sticks != 0 {
		t.Errorf("answered %d sticks, %v", r.Sticks, err)
	}
	p := packing{room: in.Stock}
	for _, x := range in.Pieces {
		p.add(x.Length+in.Kerf, x.Quantity)
	}
	p.sort()
	if plan, done := p.search(over, len(p.best())-1, 400_000); plan != nil || done {
		t.Error("a search that was left off says it is done")
	}
}
