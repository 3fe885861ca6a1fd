package sheet

import (
	"encoding/json"
	"fmt"
	"strconv"
	"strings"

	"warmanvil/core/working"
)

// ApplyEdits answers the recipe with the edits of a fix made. It fails with
// *working.Fault when a path does not lead anywhere.
func ApplyEdits(r Recipe, edits []working.Edit) (Recipe, error) {
	raw, err := json.Marshal(r)
	if err != nil {
		return r, fmt.Errorf("write recipe: %w", err)
	}
	var tree any
	if err := json.Unmarshal(raw, &tree); err != nil {
		return r, fmt.Errorf("read recipe: %w", err)
	}
	for _, e := range edits {
		if err := set(tree, e.Path, e.Value); err != nil {
			return r, err
		}
	}
	if raw, err = json.Marshal(tree); err != nil {
		return r, fmt.Errorf("write recipe: %w", err)
	}
	var out Recipe
	if err := json.Unmarshal(raw, &out); err != nil {
		return r, working.Refuse("", "The change does not fit the recipe: %v.", err)
	}
	out.Bend.Shop, out.Cuts = r.Bend.Shop, r.Cuts // not of the text
	return out, nil
}

func set(tree any, path string, value any) error {
	steps := strings.Split(strings.TrimPrefix(path, "/"), "/")
	for i, step := range steps {
		last := i == len(steps)-1
		switch node := tree.(type) {
		case map[string]any:
			if last {
				node[step] = value
				return nil
			}
			next, ok := node[step]
			if !ok {
				next = map[string]any{}
				node[step] = next
			}
			tree = next
		case []any:
			k, err := strconv.Atoi(step)
			if err != nil || k < 0 || k >= len(node) {
				return working.Refuse(path, "There is no %s in the recipe.", path)
			}
			if last {
				node[k] = value
				return nil
			}
			tree = node[k]
		default:
			return working.Refuse(path, "There is no %s in the recipe.", path)
		}
	}
	return nil
}
