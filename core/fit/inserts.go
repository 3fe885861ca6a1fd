package fit

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Insert is one of several things that may be set into the same opening.
type Insert struct {
	Name       string  `json:"name,omitempty"`
	Width      float64 `json:"width" doc:"mm of what goes through"`
	Height     float64 `json:"height" doc:"mm of what goes through"`
	FaceWidth  float64 `json:"faceWidth" doc:"mm of its flange or face"`
	FaceHeight float64 `json:"faceHeight" doc:"mm of its flange or face"`
}

// InsertsInput is an opening, made or to be made, and what may be set into it.
type InsertsInput struct {
	Width   float64  `json:"width,omitempty" doc:"mm of the opening; left out to be proposed"`
	Height  float64  `json:"height,omitempty" doc:"mm"`
	Corner  float64  `json:"corner,omitempty" doc:"mm, radius of its corners"`
	Play    float64  `json:"play,omitempty" doc:"mm a side that is wanted to put it in; 0.5 when left out"`
	Cover   float64  `json:"cover,omitempty" doc:"mm the face must lie over on each side; 3 when left out"`
	Inserts []Insert `json:"inserts"`
}

// InsertTold is whether one goes in and covers.
type InsertTold struct {
	Name  string  `json:"name"`
	Goes  bool    `json:"goes"`
	Hides bool    `json:"hides" doc:"its face covers the opening with what is wanted all round"`
	Play  float64 `json:"play" doc:"mm a side where it is least, corners counted"`
	Cover float64 `json:"cover" doc:"mm its face lies over where that is least, the insert in the middle"`
	Plate string  `json:"plate,omitempty" doc:"what makes it fit where it does not"`
}

// InsertsResult is the opening that serves and what each makes of it.
type InsertsResult struct {
	Width    float64           `json:"width" doc:"mm, the opening: as given, or the least that takes all"`
	Height   float64           `json:"height" doc:"mm"`
	Serves   bool              `json:"serves" doc:"one opening takes and is covered by all"`
	Each     []InsertTold      `json:"each"`
	Plays    []float64         `json:"plays" doc:"mm, of each"`
	Covers   []float64         `json:"covers" doc:"mm, of each"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Inserts answers whether one opening serves several inserts, and the least that does. It
// fails with *working.Fault.
func Inserts(in InsertsInput) (InsertsResult, error) {
	if in.Play == 0 {
		in.Play = .5
	}
	if in.Cover == 0 {
		in.Cover = 3
	}
	if err := in.check(); err != nil {
		return InsertsResult{}, err
	}
	r := InsertsResult{Width: in.Width, Height: in.Height, Serves: true, Each: []InsertTold{}, Plays: []float64{}, Covers: []float64{},
		Findings: []working.Finding{}}
	given := in.Width > 0
	most := [2]float64{math.Inf(1), math.Inf(1)} // past it the smallest face lies over too little
	for _, x := range in.Inserts {
		if !given {
			beside := math.Max(in.Play, in.Corner-(in.Corner-in.Play)/math.Sqrt2) // so that its corners clear the rounds by the play
			r.Width, r.Height = math.Max(r.Width, x.Width+2*beside), math.Max(r.Height, x.Height+2*beside)
		}
		most[0], most[1] = math.Min(most[0], x.FaceWidth-2*in.Cover), math.Min(most[1], x.FaceHeight-2*in.Cover)
	}
	for i, x := range in.Inserts {
		t := InsertTold{Name: x.Name}
		if t.Name == "" {
			t.Name = fmt.Sprintf("insert %d", i+1)
		}
		a, b := (r.Width-x.Width)/2, (r.Height-x.Height)/2
		t.Play = math.Min(math.Min(a, b), cornerPlay(a, b, in.Corner))
		t.Cover = math.Min(x.FaceWidth-r.Width, x.FaceHeight-r.Height) / 2
		t.Goes, t.Hides = t.Play >= in.Play-1e-9, t.Cover >= in.Cover-1e-9
		switch {
		case !t.Goes:
			t.Plate = fmt.Sprintf("the opening is too small by %.1f mm a side", in.Play-t.Play)
		case !t.Hides:
			t.Plate = fmt.Sprintf("a plate with an opening of %.1f × %.1f mm, %.1f × %.1f mm over all", x.Width+2*in.Play, x.Height+2*in.Play,
				r.Width+2*in.Cover, r.Height+2*in.Cover)
		}
		r.Serves = r.Serves && t.Goes && t.Hides
		if t.Plate != "" {
			r.Findings = append(r.Findings, working.Finding{Code: "insert", Severity: working.Mind, Cause: "Opening", Name: t.Name,
				Reason: fmt.Sprintf("%s: %s.", t.Name, t.Plate)})
		}
		r.Each, r.Plays, r.Covers = append(r.Each, t), append(r.Plays, t.Play), append(r.Covers, t.Cover)
	}
	if !r.Serves {
		text := "No one opening serves all of them: what goes through the largest is not covered by the smallest face."
		if given && r.Width <= most[0] && r.Height <= most[1] {
			text = "The opening is too small for one of them; every face would still cover a larger one."
		} else if given {
			text = "This opening does not serve all of them."
		}
		r.Findings = append(r.Findings, working.Finding{Code: "not-all", Severity: working.Mind, Cause: "Opening", Reason: text})
	}
	r.Working = working.Working{Method: "One opening for several inserts", Source: "geometry: largest body with play, smallest face with " +
		"cover",
		Formula: "max(body) + 2·play ≤ opening ≤ min(face) − 2·cover",
		Inputs: []working.Quantity{{Symbol: "n", Name: "inserts", Value: float64(len(in.Inserts))}, working.MM("p", "play a side", in.Play),
			working.MM("c", "cover a side", in.Cover), working.MM("R", "corner radius", in.Corner)},
		Steps: []working.Quantity{working.MM("H", "height of the opening", r.Height), working.MM("W+", "widest that every face covers", most[0]),
			working.MM("H+", "highest that every face covers", most[1])},
		Assumptions: []string{"bodies with square corners, each in the middle of the opening"}, Result: working.MM("W", "width of the opening",
			r.Width)}
	return r, nil
}

// cornerPlay is the gap between an insert's square corner and the round of the opening's, a
// and b beside it, mm; negative where it binds.
func cornerPlay(a, b, radius float64) float64 {
	if a >= radius || b >= radius {
		return math.Inf(1) // beside the round
	}
	return radius - math.Hypot(radius-a, radius-b)
}

func (in InsertsInput) check() error {
	errs := []error{working.Within("/width", "The opening's width", in.Width, 0, 1e4, "mm"), working.Within("/height",
		"The opening's height", in.Height, 0, 1e4, "mm"),
		working.Within("/corner", "The corner radius", in.Corner, 0, 500, "mm"), working.Within("/play", "The play", in.Play, 0, 50, "mm"),
		working.Within("/cover", "The cover", in.Cover, 0, 200, "mm")}
	if (in.Width == 0) != (in.Height == 0) {
		errs = append(errs, working.Refuse("/height", "Give the opening's width and height, or neither."))
	}
	if n := len(in.Inserts); n == 0 || n > 40 {
		errs = append(errs, working.Refuse("/inserts", "Give from 1 to 40 inserts."))
	}
	for i, x := range in.Inserts {
		at := fmt.Sprintf("/inserts/%d", i)
		errs = append(errs, working.Above(at+"/width", "The width", x.Width, 0, 1e4, "mm"), working.Above(at+"/height", "The height", x.Height,
			0, 1e4, "mm"),
			working.Above(at+"/faceWidth", "The face's width", x.FaceWidth, 0, 1e4, "mm"), working.Above(at+"/faceHeight", "The face's height",
				x.FaceHeight, 0, 1e4, "mm"))
	}
	return working.First(errs...)
}
