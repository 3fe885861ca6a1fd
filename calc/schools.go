package calc

import (
	"errors"

	"warmanvil/core/bend"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// SchoolsRequest of bend.schools.
type SchoolsRequest struct {
	Material     string        `json:"material" doc:"key of the material table"`
	InsideRadius float64       `json:"insideRadius" doc:"mm"`
	Thickness    float64       `json:"thickness" doc:"mm"`
	Angle        float64       `json:"angle" doc:"degrees away from flat, over 0 to 165"`
	LegA         float64       `json:"legA" doc:"mm, outside to the apex"`
	LegB         float64       `json:"legB" doc:"mm, outside to the apex"`
	Method       bend.Method   `json:"method" enum:"air,bottomed,hand,rolled"`
	K            *float64      `json:"k,omitempty" doc:"fixed K"`
	Deduction    *float64      `json:"deduction,omitempty" doc:"fixed deduction, mm"`
	Coupons      []bend.Coupon `json:"coupons,omitempty"`
}

// SchoolsAnswer of bend.schools.
type SchoolsAnswer struct {
	Schools []SchoolAnswer `json:"schools"`
}

// SchoolAnswer is what one school says; Why tells why it says nothing.
type SchoolAnswer struct {
	School        bend.School       `json:"school"`
	KFactor       *float64          `json:"kFactor"`
	BendAllowance *float64          `json:"bendAllowance" doc:"mm"`
	BendDeduction *float64          `json:"bendDeduction" doc:"mm"`
	Flat          *float64          `json:"flat" doc:"mm, both legs less the deduction"`
	Why           string            `json:"why,omitempty"`
	Working       *working.Working  `json:"working,omitempty"`
	Findings      []working.Finding `json:"findings"`
}

func schools(r SchoolsRequest) (SchoolsAnswer, error) {
	m, err := stock.MaterialByKey(r.Material)
	if err != nil {
		return SchoolsAnswer{}, working.Refuse("/material", "Choose a material from the table: %v.", err)
	}
	err = working.First(working.Within("/insideRadius", "The inside radius", r.InsideRadius, 0, 5000, "mm"),
		working.Above("/thickness", "The thickness", r.Thickness, 0, 200, "mm"),
		working.Above("/angle", "The bend angle", r.Angle, 0, 165, "°"),
		working.Above("/legA", "Leg a", r.LegA, 0, 100_000, "mm"), working.Above("/legB", "Leg b", r.LegB, 0, 100_000, "mm"))
	if err != nil {
		return SchoolsAnswer{}, err
	}
	if _, err := bend.TableK(r.Method, m.Temper, r.InsideRadius, r.Thickness); err != nil {
		return SchoolsAnswer{}, &working.Fault{Path: "/method", Message: err.Error()}
	}
	rule := bend.Rule{Method: r.Method, K: r.K, Deduction: r.Deduction, Coupons: r.Coupons}.Prepare(m.Temper)
	var out SchoolsAnswer
	for _, s := range bend.Schools {
		if s == bend.SchoolShop {
			continue // a calculation knows no shop
		}
		row := SchoolAnswer{School: s, Findings: []working.Finding{}}
		t, err := rule.Take(s, r.InsideRadius, r.Thickness, r.Angle)
		var fault *working.Fault
		switch {
		case errors.As(err, &fault):
			row.Why = fault.Message
		case err != nil:
			return out, err
		default:
			flat := r.LegA + r.LegB - t.Deduction
			row.KFactor, row.BendAllowance, row.BendDeduction, row.Flat, row.Working = &t.K, &t.Allowance, &t.Deduction, &flat, &t.Working
			row.Findings = append(row.Findings, t.Findings...)
		}
		out.Schools = append(out.Schools, row)
	}
	return out, nil
}
