package frame

import (
	"warmanvil/core/linear"
	"warmanvil/core/working"
)

// What solving a frame may take. A lattice of 2 000 nodes takes a quarter of it; what
// takes more are frames whose members run from anywhere to anywhere.
const (
	maxProducts     = 6e9 // multiplications of a factorisation
	maxCoefficients = 12e6
	maxRoom         = 12e6 // numbers held beside the factor
	maxSearch       = 1e10 // multiplications of a search for frequencies, or for buckling
)

// affordable refuses a frame that would take too much, before the work is begun.
func affordable(c linear.Cost) error {
	if c.Products <= maxProducts && c.Coefficients <= maxCoefficients && c.Room <= maxRoom {
		return nil
	}
	return working.Refuse("/members", "The members of this frame tie its nodes together so closely that solving it takes %.0f million "+
		"multiplications and %.0f million numbers; up to %.0f and %.0f million are taken. Leave out members between far nodes, or solve "+
		"the frame in parts.", c.Products/1e6, (c.Coefficients+c.Room)/1e6, maxProducts/1e6, (maxCoefficients+maxRoom)/1e6)
}
