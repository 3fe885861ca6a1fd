package brief

import (
	"fmt"
	"slices"

	"warmanvil/core/working"
)

// DeviceRoom is a plug, a lever or a hose of a device, and the room in front of it that hands,
// leads and air need: a box on a face of its envelope.
type DeviceRoom struct {
	ID   string  `json:"id"`
	Name string  `json:"name,omitempty"`
	Kind string  `json:"kind" enum:"plug,lever,hose,vent,grip,cover"`
	Face Face    `json:"face" enum:"front,rear,left,right,up,down" doc:"of the device it is on"`
	X    float64 `json:"x,omitempty" doc:"mm forward of the device's origin, its middle; not asked on front and rear"`
	Y    float64 `json:"y,omitempty" doc:"mm to the left; not asked on left and right"`
	Z    float64 `json:"z,omitempty" doc:"mm above the feet; not asked above and below"`
	Wide float64 `json:"wide" doc:"mm along the face, level; forward on top and below"`
	High float64 `json:"high" doc:"mm up the face; to the side on top and below"`
	Out  float64 `json:"out" doc:"mm of room in front of the face"`
}

// roomKinds are the kinds of rooms, and rooms how many a device has at most.
var roomKinds = []string{"plug", "lever", "hose", "vent", "grip", "cover"}

const mostRooms = 40

func (r DeviceRoom) check(at string) error {
	switch {
	case !slices.Contains(roomKinds, r.Kind):
		return working.Refuse(at+"/kind", "A room is of a plug, a lever, a hose, a vent, a grip or a cover, not of %q.", r.Kind)
	case !slices.Contains([]Face{FaceFront, FaceRear, FaceLeft, FaceRight, FaceUp, FaceDown}, r.Face):
		return working.Refuse(at+"/face", "It is on the front, rear, left, right, top or underside of the device, not on %q.",
			string(r.Face))
	case r.ID == "":
		return working.Refuse(at+"/id", "Every room of a device has an id of its own.")
	}
	return working.First(working.Within(at+"/x", "Its place", r.X, -1e5, 1e5, "mm"), working.Within(at+"/y", "Its place", r.Y, -1e5,
		1e5, "mm"),
		working.Within(at+"/z", "Its place", r.Z, -1e5, 1e5, "mm"), working.Above(at+"/wide", "How wide it is", r.Wide, 0, 1e4, "mm"),
		working.Above(at+"/high", "How high it is", r.High, 0, 1e4, "mm"), working.Above(at+"/out", "The room in front of it", r.Out,
			0, 1e4, "mm"))
}

// Called names a room.
func (r DeviceRoom) Called() string {
	if r.Name == "" {
		return r.Kind
	}
	return r.Kind + " " + r.Name
}

// Box answers the least and the greatest corner of a room in the axes of its device: x forward, y
// left, z up, the origin under the middle of its envelope.
func (r DeviceRoom) Box(e Box) (lo, hi [3]float64) {
	half := [3]float64{e.Length / 2, e.Width / 2}
	least, most := [3]float64{-half[0], -half[1], 0}, [3]float64{half[0], half[1], e.Height}
	middle, across := [3]float64{r.X, r.Y, r.Z}, [3]float64{}
	k, out := 0, 1.
	switch r.Face {
	case FaceFront, FaceRear:
		k, across = 0, [3]float64{0, r.Wide / 2, r.High / 2}
	case FaceLeft, FaceRight:
		k, across = 1, [3]float64{r.Wide / 2, 0, r.High / 2}
	default:
		k, across = 2, [3]float64{r.Wide / 2, r.High / 2, 0}
	}
	if r.Face == FaceRear || r.Face == FaceRight || r.Face == FaceDown {
		out = -1
	}
	for i := range 3 {
		lo[i], hi[i] = middle[i]-across[i], middle[i]+across[i]
	}
	if out > 0 {
		lo[k], hi[k] = most[k], most[k]+r.Out
	} else {
		lo[k], hi[k] = least[k]-r.Out, least[k]
	}
	return lo, hi
}

// checkRooms refuses rooms that cannot be, and feet with a bore that is none.
func (d Device) checkRooms(at string) error {
	if len(d.Rooms) > mostRooms {
		return working.Refuse(at+"/rooms", "A device has up to %d plugs, levers and hoses.", mostRooms)
	}
	for i, r := range d.Rooms {
		if err := r.check(fmt.Sprintf("%s/rooms/%d", at, i)); err != nil {
			return err
		}
	}
	for i, f := range d.Feet {
		if err := working.Within(fmt.Sprintf("%s/feet/%d/bore", at, i), "The hole in a foot", f.Bore, 0, 200, "mm"); err != nil {
			return err
		}
	}
	return nil
}
