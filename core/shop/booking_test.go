package shop_test

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// A machine is taken by one at a time: days that overlap, end before they begin or are none are
// refused where they stand; one that follows the other is not.
func TestBookings(t *testing.T) {
	for name, c := range map[string]struct {
		rows []shop.Booking
		at   string
	}{
		"after each " +
			"other": {[]shop.Booking{{ID: "a", From: "2031-05-02", To: "2031-05-03", For: "Rack"}, {ID: "b", From: "2031-05-04", For: "Ilo"}}, ""},
		"not said yet": {[]shop.Booking{{ID: "a", From: "2031-05-02"}, {ID: "b"}, {ID: "c"}}, ""},
		"the last " +
			"day": {[]shop.Booking{{ID: "a", From: "2031-05-02", To: "2031-05-03", For: "Rack"}, {ID: "b", From: "2031-05-03", For: "Ilo"}},
			"/1/from"},
		"about " +
			"it": {[]shop.Booking{{ID: "a", From: "2031-05-02", To: "2031-05-03"}, {ID: "b", From: "2031-04-01", To: "2031-06-01"}},
			"/1/from"},
		"one day twice": {[]shop.Booking{{ID: "a", From: "2031-05-02"}, {ID: "b", From: "2031-05-02"}}, "/1/from"},
		"backwards":     {[]shop.Booking{{ID: "a", From: "2031-05-02", To: "2031-05-01"}}, "/0/to"},
		"no day":        {[]shop.Booking{{ID: "a", From: "next week"}}, "/0/from"},
		"one id twice":  {[]shop.Booking{{ID: "a", From: "2031-05-02"}, {ID: "a", From: "2031-05-03"}}, "/1/id"},
	} {
		err := shop.Shop{Schema: 1, Machines: []shop.Machine{{ID: "m", Kind: shop.Brake, Sort: "press", Booked: c.rows}}}.Check()
		var f *working.Fault
		if errors.As(err, &f) != (c.at != "") || c.at != "" && f.Path != "/machines/0/booked"+c.at {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// A plasma table asks the compressor for its air, a laser does not; one that gives enough is enough,
// and a shop that names none is not asked.
func TestCompressorIsAsked(t *testing.T) {
	small := of("small", shop.Compressor, "piston", map[string]float64{"flow": 120})
	large := of("large", shop.Compressor, "piston", map[string]float64{"flow": 400})
	table := of("table", shop.Table, "plasma", map[string]float64{"long": 3000, "wide": 1500, "steel": 12, "air": 190})
	light := of("laser", shop.Table, "laser", nil)
	torn := plate(400, 300)
	torn.Process = "plasma"
	for name, c := range map[string]struct {
		machines []shop.Machine
		says     string
	}{
		"none named":   {[]shop.Machine{table}, ""},
		"too small":    {[]shop.Machine{table, small}, "takes 190 l/min of air, and The small gives 120 l/min"},
		"another does": {[]shop.Machine{table, small, large}, ""},
		"outside":      {[]shop.Machine{{ID: "t", Kind: shop.Table, Sort: "plasma", Where: shop.Outside, Limits: table.Limits}, small}, ""},
	} {
		got := said(t, shop.Shop{Machines: c.machines}, torn, false)["past-air"]
		if (c.says == "") != (got.Code == "") || !strings.Contains(got.Reason, c.says) {
			t.Errorf("%s: %+v", name, got)
		}
	}
	if got := said(t, shop.Shop{Machines: []shop.Machine{light, small}}, plate(400, 300), false)["past-air"]; got.Code != "" {
		t.Errorf("a laser: %+v", got)
	}
}
