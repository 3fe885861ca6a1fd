package job

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/survey"
)

// InstrumentTold is what an instrument is good for, in the job's own unit.
type InstrumentTold struct {
	Usual string `json:"usual" doc:"by practice"`
	Good  string `json:"good" doc:"in this shop, without the unit"`
	Angle string `json:"angle" doc:"read for an angle"`
}

// fine writes a small length with the digits it needs, never as a fraction: a
// caliper's 0.05 mm is no sixteenth.
func (p pen) fine(mm float64) string {
	if p.d.Style == quantity.Metric {
		return fmt.Sprintf("%.3g mm", mm)
	}
	return fmt.Sprintf("%.3g in", math.Round(mm/25.4*1e4)/1e4)
}

// instruments tells every instrument of a survey.
func (p pen) instruments(shop survey.Shop) map[string]InstrumentTold {
	out := map[string]InstrumentTold{}
	for i, u := range survey.Uncertainty {
		good := u.Length
		if s := shop[i]; s > 0 {
			good = s
		}
		out[string(i)] = InstrumentTold{Usual: p.fine(u.Length), Good: strings.TrimRight(p.fine(good), " min"), Angle: fmt.Sprintf("%.3g°", u.Angle)}
	}
	return out
}
