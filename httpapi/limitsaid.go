package httpapi

import (
	"fmt"
	"strings"
)

// limitsSaid tells whoever writes to the interface what a request may come to. What only
// the core counts is refused with its number and the limit (docs/steady.md).
func limitsSaid() string {
	lines := []string{
		fmt.Sprintf("A request has up to %d MB, a drawing %d MB, a job's file %d MB.", maxBody>>20, maxTraced>>20, maxJobFile>>20),
		fmt.Sprintf("Work on one thing is given up after %v, on a whole job, drawing or frame after %v, with 422.", budget[brisk], budget[whole]),
		fmt.Sprintf("Of one person up to %d of either kind wait in line; more are refused with 429. GET /api/v1/line tells how it stands.", waitingRoom),
		"What takes longer, bringing in a job's file and packing one, is a task: POST answers it at once, GET /api/v1/tasks/{id} tells how far it is.",
		"503: the database cannot be reached; 507: its disk is full. Both pass, and what was asked can be asked again.",
	}
	return strings.Join(lines, "\n")
}
