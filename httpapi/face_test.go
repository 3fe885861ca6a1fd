package httpapi_test

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/trace"
)

// traced reads a drawing that was served and answers its outline's size and its
// round holes from the middle, mm.
func traced(t *testing.T, data []byte) (w, h float64, holes [][3]float64) {
	t.Helper()
	d, err := trace.Read(t.Context(), "a.dxf", data)
	if err != nil {
		t.Fatal(err)
	}
	tr, err := d.Join(t.Context(), trace.Options{})
	if err != nil {
		t.Fatal(err)
	}
	var middle profile.Point
	for _, l := range tr.Loops {
		b := l.Outline.Bounds()
		m := b.Min.Add(b.Max).Mul(.5)
		if l.Depth == 0 {
			w, h = b.Size()
			middle = m
		}
		if l.Round {
			holes = append(holes, [3]float64{m.X, m.Y, 2 * l.Radius})
		}
	}
	for i := range holes {
		holes[i][0], holes[i][1] = holes[i][0]-middle.X, holes[i][1]-middle.Y
	}
	return w, h, holes
}

// A device in board has its size and its feet; what cannot be made says why.
func TestDummies(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	base := "/api/v1/jobs/" + j.ID + "/dummies/"
	r := c.do("GET", base+"press/box-dxf?board=3", "")
	if r.status != 200 || !strings.Contains(r.header.Get("Content-Disposition"), "orchard-truck_apple-press-dummy-box-dxf_r") {
		t.Fatal(r.status, string(r.body), r.header)
	}
	_, _, holes := traced(t, r.body)
	if len(holes) != 4 {
		t.Fatalf("%d feet", len(holes))
	}
	for i := range holes { // 760 by 520 from foot to foot
		for k := range i {
			dx, dy := math.Abs(holes[i][0]-holes[k][0]), math.Abs(holes[i][1]-holes[k][1])
			if dx > .01 && math.Abs(dx-760) > .01 || dy > .01 && math.Abs(dy-520) > .01 {
				t.Errorf("feet %v and %v", holes[i], holes[k])
			}
		}
	}
	if r := c.do("GET", base+"press/underside?paper=letter", ""); r.status != 200 || r.header.Get("Content-Type") != "application/pdf" {
		t.Error(r.status, string(r.body))
	}
	for path, want := range map[string]string{
		"compressor/box":        "has no envelope",
		"press/box?board=x":     "0.2 to 50 mm",
		"press/box?board=99":    "0.2 to 50 mm",
		"nobody/box":            "",
		"press/engine":          "",
		"press/../../../secret": "",
	} {
		r := c.do("GET", base+path, "")
		if r.status < 400 || r.status > 499 || !strings.Contains(string(r.body), want) {
			t.Errorf("%s: %d %s", path, r.status, r.body)
		}
	}
}

// A part whose back shows is cut from there: its holes lie mirrored in the
// drawing, the body keeps its own axes; and a master is looked up in the job.
func TestFaceAndMasterReachTheFiles(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	k := .42
	r := sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Seen: sheet.BackFace,
		Base: sheet.Base{ID: "b", Length: 100, Width: 60}}
	r.Tool.Kind, r.Bend.School, r.Bend.Method, r.Bend.K = "vdie", "fixed", "air", &k
	r.Base.Holes = []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 8, Made: sheet.MadeMatched,
		X: sheet.Offset{Edge: sheet.Left, Distance: 20}, Y: sheet.Offset{Edge: sheet.Front, Distance: 30}}}
	r.Master = &sheet.Master{Part: part.ID, Name: "Jig"}
	raw, _ := json.Marshal(r)
	var cover struct{ ID string }
	send := func(path, body string, into any) {
		t.Helper()
		r := c.do("POST", path, body)
		if r.status != 200 || json.Unmarshal(r.body, into) != nil {
			t.Fatal(r.status, string(r.body))
		}
	}
	send("/api/v1/jobs/"+j.ID+"/parts", `{"name":"Cover","quantity":2,"recipe":`+string(raw)+`}`, &cover)
	files := "/api/v1/parts/" + cover.ID + "/files/"
	f := c.do("GET", files+"mockup-dxf?board=3", "")
	if f.status != 200 {
		t.Fatal(f.status, string(f.body))
	}
	w, h, holes := traced(t, f.body)
	if math.Abs(w-100) > .01 || math.Abs(h-60) > .01 || len(holes) != 1 || math.Abs(holes[0][0]-30) > .01 {
		t.Errorf("%g × %g, holes %v: 20 from the left seen from the good side is 20 from the right here", w, h, holes)
	}
	if r := c.do("PUT", "/api/v1/jobs/"+j.ID+"/survey", `{"schema":1,"datum":{},"drawn":"a bench thing",
		"checks":[{"part":"`+cover.ID+`","firstOff":{"aside":"drilled together"}}]}`, "If-Match", "1"); r.status != 200 {
		t.Fatal(r.status, string(r.body))
	}
	if d := c.do("GET", files+"drills", ""); d.status != 200 {
		t.Error(d.status, string(d.body))
	}
	var built made.Part
	build := func(recipe string) string {
		send("/api/v1/build", `{"unit":"mm","grain":1,"quantity":2,"part":"`+cover.ID+`","recipe":`+recipe+`}`, &built)
		for _, f := range built.Findings {
			if f.Cause == "Master" {
				return f.Code
			}
		}
		return ""
	}
	if got := build(string(raw)); got != "" && got != "master-layout" {
		t.Errorf("the job's own part as master: %s", got)
	}
	if got := build(strings.Replace(string(raw), part.ID, cover.ID, 1)); got != "master-itself" {
		t.Errorf("itself as master: %q", got)
	}
	if got := build(strings.Replace(string(raw), part.ID, "01a00000-0000-7000-8000-000000000000", 1)); got != "master-gone" {
		t.Errorf("no part as master: %q", got)
	}
}
