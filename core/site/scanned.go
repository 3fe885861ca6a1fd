package site

import (
	"fmt"
	"math"

	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// scanned asks for one long size with the tape where readings come off a scan: a scan
// that is out of scale, or put together wrong, is so everywhere alike and shows nothing
// in itself. A governing dimension that was measured again and agrees answers it.
func scanned(l *vehicle.Locator, s vehicle.Survey, out *Surveyed) {
	for _, c := range out.Checks {
		for _, g := range c.Governing {
			if g.Verdict == "good" {
				return
			}
		}
	}
	n, longest, name := 0, 0., ""
	for _, r := range s.Readings() {
		if r.Instrument != survey.Scan || !r.Taken() || r.Kind == vehicle.AngleReading {
			continue
		}
		n++
		if v := math.Abs(r.Values[0]); v >= longest {
			longest, name = v, r.Of+", "+r.What
		}
	}
	if n == 0 {
		return
	}
	out.Findings = append(out.Findings, working.Finding{Code: "scan-scale", Severity: working.Mind, Cause: "Reading", Name: name,
		Reason: fmt.Sprintf("%d %s off a scan, and no size was measured again with the tape: a scan out of scale or put together "+
			"wrong is so "+
			"everywhere alike. Tape a long one on the vehicle, %s of %s, and measure a part's governing sizes again before anything "+
			"is cut.", n,
			told.Plural(n, "reading comes", "readings come"), l.Pen.MM(longest), name)})
}
