package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Rating is what a rating label says: for what, what was proved, and what was not.
type Rating struct {
	Job      string
	Duty     string
	Kind     load.DutyKind
	On       string
	Newtons  float64 // N, 0 of an acceleration
	Way      string
	School   string
	Proved   []Proof
	Governs  string // hardest of all, with its case
	Crash    string // as answered
	Cautions []string
}

// Proof is one thing that was asked under the duty.
type Proof struct {
	Name string
	Use  float64 // largest share used
	What string  // of what, in which case
}

// Rate answers the label of a duty. It is refused while anything under the duty is
// over or cannot be said statically, and while a crash case is not answered.
func (s Site) Rate(duty string) (Rating, error) {
	h := s.Hold()
	var t *DutyTold
	var d *brief.Duty
	for i := range h.Duties {
		if h.Duties[i].ID == duty {
			t, d = &h.Duties[i], &s.Brief.Duties[i]
		}
	}
	if t == nil {
		return Rating{}, ErrNoSuch
	}
	if t.Why != "" {
		return Rating{}, working.Refuse("", "There is no label for %s: %s", d.Titled(), t.Why)
	}
	r := Rating{Job: s.Brief.Name, Duty: d.Titled(), Kind: d.Kind, On: t.On, Newtons: t.Newtons, Way: wayWords(d.Way),
		School: string(s.Brief.Strength.School), Crash: s.Brief.Answers.Crash}
	p := proving{s: s, h: h, ids: []string{d.On.Of}, hardest: -1, out: &r}
	for _, a := range t.Asked {
		p.ask(a)
	}
	if why := s.heldBy(p.ids); why != "" {
		p.open = append(p.open, why)
	}
	if n := len(p.open); n > 0 {
		more := ""
		if n > 4 {
			more = fmt.Sprintf("; and %d more", n-4)
		}
		return Rating{}, working.Refuse("", "There is no label while anything under %s is over or cannot be said: %s%s.", d.Titled(),
			strings.Join(p.open[:min(4, n)], "; "), more)
	}
	if t.Caution != "" {
		r.Cautions = append(r.Cautions, t.Caution)
	}
	return r, nil
}

// proving gathers what stands under a duty: the ids of all it touches, and what
// is over or cannot be said.
type proving struct {
	s       Site
	h       Holding
	ids     []string
	open    []string
	hardest float64
	out     *Rating
}

// ask takes the answer of one thing that was asked under the duty.
func (p *proving) ask(a DutyAsked) {
	switch a.Kind {
	case "bracket":
		for _, m := range p.h.Mounts {
			if m.Mount.ID == a.ID {
				p.ids = append(p.ids, m.Mount.Part)
				p.take(a.Name, m.Result.Checks, m.Beside)
			}
		}
	case "joint":
		for i, j := range p.h.Joints {
			if j.ID != a.ID {
				continue
			}
			p.ids = append(p.ids, p.s.Brief.Joints[i].Part)
			for _, side := range p.s.Brief.Joints[i].Sides {
				p.ids = append(p.ids, side.Of)
			}
			if j.Result != nil {
				p.take(a.Name, j.Result.Checks, j.Beside)
			} else {
				p.open = append(p.open, a.Name+": "+j.Why)
			}
		}
	case "seams":
		for i, w := range p.h.Welded {
			if w.ID != a.ID {
				continue
			}
			for _, side := range p.s.Brief.Welded[i].Sides {
				p.ids = append(p.ids, side.Of)
			}
			if w.Result == nil {
				p.open = append(p.open, a.Name+": "+w.Why)
				continue
			}
			p.take(a.Name, w.Result.Checks, w.Beside)
			for _, f := range w.Findings {
				if f.Severity == working.Stop {
					p.open = append(p.open, a.Name+": "+f.Reason)
				}
			}
		}
	case "frame":
		for _, f := range p.s.Frames {
			if f.ID != a.ID {
				continue
			}
			p.ids = append(p.ids, f.ID)
			held := workFrame(p.s.Until, f.Doc, f.ID, f.Quantity, p.s.Brief, p.s.Shop, p.s.open().from.ForFrame(f.Doc),
				p.h.Path.frames[f.ID]).Hold
			if held.Why != "" {
				p.open = append(p.open, a.Name+": "+held.Why)
				continue
			}
			p.take(a.Name, held.Ledger, held.Beside)
		}
	}
}

func (p *proving) take(name string, checks []strength.Check, beside []brief.Beside) {
	proof := Proof{Name: name}
	for _, c := range checks {
		switch {
		case c.Verdict == strength.Over || c.Verdict == strength.CannotSay:
			p.open = append(p.open, fmt.Sprintf("%s: %s %s", name, strings.ToLower(c.Name), c.Verdict))
		case c.Utilisation != nil && *c.Utilisation > proof.Use:
			proof.Use, proof.What = *c.Utilisation, strings.TrimSuffix(c.Name+", "+c.Case, ", ")
		}
	}
	for _, b := range beside {
		if b.Key == "crash" && b.Verdict == strength.CannotSay {
			p.open = append(p.open, name+": crash is not answered")
		}
	}
	if proof.Use > p.hardest {
		p.hardest, p.out.Governs = proof.Use, name+": "+proof.What
	}
	p.out.Proved = append(p.out.Proved, proof)
}

// wayWords says a way in the vehicle's words.
func wayWords(v solid.Vector) string {
	l := v.Len()
	if l < 1e-9 {
		return ""
	}
	var out []string
	for k, w := range [3][2]string{{"rearward", "forward"}, {"right", "left"}, {"down", "up"}} {
		share := v[k] / l
		if math.Abs(share) < .05 {
			continue
		}
		word := w[0]
		if share > 0 {
			word = w[1]
		}
		out = append(out, fmt.Sprintf("%.0f° from %s", math.Acos(math.Min(1, math.Abs(share)))*180/math.Pi, word))
	}
	if len(out) == 1 {
		return strings.TrimPrefix(out[0], "0° from ")
	}
	return strings.Join(out, ", ")
}
