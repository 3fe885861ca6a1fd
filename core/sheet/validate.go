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
	maxAngle    = 179.0
	MaxApex     = 165.0 // past it nothing is measured to an apex
	maxCorners  = 2000
	maxCornered = 50_000 // corners of all cutouts, patterns counted out
	maxCuts     = 500
	maxCoupons  = 50
	maxRadiusMM = 5000.0
	maxAsides   = 200
	maxReason   = 500
)

func IdForm(id string) bool {
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
		OneOf("/grain", "The grain", r.Grain, "", GrainUnknown, GrainX, GrainY),
		OneOf("/tool/kind", "The tool", r.Tool.Kind, bend.ToolVDie, bend.ToolPan, bend.ToolVice),
		working.Within("/tool/opening", "The die opening", r.Tool.Opening, 0, 1000, "mm"),
		r.validateBend(),
		OneOf("/hand/drawn", "The hand", r.Hand.Drawn, "", LeftHand, RightHand),
		OneOf("/seen", "The face that shows", r.Seen, "", GoodFace, BackFace),
		r.Master.validate(),
		r.Kin.validate(),
		r.Facet.validate(),
		r.Base.validateShape(),
		r.outsideUp(),
		measureOK("/base/measure", r.Base.Measure),
		cornerOK("/base/corner", r.Base.Corner),
	)
	if err != nil {
		return err
	}
	for i, a := range r.SetAside {
		if i == maxAsides || len(a.Reason) > maxReason || a.Reason == "" || len(a.Code) > 64 || len(a.Feature) > 64 {
			return working.Refuse("/setAside/"+strconv.Itoa(i), "A finding is set aside with a reason of 1 to %d characters, %d "+
				"times at most.",
				maxReason, maxAsides)
		}
	}
	if r.Piece != nil && len(r.Piece.Why) > maxReason {
		return working.Refuse("/piece/why", "Why it was split is said in up to %d characters.", maxReason)
	}
	for i, x := range r.Reasons {
		at := "/reasons/" + strconv.Itoa(i)
		if i == maxAsides || len(x.Why) > maxReason || x.Why == "" || len(x.Feature) > 64 || len(x.Size) > 200 {
			return working.Refuse(at, "A size has a reason of 1 to %d characters, %d of them at most.", maxReason, maxAsides)
		}
		if err := working.Within(at+"/value", "The size it was", x.Value, -1e6, 1e6, ""); err != nil {
			return err
		}
	}
	v := validator{seen: map[string]bool{}}
	return working.First(v.id("/base", r.Base.ID), meetsOK("/base", r.Base.Meets), v.edges("/base", r.Base.Edges),
		v.marks("/base", r.Base.Marks), v.holes("/base", r.Base.Holes), v.flanges("/base", r.Base.Flanges, 1))
}

func (r Recipe) validateBend() error {
	err := working.First(
		OneOf("/bend/school", "The school", r.Bend.School, bend.Schools...),
		OneOf("/bend/method", "The method", r.Bend.Method, bend.MethodAir, bend.MethodBottomed, bend.MethodHand, bend.MethodRolled),
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
	seen     map[string]bool
	flanged  int
	drilled  int
	cornered int
	cuts     int
	marked   int
}

// named80 keeps a feature's own name short.
func named80(name string) error {
	if len([]rune(name)) > 80 {
		return working.Refuse("/name", "A name is up to 80 characters.")
	}
	return nil
}

func (v *validator) id(path, id string) error {
	if !IdForm(id) {
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
			v.id("", f.ID), named80(f.Name), named80(f.Group),
			OneOf("/kind", "What hangs on the edge", f.Kind, flangeKinds()...),
			edgeOK("/edge", f.Edge),
			f.sized(),
			measureOK("/measure", f.Measure),
			working.Within("/insideRadius", "The inside radius", f.InsideRadius, 0, maxRadiusMM, "mm"),
			f.Form().check(&f),
			working.Within("/rebent", "How often it was bent back", float64(f.Rebent), 0, 50, ""),
			working.Within("/width", "The width", f.Width, 0, maxSize, "mm"),
			working.Within("/taper/start", "The taper", f.Taper.Start, -60, 80, "°"),
			working.Within("/taper/end", "The taper", f.Taper.End, -60, 80, "°"),
			meetsOK("", f.Meets),
			working.Within("/setIn/start", "The set-in", f.SetIn.Start, 0, maxSize, "mm"),
			working.Within("/setIn/end", "The set-in", f.SetIn.End, 0, maxSize, "mm"),
			OneOf("/relief/kind", "The relief", f.Relief.Kind, "", Rectangular, Round, Tear),
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

func under(base string, errs ...error) error {
	return working.Under(base, working.First(errs...))
}

func OneOf[S ~string](path, name string, got S, allowed ...S) error {
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

func (m *Master) validate() error {
	if m != nil && (!IdForm(m.Part) || len([]rune(m.Name)) > 200) {
		return working.Refuse("/master", "Choose the part the matched holes are drilled through.")
	}
	return nil
}
