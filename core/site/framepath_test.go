package site

import (
	"context"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
)

// onFrame is a job of two bodies: a box of 40 kg bolted on the end of an arm, and the
// arm's foot plate bolted to a rail of the vehicle at 250 to its left. The arm carries
// 15 kg of its own besides.
func onFrame(t *testing.T) Site {
	t.Helper()
	d := frameOf(t, "standoff", "50 × 50 × 4 mm tube", map[string]float64{"length": 300, "plate": 140, "kilos": 15})
	d.Plates = d.Plates[:1] // the head is left open: the box is bolted through the tube
	d.Fit = &member.Pose{Y: 250, Z: 400}
	frame := Frame{ID: "arm", Name: "Standoff", Quantity: 1, Doc: d}
	arm := d.Members[0].ID
	bolts := joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Lock, Washers: 2,
		Holes: [][2]float64{{-50, -50}, {50, -50}, {50, 50}, {-50, 50}},
		Plies: []joint.Ply{{}, {Name: "rail", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 40, Wide: [2]float64{300, 180},
			Stiff: true}}}
	top := bolts
	top.Holes = [][2]float64{{-20, 0}, {20, 0}, {20, 30}, {-20, 30}}
	top.Plies = []joint.Ply{{Name: "box's foot", Material: "steel-s235", Thickness: 5, Hole: 11, Edge: 20, Wide: [2]float64{100, 100},
		Stiff: true}, {Name: "tube", Hole: 11, Edge: 20, Wide: [2]float64{50, 300}, Stiff: true}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Criticality: brief.Comfort,
		Strength: strength.Rule{School: strength.Allowable}, Use: load.Rough,
		Devices: []brief.Device{{ID: "box", Name: "Box", Mass: demo.Given(40, brief.Measured),
			Gravity: &brief.Gravity{Z: 120, Trust: brief.Measured}, Envelope: &brief.Box{Length: 200, Width: 200, Height: 240},
			Behind: demo.Given(0, brief.Measured)}},
		Joints: []brief.Joint{
			{ID: "top", Name: "Box on the arm", Path: true, Stands: []brief.Stand{{At: [3]float64{0, 520, 425}, Heads: brief.FaceUp}},
				Sides: []brief.Side{{Kind: brief.DeviceSide, Of: "box"}, {Kind: brief.MemberSide, Of: "arm", Member: arm}}, Design: top},
			{ID: "foot", Name: "Arm on the rail", Path: true, Stands: []brief.Stand{{At: [3]float64{0, 250, 400}, Heads: brief.FaceLeft}},
				Sides: []brief.Side{{Kind: brief.MemberSide, Of: "arm", Member: arm}, {Kind: brief.VehicleSide}}, Design: bolts}}}
	b.Devices[0].Gravity.Y = 0
	if err := b.CheckJoints(); err != nil {
		t.Fatal(err)
	}
	return Site{Brief: b, Frames: []Frame{frame},
		Survey: vehicle.Survey{Placed: []vehicle.Placed{{ID: "placed-box", Name: "Box", Device: "box", At: solid.Vector{0, 520, 425}}}}}
}

// Everything that stands on the frame or is typed on it arrives at the joint that holds
// it, with its moment: the frame is solved, not weighed.
func TestFramesHandTheirLoadsOn(t *testing.T) {
	s := onFrame(t)
	h := s.Hold()
	for _, f := range h.Path.Findings {
		if f.Severity == "stop" {
			t.Errorf("%s: %s", f.Code, f.Reason)
		}
	}
	built := shape.Build(s.Frames[0].Doc, nil)
	masses := []struct {
		kilos float64
		at    solid.Vector
	}{{40, solid.Vector{0, 520, 545}}, {15, solid.Vector{0, 550, 400}}, {built.Mass, built.Gravity.Add(solid.Vector{0, 250, 400})}}
	var foot *PathLink
	for i := range h.Path.Links {
		if h.Path.Links[i].Joint == "foot" {
			foot = &h.Path.Links[i]
		}
	}
	if foot == nil || len(foot.Forces) != len(h.Path.Cases) {
		t.Fatalf("%+v", h.Path)
	}
	open := s.open()
	path := open.paths()
	for c, road := range s.Brief.OnRoad().Cases() {
		var force, moment solid.Vector
		for _, m := range masses {
			f := solid.Vector(road.Net).Mul(m.kilos * load.G)
			force, moment = force.Add(f), moment.Add(m.at.Sub(solid.Vector{0, 250, 400}).Cross(f))
		}
		if got := solid.Vector(foot.Forces[c]); got.Sub(force).Len() > 2e-3*force.Len() {
			t.Errorf("%s: the foot gets %v, all of it is %v", road.Name, got, force)
		}
		if g := solid.Vector(h.Path.Ground[c]); g.Sub(force).Len() > 2e-3*force.Len() {
			t.Errorf("%s: the vehicle gets %v of %v", road.Name, g, force)
		}
		// A frame's members weigh from point to point, a little more than they are cut.
		// The heads look left: across is forward, off is left, up is down-turned as the joint
		// has it. The size of the moment does not depend on it.
		for _, k := range path.byJoint["foot"] {
			if k.Name == road.Name {
				if got := solid.Vector(k.Moment).Len(); math.Abs(got-moment.Len()) > .02*moment.Len() {
					t.Errorf("%s: the bolts get %.0f N·mm, statics says %.0f", road.Name, got, moment.Len())
				}
			}
		}
	}
	// Its ply is the foot plate, not the tube's wall.
	told := h.Joints[1]
	if told.Why != "" || told.Plies[0].Thickness != 8 || told.Plies[0].Hollow || told.Plies[0].Pull <= 0 {
		t.Errorf("%s %+v", told.Why, told.Plies)
	}
	if told.Result == nil || told.Result.Verdict == strength.CannotSay {
		t.Fatalf("%+v", told.Result)
	}
	// The frame's own verdict counts what the box puts on it.
	f := s.Frames[0]
	alone := WorkFrame(f.Doc, 1, s.Brief, nil)
	loaded := workFrame(context.Background(), f.Doc, f.ID, 1, s.Brief, shop.Shop{}, nil, path.frames["arm"])
	if loaded.Hold.Why != "" || *loaded.Hold.Use <= 2**alone.Hold.Use {
		t.Errorf("with 40 kg on it %v, without %v %s", *loaded.Hold.Use, *alone.Hold.Use, loaded.Hold.Why)
	}
}

// What is not known above is open below: a box of no known mass leaves the foot, the
// frame and the box's own joint unable to say.
func TestUnknownMassIsOpenBelow(t *testing.T) {
	for what, change := range map[string]func(*Site){
		"no mass":    func(s *Site) { s.Brief.Devices[0].Mass = nil },
		"no gravity": func(s *Site) { s.Brief.Devices[0].Gravity = nil },
		"a joint that has no place": func(s *Site) {
			s.Brief.Joints = append(s.Brief.Joints,
				brief.Joint{ID: "stay", Name: "Stay", Path: true, Sides: []brief.Side{{Kind: brief.DeviceSide, Of: "box"},
					{Kind: brief.VehicleSide}},
					Design: s.Brief.Joints[1].Design})
		},
	} {
		s := onFrame(t)
		change(&s)
		h := s.Hold()
		for _, j := range h.Joints[:2] {
			if j.Result != nil && j.Result.Verdict != strength.CannotSay && j.Result.Verdict != strength.Over {
				t.Errorf("%s: %s says %s", what, j.Name, j.Result.Verdict)
			}
		}
		loads := s.open().paths().frames["arm"]
		if len(loads.open) == 0 {
			t.Errorf("%s: nothing is open on the frame", what)
		}
	}
	// Bolts that hold the frame where nothing holds its model get nothing, and say so.
	s := onFrame(t)
	s.Brief.Joints[1].Stands[0].At = [3]float64{600, 250, 400}
	h := s.Hold()
	told := strings.Builder{}
	for _, f := range h.Path.Findings {
		told.WriteString(f.Reason)
	}
	if !strings.Contains(told.String(), "no place that holds it lies within") || h.Joints[1].Result != nil &&
		h.Joints[1].Result.Verdict != strength.CannotSay {
		t.Errorf("%q, the joint says %+v", told.String(), h.Joints[1].Result.Verdict)
	}
}

// A duty acts on what it is for and governs there: a pull on the box goes through the
// arm to its foot; a label is refused while anything under it is open, and printed with
// what governs when all of it holds.
func TestDutyThroughTheJob(t *testing.T) {
	s := onFrame(t)
	s.Brief.Duties = []brief.Duty{{ID: "d", Name: "Strap on the box", On: brief.Side{Kind: brief.DeviceSide, Of: "box"},
		At: solid.Vector{0, 0, 200}, Duty: load.Duty{Kind: load.RatedPull, Force: 600, Way: solid.Vector{0, 0, -1}}}}
	if err := s.Brief.CheckDuties(); err != nil {
		t.Fatal(err)
	}
	h := s.Hold()
	d := h.Duties[0]
	if d.Why != "" || len(d.Asked) != 3 || d.Newtons != 600 {
		t.Fatalf("%+v", d)
	}
	last := len(h.Path.Cases) - 1
	if h.Path.Cases[last] != "duty: Strap on the box" {
		t.Fatalf("%v", h.Path.Cases)
	}
	weight := 40 + 15 + shape.Build(s.Frames[0].Doc, nil).Mass
	if g := h.Path.Ground[last]; math.Abs(g[2]+weight*load.G+600) > 1 {
		t.Errorf("the vehicle gets %v", g)
	}
	r, err := s.Rate("d")
	if err != nil {
		t.Fatalf("%v", err)
	}
	if r.Newtons != 600 || r.Way != "down" || len(r.Proved) != 3 || r.Governs == "" {
		t.Errorf("%+v", r)
	}
	for what, change := range map[string]func(*Site){
		"over":       func(s *Site) { s.Brief.Duties[0].Force = 60000 },
		"Which way":  func(s *Site) { s.Brief.Duties[0].Way = solid.Vector{} },
		"cannot say": func(s *Site) { s.Brief.Joints[1].Design.Plies[1].Edge = 0 },
		"crash":      func(s *Site) { s.Brief.Devices[0].NearPeople = true },
		"open question": func(s *Site) {
			s.Brief.Open = []brief.OpenItem{{ID: "q", Text: "How thick is the rail?", Kind: "strength"}}
		},
		"is not said":    func(s *Site) { s.Brief.Duties[0].On = brief.Side{} },
		"Nothing is ask": func(s *Site) { s.Brief.Joints = nil },
	} {
		s := onFrame(t)
		s.Brief.Duties = []brief.Duty{{ID: "d", Name: "Strap on the box", On: brief.Side{Kind: brief.DeviceSide, Of: "box"},
			Duty: load.Duty{Kind: load.RatedPull, Force: 600, Way: solid.Vector{0, 0, -1}}}}
		change(&s)
		if _, err := s.Rate("d"); err == nil || !strings.Contains(err.Error(), what) {
			t.Errorf("%s: %v", what, err)
		}
	}
	if _, err := s.Rate("gone"); err == nil {
		t.Error("a duty that is not there is rated")
	}
}

// A finding about one device silences no case of another: a second box that turns about
// its one point leaves the first one's loose feet asked.
func TestFindingsSilenceNoOtherDevice(t *testing.T) {
	b, parts := pressed(t)
	before := len(Site{Brief: b, Parts: parts}.open().paths().byJoint["low"])
	b.Devices = append(b.Devices, brief.Device{ID: "horn", Name: "Horn", Mass: demo.Given(5, brief.Measured),
		Gravity: &brief.Gravity{X: 90, Z: 40}, Behind: demo.Given(500, brief.Measured)})
	one := b.Joints[1].Design
	one.Holes = [][2]float64{{0, 0}}
	b.Joints = append(b.Joints, brief.Joint{ID: "horn", Name: "Horn", Path: true, Stands: []brief.Stand{{At: [3]float64{-500, 0, 0}}},
		Sides: []brief.Side{{Kind: brief.DeviceSide, Of: "horn"}, {Kind: brief.VehicleSide}}, Design: one})
	path := Site{Brief: b, Parts: parts}.open().paths()
	if got := len(path.byJoint["low"]); got != before {
		t.Errorf("%d cases under the press, %d without the horn", got, before)
	}
	if len(path.open["horn"]) == 0 || len(path.open["low"]) > 0 {
		t.Errorf("open: %v", path.open)
	}
}

// Three things on the same bolts: each face gets what really goes through it, and the
// one between the difference.
func TestThreeThingsOnTheSameBolts(t *testing.T) {
	b, parts := pressed(t)
	j := b.Joints[1]
	j.Sides = []brief.Side{{Kind: brief.PartSide, Of: "foot"}, {Kind: brief.PartSide, Of: "shim"}, {Kind: brief.VehicleSide}}
	j.Design.Plies = []joint.Ply{{}, {}, j.Design.Plies[1]}
	b.Joints[1] = j
	shim := parts[0]
	shim.ID, shim.Name, shim.Quantity = "shim", "Shim", 4
	parts = append(parts, shim)
	path := Site{Brief: b, Parts: parts}.open().paths()
	ranges := map[[2]int]int{}
	for _, c := range path.byJoint["low"] {
		if c.Plies == nil {
			t.Fatalf("%s goes through all plies", c.Name)
		}
		ranges[*c.Plies]++
	}
	if len(ranges) != 3 || ranges[[2]int{0, 1}] != ranges[[2]int{1, 2}] || ranges[[2]int{1, 1}] == 0 {
		t.Errorf("%v", ranges)
	}
}
