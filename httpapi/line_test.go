package httpapi

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"sync"
	"sync/atomic"
	"testing"
)

// entered is one who asked to enter.
type entered struct {
	leave func()
	err   error
}

func (l *line) ask(ctx context.Context, person string) chan entered {
	out := make(chan entered, 1)
	_, was, _ := l.place(person)
	go func() {
		leave, err := l.enter(ctx, person)
		out <- entered{leave, err}
	}()
	for { // until it is in, or stands in the line
		if _, now, _ := l.place(person); now > was || len(out) > 0 {
			return out
		}
	}
}

// However much one person asks for, another is let in at once while a slot is kept free
// of one person's work, and after that by turns.
func TestOnePersonCannotHoldTheLine(t *testing.T) {
	l := newLine(2, 1, 100)
	var greedy []chan entered
	for range 16 {
		greedy = append(greedy, l.ask(t.Context(), "greedy"))
	}
	first := <-greedy[0]
	other := <-l.ask(t.Context(), "other")
	if first.err != nil || other.err != nil {
		t.Fatal(first.err, other.err)
	}
	third := l.ask(t.Context(), "third")
	if r, w, before := l.place("third"); r != 0 || w != 1 || before != 1 {
		t.Errorf("the third runs %d, waits %d behind %d", r, w, before)
	}
	if r, w, before := l.place("greedy"); r != 1 || w != 15 || before != 0 {
		t.Errorf("the greedy runs %d, waits %d behind %d", r, w, before)
	}
	other.leave() // the greedy one has one already: the third is next
	in := <-third
	if in.err != nil || len(greedy[1]) != 0 {
		t.Fatal("the greedy one runs twice while another waits")
	}
	in.leave()
	for i := range greedy[1:] {
		first.leave()
		first = <-greedy[i+1]
	}
	first.leave()
	if r, w, _ := l.place("greedy"); r+w+l.total+len(l.running)+len(l.waiting)+len(l.turn) != 0 {
		t.Errorf("left behind: %+v", l)
	}
}

// Who waits by turns: a b c a b c, not a a a.
func TestTurnsGoRound(t *testing.T) {
	l := newLine(1, 1, 100)
	holder := <-l.ask(t.Context(), "a")
	var order []string
	var mutex sync.Mutex
	var wait sync.WaitGroup
	for _, who := range []string{"a", "a", "a", "b", "b", "b", "c"} {
		in := l.ask(t.Context(), who)
		wait.Go(func() {
			e := <-in
			mutex.Lock()
			order = append(order, who)
			mutex.Unlock()
			e.leave()
		})
	}
	holder.leave()
	wait.Wait()
	if got := fmt.Sprint(order); got != "[a b c a b a b]" {
		t.Errorf("let in as %s", got)
	}
}

// Who leaves the line frees their place, and too many are refused.
func TestLeavingTheLine(t *testing.T) {
	l := newLine(1, 1, 2)
	holder := <-l.ask(t.Context(), "a")
	ctx, cancel := context.WithCancel(t.Context())
	gone, stays := l.ask(ctx, "a"), l.ask(t.Context(), "a")
	if _, err := l.enter(t.Context(), "a"); !errors.Is(err, errCrowd) {
		t.Errorf("a third waits: %v", err)
	}
	cancel()
	if e := <-gone; !errors.Is(e.err, context.Canceled) {
		t.Errorf("who left is told %v", e.err)
	}
	holder.leave()
	if e := <-stays; e.err != nil {
		t.Error(e.err)
	}
}

// Never more run than may, whoever comes and goes, and nobody is forgotten.
func TestLineHoldsItsLimits(t *testing.T) {
	l := newLine(3, 2, 1000)
	var running atomic.Int64
	var each [5]atomic.Int64
	var wait sync.WaitGroup
	for i := range 400 {
		person := i % len(each)
		wait.Go(func() {
			ctx, cancel := context.WithCancel(t.Context())
			defer cancel()
			if rand.IntN(4) == 0 {
				go cancel()
			}
			leave, err := l.enter(ctx, fmt.Sprint(person))
			if err != nil {
				return
			}
			if n, m := running.Add(1), each[person].Add(1); n > 3 || m > 2 {
				t.Errorf("%d run, %d of one person", n, m)
			}
			each[person].Add(-1)
			running.Add(-1)
			leave()
		})
	}
	wait.Wait()
	if l.total+len(l.running)+len(l.waiting)+len(l.turn) != 0 {
		t.Errorf("left behind: %+v", l)
	}
}
