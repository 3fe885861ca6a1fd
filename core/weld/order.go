package weld

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// OrderSeam is a seam that is to be laid in runs.
type OrderSeam struct {
	ID   string         `json:"id"`
	Name string         `json:"name,omitempty"`
	Path []solid.Vector `json:"path" doc:"mm, the line it runs along"`
	Area float64        `json:"area" doc:"mm², of its weld's section"`
	Face solid.Vector   `json:"face,omitzero" doc:"the way it opens: of that the work lies up when it is laid flat; zero where it does not matter"`
	Run  float64        `json:"run" doc:"mm, the longest run before a pause"`
	Body int            `json:"body,omitempty" doc:"index of the body it is of"`
}

// Bulk is how what is welded lies as a whole: volume, middle, and ∫ r·rᵀ dV about it.
type Bulk struct {
	Volume float64       `json:"volume" doc:"mm³"`
	Middle solid.Vector  `json:"middle" doc:"mm"`
	Second [3][3]float64 `json:"second" doc:"mm⁵"`
}

// OrderAsk is what is to be welded.
type OrderAsk struct {
	Seams []OrderSeam `json:"seams"`
	Bulks []Bulk      `json:"bulks" doc:"of the bodies that are welded; each bows by itself"`
	Fixed []string    `json:"fixed,omitempty" doc:"an order by hand, of runs; what it does not name comes after"`

	// Tell is called now and then with how far the work is, 0 to 1; nil for never. When it answers false the best
	// order so far is taken.
	Tell func(done float64) bool `json:"-"`
}

// OrderRun is one run: laid without a pause.
type OrderRun struct {
	ID   string       `json:"id" doc:"id of its seam and its number there"`
	Seam string       `json:"seam"`
	Name string       `json:"name"`
	From solid.Vector `json:"from" doc:"mm"`
	To   solid.Vector `json:"to" doc:"mm"`
	Bow  float64      `json:"bow" doc:"mm, of the whole, once it is laid"`
	Turn bool         `json:"turn" doc:"the work is turned before it"`
	Hot  bool         `json:"hot" doc:"what lies beside it is still hot: wait before it"`
}

// Ordered is an order with its price.
type Ordered struct {
	Runs  []OrderRun `json:"runs"`
	Peak  float64    `json:"peak" doc:"mm, the most the whole is bowed at any time"`
	Last  float64    `json:"last" doc:"mm, bowed when all is laid"`
	Turns int        `json:"turns"`
	Hots  int        `json:"hots" doc:"runs begun beside one that is still hot"`
}

// Tack is a tack of a seam.
type Tack struct {
	Seam string       `json:"seam"`
	At   solid.Vector `json:"at" doc:"mm, its middle"`
	Long float64      `json:"long" doc:"mm"`
}

// OrderResult is the order found, and the plain one beside it: seam by seam, end to end.
type OrderResult struct {
	Best    Ordered         `json:"best"`
	Plain   Ordered         `json:"plain"`
	Hand    *Ordered        `json:"hand,omitempty" doc:"the order by hand, where one is given"`
	Tried   int             `json:"tried" doc:"orders that were worked out"`
	Bent    Bent            `json:"bent" doc:"the body that is bowed the most, and how stiff it is that way"`
	Working working.Working `json:"working"`
}

// Bent is a body that bows: the longest way it lies, and its second moment of area against the way it bows.
type Bent struct {
	Body int     `json:"body"`
	Long float64 `json:"long" doc:"mm"`
	I    float64 `json:"i" doc:"mm⁴"`
}

const (
	mostOrderSeams = 400
	mostRuns       = 600
	backstep       = 4   // runs that are still hot after they were laid
	nearHot        = 30. // mm from an end of a run that is still hot to the next
	turnCosts      = .04 // share of the plain peak a turn is worth
	hotCosts       = .06
	orderTries     = 20000 // exchanges that are tried
	lengthwise     = .04   // κ = 0.04·Aw·d/I: Blodgett's bow 0.005·Aw·d·L²/I as a curvature
	crosswise      = .2    // what a run across pulls together, 0.2·Aw/t on a strip of its own length
)

// ordering is runs with what each bows the whole by.
type ordering struct {
	runs []OrderRun
	bows [][2]float64 // mm, in the two axes across its body
	body []int
	beam []beam
	face []solid.Vector
	hots [][]bool // whose ends lie near to each other
	flip [][]bool // between which the work is turned
	ask  OrderAsk
}

// Order finds an order of runs in which the whole stays as straight as it can at every moment, heat is spaced out
// and the work is turned seldom. It fails with *working.Fault. The same ask gives the same answer.
func Order(in OrderAsk) (OrderResult, error) {
	o, err := in.runs()
	if err != nil {
		return OrderResult{}, err
	}
	plain := make([]int, len(o.runs))
	for i := range plain {
		plain[i] = i
	}
	out := OrderResult{Plain: o.price(plain)}
	best, cost := plain, o.cost(plain, out.Plain.Peak)
	keep := func(list []int) {
		out.Tried++
		if c := o.cost(list, out.Plain.Peak); c < cost-1e-12 {
			best, cost = slices.Clone(list), c
		}
	}
	for _, turns := range []float64{0, .3, 1, 3} {
		for _, hots := range []float64{0, .5, 2} {
			keep(o.greedy(out.Plain.Peak, turns, hots))
		}
	}
	best = o.improve(best, out.Plain.Peak, &out.Tried)
	out.Best, out.Bent = o.price(best), o.bent(best)
	if len(in.Fixed) > 0 {
		hand := o.price(o.fixed())
		out.Hand = &hand
	}
	out.Working = working.Working{Method: "Order of runs", Source: blodgett + "; what runs across pull together as a strip of its own length",
		Formula: "bow of a run = θ·min(x, L − x)/2, θ = (0.04·l·cosα + 0.2·l·sinα)·Aw·d/I; the order with the least of peak + 4 % a turn + 6 " +
			"% a " +
			"hot start",
		Inputs: []working.Quantity{{Symbol: "n", Name: "runs", Value: float64(len(o.runs))},
			{Symbol: "Aw", Name: "weld metal in all", Value: o.metal(), Unit: "mm³"}},
		Steps: []working.Quantity{working.MM("plain", "most bowed, seam by seam", out.Plain.Peak),
			working.MM("last", "bowed when all is laid", out.Best.Last), {Symbol: "t", Name: "turns", Value: float64(out.Best.Turns)}},
		Assumptions: append(slices.Clone(half), "the whole bends as one beam about its middle; what holds it down is not in it",
			fmt.Sprintf("the last %d runs are hot", backstep), fmt.Sprintf("%d orders were worked out, in a fixed way", out.Tried)),
		Result: working.MM("peak", "most bowed at any time", out.Best.Peak)}
	return out, nil
}

// runs cuts the seams into runs and works out what each bows the whole by.
func (in OrderAsk) runs() (*ordering, error) {
	switch {
	case len(in.Seams) == 0:
		return nil, working.Refuse("/seams", "There is no seam to lay.")
	case len(in.Seams) > mostOrderSeams:
		return nil, working.Refuse("/seams", "Up to %d seams are put in order at once.", mostOrderSeams)
	case len(in.Bulks) == 0 || len(in.Bulks) > mostOrderSeams:
		return nil, working.Refuse("/bulks", "Say how what is welded lies: from one body to %d.", mostOrderSeams)
	}
	var beams []beam
	for i, b := range in.Bulks {
		if b.Volume <= 0 {
			return nil, working.Refuse(fmt.Sprintf("/bulks/%d/volume", i), "What is welded has no body: its volume is needed.")
		}
		beams = append(beams, in.axes(i))
	}
	o := &ordering{ask: in, beam: beams}
	for i, s := range in.Seams {
		at := fmt.Sprintf("/seams/%d", i)
		if err := working.First(working.Above(at+"/area", "The weld's section", s.Area, 0, 1e4, "mm²"),
			working.Above(at+"/run", "The longest run", s.Run, 0, mostPlace, "mm")); err != nil {
			return nil, err
		}
		if s.Body < 0 || s.Body >= len(beams) {
			return nil, working.Refuse(at+"/body", "There is no body %d.", s.Body)
		}
		long := 0.
		for k := 1; k < len(s.Path); k++ {
			long += s.Path[k].Sub(s.Path[k-1]).Len()
		}
		if long < 1e-6 {
			return nil, working.Refuse(at+"/path", "A seam has no length: give two points of it at least.")
		}
		n := int(math.Ceil(long/s.Run - 1e-9))
		if len(o.runs)+n > mostRuns {
			return nil, working.Refuse(at+"/run", "That makes more than %d runs: let them be longer.", mostRuns)
		}
		for k := range n {
			pieces := run(s.Path, long*float64(k)/float64(n), long*float64(k+1)/float64(n))
			o.add(beams[s.Body], s, k, pieces)
		}
	}
	o.tables()
	return o, nil
}

// tables works out once what every order asks again and again.
func (o *ordering) tables() {
	n := len(o.runs)
	o.hots, o.flip = make([][]bool, n), make([][]bool, n)
	for a := range n {
		o.hots[a], o.flip[a] = make([]bool, n), make([]bool, n)
		for b := range n {
			o.hots[a][b], o.flip[a][b] = o.near(a, b), o.turns(a, b)
		}
	}
}

// beam is the whole as one: along, across twice, its middle, length and inertias.
type beam struct {
	axes   [3]solid.Vector // along, and the two across
	middle solid.Vector
	low    float64
	long   float64
	i      [2]float64 // mm⁴
}

func (in OrderAsk) axes(of int) (b beam) {
	bulk := in.Bulks[of]
	sym := mat.NewSymDense(3, nil)
	for i := range 3 {
		for j := i; j < 3; j++ {
			sym.SetSym(i, j, bulk.Second[i][j])
		}
	}
	var e mat.EigenSym
	b.axes, b.middle = [3]solid.Vector{{1}, {0, 1}, {0, 0, 1}}, bulk.Middle
	if e.Factorize(sym, true) {
		var v mat.Dense
		e.VectorsTo(&v)
		for k := range 3 { // the largest first
			b.axes[k] = solid.Vector{v.At(0, 2-k), v.At(1, 2-k), v.At(2, 2-k)}
		}
	}
	moment := func(u solid.Vector) (m float64) {
		for i := range 3 {
			for j := range 3 {
				m += u[i] * u[j] * bulk.Second[i][j]
			}
		}
		return m
	}
	// As long as a prism that lies alike, or as its seams reach.
	b.long = math.Sqrt(12 * math.Max(moment(b.axes[0]), 0) / bulk.Volume)
	low, high := -b.long/2, b.long/2
	for _, s := range in.Seams {
		if s.Body != of {
			continue
		}
		for _, p := range s.Path {
			x := p.Sub(b.middle).Dot(b.axes[0])
			low, high = math.Min(low, x), math.Max(high, x)
		}
	}
	b.low, b.long = low, high-low
	for k := range 2 {
		b.i[k] = math.Max(moment(b.axes[k+1])/math.Max(b.long, 1e-9), 1e-6)
	}
	return b
}

func (o *ordering) add(b beam, s OrderSeam, k int, pieces [][2]solid.Vector) {
	if len(pieces) == 0 {
		return
	}
	var bow [2]float64
	for _, p := range pieces {
		d := p[1].Sub(p[0])
		l := d.Len()
		m := p[0].Add(p[1]).Mul(.5)
		along := math.Abs(d.Dot(b.axes[0]))
		across := math.Sqrt(math.Max(l*l-along*along, 0))
		x := m.Sub(b.middle).Dot(b.axes[0]) - b.low
		lever := math.Max(math.Min(x, b.long-x), 0) / 2
		for a := range 2 {
			bow[a] += (lengthwise*along + crosswise*across) * s.Area * m.Sub(b.middle).Dot(b.axes[a+1]) / b.i[a] * lever
		}
	}
	name := s.Name
	if name == "" {
		name = s.ID
	}
	o.runs = append(o.runs, OrderRun{ID: fmt.Sprintf("%s/%d", s.ID, k+1), Seam: s.ID, Name: fmt.Sprintf("%s, run %d", name, k+1),
		From: pieces[0][0], To: pieces[len(pieces)-1][1]})
	o.bows, o.face, o.body = append(o.bows, bow), append(o.face, s.Face.Unit()), append(o.body, s.Body)
}

// metal is the weld metal of all runs, mm³.
func (o *ordering) metal() (sum float64) {
	for _, s := range o.ask.Seams {
		for k := 1; k < len(s.Path); k++ {
			sum += s.Area * s.Path[k].Sub(s.Path[k-1]).Len()
		}
	}
	return sum
}

// turns tells whether the work is turned from one run to another: to lay the next flat it lies otherwise by more than
// 45°.
func (o *ordering) turns(a, b int) bool {
	if o.face[a].Len() == 0 || o.face[b].Len() == 0 {
		return false
	}
	return o.face[a].Dot(o.face[b]) < math.Sqrt2/2
}

// near tells whether ends of two runs lie so near that one is begun in the heat of the other.
func (o *ordering) near(a, b int) bool {
	p, q := o.runs[a], o.runs[b]
	for _, v := range [2]solid.Vector{p.From, p.To} {
		if v.Sub(q.From).Len() < nearHot || v.Sub(q.To).Len() < nearHot {
			return true
		}
	}
	return false
}

// hot tells whether a run begins beside one of the last few.
func (o *ordering) hot(list []int, at int) bool {
	for k := max(0, at-backstep); k < at; k++ {
		if o.hots[list[k]][list[at]] {
			return true
		}
	}
	return false
}

// bowed is how far each body is bowed, mm in its two axes.
type bowed [][2]float64

func (b bowed) add(body int, by [2]float64) {
	b[body][0], b[body][1] = b[body][0]+by[0], b[body][1]+by[1]
}

func (b bowed) of(body int) float64 { return math.Hypot(b[body][0], b[body][1]) }

// most is how far the worst is; what rounding leaves is none.
func (b bowed) most() (mm float64) {
	for i := range b {
		mm = math.Max(mm, b.of(i))
	}
	if mm < 1e-9 {
		return 0
	}
	return mm
}

// price works an order out.
func (o *ordering) price(list []int) (p Ordered) {
	sum := make(bowed, len(o.ask.Bulks))
	p.Runs = make([]OrderRun, len(list))
	for k, i := range list {
		sum.add(o.body[i], o.bows[i])
		r := o.runs[i]
		r.Bow = sum.most()
		r.Turn, r.Hot = k > 0 && o.flip[list[k-1]][i], o.hot(list, k)
		if r.Turn {
			p.Turns++
		}
		if r.Hot {
			p.Hots++
		}
		p.Peak, p.Last = math.Max(p.Peak, r.Bow), r.Bow
		p.Runs[k] = r
	}
	return p
}

// bent answers the body that an order bows the most at any time. Against a bow that runs askew it is as stiff as about
// the axis that gives more.
func (o *ordering) bent(list []int) (b Bent) {
	sum := make(bowed, len(o.ask.Bulks))
	most := -1.
	for _, i := range list {
		k := o.body[i]
		if sum.add(k, o.bows[i]); sum.of(k) > most {
			most = sum.of(k)
			axis := 0
			if math.Abs(sum[k][1]) > math.Abs(sum[k][0]) {
				axis = 1
			}
			b = Bent{Body: k, Long: o.beam[k].long, I: o.beam[k].i[axis]}
		}
	}
	return b
}

// cost is what an order is judged by; one that is bowed more than the plain one at any time is none.
func (o *ordering) cost(list []int, plain float64) float64 {
	sum := make(bowed, len(o.ask.Bulks))
	peak, turns, hots := 0., 0, 0
	for k, i := range list {
		sum.add(o.body[i], o.bows[i])
		peak = math.Max(peak, sum.of(o.body[i]))
		if k > 0 && o.flip[list[k-1]][i] {
			turns++
		}
		if o.hot(list, k) {
			hots++
		}
	}
	if peak > plain*(1+1e-12) {
		return math.Inf(1)
	}
	unit := math.Max(plain, 1e-6)
	return peak + unit*(turnCosts*float64(turns)+hotCosts*float64(hots))
}
