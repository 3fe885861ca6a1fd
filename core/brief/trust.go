// Package brief is what is wanted of a job's work and how far the numbers behind it
// can be trusted: where a value comes from, what happens when a part fails, and what
// stands beside a verdict that statics alone cannot give.
package brief

import (
	"cmp"

	"warmanvil/core/working"
)

// Trust says how a value came to be known.
type Trust string

// From the best to the worst. Unmarked counts as assumed.
const (
	Measured Trust = "measured"
	Copied   Trust = "copied"
	Memory   Trust = "memory"
	Assumed  Trust = "assumed"
)

var trustRank = map[Trust]int{Measured: 0, Copied: 1, Memory: 2, Assumed: 3, "": 3}

var trustWords = map[Trust]string{Measured: "measured here", Copied: "copied", Memory: "from memory", Assumed: "assumed", "": "assumed"}

// Or answers a trust, assumed where none was said.
func (t Trust) Or() Trust { return cmp.Or(t, Assumed) }

// Rank orders trusts, 0 the best.
func (t Trust) Rank() int { return trustRank[t] }

// Words says a trust in a sentence.
func (t Trust) Words() string { return trustWords[t] }

// Given is a value somebody gave, with how far it can be trusted.
type Given struct {
	Value float64 `json:"value"`
	Trust Trust   `json:"trust,omitempty" enum:"measured,copied,memory,assumed" doc:"how it came to be known; assumed when left out"`
}

// Check refuses a value that is not within lo and hi, or is trusted in no known way;
// nil is taken.
func (g *Given) Check(path, name string, lo, hi float64, unit string) error {
	if g == nil {
		return nil
	}
	if _, ok := trustRank[g.Trust]; !ok {
		return working.Refuse(path+"/trust", "A value is measured, copied, memory or assumed, not %q.", g.Trust)
	}
	return working.Within(path+"/value", name, g.Value, lo, hi, unit)
}

// Source is one input behind a result.
type Source struct {
	Name  string `json:"name"`
	Trust Trust  `json:"trust" enum:"measured,copied,memory,assumed"`
}

// LeastTrusted answers the least trusted of some inputs, nil for none.
func LeastTrusted(list []Source) *Source {
	var worst *Source
	for i := range list {
		if worst == nil || list[i].Trust.Rank() > worst.Trust.Rank() {
			worst = &list[i]
		}
	}
	return worst
}
