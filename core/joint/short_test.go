package joint

// Suggest answers changes that bring a joint that is over or tight lower, each
// worked out like the joint itself and through all of it: one that leaves a mode
// unanswered that was answered, or raises a stop that was not there, is not offered.
// Tried are the next classes, the next size where its holes are not given by a
// part, larger washers, thicker plies, more edge, two shear planes. heldPlies are
// those whose thickness is given by a part.
func Suggest(in Input, heldHoles bool, heldPlies ...int) []Suggestion {
	in.trying = true
	now, err := Work(in)
	in.trying = false
	if err != nil {
		return []Suggestion{}
	}
	return SuggestFor(in, now, heldHoles, heldPlies...)
}
