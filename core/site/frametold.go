package site

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/tube"
	"warmanvil/core/working"
)

// FrameTold is a frame worked out, in the job's own units where it is read.
type FrameTold struct {
	Joints   []JointTold       `json:"joints"`
	Pieces   []PieceTold       `json:"pieces"`
	Plates   []PlateTold       `json:"plates"`
	Welds    []EndSeam         `json:"welds" doc:"where its ends are welded"`
	Figures  []FigureTold      `json:"figures"`
	Stocks   []string          `json:"stocks" doc:"sections in use"`
	Cut      CutTold           `json:"cut"`
	Hold     FrameHeld         `json:"hold"`
	Findings []working.Finding `json:"findings"`
	Cautions []string          `json:"cautions"`
}

// FigureTold is one number of a frame.
type FigureTold struct {
	Key  string `json:"key"`
	Name string `json:"name"`
	Text string `json:"text"`

	Working *working.Working `json:"working,omitempty"`
}

// JointTold is a point as it lies.
type JointTold struct {
	shape.Joint
	Text [3]string `json:"text"`
}

// PieceTold is a member as it is drawn and cut.
type PieceTold struct {
	ID     string       `json:"id"`
	Of     string       `json:"of,omitempty"`
	Name   string       `json:"name"`
	Stock  string       `json:"stock"`
	Why    string       `json:"why,omitempty"`
	Mark   string       `json:"mark,omitempty"`
	Long   string       `json:"long" doc:"long point to long point"`
	Ends   [2]EndTold   `json:"ends"`
	Mass   string       `json:"mass"`
	From   solid.Vector `json:"from"`
	To     solid.Vector `json:"to"`
	Mesh   shape.Mesh   `json:"mesh"`
	Splice string       `json:"splice,omitempty"`
}

// EndTold is an end in words.
type EndTold struct {
	shape.Cut
	Words string `json:"words" doc:"how it is cut"`
	Axis  string `json:"axis" doc:"angle from the axis"`
	Scale string `json:"scale" doc:"angle on the saw's scale, and the tilt"`
	Fold  string `json:"fold,omitempty" doc:"the same corner notched and folded, in words"`
}

// PlateTold is a plate as it is drawn.
type PlateTold struct {
	ID    string     `json:"id"`
	Name  string     `json:"name"`
	Owner string     `json:"owner"`
	Text  string     `json:"text"`
	Mass  string     `json:"mass"`
	Mesh  shape.Mesh `json:"mesh"`
}

// CutTold is the cut list with its sticks.
type CutTold struct {
	Rows   []CutRowTold        `json:"rows"`
	Plates []CutPlateTold      `json:"plates" doc:"end plates, caps and ears, alike ones together"`
	Stocks []cutlist.StockPlan `json:"stocks"`
	Text   string              `json:"text" doc:"masses, paint and money in one line"`
	Saw    member.Saw          `json:"saw" doc:"as it is cut by, with what is usual where nothing is said"`
	Kerf   string              `json:"kerf" doc:"where the kerf comes from"`
}

// CutPlateTold is plates that are cut alike, in words.
type CutPlateTold struct {
	cutlist.PlateRow
	Size   string   `json:"size" doc:"across × high × thick"`
	Drill  string   `json:"drill,omitempty" doc:"its holes and what they are for"`
	Places []string `json:"places" doc:"centres from the lower left corner"`
	Weighs string   `json:"weighs"`
}

// CutRowTold is a row of it in words.
type CutRowTold struct {
	cutlist.CutRow
	Text   string     `json:"text" doc:"cut to"`
	Finish string     `json:"finish" doc:"finished length"`
	Inner  string     `json:"inner" doc:"between the short points"`
	Weighs string     `json:"weighs"`
	Told   [2]EndTold `json:"told"`

	Working *working.Working `json:"working" doc:"of its length and cuts"`
}

// FrameHeld is whether it holds, in words.
type FrameHeld struct {
	held.Held
	Most   string         `json:"most" doc:"how far it moves"`
	Wanted string         `json:"wanted,omitempty"`
	Stands []StandsTold   `json:"stands"`
	Hertz  []string       `json:"hertz"`
	Lift   string         `json:"lift,omitempty" doc:"whether one person lifts it"`
	Beside []brief.Beside `json:"beside" doc:"what the checks leave out: fatigue, crash, how far the inputs can be trusted"`
}

// StandsTold is what a support takes, in words.
type StandsTold struct {
	Point string   `json:"point"`
	Name  string   `json:"name"`
	Kind  string   `json:"kind"`
	Rest  string   `json:"rest"`
	Worst string   `json:"worst"`
	Case  string   `json:"case"`
	Lifts bool     `json:"lifts"`
	Six   []string `json:"six" doc:"along and about x, y, z in the worst case"`

	Working *working.Working `json:"working,omitempty"`
}

func endTold(p told.Pen, c shape.Cut) EndTold {
	c.Filler = p.Spoken(c.Filler)
	t := EndTold{Cut: c, Axis: fmt.Sprintf("%.1f°", c.Cut), Scale: fmt.Sprintf("%.1f°", c.Saw+0)}
	if c.Tilt > 0 {
		t.Scale += fmt.Sprintf(", blade tilted %.1f°", c.Tilt)
	}
	switch {
	case c.Kind == member.Fold:
		t.Words = "notched and folded"
	case c.Kind == member.Bent:
		t.Words = "goes on round a bend"
	case c.Hole != nil:
		t.Scale = "by template"
		t.Words = fmt.Sprintf("coped to %s at %.1f°, or hole saw %s", p.MM(c.Hole.Diameter), c.Hole.Angle, p.MM(c.Hole.Diameter))
		if c.Hole.Offset > .05 {
			t.Words += ", " + p.MM(c.Hole.Offset) + " off its middle"
		}
	case c.Saw == 0:
		t.Words = "square"
	default:
		t.Words = "lying on its " + c.Lies
		if c.Long != "" {
			t.Words += ", long point " + c.Long
		}
	}
	if f := c.Folded; f != nil {
		t.Fold = fmt.Sprintf("or in one piece with %s: V of %.1f°, %s wide at the inside face and %s deep, folded on the outside "+
			"wall", f.With,
			f.Angle, p.MM(f.Width), p.MM(f.Deep))
	}
	if c.Onto != "" && c.Kind != member.Square {
		t.Words += ", to " + c.Onto
	}
	return t
}

// cornerTold tells one corner of a formed piece whose free leg past it is so long, mm, and on whose
// end so much is left already: of a fold also its gauge, and what to leave for the final fit.
func cornerTold(p told.Pen, c shape.CornerCut, leg, trim float64) string {
	if c.Kind == member.Fold {
		off, word, card := .5, "half a millimetre", 100.
		if p.Display.Style != quantity.Metric {
			off, word, card = 25.4/64, "1/64 in", 4*25.4
		}
		g := tube.GaugeOf(c.Angle, c.Deep, leg)
		t := fmt.Sprintf("V at %s from the first long point, hinge opposite: %.1f° on the %s side, %s wide, %s deep, folds at %s. Gauge: "+
			"a card that opens to %.1f°, legs of %s, %s apart at their ends; %s off the V moves the free end by %s", p.MM(c.At), c.Angle,
			c.Side, p.MM(c.Width), p.MM(c.Deep), c.Name, g.Opens, p.MM(card), p.MM(g.Across(card)), word, p.MM(g.Stray*off))
		if spare := g.Stray * off; trim < spare {
			t += ": leave that much on the free end and cut it when the fold is tacked"
		}
		return t
	}
	t := fmt.Sprintf("bend from %s to %s from the first long point: %.1f° towards its %s, radius %s, at %s", p.MM(c.At), p.MM(c.To),
		c.Angle,
		c.Side, p.MM(c.Radius), c.Name)
	if math.Abs(c.Turn) > .05 {
		t += fmt.Sprintf(", the piece turned %.1f° before", c.Turn)
	}
	return t
}

// moved writes a movement as far as it means something.
func movedTold(p told.Pen, mm float64) string {
	if p.Display.Style != quantity.Metric {
		return fmt.Sprintf("%.3f in", mm/25.4)
	}
	if mm < 1 {
		return fmt.Sprintf("%.2f mm", mm)
	}
	return fmt.Sprintf("%.1f mm", mm)
}
