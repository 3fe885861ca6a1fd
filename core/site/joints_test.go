package site

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/bolt"
	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// footJoint bolts the press foot to a floor of 5 mm.
func footJoint(parts []BuiltPart) brief.Joint {
	return brief.Joint{ID: "j", Name: "Foot on the floor", Part: parts[0].ID, Features: []string{parts[0].Built.Holes[0].Feature},
		Sides: []brief.Side{{Kind: brief.PartSide, Of: parts[0].ID}, {}},
		Design: joint.Input{System: stock.Metric, Size: "M12", Grade: "8.8", Nut: joint.Lock, Washers: 2,
			Plies: []joint.Ply{{Name: "foot"}, {Name: "floor", Material: "steel-s235", Thickness: 5, Hole: 13.5, Edge: 60,
				Wide: [2]float64{300, 240}, Stiff: true}},
			Tighten: joint.Tightening{Lubrication: joint.Oiled, Locking: joint.PlasticRing, Shakes: true},
			Cases:   []joint.Case{{Name: "braking", Force: [3]float64{3000, 0, 0}}}}}
}

func TestJointsOfAJob(t *testing.T) {
	r := demo.PressFoot()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	parts := []BuiltPart{{Part{ID: "foot", Name: "Press foot", Recipe: r}, built, nil}}
	j := footJoint(parts)
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Strength: strength.Rule{School: strength.Allowable}, Joints: []brief.Joint{j}}
	if err := b.CheckJoints(); err != nil {
		t.Fatal(err)
	}
	told := Hold(b, parts).Joints[0]
	if told.Why != "" || told.Result == nil {
		t.Fatalf("%+v", told)
	}
	// Material and thickness are the part's, the holes and their edge too.
	if p := told.Plies[0]; p.Material != r.Material || p.Thickness != r.Thickness || p.Hole != built.Holes[0].Diameter ||
		p.Edge <= p.Hole/2 || p.Edge > 60 {
		t.Errorf("%+v", p)
	}
	n := 0
	for _, h := range built.Holes {
		if h.Feature == j.Features[0] {
			if told.Holes[n] != [2]float64{h.Centre.X, h.Centre.Y} {
				t.Errorf("bolt %d at %v, its hole at %v", n+1, told.Holes[n], h.Centre)
			}
			n++
		}
	}
	if n != len(told.Holes) {
		t.Errorf("%d bolts through %d holes", len(told.Holes), n)
	}
	// It is the calculation of the group, about the flat pattern's origin.
	e, err := bolt.Elastic(bolt.ElasticInput{Bolts: told.Holes, Force: [2]float64{3000, 0}})
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range told.Result.Checks {
		if c.Key == "shear" && math.Abs(c.Demand-e.Max) > 1e-6*e.Max {
			t.Errorf("shear %.3f, the group says %.3f", c.Demand, e.Max)
		}
		if c.Working != nil && len(c.Working.Inputs) > 0 && c.Working.Inputs[0].Text == "" {
			t.Errorf("the working of %s is not written", c.Key)
		}
	}
	// Where people can be hurt, static strength alone does not say holds.
	if len(told.Beside) != 2 || told.Result.Verdict != strength.Holds {
		t.Errorf("%s beside %+v", told.Result.Verdict, told.Beside)
	}
	b.Criticality = brief.People
	if got := Hold(b, parts).Joints[0].Result.Verdict; got != strength.CannotSay {
		t.Errorf("with people in danger it says %s", got)
	}
	b.Answers.Fatigue = "the engineer, 4 May: inspected every season"
	if got := Hold(b, parts).Joints[0].Result.Verdict; got != strength.Holds {
		t.Errorf("answered it says %s", got)
	}
	// What is gone is said, and the rest of the job with it.
	for want, change := range map[string]func(*brief.Joint){
		"not in the job any more": func(j *brief.Joint) { j.Part = "gone" },
		"part of ply 2 is not": func(j *brief.Joint) {
			j.Sides = []brief.Side{{Kind: brief.PartSide, Of: "foot"}, {Kind: brief.PartSide, Of: "gone"}}
		},
		"not on the part any more": func(j *brief.Joint) { j.Features = []string{"gone"} },
		"Choose the holes":         func(j *brief.Joint) { j.Features = nil },
		"several panels":           func(j *brief.Joint) { j.Features = everyFeature(built) },
		"2 to 12 plies":            func(j *brief.Joint) { j.Design.Plies = nil },
		"comes with":               func(j *brief.Joint) { j.Design.Pitch = 9 },
		"Say where they are":       func(j *brief.Joint) { j.Part, j.Design.Holes = "", nil },
		"does not go through":      func(j *brief.Joint) { j.Design.Plies[1].Hole = 5 },
		"class":                    func(j *brief.Joint) { j.Design.Grade = "7.7" },
	} {
		k := footJoint(parts)
		change(&k)
		b.Joints = []brief.Joint{k}
		told := Hold(b, parts).Joints[0]
		if told.Result != nil || !strings.Contains(strings.ToLower(told.Why), strings.ToLower(want)) {
			t.Errorf("want %q, got %q", want, told.Why)
		}
	}
	b.Joints = make([]brief.Joint, 1)
	b.Joints[0].Design.Holes = make([][2]float64, 1000)
	if b.CheckJoints() == nil {
		t.Error("a thousand bolts are kept")
	}
}

func everyFeature(p made.Part) (out []string) {
	for _, h := range p.Holes {
		out = append(out, h.Feature)
	}
	return out
}

// What a bracket carries goes through its bolts as the bracket's own check says:
// the same shares in the plane, in every case.
func TestLoadsComeFromTheBracket(t *testing.T) {
	r := demo.PressFoot()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	parts := []BuiltPart{{Part{ID: "foot", Name: "Press foot", Recipe: r}, built, nil}}
	for _, school := range []strength.School{strength.Allowable, strength.Factored} {
		b := truck("rough")
		b.Strength = strength.Rule{School: school}
		b.Mounts[0].Part = "foot"
		j := footJoint(parts)
		j.Features, j.Mount = b.Mounts[0].Hold.Fasten, b.Mounts[0].ID
		j.Design.Cases = nil
		b.Joints = []brief.Joint{j}
		h := Hold(b, parts)
		told, held := h.Joints[0], h.Mounts[0].Result
		if told.Why != "" {
			t.Fatal(told.Why)
		}
		find := func(list []strength.Check, key string) strength.Check {
			for _, c := range list {
				if c.Key == key {
					return c
				}
			}
			t.Fatalf("no %s", key)
			return strength.Check{}
		}
		a, c := find(held.Checks, "shear"), find(told.Result.Checks, "shear")
		if math.Abs(a.Demand-c.Demand) > 1e-6*a.Demand || a.Case != c.Case {
			t.Errorf("%s: the bracket's bolts get %.3f in %s, the joint's %.3f in %s", school, a.Demand, a.Case, c.Demand, c.Case)
		}
	}
	for want, change := range map[string]func(*brief.Brief){
		"not there any more": func(b *brief.Brief) { b.Joints[0].Mount = "gone" },
		"what stands on":     func(b *brief.Brief) { b.Mounts[0].Device = "gone" },
		"carry the load":     func(b *brief.Brief) { b.Mounts[0].Hold.Carry = nil },
		"point one way":      func(b *brief.Brief) { b.Mounts[0].Hold.Forward = b.Mounts[0].Hold.Up },
	} {
		b := truck("rough")
		b.Mounts[0].Part = "foot"
		j := footJoint(parts)
		j.Features, j.Mount = b.Mounts[0].Hold.Fasten, b.Mounts[0].ID
		b.Joints = []brief.Joint{j}
		change(&b)
		if told := Hold(b, parts).Joints[0]; told.Result != nil || !strings.Contains(told.Why, want) {
			t.Errorf("want %q, got %q", want, told.Why)
		}
	}
}

// 60 joints of a job proved anew, with their tools, as after a load changed.
func BenchmarkSixtyJoints(b *testing.B) {
	r := demo.PressFoot()
	built, err := made.Build(r, made.Options{})
	if err != nil {
		b.Fatal(err)
	}
	parts := []BuiltPart{{Part{ID: "foot", Name: "Press foot", Recipe: r}, built, nil}}
	brief := truck("rough")
	for i := range 60 {
		j := footJoint(parts)
		j.ID, j.Features, j.Mount = fmt.Sprint("j", i), brief.Mounts[0].Hold.Fasten, brief.Mounts[0].ID
		brief.Joints = append(brief.Joints, j)
	}
	brief.Mounts = brief.Mounts[:1]
	for b.Loop() {
		if h := Hold(brief, parts); h.Joints[59].Why != "" {
			b.Fatal(h.Joints[59].Why)
		}
	}
}
