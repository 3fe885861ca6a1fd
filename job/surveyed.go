package job

import (
	"context"
	"fmt"
	"math"
	"slices"
	"time"

	"warmanvil/core/fit"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

// Surveyed is everything that follows from a survey. It is derived and never
// stored.
type Surveyed struct {
	Points     []Located         `json:"points"`
	Maps       []MapTold         `json:"maps"`
	Levels     []LevelTold       `json:"levels"`
	Slopes     []ResultTold      `json:"slopes"`
	Squares    []ResultTold      `json:"squares"`
	Sides      []ResultTold      `json:"sides"`
	Gaps       []ResultTold      `json:"gaps"`
	Measures   []ResultTold      `json:"measures"`
	Placed     []PlacedTold      `json:"placed"`
	Clearances []ClearTold       `json:"clearances" doc:"shortest of what is needed first"`
	Openings   []ResultTold      `json:"openings" doc:"of the opening spaces, in their order"`
	Ground     []ResultTold      `json:"ground" doc:"ground clearance, approach, departure, break-over"`
	Drillings  []DrillTold       `json:"drillings"`
	Follows    []FollowTold      `json:"follows"`
	Stacks     []StackTold       `json:"stacks"`
	Fits       []ResultTold      `json:"fits"`
	Checks     []CheckTold       `json:"checks" doc:"re-taping, part by part"`
	Assumed    []AssumedTold     `json:"assumed" doc:"what was not measured here, and what stands on it"`
	Findings   []working.Finding `json:"findings"`
	Sketch     []Drawn           `json:"sketch" doc:"outlines of spaces and placed things"`
	Words      map[string]string `json:"words" doc:"names of kinds of space"`
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
	Thing    string     `json:"thing"`
	With     string     `json:"with"`
	Kind     string     `json:"kind" doc:"kind of the space, empty for another thing"`
	Distance float64    `json:"distance" doc:"mm, facets allowed for"`
	Text     string     `json:"text"`
	Need     string     `json:"need"`
	Verdict  string     `json:"verdict" enum:"good,doubtful,bad"`
	State    string     `json:"state,omitempty" doc:"in which state it is least"`
	Depth    string     `json:"depth,omitempty"`
	At       [3]float64 `json:"at"`
	To       [3]float64 `json:"to"`
	Place    string     `json:"place" doc:"where, in words"`
	Within   string     `json:"within" doc:"how well both places are known"`
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

func (p pen) deg(v float64) string { return fmt.Sprintf("%.2f°", v+0) }

// WorkSurvey works out everything a survey says about a job's parts.
func WorkSurvey(s Survey, b Brief, parts []BuiltPart) Surveyed {
	p := pen{b.Display()}
	l := newLocator(s, p)
	for _, x := range parts {
		if !slices.Contains(l.plates, x.Recipe.Thickness) {
			l.plates = append(l.plates, x.Recipe.Thickness)
		}
	}
	st := newStander(b, parts, l)
	out := Surveyed{Points: []Located{}, Maps: []MapTold{}, Levels: []LevelTold{}, Slopes: []ResultTold{}, Squares: []ResultTold{}, Sides: []ResultTold{}, Gaps: []ResultTold{}, Measures: []ResultTold{}, Placed: []PlacedTold{},
		Clearances: []ClearTold{}, Openings: []ResultTold{}, Ground: []ResultTold{}, Drillings: []DrillTold{}, Follows: []FollowTold{}, Stacks: []StackTold{}, Fits: []ResultTold{}, Checks: []CheckTold{}, Assumed: []AssumedTold{}, Findings: []working.Finding{}, Sketch: []Drawn{}, Words: map[string]string{}}
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
		out.Checks = append(out.Checks, l.check(s, part))
	}
	out.assumed()
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

func (l *locator) tables(s Survey, b Brief, out *Surveyed) {
	p := l.pen
	val := func(r survey.Reading) float64 { return r.Work(s.Shop, false).Value }
	for _, v := range s.Levels {
		t := LevelTold{ResultTold: open(v.ID, v.Name, "All four heights and both distances are needed.")}
		t.Pitch, t.Roll, t.Twist, t.Packing = "—", "—", "—", [4]string{"—", "—", "—", "—"}
		if v.Wheelbase.Taken() && v.Track.Taken() && v.FrontLeft.Taken() && v.FrontRight.Taken() && v.RearLeft.Taken() && v.RearRight.Taken() {
			r, err := survey.Levels(survey.LevelInput{Wheelbase: val(v.Wheelbase), Track: val(v.Track), Heights: survey.Corners{FrontLeft: val(v.FrontLeft), FrontRight: val(v.FrontRight), RearLeft: val(v.RearLeft), RearRight: val(v.RearRight)}, Floor: v.Floor, Wanted: v.Wanted})
			if err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				t.ResultTold = ResultTold{ID: v.ID, Name: v.Name, Value: &r.Pitch, Text: p.deg(r.Pitch), Verdict: verdictIn(r.Findings), Findings: r.Findings, Working: p.explain(r.Working)}
				t.Pitch, t.Roll, t.Twist, t.Turns = p.deg(r.Pitch), p.deg(r.Roll), p.mm(r.Twist), [2]float64{r.Pitch, r.Roll}
				t.Packing = [4]string{p.mm(r.Packing.FrontLeft), p.mm(r.Packing.FrontRight), p.mm(r.Packing.RearLeft), p.mm(r.Packing.RearRight)}
			}
		}
		out.Levels = append(out.Levels, t)
	}
	for _, v := range s.Slopes {
		t := open(v.ID, v.Name, "Read the gauge on the face and on the vehicle's own level face.")
		if v.Reading.Taken() && v.Own.Taken() {
			a, o := v.Reading.Work(s.Shop, true), v.Own.Work(s.Shop, true)
			if r, err := survey.OwnSlope(survey.SlopeInput{Reading: a.Value, Own: o.Value, Wanted: v.Wanted}); err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				sigma := survey.Root(a.Sigma, o.Sigma)
				t = ResultTold{ID: v.ID, Name: v.Name, Value: &r.Angle, Text: fmt.Sprintf("%.1f°", r.Angle), Verdict: "good", Says: fmt.Sprintf("± %.1f°. To %.1f° turn it by %+.1f°; the gauge then shows %.1f°.", 2*sigma, v.Wanted, r.Turn, r.Show), Findings: []working.Finding{}, Working: p.explain(r.Working)}
			}
		}
		out.Slopes = append(out.Slopes, t)
	}
	for _, v := range s.Squares {
		t := open(v.ID, v.Name, "Length, width and both diagonals are needed.")
		if v.Length.Taken() && v.Width.Taken() && v.First.Taken() && v.Second.Taken() {
			r, err := survey.Square(survey.SquareInput{Length: val(v.Length), Width: val(v.Width), LeftToRight: val(v.First), RightToLeft: val(v.Second), Sigma: v.First.Sigma(s.Shop, false)})
			if err != nil {
				t.Says, t.Verdict = err.Error(), "bad"
			} else {
				way := "right"
				if r.Shift < 0 {
					way = "left"
				}
				t = ResultTold{ID: v.ID, Name: v.Name, Value: &r.OutOfSquare, Text: p.mm(math.Abs(r.OutOfSquare)), Verdict: "good", Findings: r.Findings, Working: p.explain(r.Working), Says: fmt.Sprintf("%.2f° off square: the front side goes %s to the %s. Square, each diagonal is %s.", r.Angle, p.mm(math.Abs(r.Shift)), way, p.mm(r.Expected))}
				if r.Sure {
					t.Verdict = "doubtful"
				}
				if v := verdictIn(r.Findings); v != "good" {
					t.Verdict = v
				}
			}
		}
		out.Squares = append(out.Squares, t)
	}
	for _, v := range s.Sides {
		t := open(v.ID, v.Name, "Measure both sides: one measured and the other assumed is how parts do not fit.")
		if v.Left.Taken() && v.Right.Taken() {
			a, c := v.Left.Work(s.Shop, false), v.Right.Work(s.Shop, false)
			d, allow := c.Value-a.Value, v.Allow
			if allow == 0 {
				allow = 1
			}
			t = ResultTold{ID: v.ID, Name: v.Name, Value: &d, Text: p.mm(d), Verdict: "good", Findings: []working.Finding{}, Says: fmt.Sprintf("left %s, right %s; %s may differ", p.mm(a.Value), p.mm(c.Value), p.mm(allow))}
			if math.Abs(d) > allow {
				t.Verdict = "bad"
				if math.Abs(d) < 2*survey.Root(a.Sigma, c.Sigma) {
					t.Verdict, t.Says = "doubtful", t.Says+", and the tape alone could do it: measure again"
				}
			}
		}
		out.Sides = append(out.Sides, t)
	}
	for _, v := range s.Gaps {
		t := open(v.ID, v.Name, "Measure it loaded too: springs and panels give.")
		if v.Unloaded.Taken() && v.Loaded.Taken() {
			v.Unloaded.Least, v.Loaded.Least = true, true // an inside width
			a, c := v.Unloaded.Work(s.Shop, false), v.Loaded.Work(s.Shop, false)
			least := math.Min(a.Value, c.Value)
			t = ResultTold{ID: v.ID, Name: v.Name, Value: &least, Text: p.mm(least), Verdict: "good", Findings: []working.Finding{}, Says: fmt.Sprintf("unloaded %s, loaded %s: it gives %s", p.mm(a.Value), p.mm(c.Value), p.mm(a.Value-c.Value))}
			if least < v.Need {
				t.Verdict, t.Says = "bad", t.Says+fmt.Sprintf("; %s must stay", p.mm(v.Need))
			}
		}
		out.Gaps = append(out.Gaps, t)
	}
	l.measures(s, b, out)
	l.stacks(s, out)
	l.fits(s, out)
}

// measures sets distances between surveyed points against the brief's targets.
func (l *locator) measures(s Survey, b Brief, out *Surveyed) {
	for _, v := range s.Measures {
		a, c := l.at(v.From), l.at(v.To)
		if a.At == nil || c.At == nil {
			out.Measures = append(out.Measures, open(v.ID, v.Name, "Both points need a place first."))
			continue
		}
		d := solid.Vector(*c.At).Sub(*a.At)
		size := map[string]float64{"headroom": math.Abs(d[2]), "step": math.Abs(d[2]), "width": math.Abs(d[1]), "reach": d.Len()}[v.Kind]
		t := ResultTold{ID: v.ID, Name: v.Name, Value: &size, Text: l.pen.mm(size), Verdict: "good", Findings: []working.Finding{}, Least: leastTrusted(append(append([]Source{}, a.sources...), c.sources...))}
		for _, g := range b.Targets {
			if g.ID != v.Target || g.Wanted == nil {
				continue
			}
			met := size <= *g.Wanted
			word := "at most"
			if g.Sense == "atLeast" {
				met, word = size >= *g.Wanted, "at least"
			}
			t.Says = fmt.Sprintf("%s: %s %s wanted", g.Text, word, l.pen.mm(*g.Wanted))
			sigma := survey.Root(a.Sigma, c.Sigma)
			if !met {
				t.Verdict = "bad"
			} else if math.Abs(size-*g.Wanted) < 2*sigma {
				t.Verdict, t.Says = "doubtful", t.Says+fmt.Sprintf("; known to %s only", l.pen.mm(2*sigma))
			}
		}
		out.Measures = append(out.Measures, t)
	}
}

func (l *locator) stacks(s Survey, out *Surveyed) {
	p := l.pen
	for _, v := range s.Stacks {
		t := StackTold{ResultTold: open(v.ID, v.Name, "Measure the gap at each place."), Places: []StackPlaceTold{}}
		var standoffs []float64
		var which []int
		for i, place := range v.Places {
			row := StackPlaceTold{Name: place.Name, Nominal: "—", Worst: "—", RSS: "—", Spacer: "—", Shims: "—", Left: "—"}
			if !place.Gap.Taken() {
				row.Why = "not measured yet"
			} else {
				place.Gap.Least = true
				k := place.Gap.Work(s.Shop, false)
				r, err := fit.Stack(fit.StackInput{Gap: fit.Layer{Thickness: k.Value, Plus: 2 * k.Sigma, Minus: 2 * k.Sigma}, Layers: v.Layers})
				if err != nil {
					row.Why = err.Error()
				} else {
					row.Nominal, row.Worst, row.RSS = p.mm(r.Nominal), p.mm(r.Worst.Min)+" – "+p.mm(r.Worst.Max), p.mm(r.RSS.Min)+" – "+p.mm(r.RSS.Max)
					standoffs, which = append(standoffs, r.Nominal), append(which, i)
					t.Working, t.Findings = p.explain(r.Working), append(t.Findings, r.Findings...)
				}
			}
			t.Places = append(t.Places, row)
		}
		if len(standoffs) > 0 {
			packed, common := fit.Spacers(standoffs, v.Grain, v.Shims)
			t.Common, t.Verdict, t.Text = common, verdictIn(t.Findings), p.mm(standoffs[0])
			t.Says = "one spacer length serves all places"
			if !common {
				t.Says = "the places differ by more than shims make up: cut each its own"
			}
			for k, i := range which {
				t.Places[i].Spacer, t.Places[i].Left = p.mm(packed[k].Spacer), p.mm(packed[k].Left)
				t.Places[i].Shims = "none"
				for n, x := range packed[k].Shims {
					if n == 0 {
						t.Places[i].Shims = ""
					} else {
						t.Places[i].Shims += " + "
					}
					t.Places[i].Shims += p.mm(x)
				}
			}
			if v.Slope != nil {
				var at [][2]float64
				for _, i := range which {
					at = append(at, [2]float64{v.Places[i].X, v.Places[i].Y})
				}
				for k, leg := range fit.Legs(at, -v.Slope.Pitch, v.Slope.Roll, slices.Min(standoffs)) {
					t.Places[which[k]].Leg = p.mm(leg)
				}
			}
		}
		out.Stacks = append(out.Stacks, t)
	}
}

func (l *locator) fits(s Survey, out *Surveyed) {
	p := l.pen
	for _, v := range s.Fits {
		switch {
		case v.Slide != nil:
			r, err := fit.Slide(*v.Slide)
			if err != nil {
				t := open(v.ID, v.Name, err.Error())
				out.Fits = append(out.Fits, t)
				continue
			}
			t := ResultTold{ID: v.ID, Name: v.Name, Value: &r.Across.Nominal, Text: p.mm(r.Across.Nominal) + " a side", Findings: r.Findings, Working: p.explain(r.Working), Verdict: map[string]string{"free": "good", "tight": "doubtful", "binds": "bad"}[r.Goes],
				Says: fmt.Sprintf("%s; from %s to %s a side", map[string]string{"free": "goes freely", "tight": "goes, tight", "binds": "binds"}[r.Goes], p.mm(r.Across.Min), p.mm(r.Across.Max))}
			out.Fits = append(out.Fits, t)
		case v.Pocket != nil && v.Pocket.Width.Taken() && v.Pocket.Height.Taken():
			width, height := v.Pocket.Width, v.Pocket.Height
			width.Least, height.Least = true, true
			w, h := width.Work(s.Shop, false), height.Work(s.Shop, false)
			play := v.Pocket.Play
			if play == 0 {
				play = .25
			}
			t := ResultTold{ID: v.ID, Name: v.Name, Text: "none", Verdict: "bad", Says: "No stock section in the table goes into it.", Findings: []working.Finding{}}
			var table []fit.Stock
			for _, x := range stock.Tubes(v.Pocket.Inches) {
				table = append(table, fit.Stock{Name: x.Name, Width: x.Width, Height: x.Height})
			}
			for i, x := range fit.Pocket(w.Value, h.Value, play, table) {
				shim := fmt.Sprintf("%s: shim %s a side across, %s a side upright", x.Name, p.mm(x.ShimAcross), p.mm(x.ShimUpright))
				if i == 0 {
					t.Text, t.Verdict, t.Says = x.Name, "good", shim[len(x.Name)+2:]
				} else {
					t.Says += ". Or " + shim
				}
			}
			out.Fits = append(out.Fits, t)
		default:
			out.Fits = append(out.Fits, open(v.ID, v.Name, "Measure the pocket's width and height, or give both sections."))
		}
	}
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
func (t *Surveyed) assumed() {
	at := map[string]int{}
	for _, p := range t.Points {
		for _, s := range p.sources {
			if s.Trust == Measured {
				continue
			}
			i, known := at[s.Name]
			if !known {
				i = len(t.Assumed)
				at[s.Name] = i
				t.Assumed = append(t.Assumed, AssumedTold{Name: s.Name, Trust: s.Trust, Under: []string{}})
			}
			if !slices.Contains(t.Assumed[i].Under, p.Name) {
				t.Assumed[i].Under = append(t.Assumed[i].Under, p.Name)
			}
		}
	}
	for _, p := range t.Placed {
		for i := range t.Assumed {
			if p.Least != nil && p.Least.Name == t.Assumed[i].Name {
				t.Assumed[i].Under = append(t.Assumed[i].Under, p.Name)
			}
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

// SurveyStore keeps surveys. A job that has none yet answers an empty one at
// revision 0.
type SurveyStore interface {
	Survey(ctx context.Context, jobID string) (Survey, int, error)
	SaveSurvey(ctx context.Context, jobID string, s Survey, expected int, now time.Time) error
}

// SurveyOf answers a job's survey with everything that follows from it.
func (s *Service) SurveyOf(ctx context.Context, id string) (Survey, int, Surveyed, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return Survey{}, 0, Surveyed{}, err
	}
	v, revision, err := s.Store.Survey(ctx, id)
	if err != nil {
		return Survey{}, 0, Surveyed{}, err
	}
	return v, revision, WorkSurvey(v, j.Brief, parts), nil
}

// SaveSurvey keeps a survey, if nobody did since revision expected.
func (s *Service) SaveSurvey(ctx context.Context, id string, expected int, v Survey) (Survey, int, Surveyed, error) {
	v.Schema = SurveySchema
	if err := v.Check(); err != nil {
		return v, 0, Surveyed{}, err
	}
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return v, 0, Surveyed{}, err
	}
	if err := s.Store.SaveSurvey(ctx, id, v, expected, s.Now()); err != nil {
		return v, 0, Surveyed{}, err
	}
	return v, expected + 1, WorkSurvey(v, j.Brief, parts), nil
}
