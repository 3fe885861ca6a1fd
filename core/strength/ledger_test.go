package strength

import (
	"fmt"
	"math"
	"os"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/working"
)

// one is a mode that asks a demand of each case against 10.
func one(key string) Mode[float64] {
	return Mode[float64]{Key: key, Name: key, Unit: "N", Eval: func(c *float64) Hit { return Hit{Demand: *c, Capacity: 10} },
		Explain: func(c *float64, h Hit) working.Working {
			return working.Working{Method: key, Result: working.Quantity{Value: h.Demand}}
		}}
}

func named(c *float64) string { return fmt.Sprintf("case %g", *c) }

// Every mode ends as answered, not needed or cannot say, each for its own reason.
func TestHardestEndsEveryMode(t *testing.T) {
	with := func(change func(*Mode[float64])) Mode[float64] { m := one("m"); change(&m); return m }
	for _, c := range []struct {
		what  string
		mode  Mode[float64]
		cases []float64
		want  Verdict
		says  string
	}{
		{"under", one("m"), []float64{3, 8, 5}, Holds, ""},
		{"near", one("m"), []float64{9}, Tight, ""},
		{"over", one("m"), []float64{1, 11}, Over, ""},
		{"nothing asked", one("m"), []float64{0, 0}, NotNeeded, "Nothing asks it"},
		{"nothing asked, in its own words", with(func(m *Mode[float64]) { m.Idle = "No shear." }), []float64{0}, NotNeeded, "No shear."},
		{"needless", with(func(m *Mode[float64]) { m.Needless = "One hole." }), []float64{50}, NotNeeded, "One hole."},
		{"missing", with(func(m *Mode[float64]) { m.Missing = "Give its edge." }), []float64{1}, CannotSay, "Give its edge."},
		{"missing goes before needless", with(func(m *Mode[float64]) { m.Missing, m.Needless = "Give it.", "One." }), []float64{1}, CannotSay, "Give it."},
		{"no method", Mode[float64]{Key: "m"}, []float64{1}, CannotSay, "No method"},
		{"no case", one("m"), nil, CannotSay, "No load"},
		{"a number that is lost", with(func(m *Mode[float64]) {
			m.Eval = func(c *float64) Hit { return Hit{Demand: math.NaN(), Capacity: 1} }
		}), []float64{1, 2}, CannotSay, "no number"},
		{"an infinite load", with(func(m *Mode[float64]) {
			m.Eval = func(c *float64) Hit { return Hit{Demand: math.Inf(1), Capacity: 1} }
		}), []float64{1}, CannotSay, "no number"},
		{"nothing to carry it", with(func(m *Mode[float64]) { m.Eval = func(c *float64) Hit { return Hit{Demand: 1} } }), []float64{1}, Over, "nothing to set against"},
		{"nothing of it can give way", with(func(m *Mode[float64]) {
			m.Eval = func(c *float64) Hit { return Hit{Demand: *c, Capacity: math.Inf(1)} }
		}), []float64{1, 2}, NotNeeded, "nothing of it gives way"},
		{"gives way in one case, not in another", with(func(m *Mode[float64]) {
			m.Eval = func(c *float64) Hit {
				return Hit{Demand: *c, Capacity: map[bool]float64{true: math.Inf(1), false: 1}[*c > 1]}
			}
		}), []float64{.5, 9}, Holds, ""},
		{"gone", with(func(m *Mode[float64]) {
			m.Eval = func(c *float64) Hit { return Hit{Demand: 1, Capacity: 5, Gone: "Torn through."} }
		}), []float64{1}, Over, "Torn through."},
		{"unsure of one case", with(func(m *Mode[float64]) {
			m.Unsure = func(c *float64) string { return map[bool]string{true: "who knows."}[*c == 2] }
		}), []float64{3, 2}, CannotSay, "case 2: who knows."},
		{"unsure and over", with(func(m *Mode[float64]) { m.Unsure = func(c *float64) string { return "who knows." } }), []float64{30}, Over, ""},
		{"unsure and nothing asked", with(func(m *Mode[float64]) { m.Unsure = func(c *float64) string { return "who knows." } }), []float64{0}, CannotSay, "who knows."},
	} {
		got := Hardest([]Mode[float64]{c.mode}, c.cases, named)[0]
		if got.Verdict != c.want || !strings.Contains(got.Why, c.says) {
			t.Errorf("%s: %s %q, want %s %q", c.what, got.Verdict, got.Why, c.want, c.says)
		}
		if math.IsInf(got.Capacity, 0) || math.IsNaN(got.Capacity) || math.IsInf(got.Demand, 0) && got.Verdict != CannotSay {
			t.Errorf("%s: %g of %g cannot be written", c.what, got.Demand, got.Capacity)
		}
		if (got.Verdict == NotNeeded || got.Verdict == CannotSay) && got.Why == "" {
			t.Errorf("%s: %s without why", c.what, got.Verdict)
		}
	}
	c := Hardest([]Mode[float64]{one("m")}, []float64{3, 8, 5}, named)[0]
	if c.Case != "case 8" || c.Demand != 8 || c.Working == nil || c.Working.Result.Value != 8 {
		t.Errorf("%+v", c)
	}
}

// A case that is added never makes a mode easier.
func TestAddedCasesNeverEase(t *testing.T) {
	cases := []float64{}
	last := NotNeeded
	for _, v := range []float64{0, 1, .5, 8.6, 2, 10, 10.1, 3} {
		cases = append(cases, v)
		if got := Hardest([]Mode[float64]{one("m")}, cases, named)[0].Verdict; Worse(last, got) {
			t.Errorf("with %g it falls from %s to %s", v, last, got)
		} else {
			last = got
		}
	}
	if last != Over {
		t.Errorf("ends %s", last)
	}
}

// Each declared mode of each form, taken away, makes the verdict cannot say: silence
// does not pass. A check of another thing does not answer for it.
func TestClosedLedgerMissesNothing(t *testing.T) {
	for _, f := range Forms() {
		l := []Ledger{{Form: f, Suffix: "-1", Where: "it", Feature: "x"}}
		var all []Check
		for _, d := range Declared(f) {
			u := .5
			all = append(all, Check{Key: d.Key + "-1", Feature: "x", Verdict: Holds, Utilisation: &u})
		}
		if o := Close(l, all); o.Verdict != Holds || len(o.Checks) != len(all) {
			t.Errorf("%s: all answered, %s", f, o.Verdict)
		}
		for i, d := range Declared(f) {
			rest := slices.Delete(slices.Clone(all), i, i+1)
			other := append(slices.Clone(rest), Check{Key: d.Key + "-1", Feature: "another", Verdict: Holds})
			for _, list := range [][]Check{rest, other} {
				o := Close(l, list)
				if o.Verdict != CannotSay {
					t.Errorf("%s without %s: %s", f, d.Key, o.Verdict)
				}
				k := slices.IndexFunc(o.Checks, func(c Check) bool { return c.Key == d.Key+"-1" && c.Feature == "x" })
				if k < 0 || !strings.Contains(o.Checks[k].Why, d.Asks) {
					t.Errorf("%s: %s is not asked for", f, d.Key)
				}
			}
			if d.Name == "" || d.Asks == "" {
				t.Errorf("%s: %s has no name or nothing that answers it", f, d.Key)
			}
		}
	}
	if o := Close(nil, nil); o.Verdict != CannotSay {
		t.Errorf("no ledger: %s", o.Verdict)
	}
	if o := Close([]Ledger{{Form: "a form nobody knows"}}, nil); o.Verdict != CannotSay {
		t.Errorf("an unknown form: %s", o.Verdict)
	}
}

// Hardest first: over, what cannot be said, then by the share, what is not needed last.
func TestLedgerOrder(t *testing.T) {
	u := func(v float64) *float64 { return &v }
	o := Close([]Ledger{{Form: FrameForm}},
		[]Check{{Key: "a", Verdict: NotNeeded, Why: "none"}, {Key: "b", Verdict: Holds, Utilisation: u(.2)},
			{Key: "c", Verdict: Over, Utilisation: u(1.2)}, {Key: "d", Verdict: CannotSay}, {Key: "e", Verdict: Tight, Utilisation: u(.9)},
			{Key: "modes", Verdict: NotNeeded}})
	got := ""
	for _, c := range o.Checks {
		got += c.Key[:1]
	}
	if got != "cdebam" || o.Verdict != Over || *o.Hardest != 1.2 || o.Checks[o.First].Key != "c" {
		t.Errorf("%s, %s, %v", got, o.Verdict, o.Hardest)
	}
}

// The table of forms and modes in the methods says what the code declares, and
// nothing else.
func TestTableInTheMethods(t *testing.T) {
	raw, err := os.ReadFile("../../docs/methods.md")
	if err != nil {
		t.Fatal(err)
	}
	told := map[string]string{}
	_, text, _ := strings.Cut(string(raw), "## What must be answered")
	text, _, _ = strings.Cut(text, "\n## ")
	for _, line := range strings.Split(text, "\n") {
		cells := strings.Split(line, "|")
		if len(cells) == 4 && strings.Contains(cells[2], "`") {
			told[strings.TrimSpace(cells[1])] = strings.TrimSpace(cells[2])
		}
	}
	for _, f := range Forms() {
		var keys []string
		for _, d := range Declared(f) {
			keys = append(keys, "`"+d.Key+"`")
		}
		if want := strings.Join(keys, " "); told[string(f)] != want {
			t.Errorf("| %s | %s |", f, want)
		}
		delete(told, string(f))
	}
	for f := range told {
		t.Errorf("the methods have %q, the code has not", f)
	}
}
