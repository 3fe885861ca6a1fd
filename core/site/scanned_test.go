package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// A second reading only proves the first when it was taken on the vehicle with something
// that is good to a millimetre: by eye an inch off would agree.
func TestOnlyAMeasureProves(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	again := func(change func(*survey.Reading)) CheckTold {
		check := vehicle.PartCheck{Part: "tray", First: "front edge", From: "rear edge"}
		for _, g := range (Site{Survey: s, Brief: b, Parts: parts}).CheckOf(parts[0]).Governing {
			r := demo.Taped(g.Nominal + .5)
			change(&r)
			check.Retape = append(check.Retape, vehicle.Retape{Dimension: g.Key, Value: r})
		}
		v := s
		v.Checks = append(append([]vehicle.PartCheck{}, s.Checks...), check)
		return Site{Survey: v, Brief: b, Parts: parts}.CheckOf(parts[0])
	}
	for what, c := range map[string]struct {
		change func(*survey.Reading)
		proves bool
	}{
		"tape":                 {func(r *survey.Reading) {}, true},
		"caliper":              {func(r *survey.Reading) { r.Instrument = survey.Caliper; r.Values[0] -= .4 }, true},
		"nothing said":         {func(r *survey.Reading) { r.Instrument, r.Trust = "", "" }, true},
		"by eye":               {func(r *survey.Reading) { r.Instrument = survey.Eye }, false},
		"by eye, an inch off":  {func(r *survey.Reading) { r.Instrument = survey.Eye; r.Values[0] += 9 }, false},
		"off the scan":         {func(r *survey.Reading) { r.Instrument = survey.Scan }, false},
		"from memory":          {func(r *survey.Reading) { r.Trust = string(brief.Memory) }, false},
		"assumed":              {func(r *survey.Reading) { r.Trust = string(brief.Assumed) }, false},
		"copied off a drawing": {func(r *survey.Reading) { r.Trust = string(brief.Copied) }, false},
	} {
		if got := again(c.change); got.Released != c.proves || c.proves != (got.Governing[0].Verdict == "good") {
			t.Errorf("%s: released %t, %+v", what, got.Released, got.Governing[0])
		}
	}
}

// The pitch of bolts that have to meet something is measured again too, where no
// distance of the survey covers it: of a bracket's, and of a joint's.
func TestPitchOfBoltsGoverns(t *testing.T) {
	_, b, _ := surveyedTruck(t)
	hole := func(id string, x float64) sheet.Hole {
		return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: 9, X: demo.From(sheet.Left, x), Y: demo.From(sheet.Back, 30)}
	}
	r := demo.TrayBracket()
	r.Base.Flanges = nil
	r.Base.Holes = []sheet.Hole{hole("a", 30), hole("b", 150), hole("c", 271), hole("loose", 310)}
	part := BuildParts(context.Background(), []Part{{ID: "p", Name: "Plate", Quantity: 1, Recipe: r}}, b, shop.Shop{})[0]
	keys := func(b brief.Brief, s vehicle.Survey) string {
		var out []string
		for _, g := range (Site{Survey: s, Brief: b, Parts: []BuiltPart{part}}).CheckOf(part).Governing {
			out = append(out, g.Name+" "+g.Text)
		}
		return strings.Join(out, "; ")
	}
	b.Mounts, b.Joints = nil, nil
	if got := keys(b, vehicle.Survey{}); strings.Contains(got, "centres") || !strings.Contains(got, "over all") {
		t.Errorf("no bolt of it is spoken of: %s", got)
	}
	b.Joints = []brief.Joint{{ID: "j", Part: "p", Features: []string{"a", "b", "c"}}}
	got := keys(b, vehicle.Survey{})
	if strings.Count(got, "centres") != 1 || !strings.Contains(got, "241.0 mm") {
		t.Errorf("the longest of three holes of a joint is 241 mm: %s", got)
	}
	b.Mounts = []brief.Mount{{ID: "m", Part: "p"}}
	b.Mounts[0].Hold.Fasten, b.Mounts[0].Hold.Carry = []string{"a", "b"}, []string{"c"}
	if got = keys(b, vehicle.Survey{}); strings.Count(got, "centres") != 2 || !strings.Contains(got, "120.0 mm") {
		t.Errorf("two bolts of a bracket are 120 mm apart: %s", got)
	}
	// What the survey ties already is not asked twice.
	var s vehicle.Survey
	for _, h := range part.Built.Holes {
		s.Placed = append(s.Placed, vehicle.Placed{ID: h.ID, Part: "p", Mates: []vehicle.MatePair{{Hole: h.ID, Point: "x"}}})
	}
	if got = keys(b, s); strings.Count(got, "centres") != 3 || !strings.Contains(got, "280.0 mm") {
		t.Errorf("tied to the survey: %s", got)
	}
}

// Readings off a scan ask for one long size with the tape, the longest named, until a
// part's governing size was measured again and agrees.
func TestScanIsProvedByTheTape(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	said := func(s vehicle.Survey) string {
		for _, f := range WorkSurvey(s, b, parts).Findings {
			if f.Code == "scan-scale" {
				return f.Reason
			}
		}
		return ""
	}
	if got := said(s); got != "" {
		t.Errorf("nothing was scanned: %s", got)
	}
	s.Points = append([]vehicle.SurveyPoint{}, s.Points...)
	raw := "name,x mm,y mm,z mm,instrument\nHinge,-1200,340,25,scan\nLatch,1,2,3,thumb\n"
	points, refused := vehicle.PointsIn(raw, func() string { return "hinge" })
	if len(points) != 1 || points[0].X.Instrument != survey.Scan || len(refused) != 1 || !strings.Contains(refused[0].Why, "thumb") {
		t.Fatalf("%+v %+v", points, refused)
	}
	s.Points = append(s.Points, points...)
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	if got := said(s); !strings.Contains(got, "3 readings come") || !strings.Contains(got, "1200") || !strings.Contains(got, "Hinge") {
		t.Errorf("%q", got)
	}
	if p := point(t, WorkSurvey(s, b, parts), "hinge"); p.Sigma < survey.Uncertainty[survey.Scan].Length {
		t.Errorf("known to %g, a scan is good to %g", p.Sigma, survey.Uncertainty[survey.Scan].Length)
	}
	g := Site{Survey: s, Brief: b, Parts: parts}.CheckOf(parts[0]).Governing[0]
	s.Checks = append(append([]vehicle.PartCheck{}, s.Checks...),
		vehicle.PartCheck{Part: "tray", First: "front", From: "rear", Retape: []vehicle.Retape{{Dimension: g.Key,
			Value: demo.Taped(g.Nominal)}}})
	if got := said(s); got != "" {
		t.Errorf("a governing size agrees with the tape: %s", got)
	}
}
