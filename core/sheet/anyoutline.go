package sheet

import (
	"strconv"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// mostCorners is how many corners a flange of any outline has at most.
const mostCorners = 60

// sized checks how large a flange is: its length, or where it has one of its own its outline.
func (f Flange) sized() error {
	n := len(f.Outline)
	if n == 0 {
		return working.Above("/length", "The length", f.Length, 0, maxSize, "mm")
	}
	if f.Kind != "" && f.Kind != Bent {
		return working.Refuse("/outline", "Only a plain flange has an outline of its own.")
	}
	if n < 3 || n > mostCorners {
		return working.Refuse("/outline", "An outline has 3 to %d corners, not %d.", mostCorners, n)
	}
	var loop profile.Loop
	for i, c := range f.Outline {
		at := "/outline/" + strconv.Itoa(i)
		if err := working.First(working.Within(at+"/x", "A corner", c.X, -maxSize, maxSize, "mm"),
			working.Within(at+"/y", "A corner", c.Y, 0, maxSize, "mm")); err != nil {
			return err
		}
		if i < 2 && c.Y > Tiny {
			return working.Refuse(at+"/y", "Its first two corners lie on the line where its bend ends, at 0.")
		}
		loop = append(loop, profile.Vertex{X: c.X, Y: c.Y})
	}
	if why := unsound(loop); why != "" {
		return working.Refuse("/outline", "The flange has no shape: %s.", why)
	}
	return nil
}

// mirrorOutline answers an outline seen in the mirror, its first edge on the bend again.
func mirrorOutline(l []Corner2D) []Corner2D {
	if l == nil {
		return nil
	}
	out := make([]Corner2D, len(l))
	for i, c := range l {
		out[(len(l)+1-i)%len(l)] = Corner2D{-c.X, c.Y}
	}
	return out
}

// mirroredNumber answers the number an edge of an outline has in the mirror: the first stays the bend.
func mirroredNumber(corners int) func(Edge) Edge {
	return func(e Edge) Edge {
		i, err := strconv.Atoi(string(e))
		if err != nil || i < 2 || i > corners {
			return e.mirrored()
		}
		return Edge(strconv.Itoa(corners + 2 - i))
	}
}
