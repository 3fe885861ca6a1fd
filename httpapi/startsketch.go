package httpapi

import (
	"strings"
	"sync"

	"github.com/google/uuid"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/job/words"
)

// DrawnStarter is a starter with a picture of what it makes of its usual numbers.
type DrawnStarter struct {
	starters.PartStarter
	Sketch Sketch `json:"sketch"`
}

// Sketch is a folded part as lines on paper, seen from the front left above.
type Sketch struct {
	Lines [][][2]float64 `json:"lines" doc:"mm, x to the right, y down"`
	Size  string         `json:"size" doc:"outside sizes as folded"`
	Many  int            `json:"many" doc:"parts that belong together; the first is drawn"`
}

// SketchRequest asks for the picture of what a starter would make.
type SketchRequest struct {
	Starter string             `json:"starter,omitempty" doc:"key; the recipe as it stands when left out"`
	Values  map[string]float64 `json:"values,omitempty" doc:"what it asks for; the usual ones when left out"`
	Recipe  sheet.Recipe       `json:"recipe"`
	Unit    brief.Unit         `json:"unit" enum:"mm,fraction,decimal"`
	Grain   float64            `json:"grain" doc:"mm"`
}

func (s *server) sketchRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/part-starters", id: "getPartStarters", access: fixed,
		summary: "What sheet parts are started from, with a picture of each"},
		func(call, none) (PartStarters, error) { return drawnStarters() })
	route(s, operation{method: "POST", path: "/api/v1/part-sketch", id: "sketchPart", work: brisk, access: reading,
		summary: "A picture of what a starter would make"},
		func(_ call, in SketchRequest) (Sketch, error) {
			if err := working.Under("/recipe", in.Recipe.Validate()); err != nil {
				return Sketch{Lines: [][][2]float64{}}, err
			}
			return sketch(in)
		})
}

// drawnStarters are the same for everybody, and drawn once.
var drawnStarters = sync.OnceValues(func() (PartStarters, error) {
	out := PartStarters{Starters: []DrawnStarter{}}
	plain := words.StartsOf(false).Recipe
	for _, k := range starters.PartStarters {
		picture, err := sketch(SketchRequest{Starter: k.Key, Recipe: plain, Unit: brief.UnitMM, Grain: 1})
		if err != nil {
			return out, err
		}
		out.Starters = append(out.Starters, DrawnStarter{k, picture})
	}
	return out, nil
})

func sketch(in SketchRequest) (Sketch, error) {
	out := Sketch{Lines: [][][2]float64{}, Many: 1}
	recipe := in.Recipe
	if in.Starter != "" {
		list, err := starters.StartPart(in.Starter, in.Values, in.Recipe, uuid.NewString)
		if err != nil {
			return out, err
		}
		recipe, out.Many = list[0].Recipe, len(list)
	}
	display := brief.Brief{Unit: in.Unit, Grain: in.Grain}.Display()
	part, err := made.Build(recipe, made.Options{Display: display, Body: true})
	if err != nil {
		return out, working.Under("/recipe", err)
	}
	out.Lines = part.Body.Sketch()
	var sizes []string
	for i := range 3 {
		if d := part.Body.Max[i] - part.Body.Min[i]; d > 1.5*recipe.Thickness { // a flat plate has two
			sizes = append(sizes, told.Pen{Display: display}.MM(d))
		}
	}
	out.Size = strings.Join(sizes, " × ")
	return out, nil
}
