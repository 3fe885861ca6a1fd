package main

import (
	"bytes"
	"encoding/json"
	"math"
	"strings"
	"testing"

	"warmanvil/calc"
)

func ask(t *testing.T, in string, args ...string) (string, int) {
	t.Helper()
	var out, errs bytes.Buffer
	code := runCalc(t.Context(), args, strings.NewReader(in), &out, &errs)
	return out.String(), code
}

// One request of the contract each, with a hand-worked value of its answer.
func TestContract(t *testing.T) {
	part := `{"part":{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},"bend":{"school":"fixed","method":"air","k":0.42},
		"base":{"id":"b","length":100,"width":60,"holes":[{"id":"h","kind":"round","diameter":9,"x":{"edge":"left","distance":20},"y":{"edge":"back","distance":20}}],
		"flanges":[{"id":"f","edge":"front","length":40,"angle":90,"up":true,"insideRadius":3}]}}}`
	for _, c := range []struct {
		name, in, key string
		want          float64
	}{
		{"length.parse", `{"text":"58 - 2*5/8","unit":"in"}`, "mm", 56.75 * 25.4},
		{"length.parse", `{"text":"10 ga","unit":"mm","family":"galvanized"}`, "mm", .1382 * 25.4},
		{"length.format", `{"mm":193.675,"style":"fraction","denominator":16}`, "numerator", 5},
		{"gauge", `{"family":"stainless","gauge":10}`, "inch", 9.0 / 64},
		{"bend", `{"insideRadius":3,"thickness":3,"kFactor":0.42,"angle":90}`, "bendDeduction", 5.308408},
		{"bend.din6935", `{"insideRadius":3,"thickness":3,"angle":90}`, "v", math.Pi/2*3.975 - 12},
		{"bend.coupon", `{"insideRadius":3,"thickness":3,"angle":90,"flat":100,"legA":52.65,"legB":52.65}`, "kFactor", .421784},
		{"bend.springback", `{"insideRadius":5,"thickness":2,"yield":250,"modulus":200000,"angle":90}`, "aimAngle", 90.709770},
		{"bend.force", `{"thickness":3,"length":1000,"dieOpening":24,"tensile":450}`, "newtons", 239625},
		{"section", `{"thickness":3,"kFactor":0.42,"legs":[50,100,50],"bends":[{"insideRadius":3,"angle":90,"up":true},{"insideRadius":3,"angle":90,"up":false}]}`, "flat", 189.383185},
		{"jog", `{"depth":10,"insideRadius":2,"thickness":2,"angle":45,"kFactor":0.4}`, "slope", 11.656854},
		{"hem", `{"insideRadius":0,"thickness":1,"kFactor":0.5,"outside":50,"return":10}`, "flat", 59.570796},
		{"tray", `{"length":300,"width":200,"height":50,"insideRadius":2,"thickness":2,"kFactor":0.4}`, "blankX", 392.796459},
		{"flat", part, "area", 100*94.691592 - math.Pi*81/4},
	} {
		out, code := ask(t, c.in, c.name)
		var got map[string]any
		if err := json.Unmarshal([]byte(out), &got); err != nil || code != 0 {
			t.Errorf("%s: exit %d, %v: %.200s", c.name, code, err, out)
			continue
		}
		v, ok := got[c.key].(float64)
		if !ok || math.Abs(v-c.want) > 1e-5*math.Max(1, math.Abs(c.want)) {
			t.Errorf("%s: %s = %v, want %v", c.name, c.key, got[c.key], c.want)
		}
	}
}

func TestRefusalOnStandardOutput(t *testing.T) {
	for in, path := range map[string]string{
		`{"insideRadius":-3,"thickness":3,"kFactor":0.42,"angle":90}`:           "/insideRadius",
		`{"insideRadius":3,"thickness":3,"kFactor":0.42}`:                       "/angle",
		`{"insideRadius":3,"thickness":3,"kFactor":0.42,"angle":90,"colour":1}`: "/colour",
		`{"insideRadius":1e308,"thickness":3,"kFactor":0.42,"angle":90}`:        "/insideRadius",
		`not json`: "",
	} {
		out, code := ask(t, in, "bend")
		var r calc.Refusal
		if err := json.Unmarshal([]byte(out), &r); err != nil || code != 2 || r.Error.Path != path || r.Error.Message == "" {
			t.Errorf("%s: exit %d: %s", in, code, out)
		}
	}
	if out, code := ask(t, "{}", "knitting"); code != 2 || !strings.Contains(out, "no calculation") {
		t.Errorf("unknown name: %d %s", code, out)
	}
}

func TestLines(t *testing.T) {
	in := "{\"text\":\"1\",\"unit\":\"mm\"}\n\n  \n{\"text\":\"x\",\"unit\":\"mm\"}\n{\"text\":\"2\",\"unit\":\"mm\"}"
	out, code := ask(t, in, "length.parse", "--lines")
	got := strings.Split(strings.TrimSuffix(out, "\n"), "\n")
	if code != 0 || len(got) != 3 || !strings.Contains(got[0], `"mm":1`) || !strings.Contains(got[1], `"error"`) ||
		!strings.Contains(got[2], `"mm":2`) {
		t.Errorf("exit %d: %q", code, out)
	}
}

func TestListAndSchema(t *testing.T) {
	out, code := ask(t, "", "--list")
	if code != 0 || strings.Count(out, "\n") != len(calc.All()) {
		t.Errorf("exit %d: %s", code, out)
	}
	for _, c := range calc.All() {
		out, code := ask(t, "", c.Name, "--schema")
		var s struct {
			Request, Answer struct {
				Ref string `json:"$ref"`
			}
			Defs map[string]struct {
				Properties map[string]any
			} `json:"$defs"`
		}
		if err := json.Unmarshal([]byte(out), &s); err != nil || code != 0 || s.Request.Ref == "" {
			t.Errorf("%s: exit %d, %v: %.100s", c.Name, code, err, out)
			continue
		}
		for _, ref := range []string{s.Request.Ref, s.Answer.Ref} {
			if len(s.Defs[strings.TrimPrefix(ref, "#/$defs/")].Properties) == 0 {
				t.Errorf("%s: %s says nothing", c.Name, ref)
			}
		}
	}
}
