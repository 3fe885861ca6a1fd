package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Form is how a seam joins.
type Form string

// The forms: in the corner of two faces; at the edge of one that lies on another; at two edges that meet; edge to
// edge in one plane; two edges side by side; in the groove beside a rounded corner or a bar.
const (
	FilletForm Form = "fillet"
	LapForm    Form = "lap"
	CornerForm Form = "corner"
	ButtForm   Form = "butt"
	EdgeForm   Form = "edge"
	FlareForm  Form = "flare"
)

// Finish is how a seam is left.
type Finish string

// As it is laid, dressed without taking of its throat, or ground flush.
const (
	AsIs    Finish = "as is"
	Dressed Finish = "dressed"
	Flush   Finish = "flush"
)

// SeamSide is one of the two that a seam joins.
type SeamSide struct {
	Name      string       `json:"name,omitempty"`
	Material  string       `json:"material" doc:"key of the material table"`
	Thickness float64      `json:"thickness" doc:"mm"`
	Guessed   bool         `json:"guessed,omitempty" doc:"nobody measured the thickness: strength counts 0.85 of it"`
	Normal    solid.Vector `json:"normal,omitempty" doc:"square to its face; zero where nobody knows it"`
	Closed    bool         `json:"closed,omitempty" doc:"a wall of a tube: the walls beside it hold it, so that nothing peels it"`
}

// Seam is one place where two things are welded.
type Seam struct {
	ID     string         `json:"id"`
	Name   string         `json:"name,omitempty"`
	Form   Form           `json:"form" enum:"fillet,lap,corner,butt,edge,flare,plug,spot"`
	Path   []solid.Vector `json:"path,omitempty" doc:"mm, corners of the line it runs along; closed where it ends as it begins; of plugs and spots their places"`
	Leg    float64        `json:"leg,omitempty" doc:"mm, of a fillet, a lap, a corner or an edge"`
	Across float64        `json:"across,omitempty" doc:"mm, of a plug or a spot: its diameter"`
	Radius float64        `json:"radius,omitempty" doc:"mm, of a flare: outside radius of the rounded corner or the bar"`
	Throat float64        `json:"throat,omitempty" doc:"mm, as deep as it is known to be: of a butt by its preparation, of others by a cut and etched coupon"`
	Angle  float64        `json:"angle,omitempty" doc:"degrees between the faces; 90 when left out"`
	Both   bool           `json:"both,omitempty" doc:"welded on both sides of the first of what it joins, whose edge it is"`
	Stitch float64        `json:"stitch,omitempty" doc:"mm, long, of stitches; all along when left out"`
	Pitch  float64        `json:"pitch,omitempty" doc:"mm, from middle to middle of them"`
	Finish Finish         `json:"finish,omitempty" enum:"as is,dressed,flush"`
	Full   bool           `json:"full,omitempty" doc:"of a butt: melted through, or gouged from the back to sound metal and welded there"`
	Of     float64        `json:"of,omitempty" doc:"mm, of the unbroken run this is the part that carries of; itself when left out"`
	RunOff bool           `json:"runOff,omitempty" doc:"it starts and stops on pieces that are cut off after"`
	Sides  [2]SeamSide    `json:"sides,omitzero" doc:"the first is the one whose edge is welded"`
}

// Called names a seam.
func (s Seam) Called() string {
	if s.Name != "" {
		return s.Name
	}
	return s.ID
}

// Len is how long the line is that it runs along, mm.
func (s Seam) Len() (mm float64) {
	for i := 1; i < len(s.Path); i++ {
		mm += s.Path[i].Sub(s.Path[i-1]).Len()
	}
	return mm
}

// closed tells whether it ends as it begins: it has no start and stop of its own.
func (s Seam) closed() bool {
	return len(s.Path) > 2 && s.Path[0].Sub(s.Path[len(s.Path)-1]).Len() < 1e-6
}

// counted is how deep a millimetre of it is, mm, and why nobody can say; both 0 and "" do not happen.
func (s Seam) counted() (throat float64, why string) {
	switch {
	case s.dots():
		return 1, ""
	case s.Form == ButtForm && s.Full:
		return math.Min(s.Sides[0].thick(), s.Sides[1].thick()), ""
	case s.Finish == Flush && s.Throat == 0:
		return 0, "it is ground flush, and how deep it is melted nobody said: a fillet ground flush has lost its throat. Leave it as it " +
			"is, weld it through, or cut and etch a coupon and say its throat"
	case s.Throat > 0:
		return s.Throat, ""
	case s.Form == ButtForm:
		return 0, "how deep it is welded nobody said: say its throat, or that it is melted through"
	}
	if s.Form == FlareForm {
		return s.flared()
	}
	angle := s.Angle
	if angle == 0 {
		angle = 90
	}
	if s.Form == LapForm || s.Form == EdgeForm {
		angle = 90
	}
	if s.Both { // one of its two corners is the wider
		angle = math.Max(angle, 180-angle)
	}
	if angle < 60 || angle > 120 {
		return 0, fmt.Sprintf("its faces stand at %.0f°: from 60° to 120° the throat follows from the leg, beyond that a cut and etched coupon "+
			"shows it", angle)
	}
	leg := s.Leg
	if s.Form != FilletForm { // laid along an edge it is no larger than that is thick
		leg = math.Min(leg, math.Min(s.Sides[0].thick(), s.Sides[1].thick()))
	}
	return leg * math.Cos(angle/2*math.Pi/180), ""
}

// flareShare is the throat of a groove beside a rounded corner that is filled flush, of its radius: with rods, the least
// of AISC 360 Table J2.2; wire with gas melts deeper, and a coupon shows that. flareLeast is the radius from which plate
// may count on it.
const (
	flareShare = 5. / 16
	flareLeast = 10.
)

// flared is how deep a millimetre of a flare is.
func (s Seam) flared() (throat float64, why string) {
	switch {
	case s.Radius <= 0:
		return 0, "how round the corner it lies beside is nobody said: say its outside radius, or its throat by a cut and etched coupon"
	case s.Radius < flareLeast && !s.sheet():
		return 0, fmt.Sprintf("beside a corner of %.3g mm plate counts on no flare (AISC 360 Table J2.2, from 10 mm on): fill it flush and "+
			"lay a fillet over it, or say its throat by a cut and etched coupon", s.Radius)
	}
	return flareShare * s.Radius, ""
}

// thick is what counts of a thickness.
func (s SeamSide) thick() float64 {
	if s.Guessed {
		return s.Thickness * stock.GuessedShare
	}
	return s.Thickness
}

const (
	mostSeams = 500
	mostCases = 500
)

// check refuses what is no seam.
func (s Seam) check(at string) error {
	switch {
	case s.dots() && len(s.Path) == 0:
		return working.Refuse(at+"/path", "%s have no place: say where they are.", s.Called())
	case len(s.Path) < 2 && !s.dots():
		return working.Refuse(at+"/path", "%s has no length: give two points of it at least.", s.Called())
	case len(s.Path) > mostSegments:
		return working.Refuse(at+"/path", "%s has more than %d corners.", s.Called(), mostSegments)
	}
	for i, p := range s.Path {
		for _, v := range p {
			if err := working.Within(fmt.Sprintf("%s/path/%d", at, i), "A place", v, -mostPlace, mostPlace, "mm"); err != nil {
				return err
			}
		}
	}
	if s.Len() < 1e-6 && !s.dots() {
		return working.Refuse(at+"/path", "%s has no length: all of its points are one.", s.Called())
	}
	switch s.Form {
	case FilletForm, LapForm, CornerForm, EdgeForm, ButtForm, FlareForm:
	case PlugForm, SpotForm:
		if err := s.checkDots(at); err != nil {
			return err
		}
	default:
		return working.Refuse(at+"/form", "Say how %s joins: fillet, lap, corner, butt, edge, flare, plug or spot.", s.Called())
	}
	if s.Form != ButtForm && !s.dots() {
		if s.Throat == 0 && s.Leg == 0 && s.Form != FlareForm {
			return working.Refuse(at+"/leg", "Say how large %s is: its leg.", s.Called())
		}
		if s.Full {
			return working.Refuse(at+"/full", "Only a butt is melted through: of %s say its throat.", s.Called())
		}
	}
	if s.Stitch > 0 != (s.Pitch > 0) || s.Stitch > s.Pitch {
		return working.Refuse(at+"/pitch", "Stitches of %s have a length, and a pitch that is no shorter.", s.Called())
	}
	for k, side := range s.Sides {
		if err := working.Above(fmt.Sprintf("%s/sides/%d/thickness", at, k), "What it joins", side.Thickness, 0, mostThick, "mm"); err != nil {
			return err
		}
	}
	return working.First(working.Within(at+"/leg", "The leg", s.Leg, 0, 100, "mm"),
		working.Within(at+"/throat", "The throat", s.Throat, 0, 100, "mm"), working.Within(at+"/radius", "The radius", s.Radius, 0, 500, "mm"),
		working.Within(at+"/angle", "The angle between its faces", s.Angle, 0, 180, "°"),
		working.Within(at+"/stitch", "A stitch", s.Stitch, 0, mostPlace, "mm"))
}
