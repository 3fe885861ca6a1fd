package site

import (
	"context"
	"fmt"
	"runtime"
	"strings"

	"golang.org/x/sync/errgroup"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Held is a mount's answer: the checks, what stands beside them, and the word.
type Held struct {
	Mount   brief.Mount      `json:"mount"`
	Part    string           `json:"part" doc:"name of the part"`
	Result  hold.Result      `json:"result"`
	Beside  []brief.Beside   `json:"beside" doc:"what the checks leave out: fatigue, crash, how far the inputs can be trusted"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Least   *brief.Source    `json:"least,omitempty" doc:"least trusted input behind it"`
	Mass    float64          `json:"mass" doc:"kg of the part"`
	Doubler string           `json:"doubler,omitempty" doc:"the size its doubler is cut to; it is a row of the parts list"`
	Moves   string           `json:"moves,omitempty" doc:"how far the carrying holes move along the load of that case, at least and at most"`
}

// Standing is a device on its feet.
type Standing struct {
	Device    brief.Device     `json:"device"`
	Cases     []brief.FeetCase `json:"cases"`
	Governing int              `json:"governing" doc:"index of the case with the largest force on a foot, -1 for none"`
	Why       string           `json:"why,omitempty" doc:"why there is none"`
	Least     *brief.Source    `json:"least,omitempty"`
}

// Holding is everything about strength in a job.
type Holding struct {
	Mounts   []Held         `json:"mounts"`
	Devices  []Standing     `json:"devices"`
	Joints   []BoltedTold   `json:"joints"`
	Welded   []WeldedTold   `json:"welded"`
	Hardware []HardwareLine `json:"hardware" doc:"what all joints take"`
	OneSize  []OneSize      `json:"oneSize" doc:"joints that could have the size of most others"`
	Path     Pathway        `json:"path" doc:"how forces go through the joints on to the vehicle"`
	Duties   []DutyTold     `json:"duties" doc:"what things are rated for"`
}

// BuiltPart is a part as it stands with what was built of it.
type BuiltPart struct {
	Part
	Built made.Part
	Err   error // why it could not be built
}

// BuildParts builds parts for strength: no body. When the context ends it leaves off, and
// what it answers is not whole; nil for never.
func BuildParts(until context.Context, parts []Part, b brief.Brief, w shop.Shop) []BuiltPart {
	out := make([]BuiltPart, len(parts))
	sideBySide(until, len(parts), func(i int) {
		opt := CheckedOptions(b, w, parts[i], parts)
		opt.Until = until
		built, err := made.Build(parts[i].Recipe, opt)
		out[i] = BuiltPart{parts[i], built, err}
	})
	return out
}

// Hold asks of every mount and joint whether it holds, and of every device how it
// stands.
func (s Site) Hold() Holding {
	b, parts := s.Brief, s.Parts
	h := Holding{Devices: make([]Standing, 0, len(b.Devices))}
	cases := map[string][]brief.FeetCase{}
	why := map[string]string{}
	open := s.open()
	for _, d := range b.Devices {
		s := Standing{Device: d, Governing: -1, Least: brief.LeastTrusted(d.Sources()), Cases: open.feet[d.ID].cases,
			Why: open.feet[d.ID].why}
		for i, c := range s.Cases {
			if s.Governing < 0 || c.Largest > s.Cases[s.Governing].Largest {
				s.Governing = i
			}
		}
		if s.Cases == nil {
			s.Cases = []brief.FeetCase{}
		}
		cases[d.ID], why[d.ID] = s.Cases, s.Why
		h.Devices = append(h.Devices, s)
	}
	h.Path = open.paths()
	h.Joints, h.Welded = open.tellJoints(h.Path), open.tellWelded(h.Path)
	h.Hardware, h.OneSize = open.hardware(h.Joints), open.oneSize(h.Joints, h.Path)
	h.Mounts = make([]Held, len(b.Mounts))
	sideBySide(s.Until, len(b.Mounts), func(i int) {
		h.Mounts[i] = askMount(b, b.Mounts[i], parts, cases, why)
		open.foldSeams(&h.Mounts[i], h.Welded)
	})
	h.Duties = open.tellDuties(&h)
	return h
}

// sideBySide does n things on all cores, until the context ends; nil for never.
func sideBySide(until context.Context, n int, do func(i int)) {
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for i := range n {
		g.Go(func() error {
			if until == nil || until.Err() == nil {
				do(i)
			}
			return nil
		})
	}
	_ = g.Wait() // what cannot be asked says so in its answer
}

func askMount(b brief.Brief, m brief.Mount, parts []BuiltPart, cases map[string][]brief.FeetCase, why map[string]string) Held {
	h := Held{Mount: m, Beside: []brief.Beside{}}
	silent := func(reason string) Held {
		h.Result = hold.Result{Verdict: strength.CannotSay, Checks: []strength.Check{strength.Silent("mount", "The bracket", reason)},
			Bolts: []hold.BoltForce{}, Findings: []working.Finding{}}
		h.Verdict = strength.CannotSay
		return h
	}
	var part *BuiltPart
	for i := range parts {
		if parts[i].ID == m.Part {
			part = &parts[i]
		}
	}
	if part == nil {
		return silent("The part is not in the job any more: choose another.")
	}
	h.Part, h.Mass = part.Name, kilos(b, part)
	if part.Err != nil {
		return silent("The part cannot be built: " + part.Err.Error())
	}
	if blank, ok := hold.Doubler(&part.Built, part.Recipe, m.Hold); ok {
		write := told.Pen{Display: b.Display()}
		h.Doubler = fmt.Sprintf("%s × %s of %s, %d holes as the bracket's", write.MM(blank.Base.Length), write.MM(blank.Base.Width),
			write.Fine(blank.Thickness), len(blank.Base.Holes))
	}
	d, ok := b.Device(m.Device)
	if !ok && !b.Rated(m.Part) {
		return silent("Say what stands on it: a device from the brief.")
	}
	if ok && why[d.ID] != "" {
		return silent(why[d.ID])
	}
	loads, reason := b.LoadsOn(m, d, cases[d.ID])
	if reason != "" {
		return silent(reason)
	}
	m.Hold.Display = b.Display()
	var gone string
	if m.Hold, gone = mounted(b, m); gone != "" {
		return silent(gone)
	}
	h.Result = hold.Check(part.Built, part.Recipe, m.Hold, loads, b.Strength)
	if most := h.Result.Deflection; most != nil {
		write := told.Pen{Display: b.Display()}
		least, end := write.Fine(*h.Result.DeflectionLeast), write.Fine(*most)
		if h.Moves = end; least != end {
			h.Moves = strings.TrimRight(strings.TrimSuffix(least, " mm"), " in") + " to " + end
		}
	}
	for _, c := range h.Result.Checks {
		if c.Working != nil {
			*c.Working = c.Working.Written(b.Inches())
		}
	}
	behind := b.Behind()
	behind.Sources = append(behind.Sources, part.source())
	b.Carried(&behind, map[string]bool{d.ID: true})
	h.Least = brief.LeastTrusted(behind.Sources)
	h.Beside = behind.Beside()
	h.Verdict = brief.With(h.Result.Verdict, h.Beside)
	return h
}

// source says how far the part's thickness can be trusted: a gauge is nominal.
func (p BuiltPart) source() brief.Source {
	if p.Recipe.Gauge != nil {
		return brief.Source{Name: "thickness of " + p.Name + ", a nominal gauge", Trust: brief.Copied}
	}
	return brief.Source{Name: "thickness of " + p.Name, Trust: brief.Measured}
}
