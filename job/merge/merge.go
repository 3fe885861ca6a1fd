// Package merge joins two changes of one document, field by field. A document is JSON as
// encoding/json reads it into any. A list whose every item is an object with an id of its
// own is joined item by item, whatever the order; any other list counts as one value.
package merge

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"
)

// Change is one place that two documents say differently. Was and Now are the values
// there, nil where there is none.
type Change struct {
	Path []string // member names and, in lists of things with ids, ids
	Was  any
	Now  any
}

// Pointer writes a path as a JSON pointer with ids in the place of indices.
func Pointer(path []string) string {
	var b strings.Builder
	for _, step := range path {
		b.WriteByte('/')
		b.WriteString(strings.NewReplacer("~", "~0", "/", "~1").Replace(step))
	}
	return b.String()
}

// ByID writes a JSON pointer as Pointer does: with ids in the place of indices, where the
// document's lists have them.
func ByID(doc any, pointer string) string {
	var out []string
	for _, step := range strings.Split(pointer, "/")[1:] {
		switch v := doc.(type) {
		case map[string]any:
			doc = v[step]
		case []any:
			doc = nil
			if i, err := strconv.Atoi(step); err == nil && i >= 0 && i < len(v) {
				doc = v[i]
				if t, is := listed(v); is {
					step = t.ids[i]
				}
			}
		}
		out = append(out, step)
	}
	return "/" + strings.Join(out, "/")
}

// Three answers the document that holds what mine and theirs changed against base. Where
// both changed the same thing and not alike it is a clash (Was is theirs, Now mine), and
// their value stands unless mine(pointer) says otherwise. Nothing given is changed.
func Three(base, mine, theirs any, preferMine func(pointer string) bool) (joined any, clashes []Change) {
	j := joiner{prefer: preferMine}
	joined = j.join(nil, base, mine, theirs)
	return joined, j.clashes
}

type joiner struct {
	prefer  func(string) bool
	clashes []Change
}

// Unknown stands for a base that nobody knows: whatever differs was changed by both.
type Unknown struct{}

// gone stands for a member or item that is not there.
type gone struct{}

func (j *joiner) join(path []string, base, mine, theirs any) any {
	switch {
	case same(mine, theirs), same(base, mine): // nothing is the same as what is unknown
		return theirs
	case same(base, theirs):
		return mine
	}
	m, mineIs := mine.(map[string]any)
	t, theirsIs := theirs.(map[string]any)
	_, unknown := base.(Unknown)
	if mineIs && theirsIs {
		b, _ := base.(map[string]any)
		return j.members(path, b, m, t, unknown)
	}
	ml, mineIs := listed(mine)
	tl, theirsIs := listed(theirs)
	if bl, baseIs := listed(base); mineIs && theirsIs && (baseIs || unknown || base == nil || base == gone{}) {
		return j.items(path, bl, ml, tl, unknown)
	}
	return j.clash(path, mine, theirs)
}

func (j *joiner) clash(path []string, mine, theirs any) any {
	j.clashes = append(j.clashes, Change{slices.Clone(path), shown(theirs), shown(mine)})
	if j.prefer != nil && j.prefer(Pointer(path)) {
		return mine
	}
	return theirs
}

func (j *joiner) members(path []string, base, mine, theirs map[string]any, unknown bool) any {
	out := map[string]any{}
	for _, name := range names(base, mine, theirs) {
		was := member(base, name)
		if unknown {
			was = Unknown{}
		}
		if v := j.join(append(path, name), was, member(mine, name), member(theirs, name)); v != (gone{}) {
			out[name] = v
		}
	}
	return out
}

// items joins lists of things with ids: in their order, unless only mine moved things,
// with what mine adds behind what it stands behind in mine.
func (j *joiner) items(path []string, base, mine, theirs things, unknown bool) any {
	lead, other := theirs, mine
	if kept := base.order(mine, theirs); slices.Equal(kept, theirs.order(base, mine)) && !slices.Equal(kept, mine.order(base, theirs)) {
		lead, other = mine, theirs
	} else if !slices.Equal(kept, mine.order(base, theirs)) && !slices.Equal(mine.order(base, theirs), theirs.order(base, mine)) {
		// Both moved things, and not alike.
		if j.clash(append(path, "order"), strings.Join(mine.ids, " "), strings.Join(theirs.ids, " ")) == strings.Join(mine.ids, " ") {
			lead, other = mine, theirs
		}
	}
	order := slices.Clone(lead.ids)
	for i, id := range other.ids {
		if slices.Contains(order, id) {
			continue
		}
		at := 0
		for k := i - 1; k >= 0; k-- {
			if before := slices.Index(order, other.ids[k]); before >= 0 {
				at = before + 1
				break
			}
		}
		order = slices.Insert(order, at, id)
	}
	out := []any{}
	for _, id := range order {
		was := base.get(id)
		if unknown {
			was = Unknown{}
		}
		if v := j.join(append(path, id), was, mine.get(id), theirs.get(id)); v != (gone{}) {
			out = append(out, v)
		}
	}
	return out
}

// things are the items of a list by their ids.
type things struct {
	ids []string
	by  map[string]any
}

// listed answers a list's items when each is an object with an id of its own. An empty
// list is one.
func listed(v any) (things, bool) {
	list, is := v.([]any)
	if !is {
		return things{}, false
	}
	t := things{by: map[string]any{}}
	for _, item := range list {
		o, _ := item.(map[string]any)
		id, _ := o["id"].(string)
		if _, twice := t.by[id]; id == "" || twice {
			return things{}, false
		}
		t.ids, t.by[id] = append(t.ids, id), item
	}
	return t, true
}

func (t things) get(id string) any {
	if v, there := t.by[id]; there {
		return v
	}
	return gone{}
}

// order answers the ids that all three lists hold, as this one has them.
func (t things) order(a, b things) (out []string) {
	for _, id := range t.ids {
		if a.get(id) != (gone{}) && b.get(id) != (gone{}) {
			out = append(out, id)
		}
	}
	return out
}

// Changes lists what differs between two documents, members by name and items in the
// order of now, then what only was.
func Changes(was, now any) []Change {
	var out []Change
	changes(nil, was, now, &out)
	return out
}

func changes(path []string, was, now any, out *[]Change) {
	if same(was, now) {
		return
	}
	a, wasIs := was.(map[string]any)
	b, nowIs := now.(map[string]any)
	if wasIs && nowIs {
		for _, name := range names(a, b) {
			changes(append(path, name), member(a, name), member(b, name), out)
		}
		return
	}
	al, wasIs := listed(was)
	bl, nowIs := listed(now)
	if wasIs && now == (gone{}) || nowIs && was == (gone{}) { // no list is an empty one
		wasIs, nowIs = true, true
	}
	if wasIs && nowIs {
		for _, id := range bl.ids {
			changes(append(path, id), al.get(id), bl.get(id), out)
		}
		for _, id := range al.ids {
			if bl.get(id) == (gone{}) {
				changes(append(path, id), al.get(id), gone{}, out)
			}
		}
		if x, y := al.order(al, bl), bl.order(al, bl); !slices.Equal(x, y) {
			*out = append(*out, Change{append(slices.Clone(path), "order"), strings.Join(x, " "), strings.Join(y, " ")})
		}
		return
	}
	*out = append(*out, Change{slices.Clone(path), shown(was), shown(now)})
}

func member(of map[string]any, name string) any {
	if v, there := of[name]; there {
		return v
	}
	return gone{}
}

func names(of ...map[string]any) []string {
	seen := map[string]bool{}
	var out []string
	for _, m := range of {
		for name := range m {
			if !seen[name] {
				seen[name] = true
				out = append(out, name)
			}
		}
	}
	slices.Sort(out)
	return out
}

func shown(v any) any {
	if v == (gone{}) {
		return nil
	}
	return v
}

func same(a, b any) bool { return reflect.DeepEqual(a, b) }

// Read reads JSON as this package joins it.
func Read(raw []byte) (any, error) {
	var v any
	if err := json.Unmarshal(raw, &v); err != nil {
		return nil, fmt.Errorf("read a document to join: %w", err)
	}
	return v, nil
}

// Write writes what this package joined.
func Write(v any) ([]byte, error) {
	raw, err := json.Marshal(v)
	if err != nil {
		return nil, fmt.Errorf("write a joined document: %w", err)
	}
	return raw, nil
}
