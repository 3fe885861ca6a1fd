package httpapi_test

import (
	"encoding/json"
	"maps"
	"slices"
	"strings"
	"testing"

	"warmanvil/httpapi"
	"warmanvil/job/words"
)

// formed is a form of the API or a field of one: what a field may be, and what it leads to.
type formed struct {
	Ref        string            `json:"$ref"`
	Type       any               `json:"type"`
	Enum       []any             `json:"enum"`
	Items      *formed           `json:"items"`
	Properties map[string]formed `json:"properties"`
	More       json.RawMessage   `json:"additionalProperties"`
}

func forms(t *testing.T) map[string]formed {
	t.Helper()
	raw, err := httpapi.Description()
	if err != nil {
		t.Fatal(err)
	}
	var d struct {
		Components struct {
			Schemas map[string]formed `json:"schemas"`
		} `json:"components"`
	}
	if err := json.Unmarshal(raw, &d); err != nil {
		t.Fatal(err)
	}
	return d.Components.Schemas
}

func (d formed) leads() string {
	if d.Items != nil {
		return d.Items.leads()
	}
	return strings.TrimPrefix(d.Ref, "#/components/schemas/")
}

func (d formed) choices() []string {
	if d.Items != nil {
		return d.Items.choices()
	}
	var out []string
	for _, v := range d.Enum {
		if word, ok := v.(string); ok {
			out = append(out, word)
		}
	}
	return out
}

// under answers the forms a form is made of.
func under(all map[string]formed, form string, seen map[string]bool) {
	if seen[form] || all[form].Properties == nil {
		return
	}
	seen[form] = true
	for _, p := range all[form].Properties {
		under(all, p.leads(), seen)
	}
}

// Whatever can be chosen in a document has a word, and there is a word for nothing else:
// a new kind without one is seen here.
func TestEveryChoiceHasItsWord(t *testing.T) {
	all, of := forms(t), words.Of()
	documents := map[string]bool{}
	for _, form := range []string{"Brief", "Survey", "PartState", "FrameState"} {
		if all[form].Properties == nil {
			t.Fatalf("the API has no form %s", form)
		}
		under(all, form, documents)
	}
	for _, form := range slices.Sorted(maps.Keys(documents)) {
		for _, field := range slices.Sorted(maps.Keys(all[form].Properties)) {
			choices := all[form].Properties[field].choices()
			if len(choices) > 0 && of[form+"."+field] == nil {
				t.Errorf("%s.%s has no words for %v", form, field, choices)
			}
		}
	}
}

// beside tells whether a form, or one it is a part of, has a field.
func beside(all map[string]formed, form, field string) bool {
	if _, ok := all[form].Properties[field]; ok {
		return true
	}
	for _, above := range all {
		for _, p := range above.Properties {
			if _, ok := above.Properties[field]; ok && p.leads() == form {
				return true
			}
		}
	}
	return false
}

func TestWordsAreOfWhatIsStored(t *testing.T) {
	all := forms(t)
	for name, list := range words.Of() {
		form, field, _ := strings.Cut(name, ".")
		p, ok := all[form].Properties[field]
		if !ok {
			t.Errorf("the API has no field %s", name)
			continue
		}
		var values []string
		seen := map[string]bool{}
		for _, w := range list {
			if w.Value != "" {
				values = append(values, w.Value)
			}
			if w.Text == "" || seen[w.Text] {
				t.Errorf("%s: %q says %q again or nothing", name, w.Value, w.Text)
			}
			seen[w.Text] = true
			for _, shown := range w.Shows {
				if !beside(all, form, shown) {
					t.Errorf("%s: %s shows %s, which %s has not", name, w.Value, shown, form)
				}
			}
			for _, a := range w.Asks {
				key, _, _ := strings.Cut(a.Path[1:], "/")
				if _, ok := all[form].Properties[key]; !ok {
					t.Errorf("%s: %s asks for %s, which %s has not", name, w.Value, a.Path, form)
				}
			}
		}
		choices := slices.Clone(p.choices())
		if choices == nil {
			continue // a list of free words
		}
		slices.Sort(choices)
		slices.Sort(values)
		if !slices.Equal(choices, values) {
			t.Errorf("%s: words for %v, stored are %v", name, values, choices)
		}
	}
}
