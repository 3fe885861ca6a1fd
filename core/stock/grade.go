package stock

import "fmt"

// Grade is one strength class of bolts over a range of sizes. Stresses in MPa.
// Stainless classes have no proof stress: their 0.2 % stress stands in for it.
type Grade struct {
	Name      string  `json:"name"`
	System    System  `json:"system" enum:"inch,metric"`
	From      float64 `json:"from" doc:"mm, over this nominal diameter"`
	UpTo      float64 `json:"upTo" doc:"mm, up to this one"`
	Proof     float64 `json:"proof" doc:"MPa"`
	Yield     float64 `json:"yield" doc:"MPa, minimum"`
	Tensile   float64 `json:"tensile" doc:"MPa, minimum"`
	Stainless bool    `json:"stainless,omitempty"`
	Source    string  `json:"source"`
}

const ksi = 6.894757293168361

// Grades lists the classes, weakest first within a system.
var Grades = []Grade{
	{"SAE 2", Inch, 6.3, 19.1, 55 * ksi, 57 * ksi, 74 * ksi, false, "SAE J429, 1/4 to 3/4 in"},
	{"SAE 2", Inch, 19.1, 38.2, 33 * ksi, 36 * ksi, 60 * ksi, false, "SAE J429, over 3/4 in"},
	{"SAE 5", Inch, 6.3, 25.5, 85 * ksi, 92 * ksi, 120 * ksi, false, "SAE J429, 1/4 to 1 in"},
	{"SAE 8", Inch, 6.3, 38.2, 120 * ksi, 130 * ksi, 150 * ksi, false, "SAE J429, 1/4 to 1 1/2 in"},
	{"A2-70", Metric, 1.5, 24, 450, 450, 700, true, "ISO 3506-1; 0.2 % stress in place of a proof stress"},
	{"A4-70", Metric, 1.5, 24, 450, 450, 700, true, "ISO 3506-1; 0.2 % stress in place of a proof stress"},
	{"A4-80", Metric, 1.5, 24, 600, 600, 800, true, "ISO 3506-1; 0.2 % stress in place of a proof stress"},
	{"8.8", Metric, 1.5, 16, 580, 640, 800, false, "ISO 898-1, to M16"},
	{"8.8", Metric, 16, 39, 600, 660, 830, false, "ISO 898-1, over M16"},
	{"10.9", Metric, 1.5, 39, 830, 940, 1040, false, "ISO 898-1"},
	{"12.9", Metric, 1.5, 39, 970, 1100, 1220, false, "ISO 898-1"},
}

// FindGrade answers the class as it is at a thread's size.
func FindGrade(t Thread, name string) (Grade, error) {
	known, sizes := false, ""
	for _, g := range Grades {
		if g.Name != name {
			continue
		}
		known = true
		if g.System != t.System {
			return Grade{}, fmt.Errorf("%s is a class of %s bolts and %s is %s", name, g.System, t.Name(), t.System)
		}
		if t.Diameter > g.From+1e-6 && t.Diameter <= g.UpTo+1e-6 {
			return g, nil
		}
		sizes = g.Source
	}
	if known {
		return Grade{}, fmt.Errorf("%s does not exist at %s (%s)", name, t.Size, sizes)
	}
	return Grade{}, fmt.Errorf("%q is not a bolt class here: take one of SAE 2, SAE 5, SAE 8, 8.8, 10.9, 12.9, A2-70, A4-70, A4-80", name)
}
