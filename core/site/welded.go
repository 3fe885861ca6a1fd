package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// WeldedTold is a welded joint worked out.
type WeldedTold struct {
	ID       string            `json:"id"`
	Name     string            `json:"name"`
	Why      string            `json:"why,omitempty" doc:"why it cannot be worked out"`
	Seams    []SeamTold        `json:"seams" doc:"where its seams run"`
	Sketch   [][]solid.Vector  `json:"sketch" doc:"mm, outlines of what they join"`
	Placed   bool              `json:"placed" doc:"they lie in the vehicle's axes, in those of the first part otherwise"`
	Result   *weld.SeamsHeld   `json:"result" doc:"null when it cannot be worked out"`
	Verdict  strength.Verdict  `json:"verdict" enum:"holds,tight,over,cannot say"`
	Beside   []brief.Beside    `json:"beside" doc:"what the checks leave out"`
	Findings []working.Finding `json:"findings"`
}

// SeamTold is a seam where it runs.
type SeamTold struct {
	ID    string           `json:"id"`
	Name  string           `json:"name"`
	Path  []solid.Vector   `json:"path" doc:"mm"`
	Runs  [][]solid.Vector `json:"runs" doc:"mm, what of it is welded"`
	Dots  bool             `json:"dots,omitempty" doc:"it is plugs or spots at the places of its path"`
	Long  float64          `json:"long" doc:"mm, of the line"`
	Laid  float64          `json:"laid" doc:"mm that are welded, both sides counted"`
	Least float64          `json:"least" doc:"mm, least leg on what it joins"`
	Most  float64          `json:"most" doc:"mm, largest leg along its edge"`
	How   SeamHow          `json:"how"`
}

// tellWelded works the job's welded joints out.
func (s *site) tellWelded(path Pathway) []WeldedTold {
	out := make([]WeldedTold, len(s.Brief.Welded))
	sideBySide(s.Until, len(out), func(i int) { out[i] = s.tellSeams(s.Brief.Welded[i], path) })
	return out
}

func (s *site) tellSeams(w brief.Welded, path Pathway) WeldedTold {
	t := WeldedTold{ID: w.ID, Name: w.Name, Seams: []SeamTold{}, Sketch: [][]solid.Vector{}, Beside: []brief.Beside{},
		Findings: []working.Finding{},
		Verdict:  strength.CannotSay}
	x, stands := path.seated[w.ID]
	if !stands {
		x = s.seat(w, nil)
	}
	if t.Why = x.why; x.why != "" {
		return t
	}
	t.Placed, t.Sketch = x.placed, s.seamSketch(&x)
	for _, seam := range x.seams {
		t.Seams = append(t.Seams, s.seamTold(&x, seam))
	}
	t.Findings = append(append(t.Findings, s.seamFlags(&x)...), s.bolted(w, path)...)
	ask := weld.SeamsAsk{Seams: x.seams, Filler: w.Filler, Rule: s.Brief.Strength}
	if ask.Cases, t.Why = s.seamLoads(&x, path); t.Why != "" {
		return t
	}
	layered := s.layers(&x, &ask)
	r, err := weld.Hold(ask)
	if err != nil {
		t.Why = s.Brief.Refused(err)
		return t
	}
	s.unproved(&x, &r)
	s.slender(&x, &r)
	silence(&r, layered)
	of := w
	if k := s.bracing(w); k >= 0 {
		of = s.Brief.Welded[k]
	}
	if open := append(slices.Clip(path.open[of.ID]), path.unarrived(s.Brief, of.ID)...); of.Path && len(open) > 0 {
		r.Checks = append([]strength.Check{strength.Silent("loads", "Loads", strings.Join(open, " "))}, r.Checks...)
		if r.Verdict != strength.Over {
			r.Verdict = strength.CannotSay
		}
	}
	pen := s.seamPen()
	for i := range r.Notes {
		r.Notes[i] = pen.Spoken(r.Notes[i])
	}
	for i := range r.Checks {
		r.Checks[i].Why = pen.Spoken(r.Checks[i].Why)
		if k := r.Checks[i].Working; k != nil {
			*k = k.Written(s.Brief.Inches())
		}
	}
	t.Result, t.Verdict = &r, r.Verdict
	for _, f := range t.Findings {
		if f.Severity == working.Stop && t.Verdict != strength.Over {
			t.Verdict = strength.CannotSay
		}
	}
	t.Beside = s.besideSeams(w, path)
	t.Verdict = brief.With(t.Verdict, t.Beside)
	return t
}

// seamTold tells where a seam runs.
func (s *site) seamTold(x *seated, seam weld.Seam) SeamTold {
	thinner := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
	t := SeamTold{ID: seam.ID, Name: seam.Called(), Path: seam.Path, Runs: seam.Runs(), Long: seam.Len(), Least: weld.SmallestLeg(thinner),
		Most: weld.LargestLeg(thinner), How: s.seamHow(x, seam),
		Dots: seam.Form == weld.PlugForm || seam.Form == weld.SpotForm}
	for _, r := range t.Runs {
		for i := 1; i < len(r); i++ {
			t.Laid += r[i].Sub(r[i-1]).Len()
		}
	}
	if seam.Both {
		t.Laid *= 2
	}
	return t
}

// seamLoads answers what goes through a welded joint, or why nobody can say.
func (s *site) seamLoads(x *seated, path Pathway) (out []weld.SeamsCase, why string) {
	w := x.w
	switch {
	case w.Corner != nil:
		return s.cornered(x, path)
	case w.Braces != "":
		return s.bracedBy(x, path)
	case w.Path:
		out = path.bySeam[w.ID]
		return out, path.none(w.ID, w.Name, len(out))
	case w.Mount != "":
		return s.seamMount(x)
	}
	more := s.Brief.TypedFactor()
	for _, c := range w.Cases {
		out = append(out, weld.SeamsCase{Name: c.Name, Force: solid.Vector(c.Force).Mul(more), At: solid.Vector(c.At),
			Moment: solid.Vector(c.Moment).Mul(more)})
	}
	return out, ""
}

// seamMount answers what a bracket carries, as it goes through the seams that hold it.
func (s *site) seamMount(x *seated) (out []weld.SeamsCase, why string) {
	b := s.Brief
	k := slices.IndexFunc(b.Mounts, func(m brief.Mount) bool { return m.ID == x.w.Mount })
	if k < 0 || x.built == nil || b.Mounts[k].Part != x.w.Sides[0].Of {
		return nil, "The bracket its loads come from is not there any more, or is of another part: choose it again, or type the loads."
	}
	if x.placed && s.twin(x.ids[0]) {
		return nil, "It is the other hand that stands there, and what the bracket carries is told of the drawn one: choose the drawn one's " +
			"place, or " +
			"let the loads come along the load path."
	}
	m := b.Mounts[k]
	d, ok := b.Device(m.Device)
	if !ok && !b.Rated(m.Part) {
		return nil, "Say what stands on the bracket its loads come from."
	}
	feet := s.feet[d.ID]
	if ok && feet.why != "" {
		return nil, feet.why
	}
	loads, why := b.LoadsOn(m, d, feet.cases)
	if why != "" {
		return nil, why
	}
	turn, ok := m.Hold.Into()
	if !ok {
		return nil, "Up and forward of the bracket its loads come from point one way: say which way it stands."
	}
	var from solid.Vector
	n := 0.
	for i := range x.built.Holes {
		if h := &x.built.Holes[i]; slices.Contains(m.Hold.Carry, h.Feature) {
			from, n = from.Add(h.Body), n+1
		}
	}
	if n == 0 {
		return nil, "Say which holes of the bracket carry the load."
	}
	at := x.pose.Apply(from.Mul(1 / n))
	for _, l := range loads {
		out = append(out, weld.SeamsCase{Name: l.Name(), Force: x.pose.Turn(turn(l.Force)), At: at})
	}
	return out, ""
}

// bolted says that bolts beside seams get no credit.
func (s *site) bolted(w brief.Welded, path Pathway) (out []working.Finding) {
	for _, j := range s.Brief.Joints {
		if path.instead[j.ID] == w.Name {
			out = append(out, seamFinding("bolts-and-weld", working.Mind, w, "",
				"%s bolts the same two things. Bolts and weld do not share: the weld alone must carry everything, and everything is put on it "+
					"here (AISC 360 J1.8).", j.Name))
		}
	}
	return out
}

func seamFinding(code string, severity working.Severity, w brief.Welded, seam, format string, args ...any) working.Finding {
	return working.Finding{Code: code, Severity: severity, Cause: "Welding", Name: w.Name, Feature: seam, Reason: fmt.Sprintf(format, args...)}
}

// besideSeams answers what a welded joint's checks leave out.
func (s *site) besideSeams(w brief.Welded, path Pathway) []brief.Beside {
	return s.beside(w.ID, w.Mount, []brief.Side{w.Sides[0].Side, w.Sides[1].Side}, path,
		"What the second of the two is itself held by, and how it bends beside the seams.")
}

// seamPen writes lengths as the job does.
func (s Site) seamPen() told.Pen { return told.Pen{Display: s.Brief.Display()} }
