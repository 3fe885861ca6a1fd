package hole

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// MeantInput is a map and what some of its holes are meant to be.
type MeantInput struct {
	Map     MapInput `json:"map"`
	Figures []Figure `json:"figures" doc:"no hole in two of them"`
}

// MeantResult is the test: the map with its figures exact, and whether the readings go with
// that.
type MeantResult struct {
	Holds       bool            `json:"holds" doc:"the readings do not speak against it"`
	Points      [][2]float64    `json:"points" doc:"mm, in the axes of the map, the figures exact"`
	Sizes       [][]float64     `json:"sizes" doc:"mm, by figure: long and short side; first to last hole; pitch; diameter"`
	Moves       []float64       `json:"moves" doc:"mm, how far each hole moves from where the readings alone have it"`
	Rise        float64         `json:"rise" doc:"growth of the sum of squares, in units of what one reading scatters"`
	Limit       float64         `json:"limit" doc:"what chance exceeds once in twenty"`
	Constraints int             `json:"constraints" doc:"what the figures take away that the map was free in"`
	Shows       float64         `json:"shows" doc:"mm, a hole that stands this far off the figure would make it fail; of the one that shows least"`
	Working     working.Working `json:"working"`
}

// CalcMeant is Meant of a map not worked out yet.
func CalcMeant(in MeantInput) (MeantResult, error) {
	r, err := CalcMap(in.Map)
	if err == nil {
		var m MeantResult
		if m, err = in.Map.Meant(r, in.Figures); err == nil {
			return m, nil
		}
	}
	if f, is := err.(*working.Fault); is && !strings.HasPrefix(f.Path, "/figures") {
		err = &working.Fault{Path: "/map" + f.Path, Message: f.Message}
	}
	return MeantResult{}, err
}

// Meant tests whether holes of a worked map are figures: the readings are fitted once more
// with the figures exact, and the growth of the sum of squares is set against chance
// (χ², 5 %). A reading that is off is left out, as in the map. Refusals are *working.Fault.
func (in MapInput) Meant(r MapResult, figures []Figure) (MeantResult, error) {
	s, err := in.net()
	if err != nil {
		return MeantResult{}, err
	}
	if err := in.figured(figures); err != nil {
		return MeantResult{}, err
	}
	free := r.Points
	switch {
	case r.Suspect != nil:
		free = r.PointsWithout
		s.w[r.Suspect.Index] = 0
	case !r.Consistent:
		return MeantResult{}, working.Refuse("/readings", "The readings contradict each other: settle them before asking what the holes are "+
			"meant to be.")
	case len(r.Alternatives) > 0:
		return MeantResult{}, working.Refuse("/readings", "Another map fits as well: take the reading that tells them apart before asking what "+
			"the holes are meant to be.")
	}
	at := make([]profile.Point, len(free))
	for i, p := range free {
		at[i] = profile.Point{X: p[0], Y: p[1]}
	}
	b := bound{net: s}
	b.tie(figures, at)
	before := s.cost(at)
	v := b.settle()
	now := b.places(v)
	out := MeantResult{Constraints: 2*s.n - len(b.start), Points: pairsOf(levelled(now))}
	spread := in.spread(before, r)
	out.Rise = max(s.cost(now)-before, 0) / (spread * spread)
	out.Limit = chiSquareAt(out.Constraints, 1.645)
	out.Holds = out.Rise <= out.Limit
	for i, p := range Meet(now, at, false).At {
		out.Moves = append(out.Moves, p.Sub(at[i]).Len())
	}
	for _, f := range b.figures {
		out.Sizes = append(out.Sizes, f.sizes(v[f.from:f.from+len(f.start)]))
	}
	out.Shows = b.shows(v) * spread * math.Sqrt(out.Limit)
	out.Working = out.explain(spread)
	return out, nil
}

// levelled carries points so that the first is at the origin and the second on +x, and
// never turns them over: which side is which was settled with the map.
func levelled(at []profile.Point) []profile.Point {
	x := at[1].Sub(at[0])
	x = x.Mul(1 / math.Max(x.Len(), 1e-12))
	out := make([]profile.Point, len(at))
	for i, p := range at {
		d := p.Sub(at[0])
		out[i] = profile.Point{X: d.Dot(x), Y: x.Cross(d)}
	}
	return out
}

// spread answers what one reading scatters, in units of its own uncertainty.
func (in MapInput) spread(ssq float64, r MapResult) float64 {
	if in.weighted() {
		return 1
	}
	red := r.Redundancy
	if r.Suspect != nil {
		red--
	}
	if red < 1 {
		return Unsaid
	}
	return math.Max(Unsaid, math.Sqrt(ssq/float64(red)))
}

func (in MapInput) figured(figures []Figure) error {
	if len(figures) == 0 {
		return working.Refuse("/figures", "Say what holes are meant to be.")
	}
	taken := map[int]bool{}
	for i, f := range figures {
		at := fmt.Sprintf("/figures/%d", i)
		if !slices.Contains(Forms, f.Form) {
			return working.Refuse(at+"/form", "Holes are meant to be a rectangle, a row, an even row, a circle or an even circle, not %q.",
				string(f.Form))
		}
		n, exactly := f.Form.Least()
		if len(f.Holes) < n || exactly && len(f.Holes) != n {
			word := "or more "
			if exactly {
				word = ""
			}
			return working.Refuse(at+"/holes", "It takes %d %sholes, not %d.", n, word, len(f.Holes))
		}
		for _, h := range f.Holes {
			if h < 0 || h >= in.Count {
				return working.Refuse(at+"/holes", "There is no hole %d.", h)
			}
			if taken[h] {
				return working.Refuse(at+"/holes", "A hole belongs to one figure, and once: hole %d does not.", h)
			}
			taken[h] = true
		}
	}
	return nil
}

// bound is a net some of whose points are figures: fewer numbers to find.
type bound struct {
	*net
	figures []tied
	start   []float64
	of      [][2]int // of each point: its figure and its number in it, or −1 and its first number
}

type tied struct {
	figure
	from int // its first number
}

func (b *bound) tie(figures []Figure, at []profile.Point) {
	b.of = make([][2]int, b.n)
	for i := range b.of {
		b.of[i] = [2]int{-1, -1}
	}
	for _, f := range figures {
		t := tied{figureOf(f, at), len(b.start)}
		b.start = append(b.start, t.start...)
		for k, h := range t.holes {
			b.of[h] = [2]int{len(b.figures), k}
		}
		b.figures = append(b.figures, t)
	}
	for i, o := range b.of {
		if o[0] < 0 {
			b.of[i][1] = len(b.start)
			b.start = append(b.start, at[i].X, at[i].Y)
		}
	}
}

func (b *bound) place(v []float64, point int) profile.Point {
	o := b.of[point]
	if o[0] < 0 {
		return profile.Point{X: v[o[1]], Y: v[o[1]+1]}
	}
	f := b.figures[o[0]]
	return f.at(v[f.from:f.from+len(f.start)], o[1])
}

func (b *bound) places(v []float64) []profile.Point {
	out := make([]profile.Point, b.n)
	for i := range out {
		out[i] = b.place(v, i)
	}
	return out
}

// derivative is a point's by one number.
type derivative struct {
	col int
	by  profile.Point
}

func (b *bound) derivatives(v []float64, point int) (out []derivative) {
	o := b.of[point]
	if o[0] < 0 {
		return []derivative{{o[1], profile.Point{X: 1}}, {o[1] + 1, profile.Point{Y: 1}}}
	}
	f := b.figures[o[0]]
	w := slices.Clone(v[f.from : f.from+len(f.start)])
	for k := range w {
		was, h := w[k], 1e-6
		w[k] = was + h
		far := f.at(w, o[1])
		w[k] = was - h
		d := far.Sub(f.at(w, o[1])).Mul(.5 / h)
		w[k] = was
		if d != (profile.Point{}) {
			out = append(out, derivative{f.from + k, d})
		}
	}
	return out
}

// jacobian answers the derivatives of the weighted distances by the numbers.
func (b *bound) jacobian(v []float64, at []profile.Point) *mat.Dense {
	j := mat.NewDense(len(b.pairs), len(v), nil)
	by := make([][]derivative, b.n)
	for i := range by {
		by[i] = b.derivatives(v, i)
	}
	for k, p := range b.pairs {
		d := at[p[0]].Sub(at[p[1]])
		u := d.Mul(b.w[k] / math.Max(d.Len(), 1e-12))
		for _, x := range by[p[0]] {
			j.Set(k, x.col, j.At(k, x.col)+u.Dot(x.by))
		}
		for _, x := range by[p[1]] {
			j.Set(k, x.col, j.At(k, x.col)-u.Dot(x.by))
		}
	}
	return j
}

// settle finds the numbers by Levenberg–Marquardt; what the distances leave free, where the
// whole lies and how it is turned, stays where it starts.
func (b *bound) settle() []float64 {
	v := slices.Clone(b.start)
	m := len(v)
	cost := b.cost(b.places(v))
	lambda := 1e-3
	for range 60 {
		at := b.places(v)
		j := b.jacobian(v, at)
		res := mat.NewVecDense(len(b.pairs), nil)
		for k, p := range b.pairs {
			res.SetVec(k, (at[p[0]].Sub(at[p[1]]).Len()-b.d[k])*b.w[k])
		}
		var n mat.SymDense
		n.SymOuterK(1, j.T())
		var g mat.VecDense
		g.MulVec(j.T(), res)
		trace := mat.Trace(&n)
		better := false
		for range 12 {
			damped := mat.NewSymDense(m, nil)
			damped.CopySym(&n)
			for i := range m {
				damped.SetSym(i, i, n.At(i, i)*(1+lambda)+1e-12*trace/float64(m)+1e-300)
			}
			var c mat.Cholesky
			var step mat.VecDense
			if !c.Factorize(damped) || c.SolveVecTo(&step, &g) != nil && step.Len() == 0 {
				lambda *= 10
				continue
			}
			next := slices.Clone(v)
			for i := range next {
				next[i] -= step.AtVec(i)
			}
			if now := b.cost(b.places(next)); now <= cost {
				better = cost-now > 1e-12*(cost+1e-12)
				v, cost, lambda = next, now, math.Max(lambda/10, 1e-9)
				break
			}
			lambda *= 10
		}
		if !better {
			break
		}
	}
	return v
}

// shows answers how far a hole of a figure must stand off it, where it shows least, for the
// sum of squares to grow by one: what the readings tell of the move, less what the figure's
// other numbers can take up of it.
func (b *bound) shows(v []float64) (most float64) {
	at := b.places(v)
	j := b.jacobian(v, at)
	m := len(v)
	var n mat.SymDense
	n.SymOuterK(1, j.T())
	trace := mat.Trace(&n)
	for i := range m {
		n.SetSym(i, i, n.At(i, i)+1e-9*trace/float64(m))
	}
	var c mat.Cholesky
	if !c.Factorize(&n) {
		return math.Inf(1)
	}
	for _, f := range b.figures {
		for _, h := range f.holes {
			// How the readings change as the hole moves right and up.
			e := mat.NewDense(len(b.pairs), 2, nil)
			for k, p := range b.pairs {
				if p[0] != h && p[1] != h {
					continue
				}
				d := at[p[0]].Sub(at[p[1]])
				u := d.Mul(b.w[k] / math.Max(d.Len(), 1e-12))
				if p[1] == h {
					u = u.Mul(-1)
				}
				e.Set(k, 0, u.X)
				e.Set(k, 1, u.Y)
			}
			var je, x, took, own mat.Dense
			je.Mul(j.T(), e)
			if c.SolveTo(&x, &je) != nil && x.IsEmpty() {
				return math.Inf(1)
			}
			took.Mul(je.T(), &x)
			own.Mul(e.T(), e)
			a, q, d := own.At(0, 0)-took.At(0, 0), own.At(0, 1)-took.At(0, 1), own.At(1, 1)-took.At(1, 1)
			left := (a+d)/2 + math.Hypot((a-d)/2, q) // in the direction that breaks the figure most
			if left <= 1e-9 {
				return math.Inf(1)
			}
			most = math.Max(most, 1/math.Sqrt(left))
		}
	}
	return most
}

// chiSquareAt answers the sum of squares that chance exceeds as seldom as a normal deviate
// does z (Wilson and Hilferty).
func chiSquareAt(n int, z float64) float64 {
	if n <= 0 {
		return 1e-6
	}
	c := 2 / (9 * float64(n))
	return float64(n) * math.Pow(1-c+z*math.Sqrt(c), 3)
}

func (r MeantResult) explain(spread float64) working.Working {
	return working.Working{Method: "What the holes are meant to be, tested",
		Source:  "constrained least squares against free least squares (likelihood ratio); χ² at 5 % by Wilson and Hilferty",
		Formula: "(Σv²/σ² with the figures exact − Σv²/σ² without) / s² ≤ χ²(k)",
		Inputs: []working.Quantity{{Symbol: "k", Name: "constraints the figures add", Value: float64(r.Constraints)},
			{Symbol: "s", Name: "what a reading scatters, in units of its σ", Value: spread}},
		Steps:       []working.Quantity{{Symbol: "χ²", Name: "what chance exceeds once in twenty", Value: r.Limit}},
		Assumptions: []string{"a hypothesis that holds is not proved: readings as good as these show a hole only that stands farther off than is said"},
		Result:      working.Quantity{Symbol: "D", Name: "growth of the sum of squares", Value: r.Rise}}
}
