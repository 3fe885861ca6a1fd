package stock

// Insert is a nut that is set in a hole of the sheet. Hole in mm; typical values,
// makers differ: measure the insert.
type Insert struct {
	Size     string
	WeldNut  float64 // hole for a hexagon weld nut's collar
	RivetNut float64 // hole for a rivet nut's body
}

// inserts by thread size: weld nuts after DIN 929, rivet nuts by common body sizes.
var inserts = []Insert{
	{"M4", 6, 6}, {"M5", 7, 7}, {"M6", 8, 9}, {"M8", 10.5, 11}, {"M10", 12.5, 13}, {"M12", 14.8, 16},
	{"#10", 7.1, 7.5}, {"1/4", 8.3, 9.9}, {"5/16", 10.3, 12.7}, {"3/8", 12.3, 14.3}, {"1/2", 16.3, 19},
}

// InsertFor finds the holes of a thread's inserts.
func InsertFor(t Thread) (Insert, bool) {
	for _, i := range inserts {
		if i.Size == t.Size {
			return i, true
		}
	}
	return Insert{}, false
}
