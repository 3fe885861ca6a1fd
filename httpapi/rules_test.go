package httpapi_test

import (
	"testing"
	"time"

	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/httpapi"
)

// A job last looked at under older rules says on opening what they turned, until
// somebody has read it.
func TestRulesChanged(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	open := func() (v httpapi.HoldingView) {
		c.do("GET", "/api/v1/jobs/"+j.ID+"/holding", "").into(t, &v)
		return v
	}
	v := open()
	if v.Rules != nil {
		t.Fatalf("a new job: %+v", v.Rules)
	}
	kept, err := c.jobs.Store.Verdicts(t.Context(), j.ID)
	if err != nil || kept.Rules != strength.Rules || len(kept.Said) != len(v.Holding.Mounts)+len(v.Holding.Joints)+len(v.Holding.Welded)+1 {
		t.Fatalf("%v %+v", err, kept)
	}
	id := v.Holding.Mounts[0].Mount.ID
	x := kept.Said[id]
	x.Verdict = strength.Over
	kept.Rules, kept.Said[id] = 1, x
	if err := c.jobs.Store.SaveVerdicts(t.Context(), j.ID, kept, time.Now()); err != nil {
		t.Fatal(err)
	}
	c = serve(t, c.jobs) // rules change with the program
	for range 2 {        // it stays until it was read
		if v = open(); v.Rules == nil || len(v.Rules.Turned) != 1 || v.Rules.Turned[0].From != strength.Over ||
			v.Rules.Turned[0].To != v.Holding.Mounts[0].Verdict || len(v.Rules.Changes) == 0 {
			t.Fatalf("%+v", v.Rules)
		}
	}
	if r := c.do("POST", "/api/v1/jobs/"+j.ID+"/rules-seen", ""); r.status != 200 {
		t.Fatal(r.status, string(r.body))
	}
	if v = open(); v.Rules != nil {
		t.Errorf("read, and said again: %+v", v.Rules)
	}
	// Of a job from before anything was kept, all that does not hold is listed.
	if err := c.jobs.Store.SaveVerdicts(t.Context(), j.ID, site.Verdicts{Rules: 1, Said: map[string]site.Said{}}, time.Now()); err != nil {
		t.Fatal(err)
	}
	c = serve(t, c.jobs)
	if v = open(); v.Rules == nil || !v.Rules.Unkept {
		t.Errorf("%+v", v.Rules)
	}
}
