package made

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// BendStep is one bend in the order it is made.
type BendStep struct {
	Order   int              `json:"order" doc:"from 1"`
	ID      string           `json:"id" doc:"of the flange"`
	Name    string           `json:"name"`
	SideUp  string           `json:"sideUp" enum:"good,back" doc:"side of the sheet that lies up, so that the bend goes up"`
	Turned  bool             `json:"turned" doc:"the sheet is turned over since the step before"`
	Angle   float64          `json:"angle" doc:"degrees turned from flat"`
	Opens   float64          `json:"opens" doc:"degrees the two faces enclose"`
	Aim     *float64         `json:"aim" doc:"degrees to bend to, springback allowed for"`
	Stop    lay.Length       `json:"stop" doc:"from the bend line to what meets the stop"`
	StopAt  string           `json:"stopAt" doc:"what meets the stop"`
	Length  lay.Length       `json:"length" doc:"of the bend"`
	Note    string           `json:"note,omitempty"`
	Working *working.Working `json:"-"` // see Explain
}

// steps puts the bends in order by rule: what hangs on a flange before the
// flange, short bends before long ones. It is no proof that the piece clears the
// tool.
func (b *maker) steps(part *Part) []BendStep {
	type turn struct {
		p     *lay.Panel
		depth int
	}
	var list []turn
	for _, p := range b.Panels[1:] {
		d := 0
		for q := p; q.Parent != nil; q = q.Parent {
			d++
		}
		list = append(list, turn{p, d})
	}
	slices.SortStableFunc(list, func(a, b turn) int {
		if a.depth != b.depth || math.Abs(a.p.Zone-b.p.Zone) <= sheet.Tiny {
			return b.depth - a.depth
		}
		return cmp.Compare(a.p.Zone, b.p.Zone)
	})
	lines := map[string]*BendLine{}
	for i := range part.BendLines {
		lines[part.BendLines[i].ID] = &part.BendLines[i]
	}
	out := make([]BendStep, 0, len(list))
	up := true
	for i, t := range list {
		p, f := t.p, t.p.Flange
		l := lines[p.ID]
		s := BendStep{Order: i + 1, ID: p.ID, Name: p.Name, SideUp: "good", Turned: f.Up != up && i > 0, Angle: f.Angle, Opens: l.Opens,
			Aim: l.Aim, Length: l.Length, StopAt: "edge of " + lay.Lower(p.Name)}
		if up = f.Up; !up {
			s.SideUp = "back"
		}
		_, flat := p.Size()
		set := 0.0
		for _, k := range p.Kids[2] { // bent before: the stop touches its outside
			if v := bend.TangentSetback(k.Flange.InsideRadius, b.Recipe.Thickness, min(k.Flange.Angle, 180)); v > set {
				set, s.StopAt = v, "outside of "+lay.Lower(k.Name)
			}
		}
		stop := p.Taken.Allowance/2 + flat + set
		s.Stop = b.Length(stop)
		if s.Note = f.Form().Made(f); p.Jog != nil {
			s.Note = "of a jog: a jog die makes both bends at once"
		}
		w := b.Explain(working.Working{Method: "Stop distance", Source: "flat pattern; what is bent already touches the stop with its outside",
			Formula: "stop = BA/2 + flat + setback",
			Inputs: []working.Quantity{working.MM("BA", "bend allowance", p.Taken.Allowance),
				working.MM("flat", "from the tangent line to the tip", flat),
				working.MM("setback", "of what is bent on the tip", set)},
			Assumptions: []string{"the flange's side goes to the stop",
				"order by rule: hung before what they hang on, short before long; whether the piece clears punch and bed is not worked out"},
			Result: working.MM("stop", "from the bend line", stop)})
		s.Working = &w
		out = append(out, s)
	}
	return out
}

// Says answers a step in words.
func (s BendStep) Says() string {
	return fmt.Sprintf("%s side up, stop at %s", s.SideUp, s.StopAt)
}
