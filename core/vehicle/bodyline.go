package vehicle

import (
	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// View answers the axes a line is seen in, 0 forward, 1 left, 2 up: along it, and across it;
// false where it is looked at from no side.
func (l BodyLine) View() (along, across int, ok bool) {
	switch l.Seen {
	case brief.FaceLeft, brief.FaceRight:
		return 0, 2, true
	case brief.FaceFront, brief.FaceRear:
		return 1, 2, true
	case brief.FaceUp:
		return 0, 1, true
	}
	return 0, 0, false
}

// check refuses sizes that ask for nothing that can be.
func (e LineEdge) check(at string) error {
	within := func(path, name string, v *float64) error {
		if v == nil {
			return nil
		}
		return working.Within(at+path, name, *v, 0, 1000, "mm")
	}
	return working.First(within("/gap", "The gap", e.Gap), working.Within(at+"/within", "How much the gap may differ", e.Within, 0,
		1000, "mm"),
		within("/step", "The step", e.Step))
}

// Toward answers the side it is looked at from: 1 where that is at greater coordinates.
func (l BodyLine) Toward() float64 {
	if l.Seen == brief.FaceRight || l.Seen == brief.FaceRear {
		return -1
	}
	return 1
}
