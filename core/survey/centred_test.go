package survey

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// A bar whose front end stands 2 left and whose rear end 1 right of the line, 1000 apart, is
// turned by atan(3/1000).
func TestCentred(t *testing.T) {
	r, err := Centred(CentredInput{Apart: 1000, FrontLeft: 402, FrontRight: 398, RearLeft: 399, RearRight: 401, Allow: 1, Sigma: .1})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "front", r.FrontOff, 2, 1e-12)
	near(t, "rear", r.RearOff, -1, 1e-12)
	near(t, "turn", r.Turn, math.Atan(.003)*180/math.Pi, 1e-12)
	near(t, "wide", r.FrontWide, 800, 1e-12)
	near(t, "worst", r.Worst, 2, 1e-12)
	near(t, "its uncertainty", r.Sigma, .1/math.Sqrt2, 1e-12)
	if r.Kept != Past || len(r.Findings) != 1 || !strings.Contains(r.Findings[0].Reason, "front end right by 3.0 mm, or the rear "+
		"end left") {
		t.Errorf("%s %+v", r.Kept, r.Findings)
	}
	// Well centred but too wide: moving does not mend it.
	r, err = Centred(CentredInput{Apart: 1000, FrontLeft: 402, FrontRight: 402, RearLeft: 400, RearRight: 400, HalfFront: 400, Allow: .5,
		Sigma: .1})
	if err != nil || r.Kept != Past || len(r.Findings) != 1 || r.Findings[0].Code != "wide-front" {
		t.Errorf("%v %s %+v", err, r.Kept, r.Findings)
	}
	// A taper: the rear has its own half width.
	if r, _ = Centred(CentredInput{Apart: 1000, FrontLeft: 400, FrontRight: 400, RearLeft: 350, RearRight: 350, HalfFront: 400,
		HalfRear: 350,
		Sigma:    .1}); r.Kept != Proved || r.Worst != 0 {
		t.Errorf("%+v", r)
	}
	if r, _ = Centred(CentredInput{Apart: 1000, FrontLeft: 400.8, FrontRight: 400, RearLeft: 400, RearRight: 400}); r.Kept != AsRead {
		t.Errorf("a tape proves it: %+v", r)
	}
	for _, bad := range []CentredInput{{}, {Apart: 100, FrontLeft: -5, FrontRight: 3, RearLeft: 1, RearRight: 1},
		{Apart: 100, FrontLeft: math.NaN(), FrontRight: 1, RearLeft: 1, RearRight: 1}} {
		if _, err := Centred(bad); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

// Whatever stands on a line: moving it sideways moves both ends alike and turns nothing,
// mirrored everything changes its sign.
func TestCentredMoved(t *testing.T) {
	rng := rand.New(rand.NewPCG(4, 7))
	for range 300 {
		in := CentredInput{Apart: 100 + 2000*rng.Float64(), FrontLeft: 300 + rng.Float64()*20, FrontRight: 300 + rng.Float64()*20,
			RearLeft: 300 + rng.Float64()*20, RearRight: 300 + rng.Float64()*20, Sigma: .2}
		a, err := Centred(in)
		d := rng.Float64()*10 - 5
		moved := in
		moved.FrontLeft, moved.FrontRight, moved.RearLeft, moved.RearRight = in.FrontLeft+d, in.FrontRight-d, in.RearLeft+d, in.RearRight-d
		b, err2 := Centred(moved)
		mirrored := in
		mirrored.FrontLeft, mirrored.FrontRight, mirrored.RearLeft, mirrored.RearRight = in.FrontRight, in.FrontLeft, in.RearRight,
			in.RearLeft
		c, err3 := Centred(mirrored)
		if err != nil || err2 != nil || err3 != nil {
			t.Fatal(err, err2, err3)
		}
		near(t, "moved front", b.FrontOff, a.FrontOff+d, 1e-9)
		near(t, "moved rear", b.RearOff, a.RearOff+d, 1e-9)
		near(t, "moved turn", b.Turn, a.Turn, 1e-9)
		near(t, "mirrored turn", c.Turn, -a.Turn, 1e-12)
		near(t, "mirrored front", c.FrontOff, -a.FrontOff, 1e-12)
	}
}

func TestFlush(t *testing.T) {
	middle := .9
	r, err := Flush(FlushInput{One: 1.2, Other: -.4, Middle: &middle, Apart: 600, Allow: .3, Sigma: .05})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "worst", r.Worst, 1.2, 1e-12)
	near(t, "one end", r.MoveOne, -1.2, 1e-12)
	near(t, "other end", r.MoveOther, .4, 1e-12)
	near(t, "slope", *r.Slope, math.Atan(-1.6/600)*180/math.Pi, 1e-9)
	near(t, "bow", *r.Bow, .5, 1e-12)
	if r.Kept != Past || len(r.Findings) != 1 || r.Findings[0].Code != "bowed" {
		t.Errorf("%s %+v", r.Kept, r.Findings)
	}
	// A step that is wanted counts from there.
	if r, _ = Flush(FlushInput{One: 3.1, Other: 3, Wanted: 3, Sigma: .1}); r.Kept != Proved {
		t.Errorf("%+v", r)
	}
	if r, _ = Flush(FlushInput{One: .4, Sigma: .25}); r.Kept != AsRead {
		t.Errorf("%+v", r)
	}
	if r, _ = Flush(FlushInput{One: .8, Sigma: .25}); r.Kept != Unsure {
		t.Errorf("%+v", r)
	}
	if _, err := Flush(FlushInput{One: math.Inf(1)}); err == nil {
		t.Error("an endless step is taken")
	}
}
