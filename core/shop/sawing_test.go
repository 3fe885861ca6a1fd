package shop_test

import (
	"testing"

	"warmanvil/core/shop"
)

// A saw of 210 × 140, rounds of 170, to 60°: by hand.
func TestWhatASawTakes(t *testing.T) {
	w := shop.SawSaid{Wide: 210, High: 140, Round: 170, Angle: 60}
	for _, x := range []struct {
		cut  shop.Sawn
		want string
	}{
		{shop.Sawn{Wide: 200, High: 100}, ""},
		{shop.Sawn{Wide: 100, High: 200}, ""},                // laid on its side for a square cut
		{shop.Sawn{Wide: 100, High: 200, Angle: 30}, "size"}, // mitred as it lies
		{shop.Sawn{Wide: 150, High: 100, Angle: 45}, "size"}, // 150/cos 45° = 212.1
		{shop.Sawn{Wide: 148, High: 100, Angle: 45}, ""},     // 209.3
		{shop.Sawn{Wide: 50, High: 50, Angle: 61}, "angle"},
		{shop.Sawn{Wide: 170, High: 170, Round: true}, ""},
		{shop.Sawn{Wide: 171, High: 171, Round: true}, "size"},
		{shop.Sawn{Wide: 130, High: 130, Round: true, Angle: 45}, "size"}, // 183.8
	} {
		if got := w.Takes(x.cut); got != x.want {
			t.Errorf("%+v: %q, want %q", x.cut, got, x.want)
		}
	}
}

// The shop's own saws come first; where all are away nothing is taken as usual.
func TestSaws(t *testing.T) {
	if got := (shop.Shop{}).Saws(false); len(got) != 1 || got[0].Named || got[0].Name != "a usual band saw" {
		t.Errorf("%+v", got)
	}
	own := shop.Machine{ID: "s", Kind: shop.Saw, Sort: "cold", Name: "Cold saw", Limits: map[string]float64{"wide": 90, "high": 80,
		"round": 80, "angle": 45}}
	lent := own
	lent.ID, lent.Name, lent.Where = "b", "Big saw", shop.Borrowed
	w := shop.Shop{Machines: []shop.Machine{lent, own}}
	if got := w.Saws(false); len(got) != 2 || got[0].Name != "Cold saw" || !got[0].Said || got[1].Name != "Big saw (borrowed)" {
		t.Errorf("%+v", got)
	}
	w.Machines[0].Away, w.Machines[1].Away = true, true
	if got := w.Saws(false); len(got) > 0 {
		t.Errorf("%+v", got)
	}
}
