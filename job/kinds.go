package job

import (
	"bytes"
	"encoding/json"
	"fmt"
	"reflect"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/shell"
	"warmanvil/core/shop"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
	"warmanvil/strictjson"

	"github.com/go-json-experiment/json/jsontext"
)

// Form is what a document of one kind says.
type Form[T any] interface {
	// Upgraded answers a state of an older form in that of today.
	Upgraded() T
	// Check refuses what cannot be kept with the place of the first fault.
	Check() error
	// Renamed answers it with the documents it names called by their new ids.
	Renamed(ids map[string]string) T
}

// kind is all that is said of one kind of document; history, undo, joining, files and
// backup follow from it.
type kind struct {
	name Kind
	many bool         // a job may have several of them
	own  bool         // it is the installation's, and no job has one
	of   reflect.Type // form of the body
	// read decodes a body strictly, upgrades and checks it.
	read    func(raw []byte) ([]byte, error)
	renamed func(raw []byte, ids map[string]string) ([]byte, error)
}

var kinds = []kind{
	kindOf[brief.Brief](KindBrief, false, version{"brief", "/schema", brief.BriefSchema}),
	kindOf[vehicle.Survey](KindSurvey, false, version{"survey", "/schema", vehicle.SurveySchema}),
	kindOf[PartState](KindSheet, true, version{"part", "/recipe/schema", sheet.SchemaVersion}),
	kindOf[FrameState](KindFrame, true, version{"frame", "/frame/schema", member.Schema}),
	kindOf[FacetsState](KindFacets, true, version{"body", "/body/schema", shell.Schema}),
	ofInstallation(kindOf[shop.Shop](KindShop, false, version{"shop", "/schema", shop.Schema})),
}

func kindOf[T Form[T]](name Kind, many bool, now version) kind {
	return kind{name: name, many: many, of: reflect.TypeFor[T](),
		read: func(raw []byte) ([]byte, error) {
			if err := now.reads(raw); err != nil {
				return nil, err
			}
			var v T
			if err := strictjson.Decode(raw, &v); err != nil {
				return nil, err
			}
			return ready(v)
		},
		renamed: func(raw []byte, ids map[string]string) ([]byte, error) {
			v, err := Body[T](raw)
			if err != nil {
				return nil, err
			}
			return json.Marshal(v.Renamed(ids))
		}}
}

func ofInstallation(k kind) kind {
	k.own = true
	return k
}

// version is the form of a kind's bodies: what one is called, where it says its form, and
// the newest that this program knows.
type version struct {
	word, at string
	known    int
}

// reads refuses a body of a newer form by its name, before anything in it is looked at: it
// may well hold what nobody here has heard of.
func (v version) reads(raw []byte) error {
	if n, is := numberAt(raw, strings.Split(v.at, "/")[1:]); is && n > float64(v.known) {
		var doc struct{ Name any }
		_ = json.Unmarshal(raw, &doc) // or it has no name
		called := "The " + v.word
		if name, _ := doc.Name.(string); name != "" {
			called += fmt.Sprintf(" %q", clipped(name))
		}
		return working.Refuse(v.at, "%s is of form %g, and this program knows forms up to %d: take a newer program.", called, n, v.known)
	}
	return nil
}

// numberAt answers the number at a place in a text; false when there is none, or no such
// place: what is wrong with the text is said by who reads it whole.
func numberAt(raw []byte, path []string) (float64, bool) {
	dec := jsontext.NewDecoder(bytes.NewReader(raw))
	for _, step := range path {
		if t, err := dec.ReadToken(); err != nil || t.Kind() != '{' {
			return 0, false
		}
		for {
			t, err := dec.ReadToken()
			if err != nil || t.Kind() != '"' {
				return 0, false
			}
			if t.String() == step {
				break
			}
			if dec.SkipValue() != nil {
				return 0, false
			}
		}
	}
	t, err := dec.ReadToken()
	if err != nil || t.Kind() != '0' {
		return 0, false
	}
	return t.Float(), true
}

// clipped is a name as it is said in a sentence.
func clipped(name string) string {
	if r := []rune(name); len(r) > brief.MaxName {
		return string(r[:brief.MaxName]) + "…"
	}
	return name
}

// Many tells whether a job may have several documents of a kind.
func (k Kind) Many() bool {
	known, err := k.known()
	return err == nil && known.many
}

// Own tells whether the installation has the one document of a kind, rather than each job.
func (k Kind) Own() bool {
	known, err := k.known()
	return err == nil && known.own
}

// today answers a kept body in the form of today.
func (k kind) today(raw []byte) ([]byte, error) { return k.renamed(raw, nil) }

func (k Kind) known() (kind, error) {
	for _, x := range kinds {
		if x.name == k {
			return x, nil
		}
	}
	return kind{}, working.Refuse("/kind", "This program knows no document of kind %q: take a newer program.", string(k))
}

// Kinds lists the kinds of documents.
func Kinds() (out []Kind) {
	for _, k := range kinds {
		out = append(out, k.name)
	}
	return out
}

// ready answers a body as it is kept, or what speaks against keeping it.
func ready[T Form[T]](v T) ([]byte, error) {
	v = v.Upgraded()
	if err := v.Check(); err != nil {
		return nil, err
	}
	raw, err := json.Marshal(v)
	if err != nil {
		return nil, fmt.Errorf("write a document: %w", err)
	}
	return raw, nil
}

// Body reads a kept body.
func Body[T Form[T]](raw []byte) (v T, err error) {
	if len(raw) > 0 {
		if err := json.Unmarshal(raw, &v); err != nil {
			return v, fmt.Errorf("read a kept document: %w", err)
		}
	}
	return v.Upgraded(), nil
}
