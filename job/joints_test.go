package job

import (
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
)

// A job brought from a file keeps its joints on their parts.
func TestJointsFollowTheirParts(t *testing.T) {
	s, kept := remembering()
	b := brief.Brief{Name: "Brought", Unit: brief.UnitMM, Grain: 1, Quantity: 1,
		Joints: []brief.Joint{{ID: "j", Part: "foot", Sides: []brief.Side{{Kind: brief.PartSide, Of: "foot"}, {}},
			Design: joint.Input{Plies: make([]joint.Ply, 2)}}}}
	f := File{Format: fileFormat, Version: 4, OldFile: OldFile{Brief: &b,
		Parts: []OldPart{{ID: "foot", Revisions: []OldRevision{{Number: 1, Name: "Foot", Quantity: 1, Recipe: demo.PressFoot()}}}}}}
	made, err := bring(s, written(t, f))
	if err != nil {
		t.Fatal(err)
	}
	j, id := made.Brief.Joints[0], kept.order[1]
	if j.Part != id || j.Sides[0].Of != id || j.Sides[1].Of != "" || b.Joints[0].Part != "foot" {
		t.Errorf("%+v, the part is %s", j, id)
	}
}
