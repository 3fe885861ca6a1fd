package sheet

import (
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// PartStarter makes a whole part, or the few that belong together, from numbers
// in shop words. What it makes are ordinary recipes.
type PartStarter struct {
	Key  string    `json:"key"`
	Name string    `json:"name"`
	Says string    `json:"says"`
	Asks []PartAsk `json:"asks"`

	make func(s *starting)
}

// PartAsk is one number or choice a starter wants.
type PartAsk struct {
	Key     string       `json:"key"`
	Name    string       `json:"name"`
	Kind    string       `json:"kind" enum:"length,angle,count,choice"`
	Usual   float64      `json:"usual" doc:"mm, degrees or a number; of a choice its place"`
	Least   float64      `json:"least"`
	Most    float64      `json:"most"`
	Choices []PartChoice `json:"choices,omitempty"`
}

// PartChoice is one of a few ways.
type PartChoice struct {
	Value float64 `json:"value"`
	Text  string  `json:"text"`
}

// starting is what a starter works on.
type starting struct {
	plain Recipe // material, thickness, tools; its base is replaced
	v     map[string]float64
	newID func() string
	t, r  float64 // thickness, inside radius
	out   []Started
}

// StartPart makes what a starter makes of a plain recipe's sheet. Numbers that
// are left out are the usual ones. It fails with *working.Fault.
func StartPart(key string, values map[string]float64, plain Recipe, newID func() string) ([]Started, error) {
	for _, k := range PartStarters {
		if k.Key != key {
			continue
		}
		s := &starting{plain: plain, v: map[string]float64{}, newID: newID, t: plain.Thickness}
		for _, a := range k.Asks {
			v, given := values[a.Key]
			if !given {
				v = a.Usual
			}
			if err := working.Within("/values/"+a.Key, a.Name, v, a.Least, a.Most,
				map[string]string{"length": "mm", "angle": "°"}[a.Kind]); err != nil {
				return nil, err
			}
			s.v[a.Key] = v
		}
		s.r = s.t
		if m, err := stock.MaterialByKey(plain.Material); err == nil {
			_, along := m.SmallestRadius(s.t)
			s.r = ceil(math.Max(along, s.t))
		}
		k.make(s)
		for _, p := range s.out {
			if err := p.Recipe.Validate(); err != nil {
				return nil, working.Refuse("/values", "%s cannot be made of these numbers: %s", p.Name, strings.TrimSuffix(err.Error(), "."))
			}
		}
		return s.out, nil
	}
	return nil, working.Refuse("/starter", "There is no starter %q: choose one of the list.", key)
}

// part ends a part: base, name and how many.
func (s *starting) part(name string, quantity int, b Base) {
	r := s.plain
	b.ID = s.newID()
	if b.Measure == "" {
		b.Measure = Outside
	}
	r.Base, r.Hand, r.SetAside = b, Hand{}, nil
	s.out = append(s.out, Started{name, quantity, r})
}

// flange answers a flange at a right angle with the usual radius.
func (s *starting) flange(e Edge, length float64, up bool) Flange {
	return Flange{ID: s.newID(), Edge: e, Length: length, Measure: Outside, Angle: 90, Up: up, InsideRadius: s.r, Relief: Relief{Kind: Round}}
}

// round answers a hole by its distances.
func (s *starting) round(d float64, x, y Offset) Hole {
	return Hole{ID: s.newID(), Kind: RoundHole, Diameter: d, X: x, Y: y}
}

func from(e Edge, mm float64) Offset { return Offset{Edge: e, Distance: mm} }

// along spreads holes along an edge.
func (s *starting) along(d float64, e Edge, distance, margin float64, count int) Hole {
	h := s.round(d, from(Middle, 0), from(Middle, 0))
	if e == Left || e == Right {
		h.X = from(e, distance)
	} else {
		h.Y = from(e, distance)
	}
	h.Pattern = &Pattern{Kind: EdgePattern, Edge: e, Count: count, Margin: margin}
	return h
}

func sizeAsk(key, name string, usual float64) PartAsk {
	return PartAsk{Key: key, Name: name, Kind: "length", Usual: usual, Least: 0, Most: 10_000}
}

func countAsk(key, name string, usual, least, most float64) PartAsk {
	return PartAsk{Key: key, Name: name, Kind: "count", Usual: usual, Least: least, Most: most}
}

func choiceAsk(key, name string, usual float64, texts ...string) PartAsk {
	a := PartAsk{Key: key, Name: name, Kind: "choice", Usual: usual, Most: float64(len(texts) - 1)}
	for i, t := range texts {
		a.Choices = append(a.Choices, PartChoice{float64(i), t})
	}
	return a
}

// corners lets four sides of a tray meet.
func (s *starting) corners(b *Base, kind MeetKind) {
	if kind == MeetOpen {
		return
	}
	for i := range b.Flanges {
		b.Meets = append(b.Meets, Meet{A: b.Flanges[i].ID, B: b.Flanges[(i+1)%len(b.Flanges)].ID, Kind: kind})
	}
}

var cornerKinds = []MeetKind{MeetWeld, MeetMitre, MeetLap, MeetOpen}

// vertex is short for a straight corner.
func vertex(x, y float64) profile.Vertex { return profile.Vertex{X: x, Y: y} }
