package working

import (
	"errors"
	"fmt"
	"math"
	"strconv"
)

// Fault is a refusal of one input. Path is a JSON pointer to it.
type Fault struct {
	Path    string
	Message string
}

func (f *Fault) Error() string { return f.Message }

// Refuse makes a Fault.
func Refuse(path, format string, args ...any) error {
	return &Fault{Path: path, Message: fmt.Sprintf(format, args...)}
}

// Within refuses a value that is not a number or not in [lo, hi].
func Within(path, name string, v, lo, hi float64, unit string) error {
	if math.IsNaN(v) || v < lo || v > hi {
		return Refuse(path, "%s must be from %s to %s, not %s.", name, measure(lo, unit), plain(hi)+spaced(unit), measure(v, unit))
	}
	return nil
}

// Above refuses a value that is not a number, not over lo, or over hi.
func Above(path, name string, v, lo, hi float64, unit string) error {
	if math.IsNaN(v) || v <= lo || v > hi {
		return Refuse(path, "%s must be over %s and at most %s, not %s.", name, measure(lo, unit), plain(hi)+spaced(unit), measure(v, unit))
	}
	return nil
}

// First answers the first error that is not nil.
func First(errs ...error) error {
	for _, err := range errs {
		if err != nil {
			return err
		}
	}
	return nil
}

func plain(v float64) string { return strconv.FormatFloat(v, 'g', 6, 64) }

// measure writes a number of a refusal with its unit, so that each can be said in another;
// nothing and degrees go without, as one says them.
func measure(v float64, unit string) string {
	if v == 0 || unit == "°" || math.IsNaN(v) || math.IsInf(v, 0) {
		return plain(v)
	}
	return plain(v) + spaced(unit)
}

func spaced(unit string) string {
	if unit == "" || unit == "°" {
		return unit
	}
	return " " + unit
}

// Under puts the path of a fault below another; other errors, and none, stay as they are.
func Under(path string, err error) error {
	var f *Fault
	if errors.As(err, &f) {
		return &Fault{Path: path + f.Path, Message: f.Message}
	}
	return err
}
