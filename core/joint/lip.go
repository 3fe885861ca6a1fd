package joint

import (
	"fmt"

	"warmanvil/core/working"
)

// Lip is what is done to the edge of a ply so that faces lie flush at a seam.
type Lip string

// The ways: ground back, a flange or bead beaten flat, set down by the other ply's thickness.
const (
	GroundLip    Lip = "ground"
	FlattenedLip Lip = "flattened"
	JoggledLip   Lip = "joggled"
)

// joggleRun is how many times its depth a joggle runs out over (practice: gentler than 1 in 4 neither
// cracks nor shows).
const joggleRun = 4.

func (l Lip) check(at string) error {
	if l != "" && l != GroundLip && l != FlattenedLip && l != JoggledLip {
		return working.Refuse(at, "An edge is ground, flattened or joggled before a seam, not %q.", string(l))
	}
	return nil
}

// lips says what is done to edges before the plies come together, and minds a joggle that has
// nothing to go down by, or is deeper than the sheet stands.
func (j *joint) lips() {
	for i, p := range j.plies {
		beside := -1 // the thicker neighbour is what it has to make room for
		for _, k := range []int{i - 1, i + 1} {
			if k >= 0 && k < len(j.plies) && (beside < 0 || j.plies[k].Thickness > j.plies[beside].Thickness) {
				beside = k
			}
		}
		if p.Lip == "" || beside < 0 {
			continue
		}
		other := j.plies[beside]
		say := func(format string, args ...any) { j.out.Making = append(j.out.Making, fmt.Sprintf(format, args...)) }
		switch p.Lip {
		case GroundLip:
			say("Before %s lies on it: grind the lip of %s back to sound metal, clean on both faces, and paint what stays bare at once.",
				other.Name, p.Name)
		case FlattenedLip:
			say("Before %s lies on it: beat the edge of %s flat on a dolly until a straight edge shows no light over its whole width.",
				other.Name, p.Name)
		case JoggledLip:
			deep := other.Thickness + other.Coat/2
			say("Before %s lies on it: joggle the edge of %s down by %s, running out over %s, wider than %s reaches over it, so "+
				"that the faces "+
				"lie flush.", other.Name, p.Name, j.in.Display.Fine(deep), j.mm(joggleRun*deep), other.Name)
			if deep > 2*p.Thickness {
				j.say("joggle-deep", working.Mind, "Plies",
					fmt.Sprintf("A joggle of %s in %s of %s is more than twice its thickness: it cracks or "+
						"buckles beside. Let %s lie on top, or give it a thinner edge.", j.in.Display.Fine(deep),
						j.in.Display.Fine(p.Thickness), p.Name, other.Name))
			}
		}
	}
}
