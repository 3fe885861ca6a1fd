package shape

import (
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/racks"
)

// Two ends square at one point overlap; set back, mitred, butted, in one piece or
// in one line they do not.
func TestEndsThatOverlap(t *testing.T) {
	at := [][3]float64{{0, 0, 0}, {600, 0, 0}, {600, 500, 0}}
	for _, c := range []struct {
		what string
		set  func(d *member.Doc)
		want bool
	}{
		{"square", func(*member.Doc) {}, true},
		{"round", func(d *member.Doc) { d.Members[0].Section, d.Members[1].Section = racks.Pipe, racks.Pipe }, true},
		{"angle", func(d *member.Doc) { d.Members[0].Section, d.Members[1].Section = racks.Angle, racks.Angle }, true},
		{"set back", func(d *member.Doc) { d.Members[1].A.Back = 20; d.Members[0].B.Back = -20 }, false},
		{"set back too little", func(d *member.Doc) { d.Members[1].A.Back = 15 }, true},
		{"mitred", func(d *member.Doc) {
			d.Members[0].B, d.Members[1].A = member.End{Kind: member.Mitre, Onto: "m2"}, member.End{Kind: member.Mitre, Onto: "m1"}
		}, false},
		{"butted, the other flush", func(d *member.Doc) {
			d.Members[0].B, d.Members[1].A = member.End{Kind: member.Flush, Onto: "m2"}, member.End{Kind: member.Butt, Onto: "m1"}
		}, false},
		{"folded", func(d *member.Doc) { *d = racks.BentAt(*d, member.Corner{Kind: member.Fold}, "p1") }, false},
		{"bent", func(d *member.Doc) { *d = racks.BentAt(*d, member.Corner{Kind: member.Bent}, "p1") }, false},
		{"in one line", func(d *member.Doc) { d.Points[2].X, d.Points[2].Y = 1000, 0 }, false},
	} {
		d := racks.Path(racks.Box40, at...)
		c.set(&d)
		b := Build(racks.Steel(t, d), nil)
		if got := strings.Contains(fmt.Sprint(b.Findings), "ends-overlap"); got != c.want {
			t.Errorf("%s: %v: %+v", c.what, got, b.Findings)
		}
	}
	// Many are told at once, once.
	d := racks.Path(racks.Box40, at...)
	d.Copies = []member.Copy{{ID: "c", Kind: "repeat", Step: [3]float64{0, 0, 300}, Times: 9}}
	n := 0
	for _, f := range Build(racks.Steel(t, d), nil).Findings {
		if f.Code == "ends-overlap" {
			n++
			if !strings.Contains(f.Reason, "6 more") {
				t.Error(f.Reason)
			}
		}
	}
	if n != 1 {
		t.Errorf("told %d times", n)
	}
}
