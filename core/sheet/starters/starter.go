// Package starters makes parts of the usual forms from a few numbers in shop words.
package starters

import (
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
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
	Inch    float64      `json:"inch" doc:"usual in an inch shop: whole quarters of an inch, of small ones thirty-seconds"`
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
	plain sheet.Recipe // material, thickness, tools; its base is replaced
	v     map[string]float64
	newID func() string
	t, r  float64 // thickness, inside radius
	out   []sheet.Started
	fault error // why these numbers make nothing, its path within the values
}

// StartPart makes what a starter makes of a plain recipe's sheet. Numbers that
// are left out are the usual ones. It fails with *working.Fault.
func StartPart(key string, values map[string]float64, plain sheet.Recipe, newID func() string) ([]sheet.Started, error) {
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
			s.r = sheet.HalfUp(math.Max(along, s.t))
		}
		if k.make(s); s.fault != nil {
			return nil, s.fault
		}
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
func (s *starting) part(name string, quantity int, b sheet.Base) {
	r := s.plain
	b.ID = s.newID()
	if b.Measure == "" {
		b.Measure = sheet.Outside
	}
	r.Base, r.Hand, r.SetAside, r.Reasons = b, sheet.Hand{}, nil, nil
	s.out = append(s.out, sheet.Started{Name: name, Quantity: quantity, Recipe: r})
}

// flange answers a flange at a right angle with the usual radius.
func (s *starting) flange(e sheet.Edge, length float64, up bool) sheet.Flange {
	return sheet.Flange{ID: s.newID(), Edge: e, Length: length, Measure: sheet.Outside, Angle: 90, Up: up, InsideRadius: s.r,
		Relief: sheet.Relief{Kind: sheet.Round}}
}

// round answers a hole by its distances.
func (s *starting) round(d float64, x, y sheet.Offset) sheet.Hole {
	return sheet.Hole{ID: s.newID(), Kind: sheet.RoundHole, Diameter: d, X: x, Y: y}
}

func from(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }

// along spreads holes along an edge.
func (s *starting) along(d float64, e sheet.Edge, distance, margin float64, count int) sheet.Hole {
	h := s.round(d, from(sheet.Middle, 0), from(sheet.Middle, 0))
	if e == sheet.Left || e == sheet.Right {
		h.X = from(e, distance)
	} else {
		h.Y = from(e, distance)
	}
	h.Pattern = &sheet.Pattern{Kind: sheet.EdgePattern, Edge: e, Count: count, Margin: margin}
	return h
}

func sizeAsk(key, name string, usual float64) PartAsk {
	return PartAsk{Key: key, Name: name, Kind: "length", Usual: usual, Inch: quantity.InchSize(usual), Least: 0, Most: 10_000}
}

func countAsk(key, name string, usual, least, most float64) PartAsk {
	return PartAsk{Key: key, Name: name, Kind: "count", Usual: usual, Inch: usual, Least: least, Most: most}
}

func choiceAsk(key, name string, usual float64, texts ...string) PartAsk {
	a := PartAsk{Key: key, Name: name, Kind: "choice", Usual: usual, Inch: usual, Most: float64(len(texts) - 1)}
	for i, t := range texts {
		a.Choices = append(a.Choices, PartChoice{float64(i), t})
	}
	return a
}

// corners lets four sides of a tray meet.
func (s *starting) corners(b *sheet.Base, kind sheet.MeetKind) {
	if kind == sheet.MeetOpen {
		return
	}
	for i := range b.Flanges {
		b.Meets = append(b.Meets, sheet.Meet{A: b.Flanges[i].ID, B: b.Flanges[(i+1)%len(b.Flanges)].ID, Kind: kind})
	}
}

var cornerKinds = []sheet.MeetKind{sheet.MeetWeld, sheet.MeetMitre, sheet.MeetLap, sheet.MeetOpen}

// vertex is short for a straight corner.
func vertex(x, y float64) profile.Vertex { return profile.Vertex{X: x, Y: y} }
