package httpapi_test

import (
	"encoding/json"
	"fmt"
	"regexp"
	"strings"
	"testing"

	"warmanvil/core/brief"
)

// metric is a number in a unit of ours where a sentence of an inch job has none to be.
var metric = regexp.MustCompile(`(?:^|[^\d.])\d[\d.]* (?:mm|kg|kN|N|N·m|MPa|m|cm)(?:[^²³⁴/·\pL]|$)`)

// sectionName is a bought section by its sizes, which is its name in either shop.
var sectionName = regexp.MustCompile(`\d[\d.]*( × \d[\d.]*)+ mm`)

// unsaid are fields that are not told to people as they are: what somebody typed, names of
// stock and threads, and workings, which say both units.
var unsaid = map[string]bool{"working": true, "job": true, "brief": true, "survey": true, "doc": true, "state": true, "source": true,
	"name": true, "stock": true, "size": true, "words": true, "thread": true}

// sentences calls f with every text of an answer and its place.
func sentences(v any, at string, f func(at, text string)) {
	switch x := v.(type) {
	case map[string]any:
		if _, ok := x["formula"]; ok {
			return // a working
		}
		for k, child := range x {
			if !unsaid[k] {
				sentences(child, at+"/"+k, f)
			}
		}
	case []any:
		for i, child := range x {
			sentences(child, fmt.Sprintf("%s/%d", at, i), f)
		}
	case string:
		f(at, x)
	}
}

// In a job in inches nothing that is said is in millimetres, kilograms or newtons: what the
// benches of the demo jobs show, and their refusals, spoken to who asks in inches.
func TestInchJobsSayNothingMetric(t *testing.T) {
	c := start(t)
	c.demo()
	jobs, err := c.jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	said := 0
	for _, j := range jobs {
		b := j.Brief
		b.Unit, b.Grain = brief.UnitFraction, 25.4/16
		raw, _ := json.Marshal(b)
		if r := c.do("PUT", "/api/v1/jobs/"+j.ID+"/brief", string(raw), "If-Match", "1"); r.status != 200 {
			t.Fatalf("%s %d %.300s", b.Name, r.status, r.body)
		}
		paths := []string{"/survey", "/holding", "/assembly", "/whole", "/waits", "/frames"}
		for i, p := range paths {
			paths[i] = "/api/v1/jobs/" + j.ID + p
		}
		_, all, err := c.jobs.Site(t.Context(), j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range all.Frames {
			paths = append(paths, "/api/v1/frames/"+f.ID)
		}
		for _, p := range all.Parts {
			paths = append(paths, "/api/v1/parts/"+p.ID)
		}
		for _, path := range paths {
			var v any
			c.do("GET", path, "").into(t, &v)
			sentences(v, "", func(at, text string) {
				said++
				if metric.MatchString(sectionName.ReplaceAllString(text, "")) {
					t.Errorf("%s %s%s: %q", b.Name, path, at, text)
				}
			})
		}
	}
	if said < 2000 {
		t.Errorf("only %d sentences were looked at", said)
	}
	// Refusals say it to who reads inches, and the values stay where they are.
	_, part := c.demo()
	raw, _ := json.Marshal(part.Recipe)
	bad := strings.Replace(string(raw), fmt.Sprintf(`"thickness":%g`, part.Recipe.Thickness), `"thickness":254`, 1)
	for spoken, want := range map[string]string{"in": "10 in", "mm": "254 mm", "": "254 mm"} {
		p := c.do("POST", "/api/v1/build", `{"recipe":`+bad+`,"unit":"fraction","grain":1.5875}`, "Spoken", spoken).refused(t, 422, "")
		if !strings.Contains(p.Detail, want) || !strings.Contains(p.Errors[0].Message, want) {
			t.Errorf("%q: %+v", spoken, p)
		}
	}
}
