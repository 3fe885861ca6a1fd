package site

import (
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/hold"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/sheet/made"
)

// Cautions come from what is there: one bolt, a trailer, a device nothing holds, open
// ends and bolt ends where people are; the press truck of the demo, sound, has none of
// the last.
func TestCautionsFromWhatIsThere(t *testing.T) {
	tube := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	frame := Frame{ID: "f", Name: "Rack", Doc: member.Doc{Points: []member.Point{{ID: "a"}, {ID: "b", X: 500}, {ID: "c", X: 500, Y: 300}},
		Members: []member.Member{{ID: "m", From: "a", To: "b", Section: tube}, {ID: "n", From: "b", To: "c", Section: tube}},
		Plates:  []member.Plate{{ID: "p", Member: "m", End: "a", Kind: "cap"}}}}
	s := Site{Brief: brief.Brief{Unit: brief.UnitMM, Criticality: brief.People, Card: brief.Card{Trailer: true},
		Devices: []brief.Device{{ID: "d", Name: "Generator", Mass: demo.Given(80, brief.Measured)}},
		Joints:  []brief.Joint{{ID: "j", Name: "Foot"}}}, Frames: []Frame{frame}}
	codes := func(s Site, joints []BoltedTold) string {
		var out []string
		for _, f := range s.cautions(joints) {
			out = append(out, f.Code)
		}
		return strings.Join(out, " ")
	}
	if got, want := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}}}}),
		"one-bolt coupling-undone tie-down sharp-ends sharp-plates bolt-ends"; got != want {
		t.Errorf("%q, want %q", got, want)
	}
	if n := openEnds(frame.Doc); n != 1 {
		t.Errorf("%d ends are open", n)
	}
	s.Brief.Criticality, s.Brief.Card.Trailer = brief.LoadLost, false
	s.Brief.Joints[0].Sides = []brief.Side{{Kind: brief.DeviceSide, Of: "d"}}
	if got := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}, {10, 0}}}}); got != "" {
		t.Errorf("two bolts that hold the device, nobody near: %q", got)
	}
	s.Brief.Joints[0].Design = joint.Input{Meets: []joint.Meeting{joint.Coupling}}
	if got := codes(s, []BoltedTold{{Name: "Foot", Holes: [][2]float64{{}, {10, 0}}}}); got != "coupling-undone" {
		t.Errorf("a coupling's bolts: %q", got)
	}
	for n, want := range map[int]string{1: "one-bolt", 2: ""} {
		p := BuiltPart{Part: Part{ID: "p"}}
		for range n {
			p.Built.Holes = append(p.Built.Holes, made.HoleMade{Feature: "h"})
		}
		one := Site{Parts: []BuiltPart{p}, Brief: brief.Brief{Mounts: []brief.Mount{{Name: "Bracket", Part: "p",
			Hold: hold.Mount{Fasten: []string{"h"}}}}}}
		if got := codes(one, nil); got != want {
			t.Errorf("a bracket on %d bolts: %q, want %q", n, got, want)
		}
	}
}

// A frame held stiffly in four places or more, copies counted, is to be shimmed; on
// three, or on rubber, it finds its own way. Two bodies in one frame count each for itself.
func TestUnevenPlaces(t *testing.T) {
	for _, c := range []struct {
		starter string
		soft    int // how many of its places are rubber
		want    bool
	}{{"legs", 0, true}, {"rack", 0, true}, {"rack", 1, false}, {"hoop", 0, false}, {"outriggers", 0, false}} {
		values := map[string]float64{}
		d, err := starters.Start(c.starter, values, section.Table()[0], "steel-s235", func() func() string {
			n := 0
			return func() string { n++; return fmt.Sprint("i", n) }
		}())
		if err != nil {
			t.Fatal(c.starter, err)
		}
		for i := range c.soft {
			d.Supports[i].Kind, d.Supports[i].Soft = "rubber", [3]float64{200, 200, 200}
		}
		got := strings.Join(WorkFrame(d, 1, brief.Brief{Unit: brief.UnitMM}.Upgraded(), nil).Cautions, " ")
		if strings.Contains(got, "Shim until none rocks") != c.want {
			t.Errorf("%s with %d of %d on rubber: %s", c.starter, c.soft, len(d.Supports), got)
		}
	}
}
