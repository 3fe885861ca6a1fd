package site

import (
	"slices"

	"math"

	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
)

// Whole is a job as it stands on the vehicle, to be looked at from any side: what is made,
// what it carries, what must stay clear, what was measured and where it is joined.
type Whole struct {
	Things   []WholeThing `json:"things"`
	Points   []WholePoint `json:"points"`
	Joints   []WholeJoint `json:"joints"`
	Cases    []string     `json:"cases" doc:"of the forces"`
	Worst    int          `json:"worst" doc:"index of the case with the largest force on a joint"`
	Unplaced []string     `json:"unplaced" doc:"names of what has no place on the vehicle yet"`
}

// Progress is how far a thing has come.
type Progress string

// Open: something holds it back. Released: it may be made. Fitted: its fit was tried.
const (
	OpenYet  Progress = "open"
	Released Progress = "released"
	Fitted   Progress = "fitted"
)

// WholeThing is one thing in its place.
type WholeThing struct {
	ID       string           `json:"id" doc:"of the placed thing, the space or the frame"`
	Of       string           `json:"of,omitempty" doc:"id of the part, frame or device it is"`
	Kind     string           `json:"kind" enum:"part,frame,body,device,box,space"`
	Space    string           `json:"space,omitempty" doc:"kind of the space, in words"`
	Name     string           `json:"name"`
	Shapes   []WholeShape     `json:"shapes" doc:"one, or one for each state of a space that it looks otherwise in"`
	Verdict  strength.Verdict `json:"verdict,omitempty" enum:"holds,tight,over,cannot say" doc:"the worst said of it; empty where nobody asked"`
	Use      *float64         `json:"use,omitempty" doc:"hardest, 1 is all it may carry"`
	Progress Progress         `json:"progress,omitempty" enum:"open,released,fitted"`
	Hit      bool             `json:"hit,omitempty" doc:"it stands too close to something"`
	Says     string           `json:"says,omitempty" doc:"what else there is to know of its place"`
}

// WholeShape is a thing in some states of the vehicle.
type WholeShape struct {
	States    []survey.State `json:"states,omitempty" doc:"in all when left out"`
	Corners   []solid.Vector `json:"corners" doc:"mm forward, left, up"`
	Triangles [][3]int       `json:"triangles"`
}

// WholePoint is a surveyed point or a hole of a map.
type WholePoint struct {
	ID   string       `json:"id"`
	Name string       `json:"name"`
	Map  string       `json:"map,omitempty" doc:"id of its map"`
	At   solid.Vector `json:"at" doc:"mm forward, left, up"`
}

// WholeJoint is one place of a joint with what goes through it.
type WholeJoint struct {
	ID      string           `json:"id" doc:"of the joint"`
	Name    string           `json:"name"`
	At      solid.Vector     `json:"at" doc:"mm"`
	Verdict strength.Verdict `json:"verdict,omitempty" enum:"holds,tight,over,cannot say"`
	Use     *float64         `json:"use,omitempty"`
	Forces  [][3]float64     `json:"forces" doc:"N on what holds, forward, left, up, by case"`
}

// Whole answers the job as it stands.
func (s Site) Whole() Whole {
	w := Whole{Things: []WholeThing{}, Points: []WholePoint{}, Joints: []WholeJoint{}, Unplaced: []string{}}
	h := s.Hold()
	said := s.Said(h)
	w.Cases, w.Worst = h.Path.Cases, h.Path.Worst
	measured := s.Surveyed()
	v := &wholly{Site: s, out: &w, worst: map[string]Said{}, progress: map[string]Progress{}, hit: map[string]bool{}}
	for _, m := range h.Mounts {
		v.judge(m.Mount.Part, said[m.Mount.ID])
	}
	for _, f := range s.Frames {
		v.judge(f.ID, said[f.ID])
	}
	for _, f := range s.Bodies { // as shells they are not worked out
		v.judge(f.ID, Said{Verdict: strength.CannotSay})
	}
	for _, c := range measured.Checks {
		switch {
		case !c.Released:
			v.progress[c.Part] = OpenYet
		case c.Tried:
			v.progress[c.Part] = Fitted
		default:
			v.progress[c.Part] = Released
		}
	}
	for _, c := range measured.Clearances {
		if c.Verdict == "bad" {
			v.hit[c.Thing], v.hit[c.With] = true, true
		}
	}
	v.things()
	v.spaces()
	for _, p := range measured.Points {
		if p.At != nil {
			w.Points = append(w.Points, WholePoint{p.ID, p.Name, p.Of, tenth(solid.Vector(*p.At))})
		}
	}
	for _, l := range h.Path.Links {
		j := WholeJoint{ID: l.Joint, Name: l.Name, At: tenth(l.At), Forces: l.Forces}
		if x, known := said[l.Joint]; known {
			j.Verdict, j.Use = x.Verdict, x.Use
		}
		w.Joints = append(w.Joints, j)
	}
	return w
}

// wholly collects the whole.
type wholly struct {
	Site
	out      *Whole
	worst    map[string]Said
	progress map[string]Progress
	hit      map[string]bool // by name, as clearances tell it
}

// judge keeps the worst that is said of a part or a frame.
func (v *wholly) judge(id string, x Said) {
	was, known := v.worst[id]
	if !known || strength.Worse(x.Verdict, was.Verdict) {
		v.worst[id] = x
	}
}

func (v *wholly) add(t WholeThing) {
	if x, known := v.worst[t.Of]; known {
		t.Verdict, t.Use = x.Verdict, x.Use
	}
	t.Progress, t.Hit = v.progress[t.Of], v.hit[t.Name]
	v.out.Things = append(v.out.Things, t)
}

// things puts down what is placed, frames that stand by their own points, and devices where
// the brief says they stand.
func (v *wholly) things() {
	st := newStander(v.Site)
	here := map[string]bool{}
	for _, p := range v.Survey.Placed {
		d := st.stand(p.ID)
		if d.Why != "" {
			v.out.Unplaced = append(v.out.Unplaced, d.told.Name)
			continue
		}
		t := WholeThing{ID: p.ID, Of: p.Part + p.Device, Name: d.told.Name, Kind: "box"}
		switch {
		case p.Device != "":
			t.Kind = "device"
		case p.Part != "" && st.frames[p.Part].ID != "":
			t.Kind = "frame"
		case p.Part != "" && st.bodies[p.Part].ID != "":
			t.Kind = "body"
		case p.Part != "":
			t.Kind = "part"
		}
		here[t.Of] = true
		t.Shapes = []WholeShape{shapeOf(d.thing.Body)}
		v.add(t)
	}
	for _, f := range v.Frames {
		if here[f.ID] {
			continue
		}
		built := shape.Build(f.Doc, st.from.ForFrame(f.Doc))
		t := WholeThing{ID: f.ID, Of: f.ID, Kind: "frame", Name: f.Name, Shapes: []WholeShape{shapeOf(built.Body().At(f.Doc.Fit.Solid()))},
			Says: "It is drawn where its own points have it."}
		if len(t.Shapes[0].Triangles) == 0 {
			v.out.Unplaced = append(v.out.Unplaced, f.Name)
			continue
		}
		v.add(t)
	}
	open := v.open()
	for _, d := range v.Brief.Devices {
		e := d.Envelope
		switch {
		case here[d.ID]:
		case e == nil || e.Length*e.Width*e.Height == 0 || d.Behind == nil:
			v.out.Unplaced = append(v.out.Unplaced, d.Named())
		default:
			pose, _ := open.devicePose(d)
			body := solid.Box(solid.Vector{-e.Length / 2, -e.Width / 2, 0}, solid.Vector{e.Length / 2, e.Width / 2, e.Height}).At(pose)
			v.add(WholeThing{ID: d.ID, Of: d.ID, Kind: "device", Name: d.Named(), Shapes: []WholeShape{shapeOf(body)},
				Says: "It is not placed: it is drawn as far behind the front axle as the brief says, in the middle, on the datum."})
		}
	}
	for _, f := range v.Bodies {
		if !here[f.ID] {
			v.out.Unplaced = append(v.out.Unplaced, f.Name)
		}
	}
	for _, p := range v.Parts {
		if p.Recipe.Facet != nil && v.bodied(p.Recipe.Facet.Of) { // it is in its body
			continue
		}
		if !here[p.ID] {
			v.out.Unplaced = append(v.out.Unplaced, p.Name)
		}
	}
}

// bodied tells whether a body is in the job.
func (v *wholly) bodied(id string) bool {
	return slices.ContainsFunc(v.Bodies, func(f FacetBody) bool { return f.ID == id })
}

// spaces puts down what must stay clear, in every state it looks otherwise in.
func (v *wholly) spaces() {
	for _, sp := range v.Survey.Spaces {
		t := WholeThing{ID: sp.ID, Kind: "space", Space: survey.Kinds[sp.Kind].Words, Name: sp.Name}
		for i, st := range survey.States {
			if i > 0 && sp.Same(st, survey.States[i-1]) && len(t.Shapes) > 0 {
				last := &t.Shapes[len(t.Shapes)-1]
				last.States = append(last.States, st)
				continue
			}
			if body := sp.In(st); body.Count() > 0 {
				x := shapeOf(body)
				x.States = []survey.State{st}
				t.Shapes = append(t.Shapes, x)
			}
		}
		if len(t.Shapes) == 1 && len(t.Shapes[0].States) == len(survey.States) {
			t.Shapes[0].States = nil
		}
		if len(t.Shapes) > 0 {
			v.add(t)
		}
	}
	from := v.open().from
	for _, l := range v.Survey.Lines {
		var through []solid.Vector
		for _, id := range l.Points {
			if at := from.At(id); at != nil && at.At != nil {
				through = append(through, *at.At)
			}
		}
		if len(through) > 1 {
			v.add(WholeThing{ID: l.ID, Kind: "space", Space: "a line of the body", Name: l.Name,
				Shapes: []WholeShape{shapeOf(ribbon(through))}})
		}
	}
}

func tenth(v solid.Vector) solid.Vector {
	for k := range v {
		v[k] = math.Round(v[k]*10)/10 + 0
	}
	return v
}

// shapeOf is a body as it is drawn: corners once, to a tenth of a millimetre; its sharp edges
// are found where it is drawn.
func shapeOf(b solid.Body) WholeShape {
	m := WholeShape{Corners: []solid.Vector{}, Triangles: [][3]int{}}
	known := map[solid.Vector]int{}
	for _, piece := range b.Pieces {
		for _, t := range piece {
			var tri [3]int
			for k, c := range t {
				c = tenth(c)
				i, had := known[c]
				if !had {
					i = len(m.Corners)
					known[c] = i
					m.Corners = append(m.Corners, c)
				}
				tri[k] = i
			}
			if tri[0] != tri[1] && tri[1] != tri[2] && tri[2] != tri[0] {
				m.Triangles = append(m.Triangles, tri)
			}
		}
	}
	return m
}
