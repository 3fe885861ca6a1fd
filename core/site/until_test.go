package site

import (
	"context"
	"errors"
	"sync/atomic"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/shop"
)

// Work that nobody waits for any more is left off, wherever it stands, and says so; it
// never stumbles over what it left out.
func TestWorkEndsWithWhoAsked(t *testing.T) {
	b := demo.OrchardTruck()
	parts := []Part{{ID: "tray", Name: "Tray", Quantity: 1, Recipe: demo.TrayBracket()}}
	for after := range 12 {
		ctx := &counted{Context: t.Context()}
		ctx.left.Store(int64(after))
		built := BuildParts(ctx, parts, b, shop.Shop{})
		all := Site{Brief: b, Parts: built, Survey: demo.OrchardSurvey(), Until: ctx}
		h := all.Hold()
		_ = all.Said(h)
		for _, m := range b.Mounts {
			if list, err := all.Suggest(m.ID); after == 0 && len(list) > 0 && err == nil {
				t.Error("half a look was answered as whole")
			}
		}
		_ = List(ctx, all.Survey, b, shop.Shop{}, parts, nil)
	}
	over, cancel := context.WithCancel(t.Context())
	cancel()
	if got := BuildParts(over, parts, b, shop.Shop{}); len(got) != 1 || got[0].Built.Whole {
		t.Error("built for nobody")
	}
}

// counted ends after it was asked a number of times.
type counted struct {
	context.Context
	left atomic.Int64
}

var errLeft = errors.New("left")

func (c *counted) Err() error {
	if c.left.Add(-1) < 0 {
		return errLeft
	}
	return nil
}
