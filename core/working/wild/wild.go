// Package wild sets every number of a document to what it should not be, for tests that
// ask what becomes of it.
package wild

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/working"
)

// Each hands do the document with one of its numbers after another set to each of the
// wild ones, to what it was with its sign turned and less one, and back. at is its place.
func Each[T any](t testing.TB, from T, numbers []float64, do func(at string, wild float64, x T)) {
	t.Helper()
	raw, err := json.Marshal(from)
	if err != nil {
		t.Fatal(err)
	}
	var doc any
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	walk(doc, "", func(any) {}, func(at string, was float64, set func(any)) {
		for _, v := range append([]float64{-was - 1}, numbers...) {
			set(v)
			text, err := json.Marshal(doc)
			if err != nil {
				t.Fatal(err)
			}
			var x T
			if json.Unmarshal(text, &x) == nil { // else a whole number that is none
				do(at, v, x)
			}
		}
		set(was)
	})
}

// Refused asks that an error is in words and names its place.
func Refused(t testing.TB, what string, err error) {
	t.Helper()
	var f *working.Fault
	if !errors.As(err, &f) || !strings.HasPrefix(f.Path, "/") || len(f.Message) < 10 || strings.Contains(f.Message, "%!") {
		t.Errorf("%s is refused without words: %v", what, err)
	}
}

// walk goes through all numbers of a document.
func walk(v any, at string, set func(any), do func(at string, was float64, set func(any))) {
	switch x := v.(type) {
	case map[string]any:
		for k, in := range x {
			walk(in, at+"/"+k, func(to any) { x[k] = to }, do)
		}
	case []any:
		for i, in := range x {
			walk(in, fmt.Sprintf("%s/%d", at, i), func(to any) { x[i] = to }, do)
		}
	case float64:
		do(at, x, set)
	}
}
