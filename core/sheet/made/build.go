// Package made answers everything about a part from its recipe: flat pattern, folded
// body, figures with their working, bends in their order, what can be typed over, and
// findings whose fixes have been tried.
package made

import (
	"context"
	"fmt"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Options of Build.
type Options struct {
	Display    quantity.Display  // how lengths are written
	Body       bool              // the folded body's faces and edges too, for drawing
	Sections   bool              // the folded part cut square to its bends
	Proved     bool              // fixes are tried, and only those that help told
	Lift       float64           // kg one person lifts; 0 is not asked
	NearPeople bool              // it stands in a space with people
	Quantity   int               // how many are made; 0 is not asked
	Master     *flags.MasterTold // the part it is drilled through, where there is one
	Elbow      *flags.ElbowTold  // of a piece of an elbow: what of it the job makes
	Machines   flags.Machines    // it is cut and bent on, and who lifts it
	Brakes     []bending.Brake   // it is bent in, with their tools
	Others     []bending.Brake   // of other sorts, that are there
	Ordered    bool              // the order of its bends is looked for; it takes longer than all else
	// Until ends the work before it is done, when whoever asked has gone; nil for never.
	Until context.Context
}

// Build answers everything about a part. It
// fails with *working.Fault when the recipe is not one, or with the context's error when
// the work is to end; a recipe that cannot
// be unfolded says so in the findings and still shows the rest.
func Build(r sheet.Recipe, opt Options) (Part, error) {
	if err := r.Validate(); err != nil {
		return Part{}, err
	}
	if err := opt.over(); err != nil {
		return Part{}, err
	}
	l := lay.Out(r, r.Bend.School, opt.Display)
	part := Part{Whole: !l.Broken, Holes: []HoleMade{}, Sections: []Section{}, Marks: []MarkMade{}, Steps: []BendStep{},
		BendLines: []BendLine{}, Panels: []PanelMade{}, Schools: []SchoolBlank{}, Ordinates: Ordinates{[]Ordinate{}, []Ordinate{}},
		Figures: []Figure{}, Body: Body{Panels: []BodyPanel{}, Bends: []BodyBend{}, Edges: [][]solid.Vector{}}, Outline: profile.Loop{}}
	b := &maker{Laid: l, Teller: l.Next(), opt: opt}
	told := []*lay.Teller{l.Teller, b.Teller}
	if len(l.Panels) > 0 {
		told = append(told, b.make(&part))
	}
	part.Dimensions = b.dimensions()
	part.Findings = sorted(l, append(told, b.reasons(part.Dimensions))...)
	if opt.Proved {
		prove(r, opt, &part)
	}
	return part, opt.over()
}

// over answers why the work is to end, if it is.
func (o Options) over() error {
	if o.Until == nil {
		return nil
	}
	return o.Until.Err()
}

// maker tells what a part that is laid out is.
type maker struct {
	*lay.Laid
	*lay.Teller // what its marks are found to lack
	opt         Options
}

// make fills in the part and answers what its checks found.
func (b *maker) make(part *Part) *lay.Teller {
	part.Outline = b.Outline
	part.Bounds = part.Outline.Bounds()
	b.describe(part)
	part.Marks = b.marksMade(part)
	part.Steps = b.steps(part)
	b.measure(part)
	b.order(part)
	if part.First = part.firstBend(b.Recipe.Thickness); part.First != nil {
		f := part.First
		f.Says = fmt.Sprintf("The first bend serves as one: %s. Lay the rule square across its middle, edge to edge. The blank is %s there; as "+
			"computed the legs come to %s and %s, to the outside.", f.Name, b.Fine(f.Flat).Text, b.Fine(f.LegA).Text, b.Fine(f.LegB).Text)
	}
	if b.opt.Sections {
		part.Sections = b.sections()
	}
	part.Schools = b.schools(part.Bounds)
	return flags.Check(b.Laid, flags.Asked{Lift: b.opt.Lift, NearPeople: b.opt.NearPeople, Quantity: b.opt.Quantity,
		Master: b.opt.Master, Elbow: b.opt.Elbow, Machines: b.opt.Machines,
		Mass: part.Mass, Marks: len(part.Marks), Size: part.Body.Max.Sub(part.Body.Min), Welds: len(part.Welded(b.Recipe)) > 0})
}

// sorted answers the findings of all steps, stops first, doubled ones dropped.
func sorted(b *lay.Laid, steps ...*lay.Teller) []working.Finding {
	out := []working.Finding{}
	seen := map[[3]string]bool{}
	for _, severity := range []working.Severity{working.Stop, working.Mind, working.Note} {
		for _, t := range steps {
			for i, f := range t.Findings {
				key := [3]string{f.Code, f.Feature, f.Reason}
				if f.Severity != severity || seen[key] {
					continue
				}
				seen[key] = true
				f.Place = b.Placed(t.Spots[i])
				for _, a := range b.Recipe.SetAside {
					if a.Code == f.Code && a.Feature == f.Feature {
						f.SetAside = a.Reason
					}
				}
				out = append(out, f)
			}
			for _, f := range t.Beyond() {
				if f.Severity == severity {
					out = append(out, f)
				}
			}
		}
	}
	return out
}
