package httpapi_test

import (
	"bytes"
	"encoding/json"
	"net/http"
	"strings"
	"testing"

	"warmanvil/httpapi"
)

// An order is told line by line: progress to the end, then steps that bend every flange.
func TestBendingIsTold(t *testing.T) {
	c := start(t)
	ask := func(body string) (r reply, out []httpapi.BendingLine) {
		t.Helper()
		r = c.do("POST", "/api/v1/bending", body)
		for _, raw := range bytes.Split(bytes.TrimSpace(r.body), []byte("\n")) {
			var l httpapi.BendingLine
			if err := json.Unmarshal(raw, &l); err != nil {
				t.Fatalf("%v in %s", err, raw)
			}
			out = append(out, l)
		}
		return r, out
	}
	recipe := `{"unit":"mm","grain":1,"quantity":1,"recipe":{"schema":1,"material":"steel-s235","thickness":2,"process":"laser",
		"tool":{"kind":"vdie"},"bend":{"school":"table","method":"air"},"base":{"id":"b","length":300,"width":80,"flanges":[
		{"id":"f","edge":"front","length":40,"angle":90,"up":true,"insideRadius":2},
		{"id":"g","edge":"back","length":35,"angle":90,"up":true,"insideRadius":2}]}}}`
	r, lines := ask(recipe)
	if r.status != http.StatusOK || r.header.Get("Content-Type") != "application/x-ndjson" || len(lines) != 3 {
		t.Fatalf("%d, %+v", r.status, lines)
	}
	last := lines[2]
	if last.Done != 2 || last.Total != 2 || last.Bending == nil || !last.Bending.Goes || len(last.Bending.Steps) != 2 ||
		last.Bending.Brake != "a usual press brake" || len(last.Bending.Steps[0].Scene.Moves) < 30 {
		t.Errorf("%+v", last)
	}
	flat := recipe[:strings.Index(recipe, `,"flanges"`)] + "}}}"
	if _, lines = ask(flat); len(lines) != 1 || lines[0].Why != "Nothing of it is bent." {
		t.Errorf("%+v", lines)
	}
	r, _ = ask(strings.Replace(recipe, `"length":300`, `"length":-300`, 1))
	r.refused(t, http.StatusUnprocessableEntity, "/recipe/base/length")
}

// A tall box is flagged where fixes are asked for, on its Make sheets and in its list alike:
// not only on one screen.
func TestNoOrderIsSaidEverywhere(t *testing.T) {
	c := start(t)
	jobID, part := c.part()
	flange := func(e string) string {
		return `{"id":"` + e + `","edge":"` + e + `","length":180,"angle":90,"up":true,"insideRadius":2}`
	}
	recipe := `{"schema":1,"material":"steel-s235","thickness":2,"process":"laser","tool":{"kind":"vdie","opening":12},
		"bend":{"school":"table","method":"air"},"base":{"id":"b","length":300,"width":200,"flanges":[` +
		strings.Join([]string{flange("front"), flange("right"), flange("back"), flange("left")}, ",") + `]}}`
	c.do("PUT", "/api/v1/parts/"+part.ID, `{"name":"Box","quantity":1,"recipe":`+recipe+`}`, "If-Match", "1").into(t, &part)
	said := c.do("POST", "/api/v1/fixes", `{"unit":"mm","grain":1,"quantity":1,"part":"`+part.ID+`","recipe":`+recipe+`}`)
	if !strings.Contains(string(said.body), `"bend-order"`) || strings.Contains(string(said.body), "Taken as usual") == false {
		t.Errorf("%s", said.body)
	}
	// Whose tools are known is told that it stops: the job's list counts it.
	c.do("PUT", "/api/v1/shop", knownPress, "If-Match", "0")
	var page httpapi.JobPage
	c.do("GET", "/api/v1/jobs/"+jobID, "").into(t, &page)
	if len(page.Parts) != 1 || page.Parts[0].Stops != 1 {
		t.Errorf("%+v", page.Parts)
	}
}

const knownPress = `{"schema":1,"machines":[{"id":"p","kind":"brake","sort":"press","limits":{"long":2500,"force":800000,"line":800,"bow":0.3,
	"angle":150,"steel":6,"stainless":4,"aluminum":8,"open":180,"beam":70,"floor":900,"stop":600}}],"bendTools":[
	{"id":"s","kind":"straight","angle":85,"width":13,"height":120},{"id":"d","kind":"die","opening":12,"angle":30,"width":40,"height":75}]}`
