package site

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// pressed is a press of 100 kg on four feet, each bolted on a foot of its own and
// that to the floor: two joints with four places each.
func pressed(t testing.TB) (brief.Brief, []BuiltPart) {
	t.Helper()
	r := demo.PressFoot()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	parts := []BuiltPart{{Part{ID: "foot", Name: "Press foot", Quantity: 2, Recipe: r}, built, nil}}
	var feet []brief.Stand
	var legs []brief.Stand
	for i := range 4 {
		twin, foot := i%2 == 1, brief.Link(fmt.Sprint("f", i+1))
		heads := brief.FaceLeft
		if twin {
			heads = brief.FaceRight
		}
		legs = append(legs, brief.Stand{Foot: foot, Heads: heads, Turn: 180, Twin: twin})
		feet = append(feet, brief.Stand{Foot: foot, Heads: brief.FaceUp, Twin: twin})
	}
	work := joint.Input{System: stock.Metric, Size: "M12", Grade: "8.8", Nut: joint.Lock, Washers: 2,
		Plies: []joint.Ply{{Material: "steel-s235", Thickness: 8, Hole: 13.5, Edge: 40, Wide: [2]float64{150, 100}, Stiff: true}, {}}}
	floor := work
	floor.Plies = []joint.Ply{{}, {Name: "floor", Material: "steel-s235", Thickness: 5, Hole: 13.5, Edge: 60,
		Wide: [2]float64{300, 240}, Stiff: true}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Strength: strength.Rule{School: strength.Allowable}, Use: load.Rough,
		Devices: []brief.Device{{ID: "press", Name: "Press", Mass: demo.Given(100, brief.Measured), Gravity: &brief.Gravity{Z: 500},
			Feet: []brief.Foot{{ID: "f1", X: 400, Y: 300}, {ID: "f2", X: 400, Y: -300}, {ID: "f3", X: -400, Y: 300}, {ID: "f4",
				X: -400, Y: -300}},
			Behind: demo.Given(2000, brief.Measured)}},
		Joints: []brief.Joint{
			{ID: "top", Name: "Press on its feet", Part: "foot", Features: []string{"press-bolts"}, Path: true, Stands: legs,
				Sides: []brief.Side{{Kind: brief.DeviceSide, Of: "press"}, {Kind: brief.PartSide, Of: "foot"}}, Design: work},
			{ID: "low", Name: "Feet on the floor", Part: "foot", Features: []string{"floor-bolts"}, Path: true, Stands: feet,
				Sides: []brief.Side{{Kind: brief.PartSide, Of: "foot"}, {Kind: brief.VehicleSide}}, Design: floor}}}
	return b, parts
}

func TestLoadPathOfAJob(t *testing.T) {
	b, parts := pressed(t)
	h := Hold(b, parts)
	p := h.Path
	if p.Why != "" || len(p.Things) != 6 || len(p.Links) != 8 {
		t.Fatalf("%q, %d things, %d links, %+v", p.Why, len(p.Things), len(p.Links), p.Findings)
	}
	for _, f := range p.Findings {
		if f.Severity != working.Note {
			t.Errorf("%s: %s", f.Code, f.Reason)
		}
	}
	// What reaches the vehicle is every mass in every case.
	mass := 100 + 4*parts[0].Built.Mass
	for c, road := range b.OnRoad().Cases() {
		want := solid.Vector(road.Net).Mul(mass * load.G)
		if d := solid.Vector(p.Ground[c]).Sub(want); d.Len() > 1e-6*want.Len() {
			t.Errorf("%s: %v on the vehicle, the masses put %v", road.Name, p.Ground[c], want)
		}
	}
	// At rest each foot carries a quarter, and its own on the floor besides.
	for _, l := range p.Links {
		want := 25.
		if l.Joint == "low" {
			want += parts[0].Built.Mass
		}
		if got := -l.Forces[0][2] / load.G; math.Abs(got-want) > 1e-6 || l.Place == "" {
			t.Errorf("%s %s: %.4f kg at rest, not %.4f", l.Name, l.Place, got, want)
		}
	}
	// Pushed forward by 1 g at 500 over the feet the front ones get more by
	// M/(2·800 mm), what turns in the joints themselves taken off.
	front := p.Links[0]
	for c, name := range p.Cases {
		if strings.Contains(name, "pushed forward") && strings.Contains(name, "down") {
			even := -b.OnRoad().Cases()[c].Net[2] * 25 * load.G
			lever := b.OnRoad().Cases()[c].Net[0] * 100 * load.G * 500 / 1600
			if got := -front.Forces[c][2] - even; math.Abs(got-lever) > 1e-6*lever {
				t.Errorf("%s: %.1f N more in front, by the lever %.1f", name, got, lever)
			}
		}
	}
	for _, x := range h.Joints {
		if x.Why != "" || x.Result == nil {
			t.Errorf("%s: %s", x.Name, x.Why)
		}
	}
}

// The twin is held as the drawn foot is, mirrored: pushed left the left foot gets
// what the right one gets when it is pushed right.
func TestTwinsAreLoadedAlike(t *testing.T) {
	b, parts := pressed(t)
	s := Site{Brief: b, Parts: parts}.open()
	cases := s.paths().byJoint
	for id, list := range cases {
		find := func(place, push string) joint.Case {
			for _, c := range list {
				if strings.HasPrefix(c.Name, place+",") && strings.Contains(c.Name, " down") && strings.HasSuffix(c.Name, push) {
					return c
				}
			}
			t.Fatalf("%s: no %s %s", id, place, push)
			return joint.Case{}
		}
		for left, right := range map[string]string{"pushed left": "pushed right", "pushed forward": "pushed forward"} {
			a, c := find("foot 1", left), find("foot 2", right)
			for k := range 3 {
				if math.Abs(a.Force[k]-c.Force[k]) > 1e-6 || math.Abs(a.Moment[k]-c.Moment[k]) > 1e-3 {
					t.Fatalf("%s %s: %v %v against its twin's %v %v", id, left, a.Force, a.Moment, c.Force, c.Moment)
				}
			}
		}
	}
	// Down on the floor's bolts presses the ply under the heads on; down on the
	// press's bolts, whose heads look sideways, shears them.
	low, top := cases["low"][0], cases["top"][0]
	if low.Force[2] > -200 || math.Abs(low.Force[0]) > 1e-6 || math.Abs(top.Force[2]) > 1e-6 || top.Force[1] < 200 {
		t.Errorf("at rest: on the floor %v, on the leg %v", low.Force, top.Force)
	}
}

func TestLoadPathSaysWhatIsWrong(t *testing.T) {
	for want, change := range map[string]func(*brief.Brief){
		"held by nothing":         func(b *brief.Brief) { b.Joints = b.Joints[:1] },
		"say at which foot":       func(b *brief.Brief) { b.Joints[1].Stands = nil },
		"has no such foot":        func(b *brief.Brief) { b.Joints[0].Stands[2].Foot = "f9" },
		"carries no device":       func(b *brief.Brief) { b.Joints[0].Sides[0] = brief.Side{}; b.Joints[0].Path = false },
		"mass of Press is not":    func(b *brief.Brief) { b.Devices[0].Mass = nil },
		"gravity of Press is not": func(b *brief.Brief) { b.Devices[0].Gravity = nil },
		"surveyed point it":       func(b *brief.Brief) { b.Joints[1].Stands[0] = brief.Stand{Point: "gone"} },
		"not on the vehicle any":  func(b *brief.Brief) { b.Joints[1].Stands[0] = brief.Stand{Placed: "gone"} },
	} {
		b, parts := pressed(t)
		change(&b)
		p := Hold(b, parts).Path
		said := p.Why
		for _, f := range p.Findings {
			said += "\n" + f.Reason
		}
		if !strings.Contains(said, want) {
			t.Errorf("%q is not said: %s", want, said)
		}
	}
	b, parts := pressed(t)
	for i := range b.Joints {
		b.Joints[i].Sides = nil
	}
	if h := Hold(b, parts); h.Path.Why == "" || !strings.Contains(h.Joints[0].Why, "say of its plies") {
		t.Errorf("%q, %q", h.Path.Why, h.Joints[0].Why)
	}
}

// A ply is as thick as the wall was measured, with the holes that were found
// there; of a tube it is its wall.
func TestPliesOfTheVehicle(t *testing.T) {
	v := demo.OrchardSurvey()
	b := demo.OrchardTruck().Upgraded()
	tube := member.Member{ID: "bow", Name: "Bow", From: "p", To: "q", Section: section.Sizes{Kind: "rectTube", Width: 40,
		Height: 40, Wall: 3}}
	frame := Frame{ID: "f", Name: "Hoop", Doc: member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{{ID: "p"}, {ID: "q", X: 500}}, Members: []member.Member{tube}}}
	r := demo.TrayBracket()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	parts := []BuiltPart{{Part{ID: "Compressor tray bracket", Name: "Compressor tray bracket", Quantity: 1, Recipe: r}, built, nil}}
	b.Joints = []brief.Joint{{ID: "rail", Name: "Bracket on the rail", Part: parts[0].ID,
		Features: []string{"top-front", "top-rear", "low-front", "low-rear"},
		Sides: []brief.Side{{Kind: brief.PartSide, Of: parts[0].ID}, {Kind: brief.VehicleSide, Of: "left-rail"},
			{Kind: brief.MemberSide, Of: "f", Member: "bow"}},
		Design: joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Lock, Washers: 2,
			Plies: []joint.Ply{{}, {Material: "steel-s235", Thickness: 4}, {Thickness: 1}},
			Cases: []joint.Case{{Name: "a", Force: [3]float64{1000, 0, 0}}}}}}
	h := Site{Brief: b, Parts: parts, Frames: []Frame{frame}, Survey: v}.Hold()
	x := h.Joints[0]
	if x.Why != "" {
		t.Fatal(x.Why)
	}
	if rail := x.Plies[1]; rail.Thickness != 5.1 || rail.Placed != "surveyed" || rail.Tolerance <= 0 || rail.Name != "Left rail" {
		t.Errorf("%+v", rail)
	}
	if ply := x.Plies[2]; !ply.Hollow || ply.Thickness != 3 || ply.Material != "steel-s235" || ply.Name != "Bow" {
		t.Errorf("%+v", ply)
	}
	// The bracket stands on the rail by its holes: the joint has its place from there.
	if len(h.Path.Links) != 2 || math.Abs(h.Path.Links[0].At[1]-430) > 12 {
		t.Errorf("%+v", h.Path.Links)
	}
}

// The demo's foot on the floor gets along the path what its bracket's own check
// says of the press's feet; its own mass comes on top.
func TestPathAgreesWithTheBracket(t *testing.T) {
	r := demo.PressFoot()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	b := demo.OrchardTruck().Upgraded()
	h := Hold(b, []BuiltPart{{Part{ID: "Press foot", Name: "Press foot", Quantity: 2, Recipe: r}, built, nil}})
	demand := func(list []strength.Check, key string) float64 {
		for _, c := range list {
			if c.Key == key {
				return c.Demand
			}
		}
		t.Fatalf("no %s", key)
		return 0
	}
	for _, j := range h.Joints {
		if j.ID != "foot-floor" {
			continue
		}
		for _, key := range []string{"shear", "tension"} {
			own := 3 * built.Mass * load.G / 2 // of the foot itself, on a bolt
			a, c := demand(h.Mounts[0].Result.Checks, key), demand(j.Result.Checks, key)
			most := .03 // of the moment the bolts get more: they turn about the flat's edge, not the bend's outside
			if key == "tension" {
				most = .2
			}
			if c < .97*a || c > (1+most)*a+own {
				t.Errorf("%s: along the path %.0f N, the bracket says %.0f", key, c, a)
			}
		}
	}
}

// Bolts put in from the other side get the same, and the same plate leans.
func TestFlippedJointsGetTheSame(t *testing.T) {
	b, parts := pressed(t)
	was := Hold(b, parts).Joints
	for i := range b.Joints {
		j := &b.Joints[i]
		j.HeadsBack = !j.HeadsBack
		j.Sides = []brief.Side{j.Sides[1], j.Sides[0]}
		j.Design.Plies = []joint.Ply{j.Design.Plies[1], j.Design.Plies[0]}
		for k := range j.Stands { // the heads look the other way, across stays
			j.Stands[k].Heads = map[brief.Face]brief.Face{brief.FaceLeft: brief.FaceRight, brief.FaceRight: brief.FaceLeft,
				brief.FaceUp: brief.FaceDown}[j.Stands[k].Heads]
			j.Stands[k].Turn = 0
		}
	}
	for i, now := range Hold(b, parts).Joints {
		if now.Why != "" {
			t.Fatal(now.Why)
		}
		for _, c := range now.Result.Checks {
			for _, d := range was[i].Result.Checks {
				if c.Key == d.Key && (c.Key == "shear" || c.Key == "tension" || c.Key == "lean") && math.Abs(c.Demand-d.Demand) > 1e-3*(1+d.Demand) {
					t.Errorf("%s %s: %.2f, was %.2f (%s, %s)", now.Name, c.Key, c.Demand, d.Demand, c.Case, d.Case)
				}
			}
		}
	}
}
