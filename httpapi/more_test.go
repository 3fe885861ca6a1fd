package httpapi_test

import (
	"bytes"
	"compress/gzip"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync"
	"testing"
	"testing/fstest"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/httpapi"
	"warmanvil/job"
)

// A job is copied with its parts, archived, and comes back; its list says so.
func TestJobRoutes(t *testing.T) {
	c := start(t)
	id, _ := c.part()
	var copied httpapi.JobView
	c.do("POST", "/api/v1/jobs/"+id+"/duplicate", "").into(t, &copied)
	if copied.Brief.Name != "Orchard truck (copy)" || copied.ID == id {
		t.Errorf("copy %+v", copied)
	}
	var page httpapi.JobPage
	c.do("GET", "/api/v1/jobs/"+copied.ID, "").into(t, &page)
	if len(page.Parts) != 1 || page.Parts[0].Name != "Foot" {
		t.Errorf("copied parts %+v", page.Parts)
	}
	if r := c.do("POST", "/api/v1/jobs/"+copied.ID+"/archive", `{"archived":true}`); r.status != 200 {
		t.Fatalf("%s", r.body)
	}
	c.do("POST", "/api/v1/jobs/"+strings.Repeat("0", 8)+"-0000-7000-8000-"+strings.Repeat("0", 12)+"/archive",
		`{"archived":true}`).refused(t, 404, "")
	count := func(query string) int {
		var list []httpapi.JobView
		c.do("GET", "/api/v1/jobs"+query, "").into(t, &list)
		return len(list)
	}
	if open, away := count(""), count("?archived=true"); open != 1 || away != 1 {
		t.Errorf("%d open, %d put away", open, away)
	}
	var brief httpapi.BriefPage
	path := "/api/v1/jobs/" + copied.ID + "/brief"
	c.do("GET", path, "").into(t, &brief)
	if brief.State.Name != "Orchard truck (copy)" || brief.Revision != 1 || brief.CanUndo || brief.Kind != job.KindBrief {
		t.Errorf("%+v", brief)
	}
	save := func(name string) string {
		b := brief.State
		b.Name = name
		raw, _ := json.Marshal(b)
		return string(raw)
	}
	c.do("PUT", path, strings.Replace(save("x"), `"unit":"mm"`, `"unit":"ell"`, 1), "If-Match", "1").refused(t, 422, "/unit")
	c.do("PUT", path, save("Cider truck"), "If-Match", `"1"`).into(t, &brief)
	c.do("POST", path+"/undo", "", "If-Match", "2").into(t, &brief)
	if brief.State.Name != "Orchard truck (copy)" || !brief.CanRedo {
		t.Errorf("undone: %+v", brief)
	}
	var list []httpapi.RevisionView
	c.do("GET", path+"/revisions", "").into(t, &list)
	if len(list) != 3 || list[1].Summary != "Name Cider truck, was Orchard truck (copy)" {
		t.Errorf("%+v", list)
	}
}

// Revisions tell what changed; any of them can be read; a copy starts anew.
func TestPartRoutes(t *testing.T) {
	c := start(t)
	_, p := c.part()
	path := "/api/v1/parts/" + p.ID
	for i, l := range []string{"110", "120", "120"} {
		if r := c.do("PUT", path, state(l), "If-Match", fmt.Sprint(min(i+1, 3))); r.status != 200 {
			t.Fatalf("%s", r.body)
		}
	}
	var list []httpapi.RevisionView
	c.do("GET", path+"/revisions", "").into(t, &list)
	if len(list) != 3 || list[0].Summary != "Base: length 120.0 mm, was 110.0 mm" || list[2].Summary != "started" {
		t.Errorf("revisions %+v", list)
	}
	var one job.PartState
	c.do("GET", path+"/revisions/2", "").into(t, &one)
	if one.Recipe.Base.Length != 110 {
		t.Errorf("revision 2: %+v", one)
	}
	c.do("GET", path+"/revisions/77", "").refused(t, 404, "")
	c.do("GET", path+"/revisions/x", "").refused(t, 404, "")
	c.do("POST", path+"/redo", "", "If-Match", "3").refused(t, 409, "")
	var twin httpapi.PartView
	c.do("POST", path+"/duplicate", "").into(t, &twin)
	if twin.State.Name != "Foot (copy)" || twin.Revision != 1 || twin.CanUndo {
		t.Errorf("copy %+v", twin)
	}
	if r := c.do("POST", path+"/archive", `{"archived":true}`); r.status != 200 {
		t.Errorf("%s", r.body)
	}
	var page httpapi.JobPage
	c.do("GET", "/api/v1/jobs/"+p.JobID, "").into(t, &page)
	if len(page.Parts) != 1 || page.Parts[0].ID != twin.ID {
		t.Errorf("parts left %+v", page.Parts)
	}
	gone := strings.Repeat("0", 8) + "-0000-7000-8000-" + strings.Repeat("0", 12)
	for _, route := range []string{"", "/revisions", "/files/dxf"} {
		c.do("GET", "/api/v1/parts/"+gone+route, "").refused(t, 404, "")
	}
	c.do("PUT", "/api/v1/parts/"+gone, state("100"), "If-Match", "1").refused(t, 404, "")
}

// The built part comes back written in the asked units, mirrored on request.
func TestBuildRoute(t *testing.T) {
	c := start(t)
	recipe := strings.Replace(fmt.Sprintf(plate, "254"), `"width":80`,
		`"width":80,"flanges":[{"id":"f","edge":"left","length":40,"angle":90,"up":true,"insideRadius":3}]`, 1)
	var plain, mirrored made.Part
	c.do("POST", "/api/v1/build", `{"recipe":`+recipe+`,"unit":"fraction","grain":0.79375}`).into(t, &plain)
	c.do("POST", "/api/v1/build", `{"recipe":`+recipe+`,"unit":"mm","grain":1,"mirrored":true}`).into(t, &mirrored)
	if plain.Dimensions[0].Text != `10"` || mirrored.Dimensions[0].Text != "254.0 mm" {
		t.Errorf("written %q and %q", plain.Dimensions[0].Text, mirrored.Dimensions[0].Text)
	}
	if plain.Panels[1].Name != "Left flange" || mirrored.Panels[1].Name != "Right flange" {
		t.Errorf("%s and %s", plain.Panels[1].Name, mirrored.Panels[1].Name)
	}
	if len(plain.Body.Panels) != 0 {
		t.Error("the body goes along with the flat pattern")
	}
	var body made.Body
	c.do("POST", "/api/v1/body", `{"recipe":`+recipe+`,"unit":"mm","grain":1}`).into(t, &body)
	if len(body.Panels) != 2 || len(body.Bends) != 1 || len(body.Edges) == 0 {
		t.Error("no body to draw")
	}
	c.do("POST", "/api/v1/body", `{"recipe":`+strings.Replace(recipe, "254", "-254", 1)+`,"unit":"mm","grain":1}`).refused(t,
		422, "/recipe/base/length")
	var stock httpapi.StockView
	c.do("GET", "/api/v1/stock", "").into(t, &stock)
	if len(stock.Materials) < 8 || len(stock.Gauges) != 4 || len(stock.Processes) < 4 {
		t.Errorf("%d materials, %d gauge tables", len(stock.Materials), len(stock.Gauges))
	}
}

// Many saves at once over HTTP: one wins, every other gets the version that won.
func TestManySaversOverHTTP(t *testing.T) {
	c := start(t)
	_, p := c.part()
	replies := make([]reply, 10)
	var wg sync.WaitGroup
	for i := range replies {
		wg.Go(func() {
			replies[i] = c.do("PUT", "/api/v1/parts/"+p.ID, state(fmt.Sprint(200+i)), "If-Match", "1")
		})
	}
	wg.Wait()
	won := 0
	for _, r := range replies {
		if r.status == 200 {
			won++
			continue
		}
		if problem := r.refused(t, 412, ""); problem.Clash == nil || problem.Clash.Revision != 2 {
			t.Errorf("a loser is not shown what stands: %+v", problem)
		}
	}
	if won != 1 {
		t.Errorf("%d won", won)
	}
}

// Squeezed assets go to whoever takes them, plain ones to the rest.
func TestSqueezedAssets(t *testing.T) {
	var squeezed bytes.Buffer
	w := gzip.NewWriter(&squeezed)
	_, _ = w.Write([]byte("let a = 1"))
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	h, err := httpapi.New(httpapi.Options{Front: fstest.MapFS{"placeholder.html": {Data: []byte("build me")},
		"assets/a.js": {Data: []byte("let a = 1")}, "assets/a.js.gz": {Data: squeezed.Bytes()}}})
	if err != nil {
		t.Fatal(err)
	}
	get := func(path, accept string) *http.Response {
		r := httptest.NewRequest("GET", "http://127.0.0.1:8460"+path, nil)
		r.Header.Set("Accept-Encoding", accept)
		rec := httptest.NewRecorder()
		h.ServeHTTP(rec, r)
		return rec.Result()
	}
	for accept, encoding := range map[string]string{"gzip, br": "gzip", "": ""} {
		r := get("/assets/a.js", accept)
		body, _ := io.ReadAll(r.Body)
		if encoding == "gzip" {
			z, err := gzip.NewReader(bytes.NewReader(body))
			if err != nil {
				t.Fatal(err)
			}
			body, _ = io.ReadAll(z)
		}
		if r.Header.Get("Content-Encoding") != encoding || string(body) != "let a = 1" ||
			!strings.HasPrefix(r.Header.Get("Content-Type"), "text/javascript") {
			t.Errorf("%q: %s, %q", accept, r.Header.Get("Content-Encoding"), body)
		}
	}
	// A fresh clone without Node serves the page that says how to build the rest.
	body, _ := io.ReadAll(get("/jobs", "").Body)
	if string(body) != "build me" {
		t.Errorf("%q", body)
	}
	// A way out of the folder leads to the page or nowhere.
	for _, path := range []string{"/assets/../placeholder.html", "/assets/%2e%2e/secret", "/assets/", "/assets/..%2f..%2fgo.mod"} {
		r := get(path, "")
		body, _ := io.ReadAll(r.Body)
		if r.StatusCode != 404 && string(body) != "build me" {
			t.Errorf("%s: %d %q", path, r.StatusCode, body)
		}
	}
}

// Every path of the description is served, and asks for what it says.
func TestDescribedRoutesExist(t *testing.T) {
	c := start(t)
	raw, err := httpapi.Description()
	if err != nil {
		t.Fatal(err)
	}
	var doc struct {
		Paths map[string]map[string]struct {
			OperationID string         `json:"operationId"`
			RequestBody map[string]any `json:"requestBody"`
			Responses   map[string]any `json:"responses"`
		} `json:"paths"`
	}
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	seen := map[string]bool{}
	for path, methods := range doc.Paths {
		for method, op := range methods {
			if op.OperationID == "" || seen[op.OperationID] || op.Responses["200"] == nil {
				t.Errorf("%s %s: operation %q", method, path, op.OperationID)
			}
			seen[op.OperationID] = true
			real := strings.NewReplacer("{id}", "not-an-id", "{number}", "1", "{kind}", "dxf").Replace(path)
			r := c.do(strings.ToUpper(method), real, "not json")
			if r.status >= 500 || r.status == 405 {
				t.Errorf("%s %s: %d", method, path, r.status)
			}
			if op.RequestBody != nil && !strings.Contains(path, "{id}") && r.status != 422 {
				t.Errorf("%s %s takes nonsense: %d", method, path, r.status)
			}
		}
	}
	if len(seen) < 30 {
		t.Errorf("%d operations described", len(seen))
	}
}

// A part is answered at once without fixes; asked for, they are those that hold up.
func TestFixesAreTried(t *testing.T) {
	c := start(t)
	k := .42
	r := sheet.Recipe{Schema: 1, Material: "steel-s235", Thickness: 3, Process: "laser", Base: sheet.Base{ID: "base", Length: 100, Width: 80,
		Flanges: []sheet.Flange{{ID: "f", Edge: sheet.Front, Length: 40, Angle: 90, Up: true, InsideRadius: .5,
			Relief: sheet.Relief{Kind: sheet.Round}}}}}
	r.Tool.Kind, r.Bend.School, r.Bend.Method, r.Bend.K = "vdie", "fixed", "air", &k
	raw, _ := json.Marshal(r)
	body := `{"unit":"mm","grain":1,"recipe":` + string(raw) + `}`
	var built made.Part
	c.do("POST", "/api/v1/build", body).into(t, &built)
	var tried httpapi.FixesView
	c.do("POST", "/api/v1/fixes", body).into(t, &tried)
	fixes := 0
	for i, f := range tried.Findings {
		if built.Findings[i].Code != f.Code || len(built.Findings[i].Fixes) != 0 {
			t.Errorf("%s and %s, %d fixes at once", built.Findings[i].Code, f.Code, len(built.Findings[i].Fixes))
		}
		fixes += len(f.Fixes)
		for _, x := range f.Fixes {
			next, err := sheet.ApplyEdits(r, x.Edits)
			if err != nil {
				t.Fatal(err)
			}
			now, err := made.Build(next, made.Options{})
			if err != nil {
				t.Fatal(err)
			}
			for _, g := range now.Findings {
				if g.Code == f.Code && g.Feature == f.Feature {
					t.Errorf("%s does not clear %s", x.Label, f.Code)
				}
			}
		}
	}
	if fixes == 0 || len(tried.Findings) != len(built.Findings) {
		t.Errorf("%d fixes of %d findings", fixes, len(tried.Findings))
	}
}
