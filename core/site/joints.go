package site

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// BoltedTold is a joint worked out.
type BoltedTold struct {
	ID     string         `json:"id"`
	Name   string         `json:"name"`
	Why    string         `json:"why,omitempty" doc:"why it cannot be worked out"`
	Holes  [][2]float64   `json:"holes" doc:"mm, its bolts"`
	Plies  []joint.Ply    `json:"plies" doc:"as they count"`
	Result *joint.Result  `json:"result" doc:"null when it cannot be worked out"`
	Beside []brief.Beside `json:"beside" doc:"what the checks leave out"`
	Rubber *RubberTold    `json:"rubber,omitempty" doc:"how it sits on its isolators"`
	Device string         `json:"device,omitempty" doc:"id of the device whose feet its places are of"`

	Reach       []BoltReach        `json:"reach" doc:"by bolt, past the part it goes through"`
	Instead     []joint.Substitute `json:"instead" doc:"what else may be taken from the bins"`
	Suggestions []joint.Suggestion `json:"suggestions" doc:"changes that would help, each worked out"`
}

// tellJoints works the job's joints out.
func (s *site) tellJoints(path Pathway) []BoltedTold {
	out := make([]BoltedTold, len(s.Brief.Joints))
	sideBySide(s.Until, len(out), func(i int) { out[i] = s.tellJoint(s.Brief.Joints[i], path) })
	return out
}

func (s *site) tellJoint(j brief.Joint, path Pathway) BoltedTold {
	b := s.Brief
	told := BoltedTold{ID: j.ID, Name: j.Name, Holes: [][2]float64{}, Plies: []joint.Ply{}, Beside: []brief.Beside{},
		Suggestions: []joint.Suggestion{}, Instead: []joint.Substitute{}, Reach: []BoltReach{}}
	if d, ok := b.Stood(j); ok {
		told.Device = d.ID
	}
	in, why := s.joint(j, path)
	if told.Why = why; why != "" {
		return told
	}
	told.Rubber = s.rubber(j, path, &in)
	r, err := joint.Work(in)
	if err != nil {
		told.Why = s.Brief.Refused(err)
		return told
	}
	bare := r
	for i := range r.Checks {
		if w := r.Checks[i].Working; w != nil {
			*w = w.Written(b.Inches())
		}
	}
	if r.Tight != nil {
		r.Tight.Working = r.Tight.Working.Written(b.Inches())
	}
	told.Result, told.Holes, told.Plies = &r, in.Holes, in.Plies
	told.Beside = s.besideJoint(j, path)
	s.compareMates(j, in, &r)
	told.Reach = s.reachBolts(j, in, &r)
	held := j.Held()
	for i := range r.Findings { // a ply's own part is changed on the Shape bench
		r.Findings[i].Fixes = slices.DeleteFunc(r.Findings[i].Fixes, func(f working.Fix) bool {
			return slices.ContainsFunc(held, func(k int) bool {
				to := f.Edits[0].Path
				return strings.HasPrefix(to, fmt.Sprintf("/plies/%d/", k)) && !strings.HasSuffix(to, "/sleeved")
			})
		})
	}
	s.prepare(j, in, &r)
	r.Findings = append(append(r.Findings, s.lackedTools(in)...), s.footBores(j, in)...)
	purpose(j, b, &r)
	swapped(j, &r)
	told.Instead = joint.Instead(in, r)
	for _, s := range told.Instead {
		if s.Working != nil {
			*s.Working = s.Working.Written(b.Inches())
		}
	}
	told.Suggestions = joint.SuggestFor(in, bare, j.Part != "", held...)
	for i := range told.Suggestions { // what comes from the job stays there
		to := &told.Suggestions[i].Input
		to.Cases, to.Holes, to.Strength, to.Face, to.Bins = j.Design.Cases, j.Design.Holes, j.Design.Strength, j.Design.Face, j.Design.Bins
		to.Plies = slices.Clone(to.Plies)
		for k := range to.Plies {
			if !slices.Contains(held, k) {
				continue
			}
			to.Plies[k].Thickness, to.Plies[k].Material = j.Design.Plies[k].Thickness, j.Design.Plies[k].Material
		}
	}
	r.Verdict = brief.With(r.Verdict, told.Beside) // where people can be hurt it does not say holds before somebody answered
	return told
}

// compareMates looks whether the holes of every other placed part of the joint are
// where its bolts are, and says which miss and by how much.
func (s *site) compareMates(j brief.Joint, in joint.Input, r *joint.Result) {
	d := 0.
	if t, err := stock.FindThread(in.System, in.Size, in.Pitch); err == nil {
		d = t.Diameter
	}
	for k, side := range j.Sides {
		if side.Kind != brief.PartSide || side.Of == j.Part || k >= len(in.Plies) || d == 0 {
			continue
		}
		m := s.mates(j, side, d)
		if m.why != "" {
			r.Findings = append(r.Findings, working.Finding{Code: "mate-unplaced", Severity: working.Mind, Cause: "Parts that meet",
				Name: in.Plies[k].Name, Reason: fmt.Sprintf("The holes of %s are not compared with the bolts: %s. Place it on the "+
					"Measure bench.",
					in.Plies[k].Name, m.why)})
			continue
		}
		r.Findings = append(r.Findings, m.told(in.Plies[k].Name, s.Brief.Display().Text)...)
		if len(m.misses) > 0 && r.Verdict != strength.Over {
			r.Verdict = strength.CannotSay
			r.Checks = append([]strength.Check{strength.Silent("meets", "Parts that meet",
				fmt.Sprintf("%d of its bolts miss their holes in %s: nothing is bolted there as it stands.", len(m.misses),
					in.Plies[k].Name))},
				r.Checks...)
		}
	}
}

// roundJoined says that a part of a joint is a round: its bolts stand in no one plane.
func (s *site) roundJoined(j brief.Joint) string {
	ids := []string{j.Part}
	for _, side := range j.Sides {
		if side.Kind == brief.PartSide {
			ids = append(ids, side.Of)
		}
	}
	for _, id := range ids {
		if p := s.part(id); p != nil && p.Built.Round != nil {
			return fmt.Sprintf("%s is a %s: bolts through it stand in no one plane, and how they share a load and what its plate "+
				"takes there is "+
				"not worked out. Bolt a bracket that is worked out to the same place, and hang the round on it.", p.Name,
				p.Built.Round.Says)
		}
	}
	return ""
}

// joint answers what a joint is worked out from: its bolts, plies and loads as
// they come from the rest of the job.
func (s *site) joint(j brief.Joint, path Pathway) (in joint.Input, why string) {
	in = j.Design
	in.Display = s.Brief.Display()
	in.Strength, in.Plies = s.Brief.Strength, slices.Clone(in.Plies)
	t := s.at[j.ID]
	if t.why != "" {
		return in, t.why
	}
	if why := s.roundJoined(j); why != "" {
		return in, why
	}
	in.Holes, in.Face = t.holes, t.face
	for _, b := range s.Brief.Bins {
		if len(in.Bins) == 0 && b.System == in.System && b.Size == in.Size {
			in.Bins = b.Lengths
		}
	}
	for _, l := range s.Shop.Bolts(in.System, in.Size, in.Grade) {
		if !slices.Contains(in.Bins, l) {
			in.Bins = append(slices.Clip(in.Bins), l)
		}
	}
	if p := s.part(j.Part); p != nil && j.Mount != "" && !j.Path {
		if in.Cases, why = s.loadsThrough(j, p); why != "" {
			return in, why
		}
	}
	if j.Path {
		if in.Cases, why = path.through(j); why != "" {
			return in, why
		}
		in.Open = append(slices.Clip(path.open[j.ID]), path.unarrived(s.Brief, j.ID)...)
	}
	for k := range in.Plies {
		if k >= len(j.Sides) {
			break
		}
		side, q := j.Sides[k], &in.Plies[k]
		if why := s.ply(j, side, q, k+1); why != "" {
			return in, why
		}
		if side.Kind == brief.PartSide && side.Of == j.Part {
			s.fromPart(j, q, t)
			if in.Face != nil {
				f := *in.Face
				f.Ply = k
				in.Face = &f
			}
			if q.Placed == "" {
				q.Placed = hole.ByTable
			}
		}
	}
	return in, ""
}

// besideJoint answers what a bolted joint's checks leave out.
func (s *site) besideJoint(j brief.Joint, path Pathway) []brief.Beside {
	return s.beside(j.ID, j.Mount, j.Sides, path, "What the last ply itself is held by.")
}

// beside answers what the checks of a joint, bolted or welded, leave out, by the rules of brackets: what goes through
// it is what it rests on.
func (s *site) beside(id, mount string, sides []brief.Side, path Pathway, unlooked string) []brief.Beside {
	b := s.Brief
	behind := b.Behind()
	devices := map[string]bool{}
	for _, body := range path.behind[id] {
		if side := path.sides[body]; side.Kind == brief.DeviceSide {
			devices[side.Of] = true
		}
	}
	for _, side := range sides {
		if side.Kind == brief.DeviceSide {
			devices[side.Of] = true
		}
		if p := s.part(side.Of); side.Kind == brief.PartSide && p != nil {
			behind.Sources = append(behind.Sources, p.source())
		}
	}
	for _, m := range b.Mounts {
		if mount != "" && m.ID == mount {
			devices[m.Device] = true
		}
	}
	b.Carried(&behind, devices)
	return append(behind.Beside(), brief.Beside{Key: "joint", Name: "Not looked at", Verdict: strength.CannotSay, Why: unlooked})
}

// boltsThrough answers where holes of a part lie on its flat pattern, the least
// distance to its outline and the smallest of them.
func boltsThrough(p made.Part, features []string) (holes [][2]float64, edge, bore float64, why string) {
	if len(features) == 0 {
		return nil, 0, 0, "Choose the holes its bolts go through."
	}
	outline := p.Outline.Flatten(.05)
	panel := ""
	edge, bore = math.Inf(1), math.Inf(1)
	seen := map[string]bool{}
	for _, h := range p.Holes {
		if !slices.Contains(features, h.Feature) {
			continue
		}
		seen[h.Feature] = true
		if panel != "" && h.Panel != panel {
			return nil, 0, 0, "Its bolts lie on several panels: the bolts of one joint stand on one face. Make it two joints."
		}
		panel = h.Panel
		holes = append(holes, [2]float64{h.Centre.X, h.Centre.Y})
		edge, bore = math.Min(edge, profile.Distance(h.Centre, outline)), math.Min(bore, h.Diameter)
	}
	if len(seen) < len(features) {
		return nil, 0, 0, "A hole its bolts go through is not on the part any more: choose its holes again."
	}
	return holes, edge, bore, ""
}

// faceOf answers the flat panel some holes stand on, as a rectangle on the flat
// pattern.
func faceOf(p made.Part, features []string) *joint.Face {
	for _, h := range p.Holes {
		if !slices.Contains(features, h.Feature) {
			continue
		}
		for _, q := range p.Panels {
			if q.ID != h.Panel || len(q.Flat) == 0 {
				continue
			}
			b := profile.Bounds{Min: q.Flat[0], Max: q.Flat[0]}
			for _, v := range q.Flat {
				b.Min, b.Max = profile.Point{X: min(b.Min.X, v.X), Y: min(b.Min.Y, v.Y)}, profile.Point{X: max(b.Max.X, v.X),
					Y: max(b.Max.Y, v.Y)}
			}
			return &joint.Face{Low: [2]float64{b.Min.X, b.Min.Y}, High: [2]float64{b.Max.X, b.Max.Y}}
		}
	}
	return nil
}
