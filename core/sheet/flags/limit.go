package flags

import "warmanvil/core/sheet"

// Limit is the most, or the least, that a machine takes; 0 is no limit.
type Limit struct {
	Value float64
	Usual bool // nobody said it: a usual value of its kind is taken
}

// Less and More tell whether a value lies under a least limit, or over a most one.
func (l Limit) Less(v float64) bool { return l.Value > 0 && v < l.Value-sheet.Tiny }

// More is told at [Limit.Less].
func (l Limit) More(v float64) bool { return l.Value > 0 && v > l.Value+sheet.Tiny }

// Says writes it, and that it is a usual value where nobody said it.
func (l Limit) Says(length func(float64) string) string {
	if l.Usual {
		return length(l.Value) + " (a usual value, the Shop says none)"
	}
	return length(l.Value)
}
