// Package calc gives every rule of the core a name, so that scripts, the
// command line and the interface run the same code. Requests and answers are
// JSON in SI units; docs/calc.md lists them.
package calc

import (
	"context"
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
	Long    bool // it may take seconds, and leaves off when its context ends
	run     func(ctx context.Context, raw []byte) (any, error)
}

// ErrUnknown is answered for a name that is not in the table.
var ErrUnknown = errors.New("there is no calculation of that name")

func define[Req, Ans any](name, doc string, f func(Req) (Ans, error)) Calc {
	c := long(name, doc, func(_ context.Context, r Req) (Ans, error) { return f(r) })
	c.Long = false
	return c
}

// long defines a calculation that leaves off when its context ends.
func long[Req, Ans any](name, doc string, f func(context.Context, Req) (Ans, error)) Calc {
	c := Calc{Name: name, Doc: doc, Request: reflect.TypeFor[Req](), Answer: reflect.TypeFor[Ans](), Long: true}
	c.run = func(ctx context.Context, raw []byte) (any, error) {
		var req Req
		if err := strictjson.Decode(raw, &req); err != nil {
			return nil, err
		}
		ans, err := f(ctx, req)
		if err != nil {
			return nil, err
		}
		if err := strictjson.Finite(ans); err != nil {
			return nil, &working.Fault{Message: err.Error()}
		}
		return ans, nil
	}
	return c
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

// Run answers a request. A refusal is a *working.Fault; work that is left off because the
// context ended fails with the context's error.
func (c Calc) Run(ctx context.Context, raw []byte) (any, error) { return c.run(ctx, raw) }

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
