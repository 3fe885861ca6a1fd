package site

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// Compared is a traced outline's holes laid on ones that were measured or that a
// device has.
type Compared struct {
	With     string            `json:"with" doc:"what it was laid on"`
	Text     string            `json:"text" doc:"how it fits, in words"`
	Misses   []ComparedHole    `json:"misses" doc:"by hole of what it was laid on"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working"`
}

// ComparedHole is one hole there and the drawn one that lies on it.
type ComparedHole struct {
	Name  string   `json:"name"`
	Off   *float64 `json:"off,omitempty" doc:"mm; left out where no drawn hole lies there"`
	Text  string   `json:"text"`
	Bores string   `json:"bores,omitempty" doc:"both diameters"`
}

// knownHoles are holes something is laid on, with how well they are known, mm.
type knownHoles struct {
	name  string
	Holes []hole.Bore
	names []string
	sigma float64
	kind  string
}

// KnownLayouts lists the hole patterns a traced part may be laid on: hole maps of the
// survey and feet of devices.
func KnownLayouts(v vehicle.Survey, b brief.Brief, p told.Pen) (list []knownHoles) {
	l := vehicle.NewLocator(v, p)
	for i := range v.Maps {
		t := l.MapOf(&v.Maps[i])
		if t.Why != "" {
			continue
		}
		k := knownHoles{name: v.Maps[i].Name, kind: "the hole map"}
		for n, h := range t.Holes {
			k.Holes, k.names = append(k.Holes, hole.Bore{At: profile.Point{X: h.X, Y: h.Y}, Diameter: h.Size}), append(k.names, h.Name)
			if n < len(t.Bare.Sigmas) {
				k.sigma = math.Max(k.sigma, t.Bare.Sigmas[n])
			}
		}
		list = append(list, k)
	}
	for _, d := range b.Devices {
		k := knownHoles{name: d.Name, kind: "the feet of"}
		for n, f := range d.Feet {
			k.Holes, k.names = append(k.Holes, hole.Bore{At: profile.Point{X: f.X, Y: f.Y}}), append(k.names, fmt.Sprintf("foot %d", n+1))
		}
		list = append(list, k)
	}
	return list
}

// maxLaid is how many holes of a drawing are laid on what was measured: the
// largest ones.
const maxLaid = 150

// TracedHoles answers the round holes of a traced base, about its middle.
func TracedHoles(b *sheet.Base) (out []hole.Bore) {
	for _, h := range b.Holes {
		if h.Kind == sheet.RoundHole {
			out = append(out, hole.Bore{At: profile.Point{X: h.X.Distance, Y: h.Y.Distance}, Diameter: h.Diameter})
		}
	}
	slices.SortStableFunc(out, func(a, b hole.Bore) int { return cmp.Compare(b.Diameter, a.Diameter) })
	return out[:min(len(out), maxLaid)]
}

// Told puts a comparison in words. Two sigma is how well a measured place counts.
func (k knownHoles) Told(l hole.Layout, drawn []hole.Bore, mm float64, p told.Pen) Compared {
	out := Compared{With: k.kind + " " + k.name, Misses: make([]ComparedHole, len(k.Holes)), Findings: []working.Finding{}}
	say := func(code string, severity working.Severity, reason string, fixes ...working.Fix) {
		out.Findings = append(out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Against " + k.name,
			Reason: reason, Fixes: fixes})
	}
	for i, name := range k.names {
		out.Misses[i] = ComparedHole{Name: name, Text: "no drawn hole lies there"}
	}
	within := math.Max(2*k.sigma, .5)
	long := 0.
	for i := range k.Holes {
		for j := range i {
			long = math.Max(long, k.Holes[i].At.Sub(k.Holes[j].At).Len())
		}
	}
	for n, pair := range l.Pairs {
		off := l.Misses[n].Len()
		h := &out.Misses[pair[1]]
		h.Off, h.Text = &off, p.MM(off)
		d, m := drawn[pair[0]].Diameter*l.Unit, k.Holes[pair[1]].Diameter
		if m > 0 {
			h.Bores = fmt.Sprintf("Ø %s drawn, Ø %s measured", p.MM(d), p.MM(m))
			if d < m-.5 {
				say("bore-smaller", working.Mind, fmt.Sprintf("At %s the drawing has Ø %s where Ø %s was measured: the bolt that "+
					"goes there may "+
					"not go through.", h.Name, p.MM(d), p.MM(m)))
			}
		}
	}
	if l.Unit != 1 {
		say("other-units", working.Stop, fmt.Sprintf("It fits when a unit of the drawing is %g mm, and %g mm was taken: its units "+
			"are wrong.",
			l.Unit*mm, mm),
			working.Fix{Label: fmt.Sprintf("Read a unit as %g mm", l.Unit*mm), Edits: []working.Edit{{Path: "/unitsToMM",
				Value: l.Unit * mm}}})
	}
	if off := math.Abs(l.Scale - 1); off*long > within && l.Scaled < l.Most/2 {
		word := "larger"
		if l.Scale < 1 {
			word = "smaller"
		}
		say("out-of-scale", working.Mind, fmt.Sprintf("Its layout is %.2g %% %s than what was measured, %s over %s: it was scaled "+
			"when it was "+
			"printed, scanned or saved, or the tape was read wrong. Check one size you know before it is scaled.", 100*off, word,
			p.MM(off*long), p.MM(long)),
			working.Fix{Label: fmt.Sprintf("Scale it to fit, by %.4f", 1/l.Scale),
				Edits: []working.Edit{{Path: "/unitsToMM", Value: l.Unit * mm / l.Scale}}})
	}
	if l.By.Mirror {
		say("mirrored", working.Mind, "It fits turned over only: the drawing shows the other face, or the other hand. Turn the part "+
			"over, or "+
			"mirror it, before it is cut.")
	}
	if missing := len(k.Holes) - len(l.Pairs); missing > 0 {
		say("holes-missing", working.Mind, fmt.Sprintf("%d of %d holes have none in the drawing.", missing, len(k.Holes)))
	}
	switch {
	case len(l.Pairs) == 2 && len(k.Holes) == 2:
		out.Text = fmt.Sprintf("Their distance differs by %s. Two holes say nothing of the hand.", p.MM(2*l.Most))
	case l.Most <= within:
		out.Text = fmt.Sprintf("%d of %d holes lie on it, the farthest %s off: no more than what the measuring is good for (%s).",
			len(l.Pairs),
			len(k.Holes), p.MM(l.Most), p.MM(within))
	default:
		worst := k.names[l.Pairs[l.Worst][1]]
		out.Text = fmt.Sprintf("%d of %d holes lie on it, the farthest %s off, at %s.", len(l.Pairs), len(k.Holes), p.MM(l.Most), worst)
		say("holes-off", working.Mind, fmt.Sprintf("The hole at %s lies %s off, and the measuring is good for %s: mend the drawing, "+
			"or measure "+
			"that hole again.", worst, p.MM(l.Most), p.MM(within)))
	}
	out.Working = p.Explain(working.Working{Method: "Holes of a drawing laid on measured ones",
		Source:  "least squares, turn and shift (and mirror) free; pairs found by trying every two holes",
		Formula: "least Σ |R·p + t − q|²; scale = Σ|p|² / Σ p·q about their middles",
		Inputs: []working.Quantity{{Symbol: "n", Name: "pairs of holes", Value: float64(len(l.Pairs))},
			{Symbol: "within", Name: "two standard deviations of the measuring, half a millimetre at least", Value: within, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "turn", Name: "turned", Value: l.By.Turn, Unit: "°"},
			{Symbol: "scale", Name: "drawing over measured", Value: l.Scale}},
		Result: working.Quantity{Symbol: "most", Name: "largest miss", Value: l.Most, Unit: "mm"}})
	return out
}
