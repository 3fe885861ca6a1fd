package held

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
)

// endAsk is one end of a member as it is joined.
type endAsk struct {
	e     int
	leg   float64 // of its fillet, mm
	plate *shape.PlateAt
	free  string // why nothing is welded there
}

// ends answers how both ends of the member are joined.
func (a *asking) ends() (out [2]endAsk) {
	r := a.r
	for e, end := range [2]member.End{r.A, r.B} {
		x := endAsk{e: e, leg: end.Leg}
		for k := range a.w.m.b.Plates {
			if p := &a.w.m.b.Plates[k]; p.Member == r.ID && (p.End == "b") == (e == 1) && p.Kind != "cap" {
				if x.plate = p; p.Leg > 0 {
					x.leg = p.Leg
				}
			}
		}
		if x.leg == 0 {
			x.leg = member.Thickness(r.Section)
		}
		switch {
		case end.Hinged:
			x.free = "it is bolted"
		case r.Formed[e] != nil && r.Formed[e].Kind == member.Bent:
			x.free = "it goes on round its bend"
		}
		out[e] = x
	}
	return out
}

// force answers what goes through an end of the member in a case, in its own axes.
func (a *asking) force(c *answered, e int) [6]float64 {
	list := a.w.m.of[a.i]
	if e == 1 {
		return c.design.Members[list[len(list)-1]].J
	}
	return c.design.Members[list[0]].I
}

// weld asks the seams round both ends of the member of every case, and answers the harder: every way they may give
// way in one check.
func (a *asking) weld(cases []answered) strength.Check {
	out := strength.Check{Key: "weld", Name: "its welds", Feature: a.r.ID, Where: a.r.Named(), Verdict: strength.NotNeeded,
		Why: "Nothing goes through its ends."}
	ends := a.ends()
	if ends[0].free != "" && ends[1].free != "" && a.r.Splice == nil {
		out.Why = fmt.Sprintf("There is no weld: at its first end %s, at its second %s.", ends[0].free, ends[1].free)
		return out
	}
	if len(cases) == 0 {
		out.Verdict, out.Why = strength.CannotSay, "No load is given: say what pulls on it."
		return out
	}
	branches, _ := a.branches()
	first := true
	for e, x := range ends {
		if x.free != "" {
			continue
		}
		c, asked := a.weldAt(x, branches, cases)
		if !asked {
			continue
		}
		c.Where = fmt.Sprintf("%s, %s end", a.r.Named(), [2]string{"first", "second"}[e])
		if first || strength.Worse(c.Verdict, out.Verdict) || c.Verdict == out.Verdict && use(c) > use(out) {
			out, first = c, false
		}
	}
	if c, asked := a.weldSplice(cases); asked {
		c.Where = a.r.Named() + ", its splice"
		if first || strength.Worse(c.Verdict, out.Verdict) || c.Verdict == out.Verdict && use(c) > use(out) {
			out = c
		}
	}
	return out
}

// weldSplice asks the seams of one half of a splice, which carry all that goes through; false where there is none, or
// nothing goes through it.
func (a *asking) weldSplice(cases []answered) (strength.Check, bool) {
	if a.r.Splice == nil || a.w.m.b.Pieces[a.i].Splice == nil {
		return strength.Check{}, false
	}
	lines, _, why := a.w.m.b.SpliceSides(a.i)
	if why != "" {
		c := strength.Silent("weld", "its welds", why)
		c.Feature = a.r.ID
		return c, true
	}
	t := member.Thickness(a.r.Section)
	side := weld.SeamSide{Name: a.r.Named(), Material: a.w.m.material.Key, Thickness: t, Closed: true}
	ask := a.askOf(nil)
	for _, l := range lines {
		seam := weld.Seam{ID: a.r.ID, Name: l.Name, Form: weld.LapForm, Leg: t, Path: l.Path, Sides: [2]weld.SeamSide{side, side}}
		seam.Sides[0].Name, seam.Sides[0].Normal, seam.Sides[1].Normal = "what splices it", l.Face, l.Face
		ask.Seams = append(ask.Seams, seam)
	}
	for k := range cases {
		if c, any := a.throughSplice(&cases[k]); any && len(lines) > 0 {
			ask.Cases = append(ask.Cases, c)
		}
	}
	if len(ask.Cases) == 0 {
		return strength.Check{}, false
	}
	return a.weldOf(ask, []string{"one half of the splice carries all of it; a leg of the wall, plates as thick as that"}), true
}

// throughSplice answers what goes through a splice in a case: the worst station within a ninth of the member of it.
func (a *asking) throughSplice(c *answered) (weld.SeamsCase, bool) {
	var s *look
	for i := range c.looks {
		if l := &c.looks[i]; math.Abs(l.At-a.r.Splice.At) <= a.r.Length/9 && (s == nil || l.total > s.total) {
			s = l
		}
	}
	if s == nil {
		return weld.SeamsCase{}, false
	}
	axes := a.w.m.solved.Axes(a.w.m.of[a.i][0])
	x, y, z := axes[0], axes[1], axes[2]
	out := weld.SeamsCase{Name: c.name, At: a.r.Start.Add(x.Mul(a.r.Splice.At)),
		Force:  x.Mul(s.N).Add(y.Mul(s.Vy)).Add(z.Mul(s.Vz)),
		Moment: x.Mul(s.T).Add(y.Mul(s.My)).Add(z.Mul(s.Mz))}
	return out, out.Force.Len() > 1e-6 || out.Moment.Len() > 1e-6
}

func use(c strength.Check) float64 {
	if c.Utilisation == nil {
		return 0
	}
	return *c.Utilisation
}

// weldAt asks one end; false where nothing goes through it in any case.
func (a *asking) weldAt(x endAsk, branches []branch, cases []answered) (strength.Check, bool) {
	at, list := a.seams(x, branches)
	ask := a.askOf(list)
	for k := range cases {
		if c, any := a.through(&cases[k], x.e, at); any {
			ask.Cases = append(ask.Cases, c)
		}
	}
	if len(ask.Cases) == 0 {
		return strength.Check{}, false
	}
	a.welds[x.e] = &ask
	return a.weldOf(ask, a.seamSays(x, branches)), true
}

// askOf starts what seams of the frame are asked.
func (a *asking) askOf(list []weld.Seam) weld.SeamsAsk {
	ask := weld.SeamsAsk{Seams: list, Filler: a.w.d.Filler, Rule: a.w.ask.Rule}
	if ask.Rule.School == "" {
		ask.Rule.School = strength.Allowable
	}
	return ask
}

// weldOf asks seams and answers every way they may give way in one check. says is what they are taken as.
func (a *asking) weldOf(ask weld.SeamsAsk, says []string) strength.Check {
	c := strength.Check{Key: "weld", Name: "its welds", Feature: a.r.ID, Verdict: strength.CannotSay}
	held, err := weld.Hold(ask)
	if err != nil {
		c.Why = err.Error()
		return c
	}
	worst := held.Checks[0]
	c.Verdict, c.Why = held.Verdict, worst.Why
	for _, q := range held.Checks { // the number stands beside what cannot be said
		if q.Utilisation != nil && (c.Utilisation == nil || *q.Utilisation > *c.Utilisation) {
			c.Utilisation, c.Demand, c.Capacity, c.Unit, c.Case, c.Working = q.Utilisation, q.Demand, q.Capacity, q.Unit, q.Case, q.Working
		}
	}
	if c.Verdict == strength.CannotSay || c.Verdict == strength.Over {
		c.Why = cmp.Or(worst.Why, c.Why)
		if worst.Name != "" && worst.Why != "" {
			c.Why = worst.Name + ": " + worst.Why
		}
	}
	if c.Working != nil {
		w := *c.Working
		w.Assumptions = slices.Clone(w.Assumptions)
		w.Assumptions = append(w.Assumptions, says...)
		w.Assumptions = append(w.Assumptions, held.Notes...)
		c.Working = &w
	}
	return c
}

// through answers what goes through an end in a case, in the frame's axes; false where nothing does.
func (a *asking) through(c *answered, e int, at solid.Vector) (weld.SeamsCase, bool) {
	f := a.force(c, e)
	parts := a.w.m.of[a.i]
	k := parts[0]
	if e == 1 {
		k = parts[len(parts)-1]
	}
	axes := a.w.m.solved.Axes(k)
	out := weld.SeamsCase{Name: c.name, At: at}
	for i, v := range axes {
		out.Force, out.Moment = out.Force.Add(v.Mul(f[i])), out.Moment.Add(v.Mul(f[3+i]))
	}
	return out, out.Force.Len() > 1e-6 || out.Moment.Len() > 1e-6
}

// seams are the fillets all round a member's end, about the middle of its section; on the wall of a rectangular tube
// as much of them as is stiff there.
func (a *asking) seams(x endAsk, branches []branch) (at solid.Vector, out []weld.Seam) {
	r := a.r
	at = r.Start
	if x.e == 1 {
		at = at.Add(r.Axes.X.Mul(r.Length))
	}
	wall := member.Thickness(r.Section)
	own := weld.SeamSide{Name: r.Named(), Material: a.w.m.material.Key, Thickness: wall, Closed: r.Section.Kind != "flatBar"}
	if r.Section.Kind == "flatBar" {
		if own.Normal = r.Axes.At(0, 1); r.Section.Width < r.Section.Height {
			own.Normal = r.Axes.At(1, 0)
		}
	}
	other := weld.SeamSide{Name: "what it stands on", Material: a.w.m.material.Key, Thickness: wall, Closed: true}
	var on *branch
	for k := range branches {
		if b := &branches[k]; b.e == x.e && b.chord != nil {
			on = b
			other.Name, other.Thickness = b.chord.Named(), member.Thickness(b.chord.Section)
		}
	}
	if x.plate != nil {
		other.Name, other.Thickness = "its plate", x.plate.Thickness
	}
	seam := weld.Seam{ID: r.ID, Name: "weld", Form: weld.FilletForm, Leg: x.leg, Sides: [2]weld.SeamSide{own, other}}
	var rim []solid.Vector
	for _, q := range r.Outer {
		rim = append(rim, at.Add(r.Axes.At(q[0], q[1])))
	}
	rim = append(rim, rim[0])
	if strip, is := a.stiff(on); is {
		seam.RunOff = true
		for i := 1; i < len(rim); i++ {
			seam.Of += rim[i].Sub(rim[i-1]).Len()
		}
		for _, side := range []float64{-1, 1} {
			s := seam
			across, along := on.out.Mul(on.across/2*side), on.in.Mul(a.r.Size(on.in)/2)
			in := on.out.Mul(-strip * side)
			s.Path = []solid.Vector{at.Add(across).Sub(along).Add(in), at.Add(across).Sub(along), at.Add(across).Add(along),
				at.Add(across).Add(along).Add(in)}
			out = append(out, s)
		}
		return at, out
	}
	seam.Path = rim
	return at, []weld.Seam{seam}
}

// stiff answers how much of each half of the walls across a chord's face carries, mm (AISC 360 K5); false where all
// of it does: on a plate, on a round chord, or where the branch is as stiff a place as any.
func (a *asking) stiff(b *branch) (strip float64, is bool) {
	if b == nil || b.open != "" || b.chord.Section.Kind != "rectTube" || a.r.Section.Kind != "rectTube" {
		return 0, false
	}
	t, tb := b.chord.Section.Wall, a.r.Section.Wall
	be := math.Min(10/(b.face/t)*(t/tb)*b.across, b.across) // chord and branch are of one metal
	if b.across/b.face > .85 || b.sine > math.Sin(50*math.Pi/180) {
		be = math.Min(be, b.across/2)
	}
	return be / 2, true
}

// seamSays says what an end's seams are taken as.
func (a *asking) seamSays(x endAsk, branches []branch) (out []string) {
	out = []string{"fillet all round, as long as the section is round its outside"}
	for k := range branches {
		if b := &branches[k]; b.e == x.e {
			if strip, is := a.stiff(b); is {
				out = append(out, fmt.Sprintf("on the wall of %s the weld across its face carries beside its corners alone, %.0f "+
					"%% of it (AISC 360 "+
					"K5)",
					b.chord.Named(), 200*strip/b.across))
			}
		}
	}
	if a.r.Formed[x.e] != nil { // a bend has no weld: it is a fold
		out = append(out, "the V is welded on its three open sides; the wall it folds on counts as the fourth: parent metal, no "+
			"thinner than "+
			"what "+
			"is counted of it, if the crease does not crack")
	}
	return out
}
