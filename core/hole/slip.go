package hole

import (
	"fmt"
	"math"
)

// Known is what a tape slips by on this job.
type Known struct {
	Diameters []float64 // of the two holes of the reading, mm
	Hook      float64   // thickness of the tape's hook, mm
	Plates    []float64 // thicknesses about, mm
}

// Slip is a likely reason for a wrong reading.
type Slip struct {
	Amount float64 `json:"amount" doc:"mm the slip is worth"`
	Words  string  `json:"words"`
}

// NameSlip answers the likely slips behind a reading that is off by error
// (measured − true, mm), nearest first. within is how near an amount must be.
func NameSlip(off, within float64, k Known) (out []Slip) {
	sign := "too long"
	if off < 0 {
		sign = "too short"
	}
	size := math.Abs(off)
	add := func(amount float64, words string) {
		if amount <= 0 || size < amount/2 || math.Abs(size-amount) > within {
			return
		}
		for _, s := range out {
			if math.Abs(s.Amount-amount) < 1e-9 {
				return
			}
		}
		out = append(out, Slip{amount, words + ", read " + sign})
	}
	for i, d := range k.Diameters {
		add(d/2, fmt.Sprintf("half the diameter of hole %c (%.1f mm): its edge taken for its centre", 'A'+i, d/2))
	}
	if len(k.Diameters) == 2 {
		add((k.Diameters[0]+k.Diameters[1])/2, "half of both diameters: edge to edge taken for centre to centre")
		add(math.Abs(k.Diameters[0]-k.Diameters[1])/2, "half the difference of the diameters: same edge to same edge of holes that differ")
	}
	for i, d := range k.Diameters {
		add(d, fmt.Sprintf("the diameter of hole %c (%.1f mm): its far edge taken for its near one", 'A'+i, d))
	}
	add(25.4, "exactly an inch: the tape started at the inch mark, or was read in the wrong inch")
	add(304.8, "exactly a foot: read past a foot mark")
	add(10, "exactly 10 mm: the wrong centimetre was read")
	add(100, "exactly 100 mm: the tape started at the 100 mark, or was read in the wrong ten")
	add(50, "exactly 50 mm: read from the wrong mark")
	add(k.Hook, "the tape's hook: pushed where it was to be pulled")
	for _, p := range k.Plates {
		add(p, fmt.Sprintf("a plate's thickness (%.1f mm): the other face was taken", p))
	}
	for i := range out { // nearest first, few as they are
		for j := i; j > 0 && math.Abs(size-out[j].Amount) < math.Abs(size-out[j-1].Amount)-1e-9; j-- {
			out[j], out[j-1] = out[j-1], out[j]
		}
	}
	return out
}
