package httpapi

import (
	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/fresh"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
	"warmanvil/job/words"
)

// WordsView is what forms offer.
type WordsView struct {
	Fields map[string][]words.Word `json:"fields" doc:"choices by form and field: Flange.kind"`
	Things []fresh.Thing           `json:"things" doc:"what can be added to a panel, in order"`
	Metric words.Starts            `json:"metric" doc:"what new things start from in a metric shop"`
	Inch   words.Starts            `json:"inch" doc:"and in an inch shop"`
	Grains []words.Grain           `json:"grains" doc:"steps of lengths by unit"`
}

// FreshRequest asks for a new feature of a part.
type FreshRequest struct {
	Part  BuildRequest `json:"part" doc:"the hand that is drawn"`
	Thing string       `json:"thing" doc:"key of one that can be added"`
	ID    string       `json:"id" doc:"of the feature, new in its recipe"`
	Panel string       `json:"panel" doc:"id"`
	Edge  sheet.Edge   `json:"edge,omitempty"`
	Last  fresh.Last   `json:"last,omitempty"`
}

// ChangeRequest asks for a flange as another kind, a hole for something else, or a base
// of another shape.
type ChangeRequest struct {
	Thickness float64       `json:"thickness" doc:"mm, of the sheet"`
	Unit      brief.Unit    `json:"unit" enum:"mm,fraction,decimal"`
	Grain     float64       `json:"grain" doc:"mm"`
	Flange    *sheet.Flange `json:"flange,omitempty"`
	Hole      *sheet.Hole   `json:"hole,omitempty"`
	Base      *sheet.Base   `json:"base,omitempty"`
	Long      float64       `json:"long,omitempty" doc:"mm, of the base over all, where it says no length itself"`
	Wide      float64       `json:"wide,omitempty" doc:"mm, of the base over all, where it says no width itself"`
	To        string        `json:"to,omitempty" doc:"kind of the flange, use of the hole, shape of the base; empty for a plain hole, and for a base with one side more"`
	Last      fresh.Last    `json:"last,omitempty"`
}

// Changed is the flange, hole or base that was asked for.
type Changed struct {
	Base   *sheet.Base   `json:"base,omitempty"`
	Flange *sheet.Flange `json:"flange,omitempty"`
	Hole   *sheet.Hole   `json:"hole,omitempty"`
}

func (s *server) wordRoutes() {
	view := WordsView{words.Of(), fresh.Things(), words.StartsOf(false), words.StartsOf(true), words.Grains()}
	route(s, operation{method: "GET", path: "/api/v1/words", id: "getWords", access: fixed,
		summary: "What can be chosen in documents, what is asked with it, how it starts"},
		func(call, none) (WordsView, error) { return view, nil })
	route(s, operation{method: "POST", path: "/api/v1/fresh", id: "makeFeature", work: brisk, access: reading,
		summary: "A new feature of a part with usual sizes"},
		s.makeFeature)
	route(s, operation{method: "POST", path: "/api/v1/change", id: "changeFeature", work: brisk, access: reading,
		summary: "A flange as another kind, a hole for something else, a base of another shape"}, changeFeature)
}

func usual(u brief.Unit, grain, thickness float64) sheet.Usual {
	return sheet.Usual{Thickness: thickness, Grain: grain, Inch: u != brief.UnitMM}
}

func (s *server) makeFeature(c call, in FreshRequest) (fresh.Feature, error) {
	in.Part.Mirrored = false
	r, opt := s.read(c, in.Part)
	p, err := made.Build(r, opt)
	if err != nil {
		return fresh.Feature{}, working.Under("/part/recipe", err)
	}
	return fresh.Make(p, fresh.Ask{Thing: in.Thing, ID: in.ID, Panel: in.Panel, Edge: in.Edge, Last: in.Last,
		Usual: usual(in.Part.Unit, in.Part.Grain, r.Thickness)})
}

func changeFeature(_ call, in ChangeRequest) (Changed, error) {
	u := usual(in.Unit, in.Grain, in.Thickness)
	switch {
	case in.Flange != nil:
		f := in.Flange.Become(sheet.FlangeKind(in.To), u)
		return Changed{Flange: &f}, nil
	case in.Hole != nil:
		h := fresh.For(*in.Hole, sheet.UseKind(in.To), in.Last, u)
		return Changed{Hole: &h}, nil
	case in.Base != nil && in.To == "":
		b := fresh.More(*in.Base, u)
		return Changed{Base: &b}, nil
	case in.Base != nil:
		b := fresh.Reshape(*in.Base, sheet.ShapeKind(in.To), in.Long, in.Wide, u)
		return Changed{Base: &b}, nil
	}
	return Changed{}, working.Refuse("", "Send the flange, hole or base that is to be changed.")
}
