package starters

import (
	"math"

	"warmanvil/core/develop"
	"warmanvil/core/sheet"
)

// usualDepth is how far flats of a pressed round lie inside it where nothing else is said, mm
// (practice: a rule laid on shows less than the plate's own waves).
const usualDepth = .5

// roundStarters are rounds: bent from one plate by rolls or a brake.
var roundStarters = []PartStarter{
	{"pipe", "Pipe or cone", "A pipe, a cone or a reducer of one plate, its ends level or cut leaning, with one seam.",
		[]PartAsk{faceAsk, sizeAsk("bottom", "Bottom, diameter", 200), sizeAsk("top", "Top, diameter, 0 for a point", 200),
			sizeAsk("height", "High", 150), shiftAsk("shift", "Top shifted sideways, 0 for straight"), wayAsk,
			sizeAsk("lap", "Lap at the seam, 0 for butted", 0), angleAsk("cut", "Top cut leaning, 0 for level", 0, 0, 80)},
		func(s *starting) {
			c := &develop.ConeInput{Bottom: s.v["bottom"], Top: s.v["top"], Height: s.v["height"], Lap: s.v["lap"],
				Offset: &[2]float64{s.v["shift"], 0}}
			if s.v["cut"] > 0 { // the highest side stays as high as asked
				half := math.Max(s.v["bottom"], s.v["top"]) / 2
				c.Cut = &develop.ConeCut{Angle: s.v["cut"], Height: math.Max(s.v["height"]-half*math.Tan(s.v["cut"]*math.Pi/180),
					s.v["height"]/10)}
			}
			name := "Cone"
			if c.Bottom == c.Top {
				name = "Pipe"
			}
			s.roundPart(name, 1, s.form(develop.Form{Kind: develop.ConeForm, Cone: c}))
		}},
	{"reducer", "Square to round", "A funnel or duct from a rectangle below to a round above, pressed at its lines.",
		[]PartAsk{faceAsk, sizeAsk("long", "Below, along x", 300), sizeAsk("wide", "Below, along y", 300), sizeAsk("round", "Above, "+
			"diameter", 150),
			sizeAsk("height", "High", 200), shiftAsk("x", "Top shifted along x"), shiftAsk("y", "Top shifted along y"),
			countAsk("sides", "Sides of a quarter of the round", 6, 1, 90), sizeAsk("lap", "Lap at the seam, 0 for butted", 0)},
		func(s *starting) {
			s.roundPart("Square to round", 1, s.form(develop.Form{Kind: develop.TransitionForm, Transition: &develop.TransitionInput{
				Below: &develop.OutlineForm{Long: s.v["long"], Wide: s.v["wide"]},
				Above: &develop.OutlineForm{Round: s.v["round"], Sides: int(s.v["sides"])}, Height: s.v["height"],
				Offset: &[2]float64{s.v["x"], s.v["y"]}, Lap: s.v["lap"]}}))
		}},
	{"taper", "Tapered tube skin", "A rectangular tube that tapers, of one plate with one seam: over the cut and drawn-in tube its skin.",
		[]PartAsk{faceAsk, sizeAsk("longA", "Large end, along x", 100), sizeAsk("wideA", "Large end, along y", 60),
			sizeAsk("longB", "Small end, along x", 60), sizeAsk("wideB", "Small end, along y", 60), sizeAsk("height", "Taper, long", 250),
			shiftAsk("x", "Small end shifted along x"), shiftAsk("y", "Small end shifted along y"), sizeAsk("lap", "Lap at the "+
				"seam, 0 for butted", 0)},
		func(s *starting) {
			s.roundPart("Taper", 1, s.form(develop.Form{Kind: develop.TransitionForm, Transition: &develop.TransitionInput{
				Below: &develop.OutlineForm{Long: s.v["longA"], Wide: s.v["wideA"]},
				Above: &develop.OutlineForm{Long: s.v["longB"], Wide: s.v["wideB"]}, Height: s.v["height"],
				Offset: &[2]float64{s.v["x"], s.v["y"]}, Lap: s.v["lap"]}}))
		}},
	{"elbow", "Elbow of segments", "A pipe bend of straight segments: two end pieces and the whole ones between, each its own part.",
		[]PartAsk{faceAsk, sizeAsk("diameter", "Diameter", 100), sizeAsk("radius", "Bend, radius of the middle line", 150),
			angleAsk("angle", "Turns", 90, 1, 180), countAsk("middle", "Whole segments between", 2, 0, 30),
			sizeAsk("straight", "Straight at both ends", 30), wayAsk}, func(s *starting) {
			in := develop.ElbowInput{Diameter: s.v["diameter"], Radius: s.v["radius"], Angle: s.v["angle"], Middle: int(s.v["middle"]),
				Straight: s.v["straight"]}
			for i, name := range []string{"Elbow end", "Elbow segment"} {
				count, sizes := []int{2, in.Middle}[i], in
				if count > 0 {
					s.roundPart(name, count, s.form(develop.Form{Kind: develop.ElbowForm, Elbow: &sizes, Whole: i == 1}))
				}
			}
		}},
	{"arch", "Wheel-arch band", "A band round a wheel that keeps off it in travel, lock and lean; the sheet at its sides is folded " +
		"or cut for itself.",
		[]PartAsk{sizeAsk("tyre", "Tyre, diameter", 700), sizeAsk("tread", "Tyre, wide", 220), sizeAsk("growth", "Tyre grows, "+
			"chains and mud", 10),
			sizeAsk("up", "Wheel rises to its stop", 80), angleAsk("lock", "Steered either way, 0 for not", 0, 0, 60),
			angleAsk("lean", "Wheel leans at full cross travel", 0, 0, 45), sizeAsk("gap", "Gap everywhere", 40),
			shiftAsk("above", "Ends above the wheel's middle"), sizeAsk("width", "Band wide, 0 for as wide as it takes", 0),
			wayAsk}, func(s *starting) {
			w := develop.ArchInput{Tyre: s.v["tyre"], Width: s.v["tread"], Growth: s.v["growth"], Up: s.v["up"], Lock: s.v["lock"],
				Articulation: s.v["lean"], Gap: s.v["gap"], Above: s.v["above"]}
			wide := s.v["width"]
			if a, err := develop.Arch(w); err == nil && wide == 0 {
				wide = math.Ceil(a.Width)
			}
			f := s.form(develop.Form{Kind: develop.BandForm, Band: &develop.Band{Width: wide, Wheel: &w}})
			f.Face = develop.InsideFace
			s.roundPart("Wheel-arch band", 1, f)
		}},
	{"saddle", "Saddle on a tube", "A plate that lies on a round tube: a doubler, a foot, a pad for a bracket.",
		[]PartAsk{sizeAsk("tube", "Tube, outside diameter", 60), angleAsk("sweep", "Runs round it", 120, 5, 340), sizeAsk("width",
			"Along the tube", 80),
			sizeAsk("gap", "Gap for a liner or paint", 0), wayAsk, sizeAsk("hole", "Holes, diameter, 0 for none", 0)}, func(s *starting) {
			radius := s.v["tube"]/2 + s.v["gap"]
			f := s.form(develop.Form{Kind: develop.BandForm, Band: &develop.Band{Radius: radius, Sweep: s.v["sweep"], Width: s.v["width"]}})
			f.Face = develop.InsideFace
			s.roundPart("Saddle", 1, f)
			if d := s.v["hole"]; d > 0 {
				b := &s.out[len(s.out)-1].Recipe.Base
				for _, up := range []float64{1, -1} {
					h := s.round(d, from(sheet.Around, -90-s.v["sweep"]/3), from(sheet.Up, s.v["width"]*(.5+up*.25)))
					h.Pattern = &sheet.Pattern{Kind: sheet.AroundPattern, Count: 2, Start: 2 * s.v["sweep"] / 3}
					b.Holes = append(b.Holes, h)
				}
			}
		}},
}

func init() { PartStarters = append(PartStarters, roundStarters...) }

var faceAsk = choiceAsk("face", "Sizes are of", 0, "the outside", "the inside", "the middle of the plate")
var wayAsk = choiceAsk("way", "Made round", 0, "in rolls", "in the brake, by small bends")

// shiftAsk asks for a length that may go either way.
func shiftAsk(key, name string) PartAsk {
	a := sizeAsk(key, name, 0)
	a.Least = -a.Most
	return a
}

func angleAsk(key, name string, usual, least, most float64) PartAsk {
	return PartAsk{Key: key, Name: name, Kind: "angle", Usual: usual, Inch: usual, Least: least, Most: most}
}

// form fills in what all rounds are asked alike.
func (s *starting) form(f develop.Form) develop.Form {
	f.Face = []develop.Face{develop.OutsideFace, develop.InsideFace, develop.MiddleFace}[int(s.v["face"])]
	f.Way = develop.Rolled
	if s.v["way"] == 1 || f.Kind == develop.TransitionForm {
		f.Way, f.Radius = develop.Pressed, s.r
		if f.Kind != develop.TransitionForm {
			f.Depth = usualDepth
		}
	}
	return f
}

// roundPart ends a round.
func (s *starting) roundPart(name string, quantity int, f develop.Form) {
	s.part(name, quantity, sheet.Base{Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Developed, Round: &f}})
}
