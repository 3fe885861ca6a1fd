package shop

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/working"
)

// BendKind is what kind of bending tool it is.
type BendKind string

// The kinds of bending tools: punches and dies of a press, fingers of a box-and-pan brake.
const (
	StraightPunch BendKind = "straight"
	Gooseneck     BendKind = "gooseneck"
	VDie          BendKind = "die"
	Fingers       BendKind = "fingers"
)

// BendTool is a punch, a die or a set of fingers: by its sizes, or by its own outline.
type BendTool struct {
	ID      string       `json:"id"`
	Kind    BendKind     `json:"kind" enum:"straight,gooseneck,die,fingers"`
	Name    string       `json:"name,omitempty"`
	Angle   float64      `json:"angle,omitempty" doc:"degrees, of a punch's tip or a die's opening"`
	Width   float64      `json:"width,omitempty" doc:"mm, of a punch's body or a die's block"`
	Height  float64      `json:"height,omitempty" doc:"mm, under the beam"`
	Opening float64      `json:"opening,omitempty" doc:"mm, of a die"`
	Throat  float64      `json:"throat,omitempty" doc:"mm, how far a gooseneck's neck stands back from its tip"`
	Nose    float64      `json:"nose,omitempty" doc:"mm, of a finger: upright before it leans back"`
	Lean    float64      `json:"lean,omitempty" doc:"degrees a finger's front leans up from the sheet"`
	Outline profile.Loop `json:"outline,omitempty" doc:"instead of sizes: x to the back stop, y up, anywhere"`
	Pieces  []BendPiece  `json:"pieces,omitempty" doc:"lengths it is put together of; in one piece as long as its machine when left out"`
}

// BendPiece is one length of a tool.
type BendPiece struct {
	ID   string  `json:"id"`
	Long float64 `json:"long" doc:"mm"`
}

// bendSizes are what each kind is described by, with what each may be, mm or degrees.
var bendSizes = map[BendKind][]struct {
	key         string
	text        string
	least, most float64
	unit        string
}{
	StraightPunch: {{"angle", "The tip's angle", 20, 120, "°"}, {"width", "The body's width", 2, 200, "mm"}, {"height", "The height",
		20, 800, "mm"}},
	Gooseneck: {{"angle", "The tip's angle", 20, 120, "°"}, {"width", "The neck's width", 5, 200, "mm"}, {"height", "The height", 40,
		800, "mm"},
		{"throat", "The throat", 1, 300, "mm"}},
	VDie: {{"opening", "The opening", 2, 400, "mm"}, {"angle", "The angle", 20, 120, "°"}, {"width", "The block's width", 5, 600, "mm"},
		{"height", "The height", 10, 600, "mm"}},
	Fingers: {{"nose", "The nose", .5, 60, "mm"}, {"height", "The height", 20, 600, "mm"}, {"lean", "The lean", 20, 85, "°"}},
}

func (t BendTool) size(key string) float64 {
	return map[string]float64{"angle": t.Angle, "width": t.Width, "height": t.Height, "opening": t.Opening, "throat": t.Throat,
		"nose": t.Nose,
		"lean": t.Lean}[key]
}

func (t BendTool) check(at string, ids map[string]bool) error {
	sizes, known := bendSizes[t.Kind]
	if !known {
		return working.Refuse(at+"/kind", "A bending tool is a straight punch, a gooseneck, a die or a set of fingers, not %q.",
			string(t.Kind))
	}
	if err := working.First(own(at, t.ID, ids), text(at+"/name", t.Name, brief.MaxName), list(at+"/pieces", len(t.Pieces))); err != nil {
		return err
	}
	for i, p := range t.Pieces {
		path := fmt.Sprintf("%s/pieces/%d", at, i)
		if err := working.First(own(path, p.ID, ids), working.Above(path+"/long", "A piece", p.Long, 0, 2e4, "mm")); err != nil {
			return err
		}
	}
	if len(t.Outline) > 0 {
		return t.checkOutline(at)
	}
	for _, s := range sizes {
		if err := working.Within(at+"/"+s.key, s.text, t.size(s.key), s.least, s.most, s.unit); err != nil {
			return err
		}
	}
	switch deep := t.Opening / 2 / math.Tan(t.Angle*math.Pi/360); {
	case t.Kind == VDie && t.Opening >= t.Width:
		return working.Refuse(at+"/width",
			"The block is %.4g mm wide and its opening %.4g mm: it has no shoulders. Measure both at the top.",
			t.Width, t.Opening)
	case t.Kind == VDie && deep >= t.Height:
		return working.Refuse(at+"/height", "The groove would be %.4g mm deep and the block is %.4g mm high: measure both.", deep,
			t.Height)
	case t.Kind == StraightPunch && t.Width/2/math.Tan(t.Angle*math.Pi/360) >= t.Height:
		return working.Refuse(at+"/height", "With such a tip the punch would be higher than %.4g mm: measure its width and angle.",
			t.Height)
	case t.Kind == Gooseneck && bending.GooseneckLeast(t.Angle, t.Width, t.Throat) > t.Height:
		return working.Refuse(at+"/height",
			"A neck %.4g mm wide with a throat of %.4g mm needs a height of %.4g mm: measure again, or draw its "+
				"outline.", t.Width, t.Throat, math.Ceil(bending.GooseneckLeast(t.Angle, t.Width, t.Throat)))
	case t.Kind == Fingers && t.Nose >= t.Height:
		return working.Refuse(at+"/nose", "The nose is as high as the finger.")
	}
	return nil
}

func (t BendTool) checkOutline(at string) error {
	flat := t.Outline.Flatten(.05)
	switch {
	case len(flat) < 3 || len(flat) > 400:
		return working.Refuse(at+"/outline", "An outline has 3 to 400 corners, this one %d.", len(flat))
	case t.Outline.Crosses():
		return working.Refuse(at+"/outline", "The outline crosses itself: draw the tool's outside alone, closed.")
	}
	for _, p := range flat {
		if math.IsNaN(p.X) || math.IsNaN(p.Y) || math.Abs(p.X) > 2e3 || math.Abs(p.Y) > 2e3 {
			return working.Refuse(at+"/outline", "The outline reaches farther than 2 m: is it drawn in millimetres?")
		}
	}
	if t.Kind != VDie {
		return nil
	}
	if _, _, is := groove(flat); !is {
		return working.Refuse(at+"/outline", "No groove is found at the top of the die: two shoulders of one height with a dip between.")
	}
	return nil
}

// groove answers the two shoulders of a die's outline: the highest places with a dip between
// them.
func groove(p []profile.Point) (left, right profile.Point, is bool) {
	top := math.Inf(-1)
	for _, q := range p {
		top = math.Max(top, q.Y)
	}
	n := len(p)
	for i, q := range p {
		if q.Y < top-.01 || p[(i+1)%n].Y > top-.01 {
			continue
		}
		for k := 1; k < n; k++ { // down into the dip and up again
			r := p[(i+k)%n]
			if r.Y < top-.01 {
				continue
			}
			deep := top
			for m := 1; m < k; m++ {
				deep = math.Min(deep, p[(i+m)%n].Y)
			}
			low := math.Inf(1)
			for _, v := range p {
				low = math.Min(low, v.Y)
			}
			if deep > low+1e-6 { // not round the bottom
				if q.X > r.X {
					q, r = r, q
				}
				return q, r, true
			}
			break
		}
	}
	return left, right, false
}

// outline answers the tool's outline where bending wants it, anticlockwise.
func (t BendTool) outline() []profile.Point {
	if len(t.Outline) == 0 {
		switch t.Kind {
		case StraightPunch:
			return bending.Straight(t.Angle, t.Width, t.Height)
		case Gooseneck:
			return bending.Gooseneck(t.Angle, t.Width, t.Height, t.Throat)
		case VDie:
			return bending.VDie(t.Opening, t.Angle, t.Width, t.Height)
		}
		return bending.Finger(t.Nose, t.Height, t.Lean)
	}
	p := t.Outline.Flatten(.05)
	if t.Outline.Area() < 0 {
		slices.Reverse(p)
	}
	zero := profile.Point{X: math.Inf(1), Y: math.Inf(1)}
	switch t.Kind {
	case VDie:
		left, right, _ := groove(p)
		zero = left.Add(right).Mul(.5)
	case Fingers: // its front foot
		for _, q := range p {
			if q.Y < zero.Y-1e-6 || q.Y < zero.Y+1e-6 && q.X < zero.X {
				zero = q
			}
		}
	default: // the middle of its tip
		from, to := 0., 0.
		for _, q := range p {
			switch {
			case q.Y < zero.Y-1e-6:
				zero, from, to = q, q.X, q.X
			case q.Y < zero.Y+1e-6:
				from, to = math.Min(from, q.X), math.Max(to, q.X)
			}
		}
		zero.X = (from + to) / 2
	}
	for i := range p {
		p[i] = p[i].Sub(zero)
	}
	return p
}

// opening answers a die's opening, mm.
func (t BendTool) opening() float64 {
	if len(t.Outline) == 0 {
		return t.Opening
	}
	left, right, _ := groove(t.Outline.Flatten(.05))
	return right.X - left.X
}

// called names a tool.
func (t BendTool) called() string {
	if t.Name != "" {
		return t.Name
	}
	return "the " + map[BendKind]string{StraightPunch: "straight punch", Gooseneck: "gooseneck", VDie: "die", Fingers: "fingers"}[t.Kind]
}

func (t BendTool) set() bending.Tool {
	out := bending.Tool{Name: t.called(), Said: true, Outline: t.outline()}
	if t.Kind == VDie {
		out.Opening = t.opening()
	}
	for _, p := range t.Pieces {
		out.Pieces = append(out.Pieces, p.Long)
	}
	return out
}

// BendToolTold is a bending tool as it stands in its machine, for drawing.
type BendToolTold struct {
	ID      string          `json:"id"`
	Called  string          `json:"called"`
	Outline []profile.Point `json:"outline" doc:"x to the back stop, y up; a punch's tip, a finger's front foot or the middle of a die's opening at the origin"`
	Opening float64         `json:"opening,omitempty" doc:"mm, of a die"`
}

// Outlined answers the outlines of its bending tools.
func (s Shop) Outlined() []BendToolTold {
	out := make([]BendToolTold, 0, len(s.BendTools))
	for _, t := range s.BendTools {
		told := BendToolTold{ID: t.ID, Called: t.called(), Outline: t.outline()}
		if t.Kind == VDie {
			told.Opening = t.opening()
		}
		out = append(out, told)
	}
	return out
}

// NewBendTool answers a tool of a kind with usual sizes, in a metric or an inch shop.
func NewBendTool(k BendKind, inch bool) BendTool {
	or := func(mm, inches float64) float64 {
		if inch {
			return inches * in
		}
		return mm
	}
	t := BendTool{Kind: k}
	switch k {
	case StraightPunch:
		t.Angle, t.Width, t.Height = 85, or(13, .5), or(120, 4.75)
	case Gooseneck:
		t.Angle, t.Width, t.Height, t.Throat = 85, or(22, .875), or(130, 5.125), or(30, 1.1875)
	case VDie:
		t.Opening, t.Angle, t.Width, t.Height = or(16, .625), 80, or(44, 1.75), or(60, 2.375)
	default:
		t.Nose, t.Height, t.Lean = or(6, .25), or(90, 3.5), 45
	}
	return t
}
