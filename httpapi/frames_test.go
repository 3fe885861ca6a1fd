package httpapi_test

import (
	"encoding/json"
	"fmt"
	"math"
	"net/url"
	"reflect"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/httpapi"
	"warmanvil/job"
)

func (c client) newFrame(jobID, body string) (f httpapi.FramePage) {
	c.t.Helper()
	c.do("POST", "/api/v1/jobs/"+jobID+"/frames", body).into(c.t, &f)
	if f.ID == "" {
		c.t.Fatal("no frame was made")
	}
	return f
}

func (c client) keep(f httpapi.FramePage) reply {
	c.t.Helper()
	raw, err := json.Marshal(f.State)
	if err != nil {
		c.t.Fatal(err)
	}
	return c.do("PUT", "/api/v1/frames/"+f.ID, string(raw), "If-Match", fmt.Sprint(f.Revision))
}

// A frame from a starter is worked out, changed, undone, redone, copied and put
// away, and a save on an old revision is refused.
func TestFrameOverHTTP(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	f := c.newFrame(j.ID, `{"name":"Rack","starter":"rack","stock":"40 × 40 × 3 mm tube","material":"steel-s235","values":{"length":1000,"width":700,"height":800}}`)
	if len(f.Worked.Pieces) != 8 || f.Worked.Cut.Rows[0].Text != "700.0 "+
		"mm" || f.Worked.Hold.Verdict != "holds" || f.Worked.Hold.Use == nil ||
		f.Worked.Figures[0].Text == "" {
		t.Fatalf("%+v %+v", f.Worked.Cut.Rows, f.Worked.Hold.Why)
	}
	old := f
	f.State.Frame.Members[0].Name = "Front bar"
	f.State.Frame.Loads[0].Kilos = 4000
	c.keep(f).into(t, &f)
	if f.Revision != 2 || f.Worked.Hold.Verdict != "over" || f.Worked.Pieces[0].Name != "Front bar" {
		t.Errorf("revision %d %s", f.Revision, f.Worked.Hold.Verdict)
	}
	old.State.Frame.Loads[0].Kilos = 70
	if clash := c.keep(old).refused(t, 412, "").Clash; clash == nil || len(clash.Places) != 1 ||
		clash.Places[0].What != "What it carries: mass" || clash.Places[0].Mine != "70.0 kg" || clash.Places[0].Theirs != "4000.0 kg" {
		t.Errorf("a save on an old revision: %+v", clash)
	}
	c.do("POST", "/api/v1/frames/"+f.ID+"/undo", "", "If-Match", "2").into(t, &f)
	if f.State.Frame.Loads[0].Kilos != 150 || !f.CanRedo {
		t.Errorf("undone: %+v", f.State.Frame.Loads)
	}
	c.do("POST", "/api/v1/frames/"+f.ID+"/redo", "", "If-Match", "3").into(t, &f)
	if f.State.Frame.Loads[0].Kilos != 4000 {
		t.Error("not redone")
	}
	var list []httpapi.RevisionView
	c.do("GET", "/api/v1/frames/"+f.ID+"/revisions", "").into(t, &list)
	if len(list) != 4 || !strings.HasPrefix(list[2].Summary, "What it carries: mass 4000.0 kg, was 150.0 kg, and 1 more") {
		t.Errorf("%+v", list)
	}
	var heads []httpapi.FrameHead
	c.do("GET", "/api/v1/jobs/"+j.ID+"/frames", "").into(t, &heads)
	if len(heads) != 2 || heads[1].Verdict != "over" || heads[1].Members != 8 {
		t.Errorf("%+v", heads)
	}
	var copied httpapi.FramePage
	c.do("POST", "/api/v1/frames/"+f.ID+"/duplicate", "").into(t, &copied)
	if copied.State.Name != "Rack (copy)" || len(copied.Worked.Pieces) != 8 {
		t.Errorf("%s", copied.State.Name)
	}
	c.do("POST", "/api/v1/frames/"+copied.ID+"/archive", `{"archived":true}`)
	var page httpapi.JobPage
	c.do("GET", "/api/v1/jobs/"+j.ID, "").into(t, &page)
	if len(page.Frames) != 2 || len(page.Parts) != 7 {
		t.Errorf("%d frames, %d parts", len(page.Frames), len(page.Parts))
	}
	// A folded part is no frame, nor a frame a folded part.
	c.do("GET", "/api/v1/frames/"+part.ID, "").refused(t, 404, "")
	if r := c.do("PUT", "/api/v1/frames/"+part.ID, `{"name":"x","quantity":1,"frame":{"schema":1,"material":"steel-s235"}}`,
		"If-Match", "1"); r.status != 404 {
		t.Errorf("a frame saved over a folded part answers %d", r.status)
	}
	recipe, _ := json.Marshal(part.Recipe)
	if r := c.do("PUT", "/api/v1/parts/"+f.ID, `{"name":"x","quantity":1,"recipe":`+string(recipe)+`}`, "If-Match", "4"); r.status != 404 {
		t.Errorf("a folded part saved over a frame answers %d", r.status)
	}
}

func TestFrameRefusals(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	at := "/api/v1/jobs/" + j.ID + "/frames"
	c.do("POST", at, `{"name":"x","starter":"castle","stock":"40 × 40 × 3 mm tube","material":"steel-s235"}`).refused(t, 422, "/starter")
	c.do("POST", at, `{"name":"x","starter":"rack","stock":"rubber","material":"steel-s235"}`).refused(t, 422, "/stock")
	c.do("POST", at, `{"name":"x","starter":"rack","stock":"40 × 40 × 3 mm tube","material":"steel-s235","values":{"length":-4}}`).refused(t,
		422, "/values/length")
	c.do("POST", at, `{"name":"","material":"steel-s235"}`).refused(t, 422, "/name")
	f := c.newFrame(j.ID, `{"name":"Empty","material":"steel-s235"}`)
	if f.Worked.Hold.Why == "" || f.Worked.Hold.Verdict != "cannot say" {
		t.Errorf("%+v", f.Worked.Hold)
	}
	c.do("GET", "/api/v1/frames/"+f.ID+"/files/saw", "").refused(t, 422, "")
	c.do("GET", "/api/v1/frames/"+f.ID+"/files/novel", "").refused(t, 404, "")
	c.do("POST", "/api/v1/frames/"+f.ID+"/sections", `{"stock":"rubber"}`).refused(t, 422, "/stock")
	f.State.Frame.Points = []member.Point{{ID: "a", X: 1e9}}
	c.keep(f).refused(t, 422, "/frame/points/0/x")
	f.State.Frame.Points = []member.Point{{ID: "a", Name: "A"}, {ID: "b", Name: "B", Survey: "nowhere"}}
	f.State.Frame.Members = []member.Member{{ID: "m", Name: "M", From: "a", To: "b"}}
	c.keep(f).into(t, &f)
	if len(f.Worked.Findings) == 0 || f.Worked.Pieces[0].Why == "" {
		t.Errorf("what cannot be built is kept without a word: %+v", f.Worked)
	}
}

// A bent piece goes on paper by the request of its calculation.
func TestBendingSheet(t *testing.T) {
	c := start(t)
	r := c.do("GET", "/api/v1/bending-sheet?unit=fraction&title=Rail&request="+
		url.QueryEscape(`{"outside":25,"wall":2,"legs":[300,400],"bends":[{"radius":75,"angle":90}]}`), "")
	if r.status != 200 || !strings.HasPrefix(string(r.body), "%PDF") ||
		!strings.Contains(r.header.Get("Content-Disposition"), "bending-sheet_rail") {
		t.Errorf("%d %s %.60q", r.status, r.header.Get("Content-Disposition"), r.body)
	}
	c.do("GET", "/api/v1/bending-sheet?request="+url.QueryEscape(`{"outside":25,"legs":[300],"bends":[]}`), "").refused(t, 422, "/legs")
	c.do("GET", "/api/v1/bending-sheet?request=what", "").refused(t, 422, "")
}

// Every file of the demo's frames is served with its name, kind and content.
func TestFrameFiles(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	frames, err := c.jobs.Frames(t.Context(), j.ID)
	if err != nil || len(frames) != 1 {
		t.Fatal(frames, err)
	}
	// Its dimensions were not measured again: nothing goes out.
	if p := c.do("GET", "/api/v1/frames/"+frames[0].ID+"/files/saw", "").refused(t, 422, ""); !strings.Contains(p.Detail, "measured "+
		"again") {
		t.Errorf("says %q", p.Detail)
	}
	drawn := func(open string) {
		t.Helper()
		v, revision, err := c.jobs.Survey(t.Context(), j.ID)
		if err != nil {
			t.Fatal(err)
		}
		v.Drawn = "made to the maker's drawing"
		v.Checks = append(v.Checks, vehicle.PartCheck{Part: frames[0].ID,
			Issues: []vehicle.Issue{{ID: "i", Text: "the rear leg meets the silencer", Done: open == ""}}})
		if _, err := c.jobs.SaveSurvey(t.Context(), j.ID, job.On{Revision: revision}, v); err != nil {
			t.Fatal(err)
		}
	}
	drawn("open") // one choice for the job frees its dimensions; what its mock-up brought up holds on
	if p := c.do("GET", "/api/v1/frames/"+frames[0].ID+"/files/labels", "").refused(t, 422,
		""); !strings.Contains(p.Detail, "meets the silencer") {
		t.Errorf("says %q", p.Detail)
	}
	drawn("")
	for kind, want := range map[string][3]string{
		"saw": {"pdf", "application/pdf", "%PDF"}, "labels": {"pdf", "application/pdf", "%PDF"}, "wraps": {"pdf", "application/pdf",
			"%PDF"},
		"plan": {"pdf", "application/pdf", "%PDF"},
		"csv":  {"csv", "text/csv; charset=utf-8", "mark,quantity,section"}, "xlsx": {"xlsx",
			"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "PK"},
		"jig": {"dxf", "application/dxf", "0\nSECTION"}, "jig-side": {"dxf", "application/dxf", "0\nSECTION"}, "jig-behind": {"dxf",
			"application/dxf", "0\nSECTION"}, "stl": {"stl", "model/stl", "Warm Anvil, mm"},
	} {
		r := c.do("GET", "/api/v1/frames/"+frames[0].ID+"/files/"+kind+"?paper=letter", "")
		if r.status != 200 || r.header.Get("Content-Type") != want[1] || !strings.HasPrefix(string(r.body), want[2]) {
			t.Errorf("%s: %d %s %.40q", kind, r.status, r.header.Get("Content-Type"), r.body)
		}
		named := "-" + kind
		if kind == want[0] {
			named = "" // its ending says it
		}
		if got := r.header.Get("Content-Disposition"); got != `attachment; filename="orchard-truck_underfloor-outriggers`+
			named+`_r1.`+want[0]+`"` {
			t.Errorf("%s is called %s", kind, got)
		}
	}
	csv := string(c.do("GET", "/api/v1/frames/"+frames[0].ID+"/files/csv", "").body)
	for _, w := range []string{"A1,4,50 × 50 × 4 mm tube,437", "remnant 1", "new stick 1", "45,0,45,"} {
		if !strings.Contains(csv, w) {
			t.Errorf("the cut list lacks %q:\n%s", w, csv)
		}
	}
}

// All of a job with a mass, together: placed things and frames have a middle, the
// hive trailer is balanced.
func TestAssembly(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	var a site.Assembled
	c.do("GET", "/api/v1/jobs/"+j.ID+"/assembly", "").into(t, &a)
	sum := 0.0
	kinds := map[string]int{}
	for _, i := range a.Items {
		sum += i.Kilos
		kinds[i.Kind]++
		if (i.At == nil) == (i.Why == "") {
			t.Errorf("%+v", i)
		}
	}
	folded := 2*2 + 4 + 2 + 1 + 2 + 2 + 1 + 1
	if kinds["frame"] != 1 || kinds["device"] < 3 || kinds["part"] != folded || kinds["body"] != 1 || a.Kilos != sum || a.At == nil ||
		len(a.Checks) != 5 {
		t.Errorf("%v %+v", kinds, a)
	}
	// The brief and the Hold bench say the same of every limit.
	var h httpapi.HoldingView
	c.do("GET", "/api/v1/jobs/"+j.ID+"/holding", "").into(t, &h)
	for _, x := range h.Told.Weighed.Shares {
		k := slices.IndexFunc(a.Checks, func(c strength.Check) bool { return c.Key == x.Key })
		if k < 0 || math.Abs(a.Checks[k].Demand-x.Demand) > 1e-9 || a.Checks[k].Verdict != x.Verdict {
			t.Errorf("%s: %g kg in the brief, %+v together", x.Key, x.Demand, a.Checks)
		}
	}
	if g := h.Told.Weighed.Total; math.Abs(g-(1180+1020+160+120+a.Kilos)) > 1e-6 {
		t.Errorf("gross %g kg with %g kg on board", g, a.Kilos)
	}
	list, err := c.jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	for _, x := range list {
		if x.Brief.Name != "Hive trailer" {
			continue
		}
		c.do("GET", "/api/v1/jobs/"+x.ID+"/assembly", "").into(t, &a)
		if a.Trailer == nil || a.Trailer.Why != "" || a.Trailer.NoseLoad <= 0 || len(a.Trailer.Axles) != 2 || len(a.Findings) == 0 {
			t.Errorf("%+v", a.Trailer)
		}
		frames, err := c.jobs.Frames(t.Context(), x.ID)
		if err != nil {
			t.Fatal(err)
		}
		one := (site.Site{Brief: x.Brief, Frames: job.BareFrames(frames)}).Assemble()
		frames[0].Quantity = 3
		three := (site.Site{Brief: x.Brief, Frames: job.BareFrames(frames)}).Assemble()
		if len(three.Items) != 2 || math.Abs(three.Kilos-3*one.Kilos) > 1e-9 || three.Placed != one.Placed {
			t.Errorf("three frames weigh %g, one %g", three.Kilos, one.Kilos)
		}
		b := x.Brief
		b.Card.Coupling = nil
		if got := (site.Site{Brief: b}).Assemble(); got.Trailer == nil || !strings.Contains(got.Trailer.Why, "coupling lies") {
			t.Errorf("%+v", got.Trailer)
		}
	}
}

// The list of frames is worked out once for each state of the job, and anew whenever
// anything in it changes that they are held against.
func TestListOfFramesFollowsTheJob(t *testing.T) {
	c := start(t)
	if err := c.jobs.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	all, err := c.jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	changed := 0
	for _, j := range all {
		list := func() (heads []httpapi.FrameHead) {
			c.do("GET", "/api/v1/jobs/"+j.ID+"/frames", "").into(t, &heads)
			return heads
		}
		before := list()
		if again := list(); !reflect.DeepEqual(before, again) {
			t.Errorf("asked again: %+v, %+v", before, again)
		}
		frames, err := c.jobs.Frames(t.Context(), j.ID)
		if err != nil || len(frames) != len(before) {
			t.Fatalf("%d frames, %d listed (%v)", len(frames), len(before), err)
		}
		for i, f := range frames { // one by one they say the same
			one, err := c.jobs.WorkFrame(t.Context(), f)
			if err != nil || !reflect.DeepEqual(one.Worked.Hold.Use, before[i].Use) || one.Worked.Hold.Verdict != before[i].Verdict {
				t.Errorf("%s: %v in the list, %v alone (%v)", f.Name, before[i].Verdict, one.Worked.Hold.Verdict, err)
			}
		}
		b := j.Brief
		if b.Strength.School = strength.Factored; j.Brief.Strength.School == strength.Factored {
			b.Strength.School = strength.Allowable
		}
		if _, err := c.jobs.SaveBrief(t.Context(), j.ID, job.On{Revision: j.Revision}, b); err != nil {
			t.Fatal(err)
		}
		if !reflect.DeepEqual(before, list()) {
			changed++
		}
	}
	if changed == 0 {
		t.Error("another school of strength changes nothing in any list")
	}
}
