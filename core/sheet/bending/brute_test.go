package bending

import (
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/solid"
)

// brute asks, by meshes and every half degree, whether a plan runs into its tools: the part's
// true plates, drawn in by what they may lean, against every element. It shares the
// motion with the search and nothing else: neither its leaps, its axes nor what it keeps.
func brute(t *testing.T, p *planner, plan plan) {
	t.Helper()
	made := uint64(0)
	for _, m := range plan.moves {
		s := m.stroke
		r := &p.rigs[s]
		trees := make([][]*solid.Tree, 2)
		lists := [2][]element{r.uppers[m.stands.upper].elements, r.lowers[m.stands.lower].elements}
		for k, list := range lists {
			for _, e := range list {
				trees[k] = append(trees[k], solid.NewTree(mesh(e.cx)))
			}
		}
		for a := 0.; ; a += grid {
			a = math.Min(a, p.body.strokes[s].aim)
			sides, tip := r.motion.at(a)
			for i := range p.items {
				if p.skips(s, i) {
					continue
				}
				for _, c := range p.placed(s, i, made) {
					for k, list := range lists {
						for n, e := range list {
							at := sides[p.side(s, i, m.stands.lay)]
							switch e.with {
							case punch:
								at.o.z -= tip
							case leaf:
								at = sides[front].undone().after(at)
							}
							var there convex
							c.moved(&at, &there)
							if boxes(&there, e.cx) > 0 {
								continue
							}
							if g := solid.Within(solid.NewTree(mesh(&there)), trees[k][n], 1); g.Distance == 0 && g.Depth > 1e-3 {
								t.Fatalf("%s at %.1f°: %s is %.3f in %s", p.strokeName(s), a*180/math.Pi, p.itemName(i), g.Depth, e.what)
							}
						}
					}
				}
			}
			if a >= p.body.strokes[s].aim {
				break
			}
		}
		made |= 1 << s
	}
}

// No order that is offered collides.
func TestNoOrderCollides(t *testing.T) {
	rnd := rand.New(rand.NewSource(7))
	brakes := []Brake{press, pan, vice, tall()}
	goes := 0
	for n := range 24 {
		r := plate(120+rnd.Float64()*250, 60+rnd.Float64()*150, 1+rnd.Float64())
		for i, e := range around {
			if rnd.Intn(4) == 0 {
				continue
			}
			f := flange(string(e), e, 25+rnd.Float64()*50, rnd.Intn(3) > 0)
			f.Angle = 40 + rnd.Float64()*60
			if rnd.Intn(2) == 0 {
				lip := flange("lip "+string(e), e, 14+rnd.Float64()*20, rnd.Intn(2) == 0)
				lip.Angle = 30 + rnd.Float64()*60
				f.Flanges = append(f.Flanges, inset(lip, 8))
			}
			if i%2 == 0 {
				f.SetIn = sheet.SetIn{Start: rnd.Float64() * 10, End: 5}
			}
			r.Base.Flanges = append(r.Base.Flanges, f)
		}
		l := laid(r)
		if l.Broken || len(l.Panels) < 2 {
			continue
		}
		p, plan := planned(t, r, brakes[n%len(brakes)])
		if len(plan.moves) == 0 {
			continue
		}
		goes++
		brute(t, p, plan)
	}
	if goes < 10 {
		t.Errorf("only %d parts of 24 could be bent: nothing much was asked", goes)
	}
}

// A body with everything made is the folded body, wherever its bends were swung from.
func TestMadeIsFolded(t *testing.T) {
	l := laid(lipped())
	b := bodyOf(l)
	all := uint64(1)<<len(b.strokes) - 1
	for i, p := range l.Panels {
		at := b.world(i, all)
		for k, pair := range [][2]solid.Vector{{at.o.vector(), p.Frame.Origin}, {at.x.vector(), p.Frame.Ex}, {at.y.vector(),
			p.Frame.Ey}} {
			if d := pair[0].Sub(pair[1]).Len(); d > 1e-9 {
				t.Errorf("%s, %d: %.2g off", p.ID, k, d)
			}
		}
		flat := b.world(i, 0)
		if q := p.Pose.Origin; flat.o.sub(vec{q.X, q.Y, 0}).len() > 1e-9 {
			t.Errorf("%s lies flat at %v, not at %v", p.ID, flat.o, q)
		}
	}
}

// In the die both legs turn alike and rest on the shoulders, whatever the turn.
func TestRestsOnShoulders(t *testing.T) {
	b := bodyOf(laid(plate(300, 100, 3, flange("f", sheet.Front, 40, true))))
	m := motion{kind: Press, opening: 24, thickness: 3, hinge: &b.strokes[0].hinge, whole: b.strokes[0].angle}
	for a := .02; a < m.whole*1.03; a += .1 {
		sides, tip := m.at(a)
		for _, s := range sides {
			// The outer face: half a thickness under the middle; the shoulder lies on it.
			out := s.o.sub(s.z.mul(1.5))
			shoulder := vec{0, math.Copysign(12, s.y.y), 0}
			if d := shoulder.sub(out).dot(s.z); math.Abs(d) > 1e-9 {
				t.Errorf("at %.2f the shoulder is %.3g off the sheet", a, d)
			}
			if rise := math.Asin(s.y.z); math.Abs(rise-a/2) > 1e-9 {
				t.Errorf("at %.2f a leg rises by %.3f", a, rise)
			}
		}
		if tip > 3 {
			t.Errorf("the punch is at %.2f, over the sheet", tip)
		}
	}
}
