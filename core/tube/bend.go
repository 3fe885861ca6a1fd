package tube

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Turn is one bend of a bar or tube.
type Turn struct {
	Radius   float64 `json:"radius" doc:"mm, centre line"`
	Angle    float64 `json:"angle" doc:"degrees turned from straight"`
	Rotation float64 `json:"rotation,omitempty" doc:"degrees the piece is turned about itself after the bend before, clockwise seen from its first end"`
}

// BendInput is a bent bar or tube: legs on the centre line to where their
// straight runs would meet.
type BendInput struct {
	Outside float64   `json:"outside" doc:"mm, diameter or size in the plane of the bend"`
	Wall    float64   `json:"wall,omitempty" doc:"mm; of a solid bar left out"`
	Legs    []float64 `json:"legs" doc:"mm, one more than the bends"`
	Bends   []Turn    `json:"bends"`
	Strip   *Released `json:"strip,omitempty" doc:"a trial bend of the same piece"`
}

// Released is a trial bend: how far the tool went and what stayed.
type Released struct {
	Bent   float64 `json:"bent" doc:"degrees under the tool"`
	Stayed float64 `json:"stayed" doc:"degrees after release"`
}

// Mark is one bend on the straight piece.
type Mark struct {
	Start    float64 `json:"start" doc:"mm from the first end to where the bend begins"`
	End      float64 `json:"end" doc:"mm to where it ends"`
	Straight float64 `json:"straight" doc:"mm of straight before it"`
	Rotation float64 `json:"rotation" doc:"degrees to turn the piece before this bend"`
	Aim      float64 `json:"aim" doc:"degrees to bend to under the tool; as wanted without a trial bend"`
}

// BendResult is the bending sheet.
type BendResult struct {
	Developed float64           `json:"developed" doc:"mm of straight piece"`
	Marks     []Mark            `json:"marks"`
	Points    [][3]float64      `json:"points" doc:"mm, ends and apexes; the first leg along x, the first bend in x–y"`
	Findings  []working.Finding `json:"findings"`
	Working   working.Working   `json:"working"`
}

// Bend answers the developed length and the marks of a bent bar or tube. It
// fails with *working.Fault.
func Bend(in BendInput) (BendResult, error) {
	if len(in.Bends) == 0 || len(in.Bends) > 50 || len(in.Legs) != len(in.Bends)+1 {
		return BendResult{}, working.Refuse("/legs", "A bent piece has from 1 to 50 bends and one leg more than bends, not %d legs and %d bends.",
			len(in.Legs), len(in.Bends))
	}
	err := working.First(working.Above("/outside", "The outside size", in.Outside, 0, 1000, "mm"),
		working.Within("/wall", "The wall", in.Wall, 0, in.Outside/2, "mm"))
	if in.Strip != nil {
		err = working.First(err, working.Above("/strip/bent", "The trial bend", in.Strip.Bent, 0, 180, "°"),
			working.Above("/strip/stayed", "What stayed of it", in.Strip.Stayed, 0, in.Strip.Bent, "°"))
	}
	if err != nil {
		return BendResult{}, err
	}
	r := BendResult{Findings: []working.Finding{}}
	setback := make([]float64, len(in.Bends))
	for i, b := range in.Bends {
		at := fmt.Sprintf("/bends/%d", i)
		if err := working.First(working.Above(at+"/radius", "The centre-line radius", b.Radius, in.Outside/2, maxLength, "mm"),
			working.Above(at+"/angle", "The bend", b.Angle, 0, 170, "°"),
			working.Within(at+"/rotation", "The rotation", b.Rotation, -360, 360, "°")); err != nil {
			return BendResult{}, err
		}
		setback[i] = b.Radius * math.Tan(b.Angle/2*math.Pi/180)
		if f := tightness(in, i); f != nil {
			r.Findings = append(r.Findings, *f)
		}
	}
	at := 0.0
	for i, leg := range in.Legs {
		straight := leg
		if i > 0 {
			straight -= setback[i-1]
		}
		if i < len(setback) {
			straight -= setback[i]
		}
		path := fmt.Sprintf("/legs/%d", i)
		if err := working.Above(path, "The leg", leg, 0, maxLength, "mm"); err != nil {
			return BendResult{}, err
		}
		if straight < -1e-9 {
			return BendResult{}, working.Refuse(path, "Leg %d is %.4g mm shorter than its bends take: lengthen it, or bend to a smaller radius.",
				i+1, -straight)
		}
		if i > 0 && i < len(setback) && straight < in.Outside {
			r.Findings = append(r.Findings, working.Finding{Code: "grip", Severity: working.Mind, Cause: "Bending",
				Reason: fmt.Sprintf("Only %.1f mm stay straight between bends %d and %d: most tools grip one size of the piece, %.1f mm, or more.",
					straight, i, i+1, in.Outside)})
		}
		at += straight
		if i == len(in.Bends) {
			break
		}
		b := in.Bends[i]
		m := Mark{Start: at, Straight: straight, Rotation: b.Rotation, Aim: b.Angle}
		at += b.Radius * b.Angle * math.Pi / 180
		m.End = at
		if in.Strip != nil {
			m.Aim = b.Angle * in.Strip.Bent / in.Strip.Stayed
		}
		r.Marks = append(r.Marks, m)
	}
	r.Developed, r.Points = at, in.points()
	if in.Strip == nil {
		r.Findings = append(r.Findings, working.Finding{Code: "no-trial", Severity: working.Note, Cause: "Bending",
			Reason: "Without a trial bend the angles are as wanted: the piece springs back. Bend one, and type what stayed."})
	}
	r.Working = working.Working{Method: "Developed length of a bent piece",
		Source:  "centre line: straights and arcs; springback as a trial bend had it, in proportion",
		Formula: "L = Σ(leg − setbacks) + Σ R·A·π/180, setback = R·tan(A/2)",
		Inputs: []working.Quantity{{Symbol: "n", Name: "bends", Value: float64(len(in.Bends))},
			{Symbol: "d", Name: "outside", Value: in.Outside, Unit: "mm"}},
		Assumptions: []string{"the centre line keeps its length: on tight bends it stretches a little, cut long and trim"},
		Result:      working.Quantity{Symbol: "L", Name: "developed length", Value: r.Developed, Unit: "mm"}}
	return r, nil
}

// tightness says when a bend is tighter than usual: 3 d on the centre line for
// thin tube, 2 d for thick, 1.5 d for solid bar; practice.
func tightness(in BendInput, i int) *working.Finding {
	factor, what := 1.5, "solid bar"
	if in.Wall > 0 {
		factor, what = 2, "tube of that wall"
		if in.Outside/in.Wall > 15 {
			factor, what = 3, "thin tube"
		}
	}
	if in.Bends[i].Radius >= factor*in.Outside-1e-9 {
		return nil
	}
	return &working.Finding{Code: "tight", Severity: working.Mind, Cause: "Bending",
		Reason: fmt.Sprintf("Bend %d at %.1f mm is tighter than the %.1f mm usual for %s: it kinks or flattens without a mandrel. Larger "+
			"radius, thicker wall, or a bought bend.", i+1, in.Bends[i].Radius, factor*in.Outside, what)}
}

// points walks the centre line from apex to apex.
func (in BendInput) points() [][3]float64 {
	type vec = [3]float64
	x, y, z := vec{1}, vec{0, 1}, vec{0, 0, 1} // the piece's own axes: along, the way it bends, square to both
	p := vec{}
	out := [][3]float64{p}
	mix := func(a vec, s float64, b vec, t float64) (o vec) {
		for i := range o {
			o[i] = a[i]*s + b[i]*t
		}
		return o
	}
	for i, leg := range in.Legs {
		p = mix(p, 1, x, leg)
		out = append(out, p)
		if i == len(in.Bends) {
			break
		}
		if i > 0 {
			s, c := math.Sincos(in.Bends[i].Rotation * math.Pi / 180)
			y, z = mix(y, c, z, s), mix(z, c, y, -s)
		}
		s, c := math.Sincos(in.Bends[i].Angle * math.Pi / 180)
		x, y = mix(x, c, y, s), mix(y, c, x, -s)
	}
	return out
}
