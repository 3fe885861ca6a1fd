// Package survey turns readings of tape, caliper, level and angle gauge into
// points, slopes and spaces, and says how far each can be trusted. Vehicle
// axes: x forward, y left, z up (ISO 8855). Lengths mm, angles degrees.
//
// An instrument's ± is taken as its standard uncertainty; independent ones add
// as the root of the sum of squares.
package survey

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// Instrument is what a reading was taken with.
type Instrument string

// The instruments and their uncertainties are in Uncertainty.
const (
	Tape       Instrument = "tape"
	Caliper    Instrument = "caliper"
	Rule       Instrument = "rule"
	AngleGauge Instrument = "angleGauge"
	Level      Instrument = "level"
	String     Instrument = "string"
	Eye        Instrument = "eye"
	Scan       Instrument = "scan" // points picked off a scan of the vehicle
)

// Uncertainty answers what an instrument is good for, mm or degrees: usual
// values of practice, changed where a shop knows better.
var Uncertainty = map[Instrument]struct {
	Length float64 // mm
	Angle  float64 // degrees
}{
	Tape: {1, 1}, Caliper: {.05, .5}, Rule: {.3, .5}, AngleGauge: {1, .2}, Level: {1, .1}, String: {2, .5}, Eye: {5, 2}, Scan: {2, .5},
}

// Reading is one value with how it was come by. Values holds it once or as
// often as it was repeated.
type Reading struct {
	Values     []float64  `json:"values,omitempty" doc:"mm or degrees, as often as read"`
	Instrument Instrument `json:"instrument,omitempty" enum:"tape,caliper,rule,angleGauge,level,string,eye,scan"`
	Trust      string     `json:"trust,omitempty" enum:"measured,copied,memory,assumed"`
	Least      bool       `json:"least,omitempty" doc:"an inside width: the smallest counts"`
}

// Taken tells whether there is a value.
func (r Reading) Taken() bool { return len(r.Values) > 0 }

// Known is what a reading is worth.
type Known struct {
	Value   float64 `json:"value"`
	Sigma   float64 `json:"sigma" doc:"standard uncertainty"`
	Spread  float64 `json:"spread" doc:"largest less smallest"`
	Outlier int     `json:"outlier" doc:"number from 1 of a reading that stands out, 0 for none"`
}

// Check refuses a reading that cannot be one. limit is the largest size.
func (r Reading) Check(path, name string, lo, hi float64, unit string) error {
	if len(r.Values) > 50 {
		return working.Refuse(path+"/values", "%s holds up to 50 repeats.", name)
	}
	for i, v := range r.Values {
		if err := working.Within(fmt.Sprintf("%s/values/%d", path, i), name, v, lo, hi, unit); err != nil {
			return err
		}
	}
	if _, ok := Uncertainty[r.Instrument]; !ok && r.Instrument != "" {
		return working.Refuse(path+"/instrument", "There is no instrument %q.", string(r.Instrument))
	}
	switch r.Trust {
	case "", "measured", "copied", "memory", "assumed":
		return nil
	}
	return working.Refuse(path+"/trust", "A value is measured, copied, memory or assumed, not %q.", r.Trust)
}

// Shop says what its instruments are good for where it differs from practice.
type Shop map[Instrument]float64

// Sigma answers the uncertainty of one reading. A value from memory or assumed
// is worth no more than a look by eye.
func (r Reading) Sigma(shop Shop, angle bool) float64 {
	pick := func(i Instrument) float64 {
		u := Uncertainty[i]
		if angle {
			return u.Angle
		}
		if s, own := shop[i]; own && s > 0 {
			return s
		}
		return u.Length
	}
	instrument := r.Instrument
	if instrument == "" {
		if instrument = Tape; angle {
			instrument = AngleGauge
		}
	}
	if r.Trust == "memory" || r.Trust == "assumed" {
		return math.Max(pick(instrument), pick(Eye))
	}
	return pick(instrument)
}

// Unsaid tells whether nobody said how good a length read with a tape is: neither for
// the shop, nor by reading it often enough to see, nor by naming what it was read with.
func (r Reading) Unsaid(shop Shop) bool {
	if r.Instrument != "" && r.Instrument != Tape || shop[Tape] > 0 || r.Trust == "memory" || r.Trust == "assumed" {
		return false
	}
	return r.Work(shop, false).Sigma <= Uncertainty[Tape].Length
}

// Work answers the mean of a repeated reading, or the smallest of an inside
// width, with its uncertainty: the instrument's, or what the repeats scatter if
// that is more. One that lies farther off the middle of the others than three
// times either is named and left out of the mean.
func (r Reading) Work(shop Shop, angle bool) Known {
	n := len(r.Values)
	if n == 0 {
		return Known{}
	}
	single := r.Sigma(shop, angle)
	k := Known{Spread: slices.Max(r.Values) - slices.Min(r.Values)}
	use := r.Values
	if n >= 3 {
		if out := outlier(r.Values, single); out >= 0 {
			k.Outlier = out + 1
			use = slices.Delete(slices.Clone(r.Values), out, out+1)
		}
	}
	mean, scatter := meanOf(use)
	k.Value = mean
	k.Sigma = single // repeats with one tape share its error: the mean is no better than the tape
	if len(use) > 1 {
		k.Sigma = math.Max(single, scatter)
	}
	if r.Least {
		k.Value = slices.Min(use)
	}
	return k
}

// Doubtful tells whether repeats contradict each other: one stands out, or they lie farther
// apart than the instrument allows.
func (r Reading) Doubtful(shop Shop, angle bool) bool {
	k := r.Work(shop, angle)
	return k.Outlier > 0 || k.Spread > 4*r.Sigma(shop, angle)
}

func meanOf(v []float64) (mean, scatter float64) {
	for _, x := range v {
		mean += x / float64(len(v))
	}
	for _, x := range v {
		scatter += (x - mean) * (x - mean)
	}
	if len(v) > 1 {
		scatter = math.Sqrt(scatter / float64(len(v)-1))
	}
	return mean, scatter
}

// outlier answers the reading farthest from the median, if it is beyond three
// times both the instrument's uncertainty and 1.4826 times the median
// deviation (Hampel).
func outlier(v []float64, single float64) int {
	middle := median(v)
	off := make([]float64, len(v))
	at := 0
	for i, x := range v {
		off[i] = math.Abs(x - middle)
		if off[i] > off[at] {
			at = i
		}
	}
	if far := off[at]; far <= 3*math.Max(single, 1.4826*median(off)) {
		return -1
	}
	return at
}

func median(v []float64) float64 {
	s := slices.Sorted(slices.Values(v))
	if n := len(s); n%2 == 0 {
		return (s[n/2-1] + s[n/2]) / 2
	}
	return s[len(s)/2]
}

// Root is the root of the sum of squares.
func Root(v ...float64) (s float64) {
	for _, x := range v {
		s += x * x
	}
	return math.Sqrt(s)
}

// Working explains a repeated reading.
func (r Reading) Working(name string, k Known, angle bool) working.Working {
	unit := "mm"
	if angle {
		unit = "°"
	}
	w := working.Working{Method: "Repeated reading",
		Source: "mean; an outlier by the median deviation (Hampel); uncertainty of the instrument or of the scatter, whichever " +
			"is more",
		Formula:     "mean of the readings kept",
		Assumptions: []string{"the instrument's ± is its standard uncertainty", "repeats with one instrument share its error"},
		Result:      working.Quantity{Name: name, Value: k.Value, Unit: unit}}
	if r.Least {
		w.Formula = "smallest of the readings kept"
		w.Assumptions = append(w.Assumptions, "an inside width: what goes in meets the narrowest place")
	}
	for i, v := range r.Values {
		q := working.Quantity{Symbol: fmt.Sprint(i + 1), Name: "read by " + string(r.Instrument), Value: v, Unit: unit}
		if k.Outlier == i+1 {
			q.Name += ", left out: it lies too far off the others"
		}
		w.Inputs = append(w.Inputs, q)
	}
	w.Steps = []working.Quantity{{Symbol: "±", Name: "standard uncertainty", Value: k.Sigma, Unit: unit},
		{Symbol: "s", Name: "spread", Value: k.Spread, Unit: unit}}
	return w
}
