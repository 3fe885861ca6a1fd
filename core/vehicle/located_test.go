package vehicle

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
)

var metric = told.Pen{Display: quantity.Display{Style: quantity.Metric}}

func taped(v ...float64) survey.Reading { return survey.Reading{Values: v, Instrument: survey.Tape} }

// surveyOf measures true places: the first four from the datum, each later one in a
// random way from those before it.
func surveyOf(rnd *rand.Rand, n int) (Survey, []solid.Vector) {
	truth := []solid.Vector{{0, 0, 0}, {1500, 80, 30}, {200, 900, -60}, {300, -200, 700}}
	for len(truth) < n {
		truth = append(truth, solid.Vector{2000 * rnd.Float64(), 1500*rnd.Float64() - 700, 800 * rnd.Float64()})
	}
	id := func(i int) string { return fmt.Sprint("p", i) }
	s := Survey{}
	for i, at := range truth {
		p := SurveyPoint{ID: id(i), Name: "Point " + fmt.Sprint(i), Kind: "point", Way: ByOffsets, X: taped(at[0]),
			Y: taped(at[1]), Z: taped(at[2])}
		if i >= 4 {
			a := rnd.IntN(i)
			b := (a + 1 + rnd.IntN(i-1)) % i
			switch rnd.IntN(3) {
			case 0:
				d := at.Sub(truth[a])
				p.From, p.X, p.Y, p.Z = id(a), taped(d[0]), taped(d[1]), taped(d[2])
			case 1: // from all known ones
				p.Way, p.X, p.Y, p.Z = ByDistances, survey.Reading{}, survey.Reading{}, survey.Reading{}
				for k := range 4 {
					p.Many = append(p.Many, FromPoint{Point: id(k), Distance: taped(at.Sub(truth[k]).Len())})
				}
			case 2: // on the line between two
				p.Way, p.X, p.Y, p.Z, p.A, p.B = OnLine, survey.Reading{}, survey.Reading{}, survey.Reading{}, id(a), id(b)
				way := truth[b].Sub(truth[a])
				along := way.Len() * rnd.Float64()
				truth[i] = truth[a].Add(way.Unit().Mul(along))
				p.DA = taped(along)
			}
		}
		s.Points = append(s.Points, p)
	}
	return s, truth
}

// Points measured in any way from one another come out where they are, in whatever order
// they are asked for, each no better known than what it stands on.
func TestRandomPointsComeBack(t *testing.T) {
	rnd := rand.New(rand.NewPCG(31, 14))
	for range 40 {
		s, truth := surveyOf(rnd, 12)
		if err := s.Check(); err != nil {
			t.Fatal(err)
		}
		l := NewLocator(s, metric)
		for _, i := range rnd.Perm(len(truth)) {
			p := l.At(fmt.Sprint("p", i))
			if p.At == nil {
				t.Fatalf("point %d, %s: %s", i, s.Points[i].Way, p.Why)
			}
			if off := solid.Vector(*p.At).Sub(truth[i]).Len(); off > .01 {
				t.Errorf("point %d, %s, lies %.3f off", i, s.Points[i].Way, off)
			}
			if p.Sigma <= 0 || p.Within == "" || p.Texts[0] == "" {
				t.Errorf("point %d is not told: %+v", i, p)
			}
			if from := s.Points[i].From; from != "" && p.Sigma < l.At(from).Sigma {
				t.Errorf("point %d is known to %.3f, what it starts from to %.3f", i, p.Sigma, l.At(from).Sigma)
			}
		}
	}
}

// Everything measured from a datum that is moved moves with it, and nothing else does.
func TestTheDatumMoves(t *testing.T) {
	rnd := rand.New(rand.NewPCG(32, 14))
	s, truth := surveyOf(rnd, 14)
	shift := solid.Vector{120, -45, 33}
	for i := range s.Points {
		p := &s.Points[i]
		if p.Way == ByOffsets && p.From == "" {
			p.X, p.Y, p.Z = taped(p.X.Values[0]+shift[0]), taped(p.Y.Values[0]+shift[1]), taped(p.Z.Values[0]+shift[2])
		}
	}
	l := NewLocator(s, metric)
	for i, at := range truth {
		if off := solid.Vector(*l.At(fmt.Sprint("p", i)).At).Sub(at.Add(shift)).Len(); off > .01 {
			t.Errorf("point %d, %s, lies %.3f off", i, s.Points[i].Way, off)
		}
	}
}

// The least trusted reading behind a point is named, however far behind it lies; a point
// measured from nothing, itself or something gone says so.
func TestTrustAndGaps(t *testing.T) {
	at := func(id, from string, x float64) SurveyPoint {
		return SurveyPoint{ID: id, Name: id, Kind: "point", Way: ByOffsets, From: from, X: taped(x), Y: taped(0), Z: taped(0)}
	}
	guess := at("a", "", 100)
	guess.Z.Trust = string(brief.Assumed)
	s := Survey{Points: []SurveyPoint{guess, at("b", "a", 10), at("c", "b", 10), at("self", "self", 1), at("lost", "nothing", 1),
		{ID: "how", Name: "how"}, {ID: "line", Name: "line", Way: OnLine, A: "a", DA: taped(5)}}}
	l := NewLocator(s, metric)
	if p := l.At("c"); p.Least == nil || p.Least.Trust != brief.Assumed || !strings.Contains(p.Least.Name, "a") {
		t.Errorf("%+v", p.Least)
	}
	for id, want := range map[string]string{"self": "from itself", "lost": "not in the survey any more", "line": "Say",
		"gone": "not in the survey any more"} {
		if p := l.At(id); p.At != nil || !strings.Contains(p.Why, want) {
			t.Errorf("%s: %+v, want %q", id, p.Why, want)
		}
	}
	if first, again := l.At("c"), l.At("c"); first != again {
		t.Error("a point is worked out twice")
	}
}

// A tape laid between two round holes' near, far or like edges gives the same centres:
// by hand 200 apart of holes of 20 and 10.
func TestTapeBetweenHoles(t *testing.T) {
	for tape, reading := range map[hole.Method]float64{hole.Inside: 185, hole.Outside: 215, hole.SameEdge: 205, hole.Centre: 200} {
		s := Survey{Points: []SurveyPoint{{ID: "a", Name: "a", Kind: "hole", Size: 20, Way: ByOffsets, X: taped(0), Y: taped(0), Z: taped(0)},
			{ID: "b", Name: "b", Kind: "hole", Size: 10, Way: ByOffsets, From: "a", Tape: tape, X: taped(reading), Y: taped(0), Z: taped(0)}}}
		p := NewLocator(s, metric).At("b")
		if p.At == nil || math.Abs(p.At[0]-200) > 1e-9 {
			t.Errorf("%s: %+v %s", tape, p.At, p.Why)
		}
	}
}

// Two readings of one size that disagree are said; of three the one that stands out is
// left out.
func TestReadingsThatDisagree(t *testing.T) {
	with := func(values ...float64) *Located {
		s := Survey{Points: []SurveyPoint{{ID: "a", Name: "Rail end", Kind: "point", Way: ByOffsets, X: taped(values...),
			Y: taped(0), Z: taped(0)}}}
		return NewLocator(s, metric).At("a")
	}
	code := func(p *Located) string {
		var out []string
		for _, f := range p.Findings {
			out = append(out, f.Code)
		}
		return strings.Join(out, " ")
	}
	if got := code(with(500, 500.5)); got != "" {
		t.Errorf("half a millimetre apart: %q", got)
	}
	if got := code(with(500, 512)); got != "disagree" {
		t.Errorf("12 apart: %q", got)
	}
	p := with(500, 500.4, 526)
	if got := code(p); got != "outlier" || math.Abs(p.At[0]-500.2) > .3 {
		t.Errorf("one of three an inch off: %q, %.2f", got, p.At[0])
	}
	if got := code(with(30000)); got != "far" {
		t.Errorf("30 m off: %q", got)
	}
}

// A limit of the brief turns a good line bad past it, in words and by how much; within it
// it only says what is asked.
func TestLimitedLines(t *testing.T) {
	given := func(v float64) *brief.Given { return &brief.Given{Value: v, Trust: brief.Measured} }
	for _, c := range []struct {
		value, sense float64
		limit        *brief.Given
		bad          bool
	}{{200, 1, given(180), false}, {170, 1, given(180), true}, {2500, -1, given(2400), true}, {2300, -1, given(2400), false},
		{1, 1, nil, false}, {1, 1, given(0), false}, {180, 1, given(180), false}} {
		r := ResultTold{Name: "Clearance", Text: "as measured", Verdict: "good"}
		r.Limited(c.limit, c.value, c.sense, metric.MM)
		if (r.Verdict == "bad") != c.bad || len(r.Findings) > 0 != c.bad {
			t.Errorf("%g against %+v: %+v", c.value, c.limit, r)
		}
		if c.bad && !strings.Contains(r.Findings[0].Reason, "past it") {
			t.Errorf("%q", r.Findings[0].Reason)
		}
		if asked := c.limit != nil && c.limit.Value > 0; asked != strings.Contains(r.Says, "is asked") {
			t.Errorf("%g against %+v says %q", c.value, c.limit, r.Says)
		}
	}
}
