package job

import (
	"strings"
	"testing"

	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
)

// What holds a thing back: its dimensions, a question that concerns it or the whole job,
// an issue of its mock-up, and that nothing says what it carries. Each alone does, what
// concerns another thing does not, and settled things do not.
func TestWhatHoldsBack(t *testing.T) {
	b := Brief{Unit: UnitMM, Grain: 1, Quantity: 1}
	parts := pressParts()
	aside := func(more PartCheck) Survey {
		more.Part, more.Aside = parts[0].ID, "a bench thing"
		return Survey{Checks: []PartCheck{more}}
	}
	for name, c := range map[string]struct {
		survey Survey
		brief  func(b *Brief)
		says   string // "" where its files are free
	}{
		"nothing measured again":        {Survey{}, nil, "wait to be measured again"},
		"set aside":                     {aside(PartCheck{}), nil, ""},
		"the whole job is drawn":        {Survey{Drawn: "to the maker's drawing"}, nil, ""},
		"drawn, by blanks":              {Survey{Drawn: "  "}, nil, "wait to be measured again"},
		"a question of the job":         {aside(PartCheck{}), func(b *Brief) { b.Open = []OpenItem{{Text: "Who says?", Kind: "safety"}} }, "An open question about safety: Who says?"},
		"a question of it":              {aside(PartCheck{}), func(b *Brief) { b.Open = []OpenItem{{Text: "How thick?", Kind: "strength", Of: parts[0].ID}} }, "How thick?"},
		"a question of another":         {aside(PartCheck{}), func(b *Brief) { b.Open = []OpenItem{{Text: "How thick?", Kind: "strength", Of: "other"}} }, ""},
		"a settled question":            {aside(PartCheck{}), func(b *Brief) { b.Open = []OpenItem{{Text: "How thick?", Kind: "strength", Done: true}} }, ""},
		"a question of colour":          {aside(PartCheck{}), func(b *Brief) { b.Open = []OpenItem{{Text: "What colour?", Kind: "other"}} }, ""},
		"an issue of the mock-up":       {aside(PartCheck{Issues: []Issue{{Text: "meets the silencer"}}}), nil, "From trying its fit: meets the silencer"},
		"a settled issue":               {aside(PartCheck{Issues: []Issue{{Text: "meets the silencer", Done: true}}}), nil, ""},
		"bolted on, carrying who knows": {aside(PartCheck{}), func(b *Brief) { b.Mounts = []Mount{{Part: parts[0].ID}} }, "nothing says what"},
		"bolted on under feet":          {aside(PartCheck{}), func(b *Brief) { b.Mounts = []Mount{{Part: parts[0].ID, Feet: []int{0}}} }, ""},
		"bolted on for a duty": {aside(PartCheck{}), func(b *Brief) {
			b.Mounts = []Mount{{Part: parts[0].ID}}
			b.Duties = []Duty{{On: Side{Kind: PartSide, Of: parts[0].ID}}}
		}, ""},
		"in a joint nobody loads": {aside(PartCheck{}), func(b *Brief) { b.Joints = []Joint{{Part: parts[0].ID}} }, "nothing says what"},
		"in a joint with a typed load": {aside(PartCheck{}), func(b *Brief) {
			b.Joints = []Joint{{Part: parts[0].ID, Design: joint.Input{Cases: []joint.Case{{Name: "x"}}}}}
		}, ""},
	} {
		brief := b
		if c.brief != nil {
			c.brief(&brief)
		}
		built := BuildParts(parts[:1], brief)
		got := CheckOf(c.survey, brief, built[0], built)
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
	frame := BarePart{ID: "f", Name: "Rack", Quantity: 1, Frame: &member.Doc{Material: "steel-s235", Points: []member.Point{{ID: "a"}, {ID: "b", X: 800}, {ID: "c", X: 800, Y: 500}},
		Members: []member.Member{{ID: "m", From: "a", To: "b", Section: tube}, {ID: "n", From: "b", To: "c", Section: tube}}}}
	b := Brief{Unit: UnitFraction, Grain: 1}
	check := func(v Survey, f BarePart) CheckTold {
		for _, c := range WorkSurvey(v, b, nil, f).Checks {
			if c.Part == f.ID {
				return c
			}
		}
		t.Fatal("the frame is not checked")
		return CheckTold{}
	}
	c := check(Survey{}, frame)
	if c.Released || len(c.Governing) != 2 || strings.Contains(c.Governing[0].Text, "mm") {
		t.Fatalf("%+v", c)
	}
	var again []Retape
	for _, g := range c.Governing {
		again = append(again, Retape{Dimension: g.Key, Value: taped(g.Nominal + .5), From: "the rear cross member"})
	}
	done := Survey{Checks: []PartCheck{{Part: "f", First: "the left rail", Retape: again}}}
	if c = check(done, frame); !c.Released {
		t.Errorf("measured again: %+v", c)
	}
	again[0].Value = taped(again[0].Value.Values[0] + 25)
	if c = check(done, frame); c.Released || c.Governing[0].Verdict != "bad" {
		t.Errorf("an inch off: %+v", c)
	}
	frame.Frame = &member.Doc{Material: "steel-s235"}
	if c = check(Survey{Drawn: "drawn"}, frame); c.Released {
		t.Error("a frame of nothing goes out")
	}
}

// A sheet of joints leaves out what is held back, and a label refuses what it concerns.
func TestSheetsOfWhatIsHeldBack(t *testing.T) {
	j := Joint{ID: "j", Part: "p", Sides: []Side{{Kind: PartSide, Of: "p"}, {Kind: MemberSide, Of: "f"}}}
	for want, s := range map[string]Site{
		"open question about strength: How thick?": {Brief: Brief{Open: []OpenItem{{Text: "How thick?", Kind: "strength", Of: "f"}}}},
		"open question about safety: Who?":         {Brief: Brief{Open: []OpenItem{{Text: "Who?", Kind: "safety"}}}},
		"from trying its fit: it rubs":             {Survey: Survey{Checks: []PartCheck{{Part: "p", Issues: []Issue{{Text: "it rubs"}}}}}},
	} {
		if got := s.HeldBy(j); !strings.Contains(got, want) {
			t.Errorf("%q, want %q", got, want)
		}
	}
	free := Site{Brief: Brief{Open: []OpenItem{{Text: "How thick?", Kind: "strength", Of: "other"}, {Text: "Colour?", Kind: "other"}}}, Survey: Survey{Checks: []PartCheck{{Part: "other", Issues: []Issue{{Text: "it rubs"}}}}}}
	if got := free.HeldBy(j); got != "" {
		t.Errorf("what concerns another thing holds it: %q", got)
	}
}
