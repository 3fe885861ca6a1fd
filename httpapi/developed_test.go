package httpapi_test

import (
	"math"
	"net/url"
	"strings"
	"testing"
)

// The flats of rounds are drawn at the size they were reckoned at, in both
// units, and a request with an unknown word is refused instead of guessed.
func TestFlatsOfRounds(t *testing.T) {
	c := start(t)
	file := func(kind, request, unit string) (int, []byte) {
		r := c.do("GET", "/api/v1/developed/"+kind+"?unit="+unit+"&title=Horn&request="+url.QueryEscape(request), "")
		return r.status, r.body
	}
	sized := func(kind, request, unit string) (w, h float64) {
		t.Helper()
		status, data := file(kind, request, unit)
		if status != 200 {
			t.Fatalf("%s: %d %s", kind, status, data)
		}
		w, h, _ = traced(t, data)
		if unit != "mm" {
			w, h = w*25.4, h*25.4
		}
		return w, h
	}
	for _, unit := range []string{"mm", "fraction", "decimal"} {
		// A pipe of 100 in the middle of its plate runs round in π·100.
		w, h := sized("cone", `{"bottom":100,"top":100,"height":60}`, unit)
		if math.Abs(max(w, h)-100*math.Pi) > .2 || math.Abs(min(w, h)-60) > .01 {
			t.Errorf("%s: a pipe of 100 is drawn as %g by %g", unit, w, h)
		}
		// A square box without taper is four sides.
		w, h = sized("transition", `{"below":{"long":80,"wide":50},"above":{"long":80,"wide":50},"height":40}`, unit)
		if math.Abs(max(w, h)-260) > .01 || math.Abs(min(w, h)-40) > .01 {
			t.Errorf("%s: a box of 80 by 50 is drawn as %g by %g", unit, w, h)
		}
	}
	status, data := file("cone", `{"bottom":100,"top":80,"height":60,"lap":15}`, "mm")
	if status != 200 || !strings.Contains(string(data), "LAP") {
		t.Errorf("a lapped seam is not marked: %d", status)
	}
	status, data = file("elbow", `{"diameter":100,"radius":150,"angle":90,"middle":2}`, "mm")
	if status != 200 || !strings.Contains(string(data), "2 ENDS") || !strings.Contains(string(data), "2 WHOLE") {
		t.Errorf("an elbow's pieces: %d", status)
	}
	status, data = file("transition", `{"below":{"long":80,"wide":50},"above":{"round":40},"height":40}`, "mm")
	if status != 200 || !strings.Contains(string(data), "BEND") {
		t.Errorf("press lines: %d", status)
	}
	for kind, wrong := range map[string]string{
		"cone":       `{"bottom":100,"top":100,"height":0}`,
		"elbow":      `{"diameter":100,"radius":40,"angle":90,"middle":2}`,
		"transition": `{"below":{"long":80},"above":{"round":40},"height":40}`,
		"bumps":      `{"radius":200,"sweep":90,"depth":0.5}`,
	} {
		if status, data := file(kind, wrong, "mm"); status < 400 || status >= 500 {
			t.Errorf("%s of %s: %d %.80s", kind, wrong, status, data)
		}
	}
	if status, _ := file("cone", `{"bottom":100,"tip":100,"height":50}`, "mm"); status < 400 || status >= 500 {
		t.Errorf("an unknown word was taken: %d", status)
	}
}
