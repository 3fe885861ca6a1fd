package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// Surveyed is everything that follows from a survey. It is derived and never
// stored.
type Surveyed struct {
	Points     []vehicle.Located                 `json:"points"`
	Maps       []vehicle.MapTold                 `json:"maps"`
	Levels     []vehicle.LevelTold               `json:"levels"`
	Slopes     []vehicle.ResultTold              `json:"slopes"`
	Squares    []vehicle.ResultTold              `json:"squares"`
	Sides      []vehicle.ResultTold              `json:"sides"`
	Centres    []vehicle.ResultTold              `json:"centres"`
	Flushes    []vehicle.ResultTold              `json:"flushes"`
	Gaps       []vehicle.ResultTold              `json:"gaps"`
	Measures   []vehicle.ResultTold              `json:"measures"`
	Placed     []PlacedTold                      `json:"placed"`
	Clearances []ClearTold                       `json:"clearances" doc:"shortest of what is needed first"`
	Lines      []LineTold                        `json:"lines"`
	Openings   []vehicle.ResultTold              `json:"openings" doc:"of the opening spaces, in their order"`
	Ground     []vehicle.ResultTold              `json:"ground" doc:"ground clearance, approach, departure, break-over"`
	Drillings  []DrillTold                       `json:"drillings"`
	Follows    []FollowTold                      `json:"follows"`
	Stacks     []vehicle.StackTold               `json:"stacks"`
	Fits       []vehicle.ResultTold              `json:"fits"`
	Sockets    []vehicle.ResultTold              `json:"sockets" doc:"of fits that must stand without play, by their id"`
	Olds       []OldTold                         `json:"olds"`
	Trials     []TrialTold                       `json:"trials"`
	Checks     []CheckTold                       `json:"checks" doc:"re-taping, part by part"`
	Repeats    []vehicle.ResultTold              `json:"repeats" doc:"readings taken more than once"`
	Assumed    []vehicle.AssumedTold             `json:"assumed" doc:"what was not measured here, and what stands on it"`
	Findings   []working.Finding                 `json:"findings"`
	Sketch     []Drawn                           `json:"sketch" doc:"outlines of spaces and placed things"`
	Words      map[string]string                 `json:"words" doc:"names of kinds of space"`
	Tools      map[string]vehicle.InstrumentTold `json:"tools" doc:"what each instrument is good for"`
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
	Way      string           `json:"way,omitempty" doc:"what helps, where it is known why they meet"`
	At       [3]float64       `json:"at"`
	To       [3]float64       `json:"to"`
	Place    string           `json:"place" doc:"where, in words"`
	Within   string           `json:"within" doc:"how well both places are known"`
	Working  *working.Working `json:"working,omitempty"`
}

// DrillTold is what a drill meets.
type DrillTold struct {
	vehicle.ResultTold
	Stop string   `json:"stop" doc:"where to set the drill stop"`
	Do   []string `json:"do" doc:"bit, board and what else is got ready, in words"`
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

// WorkSurvey works out everything a survey says about a job's parts.
func WorkSurvey(s vehicle.Survey, b brief.Brief, parts []BuiltPart, frames ...Frame) Surveyed {
	return Site{Survey: s, Brief: b, Parts: parts, Frames: frames}.Surveyed()
}

// Surveyed works out everything the survey says about what is in the job.
func (all Site) Surveyed() Surveyed {
	s, b, parts, frames := all.Survey, all.Brief, all.Parts, all.Frames
	p := told.Pen{Display: b.Display()}
	st := newStander(all)
	l := st.from
	var sheets []float64
	for _, x := range parts {
		if !slices.Contains(sheets, x.Recipe.Thickness) && len(sheets) < 20 {
			sheets = append(sheets, x.Recipe.Thickness)
		}
		if !slices.Contains(l.Plates, x.Recipe.Thickness) {
			l.Plates = append(l.Plates, x.Recipe.Thickness)
		}
	}
	out := Surveyed{Points: []vehicle.Located{}, Maps: []vehicle.MapTold{}, Levels: []vehicle.LevelTold{}, Slopes: []vehicle.ResultTold{},
		Squares: []vehicle.ResultTold{}, Sides: []vehicle.ResultTold{}, Centres: []vehicle.ResultTold{}, Flushes: []vehicle.ResultTold{},
		Gaps:     []vehicle.ResultTold{},
		Measures: []vehicle.ResultTold{}, Placed: []PlacedTold{},
		Clearances: []ClearTold{}, Lines: []LineTold{}, Openings: []vehicle.ResultTold{}, Ground: []vehicle.ResultTold{},
		Drillings: []DrillTold{},
		Follows:   []FollowTold{}, Stacks: []vehicle.StackTold{}, Fits: []vehicle.ResultTold{}, Sockets: []vehicle.ResultTold{},
		Olds: []OldTold{}, Trials: []TrialTold{},
		Checks:  []CheckTold{},
		Repeats: []vehicle.ResultTold{}, Assumed: []vehicle.AssumedTold{}, Findings: []working.Finding{}, Sketch: []Drawn{},
		Words: map[string]string{}, Tools: vehicle.Instruments(p, s.Shop)}
	for k, v := range survey.Kinds {
		out.Words[string(k)] = v.Words
	}
	for i := range s.Points {
		out.Points = append(out.Points, *l.At(s.Points[i].ID))
	}
	for i := range s.Maps {
		l.PlaceMap(&s.Maps[i])
		for _, h := range s.Maps[i].Holes {
			out.Points = append(out.Points, *l.At(h.ID))
		}
		out.Maps = append(out.Maps, *l.MapOf(&s.Maps[i]))
	}
	out.twice()
	tables(l, s, b, sheets, &out)
	st.room(s, &out)
	follows(l, s, b, parts, &out)
	stops := all.allWeldStops()
	for _, part := range parts {
		out.Checks = append(out.Checks, checkPart(l, s, b, part, stops[part.ID]))
	}
	for _, f := range frames {
		out.Checks = append(out.Checks, checkFrame(l, s, b, f, stops[f.ID]))
	}
	olds(l, s, parts, &out)
	trials(l, s, &out)
	repeats(l, s, &out)
	out.assumed(s)
	out.gather()
	scanned(l, s, &out)
	return out
}

// twice names points that lie on one spot: mostly one was typed for another.
func (t *Surveyed) twice() {
	for i, p := range t.Points {
		for _, q := range t.Points[:i] {
			if p.At == nil || q.At == nil || p.Of != "" || q.Of != "" || solid.Vector(*p.At).Sub(*q.At).Len() > .5 {
				continue
			}
			t.Points[i].Findings = append(t.Points[i].Findings,
				working.Finding{Code: "twice", Severity: working.Mind, Cause: "Place", Name: p.Name,
					Reason: fmt.Sprintf("It lies on the same spot as %s: one of them is typed wrong, or is not needed.", q.Name)})
		}
	}
}

// assumed gathers what was not measured here, and what stands on each.
func (t *Surveyed) assumed(s vehicle.Survey) {
	at := map[string]int{}
	stands := func(name string, trust brief.Trust, on string) {
		i, known := at[name]
		if !known {
			i = len(t.Assumed)
			at[name] = i
			t.Assumed = append(t.Assumed, vehicle.AssumedTold{Name: name, Trust: trust, Under: []string{}})
		}
		if on != "" && !slices.Contains(t.Assumed[i].Under, on) {
			t.Assumed[i].Under = append(t.Assumed[i].Under, on)
		}
	}
	for _, p := range t.Points {
		for _, x := range p.Sources {
			if x.Trust != brief.Measured {
				stands(x.Name, x.Trust, p.Name)
			}
		}
	}
	for _, r := range s.Readings() {
		if trust := brief.Trust(r.Trust); r.Taken() && trust != "" && trust != brief.Measured && !strings.HasPrefix(r.Path, "/points") &&
			!strings.HasPrefix(r.Path, "/maps") {
			stands(r.Of+", "+r.What, trust, r.Of)
		}
	}
	for _, sp := range s.Spaces {
		trust := brief.Trust(sp.Trust)
		if trust == "" || trust == brief.Measured {
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
	for _, l := range t.Lines {
		add(l.Findings)
	}
	for _, c := range t.Clearances {
		if c.Verdict == "bad" {
			say := fmt.Sprintf("%s to %s; %s are wanted%s.", c.Text, c.With, c.Need, c.Place)
			if c.Depth != "" {
				say = fmt.Sprintf("It runs into %s by %s at least%s.", c.With, c.Depth, c.Place)
			}
			t.Findings = append(t.Findings, working.Finding{Code: "clearance", Severity: working.Stop, Cause: "Room", Name: c.Thing,
				Reason: say})
		}
	}
	slices.SortStableFunc(t.Findings, func(a, b working.Finding) int {
		rank := map[working.Severity]int{working.Stop: 0, working.Mind: 1, working.Note: 2}
		return rank[a.Severity] - rank[b.Severity]
	})
}
