package brief

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"warmanvil/core/sheet"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// Welded is a welded joint of the job: the seams that hold two bodies to each other.
type Welded struct {
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Sides  [2]SeamBody `json:"sides" doc:"what it joins: first the part or member whose edges are welded"`
	Seams  []SeamPlan  `json:"seams,omitempty"`
	Filler string      `json:"filler,omitempty" doc:"key of the table of weld metals; the weakest of steel when left out"`
	Mount  string      `json:"mount,omitempty" doc:"id of a bracket of its first part: what that carries goes through these seams"`
	Braces string      `json:"braces,omitempty" doc:"id of the welded joint its first part is a gusset of: what the gusset's foot takes there goes through these seams"`
	Corner *WeldCorner `json:"corner,omitempty" doc:"its first part is a gusset beside that end of a member: what the gusset takes there goes through these seams"`
	Layers *WeldLayers `json:"layers,omitempty" doc:"its two plates lie on each other and are bent as one: what shears them goes along its seams beside its loads"`
	Path   bool        `json:"path,omitempty" doc:"its loads come along the load path of the job"`
	Cases  []SeamLoad  `json:"cases,omitempty" doc:"loads typed, where they come from neither"`
	Where  WeldPlace   `json:"where,omitempty" enum:"bench,tacked,in place" doc:"on the bench when left out"`
	Shown  string      `json:"shown,omitempty" doc:"what hides its seams later, so that they are looked at first"`
	Note   string      `json:"note,omitempty" doc:"for whoever welds it"`
}

// WeldCorner is an end of a member of the frame a gusset is welded to.
type WeldCorner struct {
	Member string `json:"member" doc:"id of the member whose end it is"`
	End    string `json:"end" enum:"a,b"`
}

// WeldLayers is plates that lie on each other, welded along both edges and bent as one.
type WeldLayers struct {
	Shear float64 `json:"shear" doc:"N, across them where they are bent"`
	Over  float64 `json:"over,omitempty" doc:"mm, of more layers on the first that are as one with it"`
	Under float64 `json:"under,omitempty" doc:"mm, of more layers under the second"`
}

// WeldPlace is where seams are laid.
type WeldPlace string

// On the bench; tacked where it belongs and welded on the bench; all of it where it belongs.
const (
	AtBench WeldPlace = "bench"
	Tacked  WeldPlace = "tacked"
	InPlace WeldPlace = "in place"
)

// SeamBody is one of two bodies that are welded. What belongs to no part or frame is typed.
type SeamBody struct {
	Side
	Name      string  `json:"name,omitempty"`
	Material  string  `json:"material,omitempty" doc:"key of the material table, of what is of no part or frame"`
	Thickness float64 `json:"thickness,omitempty" doc:"mm, of the same"`
	Guessed   bool    `json:"guessed,omitempty" doc:"nobody measured that thickness"`
}

// SeamPlan is one seam of a welded joint: along an edge of a panel of its first part, all round an end of its first
// member, or along points drawn by hand on the first.
type SeamPlan struct {
	weld.Seam
	On     string     `json:"on,omitempty" doc:"id of a placed gusset whose edge it is; of the first part when left out"`
	Panel  string     `json:"panel,omitempty" doc:"id of the panel whose edge it runs along"`
	Edge   sheet.Edge `json:"edge,omitempty" doc:"front, right, back, left or a number"`
	Before float64    `json:"before,omitempty" doc:"mm of the edge left out at its start"`
	After  float64    `json:"after,omitempty" doc:"mm left out at its other end"`
	End    string     `json:"end,omitempty" enum:"a,b" doc:"end of the first member it runs all round"`
	Holes  []string   `json:"holes,omitempty" doc:"of plugs and spots: ids of hole features of the first part they are at"`
	Map    string     `json:"map,omitempty" doc:"of plugs and spots: id of the surveyed hole map or point they are at"`
	Gap    *float64   `json:"gap,omitempty" doc:"mm, widest gap under it as measured; none when left out"`
	By     string     `json:"by,omitempty" enum:"mig,tig,stick,spot,outside" doc:"how it is laid; the first welder of the Shop that takes it when left out"`
	Passed string     `json:"passed,omitempty" doc:"which coupon showed that this seam comes out, where no welder of the Shop is said to lay it"`
}

// SeamLoad is a load that is typed, in the axes of the first body: of the vehicle where that is placed.
type SeamLoad struct {
	Name   string     `json:"name"`
	Force  [3]float64 `json:"force" doc:"N"`
	At     [3]float64 `json:"at" doc:"mm, a point on its line"`
	Moment [3]float64 `json:"moment,omitzero" doc:"N·mm"`
}

// most is how many seams and cases a welded joint has.
const mostWelded = 60

// CheckWelded refuses welded joints that run away; what is merely missing is told.
func (b Brief) CheckWelded() error {
	for i, w := range b.Welded {
		at := fmt.Sprintf("/welded/%d", i)
		if len(w.Seams) > mostWelded || len(w.Cases) > mostWelded {
			return working.Refuse(at, "A welded joint has up to %d seams and %d load cases.", mostWelded, mostWelded)
		}
		n := utf8.RuneCountInString(w.Name + w.Note + w.Shown)
		switch w.Where {
		case "", AtBench, Tacked, InPlace:
		default:
			return working.Refuse(at+"/where", "It is welded on the bench, tacked in place first, or welded in place, not %q.", string(w.Where))
		}
		if l := w.Layers; l != nil {
			if err := working.First(working.Within(at+"/layers/shear", "What shears them", l.Shear, 0, 1e8, "N"),
				working.Within(at+"/layers/over", "What lies on the first", l.Over, 0, 300, "mm"),
				working.Within(at+"/layers/under", "What lies under the second", l.Under, 0, 300, "mm")); err != nil {
				return err
			}
		}
		for k, s := range w.Sides {
			n += utf8.RuneCountInString(s.Name)
			if err := working.Within(fmt.Sprintf("%s/sides/%d/thickness", at, k), "A thickness", s.Thickness, 0, 300, "mm"); err != nil {
				return err
			}
		}
		for k, s := range w.Seams {
			here := fmt.Sprintf("%s/seams/%d", at, k)
			n += utf8.RuneCountInString(s.Name + s.Passed)
			if len(s.Path) > mostWelded || len(s.Holes) > mostWelded {
				return working.Refuse(here+"/path", "A seam drawn by hand has up to %d corners.", mostWelded)
			}
			if err := working.First(s.numbers(here), working.Within(here+"/before", "What is left out", s.Before, 0, 1e5, "mm"),
				working.Within(here+"/after", "What is left out", s.After, 0, 1e5, "mm")); err != nil {
				return err
			}
			if !slices.Contains([]string{"", weld.MIG, weld.TIG, weld.Stick, weld.Spot, "outside"}, s.By) {
				return working.Refuse(here+"/by", "It is laid by mig, tig, stick or spot, or outside, not by %q.", s.By)
			}
			if s.By == weld.Spot && s.Form != weld.SpotForm || s.Form == weld.SpotForm && s.By != "" && s.By != weld.Spot && s.By != "outside" {
				return working.Refuse(here+"/by", "A spot welder lays resistance spots, and nothing else does.")
			}
			if s.Gap != nil {
				if err := working.Within(here+"/gap", "The gap", *s.Gap, 0, 100, "mm"); err != nil {
					return err
				}
			}
		}
		for k, c := range w.Cases {
			n += utf8.RuneCountInString(c.Name)
			for axis := range 3 {
				here := fmt.Sprintf("%s/cases/%d", at, k)
				if err := working.First(working.Within(fmt.Sprintf("%s/force/%d", here, axis), "A force", c.Force[axis], -1e8, 1e8, "N"),
					working.Within(fmt.Sprintf("%s/at/%d", here, axis), "A place", c.At[axis], -1e5, 1e5, "mm"),
					working.Within(fmt.Sprintf("%s/moment/%d", here, axis), "A moment", c.Moment[axis], -1e11, 1e11, "N·mm")); err != nil {
					return err
				}
			}
		}
		if n > MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", MaxText)
		}
	}
	return nil
}

// numbers refuses sizes that no seam has.
func (s SeamPlan) numbers(at string) error {
	for i, p := range s.Path {
		for k, v := range p {
			if err := working.Within(fmt.Sprintf("%s/path/%d/%d", at, i, k), "A place", v, -1e5, 1e5, "mm"); err != nil {
				return err
			}
		}
	}
	return working.First(working.Within(at+"/across", "What one is across", s.Across, 0, 100, "mm"), working.Within(at+"/leg", "The "+
		"leg", s.Leg, 0, 100, "mm"),
		working.Within(at+"/throat", "The throat", s.Throat, 0, 100, "mm"), working.Within(at+"/radius", "The radius", s.Radius, 0, 500, "mm"),
		working.Within(at+"/angle", "The angle between its faces", s.Angle, 0, 180, "°"),
		working.Within(at+"/stitch", "A stitch", s.Stitch, 0, 1e5, "mm"), working.Within(at+"/pitch", "The pitch", s.Pitch, 0, 1e5, "mm"))
}

// renamedWelded answers welded joints with parts and frames called by their new ids.
func renamedWelded(list []Welded, ids map[string]string) []Welded {
	out := make([]Welded, len(list))
	for i, w := range list {
		for k := range w.Sides {
			if to, known := ids[w.Sides[k].Of]; known && (w.Sides[k].Kind == PartSide || w.Sides[k].Kind == MemberSide) {
				w.Sides[k].Of = to
			}
		}
		out[i] = w
	}
	return out
}

// Joins tells whether a joint, bolted or welded, is of a part or a frame.
func (w Welded) Joins(id string) bool { return w.Sides[0].Of == id || w.Sides[1].Of == id }
