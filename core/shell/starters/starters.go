// Package starters makes faceted bodies of the usual forms from a few numbers.
package starters

import (
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/working"
)

// FacetStarter makes a whole body from a few numbers; it is an ordinary body from then on.
type FacetStarter struct {
	Key  string     `json:"key"`
	Name string     `json:"name"`
	Says string     `json:"says"`
	Asks []FacetAsk `json:"asks"`

	make func(s *starting)
}

// FacetAsk is one number a starter wants.
type FacetAsk struct {
	Key   string  `json:"key"`
	Name  string  `json:"name"`
	Usual float64 `json:"usual" doc:"mm"`
	Inch  float64 `json:"inch" doc:"mm, usual in an inch shop: whole quarters of an inch"`
	Least float64 `json:"least"`
	Most  float64 `json:"most"`
}

func ask(key, name string, usual, inches, least, most float64) FacetAsk {
	return FacetAsk{key, name, usual, inches * 25.4, least, most}
}

// starting is a body on the way.
type starting struct {
	f     shell.Facets
	v     map[string]float64
	newID func() string
}

func (s *starting) point(name string, x, y, z float64) string {
	p := shell.FacetPoint{ID: s.newID(), Name: name, X: x, Y: y, Z: z}
	s.f.Points = append(s.f.Points, p)
	return p.ID
}

// twin is a point seen in the mirror of the body's middle.
func (s *starting) twin(name, of string) string {
	p := shell.FacetPoint{ID: s.newID(), Name: name, From: of, Mirror: true}
	s.f.Points = append(s.f.Points, p)
	return p.ID
}

func (s *starting) panel(name string, points ...string) {
	s.f.Panels = append(s.f.Panels, shell.FacetPanel{ID: s.newID(), Name: name, Points: points})
}

func (s *starting) bend(a, b string) {
	s.f.Seams = append(s.f.Seams, shell.FacetSeam{A: a, B: b, Kind: facet.BentOne})
}

// Start makes a body by a starter; like says of which sheet. It fails with *working.Fault where a number
// is none that makes one.
func Start(key string, values map[string]float64, inch bool, like shell.Facets, newID func() string) (shell.Facets, error) {
	for _, x := range Starters {
		if x.Key != key {
			continue
		}
		s := &starting{f: like, v: map[string]float64{}, newID: newID}
		s.f.Points, s.f.Panels, s.f.Seams = nil, nil, nil
		for _, a := range x.Asks {
			v, given := values[a.Key]
			if !given {
				if v = a.Usual; inch {
					v = a.Inch
				}
			}
			if err := working.Within("/values/"+a.Key, a.Name, v, a.Least, a.Most, "mm"); err != nil {
				return s.f, err
			}
			s.v[a.Key] = v
		}
		x.make(s)
		return s.f, s.f.Check()
	}
	return like, working.Refuse("/starter", "There is no starter %q.", key)
}

// Starters are the forms there are.
var Starters = []FacetStarter{
	{"hopper", "Hopper", "four leaning walls from a wide mouth to a small one", []FacetAsk{ask("long", "Mouth, long", 600, 24, 20, 5000),
		ask("wide", "Mouth, wide", 400, 16, 20, 5000), ask("outlet", "Outlet, long", 150, 6, 10, 5000),
		ask("narrow", "Outlet, wide", 120, 4.75, 10, 5000), ask("high", "Height", 350, 13.75, 10, 5000)}, hopper},
	{"guard", "Guard with returns", "a front face, its lower part raked, and ends that run back", []FacetAsk{
		ask("wide", "Width", 1800, 71, 100, 5000), ask("high", "Height of the face", 220, 8.75, 20, 2000),
		ask("rake", "Lower part, high", 120, 4.75, 10, 2000), ask("back", "Lower part, back", 90, 3.5, 0, 2000),
		ask("return", "Returns, long", 350, 13.75, 20, 2000), ask("in", "Returns, in at their ends", 60, 2.25, 0, 1000)}, guard},
	{"box", "Box with a sloped lid", "a case whose lid falls to the front", []FacetAsk{ask("long", "Length", 500, 19.75, 20, 5000),
		ask("wide", "Width", 350, 13.75, 20, 5000), ask("rear", "Height behind", 300, 11.75, 20, 5000),
		ask("front", "Height in front", 180, 7, 20, 5000)}, box},
	{"ramp", "Ramp", "a running face with sides and a stop behind", []FacetAsk{ask("long", "Length", 1200, 47, 50, 6000),
		ask("wide", "Width", 400, 16, 50, 3000), ask("high", "Height", 250, 10, 10, 2000)}, ramp},
	{"tray", "Wedge tray", "a tray whose floor slopes, for a tank or under a floor", []FacetAsk{ask("long", "Length", 700, 27.5, 50, 5000),
		ask("wide", "Width", 450, 17.75, 50, 5000), ask("rear", "Depth behind", 160, 6.25, 10, 2000),
		ask("front", "Depth in front", 90, 3.5, 10, 2000), ask("lean", "Walls lean out behind", 20, .75, 0, 1000)}, tray},
	{"hood", "Hood", "an upright skirt, and walls that lean in to an outlet above", []FacetAsk{ask("long", "Skirt, long", 600, 24,
		50, 5000),
		ask("wide", "Skirt, wide", 450, 18, 50, 5000), ask("skirt", "Skirt, high", 60, 2.5, 10, 2000),
		ask("outlet", "Outlet, long", 200, 8, 10, 4000), ask("narrow", "Outlet, wide", 150, 6, 10, 4000),
		ask("high", "Walls, high", 250, 10, 10, 4000)}, hood},
	{"console", "Console", "a case with a lip in front, a sloped face and a top, open below", []FacetAsk{
		ask("wide", "Width", 420, 16.5, 50, 3000), ask("deep", "Depth at the foot", 300, 12, 50, 3000), ask("lip", "Lip in front, "+
			"high", 60, 2.5, 5, 1000),
		ask("top", "Top, deep", 120, 4.75, 10, 1500), ask("high", "Height behind", 260, 10.25, 30, 2000)}, console},
}

// ring adds corners: front right, front left, rear left, rear right; left ones are the twins.
func (s *starting) ring(name string, front, rear, halfFront, halfRear, zFront, zRear float64) (fr, fl, rl, rr string) {
	fr = s.point(name+" front right", front, -halfFront, zFront)
	rr = s.point(name+" rear right", rear, -halfRear, zRear)
	return fr, s.twin(name+" front left", fr), s.twin(name+" rear left", rr), rr
}

func hopper(s *starting) {
	l, w, o, n, h := s.v["long"]/2, s.v["wide"]/2, s.v["outlet"]/2, s.v["narrow"]/2, s.v["high"]
	a, b, c, d := s.ring("Mouth", l, -l, w, w, h, h)
	e, f, g, k := s.ring("Outlet", o, -o, n, n, 0, 0)
	s.panel("Front", e, f, b, a) // the first looks out: the others follow it
	s.panel("Left", b, c, g, f)
	s.panel("Rear", c, d, k, g)
	s.panel("Right", d, a, e, k)
	s.bend(b, f)
	s.bend(d, k)
}

func guard(s *starting) {
	w, h, r, back := s.v["wide"]/2, s.v["high"], s.v["rake"], s.v["back"]
	long, in := s.v["return"], s.v["in"]
	tr := s.point("Top right", 0, -w, r+h)
	mr := s.point("Edge right", 0, -w, r)
	br := s.point("Bottom right", -back, -w, 0)
	tl, ml, bl := s.twin("Top left", tr), s.twin("Edge left", mr), s.twin("Bottom left", br)
	er := s.point("End, top right", -long, -w+in, r+h)
	fr := s.point("End, right", -long, -w+in, r)
	el, fl := s.twin("End, top left", er), s.twin("End, left", fr)
	s.panel("Face", mr, ml, tl, tr)
	s.panel("Lower face", mr, ml, bl, br)
	s.panel("Return right", tr, mr, fr, er)
	s.panel("Return left", tl, el, fl, ml)
	s.bend(mr, ml)
	s.bend(tr, mr)
	s.bend(tl, ml)
}

func box(s *starting) {
	l, w := s.v["long"], s.v["wide"]/2
	a, b, c, d := s.ring("Floor", l, 0, w, w, 0, 0)
	e, f, g, k := s.ring("Top", l, 0, w, w, s.v["front"], s.v["rear"])
	s.panel("Floor", a, b, c, d)
	s.panel("Front", a, e, f, b)
	s.panel("Rear", d, c, g, k)
	s.panel("Right", a, d, k, e)
	s.panel("Left", b, f, g, c)
	s.panel("Lid", e, k, g, f)
	for _, x := range [][2]string{{a, b}, {c, d}, {a, d}, {b, c}} {
		s.bend(x[0], x[1])
	}
}

func ramp(s *starting) {
	l, w, h := s.v["long"], s.v["wide"]/2, s.v["high"]
	toe := s.point("Toe right", 0, -w, 0)
	top := s.point("Top right", l, -w, h)
	foot := s.point("Foot right", l, -w, 0)
	toeL, topL, footL := s.twin("Toe left", toe), s.twin("Top left", top), s.twin("Foot left", foot)
	s.panel("Running face", toe, top, topL, toeL)
	s.panel("Stop", top, foot, footL, topL)
	s.panel("Right side", toe, foot, top)
	s.panel("Left side", toeL, topL, footL)
	s.bend(top, topL)
	s.bend(toe, top)
	s.bend(toeL, topL)
}

func tray(s *starting) {
	l, w, lean, rear, front := s.v["long"], s.v["wide"]/2, s.v["lean"], s.v["rear"], s.v["front"]
	a, b, c, d := s.ring("Floor", l, 0, w, w, -front, -rear)
	// Side walls stay flat where they lean by the same share of the depth everywhere.
	share := lean / rear
	deep := func(x float64) float64 { return rear - (rear-front)/l*x }
	ahead, behind := l+share*front, -share*rear
	e, f, g, k := s.ring("Rim", ahead, behind, w+share*deep(ahead), w+share*deep(behind), 0, 0)
	s.panel("Floor", d, c, b, a)
	s.panel("Front", a, e, f, b)
	s.panel("Rear", d, c, g, k)
	s.panel("Right", a, d, k, e)
	s.panel("Left", b, f, g, c)
	for _, x := range [][2]string{{a, b}, {c, d}, {a, d}, {b, c}} {
		s.bend(x[0], x[1])
	}
}

func hood(s *starting) {
	l, w, o, n, z, h := s.v["long"]/2, s.v["wide"]/2, s.v["outlet"]/2, s.v["narrow"]/2, s.v["skirt"], s.v["high"]
	a, b, c, d := s.ring("Foot", l, -l, w, w, 0, 0)
	e, f, g, k := s.ring("Shoulder", l, -l, w, w, z, z)
	p, q, r, t := s.ring("Outlet", o, -o, n, n, z+h, z+h)
	s.panel("Front skirt", a, b, f, e)
	s.panel("Left skirt", b, c, g, f)
	s.panel("Rear skirt", c, d, k, g)
	s.panel("Right skirt", d, a, e, k)
	s.panel("Front wall", e, f, q, p)
	s.panel("Left wall", f, g, r, q)
	s.panel("Rear wall", g, k, t, r)
	s.panel("Right wall", k, e, p, t)
	for _, x := range [][2]string{{e, f}, {f, g}, {g, k}, {k, e}} {
		s.bend(x[0], x[1])
	}
}

func console(s *starting) {
	w, deep, lip, top, high := s.v["wide"]/2, s.v["deep"], s.v["lip"], s.v["top"], s.v["high"]
	right := []string{s.point("Foot front right", deep, -w, 0), s.point("Lip right", deep, -w, lip), s.point("Top front right", top,
		-w, high),
		s.point("Top rear right", 0, -w, high), s.point("Foot rear right", 0, -w, 0)}
	left := []string{s.twin("Foot front left", right[0]), s.twin("Lip left", right[1]), s.twin("Top front left", right[2]),
		s.twin("Top rear left", right[3]), s.twin("Foot rear left", right[4])}
	for i, name := range []string{"Lip", "Face", "Top", "Rear"} {
		s.panel(name, right[i], left[i], left[i+1], right[i+1])
	}
	s.panel("Right side", right[0], right[1], right[2], right[3], right[4])
	s.panel("Left side", left[0], left[1], left[2], left[3], left[4])
	for i := 1; i < 4; i++ {
		s.bend(right[i], left[i])
	}
}
