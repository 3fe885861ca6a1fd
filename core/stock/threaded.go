package stock

// Threaded is what a bolt may be screwed into.
type Threaded struct {
	Name    string  `json:"name"`
	Tensile float64 `json:"tensile" doc:"MPa, minimum"`
	Source  string  `json:"source"`
}

// nutsAndCastings are what takes a thread besides the sheet materials. A nut of a class
// holds a bolt of that class until it breaks.
var nutsAndCastings = []Threaded{
	{"nut of class 8", 800, "ISO 898-2: proof load of the class with bolts of class 8.8"},
	{"nut of class 10", 1040, "ISO 898-2: proof load of the class with bolts of class 10.9"},
	{"stainless nut A2-70", 700, "ISO 3506-2"},
	{"grey cast iron", 200, "EN 1561, EN-GJL-200, minimum"},
}

// ThreadedInto lists what a bolt may be screwed into: nuts, castings, and every sheet
// material at its own strength.
func ThreadedInto() []Threaded {
	out := append([]Threaded{}, nutsAndCastings...)
	for _, m := range Materials {
		out = append(out, Threaded{m.Name, m.Tensile, m.Source})
	}
	return out
}
