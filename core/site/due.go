package site

import (
	"warmanvil/core/strength"
)

// Unsettled counts brackets and joints that are over or cannot be said.
func (h Holding) Unsettled() (n int) {
	for _, m := range h.Mounts {
		if strength.Worse(m.Verdict, strength.Tight) {
			n++
		}
	}
	for _, j := range h.Joints {
		if j.Result == nil || strength.Worse(j.Result.Verdict, strength.Tight) {
			n++
		}
	}
	for _, w := range h.Welded {
		if strength.Worse(w.Verdict, strength.Tight) {
			n++
		}
	}
	return n
}
