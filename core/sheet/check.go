package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// check looks for what would be scrap: bends, reliefs, holes, folding.
func (b *builder) check(part *Part) {
	for _, p := range b.all[1:] {
		b.checkRadius(p)
		b.checkLegs(p)
		b.checkReliefs(p)
	}
	b.checkHoles(part)
	b.checkFlat()
	b.checkFold()
	b.checkSheet()
}

// acrossGrain tells whether the bend line runs across the rolling direction.
func (b *builder) acrossGrain(p *panel) bool {
	alongX := math.Abs(p.pose.ex.X) > .7
	return b.recipe.Grain == GrainX && !alongX || b.recipe.Grain == GrainY && alongX
}

func (b *builder) checkRadius(p *panel) {
	t, r := b.recipe.Thickness, p.flange.InsideRadius
	across, along := b.material.SmallestRadius(t)
	fix := func(to float64) working.Fix {
		return b.fix("Radius "+b.len(ceil(to)), p.path+"/insideRadius", ceil(to))
	}
	w := func() working.Working {
		return working.Working{Method: "Smallest inside radius", Source: b.material.RadiusSource, Formula: "least R = factor·T",
			Inputs: []working.Quantity{qmm("T", "thickness", t), qmm("R", "inside radius asked for", r)},
			Steps:  []working.Quantity{qmm("across", "least across the grain", across), qmm("along", "least along the grain", along)},
			Result: qmm("least", "smallest inside radius", along)}
	}
	at := len(b.findings)
	switch {
	case r < across-tiny:
		b.stop("radius-small", "Inside radius", p, fmt.Sprintf("%s in %s cracks below an inside radius of %s even across the grain, and R %s is asked for. A softer temper or two welded pieces are the other ways out.",
			b.len(t), b.material.Name, b.len(across), b.len(r)), fix(max(along, across)))
	case r < along-tiny && !b.acrossGrain(p):
		reason := "the grain is not known"
		if b.recipe.Grain == GrainX || b.recipe.Grain == GrainY {
			reason = "the bend line runs along the grain"
		}
		b.mind("radius-grain", "Inside radius", p, fmt.Sprintf("R %s holds only across the grain, and %s: along it %s needs %s.", b.len(r), reason, b.material.Name, b.len(along)), fix(along))
	}
	if at < len(b.findings) {
		if b.limit == nil || b.limitRadius != r { // most bends of a part are alike
			limit := b.explain(w())
			b.limit, b.limitRadius = &limit, r
		}
		b.findings[at].Working = b.limit
	}
	if tool, assumed := b.recipe.Tool.Effective(t); tool.Kind == bend.ToolVDie && b.recipe.Bend.Method == bend.MethodAir && !assumed {
		natural := b.material.AirRadius * tool.Opening
		if math.Abs(natural-r) > .25*math.Max(natural, t) {
			at = len(b.findings)
			b.note("air-radius", "Inside radius", p, fmt.Sprintf("In air the %s die makes about R %s whatever the punch, and R %s is asked for: the flat comes out for the wrong radius.", b.len(tool.Opening), b.len(natural), b.len(r)),
				b.fix("Take R "+b.len(math.Round(natural*10)/10), p.path+"/insideRadius", math.Round(natural*10)/10))
			b.attach(at, func() working.Working {
				return working.Working{Method: "Radius of an air bend", Source: "practice: a share of the die opening by material", Formula: "R = share·V",
					Inputs: []working.Quantity{{Symbol: "share", Name: b.material.Name, Value: b.material.AirRadius}, qmm("V", "die opening", tool.Opening)}, Result: qmm("R", "inside radius", natural)}
			})
		}
	}
}

// attach gives the findings made since at their working.
func (b *builder) attach(at int, explain func() working.Working) {
	if at == len(b.findings) {
		return
	}
	w := b.explain(explain())
	for i := at; i < len(b.findings); i++ {
		b.findings[i].Working = &w
	}
}

// checkLegs asks of both legs of a bend whether the tool can hold them.
func (b *builder) checkLegs(p *panel) {
	f, t := p.flange, b.recipe.Thickness
	least, w := b.recipe.Tool.SmallestFlange(f.InsideRadius, t, f.Angle)
	_, h := p.size()
	leg := h + bend.OutsideSetback(f.InsideRadius, t, f.Angle) + p.tipSetback(t)
	at := len(b.findings)
	if leg < least-tiny {
		longer := ceil(f.Length + least - leg)
		b.stop("flange-short", "Short flange", p, fmt.Sprintf("%s reaches %s past the apex; on this tool it slips below %s.", p.name, b.len(leg), b.len(least)),
			b.fix("Make it "+b.len(longer), p.path+"/length", longer))
	}
	// The other leg: across the parent from this bend.
	_, _, _, side := p.parent.edge((p.on + 1) % 4)
	far := side + bend.OutsideSetback(f.InsideRadius, t, f.Angle)
	if p.parent.flange != nil && p.on == 2 {
		far += bend.OutsideSetback(p.parent.flange.InsideRadius, t, p.parent.flange.Angle)
	}
	for _, k := range p.parent.kids[(p.on+2)%4] {
		far = max(far, side+bend.OutsideSetback(f.InsideRadius, t, f.Angle)+bend.OutsideSetback(k.flange.InsideRadius, t, k.flange.Angle))
	}
	if far < least-tiny {
		b.stop("bends-close", "Short flange", p, fmt.Sprintf("Behind this bend %s is only %s wide to the next edge or bend; this tool needs %s.", lower(p.parent.name), b.len(far), b.len(least)))
	}
	b.attach(at, func() working.Working { return w })
}

// tipSetback answers the setback of the bend on the panel's tip, 0 for none.
func (p *panel) tipSetback(thickness float64) (far float64) {
	for _, k := range p.kids[2] {
		far = max(far, bend.OutsideSetback(k.flange.InsideRadius, thickness, k.flange.Angle))
	}
	return far
}

func (b *builder) checkReliefs(p *panel) {
	t := b.recipe.Thickness
	before, after := p.room()
	startKey, endKey := "/setIn/start", "/setIn/end"
	if !p.parent.along(p.on) {
		startKey, endKey = endKey, startKey
	}
	for _, end := range []struct {
		reaches bool
		room    float64
		path    string
	}{{p.reachesStart(), before, p.path + startKey}, {p.reachesEnd(), after, p.path + endKey}} {
		switch {
		case end.reaches:
		case p.relief.Kind == Tear:
			b.mind("relief-tear", "Reliefs", p, "The bend ends inside the sheet with no relief: the sheet tears there, ragged and without control.",
				b.fix("Cut a relief", p.path+"/relief/kind", Rectangular))
		case end.room < p.relief.Width-tiny:
			b.stop("relief-room", "Reliefs", p, fmt.Sprintf("The set-in leaves %s of edge and the relief is %s wide: nothing would be left beside it.", b.len(end.room), b.len(p.relief.Width)),
				b.fix("Run the flange to the end", end.path, 0.0), b.fix("Set in "+b.len(p.relief.Width+2*t), end.path, p.relief.Width+2*t))
		}
	}
	if p.relief.Kind != Tear && !(p.reachesStart() && p.reachesEnd()) {
		if p.relief.Width < min(t, b.process.Kerf)-tiny || p.relief.Width < t-tiny && b.process.Kerf < p.relief.Width {
			b.mind("relief-narrow", "Reliefs", p, fmt.Sprintf("A relief narrower than the sheet (%s) closes and tears.", b.len(t)), b.fix("Make it "+b.len(t), p.path+"/relief/width", t))
		}
		if p.relief.Depth < t/2-tiny {
			b.mind("relief-shallow", "Reliefs", p, fmt.Sprintf("The relief should pass the tangent line by half the thickness (%s).", b.len(t/2)), b.fix("Make it "+b.len(t), p.path+"/relief/depth", t))
		}
	}
}

// checkFlat finds panels that lie over each other on the flat pattern.
func (b *builder) checkFlat() {
	zones := make([][]profile.Point, len(b.all))
	boxes := make([]profile.Bounds, len(b.all))
	for i, p := range b.all {
		w, h := p.size()
		for _, q := range []profile.Point{{Y: -p.taken.Allowance}, {X: w, Y: -p.taken.Allowance}, {X: w, Y: h}, {Y: h}} {
			zones[i] = append(zones[i], p.pose.apply(q))
		}
		boxes[i] = profile.Empty()
		for _, q := range zones[i] {
			boxes[i].Include(q)
		}
	}
	for i, p := range b.all {
		for j := i + 1; j < len(b.all); j++ {
			q := b.all[j]
			if q.parent == p || p.parent == q || !boxes[i].Meets(boxes[j], .01) || !profile.Overlap(zones[i], zones[j], .01) {
				continue
			}
			b.stop("flat-overlap", "Flat pattern", q, fmt.Sprintf("On the flat pattern %s and %s lie over each other: the same sheet cannot be both. Set one in, shorten it, or make it two pieces.", p.name, q.name))
		}
	}
}

// checkSheet says what holds for the sheet as a whole.
func (b *builder) checkSheet() {
	whole := &panel{id: "sheet", name: "Sheet"}
	if b.recipe.Gauge != nil {
		b.note("gauge-nominal", "Sheet", whole, fmt.Sprintf("%d gauge is nominal: measure the sheet and type what the caliper says.", *b.recipe.Gauge))
	}
	if b.material.Caution != "" {
		b.note("material-caution", "Sheet", whole, b.material.Caution)
	}
	if b.recipe.Hand.Pair && b.symmetrical() {
		b.note("twin-same", "Pair", whole, "The mirrored twin is the same part: one drawing and double the count will do.", b.fix("No pair", "/hand/pair", false))
	}
}

// symmetrical tells whether the mirrored flat pattern has the same panels,
// bends and holes.
func (b *builder) symmetrical() bool {
	m := newBuilder(b.recipe.Mirror(), b.opt, b.school)
	if m.panels() == nil {
		return false
	}
	m.features()
	if len(m.all) != len(b.all) || len(m.holes) != len(b.holes) {
		return false
	}
	for _, p := range b.all {
		if !m.hasPanel(p) {
			return false
		}
	}
	for _, h := range b.holes {
		if !m.hasHole(h) {
			return false
		}
	}
	return true
}

func (b *builder) hasPanel(p *panel) bool {
	box := p.flatBounds()
	for _, q := range b.all {
		o := q.flatBounds()
		if box.Min.Sub(o.Min).Len()+box.Max.Sub(o.Max).Len() < .01 && (p.flange == nil) == (q.flange == nil) &&
			(p.flange == nil || p.flange.Up == q.flange.Up && p.flange.Angle == q.flange.Angle && p.flange.InsideRadius == q.flange.InsideRadius) {
			return true
		}
	}
	return false
}

func (b *builder) hasHole(h hole) bool {
	at := h.panel.pose.apply(h.centre)
	for _, o := range b.holes {
		if o.panel.pose.apply(o.centre).Sub(at).Len() < .01 && o.recipe.Diameter == h.recipe.Diameter && o.recipe.Kind == h.recipe.Kind &&
			o.recipe.Length == h.recipe.Length && (h.recipe.Kind == RoundHole || math.Abs(o.panel.pose.turn(o.along).Cross(h.panel.pose.turn(h.along))) < .001) {
			return true
		}
	}
	return false
}
