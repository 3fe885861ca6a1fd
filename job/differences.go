package job

import (
	"fmt"
	"reflect"
	"strconv"
	"strings"
	"unicode"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet/made"
	words "warmanvil/core/told"
	"warmanvil/job/merge"
)

// Difference is one thing that two states say differently; Was or Now is empty
// for what is only in the other.
type Difference struct {
	What    string `json:"what"`
	Was     string `json:"was"`
	Now     string `json:"now"`
	Feature string `json:"feature,omitempty" doc:"id of the feature"`
}

// differences says in words what two bodies differ in. A folded part knows its sizes by
// name; of all others members are called as their form calls them.
func (k kind) differences(was, now []byte, d quantity.Display) []Difference {
	if k.name == KindSheet {
		a, errA := Body[PartState](was)
		b, errB := Body[PartState](now)
		if errA == nil && errB == nil {
			return compare(a, b, d)
		}
	}
	a, errA := k.tree(was)
	b, errB := k.tree(now)
	if errA != nil || errB != nil {
		return []Difference{{What: "Everything", Was: "as before", Now: "changed"}}
	}
	out := []Difference{}
	for _, c := range merge.Changes(a, b) {
		out = append(out, difference(k.of, c, a, b, nil, d))
	}
	return out
}

// difference words one change of a document of a form.
func difference(form reflect.Type, c merge.Change, was, now any, features map[string]string, d quantity.Display) Difference {
	x := whereIs(form, c.Path, was, now, features)
	x.show = d
	diff := Difference{What: x.what, Was: x.words(c.Was), Now: x.words(c.Now)}
	switch {
	case x.order:
		diff.Was, diff.Now = "", "changed"
	case c.Was == nil && diff.Now == "there":
		diff.Now = "added"
	case c.Now == nil && diff.Was == "there":
		diff.Now = "removed"
	case diff.Was == diff.Now:
		diff.Was, diff.Now = "", "changed"
	}
	return diff
}

// features answers what the features of a folded part are called, by their ids; they
// have no names of their own.
func (k kind) features(d quantity.Display, states ...[]byte) map[string]string {
	out := map[string]string{}
	if k.name != KindSheet {
		return out
	}
	for _, raw := range states {
		if s, err := Body[PartState](raw); err == nil {
			if p, err := made.Build(s.Recipe, made.Options{Display: d}); err == nil {
				for _, x := range p.Dimensions {
					out[x.Feature] = x.Group
				}
			}
		}
	}
	return out
}

// tree reads a kept body, in the form of today, as it is compared.
func (k kind) tree(raw []byte) (any, error) {
	raw, err := k.today(raw)
	if err != nil {
		return nil, err
	}
	return merge.Read(raw)
}

// clashing words what two changes clash in.
func (k kind) clashing(list []merge.Change, d quantity.Display, mine, theirs []byte) []Clashing {
	m, errM := merge.Read(mine)
	t, errT := merge.Read(theirs)
	out, names := []Clashing{}, k.features(d, mine, theirs)
	for _, c := range list {
		x := spot{what: "All of it"}
		if errM == nil && errT == nil {
			x = whereIs(k.of, c.Path, t, m, names)
		}
		x.show = d
		say := func(v any, whose string) string {
			switch {
			case x.order:
				return whose + " order"
			case v == nil:
				return "taken away"
			}
			return x.words(v)
		}
		one := Clashing{Path: merge.Pointer(c.Path), What: x.what, Mine: say(c.Now, "your"), Theirs: say(c.Was, "their")}
		if one.Mine == one.Theirs { // lists of as many entries
			one.Mine, one.Theirs = one.Mine+", as changed here", one.Theirs+", as changed there"
		}
		out = append(out, one)
	}
	return out
}

// spot is where a difference lies, in words, and what its numbers are in.
type spot struct {
	what string
	unit string
	name string
	show quantity.Display

	order bool // of a list: its values are ids, which nobody knows
}

// units that a field's description may begin with.
var units = []string{"mm", "kg", "N·mm", "N", "degrees", "MPa", "m²", "%"}

// whereIs words a path. The names of things along it are read from either state.
func whereIs(form reflect.Type, path []string, was, now any, features map[string]string) spot {
	var names, fields []string
	s := spot{}
	for i, step := range path {
		for form != nil && form.Kind() == reflect.Pointer {
			form = form.Elem()
		}
		was, now = inside(was, step), inside(now, step)
		switch {
		case form != nil && form.Kind() == reflect.Struct:
			f, known := field(form, step)
			form = nil
			if known {
				form = f.Type
				for _, u := range units {
					rest, is := strings.CutPrefix(f.Tag.Get("doc"), u)
					either := strings.HasPrefix(strings.TrimLeft(rest, " ,"), "or ") // mm or degrees: nobody knows
					if is && (rest == "" || strings.Contains(" ,:;", rest[:1])) && !either {
						s.unit = u
						break
					}
				}
			}
			if s.name = step; i > 0 || len(path) == 1 || step != "recipe" && step != "frame" { // all of a part is in it
				fields = append(fields, spelled(step))
			}
		case form != nil && form.Kind() == reflect.Slice:
			form = form.Elem()
			if step == "order" {
				fields, s.order = append(fields, "order"), true
				break
			}
			name := nameOf(now)
			if name == "" {
				name = nameOf(was)
			}
			if name == "" {
				name = features[step]
			}
			if name == "" && len(fields) > 0 {
				name = "one of the " + fields[len(fields)-1]
			}
			names, fields, s.unit = append(names, name), nil, ""
		default: // a map
			if form != nil && form.Kind() == reflect.Map {
				form = form.Elem()
			} else {
				form = nil
			}
			fields = append(fields, step)
		}
	}
	if n := len(fields); n > 1 && fields[n-1] == "value" { // of a value that says how it is known
		fields = fields[:n-1]
	}
	s.what = strings.Join(names, ", ")
	if len(fields) > 0 {
		if s.what != "" {
			s.what += ": "
		}
		s.what += strings.Join(fields, ", ")
	}
	if s.what == "" {
		s.what = "All of it"
	}
	s.what = strings.ToUpper(s.what[:1]) + s.what[1:]
	return s
}

// words writes a value as people read it; empty for what is not there.
func (s spot) words(v any) string {
	switch v := v.(type) {
	case nil:
		return ""
	case bool:
		if v {
			return "yes"
		}
		return "no"
	case string:
		if s.name == "material" {
			return words.MaterialName(v)
		}
		if r := []rune(v); len(r) > 60 {
			v = string(r[:60]) + "…"
		}
		return strings.TrimSpace(v)
	case float64:
		p := words.Pen{Display: s.show}
		switch s.unit {
		case "mm":
			return words.Pen{Display: s.show}.Given(v)
		case "kg":
			return p.Kilos(v)
		case "N":
			return p.Newtons(v)
		case "N·mm":
			return p.Moment(v)
		case "m²":
			return p.Area(v)
		case "degrees":
			return p.Degrees(v)
		}
		return strings.TrimSpace(strconv.FormatFloat(v, 'f', -1, 64) + " " + s.unit)
	case []any:
		return fmt.Sprintf("%d %s", len(v), words.Plural(len(v), "entry", "entries"))
	}
	return "there"
}

func inside(v any, step string) any {
	switch v := v.(type) {
	case map[string]any:
		return v[step]
	case []any:
		for _, item := range v {
			if o, is := item.(map[string]any); is && o["id"] == step {
				return o
			}
		}
	}
	return nil
}

// nameOf answers what a thing is called.
func nameOf(v any) string {
	o, _ := v.(map[string]any)
	for _, key := range []string{"name", "text", "label", "title"} {
		if name, _ := o[key].(string); strings.TrimSpace(name) != "" {
			return strings.TrimSpace(name)
		}
	}
	return ""
}

// field finds a struct's field by its name in JSON, in embedded structs too.
func field(form reflect.Type, name string) (reflect.StructField, bool) {
	for _, f := range reflect.VisibleFields(form) {
		if tag, _, _ := strings.Cut(f.Tag.Get("json"), ","); tag == name {
			return f, true
		}
	}
	return reflect.StructField{}, false
}

// spelled writes a field's name in words: frontLimit is "front limit".
func spelled(name string) string {
	if name == "kilos" { // in an inch job they are pounds
		return "mass"
	}
	var b strings.Builder
	for _, r := range name {
		if unicode.IsUpper(r) {
			b.WriteByte(' ')
		}
		b.WriteRune(unicode.ToLower(r))
	}
	return b.String()
}

// briefly says in a few words what a save changed.
func briefly(list []Difference) string {
	if len(list) == 0 {
		return "nothing that shows"
	}
	first := list[0]
	said := fmt.Sprintf("%s %s", first.What, first.Now)
	if first.Now == "" {
		said = first.What + " removed"
	}
	if first.Was != "" && first.Now != "" && first.Now != "removed" {
		said += ", was " + first.Was
	}
	if len(list) > 1 {
		said += fmt.Sprintf(", and %d more", len(list)-1)
	}
	return said
}
