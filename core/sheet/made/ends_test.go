package made_test

import (
	"context"
	"errors"
	"sync/atomic"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/sheet/made"
)

// asked ends after it was asked a number of times.
type asked struct {
	context.Context
	times, left int64
}

func (a *asked) Err() error {
	if atomic.AddInt64(&a.times, 1) > a.left {
		return context.Canceled
	}
	return nil
}

// Work on a part that nobody waits for any more is left off wherever it stands, among its
// fixes too, and half of it is not answered.
func TestBuildEnds(t *testing.T) {
	r := demo.TrayBracket()
	r.Base.Flanges[0].Length = r.Thickness // too short: there are fixes to be tried
	all := &asked{Context: t.Context(), left: 1 << 40}
	whole, err := made.Build(r, made.Options{Proved: true, Until: all})
	if err != nil || all.times < 4 || len(whole.Findings) == 0 {
		t.Fatalf("asked only %d times, %d findings: %v", all.times, len(whole.Findings), err)
	}
	for left := range all.times {
		opt := made.Options{Proved: true, Until: &asked{Context: t.Context(), left: left}}
		if _, err := made.Build(r, opt); !errors.Is(err, context.Canceled) {
			t.Errorf("ended at question %d of %d and answered: %v", left, all.times, err)
		}
	}
}
