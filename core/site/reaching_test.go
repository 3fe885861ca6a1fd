package site

import (
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/vehicle"
)

// Whatever of a thing its numbers run to, and from whichever point they count: with what it is
// told to lie at there it stands where it stood, turned as it is; and typed by hand that end
// lies just there.
func TestPlacedByItsFaces(t *testing.T) {
	rng := rand.New(rand.NewPCG(6, 6))
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1}
	points := []vehicle.SurveyPoint{{ID: "p", Name: "Corner", Kind: "edge", Way: vehicle.ByOffsets, X: demo.Taped(-1200),
		Y: demo.Taped(430),
		Z: demo.Taped(85)}}
	ends := []vehicle.End{"", vehicle.LowEnd, vehicle.MiddleEnd, vehicle.HighEnd}
	from := []string{"", "p"}
	of := func(l Lies, e vehicle.End) float64 {
		return map[vehicle.End]float64{"": l.Origin, vehicle.LowEnd: l.Low, vehicle.MiddleEnd: l.Middle, vehicle.HighEnd: l.High}[e]
	}
	for range 200 {
		box := vehicle.Placed{ID: "b", Name: "Box", Size: &brief.Box{Length: 50 + 500*rng.Float64(), Width: 50 + 300*rng.Float64(),
			Height: 20 + 200*rng.Float64()}, At: [3]float64{rng.Float64() * 900, rng.Float64()*800 - 400, rng.Float64() * 300},
			Yaw: rng.Float64()*360 - 180, Pitch: rng.Float64()*40 - 20, Roll: rng.Float64()*40 - 20}
		s := vehicle.Survey{Points: points, Placed: []vehicle.Placed{box}}
		was := WorkSurvey(s, b, nil)
		moved := box
		moved.From = from[rng.IntN(2)]
		pick := [3]vehicle.End{ends[rng.IntN(4)], ends[rng.IntN(4)], ends[rng.IntN(4)]}
		moved.To = vehicle.Reached{X: pick[0], Y: pick[1], Z: pick[2]}
		base := [3]float64{}
		if moved.From == "p" {
			base = [3]float64{-1200, 430, 85}
		}
		for k := range 3 {
			moved.At[k] = of(was.Placed[0].Lies[k], pick[k]) - base[k]
		}
		s.Placed = []vehicle.Placed{moved}
		now := WorkSurvey(s, b, nil)
		for k := range 3 {
			near(t, "low end", now.Placed[0].Lies[k].Low+base[k], was.Placed[0].Lies[k].Low, 1e-6)
			near(t, "high end", now.Placed[0].Lies[k].High+base[k], was.Placed[0].Lies[k].High, 1e-6)
			near(t, "the end typed", of(now.Placed[0].Lies[k], pick[k]), moved.At[k], 1e-6)
		}
		if moved.From == "p" && now.Placed[0].Within == "" {
			t.Error("it is known better than the point it counts from")
		}
	}
	gone := vehicle.Survey{Placed: []vehicle.Placed{{ID: "b", Size: &brief.Box{Length: 1, Width: 1, Height: 1}, From: "gone"}}}
	if w := WorkSurvey(gone, b, nil).Placed[0]; w.Why == "" || len(w.Lies) != 0 {
		t.Errorf("it stands somewhere: %+v", w)
	}
	gone.Placed[0].To.Y = "left"
	if gone.Check() == nil {
		t.Error("an end nobody knows is kept")
	}
}

// How far a thing reaches past what holds it is said by way, and a long arm of it is.
func TestOverhang(t *testing.T) {
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Devices: []brief.Device{{ID: "d", Name: "Winch", Envelope: &brief.Box{Length: 900,
		Width: 200, Height: 100},
		Feet: []brief.Foot{{ID: "f1", X: -400, Y: 60}, {ID: "f2", X: -150, Y: 60}, {ID: "f3", X: -400, Y: -60}}}}}
	at := func(id string, x, y float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "hole", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(0)}
	}
	s := vehicle.Survey{Points: []vehicle.SurveyPoint{at("p1", -400, 60), at("p2", -150, 60), at("p3", -400, -60)},
		Placed: []vehicle.Placed{{ID: "w", Name: "Winch", Device: "d", Facing: brief.FaceUp,
			Mates: []vehicle.MatePair{{Hole: "foot-1", Point: "p1"}, {Hole: "foot-2", Point: "p2"}, {Hole: "foot-3", Point: "p3"}}}}}
	w := WorkSurvey(s, b, nil).Placed[0]
	if w.Why != "" || len(w.Past) != 2 || !strings.HasPrefix(w.Past[0], "600.0 mm ahead and 50.0 mm to the rear") ||
		!strings.HasPrefix(w.Past[1], "40.0 mm to the left and 40.0 mm to the right") {
		t.Fatalf("%q %+v", w.Why, w.Past)
	}
	if len(w.Findings) != 1 || w.Findings[0].Code != "overhang" || !strings.Contains(w.Findings[0].Reason,
		"600.0 mm ahead past what holds it, which is 250.0 mm apart") {
		t.Errorf("%+v", w.Findings)
	}
}
