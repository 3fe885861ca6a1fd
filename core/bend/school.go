package bend

import (
	"fmt"
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// School is where K comes from.
type School string

// The schools, best first: strips of the part's own, all strips of the shop, chart,
// standard, typed.
const (
	SchoolCoupon   School = "coupon"
	SchoolShop     School = "shop"
	SchoolTable    School = "table"
	SchoolStandard School = "standard"
	SchoolFixed    School = "fixed"
)

// Schools lists them in order.
var Schools = []School{SchoolCoupon, SchoolShop, SchoolTable, SchoolStandard, SchoolFixed}

// Method is how a bend is made; the table of K depends on it.
type Method string

// The methods of the table.
const (
	MethodAir      Method = "air"
	MethodBottomed Method = "bottomed"
	MethodHand     Method = "hand"
	MethodRolled   Method = "rolled"
)

// kTable: K by method and temper, for R/T up to 1, up to 3, and above.
var kTable = map[Method]map[stock.Temper][3]float64{
	MethodAir:      {stock.Soft: {.33, .40, .50}, stock.Medium: {.38, .43, .50}, stock.Hard: {.40, .45, .50}},
	MethodBottomed: {stock.Soft: {.42, .46, .50}, stock.Medium: {.44, .47, .50}, stock.Hard: {.46, .48, .50}},
	MethodHand:     {stock.Soft: {.35, .40, .50}, stock.Medium: {.41, .43, .50}, stock.Hard: {.45, .46, .50}},
	MethodRolled:   {stock.Soft: {.50, .50, .50}, stock.Medium: {.50, .50, .50}, stock.Hard: {.50, .50, .50}},
}

const tableSource = "chart of K by R/T, method and temper as used in shops (practice, not a standard); hand-folded up to R/T = 1 after " +
	"Machinery's Handbook (0.55·T, 0.64·T and 0.71·T + 1.57·R)"

// TableK answers K of the chart.
func TableK(method Method, temper stock.Temper, insideRadius, thickness float64) (float64, error) {
	row, ok := kTable[method]
	if !ok {
		return 0, working.Refuse("/bend/method", "Method %q is not air, bottomed, hand or rolled.", string(method))
	}
	band := 2
	switch q := insideRadius / thickness; {
	case q <= 1+1e-9:
		band = 0
	case q <= 3+1e-9:
		band = 1
	}
	return row[temper][band], nil
}

// Rule is the shop's way to K. K or Deduction serve the fixed school.
type Rule struct {
	School    School   `json:"school" enum:"coupon,shop,table,standard,fixed" doc:"where K comes from"`
	Method    Method   `json:"method" enum:"air,bottomed,hand,rolled" doc:"how the bends are made"`
	K         *float64 `json:"k,omitempty" doc:"fixed K, 0 to 1"`
	Deduction *float64 `json:"deduction,omitempty" doc:"fixed deduction per bend, mm; goes before k"`
	Coupons   []Coupon `json:"coupons,omitempty" doc:"test strips of this sheet and tool"`
	Shop      []Coupon `json:"-"` // all strips of this sheet and tool that the shop has, filled in where a part is worked with
}

// Taken is what one bend takes under one school.
type Taken struct {
	School    School
	K         float64
	Allowance float64 // mm
	Deduction float64 // mm, to the outer apex
	Working   working.Working
	Findings  []working.Finding
}

// Prepared is a rule ready for many bends of one sheet.
type Prepared struct {
	Rule    Rule
	temper  stock.Temper
	coupons CouponSpread
	failed  error
	shop    CouponSpread
	none    error // why the shop's strips say nothing
}

// Prepare averages the coupons once. It never fails; a school that cannot
// answer says so bend by bend.
func (r Rule) Prepare(temper stock.Temper) Prepared {
	p := Prepared{Rule: r, temper: temper}
	p.coupons, p.failed = AverageCoupons(r.Coupons)
	if p.shop, p.none = AverageCoupons(r.Shop); len(r.Shop) == 0 {
		p.none = working.Refuse("/bend/school", "The Shop has no strip of this sheet, thickness and tool: bend one, and write it down there.")
	}
	return p
}

// Coupons answers the mean of the strips, or why there is none.
func (p Prepared) Coupons() (CouponSpread, error) { return p.coupons, p.failed }

// Take answers one bend under a school, R and T in mm, A in degrees. Past 165°
// there is no apex: the deduction is 0 and a fixed deduction is no answer.
// It fails with *working.Fault when that school has no answer.
func (p Prepared) Take(school School, insideRadius, thickness, angle float64) (Taken, error) {
	t := Taken{School: school}
	ossb := OutsideSetback(insideRadius, thickness, angle)
	w := working.Working{Inputs: sheetInputs(insideRadius, thickness, 0, angle)[:2]}
	w.Inputs = append(w.Inputs, degrees("A", "bend angle", angle))
	w.Formula = "BA = A·π/180·(R + K·T)"
	fromK := func(k float64) {
		t.K, t.Allowance = k, Allowance(insideRadius, thickness, k, angle)
	}
	switch school {
	case SchoolCoupon, SchoolShop:
		mean, strips, failed, of := p.coupons, p.Rule.Coupons, p.failed, ""
		if school == SchoolShop {
			mean, strips, failed, of = p.shop, p.Rule.Shop, p.none, " of the Shop"
		}
		if failed != nil {
			return t, failed
		}
		fromK(mean.KFactor)
		w.Method, w.Source = "K from coupons", fmt.Sprintf("mean of %d measured coupon(s)%s, spread %.3f", mean.Count, of, mean.Spread)
		w.Assumptions = []string{"the coupons are of this sheet, thickness and tool"}
		t.Findings = fits(mean, strips, insideRadius, thickness)
	case SchoolTable:
		k, err := TableK(p.Rule.Method, p.temper, insideRadius, thickness)
		if err != nil {
			return t, err
		}
		fromK(k)
		w.Method, w.Source = fmt.Sprintf("K from the chart (%s, %s sheet, R/T = %.2f)", p.Rule.Method, p.temper, insideRadius/thickness),
			tableSource
		w.Assumptions = []string{"a chart is a start: bend a coupon before the first good sheet"}
	case SchoolStandard:
		d, err := DIN6935(DINInput{insideRadius, thickness, math.Min(angle, 180)})
		if err != nil {
			return t, err
		}
		fromK(d.KFactor)
		if angle < 15 { // the standard takes nothing off for openings over 165°
			t.Allowance = 2 * ossb
			w.Formula = "v = 0 for openings over 165°: BA = 2·OSSB"
		}
		w.Method, w.Source = "K by the standard", "DIN 6935: k = 0.65 + 0.5·log10(R/T) up to R/T = 5, then 1; K = k/2"
	case SchoolFixed:
		w.Method, w.Source = "fixed by the shop", "typed by the shop"
		switch {
		case p.Rule.Deduction != nil && angle > 165:
			return t, working.Refuse("/bend/deduction",
				"A fixed deduction counts to the apex, and past 165° there is none: type K as well, or take another school.")
		case p.Rule.Deduction != nil:
			t.Allowance = 2*ossb - *p.Rule.Deduction
			w.Formula = "BA = 2·OSSB − BD, with BD fixed"
			if angle > 0 {
				t.K = (t.Allowance/(angle*math.Pi/180) - insideRadius) / thickness
			}
			if t.K < 0 || t.K > 1 {
				return t, working.Refuse("/bend/deduction", "A deduction of %.2f mm on this bend means K = %.2f, which no sheet has (0 to 1).",
					*p.Rule.Deduction, t.K)
			}
			if math.Abs(angle-90) > 1e-9 {
				t.Findings = append(t.Findings, working.Finding{Code: "deduction-off-90", Severity: working.Mind, Cause: "Bend allowance",
					Reason: fmt.Sprintf("The fixed deduction was made for 90° and is used at %.4g°: check with a strip.", angle)})
			}
		case p.Rule.K != nil:
			if err := working.Within("/bend/k", "K", *p.Rule.K, 0, 1, ""); err != nil {
				return t, err
			}
			fromK(*p.Rule.K)
		default:
			return t, working.Refuse("/bend/k", "No fixed K or deduction has been typed.")
		}
	default:
		return t, working.Refuse("/bend/school", "School %q is not coupon, shop, table, standard or fixed.", string(school))
	}
	w.Inputs = append(w.Inputs, number("K", "K factor", t.K))
	w.Result = working.MM("BA", "bend allowance", t.Allowance)
	if angle > 165 {
		w.Assumptions = append(w.Assumptions, "past 165° the apex lies far off: nothing is measured to it")
		t.Working = w
		return t, nil
	}
	t.Deduction = 2*ossb - t.Allowance
	w.Steps = []working.Quantity{working.MM("OSSB", "outside setback (R + T)·tan(A/2)", ossb),
		working.MM("BD", "bend deduction 2·OSSB − BA", t.Deduction)}
	t.Working = w
	return t, nil
}

// fits warns when the strips were of another thickness or radius.
func fits(mean CouponSpread, strips []Coupon, insideRadius, thickness float64) []working.Finding {
	out := append([]working.Finding(nil), mean.Findings...)
	for i, c := range strips {
		if math.Abs(c.Thickness-thickness) > .05*thickness {
			out = append(out, working.Finding{Code: "coupon-thickness", Severity: working.Mind, Cause: "Coupon",
				Reason: fmt.Sprintf("Coupon %d is %.2f mm thick, the part %.2f mm: K does not carry over for certain.", i+1, c.Thickness, thickness)})
		}
		if math.Abs(c.InsideRadius-insideRadius) > .25*math.Max(insideRadius, thickness) {
			out = append(out, working.Finding{Code: "coupon-radius", Severity: working.Mind, Cause: "Coupon",
				Reason: fmt.Sprintf("Coupon %d was bent to R %.2f mm, this bend has R %.2f mm: K does not carry over for certain.", i+1,
					c.InsideRadius, insideRadius)})
		}
	}
	return out
}
