package brief

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/hold"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

func known(v float64) *Given { return &Given{Value: v, Trust: Measured} }

// loaded is a vehicle of random masses, all with their places.
func loaded(rnd *rand.Rand) Brief {
	b := Brief{Name: "x", Unit: UnitMM, Grain: 1, Quantity: 1}.Upgraded()
	b.Card = Card{Span: known(2500 + 1500*rnd.Float64()), Front: known(600 + 800*rnd.Float64()), Rear: known(500 + 800*rnd.Float64()),
		Gross: known(3500), FrontLimit: known(1800), RearLimit: known(2000), RoofLimit: known(100)}
	for i := range 1 + rnd.IntN(4) {
		b.Devices = append(b.Devices, Device{ID: fmt.Sprint("d", i), Name: fmt.Sprint("Device ", i), Mass: known(20 + 200*rnd.Float64()),
			Behind: known(4000*rnd.Float64() - 500), OnRoof: rnd.IntN(3) == 0})
	}
	return b
}

func shares(w Weighed) map[string]Share {
	out := map[string]Share{}
	for _, s := range w.Shares {
		out[s.Key] = s
	}
	return out
}

// What stands on the axles is all there is, about the front axle it turns as the masses
// do; every kilogram is counted once, what is made too.
func TestAxlesBalance(t *testing.T) {
	rnd := rand.New(rand.NewPCG(41, 14))
	for range 50 {
		b := loaded(rnd)
		behind := 3000 * rnd.Float64()
		made := []Made{{Name: "rack", Mass: 30 * rnd.Float64(), Behind: &behind, OnRoof: true},
			{Name: "bracket", Mass: 4 * rnd.Float64(), Behind: &behind}}
		total, turn, roof := b.Card.Front.Value+b.Card.Rear.Value, b.Card.Rear.Value*b.Card.Span.Value, made[0].Mass
		for _, d := range b.Devices {
			total, turn = total+d.Mass.Value, turn+d.Mass.Value*d.Behind.Value
			if d.OnRoof {
				roof += d.Mass.Value
			}
		}
		for _, m := range made {
			total, turn = total+m.Mass, turn+m.Mass*behind
		}
		s := shares(b.Weigh(made...))
		if math.Abs(s["gross"].Demand-total) > 1e-9 || math.Abs(s["front"].Demand+s["rear"].Demand-total) > 1e-9 ||
			math.Abs(s["rear"].Demand*b.Card.Span.Value-turn) > 1e-6 || math.Abs(s["roof"].Demand-roof) > 1e-9 {
			t.Fatalf("%+v, by hand %g kg, %g behind the front", s, total, turn)
		}
		// Without a place it counts whole on either axle, once in all.
		loose := shares(b.Weigh(Made{Name: "bolts", Mass: 7}, made[0], made[1]))
		for _, key := range []string{"gross", "front", "rear"} {
			if math.Abs(loose[key].Demand-s[key].Demand-7) > 1e-9 {
				t.Errorf("%s: %g with 7 kg of bolts, %g without", key, loose[key].Demand, s[key].Demand)
			}
		}
		// What stays within its limit is never said to be over, and the other way round.
		for key, x := range s {
			if over := x.Demand > x.Capacity; over != (x.Verdict == strength.Over) {
				t.Errorf("%s: %g of %g is %s", key, x.Demand, x.Capacity, x.Verdict)
			}
		}
	}
}

// A limit nobody measured is named as what the answer rests on.
func TestLimitsAreTrustedToo(t *testing.T) {
	b := loaded(rand.New(rand.NewPCG(42, 14)))
	b.Card.Gross.Trust = Memory
	if s := shares(b.Weigh())["gross"]; s.Least == nil || s.Least.Trust != Memory || !strings.Contains(s.Least.Name, "limit") {
		t.Errorf("%+v", s.Least)
	}
	b.Card.Gross.Trust = Measured
	b.Devices[0].Mass.Trust = Assumed
	if s := shares(b.Weigh())["gross"]; s.Least == nil || s.Least.Trust != Assumed || !strings.Contains(s.Least.Name, "Device 0") {
		t.Errorf("%+v", s.Least)
	}
}

// A device's feet carry all of it in every case and way of sharing: forces add up to its
// weight under the case's acceleration, and turn as its centre of gravity does.
func TestFeetCarryAllOfIt(t *testing.T) {
	rnd := rand.New(rand.NewPCG(43, 14))
	for range 20 {
		b := loaded(rnd)
		b.Use = []load.Use{load.Smooth, load.Rough, load.OffRoad}[rnd.IntN(3)]
		b.Strength.School = []strength.School{strength.Allowable, strength.Factored, strength.GCase}[rnd.IntN(3)]
		d := &b.Devices[0]
		d.Gravity = &Gravity{X: 40 * rnd.Float64(), Y: 40 * rnd.Float64(), Z: 300 * rnd.Float64(), Trust: Measured}
		d.Feet = []Foot{{ID: "f1", X: 300, Y: 250}, {ID: "f2", X: 300, Y: -250}, {ID: "f3", X: -320, Y: 240}, {ID: "f4", X: -310, Y: -260}}
		b.Duties = []Duty{{ID: "pull", Name: "Rope", On: Side{Kind: DeviceSide, Of: d.ID}, At: solid.Vector{10, 0, 200},
			Duty: load.Duty{Kind: load.RatedPull, Force: 800, Way: solid.Vector{1, 1, 0}}},
			{ID: "other", Name: "Elsewhere", On: Side{Kind: DeviceSide, Of: "d9"},
				Duty: load.Duty{Kind: load.RatedPull, Force: 800, Way: solid.Vector{0, 0, 1}}}}
		cases, why := b.FeetCases(*d)
		if why != "" {
			t.Fatal(why)
		}
		byName := map[string]Happening{}
		for _, h := range b.Happenings() {
			byName[h.Name] = h
		}
		duty := false
		for _, c := range cases {
			h, ok := byName[c.Case]
			if !ok {
				t.Fatalf("%s is no case of the job", c.Case)
			}
			if strings.Contains(c.Case, "Elsewhere") {
				t.Fatal("a duty on another device acts on this one")
			}
			want := h.Design.Mul(d.Mass.Value * load.G)
			turn := solid.Vector{d.Gravity.X, d.Gravity.Y, d.Gravity.Z}.Cross(want)
			if h.Duty != nil {
				duty = true
				want, turn = want.Add(h.Load.Design), turn.Add(h.Duty.At.Cross(h.Load.Design))
			}
			var sum, moment solid.Vector
			for i, f := range c.Forces {
				sum, moment = sum.Add(f), moment.Add(solid.Vector{d.Feet[i].X, d.Feet[i].Y, 0}.Cross(f))
			}
			if sum.Sub(want).Len() > 1e-6*math.Max(1, want.Len()) {
				t.Errorf("%s: the feet carry %v of %v", c.Name, sum, want)
			}
			// Feet on a level hold both tipping moments; which of them hold the turn about
			// the upright is a matter of how it is shared.
			if c.Sharing == AllSharing && math.Hypot(moment[0]-turn[0], moment[1]-turn[1]) > 1e-6*math.Max(1, turn.Len()) {
				t.Errorf("%s: they turn %v, it %v", c.Name, moment, turn)
			}
			if c.Largest <= 0 || c.Foot < 0 || c.Foot > 3 {
				t.Errorf("%s: %+v", c.Name, c)
			}
		}
		if !duty {
			t.Error("the duty on the device is not among its cases")
		}
	}
}

// Loads of a bracket name their foot and case, the twin's are mirrored, and a duty of the
// part itself acts without a device.
func TestLoadsOnABracket(t *testing.T) {
	b := Brief{Strength: strength.Rule{School: strength.Allowable}, Use: load.Smooth}
	d := Device{ID: "d", Name: "Press", Mass: known(100), Gravity: &Gravity{Z: 200, Trust: Measured},
		Feet: []Foot{{ID: "f1", X: 300, Y: 200}, {ID: "f2", X: 300, Y: -200}, {ID: "f3", X: -300, Y: 200}, {ID: "f4", X: -300, Y: -200}}}
	b.Devices = []Device{d}
	cases, why := b.FeetCases(d)
	if why != "" {
		t.Fatal(why)
	}
	m := Mount{ID: "m", Part: "p", Device: "d", Feet: []Link{"f1"}, TwinFeet: []Link{"f2"}, Hold: hold.Mount{}}
	loads, why := b.LoadsOn(m, d, cases)
	if why != "" || len(loads) != 2*len(cases) {
		t.Fatalf("%d loads, %q", len(loads), why)
	}
	for i, c := range cases {
		own, twin := loads[i], loads[len(cases)+i]
		if own.Force != c.Forces[0] || own.Case != c.Name || !strings.Contains(own.Where, "foot 1") {
			t.Errorf("%+v of %+v", own, c.Forces[0])
		}
		if f := c.Forces[1]; twin.Force != [3]float64{f[0], -f[1], f[2]} || !strings.Contains(twin.Where, "on the twin") {
			t.Errorf("%+v of %+v", twin, f)
		}
	}
	m.Feet = []Link{"f8"}
	if _, why := b.LoadsOn(m, d, cases); !strings.Contains(why, "no such foot") {
		t.Errorf("a foot that is not there: %q", why)
	}
	bare := Mount{ID: "m", Part: "p"}
	if _, why := b.LoadsOn(bare, Device{}, nil); !strings.Contains(why, "rate it") {
		t.Errorf("nothing on it: %q", why)
	}
	b.Duties = []Duty{{ID: "s", Name: "Step", On: Side{Kind: PartSide, Of: "p"}, Duty: load.Duty{Kind: load.Person}}}
	loads, why = b.LoadsOn(bare, Device{}, nil)
	if why != "" || len(loads) != 1 || math.Abs(loads[0].Force[2]+2.5*100*load.G) > 1e-9 {
		t.Errorf("%+v %q", loads, why)
	}
	if !b.Rated("p") || b.Rated("q") {
		t.Error("who is rated is not told apart")
	}
}

// A brief brought up twice is as brought up once; called by other ids it is the same but
// for them, and what it came from is untouched.
func TestUpgradedAndRenamed(t *testing.T) {
	old := Brief{Name: "Old", Limits: Limits{KeepAlive: " Tailgate opens "}}
	once := old.Upgraded()
	if once.Schema != BriefSchema || once.Limits.KeepAlive != "" || len(once.Limits.Kept) != 1 ||
		once.Limits.Kept[0].Text != "Tailgate opens" || once.Strength.School != strength.Allowable || once.Use == "" {
		t.Errorf("%+v", once)
	}
	if twice := once.Upgraded(); len(twice.Limits.Kept) != 1 {
		t.Errorf("%+v", twice.Limits)
	}
	b := Brief{Mounts: []Mount{{ID: "m", Part: "a"}},
		Joints: []Joint{{ID: "j", Part: "a", Sides: []Side{{Kind: PartSide, Of: "a"}, {Kind: MemberSide, Of: "f"}, {Kind: DeviceSide, Of: "a"},
			{Kind: VehicleSide, Of: "a"}}}}, Open: []OpenItem{{ID: "o", Of: "f"}}, Duties: []Duty{{ID: "d", On: Side{Kind: PartSide, Of: "a"}}}}
	r := b.Renamed(map[string]string{"a": "A", "f": "F"})
	if r.Mounts[0].Part != "A" || r.Joints[0].Part != "A" || r.Joints[0].Sides[0].Of != "A" || r.Joints[0].Sides[1].Of != "F" ||
		r.Open[0].Of != "F" || r.Duties[0].On.Of != "A" {
		t.Errorf("%+v", r)
	}
	if r.Joints[0].Sides[2].Of != "a" || r.Joints[0].Sides[3].Of != "a" {
		t.Error("a device or a point of the vehicle is called by a part's new id")
	}
	if b.Mounts[0].Part != "a" || b.Joints[0].Sides[0].Of != "a" || b.Open[0].Of != "f" || b.Duties[0].On.Of != "a" {
		t.Error("what it came from is changed")
	}
}

// Duties need ids of their own, and lifting and fall arrest are none.
func TestDutiesThatAreNone(t *testing.T) {
	good := Duty{ID: "d", Duty: load.Duty{Kind: load.RatedPull, Force: 100, Way: solid.Vector{1, 0, 0}}}
	for want, list := range map[string][]Duty{
		"/duties/0/id":   {{Duty: good.Duty}},
		"/duties/1/id":   {good, good},
		"/duties/0/kind": {{ID: "d", Duty: load.Duty{Kind: "lift"}}},
		"/duties/0/at/1": {{ID: "d", Duty: good.Duty, At: solid.Vector{0, 1e9, 0}}},
	} {
		var f *working.Fault
		if err := (Brief{Duties: list}).CheckDuties(); !errors.As(err, &f) || f.Path != want || f.Message == "" {
			t.Errorf("%s: %v", want, err)
		}
	}
	if err := (Brief{Duties: []Duty{good}}).CheckDuties(); err != nil {
		t.Error(err)
	}
	if got := good.Titled(); got != "the duty without a name" {
		t.Errorf("%q", got)
	}
}

// Inch jobs write as fine as their grain, never coarser than a sixteenth.
func TestDisplay(t *testing.T) {
	for grain, want := range map[float64]int{25.4 / 8: 16, 25.4 / 16: 16, 25.4 / 32: 32, 25.4 / 64: 64, .1: 64} {
		if got := (Brief{Unit: UnitFraction, Grain: grain}).Display().Denominator; got != want {
			t.Errorf("a grain of %g mm: %dths, want %dths", grain, got, want)
		}
	}
	if (Brief{Unit: UnitMM}).Display().Style != "mm" || (Brief{Unit: UnitDecimal}).Display().Style != "decimal" {
		t.Error("units are mixed up")
	}
}
