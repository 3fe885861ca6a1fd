package strictjson

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

type inner struct {
	Size float64 `json:"size"`
	Note string  `json:"note,omitempty"`
}

type outer struct {
	Name  string   `json:"name"`
	Count int      `json:"count"`
	K     *float64 `json:"k"`
	List  []inner  `json:"list,omitempty"`
}

func TestDecodeRefusesWithPath(t *testing.T) {
	cases := map[string]string{
		`{"name":"a","count":1,"x":2}`:                   "/x",
		`{"name":"a"}`:                                   "/count",
		`{"name":"a","count":null}`:                      "/count",
		`{"name":"a","count":1.5}`:                       "/count",
		`{"name":3,"count":1}`:                           "/name",
		`{"name":"a","count":1,"list":[{"size":1},{}]}`:  "/list/1/size",
		`{"name":"a","count":1,"list":[{"size":1e999}]}`: "/list/0/size",
		`{"name":"a","count":1,"list":[null]}`:           "/list/0",
		`{"name":"a","count":1,"list":[{"size":"1"}]}`:   "/list/0/size",
		`{"name":"a","name":"b","count":1}`:              "/name",
		`{"name":"a","Count":1}`:                         "/Count",
		`{"name":"a","count":1} {}`:                      "",
		`{"name":"a","count":NaN}`:                       "/count",
		``:                                               "",
		`[]`:                                             "",
		`{"name":"a\u0000","count":1}`:                   "/name",
		`{"name":"a","count":1,"list":[{"size":1,"note":"\u0000b"}]}`:  "/list/0/note",
		`{"name":"a","count":1,"list":[{"size":1,"other":"unknown"}]}`: "/list/0/other",
	}
	for text, path := range cases {
		var v outer
		err := Decode([]byte(text), &v)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path || f.Message == "" {
			t.Errorf("%s: %#v, want a fault at %q", text, err, path)
		}
	}
}

func TestDecodeAccepts(t *testing.T) {
	var v outer
	if err := Decode([]byte(`{"name":"a","count":2,"list":[{"size":1.5}]}`), &v); err != nil || v.Count != 2 || v.List[0].Size != 1.5 {
		t.Fatal(err, v)
	}
}

func TestFinite(t *testing.T) {
	nan := math.NaN()
	if Finite(outer{K: &nan}) == nil || Finite(struct{ A []float64 }{[]float64{1, 1e300}}) == nil {
		t.Error("not refused")
	}
	if err := Finite(outer{List: []inner{{Size: 3}}}); err != nil {
		t.Error(err)
	}
}

// Whatever comes in, decoding a recipe and building it answers or refuses; it
// does not panic and does not hand on what is not finite.
func FuzzRecipe(f *testing.F) {
	f.Add([]byte(`{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},"bend":{"school":"fixed","method":"air","k":0.4},"base":{"id":"b","length":100,"width":60,"flanges":[{"id":"f","edge":"front","length":40,"angle":90,"up":true,"insideRadius":3}]}}`))
	f.Add([]byte(`{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"pan"},"bend":{"school":"table","method":"air"},"base":{"id":"b","length":1e-300,"width":60,"holes":[{"id":"h","kind":"slot","diameter":3,"length":9,"x":{"edge":"left","distance":3},"y":{"edge":"back","distance":1}}]}}`))
	f.Fuzz(func(t *testing.T, data []byte) {
		var r sheet.Recipe
		if Decode(data, &r) != nil {
			return
		}
		p, err := made.Build(r, made.Options{Body: true})
		if err != nil {
			var fault *working.Fault
			if !errors.As(err, &fault) {
				t.Fatalf("refused without a place: %v", err)
			}
			return
		}
		if err := Finite(p); err != nil {
			t.Fatalf("%v from %s", err, data)
		}
	})
}
