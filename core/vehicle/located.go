package vehicle

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Located is a point with the place it works out to.
type Located struct {
	ID       string            `json:"id"`
	Name     string            `json:"name"`
	Of       string            `json:"of,omitempty" doc:"id of the hole map it belongs to"`
	Kind     string            `json:"kind"`
	Size     float64           `json:"size,omitempty" doc:"mm"`
	At       *[3]float64       `json:"at,omitempty" doc:"mm forward, left, up of the datum; left out when it has no place yet"`
	Texts    [3]string         `json:"texts" doc:"the same as the job writes it"`
	Sigma    float64           `json:"sigma" doc:"mm, standard uncertainty"`
	Within   string            `json:"within" doc:"twice that, as the job writes it"`
	Least    *brief.Source     `json:"least,omitempty" doc:"least trusted reading behind it"`
	Why      string            `json:"why,omitempty" doc:"why it has no place"`
	Choices  [][3]float64      `json:"choices,omitempty" doc:"mm, mirror images to choose from"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working,omitempty"`
	Measured []Measured        `json:"measured,omitempty" doc:"what was read, as dimensions on the vehicle"`

	Sources []brief.Source `json:"-"`
}

// MapTold is a hole map worked out.
type MapTold struct {
	ID           string            `json:"id"`
	Holes        []MapHoleTold     `json:"holes"`
	Readings     []MapReadingTold  `json:"readings"`
	Consistent   bool              `json:"consistent"`
	Suspect      string            `json:"suspect,omitempty" doc:"id of the reading that is off"`
	Agrees       string            `json:"agrees,omitempty" doc:"what that reading would have to be"`
	AgreesValue  float64           `json:"agreesValue,omitempty" doc:"mm, the same as the tape would show it"`
	Slips        []string          `json:"slips" doc:"what would explain it"`
	NextFrom     string            `json:"nextFrom,omitempty" doc:"hole to measure from next"`
	NextTo       string            `json:"nextTo,omitempty"`
	NextWays     []NextWay         `json:"nextWays,omitempty" doc:"what it would be in each map that fits"`
	Alternatives [][][2]float64    `json:"alternatives,omitempty"`
	Spare        int               `json:"spare" doc:"readings beyond the least"`
	Why          string            `json:"why,omitempty" doc:"why there is no map yet"`
	Unsaid       bool              `json:"unsaid,omitempty" doc:"how good the tape is was not given"`
	UnsaidText   string            `json:"unsaidText,omitempty" doc:"what a reading is then judged against"`
	Missing      int               `json:"missing,omitempty" doc:"readings still needed"`
	Agreed       bool              `json:"agreed" doc:"all readings count, none is doubtful, and there is one to spare"`
	Says         string            `json:"says,omitempty" doc:"what the readings come to, in a sentence"`
	Meant        []MeantTold       `json:"meant" doc:"what its holes are meant to be, tested: what was said, and what the readings go with"`
	Findings     []working.Finding `json:"findings"`
	Working      *working.Working  `json:"working,omitempty"`
	Bare         hole.MapResult    `json:"-"`

	sources []brief.Source
}

// NextWay is one value a telling reading may have.
type NextWay struct {
	Value float64 `json:"value" doc:"mm"`
	Text  string  `json:"text"`
}

// MapHoleTold is a hole of a map in the map's own axes.
type MapHoleTold struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	X      float64 `json:"x" doc:"mm"`
	Y      float64 `json:"y" doc:"mm"`
	TextX  string  `json:"textX"`
	TextY  string  `json:"textY"`
	Within string  `json:"within"`
	Size   float64 `json:"size"`
}

// MapReadingTold is what a reading leaves.
type MapReadingTold struct {
	ID       string  `json:"id" doc:"of the reading it is said of"`
	Centres  float64 `json:"centres" doc:"mm, centre to centre"`
	Residual float64 `json:"residual" doc:"mm, fitted − measured"`
	Text     string  `json:"text"`
	Read     string  `json:"read,omitempty" doc:"what was read"`
	Control  float64 `json:"control" doc:"redundancy number"`
	Large    bool    `json:"large" doc:"beyond what its instrument allows"`
	Why      string  `json:"why,omitempty" doc:"why it does not count"`
}

// Locator works points and maps out as they are asked for.
type Locator struct {
	Survey Survey
	Pen    told.Pen
	Points map[string]*SurveyPoint
	Maps   map[string]*HoleMap
	HoleOf map[string]*HoleMap
	Done   map[string]*Located
	told   map[string]*MapTold
	under  map[string]bool // being worked out
	Thing  func(id string) *Seating
	Plates []float64
}

// Seating is a placed thing's pose, for points transferred from it.
type Seating struct {
	Pose    solid.Pose
	Holes   map[string]solid.Vector
	Sigma   float64
	Sources []brief.Source
	Why     string
}

// NewLocator starts to place the points and holes of a survey.
func NewLocator(s Survey, p told.Pen) *Locator {
	l := &Locator{Survey: s, Pen: p, Points: map[string]*SurveyPoint{}, Maps: map[string]*HoleMap{}, HoleOf: map[string]*HoleMap{},
		Done: map[string]*Located{}, told: map[string]*MapTold{}, under: map[string]bool{}}
	for i := range s.Points {
		l.Points[s.Points[i].ID] = &s.Points[i]
		if b := s.Points[i].Behind; b != nil && b.Taken() {
			l.Plates = append(l.Plates, b.Work(s.Shop, false).Value)
		}
	}
	for i := range s.Maps {
		m := &s.Maps[i]
		l.Maps[m.ID] = m
		for k := range m.Holes {
			l.HoleOf[m.Holes[k].ID] = m
		}
	}
	return l
}

func (l *Locator) known(r survey.Reading) (float64, float64) {
	k := r.Work(l.Survey.Shop, false)
	return k.Value, k.Sigma
}

func sourceOf(name string, r survey.Reading) brief.Source {
	t := brief.Trust(r.Trust)
	if t == "" {
		t = brief.Measured // a reading that stands in the survey was taken there unless said otherwise
	}
	return brief.Source{Name: name, Trust: t}
}

// At answers a point or a map's hole by id.
func (l *Locator) At(id string) *Located {
	if d, ok := l.Done[id]; ok {
		return d
	}
	if m, ok := l.HoleOf[id]; ok {
		l.PlaceMap(m)
		return l.Done[id]
	}
	p, ok := l.Points[id]
	if !ok {
		return &Located{ID: id, Why: "The point it starts from is not in the survey any more: choose another."}
	}
	out := &Located{ID: p.ID, Name: p.Name, Kind: p.Kind, Size: p.Size, Findings: []working.Finding{}}
	if l.under[id] {
		out.Why = "It is measured from itself, by way of others: measure one of them from the datum."
		return out
	}
	l.under[id] = true
	l.work(p, out)
	delete(l.under, id)
	l.finish(out)
	out.Measured = l.measured(p, out)
	l.Done[id] = out
	return out
}

// finish writes what was worked out.
func (l *Locator) finish(out *Located) {
	out.Least = brief.LeastTrusted(out.Sources)
	if out.At == nil {
		return
	}
	for i, v := range out.At {
		out.Texts[i] = l.Pen.MM(v)
		if math.Abs(v) > maxOffset/2 {
			out.Findings = append(out.Findings, working.Finding{Code: "far", Severity: working.Mind, Cause: "Place",
				Reason: fmt.Sprintf("%s lies %.1f m off the datum, longer than vehicles are: was it typed in the right unit?",
					out.Name, math.Abs(v)/1000)})
			break
		}
	}
	out.Within = l.Pen.MM(2 * out.Sigma)
}

// base answers a known point, or says why it is not known.
func (l *Locator) base(id, what string, out *Located) (solid.Vector, float64, bool) {
	if id == "" {
		out.Why = "Say " + what + "."
		return solid.Vector{}, 0, false
	}
	b := l.At(id)
	if b.At == nil {
		name := b.Name
		if name == "" {
			name = "The point it is measured from"
		}
		out.Why = name + " has no place yet. " + b.Why
		return solid.Vector{}, 0, false
	}
	out.Sources = append(out.Sources, b.Sources...)
	return *b.At, b.Sigma, true
}

func (l *Locator) work(p *SurveyPoint, out *Located) {
	switch p.Way {
	case ByOffsets, "":
		l.offsets(p, out)
	case ByTwoDistances:
		l.twoDistances(p, out)
	case ByDistances:
		l.distances(p, out)
	case OnLine:
		l.onLine(p, out)
	case ByTransfer:
		l.transfer(p, out)
	default:
		out.Why = "Say how it was measured."
	}
}

func (l *Locator) reading(out *Located, name string, r survey.Reading) (float64, float64) {
	v, sigma := l.known(r)
	out.Sources = append(out.Sources, sourceOf(out.Name+", "+name, r))
	k := r.Work(l.Survey.Shop, false)
	if len(r.Values) == 2 && k.Spread > 4*r.Sigma(l.Survey.Shop, false) {
		out.Findings = append(out.Findings, working.Finding{Code: "disagree", Severity: working.Mind, Cause: "Reading",
			Reason: fmt.Sprintf("%s: the two readings of %s lie %s apart, and nothing tells which is right. Take a third.", out.Name,
				name, l.Pen.MM(k.Spread))})
	}
	if k.Outlier > 0 {
		out.Findings = append(out.Findings, working.Finding{Code: "outlier", Severity: working.Mind, Cause: "Reading",
			Reason: fmt.Sprintf("%s: reading %d of %s stands out and is left out; the others spread less.", out.Name, k.Outlier, name)})
	}
	return v, sigma
}
