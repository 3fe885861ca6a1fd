package joint

import (
	"fmt"
	"slices"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Substitute is another bolt that may lie in the bins, and what taking it means.
type Substitute struct {
	Name    string           `json:"name"`
	Note    string           `json:"note"`
	Torque  *float64         `json:"torque" doc:"N·mm; null when it cannot be said"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest *float64         `json:"hardest" doc:"largest share used then"`
	Working *working.Working `json:"working,omitempty" doc:"of the torque"`
	Fix     working.Fix      `json:"fix"`
}

// class is what a class may be swapped for, and what to mind.
type class struct{ name, note string }

var classes = map[string][]class{
	"8.8":   {{"10.9", "stronger, to its own torque; nuts of class 10"}, {"A2-70", "does not rust; it galls: antiseize, and its own torque"}, {"A4-80", "does not rust near salt; it galls: antiseize, and its own torque"}},
	"10.9":  {{"8.8", "weaker"}, {"12.9", "breaks late and without warning where it rusts: plain or zinc flake, never electroplated"}},
	"12.9":  {{"10.9", "weaker, tougher"}},
	"A2-70": {{"A4-70", "as strong, does not rust near salt"}, {"8.8", "stronger; it rusts: coat it"}},
	"A4-70": {{"A4-80", "stronger"}, {"8.8", "stronger; it rusts: coat it"}},
	"A4-80": {{"A4-70", "weaker"}, {"8.8", "about as strong; it rusts: coat it"}},
	"SAE 2": {{"SAE 5", "stronger, to its own torque"}},
	"SAE 5": {{"SAE 8", "stronger, to its own torque"}, {"SAE 2", "weaker"}},
	"SAE 8": {{"SAE 5", "weaker"}},
}

// across is the class of the other system that is about as strong.
var across = map[string]string{"8.8": "SAE 5", "10.9": "SAE 8", "SAE 5": "8.8", "SAE 8": "10.9"}

// Instead answers what else may be taken, each worked out whole: first in the cases that
// rule now, and where it is not over there, in all of them. Nothing for pins, screws and
// rivets.
func Instead(in Input, now Result) []Substitute {
	out := []Substitute{}
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if !in.Nut.Threaded() || err != nil {
		return out
	}
	in.trying = true
	ruling := in.ruling(now)
	if len(ruling) == 0 {
		return out
	}
	try := func(name, note string, to Input, f working.Fix) {
		quick := to
		quick.Cases = ruling
		r, err := Work(quick)
		if err == nil && r.Verdict != strength.Over && len(ruling) < len(to.Cases) {
			r, err = Work(to)
		}
		if err != nil {
			return // it does not exist at this size, or does not go through
		}
		s := Substitute{Name: name, Note: note, Verdict: r.Verdict, Hardest: r.Hardest, Fix: f}
		if r.Tight != nil {
			s.Torque, s.Working = &r.Tight.Torque, &r.Tight.Working
		}
		out = append(out, s)
	}
	for _, c := range classes[in.Grade] {
		to := in
		to.Grade = c.name
		try(fmt.Sprintf("%s of class %s", t.Name(), c.name), c.note, to, fix("Take "+c.name, "/grade", c.name))
	}
	k := slices.IndexFunc(stock.Threads, func(o stock.Thread) bool { return o.Coarse && o.System != t.System && o.Size == t.Lookalike() })
	if grade := across[in.Grade]; k >= 0 && grade != "" && !in.Nut.Captive() {
		other := stock.Threads[k]
		to := in
		to.System, to.Size, to.Pitch, to.Grade, to.Washer = other.System, other.Size, 0, grade, 0
		try(fmt.Sprintf("%s of class %s", other.Name(), grade),
			fmt.Sprintf("with its own nuts and spanners: it starts in a nut of %s and strips there", t.Name()), to,
			fix("Take "+other.Name(), "/system", other.System, "/size", other.Size, "/pitch", 0., "/grade", grade, "/washer", 0.))
	}
	return out
}
