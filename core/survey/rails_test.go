package survey

import (
	"math"
	"testing"
)

// By hand: 2 lines of 0.5 mm in a metre over 1200 are 1.2 mm and 0.0573°; 1.5° over 800 are 800·tan 1.5° = 20.95 mm. Both
// ways give back each other.
func TestBubble(t *testing.T) {
	for _, c := range []struct {
		in   BubbleInput
		rise float64
	}{{BubbleInput{Graduations: 2, Each: .5, Length: 1200}, 1.2}, {BubbleInput{Angle: 1.5, Length: 800}, 800 * math.Tan(1.5*math.Pi/180)},
		{BubbleInput{Graduations: -1, Each: .3, Length: 500}, -.15}, {BubbleInput{Length: 500}, 0}} {
		r, err := Bubble(c.in)
		if err != nil || math.Abs(r.Rise-c.rise) > 1e-9 {
			t.Errorf("%+v: %v %g, by hand %g", c.in, err, r.Rise, c.rise)
		}
		back, err := Bubble(BubbleInput{Angle: r.Angle, Length: c.in.Length})
		if err != nil || math.Abs(back.Rise-r.Rise) > 1e-9 {
			t.Errorf("%+v by its degrees: %g, %g", c.in, back.Rise, r.Rise)
		}
	}
	for _, in := range []BubbleInput{{Length: 0}, {Angle: 1, Graduations: 1, Each: 1, Length: 1}, {Graduations: 1, Length: 1},
		{Angle: 90, Length: 1}} {
		if _, err := Bubble(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

// By hand: heights 10, 8, 9, 9 leave the fourth corner 2 mm off the plane; packed by half of that under two corners across
// nothing is left. Rails 601 and 600 apart over 800 run apart by 0.0716°. Lifting or tilting the whole changes nothing.
func TestRails(t *testing.T) {
	in := RailsInput{Long: 800, Heights: Corners{10, 8, 9, 9}, Front: 601, Rear: 600, Rock: 1, Play: 1}
	r, err := Rails(in)
	if err != nil || math.Abs(r.Off-2) > 1e-9 || math.Abs(r.Splay-math.Asin(1./800)*180/math.Pi) > 1e-12 || r.Coplanar || !r.Parallel ||
		r.Says != "parallel, not in one plane" || r.Where != "front right and rear left" {
		t.Fatalf("%v %+v", err, r)
	}
	packed := in
	packed.Heights.FrontRight += r.Pack
	packed.Heights.RearLeft += r.Pack
	if q, _ := Rails(packed); math.Abs(q.Off) > 1e-9 || q.Says != "in one plane and parallel" {
		t.Errorf("packed %+v", q)
	}
	tilted := in
	for k, v := range []*float64{&tilted.Heights.FrontLeft, &tilted.Heights.FrontRight, &tilted.Heights.RearLeft, &tilted.Heights.RearRight} {
		*v += 30 + 4*float64(k%2) - 7*float64(k/2)
	}
	if q, _ := Rails(tilted); math.Abs(q.Off-r.Off) > 1e-9 {
		t.Errorf("tilted as a whole %g, %g", q.Off, r.Off)
	}
	in.Rock, in.Play = 2, .9
	if q, _ := Rails(in); !q.Coplanar || q.Parallel || q.Says != "in one plane, not parallel" {
		t.Errorf("%+v", q)
	}
	if _, err := Rails(RailsInput{Front: 1, Rear: 1}); err == nil {
		t.Error("supports without a length")
	}
}
