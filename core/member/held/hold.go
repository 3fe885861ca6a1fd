// Package held asks whether a frame holds: what it carries on a model of its members,
// every mode of members, ends, plates and the frame as a whole, movements, supports
// and natural frequencies. Forces in N, moments in N·mm, stresses in MPa.
package held

import (
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// Held says whether a frame holds.
type Held struct {
	Why      string           `json:"why,omitempty" doc:"why it cannot be said"`
	Verdict  strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use      *float64         `json:"use" doc:"largest utilisation of all checks"`
	Hardest  string           `json:"hardest" doc:"what works hardest, and where"`
	Cases    []string         `json:"cases"`
	Members  []MemberHeld     `json:"members" doc:"of the pieces, in their order"`
	Checks   []strength.Check `json:"checks" doc:"plates, ears and the frame as a whole"`
	Ledger   []strength.Check `json:"ledger" doc:"every mode it must answer, hardest first"`
	Stable   *working.Working `json:"stable,omitempty" doc:"how many times its loads it bears before it buckles"`
	Supports []SupportHeld    `json:"supports"`
	Moves    Moves            `json:"moves"`
	Modes    []ModeTold       `json:"modes"`
	Swings   *working.Working `json:"swings,omitempty" doc:"working of the frequencies"`
	Acts     []Acting         `json:"acts" doc:"where what it carries presses"`
	Carries  float64          `json:"carries" doc:"kg on it at rest, people left out"`

	Findings []working.Finding `json:"findings"`
}

// MemberHeld is a member under its worst case.
type MemberHeld struct {
	ID      string            `json:"id"`
	Name    string            `json:"name"`
	Stress  strength.Check    `json:"stress" doc:"worst stress along it, MPa"`
	At      float64           `json:"at" doc:"mm from its first point"`
	Column  strength.Check    `json:"column" doc:"buckling with bending, as a sum of shares"`
	Weld    strength.Check    `json:"weld" doc:"fillet all round its worse end, or its splice, N/mm of length"`
	More    []strength.Check  `json:"more" doc:"what else it must answer"`
	Verdict strength.Verdict  `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use     *float64          `json:"use" doc:"largest utilisation of all that it must answer"`
	Ends    [2]*weld.SeamsAsk `json:"-"` // its seams as they are asked, in the frame's axes; nil where nothing goes through them
	Along   []Along           `json:"along" doc:"diagrams of the case that governs its stress"`
}

// Along is one place of a member's diagrams.
type Along struct {
	At    float64      `json:"at" doc:"mm from its first point"`
	N     float64      `json:"n" doc:"N, pulled positive"`
	Vy    float64      `json:"vy" doc:"N, sideways"`
	Vz    float64      `json:"vz" doc:"N, in height"`
	T     float64      `json:"t" doc:"N·mm"`
	My    float64      `json:"my" doc:"N·mm, bending in height, sagging negative"`
	Mz    float64      `json:"mz" doc:"N·mm, bending sideways"`
	MPa   float64      `json:"mpa" doc:"equivalent stress"`
	Place solid.Vector `json:"place"`
	Shift solid.Vector `json:"shift" doc:"mm, in the case that moves the frame most"`
}

// SupportHeld is what a support takes.
type SupportHeld struct {
	Point string     `json:"point"`
	Name  string     `json:"name"`
	Kind  string     `json:"kind"`
	Body  int        `json:"-"` // which of the bodies the frame is of, from 0
	Rest  [6]float64 `json:"rest" doc:"N and N·mm on the frame at rest"`
	Worst [6]float64 `json:"worst" doc:"and in the case of its largest force"`
	Case  string     `json:"case"`
	Lifts bool       `json:"lifts" doc:"it is pulled up in some case"`
	Force float64    `json:"force" doc:"N, largest"`

	Working *working.Working `json:"working,omitempty" doc:"of its largest force"`
}

// Moves is how far the frame moves.
type Moves struct {
	Most   float64          `json:"most" doc:"mm, anywhere, service loads"`
	Member string           `json:"member" doc:"name of the member it is on"`
	Case   string           `json:"case"`
	Limit  float64          `json:"limit,omitempty" doc:"mm wanted"`
	Check  *strength.Check  `json:"check,omitempty"`
	Work   *working.Working `json:"working,omitempty"`
}

// Acting is a place where a load presses, and which way.
type Acting struct {
	At  solid.Vector `json:"at"`
	Way solid.Vector `json:"way"`
}

// ModeTold is a natural frequency.
type ModeTold struct {
	Hertz   float64                 `json:"hertz"`
	Says    string                  `json:"says"`
	Verdict strength.Verdict        `json:"verdict" enum:"holds,tight"`
	Shape   map[string]solid.Vector `json:"shape" doc:"by point, the largest 1"`
}

// yieldOf answers the yield that counts in a welded frame; steels are taken as they are.
func yieldOf(m stock.Material) (float64, string) {
	if s, soft := stock.SoftenedBy(m.Key, "", 0); soft {
		return s.Yield, "welded aluminium: yield within 25 mm of a weld, counted everywhere"
	}
	return m.Yield, ""
}

// Hold asks whether the frame holds.
func Hold(b *shape.Built, d member.Doc, ask Asked) Held {
	h := Held{Verdict: strength.CannotSay, Cases: []string{}, Members: []MemberHeld{}, Checks: []strength.Check{}, Ledger: []strength.Check{},
		Supports: []SupportHeld{}, Modes: []ModeTold{}, Acts: []Acting{}}
	w, err := weighed(b, d, ask, &h)
	if err != nil {
		h.Why = err.Error()
		return h
	}
	if err := w.cases(); err != nil {
		h.Why = w.m.words(err).Error()
		return h
	}
	w.presses()
	ledgers, list := w.members()
	w.supports()
	w.moves(d)
	ledgers = append(ledgers, strength.Ledger{Form: strength.FrameForm})
	h.Checks = append(h.Checks, w.swings(d))
	of, checks := w.plates()
	ledgers, h.Checks = append(ledgers, of...), append(h.Checks, checks...)
	list = append(list, h.Checks...)
	if h.Moves.Check != nil {
		list = append(list, *h.Moves.Check)
	}
	for _, why := range w.missing {
		list = append(list, strength.Silent("loads", "Loads", why))
	}
	o := strength.Close(ledgers, list)
	h.Verdict, h.Use, h.Ledger = o.Verdict, o.Hardest, o.Checks
	if o.First >= 0 {
		c := o.Checks[o.First]
		h.Hardest = c.Name + ": " + c.Where
	}
	if w.unsaid == "" {
		h.Stable = &w.stable.Working
	}
	return h
}

// weighed opens a frame for asking: its model and what it carries.
func weighed(b *shape.Built, d member.Doc, ask Asked, h *Held) (*weighing, error) {
	m, err := newModel(b, ask)
	h.Findings = append([]working.Finding{}, m.lost...)
	if err != nil {
		return nil, err
	}
	w := &weighing{m: m, d: d, ask: ask, held: h, missing: append([]string{}, ask.Open...)}
	for _, f := range h.Findings { // what is not joined or held as it was meant
		w.missing = append(w.missing, f.Reason)
	}
	w.gather()
	return w, nil
}

// swings asks for the frequencies: they stand beside the verdict, and where they
// cannot be said that is said.
func (w *weighing) swings(d member.Doc) strength.Check {
	c := strength.Check{Key: "modes", Name: "frequencies", Where: "the frame", Verdict: strength.NotNeeded}
	if w.ask.Still {
		c.Why = "Left out here."
		return c
	}
	if why := w.modes(d); why != "" {
		c.Verdict, c.Why = strength.CannotSay, why
		return c
	}
	c.Why = "They carry no load: they stand beside it."
	return c
}
