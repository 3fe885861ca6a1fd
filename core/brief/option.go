package brief

import (
	"fmt"
	"slices"

	"warmanvil/core/working"
)

// Option is one way it could be done.
type Option struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	For     string `json:"for,omitempty"`
	Against string `json:"against,omitempty"`
	Chosen  bool   `json:"chosen,omitempty"`
	Reason  string `json:"reason,omitempty" doc:"why it was chosen"`

	Kind  OptionKind `json:"kind,omitempty" enum:"make,buy,used,adapt" doc:"nothing is worked out of it when left out"`
	Price *float64   `json:"price,omitempty" doc:"money: what is bought, adapted or bought in for it"`
	Hours *float64   `json:"hours,omitempty" doc:"own work, h; of what is made here, beside what the job says"`
	Days  *float64   `json:"days,omitempty" doc:"until it comes"`
	Fit   FitRisk    `json:"fit,omitempty" enum:"sure,likely,unknown" doc:"how sure it is to fit"`

	Seen   []string `json:"seen,omitempty" doc:"of a second-hand thing: keys of what was looked at and was sound"`
	Years  *float64 `json:"years,omitempty" doc:"how long it is to serve"`
	Yearly *float64 `json:"yearly,omitempty" doc:"money a year to run it: fuel, wear, service, insurance"`
}

// OptionKind is how a way comes by the thing.
type OptionKind string

// The kinds of ways.
const (
	MakeIt  OptionKind = "make"
	BuyIt   OptionKind = "buy"
	UsedIt  OptionKind = "used"
	AdaptIt OptionKind = "adapt"
)

// FitRisk is how sure a way is to fit.
type FitRisk string

// Fits says how sure a way is to fit.
func (o Option) Fits() string {
	switch {
	case o.Fit == "sure":
		return "fits for sure"
	case o.Fit == "likely":
		return "fits likely: measure it before it is paid"
	case o.Fit == "unknown":
		return "nobody knows whether it fits"
	case o.Kind == MakeIt:
		return "made to measure"
	}
	return "whether it fits is not said"
}

// Look is one thing to look at before a second-hand device is paid.
type Look struct {
	Key  string `json:"key"`
	Text string `json:"text"`
}

// SecondHand answers what is looked at of a second-hand device, in the order it is done on the
// spot. Practice; what a certificate or a rule asks of lifting gear, pressure and gas comes first.
func SecondHand() []Look { return secondHand }

var secondHand = []Look{{"plate", "its plate: maker, number, year, what it is rated for"}, {"whole",
	"no cracks, bends or welds that are not its " +
		"maker's"}, {"load", "it does its work under load, not only running free"}, {"play", "bearings, pins and slides without play"},
	{"dry", "no leaks: oil, fuel, gas, air"}, {"lines", "hoses, cables, ropes and straps whole and in date"},
	{"parts", "spare parts and papers to be had"}, {"feet", "its feet, size and mass measured"}}

// Unseen answers what was not looked at of a second-hand way.
func (o Option) Unseen() (out []string) {
	if o.Kind != UsedIt {
		return nil
	}
	for _, l := range secondHand {
		if !slices.Contains(o.Seen, l.Key) {
			out = append(out, l.Text)
		}
	}
	return out
}

func (o Option) check(at string) error {
	if o.Kind != "" && o.Kind != MakeIt && o.Kind != BuyIt && o.Kind != UsedIt && o.Kind != AdaptIt {
		return working.Refuse(at+"/kind", "A way makes, buys, takes second-hand or adapts it, not %q.", string(o.Kind))
	}
	if o.Fit != "" && o.Fit != "sure" && o.Fit != "likely" && o.Fit != "unknown" {
		return working.Refuse(at+"/fit", "It fits for sure, likely, or nobody knows, not %q.", string(o.Fit))
	}
	for i, key := range o.Seen {
		if !slices.ContainsFunc(secondHand, func(l Look) bool { return l.Key == key }) {
			return working.Refuse(fmt.Sprintf("%s/seen/%d", at, i), "%q is nothing that is looked at.", key)
		}
	}
	if o.Years != nil {
		if err := working.Above(at+"/years", "The years it serves", *o.Years, 0, 200, "years"); err != nil {
			return err
		}
	}
	for _, x := range []struct {
		key, what string
		v         *float64
		most      float64
	}{{"price", "The price", o.Price, 1e9}, {"hours", "The hours", o.Hours, 1e5}, {"days", "The days", o.Days, 1e4},
		{"yearly", "What it costs a year", o.Yearly, 1e9}} {
		if x.v != nil {
			if err := working.Within(at+"/"+x.key, x.what, *x.v, 0, x.most, ""); err != nil {
				return err
			}
		}
	}
	return nil
}
