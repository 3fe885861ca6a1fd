package facet

import (
	"errors"
	"math"
	"strconv"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// tabbed is the open box with its front over the right side's end, three tabs between them.
func tabbed() Shell {
	s := openBox(Outside, 2)
	s.Seams = []Seam{{A: "b", B: "f", Kind: Lap, Over: "front", Tabs: 1}, {A: "a", B: "b", Kind: Lap, Over: "floor", Tabs: 3}}
	return s
}

// Every tab stands where its notch is, along the seam, on the panels as they are folded; the parts lose
// and gain so much sheet, whole, with no stop.
func TestTabsMeetTheirNotches(t *testing.T) {
	b, err := Build(tabbed())
	if err != nil {
		t.Fatal(err)
	}
	type spot struct {
		at    solid.Vector
		along solid.Vector
		cut   sheet.EdgeCut
	}
	spots := map[string][]spot{}
	for i, f := range b.Faces {
		for _, c := range b.locators(i, 0) {
			side, _ := strconv.Atoi(string(c.Edge))
			side--
			flat, _ := b.cut(i)
			d := flat[(side+1)%len(flat)].Sub(flat[side])
			d = d.Mul(1 / d.Len())
			q := flat[side].Add(d.Mul(c.At))
			key := c.ID[:len("locate-1-1")]
			along := b.at(f.Points[(side+1)%len(f.Points)]).Sub(b.at(f.Points[side])).Unit()
			spots[key] = append(spots[key], spot{f.Pose.Apply(solid.Vector{q.X, q.Y, 0}), along, c})
		}
	}
	if len(spots) != 4 {
		t.Fatalf("%d tabs", len(spots))
	}
	for key, pair := range spots {
		if len(pair) != 2 || pair[0].cut.Kind == pair[1].cut.Kind {
			t.Fatalf("%s: %+v", key, pair)
		}
		if apart := math.Abs(pair[0].at.Sub(pair[1].at).Dot(pair[0].along)); apart > 1e-9 {
			t.Errorf("%s: its notch lies %g beside it", key, apart)
		}
		for _, p := range pair {
			want := map[sheet.EdgeKind]float64{sheet.Tab: 15, sheet.Notch: 15.4}[p.cut.Kind]
			if p.cut.Width != want || math.Abs(p.cut.Depth-2) > 1e-9 {
				t.Errorf("%s: %+v", key, p.cut)
			}
		}
	}
	plain := tabbed()
	for i := range plain.Seams {
		plain.Seams[i].Tabs = 0
	}
	bare, err := Build(plain)
	if err != nil {
		t.Fatal(err)
	}
	like := sheet.Recipe{Material: "steel-a36", Process: "laser"}
	like.Tool.Kind, like.Bend.School, like.Bend.Method = "vdie", "table", "air"
	if _, err := stock.MaterialByKey(like.Material); err != nil {
		t.Fatal(err)
	}
	for i := range b.Blanks {
		with, was := sheetOf(t, &b, i, like), sheetOf(t, &bare, i, like)
		want := map[string]float64{"front": -15.4*2 + 3*15*2, "right": 15 * 2, "floor": -3 * 15.4 * 2}[b.Faces[b.Blanks[i].Faces[0]].ID]
		if math.Abs(with-was-want) > 1e-6 {
			t.Errorf("blank %d: %g mm² more, %g by hand", i, with-was, want)
		}
	}
}

func sheetOf(t *testing.T, b *Built, blank int, like sheet.Recipe) float64 {
	t.Helper()
	r, err := b.Recipe(blank, like)
	if err != nil {
		t.Fatal(err)
	}
	p, err := made.Build(r, made.Options{})
	if err != nil || !p.Whole {
		t.Fatalf("%v %+v", err, p.Findings)
	}
	for _, f := range p.Findings {
		if f.Severity == working.Stop {
			t.Errorf("blank %d: %s", blank, f.Reason)
		}
	}
	return p.Area
}

func TestTabsRefused(t *testing.T) {
	for name, change := range map[string]func(*Shell){
		"not lapped": func(s *Shell) { s.Seams[0].Kind = Corner },
		"too many":   func(s *Shell) { s.Seams[0].Tabs = 4 },
		"slanted":    func(s *Shell) { move(s, "g", solid.Vector{260, 100, 60}); move(s, "c", solid.Vector{260, 100, 0}) },
		"far over":   func(s *Shell) { s.Seams[0].Tabs = 99 },
	} {
		s := tabbed()
		change(&s)
		var f *working.Fault
		if _, err := Build(s); !errors.As(err, &f) || f.Path != "/seams/0/tabs" {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func move(s *Shell, id string, to solid.Vector) {
	for i := range s.Points {
		if s.Points[i].ID == id {
			s.Points[i].At = to
		}
	}
}

// Of board it is glued: its tabs and notches are left out, and it is whole.
func TestTabbedBodiesOfBoard(t *testing.T) {
	b, err := Build(tabbed())
	if err != nil {
		t.Fatal(err)
	}
	like := sheet.Recipe{Material: "steel-a36", Process: "laser"}
	like.Tool.Kind, like.Bend.School, like.Bend.Method = "vdie", "table", "air"
	for i := range b.Blanks {
		r, err := b.Recipe(i, like)
		if err != nil {
			t.Fatal(err)
		}
		r.Facet = &sheet.Facet{Of: "body"}
		r.Facet.Numbers, r.Facet.Glued = b.Numbers(i)
		p, err := made.Build(r.Mockup(1), made.Options{})
		if err != nil || !p.Whole {
			t.Errorf("blank %d of board: %v %+v", i, err, p.Findings)
		}
	}
}
