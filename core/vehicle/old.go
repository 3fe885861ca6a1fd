package vehicle

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// Replaced is a part that was on the vehicle: what it was, how it failed, and its sizes, set
// beside those of the part or frame that takes its place.
type Replaced struct {
	ID     string    `json:"id"`
	Name   string    `json:"name"`
	For    string    `json:"for,omitempty" doc:"id of the part or frame that takes its place"`
	Made   string    `json:"made,omitempty" doc:"of what it was made, how it was held"`
	Failed string    `json:"failed,omitempty" doc:"where and how it failed, or why it goes"`
	Sizes  []OldSize `json:"sizes,omitempty"`
}

// OldSize is one size of an old part.
type OldSize struct {
	ID    string         `json:"id"`
	Name  string         `json:"name"`
	Value survey.Reading `json:"value" doc:"mm"`
	Now   string         `json:"now,omitempty" doc:"key of the size of the new part it is set against"`
	Why   string         `json:"why,omitempty" doc:"why the new one differs"`
}

// Trial is a person trying where a seat, a step or controls go, and what that showed.
type Trial struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Who   string      `json:"who,omitempty" doc:"who tried it, and how tall"`
	Point string      `json:"point,omitempty" doc:"id of the surveyed point that says where it stood"`
	At    *[3]float64 `json:"at,omitempty" doc:"mm, where that point lay when it was tried"`
	Asks  []TrialAsk  `json:"asks,omitempty"`
}

// TrialAsk is one thing that was looked at.
type TrialAsk struct {
	What   string `json:"what" enum:"head,sight,mirrors,reach,wheel,pedals,knees,belt,inOut,weather"`
	Answer string `json:"answer,omitempty" enum:"good,bad,needless" doc:"left out when not looked at; needless where there is no such thing"`
	Note   string `json:"note,omitempty"`
}

// TrialAsks are what is looked at, in the order one sits down.
var TrialAsks = []string{"inOut", "pedals", "knees", "wheel", "head", "sight", "mirrors", "reach", "belt", "weather"}

// maxSizes of one old part.
const maxSizes = 60

func (s Survey) checkOld() error {
	for i, o := range s.Olds {
		at := fmt.Sprintf("/olds/%d", i)
		if len(o.Sizes) > maxSizes {
			return working.Refuse(at+"/sizes", "An old part has up to %d sizes.", maxSizes)
		}
		long := o.Made + o.Failed
		for _, z := range o.Sizes {
			long += z.Name + z.Why
		}
		if len([]rune(long)) > brief.MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", brief.MaxText)
		}
	}
	for i, t := range s.Trials {
		at := fmt.Sprintf("/trials/%d", i)
		if len(t.Asks) > len(TrialAsks) {
			return working.Refuse(at+"/asks", "A trial has up to %d things to look at.", len(TrialAsks))
		}
		long := t.Who
		for k, a := range t.Asks {
			long += a.Note
			if a.Answer != "" && a.Answer != "good" && a.Answer != "bad" && a.Answer != "needless" {
				return working.Refuse(fmt.Sprintf("%s/asks/%d/answer", at, k), "It was good, bad, needless, or not looked at, not %q.", a.Answer)
			}
		}
		if len([]rune(long)) > brief.MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", brief.MaxText)
		}
		for axis := 0; t.At != nil && axis < 3; axis++ {
			if err := working.Within(fmt.Sprintf("%s/at/%d", at, axis), "A place", t.At[axis], -1e5, 1e5, "mm"); err != nil {
				return err
			}
		}
	}
	return nil
}
