package site

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// hiveCorner is a frame of two tubes that meet square, mitred, twice: a left one and its mirror image far off.
func hiveCorner() Frame {
	end := member.End{Kind: member.Butt, Onto: "post"}
	d := member.Doc{Schema: member.Schema, Material: "steel-s235",
		Points: []member.Point{racks.Point("a", 0, 300, 0), racks.Point("b", 0, 300, 500), racks.Point("c", 600, 300, 500)},
		Members: []member.Member{{ID: "post", Name: "Post", From: "a", To: "b", Section: racks.Box40},
			{ID: "arm", Name: "Arm", From: "b", To: "c", Section: racks.Box40, A: end}}}
	return Frame{ID: "hive", Name: "Hive corner", Doc: d, Quantity: 1}
}

// A frame is welded side by side round every end that meets something; what is far off bows by itself; the order is
// no worse than seam by seam, and by hand it is what somebody typed.
func TestWeldPlanOfAFrame(t *testing.T) {
	s := Site{Brief: welds(t).Brief, Frames: []Frame{hiveCorner()}}
	p, err := s.WeldPlan("hive")
	if err != nil || p.Why != "" || p.Order == nil {
		t.Fatalf("%v %+v", err, p)
	}
	if len(p.Seams) != 4 || len(p.Sketch) == 0 || p.Class != "C" {
		t.Fatalf("%d seams, class %s", len(p.Seams), p.Class)
	}
	long := 0.
	for i, q := range p.Seams {
		long += q.Long
		if q.Number != i+1 || len(q.Tacks) < 2 || q.Leg != racks.Box40.Wall {
			t.Errorf("%+v", q)
		}
	}
	if x := racks.Box40; long > 2*(x.Width+x.Height) || long < .9*2*(x.Width+x.Height) { // less its rounded corners
		t.Errorf("%.1f mm round a tube of %g × %g", long, x.Width, x.Height)
	}
	if p.Order.Best.Peak > p.Order.Plain.Peak || len(p.Takes) < 4 || !strings.Contains(p.Gain, "Seam by seam") {
		t.Errorf("%+v, %v", p.Order.Best, p.Takes)
	}
	s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "hive", Order: []string{p.Order.Best.Runs[3].ID}}}
	hand, err := s.WeldPlan("hive")
	if err != nil || hand.Order.Hand == nil || hand.Order.Hand.Runs[0].ID != p.Order.Best.Runs[3].ID {
		t.Errorf("%v %+v", err, hand.Order)
	}
	if _, err := s.WeldPlan("gone"); !errors.Is(err, ErrNoSuch) {
		t.Error(err)
	}
	alone := hiveCorner()
	alone.Doc.Members = alone.Doc.Members[:1]
	if p, err := (Site{Brief: s.Brief, Frames: []Frame{alone}}).WeldPlan("hive"); err != nil || p.Order != nil || p.Why == "" {
		t.Errorf("one post by itself: %v %+v", err, p)
	}
	wide := hiveCorner()
	wide.Doc.Copies = []member.Copy{{ID: "m", Kind: "mirror", Axis: "y"}}
	two, err := (Site{Brief: welds(t).Brief, Frames: []Frame{wide}}).WeldPlan("hive")
	if err != nil || len(two.Seams) != 8 || math.Abs(two.Order.Best.Last-p.Order.Best.Last) > 1e-6 {
		t.Errorf("%v: a pair far apart bows %g, one %g", err, two.Order.Best.Last, p.Order.Best.Last)
	}
}

// Both sides of a joint are laid one after the other as two seams; what was tacked and not welded, welded and not
// looked at, looked at and no good is told; a bow that was measured stands beside the estimate.
func TestWeldPlanOfAJoint(t *testing.T) {
	s := welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Both = true })
	p, err := s.WeldPlan("w")
	if err != nil || len(p.Seams) != 2 || p.Seams[0].ID == p.Seams[1].ID || p.Order == nil {
		t.Fatalf("%v %+v", err, p)
	}
	if gap := p.Seams[0].Path[0].Sub(p.Seams[1].Path[0]).Len(); math.Abs(gap-6) > 1e-9 {
		t.Errorf("its sides lie %.3f apart", gap)
	}
	four, deep := 4., .1
	bow := 1.
	s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "w", Bowed: &bow, Seen: []brief.SeamSeen{{ID: "s1", Tacked: true},
		{ID: "s1 back", Welded: true, Leg: &four, Undercut: &deep}}}}
	if err := s.Brief.Check(); err != nil {
		t.Fatal(err)
	}
	p, err = s.WeldPlan("w")
	if err != nil {
		t.Fatal(err)
	}
	for _, code := range []string{"open-tacks", "not-looked", "seam-looked"} {
		if !slices.ContainsFunc(p.Findings, func(f working.Finding) bool { return f.Code == code }) {
			t.Errorf("nothing is said of %s: %+v", code, p.Findings)
		}
	}
	if p.Seams[0].Look != nil || p.Seams[1].Look == nil || p.Seams[1].Look.Passes || p.Bowed != nil { // even seams bow it not at all
		t.Errorf("%+v, %+v", p.Seams[1].Look, p.Bowed)
	}
	took := 12.
	s.Brief.Welded[0].Note = "Left end first."
	s.Brief.Books[0].Seen[1].Rework, s.Brief.Books[0].Seen[1].Minutes = "pores", &took
	if p, err = s.WeldPlan("w"); err != nil || !strings.Contains(strings.Join(p.Takes, "; "), "12 min done again so far (seam 2: pores)") ||
		!strings.Contains(strings.Join(p.Does, "; "), "Left end first.") {
		t.Errorf("%v %v %v", err, p.Takes, p.Does)
	}
	five := 5.2
	s.Brief.Books[0].Seen[1].Leg = &five
	if p, err = s.WeldPlan("w"); err != nil || !p.Seams[1].Look.Passes {
		t.Errorf("%v %+v", err, p.Seams[1].Look)
	}
	s.Brief.Welded[0].Seams[0].Both, s.Brief.Welded[0].Seams[0].Edge = false, "front"
	if p, err = s.WeldPlan("w"); err != nil || p.Bowed == nil || math.Abs(p.Bowed.Share*p.Order.Best.Last-1) > 1e-9 {
		t.Errorf("%v %+v of %g", err, p.Bowed, p.Order.Best.Last)
	}
	s.Shop.Bows = []shop.Bow{{ID: "bow-w", Guessed: 2, Measured: 3}, {ID: "b", Guessed: 1, Measured: 3}}
	if err := s.Shop.Check(); err != nil {
		t.Fatal(err)
	}
	if p, err = s.WeldPlan("w"); err != nil || !p.Bowed.Kept || !strings.Contains(strings.Join(p.Does, " "), "bowed 2.00 times") {
		t.Errorf("%v %+v %v", err, p.Bowed, p.Does)
	}
	s.Shop.Bows[0].Guessed = 0
	if s.Shop.Check() == nil {
		t.Error("a bow of no estimate is kept")
	}
	s.Brief.Welded[0].Seams = nil
	if p, err = s.WeldPlan("w"); err != nil || p.Why == "" || p.Order != nil {
		t.Errorf("%v %+v", err, p)
	}
}

// An ear whose seams hold it in place of bolts is asked as a bracket: its plate where they begin, and what they answer.
func TestBracketHeldBySeams(t *testing.T) {
	s := orchard(t)
	foot := slices.IndexFunc(s.Parts, func(p BuiltPart) bool { return p.Name == "Press foot" })
	m := &s.Brief.Mounts[0]
	panel := ""
	for _, h := range s.Parts[foot].Built.Holes {
		if slices.Contains(m.Hold.Fasten, h.Feature) {
			panel = h.Panel
		}
	}
	w := brief.Welded{ID: "w", Name: "Foot welded on", Mount: m.ID, Filler: "e70", Sides: [2]brief.SeamBody{
		{Side: brief.Side{Kind: brief.PartSide, Of: s.Parts[foot].ID}}, {Name: "rail", Material: "steel-s235", Thickness: 8}}}
	for _, q := range s.Parts[foot].Built.Panels {
		for _, e := range q.Edges {
			if q.ID == panel && (e.Role == "free" || e.Role == "tip") {
				plan := brief.SeamPlan{Panel: q.ID, Edge: e.Edge}
				plan.ID, plan.Form, plan.Leg = string(e.Edge), "lap", 4
				w.Seams = append(w.Seams, plan)
			}
		}
	}
	s.Brief.Welded, m.Welded = []brief.Welded{w}, "w"
	h := s.Hold()
	got := h.Mounts[0]
	has := map[string]strength.Verdict{}
	for _, c := range got.Result.Checks {
		has[c.Key] = c.Verdict
	}
	if has["seams"] == "" || has["plate:leg"] == "" || has["shear"] != "" || len(got.Result.Bolts) != 0 {
		t.Fatalf("%v, %+v", has, h.Welded[0].Why)
	}
	if strength.Worse(h.Welded[0].Verdict, got.Verdict) {
		t.Errorf("the bracket %s, its seams %s", got.Verdict, h.Welded[0].Verdict)
	}
	// Typed loads say nothing of what it carries; without its joint nothing is said at all.
	s.Brief.Welded[0].Mount, s.Brief.Welded[0].Cases = "", []brief.SeamLoad{{Name: "little", Force: [3]float64{1, 0, 0}}}
	if got = s.Hold().Mounts[0]; got.Verdict != strength.CannotSay && got.Verdict != strength.Over {
		t.Errorf("by a load typed by hand it %s", got.Verdict)
	}
	s.Brief.Welded = nil
	if got = s.Hold().Mounts[0]; got.Verdict != strength.CannotSay {
		t.Errorf("held by nothing that is there it %s", got.Verdict)
	}
}

// A torch comes to an ear that stands free; past a wall ten millimetres from its weld it does not, past one 45 off it
// is tight or blocked, and the wall is named.
func TestRoomForTheTorch(t *testing.T) {
	path := []solid.Vector{{0, 0, 0}, {100, 0, 0}}
	corner := solid.Vector{0, 1, 1} // a plate up along x, on a floor
	stands := []solid.Body{solid.Box(solid.Vector{0, -6, 0}, solid.Vector{100, 0, 80}), solid.Box(solid.Vector{-200, -200, -8},
		solid.Vector{300, 200, 0})}
	try := func(more ...solid.Body) *TorchRoom {
		var trees []*solid.Tree
		var names []string
		for i, b := range append(slices.Clone(stands), more...) {
			trees, names = append(trees, solid.NewTree(b)), append(names, []string{"the ear", "the floor", "the wall"}[min(i, 2)])
		}
		return roomFor(path, corner, trees, names)
	}
	wall := func(off float64) solid.Body {
		return solid.Box(solid.Vector{-200, off, 0}, solid.Vector{300, off + 5, 400})
	}
	if r := try(); r == nil || r.Reach != hole.Reachable {
		t.Errorf("free: %+v", r)
	}
	if r := try(wall(10)); r.Reach != hole.Blocked || !strings.Contains(r.Says, "the wall") {
		t.Errorf("a wall at 10: %+v", r)
	}
	if r := try(wall(600)); r.Reach != hole.Reachable {
		t.Errorf("a wall at 600: %+v", r)
	}
	if r := roomFor(path, solid.Vector{}, nil, nil); r != nil {
		t.Errorf("a corner nobody knows: %+v", r)
	}
	p, err := welds(t).WeldPlan("w")
	if err != nil || p.Seams[0].Room == nil || p.Seams[0].Room.Reach != hole.Reachable {
		t.Errorf("%v %+v", err, p.Seams[0].Room)
	}
}
