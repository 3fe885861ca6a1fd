package job

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// Surveyed is everything that follows from a survey. It is derived and never
// stored.
type Surveyed struct {
	Points     []Located                 `json:"points"`
	Maps       []MapTold                 `json:"maps"`
	Levels     []LevelTold               `json:"levels"`
	Slopes     []ResultTold              `json:"slopes"`
	Squares    []ResultTold              `json:"squares"`
	Sides      []ResultTold              `json:"sides"`
	Gaps       []ResultTold              `json:"gaps"`
	Measures   []ResultTold              `json:"measures"`
	Placed     []PlacedTold              `json:"placed"`
	Clearances []ClearTold               `json:"clearances" doc:"shortest of what is needed first"`
	Openings   []ResultTold              `json:"openings" doc:"of the opening spaces, in their order"`
	Ground     []ResultTold              `json:"ground" doc:"ground clearance, approach, departure, break-over"`
	Drillings  []DrillTold               `json:"drillings"`
	Follows    []FollowTold              `json:"follows"`
	Stacks     []StackTold               `json:"stacks"`
	Fits       []ResultTold              `json:"fits"`
	Checks     []CheckTold               `json:"checks" doc:"re-taping, part by part"`
	Repeats    []ResultTold              `json:"repeats" doc:"readings taken more than once"`
	Assumed    []AssumedTold             `json:"assumed" doc:"what was not measured here, and what stands on it"`
	Findings   []working.Finding         `json:"findings"`
	Sketch     []Drawn                   `json:"sketch" doc:"outlines of spaces and placed things"`
	Words      map[string]string         `json:"words" doc:"names of kinds of space"`
	Tools      map[string]InstrumentTold `json:"tools" doc:"what each instrument is good for"`
}

// ResultTold is one line of a table: a value in words, a verdict and why.
type ResultTold struct {
	ID       string            `json:"id,omitempty"`
	Name     string            `json:"name"`
	Value    *float64          `json:"value,omitempty" doc:"mm, degrees or share"`
	Text     string            `json:"text"`
	Verdict  string            `json:"verdict" enum:"good,doubtful,bad,open"`
	Says     string            `json:"says,omitempty"`
	Least    *Source           `json:"least,omitempty"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working,omitempty"`

	met    *bool  // of a target of the brief
	target string // its id
}

// LevelTold is a levelling.
type LevelTold struct {
	ResultTold
	Pitch   string     `json:"pitch"`
	Roll    string     `json:"roll"`
	Twist   string     `json:"twist"`
	Packing [4]string  `json:"packing" doc:"front left, front right, rear left, rear right"`
	Turns   [2]float64 `json:"turns" doc:"degrees: pitch nose low, roll left side high"`
}

// ClearTold is one clearance.
type ClearTold struct {
	Thing    string           `json:"thing"`
	With     string           `json:"with"`
	Kind     string           `json:"kind" doc:"kind of the space, empty for another thing"`
	Distance float64          `json:"distance" doc:"mm, facets allowed for"`
	Text     string           `json:"text"`
	Need     string           `json:"need"`
	Verdict  string           `json:"verdict" enum:"good,doubtful,bad"`
	State    string           `json:"state,omitempty" doc:"in which state it is least"`
	Depth    string           `json:"depth,omitempty"`
	At       [3]float64       `json:"at"`
	To       [3]float64       `json:"to"`
	Place    string           `json:"place" doc:"where, in words"`
	Within   string           `json:"within" doc:"how well both places are known"`
	Working  *working.Working `json:"working,omitempty"`
}

// DrillTold is what a drill meets.
type DrillTold struct {
	ResultTold
	Stop string `json:"stop" doc:"where to set the drill stop"`
}

// StackTold is a stack at each of its places.
type StackTold struct {
	ResultTold
	Places []StackPlaceTold `json:"places"`
	Common bool             `json:"common"`
}

// StackPlaceTold is one row of the spacer list.
type StackPlaceTold struct {
	Name    string `json:"name"`
	Nominal string `json:"nominal"`
	Worst   string `json:"worst"`
	RSS     string `json:"rss"`
	Spacer  string `json:"spacer"`
	Shims   string `json:"shims"`
	Left    string `json:"left"`
	Leg     string `json:"leg,omitempty" doc:"with a slope: length of this leg"`
	Why     string `json:"why,omitempty"`
}

// AssumedTold is a value nobody measured here.
type AssumedTold struct {
	Name  string   `json:"name"`
	Trust Trust    `json:"trust" enum:"measured,copied,memory,assumed"`
	Under []string `json:"under" doc:"what stands on it"`
}

// Drawn is the outline of a thing in three views.
type Drawn struct {
	ID    string            `json:"id"`
	Name  string            `json:"name"`
	Kind  string            `json:"kind" doc:"kind of the space, or thing"`
	Plan  [][]profile.Point `json:"plan" doc:"x, y"`
	Side  [][]profile.Point `json:"side" doc:"x, z"`
	End   [][]profile.Point `json:"end" doc:"y, z"`
	Swept bool              `json:"swept,omitempty" doc:"it moves: the outline holds all it passes through"`
}

// span writes two lengths, their common unit once.
func (p pen) span(a, b float64) string {
	return strings.TrimSuffix(p.mm(a), " mm") + " – " + p.mm(b)
}

func (p pen) deg(v float64) string { return fmt.Sprintf("%.2f°", v+0) }

// WorkSurvey works out everything a survey says about a job's parts.
func WorkSurvey(s Survey, b Brief, parts []BuiltPart, frames ...BarePart) Surveyed {
	p := pen{b.Display()}
	l := newLocator(s, p)
	for _, x := range parts {
		if !slices.Contains(l.plates, x.Recipe.Thickness) {
			l.plates = append(l.plates, x.Recipe.Thickness)
		}
	}
	st := newStander(b, parts, l, frames...)
	out := Surveyed{Points: []Located{}, Maps: []MapTold{}, Levels: []LevelTold{}, Slopes: []ResultTold{}, Squares: []ResultTold{}, Sides: []ResultTold{}, Gaps: []ResultTold{}, Measures: []ResultTold{}, Placed: []PlacedTold{},
		Clearances: []ClearTold{}, Openings: []ResultTold{}, Ground: []ResultTold{}, Drillings: []DrillTold{}, Follows: []FollowTold{}, Stacks: []StackTold{}, Fits: []ResultTold{}, Checks: []CheckTold{}, Repeats: []ResultTold{}, Assumed: []AssumedTold{}, Findings: []working.Finding{}, Sketch: []Drawn{}, Words: map[string]string{}, Tools: p.instruments(s.Shop)}
	for k, v := range survey.Kinds {
		out.Words[string(k)] = v.Words
	}
	for i := range s.Points {
		out.Points = append(out.Points, *l.at(s.Points[i].ID))
	}
	for i := range s.Maps {
		l.placeMap(&s.Maps[i])
		for _, h := range s.Maps[i].Holes {
			out.Points = append(out.Points, *l.at(h.ID))
		}
		out.Maps = append(out.Maps, *l.mapOf(&s.Maps[i]))
	}
	out.twice()
	l.tables(s, b, &out)
	st.room(s, &out)
	l.follows(s, b, parts, &out)
	for _, part := range parts {
		out.Checks = append(out.Checks, l.checkPart(s, b, part))
	}
	for _, f := range frames {
		out.Checks = append(out.Checks, l.checkFrame(s, b, f))
	}
	l.repeats(s, &out)
	out.assumed(s)
	out.gather()
	return out
}

// missing answers a line that waits for a reading.
func open(id, name, says string) ResultTold {
	return ResultTold{ID: id, Name: name, Text: "—", Verdict: "open", Says: says, Findings: []working.Finding{}}
}

func verdictIn(list []working.Finding) string {
	v := "good"
	for _, f := range list {
		if f.Severity == working.Stop {
			return "bad"
		}
		if f.Severity == working.Mind {
			v = "doubtful"
		}
	}
	return v
}

// twice names points that lie on one spot: mostly one was typed for another.
func (t *Surveyed) twice() {
	for i, p := range t.Points {
		for _, q := range t.Points[:i] {
			if p.At == nil || q.At == nil || p.Of != "" || q.Of != "" || solid.Vector(*p.At).Sub(*q.At).Len() > .5 {
				continue
			}
			t.Points[i].Findings = append(t.Points[i].Findings, working.Finding{Code: "twice", Severity: working.Mind, Cause: "Place", Name: p.Name, Reason: fmt.Sprintf("It lies on the same spot as %s: one of them is typed wrong, or is not needed.", q.Name)})
		}
	}
}

// assumed gathers what was not measured here, and what stands on each.
func (t *Surveyed) assumed(s Survey) {
	at := map[string]int{}
	stands := func(name string, trust Trust, on string) {
		i, known := at[name]
		if !known {
			i = len(t.Assumed)
			at[name] = i
			t.Assumed = append(t.Assumed, AssumedTold{Name: name, Trust: trust, Under: []string{}})
		}
		if on != "" && !slices.Contains(t.Assumed[i].Under, on) {
			t.Assumed[i].Under = append(t.Assumed[i].Under, on)
		}
	}
	for _, p := range t.Points {
		for _, x := range p.sources {
			if x.Trust != Measured {
				stands(x.Name, x.Trust, p.Name)
			}
		}
	}
	for _, r := range s.readings() {
		if trust := Trust(r.Trust); r.Taken() && trust != "" && trust != Measured && !strings.HasPrefix(r.path, "/points") && !strings.HasPrefix(r.path, "/maps") {
			stands(r.of+", "+r.what, trust, r.of)
		}
	}
	for _, sp := range s.Spaces {
		trust := Trust(sp.Trust)
		if trust == "" || trust == Measured {
			continue
		}
		stands(sp.Name+", its place", trust, "")
		for _, c := range t.Clearances {
			if c.With == sp.Name {
				stands(sp.Name+", its place", trust, "clearance of "+c.Thing)
			}
		}
	}
	for _, p := range t.Placed {
		if p.Least == nil {
			continue
		}
		if _, known := at[p.Least.Name]; known {
			stands(p.Least.Name, p.Least.Trust, p.Name)
		}
	}
}

// gather puts the findings that must be seen in one list, stops first.
func (t *Surveyed) gather() {
	add := func(list []working.Finding) {
		for _, f := range list {
			if f.Severity != working.Note {
				t.Findings = append(t.Findings, f)
			}
		}
	}
	for _, m := range t.Maps {
		add(m.Findings)
	}
	for _, p := range t.Points {
		add(p.Findings)
	}
	for _, p := range t.Placed {
		add(p.Findings)
	}
	for _, d := range t.Drillings {
		add(d.Findings)
	}
	for _, f := range t.Follows {
		add(f.Findings)
	}
	for _, c := range t.Clearances {
		if c.Verdict == "bad" {
			say := fmt.Sprintf("%s to %s; %s are wanted%s.", c.Text, c.With, c.Need, c.Place)
			if c.Depth != "" {
				say = fmt.Sprintf("It runs into %s by %s at least%s.", c.With, c.Depth, c.Place)
			}
			t.Findings = append(t.Findings, working.Finding{Code: "clearance", Severity: working.Stop, Cause: "Room", Name: c.Thing, Reason: say})
		}
	}
	slices.SortStableFunc(t.Findings, func(a, b working.Finding) int {
		rank := map[working.Severity]int{working.Stop: 0, working.Mind: 1, working.Note: 2}
		return rank[a.Severity] - rank[b.Severity]
	})
}
