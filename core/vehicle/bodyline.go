package vehicle

import "warmanvil/core/brief"

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
