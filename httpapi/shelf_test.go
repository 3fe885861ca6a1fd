package httpapi_test

import (
	"encoding/base64"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/httpapi"
	"warmanvil/job"
)

// magic is how a file of each media type begins.
var magic = map[string]string{"application/pdf": "%PDF", "text/csv": "", "image/svg+xml": "<", "model/stl": "", "application/dxf": "",
	"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": "PK"}

// Every file of every part, frame and job of the demo comes whole, or is refused in
// words that say why; never empty, never a fault of the server.
func TestEveryFileOfTheDemo(t *testing.T) {
	c := start(t)
	if err := c.jobs.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	list, err := c.jobs.Jobs(t.Context(), false)
	if err != nil || len(list) < 3 {
		t.Fatal(len(list), err)
	}
	given, refused := 0, 0
	ask := func(path string) {
		t.Helper()
		r := c.do("GET", path, "")
		if r.status == 200 {
			given++
			kind, _, _ := strings.Cut(r.header.Get("Content-Type"), ";")
			begins, known := magic[kind]
			if !known || len(r.body) < 40 || !strings.HasPrefix(string(r.body), begins) ||
				!strings.Contains(r.header.Get("Content-Disposition"), "filename") {
				t.Errorf("%s: %d bytes of %q as %q", path, len(r.body), kind, r.header.Get("Content-Disposition"))
			}
			return
		}
		refused++
		var p struct{ Detail string }
		if err := json.Unmarshal(r.body, &p); err != nil || r.status >= 500 || len(p.Detail) < 15 {
			t.Errorf("%s: %d %s", path, r.status, r.body)
		}
	}
	for _, j := range list {
		at, w, err := c.jobs.Site(t.Context(), j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range w.Parts {
			ask("/api/v1/parts/" + p.ID + "/files/dxf") // held back, as the job stands
		}
		settle(t, c, at, w)
		for _, p := range w.Parts {
			for _, kind := range []string{"dxf", "r12", "svg", "pdf", "csv", "bends", "drills", "stl", "mockup?board=3", "mockup-dxf?board=3",
				"dxf?units=in", "pdf?paper=letter", "dxf?hand=left"} {
				ask("/api/v1/parts/" + p.ID + "/files/" + kind)
			}
		}
		for _, f := range w.Frames {
			for _, kind := range []string{"saw", "bends", "labels", "wraps", "plan", "csv", "xlsx", "jig", "jig-side", "jig-behind", "stl"} {
				ask("/api/v1/frames/" + f.ID + "/files/" + kind)
			}
		}
		ask("/api/v1/jobs/" + j.ID + "/torque-sheet")
		for _, d := range w.Brief.Duties {
			ask("/api/v1/jobs/" + j.ID + "/rating-label?duty=" + d.ID)
		}
	}
	if given < 60 || refused > given {
		t.Errorf("%d files given, %d refused", given, refused)
	}
}

// settle answers what holds a job's files back: sizes, questions, duties.
func settle(t *testing.T, c client, j job.Job, w site.Site) {
	t.Helper()
	b, v := w.Brief, w.Survey
	for i := range b.Open {
		b.Open[i].Done = true
	}
	b.Answers = brief.Answers{Crash: "an approved design holds it", Fatigue: "looked at every season"}
	if _, err := c.jobs.SaveBrief(t.Context(), j.ID, job.On{Revision: j.Revision}, b); err != nil {
		t.Fatal(err)
	}
	_, revision, err := c.jobs.Survey(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	v.Drawn = "made to the maker's drawing"
	for i := range v.Checks {
		for k := range v.Checks[i].Issues {
			v.Checks[i].Issues[k].Done = true
		}
	}
	for _, p := range w.Parts { // batches go as they are
		i := slices.IndexFunc(v.Checks, func(x vehicle.PartCheck) bool { return x.Part == p.ID })
		if i < 0 {
			v.Checks, i = append(v.Checks, vehicle.PartCheck{Part: p.ID}), len(v.Checks)
		}
		v.Checks[i].Made = &vehicle.FirstOff{Aside: "all alike"}
	}
	if _, err := c.jobs.SaveSurvey(t.Context(), j.ID, job.On{Revision: revision}, v); err != nil {
		t.Fatal(err)
	}
}

// A drawing is read as bases of parts in the unit it says, and refused where it is none.
func TestADrawingIsTraced(t *testing.T) {
	c := start(t)
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		j, err := c.jobs.CreateJob(t.Context(), brief.Brief{Name: "Drawn", Quantity: 1, Unit: unit, Grain: 1})
		if err != nil {
			t.Fatal(err)
		}
		send := func(name, data string, more string) reply {
			return c.do("POST", "/api/v1/jobs/"+j.ID+"/trace",
				fmt.Sprintf(`{"name":%q,"base64":%q%s}`, name, base64.StdEncoding.EncodeToString([]byte(data)), more))
		}
		r := send("plate.svg", `<svg width="80mm" height="50mm" viewBox="0 0 80 50"><rect width="80" height="50"/><circle cx="20" cy="20" r="4"/></svg>`, "")
		var d httpapi.TracedDrawing
		if err := json.Unmarshal(r.body, &d); r.status != 200 || err != nil {
			t.Fatal(r.status, string(r.body), err)
		}
		if len(d.Parts) != 1 || len(d.Paths) != 2 || d.UnitsToMM == nil || d.MM != *d.UnitsToMM ||
			d.Box[2]-d.Box[0] < 79 || d.Box[2]-d.Box[0] > 81 {
			t.Errorf("%s: %d parts, %d paths, %v mm, box %v", unit, len(d.Parts), len(d.Paths), d.MM, d.Box)
		}
		for what, r := range map[string]reply{
			"nothing":     send("a.svg", "", ""),
			"no drawing":  send("a.dxf", "hello", ""),
			"half of it":  c.do("POST", "/api/v1/jobs/"+j.ID+"/trace", `{"name":"a.svg","base64":"PHN2"`),
			"not base64":  c.do("POST", "/api/v1/jobs/"+j.ID+"/trace", `{"name":"a.svg","base64":"*"}`),
			"an odd unit": send("a.svg", `<svg viewBox="0 0 5 5"><rect width="5" height="5"/></svg>`, `,"unitsToMM":-3`),
			"no such job": c.do("POST", "/api/v1/jobs/"+strings.Repeat("0", 8)+"-0000-4000-8000-000000000000/trace", `{"name":"a.svg","base64":""}`),
		} {
			if r.status < 400 || r.status >= 500 {
				t.Errorf("%s: %d %s", what, r.status, r.body)
			}
		}
	}
}

// Parts of a starter, split and joined again.
func TestStartedSplitAndJoined(t *testing.T) {
	c := start(t)
	j, err := c.jobs.CreateJob(t.Context(), brief.Brief{Name: "Deck", Quantity: 1, Unit: brief.UnitMM, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	var made httpapi.PartsMade
	post := func(path, body string, want int) {
		t.Helper()
		r := c.do("POST", path, body)
		if r.status != want {
			t.Fatal(path, r.status, string(r.body))
		}
		made = httpapi.PartsMade{}
		_ = json.Unmarshal(r.body, &made)
	}
	raw, err := json.Marshal(plates.Plate(100, 100))
	if err != nil {
		t.Fatal(err)
	}
	post("/api/v1/jobs/"+j.ID+"/started-parts", `{"starter":"tray","values":{"length":900},"recipe":`+string(raw)+`}`, 200)
	if len(made.Parts) != 1 || made.Parts[0].Name == "" {
		t.Fatalf("%+v", made)
	}
	whole := made.Parts[0].ID
	post("/api/v1/parts/"+whole+"/split", `{"axis":"x","at":400,"joint":"strip"}`, 200)
	pieces := made.Parts
	if len(pieces) != 3 {
		t.Fatalf("%+v", made)
	}
	post("/api/v1/parts/"+whole+"/split", `{"axis":"x","at":400,"joint":"strip"}`, 422)
	post("/api/v1/parts/"+pieces[0].ID+"/join", "", 200)
	if len(made.Parts) != 1 || made.Parts[0].ID != whole {
		t.Errorf("%+v", made)
	}
}
