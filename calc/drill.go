package calc

import (
	"fmt"
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// DrillRequest of drill.
type DrillRequest struct {
	Diameter float64 `json:"diameter" doc:"mm, of the hole"`
	Inches   bool    `json:"inches,omitempty" doc:"the shop has inch drills"`
}

// DrillAnswer of drill.
type DrillAnswer struct {
	Text      string            `json:"text" doc:"the drill to take, and by how much it misses the hole"`
	Inch      string            `json:"inch" doc:"name of the nearest number, letter or fraction drill"`
	InchSize  float64           `json:"inchSize" doc:"mm"`
	Metric    string            `json:"metric" doc:"name of the nearest metric drill"`
	MetricMM  float64           `json:"metricSize" doc:"mm"`
	InchOff   float64           `json:"inchOff" doc:"mm, larger than the hole when positive"`
	MetricOff float64           `json:"metricOff" doc:"mm"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

func drill(r DrillRequest) (DrillAnswer, error) {
	if err := working.Within("/diameter", "The hole's diameter", r.Diameter, .5, 60, "mm"); err != nil {
		return DrillAnswer{}, err
	}
	inch, metric := stock.NearestBit(r.Diameter, true), stock.NearestBit(r.Diameter, false)
	near := metric
	if r.Inches {
		near = inch
	}
	a := DrillAnswer{Text: stock.BitText(r.Diameter, r.Inches), Inch: inch.Name, InchSize: inch.Diameter, Metric: metric.Name,
		MetricMM: metric.Diameter, InchOff: inch.Diameter - r.Diameter, MetricOff: metric.Diameter - r.Diameter,
		Findings: []working.Finding{},
		Working: working.Working{Method: "Nearest drill", Source: "ASME B94.11M numbers, letters and fractions; metric sizes by tenths",
			Formula: "looked up: the least |drill − d|",
			Inputs:  []working.Quantity{{Symbol: "d", Name: "hole", Value: r.Diameter, Unit: "mm"}},
			Result:  working.Quantity{Symbol: near.Name, Name: "drill", Value: near.Diameter, Unit: "mm"}}}
	if off := math.Abs(near.Diameter - r.Diameter); off > .15 && r.Diameter < 14 {
		a.Findings = append(a.Findings, working.Finding{Code: "drill-off", Severity: working.Mind, Cause: "Hole",
			Reason: fmt.Sprintf("The nearest drill misses the hole by %.2f mm: whether that does is for who knows what goes through it.", off)})
	}
	return a, nil
}
