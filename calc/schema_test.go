package calc

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"warmanvil/core/working"
)

// Every calculation describes what it takes and answers: each field that is asked for
// has its schema, and references lead somewhere.
func TestEverySchemaIsWhole(t *testing.T) {
	for _, c := range All() {
		s := c.Schema()
		raw, err := json.Marshal(s)
		if err != nil {
			t.Fatalf("%s: %v", c.Name, err)
		}
		if s.Name != c.Name || s.Doc == "" || s.Request == nil || s.Answer == nil {
			t.Errorf("%s: %s", c.Name, raw)
		}
		text := string(raw)
		for at := strings.Index(text, `"#/$defs/`); at >= 0; at = strings.Index(text, `"#/$defs/`) {
			text = text[at+len(`"#/$defs/`):]
			if name, _, _ := strings.Cut(text, `"`); s.Definitions[name] == nil {
				t.Errorf("%s refers to %s, which is not there", c.Name, name)
			}
		}
	}
}

func TestRefusalsKeepTheirPlace(t *testing.T) {
	for _, c := range []struct {
		err           error
		message, path string
	}{
		{working.Refuse("/angle", "Too much."), "Too much.", "/angle"},
		{errors.New("odd"), "odd", ""},
	} {
		if r := Refused(c.err); r.Error.Message != c.message || r.Error.Path != c.path {
			t.Errorf("%v: %+v", c.err, r)
		}
	}
}
