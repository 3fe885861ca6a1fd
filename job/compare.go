package job

import (
	"encoding/json"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/told"
	"warmanvil/job/merge"
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
	both := errA == nil && errB == nil
	if both {
		out = append(out, sizes(a, b)...)
	}
	settings(was.Recipe, now.Recipe, say)
	return append(out, unsaid(was, now, a, b, both, d)...)
}

// settled are the places that settings and compare itself speak of.
var settled = map[string]bool{
	"/name": true, "/quantity": true, "/recipe/material": true, "/recipe/process": true, "/recipe/bend/school": true,
	"/recipe/bend/method": true, "/recipe/tool/kind": true, "/recipe/grain": true, "/recipe/hand/pair": true, "/recipe/seen": true,
}

// unsaid says what is not a setting and, where sizes were compared, no size of the two
// built parts: each place by the name of its feature and its own.
func unsaid(was, now PartState, a, b made.Part, sizes bool, d quantity.Display) (out []Difference) {
	before, errA := tree(was)
	after, errB := tree(now)
	if errA != nil || errB != nil {
		return []Difference{{What: "Everything", Was: "as before", Now: "changed"}}
	}
	names, told, only := map[string]string{}, map[string]bool{}, map[string]int{}
	for bit, x := range []struct {
		part made.Part
		tree any
	}{{a, before}, {b, after}} {
		for _, dim := range x.part.Dimensions {
			names[dim.Feature] = dim.Group
			only[dim.Feature] |= 1 << bit
			told[merge.ByID(x.tree, "/recipe"+dim.Path)] = sizes
		}
	}
	comesOrGoes := func(step string) bool { return sizes && (only[step] == 1 || only[step] == 2) }
	for _, c := range merge.Changes(before, after) {
		at := merge.Pointer(c.Path)
		if settled[at] || told[at] || slices.ContainsFunc(c.Path, comesOrGoes) {
			continue
		}
		out = append(out, difference(reflect.TypeFor[PartState](), c, before, after, names, d))
	}
	return out
}

func tree(p PartState) (any, error) {
	raw, err := json.Marshal(p)
	if err != nil {
		return nil, err
	}
	return merge.Read(raw)
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
			was, now := old.Text, d.Text
			if was == now || math.Abs(old.Value-d.Value) < .001 { // closer than its kind is written
				was, now = old.Text+" at "+strconv.FormatFloat(old.Value, 'f', -1, 64), d.Text+" at "+strconv.FormatFloat(d.Value, 'f', -1, 64)
				if d.Kind == made.LengthDimension {
					was, now = was+" mm", now+" mm"
				}
			}
			out = append(out, Difference{d.Group + ": " + told.LowerFirst(d.Label), was, now, d.Feature})
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
}
