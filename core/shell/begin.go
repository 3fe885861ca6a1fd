package shell

import (
	"fmt"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// faceChord is how far the corners of a face's arcs lie off them, mm.
const faceChord = .2

// Begin gives an empty body its first panel by an outline in mm, level, anticlockwise seen from outside;
// arcs become corners. It fails with *working.Fault where that is none, or has too many corners.
func (f *Facets) Begin(face profile.Loop, newID func() string) error {
	if len(face) > 1000 {
		return working.Refuse("", "A face of a body has straight edges: up to %d corners, not %d.", mostFace, len(face))
	}
	for i, v := range face {
		if err := working.First(working.Within(fmt.Sprintf("/%d/x", i), "A corner", v.X, -1e5, 1e5, "mm"),
			working.Within(fmt.Sprintf("/%d/y", i), "A corner", v.Y, -1e5, 1e5, "mm"),
			working.Within(fmt.Sprintf("/%d/bulge", i), "The bulge", v.Bulge, -1e3, 1e3, "")); err != nil {
			return err
		}
	}
	corners := face.Flatten(faceChord)
	if n := len(corners); n < 3 || n > mostFace {
		return working.Refuse("", "A face of a body has 3 to %d corners, its arcs in straight pieces, and this one has %d: leave "+
			"its round corners "+
			"square, and round them on the part.", mostFace, n)
	}
	panel := FacetPanel{ID: newID(), Name: "Face"}
	for i, c := range corners {
		p := FacetPoint{ID: newID(), Name: fmt.Sprintf("Corner %d", i+1), X: c.X, Y: c.Y}
		f.Points, panel.Points = append(f.Points, p), append(panel.Points, p.ID)
	}
	f.Panels = append(f.Panels, panel)
	_, err := f.Build()
	return err
}

// mostFace is how many corners a panel has at most.
const mostFace = 60
