package job

import (
	"errors"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// kinOf starts a bracket with two members that are narrower and wider.
func kinOf(t *testing.T, s *Service) (head Part, members []Part) {
	t.Helper()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	head = must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()}))
	own := func(v float64) []sheet.OwnSize {
		return []sheet.OwnSize{{Feature: head.Recipe.Base.ID, Size: "/base/width", Value: v}}
	}
	return head, must[[]Part](t)(s.AddKin(ctx, head.ID, []Born{{"Bracket 140", 2, own(140)}, {"Bracket 220", 3, own(220)}}))
}

// Members are as their head but for their own sizes, and change with it: by a save, by an
// undo, and while they are put away; a redo brings them back too.
func TestFamilyFollowsItsHead(t *testing.T) {
	s, _ := remembering()
	head, members := kinOf(t, s)
	if len(members) != 2 || members[0].Recipe.Base.Width != 140 || members[1].Recipe.Base.Width != 220 || members[1].Quantity != 3 {
		t.Fatalf("born: %+v", members)
	}
	if err := s.Archive(ctx, KindSheet, members[1].ID, true); err != nil {
		t.Fatal(err)
	}
	check := func(what string, length float64) {
		t.Helper()
		f := must[Family](t)(s.Family(ctx, members[0].ID))
		if f.Head.ID != head.ID || len(f.Members) != 2 {
			t.Fatalf("%s: %d members of %s", what, len(f.Members), f.Head.Name)
		}
		for i, width := range []float64{140, 220} {
			m := must[Part](t)(s.Part(ctx, members[i].ID))
			if b := m.Recipe.Base; b.Width != width || b.Length != length || m.Recipe.Kin.Of != head.ID ||
				m.Recipe.Kin.Name != f.Head.Name {
				t.Errorf("%s: %s is %g × %g of %+v", what, m.Name, b.Length, b.Width, m.Recipe.Kin)
			}
			if m.Quantity != members[i].Quantity || m.Name != members[i].Name {
				t.Errorf("%s: %d × %s", what, m.Quantity, m.Name)
			}
		}
	}
	was := head.Recipe.Base.Length
	check("as born", was)
	state := head.State()
	state.Name, state.Recipe.Base.Length = "Angle", was+7
	head = must[Part](t)(s.SavePart(ctx, head.ID, On{Revision: head.Revision}, state))
	check("head longer", was+7)
	head = part(t)(s.Undo(ctx, KindSheet, head.ID, On{Revision: head.Revision}))
	check("undone", was)
	head = part(t)(s.Redo(ctx, KindSheet, head.ID, On{Revision: head.Revision}))
	check("redone", was+7)
	if h := history(t, s, KindSheet, members[0].ID); !strings.Contains(h[0].Summary, "follows Angle") {
		t.Errorf("what its history says: %q", h[0].Summary)
	}
}

// A size that is typed in a member is its own from then on; more than a size is refused and
// nothing is changed by it; let go, it is a part like any other.
func TestMemberOfAFamilyAlone(t *testing.T) {
	s, _ := remembering()
	head, members := kinOf(t, s)
	m := members[0]
	state := m.State()
	state.Recipe.Base.Flanges = append([]sheet.Flange{}, state.Recipe.Base.Flanges...)
	state.Recipe.Base.Flanges[0].Length = 77
	m = must[Part](t)(s.SavePart(ctx, m.ID, On{Revision: m.Revision}, state))
	if !m.Recipe.Kin.Has(state.Recipe.Base.Flanges[0].ID, "length") || len(m.Recipe.Kin.Own) != 2 {
		t.Errorf("its own sizes: %+v", m.Recipe.Kin.Own)
	}
	wide := head.State()
	wide.Recipe.Base.Flanges = append([]sheet.Flange{}, wide.Recipe.Base.Flanges...)
	wide.Recipe.Base.Flanges[0].Length = 95
	head = must[Part](t)(s.SavePart(ctx, head.ID, On{Revision: head.Revision}, wide))
	if m = must[Part](t)(s.Part(ctx, m.ID)); m.Recipe.Base.Flanges[0].Length != 77 {
		t.Errorf("its own length was taken by its head: %g", m.Recipe.Base.Flanges[0].Length)
	}
	if other := must[Part](t)(s.Part(ctx, members[1].ID)); other.Recipe.Base.Flanges[0].Length != 95 {
		t.Errorf("the other is %g long", other.Recipe.Base.Flanges[0].Length)
	}
	for what, change := range map[string]func(*sheet.Recipe){
		"another sheet":  func(r *sheet.Recipe) { r.Thickness *= 2 },
		"a flange less":  func(r *sheet.Recipe) { r.Base.Flanges = r.Base.Flanges[:1] },
		"itself":         func(r *sheet.Recipe) { r.Kin = &sheet.Kin{Of: m.ID, Name: "it"} },
		"a member":       func(r *sheet.Recipe) { r.Kin = &sheet.Kin{Of: members[1].ID, Name: "it"} },
		"who knows what": func(r *sheet.Recipe) { r.Kin = &sheet.Kin{Of: "nothing", Name: "it"} },
	} {
		bad := m.State()
		change(&bad.Recipe)
		_, err := s.SavePart(ctx, m.ID, On{Revision: m.Revision}, bad)
		var f *working.Fault
		if !errors.As(err, &f) || len(f.Message) < 20 {
			t.Errorf("%s: %v", what, err)
		}
		if now := must[Part](t)(s.Part(ctx, m.ID)); now.Revision != m.Revision {
			t.Errorf("%s was kept", what)
		}
	}
	ofMember := head.State()
	ofMember.Recipe.Kin = &sheet.Kin{Of: m.ID, Name: m.Name}
	if _, err := s.SavePart(ctx, head.ID, On{Revision: head.Revision}, ofMember); err == nil {
		t.Error("the head follows its member")
	}
	free := m.State()
	free.Recipe.Kin, free.Recipe.Thickness = nil, 5
	m = must[Part](t)(s.SavePart(ctx, m.ID, On{Revision: m.Revision}, free))
	wide.Recipe.Base.Length += 20
	must[Part](t)(s.SavePart(ctx, head.ID, On{Revision: head.Revision}, wide))
	if now := must[Part](t)(s.Part(ctx, m.ID)); now.Revision != m.Revision || now.Recipe.Thickness != 5 {
		t.Errorf("let go, it still follows: %+v", now.Recipe.Base)
	}
}

// A head whose member could not follow is not changed, and says which; a size goes with what
// it was of.
func TestHeadThatCannotBeFollowed(t *testing.T) {
	s, _ := remembering()
	head, members := kinOf(t, s)
	m := members[0]
	state := m.State()
	state.Recipe.Base.Flanges = append([]sheet.Flange{}, state.Recipe.Base.Flanges...)
	last := len(state.Recipe.Base.Flanges) - 1
	state.Recipe.Base.Flanges[last].Length = 33
	must[Part](t)(s.SavePart(ctx, m.ID, On{Revision: m.Revision}, state))
	less := head.State()
	less.Recipe.Base.Flanges = less.Recipe.Base.Flanges[:last]
	less.Recipe.Base.Meets = nil
	must[Part](t)(s.SavePart(ctx, head.ID, On{Revision: head.Revision}, less))
	now := must[Part](t)(s.Part(ctx, m.ID))
	if len(now.Recipe.Base.Flanges) != last || len(now.Recipe.Kin.Own) != 1 || !strings.Contains(now.Summary, "1 of its own sizes went") {
		t.Errorf("%q: %d flanges, own %+v", now.Summary, len(now.Recipe.Base.Flanges), now.Recipe.Kin.Own)
	}
	for what, b := range map[string]Born{
		"no size":          {"Bracket 9", 1, nil},
		"a size of no one": {"Bracket 9", 1, []sheet.OwnSize{{Feature: "x", Size: "length", Value: 9}}},
		"no name":          {"", 1, now.Recipe.Kin.Own},
		"none of it":       {"Bracket 9", 0, now.Recipe.Kin.Own},
		"minus":            {"Bracket 9", 1, []sheet.OwnSize{{Feature: head.Recipe.Base.ID, Size: "/base/width", Value: -9}}},
	} {
		if _, err := s.AddKin(ctx, head.ID, []Born{b}); err == nil {
			t.Errorf("%s: it was born", what)
		}
	}
}

// Whatever is typed into sizes of head and members, in any order, every member is as its
// head and its own sizes make it.
func TestFamilyHoldsTogether(t *testing.T) {
	rnd := rand.New(rand.NewPCG(3, 5))
	s, _ := remembering()
	head, members := kinOf(t, s)
	ids := []string{head.ID, members[0].ID, members[1].ID}
	changed := 0
	for range 60 {
		p := must[Part](t)(s.Part(ctx, ids[rnd.IntN(3)]))
		sizes := must[[]made.Dimension](t)(made.Sizes(p.Recipe, made.Options{}))
		d := sizes[rnd.IntN(len(sizes))]
		if d.Kind != made.LengthDimension {
			continue
		}
		r, err := sheet.ApplyEdits(p.Recipe, []working.Edit{{Path: d.Path, Value: d.Value + float64(rnd.IntN(9))}})
		if err != nil {
			t.Fatal(err)
		}
		if _, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{p.Name, p.Quantity, r}); err == nil {
			changed++
		} else if f := (*working.Fault)(nil); !errors.As(err, &f) {
			t.Fatal(err)
		}
		h := must[Part](t)(s.Part(ctx, head.ID))
		for _, id := range ids[1:] {
			if m := must[Part](t)(s.Part(ctx, id)); made.Follows(h.Recipe, m.Recipe, made.Options{}) != nil {
				t.Fatalf("%s does not follow after %s of %s", m.Name, d.Label, p.Name)
			}
		}
	}
	if changed < 20 {
		t.Errorf("only %d changes were kept", changed)
	}
}

// What a head of twenty members costs to save, without the database.
func BenchmarkFamilyOfTwenty(b *testing.B) {
	s, _ := remembering()
	j, err := s.CreateJob(ctx, plainJob())
	if err != nil {
		b.Fatal(err)
	}
	head, err := s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()})
	if err != nil {
		b.Fatal(err)
	}
	var born []Born
	for i := range 20 {
		born = append(born, Born{"Bracket", 1, []sheet.OwnSize{{Feature: head.Recipe.Base.ID, Size: "/base/width",
			Value: 120 + 5*float64(i)}}})
	}
	if _, err := s.AddKin(ctx, head.ID, born); err != nil {
		b.Fatal(err)
	}
	length := head.Recipe.Base.Length
	for n := 0; b.Loop(); n++ {
		state := head.State()
		state.Recipe.Base.Length = length + float64(n%2)
		if head, err = s.SavePart(ctx, head.ID, On{Revision: head.Revision}, state); err != nil {
			b.Fatal(err)
		}
	}
}
