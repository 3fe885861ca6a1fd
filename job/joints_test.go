package job

import (
	"context"
	"fmt"
	"testing"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
)

// A job brought from a file keeps its joints on their parts.
func TestJointsFollowTheirParts(t *testing.T) {
	kept := &taking{}
	n := 0
	s := &Service{Store: kept, NewID: func() string { n++; return fmt.Sprint("new", n) }, Now: func() time.Time { return time.Unix(0, 0) }}
	b := brief.Brief{Name: "Brought", Unit: brief.UnitMM, Grain: 1, Quantity: 1,
		Joints: []brief.Joint{{ID: "j", Part: "foot", Sides: []brief.Side{{Kind: brief.PartSide, Of: "foot"}, {}},
			Design: joint.Input{Plies: make([]joint.Ply, 2)}}}}
	f := File{Format: fileFormat, Version: 4, OldFile: OldFile{Brief: &b,
		Parts: []OldPart{{ID: "foot", Revisions: []OldRevision{{Number: 1, Name: "Foot", Quantity: 1, Recipe: demo.PressFoot()}}}}}}
	made, err := s.Import(context.Background(), f)
	if err != nil {
		t.Fatal(err)
	}
	j, id := made.Brief.Joints[0], kept.whole.Documents[1].ID
	if j.Part != id || j.Sides[0].Of != id || j.Sides[1].Of != "" || b.Joints[0].Part != "foot" {
		t.Errorf("%+v, the part is %s", j, id)
	}
}
