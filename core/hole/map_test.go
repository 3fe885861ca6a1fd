package hole

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

// random answers places at least 60 mm apart on a panel of 1200 by 500.
func random(r *rand.Rand, n int) []profile.Point {
	var out []profile.Point
	for len(out) < n {
		p := profile.Point{X: 1200 * r.Float64(), Y: 500 * r.Float64()}
		free := true
		for _, q := range out {
			free = free && p.Sub(q).Len() > 60
		}
		if free {
			out = append(out, p)
		}
	}
	return gauge(out)
}

func every(at []profile.Point, keep func() bool, noise func() float64) (in MapInput) {
	in.Count = len(at)
	one := 1.0
	for i := range at {
		for j := range i {
			if keep() {
				in.Readings = append(in.Readings, Reading{From: j, To: i, Distance: at[i].Sub(at[j]).Len() + noise(), Sigma: &one})
			}
		}
	}
	return in
}

func always() bool  { return true }
func none() float64 { return 0 }

// A square of 300 with one diagonal left out, and the other shapes by hand.
func TestMapByHand(t *testing.T) {
	in := MapInput{Count: 3, Readings: []Reading{{From: 0, To: 1, Distance: 300}, {From: 0, To: 2, Distance: 400},
		{From: 1, To: 2, Distance: 500}}}
	r, err := Map(in)
	if err != nil {
		t.Fatal(err)
	}
	want := [][2]float64{{0, 0}, {300, 0}, {0, 400}}
	for i, p := range r.Points {
		near(t, "x", p[0], want[i][0], 1e-6)
		near(t, "y", p[1], want[i][1], 1e-6)
	}
	if !r.Consistent || r.Suspect != nil || r.Redundancy != 0 || r.Findings[0].Code != "no-check" {
		t.Errorf("%+v", r)
	}
	// Two on either side or both on one: the diagonal was not taken.
	in = MapInput{Count: 4, Readings: []Reading{{From: 0, To: 1, Distance: 300}, {From: 0, To: 2, Distance: 400},
		{From: 1, To: 2, Distance: 500}, {From: 0, To: 3, Distance: 400}, {From: 1, To: 3, Distance: 500}}}
	in.Readings[3].Distance, in.Readings[4].Distance = 500, 400
	if r, err = Map(in); err != nil || len(r.Alternatives) != 1 {
		t.Fatalf("%v, other maps %v", err, r.Alternatives)
	}
	if r.Next.From != 2 || r.Next.To != 3 {
		t.Errorf("the reading that tells: %+v", r.Next)
	}
	got := []float64{r.Next.Ways[0], r.Next.Ways[1]}
	if got[0] > got[1] {
		got[0], got[1] = got[1], got[0]
	}
	near(t, "on one side", got[0], 300, 1e-6)
	near(t, "across", got[1], math.Sqrt(300*300+800*800), 1e-6)
	// The one that tells it settles it.
	in.Readings = append(in.Readings, Reading{From: 2, To: 3, Distance: 300})
	if r, err = Map(in); err != nil || len(r.Alternatives) != 0 || !r.Consistent {
		t.Errorf("%v %v %v", err, r.Alternatives, r.Consistent)
	}
}

// Readings that leave it loose name the one to take, and with it the map holds.
func TestLooseMapNamesNextReading(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	for range 40 {
		at := random(r, 4+r.IntN(6))
		in := every(at, func() bool { return r.Float64() < .4 }, none)
		for step := 0; ; step++ {
			if len(in.Readings) == 0 {
				in.Readings = append(in.Readings, Reading{From: 0, To: 1, Distance: at[1].Len()})
			}
			_, err := Map(in)
			var l *Lack
			if !errors.As(err, &l) {
				if err != nil {
					t.Fatal(err)
				}
				break
			}
			if step > 20 {
				t.Fatal("the readings it asks for do not help")
			}
			before := l.Missing
			in.Readings = append(in.Readings, Reading{From: l.From, To: l.To, Distance: at[l.From].Sub(at[l.To]).Len()})
			if _, err = Map(in); errors.As(err, &l) && l.Missing != before-1 {
				t.Fatalf("%d were missing, after the one it asked for %d", before, l.Missing)
			}
		}
	}
}

// Places behind random distances are found again, whatever part of them is
// measured, as long as no other map fits.
func TestMapRecoversPlaces(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 12))
	tried := 0
	for range 120 {
		at := random(r, 3+r.IntN(10))
		in := every(at, func() bool { return r.Float64() < .8 }, none)
		if len(in.Readings) == 0 {
			continue
		}
		got, err := Map(in)
		if err != nil {
			continue // loose
		}
		near(t, "sum of squares", got.SumOfSquares, 0, 1e-9)
		if len(got.Alternatives) > 0 {
			continue
		}
		tried++
		for i, p := range got.Points {
			if d := math.Hypot(p[0]-at[i].X, p[1]-at[i].Y); d > 1e-4 && got.Sigmas[i] < 20 {
				t.Fatalf("%d holes, %d readings: hole %d is %.4g mm off", len(at), len(in.Readings), i, d)
			}
		}
	}
	if tried < 60 {
		t.Errorf("only %d maps were tried", tried)
	}
}

// With noise of a tape the residuals stay small and the uncertainties say how
// far places lie off.
func TestMapWithNoise(t *testing.T) {
	r := rand.New(rand.NewPCG(13, 14))
	within, of, fine := 0, 0, 0
	const runs = 100
	for range runs {
		at := random(r, 8)
		got, err := Map(every(at, always, r.NormFloat64))
		if err != nil {
			t.Fatal(err)
		}
		if got.Consistent {
			fine++
		}
		for i := 2; i < 8; i++ {
			of++
			if math.Hypot(got.Points[i][0]-at[i].X, got.Points[i][1]-at[i].Y) < 3.5*got.Sigmas[i] {
				within++
			}
		}
	}
	if share := float64(within) / float64(of); share < .99 {
		t.Errorf("%.3f of the places lie within three and a half of their uncertainty", share)
	}
	if fine < runs*90/100 {
		t.Errorf("%d of %d maps of honest readings were called consistent", fine, runs)
	}
}

// One reading spoiled by ten of its uncertainties or more, with a redundancy
// number of at least 0.2, is named in at least 95 of 100 maps.
func TestSpoiledReadingIsNamed(t *testing.T) {
	r := rand.New(rand.NewPCG(17, 18))
	named, tried, wrong := 0, 0, 0
	for tried < 300 {
		at := random(r, 5+r.IntN(7))
		in := every(at, func() bool { return r.Float64() < .9 }, r.NormFloat64)
		clean, err := Map(in)
		if err != nil {
			continue
		}
		k := r.IntN(len(in.Readings))
		if clean.Control[k] < .2 || len(clean.Alternatives) > 0 || clean.Redundancy < 2 {
			continue
		}
		by := 10 + 30*r.Float64()
		if r.IntN(2) == 0 && in.Readings[k].Distance > 2*by {
			by = -by
		}
		in.Readings[k].Distance += by
		got, err := Map(in)
		if err != nil {
			t.Fatal(err)
		}
		tried++
		if got.Consistent {
			continue
		}
		if got.Suspect != nil && got.Suspect.Index == k {
			named++
			near(t, "what would agree", got.Suspect.Value, in.Readings[k].Distance-by, 6)
			near(t, "off", got.Suspect.Off, by, 6)
		} else if got.Suspect != nil {
			wrong++
		}
	}
	if share := float64(named) / float64(tried); share < .95 {
		t.Errorf("%.3f of the spoiled readings were named, %d others wrongly", share, wrong)
	}
}

// With a single reading to spare a contradiction shows, but not whose it is.
func TestCannotTellWhich(t *testing.T) {
	at := []profile.Point{{X: 0, Y: 0}, {X: 300, Y: 0}, {X: 310, Y: 200}, {X: -10, Y: 210}}
	in := every(at, always, none)
	in.Readings[2].Distance += 25.4
	r, err := Map(in)
	if err != nil {
		t.Fatal(err)
	}
	if r.Consistent || r.Suspect != nil || r.PointsWithout != nil {
		t.Errorf("consistent %v, suspect %+v", r.Consistent, r.Suspect)
	}
	if r.Findings[0].Code != "cannot-tell" {
		t.Errorf("%+v", r.Findings)
	}
	// A triangle that cannot close is fitted, and said.
	r, err = Map(MapInput{Count: 3, Readings: []Reading{{From: 0, To: 1, Distance: 100}, {From: 0, To: 2, Distance: 100},
		{From: 1, To: 2, Distance: 260}}})
	if err != nil || r.Consistent || r.SumOfSquares < 100 {
		t.Errorf("%v %+v", err, r)
	}
}

// Without uncertainties a reading far beyond the scatter of the others stands
// out even when it is off by little.
func TestStandsOutWithoutSigma(t *testing.T) {
	r := rand.New(rand.NewPCG(19, 20))
	at := random(r, 7)
	in := every(at, always, none)
	for i := range in.Readings {
		in.Readings[i].Sigma = nil
	}
	if got, _ := Map(in); !got.Consistent {
		t.Error("exact readings are called inconsistent")
	}
	in.Readings[4].Distance += 2.5
	got, err := Map(in)
	if err != nil || got.Consistent || got.Suspect == nil || got.Suspect.Index != 4 {
		t.Errorf("%v, suspect %+v", err, got.Suspect)
	}
}

// Holes in a row: distances along it do not hold them sideways, and it is said.
func TestHolesInLine(t *testing.T) {
	at := []profile.Point{{X: 0}, {X: 100}, {X: 250}, {X: 400}}
	r, err := Map(every(at, always, none))
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, f := range r.Findings {
		found = found || f.Code == "in-line"
	}
	if !found || len(r.Alternatives) > 0 {
		t.Errorf("%+v, %d other maps", r.Findings, len(r.Alternatives))
	}
	near(t, "last", r.Points[3][0], 400, .01)
}

func TestMapRefuses(t *testing.T) {
	bad := 0.0
	for name, in := range map[string]MapInput{
		"one hole":      {Count: 1, Readings: []Reading{{From: 0, To: 0, Distance: 5}}},
		"no reading":    {Count: 3},
		"to itself":     {Count: 3, Readings: []Reading{{From: 1, To: 1, Distance: 5}}},
		"no such hole":  {Count: 3, Readings: []Reading{{From: 1, To: 3, Distance: 5}}},
		"no distance":   {Count: 3, Readings: []Reading{{From: 1, To: 2}}},
		"a kilometre":   {Count: 3, Readings: []Reading{{From: 1, To: 2, Distance: 1e6}}},
		"sure":          {Count: 2, Readings: []Reading{{From: 1, To: 0, Distance: 10, Sigma: &bad}}},
		"one diameter":  {Count: 2, Readings: []Reading{{From: 1, To: 0, Distance: 10}}, Diameters: []float64{8}},
		"loose":         {Count: 4, Readings: []Reading{{From: 1, To: 0, Distance: 10}}},
		"not a number":  {Count: 2, Readings: []Reading{{From: 1, To: 0, Distance: math.NaN()}}},
		"far too many":  {Count: 4000, Readings: []Reading{{From: 1, To: 0, Distance: 10}}},
		"twice, no use": {Count: 3, Readings: []Reading{{From: 1, To: 0, Distance: 10}, {From: 0, To: 1, Distance: 10}, {From: 1, To: 0, Distance: 10}}},
	} {
		if _, err := CalcMap(in); err == nil {
			t.Errorf("%s: taken", name)
		}
	}
}

func BenchmarkMap(b *testing.B) {
	r := rand.New(rand.NewPCG(23, 24))
	at := random(r, 30)
	in := every(at, always, r.NormFloat64)
	r.Shuffle(len(in.Readings), func(i, j int) { in.Readings[i], in.Readings[j] = in.Readings[j], in.Readings[i] })
	in.Readings = in.Readings[:200]
	in.Readings[7].Distance += 25.4
	for b.Loop() {
		if got, err := Map(in); err != nil || got.Suspect == nil {
			b.Fatal(err, got.Suspect)
		}
	}
}
