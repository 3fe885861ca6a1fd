package made_test

import (
	"errors"
	"math"
	"slices"
	"testing"

	"warmanvil/core/develop"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func roundOf(f develop.Form, holes ...sheet.Hole) sheet.Recipe {
	r := plates.Shaped(0, 0, sheet.Shape{Kind: sheet.Developed, Round: &f})
	r.Thickness, r.Grain, r.Base.Holes = 2, sheet.GrainUnknown, holes
	return r
}

func pipeOf(way develop.Way) develop.Form {
	f := develop.Form{Kind: develop.ConeForm, Face: develop.OutsideFace, Way: way,
		Cone: &develop.ConeInput{Bottom: 200, Top: 200, Height: 150, Seam: 180}}
	if way == develop.Pressed {
		f.Depth, f.Radius = .5, 2
	}
	return f
}

func aroundHole(id string, d, around, up float64) sheet.Hole {
	return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: sheet.Offset{Edge: sheet.Around, Distance: around},
		Y: sheet.Offset{Edge: sheet.Up, Distance: up}}
}

// By hand: a pipe of 200 outside, 2 thick: 198π round; 450 g or so of steel per the plate's area. A hole
// at 90° and 40 up, its seam at 180°: three quarters round the flat; on the body it is at y = 99.
func TestAPipeIsAPart(t *testing.T) {
	r := roundOf(pipeOf(develop.Rolled), aroundHole("h", 12, 90, 40))
	p := plates.Build(t, r)
	x, y := p.Bounds.Size()
	if math.Abs(x-198*math.Pi) > .01 || math.Abs(y-150) > 1e-9 || !p.Whole {
		t.Errorf("blank %g × %g", x, y)
	}
	h := p.Holes[0]
	if math.Abs(h.Centre.X-198*math.Pi*.75) > .01 || math.Abs(h.Centre.Y-40) > 1e-6 {
		t.Errorf("the hole lies at %v on the flat", h.Centre)
	}
	if h.Body.Sub(solid.Vector{0, 99, 40}).Len() > 1e-3 || h.Normal.Sub(solid.Vector{0, 1, 0}).Len() > 1e-2 {
		t.Errorf("on the body at %v, facing %v", h.Body, h.Normal)
	}
	if h.On == nil || math.Abs(h.On.Around-90) > .01 || math.Abs(h.On.Up-40) > 1e-3 {
		t.Errorf("said to be at %+v", h.On)
	}
	size := p.Body.Max.Sub(p.Body.Min)
	if math.Abs(size[0]-200) > .3 || math.Abs(size[1]-200) > .3 || math.Abs(size[2]-150) > 1e-9 {
		t.Errorf("rolled it is %v", size)
	}
	if stops := plates.Stops(p); len(stops) > 0 {
		t.Errorf("stops %v", stops)
	}
	if !slices.Contains(p.Welded(r), "its seam, end to end") {
		t.Error("its seam is not welded")
	}
}

// The body with its holes weighs what the blank does, but for the chords, and is drawn where it stands;
// other hands are mirror images of it: holes and all.
func TestRoundBodies(t *testing.T) {
	funnel := develop.Form{Kind: develop.TransitionForm, Face: develop.MiddleFace, Way: develop.Pressed, Radius: 2,
		Transition: &develop.TransitionInput{Below: &develop.OutlineForm{Long: 300, Wide: 200}, Above: &develop.OutlineForm{Round: 120},
			Height: 180, Offset: &[2]float64{40, 10}}}
	slot := aroundHole("s", 14, 20, 60)
	slot.Kind, slot.Length, slot.Angle = sheet.SlotHole, 40, 30
	four := aroundHole("f", 10, 10, 120)
	four.Pattern = &sheet.Pattern{Kind: sheet.AroundPattern, Count: 4}
	key := aroundHole("k", 20, -60, 70)
	key.Kind, key.Narrow, key.Length = sheet.KeyholeHole, 8, 40
	for name, f := range map[string]develop.Form{"pipe": pipeOf(develop.Rolled), "pressed": pipeOf(develop.Pressed), "funnel": funnel} {
		r := roundOf(f, slot, four, key)
		p := bodied(t, r)
		if len(p.Holes) != 6 {
			t.Fatalf("%s: %d holes", name, len(p.Holes))
		}
		if v, want := p.Body.Solid().Volume(), p.Area*2; math.Abs(v-want) > .012*want {
			t.Errorf("%s: the body is %.0f mm³, the blank %.0f", name, v, want)
		}
		twin := bodied(t, r.Mirror())
		if math.Abs(twin.Area-p.Area) > 1e-6*p.Area {
			t.Errorf("%s: its twin is of another size", name)
		}
		if math.Abs(twin.Body.Min[0]+p.Body.Max[0]) > 1e-6 || math.Abs(twin.Body.Min[1]-p.Body.Min[1]) > 1e-6 {
			t.Errorf("%s: %v to %v, its twin %v to %v", name, p.Body.Min, p.Body.Max, twin.Body.Min, twin.Body.Max)
		}
		for i, h := range p.Holes {
			w := twin.Holes[i]
			if want := (solid.Vector{-h.Body[0], h.Body[1], h.Body[2]}); w.Body.Sub(want).Len() > 1e-6 {
				t.Errorf("%s: hole %s at %v, its twin's at %v", name, h.ID, h.Body, w.Body)
			}
			if want := (solid.Vector{-h.Normal[0], h.Normal[1], h.Normal[2]}); w.Normal.Sub(want).Len() > 1e-6 {
				t.Errorf("%s: hole %s faces %v, its twin's %v", name, h.ID, h.Normal, w.Normal)
			}
		}
		if back := plates.Build(t, r.Mirror().Mirror()); back.State(r) != p.State(r) {
			t.Errorf("%s: mirrored twice it is another part", name)
		}
	}
}

func bodied(t *testing.T, r sheet.Recipe) made.Part {
	t.Helper()
	opt := plates.Metric
	opt.Body = true
	p, err := made.Build(r, opt)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// What a round is flagged for.
func TestRoundFlags(t *testing.T) {
	tight := pipeOf(develop.Rolled)
	tight.Cone.Bottom, tight.Cone.Top = 14, 14
	point := pipeOf(develop.Rolled)
	point.Cone.Top = 0
	lapped := pipeOf(develop.Rolled)
	lapped.Cone.Lap = 30
	inLap := roundOf(lapped)
	inLap.Base.Holes = []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 8, X: sheet.Offset{Edge: sheet.Right, Distance: 15},
		Y: sheet.Offset{Edge: sheet.Front, Distance: 50}}}
	arch := develop.Form{Kind: develop.BandForm, Face: develop.InsideFace, Way: develop.Rolled, Band: &develop.Band{Width: 200,
		Wheel: &develop.ArchInput{Tyre: 600, Width: 200, Up: 80, Gap: 30}}}
	pressed := roundOf(pipeOf(develop.Pressed), aroundHole("h", 40, 0, 60))
	for code, r := range map[string]sheet.Recipe{"round-stretch": roundOf(tight), "round-point": roundOf(point), "hole-off-round": inLap,
		"arch-narrow": roundOf(arch), "arch-try": roundOf(arch), "hole-press-line": pressed, "round-ends": roundOf(pipeOf(develop.Rolled)),
		"hole-oval":    roundOf(tightPipe(40), aroundHole("h", 20, 0, 60)),
		"hole-nowhere": roundOf(pipeOf(develop.Rolled), aroundHole("h", 8, 0, 500))} {
		p := plates.Build(t, r)
		if _, said := plates.Codes(p)[code]; !said {
			t.Errorf("%s is not said: %v", code, plates.Codes(p))
		}
	}
	for at, r := range map[string]sheet.Recipe{"/base/flanges/0": flanged(), "/base/shape/round/kind": roundOf(develop.Form{Kind: "dome"}),
		"/base/edges/0": notched()} {
		var fault *working.Fault
		if _, err := made.Build(r, plates.Metric); !errors.As(err, &fault) || fault.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

func tightPipe(d float64) develop.Form {
	f := pipeOf(develop.Rolled)
	f.Cone.Bottom, f.Cone.Top = d, d
	return f
}

func flanged() sheet.Recipe {
	r := roundOf(pipeOf(develop.Rolled))
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Left, 20, 90)}
	return r
}

func notched() sheet.Recipe {
	r := roundOf(pipeOf(develop.Rolled))
	r.Base.Edges = []sheet.EdgeCut{{ID: "n", Kind: sheet.Notch, Edge: sheet.Front, At: 40, Width: 10, Depth: 10}}
	return r
}

// A mock-up of board is creased sharp, glued on a tab and has nothing for the rolls; a round is neither
// parted across its flat nor cut with its inside up.
func TestRoundsAsMockupsAndParted(t *testing.T) {
	f := pipeOf(develop.Rolled)
	f.Pinch = 30
	r := roundOf(f)
	board := plates.Build(t, r.Mockup(1))
	x, _ := board.Bounds.Size()
	if math.Abs(x-199*math.Pi-15) > .02 || len(board.Round.Trims) != 0 || board.Round.Lap == nil {
		t.Errorf("of board it is %g wide", x)
	}
	if r.Base.Shape.Round.Pinch != 30 || r.Base.Shape.Round.Cone.Lap != 0 {
		t.Error("the mock-up changed the part")
	}
	var fault *working.Fault
	r.Seen = sheet.BackFace
	if err := r.Validate(); !errors.As(err, &fault) || fault.Path != "/seen" {
		t.Errorf("inside up: %v", err)
	}
}

// The part of a square to round of 356 press lines, with its body and a hole.
func BenchmarkBuildRound(b *testing.B) {
	r := roundOf(develop.Form{Kind: develop.TransitionForm, Face: develop.OutsideFace, Way: develop.Pressed, Radius: 2,
		Transition: &develop.TransitionInput{Below: &develop.OutlineForm{Long: 300, Wide: 300},
			Above: &develop.OutlineForm{Round: 160, Sides: 88}, Height: 220}}, aroundHole("h", 20, 10, 60))
	opt := plates.Metric
	opt.Body = true
	for b.Loop() {
		if p, err := made.Build(r, opt); err != nil || len(p.Round.Lines) < 350 {
			b.Fatal(err)
		}
	}
}
