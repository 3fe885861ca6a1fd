package held

import (
	"cmp"
	"runtime"
	"slices"

	"golang.org/x/sync/errgroup"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Option is a section tried in a frame.
type Option struct {
	Stock    string           `json:"stock"`
	Section  section.Sizes    `json:"section"`
	Mass     float64          `json:"mass" doc:"kg of the whole frame"`
	Use      *float64         `json:"use" doc:"largest utilisation of the members it is tried in"`
	Moves    float64          `json:"moves" doc:"mm, largest"`
	Hertz    float64          `json:"hertz" doc:"lowest natural frequency"`
	Cost     float64          `json:"cost,omitempty" doc:"money, by weight"`
	Verdict  strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest  string           `json:"hardest,omitempty" doc:"what then works hardest, and where"`
	Lightest bool             `json:"lightest" doc:"the lightest that holds, plates, ends and welds with it"`
	Now      bool             `json:"now" doc:"the one that is in"`
	Why      string           `json:"why,omitempty"`
}

// Compare tries other sections of the same kind in all members of one stock.
func Compare(d member.Doc, surveyed shape.Surveyed, ask Asked, stock string) []Option {
	var now section.Sizes
	for _, m := range d.Members {
		if Named(m.Section, m.Stock) == stock {
			now = m.Section
		}
	}
	area := func(s section.Sizes) float64 {
		p, err := section.Work(s)
		if err != nil {
			return 0
		}
		return p.Area
	}
	inches := false
	for _, s := range section.Table() {
		inches = inches || s.Name == stock && s.Inches
	}
	own := area(now)
	tries := []section.Stock{{Name: stock, Sizes: now}}
	for _, s := range section.Table() {
		if now.Height > now.Width != (s.Sizes.Height > s.Sizes.Width) { // stood up as what is in
			s.Sizes = member.Flip(s.Sizes)
		}
		if a := area(s.Sizes); s.Sizes.Kind == now.Kind && s.Inches == inches && s.Name != stock && a > own/4 && a < own*4 {
			tries = append(tries, s)
		}
	}
	ask.Still = len(d.Members) > 150 // frequencies of many large frames take too long
	with := compareWith(d, surveyed, ask, stock)
	out := make([]Option, len(tries))
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for i, s := range tries {
		g.Go(func() error {
			out[i] = with.try(s)
			return nil
		})
	}
	_ = g.Wait() // a section that cannot be tried says so in its option
	out[0].Now = true
	slices.SortStableFunc(out, func(a, b Option) int { return cmp.Compare(a.Mass, b.Mass) })
	MarkLightest(out)
	return out
}

// try works a frame out with a section in all members of a stock, whole: their ends
// and plates, what they stand on, everything else as far as it is worse than now.
func (c *comparing) try(s section.Stock) Option {
	x, changed := swapped(c.d, c.stock, s.Sizes, s.Name)
	b := shape.Build(x, c.surveyed)
	h := Hold(b, x, c.ask)
	o := Option{Stock: s.Name, Section: s.Sizes, Mass: b.Mass, Moves: h.Moves.Most, Verdict: h.Verdict, Why: h.Why,
		Cost: b.Mass * c.d.Saw.PerKilo}
	if len(h.Modes) > 0 {
		o.Hertz = h.Modes[0].Hertz
	}
	if h.Why != "" {
		return o
	}
	mine := map[string]bool{}
	for _, p := range b.Pieces {
		mine[p.ID] = changed[p.ID] || changed[p.Of]
	}
	for _, p := range b.Plates {
		mine[p.ID] = mine[p.Member]
	}
	var list []strength.Check
	for _, k := range h.Ledger {
		if mine[k.Feature] || k.Feature == "" {
			list = append(list, k)
			if k.Utilisation != nil && (o.Use == nil || *k.Utilisation > *o.Use) {
				u := *k.Utilisation
				o.Use, o.Hardest = &u, k.Name+": "+k.Where
			}
			continue
		}
		if was, known := c.was[k.Feature+" "+k.Key]; !known || strength.Worse(k.Verdict, was) { // it touches what stays
			list = append(list, k)
		}
	}
	for _, f := range b.Findings {
		if f.Severity == working.Stop && !c.stops[f.Code+f.Feature] {
			o.Why = f.Reason
			list = append(list, strength.Silent("stop", "Stop", f.Reason))
		}
	}
	o.Verdict = strength.Worst(list)
	return o
}

// MarkLightest marks the lightest of options, sorted by mass, that holds.
func MarkLightest(list []Option) {
	found := false
	for i := range list {
		list[i].Lightest = !found && list[i].Verdict == strength.Holds
		found = found || list[i].Lightest
	}
}

// comparing is a frame whose sections are compared.
type comparing struct {
	d        member.Doc
	surveyed shape.Surveyed
	ask      Asked
	stock    string
	was      map[string]strength.Verdict // of the frame as it is, by feature and key
	stops    map[string]bool
}

func compareWith(d member.Doc, surveyed shape.Surveyed, ask Asked, stock string) *comparing {
	c := &comparing{d, surveyed, ask, stock, map[string]strength.Verdict{}, map[string]bool{}}
	b := shape.Build(d, surveyed)
	for _, f := range b.Findings {
		if f.Severity == working.Stop {
			c.stops[f.Code+f.Feature] = true
		}
	}
	for _, k := range Hold(b, d, ask).Ledger {
		c.was[k.Feature+" "+k.Key] = k.Verdict
	}
	return c
}

// Swapped answers the frame with a section in all members of a stock.
func Swapped(d member.Doc, stock string, to Option) member.Doc {
	x, _ := swapped(d, stock, to.Section, to.Stock)
	return x
}

func swapped(d member.Doc, stock string, to section.Sizes, name string) (member.Doc, map[string]bool) {
	changed := map[string]bool{}
	d.Members = slices.Clone(d.Members)
	for i, m := range d.Members {
		if Named(m.Section, m.Stock) == stock {
			d.Members[i].Section, d.Members[i].Stock = to, name
			changed[m.ID] = true
		}
	}
	return d, changed
}
