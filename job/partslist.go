package job

import (
	"context"
	"strings"

	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
)

// Listed is one row of a job's list of parts: a hand of a part, or a frame.
type Listed struct {
	Name      string
	Hand      sheet.Side
	Frame     bool
	Revision  int
	Quantity  int // for the whole job
	Material  string
	Thickness float64       // mm, of a part
	Kilos     float64       // each
	Gravity   *solid.Vector // mm, in its own axes
	Flat      *sheet.Part   // of a part that can be unfolded
	Why       string        // why it has no numbers
	Held      string        // why its files are held back: not to be cut from the list either
}

// PartsList answers every part, hand by hand, and every frame of a job with its
// mass and centre of gravity, none of them placed.
func (s *Service) PartsList(ctx context.Context, id string) (Job, []Listed, error) {
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return j, nil, err
	}
	parts, err := s.Store.Parts(ctx, id)
	if err != nil {
		return j, nil, err
	}
	frames, err := s.Store.Frames(ctx, id)
	if err != nil {
		return j, nil, err
	}
	v, _, err := s.Store.Survey(ctx, id)
	if err != nil {
		return j, nil, err
	}
	return j, List(v, j.Brief, Bare(parts), Bare(frames)), nil
}

// List works out the rows of a parts list.
func List(v Survey, b Brief, parts, frames []BarePart) []Listed {
	rows := []Listed{}
	held := map[string]string{}
	for _, c := range WorkSurvey(v, b, BuildParts(parts, b), frames...).Checks {
		if !c.Released {
			held[c.Part] = strings.Join(append([]string{c.Says}, c.Holds...), " ")
		}
	}
	for _, p := range parts {
		opt := b.PartOptions(p, parts)
		opt.Body = true
		for _, hand := range p.Hands() {
			row := Listed{Name: p.Name, Hand: hand, Revision: p.Revision, Quantity: p.Quantity * b.Quantity, Material: materialName(p.Recipe.Material), Thickness: p.Recipe.Thickness, Held: held[p.ID]}
			built, err := sheet.Build(p.Handed(hand), opt)
			switch {
			case err != nil:
				row.Why = err.Error()
			case !built.Whole:
				row.Why = "It cannot be unfolded as it stands: look at it on the Shape bench."
			default:
				at := built.Body.Solid().Middle()
				row.Flat, row.Kilos, row.Gravity = &built, built.Mass, &at
			}
			rows = append(rows, row)
		}
	}
	l := newLocator(v, pen{b.Display()})
	newStander(b, nil, l, frames...)
	for _, f := range frames {
		built := member.Build(*f.Frame, l.forFrame(*f.Frame))
		row := Listed{Name: f.Name, Frame: true, Revision: f.Revision, Quantity: f.Quantity * b.Quantity, Material: materialName(f.Frame.Material), Kilos: built.Mass, Gravity: &built.Gravity, Held: held[f.ID]}
		for _, p := range built.Pieces {
			if p.Why != "" {
				row.Why = "Not all of its members stand: " + p.Why
				break
			}
		}
		if built.Mass == 0 {
			row.Gravity = nil
		}
		rows = append(rows, row)
	}
	return rows
}
