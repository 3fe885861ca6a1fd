package paper

import (
	"fmt"
	"strings"
	"time"
)

// TorqueSheet is what is tightened on a job, to be ticked off.
type TorqueSheet struct {
	Job      string
	Revision int
	Date     time.Time
	Paper    Size
	Inches   bool // torque in lbf·ft beside N·m, miles for km
	Write    func(mm float64) string
	Joints   []TorqueJoint
}

// TorqueJoint is one joint of it. Torque in N·mm, 0 where none is known.
type TorqueJoint struct {
	Name     string
	Hardware []string
	Torque   float64
	Lubed    string
	Limited  string
	Locking  string
	Places   []string // names of its places, where it has several
	Sequence []int
	Bolts    [][2]float64 // mm, in the joint's axes
	Keep     []string
	Mind     []string // what must be looked at, cautions first
}

// PDF prints a block for each joint with a row for each bolt: tightened, the
// witness line drawn, and two times again.
func (s TorqueSheet) PDF() ([]byte, error) {
	p := &sheetPrinter{pages: newPages(s.Paper, s.Date, s.Job+", torque sheet")}
	p.kind = "Torque sheet"
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s  ·  tightened by ____________", s.Job, s.Revision, s.Date.Format("2006-01-02"))
	p.first = "While it is fitted: what hangs on one bolt turns and falls. Hold it up until its second bolt is in and nipped tight; under a " +
		"vehicle, stands on firm ground and wheels chocked, never a jack alone."
	p.next()
	for _, t := range s.Joints {
		s.print(p, t)
	}
	p.room(10)
	p.put(edge, p.y, 8, "", "A torque wrench scatters the preload by about 30 %. This sheet approves nothing: local rules and a licensed "+
		"engineer decide.")
	return p.bytes()
}

func (s TorqueSheet) print(p *sheetPrinter, t TorqueJoint) {
	p.room(46)
	p.put(edge, p.y+3, 13, "B", t.Name)
	torque := "no torque by number"
	if t.Torque > 0 {
		torque = fmt.Sprintf("%.3g N·m", t.Torque/1000)
		if s.Inches {
			torque += fmt.Sprintf("  (%.3g lbf·ft)", t.Torque/1355.818)
		}
		torque += ", thread " + t.Lubed
	}
	p.y += 9
	p.put(edge, p.y, 11, "B", torque)
	p.y += 5.5
	note := func(text, style string) {
		p.SetFont("go", style, 9)
		for _, line := range p.SplitText(text, p.w-2*edge) {
			p.room(5)
			p.put(edge, p.y, 9, style, line)
			p.y += 4.2
		}
	}
	if t.Limited != "" {
		note("Lowered: "+t.Limited+".", "")
	}
	note(strings.Join(t.Hardware, ";  "), "")
	if t.Locking != "" {
		note("Locked by "+t.Locking+".", "")
	}
	for _, m := range t.Mind {
		note(m, "B")
	}
	p.y += 1.5
	p.room(12)
	if len(t.Sequence) > 0 {
		p.heads(s.rows())
	}
	places := t.Places
	if len(places) == 0 {
		places = []string{""}
	}
	for _, place := range places {
		for k, i := range t.Sequence {
			at := t.Bolts[i]
			p.row(s.rows(), []string{place, fmt.Sprint(k + 1), fmt.Sprint(i + 1), s.Write(at[0]) + ", " + s.Write(at[1]), "", "", "", "", ""})
		}
	}
	p.y += 1
	for _, text := range t.Keep {
		note(text, "")
	}
	p.y += 5
}

func (s TorqueSheet) rows() SurveySection {
	soon, later := "after 50 km", "after 500 km"
	if s.Inches {
		soon, later = "after 30 miles", "after 300 miles"
	}
	return SurveySection{Heads: []string{"place", "order", "bolt", "at", "half", "full", "line drawn", soon, later},
		Widths: []float64{.13, .06, .06, .19, .1, .1, .11, .12, .13}}
}
