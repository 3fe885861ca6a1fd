package shop

import (
	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// Bow is how far something bowed when it was welded, beside what was estimated.
type Bow struct {
	ID       string  `json:"id"`
	Name     string  `json:"name,omitempty" doc:"what it was"`
	Guessed  float64 `json:"guessed" doc:"mm"`
	Measured float64 `json:"measured" doc:"mm"`
}

func (b Bow) check(at string, ids map[string]bool) error {
	if err := own(at, b.ID, ids); err != nil {
		return err
	}
	return working.First(text(at+"/name", b.Name, brief.MaxName), working.Above(at+"/guessed", "The estimate", b.Guessed, 0, 1000, "mm"),
		working.Within(at+"/measured", "What was measured", b.Measured, 0, 1000, "mm"))
}

// Bowing answers how many times the estimates things bowed here, by the sums of both, and of how many; 1 and 0 where
// nobody measured.
func (s Shop) Bowing() (times float64, of int) {
	guessed, measured := 0., 0.
	for _, b := range s.Bows {
		guessed, measured = guessed+b.Guessed, measured+b.Measured
	}
	if guessed <= 0 {
		return 1, 0
	}
	return measured / guessed, len(s.Bows)
}
