package tube

import (
	"math"
	"math/rand/v2"
	"testing"
)

func TestBendByHand(t *testing.T) {
	r, err := Bend(BendInput{Outside: 25, Wall: 2, Legs: []float64{300, 400}, Bends: []Turn{{Radius: 75, Angle: 90}},
		Strip: &Released{Bent: 93, Stayed: 90}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "developed", r.Developed, 225+325+75*math.Pi/2, 1e-9)
	near(t, "start", r.Marks[0].Start, 225, 1e-9)
	near(t, "end", r.Marks[0].End, 225+75*math.Pi/2, 1e-9)
	near(t, "aim", r.Marks[0].Aim, 93, 1e-9)
	near(t, "far end, along", r.Points[2][0], 300, 1e-9)
	near(t, "far end, beside", r.Points[2][1], 400, 1e-9)
	if len(r.Findings) != 0 {
		t.Errorf("%+v", r.Findings)
	}
	// A hoop: two right angles in one plane bring it back.
	r, _ = Bend(BendInput{Outside: 12, Legs: []float64{500, 300, 500}, Bends: []Turn{{Radius: 40, Angle: 90}, {Radius: 40, Angle: 90}}})
	near(t, "hoop, along", r.Points[3][0], 0, 1e-9)
	near(t, "hoop, beside", r.Points[3][1], 300, 1e-9)
	// Turned by a right angle between them, the last leg leaves the plane.
	r, _ = Bend(BendInput{Outside: 12, Legs: []float64{500, 300, 500},
		Bends: []Turn{{Radius: 40, Angle: 90}, {Radius: 40, Angle: 90, Rotation: 90}}})
	near(t, "out of the plane", math.Abs(r.Points[3][2]), 500, 1e-9)
	tight, _ := Bend(BendInput{Outside: 40, Wall: 1.5, Legs: []float64{300, 90, 300},
		Bends: []Turn{{Radius: 60, Angle: 60}, {Radius: 60, Angle: 60}}})
	codes := map[string]bool{}
	for _, f := range tight.Findings {
		codes[f.Code] = true
	}
	if !codes["tight"] || !codes["grip"] || !codes["no-trial"] {
		t.Errorf("%+v", tight.Findings)
	}
	for _, in := range []BendInput{{}, {Outside: 20, Legs: []float64{30, 300}, Bends: []Turn{{Radius: 60, Angle: 90}}},
		{Outside: 20, Legs: []float64{300}, Bends: []Turn{{Radius: 60, Angle: 90}}},
		{Outside: 20, Legs: []float64{300, 300}, Bends: []Turn{{Radius: 5, Angle: 90}}},
		{Outside: 20, Legs: []float64{300, 300}, Bends: []Turn{{Radius: 60, Angle: 175}}},
		{Outside: 20, Legs: []float64{300, 300}, Bends: []Turn{{Radius: 60, Angle: 90}}, Strip: &Released{80, 90}}} {
		if _, err := Bend(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

// The apexes stand as far apart as the legs are long and turn by the bends; the
// marks follow each other and end with the developed length.
func TestBendsKeepLegsAndAngles(t *testing.T) {
	rnd := rand.New(rand.NewPCG(241, 242))
	for range 200 {
		in := BendInput{Outside: 20, Wall: 2, Legs: []float64{200 + 300*rnd.Float64()}}
		for range 1 + rnd.IntN(5) {
			in.Bends = append(in.Bends, Turn{40 + 40*rnd.Float64(), 10 + 80*rnd.Float64(), 360*rnd.Float64() - 180})
			in.Legs = append(in.Legs, 200+300*rnd.Float64())
		}
		r, err := Bend(in)
		if err != nil {
			t.Fatal(err)
		}
		sub := func(a, b [3]float64) [3]float64 { return [3]float64{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }
		dot := func(a, b [3]float64) float64 { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }
		for i, leg := range in.Legs {
			d := sub(r.Points[i+1], r.Points[i])
			near(t, "leg", math.Sqrt(dot(d, d)), leg, 1e-6)
			if i > 0 {
				e := sub(r.Points[i], r.Points[i-1])
				near(t, "turned", math.Acos(dot(d, e)/leg/in.Legs[i-1])*180/math.Pi, in.Bends[i-1].Angle, 1e-5)
			}
		}
		at := 0.0
		for i, m := range r.Marks {
			near(t, "straight before", m.Start-at, m.Straight, 1e-9)
			near(t, "arc", m.End-m.Start, in.Bends[i].Radius*in.Bends[i].Angle*math.Pi/180, 1e-9)
			at = m.End
		}
		if r.Developed < at {
			t.Errorf("developed %.1f ends before the last bend at %.1f", r.Developed, at)
		}
	}
}
