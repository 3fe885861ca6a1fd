// Package flags looks over a part that is laid out for what would be scrap, would
// crack, cut, clog or rattle: bends, reliefs, holes, webs, folding, water, grain,
// weight, and what is drilled through a master. It answers findings with their
// working and fixes, and changes nothing.
package flags

import (
	"fmt"
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// Asked is what the checks are told besides the part as it is laid out.
type Asked struct {
	Lift       float64     // kg one person lifts; 0 is not asked
	NearPeople bool        // it stands in a space with people
	Quantity   int         // how many are made; 0 is not asked
	Master     *MasterTold // the part it is drilled through, where there is one
	Elbow      *ElbowTold  // of a piece of an elbow: what of it the job makes; nil is not asked
	Machines   Machines    // it is cut and bent on
	Mass       float64     // kg
	Marks      int         // how many marks were laid
	Size       [3]float64  // mm, outside, folded
	Welds      bool        // corners of it are welded
}

// flagger looks for what would be scrap.
type flagger struct {
	*lay.Laid
	*lay.Teller
	Asked
	lines       map[*lay.Panel][]tangent // that border each face
	limit       *working.Working         // of the smallest radius, as told last
	limitRadius float64
	thickSaid   bool // that a brake does not bend the sheet
}

// Check looks for what would be scrap: bends, reliefs, holes, folding. It answers
// what it found; a part without even a base is not asked.
func Check(l *lay.Laid, c Asked) *lay.Teller {
	b := &flagger{Laid: l, Teller: l.Next(), Asked: c, lines: make(map[*lay.Panel][]tangent, len(l.Panels))}
	for _, p := range b.Panels[1:] {
		b.checkRadius(p)
		b.checkLegs(p)
		b.checkReliefs(p)
		b.checkRebent(p)
	}
	b.checkRound()
	b.checkHoles()
	b.checkFlat()
	b.checkWater()
	b.checkSharp()
	b.checkSlivers(b.Outline.Flatten(.05))
	b.checkFold()
	b.checkSheet()
	b.checkMachines()
	return b.Teller
}

// acrossGrain tells whether the bend line runs across the rolling direction.
func (b *flagger) acrossGrain(p *lay.Panel) bool {
	alongX := math.Abs(p.Pose.Ex.X) > .7
	return b.Recipe.Grain == sheet.GrainX && !alongX || b.Recipe.Grain == sheet.GrainY && alongX
}

func (b *flagger) checkRadius(p *lay.Panel) {
	t, r := b.Recipe.Thickness, p.Flange.InsideRadius
	across, along := b.Material.SmallestRadius(t)
	if p.Flange.Kind == sheet.Hem && p.Flange.Hem != sheet.TeardropHem {
		b.checkHem(p, across, along)
		return
	}
	fix := func(to float64) working.Fix {
		return b.Fix("Radius "+b.Len(sheet.HalfUp(to)), p.Path+"/insideRadius", sheet.HalfUp(to))
	}
	w := func() working.Working {
		return working.Working{Method: "Smallest inside radius", Source: b.Material.RadiusSource, Formula: "least R = factor·T",
			Inputs: []working.Quantity{working.MM("T", "thickness", t), working.MM("R", "inside radius asked for", r)},
			Steps: []working.Quantity{working.MM("across", "least across the grain", across), working.MM("along", "least along the "+
				"grain", along)},
			Result: working.MM("least", "smallest inside radius", along)}
	}
	at := len(b.Findings)
	switch {
	case r < across-sheet.Tiny:
		b.Stop("radius-small", "Inside radius", p,
			fmt.Sprintf("%s in %s cracks below an inside radius of %s even across the grain, and R %s is asked for. A softer temper "+
				"or two welded "+
				"pieces are the other ways out.",
				b.Len(t), b.Material.Name, b.Len(across), b.Len(r)), fix(max(along, across)))
	case r < along-sheet.Tiny && !b.acrossGrain(p):
		reason := "the grain is not known"
		if b.Recipe.Grain == sheet.GrainX || b.Recipe.Grain == sheet.GrainY {
			reason = "the bend line runs along the grain"
		}
		b.Mind("radius-grain", "Inside radius", p,
			fmt.Sprintf("R %s holds only across the grain, and %s: along it %s needs %s.", b.Len(r), reason, b.Material.Name, b.Len(along)),
			fix(along))
	}
	if at < len(b.Findings) {
		if b.limit == nil || b.limitRadius != r { // most bends of a part are alike
			limit := b.Explain(w())
			b.limit, b.limitRadius = &limit, r
		}
		b.Findings[at].Working = b.limit
	}
	if !p.Flange.Form().Die {
		return // no die makes their radius
	}
	if tool, assumed := b.Recipe.Tool.Effective(t); tool.Kind == bend.ToolVDie && b.Recipe.Bend.Method == bend.MethodAir && !assumed {
		natural := b.Material.AirRadius * tool.Opening
		if math.Abs(natural-r) > .25*math.Max(natural, t) {
			at = len(b.Findings)
			b.Note("air-radius", "Inside radius", p,
				fmt.Sprintf("In air the %s die makes about R %s whatever the punch, and R %s is asked for: the flat comes out for "+
					"the wrong radius.",
					b.Len(tool.Opening), b.Len(natural), b.Len(r)),
				b.Fix("Take R "+b.Len(math.Round(natural*10)/10), p.Path+"/insideRadius", math.Round(natural*10)/10))
			b.Attach(at, func() working.Working {
				return working.Working{Method: "Radius of an air bend",
					Source: "practice: a share of the die opening by material", Formula: "R = share·V",
					Inputs: []working.Quantity{{Symbol: "share", Name: b.Material.Name, Value: b.Material.AirRadius},
						working.MM("V", "die opening", tool.Opening)}, Result: working.MM("R", "inside radius", natural)}
			})
		}
	}
}

// checkLegs asks of both legs of a bend whether the tool can hold them.
func (b *flagger) checkLegs(p *lay.Panel) {
	f, t := p.Flange, b.Recipe.Thickness
	if !f.Form().Die {
		b.checkLip(p)
		return
	}
	least, w := b.Recipe.Tool.SmallestFlange(f.InsideRadius, t, f.Angle)
	_, h := p.Size()
	leg := h + bend.OutsideSetback(f.InsideRadius, t, f.Angle) + tipSetback(p, t)
	at := len(b.Findings)
	if leg < least-sheet.Tiny {
		longer := sheet.HalfUp(f.Length + least - leg)
		b.Stop("flange-short", "Short flange", p,
			fmt.Sprintf("%s reaches %s past the apex; on this tool it slips below %s.", p.Name, b.Len(leg), b.Len(least)),
			b.Fix("Make it "+b.Len(longer), p.Path+"/length", longer))
	}
	// The other leg: across the parent from this bend.
	far := b.behind(p)
	if far < least-sheet.Tiny {
		b.Stop("bends-close", "Short flange", p,
			fmt.Sprintf("Behind this bend %s is only %s wide to the next edge or bend; this tool needs %s.", lay.Lower(p.Parent.Name),
				b.Len(far), b.Len(least)))
	}
	b.Attach(at, func() working.Working { return w })
}

// behind answers how much of the parent lies behind a bend, to the apex of the
// next one where there is one across from it.
func (b *flagger) behind(p *lay.Panel) float64 {
	t, q := b.Recipe.Thickness, p.Parent
	start, _, out, _ := q.Edge(p.On)
	deep := 0.0
	for _, c := range q.Outlined() {
		deep = max(deep, -out.Dot(c.Sub(start)))
	}
	own := bend.OutsideSetback(p.Flange.InsideRadius, t, p.Flange.Angle)
	far := deep + own
	if len(q.Corners) != 4 {
		return far
	}
	apex := func(f *sheet.Flange) float64 { return lay.Setback(sheet.Outside, f.InsideRadius, t, f.Angle) }
	if q.Flange != nil && p.On == 2 {
		far += apex(q.Flange)
	}
	for _, k := range q.Kids[(p.On+2)%4] {
		far = max(far, deep+own+apex(k.Flange))
	}
	return far
}

// checkHem asks whether a material can be folded flat.
func (b *flagger) checkHem(p *lay.Panel, across, along float64) {
	t := b.Recipe.Thickness
	switch least := max(across, along); {
	case least > 1.5*t+sheet.Tiny:
		b.Stop("hem-cracks", "Inside radius", p,
			fmt.Sprintf("%s needs an inside radius of %s in %s and would crack folded back: take a teardrop of that radius, or roll the "+
				"edge over a wire.", b.Material.Name, b.Len(least), b.Len(t)),
			b.Fix("A teardrop", p.Path+"/hem", sheet.TeardropHem, p.Path+"/insideRadius", sheet.HalfUp(least)))
	case p.Flange.Hem == sheet.ClosedHem:
		b.Mind("hem-closed", "Inside radius", p,
			fmt.Sprintf("A closed hem in %s of %s is pressed flat past its smallest radius of %s: it may crack on its outside, and "+
				"paint does not "+
				"reach inside it. Try one first.", b.Len(t), b.Material.Name, b.Len(least)),
			b.Fix("Leave it open", p.Path+"/hem", sheet.OpenHem))
	}
}

// checkLip asks whether a hem's return can be held, and says how a roll is made.
func (b *flagger) checkLip(p *lay.Panel) {
	f, t := p.Flange, b.Recipe.Thickness
	if f.Kind == sheet.Roll {
		b.Note("roll-steps", "Rolls", p, fmt.Sprintf("%s of R %s is rolled, or bumped in steps of %s: a die does not make it.", p.Name,
			b.Len(f.InsideRadius), b.Len(math.Max(sheet.HalfUp(.1*(f.InsideRadius+t)), t))))
		return
	}
	if least := 4 * t; f.Length < least-sheet.Tiny {
		b.Mind("hem-short", "Short flange", p,
			fmt.Sprintf("%s returns %s; under four thicknesses (%s, practice) the tool does not hold it.", p.Name, b.Len(f.Length),
				b.Len(least)),
			b.Fix("Make it "+b.Len(sheet.HalfUp(least)), p.Path+"/length", sheet.HalfUp(least)))
	}
}

func (b *flagger) checkReliefs(p *lay.Panel) {
	t := b.Recipe.Thickness
	before, after := p.Room()
	startKey, endKey := "/setIn/start", "/setIn/end"
	if !p.Parent.Along(p.On) {
		startKey, endKey = endKey, startKey
	}
	for _, end := range []struct {
		reaches bool
		room    float64
		path    string
		who     *lay.Panel
	}{{p.ReachesStart(), before, p.Path + startKey, p.Seen(profile.Point{X: p.Zone})},
		{p.ReachesEnd(), after, p.Path + endKey, p.Seen(profile.Point{})}} {
		switch {
		case end.reaches:
		case p.Relief.Kind == sheet.Tear:
			b.Mind("relief-tear", "Reliefs", end.who,
				"The bend ends inside the sheet with no relief: the sheet tears there, ragged and without control.",
				b.Fix("Cut a relief", p.Path+"/relief/kind", sheet.Rectangular))
		case end.room < p.Relief.Width-sheet.Tiny:
			b.Stop("relief-room", "Reliefs", end.who,
				fmt.Sprintf("The set-in leaves %s of edge and the relief is %s wide: nothing would be left beside it.",
					b.Len(end.room), b.Len(p.Relief.Width)),
				b.Fix("Run the flange to the end", end.path, 0.0), b.Fix("Set in "+b.Len(p.Relief.Width+2*t), end.path, p.Relief.Width+2*t))
		}
	}
	if p.Relief.Kind == sheet.Tear || p.ReachesStart() && p.ReachesEnd() {
		return
	}
	who := p.Seen(profile.Point{X: p.Zone})
	if p.ReachesStart() {
		who = p.Seen(profile.Point{})
	}
	if kerf := b.Process.Kerf; p.Relief.Width < kerf-sheet.Tiny {
		least := sheet.HalfUp(max(kerf, t))
		b.Stop("relief-unreachable", "Reliefs", who,
			fmt.Sprintf("%s cuts a gap of %s and the relief is only %s wide: it cannot be cut. Make it wider, drill a round one, or "+
				"saw it by hand.",
				b.Process.Name, b.Len(kerf), b.Len(p.Relief.Width)), b.Fix("Make it "+b.Len(least), p.Path+"/relief/width", least))
	} else if p.Relief.Width < t-sheet.Tiny {
		b.Mind("relief-narrow", "Reliefs", who, fmt.Sprintf("A relief narrower than the sheet (%s) closes and tears.", b.Len(t)),
			b.Fix("Make it "+b.Len(t), p.Path+"/relief/width", t))
	}
	if p.Relief.Depth < t/2-sheet.Tiny {
		b.Mind("relief-shallow", "Reliefs", who, fmt.Sprintf("The relief should pass the tangent line by half the thickness (%s).",
			b.Len(t/2)),
			b.Fix("Make it "+b.Len(t), p.Path+"/relief/depth", t))
	}
}

// checkFlat finds panels that lie over each other on the flat pattern.
func (b *flagger) checkFlat() {
	zones := make([][]profile.Point, len(b.Panels))
	boxes := make([]profile.Bounds, len(b.Panels))
	for i, p := range b.Panels {
		if p.Flange != nil {
			a, c := p.Pose.Apply(profile.Point{Y: -p.Taken.Allowance}), p.Pose.Apply(profile.Point{X: p.Zone, Y: -p.Taken.Allowance})
			zones[i] = append(zones[i], a, c)
			if start, end := p.RunsOn(); p.Flange.Outline != nil { // its bend's ends run slanting
				for _, q := range append(p.Corners[1:len(p.Corners):len(p.Corners)], p.Corners[0]) {
					zones[i] = append(zones[i], p.Pose.Apply(q))
				}
			} else if start || end {
				zones[i] = append(zones[i], p.Pose.Apply(profile.Point{X: p.Zone}))
				for _, q := range p.Corners[1:] {
					zones[i] = append(zones[i], p.Pose.Apply(q))
				}
				zones[i] = append(zones[i], p.Pose.Apply(p.Corners[0]), p.Pose.Apply(profile.Point{}))
			} else {
				for _, q := range p.Corners[2:] {
					zones[i] = append(zones[i], p.Pose.Apply(q))
				}
			}
		} else {
			for _, q := range p.Outlined() {
				zones[i] = append(zones[i], p.Pose.Apply(q))
			}
		}
		boxes[i] = profile.Empty()
		for _, q := range zones[i] {
			boxes[i].Include(q)
		}
	}
	for i, p := range b.Panels {
		for j := i + 1; j < len(b.Panels); j++ {
			q := b.Panels[j]
			if q.Parent == p || p.Parent == q || !boxes[i].Meets(boxes[j], .01) || !profile.Overlap(zones[i], zones[j], .01) {
				continue
			}
			b.Stop("flat-overlap", "Flat pattern", q,
				fmt.Sprintf("On the flat pattern %s and %s lie over each other: the same sheet cannot be both. Set one in, shorten "+
					"it, or make "+
					"it two pieces.", p.Name, q.Name))
		}
	}
}

// checkSheet says what holds for the sheet as a whole.
func (b *flagger) checkSheet() {
	whole := &lay.Panel{ID: "sheet", Name: "Sheet"}
	if b.Recipe.Gauge != nil {
		b.Note("gauge-nominal", "Sheet", whole,
			fmt.Sprintf("%d gauge is nominal: measure the sheet and type what the caliper says.", *b.Recipe.Gauge))
	}
	if b.Recipe.Guessed {
		b.Mind("thickness-guessed", "Sheet", whole,
			fmt.Sprintf("Nobody measured its thickness: strength counts 0.85 of %s, and bends may come out off. Put a caliper on "+
				"the sheet, "+
				"past the burr.", b.Len(b.Recipe.Thickness)))
	}
	if b.Material.Caution != "" {
		b.Note("material-caution", "Sheet", whole, b.Material.Caution)
	}
	b.checkFaces(whole)
	b.checkMaster()
}

// checkFaces asks whether a pair is one, and whether the face that shows lies up
// on the table.
func (b *flagger) checkFaces(whole *lay.Panel) {
	r := b.Recipe
	same := r.Hand.Pair && b.Symmetrical()
	if same {
		b.Note("twin-same", "Pair", whole, "The mirrored twin is the same part: one drawing and double the count will do.",
			b.Fix("No pair", "/hand/pair", false))
	}
	if r.Seen == sheet.BackFace {
		marks := ""
		if b.Marks > 0 {
			marks = " Marks are made on the face that lies up: here the one that shows."
		}
		b.Note("back-shows", "Face", whole, "Its back shows: cut as drawn here it would lie on the slats. Files and sheets for the "+
			"shop are "+
			"drawn from the back, so that it lies up; what goes up here goes down there."+marks)
	}
	if r.Hand.Pair && r.Seen != "" && !same && !b.SameBlank() {
		b.Mind("pair-face", "Face", whole, "Cut each hand from its own drawing: one drawing turned over on the table makes the "+
			"other hand's "+
			"blank, with the face that shows down.")
	}
}

// tipSetback answers the setback of the bend on the panel's tip, 0 for none.
func tipSetback(p *lay.Panel, thickness float64) (far float64) {
	for _, k := range p.Kids[2] {
		far = max(far, lay.Setback(sheet.Outside, k.Flange.InsideRadius, thickness, k.Flange.Angle))
	}
	return far
}
