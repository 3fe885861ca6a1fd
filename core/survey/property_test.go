package survey

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/solid"
)

// Heights of a plane give its pitch and roll back, no twist, and packing that
// brings it where it shall be.
func TestLevelsOfPlanes(t *testing.T) {
	r := rand.New(rand.NewPCG(111, 112))
	for range 200 {
		is, wanted := Slope{16*r.Float64() - 8, 16*r.Float64() - 8}, Slope{6*r.Float64() - 3, 6*r.Float64() - 3}
		l, w := 500+4000*r.Float64(), 500+2000*r.Float64()
		at := [4][2]float64{{l / 2, w / 2}, {l / 2, -w / 2}, {-l / 2, w / 2}, {-l / 2, -w / 2}}
		var h [4]float64
		for i, p := range at {
			h[i] = 700 + is.height(p[0], p[1])
		}
		got, err := Levels(LevelInput{Wheelbase: l, Track: w, Heights: cornersOf(h), Wanted: &wanted})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "pitch", got.Pitch, is.Pitch, 1e-9)
		near(t, "roll", got.Roll, is.Roll, 1e-9)
		near(t, "twist", got.Twist, 0, 1e-9)
		least := math.Inf(1)
		for i, p := range got.Packing.list() {
			least = min(least, p)
			h[i] += p
		}
		near(t, "one corner takes none", least, 0, 1e-9)
		again, _ := Levels(LevelInput{Wheelbase: l, Track: w, Heights: cornersOf(h)})
		near(t, "packed: pitch", again.Pitch, wanted.Pitch, 1e-9)
		near(t, "packed: roll", again.Roll, wanted.Roll, 1e-9)
	}
}

// The mean of honest repeats is never named an outlier; one far off always is.
func TestOutliersOfRepeats(t *testing.T) {
	r := rand.New(rand.NewPCG(113, 114))
	named := 0
	for range 300 {
		n := 4 + r.IntN(5)
		v := make([]float64, n)
		for i := range v {
			v[i] = 500 + .4*r.NormFloat64()
		}
		if k := (Reading{Values: v, Instrument: Tape}).Work(nil, false); k.Outlier != 0 {
			t.Errorf("%v: reading %d is named", v, k.Outlier)
		}
		bad := r.IntN(n)
		v[bad] += 25.4
		if k := (Reading{Values: v, Instrument: Tape}).Work(nil, false); k.Outlier == bad+1 {
			named++
			near(t, "mean without it", k.Value, 500, 1.5)
		}
	}
	if named < 300 {
		t.Errorf("%d of 300 were named", named)
	}
}

// A drill never comes nearer to a space than it may: what the stop says is
// checked by measuring.
func TestDrillStopKeepsOff(t *testing.T) {
	r := rand.New(rand.NewPCG(115, 116))
	limited := 0
	for range 60 {
		s := Space{Kind: Line, Shape: Shape{Form: RunForm, Radius: 3 + 5*r.Float64(),
			Corners: [][3]float64{{20 + 60*r.Float64(), -200, 40 * r.Float64()}, {20 + 60*r.Float64(), 200, 40 * r.Float64()}}}}
		d := Drilling{Into: [3]float64{1, 0, 0}, Diameter: 4 + 8*r.Float64(), Sigma: 2 * r.Float64()}
		b := Stop(d, []Space{s}, 100)
		if b.Space < 0 {
			continue
		}
		limited++
		if b.Stop < .01 {
			continue
		}
		gap := func(depth float64) float64 {
			return solid.Between(solid.NewTree(solid.Cylinder(solid.Vector{}, solid.Vector{depth}, d.Diameter/2)),
				solid.NewTree(s.In(Stowed))).Distance
		}
		keep := s.Keep() + 2*d.Sigma
		if gap(b.Stop) < keep-1e-6 {
			t.Errorf("at the stop it keeps off %.3f of %.3f", gap(b.Stop), keep)
		}
		if gap(b.Stop+.1) > keep {
			t.Errorf("it could go deeper: %.3f of %.3f", gap(b.Stop+.1), keep)
		}
	}
	if limited < 30 {
		t.Errorf("only %d holes were limited", limited)
	}
}

// The ramp of a point is the tangent: a line at that angle from the tyre
// touches the point, one less steep passes below it.
func TestRampIsTheTangent(t *testing.T) {
	r := rand.New(rand.NewPCG(117, 118))
	for range 300 {
		radius, ahead, height := 250+200*r.Float64(), 200+1500*r.Float64(), 600*r.Float64()
		a := ramp(radius, ahead, height)
		if a >= 90 {
			continue
		}
		over := func(deg float64) float64 { // of the point over the ramp that touches the tyre
			s, c := math.Sincos(deg * math.Pi / 180)
			return -ahead*s + height*c - (radius*c - radius)
		}
		near(t, "on the ramp", over(a), 0, 1e-6)
		if a > .1 && over(a-.1) <= 0 {
			t.Errorf("radius %.0f, %.0f ahead, %.0f high: a lesser ramp meets it", radius, ahead, height)
		}
	}
}

// Blocked share of a box before an opening is its shadow.
func TestBlockedIsTheShadow(t *testing.T) {
	r := rand.New(rand.NewPCG(119, 120))
	s := Shape{Form: BoxForm, Size: [3]float64{400, 4, 300}}
	for range 50 {
		x, z, w, h := 300*r.Float64(), 200*r.Float64(), 20+80*r.Float64(), 20+80*r.Float64()
		box := Thing{Body: solid.Box(solid.Vector{x, 30, z}, solid.Vector{x + w, 60, z + h})}
		want := math.Min(w, 400-x) * math.Min(h, 300-z) / (400 * 300)
		near(t, "share", Blocked(s, []Thing{box}, 100), want, .02)
		near(t, "out of reach", Blocked(s, []Thing{box}, 10), 0, 0)
	}
}
