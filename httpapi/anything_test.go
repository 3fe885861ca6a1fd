package httpapi_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"math/rand/v2"
	"net/url"
	"slices"
	"strings"
	"testing"

	"warmanvil/httpapi"
	"warmanvil/job"
)

// schemas are those of the interface's description, and throws what fits them or nearly.
type schemas struct {
	by  map[string]any
	rnd *rand.Rand
}

func pickOf[T any](r *rand.Rand, list ...T) T { return list[r.IntN(len(list))] }

var (
	oddTexts = []string{"", "\x00", "a\x00b", "𝕎elder 🔧", "\u202e", "../..", "%s%n", "'; DROP TABLE job; --",
		strings.Repeat("long ", 2000), "\ufeff", "NaN"}
	oddNumbers = []any{0, -1, 1, .5, 1e-300, 1e300, -1e300, 1 << 31, -1 << 31, 1 << 53, json.Number("9223372036854775808"),
		json.Number("1e400"), 90, 360, 3}
)

// any answers a value for a schema; one in nine is of what it should not be.
func (s schemas) any(of any, depth int) any {
	x, _ := of.(map[string]any)
	if s.rnd.IntN(9) == 0 {
		return pickOf[any](s.rnd, nil, "", true, 7, []any{}, map[string]any{}, oddTexts[s.rnd.IntN(len(oddTexts))],
			oddNumbers[s.rnd.IntN(len(oddNumbers))])
	}
	if ref, is := x["$ref"].(string); is {
		return s.any(s.by[ref[strings.LastIndex(ref, "/")+1:]], depth)
	}
	if enum, is := x["enum"].([]any); is && s.rnd.IntN(9) > 0 {
		return pickOf(s.rnd, enum...)
	}
	kind, _ := x["type"].(string)
	if list, is := x["type"].([]any); is {
		kind, _ = pickOf(s.rnd, list...).(string)
	}
	switch kind {
	case "object":
		out := map[string]any{}
		properties, _ := x["properties"].(map[string]any)
		required, _ := x["required"].([]any)
		for _, name := range slices.Sorted(maps.Keys(properties)) {
			if slices.Contains(required, any(name)) && s.rnd.IntN(30) > 0 || depth < 6 && s.rnd.IntN(3) == 0 {
				out[name] = s.any(properties[name], depth+1)
			}
		}
		return out
	case "array":
		out := []any{}
		least, _ := x["minItems"].(float64)
		for n := int(least) + s.rnd.IntN(3); n > 0 && depth < 9; n-- {
			out = append(out, s.any(x["items"], depth+1))
		}
		return out
	case "number", "integer":
		if s.rnd.IntN(3) == 0 {
			return pickOf(s.rnd, oddNumbers...)
		}
		if kind == "integer" {
			return s.rnd.IntN(9)
		}
		return pickOf[any](s.rnd, 1, 2.5, 6, 40, 120, 25.4)
	case "boolean":
		return s.rnd.IntN(2) == 0
	case "string":
		if s.rnd.IntN(3) == 0 {
			return pickOf(s.rnd, oddTexts...)
		}
		return pickOf(s.rnd, "steel-s235", "a", "mm", "M8", "2027-03-31", "6 mm", "3/8\"", "x")
	}
	return pickOf[any](s.rnd, nil, map[string]any{}, []any{}, "x", 1)
}

// spoiled sets one leaf of a document to something odd.
func (s schemas) spoiled(v any) any {
	switch x := v.(type) {
	case map[string]any:
		if names := slices.Sorted(maps.Keys(x)); len(names) > 0 && s.rnd.IntN(12) > 0 {
			name := pickOf(s.rnd, names...)
			x[name] = s.spoiled(x[name])
			return x
		}
	case []any:
		if len(x) > 0 && s.rnd.IntN(12) > 0 {
			i := s.rnd.IntN(len(x))
			x[i] = s.spoiled(x[i])
			return x
		}
	case string:
		return pickOf(s.rnd, oddTexts...)
	case float64:
		return pickOf(s.rnd, oddNumbers...)
	}
	return pickOf[any](s.rnd, nil, map[string]any{}, []any{}, "x", 1)
}

// Every route is asked with what fits its description, nearly fits it, or is what was kept
// with one leaf spoiled; and by ids and revisions that are none. None of it may answer 500.
func TestNoRequestBreaksTheServer(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	raw, err := httpapi.Description()
	if err != nil {
		t.Fatal(err)
	}
	var api struct {
		Paths map[string]map[string]struct {
			Parameters []struct{ Name, In string }
			Body       struct {
				Content map[string]struct{ Schema any }
			} `json:"requestBody"`
		}
		Components struct{ Schemas map[string]any }
	}
	if err := json.Unmarshal(raw, &api); err != nil {
		t.Fatal(err)
	}
	s := schemas{api.Components.Schemas, rand.New(rand.NewPCG(15, 16))}
	frames, err := c.jobs.Frames(t.Context(), j.ID)
	if err != nil || len(frames) == 0 {
		t.Fatal(err)
	}
	ids := []string{j.ID, part.ID, frames[0].ID, "01a22aaf-53c0-75fd-a0be-0ac0aab71d0c", "%00", "x", "9999999999999999999",
		strings.Repeat("0", 300)}
	numbers := []string{"1", "2", "0", "-1", "2147483648", "9223372036854775808", "x", "1e3", "%00"}
	asked, taken := 0, 0
	ask := func(method, path string, body any) {
		t.Helper()
		text := ""
		if body != nil {
			raw, err := json.Marshal(body)
			if err != nil {
				t.Fatal(err)
			}
			text = string(raw)
		}
		r := c.do(method, path, text, "If-Match", pickOf(s.rnd, "1", "2", "", "-1", "99999999999999999999", "\"1\""))
		asked++
		if r.status < 300 {
			taken++
		}
		if r.status >= 500 {
			t.Errorf("%s %s answers %d to %.700s: %.300s", method, path, r.status, text, r.body)
		}
	}
	all := func(only string, odd bool) {
		for _, path := range slices.Sorted(maps.Keys(api.Paths)) {
			for _, method := range slices.Sorted(maps.Keys(api.Paths[path])) {
				if only != "" && method != only {
					continue
				}
				o := api.Paths[path][method]
				to, query := path, url.Values{}
				for _, p := range o.Parameters {
					if p.In == "query" {
						query.Set(p.Name, pickOf(s.rnd, append([]string{"a4", "mm", "1", "true"}, oddTexts...)...))
						continue
					}
					list := ids
					if p.Name != "id" {
						list = numbers
					}
					if !odd || s.rnd.IntN(3) > 0 {
						list = list[:3]
					}
					to = strings.Replace(to, "{"+p.Name+"}", pickOf(s.rnd, list...), 1)
				}
				if method == "delete" && s.rnd.IntN(4) > 0 {
					continue // something has to be left to ask about
				}
				if len(query) > 0 && (odd || s.rnd.IntN(2) == 0) {
					to += "?" + query.Encode()
				}
				var body any
				if content, has := o.Body.Content["application/json"]; has {
					body = s.any(content.Schema, 0)
				}
				ask(strings.ToUpper(method), to, body)
			}
		}
	}
	for range 12 {
		all("", true)
	}
	kept := map[string]any{}
	for _, path := range []string{"/api/v1/jobs/" + j.ID + "/export"} {
		var doc map[string]any
		if err := json.Unmarshal(c.do("GET", path, "").body, &doc); err == nil {
			for _, d := range doc["documents"].([]any) {
				d := d.(map[string]any)
				list := d["revisions"].([]any)
				kept[fmt.Sprint(d["kind"])] = list[len(list)-1].(map[string]any)["body"]
			}
			kept["file"] = doc
		}
	}
	for range 150 {
		for kind, path := range map[string]string{"brief": "/api/v1/jobs/" + j.ID, "survey": "/api/v1/jobs/" + j.ID + "/survey",
			"sheet": "/api/v1/parts/" + part.ID, "frame": "/api/v1/frames/" + frames[0].ID, "file": "/api/v1/import"} {
			text, err := json.Marshal(kept[kind])
			if err != nil {
				t.Fatal(err)
			}
			var doc any
			if err := json.Unmarshal(text, &doc); err != nil {
				t.Fatal(err)
			}
			method := "PUT"
			if kind == "file" {
				if s.rnd.IntN(5) > 0 {
					continue
				}
				method = "POST"
			}
			ask(method, path, s.spoiled(doc))
		}
	}
	// Names in every script reach every paper and file.
	const name = "𝕎elder 🔧 שלום \u202e ﷺ"
	v, revision, err := c.jobs.Survey(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	v.Drawn = "made to a drawing" // or the papers wait for a measuring
	now, err := c.jobs.Job(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	now.Brief.Name, now.Brief.Open = name, nil
	stands, err := c.jobs.Part(t.Context(), part.ID)
	if err != nil {
		t.Fatal(err)
	}
	framed, err := c.jobs.Frame(t.Context(), frames[0].ID)
	if err != nil {
		t.Fatal(err)
	}
	_, errA := c.jobs.SaveSurvey(t.Context(), j.ID, job.On{Revision: revision}, v)
	_, errB := c.jobs.SaveBrief(t.Context(), j.ID, job.On{Revision: now.Revision}, now.Brief)
	_, errC := c.jobs.SavePart(t.Context(), part.ID, job.On{Revision: stands.Revision},
		job.PartState{Name: name, Quantity: 1, Recipe: part.Recipe})
	_, errD := c.jobs.SaveFrame(t.Context(), frames[0].ID, job.On{Revision: framed.Revision},
		job.FrameState{Name: name, Quantity: 1, Frame: frames[0].Doc})
	if err := errors.Join(errA, errB, errC, errD); err != nil {
		t.Fatal(err)
	}
	for range 6 {
		all("get", false)
	}
	if asked < 1500 || taken < 100 {
		t.Errorf("%d were asked, %d taken: that proves little", asked, taken)
	}
	t.Logf("%d asked, %d taken", asked, taken)
}
