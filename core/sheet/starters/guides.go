package starters

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// guideStarters are plates that lead a torch, a router or a scriber.
var guideStarters = []PartStarter{
	{"guide", "Cut-out guide", "A plate that leads a torch's nozzle, a router's ring or a scriber round a cut-out in a host panel: " +
		"a hole, a slot, a " +
		"window with stop-drilled corners, a notch from an edge.",
		[]PartAsk{choiceAsk("form", "Cut-out", 2, "round", "slot", "window", "notch from an edge"), sizeAsk("wide", "What goes "+
			"through, wide", 120),
			sizeAsk("high", "What goes through, long or deep; not of a round", 80), sizeAsk("clear", "Clearance all round", 3),
			sizeAsk("drill", "Corners of a window or a notch stop-drilled, diameter", 10), sizeAsk("nozzle", "Nozzle or ring, "+
				"diameter, 0 to scribe", 0),
			sizeAsk("kerf", "Kerf, 0 to scribe", 0), choiceAsk("runs", "It runs", 0, "round the plate", "in a window of the plate"),
			sizeAsk("border", "Border of a window's plate", 40)}, cutOutGuide},
	{"curve", "Curve guide", "A plate with an edge on a radius that leads a torch's nozzle along a curve.",
		[]PartAsk{sizeAsk("radius", "Cut, radius", 300), angleAsk("sweep", "Runs round", 60, 5, 300),
			choiceAsk("kept", "Kept is", 0, "within the curve", "outside of it"), choiceAsk("side", "Guide lies", 0, "within the "+
				"curve", "outside of it"),
			sizeAsk("nozzle", "Nozzle or ring, diameter, 0 to scribe", 20), sizeAsk("kerf", "Kerf, 0 to scribe", 2), sizeAsk("band",
				"Guide, wide", 60)},
		curveGuide},
}

func init() { PartStarters = append(PartStarters, guideStarters...) }

// curveGuide makes part of a ring: the nozzle's middle runs half a kerf off the cut on the side that is
// lost, its rim along the guide.
func curveGuide(s *starting) {
	path := s.v["radius"] + s.v["kerf"]/2
	if s.v["kept"] == 1 {
		path = s.v["radius"] - s.v["kerf"]/2
	}
	outer, band := path-s.v["nozzle"]/2, s.v["band"]
	if s.v["side"] == 1 {
		outer = path + s.v["nozzle"]/2 + band
	}
	if outer-band <= 0 {
		s.fault = working.Refuse("/values/band", "Within so small a curve a guide so wide has no room: make it narrower, or lay it "+
			"outside.")
		return
	}
	b := sheet.Base{Measure: sheet.Flat, Length: 2 * outer, Width: band, Shape: &sheet.Shape{Kind: sheet.Ring, Sweep: s.v["sweep"]}}
	b.Marks = []sheet.Mark{s.words("CURVE GUIDE")}
	s.part("Curve guide", 1, b)
}

// cutOutGuide makes the plate a nozzle runs round, or the window it runs in: the nozzle's middle runs half
// a kerf within the cut-out.
func cutOutGuide(s *starting) {
	clear, kerf := s.v["clear"], s.v["kerf"]
	wide, high := s.v["wide"]+2*clear, s.v["high"]+2*clear
	form := int(s.v["form"])
	if form == 0 {
		high = wide
	}
	r := math.Min(s.v["drill"]/2, math.Min(wide, high)/2)
	in := kerf/2 + s.v["nozzle"]/2 // the plate's edge lies so far within the cut-out
	window := s.v["runs"] == 1
	if window {
		in = kerf/2 - s.v["nozzle"]/2
	}
	name := []string{"round", "slot", "window", "notch"}[form]
	square := form > 1
	switch {
	case window && form == 3:
		s.fault = working.Refuse("/values/runs", "A notch has an open side: let it run round the plate.")
	case square && window && r < kerf/2-sheet.Tiny, square && !window && r < in-sheet.Tiny:
		least := 2 * kerf / 2
		if !window {
			least = 2 * in
		}
		s.fault = working.Refuse("/values/drill", "So led its corners come out %.4g mm in diameter: stop-drill them by that or "+
			"more%s.", least,
			map[bool]string{true: "", false: ", or run in a window"}[window])
	case math.Min(wide, high)-2*in <= 2:
		s.fault = working.Refuse("/values/nozzle", "A nozzle of this size finds no room in the cut-out.")
	}
	if s.fault != nil {
		return
	}
	w, h, corner := wide-2*in, high-2*in, math.Max(r-in, 0)
	var b sheet.Base
	switch {
	case window:
		b = s.windowPlate(form, w, h, corner)
	case form == 3:
		b = s.notchPlate(w, h, in, corner)
	default:
		b = plug(form, w, h, corner)
	}
	b.Measure = sheet.Flat
	b.Marks = append(b.Marks, s.words("GUIDE FOR A "+strings.ToUpper(name)))
	if !window && square { // where the corners are drilled first
		for _, x := range []float64{-1, 1} {
			for _, y := range []float64{-1, 1} {
				if form == 3 && y < 0 {
					continue
				}
				up := y * (high/2 - r)
				if form == 3 { // from the plate's middle: the notch ends high − clear over the host's edge
					up = notchTail + high - clear - r - (notchTail+h+in-clear)/2
				}
				b.Marks = append(b.Marks, sheet.Mark{ID: s.newID(), Name: "Stop-drill here first", Kind: sheet.CentreMark,
					X: from(sheet.Middle, x*(wide/2-r)), Y: from(sheet.Middle, up)})
			}
		}
	}
	s.part("Guide for a "+name, 1, b)
}

// words are what a guide says of itself, in the middle of it.
func (s *starting) words(text string) sheet.Mark {
	return sheet.Mark{ID: s.newID(), Kind: sheet.TextMark, Text: text, X: from(sheet.Middle, 0), Y: from(sheet.Middle, 0)}
}

// plug is a plate that is run round.
func plug(form int, w, h, corner float64) sheet.Base {
	switch form {
	case 0:
		return sheet.Base{Length: w, Shape: &sheet.Shape{Kind: sheet.Disc}}
	case 1:
		return sheet.Base{Length: math.Max(w, h), Width: math.Min(w, h), Shape: &sheet.Shape{Kind: sheet.Obround}}
	}
	b := sheet.Base{Length: w, Width: h}
	if corner > 0 {
		b.Corner = sheet.Corner{Kind: sheet.Radius, Size: corner}
	}
	return b
}

// windowPlate is a plate with a window that is run round inside.
func (s *starting) windowPlate(form int, w, h, corner float64) sheet.Base {
	hole := s.round(math.Min(w, h), from(sheet.Middle, 0), from(sheet.Middle, 0))
	switch {
	case form == 1:
		hole.Kind, hole.Length = sheet.SlotHole, math.Max(w, h)
		if h > w {
			hole.Angle = 90
		}
	case form == 2:
		hole.Kind, hole.Length, hole.Diameter, hole.Radius = sheet.RectangleHole, w, h, math.Min(corner, math.Min(w, h)/2)
	}
	border := math.Max(s.v["border"], 5)
	return sheet.Base{Length: w + 2*border, Width: h + 2*border, Holes: []sheet.Hole{hole}}
}

// notchTail is how far a notch's plate reaches past the edge of the host, mm.
const notchTail = 40.

// notchPlate is a plate run round on three sides; small notches in its sides lie on the host's edge. A
// notch is as deep as what goes through and one clearance.
func (s *starting) notchPlate(w, h, in, corner float64) sheet.Base {
	deep := h + in - s.v["clear"] // from the host's edge to the plate's end
	top := notchTail + deep
	loop := profile.Loop{vertex(0, 0), vertex(w, 0), vertex(w, top-corner), vertex(w-corner, top), vertex(corner, top), vertex(0,
		top-corner)}
	if corner > 0 {
		loop[2].Bulge, loop[4].Bulge = math.Tan(math.Pi/8), math.Tan(math.Pi/8)
	} else {
		loop = profile.Loop{vertex(0, 0), vertex(w, 0), vertex(w, top), vertex(0, top)}
	}
	b := sheet.Base{Shape: &sheet.Shape{Kind: sheet.Polygon, Points: loop}}
	left, along := fmt.Sprint(len(loop)), top-corner-notchTail
	for edge, at := range map[string]float64{"2": notchTail, left: along} {
		b.Edges = append(b.Edges, sheet.EdgeCut{ID: s.newID(), Name: "On the host's edge", Kind: sheet.Notch,
			Edge: sheet.Edge(edge), At: at,
			Width: 4, Depth: 2, Shape: sheet.VeeNotch})
	}
	return b
}
