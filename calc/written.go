package calc

import (
	"reflect"

	"warmanvil/core/working"
)

// Written answers an answer whose working and findings are written for people, in inches and
// pounds or in millimetres and newtons. Its values stay as they are.
func Written(answer any, inches bool) any {
	v := reflect.ValueOf(answer)
	if v.Kind() != reflect.Struct {
		return answer
	}
	own := reflect.New(v.Type()).Elem()
	own.Set(v)
	for i := range own.NumField() {
		switch x := own.Field(i).Interface().(type) {
		case working.Working:
			own.Field(i).Set(reflect.ValueOf(x.Written(inches)))
		case []working.Finding:
			own.Field(i).Set(reflect.ValueOf(working.SpokenOf(x, inches)))
		}
	}
	return own.Interface()
}
