package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/working"
)

// FixtureAsk is what a fixture that holds the studs of a part square is to be like.
type FixtureAsk struct {
	Panel   string  `json:"panel" doc:"id of the part's panel the studs stand on"`
	Stud    float64 `json:"stud,omitempty" doc:"mm, diameter of the studs; that of each hole when left out"`
	Play    float64 `json:"play,omitempty" doc:"mm, that a hole of the fixture is wider than its stud"`
	Border  float64 `json:"border" doc:"mm from the outermost studs to the edge; twice the wider of stud and bolt at least"`
	Bolt    float64 `json:"bolt,omitempty" doc:"mm, holes of the bolts that go through the tubes between its plates; none when left out"`
	Through bool    `json:"through,omitempty" doc:"its holes are drilled through the part, which is then their master; cut otherwise"`
}

// fixtureLoose is how much wider or tighter a hole that is drilled through the part may be than asked, mm
// (practice).
const fixtureLoose = .25

// FixtureFor answers the plate of which two hold the studs of a part square while they are welded: a hole at
// every round hole of a panel, where it is there, whatever else is on it. It fails with *working.Fault.
func FixtureFor(p BuiltPart, in FixtureAsk, newID func() string) (sheet.Recipe, error) {
	r := p.Recipe
	if p.Err != nil {
		return r, working.Refuse("", "%s is no part as it stands: %v", p.Name, p.Err)
	}
	if !p.Built.Whole {
		return r, working.Refuse("", "%s cannot be built as it stands: look at its flags first.", p.Name)
	}
	if r.Base.Shape != nil && r.Base.Shape.Kind == sheet.Developed {
		return r, working.Refuse("", "%s is round: studs on it do not stand in one plate.", p.Name)
	}
	if err := working.First(working.Within("/stud", "The stud", in.Stud, 0, 100, "mm"),
		working.Within("/play", "The play", in.Play, 0, 5, "mm"), working.Within("/border", "The border", in.Border, 0, 1000, "mm"),
		working.Within("/bolt", "The bolt's hole", in.Bolt, 0, 100, "mm")); err != nil {
		return r, err
	}
	box, most := profile.Empty(), 0.
	var holes []sheet.Hole
	for _, h := range p.Built.Holes {
		if h.Panel != in.Panel || h.Kind != sheet.RoundHole {
			continue
		}
		d := h.Diameter
		if in.Stud > 0 {
			if d = in.Stud; in.Stud > h.Diameter+sheet.Tiny {
				return r, working.Refuse("/stud", "A stud of %g mm does not go through %s, which is %g mm.", in.Stud, h.Name, h.Diameter)
			}
		}
		d += in.Play
		if in.Through {
			if math.Abs(d-h.Diameter) > fixtureLoose {
				return r, working.Refuse("/through", "Drilled through %s, a hole comes out as wide as that, %g mm; asked is %g mm. Cut the holes of "+
					"the fixture instead.", h.Name, h.Diameter, d)
			}
			d = h.Diameter
		}
		most = math.Max(most, d)
		box.Include(h.Centre)
		x := sheet.Hole{ID: newID(), Name: h.Name, Group: "Studs", Kind: sheet.RoundHole, Diameter: d,
			X: sheet.Offset{Edge: sheet.Left, Distance: h.Centre.X}, Y: sheet.Offset{Edge: sheet.Front, Distance: h.Centre.Y}}
		if in.Through {
			x.Made = sheet.MadeMatched
		}
		holes = append(holes, x)
	}
	if len(holes) == 0 {
		return r, working.Refuse("/panel", "There is no round hole on it that a stud could stand in.")
	}
	border := math.Max(in.Border, 2*math.Max(in.Bolt, most))
	w, h := box.Size()
	for i := range holes {
		holes[i].X.Distance += border - box.Min.X
		holes[i].Y.Distance += border - box.Min.Y
	}
	base := starters.FixturePlate(w+2*border, h+2*border, border, in.Bolt, newID)
	base.Holes = slices.Concat(holes, base.Holes)
	out := sheet.Recipe{Schema: sheet.SchemaVersion, Material: r.Material, Thickness: r.Thickness, Guessed: r.Guessed, Gauge: r.Gauge,
		Process: r.Process, Tool: r.Tool, Bend: r.Bend, Base: base}
	if in.Through {
		out.Master = &sheet.Master{Part: p.ID, Name: p.Name}
	}
	if err := out.Validate(); err != nil {
		return out, fmt.Errorf("the fixture of %s: %w", p.Name, err)
	}
	return out, nil
}
