package split_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
)

// usual are the machines of a shop that says nothing of its own.
var usual = flags.Machines{Tables: []flags.Machine{{Name: "a usual table", Long: 3000, Wide: 1500}},
	Brakes: []flags.Machine{{Name: "a usual brake", Long: 3000}}}

func lines(t *testing.T, r sheet.Recipe, p split.Parting, opt made.Options) split.Lines {
	t.Helper()
	out, err := split.Propose(r, p, opt)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// held builds what a line says anew: its pieces are whole, none is stopped, and they are
// as large as they were said to be.
func held(t *testing.T, r sheet.Recipe, l split.Line) []made.Part {
	t.Helper()
	n := 0
	pieces, err := split.Part(r, l.Parting, func() string { n++; return fmt.Sprint("h", n) })
	if err != nil {
		t.Fatalf("%+v is proposed and cannot be split: %v", l.Parting, err)
	}
	var out []made.Part
	for i, s := range pieces.Parts {
		b := plates.Build(t, s.Recipe)
		x, y := b.Outline.Bounds().Size()
		if !b.Whole || len(plates.Stops(b)) > 0 || math.Abs(x-l.Pieces[i].Blank[0]) > 1e-9 || math.Abs(y-l.Pieces[i].Blank[1]) > 1e-9 {
			t.Errorf("%+v: %+v, said to be %v", l.Parting, plates.Stops(b), l.Pieces[i].Blank)
		}
		out = append(out, b)
	}
	return out
}

// A plate of 3 400 with a hole on its middle: the line lies beside it, both pieces fit.
func TestALineIsProposedBesideWhatLiesOnTheMiddle(t *testing.T) {
	r := plates.Plate(3400, 600)
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 1700, sheet.Front, 300, 120)}
	r.Base.Holes[0].Name = "Hatch"
	got := lines(t, r, split.Usual(false), made.Options{Machines: usual})
	if len(got.Lines) == 0 || got.Lines[0].Parting.Axis != "x" || len(got.Lines[0].Left) > 0 {
		t.Fatalf("%+v", got)
	}
	l := got.Lines[0]
	// 97 mm between places; the nearest that clear a hole of 60 to each side and its sheet
	if d := math.Abs(l.Parting.At - 1700); d < 63 || d > 160 {
		t.Errorf("the line is %.1f from the middle: %s", d, l.Why)
	}
	held(t, r, l)
	across := got.Lines[len(got.Lines)-1] // lengthwise: both pieces are still longer than the bed
	if across.Parting.Axis != "y" || len(across.Left) != 2 {
		t.Errorf("%+v", across)
	}
}

// A tray's long flanges are bent in two pieces when it is split across; taking a flange
// off at its bend crosses none.
func TestBendsThatAreCutAreNamed(t *testing.T) {
	r := plates.Plate(900, 300)
	f := plates.Flange("f", sheet.Front, 80, 90)
	f.Name = "Apron"
	r.Base.Flanges = []sheet.Flange{f}
	got := lines(t, r, split.Usual(false), made.Options{Machines: usual})
	at := map[string]split.Line{}
	for _, l := range got.Lines {
		at[l.Parting.Axis] = l
		held(t, r, l)
	}
	if c := at["x"].Crossed; len(c) != 1 || c[0] != "Apron" {
		t.Errorf("across: %v", c)
	}
	if len(at["y"].Crossed) > 0 || at[""].Parting.Bend != "f" {
		t.Errorf("%+v", at)
	}
	if a, b := at["x"].Pieces[0].Mass, at["x"].Pieces[1].Mass; math.Abs(a-b) > .2*b {
		t.Errorf("%.2f and %.2f kg", a, b)
	}
}

// What one person lifts is asked of the pieces; where no line does it, what is left is
// said.
func TestPiecesTooHeavyAreSaid(t *testing.T) {
	r := plates.Plate(1000, 1000) // 3 mm, 23.6 kg
	if got := lines(t, r, split.Usual(false), made.Options{Machines: usual, Lift: 14}); len(got.Lines[0].Left) > 0 {
		t.Errorf("%+v", got.Lines[0])
	}
	got := lines(t, r, split.Usual(false), made.Options{Machines: usual, Lift: 5})
	even := 0
	for _, l := range got.Lines {
		if math.Abs(l.Parting.At-500) < 30 && len(l.Left) == 2 {
			even++
		}
	}
	if even != 2 {
		t.Errorf("not offered in even pieces both ways: %+v", got.Lines)
	}
	if len(got.Lines[0].Left) != 1 || !strings.Contains(got.Lines[0].Left[0], "first piece for one person's lift") {
		t.Errorf("%+v", got.Lines[0])
	}
	small := plates.Plate(30, 30)
	if got := lines(t, small, split.Usual(false), made.Options{Machines: usual}); len(got.Lines) > 0 || len(got.Not) != 2 {
		t.Errorf("a washer is split: %+v", got)
	}
}

// Seams name the holes they are bolted through, also where the part had holes of that
// name before.
func TestSeamsNameTheirBolts(t *testing.T) {
	r := plates.Plate(800, 200)
	old := plates.Round("old", sheet.Left, 100, sheet.Front, 50, 9)
	old.Name = "Joint bolts"
	r.Base.Holes = []sheet.Hole{old}
	for joint, want := range map[split.JointKind]int{split.LapJoint: 1, split.StripJoint: 2, split.TabJoint: 1} {
		n := 0
		pieces, err := split.Part(r, split.Parting{Axis: "x", At: 500, Joint: joint}, func() string { n++; return fmt.Sprint("n", n) })
		if err != nil || len(pieces.Seams) != want {
			t.Fatalf("%s: %v %+v", joint, err, pieces.Seams)
		}
		for _, s := range pieces.Seams {
			b := plates.Build(t, pieces.Parts[s.A].Recipe)
			if joint == split.TabJoint { // welded along the edge it was cut at
				if s.Edge != sheet.Right || len(s.Bolts) > 0 {
					t.Errorf("%+v", s)
				}
				continue
			}
			bolts := 0
			for _, h := range b.Holes {
				for _, id := range s.Bolts {
					if h.Feature == id {
						bolts++
					}
				}
			}
			if bolts < 2 || len(s.Bolts) != 1 || s.Bolts[0] == "old" {
				t.Errorf("%s: %d bolts of %v", joint, bolts, s.Bolts)
			}
		}
	}
}

// A deck with long flanges and forty holes: every place along both ways, and its bends.
func BenchmarkPropose(b *testing.B) {
	r := plates.Plate(3400, 900)
	f, g := plates.Flange("f", sheet.Front, 50, 90), plates.Flange("g", sheet.Back, 50, 90)
	r.Base.Flanges = []sheet.Flange{f, g}
	h := plates.Round("h", sheet.Left, 150, sheet.Front, 120, 9)
	h.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: 10, Rows: 4, PitchX: 330, PitchY: 200}
	r.Base.Holes = []sheet.Hole{h}
	for b.Loop() {
		if _, err := split.Propose(r, split.Usual(false), made.Options{Machines: usual, Lift: 25}); err != nil {
			b.Fatal(err)
		}
	}
}

// A part that is stopped already gets no line that stops it more: its own stops count once.
func TestNoLineStopsMore(t *testing.T) {
	r := plates.Plate(600, 200)
	r.Base.Holes = []sheet.Hole{plates.Round("a", sheet.Left, 100, sheet.Front, 100, 20), plates.Round("b", sheet.Left, 112,
		sheet.Front, 100, 20)}
	count := func(p made.Part) map[string]int {
		out := map[string]int{}
		for _, f := range plates.Stops(p) {
			out[f.Code]++
		}
		return out
	}
	whole := count(plates.Build(t, r))
	if len(whole) == 0 {
		t.Fatal("two holes over one another do not stop it")
	}
	for x := 60.; x < 560; x += 17 { // a row of holes that the bolts of a lap would meet
		h := plates.Round(fmt.Sprint("h", x), sheet.Left, x, sheet.Front, 30, 9)
		r.Base.Holes = append(r.Base.Holes, h)
	}
	whole = count(plates.Build(t, r))
	for _, l := range lines(t, r, split.Usual(false), made.Options{}).Lines {
		n := 0
		pieces, err := split.Part(r, l.Parting, func() string { n++; return fmt.Sprint("h", n) })
		if err != nil {
			t.Fatal(err)
		}
		sum := map[string]int{}
		for _, s := range pieces.Parts {
			for code, k := range count(plates.Build(t, s.Recipe)) {
				sum[code] += k
			}
		}
		for code, k := range sum {
			if k > whole[code] {
				t.Errorf("%s: %d of %s, and the whole has %d", l.Name, k, code, whole[code])
			}
		}
	}
}
