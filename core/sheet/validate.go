package sheet

import (
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
	maxAngle    = 165.0
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
		working.Above("/base/length", "The length", r.Base.Length, 0, maxSize, "mm"),
		working.Above("/base/width", "The width", r.Base.Width, 0, maxSize, "mm"),
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
	return working.First(v.id("/base", r.Base.ID), v.holes("/base", r.Base.Holes), v.flanges("/base", r.Base.Flanges, 1))
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
			v.id("", f.ID),
			oneOf("/edge", "The edge", f.Edge, Front, Right, Back, Left),
			working.Above("/length", "The length", f.Length, 0, maxSize, "mm"),
			measureOK("/measure", f.Measure),
			working.Within("/angle", "The bend angle", f.Angle, 1, maxAngle, "°"),
			working.Within("/insideRadius", "The inside radius", f.InsideRadius, 0, maxRadiusMM, "mm"),
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
		if err := v.holes(p, f.Holes); err != nil {
			return err
		}
		if err := v.flanges(p, f.Flanges, depth+1); err != nil {
			return err
		}
	}
	return nil
}

func (v *validator) holes(path string, list []Hole) error {
	for i, h := range list {
		p := path + "/holes/" + strconv.Itoa(i)
		err := under(p,
			v.id("", h.ID),
			oneOf("/kind", "The kind of hole", h.Kind, RoundHole, SlotHole),
			oneOf("/made", "How it is made", h.Made, "", MadeCut, MadeDrilled),
			working.Above("/diameter", "The diameter", h.Diameter, 0, 5000, "mm"),
			working.Within("/angle", "The slot's angle", h.Angle, -360, 360, "°"),
			oneOf("/x/edge", "The x edge", h.X.Edge, Left, Right),
			oneOf("/y/edge", "The y edge", h.Y.Edge, Front, Back),
			offsetOK("/x", h.X), offsetOK("/y", h.Y),
			patternOK("/pattern", h.Pattern),
		)
		if err != nil {
			return err
		}
		if h.Kind == SlotHole {
			if err := under(p, working.Above("/length", "The slot's overall length", h.Length, h.Diameter, maxSize, "mm")); err != nil {
				return err
			}
		}
		if v.drilled += h.Count(); v.drilled > maxHoles {
			return working.Refuse(p, "A part has %d holes at most, patterns counted out.", maxHoles)
		}
	}
	return nil
}

// under answers the first error, its path put under base. Paths are joined only
// once something is wrong.
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
			working.Within("/start", "The first hole's angle", p.Start, -360, 360, "°"))
	}
	return working.Refuse(path+"/kind", "A pattern is a grid or a circle, not %q.", string(p.Kind))
}

func pitchOK(path string, pitch float64, count int) error {
	if count <= 1 {
		return working.Within(path, "The pitch", pitch, 0, maxSize, "mm")
	}
	return working.Above(path, "The pitch", pitch, 0, maxSize, "mm")
}

func offsetOK(path string, o Offset) error {
	return under(path,
		working.Within("/distance", "The distance", o.Distance, -maxSize, maxSize, "mm"),
		oneOf("/from", "Measured from", o.From, "", Outside, Inside, Flat))
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
