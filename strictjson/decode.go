// Package strictjson decodes requests the way the contract asks: unknown and
// doubled members are refused, members without a default must be there, and
// every refusal says where, as a JSON pointer.
package strictjson

import (
	"bytes"
	"errors"
	"fmt"
	"maps"
	"math"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"

	"warmanvil/core/working"
)

// Decode reads data into v, a pointer to a struct. A field without omitempty
// or omitzero that is not a pointer must be present and not null. It fails
// with *working.Fault.
func Decode(data []byte, v any) error {
	if err := json.Unmarshal(data, v, json.RejectUnknownMembers(true)); err != nil {
		return Explain(err)
	}
	var tree any
	if err := json.Unmarshal(data, &tree); err != nil {
		return Explain(err)
	}
	if bytes.Contains(data, []byte(`\u0000`)) { // the only way to write one
		if err := legible(tree, ""); err != nil {
			return err
		}
	}
	return present(tree, reflect.TypeOf(v).Elem(), "")
}

// pointed writes a member's name as a step of a JSON pointer.
var pointed = strings.NewReplacer("~", "~0", "/", "~1")

// legible refuses the character NUL in texts and names: no database keeps it, and nobody
// typed it.
func legible(tree any, path string) error {
	const refusal = "The text holds the character NUL, which cannot be kept: leave it out."
	switch x := tree.(type) {
	case string:
		if strings.ContainsRune(x, 0) {
			return working.Refuse(path, refusal)
		}
	case []any:
		for i, item := range x {
			if err := legible(item, path+"/"+strconv.Itoa(i)); err != nil {
				return err
			}
		}
	case map[string]any:
		for _, name := range slices.Sorted(maps.Keys(x)) {
			if strings.ContainsRune(name, 0) {
				return working.Refuse(path, refusal)
			}
			if err := legible(x[name], path+"/"+pointed.Replace(name)); err != nil {
				return err
			}
		}
	}
	return nil
}

// Explain puts what is wrong with a text that should be JSON into words. It answers *working.Fault.
func Explain(err error) error {
	var sem *json.SemanticError
	if errors.As(err, &sem) {
		path := string(sem.JSONPointer)
		switch {
		case errors.Is(sem.Err, json.ErrUnknownName):
			return working.Refuse(path, "%q is not known here.", sem.JSONPointer.LastToken())
		case sem.GoType != nil:
			return working.Refuse(path, "%s is wanted here, not %s.", wanted(sem.GoType), got(sem.JSONKind))
		}
		return working.Refuse(path, "This value was not understood.")
	}
	var syn *jsontext.SyntacticError
	if errors.As(err, &syn) {
		if errors.Is(err, jsontext.ErrDuplicateName) {
			return working.Refuse(string(syn.JSONPointer), "%q is given twice.", syn.JSONPointer.LastToken())
		}
		return working.Refuse(string(syn.JSONPointer), "This is not JSON (near byte %d).", syn.ByteOffset)
	}
	return working.Refuse("", "This is not JSON.")
}

func wanted(t reflect.Type) string {
	switch t.Kind() {
	case reflect.Float64, reflect.Float32:
		return "A finite number"
	case reflect.Int, reflect.Int64, reflect.Int32:
		return "A whole number"
	case reflect.String:
		return "A text"
	case reflect.Bool:
		return "true or false"
	case reflect.Slice, reflect.Array:
		return "A list"
	case reflect.Pointer:
		return wanted(t.Elem())
	}
	return "An object"
}

func got(k jsontext.Kind) string {
	switch k {
	case 'n':
		return "null"
	case 't', 'f':
		return "true or false"
	case '"':
		return "a text"
	case '0':
		return "this number"
	case '{':
		return "an object"
	case '[':
		return "a list"
	}
	return "this"
}

// present looks for members that must be there.
func present(tree any, t reflect.Type, path string) error {
	switch t.Kind() {
	case reflect.Pointer:
		if tree == nil {
			return nil
		}
		return present(tree, t.Elem(), path)
	case reflect.Slice:
		list, _ := tree.([]any)
		for i, item := range list {
			if item == nil && t.Elem().Kind() != reflect.Pointer {
				return working.Refuse(path+"/"+strconv.Itoa(i), "%s is wanted here, not null.", wanted(t.Elem()))
			}
			if err := present(item, t.Elem(), path+"/"+strconv.Itoa(i)); err != nil {
				return err
			}
		}
	case reflect.Struct:
		members, ok := tree.(map[string]any)
		if !ok {
			return nil // a type with its own form
		}
		for i := range t.NumField() {
			f := t.Field(i)
			name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
			if name == "" || name == "-" {
				continue
			}
			value, there := members[name]
			optional := strings.Contains(options, "omit") || f.Type.Kind() == reflect.Pointer
			if !optional && (!there || value == nil) {
				return working.Refuse(path+"/"+name, "%s is missing: %s.", name, strings.ToLower(wanted(f.Type)[:1])+wanted(f.Type)[1:]+" is wanted")
			}
			if there && value != nil {
				if err := present(value, f.Type, path+"/"+name); err != nil {
					return err
				}
			}
		}
	}
	return nil
}

// Limit of a number in an answer: anything larger is noise.
const largest = 1e15

// Finite refuses an answer with a number that is not finite, or huge.
func Finite(v any) error { return finite(reflect.ValueOf(v), "") }

func finite(v reflect.Value, path string) error {
	switch v.Kind() {
	case reflect.Float64:
		if f := v.Float(); math.IsNaN(f) || math.Abs(f) > largest {
			return fmt.Errorf("the result at %s is out of range: look at the sizes again", path)
		}
	case reflect.Pointer, reflect.Interface:
		if !v.IsNil() {
			return finite(v.Elem(), path)
		}
	case reflect.Struct:
		for i := range v.NumField() {
			if err := finite(v.Field(i), path+"/"+v.Type().Field(i).Name); err != nil {
				return err
			}
		}
	case reflect.Slice, reflect.Array:
		for i := range v.Len() {
			if err := finite(v.Index(i), path); err != nil {
				return err
			}
		}
	case reflect.Map:
		for _, k := range v.MapKeys() {
			if err := finite(v.MapIndex(k), path); err != nil {
				return err
			}
		}
	}
	return nil
}
