package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// asked is what the checks are told besides the part as it is laid out.
type asked struct {
	Lift       float64     // kg one person lifts; 0 is not asked
	NearPeople bool        // it stands in a space with people
	Quantity   int         // how many are made; 0 is not asked
	Master     *MasterTold // the part it is drilled through, where there is one
	Mass       float64     // kg
	Marks      int         // how many marks were laid
}

// flagger looks for what would be scrap.
type flagger struct {
	*laid
	*teller
	asked
	lines       map[*panel][]tangent // that border each face
	limit       *working.Working     // of the smallest radius, as told last
	limitRadius float64
}

// check looks for what would be scrap: bends, reliefs, holes, folding. It answers
// what it found; a part without even a base is not asked.
func check(l *laid, c asked) *teller {
	b := &flagger{laid: l, teller: &teller{pen: l.pen}, asked: c, lines: make(map[*panel][]tangent, len(l.panels))}
	for _, p := range b.panels[1:] {
		b.checkRadius(p)
		b.checkLegs(p)
		b.checkReliefs(p)
	}
	b.checkHoles()
	b.checkFlat()
	b.checkWater()
	b.checkSharp()
	b.checkSlivers(b.outline.Flatten(.05))
	b.checkFold()
	b.checkSheet()
	b.checkLarge()
	return b.teller
}

// acrossGrain tells whether the bend line runs across the rolling direction.
func (b *flagger) acrossGrain(p *panel) bool {
	alongX := math.Abs(p.pose.ex.X) > .7
	return b.recipe.Grain == GrainX && !alongX || b.recipe.Grain == GrainY && alongX
}

func (b *flagger) checkRadius(p *panel) {
	t, r := b.recipe.Thickness, p.flange.InsideRadius
	across, along := b.material.SmallestRadius(t)
	if p.flange.Kind == Hem && p.flange.Hem != TeardropHem {
		b.checkHem(p, across, along)
		return
	}
	fix := func(to float64) working.Fix {
		return b.fix("Radius "+b.len(ceil(to)), p.path+"/insideRadius", ceil(to))
	}
	w := func() working.Working {
		return working.Working{Method: "Smallest inside radius", Source: b.material.RadiusSource, Formula: "least R = factor·T",
			Inputs: []working.Quantity{working.MM("T", "thickness", t), working.MM("R", "inside radius asked for", r)},
			Steps:  []working.Quantity{working.MM("across", "least across the grain", across), working.MM("along", "least along the grain", along)},
			Result: working.MM("least", "smallest inside radius", along)}
	}
	at := len(b.findings)
	switch {
	case r < across-tiny:
		b.stop("radius-small", "Inside radius", p,
			fmt.Sprintf("%s in %s cracks below an inside radius of %s even across the grain, and R %s is asked for. A softer temper or two welded "+
				"pieces are the other ways out.",
				b.len(t), b.material.Name, b.len(across), b.len(r)), fix(max(along, across)))
	case r < along-tiny && !b.acrossGrain(p):
		reason := "the grain is not known"
		if b.recipe.Grain == GrainX || b.recipe.Grain == GrainY {
			reason = "the bend line runs along the grain"
		}
		b.mind("radius-grain", "Inside radius", p,
			fmt.Sprintf("R %s holds only across the grain, and %s: along it %s needs %s.", b.len(r), reason, b.material.Name, b.len(along)),
			fix(along))
	}
	if at < len(b.findings) {
		if b.limit == nil || b.limitRadius != r { // most bends of a part are alike
			limit := b.explain(w())
			b.limit, b.limitRadius = &limit, r
		}
		b.findings[at].Working = b.limit
	}
	if p.flange.Kind == Roll || p.flange.Kind == Hem {
		return // no die makes their radius
	}
	if tool, assumed := b.recipe.Tool.Effective(t); tool.Kind == bend.ToolVDie && b.recipe.Bend.Method == bend.MethodAir && !assumed {
		natural := b.material.AirRadius * tool.Opening
		if math.Abs(natural-r) > .25*math.Max(natural, t) {
			at = len(b.findings)
			b.note("air-radius", "Inside radius", p,
				fmt.Sprintf("In air the %s die makes about R %s whatever the punch, and R %s is asked for: the flat comes out for the wrong radius.",
					b.len(tool.Opening), b.len(natural), b.len(r)),
				b.fix("Take R "+b.len(math.Round(natural*10)/10), p.path+"/insideRadius", math.Round(natural*10)/10))
			b.attach(at, func() working.Working {
				return working.Working{Method: "Radius of an air bend",
					Source: "practice: a share of the die opening by material", Formula: "R = share·V",
					Inputs: []working.Quantity{{Symbol: "share", Name: b.material.Name, Value: b.material.AirRadius},
						working.MM("V", "die opening", tool.Opening)}, Result: working.MM("R", "inside radius", natural)}
			})
		}
	}
}

// checkLegs asks of both legs of a bend whether the tool can hold them.
func (b *flagger) checkLegs(p *panel) {
	f, t := p.flange, b.recipe.Thickness
	if f.Kind == Roll || f.Kind == Hem {
		b.checkLip(p)
		return
	}
	least, w := b.recipe.Tool.SmallestFlange(f.InsideRadius, t, f.Angle)
	_, h := p.size()
	leg := h + bend.OutsideSetback(f.InsideRadius, t, f.Angle) + tipSetback(p, t)
	at := len(b.findings)
	if leg < least-tiny {
		longer := ceil(f.Length + least - leg)
		b.stop("flange-short", "Short flange", p,
			fmt.Sprintf("%s reaches %s past the apex; on this tool it slips below %s.", p.name, b.len(leg), b.len(least)),
			b.fix("Make it "+b.len(longer), p.path+"/length", longer))
	}
	// The other leg: across the parent from this bend.
	far := b.behind(p)
	if far < least-tiny {
		b.stop("bends-close", "Short flange", p,
			fmt.Sprintf("Behind this bend %s is only %s wide to the next edge or bend; this tool needs %s.", lower(p.parent.name),
				b.len(far), b.len(least)))
	}
	b.attach(at, func() working.Working { return w })
}

// behind answers how much of the parent lies behind a bend, to the apex of the
// next one where there is one across from it.
func (b *flagger) behind(p *panel) float64 {
	t, q := b.recipe.Thickness, p.parent
	start, _, out, _ := q.edge(p.on)
	deep := 0.0
	for _, c := range q.outlined() {
		deep = max(deep, -out.Dot(c.Sub(start)))
	}
	own := bend.OutsideSetback(p.flange.InsideRadius, t, p.flange.Angle)
	far := deep + own
	if len(q.corners) != 4 {
		return far
	}
	apex := func(f *Flange) float64 { return setback(Outside, f.InsideRadius, t, f.Angle) }
	if q.flange != nil && p.on == 2 {
		far += apex(q.flange)
	}
	for _, k := range q.kids[(p.on+2)%4] {
		far = max(far, deep+own+apex(k.flange))
	}
	return far
}

// checkHem asks whether a material can be folded flat.
func (b *flagger) checkHem(p *panel, across, along float64) {
	t := b.recipe.Thickness
	switch least := max(across, along); {
	case least > 1.5*t+tiny:
		b.stop("hem-cracks", "Inside radius", p,
			fmt.Sprintf("%s needs an inside radius of %s in %s and would crack folded back: take a teardrop of that radius, or roll the "+
				"edge over a wire.", b.material.Name, b.len(least), b.len(t)),
			b.fix("A teardrop", p.path+"/hem", TeardropHem, p.path+"/insideRadius", ceil(least)))
	case p.flange.Hem == ClosedHem:
		b.mind("hem-closed", "Inside radius", p,
			fmt.Sprintf("A closed hem in %s of %s is pressed flat past its smallest radius of %s: it may crack on its outside, and paint does not "+
				"reach inside it. Try one first.", b.len(t), b.material.Name, b.len(least)),
			b.fix("Leave it open", p.path+"/hem", OpenHem))
	}
}

// checkLip asks whether a hem's return can be held, and says how a roll is made.
func (b *flagger) checkLip(p *panel) {
	f, t := p.flange, b.recipe.Thickness
	if f.Kind == Roll {
		b.note("roll-steps", "Rolls", p, fmt.Sprintf("%s of R %s is rolled, or bumped in steps of %s: a die does not make it.", p.name,
			b.len(f.InsideRadius), b.len(math.Max(ceil(.1*(f.InsideRadius+t)), t))))
		return
	}
	if least := 4 * t; f.Length < least-tiny {
		b.mind("hem-short", "Short flange", p,
			fmt.Sprintf("%s returns %s; under four thicknesses (%s, practice) the tool does not hold it.", p.name, b.len(f.Length), b.len(least)),
			b.fix("Make it "+b.len(ceil(least)), p.path+"/length", ceil(least)))
	}
}

func (b *flagger) checkReliefs(p *panel) {
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
		who     *panel
	}{{p.reachesStart(), before, p.path + startKey, p.seen(profile.Point{X: p.zone})},
		{p.reachesEnd(), after, p.path + endKey, p.seen(profile.Point{})}} {
		switch {
		case end.reaches:
		case p.relief.Kind == Tear:
			b.mind("relief-tear", "Reliefs", end.who,
				"The bend ends inside the sheet with no relief: the sheet tears there, ragged and without control.",
				b.fix("Cut a relief", p.path+"/relief/kind", Rectangular))
		case end.room < p.relief.Width-tiny:
			b.stop("relief-room", "Reliefs", end.who,
				fmt.Sprintf("The set-in leaves %s of edge and the relief is %s wide: nothing would be left beside it.",
					b.len(end.room), b.len(p.relief.Width)),
				b.fix("Run the flange to the end", end.path, 0.0), b.fix("Set in "+b.len(p.relief.Width+2*t), end.path, p.relief.Width+2*t))
		}
	}
	if p.relief.Kind == Tear || p.reachesStart() && p.reachesEnd() {
		return
	}
	who := p.seen(profile.Point{X: p.zone})
	if p.reachesStart() {
		who = p.seen(profile.Point{})
	}
	if kerf := b.process.Kerf; p.relief.Width < kerf-tiny {
		least := ceil(max(kerf, t))
		b.stop("relief-unreachable", "Reliefs", who,
			fmt.Sprintf("%s cuts a gap of %s and the relief is only %s wide: it cannot be cut. Make it wider, drill a round one, or saw it by hand.",
				b.process.Name, b.len(kerf), b.len(p.relief.Width)), b.fix("Make it "+b.len(least), p.path+"/relief/width", least))
	} else if p.relief.Width < t-tiny {
		b.mind("relief-narrow", "Reliefs", who, fmt.Sprintf("A relief narrower than the sheet (%s) closes and tears.", b.len(t)),
			b.fix("Make it "+b.len(t), p.path+"/relief/width", t))
	}
	if p.relief.Depth < t/2-tiny {
		b.mind("relief-shallow", "Reliefs", who, fmt.Sprintf("The relief should pass the tangent line by half the thickness (%s).", b.len(t/2)),
			b.fix("Make it "+b.len(t), p.path+"/relief/depth", t))
	}
}

// checkFlat finds panels that lie over each other on the flat pattern.
func (b *flagger) checkFlat() {
	zones := make([][]profile.Point, len(b.panels))
	boxes := make([]profile.Bounds, len(b.panels))
	for i, p := range b.panels {
		if p.flange != nil {
			a, c := p.pose.apply(profile.Point{Y: -p.taken.Allowance}), p.pose.apply(profile.Point{X: p.zone, Y: -p.taken.Allowance})
			zones[i] = append(zones[i], a, c)
			if start, end := p.runsOn(); start || end {
				zones[i] = append(zones[i], p.pose.apply(profile.Point{X: p.zone}))
				for _, q := range p.corners[1:] {
					zones[i] = append(zones[i], p.pose.apply(q))
				}
				zones[i] = append(zones[i], p.pose.apply(p.corners[0]), p.pose.apply(profile.Point{}))
			} else {
				for _, q := range p.corners[2:] {
					zones[i] = append(zones[i], p.pose.apply(q))
				}
			}
		} else {
			for _, q := range p.outlined() {
				zones[i] = append(zones[i], p.pose.apply(q))
			}
		}
		boxes[i] = profile.Empty()
		for _, q := range zones[i] {
			boxes[i].Include(q)
		}
	}
	for i, p := range b.panels {
		for j := i + 1; j < len(b.panels); j++ {
			q := b.panels[j]
			if q.parent == p || p.parent == q || !boxes[i].Meets(boxes[j], .01) || !profile.Overlap(zones[i], zones[j], .01) {
				continue
			}
			b.stop("flat-overlap", "Flat pattern", q,
				fmt.Sprintf("On the flat pattern %s and %s lie over each other: the same sheet cannot be both. Set one in, shorten it, or make "+
					"it two pieces.", p.name, q.name))
		}
	}
}

// checkSheet says what holds for the sheet as a whole.
func (b *flagger) checkSheet() {
	whole := &panel{id: "sheet", name: "Sheet"}
	if b.recipe.Gauge != nil {
		b.note("gauge-nominal", "Sheet", whole,
			fmt.Sprintf("%d gauge is nominal: measure the sheet and type what the caliper says.", *b.recipe.Gauge))
	}
	if b.recipe.Guessed {
		b.mind("thickness-guessed", "Sheet", whole,
			fmt.Sprintf("Nobody measured its thickness: strength counts 0.85 of %s, and bends may come out off. Put a caliper on the sheet, "+
				"past the burr.", b.len(b.recipe.Thickness)))
	}
	if b.material.Caution != "" {
		b.note("material-caution", "Sheet", whole, b.material.Caution)
	}
	b.checkFaces(whole)
	b.checkMaster()
}

// checkFaces asks whether a pair is one, and whether the face that shows lies up
// on the table.
func (b *flagger) checkFaces(whole *panel) {
	r := b.recipe
	same := r.Hand.Pair && b.symmetrical()
	if same {
		b.note("twin-same", "Pair", whole, "The mirrored twin is the same part: one drawing and double the count will do.",
			b.fix("No pair", "/hand/pair", false))
	}
	if r.Seen == BackFace {
		marks := ""
		if b.Marks > 0 {
			marks = " Marks are made on the face that lies up: here the one that shows."
		}
		b.note("back-shows", "Face", whole, "Its back shows: cut as drawn here it would lie on the slats. Files and sheets for the shop are "+
			"drawn from the back, so that it lies up; what goes up here goes down there."+marks)
	}
	if r.Hand.Pair && r.Seen != "" && !same && !b.sameBlank() {
		b.mind("pair-face", "Face", whole, "Cut each hand from its own drawing: one drawing turned over on the table makes the other hand's "+
			"blank, with the face that shows down.")
	}
}

// bedLong, bedWide and brakeLong are what usual tables cut and brakes bend, mm
// (practice).
const bedLong, bedWide, brakeLong = 3000., 1500., 3000.

// checkLarge says when a part is more than a usual table, brake or person takes.
func (b *flagger) checkLarge() {
	whole := &panel{id: "sheet", name: "Sheet"}
	x, y := b.outline.Bounds().Size()
	if long, wide := max(x, y), min(x, y); long > bedLong || wide > bedWide {
		b.mind("past-bed", "Large parts", whole,
			fmt.Sprintf("The blank of %s × %s is more than a usual table of %s × %s: split the part, or ask for a larger one.", b.len(x), b.len(y),
				b.len(bedLong), b.len(bedWide)))
	}
	for _, p := range b.panels[1:] {
		if p.zone > brakeLong {
			b.mind("past-brake", "Large parts", p,
				fmt.Sprintf("The bend of %s is %s long and usual brakes take %s: split the part across it.", p.name, b.len(p.zone), b.len(brakeLong)))
		}
	}
	if b.Lift > 0 && b.Mass > b.Lift {
		b.mind("past-lift", "Large parts", whole,
			fmt.Sprintf("It weighs %s and one person lifts %s: split it, or lift it with %.0f.", quantity.FormatMass(b.Mass, b.display),
				quantity.FormatMass(b.Lift, b.display), math.Ceil(b.Mass/b.Lift)))
	}
}

// tipSetback answers the setback of the bend on the panel's tip, 0 for none.
func tipSetback(p *panel, thickness float64) (far float64) {
	for _, k := range p.kids[2] {
		far = max(far, setback(Outside, k.flange.InsideRadius, thickness, k.flange.Angle))
	}
	return far
}
