package site

import (
	"fmt"

	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// leastBoard is the thinnest board worth clamping behind a wall, mm.
const leastBoard = 6.

// ready says what is got ready before a hole is drilled: the bit that reaches it past what
// stands in front, and the board that takes the drill behind.
func (s *stander) ready(d vehicle.Drilling, at [3]float64, out solid.Vector, deep float64, b survey.Behind,
	spaces []survey.Space) []string {
	p := s.from.Pen
	do := []string{}
	bit := survey.Straight(survey.Drilling{At: at, Into: out.Mul(-1), Diameter: d.Diameter}, deep, spaces)
	before := ""
	if bit.Space >= 0 {
		before = ", past " + spaces[bit.Space].Name
	}
	switch bit.Way {
	case survey.LongBit:
		do = append(do, fmt.Sprintf("A long bit: %s or more out of the chuck%s. Start with a short one or a bush: a long bit wanders.",
			p.MM(bit.Out), before))
	case survey.AngleHead:
		do = append(do, fmt.Sprintf("No machine stands straight before it%s: an angle head does.", before))
	case survey.NoWay:
		do = append(do, fmt.Sprintf("Neither a machine nor an angle head gets straight before it%s: drill it from behind, take that "+
			"off, or "+
			"move the hole.",
			before))
	}
	if free := b.Stop - d.Wall; free >= leastBoard && d.Wall > 0 && d.Wall <= 3 {
		do = append(do, fmt.Sprintf("Where a hand gets behind it, clamp a board there, %s are free: it takes the drill as it breaks "+
			"through "+
			"and keeps "+
			"the wall flat.", p.MM(free)))
	}
	return do
}
