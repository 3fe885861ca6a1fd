package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

func saidOf(list []working.Finding, code string) string {
	for _, f := range list {
		if f.Code == code {
			return string(f.Severity) + ": " + f.Reason
		}
	}
	return ""
}

// crate is a box standing on the ground plane of three points, its low corner first.
func crate(x, y, z, long, wide, high float64) vehicle.Survey {
	at := func(id string, x, y float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "point", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	return vehicle.Survey{Points: []vehicle.SurveyPoint{at("a", x, y), at("b", x+long, y), at("c", x+long, y+wide)},
		Placed: []vehicle.Placed{{ID: "b", Name: "Crate", Size: &brief.Box{Length: long, Width: wide, Height: high},
			Mates: []vehicle.MatePair{{Hole: "underside/corner-1", Point: "a"}, {Hole: "underside/corner-2", Point: "b"},
				{Hole: "underside/corner-3", Point: "c"}}}}}
}

// A box 300 over the ground, 1500 to its top, 900 to either side: limits it keeps are
// good, limits it passes stop and say by how much, in the job's own unit.
func TestLimitsOfTheVehicle(t *testing.T) {
	box := crate(-3600, -900, -50, 400, 1800, 1200)
	box.Wheels = &survey.Wheels{Front: 0, Rear: -3000, Radius: 350, Ground: -350}
	b := brief.Brief{Unit: brief.UnitFraction, Grain: 1}
	ground := func(l brief.Limits) map[string]vehicle.ResultTold {
		b.Limits = l
		out := map[string]vehicle.ResultTold{}
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
	good := ground(brief.Limits{Ground: demo.Given(290, brief.Measured), Height: demo.Given(1501, brief.Measured),
		Width: demo.Given(1801, brief.Measured)})
	near(t, "clearance", *good["Ground clearance"].Value, 300, 1e-6)
	near(t, "height", *good["Height over all"].Value, 1500, 1e-6)
	near(t, "width", *good["Width over all"].Value, 1800, 1e-6)
	bad := ground(brief.Limits{Ground: demo.Given(310, brief.Measured), Approach: demo.Given(89, brief.Measured),
		Departure: demo.Given(89, brief.Measured), Height: demo.Given(1499, brief.Measured), Width: demo.Given(1799, brief.Measured)})
	for _, name := range []string{"Ground clearance", "Height over all", "Width over all", "Departure angle"} {
		if g, known := good[name]; known && g.Verdict != "good" {
			t.Errorf("%s within its limit is %s", name, g.Verdict)
		}
		r := bad[name]
		if r.Verdict != "bad" || !strings.HasPrefix(saidOf(r.Findings, "limit"), "stop") || strings.Contains(saidOf(r.Findings,
			"limit"), " mm") {
			t.Errorf("%s past its limit is %s, %v", name, r.Verdict, r.Findings)
		}
	}
	wheels := box.Wheels
	box = crate(500, -300, -50, 400, 600, 300)
	box.Wheels = wheels
	if r := ground(brief.Limits{Approach: demo.Given(60, brief.Measured)})["Approach angle"]; r.Verdict != "bad" || *r.Value >= 60 {
		t.Errorf("a crate ahead of the wheels: %s, %v", r.Verdict, *r.Value)
	}
	// A limit nobody can look at is open, not kept.
	box.Wheels = nil
	if r := ground(brief.Limits{Height: demo.Given(2000, brief.Measured),
		Ground: demo.Given(100, brief.Measured)}); r["Height over all"].Verdict != "open" || r["Ground clearance"].Verdict != "open" {
		t.Errorf("without wheels: %+v", r)
	}
}

// What must keep working is tied to a space or a measure; what is not is said.
func TestKeptFunctions(t *testing.T) {
	s := crate(0, 0, 0, 400, 400, 400)
	s.Spaces = []survey.Space{{ID: "door", Name: "rear door", Kind: survey.Room,
		Shape: survey.Shape{Form: survey.BoxForm, Size: [3]float64{500, 500, 500}, At: [3]float64{100, 0, 0}}}}
	for want, k := range map[string]brief.Kept{"mind: Door opens Nothing looks after it": {},
		"stop: Door opens It does not: Crate reaches into rear door": {Space: "door"}, "stop: Door opens Its space is not": {Space: "gone"},
		"stop: Door opens Its measure is not": {Measure: "gone"}} {
		k.Text = "Door opens"
		b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Limits: brief.Limits{Kept: []brief.Kept{k}}}
		if got := saidOf(WorkSurvey(s, b, nil).Findings, "kept"); !strings.HasPrefix(got, want) {
			t.Errorf("%q, want %q", got, want)
		}
	}
	s.Placed = nil
	if got := saidOf(WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1,
		Limits: brief.Limits{Kept: []brief.Kept{{Text: "Door opens", Space: "door"}}}}, nil).Findings, "kept"); got != "" {
		t.Errorf("nothing in its way: %q", got)
	}
	if b := (brief.Brief{Limits: brief.Limits{KeepAlive: "Rear door opens fully."}}).Upgraded(); len(b.Limits.Kept) != 1 ||
		b.Limits.KeepAlive != "" {
		t.Errorf("an older job's words are %+v", b.Limits)
	}
}

// Bans and faces in sight bite; a day is a day.
func TestWhatMustComeOffAgain(t *testing.T) {
	s := Site{Brief: brief.Brief{Unit: brief.UnitMM, Grain: 1,
		Limits: brief.Limits{NoWelds: true, NoNewHoles: true, Visible: "The outer face."},
		Joints: []brief.Joint{{ID: "j", Name: "Foot to rail", Sides: []brief.Side{{Kind: brief.PartSide, Of: "p"},
			{Kind: brief.VehicleSide}},
			Design: joint.Input{Nut: joint.WeldNut}}}},
		Parts: []BuiltPart{{Part: Part{ID: "p", Name: "Foot", Recipe: sheet.Recipe{}}}}}
	says := s.bans()
	for _, code := range []string{"no-welds", "new-holes", "face-in-sight"} {
		if saidOf(says, code) == "" {
			t.Errorf("%s is not said: %+v", code, says)
		}
	}
	s.Parts[0].Recipe.Seen, s.Brief.Joints[0].Design.Nut, s.Brief.Joints[0].Sides[1].Of = sheet.GoodFace, joint.Lock, "h1"
	if says = s.bans(); len(says) != 0 {
		t.Errorf("nothing is welded, drilled or unsaid: %+v", says)
	}
	// A frame that stands on the vehicle with nothing to bolt it by would be welded.
	d := frameOf(t, "hoop", "40 × 40 × 3 mm tube", nil)
	stripped := d
	stripped.Plates = nil
	s.Frames = []Frame{{ID: "f", Name: "Hoop", Doc: stripped}}
	if got := saidOf(s.bans(), "no-welds"); !strings.Contains(got, "Hoop stands at") || strings.Count(got, ",") < 1 {
		t.Errorf("a hoop without feet: %q", got)
	}
	s.Frames[0].Doc = d
	if got := saidOf(s.bans(), "no-welds"); got != "" {
		t.Errorf("a hoop on drilled feet: %q", got)
	}
	s.Frames[0].Doc = stripped
	s.Brief.Joints = append(s.Brief.Joints,
		brief.Joint{ID: "k", Sides: []brief.Side{{Kind: brief.MemberSide, Of: "f"}, {Kind: brief.VehicleSide, Of: "h1"}}})
	if got := saidOf(s.bans(), "no-welds"); got != "" {
		t.Errorf("a hoop held by a joint: %q", got)
	}
	s.Brief.Limits.NoWelds, s.Brief.Joints = false, nil
	if got := saidOf(s.bans(), "no-welds"); got != "" {
		t.Errorf("welding is free: %q", got)
	}
	b := demo.OrchardTruck()
	b.Limits.Date = "soon"
	if b.Check() == nil {
		t.Error("soon is taken for a day")
	}
}

// Roof loads count what holds them there; the envelope asks frames too, in inches.
func TestOneSumOfWeights(t *testing.T) {
	b := demo.OrchardTruck()
	b.Unit, b.Grain = brief.UnitFraction, 1
	b.Devices[0].OnRoof = true
	b.Limits.Envelope = &brief.Box{Length: 500, Width: 500, Height: 500}
	p := pressParts()
	p[0].Quantity = 2
	b.Mounts[0].Part = p[0].ID
	frame := Frame{ID: "f", Name: "Rack", Quantity: 1,
		Doc: member.Doc{Material: "steel-s235", Points: []member.Point{{ID: "a"}, {ID: "c", X: 2000}},
			Members: []member.Member{{ID: "m", From: "a", To: "c", Section: section.Sizes{Kind: "rectTube", Width: 40, Height: 40,
				Wall: 3}}}}}
	s := Site{Brief: b, Parts: BuildParts(context.Background(), p, b, shop.Shop{}), Frames: []Frame{frame}}
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
