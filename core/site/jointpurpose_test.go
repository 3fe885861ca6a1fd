package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// toldJoint answers the first joint of the press's brief after a change.
func toldJoint(t *testing.T, change func(*brief.Joint)) BoltedTold {
	t.Helper()
	b := demo.OrchardTruck().Upgraded()
	j := brief.Joint{ID: "x", Name: "Cover", Design: joint.Input{System: "metric", Size: "M8", Grade: "8.8", Nut: joint.Hex, Washers: 2,
		Holes: [][2]float64{{0, 0}, {80, 0}}, Plies: []joint.Ply{
			{ID: "a", Name: "cover", Material: "steel-s235", Thickness: 3, Hole: 9, Edge: 20, Wide: [2]float64{120, 120}, Stiff: true},
			{ID: "b", Name: "rail", Material: "steel-s235", Thickness: 5, Hole: 9, Edge: 20, Wide: [2]float64{120, 120}, Stiff: true}},
		Tighten: joint.Tightening{Lubrication: "oiled", Locking: "plastic"},
		Cases:   []joint.Case{{Name: "pull", Force: [3]float64{900, 0, 0}}}}}
	change(&j)
	b.Joints = []brief.Joint{j}
	h := Site{Brief: b}.Hold()
	if len(h.Joints) != 1 || h.Joints[0].Result == nil {
		t.Fatalf("%+v", h.Joints)
	}
	if j.Note != "" || j.Swapped != "" {
		notes := ""
		for _, l := range h.Hardware {
			notes += strings.Join(l.Notes, "; ")
		}
		if !strings.Contains(notes, strings.TrimSpace(j.Note+j.Swapped)) {
			t.Errorf("the list of hardware does not say it: %q", notes)
		}
	}
	return h.Joints[0]
}

// What is said only to place, still or close and yet carries is named; what carries little or
// is said to carry is not. Hardware put in instead keeps the joint from holding.
func TestPurposeOfAJoint(t *testing.T) {
	has := func(j BoltedTold, code string) bool {
		for _, f := range j.Result.Findings {
			if f.Code == code && f.Severity == working.Mind {
				return true
			}
		}
		return false
	}
	carries := toldJoint(t, func(*brief.Joint) {})
	if carries.Result.Making == nil {
		t.Error("where nothing is said of its making there is no list, which a page cannot read")
	}
	if carries.Result.Verdict != strength.Holds || has(carries, "purpose") {
		t.Fatalf("%s %+v", carries.Result.Verdict, carries.Result.Findings)
	}
	for _, p := range []brief.Purpose{brief.Places, brief.Stills, brief.Closes} {
		if !has(toldJoint(t, func(j *brief.Joint) { j.Purpose = p }), "purpose") {
			t.Errorf("%s, and what it carries is not named", p)
		}
		if has(toldJoint(t, func(j *brief.Joint) { j.Purpose, j.Design.Cases[0].Force[0] = p, 5 }), "purpose") {
			t.Errorf("%s, and a rattle counts as carrying", p)
		}
	}
	noted := toldJoint(t, func(j *brief.Joint) { j.Note = "long ones lie at the back" })
	if noted.Result.Verdict != strength.Holds {
		t.Errorf("a note: %s", noted.Result.Verdict)
	}
	other := toldJoint(t, func(j *brief.Joint) { j.Swapped = "4.6 bolts, said Tovi" })
	if other.Result.Verdict != strength.CannotSay || other.Result.Checks[0].Key != "swapped" {
		t.Errorf("%s %+v", other.Result.Verdict, other.Result.Checks[0])
	}
	over := toldJoint(t, func(j *brief.Joint) { j.Swapped, j.Design.Cases[0].Force[0] = "4.6 bolts", 4e5 })
	if over.Result.Verdict != strength.Over {
		t.Errorf("over and swapped: %s", over.Result.Verdict)
	}
	if err := (brief.Brief{Joints: []brief.Joint{{Purpose: "pretty"}}}).CheckJoints(); err == nil {
		t.Error("a purpose nobody knows is kept")
	}
}

// Before a member is drilled it is clamped straight, and behind a wall of the vehicle that is
// drilled goes a board; what is there already needs neither.
func TestBeforeDrilling(t *testing.T) {
	making := func(kind string, placed hole.Placing) string {
		return strings.Join(toldJoint(t, func(j *brief.Joint) {
			j.Design.Plies[0].Placed, j.Design.Plies[1].Placed = hole.ByTable, placed
			j.Sides = []brief.Side{{ID: "a"}, {ID: "b", Kind: brief.SideKind(kind)}}
		}).Result.Making, " ")
	}
	var r joint.Result
	in := joint.Input{Plies: []joint.Ply{{Name: "plate"}, {Name: "leg", Placed: hole.ByMate}, {Name: "post", Placed: hole.ByTable}}}
	(&site{}).prepare(brief.Joint{Sides: []brief.Side{{}, {Kind: brief.MemberSide}, {Kind: brief.MemberSide}}}, in, &r)
	if len(r.Making) != 1 || !strings.HasPrefix(r.Making[0], "Clamp leg straight before it is drilled") {
		t.Error(r.Making)
	}
	if got := making(string(brief.VehicleSide), hole.ByTape); !strings.Contains(got, "clamp a board behind it") {
		t.Error(got)
	}
	if got := making(string(brief.VehicleSide), hole.BySurvey); strings.Contains(got, "board") {
		t.Errorf("holes that are there: %s", got)
	}
}
