package sheet

import (
	"fmt"
	"math"
	"slices"
)

// DummyRoom is a plug, a lever or a hose on a face of a thing made in board: a window where it is,
// so that the real one can be put through, and its words beside.
type DummyRoom struct {
	Face       string  // front, rear, left, right, up or down
	Along      float64 // mm from the middle of the box: left on front and rear, else forward
	Up         float64 // mm above the feet; left on top and below
	Wide, High float64 // mm
	Says       string
}

// windowRim is the board left round a window, mm: less tears.
const windowRim = 8.

// face is a panel of a dummy by the flat's axes: which way each of a room's two measures runs on it.
type face struct {
	id     string
	turned bool // along runs along the flat's y
	up     float64
	middle float64 // mm, of the panel, in the measure that runs up
	along  float64 // mm, half of it that way
	high   float64 // mm, half of it the other
}

// faceOf answers the panel a face is on, of a box of outside sizes and a board so thick: its sides
// begin past the bend, and the back one ends at the lid's.
func (in DummyInput) faceOf(name string) (face, bool) {
	l, w, h, t := in.Length/2, in.Width/2, in.Height, in.Board
	rise := (h + t) / 2
	switch name {
	case "right":
		return face{"side-front", false, -1, rise, l, (h - t) / 2}, true
	case "left":
		return face{"side-back", false, 1, h / 2, l, h/2 - t}, true
	case "front":
		return face{"side-right", true, 1, rise, w, (h - t) / 2}, true
	case "rear":
		return face{"side-left", true, -1, rise, w, (h - t) / 2}, true
	case "up":
		return face{"lid", false, -1, -t / 2, l, w - t}, true
	case "down":
		return face{"", false, 1, 0, l, w}, true
	}
	return face{}, false
}

// furnish cuts the windows of a thing's rooms into its panels and writes their words: where a window
// would lie over another, over the rim or among the feet, its middle is marked instead.
func (in DummyInput) furnish(r *Recipe) {
	taken := map[string][][4]float64{}
	for i, room := range in.Rooms {
		f, known := in.faceOf(room.Face)
		if !known || in.Floor && room.Face != "down" {
			continue
		}
		holes, marks := &r.Base.Holes, &r.Base.Marks
		if f.id != "" {
			p := flangeOf(r.Base.Flanges, f.id)
			holes, marks = &p.Holes, &p.Marks
		}
		up := room.Up - f.middle
		at := func(along, rise float64) (x, y Offset) {
			x, y = Offset{Edge: Middle, Distance: along}, Offset{Edge: Middle, Distance: f.up * rise}
			if f.turned {
				x, y = y, x
			}
			return x, y
		}
		box := [4]float64{room.Along - room.Wide/2, room.Along + room.Wide/2, up - room.High/2, up + room.High/2}
		clear := room.Face != "down" && math.Abs(room.Along)+room.Wide/2 < f.along-windowRim && math.Abs(up)+room.High/2 < f.high-windowRim &&
			!slices.ContainsFunc(taken[f.id], func(o [4]float64) bool {
				return box[0] < o[1]+windowRim && o[0] < box[1]+windowRim && box[2] < o[3]+windowRim && o[2] < box[3]+windowRim
			})
		x, y := at(room.Along, up)
		id := fmt.Sprintf("room-%d", i+1)
		if clear {
			taken[f.id] = append(taken[f.id], box)
			h := Hole{ID: id, Name: clipped(room.Says, 60), Kind: RectangleHole, Length: room.Wide, Diameter: room.High, X: x, Y: y}
			long := room.Wide >= room.High
			if !long {
				h.Length, h.Diameter = room.High, room.Wide
			}
			if long == f.turned {
				h.Angle = 90
			}
			*holes = append(*holes, h)
		} else if math.Abs(room.Along) < f.along-2 && math.Abs(up) < f.high-2 {
			*marks = append(*marks, Mark{ID: id, Kind: CentreMark, X: x, Y: y})
		}
		below := math.Max(up-room.High/2-6, 4-f.high)
		x, y = at(math.Max(math.Min(room.Along-room.Wide/2, f.along-30), 4-f.along), below)
		*marks = append(*marks, Mark{ID: id + "-said", Kind: TextMark, X: x, Y: y, Height: 4, Text: clipped(room.Says, 60)})
	}
}

// flangeOf finds a flange of a list, or of one that hangs on it, by its id.
func flangeOf(list []Flange, id string) *Flange {
	for i := range list {
		if list[i].ID == id {
			return &list[i]
		}
		if f := flangeOf(list[i].Flanges, id); f != nil {
			return f
		}
	}
	return nil
}
