package strength

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Mode is one way a thing may give way, asked of every case. C is a case as its
// form shares it: a force spread over bolts, a frame solved.
//
// A mode ends in one of three ways. Eval gives a number in every case: answered.
// Needless says why it need not be asked. Missing says what is not known and what
// to do. A mode without any of them cannot say.
type Mode[C any] struct {
	Key, Name, Unit string
	Feature, Where  string
	Needless        string // why it need not be answered, in words; "" where it must
	Missing         string // what is not known, and what to do
	Idle            string // said when no case asks anything of it; "Nothing asks it in any case." when left out
	Also            string // what its number leaves out, said beside it
	Eval            func(c *C) Hit
	// Unsure says why a case cannot be answered although others are; "" where it can.
	Unsure  func(c *C) string
	Explain func(c *C, h Hit) working.Working
	Spot    func(c *C, h Hit) (feature, where string) // place of the hit, where it is one of several
}

// Hit is what one case asks of a mode, and what there is. At is the bolt, station
// or line it happens at. Gone, when set, says in words why there is nothing to
// carry it at all: that is over, whatever the numbers.
type Hit struct {
	Demand, Capacity float64
	At               int
	Gone             string
}

// Share answers demand over capacity; infinite where something is asked and there
// is nothing, 0 where nothing is asked.
func (h Hit) Share() float64 {
	switch {
	case math.IsNaN(h.Demand) || math.IsNaN(h.Capacity):
		return math.NaN()
	case h.Gone != "":
		return math.Inf(1)
	case h.Demand <= 0:
		return 0
	case h.Capacity <= 0:
		return math.Inf(1)
	}
	return h.Demand / h.Capacity
}

// Hardest answers the hardest hit of each of n places in a case.
func HardestOf(n int, at func(i int) (demand, capacity float64)) Hit {
	best, share := Hit{}, 0.
	for i := range n {
		d, c := at(i)
		h := Hit{Demand: d, Capacity: c, At: i}
		if s := h.Share(); i == 0 || s > share || math.IsNaN(s) {
			best, share = h, s
			if math.IsNaN(s) {
				return best
			}
		}
	}
	return best
}

// Hardest asks every mode of every case and answers one check a mode, in their
// order. It is the only engine: brackets, joints and frames go through it. name
// answers what a case is called.
//
// A case whose number is none (NaN, infinite) makes its mode cannot say: a number
// that is lost is no answer. So does one that a mode is unsure of, unless another
// case is over already.
func Hardest[C any](modes []Mode[C], cases []C, name func(c *C) string) []Check {
	out := make([]Check, len(modes))
	for i := range modes {
		out[i] = modes[i].ask(cases, name)
	}
	return out
}

const idleDemand = 1e-9 // N, N·mm, MPa or share under which nothing is asked

func (m *Mode[C]) ask(cases []C, name func(c *C) string) Check {
	c := Check{Key: m.Key, Name: m.Name, Feature: m.Feature, Where: m.Where, Unit: m.Unit, Verdict: CannotSay}
	switch {
	case m.Missing != "":
		c.Why = m.Missing
		return c
	case m.Needless != "":
		c.Verdict, c.Why = NotNeeded, m.Needless
		return c
	case m.Eval == nil:
		c.Why = "No method is there for it: ask an engineer."
		return c
	case len(cases) == 0:
		c.Why = "No load is given: say what pulls on it."
		return c
	}
	worst, share, at, unsure := Hit{}, 0., 0, ""
	for k := range cases {
		h := m.Eval(&cases[k])
		s := h.Share()
		if math.IsNaN(s) || math.IsInf(h.Demand, 0) {
			c.Case, c.Why = name(&cases[k]), fmt.Sprintf("In the case %s no number came out: look at its loads and places.", name(&cases[k]))
			return c
		}
		if m.Unsure != nil && unsure == "" {
			if why := m.Unsure(&cases[k]); why != "" {
				unsure = fmt.Sprintf("In the case %s: %s", name(&cases[k]), why)
			}
		}
		if k == 0 || s > share {
			worst, share, at = h, s, k
		}
	}
	c.Case, c.Demand, c.Capacity = name(&cases[at]), worst.Demand, worst.Capacity
	if m.Spot != nil {
		c.Feature, c.Where = m.Spot(&cases[at], worst)
	}
	if m.Explain != nil {
		w := m.Explain(&cases[at], worst)
		c.Working = &w
	}
	switch {
	case worst.Gone != "":
		c.Verdict, c.Why = Over, worst.Gone
		return c
	case worst.Demand <= idleDemand || math.IsInf(worst.Capacity, 1):
		c.Verdict, c.Why, c.Case, c.Working = NotNeeded, m.Idle, "", nil
		if worst.Demand > idleDemand {
			c.Why = "It is held so near to where it is pulled that nothing of it gives way between."
		}
		c.Demand = 0
		if math.IsInf(c.Capacity, 1) {
			c.Capacity = 0
		}
		if c.Why == "" {
			c.Why = "Nothing asks it in any case."
		}
		if unsure != "" {
			c.Verdict, c.Why = CannotSay, unsure
		}
		return c
	}
	c.Utilisation, c.Verdict = Judge(worst.Demand, worst.Capacity)
	if c.Why = m.Also; c.Utilisation == nil {
		c.Verdict, c.Why = Over, "There is nothing to set against it: look at the edges, the holes and the material."
	}
	if unsure != "" && c.Verdict != Over {
		c.Verdict, c.Why = CannotSay, unsure
	}
	return c
}
