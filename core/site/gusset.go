package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
)

// bracing answers the index of the welded joint a gusset braces; -1 where it is none's, or that is gone.
func (s *site) bracing(w brief.Welded) int {
	if w.Braces == "" {
		return -1
	}
	return slices.IndexFunc(s.Brief.Welded, func(o brief.Welded) bool { return o.ID == w.Braces && o.Braces == "" })
}

// bracedBy answers what a gusset hands on to what it braces: what its foot takes of the joint it stands in.
func (s *site) bracedBy(x *seated, path Pathway) ([]weld.SeamsCase, string) {
	k := s.bracing(x.w)
	if k < 0 {
		return nil, "The joint this gusset braces is not there any more: take the gusset out, or type what it carries."
	}
	of := s.Brief.Welded[k]
	main, stands := path.seated[of.ID]
	if !stands {
		main = s.seat(of, nil)
	}
	if main.why != "" {
		return nil, fmt.Sprintf("%s, which it braces, cannot be worked out: %s", of.Name, main.why)
	}
	feet := func(i int) bool { return of.Seams[i].On != "" && of.Seams[i].On == x.ids[0] }
	if !slices.ContainsFunc(of.Seams, func(q brief.SeamPlan) bool { return q.On != "" && q.On == x.ids[0] }) {
		return nil, fmt.Sprintf("No seam of %s is along the foot of this gusset any more: nothing goes through it.", of.Name)
	}
	ask := weld.SeamsAsk{Seams: main.seams, Filler: of.Filler, Rule: s.Brief.Strength}
	var why string
	if ask.Cases, why = s.seamLoads(&main, path); why != "" {
		return nil, why
	}
	cases, err := weld.Shares(ask, feet)
	if err != nil {
		return nil, s.Brief.Refused(err)
	}
	if len(cases) == 0 {
		return nil, "The foot of this gusset is too short to count: nothing goes through it."
	}
	for i := range cases { // the foot pushes on what it stands on; the gusset is pushed the other way, and pushes what it braces
		cases[i].Force, cases[i].Moment = cases[i].Force.Mul(-1), cases[i].Moment.Mul(-1)
	}
	return cases, ""
}

// freeEdge is how long the free edge of a gusset may be against its sheet (AISC Manual on gusset plates, 0.75·√(E/Fy)).
func freeEdge(m stock.Material) float64 { return .75 * math.Sqrt(m.Modulus/m.Yield) }

// slender adds whether a gusset's free edge is too long for its sheet: pressed it buckles.
func (s *site) slender(x *seated, r *weld.SeamsHeld) {
	if x.w.Braces == "" && x.w.Corner == nil || x.built == nil {
		return
	}
	p := s.part(x.w.Sides[0].Of)
	m, err := stock.MaterialByKey(p.Recipe.Material)
	if err != nil || m.Modulus <= 0 {
		return
	}
	free := 0.
	for _, e := range x.built.Panels[0].Edges {
		if !s.weldedAlong(x, e) {
			free = math.Max(free, e.To.Sub(e.From).Len())
		}
	}
	most := freeEdge(m)
	if t := p.Recipe.Thickness; free > most*t+1e-9 {
		c := strength.Silent("gusset", "The gusset itself", fmt.Sprintf("Its free edge of %s is more than %.0f times its sheet: pressed it may "+
			"buckle, and that is not worked out (0.75·√(E/Fy), AISC Manual on gusset plates). Make it smaller, of thicker sheet, or with its "+
			"long edge flanged.", s.seamPen().Fine(free), most))
		silence(r, &c)
	}
}

// silence puts what nobody can say before what was answered: it does not hold by the rest of it. nil puts nothing.
func silence(r *weld.SeamsHeld, c *strength.Check) {
	if c == nil {
		return
	}
	r.Checks = append([]strength.Check{*c}, r.Checks...)
	if r.Verdict != strength.Over {
		r.Verdict = strength.CannotSay
	}
}

// weldedAlong tells whether an edge of a gusset is welded: to what it braces, or by its foot.
func (s *site) weldedAlong(x *seated, e made.EdgeMade) bool {
	if slices.ContainsFunc(x.w.Seams, func(q brief.SeamPlan) bool { return q.Edge == e.Edge }) {
		return true
	}
	if x.w.Corner != nil { // both its legs are seams of two joints
		return slices.ContainsFunc(s.gussets(x), func(o brief.Welded) bool {
			return slices.ContainsFunc(o.Seams, func(q brief.SeamPlan) bool { return q.Edge == e.Edge })
		})
	}
	k := s.bracing(x.w)
	return k >= 0 && slices.ContainsFunc(s.Brief.Welded[k].Seams, func(q brief.SeamPlan) bool { return q.On == x.ids[0] && q.Edge == e.Edge })
}
