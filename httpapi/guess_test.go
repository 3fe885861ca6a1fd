package httpapi

import (
	"context"
	"errors"
	"fmt"
	"testing"
	"time"
)

// counting answers guesses whose clock stands still but for what is slept.
func counting() (*guesses, *time.Time) {
	now := time.Date(2031, 4, 1, 8, 0, 0, 0, time.UTC)
	g := newGuesses()
	g.now = func() time.Time { return now }
	g.sleep = func(_ context.Context, d time.Duration) error { now = now.Add(d); return nil }
	return g, &now
}

// From devices that never signed in a name is guessed at a hundred times an hour, from
// wherever they come and however they spell it; who signed in before is never kept out.
func TestHundredGuessesAnHour(t *testing.T) {
	g, now := counting()
	begin, tried, refused := *now, 0, 0
	var at []time.Time
	for i := range 2000 {
		err := g.begin(t.Context(), guess{name: []string{"Mara", " mara", "MARA "}[i%3], from: fmt.Sprintf("10.0.%d.%d", i/200, i%200)})
		switch {
		case errors.Is(err, errGuessed):
			refused++
		case err != nil:
			t.Fatal(err)
		default:
			tried++
			at = append(at, *now)
		}
		*now = now.Add(7 * time.Second)
	}
	if hours := now.Sub(begin).Hours(); float64(tried) > 100*(hours+1) || tried < 300 || refused == 0 {
		t.Errorf("%d guesses in %.1f hours, %d refused", tried, hours, refused)
	}
	for i := 100; i < len(at); i++ {
		if at[i].Sub(at[i-100]) < time.Hour {
			t.Fatalf("101 guesses within %v", at[i].Sub(at[i-100]))
		}
	}
	known := guess{name: "Mara", from: "device x", known: true}
	if err := g.begin(t.Context(), known); err != nil {
		t.Error("the owner is kept out:", err)
	}
	g.right(known)
	if err := g.begin(t.Context(), guess{name: "Joan", from: "10.0.0.1"}); err != nil {
		t.Error("another name is kept out:", err)
	}
}

// One device or address is slowed down more and more, up to a limit, and is as quick as
// before once it was right.
func TestGuessesSlowDown(t *testing.T) {
	for _, x := range []guess{{name: "Mara", from: "10.0.0.1"}, {name: "Mara", from: "device x", known: true}} {
		g, now := counting()
		var took []time.Duration
		for range 9 {
			begin := *now
			if err := g.begin(t.Context(), x); err != nil {
				t.Fatal(err)
			}
			took = append(took, now.Sub(begin)/time.Second)
		}
		if got := fmt.Sprint(took); got != "[0s 0s 0s 1ns 2ns 4ns 8ns 16ns 16ns]" {
			t.Errorf("waits %s", got)
		}
		g.right(x)
		begin := *now
		if err := g.begin(t.Context(), x); err != nil || *now != begin {
			t.Errorf("after it was right: %v, %v", now.Sub(begin), err)
		}
	}
}

// What was right is no guess, and what is over is forgotten.
func TestGuessesAreForgotten(t *testing.T) {
	g, now := counting()
	for range 500 {
		x := guess{name: "Mara", from: "10.0.0.1"}
		if err := g.begin(t.Context(), x); err != nil {
			t.Fatal(err)
		}
		g.right(x)
	}
	for i := range names {
		if err := g.begin(t.Context(), guess{name: fmt.Sprint("n", i), from: "a"}); err != nil && !errors.Is(err, errGuessed) {
			t.Fatal(err)
		}
	}
	if len(g.name) > names {
		t.Errorf("%d names are counted", len(g.name))
	}
	*now = now.Add(2 * time.Hour)
	if err := g.begin(t.Context(), guess{name: "Mara", from: "b"}); err != nil || len(g.name) > 2 || len(g.from) > 2 {
		t.Errorf("after hours %d names and %d rows are counted (%v)", len(g.name), len(g.from), err)
	}
}

// Who leaves while being slowed down leaves nothing behind that runs.
func TestSlowedDownMayLeave(t *testing.T) {
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	if err := nap(ctx, time.Hour); !errors.Is(err, context.Canceled) {
		t.Error(err)
	}
	if err := nap(t.Context(), time.Nanosecond); err != nil {
		t.Error(err)
	}
}
