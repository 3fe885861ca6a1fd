package hole

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// scattered are n holes anywhere on a plate, 80 mm apart or more.
func scattered(rnd *rand.Rand, n int) [][2]float64 {
	at := make([][2]float64, n)
	for i := range at {
	again:
		at[i] = [2]float64{600 * rnd.Float64(), 400 * rnd.Float64()}
		for k := range i {
			if math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1]) < 80 {
				goto again
			}
		}
	}
	return at
}

// inRing are n holes about a circle, as a flange or an adapter has them, each some way
// off its place.
func inRing(rnd *rand.Rand, n int) [][2]float64 {
	at := make([][2]float64, n)
	for i := range at {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / float64(n))
		at[i] = [2]float64{200*cos + 15*rnd.NormFloat64(), 200*sin + 15*rnd.NormFloat64()}
	}
	return at
}

// slip is what a map says of one slipped reading.
type slip struct{ named, among, raised bool }

// slipped tapes holes in all their distances with a scatter, one reading slipped by off.
func slipped(rnd *rand.Rand, at [][2]float64, scatter, off float64) slip {
	in := MapInput{Count: len(at)}
	for i := range at {
		for k := range i {
			d := math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1]) + scatter*rnd.NormFloat64()
			in.Readings = append(in.Readings, Reading{From: k, To: i, Distance: d})
		}
	}
	bad := rnd.IntN(len(in.Readings))
	in.Readings[bad].Distance += off
	r, err := Map(in)
	if err != nil {
		return slip{}
	}
	named := r.Suspect != nil && r.Suspect.Index == bad
	return slip{named, named || slices.Contains(r.Doubtful, bad), !r.Consistent}
}

// A quarter-inch slip among readings that agree is named; readings that agree are left
// in peace. Where the holes lie so that two readings explain it alike, the slip still
// shows. docs/benchmarks.md has the rates of many more runs.
func TestQuarterInchIsNamed(t *testing.T) {
	for name, c := range map[string]struct {
		holes              func(*rand.Rand, int) [][2]float64
		named, among, seen float64
	}{"ring": {inRing, .98, .98, .99}, "anywhere": {scattered, .6, .9, .9}} {
		rnd := rand.New(rand.NewPCG(11, 7))
		const runs = 1500
		named, among, seen, alarms := 0., 0., 0., 0.
		for range runs {
			at := c.holes(rnd, 5)
			s := slipped(rnd, at, .3, 6.35*float64(1-2*rnd.IntN(2)))
			named, among, seen = named+count(s.named), among+count(s.among), seen+count(s.raised)
			alarms += count(slipped(rnd, at, .3, 0).raised)
		}
		t.Logf("%s: named %.1f %%, among those to take again %.1f %%, seen %.1f %%, false alarms %.2f %%", name, 100*named/runs, 100*among/runs,
			100*seen/runs, 100*alarms/runs)
		if named < c.named*runs || among < c.among*runs || seen < c.seen*runs || alarms > .01*runs {
			t.Errorf("%s: named %.0f, among those to take again %.0f, seen %.0f, falsely raised %.0f of %d", name, named, among, seen, alarms, runs)
		}
	}
}

func count(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// With one reading to spare it is said that a slip may not show.
func TestOneToSpareIsSaid(t *testing.T) {
	in := MapInput{Count: 4}
	at := [][2]float64{{0, 0}, {300, 0}, {280, 200}, {20, 190}}
	for i := range at {
		for k := range i {
			in.Readings = append(in.Readings, Reading{From: k, To: i, Distance: math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1])})
		}
	}
	r, err := Map(in)
	if err != nil {
		t.Fatal(err)
	}
	said := false
	for _, f := range r.Findings {
		said = said || f.Code == "one-spare"
	}
	if r.Redundancy != 1 || !said {
		t.Errorf("%d to spare, %+v", r.Redundancy, r.Findings)
	}
}

// BenchmarkSlipNamed measures how often slips are named, are among the readings asked
// for again, show at all, and how often sound maps are alarmed.
func BenchmarkSlipNamed(b *testing.B) {
	for _, c := range []struct {
		name         string
		holes        func(*rand.Rand, int) [][2]float64
		n            int
		scatter, off float64
	}{{"ring of 5, 0.3 mm, slip 6.35", inRing, 5, .3, 6.35}, {"ring of 5, 0.3 mm, slip 3", inRing, 5, .3, 3},
		{"ring of 5, 1 mm, slip 6.35", inRing, 5, 1, 6.35},
		{"5 anywhere, 0.3 mm, slip 6.35", scattered, 5, .3, 6.35}, {"8 anywhere, 0.3 mm, slip 6.35", scattered, 8, .3, 6.35},
		{"4 anywhere, 0.3 mm, slip 6.35", scattered, 4, .3, 6.35}} {
		b.Run(c.name, func(b *testing.B) {
			rnd := rand.New(rand.NewPCG(5, 9))
			named, among, seen, alarms := 0., 0., 0., 0.
			for range b.N {
				at := c.holes(rnd, c.n)
				s := slipped(rnd, at, c.scatter, c.off)
				named, among, seen = named+count(s.named), among+count(s.among), seen+count(s.raised)
				alarms += count(slipped(rnd, at, c.scatter, 0).raised)
			}
			for unit, v := range map[string]float64{"named%": named, "among%": among, "seen%": seen, "false%": alarms} {
				b.ReportMetric(100*v/float64(b.N), unit)
			}
		})
	}
}
