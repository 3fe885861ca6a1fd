package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/shop"
	"warmanvil/core/vehicle"
)

// What holds a thing back: its dimensions, a question that concerns it or the whole job,
// an issue of its mock-up, and that nothing says what it carries. Each alone does, what
// concerns another thing does not, and settled things do not.
func TestWhatHoldsBack(t *testing.T) {
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	parts := pressParts()
	aside := func(more vehicle.PartCheck) vehicle.Survey {
		more.Part, more.Aside = parts[0].ID, "a bench thing"
		return vehicle.Survey{Checks: []vehicle.PartCheck{more}}
	}
	for name, c := range map[string]struct {
		survey vehicle.Survey
		brief  func(b *brief.Brief)
		says   string // "" where its files are free
	}{
		"nothing measured again": {vehicle.Survey{}, nil, "wait to be measured again"},
		"set aside":              {aside(vehicle.PartCheck{}), nil, ""},
		"the whole job is drawn": {vehicle.Survey{Drawn: "to the maker's drawing"}, nil, ""},
		"drawn, by blanks":       {vehicle.Survey{Drawn: "  "}, nil, "wait to be measured again"},
		"a question of the job": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Open = []brief.OpenItem{{Text: "Who says?",
				Kind: "safety"}}
		}, "An open question about safety: Who says?"},
		"a question of it": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Open = []brief.OpenItem{{Text: "How thick?", Kind: "strength", Of: parts[0].ID}}
		}, "How thick?"},
		"a question of another": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Open = []brief.OpenItem{{Text: "How thick?",
				Kind: "strength", Of: "other"}}
		}, ""},
		"a settled question": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Open = []brief.OpenItem{{Text: "How thick?",
				Kind: "strength", Done: true}}
		}, ""},
		"a question of colour": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Open = []brief.OpenItem{{Text: "What " +
				"colour?", Kind: "other"}}
		}, ""},
		"an option nobody looked for": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Identity.Fitted = []brief.Fitted{{Text: "Second battery", Of: parts[0].ID}}
		}, "nobody looked: Second battery"},
		"an option that was looked for": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Identity.Fitted = []brief.Fitted{{Text: "Second battery", Of: parts[0].ID, State: "no"}, {Text: "Rails", Of: "other"},
				{Text: "Hook"}}
		}, ""},
		"an issue of the mock-up": {aside(vehicle.PartCheck{Issues: []vehicle.Issue{{Text: "meets the silencer"}}}), nil,
			"From trying its fit: meets the silencer"},
		"a settled issue": {aside(vehicle.PartCheck{Issues: []vehicle.Issue{{Text: "meets the silencer",
			Done: true}}}), nil, ""},
		"bolted on, carrying who " +
			"knows": {aside(vehicle.PartCheck{}), func(b *brief.Brief) { b.Mounts = []brief.Mount{{Part: parts[0].ID}} }, "nothing says what"},
		"bolted on under " +
			"feet": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Mounts = []brief.Mount{{Part: parts[0].ID,
				Feet: []brief.Link{"f1"}}}
		}, ""},
		"bolted on for a duty": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Mounts = []brief.Mount{{Part: parts[0].ID}}
			b.Duties = []brief.Duty{{On: brief.Side{Kind: brief.PartSide, Of: parts[0].ID}}}
		}, ""},
		"in a joint nobody " +
			"loads": {aside(vehicle.PartCheck{}), func(b *brief.Brief) { b.Joints = []brief.Joint{{Part: parts[0].ID}} }, "nothing says what"},
		"in a joint with a typed load": {aside(vehicle.PartCheck{}), func(b *brief.Brief) {
			b.Joints = []brief.Joint{{Part: parts[0].ID, Design: joint.Input{Cases: []joint.Case{{Name: "x"}}}}}
		}, ""},
	} {
		brief := b
		if c.brief != nil {
			c.brief(&brief)
		}
		built := BuildParts(context.Background(), parts[:1], brief, shop.Shop{})
		got := Site{Survey: c.survey, Brief: brief, Parts: built}.CheckOf(built[0])
		if c.says == "" {
			if !got.Released {
				t.Errorf("%s: held back: %s %v", name, got.Says, got.Holds)
			}
			continue
		}
		if got.Released || !strings.Contains(got.Unreleased().Error(), c.says) {
			t.Errorf("%s: free %v, says %q", name, got.Released, got.Unreleased())
		}
	}
}

// A frame is held by its own outside sizes, like a part; an empty one by itself.
func TestFramesAreHeldBack(t *testing.T) {
	tube := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	frame := Frame{ID: "f", Name: "Rack", Quantity: 1,
		Doc: member.Doc{Material: "steel-s235", Points: []member.Point{{ID: "a"}, {ID: "b", X: 800}, {ID: "c", X: 800, Y: 500}},
			Members: []member.Member{{ID: "m", From: "a", To: "b", Section: tube}, {ID: "n", From: "b", To: "c", Section: tube}}}}
	b := brief.Brief{Unit: brief.UnitFraction, Grain: 1}
	check := func(v vehicle.Survey, f Frame) CheckTold {
		for _, c := range WorkSurvey(v, b, nil, f).Checks {
			if c.Part == f.ID {
				return c
			}
		}
		t.Fatal("the frame is not checked")
		return CheckTold{}
	}
	c := check(vehicle.Survey{}, frame)
	if c.Released || len(c.Governing) != 2 || strings.Contains(c.Governing[0].Text, "mm") {
		t.Fatalf("%+v", c)
	}
	var again []vehicle.Retape
	for _, g := range c.Governing {
		again = append(again, vehicle.Retape{Dimension: g.Key, Value: demo.Taped(g.Nominal + .5), From: "the rear cross member"})
	}
	done := vehicle.Survey{Checks: []vehicle.PartCheck{{Part: "f", First: "the left rail", Retape: again}}}
	if c = check(done, frame); !c.Released {
		t.Errorf("measured again: %+v", c)
	}
	again[0].Value = demo.Taped(again[0].Value.Values[0] + 25)
	if c = check(done, frame); c.Released || c.Governing[0].Verdict != "bad" {
		t.Errorf("an inch off: %+v", c)
	}
	frame.Doc = member.Doc{Material: "steel-s235"}
	if c = check(vehicle.Survey{Drawn: "drawn"}, frame); c.Released {
		t.Error("a frame of nothing goes out")
	}
}

// A sheet of joints leaves out what is held back, and a label refuses what it concerns.
func TestSheetsOfWhatIsHeldBack(t *testing.T) {
	j := brief.Joint{ID: "j", Part: "p", Sides: []brief.Side{{Kind: brief.PartSide, Of: "p"}, {Kind: brief.MemberSide, Of: "f"}}}
	for want, s := range map[string]Site{
		"open question about strength: How thick?": {Brief: brief.Brief{Open: []brief.OpenItem{{Text: "How thick?",
			Kind: "strength", Of: "f"}}}},
		"nobody looked whether the vehicle has this: Tank": {Brief: brief.Brief{Identity: brief.Identity{
			Fitted: []brief.Fitted{{Text: "Tank", Of: "f"}}}}},
		"open question about safety: Who?": {Brief: brief.Brief{Open: []brief.OpenItem{{Text: "Who?", Kind: "safety"}}}},
		"from trying its fit: it rubs": {Survey: vehicle.Survey{Checks: []vehicle.PartCheck{{Part: "p",
			Issues: []vehicle.Issue{{Text: "it rubs"}}}}}},
	} {
		if got := s.HeldBy(j); !strings.Contains(got, want) {
			t.Errorf("%q, want %q", got, want)
		}
	}
	free := Site{Brief: brief.Brief{Open: []brief.OpenItem{{Text: "How thick?", Kind: "strength", Of: "other"},
		{Text: "Colour?", Kind: "other"}}}, Survey: vehicle.Survey{Checks: []vehicle.PartCheck{{Part: "other",
		Issues: []vehicle.Issue{{Text: "it rubs"}}}}}}
	if got := free.HeldBy(j); got != "" {
		t.Errorf("what concerns another thing holds it: %q", got)
	}
}
