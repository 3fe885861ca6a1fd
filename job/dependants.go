package job

import (
	"cmp"
	"context"
	"encoding/json"
	"maps"
	"slices"
	"strconv"
	"strings"

	"warmanvil/job/merge"
)

// Dependant is a document that names another one.
type Dependant struct {
	Kind  Kind     `json:"kind" doc:"brief, survey, sheet or frame"`
	ID    string   `json:"id" doc:"of the document"`
	Name  string   `json:"name,omitempty" doc:"of a part or a frame"`
	Where []string `json:"where" doc:"the places in it, in words"`
}

// Dependants answers what of its job names a document: what is no longer whole without it. Any
// place of any kind of document counts where its id stands.
func (s *Service) Dependants(ctx context.Context, k Kind, id string) ([]Dependant, error) {
	d, err := s.Find(ctx, k, id)
	if err != nil {
		return nil, err
	}
	out := []Dependant{}
	for _, k := range kinds {
		list, err := s.Store.Documents(ctx, d.JobID, k.name)
		if err != nil {
			return nil, err
		}
		for _, other := range list {
			if other.ID == d.ID {
				continue
			}
			if where := k.places(other.Body, d.ID); len(where) > 0 {
				out = append(out, Dependant{k.name, other.ID, named(other), where})
			}
		}
	}
	return out, nil
}

// places answers where in a body an id stands, in words.
func (k kind) places(body []byte, id string) (out []string) {
	if !strings.Contains(string(body), id) {
		return nil
	}
	v, err := merge.Read(body)
	if err != nil {
		return nil // what is kept can be read
	}
	features := calledBy(v)
	walkStrings(v, nil, func(path []string, text string) {
		// The field that holds the id says nothing to who reads it.
		if text != id || len(path) == 0 {
			return
		}
		if what := whereIs(k.of, path[:len(path)-1], v, v, features).what; !slices.Contains(out, what) {
			out = append(out, what)
		}
	})
	slices.Sort(out)
	return out
}

// calledBy answers what things of a document without a name of their own go by: the name of
// what is within them, or of what else in the document they name.
func calledBy(v any) map[string]string {
	names, out := map[string]string{}, map[string]string{}
	walkThings(v, "", func(key string, thing map[string]any) {
		if name := nameOf(thing); name != "" {
			names[key] = name
		}
	})
	walkThings(v, "", func(key string, thing map[string]any) {
		if nameOf(thing) != "" {
			return
		}
		for _, field := range slices.Sorted(maps.Keys(thing)) {
			within, _ := thing[field].(map[string]any)
			id, _ := thing[field].(string)
			if name := cmp.Or(nameOf(within), names[id]); name != "" {
				out[key] = name
				return
			}
		}
	})
	return out
}

// idOf answers the id of a thing, empty where it has none.
func idOf(v any) string {
	o, _ := v.(map[string]any)
	id, _ := o["id"].(string)
	return id
}

// walkThings visits every object of a list that has an id.
func walkThings(v any, id string, visit func(id string, thing map[string]any)) {
	switch v := v.(type) {
	case []any:
		for _, x := range v {
			walkThings(x, idOf(x), visit)
		}
	case map[string]any:
		if id != "" {
			visit(id, v)
		}
		for _, x := range v {
			walkThings(x, "", visit)
		}
	}
}

// walkStrings visits every text of a value with its path, keys of maps too.
func walkStrings(v any, path []string, visit func(path []string, text string)) {
	switch v := v.(type) {
	case string:
		visit(path, v)
	case []any:
		for i, x := range v {
			walkStrings(x, append(slices.Clone(path), cmp.Or(idOf(x), strconv.Itoa(i))), visit)
		}
	case map[string]any:
		for key, x := range v {
			at := append(slices.Clone(path), key)
			visit(at, key)
			walkStrings(x, at, visit)
		}
	}
}

// named answers what a document is called.
func named(d Document) string {
	var has struct {
		Name string `json:"name"`
	}
	_ = json.Unmarshal(d.Body, &has) // without one it has none
	return has.Name
}

// PutAway is a part or a frame of a job that was put away.
type PutAway struct {
	Kind Kind   `json:"kind" doc:"sheet or frame"`
	ID   string `json:"id" format:"uuid"`
	Name string `json:"name"`
}

// Away lists what was put away of a job, by name.
func (s *Service) Away(ctx context.Context, jobID string) ([]PutAway, error) {
	list, err := s.Store.PutAway(ctx, jobID)
	if err != nil {
		return nil, err
	}
	out := make([]PutAway, len(list))
	for i, d := range list {
		out[i] = PutAway{d.Kind, d.ID, named(d)}
	}
	slices.SortStableFunc(out, func(a, b PutAway) int { return cmp.Compare(strings.ToLower(a.Name), strings.ToLower(b.Name)) })
	return out, nil
}
