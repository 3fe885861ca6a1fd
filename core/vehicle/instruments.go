package vehicle

import (
	"fmt"
	"strings"

	"warmanvil/core/survey"
	"warmanvil/core/told"
)

// InstrumentTold is what an instrument is good for, in the job's own unit.
type InstrumentTold struct {
	Usual string `json:"usual" doc:"by practice"`
	Good  string `json:"good" doc:"in this shop, without the unit"`
	Angle string `json:"angle" doc:"read for an angle"`
}

// Instruments tells every instrument of a survey.
func Instruments(p told.Pen, shop survey.Shop) map[string]InstrumentTold {
	out := map[string]InstrumentTold{}
	for i, u := range survey.Uncertainty {
		good := u.Length
		if s := shop[i]; s > 0 {
			good = s
		}
		out[string(i)] = InstrumentTold{Usual: p.Fine(u.Length), Good: strings.TrimRight(p.Fine(good), " min"),
			Angle: fmt.Sprintf("%.3g°", u.Angle)}
	}
	return out
}
