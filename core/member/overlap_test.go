package member

import (
	"fmt"
	"strings"
	"testing"
)

// Two ends square at one point overlap; set back, mitred, butted, in one piece or
// in one line they do not.
func TestEndsThatOverlap(t *testing.T) {
	at := [][3]float64{{0, 0, 0}, {600, 0, 0}, {600, 500, 0}}
	for _, c := range []struct {
		what string
		set  func(d *Doc)
		want bool
	}{
		{"square", func(*Doc) {}, true},
		{"round", func(d *Doc) { d.Members[0].Section, d.Members[1].Section = pipe, pipe }, true},
		{"angle", func(d *Doc) { d.Members[0].Section, d.Members[1].Section = angle, angle }, true},
		{"set back", func(d *Doc) { d.Members[1].A.Back = 20; d.Members[0].B.Back = -20 }, false},
		{"set back too little", func(d *Doc) { d.Members[1].A.Back = 15 }, true},
		{"mitred", func(d *Doc) {
			d.Members[0].B, d.Members[1].A = End{Kind: Mitre, Onto: "m2"}, End{Kind: Mitre, Onto: "m1"}
		}, false},
		{"butted, the other flush", func(d *Doc) {
			d.Members[0].B, d.Members[1].A = End{Kind: Flush, Onto: "m2"}, End{Kind: Butt, Onto: "m1"}
		}, false},
		{"folded", func(d *Doc) { *d = bentAt(*d, Corner{Kind: Fold}, "p1") }, false},
		{"bent", func(d *Doc) { *d = bentAt(*d, Corner{Kind: Bent}, "p1") }, false},
		{"in one line", func(d *Doc) { d.Points[2].X, d.Points[2].Y = 1000, 0 }, false},
	} {
		d := path(box40, at...)
		c.set(&d)
		b := built(t, d)
		if got := strings.Contains(fmt.Sprint(b.Findings), "ends-overlap"); got != c.want {
			t.Errorf("%s: %v: %+v", c.what, got, b.Findings)
		}
	}
	// Many are told at once, once.
	d := path(box40, at...)
	d.Copies = []Copy{{ID: "c", Kind: "repeat", Step: [3]float64{0, 0, 300}, Times: 9}}
	n := 0
	for _, f := range built(t, d).Findings {
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
