package goods

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Movement is what happens to a line.
type Movement string

// Ordered, Received: what is on its way, and what came. Counted: somebody looked. Kept, Freed:
// held for a job and given up again. Taken: used up or cut. Returned: brought back. Scrapped.
const (
	Ordered  Movement = "ordered"
	Received Movement = "received"
	Counted  Movement = "counted"
	Kept     Movement = "kept"
	Freed    Movement = "freed"
	Taken    Movement = "taken"
	Returned Movement = "returned"
	Scrapped Movement = "scrapped"
)

// Move is one entry of the ledger.
type Move struct {
	Kind  Movement `json:"kind" enum:"ordered,received,counted,kept,freed,taken,returned,scrapped"`
	Count float64  `json:"count" doc:"how many, or how much; of a count what is there now"`
	Job   string   `json:"job,omitempty" format:"uuid" doc:"it is kept for, freed by, taken for or returned from"`
	Note  string   `json:"note,omitempty" doc:"what was measured, what was wrong"`

	Measured *float64 `json:"measured,omitempty" doc:"mm, thickness of what was received; it is put into the note"`
}

// Counts is how many there are: all that lie there, on their way, and kept by job.
type Counts struct {
	Here    float64            `json:"here"`
	Ordered float64            `json:"ordered"`
	Held    map[string]float64 `json:"held" doc:"by the job's id"`
}

// Free answers how many of those here nobody keeps.
func (c Counts) Free() float64 { return c.Here - c.HeldInAll() }

// HeldInAll answers how many are kept for jobs.
func (c Counts) HeldInAll() (n float64) {
	for _, v := range c.Held {
		n += v
	}
	return n
}

// Apply answers the counts after a movement; whole ones alone where the line has only such.
// What cannot be is refused with *working.Fault: nobody takes what is kept for another job.
func (c Counts) Apply(m Move, whole bool) (Counts, error) {
	n := m.Count
	switch {
	case math.IsNaN(n) || n < 0 || n > mostCount || n == 0 && m.Kind != Counted:
		return c, working.Refuse("/count", "Say how many: more than none, at most a million.")
	case whole && n != math.Trunc(n):
		return c, working.Refuse("/count", "Only whole ones of it come and go.")
	case m.Measured != nil && (m.Kind != Received || !(*m.Measured > 0 && *m.Measured < 1000)):
		return c, working.Refuse("/measured", "A thickness is measured of what was received, in mm over nothing.")
	case len(m.Note) > mostNote:
		return c, working.Refuse("/note", "This holds up to %d characters.", mostNote)
	case (m.Kind == Kept || m.Kind == Freed) && m.Job == "":
		return c, working.Refuse("/job", "Say for which job.")
	}
	out := Counts{c.Here, c.Ordered, map[string]float64{}}
	for j, v := range c.Held {
		out.Held[j] = v
	}
	const tiny = 1e-9
	free, mine := c.Free(), c.Held[m.Job]
	switch m.Kind {
	case Ordered:
		out.Ordered += n
	case Received:
		out.Here, out.Ordered = out.Here+n, math.Max(out.Ordered-n, 0)
	case Counted:
		if n < c.HeldInAll()-tiny {
			return c, working.Refuse("/count", "%g are kept for jobs: free those that are not there first.", c.HeldInAll())
		}
		out.Here = n
	case Kept:
		if n > free+tiny {
			return c, working.Refuse("/count", "%s", short(free, c))
		}
		out.Held[m.Job] += n
	case Freed:
		if n > mine+tiny {
			return c, working.Refuse("/count", "%g of it are kept for this job.", mine)
		}
		out.Held[m.Job] -= n
	case Taken, Scrapped:
		if n > free+mine+tiny {
			return c, working.Refuse("/count", "%s", short(free+mine, c))
		}
		out.Here -= n
		out.Held[m.Job] = math.Max(mine-n, 0)
	case Returned:
		out.Here += n
	default:
		return c, working.Refuse("/kind", "%q is no movement of stock.", string(m.Kind))
	}
	for j, v := range out.Held {
		if v <= tiny || j == "" {
			delete(out.Held, j)
		}
	}
	return out, nil
}

func short(free float64, c Counts) string {
	if held := c.HeldInAll(); held > 0 {
		return fmt.Sprintf("Only %g of %g are free: the others are kept for other jobs.", free, c.Here)
	}
	return fmt.Sprintf("Only %g are here.", c.Here)
}
