package site

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
)

// tree is a random tree of boxes, each bolted on one that came before it or on the
// vehicle, at random places.
func tree(rnd *rand.Rand, n int) (s Site, above map[string][]int) {
	s.Brief = brief.Brief{Unit: brief.UnitMM, Grain: 1, Criticality: brief.Comfort,
		Strength: strength.Rule{School: strength.Allowable}, Use: load.Rough}
	design := joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Lock, Washers: 2,
		Holes: [][2]float64{{-50, -50}, {50, -50}, {50, 50}, {-50, 50}},
		Plies: []joint.Ply{{Name: "one", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 30, Wide: [2]float64{200, 200}, Stiff: true},
			{Name: "other", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 30, Wide: [2]float64{200, 200}, Stiff: true}}}
	on := make([]int, n)
	for i := range n {
		id := fmt.Sprint("d", i)
		at := solid.Vector{1000 * rnd.NormFloat64(), 400 * rnd.NormFloat64(), 300 * rnd.Float64()}
		s.Brief.Devices = append(s.Brief.Devices,
			brief.Device{ID: id, Name: id, Mass: demo.Given(5+60*rnd.Float64(), brief.Measured),
				Envelope: &brief.Box{Length: 200, Width: 200, Height: 200},
				Gravity:  &brief.Gravity{X: 50 * rnd.NormFloat64(), Y: 50 * rnd.NormFloat64(), Z: 100}, Behind: demo.Given(0,
					brief.Measured)})
		s.Survey.Placed = append(s.Survey.Placed, vehicle.Placed{ID: "p" + id, Name: id, Device: id, At: at})
		on[i] = rnd.IntN(i+1) - 1
		under := brief.Side{Kind: brief.VehicleSide}
		if on[i] >= 0 {
			under = brief.Side{Kind: brief.DeviceSide, Of: fmt.Sprint("d", on[i])}
		}
		j := brief.Joint{ID: "j" + id, Name: "under " + id, Path: true, Stands: []brief.Stand{{At: [3]float64(at), Heads: brief.FaceUp}},
			Sides: []brief.Side{{Kind: brief.DeviceSide, Of: id}, under}, Design: design}
		s.Brief.Joints = append(s.Brief.Joints, j)
	}
	above = map[string][]int{}
	for i := range n {
		for k := i; k >= 0; k = on[k] {
			above[fmt.Sprint("jd", k)] = append(above[fmt.Sprint("jd", k)], i)
		}
	}
	return s, above
}

// Every force of a random tree of boxes balances to 1e-6 N, and reaches the joint
// checks: each joint is asked with the masses of all that hangs on it and with their
// moment about it, in every case of the road, and no case is missing.
func TestRandomTreesReachTheChecks(t *testing.T) {
	rnd := rand.New(rand.NewPCG(14, 8))
	for range 25 {
		n := 2 + rnd.IntN(7)
		s, above := tree(rnd, n)
		open := s.open()
		path := open.paths()
		for _, f := range path.Findings {
			if f.Severity == "stop" {
				t.Fatalf("%s: %s", f.Code, f.Reason)
			}
		}
		for c, road := range s.Brief.OnRoad().Cases() {
			all := solid.Vector{}
			for _, d := range s.Brief.Devices {
				all = all.Add(solid.Vector(road.Net).Mul(d.Mass.Value * load.G))
			}
			if off := solid.Vector(path.Ground[c]).Sub(all).Len(); off > 1e-6 {
				t.Fatalf("%s: %g N do not reach the vehicle", road.Name, off)
			}
			for _, j := range s.Brief.Joints {
				var force, moment solid.Vector
				at := solid.Vector(j.Stands[0].At)
				for _, i := range above[j.ID] {
					d := s.Brief.Devices[i]
					f := solid.Vector(road.Net).Mul(d.Mass.Value * load.G)
					g := solid.Vector(s.Survey.Placed[i].At).Add(solid.Vector{d.Gravity.X, d.Gravity.Y, d.Gravity.Z})
					force, moment = force.Add(f), moment.Add(g.Sub(at).Cross(f))
				}
				in, why := open.joint(j, path)
				if why != "" {
					t.Fatal(why)
				}
				found := false
				for _, k := range in.Cases {
					if k.Name != road.Name {
						continue
					}
					found = true
					if d := math.Abs(solid.Vector(k.Force).Len() - force.Len()); d > 1e-6 {
						t.Errorf("%s, %s: %g N are missing at the bolts", j.Name, road.Name, d)
					}
					if d := math.Abs(solid.Vector(k.Moment).Len() - moment.Len()); d > 1e-3 {
						t.Errorf("%s, %s: %g N·mm are missing at the bolts", j.Name, road.Name, d)
					}
				}
				if !found {
					t.Errorf("%s is not asked %s", j.Name, road.Name)
				}
			}
		}
	}
}

// Nonsense is refused in words, and nothing panics: a side that is gone, a circle, no
// bolts, no plies, no thickness, no mass.
func TestNonsenseIsRefusedInWords(t *testing.T) {
	for want, spoil := range map[string]func(s *Site){
		"not in the job any more": func(s *Site) { s.Brief.Joints[1].Sides[0].Of = "gone" },
		"held by nothing": func(s *Site) {
			s.Brief.Joints[0].Sides[1] = brief.Side{Kind: brief.DeviceSide, Of: "d1"}
			s.Brief.Joints[1].Sides[1] = brief.Side{Kind: brief.DeviceSide, Of: "d0"}
		},
		"bolt":      func(s *Site) { s.Brief.Joints[1].Design.Holes = nil },
		"pl":        func(s *Site) { s.Brief.Joints[1].Design.Plies = nil },
		"thickness": func(s *Site) { s.Brief.Joints[1].Design.Plies[0].Thickness = 0 },
		"mass":      func(s *Site) { s.Brief.Devices[1].Mass = nil },
	} {
		s, _ := tree(rand.New(rand.NewPCG(1, 2)), 2)
		for i := range s.Brief.Joints {
			s.Brief.Joints[i].Design.Plies = append([]joint.Ply{}, s.Brief.Joints[i].Design.Plies...)
		}
		spoil(&s)
		h := s.Hold()
		said := ""
		for _, f := range h.Path.Findings {
			said += f.Reason + " "
		}
		for _, j := range h.Joints {
			said += j.Why + " "
			if j.Result != nil {
				for _, c := range j.Result.Checks {
					said += c.Why + " "
				}
			}
			if want != "held by nothing" && j.ID == "jd1" && j.Result != nil && !strength.Worse(j.Result.Verdict, strength.Tight) {
				t.Errorf("%s: it %s", want, j.Result.Verdict)
			}
		}
		if !strings.Contains(strings.ToLower(said), want) {
			t.Errorf("%q is not said: %s", want, said)
		}
	}
	s, _ := tree(rand.New(rand.NewPCG(1, 2)), 2)
	s.Brief.Joints[1].Stands[0].At[0] = math.NaN()
	if err := s.Brief.CheckJoints(); err == nil {
		t.Error("a joint at NaN is kept")
	}
	s, _ = tree(rand.New(rand.NewPCG(1, 2)), 2)
	s.Brief.Joints[0].Design.Plies[0].Thickness = math.Inf(1)
	if err := s.Brief.CheckJoints(); err == nil {
		t.Error("an endless ply is kept")
	}
}
