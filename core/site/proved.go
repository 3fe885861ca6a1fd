package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/member/held"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// stood is all that is said of the things of a job, to set a change against.
type stood struct {
	said  map[string]Said
	stops map[string]int // of joints, findings that stop
}

// stand asks everything of the job.
func (s Site) stand() stood { return s.stoodIn(s.Hold()) }

// stoodIn answers the same of strength that is worked out already.
func (s Site) stoodIn(h Holding) stood {
	out := stood{s.Said(h), map[string]int{}}
	for _, j := range h.Joints {
		if j.Result == nil {
			continue
		}
		for _, f := range j.Result.Findings {
			if f.Severity == working.Stop {
				out.stops[j.ID]++
			}
		}
	}
	for _, w := range h.Welded {
		for _, f := range w.Findings {
			if f.Severity == working.Stop {
				out.stops[w.ID]++
			}
		}
	}
	return out
}

// worse answers what a change makes worse, in words, "" where nothing: a worse verdict,
// more used of what is tight already, stops that were not there, or what can no longer
// be worked out. Brackets, joints and frames alike.
func (was stood) worse(now stood, but string) string {
	ids := make([]string, 0, len(now.said))
	for id := range now.said {
		ids = append(ids, id)
	}
	slices.Sort(ids)
	for _, id := range ids {
		a, known := was.said[id]
		b := now.said[id]
		b.Why = strings.TrimSuffix(b.Why, ".")
		if id == but || !known {
			continue
		}
		switch {
		case strength.Worse(b.Verdict, a.Verdict):
			return fmt.Sprintf("It makes %s %s: %s.", b.Name, b.Verdict, b.Why)
		case a.Use != nil && b.Use != nil && *b.Use > strength.TightFrom && *b.Use > *a.Use+1e-6:
			return fmt.Sprintf("It makes %s work harder, and that is tight already: %s.", b.Name, b.Why)
		case a.Use != nil && b.Use == nil:
			return fmt.Sprintf("It leaves %s without a number: %s.", b.Name, b.Why)
		case now.stops[id] > was.stops[id]:
			return fmt.Sprintf("It brings a stop to %s.", b.Name)
		}
	}
	return ""
}

// Sections tries other sections in all members of one stock of a frame, each that holds
// proved through the joints, brackets and other frames of the job too.
func (s Site) Sections(p Frame, stock string) []held.Option {
	f := s.Framed(p)
	list := held.Compare(p.Doc, f.Surveyed, f.Asked(), stock)
	if len(s.Brief.Joints)+len(s.Brief.Welded)+len(s.Brief.Mounts) == 0 {
		return list // nothing else to touch
	}
	before := s.with(p).stand()
	sideBySide(s.Until, len(list), func(i int) {
		o := &list[i]
		if o.Now || strength.Worse(o.Verdict, strength.Tight) {
			return
		}
		d := held.Swapped(p.Doc, stock, *o)
		next := p
		next.Doc = d
		after := s.with(next).stand()
		if why := before.worse(after, p.ID); why != "" {
			o.Verdict, o.Why = strength.Over, why
		}
	})
	held.MarkLightest(list)
	return list
}

// with answers the site with a frame in the place of the one with its id.
func (s Site) with(p Frame) Site {
	frames := slices.DeleteFunc(slices.Clone(s.Frames), func(f Frame) bool { return f.ID == p.ID })
	s.Frames = append(frames, p)
	return s
}
