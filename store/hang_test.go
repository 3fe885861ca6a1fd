package store_test

import (
	"context"
	"sync"
	"testing"
	"time"

	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

const shortPatience = 2 * time.Second

// held answers a store with something in between.
func held(t *testing.T, wait time.Duration) (*store.Store, *storetest.Between) {
	t.Helper()
	between, url := storetest.Stand(t, storetest.URL(t))
	s, err := store.OpenWithin(t.Context(), url, wait)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s, between
}

// A database that says nothing is given up after a while by those who asked already, and
// at once by all who come later, until it answers again.
func TestDatabaseThatHangs(t *testing.T) {
	s, between := held(t, shortPatience)
	between.Hold()
	var wait sync.WaitGroup
	for range 50 { // more than there are connections
		wait.Go(func() {
			if _, err := s.Jobs(t.Context(), false); s.Trouble(err) != job.Away {
				t.Error("not told that it hangs:", err)
			}
		})
	}
	wait.Wait()
	for _, ask := range []func(ctx context.Context) error{
		func(ctx context.Context) error { _, err := s.Jobs(ctx, false); return err },
		func(ctx context.Context) error { _, err := s.Health(ctx); return err },
		func(ctx context.Context) error { return s.Once(ctx, "x", func() error { return nil }) },
	} {
		// Far less than any patience: were it to wait, this would be what ends it.
		ctx, cancel := context.WithTimeout(t.Context(), shortPatience/5)
		if err := ask(ctx); s.Trouble(err) != job.Away || ctx.Err() != nil {
			t.Errorf("waited for a database that is known to hang, or not told so: %v", err)
		}
		cancel()
	}
	between.Let()
	until(t, "the database answers again and is not asked", func() bool {
		_, err := s.Jobs(t.Context(), false)
		return err == nil
	})
	if since, err := s.Health(t.Context()); err != nil || since.IsZero() {
		t.Error(since, err)
	}
}

// until waits for something that must come, for as long as a loaded machine may need.
func until(t *testing.T, or string, is func() bool) {
	t.Helper()
	for end := time.Now().Add(30 * time.Second); time.Now().Before(end); time.Sleep(20 * time.Millisecond) {
		if is() {
			return
		}
	}
	t.Fatal(or)
}

// Connections that ended while nobody used them are never lent: the first read after a
// database came back is answered.
func TestDeadConnectionsAreNotLent(t *testing.T) {
	s, between := held(t, time.Minute)
	for round := range 10 {
		var wait sync.WaitGroup
		for range 8 {
			wait.Go(func() {
				if _, err := s.Jobs(t.Context(), false); err != nil {
					t.Errorf("round %d: %v", round, err)
				}
			})
		}
		wait.Wait()
		between.Break()
		time.Sleep(5 * time.Millisecond) // the farewell travels
	}
}

// Whoever gives up by a time of their own has not found the database hanging.
func TestGivingUpIsNoHang(t *testing.T) {
	s, between := held(t, time.Minute)
	between.Hold()
	ctx, cancel := context.WithTimeout(t.Context(), shortPatience/20)
	defer cancel()
	if _, err := s.Jobs(ctx, false); err == nil {
		t.Fatal("answered by nobody")
	}
	between.Let()
	if _, err := s.Jobs(t.Context(), false); err != nil {
		t.Error("taken for hanging:", err)
	}
}
