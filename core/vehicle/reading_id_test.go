package vehicle

import (
	"slices"
	"testing"
)

// A survey of form 1 knew its readings by their place; brought to today's each has a name
// of its own, which stays when the ones before it go.
func TestReadingsGetNames(t *testing.T) {
	ids := func(s Survey) (out []string) {
		for _, r := range s.Maps[0].Readings {
			out = append(out, r.ID)
		}
		return out
	}
	for _, x := range []struct {
		name      string
		was, want []string
	}{
		{"none has one", []string{"", "", ""}, []string{"r1", "r2", "r3"}},
		{"all have one", []string{"x", "y"}, []string{"x", "y"}},
		{"a name that is taken", []string{"r2", "", "r3"}, []string{"r2", "r4", "r3"}},
		{"a name that comes later", []string{"", "r1"}, []string{"r2", "r1"}},
	} {
		t.Run(x.name, func(t *testing.T) {
			s := Survey{Schema: 1, Maps: []HoleMap{{ID: "m"}}}
			for _, id := range x.was {
				s.Maps[0].Readings = append(s.Maps[0].Readings, MapReading{ID: id})
			}
			up := s.Upgraded()
			if got := ids(up); !slices.Equal(got, x.want) {
				t.Errorf("named %q, want %q", got, x.want)
			}
			if got := ids(s); !slices.Equal(got, x.was) {
				t.Errorf("the state before was changed to %q", got)
			}
			if up.Schema != SurveySchema {
				t.Errorf("form %d, want %d", up.Schema, SurveySchema)
			}
			up.Maps[0].Readings = slices.Delete(slices.Clone(up.Maps[0].Readings), 0, 1)
			if got := ids(up.Upgraded()); !slices.Equal(got, x.want[1:]) {
				t.Errorf("after the first is gone: %q, want %q", got, x.want[1:])
			}
		})
	}
}
