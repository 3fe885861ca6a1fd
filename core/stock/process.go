package stock

import "fmt"

// Process is a way to cut sheet. Kerf in mm; SmallestHole answers the least
// diameter that comes out round, in mm, for a thickness in mm.
type Process struct {
	Key    string  `json:"key"`
	Name   string  `json:"name"`
	Kerf   float64 `json:"kerf" doc:"mm"`
	PerT   float64 `json:"perThickness" doc:"smallest hole as a multiple of thickness"`
	Least  float64 `json:"least" doc:"smallest hole whatever the thickness, mm"`
	Within float64 `json:"within" doc:"mm, how true an edge comes out; practice"`
	Source string  `json:"source"`
}

// Processes is the table of cutting processes: usual limits, to be replaced by
// the shop's own trials.
var Processes = []Process{
	{"plasma", "Plasma table", 1.5, 1, 3, .8, "practice: a hole under the thickness tapers and washes out"},
	{"laser", "Laser", .2, .5, 1, .2, "practice: half to one thickness, by machine"},
	{"waterjet", "Water jet", 1, 0, 2, .2, "practice: about 1 mm over the kerf"},
	{"punch", "Punch", 0, 1, 2, .2, "practice: a punch under the thickness breaks"},
	{"hand", "Saw, shear and drill", 1, 0, 1, 1, "practice: drills from 1 mm"},
}

// ProcessByKey finds a process.
func ProcessByKey(key string) (Process, error) {
	for _, p := range Processes {
		if p.Key == key {
			return p, nil
		}
	}
	return Process{}, fmt.Errorf("cutting process %q is not in the table", key)
}

// SmallestHole answers the smallest hole in mm for a thickness in mm.
func (p Process) SmallestHole(thickness float64) float64 {
	return max(p.PerT*thickness, p.Least)
}
