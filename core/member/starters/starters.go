// Package starters makes frames of the usual forms from a few numbers.
package starters

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/quantity"
	"warmanvil/core/section"
	"warmanvil/core/working"
)

// Starter makes a whole frame from a few numbers; it is an ordinary frame from
// then on.
type Starter struct {
	Key  string `json:"key"`
	Name string `json:"name"`
	Says string `json:"says"`
	Asks []Ask  `json:"asks"`

	make func(s *starting)
}

// Ask is one number a starter wants.
type Ask struct {
	Key   string  `json:"key"`
	Name  string  `json:"name"`
	Kind  string  `json:"kind" enum:"length,count,mass"`
	Usual float64 `json:"usual" doc:"mm, kg or a number"`
	Inch  float64 `json:"inch" doc:"usual in an inch shop: whole quarters of an inch, whole tens of pounds"`
	Least float64 `json:"least"`
	Most  float64 `json:"most"`
}

// starting is a frame on the way.
type starting struct {
	d     member.Doc
	v     map[string]float64
	sec   section.Stock
	newID func() string
}

func (s *starting) point(name string, x, y, z float64) string {
	p := member.Point{ID: s.newID(), Name: name, X: x, Y: y, Z: z}
	s.d.Points = append(s.d.Points, p)
	return p.ID
}

func (s *starting) member(name, from, to string) *member.Member {
	s.d.Members = append(s.d.Members, member.Member{ID: s.newID(), Name: name, From: from, To: to, Section: s.sec.Sizes, Stock: s.sec.Name})
	return &s.d.Members[len(s.d.Members)-1]
}

// id answers the id of a member made before: slices grow, so pointers do not
// last.
func (s *starting) id(name string) string {
	for _, m := range s.d.Members {
		if m.Name == name {
			return m.ID
		}
	}
	return ""
}

func (s *starting) of(name string) *member.Member {
	for i := range s.d.Members {
		if s.d.Members[i].Name == name {
			return &s.d.Members[i]
		}
	}
	return nil
}

// mitre cuts two members to one another.
func (s *starting) mitre(a string, firstA bool, b string, firstB bool) {
	one, two := s.of(a), s.of(b)
	set := func(m, o *member.Member, first bool) {
		e := member.End{Kind: member.Mitre, Onto: o.ID}
		if first {
			m.A = e
		} else {
			m.B = e
		}
	}
	set(one, two, firstA)
	set(two, one, firstB)
}

func (s *starting) plate(name, on, end string, w, h float64) {
	s.d.Plates = append(s.d.Plates, member.Plate{ID: s.newID(), Name: name, Member: s.id(on), End: end, Kind: "base", Width: w, Height: h,
		Thickness: 8, Holes: 4, Hole: 11, Margin: 18})
}

func (s *starting) support(kind string, points ...string) {
	for _, p := range points {
		s.d.Supports = append(s.d.Supports, member.Support{Point: p, Kind: kind})
	}
}

func (s *starting) carries(points ...string) {
	s.d.Loads = append(s.d.Loads, member.Load{ID: s.newID(), Name: "What it carries", Kind: "mass", Kilos: s.v["kilos"], Points: points})
}

func (s *starting) mirror(members ...string) {
	c := member.Copy{ID: s.newID(), Kind: "mirror", Axis: "y"}
	for _, m := range members {
		c.Members = append(c.Members, s.id(m))
	}
	s.d.Copies = append(s.d.Copies, c)
}

func ask(key, name string, usual float64) Ask { return within(key, name, usual, 1, 20000) }

func within(key, name string, usual, least, most float64) Ask {
	return Ask{key, name, "length", usual, quantity.InchSize(usual), least, most}
}

func count(key, name string, usual, least, most float64) Ask {
	return Ask{key, name, "count", usual, usual, least, most}
}

func kilos(usual float64) Ask {
	return Ask{"kilos", "It carries", "mass", usual, math.Round(usual/quantity.Pound/10) * 10 * quantity.Pound, 0, 20000}
}

// Starters lists them.
var Starters = []Starter{
	{"standoff", "Straight standoff", "Two plates and an arm between them.",
		[]Ask{ask("length", "Plate to plate, outside", 250), ask("plate", "Plates, square", 120), kilos(40)}, func(s *starting) {
			a, b := s.point("Foot", 0, 0, 0), s.point("Head", 0, s.v["length"], 0)
			s.member("Arm", a, b)
			s.plate("Foot plate", "Arm", "a", s.v["plate"], s.v["plate"])
			s.plate("Head plate", "Arm", "b", s.v["plate"], s.v["plate"])
			s.support("fixed", a)
			s.carries(b)
		}},
	{"outriggers", "Outrigger pair", "Two arms a side out from the rails, joined by an outer rail; the other side is its mirror.",
		[]Ask{ask("rail", "Rails, outside to outside", 860), ask("reach", "Out from the rail", 600), ask("apart", "Arms apart", 700),
			within("drop", "Drop at the tip", 0, 0, 5000), ask("plate", "Foot plates, high", 150), kilos(120)}, func(s *starting) {
			y, out, x := s.v["rail"]/2, s.v["rail"]/2+s.v["reach"], s.v["apart"]
			fr, rr := s.point("Front root", x/2, y, 0), s.point("Rear root", -x/2, y, 0)
			ft, rt := s.point("Front tip", x/2, out, -s.v["drop"]), s.point("Rear tip", -x/2, out, -s.v["drop"])
			s.member("Front arm", fr, ft)
			s.member("Outer rail", ft, rt)
			s.member("Rear arm", rr, rt)
			s.mitre("Front arm", false, "Outer rail", true)
			s.mitre("Rear arm", false, "Outer rail", false)
			s.plate("Front foot", "Front arm", "a", 120, s.v["plate"])
			s.plate("Rear foot", "Rear arm", "a", 120, s.v["plate"])
			s.support("fixed", fr, rr)
			s.carries(ft, rt)
			s.mirror()
		}},
	{"crossmember", "Crossmember", "Between two rails, straight or dropped.",
		[]Ask{ask("between", "Between the rails", 760), within("drop", "Drop", 120, 0, 5000),
			within("set", "Drops set in from the rails", 80, 0, 5000), ask("plate", "End plates, high", 140), kilos(80)}, func(s *starting) {
			y := s.v["between"] / 2
			l, r := s.point("Left rail", 0, y, 0), s.point("Right rail", 0, -y, 0)
			if s.v["drop"] < 1 {
				s.member("Beam", l, r)
				s.plate("Left plate", "Beam", "a", 100, s.v["plate"])
				s.plate("Right plate", "Beam", "b", 100, s.v["plate"])
				s.d.Loads = append(s.d.Loads, member.Load{ID: s.newID(), Name: "What it carries", Kind: "mass", Kilos: s.v["kilos"],
					Member: s.id("Beam"), At: y})
				s.support("fixed", l, r)
				return
			}
			ld, rd := s.point("Left knee", 0, y-s.v["set"], -s.v["drop"]), s.point("Right knee", 0, s.v["set"]-y, -s.v["drop"])
			s.member("Left drop", l, ld)
			s.member("Beam", ld, rd)
			s.member("Right drop", r, rd)
			s.mitre("Left drop", false, "Beam", true)
			s.mitre("Right drop", false, "Beam", false)
			s.plate("Left plate", "Left drop", "a", 100, s.v["plate"])
			s.plate("Right plate", "Right drop", "a", 100, s.v["plate"])
			s.support("fixed", l, r)
			s.carries(ld, rd)
		}},
	{"ladder", "Ladder frame", "Two rails and crosses between them.",
		[]Ask{ask("length", "Long", 2400), ask("width", "Wide, outside", 1200), count("crosses", "Crosses", 5, 2, 60), kilos(400)},
		func(s *starting) {
			l, n := s.v["length"], int(s.v["crosses"])
			y := s.v["width"]/2 - width(s.sec.Sizes)/2
			var points [2][2]string
			for i, side := range []string{"Left", "Right"} {
				w := y * float64(1-2*i)
				points[i] = [2]string{s.point(side+" front", l/2, w, 0), s.point(side+" rear", -l/2, w, 0)}
				s.member(side+" rail", points[i][0], points[i][1])
			}
			var all []string
			for k := range n {
				x := l/2 - l*float64(k)/float64(n-1)
				name := fmt.Sprintf("Cross %d", k+1)
				a, b := points[0][0], points[1][0]
				switch {
				case k == n-1:
					a, b = points[0][1], points[1][1]
				case k > 0:
					a, b = s.point(name+" left", x, y, 0), s.point(name+" right", x, -y, 0)
				}
				all = append(all, a, b)
				m := s.member(name, a, b)
				m.A, m.B = member.End{Kind: member.Butt, Onto: s.id("Left rail")}, member.End{Kind: member.Butt, Onto: s.id("Right rail")}
			}
			s.support("pinned", points[0][0], points[0][1], points[1][0], points[1][1])
			s.carries(all...)
		}},
	{"drawbar", "A-drawbar", "Two members from the coupling to the frame, and the cross they end on.",
		[]Ask{ask("length", "Coupling to the frame", 1400), ask("width", "Apart at the frame", 1000), kilos(90)}, func(s *starting) {
			tip := s.point("Coupling", 0, 0, 0)
			l, r := s.point("Left at the frame", -s.v["length"], s.v["width"]/2, 0),
				s.point("Right at the frame", -s.v["length"], -s.v["width"]/2, 0)
			s.member("Left bar", tip, l)
			s.member("Right bar", tip, r)
			s.mitre("Left bar", true, "Right bar", true)
			s.member("Cross", l, r)
			for _, n := range []string{"Left bar", "Right bar"} {
				s.of(n).B = member.End{Kind: member.Butt, Onto: s.id("Cross")}
			}
			s.support("fixed", l, r)
			s.carries(tip)
		}},
	{"rack", "Four-post rack", "Four posts on feet and a frame on top.",
		[]Ask{ask("length", "Long, outside", 1200), ask("width", "Wide, outside", 800), ask("height", "High", 900), kilos(150)},
		func(s *starting) {
			rectangleOnLegs(s, s.v["height"], s.v["height"])
		}},
	{"legs", "Legs for a sloped top", "A level top on ground that falls, or a sloped top on level ground.",
		[]Ask{ask("length", "Long, outside", 1000), ask("width", "Wide, outside", 600), ask("height", "High in front", 700),
			ask("rear", "High at the rear", 620), kilos(100)}, func(s *starting) {
			rectangleOnLegs(s, s.v["height"], s.v["rear"])
		}},
	{"step", "Step", "Two hangers, arms out and a tread; somebody stands on it.",
		[]Ask{ask("width", "Wide", 500), ask("drop", "Down", 300), ask("out", "Out", 250)}, func(s *starting) {
			w, z, o := s.v["width"]/2, -s.v["drop"], s.v["out"]
			var tips [2]string
			for i, n := range []string{"Front", "Rear"} {
				x := w * float64(1-2*i)
				a, b, c := s.point(n+" hanger", x, 0, 0), s.point(n+" knee", x, 0, z), s.point(n+" tip", x, o, z)
				s.member(n+" hanger", a, b)
				s.member(n+" arm", b, c)
				s.mitre(n+" hanger", false, n+" arm", true)
				s.plate(n+" plate", n+" hanger", "a", 90, 90)
				s.support("fixed", a)
				tips[i] = c
			}
			s.member("Tread", tips[0], tips[1])
			s.mitre("Front arm", false, "Tread", true)
			s.mitre("Rear arm", false, "Tread", false)
			s.d.Loads = append(s.d.Loads, member.Load{ID: s.newID(), Name: "Somebody stepping down", Kind: "person", Kilos: 100, Factor: 2,
				Member: s.id("Tread"), At: w})
		}},
	{"hoop", "Hoop", "Two uprights and a bar across; round tube is bent of one piece.",
		[]Ask{ask("width", "Wide, middle to middle", 1100), ask("height", "High", 600), kilos(30)}, func(s *starting) {
			y, z := s.v["width"]/2, s.v["height"]
			lf, rf := s.point("Left foot", 0, y, 0), s.point("Right foot", 0, -y, 0)
			lt, rt := s.point("Left top", 0, y, z), s.point("Right top", 0, -y, z)
			s.member("Left upright", lf, lt)
			s.member("Bar", lt, rt)
			s.member("Right upright", rf, rt)
			s.mitre("Left upright", false, "Bar", true)
			s.mitre("Right upright", false, "Bar", false)
			if member.Round(s.sec.Sizes) { // a tube is bent, of one piece
				for i := range s.d.Points {
					if p := &s.d.Points[i]; p.ID == lt || p.ID == rt {
						p.Corner = &member.Corner{Kind: member.Bent}
					}
				}
			}
			s.plate("Left plate", "Left upright", "a", 100, 100)
			s.plate("Right plate", "Right upright", "a", 100, 100)
			s.support("fixed", lf, rf)
			s.carries(lt, rt)
		}},
}

// rectangleOnLegs is a mitred top on four legs, higher in front or behind.
func rectangleOnLegs(s *starting, front, rear float64) {
	w := width(s.sec.Sizes)
	x, y := s.v["length"]/2-w/2, s.v["width"]/2-w/2
	names := [4]string{"Front left", "Front right", "Rear right", "Rear left"}
	at := [4][3]float64{{x, y, front}, {x, -y, front}, {-x, -y, rear}, {-x, y, rear}}
	foot := math.Max(100, math.Ceil((largest(s.sec.Sizes)+60)/5)*5) // a spanner goes round its bolts
	var tops, feet [4]string
	for i, n := range names {
		feet[i], tops[i] = s.point(n+" foot", at[i][0], at[i][1], 0), s.point(n+" top", at[i][0], at[i][1], at[i][2])
	}
	rails := [4]string{"Front rail", "Right rail", "Rear rail", "Left rail"}
	for i, n := range rails {
		s.member(n, tops[i], tops[(i+1)%4])
	}
	for i, n := range rails {
		s.mitre(n, false, rails[(i+1)%4], true)
	}
	for i, n := range names {
		m := s.member(n+" leg", feet[i], tops[i])
		m.B = member.End{Kind: member.Butt, Onto: s.id(rails[[4]int{3, 1, 1, 3}[i]])}
		s.plate(n+" plate", n+" leg", "a", foot, foot)
		s.support("fixed", feet[i])
	}
	s.carries(tops[:]...)
}

func largest(s section.Sizes) float64 {
	return max(s.Width, s.Height, s.Diameter, s.LegHorizontal, s.LegVertical, s.Depth, s.FlangeWidth)
}

func width(s section.Sizes) float64 {
	switch s.Kind {
	case "roundTube", "roundBar":
		return s.Diameter
	case "angle":
		return s.LegHorizontal
	case "channel":
		return s.FlangeWidth
	}
	return s.Width
}

// Start makes a frame of a starter. Values left out are the usual ones.
func Start(key string, values map[string]float64, sec section.Stock, material string, newID func() string) (member.Doc, error) {
	for _, x := range Starters {
		if x.Key != key {
			continue
		}
		if sec.Sizes.Kind == "rectTube" && sec.Sizes.Width > sec.Sizes.Height { // stood up: it carries more
			sec.Sizes = member.Flip(sec.Sizes)
		}
		s := &starting{d: member.Doc{Schema: member.Schema, Material: material}, v: map[string]float64{}, sec: sec, newID: newID}
		for _, a := range x.Asks {
			v, given := values[a.Key]
			if !given {
				v = a.Usual
			}
			unit := map[string]string{"length": "mm", "mass": "kg"}[a.Kind]
			if err := working.Within("/values/"+a.Key, a.Name, v, a.Least, a.Most, unit); err != nil {
				return member.Doc{}, err
			}
			s.v[a.Key] = v
		}
		x.make(s)
		return s.d, s.d.Check()
	}
	return member.Doc{}, working.Refuse("/starter", "There is no starter %q.", key)
}
