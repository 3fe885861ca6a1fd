package merge

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"reflect"
	"slices"
	"testing"
)

func read(t *testing.T, text string) any {
	t.Helper()
	v, err := Read([]byte(text))
	if err != nil {
		t.Fatal(err)
	}
	return v
}

func written(t *testing.T, v any) string {
	t.Helper()
	raw, err := Write(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

func TestThree(t *testing.T) {
	for _, c := range []struct{ name, base, mine, theirs, want, clashes string }{
		{"apart", `{"a":1,"b":1}`, `{"a":2,"b":1}`, `{"a":1,"b":3}`, `{"a":2,"b":3}`, ``},
		{"alike", `{"a":1}`, `{"a":2}`, `{"a":2}`, `{"a":2}`, ``},
		{"both", `{"a":1}`, `{"a":2}`, `{"a":3}`, `{"a":3}`, `/a`},
		{"deep", `{"a":{"x":1,"y":1}}`, `{"a":{"x":2,"y":1}}`, `{"a":{"x":1,"y":2}}`, `{"a":{"x":2,"y":2}}`, ``},
		{"added", `{}`, `{"a":1}`, `{"b":2}`, `{"a":1,"b":2}`, ``},
		{"taken away", `{"a":1,"b":1}`, `{"b":1}`, `{"a":1}`, `{}`, ``},
		{"taken away and changed", `{"a":1}`, `{}`, `{"a":2}`, `{"a":2}`, `/a`},
		{"plain lists are one value", `{"a":[1,2]}`, `{"a":[1,2,3]}`, `{"a":[0,1,2]}`, `{"a":[0,1,2]}`, `/a`},
		{"things", `{"l":[{"id":"p","v":1},{"id":"q","v":1}]}`, `{"l":[{"id":"p","v":2},{"id":"q","v":1}]}`, `{"l":[{"id":"p","v":1},{"id":"q","v":3}]}`, `{"l":[{"id":"p","v":2},{"id":"q","v":3}]}`, ``},
		{"things added by both", `{"l":[{"id":"p"}]}`, `{"l":[{"id":"p"},{"id":"m"}]}`, `{"l":[{"id":"t"},{"id":"p"}]}`, `{"l":[{"id":"t"},{"id":"p"},{"id":"m"}]}`, ``},
		{"the first of a list by both", `{}`, `{"l":[{"id":"m"}]}`, `{"l":[{"id":"t"}]}`, `{"l":[{"id":"m"},{"id":"t"}]}`, ``},
		{"a thing taken away", `{"l":[{"id":"p"},{"id":"q"}]}`, `{"l":[{"id":"q"}]}`, `{"l":[{"id":"p"},{"id":"q","v":1}]}`, `{"l":[{"id":"q","v":1}]}`, ``},
		{"a thing taken away and changed", `{"l":[{"id":"p"}]}`, `{"l":[]}`, `{"l":[{"id":"p","v":1}]}`, `{"l":[{"id":"p","v":1}]}`, `/l/p`},
		{"moved by me", `{"l":[{"id":"p"},{"id":"q"}]}`, `{"l":[{"id":"q"},{"id":"p"}]}`, `{"l":[{"id":"p","v":1},{"id":"q"}]}`, `{"l":[{"id":"q"},{"id":"p","v":1}]}`, ``},
		{"moved by both alike", `{"l":[{"id":"p"},{"id":"q"}]}`, `{"l":[{"id":"q"},{"id":"p"}]}`, `{"l":[{"id":"q","v":1},{"id":"p"}]}`, `{"l":[{"id":"q","v":1},{"id":"p"}]}`, ``},
		{"moved by both", `{"l":[{"id":"p"},{"id":"q"},{"id":"r"}]}`, `{"l":[{"id":"q"},{"id":"p"},{"id":"r"}]}`, `{"l":[{"id":"p"},{"id":"r"},{"id":"q"}]}`, `{"l":[{"id":"p"},{"id":"r"},{"id":"q"}]}`, `/l/order`},
		{"two of one id are one value", `{"l":[{"id":"p"},{"id":"p"}]}`, `{"l":[{"id":"p"}]}`, `{"l":[{"id":"p"},{"id":"p","v":1}]}`, `{"l":[{"id":"p"},{"id":"p","v":1}]}`, `/l`},
		{"another kind of value", `{"a":1}`, `{"a":{"b":1}}`, `{"a":[1]}`, `{"a":[1]}`, `/a`},
		{"slashes", `{"a/b":{"~":1}}`, `{"a/b":{"~":2}}`, `{"a/b":{"~":3}}`, `{"a/b":{"~":3}}`, `/a~1b/~0`},
	} {
		t.Run(c.name, func(t *testing.T) {
			base, mine, theirs := read(t, c.base), read(t, c.mine), read(t, c.theirs)
			got, clashes := Three(base, mine, theirs, nil)
			at := ""
			for _, x := range clashes {
				at += Pointer(x.Path)
			}
			if written(t, got) != c.want || at != c.clashes {
				t.Errorf("%s, clashes %q, want %s and %q", written(t, got), at, c.want, c.clashes)
			}
			if written(t, base) != c.base || written(t, mine) != c.mine || written(t, theirs) != c.theirs {
				t.Error("what was given is changed")
			}
			// With mine preferred everywhere, mine stands where they clash.
			if c.clashes == "/a" {
				got, _ := Three(base, mine, theirs, func(p string) bool { return p == "/a" })
				if o, m := got.(map[string]any), mine.(map[string]any); !reflect.DeepEqual(o["a"], m["a"]) {
					t.Errorf("mine is preferred and %v stands", got)
				}
			}
		})
	}
}

// What nobody knows the base of clashes wherever it differs, and nowhere else.
func TestUnknownBase(t *testing.T) {
	got, clashes := Three(Unknown{}, read(t, `{"a":1,"b":1,"l":[{"id":"p","v":1}]}`),
		read(t, `{"a":1,"b":2,"c":3,"l":[{"id":"p","v":2}]}`), nil)
	var at []string
	for _, x := range clashes {
		at = append(at, Pointer(x.Path))
	}
	if !slices.Equal(at, []string{"/b", "/c", "/l/p/v"}) || written(t, got) != `{"a":1,"b":2,"c":3,"l":[{"id":"p","v":2}]}` {
		t.Errorf("%s, %v", written(t, got), at)
	}
}

// made is a document of chance: numbers, a thing, a list of things.
func made(r *rand.Rand) map[string]any {
	out := map[string]any{}
	for _, name := range []string{"a", "b", "c"} {
		if r.IntN(3) > 0 {
			out[name] = float64(r.IntN(3))
		}
	}
	if r.IntN(2) == 0 {
		out["in"] = map[string]any{"x": float64(r.IntN(3)), "y": float64(r.IntN(2))}
	}
	list := []any{}
	for _, i := range r.Perm(5)[:r.IntN(5)] {
		list = append(list, map[string]any{"id": fmt.Sprint("t", i), "v": float64(r.IntN(3))})
	}
	out["list"] = list
	return out
}

// Joined with itself or with what changed nothing a document is itself; whoever comes
// first, what clashes is the same; and what does not clash holds both changes.
func TestJoiningHoldsBoth(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 11))
	for range 4000 {
		base, mine, theirs := made(r), made(r), made(r)
		if got, clashes := Three(base, mine, base, nil); len(clashes) > 0 || !reflect.DeepEqual(got, any(mine)) {
			t.Fatalf("theirs changed nothing: %s, mine %s", written(t, got), written(t, mine))
		}
		if got, clashes := Three(base, base, theirs, nil); len(clashes) > 0 || !reflect.DeepEqual(got, any(theirs)) {
			t.Fatalf("mine changed nothing: %s, theirs %s", written(t, got), written(t, theirs))
		}
		got, clashes := Three(base, mine, theirs, nil)
		back, other := Three(base, theirs, mine, nil)
		if len(clashes) != len(other) {
			t.Fatalf("%d clashes one way, %d the other: %s %s %s", len(clashes), len(other), written(t, base), written(t, mine), written(t, theirs))
		}
		if a, b := places(clashes), places(other); !slices.Equal(a, b) {
			t.Fatalf("%v one way, %v the other", a, b)
		}
		if len(clashes) > 0 {
			continue
		}
		for _, c := range slices.Concat(Changes(base, mine), Changes(base, theirs)) {
			for _, end := range []any{got, back} {
				if v, there := at(end, c.Path); c.Path[len(c.Path)-1] != "order" &&
					(there != (c.Now != nil) || there && !reflect.DeepEqual(v, c.Now) && !isList(v)) {
					t.Fatalf("%s is %v, want %v: %s %s %s", Pointer(c.Path), v, c.Now, written(t, base), written(t, mine), written(t, theirs))
				}
			}
		}
	}
}

// places answers where changes lie, in the order of their names.
func places(list []Change) (out []string) {
	for _, c := range list {
		out = append(out, Pointer(c.Path))
	}
	slices.Sort(out)
	return out
}

func isList(v any) bool { _, is := v.([]any); return is }

func at(v any, path []string) (any, bool) {
	for _, step := range path {
		switch x := v.(type) {
		case map[string]any:
			next, there := x[step]
			if !there {
				return nil, false
			}
			v = next
		case []any:
			i := slices.IndexFunc(x, func(o any) bool { return o.(map[string]any)["id"] == step })
			if i < 0 {
				return nil, false
			}
			v = x[i]
		}
	}
	return v, true
}

// Changes tell all there is between two documents and nothing where there is nothing.
func TestChanges(t *testing.T) {
	was, now := read(t, `{"a":1,"l":[{"id":"p","v":1},{"id":"q"},{"id":"r"}]}`),
		read(t, `{"b":2,"l":[{"id":"q"},{"id":"p","v":2},{"id":"s"}]}`)
	var said []string
	for _, c := range Changes(was, now) {
		raw, err := json.Marshal([]any{c.Was, c.Now})
		if err != nil {
			t.Fatal(err)
		}
		said = append(said, Pointer(c.Path)+string(raw))
	}
	want := []string{`/a[1,null]`, `/b[null,2]`, `/l/p/v[1,2]`, `/l/s[null,{"id":"s"}]`, `/l/r[{"id":"r"},null]`, `/l/order["p q","q p"]`}
	if !slices.Equal(said, want) {
		t.Errorf("%q", said)
	}
	if list := Changes(was, was); len(list) > 0 {
		t.Errorf("%v", list)
	}
	if _, err := Read([]byte(`{`)); err == nil {
		t.Error("half a document is read")
	}
}

func ExampleThree() {
	base, _ := Read([]byte(`{"length":100,"holes":[{"id":"h1","diameter":9}]}`))
	mine, _ := Read([]byte(`{"length":120,"holes":[{"id":"h1","diameter":9}]}`))
	theirs, _ := Read([]byte(`{"length":100,"holes":[{"id":"h1","diameter":11},{"id":"h2","diameter":9}]}`))
	joined, clashes := Three(base, mine, theirs, nil)
	raw, _ := Write(joined)
	fmt.Println(string(raw), len(clashes))
	// Output: {"holes":[{"diameter":11,"id":"h1"},{"diameter":9,"id":"h2"}],"length":120} 0
}
