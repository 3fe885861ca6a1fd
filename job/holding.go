package job

import (
	"fmt"
	"runtime"
	"sync"
	"sync/atomic"

	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Held is a mount's answer: the checks, what stands beside them, and the word.
type Held struct {
	Mount   Mount            `json:"mount"`
	Part    string           `json:"part" doc:"name of the part"`
	Result  hold.Result      `json:"result"`
	Beside  []Beside         `json:"beside" doc:"what the checks leave out: fatigue, crash, how far the inputs can be trusted"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Least   *Source          `json:"least,omitempty" doc:"least trusted input behind it"`
	Mass    float64          `json:"mass" doc:"kg of the part"`
}

// Beside is one thing the static checks leave out. Answer is what somebody said
// about it; Decides tells that the bracket may not say holds without one.
type Beside struct {
	Key     string           `json:"key" enum:"fatigue,crash,trust,joint"`
	Name    string           `json:"name"`
	Why     string           `json:"why"`
	Answer  string           `json:"answer,omitempty"`
	Decides bool             `json:"decides"`
	Verdict strength.Verdict `json:"verdict" enum:"answered,cannot say"`
}

// Answered is the verdict of what somebody answered for.
const Answered strength.Verdict = "answered"

// Standing is a device on its feet.
type Standing struct {
	Device    Device     `json:"device"`
	Cases     []FeetCase `json:"cases"`
	Governing int        `json:"governing" doc:"index of the case with the largest force on a foot, -1 for none"`
	Why       string     `json:"why,omitempty" doc:"why there is none"`
	Least     *Source    `json:"least,omitempty"`
}

// Holding is everything about strength in a job.
type Holding struct {
	Mounts   []Held         `json:"mounts"`
	Devices  []Standing     `json:"devices"`
	Joints   []BoltedTold   `json:"joints"`
	Hardware []HardwareLine `json:"hardware" doc:"what all joints take"`
	OneSize  []OneSize      `json:"oneSize" doc:"joints that could have the size of most others"`
	Path     Pathway        `json:"path" doc:"how forces go through the joints on to the vehicle"`
}

// BuiltPart is a part as it stands with what was built of it.
type BuiltPart struct {
	Part
	Built sheet.Part
	Err   error // why it could not be built
}

// BuildParts builds parts for strength: no body.
func BuildParts(parts []Part, b Brief) []BuiltPart {
	out := make([]BuiltPart, len(parts))
	sideBySide(len(parts), func(i int) {
		built, err := sheet.Build(parts[i].Recipe, b.PartOptions(parts[i], parts))
		out[i] = BuiltPart{parts[i], built, err}
	})
	return out
}

// Hold asks a job without survey or frames.
func Hold(b Brief, parts []BuiltPart) Holding { return Site{Brief: b, Parts: parts}.Hold() }

// Hold asks of every mount and joint whether it holds, and of every device how it
// stands.
func (s Site) Hold() Holding {
	b, parts := s.Brief, s.Parts
	h := Holding{Devices: make([]Standing, 0, len(b.Devices))}
	cases := map[string][]FeetCase{}
	why := map[string]string{}
	for _, d := range b.Devices {
		s := Standing{Device: d, Governing: -1, Least: leastTrusted(d.sources())}
		s.Cases, s.Why = b.feetCases(d)
		for i, c := range s.Cases {
			if s.Governing < 0 || c.Largest > s.Cases[s.Governing].Largest {
				s.Governing = i
			}
		}
		if s.Cases == nil {
			s.Cases = []FeetCase{}
		}
		cases[d.ID], why[d.ID] = s.Cases, s.Why
		h.Devices = append(h.Devices, s)
	}
	open := s.open()
	h.Path = open.paths()
	h.Joints = open.tellJoints(h.Path)
	h.Hardware, h.OneSize = open.hardware(h.Joints), open.oneSize(h.Joints, h.Path)
	h.Mounts = make([]Held, len(b.Mounts))
	sideBySide(len(b.Mounts), func(i int) { h.Mounts[i] = b.held(b.Mounts[i], parts, cases, why) })
	return h
}

// sideBySide does n things on all cores.
func sideBySide(n int, do func(i int)) {
	var wait sync.WaitGroup
	var next atomic.Int64
	for range min(n, runtime.GOMAXPROCS(0)) {
		wait.Go(func() {
			for i := int(next.Add(1)) - 1; i < n; i = int(next.Add(1)) - 1 {
				do(i)
			}
		})
	}
	wait.Wait()
}

func (b Brief) held(m Mount, parts []BuiltPart, cases map[string][]FeetCase, why map[string]string) Held {
	h := Held{Mount: m, Beside: []Beside{}}
	silent := func(reason string) Held {
		h.Result = hold.Result{Verdict: strength.CannotSay, Checks: []strength.Check{strength.Silent("mount", "The bracket", reason)}, Bolts: []hold.BoltForce{}, Findings: []working.Finding{}}
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
	h.Part, h.Mass = part.Name, part.Built.Mass
	if part.Err != nil {
		return silent("The part cannot be built: " + part.Err.Error())
	}
	d, ok := b.device(m.Device)
	if !ok {
		return silent("Say what stands on it: a device from the brief.")
	}
	if why[d.ID] != "" {
		return silent(why[d.ID])
	}
	loads, reason := m.loads(d, cases[d.ID])
	if reason != "" {
		return silent(reason)
	}
	h.Result = hold.Check(part.Built, part.Recipe, m.Hold, loads, b.Strength)
	for _, c := range h.Result.Checks {
		if c.Working != nil {
			*c.Working = c.Working.Written(b.Unit != UnitMM)
		}
	}
	sources := append(d.sources(), part.source())
	h.Least = leastTrusted(sources)
	h.Beside = b.beside(d, sources)
	h.Verdict = h.Result.Verdict
	for _, c := range h.Beside {
		if c.Verdict == strength.CannotSay && c.Decides && h.Verdict != strength.Over {
			h.Verdict = strength.CannotSay
		}
	}
	return h
}

// sources lists the inputs behind a device's loads.
func (d Device) sources() []Source {
	var out []Source
	if d.Mass != nil {
		out = append(out, Source{"mass of " + d.named(), or(d.Mass.Trust)})
	}
	if d.Gravity != nil {
		out = append(out, Source{"centre of gravity of " + d.named(), or(d.Gravity.Trust)})
	}
	return out
}

func or(t Trust) Trust {
	if t == "" {
		return Assumed
	}
	return t
}

// source says how far the part's thickness can be trusted: a gauge is nominal.
func (p BuiltPart) source() Source {
	if p.Recipe.Gauge != nil {
		return Source{"thickness of " + p.Name + ", a nominal gauge", Copied}
	}
	return Source{"thickness of " + p.Name, Measured}
}

// beside answers what the static checks leave out. Whether it keeps the
// verdict from saying holds depends on what happens when the part fails:
// crash always, assumed inputs from a lost load on, remembered inputs and
// fatigue where people can be hurt.
func (b Brief) beside(d Device, sources []Source) []Beside {
	var out []Beside
	add := func(key, name, answer, why string, decides bool) {
		c := Beside{Key: key, Name: name, Why: why, Answer: answer, Decides: decides, Verdict: strength.CannotSay}
		if answer != "" {
			c.Verdict = Answered
		}
		out = append(out, c)
	}
	add("fatigue", "Fatigue", b.Answers.Fatigue, "Vibration breaks parts far below their static strength, and no fatigue check is built yet: look for cracks after the first trips, and let an engineer say what lasts.", b.Criticality == People)
	if d.NearPeople {
		add("crash", "Crash", b.Answers.Crash, d.named()+" is in a space with people or can enter one: 20 g forward and 8 g sideways is the reference for cars and light vans, and needs an approved design. Road cases do not cover it.", true)
	}
	if least := leastTrusted(sources); least != nil {
		allowed := map[Criticality]int{Comfort: 3, LoadLost: 2, People: 1}[b.Criticality]
		if trustRank[least.Trust] > allowed {
			add("trust", "What it rests on", "", fmt.Sprintf("The %s is %s: measure it before this may say holds.", least.Name, trustWords[least.Trust]), true)
		}
	}
	return out
}
