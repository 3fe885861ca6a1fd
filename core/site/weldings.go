package site

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell/facet"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/weld"
)

// welding gathers what is welded of a thing; false where the job has none of that id.
func (s Site) welding(of string) (g welding, known bool) {
	for _, w := range s.Brief.Welded {
		if w.ID == of {
			return s.weldingJoint(w), true
		}
	}
	for _, f := range s.Frames {
		if f.ID == of {
			return s.weldingFrame(f), true
		}
	}
	for _, b := range s.Bodies {
		if b.ID == of {
			return s.weldingBody(b), true
		}
	}
	for i := range s.Parts {
		if s.Parts[i].ID == of && s.Parts[i].weldsItself() {
			return s.weldingPart(&s.Parts[i]), true
		}
	}
	return g, false
}

// weldingJoint gathers the seams of a welded joint: of two sides both, the back one after the front.
func (s Site) weldingJoint(w brief.Welded) (g welding) {
	g.name, g.bulks = w.Name, make([]solid.Body, 1)
	open := s.open()
	x, stands := open.paths().seated[w.ID]
	if !stands {
		x = open.seat(w, nil)
	}
	if g.why = x.why; g.why != "" {
		return g
	}
	g.sketch = open.seamSketch(&x)
	if x.built != nil {
		if b, err := made.Build(s.handOf(w.Sides[0].Of, x.placed && s.twin(x.ids[0])), made.Options{Body: true}); err == nil {
			g.bulks[0] = b.Body.Solid().At(x.pose)
		}
	}
	g.alone = true
	for k, side := range w.Sides {
		st := open.stands[x.ids[k]]
		if f := open.frames[side.Of]; side.Kind == brief.MemberSide && f != nil && (k == 0 || x.placed) {
			pose := open.frame(side.Of).Doc.Fit.Solid()
			if st != nil && st.Why == "" {
				pose = st.Pose
			}
			g.bulks[0] = g.bulks[0].With(f.Body().At(pose))
			g.alone = g.alone && k == 0
		} else if k == 1 && side.Kind == brief.PartSide && x.placed && st != nil && st.Why == "" {
			g.bulks[0], g.alone = g.bulks[0].With(st.thing.Body), false
		}
	}
	g.trees, g.names = open.torchObstacles(&x, g.bulks[0])
	m, _ := stock.MaterialByKey(x.seams[0].Sides[0].Material)
	for _, seam := range x.seams {
		thin, thick := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness), math.Max(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
		by := open.layerOf(x.by(seam.ID), m, thin, thick, seam.Form == weld.SpotForm)
		if q, inside := open.laidAs(&x, seam); inside {
			g.laid = append(g.laid, q)
		} else {
			g.outside++
		}
		if seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
			continue // places, each by itself: they bow nothing to speak of
		}
		face := seam.Sides[0].Normal
		for k, back := range []bool{false, true} {
			if back && !seam.Both {
				continue
			}
			for n, line := range seam.Runs() {
				q := PlannedSeam{ID: seam.ID, Name: seam.Called(), Path: line, Leg: seam.Leg, thin: thin, metal: m, face: face,
					area: seam.Leg * seam.Leg / 2, by: by}
				if back {
					q.ID, q.Name, q.face = q.ID+" back", q.Name+", other side", face.Mul(-1)
				}
				if seam.Stitch > 0 {
					q.ID, q.Name = fmt.Sprintf("%s-%d", q.ID, n+1), fmt.Sprintf("%s, stitch %d", q.Name, n+1)
				}
				if seam.Leg == 0 { // a butt: as deep as it is
					q.area = math.Max(seam.Throat, thin) * 2
					q.Leg = math.Max(seam.Throat, thin)
				}
				off := face.Unit().Mul(seam.Sides[0].Thickness / 2)
				if k == 1 {
					off = off.Mul(-1)
				}
				if seam.Form != weld.ButtForm {
					q.Path = shifted(line, off)
				}
				q.Long, q.open = lengthOf(q.Path), opens(seam, q.face)
				g.seams = append(g.seams, q)
			}
		}
	}
	if len(g.seams) == 0 {
		g.why = "It has plugs and spots alone: every second one first, then those between, and let each cool."
	}
	for _, side := range w.Sides {
		if side.Kind == brief.PartSide {
			g.sizes = append(g.sizes, s.holesApart(side.Of)...)
		}
	}
	return g
}

// handOf answers a part's recipe in the hand that stands there.
func (s Site) handOf(id string, twin bool) (r sheet.Recipe) {
	for _, p := range s.Parts {
		if p.ID == id {
			if r = p.Recipe; twin {
				r = r.Mirror()
			}
		}
	}
	return r
}

func (s Site) twin(placed string) bool {
	for _, p := range s.Survey.Placed {
		if p.ID == placed {
			return p.Twin
		}
	}
	return false
}

func shifted(line []solid.Vector, by solid.Vector) (out []solid.Vector) {
	for _, v := range line {
		out = append(out, v.Add(by))
	}
	return out
}

func lengthOf(line []solid.Vector) (mm float64) {
	for i := 1; i < len(line); i++ {
		mm += line[i].Sub(line[i-1]).Len()
	}
	return mm
}

// weldingFrame gathers the ends of a frame's members, side by side of their sections.
func (s Site) weldingFrame(f Frame) (g welding) {
	g.name = f.Name
	built := shape.Build(f.Doc, newStander(s).from.ForFrame(f.Doc))
	g.frame, g.sizes = built, squares(built)
	at, bodies := built.Together()
	g.bulks = bodies
	for _, b := range bodies {
		g.trees, g.names = append(g.trees, solid.NewTree(b)), append(g.names, "the frame itself")
	}
	if len(bodies) == 0 {
		g.why = f.Name + " has no member that can be shown: look at it on the Shape bench."
		return g
	}
	for k, r := range built.Runs {
		if built.Pieces[k].Why == "" {
			g.sketch = append(g.sketch, memberLines(built, r.ID, solid.Ground)...)
		}
	}
	for _, x := range endSeams(built) {
		q := PlannedSeam{ID: x.ID, Name: x.Name, Path: x.Path, Leg: x.leg, Long: lengthOf(x.Path), thin: x.thin, metal: built.Steel, face: x.face,
			area: x.leg * x.leg / 2, body: at[x.run], by: s.layerOf("", built.Steel, x.thin, x.thin, false)}
		g.laid = append(g.laid, effort.Weld{Long: q.Long / 1000, Leg: x.leg, By: effort.By(q.by.process), Metal: string(built.Steel.Family)})
		if q.open = x.face; q.face.Len() > 0 && !x.spliced {
			q.open = x.face.Add(built.Runs[x.run].Axes.X.Mul([2]float64{1, -1}[x.end]))
		}
		g.seams = append(g.seams, q)
	}
	if len(g.seams) == 0 {
		g.why = fmt.Sprintf("No end of %s meets another member or a plate: nothing of it is welded.", f.Name)
	}
	return g
}

// EndSeam is a side of a member's end that is welded, where it runs.
type EndSeam struct {
	ID     string         `json:"id"`
	Number int            `json:"number" doc:"as on the weld map"`
	Name   string         `json:"name"`
	Path   []solid.Vector `json:"path" doc:"mm, in the frame's own axes; told a leg off its face"`

	run, end  int
	leg, thin float64
	face      solid.Vector
	spliced   bool // it is of a splice, not of an end
}

// endSeams lists the seams of a frame: side by side of every end that meets another member or a plate.
func endSeams(built *shape.Built) []EndSeam {
	out := []EndSeam{}
	for k, r := range built.Runs {
		p := &built.Pieces[k]
		if p.Why != "" {
			continue
		}
		for e, end := range [2]member.End{r.A, r.B} {
			plated := slices.ContainsFunc(built.Plates, func(q shape.PlateAt) bool { return q.Member == r.ID && (q.End == "b") == (e == 1) })
			bent := r.Formed[e] != nil && r.Formed[e].Kind == member.Bent
			if end.Hinged || bent || p.Ends[e].Onto == "" && !plated {
				continue
			}
			thin := member.Thickness(r.Section)
			leg := end.Leg
			if leg == 0 {
				leg = thin
			}
			name := fmt.Sprintf("%s, %s end", r.Named(), [2]string{"first", "second"}[e])
			for n, side := range built.Sides(k, e) {
				out = append(out, EndSeam{ID: fmt.Sprintf("%s %s%d", p.ID, [2]string{"a", "b"}[e], n+1), Number: len(out) + 1,
					Name: name + ", " + side.Name, Path: side.Path, run: k, end: e, leg: leg, thin: thin, face: side.Face})
			}
		}
		first, second, _ := built.SpliceSides(k)
		for n, side := range append(first, second...) {
			thin := member.Thickness(r.Section)
			out = append(out, EndSeam{ID: fmt.Sprintf("%s s%d", p.ID, n+1), Number: len(out) + 1, Name: r.Named() + ", splice, " +
				"" + side.Name,
				Path: side.Path, run: k, leg: thin, thin: thin, face: side.Face, spliced: true})
		}
	}
	return out
}

// beadsOf answers seams a leg off their faces, so that they are seen.
func beadsOf(list []EndSeam) []EndSeam {
	for i := range list {
		list[i].Path = shifted(list[i].Path, list[i].face.Mul(list[i].leg))
	}
	return list
}

// facetForms are the forms seams of faceted bodies are laid in: apart or slanted they are butts, whose depth nobody said.
var facetForms = map[facet.Kind]weld.Form{facet.Corner: weld.CornerForm, facet.Lap: weld.LapForm, facet.Open: weld.ButtForm,
	facet.Bevel: weld.ButtForm}

// weldingBody gathers the seams of a faceted body.
func (s Site) weldingBody(b FacetBody) (g welding) {
	g.name = b.Name
	built, err := b.Doc.Build()
	if err != nil {
		g.why = s.Brief.Refused(err)
		return g
	}
	at, _ := b.Doc.Places()
	whole, _ := plated(&built)
	g.bulks = []solid.Body{whole}
	m, _ := stock.MaterialByKey(b.Doc.Material)
	for _, f := range built.Faces {
		var ring []solid.Vector
		for _, q := range f.Outline {
			ring = append(ring, f.Pose.Apply(solid.Vector{q.X, q.Y}))
		}
		g.sketch = append(g.sketch, append(ring, ring[0]))
	}
	guessed := slices.ContainsFunc(s.Parts, func(p BuiltPart) bool {
		return p.Recipe.Facet != nil && p.Recipe.Facet.Of == b.ID && p.Recipe.Guessed
	})
	for _, e := range built.Edges {
		if len(e.Faces) != 2 || e.Seam.Kind == facet.BentOne {
			continue
		}
		looks := [2]solid.Vector{built.Faces[e.Faces[0]].Pose.Z, built.Faces[e.Faces[1]].Pose.Z}
		path := []solid.Vector{at[e.A], at[e.B]}
		by := s.layerOf("", m, built.Thickness, built.Thickness, false)
		q := PlannedSeam{by: by, ID: e.A + " " + e.B, Name: b.Doc.Called(e.A) + " to " + b.Doc.Called(e.B), Path: path,
			Leg: built.Thickness, Long: lengthOf(path), thin: built.Thickness, metal: m, face: looks[0].Add(looks[1]),
			area: built.Thickness * built.Thickness / 2}
		form := weld.Seam{ID: q.ID, Name: q.Name, Form: facetForms[e.Seam.Kind], Path: path, Leg: built.Thickness, Angle: e.Between()}
		for k := range form.Sides {
			form.Sides[k] = weld.SeamSide{Name: b.Doc.Called(built.Faces[e.Faces[k]].ID), Material: b.Doc.Material, Thickness: built.Thickness,
				Guessed: guessed, Normal: looks[k]}
		}
		q.Carries = s.carries(form)
		g.laid = append(g.laid, effort.Weld{Long: q.Long / 1000, Leg: built.Thickness, By: effort.By(by.process), Metal: string(m.Family)})
		g.seams = append(g.seams, q)
	}
	if len(g.seams) == 0 {
		g.why = fmt.Sprintf("No edge of %s is welded.", b.Name)
	}
	return g
}
