// Package working holds what every result of Warm Anvil carries besides its
// number: how it was worked out (Working), what to look out for (Finding) and,
// for a refusal, where the trouble is (Fault).
package working

// Quantity is one number with its letter, name and unit. Unit is "mm", "°",
// "N", "MPa", "kg" or "" for a plain number. Text, when set, is the value as
// the job writes it.
type Quantity struct {
	Symbol string  `json:"symbol" doc:"letter in the formula"`
	Name   string  `json:"name"`
	Value  float64 `json:"value"`
	Unit   string  `json:"unit" doc:"mm, mm², °, N, MPa, kg or empty"`
	Text   string  `json:"text,omitempty" doc:"value as the job writes it"`
}

// Working is the way to one result.
type Working struct {
	Method      string     `json:"method"`
	Source      string     `json:"source" doc:"standard, textbook formula or practice it comes from"`
	Formula     string     `json:"formula"`
	Inputs      []Quantity `json:"inputs"`
	Steps       []Quantity `json:"steps,omitempty" doc:"intermediate values in order"`
	Assumptions []string   `json:"assumptions,omitempty"`
	Result      Quantity   `json:"result"`
}

// Severity of a finding.
type Severity string

// Stop: do not cut. Mind: think before cutting. Note: good to know.
const (
	Stop Severity = "stop"
	Mind Severity = "mind"
	Note Severity = "note"
)

// Edit sets one value of a recipe; Path is a JSON pointer into it.
type Edit struct {
	Path  string `json:"path" doc:"JSON pointer into the recipe"`
	Value any    `json:"value"`
}

// Fix is a change that clears a finding.
type Fix struct {
	Label string `json:"label" doc:"what the press does"`
	Edits []Edit `json:"edits"`
}

// Finding is one thing to look out for, with its reason and, where one exists,
// a fix.
type Finding struct {
	Code     string   `json:"code" doc:"stable name of the rule"`
	Severity Severity `json:"severity" enum:"stop,mind,note"`
	Cause    string   `json:"cause" doc:"heading it is grouped under"`
	Feature  string   `json:"feature,omitempty" doc:"id of the feature it is about"`
	Name     string   `json:"name,omitempty" doc:"name of the feature for people"`
	Reason   string   `json:"reason" doc:"one sentence"`
	Place    *Place   `json:"place,omitempty" doc:"where it is, when it is at one place"`
	Working  *Working `json:"working,omitempty"`
	Fixes    []Fix    `json:"fixes,omitempty"`
	SetAside string   `json:"setAside,omitempty" doc:"why the fabricator set it aside"`
}

// Place is where a finding lies on a sheet part, mm.
type Place struct {
	Flat [2]float64 `json:"flat" doc:"on the flat pattern"`
	Body [3]float64 `json:"body" doc:"on the folded mid-surface"`
}
