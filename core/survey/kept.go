package survey

import "math"

// Kept says whether what was read keeps to what is allowed, and whether the reading is fine
// enough to know.
type Kept string

// Proved: even the reading's uncertainty does not reach past what is allowed. AsRead: within
// it, but the reading alone could be off by more than is left. Unsure: past it, by less than
// the reading can be off. Past: past it.
const (
	Proved Kept = "proved"
	AsRead Kept = "as read"
	Unsure Kept = "unsure"
	Past   Kept = "past"
)

// Keeps judges how far something is off against what is allowed, by twice the standard
// uncertainty; all in the same unit.
func Keeps(off, allow, sigma float64) Kept {
	off = math.Abs(off)
	switch {
	case off+2*sigma <= allow:
		return Proved
	case off <= allow:
		return AsRead
	case off-2*sigma <= allow:
		return Unsure
	}
	return Past
}

// worst answers the one of two that says least good.
func worst(a, b Kept) Kept {
	rank := map[Kept]int{Proved: 0, AsRead: 1, Unsure: 2, Past: 3}
	if rank[b] > rank[a] {
		return b
	}
	return a
}
