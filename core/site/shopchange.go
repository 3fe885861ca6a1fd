package site

import (
	"context"
	"reflect"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// ShopChange is what a change of the shop makes of one part.
type ShopChange struct {
	Part  string            `json:"part" doc:"id of the part or frame"`
	Frame bool              `json:"frame,omitempty"`
	Name  string            `json:"name"`
	Blank string            `json:"blank,omitempty" doc:"how its blank changed, in words"`
	New   []working.Finding `json:"new" doc:"said since"`
	Gone  []working.Finding `json:"gone" doc:"said before, and not any more"`
}

// ShopChanges answers the parts of a job of which something else is said in one shop than in
// another. Parts that both shops make on the same machines are not built.
func ShopChanges(until context.Context, b brief.Brief, parts []Part, was, now shop.Shop) []ShopChange {
	out := []ShopChange{}
	for _, p := range parts {
		before, after := CheckedOptions(b, was, p, parts), CheckedOptions(b, now, p, parts)
		old, r := was.Fill(p.Recipe), now.Fill(p.Recipe)
		if until.Err() != nil || reflect.DeepEqual(before.Machines, after.Machines) && reflect.DeepEqual(before.Brakes, after.Brakes) &&
			reflect.DeepEqual(before.Others, after.Others) && reflect.DeepEqual(old.Bend.Shop, r.Bend.Shop) {
			continue
		}
		before.Until, after.Until = until, until
		x, err := made.Build(old, before)
		if err != nil {
			continue
		}
		y, err := made.Build(r, after)
		if err != nil {
			continue
		}
		c := ShopChange{Part: p.ID, Name: p.Name, New: lacking(y.Findings, x.Findings), Gone: lacking(x.Findings, y.Findings)}
		if r.Bend.School == bend.SchoolShop {
			c.Blank = blankMoved(told.Pen{Display: b.Display()}, x, y)
		}
		if len(c.New)+len(c.Gone) > 0 || c.Blank != "" {
			out = append(out, c)
		}
	}
	return out
}

// blankMoved says how a blank changed; empty when it did not.
func blankMoved(p told.Pen, was, now made.Part) string {
	size := func(x made.Part) string {
		if !x.Whole {
			return "none"
		}
		w, h := x.Outline.Bounds().Size()
		return p.Display.Fine(w) + " × " + p.Display.Fine(h)
	}
	if a, b := size(was), size(now); a != b {
		return "Blank " + b + ", was " + a + "."
	}
	return ""
}

// ShopFrameChanges answers the frames of a job whose cuts are said otherwise in one shop than
// in another.
func ShopFrameChanges(b brief.Brief, v vehicle.Survey, frames []Frame, was, now shop.Shop) []ShopChange {
	out := []ShopChange{}
	if reflect.DeepEqual(was.Saws(b.Inches()), now.Saws(b.Inches())) {
		return out
	}
	p := told.Pen{Display: b.Display()}
	from := newStander(v, b, nil, frames...).from
	for _, f := range frames {
		built := shape.Build(f.Doc, from.ForFrame(f.Doc))
		x, y := p.Found(sawn(p, was, built, b.Inches())), p.Found(sawn(p, now, built, b.Inches()))
		c := ShopChange{Part: f.ID, Frame: true, Name: f.Name, New: lacking(y, x), Gone: lacking(x, y)}
		if len(c.New)+len(c.Gone) > 0 {
			out = append(out, c)
		}
	}
	return out
}

// lacking answers the findings of a list that another has not.
func lacking(list, other []working.Finding) []working.Finding {
	out := []working.Finding{}
	for _, f := range list {
		if !slices.ContainsFunc(other, func(g working.Finding) bool {
			return g.Code == f.Code && g.Feature == f.Feature &&
				g.Severity == f.Severity
		}) {
			f.Fixes, f.Working = nil, nil
			out = append(out, f)
		}
	}
	return out
}
