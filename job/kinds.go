package job

import (
	"encoding/json"
	"fmt"
	"reflect"

	"warmanvil/core/brief"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
	"warmanvil/strictjson"
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
	of   reflect.Type // form of the body
	// read decodes a body strictly, upgrades and checks it.
	read    func(raw []byte) ([]byte, error)
	renamed func(raw []byte, ids map[string]string) ([]byte, error)
}

var kinds = []kind{
	kindOf[brief.Brief](KindBrief, false),
	kindOf[vehicle.Survey](KindSurvey, false),
	kindOf[PartState](KindSheet, true),
	kindOf[FrameState](KindFrame, true),
}

func kindOf[T Form[T]](name Kind, many bool) kind {
	return kind{name: name, many: many, of: reflect.TypeFor[T](),
		read: func(raw []byte) ([]byte, error) {
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

// Many tells whether a job may have several documents of a kind.
func (k Kind) Many() bool {
	known, err := k.known()
	return err == nil && known.many
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
