package shape

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/tube"
	"warmanvil/core/working"
)

// Formed is a piece of several members, cut straight and then folded or bent.
type Formed struct {
	Kind      member.EndKind   `json:"kind" enum:"fold,bend"`
	Pieces    []string         `json:"pieces" doc:"ids of its members in order"`
	Names     []string         `json:"names"`
	Stock     string           `json:"stock"`
	Section   section.Sizes    `json:"section"`
	Developed float64          `json:"developed" doc:"mm of the straight piece, long point to long point"`
	Short     float64          `json:"short" doc:"mm between its short points"`
	Trim      float64          `json:"trim,omitempty" doc:"mm left on at its ends"`
	Faces     [4]float64       `json:"faces" doc:"mm along top, bottom, left, right of the straight piece as its first member lies"`
	Starts    [4]float64       `json:"starts" doc:"mm from the first long point to where each face starts"`
	Ends      [2]Cut           `json:"ends"`
	Mass      float64          `json:"mass" doc:"kg"`
	Corners   []CornerCut      `json:"corners"`
	Bend      *tube.BendInput  `json:"bend,omitempty" doc:"the bending sheet's request"`
	Notes     []string         `json:"notes,omitempty"`
	Working   *working.Working `json:"working,omitempty"`
	Alike     string
	Twin      string
}

// CornerCut is one corner on the straight piece.
type CornerCut struct {
	Kind   member.EndKind `json:"kind" enum:"fold,bend"`
	Name   string         `json:"name" doc:"of its point"`
	At     float64        `json:"at" doc:"mm from the first long point to the hinge, or to where the bend begins"`
	To     float64        `json:"to" doc:"mm to where the bend ends; the hinge again of a fold"`
	Side   string         `json:"side" doc:"side of the straight piece, as its first member lies, that becomes the inside"`
	Angle  float64        `json:"angle" doc:"degrees turned from straight"`
	Width  float64        `json:"width,omitempty" doc:"mm, opening of the V"`
	Deep   float64        `json:"deep,omitempty" doc:"mm, of the V"`
	Radius float64        `json:"radius,omitempty" doc:"mm, centre line of a bend"`
	Turn   float64        `json:"turn" doc:"degrees to turn the piece about itself before, clockwise seen from its first end"`
	way    solid.Vector
}

// step is one member of a chain: which run, and the end it is entered by.
type step struct{ run, in int }

// chain puts runs that are of one piece together.
func (b *Built) chain() {
	used := make([]bool, len(b.Runs))
	ring := map[int]bool{}
	follow := func(i, in int) (out []step) {
		for {
			if b.Pieces[i].Why != "" {
				return nil // its own finding says what is wrong
			}
			if used[i] {
				return out
			}
			used[i] = true
			out = append(out, step{i, in})
			f := b.Runs[i].Formed[1-in]
			if f == nil {
				return out
			}
			i, in = f.other, f.far
		}
	}
	for pass := range 2 { // rings have no free end: they are opened at their first corner
		for i, r := range b.Runs {
			for in := range 2 {
				if used[i] || r.Formed[1-in] == nil || pass == 0 == (r.Formed[in] != nil) {
					continue
				}
				if pass == 1 {
					ring[i] = true
				}
				if pass == 1 && r.Formed[in].Kind == member.Bent {
					b.say("one-piece-ring", working.Stop, r.ID,
						"A ring bent of one piece has no end to start from: set a point in the middle of a side, and let two members meet there.")
				}
				if steps := follow(i, in); len(steps) > 1 {
					b.develop(steps, ring[i])
				}
			}
		}
	}
}

// develop works one formed piece out.
func (b *Built) develop(steps []step, ring bool) {
	firstRun, lastRun := b.Runs[steps[0].run], b.Runs[steps[len(steps)-1].run]
	f := Formed{Stock: b.Pieces[steps[0].run].Stock, Section: firstRun.Section}
	in := tube.BendInput{Wall: firstRun.Section.Wall}
	// The straight piece's own left and top, carried round the corners.
	left, top := firstRun.Axes.Y, firstRun.Axes.Z
	ways := map[string]solid.Vector{"left": left, "right": left.Mul(-1), "top": top, "bottom": top.Mul(-1)}
	at, apex := 0.0, 0.0 // along the straight piece; from the long point to the last apex
	var square solid.Vector
	for k, s := range steps {
		r, p := b.Runs[s.run], &b.Pieces[s.run]
		f.Pieces, f.Names = append(f.Pieces, p.ID), append(f.Names, p.Name)
		f.Mass += p.Mass
		f.Trim += p.Trim
		f.Notes = append(f.Notes, p.Holes...)
		// Where the leg begins and ends on this run, mm from its point of entry.
		along := func(e int) float64 { // from the entry end's point
			t := p.bounds[e][e] // long point
			if g := r.Formed[e]; g != nil && !(ring && (k == 0 && e == s.in || k == len(steps)-1 && e != s.in)) {
				if g.Kind == member.Bent {
					t = p.bounds[e][0]
				} else if e == 0 {
					t += g.hinge
				} else {
					t -= g.hinge
				}
			}
			if s.in == 1 {
				return r.Length - t
			}
			return t
		}
		enter, leave := along(s.in), along(1-s.in)
		at += leave - enter
		out := r.Formed[1-s.in]
		if k == len(steps)-1 {
			in.Legs = append(in.Legs, math.Abs(leave-enter)+apex)
			break
		}
		c := CornerCut{Kind: out.Kind, Name: b.Laid.Name(b.Laid.Joints[out.joint].ID), At: at, To: at, Angle: out.angle,
			Radius: out.radius, way: out.inside}
		f.Kind = out.Kind
		best := 0.0
		for word, v := range ways {
			if d := v.Dot(out.inside); d > best+1e-9 {
				best, c.Side = d, word
			}
		}
		travel := out.into.Mul(-1)
		normal := travel.Cross(out.inside)
		if k > 0 {
			c.Turn = math.Atan2(square.Cross(normal).Dot(travel), square.Dot(normal)) * 180 / math.Pi
		}
		square = normal
		if out.Kind == member.Fold {
			c.Width, c.Deep = out.notch.Width, out.notch.Height
		} else {
			in.Outside = math.Max(in.Outside, r.Size(out.inside))
			in.Legs = append(in.Legs, leave-enter+apex+out.back())
			apex = out.back()
			in.Bends = append(in.Bends, tube.Turn{Radius: out.radius, Angle: out.angle, Rotation: c.Turn})
			at += out.radius * out.angle * math.Pi / 180
			c.To = at
		}
		f.Corners = append(f.Corners, c)
		for word, v := range ways { // carry the sides round
			sin, cos := math.Sincos(out.angle * math.Pi / 180)
			ways[word] = v.Mul(cos).Add(normal.Cross(v).Mul(sin)).Add(normal.Mul(normal.Dot(v) * (1 - cos)))
		}
	}
	f.Developed = at
	f.Ends = [2]Cut{b.Pieces[steps[0].run].Ends[steps[0].in], b.Pieces[steps[len(steps)-1].run].Ends[1-steps[len(steps)-1].in]}
	f.Short = at - f.Ends[0].Slant - f.Ends[1].Slant
	f.faces(firstRun, lastRun, steps[0].in, 1-steps[len(steps)-1].in, ways)
	b.told(&f, in, ring)
	f.named()
	b.Formed = append(b.Formed, f)
}

// faces measures the straight piece's four sides between its end cuts.
func (f *Formed) faces(a, z *Run, ea, ez int, ways map[string]solid.Vector) {
	short := func(r *Run, e int, way solid.Vector) float64 { // behind the long point
		x, y := -way.Dot(r.Axes.Y), way.Dot(r.Axes.Z)
		w, h := (r.Box.Right-r.Box.Left)/2, (r.Box.Top-r.Box.Bottom)/2
		q := [2]float64{(r.Box.Left+r.Box.Right)/2 + x*w, (r.Box.Bottom+r.Box.Top)/2 + y*h}
		t, _ := r.meets(r.cuts[e], e, q)
		most := t
		for _, o := range r.Outer {
			v, _ := r.meets(r.cuts[e], e, o)
			if e == 0 {
				most = math.Min(most, v)
			} else {
				most = math.Max(most, v)
			}
		}
		return math.Abs(t - most)
	}
	start := map[string]solid.Vector{"top": a.Axes.Z, "bottom": a.Axes.Z.Mul(-1), "left": a.Axes.Y, "right": a.Axes.Y.Mul(-1)}
	for i, side := range [4]string{"top", "bottom", "left", "right"} {
		f.Starts[i] = short(a, ea, start[side])
		f.Faces[i] = f.Developed - f.Starts[i] - short(z, ez, ways[side])
	}
}

// told says what to mind of a formed piece, and its working.
func (b *Built) told(f *Formed, in tube.BendInput, ring bool) {
	id, name := f.Pieces[0], strings.Join(f.Names, ", ")
	if ring {
		b.say("one-piece-ring", working.Note, id,
			fmt.Sprintf("%s close in a ring: the piece is opened at the first of its points and welded there.", name))
	}
	if f.Kind == member.Fold {
		f.Working = &working.Working{Method: "Developed length of a notched and folded tube",
			Source: "plane geometry: the wall that stays folds at the hinge without stretching", Formula: "L = Σ legs to the hinges",
			Assumptions: []string{"the hinge lies at the face of the wall that stays as chosen, wall·tan(fold/2) short of the outside " +
				"corner when inner", "the blade cuts inside the V's lines", "each V is welded on its three open sides"},
			Result: working.Quantity{Symbol: "L", Name: "cut straight", Value: f.Developed, Unit: "mm"}}
		at := 0.0
		for i, c := range f.Corners {
			f.Working.Steps = append(f.Working.Steps,
				working.Quantity{Symbol: fmt.Sprintf("l%d", i+1), Name: "leg " + f.Names[i], Value: c.At - at, Unit: "mm"})
			at = c.At
		}
		f.Working.Steps = append(f.Working.Steps,
			working.Quantity{Symbol: fmt.Sprintf("l%d", len(f.Corners)+1), Name: "leg " + f.Names[len(f.Names)-1],
				Value: f.Developed - at, Unit: "mm"})
		return
	}
	r, err := tube.Bend(in)
	if err != nil {
		b.say("one-piece-legs", working.Stop, id, fmt.Sprintf("%s: %v", name, err))
		return
	}
	f.Bend, f.Working = &in, &r.Working
	for _, x := range r.Findings {
		if x.Code == "no-trial" {
			continue // the bending sheet asks for it
		}
		x.Feature, x.Reason = id, name+": "+x.Reason
		b.Findings = append(b.Findings, x)
	}
	b.say("bend-sharp", working.Note, id, name+
		": its strength counts the bends as sharp corners at their points; that a tight bend flattens and is stressed more on its inside "+
		"is not counted.")
}

// named makes what tells formed pieces apart: the same read from either end,
// and its mirror image.
func (f *Formed) named() {
	end := func(c Cut) string {
		if c.Hole != nil {
			return fmt.Sprintf("hole %.2f %.2f %.2f", c.Hole.Diameter, c.Hole.Angle, c.Hole.Offset)
		}
		if c.Saw == 0 {
			return "square"
		}
		return fmt.Sprintf("%.2f/%.2f/%s/%s", c.Saw, c.Tilt, c.Lies, c.Long)
	}
	base := fmt.Sprintf("%s|%s|%.1f|%.1f", f.Kind, f.Stock, f.Developed, f.Trim)
	line := func(sign float64, back bool) string {
		words := []string{}
		list, at := slices.Clone(f.Corners), 0.0
		if back {
			slices.Reverse(list)
			turn := 0.0 // the turn before a corner is the one after it, read from the other end
			for i := range list {
				list[i].At, list[i].To = f.Developed-list[i].To, f.Developed-list[i].At
				list[i].Turn, turn = turn, list[i].Turn
			}
		}
		for _, c := range list {
			turn := math.Round(sign*c.Turn*10)/10 + 0
			if turn == -180 {
				turn = 180
			}
			words = append(words, fmt.Sprintf("%.1f:%.2f:%.1f:%.1f", c.At-at, c.Angle, c.Radius, turn))
			at = c.To
		}
		return base + "|" + strings.Join(words, "|")
	}
	if f.Ends[0].Slant+f.Ends[1].Slant < 1e-6 {
		f.Alike, f.Twin = min(line(1, false), line(1, true)), min(line(-1, false), line(-1, true))
		return
	}
	ends := end(f.Ends[0]) + "|" + end(f.Ends[1]) + "|" + f.Corners[0].Side
	f.Alike, f.Twin = line(1, false)+ends, line(-1, false)+ends+"mirrored" // with slanted ends only what is surely alike
}
