package site

import (
	"context"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/member/cutlist"
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
	Joint bool              `json:"joint,omitempty"`
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
			reflect.DeepEqual(before.Others, after.Others) && reflect.DeepEqual(old.Bend.Shop, r.Bend.Shop) &&
			reflect.DeepEqual(old.Cuts, r.Cuts) {
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
		c.Blank = strings.TrimSpace(c.Blank + " " + aimMoved(x, y))
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

// aimMoved says how the angle of the first bend that is aimed at otherwise changed; empty when none
// did by a tenth of a degree.
func aimMoved(was, now made.Part) string {
	for _, b := range now.BendLines {
		for _, a := range was.BendLines {
			if a.ID == b.ID && a.Aim != nil && b.Aim != nil && math.Abs(*a.Aim-*b.Aim) >= .1 {
				return fmt.Sprintf("%s: bend to %.1f°, was %.1f°.", b.Name, *b.Aim, *a.Aim)
			}
		}
	}
	return ""
}

// ShopJointChanges answers the joints of a job whose tools are there in one shop and not in another.
func ShopJointChanges(b brief.Brief, was, now shop.Shop) []ShopChange {
	out := []ShopChange{}
	p := told.Pen{Display: b.Display()}
	for _, j := range b.Joints {
		x, y := tooled(p, was, j.Design), tooled(p, now, j.Design)
		c := ShopChange{Part: j.ID, Joint: true, Name: j.Name, New: lacking(y, x), Gone: lacking(x, y)}
		if len(c.New)+len(c.Gone) > 0 {
			out = append(out, c)
		}
	}
	return out
}

// ShopFrameChanges answers the frames of a job whose cuts are said otherwise in one shop than
// in another.
func ShopFrameChanges(until context.Context, b brief.Brief, v vehicle.Survey, frames []Frame, was, now shop.Shop) []ShopChange {
	out := []ShopChange{}
	inch := b.Inches()
	if reflect.DeepEqual(was.Saws(inch), now.Saws(inch)) && reflect.DeepEqual(was.Welders(inch), now.Welders(inch)) &&
		reflect.DeepEqual(was.Benders(inch), now.Benders(inch)) && reflect.DeepEqual(was.Places(inch), now.Places(inch)) &&
		reflect.DeepEqual(was.Settings, now.Settings) && reflect.DeepEqual(was.Tools, now.Tools) &&
		reflect.DeepEqual(was.Untried(), now.Untried()) {
		return out
	}
	p := told.Pen{Display: b.Display()}
	from := newStander(Site{Survey: v, Brief: b, Frames: frames}).from
	for _, f := range frames {
		built := shape.Build(f.Doc, from.ForFrame(f.Doc))
		said := func(w shop.Shop) (list []working.Finding, sticks int, kerf string) {
			saw, kerf := sawOf(p, f.Doc, w, built, inch)
			cut := cutlist.Plan(until, built, saw)
			for _, s := range cut.Stocks {
				sticks += s.New
			}
			return p.Found(append(sawn(p, w, built, inch), shopped(p, w, built, cut, inch)...)), sticks, kerf
		}
		x, before, _ := said(was)
		y, after, kerf := said(now)
		c := ShopChange{Part: f.ID, Frame: true, Name: f.Name, New: lacking(y, x), Gone: lacking(x, y)}
		if before != after {
			c.Blank = fmt.Sprintf("Whole sticks %d, were %d: %s.", after, before, kerf)
		}
		if len(c.New)+len(c.Gone) > 0 || c.Blank != "" {
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
