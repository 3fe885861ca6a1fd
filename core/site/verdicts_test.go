package site

import (
	"context"
	"testing"

	"warmanvil/core/shop"
	"warmanvil/core/strength"
)

// A verdict that a rule turned is told with what it was, what it is and why; one that
// stayed is not. Where nothing was kept all that does not hold is listed.
func TestTurnedByRules(t *testing.T) {
	use := .5
	now := Verdicts{strength.Rules, map[string]Said{
		"a": {"Foot", strength.CannotSay, nil, "Slip: type how it is tightened"}, "b": {"Rail", strength.Holds, &use, "Hole crushed"},
		"c": {"Eye", strength.Over, &use, "Pin in shear"}, "d": {"New", strength.Over, nil, ""}}}
	got := Against(Verdicts{1, map[string]Said{"a": {Name: "Foot", Verdict: strength.Holds}, "b": {Name: "Rail", Verdict: strength.Holds},
		"c": {Name: "Eye", Verdict: strength.Tight}}}, now)
	if len(got.Changes) == 0 || got.Unkept || len(got.Turned) != 2 {
		t.Fatalf("%+v", got)
	}
	if a := got.Turned[0]; a.Name != "Foot" || a.From != strength.Holds || a.To != strength.CannotSay ||
		a.Why != "Slip: type how it is tightened" {
		t.Errorf("%+v", a)
	}
	if c := got.Turned[1]; c.From != strength.Tight || c.To != strength.Over {
		t.Errorf("%+v", c)
	}
	if got = Against(Verdicts{Rules: 1}, now); !got.Unkept || len(got.Turned) != 3 {
		t.Errorf("nothing was kept: %+v", got)
	}
	for i, c := range strength.Changed {
		if c.Rules > strength.Rules || c.Rules < 2 || i > 0 && c.Rules < strength.Changed[i-1].Rules {
			t.Errorf("change %d is of rules %d, and rules are at %d", i, c.Rules, strength.Rules)
		}
	}
}

// What is said of a whole job: brackets, joints and frames, each with why.
func TestSaidOfAJob(t *testing.T) {
	b := truck("rough")
	parts := BuildParts(context.Background(), pressParts(), b, shop.Shop{})
	s := Site{Brief: b, Parts: parts}
	said := s.Said(s.Hold())
	if len(said) != len(b.Mounts)+len(b.Joints) {
		t.Errorf("%d things are said of %d mounts and %d joints", len(said), len(b.Mounts), len(b.Joints))
	}
	for id, x := range said {
		if x.Name == "" || x.Why == "" {
			t.Errorf("%s: %+v", id, x)
		}
	}
}
