package brief

import (
	"encoding/json"
	"slices"
	"testing"

	"warmanvil/core/joint"
)

const counted = `{"schema":2,"name":"Orchard truck","unit":"mm","grain":1,
	"devices":[{"id":"d","name":"Press","feet":[{"x":1,"y":1},{"x":2,"y":2},{"id":"f1","x":3,"y":3}]}],
	"mounts":[{"id":"m","part":"p","device":"d","feet":[0,2],"twinFeet":[1,9]}],
	"joints":[{"id":"j","name":"Feet","sides":[{"kind":"device","of":"d"},{},{"kind":"vehicle"}],
		"rubber":{"ply":1,"stiffness":100},"stands":[{"foot":3},{"foot":8},{"name":"typed"}],
		"design":{"plies":[{"name":"frame"},{"name":"pad"},{"name":"floor"}]}}]}`

// A brief of form 2 counted feet and plies: its links become ids, and what counted past
// the end is not turned into another foot.
func TestCountedLinksBecomeIDs(t *testing.T) {
	var was Brief
	if err := json.Unmarshal([]byte(counted), &was); err != nil {
		t.Fatal(err)
	}
	b := was.Upgraded()
	d, j := b.Devices[0], b.Joints[0]
	if want := []string{"f2", "f3", "f1"}; !slices.Equal(d.FootIDs(), want) {
		t.Errorf("feet are called %v", d.FootIDs())
	}
	if m := b.Mounts[0]; !slices.Equal(m.Feet, []Link{"f2", "f1"}) || !slices.Equal(m.TwinFeet, []Link{"f3", "#9"}) {
		t.Errorf("it carries %v, its twin %v", m.Feet, m.TwinFeet)
	}
	if got := []Link{j.Stands[0].Foot, j.Stands[1].Foot, j.Stands[2].Foot}; !slices.Equal(got, []Link{"f1", "#8", ""}) {
		t.Errorf("it stands at %v", got)
	}
	if j.Rubber.Ply != "p2" || !slices.Equal(PlyIDs(j.Design.Plies), []string{"p1", "p2", "p3"}) {
		t.Errorf("rubber is %s of %v", j.Rubber.Ply, PlyIDs(j.Design.Plies))
	}
	for k, s := range j.Sides {
		if s.ID != j.Design.Plies[k].ID {
			t.Errorf("side %d is said of %s", k, s.ID)
		}
	}
	if was.Devices[0].Feet[0].ID != "" || was.Joints[0].Design.Plies[0].ID != "" || was.Mounts[0].Feet[0] != "#0" {
		t.Error("the brief that was read has changed")
	}
	again, _ := json.Marshal(b)
	var back Brief
	if err := json.Unmarshal(again, &back); err != nil {
		t.Fatal(err)
	}
	if twice, _ := json.Marshal(back.Upgraded()); string(twice) != string(again) {
		t.Errorf("brought over twice it is\n%s\nnot\n%s", twice, again)
	}
}

// Whatever order feet and plies come in, links mean the same ones.
func TestLinksSurviveAnotherOrder(t *testing.T) {
	var b Brief
	if err := json.Unmarshal([]byte(counted), &b); err != nil {
		t.Fatal(err)
	}
	b = b.Upgraded()
	foot, _ := b.Devices[0].Foot(b.Mounts[0].Feet[0])
	at := b.Devices[0].Feet[foot]
	slices.Reverse(b.Devices[0].Feet)
	slices.Reverse(b.Joints[0].Design.Plies)
	b = b.Upgraded()
	if foot, ok := b.Devices[0].Foot(b.Mounts[0].Feet[0]); !ok || b.Devices[0].Feet[foot] != at {
		t.Errorf("it carries another foot: %+v, it was %+v", b.Devices[0].Feet[foot], at)
	}
	j := b.Joints[0]
	for k, want := range []SideKind{VehicleSide, "", DeviceSide} {
		if j.Sides[k].Kind != want || j.Sides[k].ID != j.Design.Plies[k].ID {
			t.Errorf("ply %s belongs to %q", j.Design.Plies[k].Name, j.Sides[k].Kind)
		}
	}
	j.Design.Plies = []joint.Ply{j.Design.Plies[0], {Name: "new"}, j.Design.Plies[2]}
	b.Joints[0] = j
	j = b.Upgraded().Joints[0]
	if j.Design.Plies[1].ID == "" || j.Sides[1].Kind != "" || j.Sides[2].Kind != DeviceSide || j.Rubber.Ply != "p2" {
		t.Errorf("%+v, rubber %s", j.Sides, j.Rubber.Ply)
	}
	if slices.Contains(PlyIDs(j.Design.Plies), "p2") {
		t.Error("a new ply took the name of the rubber that is gone")
	}
}
