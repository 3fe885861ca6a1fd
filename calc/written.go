package calc

import (
	"reflect"

	"warmanvil/core/working"
)

// Written answers an answer whose working is written for people, in inches and pounds or in
// millimetres and newtons. Its values stay as they are.
func Written(answer any, inches bool) any {
	v := reflect.ValueOf(answer)
	if v.Kind() != reflect.Struct {
		return answer
	}
	own := reflect.New(v.Type()).Elem()
	own.Set(v)
	for i := range own.NumField() {
		if w, ok := own.Field(i).Interface().(working.Working); ok {
			own.Field(i).Set(reflect.ValueOf(w.Written(inches)))
		}
	}
	return own.Interface()
}
