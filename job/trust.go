package job

import "warmanvil/core/working"

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

// trustWords says a trust in a sentence.
var trustWords = map[Trust]string{Measured: "measured here", Copied: "copied", Memory: "from memory", Assumed: "assumed", "": "assumed"}

// Given is a value somebody gave, with how far it can be trusted.
type Given struct {
	Value float64 `json:"value"`
	Trust Trust   `json:"trust,omitempty" enum:"measured,copied,memory,assumed" doc:"how it came to be known; assumed when left out"`
}

func (g *Given) check(path, name string, lo, hi float64, unit string) error {
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

// leastTrusted answers the least trusted of some inputs, nil for none.
func leastTrusted(list []Source) *Source {
	var worst *Source
	for i := range list {
		if worst == nil || trustRank[list[i].Trust] > trustRank[worst.Trust] {
			worst = &list[i]
		}
	}
	return worst
}
