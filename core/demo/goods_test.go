package demo_test

import (
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/goods"
)

// What lies in the demo's shop can be entered as it stands, and serves a blank of each sheet.
func TestStockIsStock(t *testing.T) {
	for _, x := range demo.Stock() {
		if err := x.Check(); err != nil {
			t.Errorf("%+v: %v", x.Goods, err)
		}
		if _, err := (goods.Counts{}).Apply(goods.Move{Kind: goods.Counted, Count: x.Here}, x.Whole()); err != nil {
			t.Errorf("%+v: %v", x.Goods, err)
		}
	}
	if err := demo.Shop().Check(); err != nil {
		t.Error(err)
	}
}
