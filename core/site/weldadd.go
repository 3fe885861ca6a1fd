package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// What is added to a welded joint with its own seams.
const (
	AddGusset  = "gusset"  // a triangle in the corner of a fillet
	AddDoubler = "doubler" // a plate under the first part, on what it is welded to
	AddBridge  = "bridge"  // a strip over a gap or a butt, lapped on the first part and welded to the second
	AddCorner  = "corner"  // a triangle in the corner of two members of a frame
)

// WeldAdd is what is to be added to a welded joint.
type WeldAdd struct {
	Joint string `json:"joint,omitempty" doc:"id; of all but a corner"`
	Seam  string `json:"seam,omitempty" doc:"id of its seam"`
	Kind  string `json:"kind" enum:"gusset,doubler,bridge,corner"`

	Frame  string `json:"frame,omitempty" doc:"of a corner: id of the frame"`
	Member string `json:"member,omitempty" doc:"of a corner: id of the member whose end it is beside"`
	End    string `json:"end,omitempty" enum:"a,b"`
}

// WeldAdded is a part with its place and its seams, and the joints as they are then.
type WeldAdded struct {
	Name    string
	Recipe  sheet.Recipe
	Placed  vehicle.Placed
	Welded  []brief.Welded // all of the job's
	Shifted map[string][3]float64
	Summary string
}

// Sizes of what is added, mm or times the sheet (practice): it is a part like another and may be changed.
const (
	gussetMost   = 80.
	gussetNose   = 15.
	doublerRound = 10.
	doublerOver  = 25.
	bridgeLap    = 15.
	bridgeLegs   = 4.
	pointsUp     = 1e-6
)

// Of answers an addition with the id its part was given.
func (a WeldAdded) Of(part string) WeldAdded {
	a.Placed.Part = part
	a.Welded = slices.Clone(a.Welded)
	for i := range a.Welded {
		for k := range a.Welded[i].Sides {
			if a.Welded[i].Sides[k].Of == newPart {
				a.Welded[i].Sides[k].Of = part
			}
		}
	}
	return a
}

// newPart stands for the part until it has an id.
const newPart = "the new part"

// Adding answers a gusset, a doubler or a strip for a seam, placed, with its own seams. It fails with *working.Fault.
func (s Site) Adding(in WeldAdd, newID func() string) (out WeldAdded, err error) {
	if in.Kind == AddCorner {
		out, err = s.open().corner(in, newID)
		if err == nil {
			err = out.Recipe.Validate()
		}
		return out, err
	}
	k := slices.IndexFunc(s.Brief.Welded, func(w brief.Welded) bool { return w.ID == in.Joint })
	if k < 0 {
		return out, working.Refuse("/joint", "The welded joint is not there any more.")
	}
	open := s.open()
	w := s.Brief.Welded[k]
	i := slices.IndexFunc(w.Seams, func(q brief.SeamPlan) bool { return q.ID == in.Seam })
	x, stands := open.paths().seated[w.ID]
	if !stands {
		x = open.seat(w, nil)
	}
	switch {
	case i < 0:
		return out, working.Refuse("/seam", "That seam is not there any more.")
	case x.why != "":
		return out, working.Refuse("/joint", "%s cannot be worked out: %s", w.Name, x.why)
	case w.Seams[i].Panel == "" || x.built == nil || w.Seams[i].On != "":
		return out, working.Refuse("/seam", "%s runs along no edge of a part of sheet: what is added finds its place by such an edge.",
			x.seams[i].Called())
	case !x.placed || x.ids[0] == "":
		return out, working.Refuse("/joint", "%s has no place: place it on the Measure bench, then what is added has one too.", open.named(w.
			Sides[0].Side))
	}
	a := adding{s: open, x: &x, at: k, seam: i, part: newPart, newID: newID, out: &out}
	a.axes()
	out.Welded = slices.Clone(s.Brief.Welded)
	out.Welded[k].Seams = slices.Clone(w.Seams)
	switch in.Kind {
	case AddGusset:
		err = a.gusset()
	case AddDoubler:
		err = a.doubler()
	case AddBridge:
		err = a.bridge()
	default:
		err = working.Refuse("/kind", "A gusset, a doubler or a bridge is added, not %q.", in.Kind)
	}
	if err == nil {
		err = out.Recipe.Validate()
	}
	return out, err
}

// adding is an addition while it is worked out, in the vehicle's axes.
type adding struct {
	s     *site
	x     *seated
	at    int // of the joint
	seam  int
	part  string
	newID func() string
	out   *WeldAdded

	from, mid   solid.Vector // of the seam's line
	along, face solid.Vector // the way it runs; square to the first part
	down        solid.Vector // from the first part's edge on to the second
	long, thick float64
}

func (a *adding) axes() {
	q := a.x.seams[a.seam]
	end := q.Path[len(q.Path)-1]
	a.from, a.mid, a.long = q.Path[0], q.Path[0].Add(end).Mul(.5), q.Len()
	a.along, a.face = end.Sub(q.Path[0]).Unit(), q.Sides[0].Normal.Unit()
	a.down, a.thick = a.along.Cross(a.face).Unit(), q.Sides[0].Thickness
	if q.Form == weld.FilletForm || q.Form == weld.CornerForm {
		if a.down.Dot(q.Sides[1].Normal) < 0 {
			a.down = a.down.Mul(-1)
		}
		return
	}
	for i := range a.x.built.Panels { // away from the panel whose edge it is
		if p := &a.x.built.Panels[i]; p.ID == a.x.w.Seams[a.seam].Panel {
			middle := a.x.pose.Apply(p.Seat.At(p.Pose.Undo(p.Middle)))
			if middle.Sub(a.mid).Dot(a.down) > 0 {
				a.down = a.down.Mul(-1)
			}
		}
	}
}

// up rounds a size up to what is marked out with a rule: whole millimetres, or eighths of an inch.
func (a *adding) up(mm float64) float64 {
	to := 1.
	if a.s.Brief.Inches() {
		to = 25.4 / 8
	}
	return to * math.Ceil(mm/to-1e-9)
}

// sheet starts a recipe of what the first part is of.
func (a *adding) sheet(name string, thickness float64, base sheet.Base) {
	r := a.s.part(a.x.w.Sides[0].Of).Recipe
	base.ID, base.Measure = a.newID(), sheet.Flat
	a.out.Recipe = sheet.Recipe{Schema: sheet.SchemaVersion, Material: r.Material, Thickness: thickness, Process: r.Process, Tool: r.Tool,
		Bend: r.Bend, Base: base}
	a.out.Name = name
}

// place puts the new part with its base's front left corner at a place and its axes along two ways.
func (a *adding) place(at, x, y solid.Vector) {
	yaw, pitch, roll := angles(x, y)
	a.out.Placed = vehicle.Placed{ID: a.newID(), Name: a.out.Name, Part: a.part, At: [3]float64(at), Yaw: yaw, Pitch: pitch, Roll: roll}
}

// side answers the new part as a side of a joint.
func (a *adding) side() brief.SeamBody {
	return brief.SeamBody{Side: brief.Side{Kind: brief.PartSide, Of: a.part, Placed: a.out.Placed.ID}}
}

// seamOf answers a seam along an edge of the new part.
func (a *adding) seamOf(edge sheet.Edge, name string, form weld.Form, both bool) brief.SeamPlan {
	was := a.x.w.Seams[a.seam]
	leg := was.Leg
	if most := math.Min(a.out.Recipe.Thickness, a.thick); leg == 0 || form != weld.FilletForm && leg > most {
		leg = most
	}
	return brief.SeamPlan{Seam: weld.Seam{ID: a.newID(), Name: name, Form: form, Leg: leg, Both: both}, Panel: a.out.Recipe.Base.ID,
		Edge: edge, By: was.By} // a coupon of other pieces proves nothing of these
}

// joined adds a welded joint of the new part.
func (a *adding) joined(name string, to brief.SeamBody, braces string, seams ...brief.SeamPlan) {
	w := a.x.w
	a.out.Welded = append(a.out.Welded, brief.Welded{ID: a.newID(), Name: name, Sides: [2]brief.SeamBody{a.side(), to}, Seams: seams,
		Filler: w.Filler, Where: w.Where, Path: braces == "", Braces: braces})
}

// first answers the first part of the joint as a side of another.
func (a *adding) first() brief.SeamBody {
	b := brief.SeamBody{Side: a.x.w.Sides[0].Side}
	if b.Placed == "" && a.s.stands[a.x.ids[0]] != nil {
		b.Placed = a.x.ids[0]
	}
	return b
}

// triangle answers the base of a gusset whose welds are so large, beside sheet so thick, with legs no longer than a
// length where that leaves its seams long enough: how far its corner is snipped off, its legs, and as thick as its free
// edge asks. All in mm.
func (a *adding) triangle(size, beside, most float64, m stock.Material) (snip, leg, thick float64, base sheet.Base) {
	snip, nose := a.up(size+3), a.up(gussetNose)
	leg = a.up(math.Max(snip+4*size+math.Max(weld.LeastCounted, 4*size), math.Min(gussetMost, most)))
	thick, step := beside, .5
	if a.s.Brief.Inches() {
		step = 25.4 / 32
	}
	for (leg-nose)*math.Sqrt2 > freeEdge(m)*thick && thick < 3*beside {
		thick = step * math.Ceil(thick/step+.5)
	}
	return snip, leg, thick, sheet.Base{Shape: &sheet.Shape{Kind: sheet.Polygon, Points: profile.Loop{
		{X: snip}, {X: leg}, {X: leg, Y: nose}, {X: nose, Y: leg}, {Y: leg}, {Y: snip}}}}
}

// gusset puts a triangle into the corner at the middle of the seam: its foot is a seam of the joint, its other leg one of
// its own.
func (a *adding) gusset() error {
	q := a.x.seams[a.seam]
	if q.Form != weld.FilletForm {
		return working.Refuse("/seam", "A gusset stands in a corner, and %s is none: choose a fillet.", q.Called())
	}
	size := math.Max(q.Leg, weld.SmallestLeg(a.thick))
	m, err := stock.MaterialByKey(q.Sides[0].Material)
	if err != nil {
		return working.Refuse("/joint", "%v", err)
	}
	snip, _, thick, base := a.triangle(size, a.thick, a.long/2, m)
	a.sheet(shortName("Gusset, "+a.x.w.Name), thick, base)
	a.place(a.mid.Add(a.face.Mul(a.thick/2+snip)), a.face, a.down.Mul(-1)) // its first corner, which the snip is before
	foot := a.seamOf("1", "foot of the gusset", weld.FilletForm, true)
	foot.On, foot.Before, foot.After = a.out.Placed.ID, foot.Leg, foot.Leg
	own := a.seamOf("5", "gusset to the part", weld.FilletForm, true)
	own.Before, own.After = own.Leg, own.Leg
	a.out.Welded[a.at].Seams = append(a.out.Welded[a.at].Seams, foot)
	a.joined(a.out.Name, a.first(), a.x.w.ID, own)
	a.out.Summary = "a gusset, welded on both sides along its two legs"
	return nil
}

// doubler puts a plate under the seam: the first part moves off by its thickness.
func (a *adding) doubler() error {
	q := a.x.seams[a.seam]
	if q.Form != weld.FilletForm {
		return working.Refuse("/seam", "A doubler lies under a part that stands on its edge, and %s is no fillet.", q.Called())
	}
	var moved *vehicle.Placed
	for i := range a.s.Survey.Placed {
		if p := &a.s.Survey.Placed[i]; p.ID == a.x.ids[0] {
			moved = p
		}
	}
	if moved == nil || len(moved.Mates) > 0 {
		return working.Refuse("/joint", "%s stands by its mates or by another joint, so that it cannot move off by the thickness of a "+
			"doubler: place it by numbers on the Measure bench, or draw the doubler as a part.", a.s.named(a.x.w.Sides[0].Side))
	}
	thick := math.Max(q.Sides[1].Thickness, a.thick)
	round := a.up(doublerRound)
	a.sheet(shortName("Doubler, "+a.x.w.Name), thick, sheet.Base{Length: a.up(a.long + 2*doublerOver), Width: a.up(a.thick + 2*doublerOver),
		Corner: sheet.Corner{Kind: sheet.Radius, Size: round}})
	x, y := a.along, a.face
	if x.Cross(y).Dot(a.down) > 0 { // its good side looks at the first part
		y = y.Mul(-1)
	}
	b := a.out.Recipe.Base
	a.place(a.mid.Sub(a.down.Mul(thick/2)).Sub(x.Mul(b.Length/2)).Sub(y.Mul(b.Width/2)), x, y)
	to := a.x.w.Sides[1]
	a.out.Welded[a.at].Sides[1] = a.side()
	var seams []brief.SeamPlan
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		lap := a.seamOf(e, "doubler, "+string(e), weld.LapForm, false)
		lap.Leg = math.Min(math.Max(lap.Leg, weld.SmallestLeg(math.Min(thick, q.Sides[1].Thickness))), weld.LargestLeg(thick))
		lap.Before, lap.After = round, round // its corners are
		seams = append(seams, lap)
	}
	a.joined(a.out.Name, to, "", seams...)
	a.out.Shifted = map[string][3]float64{moved.ID: [3]float64(solid.Vector(moved.At).Sub(a.down.Mul(thick)))}
	a.out.Summary = fmt.Sprintf("a doubler, and %s moved off by its thickness", a.s.named(a.x.w.Sides[0].Side))
	return nil
}

// bridge puts a strip over a gap or a butt: it is lapped on the first part, and stands on the second or is lapped on it.
// The seam it bridges is taken out: a slug in a gap is no weld, and a butt beside it would not share.
func (a *adding) bridge() error {
	q := a.x.seams[a.seam]
	gap := a.x.gap(q.ID)
	lap := a.up(math.Max(bridgeLap, bridgeLegs*math.Max(q.Leg, a.thick)))
	wide := lap + gap
	switch q.Form {
	case weld.FilletForm:
	case weld.ButtForm:
		wide = 2*lap + gap
	default:
		return working.Refuse("/seam", "A strip bridges a fillet or a butt, and %s is neither.", q.Called())
	}
	name := "Strip, "
	if q.Form == weld.ButtForm {
		name = "Splice plate, "
	}
	a.sheet(shortName(name+a.x.w.Name), a.thick, sheet.Base{Length: a.long, Width: wide})
	x, y, from := a.along, a.down, a.from
	if x.Cross(y).Dot(a.face) < 0 {
		x, from = x.Mul(-1), a.from.Add(a.along.Mul(a.long))
	}
	a.place(from.Add(a.face.Mul(a.thick)).Sub(y.Mul(lap)), x, y)
	far := a.seamOf(sheet.Back, "strip to "+q.Sides[1].Name, q.Form, false)
	if q.Form == weld.ButtForm {
		far = a.seamOf(sheet.Back, "splice to "+q.Sides[1].Name, weld.LapForm, false)
	}
	near := a.seamOf(sheet.Front, "strip on "+q.Sides[0].Name, weld.LapForm, false)
	w := &a.out.Welded[a.at]
	w.Seams = slices.Delete(w.Seams, a.seam, a.seam+1)
	a.joined(a.out.Name+" to "+q.Sides[1].Name, a.x.w.Sides[1], "", far)
	a.joined(a.out.Name+" on "+q.Sides[0].Name, a.first(), "", near)
	if len(w.Seams) == 0 {
		a.out.Welded = slices.Delete(a.out.Welded, a.at, a.at+1)
	}
	a.out.Summary = fmt.Sprintf("a strip over a gap of %s, with seams of its own on both sides", a.s.seamPen().Fine(gap))
	return nil
}

func shortName(name string) string {
	if r := []rune(name); len(r) > 100 {
		return string(r[:100])
	}
	return name
}

// angles answers yaw, pitch and roll, degrees, of axes whose x and y point two ways square to each other.
func angles(x, y solid.Vector) (yaw, pitch, roll float64) {
	const deg = 180 / math.Pi
	z := x.Cross(y)
	pitch = math.Asin(math.Max(-1, math.Min(1, -x[2]))) * deg
	if math.Hypot(x[0], x[1]) < pointsUp { // it points straight up or down: no roll of its own
		return math.Atan2(-y[0], y[1]) * deg, pitch, 0
	}
	return math.Atan2(x[1], x[0]) * deg, pitch, math.Atan2(y[2], z[2]) * deg
}
