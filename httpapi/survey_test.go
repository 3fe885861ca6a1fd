package httpapi_test

import (
	"bytes"
	"strings"
	"testing"

	"warmanvil/httpapi"
)

// A survey is saved against its revision, works out, brings parts up to date
// and prints.
func TestSurveyOverHTTP(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	path := "/api/v1/jobs/" + j.ID + "/survey"
	var page httpapi.SurveyPage
	raw := c.do("GET", path, "")
	raw.into(t, &page)
	if page.Revision != 1 || len(page.Worked.Clearances) == 0 || page.Worked.Follows[0].Stale {
		t.Fatalf("revision %d, %+v", page.Revision, page.Worked.Follows)
	}
	_, rest, _ := strings.Cut(string(raw.body), `"state":`)
	survey, _, _ := strings.Cut(rest, `,"worked":`)
	c.do("PUT", path, strings.Replace(survey, `"hook":1.1`, `"hook":1.2`, 1), "If-Match", "7").refused(t, 412, "")
	c.do("PUT", path, survey, "If-Match", "first").refused(t, 422, "")
	c.do("PUT", path, strings.Replace(survey, `"hook":1.1`, `"hook":110`, 1), "If-Match", "1").refused(t, 422, "/hook")
	// The upper rear hole of the rail was measured wrong by 3 mm everywhere.
	moved := survey
	for was, is := range map[string]string{`"from":"left-rail-1","to":"left-rail-4","value":{"values":[345.5]`: "348.5",
		`"from":"left-rail-2","to":"left-rail-4","value":{"values":[101]`: "98.5",
		`"from":"left-rail-3","to":"left-rail-4","value":{"values":[260]`: "263",
		`"from":"left-rail-4","to":"left-rail-5","value":{"values":[267]`: "270",
		`"from":"left-rail-4","to":"left-rail-7","value":{"values":[130]`: "133", `"from":"left-rail-4","to":"left-rail-8","value":{"values":[142.5]`: "145"} {
		if !strings.Contains(moved, was) {
			t.Fatalf("the demo has no %s", was)
		}
		moved = strings.Replace(moved, was, was[:strings.LastIndex(was, "[")+1]+is+"]", 1)
	}
	c.do("PUT", path, moved, "If-Match", "1").into(t, &page)
	if page.Revision != 2 || !page.Worked.Follows[0].Stale {
		t.Fatalf("revision %d, %+v", page.Revision, page.Worked.Follows[0])
	}
	c.do("POST", "/api/v1/jobs/"+j.ID+"/bring", `{"follow":"nothing"}`).refused(t, 404, "")
	var done httpapi.Brought
	c.do("POST", "/api/v1/jobs/"+j.ID+"/bring", `{"follow":"bracket-follows"}`).into(t, &done)
	if len(done.Parts) != 1 || done.Parts[0] != "Compressor tray bracket" {
		t.Errorf("%+v", done)
	}
	c.do("GET", path, "").into(t, &page)
	if f := page.Worked.Follows[0]; f.Stale {
		t.Errorf("brought up to date it is still %s off", f.Most)
	}
	for kind, begins := range map[string]string{"blank": "%PDF-", "results": "%PDF-", "points": "name,kind",
		"holes": "map,hole,diameter mm,x mm,y mm"} {
		r := c.do("GET", "/api/v1/jobs/"+j.ID+"/sheets/"+kind, "")
		if r.status != 200 || !bytes.HasPrefix(r.body, []byte(begins)) ||
			!strings.Contains(r.header.Get("Content-Disposition"), "orchard-truck_survey-"+kind+"_r2") {
			t.Errorf("%s: %d %s %.40q", kind, r.status, r.header.Get("Content-Disposition"), r.body)
		}
		if again := c.do("GET", "/api/v1/jobs/"+j.ID+"/sheets/"+kind, ""); !bytes.Equal(again.body, r.body) {
			t.Errorf("%s comes out differently the second time", kind)
		}
	}
	c.do("GET", "/api/v1/jobs/"+j.ID+"/sheets/song", "").refused(t, 404, "")
	var read httpapi.PointsRead
	c.do("POST", "/api/v1/points", `{"csv":"name,x,y,z\na,1,2,3\nb,1,2,three\n"}`).into(t, &read)
	if len(read.Points) != 1 || len(read.Refused) != 1 || read.Refused[0].Line != 3 {
		t.Errorf("%+v", read)
	}
}
