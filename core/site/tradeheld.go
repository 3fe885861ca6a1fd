package site

import (
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// TradedHeld is how a thing holds in another material, asked of everything that touches it.
type TradedHeld struct {
	Verdict strength.Verdict `json:"verdict,omitempty" enum:"holds,tight,over,cannot say" doc:"the worst of its brackets and joints; left out where it is in none"`
	Use     *float64         `json:"use,omitempty" doc:"hardest, 1 is all it may carry"`
	Hardest string           `json:"hardest,omitempty" doc:"which of them, and why"`
	Harms   string           `json:"harms,omitempty" doc:"what of the rest of the job it makes worse"`
	Rusts   []string         `json:"rusts" doc:"metals that eat each other where it is bolted on or lies on another part, dry ones should they get wet"`
}

// touching answers the brackets and joints a part or a frame is in, by id.
func (s Site) touching(id string) (out []string) {
	for _, m := range s.Brief.Mounts {
		if m.Part == id {
			out = append(out, m.ID)
		}
	}
	for _, j := range s.Brief.Joints {
		if j.Part == id || slices.ContainsFunc(j.Sides, func(x brief.Side) bool { return x.Of == id }) {
			out = append(out, j.ID)
		}
	}
	for _, w := range s.Brief.Welded {
		if w.Joins(id) {
			out = append(out, w.ID)
		}
	}
	return out
}

// heldAs tells how a thing holds in a changed site, set against how the job stands now.
func (s Site) heldAs(was stood, now Site, id string) TradedHeld {
	h := now.wetted(id).Hold()
	own := append(s.touching(id), id)
	t := TradedHeld{Rusts: append(s.rusts(h, own), now.lying(id)...)}
	is := now.stoodIn(h)
	for _, x := range own {
		said, known := is.said[x]
		if !known {
			continue
		}
		worse := t.Verdict == "" || strength.Worse(said.Verdict, t.Verdict)
		same := said.Verdict == t.Verdict
		if worse || same && said.Use != nil && (t.Use == nil || *said.Use > *t.Use) {
			t.Verdict, t.Use, t.Hardest = said.Verdict, said.Use, strings.TrimSuffix(said.Name+": "+said.Why, ": ")
		}
	}
	for _, x := range own { // what is its own is told above
		delete(is.said, x)
	}
	t.Harms = was.worse(is, "")
	return t
}

// TradeHeld tells how a part holds in each of several recipes, of a job that has it; a recipe
// that cannot be built holds nothing.
func (s Site) TradeHeld(id string, recipes []sheet.Recipe) []TradedHeld {
	out := make([]TradedHeld, len(recipes))
	at := slices.IndexFunc(s.Parts, func(p BuiltPart) bool { return p.ID == id })
	var was stood
	if at >= 0 && len(s.touching(id)) > 0 {
		was = s.stand()
	}
	sideBySide(s.Until, len(recipes), func(i int) {
		out[i].Rusts = []string{}
		if at < 0 {
			return
		}
		next := s.Parts[at].Part
		next.Recipe = recipes[i]
		now := s
		now.Parts = slices.Clone(s.Parts)
		now.Parts[at] = BuildParts(s.Until, []Part{next}, s.Brief, s.Shop)[0]
		if was.said == nil { // in no bracket and no joint
			out[i].Rusts = now.lying(id)
			return
		}
		out[i] = s.heldAs(was, now, id)
	})
	return out
}

// TradedFrame is a frame as it would be of another material.
type TradedFrame struct {
	TradedHeld
	Material string   `json:"material" doc:"key of the material table"`
	Name     string   `json:"name"`
	Now      bool     `json:"now,omitempty"`
	Mass     string   `json:"mass"`
	Cost     *float64 `json:"cost,omitempty" doc:"by weight and the Shop's price; left out where it has none"`
	Moves    string   `json:"moves" doc:"how far it moves at most"`
	Swings   string   `json:"swings,omitempty" doc:"its lowest frequency"`
	Stops    []string `json:"stops"`
	Minds    []string `json:"minds" doc:"the shop's saws, welders and benders among them"`
	Why      string   `json:"why,omitempty" doc:"why it cannot be said"`
}

// TradeFrame works a frame out of several materials, sections as they are, each proved through
// the joints, brackets and other frames of the job. It fails with *working.Fault where one is no
// material or too many are tried.
func (s Site) TradeFrame(p Frame, materials []string) ([]TradedFrame, error) {
	if len(materials) > mostTries {
		return nil, working.Refuse("/materials", "Up to %d materials are tried at once, and these are %d.", mostTries, len(materials))
	}
	out := make([]TradedFrame, len(materials))
	for i, key := range materials {
		m, err := stock.MaterialByKey(key)
		if err != nil {
			return nil, working.Refuse("/materials", "Choose metals from the table: %v.", err)
		}
		out[i] = TradedFrame{Material: key, Name: m.Name, Now: key == p.Doc.Material, Stops: []string{}, Minds: []string{},
			TradedHeld: TradedHeld{Rusts: []string{}}}
	}
	was := s.with(p).stand()
	pen := told.Pen{Display: s.Brief.Display()}
	sideBySide(s.Until, len(materials), func(i int) {
		t := &out[i]
		next := p
		next.Doc.Material = t.Material
		now := s.with(next)
		framed := now.Framed(next)
		w := framed.Told()
		kilos := shape.Build(next.Doc, framed.Surveyed).Mass
		t.Mass, t.Moves = pen.Kilos(kilos), w.Hold.Most
		if m, err := stock.MaterialByKey(t.Material); err == nil {
			if price, is := s.Shop.PriceOf(m); is {
				cost := kilos * price
				t.Cost = &cost
			}
		}
		if len(w.Hold.Hertz) > 0 {
			t.Swings = w.Hold.Hertz[0]
		}
		for _, f := range w.Findings {
			switch {
			case f.SetAside != "":
			case f.Severity == working.Stop:
				t.Stops = append(t.Stops, f.Reason)
			case f.Severity == working.Mind:
				t.Minds = append(t.Minds, f.Reason)
			}
		}
		t.Why = w.Hold.Why
		t.TradedHeld = s.heldAs(was, now, p.ID)
	})
	return out, nil
}
