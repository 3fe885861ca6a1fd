package hole

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Reading is a distance between the centres of two holes, named by number from
// 0.
type Reading struct {
	From     int      `json:"from"`
	To       int      `json:"to"`
	Distance float64  `json:"distance" doc:"mm, centre to centre"`
	Sigma    *float64 `json:"sigma,omitempty" doc:"mm, standard uncertainty; left out of all, they are judged against 0.5 or what they scatter and places told as of 1; left out of some, 0.5"`
}

// MapInput is a hole pattern as measured.
type MapInput struct {
	Count     int       `json:"count" doc:"holes"`
	Readings  []Reading `json:"readings"`
	Diameters []float64 `json:"diameters,omitempty" doc:"mm, to name a slip of the tape"`
	Hook      float64   `json:"hook,omitempty" doc:"mm, thickness of the tape's hook"`
	Plates    []float64 `json:"plates,omitempty" doc:"mm, plate thicknesses about"`
}

// Suspect is the reading that does not go with the others.
type Suspect struct {
	From  int     `json:"from"`
	To    int     `json:"to"`
	Value float64 `json:"value" doc:"mm, the distance that would agree"`
	Off   float64 `json:"off" doc:"mm read too long; negative too short"`
	Index int     `json:"index" doc:"of the reading"`
	Slips []Slip  `json:"slips" doc:"what would explain it"`
}

// Next is a reading that would tell more.
type Next struct {
	From int       `json:"from"`
	To   int       `json:"to"`
	Ways []float64 `json:"ways,omitempty" doc:"mm, what it would be in this answer and in each other"`
}

// MapResult is the map: the first hole at the origin, the second on +x, the
// first other one off the axis above it.
type MapResult struct {
	Points        [][2]float64      `json:"points" doc:"mm, fitted to all readings"`
	Residuals     []float64         `json:"residuals" doc:"mm, fitted − measured"`
	SumOfSquares  float64           `json:"sumOfSquares" doc:"Σ((fitted − measured)/σ)²"`
	Consistent    bool              `json:"consistent"`
	Suspect       *Suspect          `json:"suspect,omitempty"`
	Doubtful      []int             `json:"doubtful,omitempty" doc:"readings one of which is off, when the others cannot tell which"`
	PointsWithout [][2]float64      `json:"pointsWithout,omitempty" doc:"mm, without the suspect"`
	Alternatives  [][][2]float64    `json:"alternatives,omitempty" doc:"other maps that fit as well"`
	Next          *Next             `json:"next,omitempty" doc:"reading that would tell more"`
	Redundancy    int               `json:"redundancy" doc:"readings beyond the least"`
	Control       []float64         `json:"control" doc:"redundancy number of each reading, 0 none to 1 full"`
	Standardised  []float64         `json:"standardised" doc:"each residual against its own uncertainty"`
	Sigmas        []float64         `json:"sigmas" doc:"mm, uncertainty of each hole's place against the first two, largest way"`
	Findings      []working.Finding `json:"findings"`
	Working       working.Working   `json:"working"`
}

// Lack is the refusal of readings that leave a map loose.
type Lack struct {
	Missing  int
	From, To int // reading to take next
}

func (l *Lack) Error() string {
	return fmt.Sprintf("%d more %s needed before the holes have a place each: next, measure from hole %d to hole %d (numbered from 0).",
		l.Missing, plural(l.Missing, "reading is", "readings are"), l.From, l.To)
}

func plural(n int, one, many string) string {
	if n == 1 {
		return one
	}
	return many
}

const (
	maxHoles    = 120
	maxReadings = 3000
	critical    = 3.29 // of a standardised residual, 1 in 1000 by chance (Baarda)
)

// Map fits a hole map to distances by least squares. Readings that leave it
// loose are refused with *Lack; other refusals are *working.Fault.
func Map(in MapInput) (MapResult, error) {
	s, err := in.net()
	if err != nil {
		return MapResult{}, err
	}
	starts, built := s.starts()
	if !built {
		if missing, next := s.lack(); missing > 0 {
			return MapResult{}, &Lack{missing, next[0], next[1]}
		}
		starts = s.random()
	}
	fits := make([]fit, 0, len(starts))
	for _, start := range starts {
		fits = append(fits, s.settle(start, -1))
	}
	slices.SortStableFunc(fits, func(a, b fit) int { return cmp.Compare(a.ssq, b.ssq) })
	best := fits[0]
	r := MapResult{Points: pairsOf(best.at), SumOfSquares: best.ssq, Consistent: true, Redundancy: len(s.pairs) - s.unknowns(),
		Findings: []working.Finding{}}
	for k, p := range s.pairs {
		r.Residuals = append(r.Residuals, best.at[p[0]].Sub(best.at[p[1]]).Len()-s.d[k])
	}
	weak := s.statistics(best, &r)
	s.alternatives(fits, &r)
	s.judge(in, fits, &r)
	s.say(weak, &r)
	r.Working = working.Working{Method: "Hole map by least squares",
		Source: "adjustment of distances (Gauss–Newton with Levenberg–Marquardt damping); suspects by standardised residuals (Baarda's data " +
			"snooping) and a fit without each",
		Formula: "Σ((|Pi − Pj| − d)/σ)² → least",
		Inputs: []working.Quantity{{Symbol: "n", Name: "holes", Value: float64(s.n)},
			{Symbol: "m", Name: "readings", Value: float64(len(s.pairs))},
			{Symbol: "r", Name: "readings beyond the least, m − (2n − 3)", Value: float64(r.Redundancy)}},
		Assumptions: []string{"all holes in one plane, distances centre to centre",
			"σ is each reading's standard uncertainty, 1 mm where none was given"},
		Result: working.Quantity{Symbol: "Σv²/σ²", Name: "sum of squares", Value: math.Round(r.SumOfSquares*1e6) / 1e6}}
	return r, nil
}

// CalcMap is Map for scripts: a loose map is refused at its readings.
func CalcMap(in MapInput) (MapResult, error) {
	r, err := Map(in)
	if l, loose := err.(*Lack); loose {
		return r, working.Refuse("/readings", "%s", l.Error())
	}
	return r, err
}

func (in MapInput) net() (*net, error) {
	if in.Count < 2 || in.Count > maxHoles {
		return nil, working.Refuse("/count", "A map has from 2 to %d holes, not %d.", maxHoles, in.Count)
	}
	if len(in.Readings) == 0 || len(in.Readings) > maxReadings {
		return nil, working.Refuse("/readings", "A map takes from 1 to %d readings, not %d.", maxReadings, len(in.Readings))
	}
	if len(in.Diameters) != 0 && len(in.Diameters) != in.Count {
		return nil, working.Refuse("/diameters", "There are %d diameters for %d holes.", len(in.Diameters), in.Count)
	}
	s := &net{n: in.Count}
	for i, r := range in.Readings {
		at := fmt.Sprintf("/readings/%d", i)
		sigma := 1.0
		if in.weighted() {
			sigma = Unsaid
		}
		if r.Sigma != nil {
			sigma = *r.Sigma
		}
		err := working.First(
			working.Within(at+"/from", "The hole", float64(r.From), 0, float64(in.Count-1), ""),
			working.Within(at+"/to", "The hole", float64(r.To), 0, float64(in.Count-1), ""),
			working.Above(at+"/distance", "The distance", r.Distance, 0, maxLength, "mm"),
			working.Above(at+"/sigma", "The uncertainty", sigma, 0, 1e4, "mm"))
		if err != nil {
			return nil, err
		}
		if r.From == r.To {
			return nil, working.Refuse(at+"/to", "A distance runs between two holes, not from one to itself.")
		}
		s.pairs, s.d, s.w = append(s.pairs, [2]int{r.From, r.To}), append(s.d, r.Distance), append(s.w, 1/sigma)
	}
	return s, nil
}

func pairsOf(at []profile.Point) [][2]float64 {
	out := make([][2]float64, len(at))
	for i, p := range at {
		out[i] = [2]float64{p.X, p.Y}
	}
	return out
}

// statistics fills in the uncertainties and each reading's redundancy number,
// from one factorisation. It answers the holes the readings hardly hold.
func (s *net) statistics(f fit, r *MapResult) (weak []int) {
	m := s.unknowns()
	n, g := mat.NewSymDense(m, nil), mat.NewVecDense(m, nil)
	s.normal(f.at, n, g)
	trace := 0.0
	for i := range m {
		trace += n.At(i, i)
	}
	var c mat.Cholesky
	for ridge := 0.0; !c.Factorize(n); ridge = max(ridge*100, 1e-12) {
		for i := range m {
			n.SetSym(i, i, n.At(i, i)+(ridge+1e-12)*trace/float64(m))
		}
	}
	inv := mat.NewSymDense(m, nil)
	_ = c.InverseTo(inv) // a poor condition is what the uncertainties then show
	at := func(i, j int) float64 {
		if i < 0 || j < 0 {
			return 0
		}
		return inv.At(i, j)
	}
	for k := range s.pairs {
		w, _ := s.row(f.at, k)
		q := 0.0
		for a := range w.m {
			for b := range w.m {
				q += w.val[a] * w.val[b] * inv.At(w.col[a], w.col[b])
			}
		}
		control := min(max(1-q, 0), 1)
		z := 0.0
		if control > 1e-7 {
			z = r.Residuals[k] * s.w[k] / math.Sqrt(control)
		}
		r.Control, r.Standardised = append(r.Control, control), append(r.Standardised, z)
	}
	for p := range s.n {
		x, y := column(p, 0), column(p, 1)
		a, b, d := at(x, x), at(x, y), at(y, y)
		major := (a+d)/2 + math.Hypot((a-d)/2, b)
		sigma := math.Sqrt(math.Max(major, 0))
		r.Sigmas = append(r.Sigmas, math.Min(sigma, maxLength))
		typical := s.slack() / 3
		if sigma > 30*typical {
			weak = append(weak, p)
		}
	}
	return weak
}

// alternatives lists other maps that fit as well, with the reading that tells
// them apart.
func (s *net) alternatives(fits []fit, r *MapResult) {
	kept := []fit{fits[0]}
	for _, f := range fits[1:] {
		if f.ssq > fits[0].ssq+13.8+.1*fits[0].ssq {
			continue // one in a thousand by chance
		}
		if !slices.ContainsFunc(kept, func(k fit) bool { return s.alike(k.at, f.at, 2*s.slack()) }) {
			kept = append(kept, f)
			r.Alternatives = append(r.Alternatives, pairsOf(f.at))
		}
	}
	if len(kept) < 2 {
		return
	}
	best := 0.0
	for i := range s.n {
		for j := range i {
			lo, hi := math.Inf(1), 0.0
			for _, k := range kept {
				d := k.at[i].Sub(k.at[j]).Len()
				lo, hi = min(lo, d), max(hi, d)
			}
			if hi-lo > best*1.001 {
				best, r.Next = hi-lo, &Next{From: j, To: i}
			}
		}
	}
	if r.Next != nil {
		for _, k := range kept {
			r.Next.Ways = append(r.Next.Ways, k.at[r.Next.From].Sub(k.at[r.Next.To]).Len())
		}
	}
}
