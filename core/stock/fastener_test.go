package stock

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
)

// Areas as the standards print them: ISO 898-1 tables 4 and 5 (stress area), the core area
// of ISO 724's root diameter, ASME B1.1 table A-1 (stress area, square inches).
func TestAreasOfThreads(t *testing.T) {
	for _, c := range []struct {
		name         string
		stress, root float64 // mm², 0 where no table is at hand
	}{
		{"M5", 14.2, 12.7}, {"M6", 20.1, 17.9}, {"M8", 36.6, 32.8}, {"M10", 58, 52.3}, {"M12", 84.3, 76.2}, {"M16", 157, 144},
		{"M20", 245, 225}, {"M24", 353, 324},
		{"M8×1", 39.2, 36}, {"M10x1.25", 61.2, 56.3}, {"M12×1.5", 88.1, 81.1},
		{"1/4", .0318 * 645.16, 0}, {"3/8", .0775 * 645.16, 0}, {"1/2-13", .1419 * 645.16, 0}, {"3/4", .334 * 645.16, 0}, {"1", .606 * 645.16, 0}, {"1/4-28", .0364 * 645.16, 0},
	} {
		t.Run(c.name, func(t *testing.T) {
			th, err := ThreadNamed(c.name)
			if err != nil {
				t.Fatal(err)
			}
			if got := th.StressArea(); math.Abs(got-c.stress) > .006*c.stress {
				t.Errorf("stress area %.2f, the table has %g", got, c.stress)
			}
			if got := th.RootArea(); c.root > 0 && math.Abs(got-c.root) > .006*c.root {
				t.Errorf("root area %.2f, the table has %g", got, c.root)
			}
			if a := th.NominalArea(); a <= th.StressArea() || th.StressArea() <= th.RootArea() {
				t.Errorf("shank %g, stress %g, root %g", a, th.StressArea(), th.RootArea())
			}
		})
	}
}

func TestThreadsByName(t *testing.T) {
	for name, want := range map[string]string{"m8": "M8×1.25", " M10X1.25 ": "M10×1.25", "3/8": "3/8-16",
		"3/8-24": "3/8-24", "#10-32": "#10-32"} {
		if th, err := ThreadNamed(name); err != nil || th.Name() != want {
			t.Errorf("%q is %s (%v), want %s", name, th.Name(), err, want)
		}
	}
	for name, says := range map[string]string{"M9": "thread table", "M8×7": "comes with pitch 1.25 or 1", "3/8-": "no pitch",
		"5": "thread table", "": "thread table"} {
		if th, err := ThreadNamed(name); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q is %s (%v), want %q", name, th.Name(), err, says)
		}
	}
	if _, err := FindThread("witworth", "1/4", 0); err == nil || !strings.Contains(err.Error(), "inch or metric") {
		t.Errorf("%v", err)
	}
	for _, th := range Threads { // every one is found by what it is called
		if got, err := ThreadNamed(th.Name()); err != nil || got != th {
			t.Errorf("%s: %s (%v)", th.Name(), got.Name(), err)
		}
	}
}

// A hole is wider the looser it is, a tap drill narrower than the thread and wider than
// its root; sizes grow down the table.
func TestThreadTableIsInOrder(t *testing.T) {
	last := map[string]Thread{}
	for _, th := range Threads {
		c := th.Clearance
		if !(th.Diameter < c.Close && c.Close < c.Normal && c.Normal < c.Loose) {
			t.Errorf("%s: %+v round %g", th.Name(), c, th.Diameter)
		}
		root := math.Sqrt(th.RootArea() * 4 / math.Pi)
		if th.TapDrill >= th.Diameter || th.TapDrill <= root {
			t.Errorf("%s: tap drill %g, root %g", th.Name(), th.TapDrill, root)
		}
		if th.AcrossHex < 1.3*th.Diameter || th.AcrossHex > 1.8*th.Diameter || th.Source == "" {
			t.Errorf("%s: %g across flats (%s)", th.Name(), th.AcrossHex, th.Source)
		}
		key := fmt.Sprint(th.System, th.Coarse)
		if was, there := last[key]; there && th.Coarse && (was.Diameter >= th.Diameter || was.PitchMM() > th.PitchMM()) {
			t.Errorf("%s stands behind %s", th.Name(), was.Name())
		}
		last[key] = th
	}
}

// Classes at the sizes where they change, as SAE J429 and ISO 898-1 print them.
func TestClasses(t *testing.T) {
	for _, c := range []struct {
		thread, class  string
		proof, tensile float64
		says           string
	}{
		{"M16", "8.8", 580, 800, ""}, {"M18", "8.8", 600, 830, ""}, {"M10", "10.9", 830, 1040, ""}, {"M24", "12.9", 970, 1220, ""},
		{"3/4", "SAE 2", 55 * ksi, 74 * ksi, ""}, {"7/8", "SAE 2", 33 * ksi, 60 * ksi, ""}, {"1", "SAE 5", 85 * ksi, 120 * ksi, ""}, {"1/2", "SAE 8", 120 * ksi, 150 * ksi, ""},
		{"M10", "A2-70", 450, 700, ""},
		{"M10", "SAE 5", 0, 0, "is a class of inch bolts"}, {"#10", "SAE 5", 0, 0, "does not exist at #10"}, {"M10", "9.9", 0, 0, "is not a bolt class here"},
	} {
		t.Run(c.thread+" "+c.class, func(t *testing.T) {
			th, err := ThreadNamed(c.thread)
			if err != nil {
				t.Fatal(err)
			}
			g, err := FindGrade(th, c.class)
			if c.says != "" {
				if err == nil || !strings.Contains(err.Error(), c.says) {
					t.Errorf("%+v, %v", g, err)
				}
				return
			}
			if err != nil || math.Abs(g.Proof-c.proof) > 1e-9 || math.Abs(g.Tensile-c.tensile) > 1e-9 {
				t.Errorf("%+v, %v", g, err)
			}
		})
	}
	for _, g := range Grades {
		if !(g.Proof > 0 && g.Proof <= g.Yield && g.Yield < g.Tensile) || g.Source == "" || g.UpTo <= g.From {
			t.Errorf("%+v", g)
		}
	}
}

// Thread lengths of ISO 4014 (2d + 6, + 12, + 25) and ASME B18.2.1 (2D + 1/4, + 1/2 in).
func TestThreadLengths(t *testing.T) {
	for _, c := range []struct {
		thread       string
		length, want float64
	}{
		{"M10", 80, 26}, {"M10", 125, 26}, {"M12", 150, 36}, {"M20", 220, 65}, {"M8", 16, 16},
		{"1/2", 3 * inch, 1.25 * inch}, {"1/2", 7 * inch, 1.5 * inch}, {"3/8", .75 * inch, .75 * inch},
	} {
		th, err := ThreadNamed(c.thread)
		if err != nil {
			t.Fatal(err)
		}
		if got := th.ThreadLength(c.length); math.Abs(got-c.want) > 1e-9 {
			t.Errorf("%s × %g: %g, want %g", c.thread, c.length, got, c.want)
		}
	}
	for system, some := range map[System][]float64{Metric: {10, 16, 20, 25, 70, 80, 300},
		Inch: {.5 * inch, 1.25 * inch, 1.5 * inch, 6 * inch, 12 * inch}} {
		list := BoltLengths(system)
		if !slices.IsSorted(list) {
			t.Errorf("%s: %v", system, list)
		}
		for _, l := range some {
			if !slices.ContainsFunc(list, func(x float64) bool { return math.Abs(x-l) < 1e-9 }) {
				t.Errorf("%s bolts do not come %g long", system, l)
			}
		}
	}
}

// What goes with a thread fits it and each other: nuts of ISO 4032, ring nuts higher,
// washers wider than the head, a socket that goes over it, tools that have room.
func TestWhatGoesWithAThread(t *testing.T) {
	for _, th := range Threads {
		h, known := HardwareFor(th)
		if !known {
			t.Errorf("nothing goes with %s", th.Name())
			continue
		}
		if !(h.Nut > .6*th.Diameter && h.Nut < th.Diameter) || h.LockNut != 0 && h.LockNut <= h.Nut || h.Head > 1.05*h.Nut ||
			h.WasherOver <= th.AcrossHex || h.Socket <= 2/math.Sqrt(3)*th.AcrossHex {
			t.Errorf("%s: %+v round a hexagon of %g", th.Name(), h, th.AcrossHex)
		}
		s := SocketHeadOf(th)
		if s.Over != 1.5*th.Diameter || s.High != th.Diameter || s.Key >= s.Over {
			t.Errorf("%s: %+v", th.Name(), s)
		}
		keys := map[string]bool{}
		for _, tool := range ToolsFor(th) {
			if keys[tool.Key] || tool.Name == "" || len(tool.Rounds) == 0 {
				t.Errorf("%s: %+v", th.Name(), tool)
			}
			keys[tool.Key] = true
			for _, r := range tool.Rounds {
				if r.Radius <= 0 || r.To <= r.From {
					t.Errorf("%s, %s: %+v", th.Name(), tool.Key, r)
				}
			}
			if w := tool.Handle; w != nil && (w.Length <= 0 || w.Width <= 0 || w.To <= w.From) {
				t.Errorf("%s, %s: %+v", th.Name(), tool.Key, w)
			}
		}
		if i, known := InsertFor(th); known && (i.WeldNut <= th.Diameter || i.RivetNut < i.WeldNut-1e-9) {
			t.Errorf("%s: %+v", th.Name(), i)
		}
		if o := th.Lookalike(); o != "" {
			other, err := ThreadNamed(o)
			if err != nil || other.System == th.System || math.Abs(other.Diameter-th.Diameter) > .1*th.Diameter || other.Lookalike() != th.Size {
				t.Errorf("%s is taken for %s (%v)", th.Name(), o, err)
			}
		}
	}
	if m18, _ := ThreadNamed("M18"); m18.Lookalike() != "" {
		t.Error("M18 is taken for something")
	}
	if _, known := HardwareFor(Thread{Size: "M7"}); known {
		t.Error("something goes with M7")
	}
}

// Pilots grow to the hole in steps a drill takes; small holes need none.
func TestPilotSteps(t *testing.T) {
	for d, most := range map[float64]int{5: 0, 6: 0, 8: 1, 13: 2, 25: 3} {
		for family, grow := range map[Family]float64{Steel: 2.2, Stainless: 2.6} {
			steps := PilotSteps(d, family)
			if len(steps) > most {
				t.Errorf("%g mm in %s: %v", d, family, steps)
			}
			for i, s := range append(steps, d) {
				if i > 0 && (s <= steps[i-1] || s > (grow+.3)*steps[i-1]) {
					t.Errorf("%g mm in %s: %v", d, family, steps)
				}
			}
		}
	}
}

// What a bolt is screwed into has its strength from the table of materials, or its own
// source.
func TestThreadedInto(t *testing.T) {
	list := ThreadedInto()
	for _, m := range Materials {
		if !slices.Contains(list, Threaded{m.Name, m.Tensile, m.Source}) {
			t.Errorf("%s is not as its material says", m.Name)
		}
		if m.Known() == strings.Contains(m.Name, "not known") {
			t.Errorf("%s: known is %t", m.Name, m.Known())
		}
		across, along := m.SmallestRadius(2)
		a, b := m.SmallestRadius(500) // past the table its last row counts
		if across <= 0 || along < across || a <= across || b <= along {
			t.Errorf("%s: %g %g, %g %g", m.Name, across, along, a, b)
		}
	}
	for _, x := range list {
		if x.Name == "" || x.Tensile <= 0 || x.Source == "" {
			t.Errorf("%+v", x)
		}
	}
	if _, err := ProcessByKey("teeth"); err == nil {
		t.Error("cut with teeth")
	}
}
