// Package calc gives every rule of the core a name, so that scripts, the
// command line and the interface run the same code. Requests and answers are
// JSON in SI units; docs/calc.md lists them.
package calc

import (
	"errors"
	"fmt"
	"reflect"

	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// Calc is one named calculation.
type Calc struct {
	Name    string
	Doc     string // one line
	Request reflect.Type
	Answer  reflect.Type
	run     func(raw []byte) (any, error)
}

// ErrUnknown is answered for a name that is not in the table.
var ErrUnknown = errors.New("there is no calculation of that name")

func define[Req, Ans any](name, doc string, f func(Req) (Ans, error)) Calc {
	return Calc{Name: name, Doc: doc, Request: reflect.TypeFor[Req](), Answer: reflect.TypeFor[Ans](), run: func(raw []byte) (any, error) {
		var req Req
		if err := strictjson.Decode(raw, &req); err != nil {
			return nil, err
		}
		ans, err := f(req)
		if err != nil {
			return nil, err
		}
		if err := strictjson.Finite(ans); err != nil {
			return nil, &working.Fault{Message: err.Error()}
		}
		return ans, nil
	}}
}

// All lists the calculations by name.
func All() []Calc { return table }

// Find answers one calculation.
func Find(name string) (Calc, error) {
	for _, c := range table {
		if c.Name == name {
			return c, nil
		}
	}
	return Calc{}, fmt.Errorf("%w: %q", ErrUnknown, name)
}

// Known tells whether there is a calculation of this name.
func Known(name string) bool {
	_, err := Find(name)
	return err == nil
}

// Run answers a request. A refusal is a *working.Fault.
func (c Calc) Run(raw []byte) (any, error) { return c.run(raw) }

// Refusal is how a refused request is answered on the command line.
type Refusal struct {
	Error struct {
		Message string `json:"message"`
		Path    string `json:"path"`
	} `json:"error"`
}

// Refused wraps an error for the command line.
func Refused(err error) Refusal {
	var r Refusal
	r.Error.Message = err.Error()
	var f *working.Fault
	if errors.As(err, &f) {
		r.Error.Path = f.Path
	}
	return r
}
