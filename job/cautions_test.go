package job

import (
	"strings"
	"testing"

	"warmanvil/core/hold"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
)

// Cautions come from what is there: one bolt, a trailer, a device nothing holds, open
// ends and bolt ends where people are; the press truck of the demo, sound, has none of
// the last.
func TestCautionsFromWhatIsThere(t *testing.T) {
	tube := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	frame := BarePart{ID: "f", Name: "Rack", Frame: &member.Doc{Points: []member.Point{{ID: "a"}, {ID: "b", X: 500}, {ID: "c", X: 500, Y: 300}},
		Members: []member.Member{{ID: "m", From: "a", To: "b", Section: tube}, {ID: "n", From: "b", To: "c", Section: tube}}, Plates: []member.Plate{{ID: "p", Member: "m", End: "a", Kind: "cap"}}}}
	s := Site{Brief: Brief{Unit: UnitMM, Criticality: People, Card: Card{Trailer: true}, Devices: []Device{{ID: "d", Name: "Generator", Mass: given(80, Measured)}},
		Joints: []Joint{{ID: "j", Name: "Foot"}}}, Frames: []BarePart{frame}}
	codes := func(s Site, joints []BoltedTold) string {
		var out []string
		for _, f := range s.cautions(joints) {
			out = append(out, f.Code)
		}
		return strings.Join(out, " ")
	}
	if got, want := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}}}}), "one-bolt coupling-undone tie-down sharp-ends sharp-plates bolt-ends"; got != want {
		t.Errorf("%q, want %q", got, want)
	}
	if n := openEnds(*frame.Frame); n != 1 {
		t.Errorf("%d ends are open", n)
	}
	s.Brief.Criticality, s.Brief.Card.Trailer = LoadLost, false
	s.Brief.Joints[0].Sides = []Side{{Kind: DeviceSide, Of: "d"}}
	if got := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}, {10, 0}}}}); got != "" {
		t.Errorf("two bolts that hold the device, nobody near: %q", got)
	}
	s.Brief.Joints[0].Design = joint.Input{Meets: []joint.Meeting{joint.Coupling}}
	if got := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}, {10, 0}}}}); got != "coupling-undone" {
		t.Errorf("a coupling's bolts: %q", got)
	}
	for n, want := range map[int]string{1: "one-bolt", 2: ""} {
		p := BuiltPart{BarePart: BarePart{ID: "p"}}
		for range n {
			p.Built.Holes = append(p.Built.Holes, sheet.HoleMade{Feature: "h"})
		}
		one := Site{Parts: []BuiltPart{p}, Brief: Brief{Mounts: []Mount{{Name: "Bracket", Part: "p", Hold: hold.Mount{Fasten: []string{"h"}}}}}}
		if got := codes(one, nil); got != want {
			t.Errorf("a bracket on %d bolts: %q, want %q", n, got, want)
		}
	}
}
