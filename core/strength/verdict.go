package strength

import (
	"math"

	"warmanvil/core/working"
)

// Verdict is what a check ends as.
type Verdict string

// Holds below 0.85, tight to 1, over above it; cannot say when an input is
// missing or outside the method's range.
const (
	Holds     Verdict = "holds"
	Tight     Verdict = "tight"
	Over      Verdict = "over"
	CannotSay Verdict = "cannot say"
	// NotNeeded: the mode was looked at and asks nothing, with why.
	NotNeeded Verdict = "not needed"
)

// TightFrom is the utilisation from which a check is tight.
const TightFrom = .85

// Check is one demand against one capacity. Utilisation is nil when it cannot
// be said; Why then says what is missing.
type Check struct {
	Key         string           `json:"key" doc:"stable name of the check"`
	Name        string           `json:"name"`
	Feature     string           `json:"feature,omitempty" doc:"id of the hole or bend it is about"`
	Where       string           `json:"where,omitempty" doc:"name of that place"`
	Case        string           `json:"case,omitempty" doc:"the load case that governs"`
	Demand      float64          `json:"demand"`
	Capacity    float64          `json:"capacity"`
	Unit        string           `json:"unit" doc:"N, N·mm, MPa or empty for a sum of shares"`
	Utilisation *float64         `json:"utilisation" doc:"demand over capacity; null when it cannot be said"`
	Verdict     Verdict          `json:"verdict" enum:"holds,tight,over,cannot say,not needed"`
	Why         string           `json:"why,omitempty" doc:"what is missing, why it is not needed, or what the number leaves out"`
	Working     *working.Working `json:"working,omitempty"`
}

// Judge answers utilisation and verdict of a demand against a capacity.
func Judge(demand, capacity float64) (*float64, Verdict) {
	u := demand / capacity
	if math.IsNaN(u) || math.IsInf(u, 0) || capacity <= 0 {
		return nil, CannotSay
	}
	switch {
	case u > 1:
		return &u, Over
	case u >= TightFrom:
		return &u, Tight
	}
	return &u, Holds
}

// Silent makes a check that cannot say.
func Silent(key, name, why string) Check {
	return Check{Key: key, Name: name, Verdict: CannotSay, Why: why}
}

// Worst answers the verdict of several checks together: over counts before
// cannot say, cannot say before tight; what is not needed counts for nothing. No
// check that was answered cannot say.
func Worst(checks []Check) Verdict {
	worst := NotNeeded
	for _, c := range checks {
		v := c.Verdict
		if _, known := rank[v]; !known {
			v = CannotSay
		}
		if Worse(v, worst) {
			worst = v
		}
	}
	if worst == NotNeeded {
		return CannotSay
	}
	return worst
}

var rank = map[Verdict]int{NotNeeded: 0, Holds: 1, Tight: 2, CannotSay: 3, Over: 4}

// Worse tells whether a verdict counts before another.
func Worse(a, b Verdict) bool { return rank[a] > rank[b] }
