package sheet

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/bend"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Limits of a recipe: generous for real parts, small enough to answer at once.
const (
	maxFlanges  = 60
	maxDepth    = 8
	maxHoles    = 2000 // holes made, patterns counted out
	maxSize     = 20_000.0
	maxAngle    = 179.0
	maxApex     = 165.0 // past it nothing is measured to an apex
	maxCorners  = 2000
	maxCuts     = 500
	maxCoupons  = 50
	maxRadiusMM = 5000.0
	maxAsides   = 200
	maxReason   = 500
)

func idForm(id string) bool {
	for _, r := range id {
		if !(r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' || r >= '0' && r <= '9' || r == '-' || r == '_') {
			return false
		}
	}
	return id != "" && len(id) <= 64
}

// Validate refuses what no later step should have to meet: unknown names,
// sizes out of range, doubled ids. It fails with *working.Fault whose path
// points into the recipe.
func (r Recipe) Validate() error {
	if r.Schema != SchemaVersion {
		return working.Refuse("/schema", "This program reads recipe version %d, not %d.", SchemaVersion, r.Schema)
	}
	if _, err := stock.MaterialByKey(r.Material); err != nil {
		return working.Refuse("/material", "Choose a material from the table: %v.", err)
	}
	if _, err := stock.ProcessByKey(r.Process); err != nil {
		return working.Refuse("/process", "Choose how it is cut: %v.", err)
	}
	err := working.First(
		working.Within("/thickness", "The thickness", r.Thickness, .2, 50, "mm"),
		oneOf("/grain", "The grain", r.Grain, "", GrainUnknown, GrainX, GrainY),
		oneOf("/tool/kind", "The tool", r.Tool.Kind, bend.ToolVDie, bend.ToolPan, bend.ToolVice),
		working.Within("/tool/opening", "The die opening", r.Tool.Opening, 0, 1000, "mm"),
		r.validateBend(),
		oneOf("/hand/drawn", "The hand", r.Hand.Drawn, "", LeftHand, RightHand),
		r.Base.validateShape(),
		measureOK("/base/measure", r.Base.Measure),
		cornerOK("/base/corner", r.Base.Corner),
	)
	if err != nil {
		return err
	}
	for i, a := range r.SetAside {
		if i == maxAsides || len(a.Reason) > maxReason || a.Reason == "" || len(a.Code) > 64 || len(a.Feature) > 64 {
			return working.Refuse("/setAside/"+strconv.Itoa(i), "A finding is set aside with a reason of 1 to %d characters, %d times at most.", maxReason, maxAsides)
		}
	}
	v := validator{seen: map[string]bool{}}
	return working.First(v.id("/base", r.Base.ID), meetsOK("/base", r.Base.Meets), v.edges("/base", r.Base.Edges), v.marks("/base", r.Base.Marks), v.holes("/base", r.Base.Holes), v.flanges("/base", r.Base.Flanges, 1))
}

func (r Recipe) validateBend() error {
	err := working.First(
		oneOf("/bend/school", "The school", r.Bend.School, bend.Schools...),
		oneOf("/bend/method", "The method", r.Bend.Method, bend.MethodAir, bend.MethodBottomed, bend.MethodHand, bend.MethodRolled),
	)
	if err != nil {
		return err
	}
	if r.Bend.K != nil {
		err = working.Within("/bend/k", "K", *r.Bend.K, 0, 1, "")
	}
	if err == nil && r.Bend.Deduction != nil {
		err = working.Within("/bend/deduction", "The deduction", *r.Bend.Deduction, 0, 500, "mm")
	}
	if err == nil && len(r.Bend.Coupons) > maxCoupons {
		err = working.Refuse("/bend/coupons", "Up to %d coupons are averaged, not %d.", maxCoupons, len(r.Bend.Coupons))
	}
	return err
}

type validator struct {
	seen    map[string]bool
	flanged int
	drilled int
	cuts    int
	marked  int
}

// named80 keeps a feature's own name short.
func named80(name string) error {
	if len([]rune(name)) > 80 {
		return working.Refuse("/name", "A name is up to 80 characters.")
	}
	return nil
}

func (v *validator) id(path, id string) error {
	if !idForm(id) {
		return working.Refuse(path+"/id", "An id is 1 to 64 letters, digits, - or _.")
	}
	if v.seen[id] {
		return working.Refuse(path+"/id", "The id %s is used twice.", id)
	}
	v.seen[id] = true
	return nil
}

func (v *validator) flanges(path string, list []Flange, depth int) error {
	if len(list) > 0 && depth > maxDepth {
		return working.Refuse(path+"/flanges", "Flanges on flanges go %d deep at most.", maxDepth)
	}
	for i, f := range list {
		p := path + "/flanges/" + strconv.Itoa(i)
		if v.flanged++; v.flanged > maxFlanges {
			return working.Refuse(p, "A part has %d flanges at most.", maxFlanges)
		}
		err := under(p,
			v.id("", f.ID), named80(f.Name),
			oneOf("/kind", "What hangs on the edge", f.Kind, "", Bent, Hem, Jog, Roll),
			edgeOK("/edge", f.Edge),
			working.Above("/length", "The length", f.Length, 0, maxSize, "mm"),
			measureOK("/measure", f.Measure),
			working.Within("/insideRadius", "The inside radius", f.InsideRadius, 0, maxRadiusMM, "mm"),
			f.validateKind(),
			working.Within("/width", "The width", f.Width, 0, maxSize, "mm"),
			working.Within("/taper/start", "The taper", f.Taper.Start, -60, 80, "°"),
			working.Within("/taper/end", "The taper", f.Taper.End, -60, 80, "°"),
			meetsOK("", f.Meets),
			working.Within("/setIn/start", "The set-in", f.SetIn.Start, 0, maxSize, "mm"),
			working.Within("/setIn/end", "The set-in", f.SetIn.End, 0, maxSize, "mm"),
			oneOf("/relief/kind", "The relief", f.Relief.Kind, "", Rectangular, Round, Tear),
			working.Within("/relief/width", "The relief width", f.Relief.Width, 0, 500, "mm"),
			working.Within("/relief/depth", "The relief depth", f.Relief.Depth, 0, 500, "mm"),
			cornerOK("/corner", f.Corner),
		)
		if err != nil {
			return err
		}
		if err := working.First(v.edges(p, f.Edges), v.marks(p, f.Marks), v.holes(p, f.Holes)); err != nil {
			return err
		}
		if err := v.flanges(p, f.Flanges, depth+1); err != nil {
			return err
		}
	}
	return nil
}

func (v *validator) edges(path string, list []EdgeCut) error {
	for i, c := range list {
		err := under(path+"/edges/"+strconv.Itoa(i),
			v.id("", c.ID), named80(c.Name), oneOf("/kind", "What is cut on the edge", c.Kind, Notch, Tab), edgeOK("/edge", c.Edge), oneOf("/shape", "The notch", c.Shape, "", SquareNotch, VeeNotch, RoundNotch),
			working.Within("/at", "Its place", c.At, 0, maxSize, "mm"), working.Above("/width", "The width", c.Width, 0, maxSize, "mm"), working.Above("/depth", "The depth", c.Depth, 0, maxSize, "mm"),
			working.Within("/count", "How many", float64(c.Count), 0, 200, ""), working.Within("/margin", "The margin", c.Margin, 0, maxSize, "mm"))
		if err != nil {
			return err
		}
		if v.cuts += max(c.Count, 1); v.cuts > maxCuts {
			return working.Refuse(path+"/edges", "A part has %d notches and tabs at most.", maxCuts)
		}
	}
	return nil
}

func (v *validator) marks(path string, list []Mark) error {
	for i, m := range list {
		at := path + "/marks/" + strconv.Itoa(i)
		err := under(at,
			v.id("", m.ID), named80(m.Name), oneOf("/kind", "The mark", m.Kind, TextMark, CentreMark, ArrowMark, BeadMark, NoWeldMark), offsetOK("/x", m.X), offsetOK("/y", m.Y),
			working.Within("/angle", "The mark's angle", m.Angle, -360, 540, "°"), working.Within("/height", "The words' height", m.Height, 0, 500, "mm"),
			working.Within("/length", "The length", m.Length, 0, maxSize, "mm"), working.Within("/width", "The width", m.Width, 0, maxSize, "mm"))
		if err == nil && len(m.Text) > 200 {
			err = working.Refuse(at+"/text", "Words on a part are up to 200 characters.")
		}
		if err != nil {
			return err
		}
		if v.marked++; v.marked > maxCuts {
			return working.Refuse(at, "A part has %d marks at most.", maxCuts)
		}
	}
	return nil
}

func (v *validator) holes(path string, list []Hole) error {
	for i, h := range list {
		p := path + "/holes/" + strconv.Itoa(i)
		err := under(p,
			v.id("", h.ID), named80(h.Name),
			oneOf("/kind", "The kind of hole", h.Kind, RoundHole, SlotHole, SquareHole, RectangleHole, DHole, KeyholeHole, CutoutHole),
			oneOf("/made", "How it is made", h.Made, "", MadeCut, MadeDrilled, MadePilot, MadeMatched),
			h.sizesOK(),
			working.Within("/angle", "The hole's angle", h.Angle, -360, 540, "°"),
			offsetOK("/x", h.X), offsetOK("/y", h.Y),
			patternOK("/pattern", h.Pattern),
		)
		if err != nil {
			return err
		}
		if v.drilled += h.Count(); v.drilled > maxHoles {
			return working.Refuse(p, "A part has %d holes at most, patterns counted out.", maxHoles)
		}
	}
	return nil
}

// under answers the first error, its path put under base. Paths are joined only
// once something is wrong.
// sizesOK checks what a hole of its kind is cut to.
func (h Hole) sizesOK() error {
	if h.Use != nil {
		if want := map[bool]HoleKind{true: RectangleHole, false: RoundHole}[h.Use.Kind == UseTab]; h.Kind != want {
			return working.Refuse("/use", "Only a %s hole has that use.", want)
		}
		u := h.Use
		err := under("/use",
			oneOf("/kind", "The use", u.Kind, UseCountersink, UseTapped, UseWeldNut, UseRivetNut, UseAccess, UseDrain, UsePass, UseLightening, UseTab),
			working.Within("/width", "The tab's width", u.Width, 0, maxSize, "mm"), working.Within("/thick", "The tab's thickness", u.Thick, 0, 50, "mm"),
			oneOf("/cover", "The edge's cover", u.Cover, "", "none", "grommet", "split"),
			working.Within("/head", "The head", u.Head, 0, 500, "mm"), working.Within("/cone", "The cone", u.Cone, 0, 150, "°"),
			working.Within("/tool", "The tool", u.Tool, 0, 500, "mm"), working.Within("/line", "What is led through", u.Line, 0, 1000, "mm"), working.Within("/height", "The flange", u.Height, 0, 500, "mm"))
		if err == nil && len(u.Thread) > 20 {
			err = working.Refuse("/use/thread", "A thread is written as M8 or 3/8-16.")
		}
		if err != nil {
			return err
		}
		if u.Kind == UseTab {
			return working.Above("/use/width", "The tab's width", u.Width, 0, maxSize, "mm")
		}
		if u.Kind != UseLightening {
			return working.Within("/diameter", "The diameter", h.Diameter, 0, 5000, "mm")
		}
	}
	diameter := working.Above("/diameter", "The diameter", h.Diameter, 0, 5000, "mm")
	switch h.Kind {
	case SlotHole:
		return working.First(diameter, working.Above("/length", "The slot's overall length", h.Length, h.Diameter, maxSize, "mm"))
	case SquareHole:
		return working.First(diameter, working.Within("/radius", "The corner radius", h.Radius, 0, h.Diameter/2, "mm"))
	case RectangleHole:
		return working.First(diameter, working.Above("/length", "The length", h.Length, 0, maxSize, "mm"), working.Within("/radius", "The corner radius", h.Radius, 0, math.Min(h.Diameter, h.Length)/2, "mm"))
	case DHole:
		return working.First(diameter, working.Above("/flat", "The size across the flat", h.Flat, h.Diameter/20, h.Diameter*.999, "mm"))
	case KeyholeHole:
		return working.First(diameter, working.Above("/narrow", "The slot of the keyhole", h.Narrow, 0, h.Diameter*.999, "mm"), working.Above("/length", "The keyhole's overall length", h.Length, h.Diameter+h.Narrow/2, maxSize, "mm"))
	case CutoutHole:
		if len(h.Cut) > maxCorners {
			return working.Refuse("/cut", "A cutout has %d corners at most.", maxCorners)
		}
		for i, p := range h.Cut {
			at := fmt.Sprintf("/cut/%d", i)
			if err := under(at, working.Within("/x", "The corner", p.X, -maxSize, maxSize, "mm"), working.Within("/y", "The corner", p.Y, -maxSize, maxSize, "mm"), working.Within("/bulge", "The bulge", p.Bulge, -1e3, 1e3, "")); err != nil {
				return err
			}
		}
		if why := unsound(h.Cut); why != "" {
			return working.Refuse("/cut", "The cutout is none: %s.", why)
		}
		return nil
	}
	return diameter
}

func under(base string, errs ...error) error {
	err := working.First(errs...)
	if f, ok := err.(*working.Fault); ok {
		f.Path = base + f.Path
	}
	return err
}

func patternOK(path string, p *Pattern) error {
	if p == nil {
		return nil
	}
	switch p.Kind {
	case GridPattern:
		return under(path,
			working.Within("/columns", "The number of columns", float64(p.Columns), 1, maxHoles, ""),
			working.Within("/rows", "The number of rows", float64(p.Rows), 1, maxHoles, ""),
			pitchOK("/pitchX", p.PitchX, p.Columns), pitchOK("/pitchY", p.PitchY, p.Rows))
	case CirclePattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""),
			working.Above("/diameter", "The pitch circle", p.Diameter, 0, maxSize, "mm"),
			working.Within("/start", "The first hole's angle", p.Start, -360, 540, "°"))
	case RowPattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""), pitchOK("/pitchX", p.PitchX, p.Count),
			working.Within("/start", "The row's angle", p.Start, -360, 540, "°"))
	case EdgePattern:
		return under(path,
			working.Within("/count", "The number of holes", float64(p.Count), 1, maxHoles, ""), edgeOK("/edge", p.Edge),
			working.Within("/margin", "The margin", p.Margin, 0, maxSize, "mm"))
	case MirrorPattern:
		return nil
	}
	return working.Refuse(path+"/kind", "A pattern is a grid, a circle, a row, along an edge or mirrored, not %q.", string(p.Kind))
}

func pitchOK(path string, pitch float64, count int) error {
	if count <= 1 {
		return working.Within(path, "The pitch", pitch, 0, maxSize, "mm")
	}
	return working.Above(path, "The pitch", pitch, 0, maxSize, "mm")
}

func offsetOK(path string, o Offset) error {
	if o.Edge == Feature && !idForm(o.Feature) {
		return working.Refuse(path+"/feature", "Say which hole it counts from.")
	}
	return under(path,
		edgeOK("/edge", o.Edge),
		working.Within("/distance", "The distance", o.Distance, -maxSize, maxSize, "mm"),
		oneOf("/from", "Measured from", o.From, "", Outside, Inside, Flat))
}

// edgeOK takes the four ways and a number; whether the panel has that edge is
// told when it is built.
func edgeOK(path string, e Edge) error {
	if k, err := strconv.Atoi(string(e)); err == nil && k >= 1 && k <= maxCorners && strconv.Itoa(k) == string(e) {
		return nil
	}
	return oneOf(path, "The edge, if not a number,", e, Front, Right, Back, Left, Outer, Inner, Middle, Feature)
}

func meetsOK(path string, list []Meet) error {
	if len(list) > maxFlanges {
		return working.Refuse(path+"/meets", "Up to %d corners are said to meet, not %d.", maxFlanges, len(list))
	}
	for i, m := range list {
		err := under(path+"/meets/"+strconv.Itoa(i), oneOf("/kind", "The corner", m.Kind, MeetOpen, MeetGap, MeetLap, MeetMitre, MeetWeld), working.Within("/gap", "The gap", m.Gap, 0, 200, "mm"))
		if err == nil && (!idForm(m.A) || !idForm(m.B) || m.A == m.B) {
			err = working.Refuse(path+"/meets/"+strconv.Itoa(i), "Name the two flanges that meet.")
		}
		if err != nil {
			return err
		}
	}
	return nil
}

// validateKind checks what a flange, hem, jog or roll needs.
func (f Flange) validateKind() error {
	switch f.Kind {
	case Hem:
		err := working.First(oneOf("/hem", "The hem", f.Hem, ClosedHem, OpenHem, TeardropHem), working.Within("/gap", "The gap", f.Gap, 0, 200, "mm"))
		if err == nil && f.Hem == TeardropHem {
			err = working.Above("/insideRadius", "The inside radius of a teardrop", f.InsideRadius, 0, 500, "mm")
		}
		return err
	case Jog:
		return working.First(working.Within("/angle", "The bend angle", f.Angle, 1, 135, "°"), working.Above("/depth", "The depth of the jog", f.Depth, 0, maxSize, "mm"))
	case Roll:
		return working.First(working.Within("/round", "The round it sits on", f.Round, 0, 2*maxRadiusMM, "mm"), working.Within("/angle", "The angle it runs round", f.Angle, 1, 355, "°"))
	}
	err := working.Within("/angle", "The bend angle", f.Angle, 1, maxAngle, "°")
	if err == nil && f.Angle > maxApex && f.Measure != Flat && f.Measure != Tangent {
		err = working.Refuse("/measure", "Past %g° the apex lies far off the part: measure to the tangent plane or to the tangent line.", maxApex)
	}
	return err
}

// validateShape checks the sizes the base's shape needs.
func (b Base) validateShape() error {
	size := func(path, name string, v float64) error { return working.Above(path, name, v, 0, maxSize, "mm") }
	length := size("/base/length", "The length", b.Length)
	width := size("/base/width", "The width", b.Width)
	s := b.Shape
	if s != nil && len(s.Points) > maxCorners || s != nil && len(s.Sides) > maxCorners {
		return working.Refuse("/base/shape", "A base has %d corners at most.", maxCorners)
	}
	switch b.kind() {
	case Rectangle, Obround:
		return working.First(length, width)
	case Trapezoid:
		return working.First(length, width, size("/base/shape/back", "The back edge", s.Back), working.Within("/base/shape/shift", "Where the back edge starts", s.Shift, -maxSize, maxSize, "mm"))
	case Triangle:
		return working.First(length, width, working.Within("/base/shape/shift", "The tip", s.Shift, -maxSize, maxSize, "mm"))
	case Disc:
		return size("/base/length", "The diameter", b.Length)
	case Ring:
		return working.First(size("/base/length", "The outer diameter", b.Length), width, working.Within("/base/shape/sweep", "How far the ring runs round", s.Sweep, 1, 350, "°"))
	case Polygon:
		for i, p := range s.Points {
			at := fmt.Sprintf("/base/shape/points/%d", i)
			if err := under(at, working.Within("/x", "The corner", p.X, -maxSize, maxSize, "mm"), working.Within("/y", "The corner", p.Y, -maxSize, maxSize, "mm"), working.Within("/bulge", "The bulge", p.Bulge, -1e3, 1e3, "")); err != nil {
				return err
			}
		}
		return nil
	case Sides:
		for i, p := range s.Sides {
			at := fmt.Sprintf("/base/shape/sides/%d", i)
			if err := under(at, size("/length", "The side", p.Length), working.Within("/angle", "The inside angle", p.Angle, 1, 359, "°")); err != nil {
				return err
			}
		}
		return nil
	}
	return oneOf("/base/shape/kind", "The base's shape", s.Kind, Rectangle, Trapezoid, Triangle, Polygon, Sides, Disc, Ring, Obround)
}

func measureOK(path string, m Measure) error {
	return oneOf(path, "The measure", m, "", Outside, Inside, Flat, Tangent)
}

func cornerOK(path string, c Corner) error {
	return under(path, oneOf("/kind", "The corner", c.Kind, "", Square, Radius, Chamfer),
		working.Within("/size", "The corner's size", c.Size, 0, maxSize, "mm"))
}

func oneOf[S ~string](path, name string, got S, allowed ...S) error {
	for _, a := range allowed {
		if got == a {
			return nil
		}
	}
	words := ""
	for _, a := range allowed {
		if a != "" {
			words += " " + string(a)
		}
	}
	return working.Refuse(path, "%s is one of%s, not %q.", name, words, string(got))
}
