package joint

import (
	"fmt"
	"slices"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// Suggestion is one change that helps, worked out.
type Suggestion struct {
	Text    string           `json:"text"`
	Input   Input            `json:"input" doc:"the joint as it would be"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest *float64         `json:"hardest" doc:"largest share used then"`
}

const maxSuggestions = 6

// Suggest answers changes that bring a joint that is over or tight lower, each
// worked out like the joint itself: the next classes, the next size where its
// holes are not given by a part, larger washers, thicker plies, two shear planes.
// heldPlies are those whose thickness is given by a part.
func Suggest(in Input, heldHoles bool, heldPlies ...int) []Suggestion {
	now, err := Work(in)
	if err != nil || now.Hardest == nil || *now.Hardest < strength.TightFrom {
		return []Suggestion{}
	}
	out := []Suggestion{}
	offer := func(text string, to Input) bool {
		r, err := Work(to)
		if err != nil || r.Hardest == nil || *r.Hardest > *now.Hardest-.02 || len(out) == maxSuggestions {
			return false
		}
		out = append(out, Suggestion{text, to, r.Verdict, r.Hardest})
		return *r.Hardest < strength.TightFrom
	}
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if !in.Nut.threaded() && in.Nut != Pin || err != nil { // rivets and screws: the next larger
		for _, r := range stock.Rivets {
			if p := in.Rivet; in.Nut == Riveted && r.Material == p.Material && r.Diameter > p.Diameter {
				to := in
				to.Rivet = &RivetPick{r.Diameter, r.Material}
				to.Plies = slices.Clone(in.Plies)
				for i := range to.Plies {
					if to.Plies[i].Hole > 0 {
						to.Plies[i].Hole = r.Hole
					}
				}
				if !heldHoles && offer(fmt.Sprintf("Rivets of %s", in.Display.Text(r.Diameter)), to) {
					break
				}
			}
		}
		return out
	}
	if mine, err := stock.FindGrade(t, in.Grade); err == nil {
		for _, name := range map[stock.System][]string{stock.Metric: {"8.8", "10.9"}, stock.Inch: {"SAE 5", "SAE 8"}}[in.System] {
			if g, err := stock.FindGrade(t, name); err == nil && g.Proof > mine.Proof {
				to := in
				to.Grade = name
				if offer("Bolts of class "+name, to) {
					break
				}
			}
		}
	}
	if !heldHoles {
		for _, next := range stock.Threads {
			if next.System != in.System || !next.Coarse || next.Diameter <= t.Diameter+1e-6 || next.Diameter > 1.6*t.Diameter {
				continue
			}
			to := in
			to.Size, to.Pitch, to.Washer = next.Size, next.Pitch, 0
			to.Plies = slices.Clone(in.Plies)
			for i := range to.Plies {
				if to.Plies[i].Hole > 0 {
					to.Plies[i].Hole = next.Clearance.Normal
				}
			}
			if _, err := stock.FindGrade(next, in.Grade); err == nil && offer(fmt.Sprintf("%s bolts in holes of %s", next.Name(), in.Display.Text(next.Clearance.Normal)), to) {
				break
			}
		}
	}
	if large := 3 * t.Diameter; in.Washer < large {
		to := in
		to.Washer, to.Washers = large, max(in.Washers, 2)
		offer(fmt.Sprintf("Washers of %s on both sides", in.Display.Text(large)), to)
	}
	for i, p := range in.Plies {
		for _, c := range now.Checks {
			name := p.Name
			if name == "" {
				name = fmt.Sprintf("ply %d", i+1)
			}
			if slices.Contains(heldPlies, i) || c.Where != name || c.Utilisation == nil || *c.Utilisation < strength.TightFrom {
				continue
			}
			to := in
			to.Plies = slices.Clone(in.Plies)
			more := max(1, p.Thickness*(*c.Utilisation/.8-1))
			to.Plies[i].Thickness += more
			offer(fmt.Sprintf("A doubler of %s on %s", in.Display.Text(more), name), to)
			break
		}
	}
	if in.Nut.captive() && in.Reached != HeadsOnly {
		to := in
		to.Nut, to.Tighten.Locking = Lock, PlasticRing
		to.Plies = slices.Clone(in.Plies)
		to.Plies[len(to.Plies)-1].Fixed = false
		if in.Nut == Tapped { // drilled out to a clearance hole
			to.Plies[len(to.Plies)-1].Hole = 0
		}
		offer("Through bolts with nuts behind", to)
	}
	if !in.Double && len(in.Plies) == 3 {
		to := in
		to.Double = true
		offer("Let the middle ply pull between the other two: two shear planes", to)
	}
	return out
}
