package brief

import (
	"fmt"
	"slices"

	"warmanvil/core/strength"
)

// Criticality is what happens when a part fails; it decides what may say
// `holds` without an answer.
type Criticality string

// Comfort: a nuisance. Load: the load or the vehicle is damaged. People:
// somebody can be hurt.
const (
	Comfort  Criticality = "comfort"
	LoadLost Criticality = "load"
	People   Criticality = "people"
)

// Answers are what somebody who may say so has said about what the program
// cannot work out: who, when and what.
type Answers struct {
	Fatigue string `json:"fatigue,omitempty"`
	Crash   string `json:"crash,omitempty"`
}

// Beside is one thing the static checks leave out. Answer is what somebody said
// about it; Decides tells that it may not say holds without one.
type Beside struct {
	Key     string           `json:"key" enum:"fatigue,crash,trust,joint"`
	Name    string           `json:"name"`
	Why     string           `json:"why"`
	Answer  string           `json:"answer,omitempty"`
	Decides bool             `json:"decides"`
	Verdict strength.Verdict `json:"verdict" enum:"answered,cannot say"`
}

// answered is the verdict of what somebody answered for.
const answered strength.Verdict = "answered"

// Behind is what lies behind a verdict: what its loads come from and what it rests
// on.
type Behind struct {
	Criticality Criticality
	Answers     Answers
	NearPeople  []string // names of what it carries that is in a space with people
	Sources     []Source
}

// trusted is the least trust that is let pass, by what happens when it fails.
var trusted = map[Criticality]Trust{Comfort: Assumed, LoadLost: Memory, People: Copied}

// Beside answers what the static checks leave out, of brackets, joints and frames
// alike. Whether it keeps the verdict from saying holds depends on what happens when
// the thing fails: crash always, assumed inputs from a lost load on, remembered ones
// and fatigue where people can be hurt.
func (b Behind) Beside() []Beside {
	out := []Beside{}
	add := func(key, name, answer, why string, decides bool) {
		c := Beside{Key: key, Name: name, Why: why, Answer: answer, Decides: decides, Verdict: strength.CannotSay}
		if answer != "" {
			c.Verdict = answered
		}
		out = append(out, c)
	}
	add("fatigue", "Fatigue", b.Answers.Fatigue,
		"Vibration breaks parts far below their static strength, and no fatigue check is built yet: look for cracks and moved bolts after the "+
			"first trips, and let an engineer say what lasts.", b.Criticality == People)
	for i, name := range b.NearPeople {
		if slices.Index(b.NearPeople, name) == i && i < 3 {
			add("crash", "Crash", b.Answers.Crash,
				name+" is in a space with people or can enter one: 20 g forward and 8 g sideways is the reference for cars and light vans, and needs "+
					"an approved design. Road cases do not cover it.", true)
		}
	}
	if least := LeastTrusted(b.Sources); least != nil && least.Trust.Rank() > trusted[b.Criticality].Rank() {
		add("trust", "What it rests on", "", fmt.Sprintf("The %s is %s: measure it before this may say holds.", least.Name, least.Trust.Words()),
			true)
	}
	return out
}

// With answers a verdict together with what stands beside it: what decides and was
// not answered makes it cannot say, unless it is over already.
func With(v strength.Verdict, list []Beside) strength.Verdict {
	for _, c := range list {
		if c.Verdict == strength.CannotSay && c.Decides && v != strength.Over {
			return strength.CannotSay
		}
	}
	return v
}
