package stock

// Rivet is a blind rivet of a diameter and material: lengths with their grip
// ranges, hole and strengths, mm and N.
type Rivet struct {
	Diameter float64     `json:"diameter" doc:"mm"`
	Material string      `json:"material" enum:"aluminium,steel,stainless"`
	Hole     float64     `json:"hole" doc:"mm"`
	Shear    float64     `json:"shear" doc:"N, typical least"`
	Tension  float64     `json:"tension" doc:"N, typical least"`
	Lengths  []RivetGrip `json:"lengths"`
}

// RivetGrip is one length of a rivet.
type RivetGrip struct {
	Length float64 `json:"length" doc:"mm, of the body"`
	From   float64 `json:"from" doc:"mm of grip"`
	To     float64 `json:"to" doc:"mm of grip"`
}

// RivetSource of the table.
const RivetSource = "typical: strengths about the least of ISO 15977 (aluminium), ISO 15979 (steel), ISO 15983 (stainless), grip ranges " +
	"about DIN 7337; makers differ: go by the box"

var rivetGrips = map[float64][]RivetGrip{
	3.2: {{6, 1.5, 3}, {8, 3, 5}, {10, 5, 7}, {12, 7, 9}},
	4:   {{6, 1, 2.5}, {8, 2.5, 4.5}, {10, 4.5, 6.5}, {12, 6.5, 8.5}, {16, 8.5, 12.5}},
	4.8: {{8, 2, 4}, {10, 4, 6}, {12, 6, 8}, {14, 8, 10}, {16, 10, 12}, {18, 12, 14}},
	6.4: {{12, 3, 6}, {15, 6, 9}, {18, 9, 12}, {22, 12, 16}},
}

// Rivets is the table of blind rivets.
var Rivets = rivets()

func rivets() (out []Rivet) {
	rows := []struct {
		material       string
		d, shear, pull float64
	}{
		{"aluminium", 3.2, 500, 700}, {"aluminium", 4, 850, 1200}, {"aluminium", 4.8, 1200, 1700}, {"aluminium", 6.4, 2200, 3150},
		{"steel", 3.2, 1100, 1300}, {"steel", 4, 1700, 2200}, {"steel", 4.8, 2400, 2900}, {"steel", 6.4, 4000, 4900},
		{"stainless", 3.2, 1800, 2200}, {"stainless", 4, 2700, 3500}, {"stainless", 4.8, 4000, 5000},
	}
	for _, r := range rows {
		out = append(out, Rivet{r.d, r.material, r.d + .1, r.shear, r.pull, rivetGrips[r.d]})
	}
	return out
}
