package bend

import (
	"errors"
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Coupon is a test strip: its flat length, and the two legs to the outer apex
// after bending. Lengths in mm.
type Coupon struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm"`
	Thickness    float64 `json:"thickness" doc:"mm, measured"`
	Angle        float64 `json:"angle" doc:"degrees away from flat, over 0 to under 180"`
	Flat         float64 `json:"flat" doc:"mm, length before bending"`
	LegA         float64 `json:"legA" doc:"mm, to the outer apex"`
	LegB         float64 `json:"legB" doc:"mm, to the outer apex"`
	BentTo       float64 `json:"bentTo,omitempty" doc:"degrees it was turned to on the tool before it was let go; nothing is said of springback when left out"`
}

// CouponResult is what one strip says.
type CouponResult struct {
	KFactor       float64           `json:"kFactor"`
	BendAllowance float64           `json:"bendAllowance" doc:"mm"`
	BendDeduction float64           `json:"bendDeduction" doc:"mm"`
	Working       working.Working   `json:"working"`
	Findings      []working.Finding `json:"findings"`
}

// FromCoupon answers K from one strip: BD = a + b − flat, BA = 2·OSSB − BD,
// K = (BA/(A·π/180) − R)/T. A K outside 0–1 is refused: a reading is wrong.
func FromCoupon(c Coupon) (CouponResult, error) {
	err := working.First(
		working.Within("/insideRadius", "The inside radius", c.InsideRadius, 0, maxLength, "mm"),
		working.Above("/thickness", "The thickness", c.Thickness, 0, maxThickness, "mm"),
		working.Above("/angle", "The bend angle", c.Angle, 0, 179.9, "°"),
		working.Above("/flat", "The flat length", c.Flat, 0, maxLength, "mm"),
		working.Above("/legA", "Leg a", c.LegA, 0, maxLength, "mm"),
		working.Above("/legB", "Leg b", c.LegB, 0, maxLength, "mm"),
		working.Within("/bentTo", "The angle on the tool", c.BentTo, 0, 180, "°"),
	)
	if err != nil {
		return CouponResult{}, err
	}
	if c.BentTo != 0 && (c.BentTo < c.Angle || c.BentTo > 2*c.Angle) {
		return CouponResult{}, working.Refuse("/bentTo", "On the tool it was turned at least as far as it stayed, %.4g°, and not twice as far: "+
			"leave it out if nobody read it.", c.Angle)
	}
	ossb := OutsideSetback(c.InsideRadius, c.Thickness, c.Angle)
	bd := c.LegA + c.LegB - c.Flat
	ba := 2*ossb - bd
	k := (ba/(c.Angle*math.Pi/180) - c.InsideRadius) / c.Thickness
	if k < 0 || k > 1 {
		return CouponResult{}, working.Refuse("/flat",
			"These readings give K = %.3f, which no sheet has (0 to 1): measure flat and both legs again, to the outside apex.", k)
	}
	r := CouponResult{KFactor: k, BendAllowance: ba, BendDeduction: bd, Findings: []working.Finding{}, Working: working.Working{
		Method: "K from a bent test strip", Source: "measured coupon",
		Formula: "BD = a + b − flat;  BA = 2·OSSB − BD;  K = (BA/(A·π/180) − R)/T",
		Inputs: []working.Quantity{working.MM("flat", "flat length", c.Flat), working.MM("a", "leg", c.LegA), working.MM("b", "leg", c.LegB),
			working.MM("R", "inside radius", c.InsideRadius), working.MM("T", "thickness", c.Thickness), degrees("A", "bend angle", c.Angle)},
		Steps: []working.Quantity{working.MM("OSSB", "outside setback", ossb), working.MM("BD", "bend deduction", bd),
			working.MM("BA", "bend allowance", ba)},
		Assumptions: []string{"legs measured to the outer apex", "same sheet, thickness and tool as the part"},
		Result:      number("K", "K factor", k),
	}}
	if k < .25 || k > .55 {
		r.Findings = append(r.Findings, working.Finding{Code: "coupon-k-unusual", Severity: working.Mind, Cause: "Coupon",
			Reason: fmt.Sprintf("K = %.3f is outside the usual 0.25 to 0.55: measure the strip again before cutting.", k)})
	}
	return r, nil
}

// CouponSpread is the mean of several strips.
type CouponSpread struct {
	KFactor  float64 // mean
	Spread   float64 // standard deviation of the sample, 0 for one strip
	Count    int
	Findings []working.Finding
}

// AverageCoupons answers the mean K of strips; a strip over three standard
// deviations from the mean of the others is named. It fails with the first
// strip that is refused, its path under /coupons.
func AverageCoupons(coupons []Coupon) (CouponSpread, error) {
	s := CouponSpread{Count: len(coupons)}
	if s.Count == 0 {
		return s, working.Refuse("/coupons", "No coupon has been typed yet.")
	}
	ks := make([]float64, s.Count)
	for i, c := range coupons {
		r, err := FromCoupon(c)
		if err != nil {
			if f := (*working.Fault)(nil); errors.As(err, &f) {
				return s, working.Refuse(fmt.Sprintf("/coupons/%d%s", i, f.Path), "Coupon %d: %s", i+1, f.Message)
			}
			return s, err
		}
		ks[i] = r.KFactor
		for _, f := range r.Findings {
			f.Reason = fmt.Sprintf("Coupon %d: %s", i+1, f.Reason)
			s.Findings = append(s.Findings, f)
		}
	}
	s.KFactor, s.Spread = meanSpread(ks, -1)
	// With the suspect left out of its own yardstick an outlier cannot hide by
	// widening the spread.
	for i := range ks {
		if len(ks) < 4 {
			break
		}
		mean, spread := meanSpread(ks, i)
		if d := math.Abs(ks[i] - mean); d > 3*spread && d > .01 {
			s.Findings = append(s.Findings, working.Finding{Code: "coupon-outlier", Severity: working.Mind, Cause: "Coupon",
				Reason: fmt.Sprintf("Coupon %d gives K = %.3f, more than three times the spread away from the others (%.3f): measure it again "+
					"or leave it out.", i+1, ks[i], mean)})
		}
	}
	return s, nil
}

func meanSpread(ks []float64, without int) (mean, spread float64) {
	n := 0.0
	for i, k := range ks {
		if i != without {
			mean += k
			n++
		}
	}
	mean /= n
	if n < 2 {
		return mean, 0
	}
	for i, k := range ks {
		if i != without {
			spread += (k - mean) * (k - mean)
		}
	}
	return mean, math.Sqrt(spread / (n - 1))
}
