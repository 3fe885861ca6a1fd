package survey

import (
	"fmt"
	"math"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// FromKnown is a distance from a point whose place is known.
type FromKnown struct {
	At       [3]float64 `json:"at" doc:"mm"`
	Distance float64    `json:"distance" doc:"mm"`
	Sigma    float64    `json:"sigma,omitempty" doc:"mm, 1 when left out"`
}

// SpaceInput is a point measured from known ones.
type SpaceInput struct {
	From []FromKnown `json:"from"`
}

// SpaceResult is where it lies: one place, or two mirror images.
type SpaceResult struct {
	Solutions [][3]float64      `json:"solutions" doc:"mm, higher one first when there are two"`
	Residuals []float64         `json:"residuals" doc:"mm, fitted − measured, of the first place"`
	Sigma     float64           `json:"sigma" doc:"mm, uncertainty of the place, largest way"`
	Moves     float64           `json:"moves" doc:"mm by which 1 mm on every reading moves it at most"`
	Findings  []working.Finding `json:"findings"`
	Working   working.Working   `json:"working"`
}

// InSpace locates a point by three or more distances from known points. Three
// give two mirror images about their plane; more are fitted by least squares.
// It fails with *working.Fault.
func InSpace(in SpaceInput) (SpaceResult, error) {
	if len(in.From) < 3 || len(in.From) > 100 {
		return SpaceResult{}, working.Refuse("/from", "A place in space takes three distances or more (up to 100), not %d.", len(in.From))
	}
	known := make([]solid.Vector, len(in.From))
	for i, f := range in.From {
		at := fmt.Sprintf("/from/%d", i)
		for k, v := range f.At {
			if err := working.Within(fmt.Sprintf("%s/at/%d", at, k), "The known point", v, -1e5, 1e5, "mm"); err != nil {
				return SpaceResult{}, err
			}
		}
		if f.Sigma == 0 {
			in.From[i].Sigma = 1
		}
		if err := working.First(working.Above(at+"/distance", "The distance", f.Distance, 0, 1e5, "mm"),
			working.Within(at+"/sigma", "The uncertainty", f.Sigma, 0, 1e4, "mm")); err != nil {
			return SpaceResult{}, err
		}
		known[i] = f.At
		for k := range i {
			if known[k].Sub(known[i]).Len() < 1e-6 {
				return SpaceResult{}, working.Refuse(at+"/at", "It is the same point as number %d: take one from elsewhere.", k+1)
			}
		}
	}
	base, flat, err := baseOf(known)
	if err != nil {
		return SpaceResult{}, err
	}
	first, err := base.raise(in.From, known)
	if err != nil {
		return SpaceResult{}, err
	}
	r := SpaceResult{Findings: []working.Finding{}}
	for _, sign := range []float64{1, -1} {
		start := first
		start[2] *= sign
		at, ssq := settleInSpace(base.pose.Apply(start), in.From, known)
		if len(r.Solutions) == 1 {
			if at.Sub(r.Solutions[0]).Len() < 1e-3 || !flat && ssq > costAt(r.Solutions[0], in.From, known)+10.8 {
				break // the same place, or one the readings rule out
			}
			if !flat && ssq < costAt(r.Solutions[0], in.From, known)-10.8 {
				r.Solutions = r.Solutions[:0]
			}
		}
		r.Solutions = append(r.Solutions, at)
	}
	if len(r.Solutions) == 2 && r.Solutions[1][2] > r.Solutions[0][2] {
		r.Solutions[0], r.Solutions[1] = r.Solutions[1], r.Solutions[0]
	}
	at := solid.Vector(r.Solutions[0])
	r.spread(at, in.From, known)
	worst := 0
	for i, f := range in.From {
		v := at.Sub(known[i]).Len() - f.Distance
		r.Residuals = append(r.Residuals, v)
		if math.Abs(v/in.From[i].Sigma) > math.Abs(r.Residuals[worst]/in.From[worst].Sigma) {
			worst = i
		}
	}
	if v := r.Residuals[worst]; math.Abs(v) > 3.29*in.From[worst].Sigma {
		why := "the distances contradict each other, and four cannot tell which is wrong"
		if len(in.From) > 4 {
			why = "it fits worst of all: measure it again first"
		}
		r.Findings = append(r.Findings, working.Finding{Code: "contradiction", Severity: working.Stop, Cause: "Place",
			Reason: fmt.Sprintf("Distance %d is %.1f mm off what the others say: %s.", worst+1, -v, why)})
	}
	if r.Moves > 4 {
		r.Findings = append(r.Findings, working.Finding{Code: "flat", Severity: working.Mind, Cause: "Place",
			Reason: fmt.Sprintf("A millimetre of reading moves the point up to %.1f mm: it lies nearly in the plane of the points "+
				"measured from. "+
				"Measure from one well off that plane.", r.Moves)})
	}
	r.Working = working.Working{Method: "Place in space from distances",
		Source: "three spheres; least squares by Gauss–Newton where there are more readings", Formula: "Σ((|P − Ki| − di)/σi)² → least",
		Result:      working.Quantity{Symbol: "±", Name: "uncertainty of the place", Value: r.Sigma, Unit: "mm"},
		Assumptions: []string{"the known points are exact"}}
	for i, f := range in.From {
		r.Working.Inputs = append(r.Working.Inputs,
			working.Quantity{Symbol: fmt.Sprintf("d%d", i+1), Name: fmt.Sprintf("from (%.1f, %.1f, %.1f)", f.At[0], f.At[1], f.At[2]),
				Value: f.Distance, Unit: "mm"})
	}
	for i, n := range []string{"forward", "left", "up"} {
		r.Working.Steps = append(r.Working.Steps, working.Quantity{Symbol: string("xyz"[i]), Name: n, Value: at[i], Unit: "mm"})
	}
	return r, nil
}

// triangleBase is the plane of the three known points that span the most.
type triangleBase struct {
	pose    solid.Pose
	a, b, c int
}

// baseOf finds the widest triangle of the known points; flat says that all of
// them lie in its plane, so that both sides of it fit alike.
func baseOf(known []solid.Vector) (t triangleBase, flat bool, err error) {
	best, size := 0.0, 0.0
	n := min(len(known), 12)
	for i := range n {
		for j := range i {
			size = math.Max(size, known[i].Sub(known[j]).Len())
			for k := range j {
				if area := known[i].Sub(known[k]).Cross(known[j].Sub(known[k])).Len(); area > best {
					best, t.a, t.b, t.c = area, k, j, i
				}
			}
		}
	}
	if best < 1e-4*size*size {
		return t, false, working.Refuse("/from",
			"The points measured from lie on one line: the place may turn about it. Take one well off the line.")
	}
	x := known[t.b].Sub(known[t.a])
	z := x.Cross(known[t.c].Sub(known[t.a])).Unit()
	t.pose = solid.Pose{Origin: known[t.a], X: x.Unit(), Y: z.Cross(x.Unit()), Z: z}
	flat = true
	for _, k := range known {
		flat = flat && math.Abs(k.Sub(known[t.a]).Dot(z)) < 1e-6*size
	}
	return t, flat, nil
}

// raise answers the place over the base triangle by three spheres; where they
// do not meet it lies in the plane.
func (t triangleBase) raise(from []FromKnown, known []solid.Vector) (solid.Vector, error) {
	in := func(i int) (x, y float64) {
		d := known[i].Sub(t.pose.Origin)
		return d.Dot(t.pose.X), d.Dot(t.pose.Y)
	}
	bx, _ := in(t.b)
	cx, cy := in(t.c)
	ra, rb, rc := from[t.a].Distance, from[t.b].Distance, from[t.c].Distance
	x := (bx + (ra-rb)*(ra+rb)/bx) / 2
	y := ((ra-rc)*(ra+rc) + cx*cx + cy*cy - 2*cx*x) / (2 * cy)
	h := ra*ra - x*x - y*y
	if len(from) == 3 && h < 0 {
		short := math.Hypot(x, y) - ra
		if short > 5 {
			return solid.Vector{}, working.Refuse("/from",
				"These distances cannot close: they miss each other by about %.1f mm. Measure them again, and look whether an edge was "+
					"taken for a centre.", short)
		}
	}
	return solid.Vector{x, y, math.Sqrt(math.Max(h, 1))}, nil
}

func costAt(p solid.Vector, from []FromKnown, known []solid.Vector) (s float64) {
	for i, f := range from {
		v := (p.Sub(known[i]).Len() - f.Distance) / f.Sigma
		s += v * v
	}
	return s
}

func normalAt(p solid.Vector, from []FromKnown, known []solid.Vector) (n *mat.SymDense, g *mat.VecDense) {
	n, g = mat.NewSymDense(3, nil), mat.NewVecDense(3, nil)
	for i, f := range from {
		d := p.Sub(known[i])
		u := d.Unit()
		for a := range 3 {
			g.SetVec(a, g.AtVec(a)+u[a]*(d.Len()-f.Distance)/(f.Sigma*f.Sigma))
			for b := a; b < 3; b++ {
				n.SetSym(a, b, n.At(a, b)+u[a]*u[b]/(f.Sigma*f.Sigma))
			}
		}
	}
	return n, g
}

func settleInSpace(p solid.Vector, from []FromKnown, known []solid.Vector) (solid.Vector, float64) {
	cost, lambda := costAt(p, from, known), 1e-6
	for range 200 {
		n, g := normalAt(p, from, known)
		trace := n.At(0, 0) + n.At(1, 1) + n.At(2, 2)
		for i := range 3 {
			n.SetSym(i, i, n.At(i, i)+lambda*trace)
		}
		var step mat.VecDense
		var c mat.Cholesky
		if !c.Factorize(n) || c.SolveVecTo(&step, g) != nil && lambda < 1e-3 {
			lambda *= 10
			continue
		}
		next := p.Sub(solid.Vector{step.AtVec(0), step.AtVec(1), step.AtVec(2)})
		moved := next.Sub(p).Len()
		if v := costAt(next, from, known); v <= cost {
			p, cost, lambda = next, v, math.Max(lambda/10, 1e-12)
		} else {
			lambda *= 10
		}
		if moved < 1e-9 {
			break
		}
	}
	return p, cost
}

// spread works out how far the readings leave the place uncertain.
func (r *SpaceResult) spread(p solid.Vector, from []FromKnown, known []solid.Vector) {
	n, _ := normalAt(p, from, known)
	unit := make([]FromKnown, len(from))
	for i := range from {
		unit[i] = FromKnown{from[i].At, from[i].Distance, 1}
	}
	m, _ := normalAt(p, unit, known)
	least := func(s *mat.SymDense) float64 {
		var e mat.EigenSym
		if !e.Factorize(s, false) {
			return 0
		}
		return math.Max(e.Values(nil)[0], 1e-10)
	}
	r.Sigma = math.Min(1/math.Sqrt(least(n)), 1e5)
	r.Moves = math.Min(1/math.Sqrt(least(m)), 1e5)
}
