package httpapi_test

import (
	"encoding/json"
	"strings"
	"testing"

	"warmanvil/core/shop"
	"warmanvil/httpapi"
)

const bed = `{"schema":1,"unit":"mm","machines":[{"id":"m","kind":"table","sort":"laser","name":"Short laser","limits":{"long":400,"wide":400}}]}`

// The shop is there without anybody having said anything, is kept, undone and looked back
// on as every document; what is said in it is asked of every part at once.
func TestTheShop(t *testing.T) {
	c := start(t)
	j, _ := c.demo()
	var page httpapi.ShopPage
	c.do("GET", "/api/v1/shop", "").into(t, &page)
	if page.Revision != 0 || len(page.State.Machines) > 0 || page.JobID != "" {
		t.Errorf("%+v", page)
	}
	if got := strings.TrimSpace(string(c.do("GET", "/api/v1/shop/revisions", "").body)); got != "[]" {
		t.Errorf("history of what was never said: %s", got)
	}
	c.do("GET", "/api/v1/shop/revisions/1", "").refused(t, 404, "")
	c.do("POST", "/api/v1/shop/undo", "", "If-Match", "0").refused(t, 409, "")

	var tray struct {
		Findings []struct{ Code, Reason string }
	}
	past := func() string {
		var v httpapi.JobPage
		c.do("GET", "/api/v1/jobs/"+j.ID, "").into(t, &v)
		for _, p := range v.Parts {
			if p.Name == "Compressor tray" {
				var part httpapi.PartView
				c.do("GET", "/api/v1/parts/"+p.ID, "").into(t, &part)
				raw, err := json.Marshal(part.State.Recipe)
				if err != nil {
					t.Fatal(err)
				}
				c.do("POST", "/api/v1/build", `{"unit":"mm","grain":1,"recipe":`+string(raw)+`}`).into(t, &tray)
				for _, f := range tray.Findings {
					if f.Code == "past-bed" {
						return f.Reason
					}
				}
				return ""
			}
		}
		t.Fatal("no tray")
		return ""
	}
	if said := past(); said != "" {
		t.Errorf("on a usual bed: %s", said)
	}
	c.do("PUT", "/api/v1/shop", strings.Replace(bed, `"long":400`, `"long":-400`, 1), "If-Match", "0").refused(t, 422, "/machines/0/limits/long")
	c.do("PUT", "/api/v1/shop", strings.Replace(bed, `"laser"`, `"loom"`, 1), "If-Match", "0").refused(t, 422, "/machines/0/sort")
	c.do("PUT", "/api/v1/shop", bed, "If-Match", "0").into(t, &page)
	if page.Revision != 1 || page.State.Machines[0].Kind != shop.Table {
		t.Fatalf("%+v", page)
	}
	if said := past(); !strings.Contains(said, "does not go on Short laser, 400.0 mm × 400.0 mm") {
		t.Errorf("on a short one: %q", said)
	}
	// Which parts it is said of, since nothing was said and since it was.
	var moved httpapi.ShopEffects
	c.do("POST", "/api/v1/shop/effects", `{"revision":0}`).into(t, &moved)
	if len(moved.Jobs) == 0 || moved.Jobs[0].Name != "Orchard truck" || len(moved.Jobs[0].Parts[0].New) == 0 {
		t.Errorf("%+v", moved)
	}
	c.do("POST", "/api/v1/shop/effects", `{"revision":1}`).into(t, &moved)
	if len(moved.Jobs) > 0 {
		t.Errorf("nothing was changed since: %+v", moved)
	}
	c.do("POST", "/api/v1/shop/effects", `{"revision":7}`).refused(t, 404, "")

	// Two people: one names the machine, the other says who is there; both stand.
	two := strings.Replace(bed, `"machines"`, `"people":[{"id":"p","name":"Ines","lift":20}],"machines"`, 1)
	c.do("PUT", "/api/v1/shop", strings.Replace(bed, "Short laser", "Old laser", 1), "If-Match", "1").into(t, &page)
	c.do("PUT", "/api/v1/shop", two, "If-Match", "1").into(t, &page)
	if page.Revision != 3 || page.State.Machines[0].Name != "Old laser" || len(page.State.People) != 1 {
		t.Errorf("%+v", page)
	}
	var back httpapi.ShopPage
	c.do("POST", "/api/v1/shop/undo", "", "If-Match", "3").into(t, &back)
	if len(back.State.People) > 0 || back.State.Machines[0].Name != "Old laser" || back.Revision != 4 {
		t.Errorf("%+v", back)
	}
	// The kinds come with usual values and what can hurt.
	var table httpapi.ShopKinds
	c.do("GET", "/api/v1/shop/kinds", "").into(t, &table)
	if len(table.Kinds) != 14 {
		t.Errorf("%d kinds", len(table.Kinds))
	}
}
