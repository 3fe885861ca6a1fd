package httpapi_test

import (
	"encoding/json"
	"strings"
	"testing"
	"time"

	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/httpapi"
	"warmanvil/job"
	"warmanvil/task"
)

// demo answers the orchard truck with its press foot.
func (c client) demo() (job.Job, job.Part) {
	c.t.Helper()
	if err := c.jobs.LoadDemo(c.t.Context()); err != nil {
		c.t.Fatal(err)
	}
	list, err := c.jobs.Jobs(c.t.Context(), false)
	if err != nil {
		c.t.Fatal(err)
	}
	for _, j := range list {
		if j.Brief.Name == "Orchard truck" {
			parts, err := c.jobs.Parts(c.t.Context(), j.ID)
			if err != nil {
				c.t.Fatal(err)
			}
			return j.Job, parts[0]
		}
	}
	c.t.Fatal("no orchard truck")
	return job.Job{}, job.Part{}
}

func (c client) holding(id string) (v httpapi.HoldingView) {
	c.t.Helper()
	c.do("GET", "/api/v1/jobs/"+id+"/holding", "").into(c.t, &v)
	return v
}

// The brief is saved over HTTP with rougher roads: the bracket is over. A
// suggestion is taken by its edits and its mount: it keeps its word.
func TestHoldingOverHTTP(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	before := c.holding(j.ID)
	if len(before.Holding.Mounts) != 1 || before.Holding.Mounts[0].Verdict != "tight" || before.Revision != 1 {
		t.Fatalf("%+v", before.Holding.Mounts)
	}
	if len(before.Features) != 16 || before.Features[0].Part != part.ID {
		t.Errorf("features %+v", before.Features)
	}
	b := j.Brief
	b.Use = "rough"
	raw, err := json.Marshal(b)
	if err != nil {
		t.Fatal(err)
	}
	if r := c.do("PUT", "/api/v1/jobs/"+j.ID+"/brief", string(raw), "If-Match", "1"); r.status != 200 {
		t.Fatalf("%s", r.body)
	}
	other := strings.Replace(string(raw), `"use":"rough"`, `"use":"smooth"`, 1)
	problem := c.do("PUT", "/api/v1/jobs/"+j.ID+"/brief", other, "If-Match", "1")
	if problem.status != 200 { // smooth is what it was made on: nothing was changed there
		t.Errorf("%s", problem.body)
	}
	other = strings.Replace(string(raw), `"use":"rough"`, `"use":"off-road"`, 1)
	clash := c.do("PUT", "/api/v1/jobs/"+j.ID+"/brief", other, "If-Match", "1").refused(t, 412, "").Clash
	if clash == nil || clash.Revision != 2 || len(clash.Places) != 1 || clash.Places[0].What != "Use" || clash.Places[0].Mine != "off-road" ||
		clash.Places[0].Theirs != "rough" {
		t.Fatalf("%+v", clash)
	}
	rough := c.holding(j.ID)
	if rough.Holding.Mounts[0].Verdict != "over" {
		t.Fatalf("on rough roads: %s", rough.Holding.Mounts[0].Verdict)
	}
	var list []hold.Suggestion
	c.do("GET", "/api/v1/jobs/"+j.ID+"/suggestions?mount=press-feet", "").into(t, &list)
	if len(list) == 0 || len(list[0].Edits) == 0 {
		t.Fatalf("no suggestion: %+v", list)
	}
	c.do("GET", "/api/v1/jobs/"+j.ID+"/suggestions?mount=gone", "").refused(t, 404, "")
	recipe, err := sheet.ApplyEdits(part.Recipe, list[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := c.jobs.SavePart(t.Context(), part.ID, job.On{Revision: part.Revision},
		job.PartState{Name: part.Name, Quantity: part.Quantity, Recipe: recipe}); err != nil {
		t.Fatal(err)
	}
	after := c.holding(j.ID).Holding.Mounts[0]
	if d := *after.Result.Hardest - *list[0].Utilisation; d > 1e-9 || d < -1e-9 {
		t.Errorf("promised %g, came out %g", *list[0].Utilisation, *after.Result.Hardest)
	}
}

// What cannot be kept in a brief is refused with its place.
func TestBriefRefusedOverHTTP(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	for path, brief := range map[string]string{
		"/criticality":          `{"name":"x","quantity":1,"unit":"mm","grain":1,"criticality":"what"}`,
		"/devices/0/mass/value": `{"name":"x","quantity":1,"unit":"mm","grain":1,"devices":[{"id":"a","name":"b","mass":{"value":-1}}]}`,
		"/strength/margin":      `{"name":"x","quantity":1,"unit":"mm","grain":1,"strength":{"school":"g-case","margin":1}}`,
		"/devices/0/weight":     `{"name":"x","quantity":1,"unit":"mm","grain":1,"devices":[{"id":"a","name":"b","weight":1}]}`,
		"/road/down":            `{"name":"x","quantity":1,"unit":"mm","grain":1,"road":{"down":0,"up":0,"along":0,"side":0}}`,
		"/mounts/0/hold":        `{"name":"x","quantity":1,"unit":"mm","grain":1,"mounts":[{"id":"a","name":"b","part":"c"}]}`,
	} {
		c.do("PUT", "/api/v1/jobs/"+j.ID+"/brief", brief, "If-Match", "1").refused(t, 422, path)
	}
}

// A job goes out as a download and comes in again; what is wrong in a file is
// named by its place, and a file of another kind is refused.
func TestJobFileOverHTTP(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	r := c.do("GET", "/api/v1/jobs/"+j.ID+"/export", "")
	if got := r.header.Get("Content-Disposition"); got != `attachment; filename="orchard-truck.warmanvil.json"` {
		t.Errorf("it is called %s", got)
	}
	v := c.do("GET", "/api/v1/jobs/"+c.bring(r.body, "done").Job, "")
	var page httpapi.JobPage
	v.into(t, &page)
	if page.Job.ID == j.ID || page.Job.Brief.Name != "Orchard truck" || page.Job.Parts != 8 {
		t.Errorf("%+v", page.Job)
	}
	if got := c.holding(page.Job.ID).Holding.Mounts[0].Verdict; got != "tight" {
		t.Errorf("the copy says %s", got)
	}
	for _, wrong := range []struct{ was, is, path string }{
		{`"version":5`, `"version":7`, "/version"},
		{`"schema":1,"material":"steel-s235","thickness":6`, `"schema":1,"material":"steel-s235","thickness":-6`, "/documents/1/revisions/0/body/recipe/thickness"},
		{`"name":"outrigger's plate","material":"steel-s235","thickness":6`, `"name":"outrigger's plate","material":"steel-s235","thickness":-6`,
			"/documents/0/revisions/0/body/joints/1/design/plies/2/thickness"},
		{string(r.body), `{"letter":"to a friend"}`, "/format"},
		{string(r.body), string(r.body[:len(r.body)/2]), ""},
		{string(r.body), string(r.body) + "{}", ""},
	} {
		if got := c.bring([]byte(strings.Replace(string(r.body), wrong.was, wrong.is, 1)), "refused"); got.Path != wrong.path ||
			got.Says == "" || got.Job != "" {
			t.Errorf("%s: %+v", wrong.path, got)
		}
	}
}

// The name of a file is told again, and kept as long: what is no text is refused.
func TestNameOfAFile(t *testing.T) {
	c := start(t)
	for _, name := range []string{"%00", "a%ff", "%20", strings.Repeat("x", 201)} {
		c.do("POST", "/api/v1/import?name="+name, "{}").refused(t, 422, "")
	}
	var v httpapi.TaskView
	c.do("POST", "/api/v1/import", "{}").into(t, &v)
	if v.Name != "A job's file" {
		t.Error(v.Name)
	}
}

// bring sends a job's file and answers how that ended.
func (c client) bring(raw []byte, want task.State) httpapi.TaskView {
	c.t.Helper()
	var v httpapi.TaskView
	c.do("POST", "/api/v1/import?name=a+file.json", string(raw)).into(c.t, &v)
	for end := time.Now().Add(time.Minute); !v.State.Ended(); {
		if time.Now().After(end) {
			c.t.Fatalf("it does not end: %+v", v)
		}
		time.Sleep(20 * time.Millisecond)
		c.do("GET", "/api/v1/tasks/"+v.ID, "").into(c.t, &v)
	}
	if v.State != want || v.Name != "a file.json" {
		c.t.Fatalf("%s, %s wanted: %s %s", v.State, want, v.Says, v.Path)
	}
	return v
}

// A file that holds anything of a newer form is refused by its name and form, whatever
// else nobody has heard of is in it; so is what is longer than anybody needs.
func TestJobFileIsBounded(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	if _, err := c.jobs.KeepNumber(t.Context(), j.ID, "gauge", "Sheet", []byte(`{"family":"steel","gauge":14}`)); err != nil {
		t.Fatal(err)
	}
	raw := c.do("GET", "/api/v1/jobs/"+j.ID+"/export", "").body
	type tree = map[string]any
	document := func(f tree, kind string) tree {
		for _, d := range f["documents"].([]any) {
			if d := d.(tree); d["kind"] == kind {
				return d["revisions"].([]any)[0].(tree)
			}
		}
		t.Fatalf("no %s in the file", kind)
		return nil
	}
	number := func(f tree) tree { return f["numbers"].([]any)[0].(tree) }
	newer := func(in tree) { in["schema"], in["hologram"] = 99, tree{"of": "tomorrow"} }
	for _, tc := range []struct {
		what   string
		change func(f tree)
		path   string
		says   string
	}{
		{"newer brief", func(f tree) { newer(document(f, "brief")["body"].(tree)) }, "/documents/0/revisions/0/body/schema", `brief "Orchard truck" is of form 99`},
		{"newer survey", func(f tree) { newer(document(f, "survey")["body"].(tree)) }, "", "The survey is of form 99"},
		{"newer part", func(f tree) { newer(document(f, "sheet")["body"].(tree)["recipe"].(tree)) }, "", `is of form 99`},
		{"newer frame", func(f tree) { newer(document(f, "frame")["body"].(tree)["frame"].(tree)) }, "", `frame "Underfloor outriggers" is of form 99`},
		{"newer file", func(f tree) { f["version"], f["hologram"] = 6, 1 }, "/version", "version 6"},
		{"unknown calculation", func(f tree) { number(f)["calc"] = "horoscope" }, "/numbers/0/calc", "horoscope"},
		{"long request", func(f tree) { number(f)["request"] = tree{"list": make([]tree, 200_000)} }, "/numbers/0/request", "256 kB"},
		{"much asked by numbers", func(f tree) {
			list := make([]any, 80)
			for i := range list {
				list[i] = tree{"calc": "gauge", "title": "Sheet", "created": "2031-04-01T08:00:00Z", "request": tree{"x": strings.Repeat("y", 220<<10)}}
			}
			f["numbers"] = list
		}, "/numbers/74/request", "16 MB"},
		{"many numbers", func(f tree) {
			list := make([]any, 501)
			for i := range list {
				list[i] = number(f)
			}
			f["numbers"] = list
		}, "/numbers", "up to 500"},
		{"long summary", func(f tree) { document(f, "sheet")["summary"] = strings.Repeat("ü", 2001) }, "/documents/1/revisions/0/summary", "2000"},
		{"long who", func(f tree) { document(f, "sheet")["who"] = strings.Repeat("ü", 201) }, "/documents/1/revisions/0/who", "200"},
		{"undo to nowhere", func(f tree) { document(f, "sheet")["undoTo"] = 7 }, "/documents/1/revisions/0/undoTo", "not there yet"},
		{"undo to before", func(f tree) { document(f, "sheet")["undoTo"] = -1 }, "/documents/1/revisions/0/undoTo", "not there yet"},
	} {
		var f tree
		if err := json.Unmarshal(raw, &f); err != nil {
			t.Fatal(err)
		}
		tc.change(f)
		changed, err := json.Marshal(f)
		if err != nil {
			t.Fatal(err)
		}
		before, err := c.jobs.Jobs(t.Context(), false)
		if err != nil {
			t.Fatal(err)
		}
		if v := c.bring(changed, "refused"); !strings.HasPrefix(v.Path, tc.path) || !strings.Contains(v.Says+v.Path, tc.says) {
			t.Errorf("%s: %s %.300s", tc.what, v.Path, v.Says)
		}
		if after, err := c.jobs.Jobs(t.Context(), false); err != nil || len(after) != len(before) {
			t.Errorf("%s: a job of it is kept: %v", tc.what, err)
		}
	}
}

// What stands is compared in words with any state that was kept, in the job's units.
func TestCompareOverHTTP(t *testing.T) {
	c := start(t)
	_, part := c.demo()
	state := job.PartState{Name: part.Name, Quantity: part.Quantity + 1, Recipe: part.Recipe}
	state.Recipe.Base.Length += 25.4
	raw, err := json.Marshal(state)
	if err != nil {
		t.Fatal(err)
	}
	path := "/api/v1/parts/" + part.ID
	if r := c.do("PUT", path, string(raw), "If-Match", "1"); r.status != 200 {
		t.Fatalf("%s", r.body)
	}
	var list []job.Difference
	c.do("GET", path+"/revisions/1/since", "").into(t, &list)
	if len(list) != 2 || list[0].What != "Quantity" || list[1].Was != "150.0 mm" || list[1].Now != "175.4 mm" {
		t.Errorf("%+v", list)
	}
	c.do("GET", path+"/revisions/2/since", "").into(t, &list)
	if len(list) != 0 {
		t.Errorf("%+v", list)
	}
	c.do("GET", path+"/revisions/9/since", "").refused(t, 404, "")
}

// The working of a hole's place is answered, and refused where there is none.
func TestWorkingOverHTTP(t *testing.T) {
	c := start(t)
	_, part := c.demo()
	recipe, err := json.Marshal(part.Recipe)
	if err != nil {
		t.Fatal(err)
	}
	ask := func(subject string) reply {
		return c.do("POST", "/api/v1/working", `{"part":{"recipe":`+string(recipe)+`,"unit":"mm","grain":1},"subject":`+subject+`}`)
	}
	var w struct{ Result struct{ Text string } }
	ask(`{"what":"hole","id":"floor-bolts.1","axis":"x"}`).into(t, &w)
	if w.Result.Text != "78.350 mm" {
		t.Errorf("%+v", w)
	}
	ask(`{"what":"hole","id":"gone","axis":"x"}`).refused(t, 422, "/subject")
	ask(`{"what":"school","school":"fixed","axis":"x"}`).refused(t, 422, "/subject/school")
}

// What is said of strength is worked out once for each state of the job: asked again it is
// the same to the byte, and any save changes what is asked for next.
func TestHoldingOfEachState(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	ask := func() string { return c.holdingText(j.ID) }
	first := ask()
	if again := ask(); again != first || serve(t, c.jobs).holdingText(j.ID) != first {
		t.Error("asked again, or anew, it says something else")
	}
	r := part.Recipe
	r.Thickness /= 2
	next := job.PartState{Name: part.Name, Quantity: 1, Recipe: r}
	if _, err := c.jobs.SavePart(t.Context(), part.ID, job.On{Revision: part.Revision}, next); err != nil {
		t.Fatal(err)
	}
	thin := ask()
	if thin == first || serve(t, c.jobs).holdingText(j.ID) != thin {
		t.Error("what was said of the part before is said of the thinner one")
	}
	if err := c.jobs.Store.ArchiveDocument(t.Context(), part.ID, true, time.Now()); err != nil {
		t.Fatal(err)
	}
	if gone := ask(); gone == thin || serve(t, c.jobs).holdingText(j.ID) != gone {
		t.Error("what was said of a part is said when it is put away")
	}
}

func (c client) holdingText(id string) string {
	return string(c.do("GET", "/api/v1/jobs/"+id+"/holding", "").body)
}
