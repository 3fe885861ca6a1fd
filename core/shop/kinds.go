package shop

// Kind is what kind of machine it is.
type Kind string

// The kinds of machines.
const (
	Table      Kind = "table"
	Brake      Kind = "brake"
	Shear      Kind = "shear"
	Saw        Kind = "saw"
	Drill      Kind = "drill"
	Grinder    Kind = "grinder"
	Torch      Kind = "torch"
	Welder     Kind = "welder"
	Bender     Kind = "bender"
	Oven       Kind = "oven"
	Spray      Kind = "spray"
	Compressor Kind = "compressor"
	Transport  Kind = "transport"
	Lift       Kind = "lift"
)

// KindOf is what is asked of machines of a kind.
type KindOf struct {
	Kind    Kind      `json:"kind"`
	Text    string    `json:"text"`
	Limits  []LimitOf `json:"limits" doc:"that every sort of it has"`
	Sorts   []SortOf  `json:"sorts"`
	Caution string    `json:"caution,omitempty" doc:"what can hurt at it"`
	Asked   bool      `json:"asked" doc:"checks of parts ask it already; others are kept for what comes"`
}

// LimitOf is one limit.
type LimitOf struct {
	Key      string `json:"key"`
	Text     string `json:"text"`
	Quantity string `json:"quantity" enum:"length,force,rate,angle,mass,number" doc:"length mm, force N, rate N/mm, angle degrees, mass kg"`
	Source   string `json:"source" doc:"where the usual values come from"`
}

// SortOf is a sort of a kind with its usual values.
type SortOf struct {
	Sort  string             `json:"sort"`
	Text  string             `json:"text"`
	MM    map[string]float64 `json:"mm" doc:"usual limits in a metric shop"`
	Inch  map[string]float64 `json:"inch" doc:"usual limits in an inch shop, in the same units"`
	Ready []string           `json:"ready" doc:"what is looked at before it is used"`
}

func (s SortOf) usual(key string, inch bool) float64 {
	if inch {
		return s.Inch[key]
	}
	return s.MM[key]
}

const (
	byPractice = "practice: common machines of small shops; type your own"
	ft, in     = 304.8, 25.4
	tonne      = 9806.65 // N, of a tonne-force
	shortTon   = 8896.44 // N
)

var (
	long  = LimitOf{"long", "Longest", "length", byPractice}
	wide  = LimitOf{"wide", "Widest", "length", byPractice}
	high  = LimitOf{"high", "Highest", "length", byPractice}
	mild  = LimitOf{"steel", "Thickest steel", "length", byPractice}
	inox  = LimitOf{"stainless", "Thickest stainless", "length", byPractice}
	alu   = LimitOf{"aluminum", "Thickest aluminium", "length", byPractice}
	metal = []LimitOf{mild, inox, alu}
	air   = LimitOf{"air", "Air it takes, l/min", "number", "practice: a 60 A plasma torch about 180, a spray gun about 300; its plate says"}
)

func with(first []LimitOf, more ...LimitOf) []LimitOf {
	return append(append([]LimitOf{}, first...), more...)
}

// thick are the usual thicknesses of steel, stainless and aluminium beside other limits, mm.
func thick(steel, stainless, aluminium float64, pairs ...any) map[string]float64 {
	out := map[string]float64{"steel": steel, "stainless": stainless, "aluminum": aluminium}
	for i := 0; i+1 < len(pairs); i += 2 {
		out[pairs[i].(string)] = number(pairs[i+1])
	}
	return out
}

func limits(pairs ...any) map[string]float64 {
	out := map[string]float64{}
	for i := 0; i+1 < len(pairs); i += 2 {
		out[pairs[i].(string)] = number(pairs[i+1])
	}
	return out
}

func number(v any) float64 {
	if n, is := v.(int); is {
		return float64(n)
	}
	return v.(float64)
}

const (
	eyes   = "Eyes and ears. "
	behind = "Hands behind the guard; the piece held, never the hand."
)

// cutter is a sort of cutting table with the usual bed; what it cuts of steel, stainless and
// aluminium is in mm, and in inches in an inch shop.
func cutter(sort, text string, metric, inches [3]float64, ready ...string) SortOf {
	return SortOf{sort, text, thick(metric[0], metric[1], metric[2], "long", 3000, "wide", 1500),
		thick(inches[0]*in, inches[1]*in, inches[2]*in, "long", 10*ft, "wide", 5*ft), ready}
}

// blown is a sort that takes so much air, l/min.
func blown(flow float64, s SortOf) SortOf {
	s.MM["air"], s.Inch["air"] = flow, flow
	return s
}

// Kinds answers the table of kinds, in the order a set-up asks for them.
func Kinds() []KindOf { return table }

var table = []KindOf{
	{Table, "Cutting table", with([]LimitOf{long, wide, air}, metal...), []SortOf{
		blown(180, cutter("plasma", "plasma table", [3]float64{16, 12, 12}, [3]float64{.625, .5, .5}, "consumables",
			"air dry and up to pressure", "work lead on the slats", "extraction on")),
		cutter("laser", "laser", [3]float64{15, 8, 8}, [3]float64{.625, .3125, .3125}, "nozzle and lens", "gas", "slats clear"),
		cutter("waterjet", "water jet", [3]float64{60, 50, 60}, [3]float64{2.5, 2, 2.5}, "garnet", "nozzle", "pump pressure"),
		cutter("punch", "punch press", [3]float64{4, 3, 4}, [3]float64{.1875, .125, .1875}, "die clearance for the sheet", "strippers"),
	}, eyes + "Fumes and glare: extraction and a screen. Slats and fresh edges cut: gloves when it stands still.", true},
	{Brake, "Brake", with([]LimitOf{long, {"force", "Force in all", "force", byPractice},
		{"line", "Force on each length", "rate", byPractice},
		{"bow", "Beam gives in its middle at full force", "length", "practice: about a tenth of a millimetre a metre, where it is not " +
			"crowned"}, {"angle", "Turns a bend up to", "angle", byPractice},
		{"open", "Tools open by", "length", byPractice}, {"beam", "Beams over and under the tools, thick", "length", byPractice},
		{"floor", "Die or bed above the floor", "length", byPractice}, {"stop", "Back stop reaches", "length", byPractice}},
		metal...), []SortOf{
		{"press", "press brake", thick(6, 5, 8, "long", 3000, "force", 100*tonne, "line", 100*tonne/1000, "bow", .3, "angle", 150,
			"open", 180, "beam", 70, "floor", 900, "stop", 600),
			thick(.25*in, .1875*in, .3125*in, "long", 10*ft, "force", 110*shortTon, "line", 110*shortTon/1000, "bow", .012*in,
				"angle", 150,
				"open", 7*in, "beam", 2.75*in, "floor", 36*in, "stop", 24*in),
			[]string{"punch and die for the sheet", "back stop set", "light guard tried", "second person for long sheets"}},
		{"pan", "box-and-pan brake", thick(1.5, 1.2, 2, "long", 1250, "angle", 135, "open", 60, "floor", 900),
			thick(.0598*in, .048*in, .08*in, "long", 4*ft, "angle", 135, "open", 2.5*in, "floor", 36*in),
			[]string{"fingers set for the inside", "clamp set for the sheet"}},
		{"folder", "folder", thick(1.5, 1, 2, "long", 2000, "angle", 150, "open", 80, "floor", 900), thick(.0598*in, .036*in, .08*in,
			"long", 6*ft, "angle", 150,
			"open", 3*in, "floor", 36*in),
			[]string{"beam set for the radius", "leaf swings free"}},
		{"vice", "vice with angle bars", thick(4, 3, 4, "long", 600, "angle", 120, "open", 120, "floor", 900), thick(.1875*in,
			.125*in, .1875*in, "long", 2*ft,
			"angle", 120, "open", 5*in, "floor", 36*in),
			[]string{"bars true and clamped at both ends"}},
	}, "Hands behind the stop and off the sheet's edge where it swings up. No gloves between punch and die.", true},
	{Shear, "Shear", with([]LimitOf{long}, metal...), []SortOf{
		{"foot", "foot shear", thick(1.5, 1, 2, "long", 1300), thick(.0598*in, .036*in, .08*in, "long", 52*in),
			[]string{"blade gap for the sheet"}},
		{"power", "power shear", thick(6, 4, 8, "long", 3000), thick(.25*in, .1345*in, .3125*in, "long", 10*ft),
			[]string{"blade gap for the sheet", "hold-downs", "guard in place"}},
	}, behind + " Cut strips drop and slide: stand clear.", true},
	{Saw, "Saw", []LimitOf{{"round", "Largest round", "length", byPractice}, wide, high, {"angle", "Turns up to", "angle",
		byPractice}}, []SortOf{
		{"band", "band saw", limits("round", 170, "wide", 210, "high", 140, "angle", 60), limits("round", 7*in, "wide", 8*in,
			"high", 6*in, "angle", 60),
			[]string{"blade sharp, teeth for the wall", "coolant", "stop set"}},
		{"cold", "cold saw", limits("round", 90, "wide", 100, "high", 80, "angle", 45), limits("round", 3.5*in, "wide", 4*in,
			"high", 3*in, "angle", 45),
			[]string{"blade for the metal", "coolant", "vice tight"}},
		{"chop", "chop saw", limits("round", 100, "wide", 130, "high", 100, "angle", 45), limits("round", 4*in, "wide", 5*in,
			"high", 4*in, "angle", 45),
			[]string{"wheel whole", "sparks away from what burns"}},
	}, eyes + "No gloves at a turning blade. Cut pieces swing and drop: hold up the long end.", true},
	{Drill, "Drill press", []LimitOf{{"drill", "Largest drill in steel", "length", byPractice}, {"throat", "Throat", "length",
		byPractice},
		{"travel", "Travel", "length", byPractice}}, []SortOf{
		{"bench", "bench drill", limits("drill", 16, "throat", 150, "travel", 80), limits("drill", .625*in, "throat", 6*in, "travel",
			3*in),
			[]string{"work clamped", "speed for the drill"}},
		{"pillar", "pillar drill", limits("drill", 25, "throat", 200, "travel", 120), limits("drill", 1*in, "throat", 8*in, "travel",
			4.5*in),
			[]string{"work clamped", "speed for the drill"}},
		{"magnet", "magnet drill", limits("drill", 35, "throat", 60, "travel", 150), limits("drill", 1.375*in, "throat", 2.25*in,
			"travel", 6*in),
			[]string{"safety chain", "plate thick enough to hold"}},
	}, "Eyes. No gloves and no loose sleeves at a turning drill. Work that is not clamped spins.", true},
	{Grinder, "Grinder", nil, []SortOf{
		{"angle", "angle grinder", limits(), limits(), []string{"disc whole, in date and for the metal", "guard on", "sparks away " +
			"from what burns"}},
		{"bench", "bench grinder", limits(), limits(), []string{"wheel whole: it rings", "rest close to the wheel"}},
	}, eyes + "Gloves for an angle grinder, held in both hands; none at a bench wheel that can draw them in. The disc kicks where it " +
		"jams: " +
		"stand beside its plane. Sparks burn far off.", false},
	{Torch, "Torch", metal, []SortOf{
		{"gas", "gas torch", limits("steel", 100), limits("steel", 4*in), []string{"hoses and valves tight", "flashback arrestors",
			"nothing burns near"}},
		{"plasma", "plasma torch by hand", thick(12, 8, 8), thick(.5*in, .3125*in, .3125*in), []string{"consumables", "air dry",
			"work lead on bright metal"}},
	}, "Eyes behind the right shade, gloves, covered skin. Gas and fumes: air. Cylinders upright and chained. Hollow things that held " +
		"fuel " +
		"explode. Watch for fire for an hour after.", false},
	{Welder, "Welder", []LimitOf{{"least", "Thinnest steel", "length", byPractice}, {"most", "Thickest steel in one pass", "length",
		byPractice},
		{"amps", "Most current, A", "number", byPractice}, {"duty", "Of ten minutes at that", "number", byPractice}}, []SortOf{
		{"mig", "MIG welder", limits("least", .8, "most", 6, "amps", 180, "duty", 3), limits("least", .03125*in, "most", .25*in,
			"amps", 180, "duty", 3),
			[]string{"gas", "wire and tip", "earth on bright metal"}},
		{"tig", "TIG welder", limits("least", .8, "most", 5, "amps", 200, "duty", 3), limits("least", .03125*in, "most", .1875*in,
			"amps", 200, "duty", 3),
			[]string{"gas", "tungsten ground"}},
		{"stick", "stick welder", limits("least", 2, "most", 8, "amps", 160, "duty", 4), limits("least", .0781*in, "most", .3125*in,
			"amps", 160, "duty", 4),
			[]string{"rods dry"}},
		{"spot", "spot welder", limits("least", .6, "most", 2, "amps", 6000, "duty", 1), limits("least", .024*in, "most", .0781*in,
			"amps", 6000, "duty", 1),
			[]string{"tips dressed"}},
	}, "Eyes, skin, lungs: zinc, paint and solvents make fumes that kill. Watch for fire for an hour after.", true},
	{Bender, "Tube bender", []LimitOf{{"round", "Largest round", "length", byPractice}, {"wall", "Thickest wall", "length", byPractice},
		{"angle", "Turns up to", "angle", byPractice}}, []SortOf{
		{"draw", "draw bender", limits("round", 50, "wall", 4, "angle", 180), limits("round", 2*in, "wall", .1575*in, "angle", 180),
			[]string{"die for the tube", "follow bar greased"}},
		{"ram", "ram bender", limits("round", 50, "wall", 4, "angle", 90), limits("round", 2*in, "wall", .1575*in, "angle", 90),
			[]string{"former for the pipe"}},
	}, "Hands off die and tube while it turns.", true},
	{Oven, "Oven", []LimitOf{long, wide, high, {"hot", "Hottest, °C", "number", byPractice}}, []SortOf{
		{"powder", "powder oven", limits("long", 1800, "wide", 1200, "high", 1200, "hot", 230), limits("long", 6*ft, "wide", 4*ft,
			"high", 4*ft, "hot", 230), []string{"vent open"}},
	}, "Burns; solvents and sealed hollows burst.", true},
	{Spray, "Spray place", []LimitOf{long, wide, high, air}, []SortOf{
		{"booth", "spray booth", limits("long", 6000, "wide", 3000, "high", 2500, "air", 300), limits("long", 20*ft, "wide", 10*ft, "high",
			8*ft, "air", 300), []string{"filters", "air for the mask"}},
		{"yard", "spray place", limits("long", 4000, "wide", 3000, "high", 2500, "air", 300), limits("long", 13*ft, "wide", 10*ft, "high",
			8*ft, "air", 300), []string{"weather", "mask"}},
	}, "Isocyanates: fed air, no filter mask.", true},
	{Compressor, "Compressor", []LimitOf{{"flow", "Free air, l/min", "number", byPractice}, {"pressure", "Pressure, bar", "number",
		byPractice}}, []SortOf{
		{"piston", "compressor", limits("flow", 300, "pressure", 9), limits("flow", 300, "pressure", 9), []string{"water drained"}},
	}, "Let the air off before a hose is taken apart.", true},
	{Transport, "Own transport", []LimitOf{long, wide, high, {"mass", "Carries", "mass", byPractice}}, []SortOf{
		{"van", "van", limits("long", 3200, "wide", 1700, "high", 1800, "mass", 1000), limits("long", 126*in, "wide", 67*in, "high",
			71*in, "mass", 1000), []string{"straps"}},
		{"trailer", "trailer", limits("long", 3000, "wide", 1500, "high", 1800, "mass", 1200), limits("long", 10*ft, "wide", 5*ft,
			"high", 6*ft, "mass", 1200), []string{"straps", "lamps", "coupling locked and tried"}},
	}, "What is not lashed comes forward.", true},
	{Lift, "Lifting gear", []LimitOf{{"mass", "Lifts", "mass", byPractice}, high}, []SortOf{
		{"crane", "workshop crane", limits("mass", 1000, "high", 2300), limits("mass", 1000, "high", 90*in),
			[]string{"hook and chain looked at", "floor level"}},
		{"hoist", "hoist", limits("mass", 500, "high", 3000), limits("mass", 500, "high", 10*ft), []string{"beam rated for it"}},
		{"table", "lift table", limits("mass", 300, "high", 900), limits("mass", 300, "high", 36*in), []string{"wheels locked"}},
	}, "Nobody under a load. Gear with no plate on it lifts nothing.", true},
}

var kinds = func() map[Kind]KindOf {
	out := map[Kind]KindOf{}
	for _, k := range Kinds() {
		out[k.Kind] = k
	}
	return out
}()

// table answers what is asked of a kind; one that is not known has no limits.
func (k Kind) table() KindOf { return kinds[k] }

// sort answers one sort of a kind; its first where none is named.
func (k KindOf) sort(name string) SortOf {
	for _, s := range k.Sorts {
		if s.Sort == name {
			return s
		}
	}
	if len(k.Sorts) > 0 && name == "" {
		return k.Sorts[0]
	}
	return SortOf{Text: string(k.Kind)}
}
