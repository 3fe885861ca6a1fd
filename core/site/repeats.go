package site

import (
	"fmt"

	"warmanvil/core/vehicle"
)

// repeats tells of every reading taken more than once: mean or smallest,
// spread, and the one that stands out.
func repeats(l *vehicle.Locator, s vehicle.Survey, out *Surveyed) {
	for _, r := range s.Readings() {
		if len(r.Values) < 2 {
			continue
		}
		angle := r.Kind == vehicle.AngleReading
		r.Least = r.Least || r.Inner
		k := r.Work(s.Shop, angle)
		write := l.Pen.MM
		if angle {
			write = l.Pen.Degrees
		}
		t := vehicle.ResultTold{Name: r.Of + ", " + r.What, Value: &k.Value, Text: write(k.Value), Verdict: "good", Least: nil,
			Working: l.Pen.Explain(r.Working(r.What, k, angle))}
		word := "mean"
		if r.Least {
			word = "smallest"
		}
		t.Says = fmt.Sprintf("%s of %d readings, spread %s, ± %s", word, len(r.Values), write(k.Spread), write(2*k.Sigma))
		switch {
		case k.Outlier > 0:
			t.Verdict = "doubtful"
			t.Says += fmt.Sprintf("; reading %d, %s, stands out and is left out", k.Outlier, write(r.Values[k.Outlier-1]))
		case k.Spread > 4*r.Sigma(s.Shop, angle):
			t.Verdict = "doubtful"
			t.Says += "; they lie farther apart than the instrument allows: read it again"
		}
		out.Repeats = append(out.Repeats, t)
	}
}
