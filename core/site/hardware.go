package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// HardwareLine is something to take from the bins, for the whole job.
type HardwareLine struct {
	Count  int      `json:"count"`
	Name   string   `json:"name"`
	Joints []string `json:"joints" doc:"names of those it goes into"`
	Notes  []string `json:"notes" doc:"what is noted of those joints, and what was put in instead"`
}

// OneSize is a joint that could take the size most of the others have.
type OneSize struct {
	Joint   string           `json:"joint" doc:"id"`
	Text    string           `json:"text"`
	Size    string           `json:"size"`
	Pitch   float64          `json:"pitch"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest *float64         `json:"hardest"`
}

// hardware sums what all joints take.
func (s *site) hardware(told []BoltedTold) []HardwareLine {
	out := []HardwareLine{}
	for i, t := range told {
		if t.Result == nil {
			continue
		}
		times := max(len(s.Brief.Joints[i].Stands), 1) * max(s.Brief.Quantity, 1)
		for _, h := range t.Result.Hardware {
			k := slices.IndexFunc(out, func(l HardwareLine) bool { return l.Name == h.Name })
			if k < 0 {
				k = len(out)
				out = append(out, HardwareLine{Name: h.Name, Joints: []string{}, Notes: []string{}})
			}
			out[k].Count += h.Count * times
			if !slices.Contains(out[k].Joints, t.Name) {
				out[k].Joints = append(out[k].Joints, t.Name)
				out[k].Notes = append(out[k].Notes, noted(s.Brief.Joints[i])...)
			}
		}
	}
	return out
}

// oneSize tries the size that most bolts of the job have on the joints that have
// another, where it goes through their holes and they still hold.
func (s *site) oneSize(told []BoltedTold, path Pathway) []OneSize {
	type kind struct {
		system stock.System
		size   string
		pitch  float64
	}
	many := map[kind]int{}
	of := func(in joint.Input) kind {
		t, err := stock.FindThread(in.System, in.Size, in.Pitch)
		if err != nil {
			return kind{}
		}
		return kind{in.System, in.Size, t.Pitch}
	}
	var usual kind
	for i, j := range s.Brief.Joints {
		if told[i].Result == nil || of(j.Design).size == "" {
			continue
		}
		k := of(j.Design)
		if many[k] += len(told[i].Holes) * max(len(j.Stands), 1); many[k] > many[usual] {
			usual = k
		}
	}
	out := []OneSize{}
	if len(many) < 2 {
		return out
	}
	t, _ := stock.FindThread(usual.system, usual.size, usual.pitch)
	for i, j := range s.Brief.Joints {
		if told[i].Result == nil || of(j.Design) == usual || told[i].Result.Verdict != strength.Holds &&
			told[i].Result.Verdict != strength.Tight {
			continue
		}
		in, why := s.joint(j, path)
		if why != "" {
			continue
		}
		s.rubber(j, path, &in)
		in.System, in.Size, in.Pitch, in.Washer = usual.system, usual.size, usual.pitch, 0
		if _, err := stock.FindGrade(t, in.Grade); err != nil {
			continue // another system's classes
		}
		if r, err := joint.Work(in); err == nil && (r.Verdict == strength.Holds || r.Verdict == strength.Tight) {
			out = append(out, OneSize{j.ID, fmt.Sprintf("%s could take %s like most of the others", j.Name, t.Name()), usual.size,
				usual.pitch, r.Verdict, r.Hardest})
		}
	}
	return out
}

// noted is what whoever takes a joint's hardware must know.
func noted(j brief.Joint) (out []string) {
	if text := strings.TrimSpace(j.Note); text != "" {
		out = append(out, j.Name+": "+text)
	}
	if text := strings.TrimSpace(j.Swapped); text != "" {
		out = append(out, j.Name+": put in instead: "+text)
	}
	return out
}
