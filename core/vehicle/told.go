package vehicle

import (
	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// ResultTold is one line of a table: a value in words, a verdict and why.
type ResultTold struct {
	ID       string            `json:"id,omitempty"`
	Name     string            `json:"name"`
	Value    *float64          `json:"value,omitempty" doc:"mm, degrees or share"`
	Text     string            `json:"text"`
	Verdict  string            `json:"verdict" enum:"good,doubtful,bad,open"`
	Says     string            `json:"says,omitempty"`
	Least    *brief.Source     `json:"least,omitempty"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working,omitempty"`

	Met    *bool  `json:"-"` // of a target of the brief
	Target string `json:"-"` // its id
}

// LevelTold is a levelling.
type LevelTold struct {
	ResultTold
	Pitch   string     `json:"pitch"`
	Roll    string     `json:"roll"`
	Twist   string     `json:"twist"`
	Packing [4]string  `json:"packing" doc:"front left, front right, rear left, rear right"`
	Turns   [2]float64 `json:"turns" doc:"degrees: pitch nose low, roll left side high"`
}

// StackTold is a stack at each of its places.
type StackTold struct {
	ResultTold
	Places []StackPlaceTold `json:"places"`
	Common bool             `json:"common"`
}

// StackPlaceTold is one row of the spacer list.
type StackPlaceTold struct {
	Name    string `json:"name"`
	Nominal string `json:"nominal"`
	Worst   string `json:"worst"`
	RSS     string `json:"rss"`
	Spacer  string `json:"spacer"`
	Shims   string `json:"shims"`
	Left    string `json:"left"`
	Leg     string `json:"leg,omitempty" doc:"with a slope: length of this leg"`
	Why     string `json:"why,omitempty"`
}

// AssumedTold is a value nobody measured here.
type AssumedTold struct {
	Name  string      `json:"name"`
	Trust brief.Trust `json:"trust" enum:"measured,copied,memory,assumed"`
	Under []string    `json:"under" doc:"what stands on it"`
}

// Waiting answers a line that waits for a reading.
func Waiting(id, name, says string) ResultTold {
	return ResultTold{ID: id, Name: name, Text: "—", Verdict: "open", Says: says, Findings: []working.Finding{}}
}

// VerdictIn answers the word for the worst of some findings: good, doubtful or bad.
func VerdictIn(list []working.Finding) string {
	v := "good"
	for _, f := range list {
		if f.Severity == working.Stop {
			return "bad"
		}
		if f.Severity == working.Mind {
			v = "doubtful"
		}
	}
	return v
}
