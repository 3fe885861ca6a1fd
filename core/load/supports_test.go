package load

import (
	"math"
	"testing"

	"warmanvil/core/working"
)

// Two supports by hand: 0.2071 of the length from both ends, bending over them as large as
// between them. Three at the ends and in the middle are the textbook's 3/16, 5/8, 3/16.
func TestSupportsByHand(t *testing.T) {
	r, err := Supports(SupportsInput{Length: 2000, Count: 2, Rate: .5})
	if err != nil {
		t.Fatal(err)
	}
	a := (math.Sqrt2 - 1) / 2
	if math.Abs(r.Overhang-2000*a) > 1e-3 || math.Abs(r.Moment-a*a/2) > 1e-7 || math.Abs(r.AtEnds-.125) > 1e-12 {
		t.Errorf("%+v", r)
	}
	if math.Abs(*r.Largest-a*a/2*.5*2000*2000) > 1 || math.Abs(*r.Heaviest-500) > 1e-6 {
		t.Errorf("bending %g, on one support %g", *r.Largest, *r.Heaviest)
	}
	most, shares := continuous(3, 0)
	for i, want := range []float64{3. / 16, 5. / 8, 3. / 16} {
		if math.Abs(shares[i]-want) > 1e-12 {
			t.Errorf("support %d carries %g, want %g", i+1, shares[i], want)
		}
	}
	if math.Abs(most-1./32) > 1e-12 {
		t.Errorf("bends %g, want 1/32", most)
	}
}

// For any number: the supports carry all of the load, alike from both ends; no other overhang
// bends it less; what stands at the ends bends it more.
func TestSupportsHold(t *testing.T) {
	for n := 2; n <= 40; n++ {
		r, err := Supports(SupportsInput{Length: 1000, Count: n})
		if err != nil {
			t.Fatal(n, err)
		}
		sum := 0.
		for i, s := range r.Shares {
			if sum += s; math.Abs(s-r.Shares[n-1-i]) > 1e-9 || s <= 0 {
				t.Errorf("%d supports: number %d carries %g", n, i+1, s)
			}
		}
		if math.Abs(sum-1) > 1e-9 || math.Abs(r.At[0]+r.At[n-1]-1000) > 1e-6 || r.Moment >= r.AtEnds {
			t.Errorf("%d supports carry %g of it, from %g to %g, bending %g of %g", n, sum, r.At[0], r.At[n-1], r.Moment, r.AtEnds)
		}
		for k := range 500 {
			if m, _ := continuous(n, float64(k)/1000); m < r.Moment-1e-9 {
				t.Fatalf("%d supports: %g past them bends %g, less than %g", n, float64(k)/1000, m, r.Moment)
			}
		}
	}
	for path, in := range map[string]SupportsInput{"/length": {Count: 2}, "/count": {Length: 100, Count: 1},
		"/rate": {Length: 100, Count: 3, Rate: -1}} {
		_, err := Supports(in)
		if f, is := err.(*working.Fault); !is || f.Path != path {
			t.Errorf("%+v: %v", in, err)
		}
	}
}
