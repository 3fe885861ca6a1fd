package httpapi_test

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/httpapi"
)

// Every starter has a picture of what it makes; typed numbers change it, numbers that cannot
// be are refused at their field, and nothing is kept.
func TestSketches(t *testing.T) {
	c := start(t)
	var all httpapi.PartStarters
	c.do("GET", "/api/v1/part-starters", "").into(t, &all)
	if len(all.Starters) < 10 {
		t.Fatalf("%d starters", len(all.Starters))
	}
	for _, s := range all.Starters {
		if len(s.Sketch.Lines) < 8 || !strings.Contains(s.Sketch.Size, " × ") || s.Sketch.Many < 1 {
			t.Errorf("%s: %d lines, %q", s.Name, len(s.Sketch.Lines), s.Sketch.Size)
		}
		for _, line := range s.Sketch.Lines {
			if len(line) < 2 {
				t.Errorf("%s: a line of %d points", s.Name, len(line))
			}
		}
	}
	recipe := `"recipe":{"schema":1,"material":"steel-s235","thickness":3,"process":"laser","tool":{"kind":"vdie"},
		"bend":{"school":"table","method":"air"},"base":{"id":"b","length":150,"width":100}}`
	var got httpapi.Sketch
	c.do("POST", "/api/v1/part-sketch", `{"starter":"cleat","values":{"length":120,"legA":60,"legB":50},`+recipe+`,"unit":"mm","grain":1}`).into(t, &got)
	if got.Size != "120.0 mm × 60.0 mm × 50.0 mm" {
		t.Errorf("a cleat of 120 × 60 × 50 is %s", got.Size)
	}
	c.do("POST", "/api/v1/part-sketch", `{`+recipe+`,"unit":"fraction","grain":1.5875}`).into(t, &got)
	if got.Size != `5.906" × 3 15/16"` {
		t.Errorf("a plate of 150 × 100 mm is %s", got.Size)
	}
	if r := c.do("POST", "/api/v1/part-sketch", `{"starter":"cleat","values":{"length":-1},`+recipe+`,"unit":"mm","grain":1}`); r.status != 422 ||
		!strings.Contains(string(r.body), "/values/length") {
		t.Errorf("%d %s", r.status, r.body)
	}
}

// A part in the lists of an inch job has no rounded fraction that does not say so.
func TestBlankInListsIsNotRounded(t *testing.T) {
	c := start(t)
	c.demo()
	jobs, err := c.jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	seen := 0
	for _, j := range jobs {
		if j.Brief.Unit != brief.UnitFraction {
			continue
		}
		var page httpapi.JobPage
		c.do("GET", "/api/v1/jobs/"+j.ID, "").into(t, &page)
		for _, p := range page.Parts {
			if p.Name == "Amplifier shelf" {
				seen++
				if p.Blank != `19.320" × 12.070"` {
					t.Errorf("the blank of %s is %s", p.Name, p.Blank)
				}
			}
		}
	}
	if seen != 1 {
		t.Errorf("%d shelves", seen)
	}
}
