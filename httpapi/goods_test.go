package httpapi_test

import (
	"net/http"
	"strings"
	"testing"

	"warmanvil/httpapi"
)

// A remnant is added, offered to the part whose blank lies on it, kept, and told to another job
// as kept; its ledger says who and for what.
func TestAJobTakesARemnant(t *testing.T) {
	c := start(t)
	jobID, p := c.part()
	var l httpapi.StockLineView
	c.do("POST", "/api/v1/goods",
		`{"here":1,"line":{"id":"","kind":"remnant","material":"steel-a36","thickness":3,"label":"R 7","place":"rack 1",
		"outline":[{"x":0,"y":0},{"x":300,"y":0},{"x":300,"y":90},{"x":0,"y":200}]}}`).into(t, &l)
	if l.Here != 1 || l.Free != 1 || l.Line.ID == "" {
		t.Fatalf("%+v", l)
	}
	var g httpapi.JobGoods
	c.do("GET", "/api/v1/jobs/"+jobID+"/goods", "").into(t, &g)
	if len(g.Blanks) != 1 || len(g.Blanks[0].Choices) != 1 || g.Blanks[0].Choices[0].Line != l.Line.ID || len(g.Lines) != 1 ||
		!strings.Contains(g.Lines[0].Called, "remnant in 300.0 mm × 200.0 mm (R 7)") {
		t.Fatalf("%+v", g)
	}
	move := func(body string) reply { return c.do("POST", "/api/v1/goods/"+l.Line.ID+"/moves", body) }
	move(`{"kind":"kept","count":1,"job":"`+jobID+`"}`).into(t, &l)
	if l.Free != 0 || l.Held[jobID] != 1 {
		t.Fatalf("%+v", l)
	}
	var other httpapi.JobView
	c.do("POST", "/api/v1/jobs", `{"name":"Other","quantity":1,"unit":"mm","grain":1}`).into(t, &other)
	if problem := move(`{"kind":"kept","count":1,"job":"`+other.ID+`"}`).refused(t, http.StatusUnprocessableEntity,
		"/count"); !strings.Contains(
		problem.Detail+problem.Errors[0].Message, "kept for other jobs") {
		t.Errorf("%+v", problem)
	}
	move(`{"kind":"kept","count":1,"job":"nobody"}`).refused(t, http.StatusUnprocessableEntity, "/job")
	var ledger []httpapi.StockMoveView
	c.do("GET", "/api/v1/goods/"+l.Line.ID+"/moves", "").into(t, &ledger)
	if len(ledger) != 2 || ledger[0].Of != "Orchard truck" || ledger[1].Here != 1 {
		t.Errorf("%+v", ledger)
	}
	c.do("GET", "/api/v1/jobs/"+jobID+"/goods", "").into(t, &g)
	if len(g.Kept) != 1 || g.Kept[0].Count != 1 {
		t.Errorf("%+v", g.Kept)
	}
	// The part says that what there is, is kept; longer than any of it, that nothing takes it.
	said := func(length string) string {
		return string(c.do("POST", "/api/v1/build", `{"unit":"mm","grain":1,"quantity":1,"recipe":`+strings.Replace(plate, "%s",
			length, 1)+`}`).body)
	}
	if got := said("100"); !strings.Contains(got, `"stock-kept"`) {
		t.Errorf("%s", got)
	}
	if got := said("500"); !strings.Contains(got, `"stock-none"`) {
		t.Errorf("%s", got)
	}
	c.do("PUT", "/api/v1/goods/"+l.Line.ID, `{"revision":1,"line":{"id":"x","kind":"dust"}}`).refused(t,
		http.StatusUnprocessableEntity, "/line/kind")
	if p.ID == "" {
		t.Error("no part")
	}
}
