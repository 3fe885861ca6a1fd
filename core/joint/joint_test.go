package joint

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"math/rand"
	"strconv"
	"strings"
	"testing"

	"warmanvil/core/bolt"
	"warmanvil/core/hole"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// sound is a bracket of 6 mm on a rail of 5, four M10 8.8, pulled sideways.
func sound() Input {
	return Input{System: stock.Metric, Size: "M10", Grade: "8.8", Holes: [][2]float64{{0, 0}, {100, 0}, {100, 80}, {0, 80}}, Nut: Lock,
		Washers: 2,
		Plies: []Ply{{Name: "bracket", Material: "steel-s235", Thickness: 6, Hole: 11, Edge: 25, Wide: [2]float64{150, 130},
			Placed: hole.ByTable}, {Name: "rail", Material: "steel-s235", Thickness: 5, Hole: 12, Edge: 30,
			Wide: [2]float64{160, 140}, Placed: hole.ByMate}},
		Tighten:  Tightening{Lubrication: Oiled, Locking: PlasticRing, Shakes: true},
		Cases:    []Case{{Name: "down", Force: [3]float64{0, -6000, 0}, At: [3]float64{150, 40, 0}}},
		Strength: strength.Rule{School: strength.Allowable}}
}

func work(t testing.TB, in Input) Result {
	t.Helper()
	r, err := Work(in)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func codes(r Result) map[string]bool {
	out := map[string]bool{}
	for _, f := range r.Findings {
		out[f.Code] = true
	}
	return out
}

func check(t testing.TB, r Result, key string) strength.Check {
	t.Helper()
	for _, c := range r.Checks {
		if c.Key == key {
			return c
		}
	}
	t.Fatalf("no check %q among %+v", key, r.Checks)
	return strength.Check{}
}

// By hand: 6000 N down, 100 mm beside the middle of 100 by 80: V = 1500 down and
// 6e5/(4·(50² + 40²)) = 36.585 N/mm about it, so √((36.585·40)² + (1500 + 36.585·50)²)
// = 3637.0 N. M10 8.8, thread in the plane: 0.45·800·78.54/2 = 14137 N, but no more
// than 0.6·800·π/4·(10 − 1.2269·1.5)²/2 = 12550 N.
func TestJointByHand(t *testing.T) {
	r := work(t, sound())
	if r.Verdict != strength.Holds || r.Hardest == nil {
		t.Fatalf("%s %+v", r.Verdict, r.Checks)
	}
	c := check(t, r, "shear")
	if math.Abs(c.Demand-math.Hypot(36.5854*40, 1500+36.5854*50)) > .1 || math.Abs(c.Capacity-12550) > 1 {
		t.Errorf("%+v", c)
	}
	// Tear-out of the bracket: 1.2·(25 − 5.5)·6·360/2 = 25272 N.
	if tear := check(t, r, "tear-0"); math.Abs(tear.Capacity-1.2*19.5*6*360/2) > 1 || tear.Where != "bracket" {
		t.Errorf("%+v", tear)
	}
	// Grip 6 + 5 + 2·2 = 15, ring nut 11.9, a thread: 28.4 to 31.4, so 30.
	if r.Grip == nil || *r.Grip.Length != 30 || math.Abs(r.Grip.Grip-15) > 1e-9 {
		t.Errorf("%+v", r.Grip)
	}
	// Torque 0.16·10·0.75·580·57.99.
	if r.Tight == nil || math.Abs(r.Tight.Torque-.16*10*.75*580*57.99) > 50 || r.Tight.Limited != "" {
		t.Errorf("%+v", r.Tight)
	}
	if r.Meets == nil || r.Meets.Meets != "always" || len(r.Hardware) != 3 || len(r.Keep) < 3 {
		t.Errorf("%+v %v %v", r.Meets, r.Hardware, r.Keep)
	}
	if f := codes(r); f["no-lock"] || f["torque-lowered"] || f["holes-miss"] {
		t.Errorf("%v", f)
	}
}

// In the plane it answers as the elastic calculation, out of it as the centroid
// school, for any pattern and load.
func TestJointAgreesWithTheGroups(t *testing.T) {
	rnd := rand.New(rand.NewSource(14))
	for range 200 {
		in := sound()
		in.Holes = nil
		for range 2 + rnd.Intn(6) {
			in.Holes = append(in.Holes, [2]float64{200 * rnd.Float64(), 150 * rnd.Float64()})
		}
		f, at := [3]float64{4000*rnd.Float64() - 2000, 4000*rnd.Float64() - 2000, 0}, [3]float64{300 * rnd.Float64(), 300 * rnd.Float64(), 0}
		in.Cases = []Case{{Name: "x", Force: f, At: at}}
		r := work(t, in)
		e, err := bolt.Elastic(bolt.ElasticInput{Bolts: in.Holes, Force: [2]float64{f[0], f[1]}, At: [2]float64{at[0], at[1]}})
		if err != nil {
			t.Fatal(err)
		}
		if c := check(t, r, "shear"); math.Abs(c.Demand-e.Max) > 1e-6*(1+e.Max) {
			t.Fatalf("shear %.6f, the group says %.6f", c.Demand, e.Max)
		}
		// Two columns of rows, a load along the plate that stands off it.
		rows := []float64{20 + 20*rnd.Float64(), 80 + 40*rnd.Float64(), 150 + 50*rnd.Float64()}
		in.Holes = nil
		for _, y := range rows {
			in.Holes = append(in.Holes, [2]float64{-40, y}, [2]float64{40, y})
		}
		v, stand := 1000+4000*rnd.Float64(), 50+100*rnd.Float64()
		in.Cases = []Case{{Name: "x", Force: [3]float64{0, -v, 0}, At: [3]float64{0, 100, stand}}}
		o, err := bolt.OutOfPlane(bolt.OutOfPlaneInput{Rows: rows, Columns: 2, Shear: v, Eccentricity: stand})
		if err != nil {
			t.Fatal(err)
		}
		want := 0.
		for _, x := range o.Centroid {
			want = math.Max(want, x)
		}
		if c := check(t, work(t, in), "tension"); math.Abs(c.Demand-want) > 1e-6*(1+want) {
			t.Fatalf("tension %.6f, the group says %.6f", c.Demand, want)
		}
	}
}

// Turned in its plane the joint is used as much; twice the load uses twice as
// much shear; the pulls of a plain pull add up to it.
func TestJointProperties(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	for range 200 {
		in := sound()
		in.Holes = nil
		for range 3 + rnd.Intn(5) {
			in.Holes = append(in.Holes, [2]float64{300 * rnd.Float64(), 200 * rnd.Float64()})
		}
		in.Cases = []Case{{Name: "x", Force: [3]float64{3000 * rnd.Float64(), -2000 * rnd.Float64(), 1500 * rnd.Float64()},
			At: [3]float64{200 * rnd.Float64(), 100, 60 * rnd.Float64()}, Moment: [3]float64{1e4 * rnd.Float64(), 0, 2e4 * rnd.Float64()}}}
		a := work(t, in)
		s, c := math.Sincos(2 * math.Pi * rnd.Float64())
		turned := in
		turned.Holes = nil
		spin := func(v [3]float64) [3]float64 { return [3]float64{v[0]*c - v[1]*s, v[0]*s + v[1]*c, v[2]} }
		for _, h := range in.Holes {
			v := spin([3]float64{h[0], h[1]})
			turned.Holes = append(turned.Holes, [2]float64{v[0], v[1]})
		}
		k := in.Cases[0]
		turned.Cases = []Case{{Name: "x", Force: spin(k.Force), At: spin(k.At), Moment: spin(k.Moment)}}
		b := work(t, turned)
		for _, key := range []string{"shear", "tension", "combined"} {
			if x, y := check(t, a, key).Demand, check(t, b, key).Demand; math.Abs(x-y) > 1e-6*(1+x) {
				t.Fatalf("%s %.6f, turned %.6f", key, x, y)
			}
		}
		twice := in
		twice.Cases = []Case{{Name: "x", Force: [3]float64{2 * k.Force[0], 2 * k.Force[1], 2 * k.Force[2]}, At: k.At,
			Moment: [3]float64{2 * k.Moment[0], 0, 2 * k.Moment[2]}}}
		if x, y := check(t, a, "shear").Demand, check(t, work(t, twice), "shear").Demand; math.Abs(2*x-y) > 1e-6*(1+y) {
			t.Fatalf("twice %.6f is %.6f", x, y)
		}
	}
	in := sound()
	in.Cases = []Case{{Name: "pull", Force: [3]float64{0, 0, 8000}, At: [3]float64{50, 40, 0}}}
	sum := 0.
	for _, f := range work(t, in).Bolts {
		sum += f.Tension
	}
	if math.Abs(sum-8000) > 1e-6 {
		t.Errorf("the bolts pull %.3f against 8000", sum)
	}
}

// What is missing or goes wrong is told, each by its cause.
func TestJointTells(t *testing.T) {
	for _, c := range []struct {
		what   string
		change func(*Input)
		code   string
		check  string
		want   strength.Verdict
	}{
		{"no load", func(j *Input) { j.Cases = nil }, "", "loads", strength.CannotSay},
		{"edge not known", func(j *Input) { j.Plies[1].Edge = 0 }, "", "tear-1", strength.CannotSay},
		{"no metal", func(j *Input) { j.Plies[1].Material = "" }, "", "ply-1", strength.CannotSay},
		{"rusted rail", func(j *Input) { j.Plies[1].Worn = .1 }, "doubler-1", "tear-1", strength.Over},
		{"one bolt turned", func(j *Input) { j.Holes = j.Holes[:1] }, "single-bolt", "slip", strength.Over},
		{"a row bent about itself", func(j *Input) {
			j.Holes = j.Holes[:2]
			j.Cases[0] = Case{Name: "x", Force: [3]float64{0, -500, 0}, At: [3]float64{50, 0, 100}}
		}, "edge-turn", "tension", strength.Holds},
		{"a row bent about itself, no edge known", func(j *Input) {
			j.Holes, j.Plies[0].Edge, j.Plies[1].Edge = j.Holes[:2], 0, 0
			j.Cases[0] = Case{Name: "x", Force: [3]float64{0, -500, 0}, At: [3]float64{50, 0, 100}}
		}, "", "tension", strength.CannotSay},
		{"a thin foot bent about its edge", func(j *Input) {
			j.Holes, j.Plies[0].Thickness = j.Holes[:2], 2
			j.Cases[0] = Case{Name: "x", Force: [3]float64{0, -500, 0}, At: [3]float64{50, 0, 100}}
		}, "edge-turn", "lean", strength.Over},
		{"a case that pulls at nothing", func(j *Input) { j.Cases = []Case{{Name: "x"}} }, "", "loads", strength.CannotSay},
		{"nuts nobody reaches", func(j *Input) { j.Reached = HeadsOnly }, "blind", "", ""},
		{"heads nobody reaches", func(j *Input) { j.Reached = NutsOnly }, "headless", "", ""},
		{"a rivet through a stack too thick", func(j *Input) { j.Nut, j.Rivet = Riveted, &RivetPick{4.8, "steel"}; j.Plies[1].Thickness = 12 }, "rivet-short", "", ""},
		{"rivets in holes for bolts", func(j *Input) { j.Nut, j.Rivet = Riveted, &RivetPick{6.4, "steel"} }, "rivet-hole", "", ""},
		{"rivets of steel torn off", func(j *Input) { j.Nut, j.Rivet = Riveted, &RivetPick{3.2, "steel"} }, "", "shear", strength.Over},
		{"a pin pulled along itself", func(j *Input) { j.Nut = Pin; j.Cases[0].Force[2] = 100 }, "", "pin-pull", strength.CannotSay},
		{"a screw of no known size", func(j *Input) { j.Nut = Screw }, "screw-shakes", "shear", strength.CannotSay},
		{"slips", func(j *Input) { j.NoSlip, j.Tighten.Share = true, .2 }, "", "slip", strength.Over},
		{"does not slip", func(j *Input) { j.NoSlip, j.Cases[0].At[0] = true, 50; j.Cases[0].Force[1] = -2000 }, "", "slip", strength.Holds},
		{"thin sheet pulled", func(j *Input) {
			j.Plies[1] = Ply{Name: "floor", Material: "steel-cold", Thickness: 1, Hole: 11, Edge: 60}
			j.Cases[0] = Case{Name: "up", Force: [3]float64{0, 0, 16000}, At: [3]float64{50, 40, 0}}
		}, "doubler-1", "through-1", strength.Over},
		{"hollow rail", func(j *Input) { j.Plies[1].Hollow = true }, "torque-lowered", "", ""},
		{"rubber between", func(j *Input) {
			j.Plies = []Ply{j.Plies[0], {Name: "rubber", Thickness: 10, Squash: 2}, j.Plies[1]}
		}, "torque-lowered", "", ""},
		{"rivet nuts", func(j *Input) { j.Nut = RivetNut }, "torque-lowered", "", ""},
		{"soft aluminium under the head", func(j *Input) { j.Plies[0].Material, j.Washers = "alu-3003-h14", 0 }, "torque-lowered", "", ""},
		{"thread in 5 mm of aluminium", func(j *Input) { j.Nut, j.Plies[1].Material, j.Plies[1].Fixed = Tapped, "alu-5052-h32", true }, "torque-lowered", "", ""},
		{"nothing locks it", func(j *Input) { j.Tighten.Locking, j.Nut = NoLock, Hex }, "no-lock", "", ""},
		{"a ring where there is none", func(j *Input) { j.Nut = Hex }, "lock-none", "", ""},
		{"a ring near the exhaust", func(j *Input) { j.Tighten.Hot = true }, "lock-hot", "", ""},
		{"a slot without a bridge", func(j *Input) { j.Plies[0].Slotted, j.Washers = true, 0 }, "washer-slot", "", ""},
		{"aluminium on steel in the wet", func(j *Input) { j.Plies[0].Material, j.Tighten.Wet = "alu-6061-t6", true }, "", "", ""},
		{"aluminium on stainless in the wet", func(j *Input) {
			j.Plies[0].Material, j.Plies[1].Material, j.Tighten.Wet = "alu-6061-t6", "stainless-304", true
		}, "galvanic", "", ""},
		{"a seat", func(j *Input) { j.Meets = []Meeting{Seat} }, "caution-seat", "", ""},
		{"body sheet", func(j *Input) { j.Plies[1].Thickness = 1 }, "thin-host", "", ""},
		{"patterns that miss", func(j *Input) {
			j.Plies[0].Placed, j.Plies[0].Hole, j.Plies[1].Placed, j.Plies[1].Hole = hole.ByTape, 10.5, hole.BySurvey, 10.5
		}, "holes-miss", "", ""},
		{"12.9", func(j *Input) { j.Grade = "12.9" }, "brittle-plated", "", ""},
	} {
		in := sound()
		in.Plies = append([]Ply{}, in.Plies...)
		in.Cases = append([]Case{}, in.Cases...)
		c.change(&in)
		r := work(t, in)
		if c.code != "" && !codes(r)[c.code] {
			t.Errorf("%s: not told %s, but %v", c.what, c.code, codes(r))
		}
		for _, f := range r.Findings { // every fix can be taken, and clears what it is for
			for _, x := range f.Fixes {
				again := taken(t, in, x)
				if codes(work(t, again))[f.Code] {
					t.Errorf("%s: %q does not clear %s", c.what, x.Label, f.Code)
				}
			}
		}
		if c.check != "" {
			if got := check(t, r, c.check); got.Verdict != c.want {
				t.Errorf("%s: %s %s (%v of %v), want %s", c.what, c.check, got.Verdict, got.Demand, got.Capacity, c.want)
			}
		}
	}
}

// A doubler of the thickness that was said brings the ply under.
func TestDoublerIsEnough(t *testing.T) {
	in := sound()
	in.Plies = append([]Ply{}, in.Plies...)
	in.Plies[1].Worn = .1
	r := work(t, in)
	var more float64
	for _, f := range r.Findings {
		if f.Code == "doubler-1" {
			if _, err := fmt.Sscanf(f.Reason, "rail is over: a doubler of %g mm", &more); err != nil {
				t.Fatal(err, f.Reason)
			}
		}
	}
	in.Plies[1].Thickness += more
	if c := check(t, work(t, in), "tear-1"); c.Verdict == strength.Over {
		t.Errorf("with %g mm more it is still %v of %v", more, c.Demand, c.Capacity)
	}
}

func TestSequence(t *testing.T) {
	// Four corners: each next one is across from the last.
	if got := fmt.Sprint(sequence([][2]float64{{0, 0}, {100, 0}, {100, 80}, {0, 80}})); got != "[0 2 1 3]" && got != "[0 2 3 1]" {
		t.Errorf("four corners go %s", got)
	}
	// A long row goes from the middle outwards.
	if got := fmt.Sprint(sequence([][2]float64{{0, 0}, {50, 0}, {100, 0}, {150, 0}, {200, 0}})); got != "[2 1 3 0 4]" &&
		got != "[2 3 1 4 0]" && got != "[2 1 3 4 0]" && got != "[2 3 1 0 4]" {
		t.Errorf("a row goes %s", got)
	}
	rnd := rand.New(rand.NewSource(1))
	for range 50 {
		var h [][2]float64
		for range 1 + rnd.Intn(12) {
			h = append(h, [2]float64{rnd.Float64(), rnd.Float64()})
		}
		seen := map[int]bool{}
		for _, i := range sequence(h) {
			seen[i] = true
		}
		if len(seen) != len(h) {
			t.Fatal("a bolt is left out, or comes twice")
		}
	}
}

// What a joint is told wrong is refused at its place, in words; nothing else of it
// is looked at then.
func TestJointRefuses(t *testing.T) {
	for path, change := range map[string]func(*Input){
		"/size":                func(in *Input) { in.Size = "M9" },
		"/grade":               func(in *Input) { in.Grade = "7.7" },
		"/head":                func(in *Input) { in.Head = "round" },
		"/reached":             func(in *Input) { in.Reached = "above" },
		"/strength/school":     func(in *Input) { in.Strength.School = "hope" },
		"/holes":               func(in *Input) { in.Holes = nil },
		"/holes/1/0":           func(in *Input) { in.Holes[1][0] = math.NaN() },
		"/plies":               func(in *Input) { in.Plies = in.Plies[:1] },
		"/plies/0/thickness":   func(in *Input) { in.Plies[0].Thickness = 0 },
		"/plies/1/coat":        func(in *Input) { in.Plies[1].Coat = -1 },
		"/plies/1/squash":      func(in *Input) { in.Plies[1].Squash = 99 },
		"/plies/1/worn":        func(in *Input) { in.Plies[1].Worn = .01 },
		"/plies/1/material":    func(in *Input) { in.Plies[1].Material = "cheese" },
		"/plies/0/hole":        func(in *Input) { in.Plies[0].Hole = 5 },
		"/cases/0/force/2":     func(in *Input) { in.Cases[0].Force[2] = math.Inf(1) },
		"/cases/0/at/1":        func(in *Input) { in.Cases[0].At[1] = 1e9 },
		"/cases/0/moment/0":    func(in *Input) { in.Cases[0].Moment[0] = 1e15 },
		"/washers":             func(in *Input) { in.Washers = 99 },
		"/washer":              func(in *Input) { in.Washer = -1 },
		"/angle":               func(in *Input) { in.Angle = 45 },
		"/tighten/share":       func(in *Input) { in.Tighten.Share = 1.5 },
		"/tighten/lubrication": func(in *Input) { in.Tighten.Lubrication = "butter" },
		"/tighten/cures":       func(in *Input) { c := 99.; in.Tighten.Cures = &c },
		"/rivet":               func(in *Input) { in.Nut = Riveted },
		"/rivet/diameter":      func(in *Input) { in.Nut, in.Rivet = Riveted, &RivetPick{5, "steel"} },
	} {
		in := sound()
		in.Plies, in.Cases = append([]Ply{}, in.Plies...), append([]Case{}, in.Cases...)
		in.Holes = append([][2]float64{}, in.Holes...)
		change(&in)
		if _, err := Work(in); err == nil {
			t.Errorf("%s is taken", path)
		} else if f := new(working.Fault); !errors.As(err, &f) || f.Path != path || len(f.Message) < 15 {
			t.Errorf("want a refusal at %s in words, got %v", path, err)
		}
	}
}

// 60 joints of eight bolts and four plies in eleven cases, as after a load changed.
func BenchmarkJoints60(b *testing.B) {
	in := sound()
	in.Holes = append(in.Holes, [2]float64{50, 0}, [2]float64{50, 80}, [2]float64{0, 40}, [2]float64{100, 40})
	in.Plies = append(append([]Ply{}, in.Plies...), in.Plies...)
	in.Cases = nil
	for k := range 11 {
		in.Cases = append(in.Cases, Case{Name: fmt.Sprint("case ", k), Force: [3]float64{float64(100 * k), -3000, 500},
			At: [3]float64{150, 40, 30}})
	}
	for b.Loop() {
		for range 60 {
			if _, err := Work(in); err != nil {
				b.Fatal(err)
			}
		}
	}
}

// What is suggested brings the joint lower, as the joint worked out anew says;
// one that holds by far is left alone.
func TestSuggestionsHelp(t *testing.T) {
	if s := Suggest(sound(), false); len(s) != 0 {
		t.Errorf("a joint that holds is offered %+v", s)
	}
	rnd := rand.New(rand.NewSource(22))
	helped := 0
	for range 100 {
		in := sound()
		in.Plies = append([]Ply{}, in.Plies...)
		in.Plies[1].Thickness = 1.5 + 4*rnd.Float64()
		in.Cases = []Case{{Name: "x", Force: [3]float64{40e3 * rnd.Float64(), -60e3 * rnd.Float64(), 50e3 * rnd.Float64()},
			At: [3]float64{60, 40, 20 * rnd.Float64()}}}
		now := work(t, in)
		for _, s := range Suggest(in, rnd.Intn(2) == 0) {
			then := work(t, s.Input)
			if then.Hardest == nil || *then.Hardest >= *now.Hardest || *then.Hardest != *s.Hardest || then.Verdict != s.Verdict {
				t.Fatalf("%s: %v, was %v", s.Text, then.Hardest, *now.Hardest)
			}
			helped++
		}
	}
	if helped < 50 {
		t.Errorf("only %d suggestions", helped)
	}
}

// taken answers the joint with a fix made, as the interface makes it.
func taken(t *testing.T, in Input, f working.Fix) Input {
	t.Helper()
	raw, err := json.Marshal(in)
	if err != nil {
		t.Fatal(err)
	}
	var tree any
	if err := json.Unmarshal(raw, &tree); err != nil {
		t.Fatal(err)
	}
	for _, e := range f.Edits {
		at := tree
		steps := strings.Split(e.Path[1:], "/")
		for i, s := range steps {
			last := i == len(steps)-1
			switch n := at.(type) {
			case map[string]any:
				if last {
					n[s] = e.Value
				}
				at = n[s]
			case []any:
				k, _ := strconv.Atoi(s)
				if last {
					n[k] = e.Value
				}
				at = n[k]
			}
		}
	}
	if raw, err = json.Marshal(tree); err != nil {
		t.Fatal(err)
	}
	var out Input
	if err := json.Unmarshal(raw, &out); err != nil {
		t.Fatal(err)
	}
	return out
}
