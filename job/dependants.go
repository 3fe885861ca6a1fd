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
			if where := k.places(other.Body, nil, []string{d.ID}); len(where) > 0 {
				out = append(out, Dependant{k.name, other.ID, named(other), where})
			}
		}
	}
	return out, nil
}

// NamedBy answers what of a job names things within one of its documents, or anything
// inside those: a point, a device, a map with its holes, the features of a group.
func (s *Service) NamedBy(ctx context.Context, jobID string, things ...string) ([]Dependant, error) {
	var all []Document
	ids := slices.Clone(things)
	for _, k := range kinds {
		list, err := s.Store.Documents(ctx, jobID, k.name)
		if err != nil {
			return nil, err
		}
		all = append(all, list...)
	}
	for _, id := range within(all, things) {
		if !slices.Contains(ids, id) {
			ids = append(ids, id)
		}
	}
	out := []Dependant{}
	for _, d := range all {
		k, err := d.Kind.known()
		if err != nil {
			return nil, err
		}
		// What else of a part goes with a feature of it its own flags say, and an edge may be
		// called as a feature of another part is: nobody but a part's own names its features.
		if d.Kind == KindSheet {
			continue
		}
		if where := k.places(d.Body, things, ids); len(where) > 0 {
			out = append(out, Dependant{d.Kind, d.ID, named(d), where})
		}
	}
	return out, nil
}

// within lists the ids of what lies inside things, but for those that other things of the
// job go by as well: the feet of two devices may have the same.
func within(all []Document, things []string) (out []string) {
	bear := map[string]int{}
	for _, d := range all {
		v, err := merge.Read(d.Body)
		if err != nil {
			continue // what is kept can be read
		}
		walkThings(v, "", func(id string, o map[string]any) {
			bear[id]++
			if slices.Contains(things, id) {
				walkThings(o, "", func(id string, _ map[string]any) { out = append(out, id) })
			}
		})
	}
	return slices.DeleteFunc(out, func(id string) bool { return bear[id] > 1 })
}

func mentions(body []byte, ids []string) bool {
	return slices.ContainsFunc(ids, func(id string) bool { return strings.Contains(string(body), id) })
}

// places answers where in a body one of some ids stands, in words, but for where it stands
// inside what goes, and where it is the id of the thing itself.
func (k kind) places(body []byte, going, ids []string) (out []string) {
	if !mentions(body, ids) {
		return nil
	}
	v, err := merge.Read(body)
	if err != nil {
		return nil // what is kept can be read
	}
	features := calledBy(v)
	walkStrings(v, nil, func(path []string, text string) {
		// The field that holds the id says nothing to who reads it.
		if !slices.Contains(ids, text) || len(path) == 0 || path[len(path)-1] == "id" {
			return
		}
		if slices.ContainsFunc(path, func(step string) bool { return slices.Contains(going, step) }) {
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
	Kind Kind   `json:"kind" doc:"sheet, frame or facets"`
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
