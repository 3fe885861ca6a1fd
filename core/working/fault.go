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
		return Refuse(path, "%s must be from %s to %s%s, not %s.", name, plain(lo), plain(hi), spaced(unit), plain(v))
	}
	return nil
}

// Above refuses a value that is not a number, not over lo, or over hi.
func Above(path, name string, v, lo, hi float64, unit string) error {
	if math.IsNaN(v) || v <= lo || v > hi {
		return Refuse(path, "%s must be over %s and at most %s%s, not %s.", name, plain(lo), plain(hi), spaced(unit), plain(v))
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
