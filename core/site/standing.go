package site

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/member/shape"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// PlacedTold is a thing in its place.
type PlacedTold struct {
	ID       string            `json:"id"`
	Name     string            `json:"name"`
	Why      string            `json:"why,omitempty" doc:"why it has no place"`
	Holes    []HoleChoice      `json:"holes" doc:"holes it can be mated by"`
	Misses   []Miss            `json:"misses" doc:"by mate"`
	Within   string            `json:"within,omitempty" doc:"how well its place is known"`
	Least    *brief.Source     `json:"least,omitempty"`
	Ways     []string          `json:"ways" doc:"other ways it would bolt up"`
	Remedy   string            `json:"remedy,omitempty" doc:"what leaves one way"`
	Lies     []Lies            `json:"lies" doc:"where its origin and ends lie, from the point its numbers count from: forward, left, up; empty without a place"`
	Past     []string          `json:"past" doc:"how far it reaches past the outermost points that hold it, by way"`
	Findings []working.Finding `json:"findings"`
}

// Lies is where a placed thing's origin and ends lie along one way, in mm.
type Lies struct {
	Origin float64 `json:"origin"`
	Low    float64 `json:"low"`
	Middle float64 `json:"middle"`
	High   float64 `json:"high"`
}

// HoleChoice is a hole of a part, or a foot of a device.
type HoleChoice struct {
	ID       string  `json:"id"`
	Name     string  `json:"name"`
	Feature  string  `json:"feature,omitempty"`
	Panel    string  `json:"panel,omitempty"`
	Diameter float64 `json:"diameter"`
}

// Miss is how far a hole stays off its point.
type Miss struct {
	Hole  string  `json:"hole"`
	Point string  `json:"point"`
	Off   float64 `json:"off" doc:"mm"`
	Text  string  `json:"text"`
	Goes  *bool   `json:"goes,omitempty" doc:"whether the bolt goes through; left out without a bolt"`
}

// stand is a placed thing as it is worked with.
type stand struct {
	vehicle.Seating
	told   PlacedTold
	thing  survey.Thing
	bolts  []survey.Thing
	rooms  []survey.Thing // in front of plugs, levers and hoses of a device
	bore   map[string]float64
	normal map[string]solid.Vector
	built  *made.Part // of a part, in the hand that stands there
}

// stander places things, each when it is asked for.
type stander struct {
	brief  brief.Brief
	parts  map[string]BuiltPart
	frames map[string]Frame
	bodies map[string]FacetBody
	from   *vehicle.Locator
	list   map[string]*vehicle.Placed
	done   map[string]*stand
	under  map[string]bool
}

// newStander starts to place the things of a survey, with a locator of its own that knows
// of them: points may be marked through a part that stands.
func newStander(all Site) *stander {
	l := vehicle.NewLocator(all.Survey, told.Pen{Display: all.Brief.Display()})
	s := &stander{brief: all.Brief, parts: map[string]BuiltPart{}, frames: map[string]Frame{}, bodies: map[string]FacetBody{}, from: l,
		list: map[string]*vehicle.Placed{}, done: map[string]*stand{}, under: map[string]bool{}}
	for _, p := range all.Parts {
		s.parts[p.ID] = p
	}
	for _, f := range all.Frames {
		s.frames[f.ID] = f
	}
	for _, x := range all.Bodies {
		s.bodies[x.ID] = x
	}
	for i := range l.Survey.Placed {
		s.list[l.Survey.Placed[i].ID] = &l.Survey.Placed[i]
	}
	l.Thing = func(id string) *vehicle.Seating {
		if _, ok := s.list[id]; !ok {
			return &vehicle.Seating{Why: "The part it was marked through is not placed any more."}
		}
		return &s.stand(id).Seating
	}
	return s
}

func (s *stander) stand(id string) *stand {
	if d, ok := s.done[id]; ok {
		return d
	}
	p := s.list[id]
	d := &stand{told: PlacedTold{ID: p.ID, Name: p.Name, Holes: []HoleChoice{}, Misses: []Miss{}, Ways: []string{}, Lies: []Lies{},
		Past:     []string{},
		Findings: []working.Finding{}}, bore: map[string]float64{}, normal: map[string]solid.Vector{}}
	d.Holes = map[string]solid.Vector{}
	d.Pose = solid.Turned(p.At, p.Yaw, p.Pitch, p.Roll)
	if s.under[id] {
		d.Why = p.Name + " is placed by a point that was marked through itself."
		return d
	}
	s.under[id] = true
	defer delete(s.under, id)
	thickness := s.fill(p, d)
	switch {
	case d.Why != "":
	case len(p.Mates) > 0:
		s.mate(p, d, thickness)
	default:
		s.lay(p, d)
	}
	d.told.Why = d.Why
	if d.Why == "" {
		d.thing.ID, d.thing.Name = p.ID, p.Name
		d.thing.Body = d.thing.Body.At(d.Pose)
		d.thing.Sigma = d.Sigma
		for i := range d.rooms {
			d.rooms[i].Body, d.rooms[i].Sigma = d.rooms[i].Body.At(d.Pose), d.Sigma
		}
		if d.Sigma > 0 {
			d.told.Within = s.from.Pen.MM(2 * d.Sigma)
		}
		s.reaches(p, d)
		d.told.Least = brief.LeastTrusted(d.Sources)
	}
	s.done[id] = d
	return d
}

// fill answers the thing's body in its own axes and its sheet's thickness.
func (s *stander) fill(p *vehicle.Placed, d *stand) (thickness float64) {
	switch {
	case p.Part != "" && s.frames[p.Part].ID != "":
		s.members(s.frames[p.Part], d)
	case p.Part != "" && s.bodies[p.Part].ID != "":
		s.panelled(s.bodies[p.Part], p.Twin, d)
	case p.Part != "":
		part, ok := s.parts[p.Part]
		if !ok {
			d.Why = "Its part is not in the job any more: choose another."
			return 0
		}
		r := part.Recipe
		if p.Twin {
			r = r.Mirror()
		}
		built, err := made.Build(r, made.Options{Display: s.brief.Display(), Body: true})
		if err != nil || !built.Whole {
			d.Why = "Its part cannot be built as it stands: look at it on the Shape bench."
			return 0
		}
		if d.told.Name == "" {
			d.told.Name = part.Name
		}
		d.thing.Body, d.built = built.Body.Solid(), &built
		for _, h := range built.Holes {
			d.Holes[h.ID], d.bore[h.ID], d.normal[h.ID] = h.Body, h.Diameter, h.Normal
			d.told.Holes = append(d.told.Holes, HoleChoice{h.ID, h.Name, h.Feature, h.Panel, h.Diameter})
		}
		if built.Round != nil {
			size := built.Body.Max.Sub(built.Body.Min)
			d.corners(r.Base.ID, "Box round it", size[0], size[1], solid.Vector{0, 0, 1}, func(x, y float64) solid.Vector {
				return built.Body.Min.Add(solid.Vector{x, y})
			})
			return r.Thickness
		}
		for _, m := range built.Panels {
			d.corners(m.ID, m.Name, m.Seat.Width, m.Seat.Height, m.Seat.Z,
				func(x, y float64) solid.Vector { return m.Seat.At(profile.Point{X: x, Y: y}) })
		}
		return r.Thickness
	case p.Device != "":
		dev, ok := s.brief.Device(p.Device)
		if !ok || dev.Envelope == nil || dev.Envelope.Length*dev.Envelope.Width*dev.Envelope.Height == 0 {
			d.Why = "Its device has no envelope: give its length, width and height in the brief."
			return 0
		}
		if d.told.Name == "" {
			d.told.Name = dev.Name
		}
		e := dev.Envelope
		d.thing.Body = solid.Box(solid.Vector{-e.Length / 2, -e.Width / 2, 0}, solid.Vector{e.Length / 2, e.Width / 2, e.Height})
		d.corners("underside", "underside", e.Length, e.Width, solid.Vector{0, 0, 1},
			func(x, y float64) solid.Vector { return solid.Vector{x - e.Length/2, y - e.Width/2, 0} })
		for i, f := range dev.Feet {
			id := fmt.Sprintf("foot-%d", i+1)
			d.Holes[id], d.normal[id] = solid.Vector{f.X, f.Y, 0}, solid.Vector{0, 0, 1}
			d.bore[id] = f.Bore
			d.told.Holes = append(d.told.Holes, HoleChoice{ID: id, Name: fmt.Sprintf("foot %d", i+1), Diameter: f.Bore})
		}
		for _, r := range dev.Rooms {
			lo, hi := r.Box(*e)
			d.rooms = append(d.rooms, survey.Thing{ID: p.ID, Name: d.told.Name + ", " + r.Called(), Body: solid.Box(lo, hi)})
		}
	case p.Size != nil:
		d.thing.Body = solid.Box(solid.Vector{}, solid.Vector{p.Size.Length, p.Size.Width, p.Size.Height})
		d.corners("underside", "underside", p.Size.Length, p.Size.Width, solid.Vector{0, 0, 1},
			func(x, y float64) solid.Vector { return solid.Vector{x, y, 0} })
	default:
		d.Why = "Say what it is: a part, a device, or a box of a size."
	}
	return 0
}

// members answers a frame's body; it is placed by its points.
func (s *stander) members(f Frame, d *stand) {
	built := shape.Build(f.Doc, s.from.ForFrame(f.Doc))
	if d.told.Name == "" {
		d.told.Name = f.Name
	}
	d.thing.Body = built.Body()
	if len(d.thing.Body.Pieces) == 0 {
		d.Why = "Its frame has no member that can be shown: look at it on the Shape bench."
		return
	}
	for _, j := range built.Joints {
		if j.Why == "" {
			d.Holes[j.ID], d.normal[j.ID] = j.At, solid.Vector{0, 0, 1}
			d.told.Holes = append(d.told.Holes, HoleChoice{ID: j.ID, Name: j.Name})
		}
	}
}

// corners adds a face's corners and middle to what can be mated: a face is
// placed by laying them on surveyed points.
func (d *stand) corners(id, name string, w, h float64, normal solid.Vector, at func(x, y float64) solid.Vector) {
	for i, c := range [5][2]float64{{0, 0}, {1, 0}, {1, 1}, {0, 1}, {.5, .5}} {
		key, word := fmt.Sprintf("%s/corner-%d", id, i+1), fmt.Sprintf("corner %d of %s", i+1, name)
		if i == 4 {
			key, word = id+"/middle", "middle of "+name
		}
		d.Holes[key], d.normal[key] = at(c[0]*w, c[1]*h), normal
		d.told.Holes = append(d.told.Holes, HoleChoice{ID: key, Name: word, Panel: id})
	}
}

// mate places the thing by its holes. The surveyed points lie on the wall, the
// holes on the middle of the sheet: it stands half a thickness off.
func (s *stander) mate(p *vehicle.Placed, d *stand, thickness float64) {
	var pairs []survey.Pair
	var ids []vehicle.MatePair
	var sigmas float64
	wall := solid.Vector(vehicle.FaceWay[p.Facing])
	var normal solid.Vector
	for _, m := range p.Mates {
		v, ok := d.Holes[m.Hole]
		if !ok {
			d.Why = "One of its holes is not on the part any more: choose its mates again."
			return
		}
		at := s.from.At(m.Point)
		if at.At == nil {
			d.Why = "A point it is mated to has no place yet. " + at.Why
			return
		}
		out := wall
		if hm := s.from.HoleOf[m.Point]; hm != nil && hm.Face != "" {
			out = vehicle.FaceWay[hm.Face]
		}
		pairs = append(pairs, survey.Pair{Part: v, Vehicle: solid.Vector(*at.At).Add(out.Mul(thickness / 2))})
		ids = append(ids, m)
		normal = d.normal[m.Hole]
		sigmas = math.Max(sigmas, at.Sigma)
		d.Sources = append(d.Sources, at.Sources...)
		wall = out
	}
	got, err := survey.Mate(pairs, normal, vehicle.FaceWay[p.Facing])
	if err != nil {
		d.Why = s.from.Pen.Refused(err)
		return
	}
	d.Pose, d.Sigma = got.Pose, survey.Root(sigmas, got.Misses[got.Worst]/2)
	names := map[string]string{}
	for _, h := range d.told.Holes {
		names[h.ID] = h.Name
	}
	for i, m := range ids {
		miss := Miss{Hole: names[m.Hole], Point: s.from.At(m.Point).Name, Off: got.Sideway[i], Text: s.from.Pen.MM(got.Sideway[i])}
		if p.Bolt > 0 && d.bore[m.Hole] > 0 {
			goes := got.Sideway[i] <= (d.bore[m.Hole]-p.Bolt)/2+1e-6
			miss.Goes = &goes
			if !goes {
				d.told.Findings = append(d.told.Findings,
					working.Finding{Code: "misses", Severity: working.Stop, Cause: "Mating", Name: d.told.Name,
						Reason: fmt.Sprintf("%s stays %s off %s; its hole leaves the bolt %s. Let its holes follow the survey, or "+
							"slot it.", miss.Hole,
							miss.Text, miss.Point, s.from.Pen.MM(math.Max((d.bore[m.Hole]-p.Bolt)/2, 0)))})
			}
		}
		d.told.Misses = append(d.told.Misses, miss)
		if p.Bolt > 0 && d.bore[m.Hole] > 0 {
			d.bolts = append(d.bolts, fastened(d.told.Name+", bolt in "+names[m.Hole], *s.from.At(m.Point).At, wall, p, thickness, d.Sigma))
		}
	}
	if p.Part != "" {
		s.ways(p, d, ids)
	}
}

// fastened is a bolt with head, nut and washers: by practice, a head and nut of
// 1.9 d across the corners, washers of 2.2 d, the head 0.7 d and the nut 0.9 d
// high, one d of thread past it.
func fastened(name string, at [3]float64, out solid.Vector, p *vehicle.Placed, thickness, sigma float64) survey.Thing {
	d := p.Bolt
	on := func(h float64) solid.Vector { return solid.Vector(at).Add(out.Mul(h)) }
	washer := .2 * d
	body := solid.Cylinder(on(thickness), on(thickness+washer), 1.1*d).
		With(solid.Cylinder(on(thickness+washer), on(thickness+washer+.7*d), .95*d)).
		With(solid.Cylinder(on(-p.Wall-washer), on(-p.Wall), 1.1*d)).
		With(solid.Cylinder(on(-p.Wall-washer-.9*d), on(-p.Wall-washer), .95*d)).
		With(solid.Cylinder(on(-p.Wall-washer-1.9*d), on(thickness), d/2))
	return survey.Thing{Name: name, Body: body, Sigma: sigma}
}

// ways looks whether the part would bolt up in another way too.
func (s *stander) ways(p *vehicle.Placed, d *stand, ids []vehicle.MatePair) {
	part := s.parts[p.Part]
	if len(ids) < 2 || part.Built.Round != nil { // a round's holes lie on no one panel
		return
	}
	seat := map[string]lay.Seat{}
	for _, m := range part.Built.Panels {
		seat[m.ID] = m.Seat
	}
	panel := ""
	var at []profile.Point
	var bore []float64
	play := math.Inf(1)
	for _, m := range ids {
		for _, h := range d.told.Holes {
			if h.ID != m.Hole {
				continue
			}
			if panel == "" {
				panel = h.Panel
			}
			if h.Panel != panel || h.Diameter == 0 {
				return // held from two sides, or by its edges, it goes one way only
			}
			v := d.Holes[m.Hole]
			if p.Twin {
				v[0] = -v[0] // the pattern's symmetry is the same from behind
			}
			at, bore = append(at, seat[panel].In(v)), append(bore, h.Diameter)
			if p.Bolt > 0 {
				play = math.Min(play, (h.Diameter-p.Bolt)/2)
			}
		}
	}
	if math.IsInf(play, 1) {
		play = .5
	}
	play = math.Max(play, .25)
	for _, w := range hole.Ways(at, bore, 2*play) {
		d.told.Ways = append(d.told.Ways, w.String())
	}
	if len(d.told.Ways) == 0 {
		return
	}
	d.told.Remedy = "Mark the part: which edge is up, which face is out."
	if move, ok := hole.OneWay(at, bore, 2*play, math.Max(12, 6*play)); ok {
		name := ""
		for _, h := range d.told.Holes {
			if h.ID == ids[move.Hole].Hole {
				name = h.Name
			}
		}
		d.told.Remedy = fmt.Sprintf("Move %s by %s, on the part and on the vehicle, and it goes one way only. Or mark the part: "+
			"which edge is "+
			"up, which face is out.", name, s.from.Pen.MM(move.By.Len()))
	}
	d.told.Findings = append(d.told.Findings,
		working.Finding{Code: "wrong-way", Severity: working.Mind, Cause: "Wrong way round", Name: d.told.Name,
			Reason: fmt.Sprintf("It would also bolt up %s. Unless the part is the same all ways round, somebody will. %s",
				d.told.Ways[0], d.told.Remedy)})
}
