package job

import (
	"strings"
	"testing"
	"time"

	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/survey"
	"warmanvil/core/working"
)

func told(list []working.Finding, code string) string {
	for _, f := range list {
		if f.Code == code {
			return string(f.Severity) + ": " + f.Reason
		}
	}
	return ""
}

// crate is a box standing on the ground plane of three points, its low corner first.
func crate(x, y, z, long, wide, high float64) Survey {
	at := func(id string, x, y float64) SurveyPoint {
		return SurveyPoint{ID: id, Name: id, Kind: "point", Way: ByOffsets, X: taped(x), Y: taped(y), Z: taped(z)}
	}
	return Survey{Points: []SurveyPoint{at("a", x, y), at("b", x+long, y), at("c", x+long, y+wide)},
		Placed: []Placed{{ID: "b", Name: "Crate", Size: &Box{Length: long, Width: wide, Height: high}, Mates: []MatePair{{"underside/corner-1", "a"}, {"underside/corner-2", "b"}, {"underside/corner-3", "c"}}}}}
}

// A box 300 over the ground, 1500 to its top, 900 to either side: limits it keeps are
// good, limits it passes stop and say by how much, in the job's own unit.
func TestLimitsOfTheVehicle(t *testing.T) {
	box := crate(-3600, -900, -50, 400, 1800, 1200)
	box.Wheels = &survey.Wheels{Front: 0, Rear: -3000, Radius: 350, Ground: -350}
	b := Brief{Unit: UnitFraction, Grain: 1}
	ground := func(l Limits) map[string]ResultTold {
		b.Limits = l
		out := map[string]ResultTold{}
		w := WorkSurvey(box, b, nil)
		for _, p := range w.Placed {
			if p.Why != "" {
				t.Fatal(p.Why)
			}
		}
		for _, r := range w.Ground {
			out[r.Name] = r
		}
		return out
	}
	good := ground(Limits{Ground: given(290, Measured), Height: given(1501, Measured), Width: given(1801, Measured)})
	near(t, "clearance", *good["Ground clearance"].Value, 300, 1e-6)
	near(t, "height", *good["Height over all"].Value, 1500, 1e-6)
	near(t, "width", *good["Width over all"].Value, 1800, 1e-6)
	bad := ground(Limits{Ground: given(310, Measured), Approach: given(89, Measured), Departure: given(89, Measured), Height: given(1499, Measured), Width: given(1799, Measured)})
	for _, name := range []string{"Ground clearance", "Height over all", "Width over all", "Departure angle"} {
		if g, known := good[name]; known && g.Verdict != "good" {
			t.Errorf("%s within its limit is %s", name, g.Verdict)
		}
		r := bad[name]
		if r.Verdict != "bad" || !strings.HasPrefix(told(r.Findings, "limit"), "stop") || strings.Contains(told(r.Findings, "limit"), " mm") {
			t.Errorf("%s past its limit is %s, %v", name, r.Verdict, r.Findings)
		}
	}
	wheels := box.Wheels
	box = crate(500, -300, -50, 400, 600, 300)
	box.Wheels = wheels
	if r := ground(Limits{Approach: given(60, Measured)})["Approach angle"]; r.Verdict != "bad" || *r.Value >= 60 {
		t.Errorf("a crate ahead of the wheels: %s, %v", r.Verdict, *r.Value)
	}
	// A limit nobody can look at is open, not kept.
	box.Wheels = nil
	if r := ground(Limits{Height: given(2000, Measured), Ground: given(100, Measured)}); r["Height over all"].Verdict != "open" || r["Ground clearance"].Verdict != "open" {
		t.Errorf("without wheels: %+v", r)
	}
}

// What must keep working is tied to a space or a measure; what is not is said.
func TestKeptFunctions(t *testing.T) {
	s := crate(0, 0, 0, 400, 400, 400)
	s.Spaces = []survey.Space{{ID: "door", Name: "rear door", Kind: survey.Room, Shape: survey.Shape{Form: survey.BoxForm, Size: [3]float64{500, 500, 500}, At: [3]float64{100, 0, 0}}}}
	for want, k := range map[string]Kept{"mind: Door opens Nothing looks after it": {}, "stop: Door opens It does not: Crate reaches into rear door": {Space: "door"}, "stop: Door opens Its space is not": {Space: "gone"}, "stop: Door opens Its measure is not": {Measure: "gone"}} {
		k.Text = "Door opens"
		b := Brief{Unit: UnitMM, Grain: 1, Limits: Limits{Kept: []Kept{k}}}
		if got := told(WorkSurvey(s, b, nil).Findings, "kept"); !strings.HasPrefix(got, want) {
			t.Errorf("%q, want %q", got, want)
		}
	}
	s.Placed = nil
	if got := told(WorkSurvey(s, Brief{Unit: UnitMM, Grain: 1, Limits: Limits{Kept: []Kept{{Text: "Door opens", Space: "door"}}}}, nil).Findings, "kept"); got != "" {
		t.Errorf("nothing in its way: %q", got)
	}
	if b := (Brief{Limits: Limits{KeepAlive: "Rear door opens fully."}}).Upgraded(); len(b.Limits.Kept) != 1 || b.Limits.KeepAlive != "" {
		t.Errorf("an older job's words are %+v", b.Limits)
	}
}

// Bans and faces in sight bite; a day is a day.
func TestWhatMustComeOffAgain(t *testing.T) {
	s := Site{Brief: Brief{Unit: UnitMM, Grain: 1, Limits: Limits{NoWelds: true, NoNewHoles: true, Visible: "The outer face."},
		Joints: []Joint{{ID: "j", Name: "Foot to rail", Sides: []Side{{Kind: PartSide, Of: "p"}, {Kind: VehicleSide}}, Design: joint.Input{Nut: joint.WeldNut}}}},
		Parts: []BuiltPart{{BarePart: BarePart{ID: "p", Name: "Foot", Recipe: sheet.Recipe{}}}}}
	says := s.bans()
	for _, code := range []string{"no-welds", "new-holes", "face-in-sight"} {
		if told(says, code) == "" {
			t.Errorf("%s is not said: %+v", code, says)
		}
	}
	s.Parts[0].Recipe.Seen, s.Brief.Joints[0].Design.Nut, s.Brief.Joints[0].Sides[1].Of = sheet.GoodFace, joint.Lock, "h1"
	if says = s.bans(); len(says) != 0 {
		t.Errorf("nothing is welded, drilled or unsaid: %+v", says)
	}
	today := time.Date(2031, 4, 20, 15, 0, 0, 0, time.UTC)
	for date, want := range map[string]string{"2031-04-19": "1 day ago", "2031-04-30": "in 10 days, and 2 of", "2031-06-01": "", "": ""} {
		var x Told
		x.Due(date, today, 2)
		if got := told(x.Says, "due"); (got == "") != (want == "") || !strings.Contains(got, want) {
			t.Errorf("%s: %q, want %q", date, got, want)
		}
	}
	b := orchardTruck()
	b.Limits.Date = "soon"
	if b.Check() == nil {
		t.Error("soon is taken for a day")
	}
}

// Roof loads count what holds them there; the envelope asks frames too, in inches.
func TestOneSumOfWeights(t *testing.T) {
	b := orchardTruck()
	b.Unit, b.Grain = UnitFraction, 1
	b.Devices[0].OnRoof = true
	b.Limits.Envelope = &Box{500, 500, 500}
	p := pressParts()
	p[0].Quantity = 2
	b.Mounts[0].Part = p[0].ID
	frame := BarePart{ID: "f", Name: "Rack", Quantity: 1, Frame: &member.Doc{Material: "steel-s235", Points: []member.Point{{ID: "a"}, {ID: "c", X: 2000}}, Members: []member.Member{{ID: "m", From: "a", To: "c", Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}}}}}
	s := Site{Brief: b, Parts: BuildParts(p, b), Frames: []BarePart{frame}}
	up := s.onRoof()
	if !up["press"] || !up[p[0].ID] || up["f"] {
		t.Errorf("on the roof: %v", up)
	}
	said := 0
	for _, f := range s.Tell(nil).Says {
		if f.Code == "envelope" {
			said++
			if strings.Contains(f.Reason, " mm") || f.Severity != working.Stop {
				t.Error(f.Severity, f.Reason)
			}
		}
	}
	if said == 0 {
		t.Error("a frame of 2 m fits a box of half a metre")
	}
	roof := 0.
	for _, m := range s.made(nil) {
		if m.OnRoof {
			roof += m.Mass
		}
	}
	for _, x := range b.Weigh(s.made(nil)...).Shares {
		if x.Key == "roof" {
			near(t, "roof", x.Demand, 185+roof, 1e-9)
		}
	}
	if roof <= 0 {
		t.Error("what holds the press on the roof weighs nothing")
	}
}
