package shop

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Setting is a machine's settings as they were tried, with what came of them: a log that is
// read before the next piece of that sheet.
type Setting struct {
	ID        string   `json:"id"`
	Operation string   `json:"operation" enum:"cutting,sawing,bending,drilling,welding"`
	Machine   string   `json:"machine,omitempty" doc:"id of the machine; any of its kind when left out"`
	Material  string   `json:"material" doc:"key of the material table"`
	Thickness float64  `json:"thickness" doc:"mm, of the sheet or the wall"`
	Batch     string   `json:"batch,omitempty" doc:"mark or delivery of the sheet; rod or wire of a weld"`
	Set       string   `json:"set" doc:"as it was set: current, speed, pressure, gas, tip, stop"`
	Kerf      *float64 `json:"kerf,omitempty" doc:"mm, measured across the cut"`
	Round     *float64 `json:"round,omitempty" doc:"mm, smallest hole that came out round"`
	Minutes   *float64 `json:"minutes,omitempty" doc:"min it took, setting up and trying"`
	Result    string   `json:"result" enum:"worked,poor,failed"`
	Broke     string   `json:"broke,omitempty" enum:"beside,weld,held" doc:"of a weld that was bent or torn: where it broke"`
	Note      string   `json:"note,omitempty"`
	Part      string   `json:"part,omitempty" doc:"name of the part it was for"`
	Date      string   `json:"date,omitempty" doc:"year-month-day"`
	Left      bool     `json:"left,omitempty" doc:"left out of the means"`
}

// results and broken are in words what came of a setting.
var (
	results = map[string]string{"worked": "worked", "poor": "poor", "failed": "failed"}
	broken  = map[string]string{"beside": "broke beside the weld", "weld": "broke in the weld", "held": "bent and held"}
	worksAt = []string{"cutting", "sawing", "bending", "drilling", "welding"}
)

func (x Setting) check(at string, ids map[string]bool) error {
	err := working.First(own(at, x.ID, ids), text(at+"/batch", x.Batch, brief.MaxName), text(at+"/set", x.Set, brief.MaxText),
		text(at+"/note", x.Note, brief.MaxText), text(at+"/part", x.Part, brief.MaxName))
	if err != nil {
		return err
	}
	switch {
	case !slices.Contains(worksAt, x.Operation):
		return working.Refuse(at+"/operation", "Settings are of cutting, sawing, bending, drilling or welding, not of %q.", x.Operation)
	case results[x.Result] == "":
		return working.Refuse(at+"/result", "They worked, were poor or failed, not %q.", x.Result)
	case x.Broke != "" && (broken[x.Broke] == "" || x.Operation != "welding"):
		return working.Refuse(at+"/broke", "A weld breaks beside it, in it or holds: %q is said of no other work.", x.Broke)
	case x.Kerf != nil && x.Operation != "cutting" && x.Operation != "sawing":
		return working.Refuse(at+"/kerf", "A kerf is of cutting and of sawing.")
	case x.Round != nil && x.Operation != "cutting":
		return working.Refuse(at+"/round", "The smallest round hole is of cutting.")
	case x.Date != "" && !brief.IsDay(x.Date):
		return working.Refuse(at+"/date", "A day is written as year-month-day, such as 2031-04-30, not %q.", x.Date)
	}
	if _, err := stock.MaterialByKey(x.Material); err != nil {
		return working.Refuse(at+"/material", "Choose which metal it was: %v.", err)
	}
	limit := func(key, what string, v *float64, most float64, unit string) error {
		if v == nil {
			return nil
		}
		return working.Within(at+"/"+key, what, *v, 0, most, unit)
	}
	return working.First(working.Above(at+"/thickness", "The thickness", x.Thickness, 0, 100, "mm"),
		limit("kerf", "The kerf", x.Kerf, 20, "mm"), limit("round", "The smallest round hole", x.Round, 200, "mm"),
		limit("minutes", "The minutes it took", x.Minutes, 1e4, "min"))
}

// of tells whether a setting speaks of an operation on a metal of a thickness, by one of some
// machines where it names one.
func (x Setting) of(operation, material string, thickness float64, machines []string) bool {
	return x.Operation == operation && x.Material == material && math.Abs(x.Thickness-thickness) <= thicknessWithin*thickness+1e-9 &&
		(x.Machine == "" || slices.Contains(machines, x.Machine))
}

// at answers the ids of the machines of a kind and some sorts, of any where none is named.
func (s Shop) at(k Kind, sorts ...string) (ids []string) {
	for _, m := range s.Machines {
		if m.Kind == k && (len(sorts) == 0 || slices.Contains(sorts, m.Sort)) {
			ids = append(ids, m.ID)
		}
	}
	return ids
}

// Worked answers in words the settings that were tried on a metal, newest first, those that
// worked before those that did not: what to set first, and what not again.
func (s Shop) Worked(operation, material string, thickness float64, k Kind, sorts ...string) (out []string) {
	var list []Setting
	ids := s.at(k, sorts...)
	for _, x := range s.Settings {
		if x.of(operation, material, thickness, ids) && strings.TrimSpace(x.Set+x.Note) != "" {
			list = append(list, x)
		}
	}
	rank := map[string]int{"worked": 0, "poor": 1, "failed": 2}
	slices.SortStableFunc(list, func(a, b Setting) int {
		if rank[a.Result] != rank[b.Result] {
			return rank[a.Result] - rank[b.Result]
		}
		return strings.Compare(b.Date, a.Date)
	})
	for _, x := range list[:min(len(list), 4)] {
		out = append(out, s.told(x))
	}
	return out
}

// told writes a setting as a line of a sheet.
func (s Shop) told(x Setting) string {
	line := upper(results[x.Result]) + ": " + strings.TrimSuffix(strings.TrimSpace(x.Set), ".")
	for _, m := range s.Machines {
		if m.ID == x.Machine {
			line += ", " + m.Called()
		}
	}
	if x.Kerf != nil {
		line += ", kerf " + s.fine(*x.Kerf)
	}
	if x.Batch != "" {
		line += ", " + x.Batch
	}
	if x.Minutes != nil {
		line += fmt.Sprintf(", %.4g min", *x.Minutes)
	}
	if x.Broke != "" {
		line += ", " + broken[x.Broke]
	}
	if x.Note != "" {
		line += "; " + strings.TrimSuffix(strings.TrimSpace(x.Note), ".")
	}
	if of := strings.TrimSpace(strings.Join([]string{x.Part, x.Date}, " ")); of != "" {
		line += " (" + of + ")"
	}
	return line + "."
}

// Measured is a number of the shop's own settings.
type Measured struct {
	Value, Spread float64 // mm, mean and standard deviation of the sample
	Worst         float64 // mm, the largest of them
	Count         int
}

// Says tells how good a measured number is.
func (m Measured) Says(fine func(float64) string) string {
	if m.Count == 1 {
		return fine(m.Value) + " as measured once"
	}
	return fmt.Sprintf("%s, mean of %d, spread %s", fine(m.Value), m.Count, fine(m.Spread))
}

// WorstSays tells the largest of them, and of how many: what a size that has to come out goes by.
func (m Measured) WorstSays(fine func(float64) string) string {
	if m.Count == 1 {
		return fine(m.Worst) + " as measured once"
	}
	return fmt.Sprintf("%s, the largest of %d", fine(m.Worst), m.Count)
}

// mean answers a number of settings that worked or were poor; none where nobody measured.
func (s Shop) mean(operation, material string, thickness float64, ids []string, of func(Setting) *float64) *Measured {
	var m Measured
	square := 0.
	for _, x := range s.Settings {
		v := of(x)
		if v == nil || x.Left || x.Result == "failed" || !x.of(operation, material, thickness, ids) {
			continue
		}
		m.Count++
		m.Worst = math.Max(m.Worst, *v)
		d := *v - m.Value // the mean is carried along, so that squares stay small
		m.Value += d / float64(m.Count)
		square += d * (*v - m.Value)
	}
	if m.Count == 0 {
		return nil
	}
	if m.Count > 1 {
		m.Spread = math.Sqrt(square / float64(m.Count-1))
	}
	return &m
}

// Cuts answers how a process cuts a sheet here, where that was tried: its mean kerf and the
// largest of its smallest round holes; nil where nobody measured either.
func (s Shop) Cuts(process, material string, thickness float64) *stock.Process {
	p, err := stock.ProcessByKey(process)
	if err != nil {
		return nil
	}
	ids := s.at(Table, process)
	kerf := s.mean("cutting", material, thickness, ids, func(x Setting) *float64 { return x.Kerf })
	round := s.mean("cutting", material, thickness, ids, func(x Setting) *float64 { return x.Round })
	if kerf == nil && round == nil {
		return nil
	}
	if kerf != nil {
		p.Kerf, p.Source = kerf.Value, "the Shop's own cuts: kerf "+kerf.Says(s.fine)
	}
	if round != nil {
		p.PerT, p.Least = 0, round.Worst
		p.Source = strings.TrimSuffix("the Shop's own cuts: smallest round hole "+round.WorstSays(s.fine)+"; "+p.Source, "; ")
	}
	return &p
}

// SawKerf answers the kerf sticks of a metal are planned with where the shop knows its own: what
// was measured on its saws, or else what its blade says; fine writes mm for who asks.
func (s Shop) SawKerf(material string, wall float64, fine func(mm float64) string) (mm float64, says string) {
	if m := s.mean("sawing", material, wall, s.at(Saw), func(x Setting) *float64 { return x.Kerf }); m != nil {
		return m.Value, "kerf of the Shop's saw: " + m.Says(fine)
	}
	for _, t := range s.Tools {
		if t.Kind == Blades && t.Kerf > 0 {
			return t.Kerf, "kerf of the Shop's blade: " + fine(t.Kerf)
		}
	}
	return 0, ""
}
