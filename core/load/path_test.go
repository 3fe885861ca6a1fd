package load

import (
	"errors"
	"fmt"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// By hand: 100 kg at rest, 50 mm off the middle of four feet 400 by 200 on a tray
// of 8 kg, the tray on four bolts of the vehicle, which get all of it.
func TestPathByHand(t *testing.T) {
	in := PathInput{Acceleration: solid.Vector{0, 0, -1}, Bodies: []PathBody{
		{ID: "device", Mass: 100, At: solid.Vector{50, 0, 300}}, {ID: "tray", Mass: 8, At: solid.Vector{0, 0, 5}}, {ID: "truck", Ground: true}}}
	corners := func(a, b string, x, y, z float64) {
		for i, s := range [][2]float64{{1, 1}, {1, -1}, {-1, 1}, {-1, -1}} {
			in.Joints = append(in.Joints, PathJoint{ID: fmt.Sprint(a, i), A: a, B: b, At: solid.Vector{s[0] * x, s[1] * y, z}})
		}
	}
	corners("device", "tray", 200, 100, 10)
	corners("tray", "truck", 250, 150, 0)
	r, err := Path(in)
	if err != nil {
		t.Fatal(err)
	}
	if len(r.Joints) != 8 || len(r.Findings) != 0 || r.Balance > 1e-9 {
		t.Fatalf("%+v", r)
	}
	// W/4 ± W·50·200/(4·200²): front 306.5, rear 183.9 of 980.665 N.
	for _, s := range r.Joints[:4] {
		want := 980.665 / 4 * (1 - .25)
		if s.ID == "device0" || s.ID == "device1" {
			want = 980.665 / 4 * (1 + .25)
		}
		if math.Abs(s.Force[2]+want) > 1e-6 || s.Onto != "tray" || s.Moment.Len() > 0 {
			t.Errorf("%+v, want %.3f", s, -want)
		}
	}
	whole := 0.
	for _, s := range r.Joints[4:] {
		whole += s.Force[2]
	}
	if want := -108 * 9.80665; math.Abs(whole-want) > 1e-6 || math.Abs(r.Ground[0].Force[2]-want) > 1e-6 ||
		math.Abs(r.Ground[0].Moment[1]-50*980.665) > 1e-6 {
		t.Errorf("the truck gets %.3f (%+v)", whole, r.Ground)
	}
	if fmt.Sprint(r.Order) != "[device tray truck]" {
		t.Errorf("%v", r.Order)
	}
}

// What cannot be said is said: held by nothing, turning about a line, side by side.
func TestPathThatDoesNotHold(t *testing.T) {
	truck := PathBody{ID: "truck", Ground: true}
	codes := func(in PathInput) map[string]bool {
		in.Acceleration = solid.Vector{0, 0, -1}
		r, err := Path(in)
		if err != nil {
			t.Fatal(err)
		}
		out := map[string]bool{}
		for _, f := range r.Findings {
			out[f.Code] = true
		}
		return out
	}
	box := PathBody{ID: "box", Mass: 10, At: solid.Vector{0, 50, 0}}
	row := []PathJoint{{ID: "a", A: "box", B: "truck", At: solid.Vector{-100, 0, 0}},
		{ID: "b", A: "box", B: "truck", At: solid.Vector{100, 0, 0}}}
	if c := codes(PathInput{Bodies: []PathBody{box, truck}}); !c["held-by-nothing"] {
		t.Errorf("%v", c)
	}
	if c := codes(PathInput{Bodies: []PathBody{box, truck}, Joints: row}); !c["turns"] {
		t.Errorf("%v", c)
	}
	stiff := append([]PathJoint{}, row...)
	stiff[0].Turns = true
	if c := codes(PathInput{Bodies: []PathBody{box, truck}, Joints: stiff}); len(c) != 0 {
		t.Errorf("%v", c)
	}
	twin := PathBody{ID: "twin", Mass: 10}
	loop := append(append([]PathJoint{}, stiff...), PathJoint{ID: "c", A: "twin", B: "truck", Turns: true},
		PathJoint{ID: "d", A: "twin", B: "box"})
	if c := codes(PathInput{Bodies: []PathBody{box, twin, truck}, Joints: loop}); !c["loop"] || c["turns"] {
		t.Errorf("%v", c)
	}
	for path, in := range map[string]PathInput{
		"/bodies":                    {Bodies: []PathBody{box}},
		"/bodies/1/id":               {Bodies: []PathBody{box, box}},
		"/joints/0/a":                {Bodies: []PathBody{box, truck}, Joints: []PathJoint{{A: "box", B: "nobody"}}},
		"/joints/0/b":                {Bodies: []PathBody{box, truck}, Joints: []PathJoint{{A: "box", B: "box"}}},
		"/bodies/0/mass":             {Bodies: []PathBody{{ID: "x", Mass: math.Inf(1)}, truck}},
		"/bodies/0/at/1":             {Bodies: []PathBody{{ID: "x", At: solid.Vector{0, math.NaN(), 0}}, truck}},
		"/acceleration/2":            {Bodies: []PathBody{truck}, Acceleration: solid.Vector{0, 0, 1e9}},
		"/joints/0/at/0":             {Bodies: []PathBody{box, truck}, Joints: []PathJoint{{A: "box", B: "truck", At: solid.Vector{math.Inf(-1), 0, 0}}}},
		"/bodies/0/forces/0/force/0": {Bodies: []PathBody{{ID: "x", Forces: []PathForce{{Force: solid.Vector{math.NaN(), 0, 0}}}}, truck}},
	} {
		_, err := Path(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}

// Random trees of bodies: every body is in balance, forces and moments, and the
// whole turned in space gives the same forces turned.
func TestPathBalances(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	at := func() solid.Vector {
		return solid.Vector{800 * rnd.Float64(), 600 * rnd.Float64(), 400 * rnd.Float64()}
	}
	for range 200 {
		in := PathInput{Acceleration: solid.Vector{rnd.Float64(), rnd.Float64(), -2}, Bodies: []PathBody{{ID: "truck", Ground: true}}}
		n := 2 + rnd.Intn(6)
		for i := range n {
			b := PathBody{ID: fmt.Sprint("b", i), Mass: 100 * rnd.Float64(), At: at()}
			if rnd.Intn(3) == 0 {
				b.Forces = []PathForce{{Force: solid.Vector{1000 * rnd.Float64(), 0, -500}, At: at(), Moment: solid.Vector{1e4 * rnd.Float64()}}}
			}
			in.Bodies = append(in.Bodies, b)
			onto := in.Bodies[rnd.Intn(i+1)].ID
			for k := range 3 + rnd.Intn(3) {
				in.Joints = append(in.Joints, PathJoint{ID: fmt.Sprint(b.ID, "-", k), A: b.ID, B: onto, At: at(), Stiffness: .5 + rnd.Float64(),
					Turns: rnd.Intn(3) == 0})
			}
		}
		r, err := Path(in)
		if err != nil || len(r.Findings) > 0 || r.Balance > 1e-6 {
			t.Fatalf("%v %+v %g", err, r.Findings, r.Balance)
		}
		place := map[string]solid.Vector{}
		for _, j := range in.Joints {
			place[j.ID] = j.At
		}
		for _, b := range in.Bodies[1:] {
			force, moment := in.Acceleration.Mul(b.Mass*9.80665), b.At.Cross(in.Acceleration.Mul(b.Mass*9.80665))
			for _, f := range b.Forces {
				force, moment = force.Add(f.Force), moment.Add(f.Moment).Add(f.At.Cross(f.Force))
			}
			for _, s := range r.Joints {
				sign := 0.
				if s.From == b.ID {
					sign = -1
				} else if s.Onto == b.ID {
					sign = 1
				}
				force, moment = force.Add(s.Force.Mul(sign)), moment.Add(s.Moment.Mul(sign)).Add(place[s.ID].Cross(s.Force).Mul(sign))
			}
			if force.Len() > 1e-6 || moment.Len() > 1e-3 {
				t.Fatalf("%s is out of balance by %.3g N and %.3g N·mm", b.ID, force.Len(), moment.Len())
			}
		}
		turned := in
		turned.Bodies, turned.Joints = append([]PathBody{}, in.Bodies...), append([]PathJoint{}, in.Joints...)
		by := solid.Turned(solid.Vector{10, 20, 30}, 40, 25, 70)
		turned.Acceleration = by.Turn(in.Acceleration)
		for i := range turned.Bodies {
			b := &turned.Bodies[i]
			b.At = by.Apply(b.At)
			b.Forces = append([]PathForce{}, b.Forces...)
			for k, f := range b.Forces {
				b.Forces[k] = PathForce{Force: by.Turn(f.Force), At: by.Apply(f.At), Moment: by.Turn(f.Moment)}
			}
		}
		for i := range turned.Joints {
			turned.Joints[i].At = by.Apply(turned.Joints[i].At)
		}
		q, err := Path(turned)
		if err != nil {
			t.Fatal(err)
		}
		for i := range r.Joints {
			if d := by.Turn(r.Joints[i].Force).Sub(q.Joints[i].Force).Len(); d > 1e-6*(1+r.Joints[i].Most) {
				t.Fatalf("turned in space a joint carries %.3g N otherwise", d)
			}
		}
	}
}
