package httpapi_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"warmanvil/calc"
	"warmanvil/httpapi"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

func TestMain(m *testing.M) { storetest.Main(m) }

type client struct {
	t    testing.TB
	url  string
	jobs *job.Service
}

// together holds the tests that run beside others already.
var together sync.Map

// alongside lets a test run beside others: each has a server and a database of its own.
func alongside(t testing.TB) {
	if t, is := t.(*testing.T); is {
		if _, again := together.LoadOrStore(t.Name(), true); !again {
			t.Parallel()
		}
	}
}

func start(t testing.TB) client {
	t.Helper()
	alongside(t)
	return serve(t, storetest.Jobs(t))
}

// serve starts a server on the jobs of another, as a newer program does.
func serve(t testing.TB, jobs *job.Service) client {
	t.Helper()
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Tasks: storetest.Tasks(t, jobs),
		Front: fstest.MapFS{"index.html": {Data: []byte(`<html><meta content="__NONCE__"></html>`)}, "assets/a.js": {Data: []byte("1")}}})
	if err != nil {
		t.Fatal(err)
	}
	s := httptest.NewServer(h)
	t.Cleanup(s.Close)
	return client{t, s.URL, jobs}
}

type reply struct {
	status int
	header http.Header
	body   []byte
}

func (c client) do(method, path, body string, header ...string) reply {
	c.t.Helper()
	req, err := http.NewRequest(method, c.url+path, strings.NewReader(body))
	if err != nil {
		c.t.Fatal(err)
	}
	for i := 0; i+1 < len(header); i += 2 {
		if header[i] == "Host" {
			req.Host = header[i+1]
			continue
		}
		req.Header.Set(header[i], header[i+1])
	}
	return answered(c.t, http.DefaultClient, req)
}

func answered(t testing.TB, web *http.Client, req *http.Request) reply {
	t.Helper()
	r, err := web.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	raw, err := io.ReadAll(r.Body)
	if err != nil {
		t.Fatal(err)
	}
	return reply{r.StatusCode, r.Header, raw}
}

func (r reply) into(t testing.TB, v any) {
	t.Helper()
	if err := json.Unmarshal(r.body, v); err != nil {
		t.Fatalf("%v: %s", err, r.body)
	}
}

// refused checks a problem: status, content type, the place of the fault.
func (r reply) refused(t testing.TB, status int, path string) httpapi.Problem {
	t.Helper()
	var p httpapi.Problem
	if r.status != status || r.header.Get("Content-Type") != "application/problem+json" {
		t.Fatalf("status %d %s, want %d: %.300s", r.status, r.header.Get("Content-Type"), status, r.body)
	}
	r.into(t, &p)
	if p.Detail == "" || p.Status != status || path != "" && (len(p.Errors) != 1 || p.Errors[0].Path != path) {
		t.Errorf("problem %+v, want a fault at %q", p, path)
	}
	return p
}

const plate = `{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},"bend":{"school":"table","method":"air"},"base":{"id":"b","length":%s,"width":80}}`

func state(length string) string {
	return fmt.Sprintf(`{"name":"Foot","quantity":2,"recipe":%s}`, fmt.Sprintf(plate, length))
}

func (c client) part() (jobID string, p httpapi.PartView) {
	c.t.Helper()
	var j httpapi.JobView
	c.do("POST", "/api/v1/jobs", `{"name":"Orchard truck","quantity":1,"unit":"mm","grain":1}`).into(c.t, &j)
	c.do("POST", "/api/v1/jobs/"+j.ID+"/parts", state("100")).into(c.t, &p)
	if p.ID == "" || p.Revision != 1 {
		c.t.Fatalf("no part: %+v", p)
	}
	return j.ID, p
}

func TestStaleSaveGetsBothVersions(t *testing.T) {
	c := start(t)
	_, p := c.part()
	path := "/api/v1/parts/" + p.ID
	if r := c.do("PUT", path, state("110"), "If-Match", "1"); r.status != 200 {
		t.Fatalf("%s", r.body)
	}
	problem := c.do("PUT", path, state("120"), "If-Match", "1").refused(t, 412, "")
	stands, _ := json.Marshal(problem.Clash)
	if problem.Clash == nil || problem.Clash.Revision != 2 || !strings.Contains(string(stands), `"length":110`) ||
		len(problem.Clash.Places) != 1 || problem.Clash.Places[0].Mine != "120.0 mm" {
		t.Errorf("the version that stands is not handed over: %s", stands)
	}
	c.do("PUT", path, state("120")).refused(t, 422, "")
	c.do("POST", path+"/undo", "", "If-Match", "1").refused(t, 412, "")
	var back httpapi.PartView
	c.do("POST", path+"/undo", "", "If-Match", "2").into(t, &back)
	if back.State.Recipe.Base.Length != 100 || !back.CanRedo || back.Revision != 3 {
		t.Errorf("undone: %+v", back)
	}
	// Chosen on what stands, mine is kept; what the other changed elsewhere too.
	c.do("PUT", path+"?settled=3&mine=/recipe/base/length", state("120"), "If-Match", "2").into(t, &back)
	if back.State.Recipe.Base.Length != 120 || back.Revision != 4 {
		t.Errorf("mine: %+v", back)
	}
	var joined httpapi.PartView
	c.do("PUT", path, strings.Replace(state("100"), `"quantity":2`, `"quantity":5`, 1), "If-Match", "1").into(t, &joined)
	if joined.State.Recipe.Base.Length != 120 || joined.State.Quantity != 5 || len(joined.Joined) != 1 || joined.Joined[0].Now != "120.0 mm" {
		t.Errorf("joined: %+v", joined)
	}
	c.do("PUT", path+"?settled=x", state("120"), "If-Match", "5").refused(t, 422, "")
}

func TestBadInput(t *testing.T) {
	c := start(t)
	jobID, p := c.part()
	build := func(recipe string) string { return `{"recipe":` + recipe + `,"unit":"mm","grain":1}` }
	holes := strings.Repeat(`{"id":"h%d","kind":"round","diameter":5,"x":{"edge":"left","distance":5},"y":{"edge":"back","distance":5}},`, 1)
	many := func(n int) string {
		var b strings.Builder
		for i := range n {
			fmt.Fprintf(&b, holes, i)
		}
		return strings.TrimSuffix(b.String(), ",")
	}
	withHoles := strings.Replace(fmt.Sprintf(plate, "100"), `"width":80`, `"width":80,"holes":[`+many(5000)+`]`, 1)
	grid := strings.Replace(fmt.Sprintf(plate, "100"), `"width":80`,
		`"width":80,"holes":[`+strings.Replace(many(1), `"diameter":5`,
			`"diameter":5,"pattern":{"kind":"grid","columns":100,"rows":100,"pitchX":1,"pitchY":1}`, 1)+`]`, 1)
	for _, k := range []struct{ method, path, body, at string }{
		{"POST", "/api/v1/build", build(fmt.Sprintf(plate, "-3")), "/recipe/base/length"},
		{"POST", "/api/v1/build", build(fmt.Sprintf(plate, "1e308")), "/recipe/base/length"},
		{"POST", "/api/v1/build", build(fmt.Sprintf(plate, "1e999")), "/recipe/base/length"},
		{"POST", "/api/v1/build", build(fmt.Sprintf(plate, "NaN")), "/recipe/base/length"},
		{"POST", "/api/v1/build", build(fmt.Sprintf(plate, `"100"`)), "/recipe/base/length"},
		{"POST", "/api/v1/build", build(strings.Replace(fmt.Sprintf(plate, "100"), `"width"`, `"breadth"`, 1)), "/recipe/base/breadth"},
		{"POST", "/api/v1/build", build(grid), "/recipe/base/holes/0"},
		{"POST", "/api/v1/build", build(withHoles), "/recipe/base/holes/2000"},
		{"POST", "/api/v1/build", `{"unit":"mm","grain":1}`, "/recipe"},
		{"POST", "/api/v1/jobs", `{"name":"","quantity":1,"unit":"mm","grain":1}`, "/name"},
		{"POST", "/api/v1/jobs/" + jobID + "/parts", `{"name":"x","quantity":0,"recipe":` + fmt.Sprintf(plate, "100") + `}`, "/quantity"},
		{"POST", "/api/v1/jobs/" + jobID + "/numbers", `{"calc":"bend","title":"x","request":{"insideRadius":-1,"thickness":3,"kFactor":0.4,"angle":90}}`, "/request/insideRadius"},
		{"POST", "/api/v1/calc/bend", `{"insideRadius":3,"thickness":3,"kFactor":0.4,"angle":200}`, "/angle"},
		{"POST", "/api/v1/calc/length.parse", `{"text":"1 - 1/2","unit":"in"}`, "/text"},
	} {
		begin := time.Now()
		c.do(k.method, k.path, k.body).refused(t, 422, k.at)
		if took := time.Since(begin); took > 20*time.Second {
			t.Errorf("%s took %v", k.at, took)
		}
	}
	c.do("POST", "/api/v1/build", strings.Repeat(" ", 5<<20)).refused(t, 413, "")
	c.do("GET", "/api/v1/parts/not-an-id", "").refused(t, 404, "")
	c.do("GET", "/api/v1/parts/"+jobID, "").refused(t, 404, "")
	c.do("GET", "/api/v1/nothing", "").refused(t, 404, "")
	c.do("GET", "/api/v1/parts/"+p.ID+"/files/exe", "").refused(t, 404, "")
	c.do("GET", "/api/v1/parts/"+p.ID+"/files/dxf?hand=left", "").refused(t, 422, "")
}

func TestGuard(t *testing.T) {
	c := start(t)
	for _, h := range [][]string{{"Host", "evil.example"}, {"Origin", "http://evil.example"}, {"Origin", "null"}} {
		if r := c.do("GET", "/api/v1/jobs", "", h...); r.status != 403 {
			t.Errorf("%v: %d", h, r.status)
		}
	}
	if r := c.do("GET", "/api/v1/jobs", "", "Origin", c.url); r.status != 200 {
		t.Errorf("own origin: %d", r.status)
	}
	for address, fine := range map[string]bool{"127.0.0.1:1": true, "[::1]:1": true, "localhost:1": true, "0.0.0.0:1": false, ":8460": false,
		"192.168.1.5:80": false, "nonsense": false} {
		if err := httpapi.Loopback(address); (err == nil) != fine {
			t.Errorf("%s: %v", address, err)
		}
	}
}

func TestPageCarriesNonceAndPolicy(t *testing.T) {
	c := start(t)
	a, b := c.do("GET", "/jobs", ""), c.do("GET", "/", "")
	nonce := func(r reply) string {
		_, rest, _ := strings.Cut(string(r.body), `content="`)
		n, _, _ := strings.Cut(rest, `"`)
		return n
	}
	if nonce(a) == nonce(b) || nonce(a) == "" || !strings.Contains(a.header.Get("Content-Security-Policy"), "'nonce-"+nonce(a)+"'") {
		t.Errorf("nonces %q and %q, policy %s", nonce(a), nonce(b), a.header.Get("Content-Security-Policy"))
	}
	if r := c.do("GET", "/assets/a.js", ""); r.status != 200 || !strings.Contains(r.header.Get("Cache-Control"), "immutable") {
		t.Errorf("asset: %d %s", r.status, r.header.Get("Cache-Control"))
	}
	c.do("GET", "/assets/b.js", "").refused(t, 404, "")
}

func TestFiles(t *testing.T) {
	c := start(t)
	j, p := c.part()
	// Not measured again: only the paper template goes out, to try the fit.
	for kind, status := range map[string]int{"dxf": 422, "svg": 422, "csv": 422, "pdf": 200} {
		if r := c.do("GET", "/api/v1/parts/"+p.ID+"/files/"+kind, ""); r.status != status || status == 422 &&
			!bytes.Contains(r.body, []byte("measured again")) {
			t.Errorf("%s before re-taping: %d %.200q", kind, r.status, r.body)
		}
	}
	aside := `{"schema":1,"datum":{},"checks":[{"part":"` + p.ID + `","aside":"fits nothing","firstOff":{"aside":"all alike"}}]}`
	if r := c.do("PUT", "/api/v1/jobs/"+j+"/survey", aside, "If-Match", "0"); r.status != 200 {
		t.Fatalf("%d %s", r.status, r.body)
	}
	for kind, begins := range map[string]string{"dxf": "0\nSECTION", "svg": "<svg", "pdf": "%PDF-", "csv": "job,part"} {
		r := c.do("GET", "/api/v1/parts/"+p.ID+"/files/"+kind, "")
		if r.status != 200 || !bytes.HasPrefix(r.body, []byte(begins)) ||
			r.header.Get("Content-Disposition") != `attachment; filename="orchard-truck_foot_r1.`+kind+`"` {
			t.Errorf("%s: %d %s %.40q", kind, r.status, r.header.Get("Content-Disposition"), r.body)
		}
	}
	pair := strings.Replace(state("100"), `"schema":1`, `"schema":1,"hand":{"pair":true,"drawn":"left"}`, 1)
	c.do("PUT", "/api/v1/parts/"+p.ID, pair, "If-Match", "1")
	c.do("GET", "/api/v1/parts/"+p.ID+"/files/dxf", "").refused(t, 422, "")
	if r := c.do("GET", "/api/v1/parts/"+p.ID+"/files/dxf?hand=right", ""); !strings.Contains(r.header.Get("Content-Disposition"),
		"_foot_right_r2.dxf") || !bytes.Contains(r.body, []byte("Foot R r2")) {
		t.Errorf("right hand: %s", r.header.Get("Content-Disposition"))
	}
	broken := strings.Replace(state("100"), `"width":80`,
		`"width":80,"flanges":[{"id":"f","edge":"front","length":1,"angle":90,"up":true,"insideRadius":3}]`, 1)
	c.do("PUT", "/api/v1/parts/"+p.ID, broken, "If-Match", "2")
	if problem := c.do("GET", "/api/v1/parts/"+p.ID+"/files/dxf", "").refused(t, 422, ""); !strings.Contains(problem.Detail,
		"shorter than its bend") {
		t.Errorf("says %q", problem.Detail)
	}
}

// The same request gets the same answer over HTTP and from the core.
func TestCalcOverHTTP(t *testing.T) {
	c := start(t)
	body := `{"insideRadius":3,"thickness":3,"kFactor":0.42,"angle":90}`
	k, err := calc.Find("bend")
	if err != nil {
		t.Fatal(err)
	}
	direct, err := k.Run(t.Context(), []byte(body))
	if err != nil {
		t.Fatal(err)
	}
	want, _ := json.Marshal(direct)
	var a, b any
	_ = json.Unmarshal(want, &a)
	c.do("POST", "/api/v1/calc/bend", body).into(t, &b)
	if fmt.Sprint(a) != fmt.Sprint(b) {
		t.Errorf("%v over HTTP, %v directly", b, a)
	}
	c.do("POST", "/api/v1/calc/knitting", body).refused(t, 404, "")
}

func TestKeptNumberIsWorkedOutAnew(t *testing.T) {
	c := start(t)
	jobID, _ := c.part()
	r := c.do("POST", "/api/v1/jobs/"+jobID+"/numbers", `{"calc":"gauge","title":"lid","request":{"family":"steel","gauge":10}}`)
	if r.status != 200 {
		t.Fatalf("%s", r.body)
	}
	var page httpapi.JobPage
	c.do("GET", "/api/v1/jobs/"+jobID, "").into(t, &page)
	if len(page.Numbers) != 1 || !strings.Contains(string(page.Numbers[0].Answer), `"mm":3.4163`) {
		t.Errorf("%+v", page.Numbers)
	}
	if len(page.Parts) != 1 || page.Parts[0].Blank != "100.0 mm × 80.0 mm" || page.Parts[0].Mass == "" {
		t.Errorf("%+v", page.Parts)
	}
}

// The description in docs and the front end's types are those of this code.
func TestDescriptionIsCurrent(t *testing.T) {
	want, err := httpapi.Description()
	if err != nil {
		t.Fatal(err)
	}
	got, err := os.ReadFile("../docs/openapi.json")
	if err != nil || !bytes.Equal(got, want) {
		t.Errorf("docs/openapi.json is stale: run make api (%v)", err)
	}
	tool := "../ui/node_modules/.bin/openapi-typescript"
	if _, err := os.Stat(tool); err != nil {
		t.Fatal("the front end's packages are not installed: run make setup")
	}
	out := filepath.Join(t.TempDir(), "schema.d.ts")
	if msg, err := exec.Command(tool, "../docs/openapi.json", "-o", out).CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, msg)
	}
	a, errA := os.ReadFile(out)
	b, errB := os.ReadFile("../ui/src/api/schema.d.ts")
	if errA != nil || errB != nil || !bytes.Equal(a, b) {
		t.Errorf("ui/src/api/schema.d.ts is stale: run make api (%v, %v)", errA, errB)
	}
	var doc struct {
		OpenAPI string         `json:"openapi"`
		Paths   map[string]any `json:"paths"`
	}
	if err := json.Unmarshal(want, &doc); err != nil || !strings.HasPrefix(doc.OpenAPI, "3.1") {
		t.Errorf("version %q, %v", doc.OpenAPI, err)
	}
	for _, k := range calc.All() {
		if doc.Paths["/api/v1/calc/"+k.Name] == nil {
			t.Errorf("%s is not described", k.Name)
		}
	}
}

// Saving over HTTP beside a bare update of the same row: the two figures of
// docs/benchmarks.md.
func BenchmarkSave(b *testing.B) {
	c := start(b)
	_, p := c.part()
	b.Run("http", func(b *testing.B) {
		revision := p.Revision
		for i := 0; b.Loop(); i++ {
			r := c.do("PUT", "/api/v1/parts/"+p.ID, state(fmt.Sprint(101+i%50)), "If-Match", fmt.Sprint(revision))
			if r.status != 200 {
				b.Fatalf("%s", r.body)
			}
			revision++ // every save is one
		}
		b.StopTimer()
		if c.do("GET", "/api/v1/parts/"+p.ID, "").into(b, &p); p.Revision != revision {
			b.Fatalf("it stands at %d after %d saves", p.Revision, revision-1)
		}
	})
	b.Run("bare-update", func(b *testing.B) {
		pool := c.jobs.Store.(*store.Store).Pool()
		for i := 0; b.Loop(); i++ {
			_, err := pool.Exec(b.Context(), `UPDATE document_revision SET body = $3 WHERE document = $1 AND revision = $2`, p.ID,
				p.Revision, json.RawMessage(fmt.Sprintf(plate, fmt.Sprint(100+i%50))))
			if err != nil {
				b.Fatal(err)
			}
		}
	})
}

// BenchmarkJobs lists the jobs of a shop of three years.
func BenchmarkJobs(b *testing.B) {
	c := start(b)
	for range 100 {
		if r := c.do("POST", "/api/v1/jobs", newJob); r.status != 200 {
			b.Fatalf("%s", r.body)
		}
	}
	for b.Loop() {
		var list []httpapi.JobView
		if c.do("GET", "/api/v1/jobs", "").into(b, &list); len(list) != 100 {
			b.Fatalf("%d jobs", len(list))
		}
	}
}
