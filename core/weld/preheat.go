package weld

// preheats are the least temperatures of carbon steel before and between passes, by thickness (AWS D1.1 Table 5.8, steels
// to 350 MPa): °C with rods that are not dried low-hydrogen ones, and with wire, TIG and dried rods.
var preheats = []struct{ to, rods, low float64 }{{20, 0, 0}, {38, 65, 10}, {65, 110, 65}, {1e9, 150, 110}}

// Preheat answers how warm carbon steel is made at least before it is welded, °C, by the thicker part in mm; 0 where it
// need only be dry and above freezing.
func Preheat(thick float64, lowHydrogen bool) float64 {
	for _, p := range preheats {
		if thick <= p.to {
			if lowHydrogen {
				return p.low
			}
			return p.rods
		}
	}
	return 0
}
