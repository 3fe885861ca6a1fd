package load

import (
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

var allowable = strength.Rule{School: strength.Allowable}

// Duties by hand: a truck of 3.5 t on a slope of 20° in sand is 34323·(sin 20° + cos
// 20°/4) = 19 802 N; to its hubs on the level twice its weight; a person of 90 kg
// stepping down 2.5 times; wind of 30 m/s on 1.5 m² with 1.3; a pulley doubles.
func TestDutiesByHand(t *testing.T) {
	back := solid.Vector{-2, 0, 0}
	w := 3500 * G
	sin, cos := math.Sin(20*math.Pi/180), math.Cos(20*math.Pi/180)
	for _, c := range []struct {
		what string
		duty Duty
		want float64
	}{
		{"a pull", Duty{Kind: RatedPull, Force: 9000, Way: back}, 9000},
		{"through a pulley", Duty{Kind: Stall, Force: 9000, Way: back, Pulley: true}, 18000},
		{"recovery on a slope", Duty{Kind: Recovery, Mass: 3500, Slope: 20, Ground: Sand, Way: back}, w * (sin + cos/4)},
		{"recovery from the hubs", Duty{Kind: Recovery, Mass: 3500, Ground: HubDeep, Way: back}, 2 * w},
		{"a strap that stretches", Duty{Kind: Recovery, Kinetic: true, Breaks: 90000, Way: back}, 90000},
		{"a person", Duty{Kind: Person, Mass: 90}, 90 * 2.5 * G},
		{"a person as usual", Duty{Kind: Person, Times: 3}, 100 * 3 * G},
		{"wind", Duty{Kind: Wind, Area: 1.5, Speed: 30, Way: back}, 1.225 / 2 * 900 * 1.3 * 1.5},
		{"misuse", Duty{Kind: Misuse, Force: 700, Way: back}, 700},
	} {
		l, err := c.duty.Load(allowable)
		if err != nil {
			t.Errorf("%s: %v", c.what, err)
			continue
		}
		if math.Abs(l.Force.Len()-c.want) > 1e-6*c.want || l.Design != l.Force || l.Net != (solid.Vector{0, 0, -1}) {
			t.Errorf("%s: %.6g, by hand %.6g, %v", c.what, l.Force.Len(), c.want, l.Net)
		}
		if l.Working.Source == "" || len(l.Working.Inputs) == 0 || math.Abs(l.Working.Result.Value-c.want) > 1e-6*c.want {
			t.Errorf("%s: %+v", c.what, l.Working)
		}
		f, err := c.duty.Load(strength.Rule{School: strength.Factored})
		if err != nil || math.Abs(f.Design.Len()-1.6*c.want) > 1e-6*c.want || f.Factor[2] != -1.2 {
			t.Errorf("%s, factored: %v %v %v", c.what, f.Design, f.Factor, err)
		}
	}
	up := Duty{Kind: RatedPull, Force: 500, Way: solid.Vector{0, 0, 1}}
	if f, _ := up.Load(strength.Rule{School: strength.Factored}); f.Factor[2] != -.9 {
		t.Errorf("a lift counts weight %v", f.Factor)
	}
	r, err := Duty{Kind: Retention, Net: solid.Vector{20, 0, 0}}.Load(allowable)
	if err != nil || r.Net != (solid.Vector{20, 0, -1}) || r.Force.Len() != 0 {
		t.Errorf("retention: %+v %v", r, err)
	}
}

// What is missing of a duty is said, and lifting and fall arrest are refused.
func TestDutiesRefused(t *testing.T) {
	way := solid.Vector{1, 0, 0}
	for says, d := range map[string]Duty{
		"How hard":             {Kind: RatedPull, Way: way},
		"Which way":            {Kind: Stall, Force: 10},
		"breaking strength":    {Kind: Recovery, Kinetic: true, Way: way},
		"weighs":               {Kind: Recovery, Way: way, Ground: Sand},
		"stuck in":             {Kind: Recovery, Way: way, Mass: 2000},
		"acceleration":         {Kind: Retention},
		"area and the speed":   {Kind: Wind, Way: way},
		"no duties here":       {Kind: "lift", Force: 5, Way: way},
		"fall arrest are no":   {Kind: "fall"},
		"not \"dig\"":          {Kind: "dig"},
		"not in \"snow\"":      {Kind: Recovery, Ground: "snow"},
		"The force must be":    {Kind: RatedPull, Force: math.NaN(), Way: way},
		"The slope must be":    {Kind: Recovery, Slope: 80},
		"The way must be":      {Kind: RatedPull, Way: solid.Vector{math.Inf(1)}},
		"The acceleration mus": {Kind: Retention, Net: solid.Vector{100}},
	} {
		_, err := d.Load(allowable)
		var f *working.Fault
		if !errors.As(err, &f) || !strings.Contains(f.Message, says) {
			t.Errorf("%+v: %v, want %q", d, err, says)
		}
	}
	for _, k := range []DutyKind{Recovery, Stall, Person, Retention} {
		if (Duty{Kind: k}).Caution() == "" {
			t.Errorf("%s has no caution", k)
		}
	}
}

// A push on a device goes to its feet with its place: forces and moments balance.
func TestPushOnADevice(t *testing.T) {
	in := FeetInput{Mass: 100, CentreOfGravity: [3]float64{10, -20, 400},
		Feet: [][2]float64{{300, 200}, {300, -200}, {-300, 200}, {-300, -200}}, Acceleration: [3]float64{0, 0, -1},
		Push: [3]float64{-4000, 300, 200}, PushAt: [3]float64{500, 0, 700}}
	r, err := Feet(in)
	if err != nil {
		t.Fatal(err)
	}
	var f, m solid.Vector
	for i, x := range r.Forces {
		f = f.Add(x)
		m = m.Add(solid.Vector{in.Feet[i][0], in.Feet[i][1], 0}.Cross(x))
	}
	weight, push := solid.Vector{0, 0, -100 * G}, solid.Vector(in.Push)
	wantM := solid.Vector(in.CentreOfGravity).Cross(weight).Add(solid.Vector(in.PushAt).Cross(push))
	if f.Sub(weight.Add(push)).Len() > 1e-6 || m.Sub(wantM).Len() > 1e-3 {
		t.Errorf("force %v, moment %v, want %v", f, m, wantM)
	}
}

// A body that works itself out hands on what it says, to joints and to the ground, and
// what is open of it is open below.
func TestBodiesThatCarryThemselves(t *testing.T) {
	in := PathInput{Acceleration: solid.Vector{0, 0, -1},
		Bodies: []PathBody{{ID: "car", Ground: true}, {ID: "post", Mass: 1, At: solid.Vector{0, 0, 100}},
			{ID: "box", Mass: 20, At: solid.Vector{50, 0, 300}}},
		Joints: []PathJoint{{ID: "low", A: "post", B: "car", Turns: true},
			{ID: "high", A: "box", B: "post", At: solid.Vector{0, 0, 200}, Turns: true}}}
	own := 7 * G
	in.Bodies[1].Carry = func(a solid.Vector, arrived []PathForce, held []PathJoint) (map[string]PathForce, []PathForce, string) {
		if len(arrived) != 1 || arrived[0].Joint != "high" || len(held) != 1 {
			t.Errorf("%+v arrives, held by %+v", arrived, held)
		}
		f := arrived[0]
		out := PathForce{Force: f.Force.Mul(.75).Add(a.Mul(own)), At: held[0].At, Moment: f.Moment}
		return map[string]PathForce{"low": out}, []PathForce{{Force: f.Force.Mul(.25), At: solid.Vector{9, 9, 9}}}, "It is open."
	}
	r, err := Path(in)
	if err != nil {
		t.Fatal(err)
	}
	if r.Balance > 1e-9 || math.Abs(r.Ground[0].Force[2]+27*G) > 1e-9 {
		t.Errorf("out of balance by %g, the ground gets %v", r.Balance, r.Ground[0].Force)
	}
	if low := r.Joints[1]; low.ID != "low" || low.Open != "It is open." || math.Abs(low.Force[2]+15*G+own) > 1e-9 {
		t.Errorf("%+v", low)
	}
	if r.Joints[0].Open != "" {
		t.Errorf("what is above is open: %+v", r.Joints[0])
	}
}

// What is not known of a body, or held by nothing, is open all the way down.
func TestOpenGoesDown(t *testing.T) {
	in := PathInput{Acceleration: solid.Vector{0, 0, -1},
		Bodies: []PathBody{{ID: "car", Ground: true}, {ID: "a", Mass: 2},
			{ID: "b", Mass: 2, At: solid.Vector{80, 0, 0}, Lacks: "Its mass is guessed."}, {ID: "c", Mass: 1}},
		Joints: []PathJoint{{ID: "1", A: "a", B: "car", Turns: true}, {ID: "2", A: "b", B: "a", Turns: true},
			{ID: "3", A: "c", B: "car", Turns: true}}}
	r, err := Path(in)
	if err != nil {
		t.Fatal(err)
	}
	open := map[string]string{}
	for _, s := range r.Joints {
		open[s.ID] = s.Open
	}
	if open["2"] == "" || open["1"] == "" || open["3"] != "" {
		t.Errorf("%v", open)
	}
	in.Bodies[2].Lacks = ""
	in.Joints[1].Turns = false // b stands on one point beside its middle
	in.Bodies[2].At = solid.Vector{80, 0, 0}
	in.Joints[1].At = solid.Vector{0, 0, 0}
	if r, err = Path(in); err != nil {
		t.Fatal(err)
	}
	for _, s := range r.Joints {
		if (s.Open != "") != (s.ID != "3") {
			t.Errorf("%s: %q", s.ID, s.Open)
		}
	}
}
