package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/strength"
)

// What all joints take is summed: a joint at four feet four times, in a job made
// twice eight times; of one name one line.
func TestHardwareOfAJob(t *testing.T) {
	b, parts := pressed(t)
	b.Quantity = 2
	h := Hold(b, parts)
	washers := 0
	for _, l := range h.Hardware {
		if strings.HasPrefix(l.Name, "washer M12") {
			washers += l.Count
			if len(l.Joints) != 2 {
				t.Errorf("%+v", l)
			}
		}
	}
	if washers != 2*2*2*4*2 { // bolts of a joint, washers of a bolt, joints, feet, jobs
		t.Errorf("%d washers in %+v", washers, h.Hardware)
	}
	if len(h.OneSize) != 0 {
		t.Errorf("one size already: %+v", h.OneSize)
	}
}

// The size of most bolts is offered where it holds and goes through the holes, and
// nowhere else.
func TestOneSizeWhereItHolds(t *testing.T) {
	b, parts := pressed(t)
	small := b.Joints[1]
	small.ID, small.Name, small.Stands, small.Path = "small", "Cover", nil, false
	small.Design.Size, small.Design.Cases = "M10", []joint.Case{{Name: "pull", Force: [3]float64{500, 0, 0}}}
	b.Joints = append(b.Joints, small)
	h := Hold(b, parts)
	if len(h.OneSize) != 1 || h.OneSize[0].Joint != "small" || h.OneSize[0].Size != "M12" || h.OneSize[0].Hardest == nil {
		t.Fatalf("%+v, the joints %+v", h.OneSize, h.Joints[2].Why)
	}
	b.Joints[2].Design.Plies[1].Hole = 11 // M12 does not go through
	if h := Hold(b, parts); len(h.OneSize) != 0 {
		t.Errorf("%+v", h.OneSize)
	}
}

// Bolts are taken from the shop's bins first.
func TestBinsFirst(t *testing.T) {
	b, parts := pressed(t)
	plain := *Hold(b, parts).Joints[1].Result.Grip.Length
	b.Bins = []brief.Bin{{System: "metric", Size: "M12", Lengths: []float64{plain + 5}},
		{System: "metric", Size: "M8", Lengths: []float64{30}}}
	if got := *Hold(b, parts).Joints[1].Result.Grip.Length; got != plain+5 {
		t.Errorf("%g mm, in the bin are %g", got, plain+5)
	}
	b.Bins[0].Lengths[0] = -1
	if err := b.Numbers(); err == nil {
		t.Error("a bolt of −1 mm is kept")
	}
}

// The press on rubber under its feet sinks by what it weighs, and its bolts are that
// much shorter.
func TestIsolatorsInAJoint(t *testing.T) {
	b, parts := pressed(t)
	j := &b.Joints[1]
	j.Design.Plies = []joint.Ply{j.Design.Plies[0], {Name: "rubber", Thickness: 20, Sleeved: true}, j.Design.Plies[1]}
	j.Sides = []brief.Side{j.Sides[0], {}, j.Sides[1]}
	j.Design.Plies[1].ID = "pad"
	j.Rubber = &brief.Rubber{Ply: "pad", Stiffness: 100, Pressed: 1}
	told := Hold(b, parts).Joints[1]
	if told.Why != "" || told.Rubber == nil || told.Rubber.Result == nil {
		t.Fatalf("%q %+v", told.Why, told.Rubber)
	}
	// 100 kg and four feet on eight of 100 N/mm.
	sinks := (100 + 4*parts[0].Built.Mass) * load.G / 8 / 100
	if got := told.Rubber.Result.Static; math.Abs(got-sinks) > 1e-6 {
		t.Errorf("sinks %.4f, by hand %.4f", got, sinks)
	}
	if got := told.Plies[1].Squash; math.Abs(got-sinks-1) > 1e-6 {
		t.Errorf("pressed %.4f", got)
	}
	if told.Result.Verdict == strength.Over {
		t.Errorf("%+v", told.Result.Checks)
	}
	b.Joints[1].Rubber.Ply = "gone"
	if told := Hold(b, parts).Joints[1]; told.Rubber.Why == "" {
		t.Error("no word of the ply that is gone")
	}
	b.Joints[1].Rubber.Ply, b.Joints[1].Path, b.Joints[1].Design.Cases = "pad", false, []joint.Case{{Force: [3]float64{100, 0, 0}}}
	if told := Hold(b, parts).Joints[1]; !strings.Contains(told.Rubber.Why, "not known") {
		t.Errorf("%+v", told.Rubber)
	}
}
