package made

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"sync"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// Bend answers the order in which a recipe is bent in the brakes of the options, or what
// stands in the way. It fails with *working.Fault when the recipe is not one, nothing of it
// is bent or no brake is there, or with the context's error. progress may be nil; what was
// found lately is not looked for again.
func Bend(r sheet.Recipe, opt Options, progress func(done, total int)) (bending.Bending, error) {
	opt.Body, opt.Sections, opt.Proved, opt.Ordered = false, false, false, false
	p, err := Build(r, opt)
	if err != nil {
		return bending.Bending{}, err
	}
	return ordered(lay.Out(r, r.Bend.School, opt.Display), opt, p.Mass, progress)
}

// asked is what an order is looked for of; it decides what is found.
type asked struct {
	Recipe         sheet.Recipe
	Shop           []bend.Coupon
	Display        quantity.Display
	Brakes, Others []bending.Brake
	Mass, Lift     float64
}

// ordered looks an order up, or for it.
func ordered(l *lay.Laid, opt Options, mass float64, progress func(done, total int)) (bending.Bending, error) {
	r := l.Recipe
	r.SetAside, r.Reasons, r.Kin, r.Piece, r.Facet = nil, nil, nil, nil, nil
	raw, err := json.Marshal(asked{r, r.Bend.Shop, opt.Display, opt.Brakes, opt.Others, mass, opt.Lift})
	if err != nil {
		return bending.Bending{}, fmt.Errorf("key of an order: %w", err)
	}
	key := sha256.Sum256(raw)
	if b, known := orders.get(key); known {
		return b, nil
	}
	until := opt.Until
	if until == nil {
		until = context.Background()
	}
	b, err := bending.Find(until, l, bending.Asked{Brakes: opt.Brakes, Others: opt.Others, Mass: mass, Lift: opt.Lift, Force: func(long,
		opening float64) *float64 {
		f, err := bend.Force(bend.ForceInput{Thickness: r.Thickness, Length: long, DieOpening: opening, Tensile: l.Material.Tensile})
		if err != nil {
			return nil
		}
		if r.Bend.Method == bend.MethodBottomed {
			f.Newtons *= flags.Bottoming
		}
		return &f.Newtons
	}}, progress)
	if err == nil {
		orders.put(key, b)
	}
	return b, err
}

// orders keeps what was found lately: a part is asked for its flags, its sheets and its
// picture one after the other, and looking takes up to a second.
var orders = kept{most: 128, found: map[[32]byte]bending.Bending{}}

type kept struct {
	sync.Mutex
	most  int
	found map[[32]byte]bending.Bending
	row   [][32]byte // oldest first
}

func (k *kept) get(key [32]byte) (bending.Bending, bool) {
	k.Lock()
	defer k.Unlock()
	b, known := k.found[key]
	return b, known
}

func (k *kept) put(key [32]byte, b bending.Bending) {
	k.Lock()
	defer k.Unlock()
	if _, known := k.found[key]; known {
		return
	}
	if len(k.row) == k.most {
		delete(k.found, k.row[0])
		k.row = k.row[1:]
	}
	k.found[key], k.row = b, append(k.row, key)
}

// tight is how near a part may come to tools before it is said, mm (practice: what a sheet
// is out of true by).
const tight = 1.

// order bends the part and tells what stands in the way; its steps are those found.
func (b *maker) order(part *Part) {
	if !b.opt.Ordered || b.Broken || len(b.Panels) < 2 || len(b.opt.Brakes) == 0 {
		return
	}
	found, err := ordered(b.Laid, b.opt, part.Mass, nil)
	whole := &lay.Panel{ID: "sheet", Name: "Sheet"}
	var fault *working.Fault
	switch {
	case errors.As(err, &fault):
		b.Mind("bend-order-unknown", "Brake", whole, "Nobody looked whether it can be bent: "+lay.Lower(fault.Error()))
		return
	case err != nil:
		return // whoever asked has gone
	}
	part.Bending = &found
	if c := found.Conflict; c != nil {
		b.conflict(found, c)
		return
	}
	part.Steps = b.stepsOf(found)
	b.dieRadius(found)
	b.dieMissing(found)
	for _, s := range found.Steps {
		if s.Near != "" && s.Clear < tight {
			b.Note("bend-tight", "Brake", b.panel(s.IDs[0]), fmt.Sprintf("While %s is bent, %s comes as near as %s: set up with care.",
				lay.Lower(s.Name), s.Near, b.Fine(s.Clear).Text))
		}
	}
}

func (b *maker) panel(id string) *lay.Panel {
	for _, p := range b.Panels {
		if p.ID == id {
			return p
		}
	}
	return &lay.Panel{ID: id}
}

// conflict tells that a part cannot be bent. It stops files where the tools are known; with
// usual ones somebody has to look.
func (b *maker) conflict(found bending.Bending, c *bending.BendingConflict) {
	says := fmt.Sprintf("On %s: %s", found.Brake, c.Says)
	if !c.Proven {
		says += fmt.Sprintf(" No order was found among %d states that were looked at; there may be one.", found.Looked)
	}
	if len(found.Usual) > 0 {
		says += " Taken as usual: " + strings.Join(found.Usual, "; ") + "."
	}
	says += " Ways out: " + strings.Join(c.Ways, "; ") + "."
	tell := b.Stop
	if len(found.Usual) > 0 || !c.Proven {
		tell = b.Mind
	}
	tell("bend-order", "Brake", b.panel(c.IDs[0]), says)
	at := len(b.Teller.Findings) - 1
	b.Attach(at, func() working.Working { return found.Working })
}

// stepsOf writes an order as rows of the bend table: bends made at once have one number.
func (b *maker) stepsOf(found bending.Bending) (out []BendStep) {
	for _, s := range found.Steps {
		for k, id := range s.IDs {
			p := b.panel(id)
			step := BendStep{Order: s.Order, ID: id, Name: p.Name, SideUp: s.SideUp, Turned: s.Turned && k == 0, Angle: p.Flange.Angle,
				Opens: 180 - p.Flange.Angle, Aim: s.Aim, StopAt: s.StopAt, Length: b.Length(p.Zone), Note: s.Note}
			if s.Stop == nil {
				step.Note = strings.TrimPrefix(step.Note+"; its line is marked on the side that lies up, fine on bare metal, in pencil on a coat, "+
					"and seen under the tool: light from behind", "; ")
			}
			if s.Stop != nil {
				step.Stop = *s.Stop
				w := b.Explain(working.Working{Method: "Stop distance", Source: "the body as it is bent so far, lying in the tools",
					Formula: "stop = from the bend line to the farthest of the sheet behind it at the height of the stop",
					Inputs:  []working.Quantity{working.MM("BA", "bend allowance", p.Taken.Allowance)},
					Assumptions: []string{s.StopAt + " meets the stop",
						"the stop is met between 5 mm below and 20 mm above the top of the die"},
					Result: working.MM("stop", "from the bend line", s.Stop.MM)})
				step.Working = &w
			}
			if f := p.Flange.Form().Made(p.Flange); f != "" {
				step.Note = f
			}
			out = append(out, step)
		}
	}
	return out
}
