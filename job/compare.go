package job

import (
	"bytes"
	"encoding/json"
	"fmt"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/told"
)

// compare says in words what two states of a part differ in: name, quantity,
// sheet, every size, and the features that came or went.
func compare(was, now PartState, d quantity.Display) []Difference {
	out := []Difference{}
	say := func(what, a, b string) {
		if a != b {
			out = append(out, Difference{What: what, Was: a, Now: b})
		}
	}
	say("Name", was.Name, now.Name)
	say("Quantity", fmt.Sprint(was.Quantity), fmt.Sprint(now.Quantity))
	say("Material", told.MaterialName(was.Recipe.Material), told.MaterialName(now.Recipe.Material))
	a, errA := made.Build(was.Recipe, made.Options{Display: d})
	b, errB := made.Build(now.Recipe, made.Options{Display: d})
	if errA == nil && errB == nil {
		out = append(out, sizes(a, b)...)
	}
	settings(was.Recipe, now.Recipe, say)
	if len(out) == 0 && !same(was.Recipe, now.Recipe) {
		out = append(out, Difference{What: "Settings", Was: "as before", Now: "changed"})
	}
	return out
}

func same(a, b sheet.Recipe) bool {
	x, errX := json.Marshal(a)
	y, errY := json.Marshal(b)
	return errX == nil && errY == nil && bytes.Equal(x, y)
}

// sizes compares the dimensions of two parts, feature by feature. A feature
// that is only in one of them is said once.
func sizes(a, b made.Part) (out []Difference) {
	key := func(d made.Dimension) string { return d.Feature + d.Path[strings.LastIndex(d.Path, "/"):] + d.Label }
	before, features := map[string]made.Dimension{}, map[string]bool{}
	for _, d := range a.Dimensions {
		before[key(d)] = d
		features[d.Feature] = true
	}
	seen, said := map[string]bool{}, map[string]bool{}
	for _, d := range b.Dimensions {
		seen[d.Feature] = true
		old, there := before[key(d)]
		switch {
		case there && old.Value == d.Value && old.Text == d.Text:
		case there:
			out = append(out, Difference{d.Group + ": " + told.LowerFirst(d.Label), old.Text, d.Text, d.Feature})
		case features[d.Feature]:
			out = append(out, Difference{d.Group + ": " + told.LowerFirst(d.Label), "", d.Text, d.Feature})
		case !said[d.Feature]:
			said[d.Feature] = true
			out = append(out, Difference{d.Group, "", "added", d.Feature})
		}
	}
	for _, d := range a.Dimensions {
		if !seen[d.Feature] && !said[d.Feature] {
			said[d.Feature] = true
			out = append(out, Difference{d.Group, "there", "removed", d.Feature})
		}
	}
	return out
}

// settings compares what has no dimension of its own.
func settings(was, now sheet.Recipe, say func(what, a, b string)) {
	yes := map[bool]string{true: "yes", false: "no"}
	say("Cut by", string(was.Process), string(now.Process))
	say("Bend allowance by", string(was.Bend.School), string(now.Bend.School))
	say("Bends are", string(was.Bend.Method), string(now.Bend.Method))
	say("Bent on", string(was.Tool.Kind), string(now.Tool.Kind))
	say("Grain", string(was.Grain), string(now.Grain))
	say("Left and right pair", yes[was.Hand.Pair], yes[now.Hand.Pair])
	say("Face that shows", string(was.Seen), string(now.Seen))
	through := func(m *sheet.Master) string {
		if m == nil {
			return ""
		}
		return m.Name
	}
	say("Drilled through", through(was.Master), through(now.Master))
	say("Flags set aside", fmt.Sprint(len(was.SetAside)), fmt.Sprint(len(now.SetAside)))
	say("Coupons", fmt.Sprint(len(was.Bend.Coupons)), fmt.Sprint(len(now.Bend.Coupons)))
}
