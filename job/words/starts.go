package words

import (
	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/joint"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/fresh"
	"warmanvil/core/sheet/split"
	"warmanvil/core/stock"
)

// Starts is what new things start from, to be typed over: one for metric and one for inch
// shops.
type Starts struct {
	Sizes
	Recipe sheet.Recipe  `json:"recipe" doc:"a plain plate; its base has no id yet"`
	Joint  joint.Input   `json:"joint" doc:"a bolted joint of this part to something that is guessed"`
	Hold   hold.Mount    `json:"hold" doc:"a mount; its holes are not said yet"`
	Split  split.Parting `json:"split" doc:"how a part's pieces are joined"`
	Stock  string        `json:"stock" doc:"section of a new frame's members"`
}

// Sizes are what a form starts from where something is switched on, mm and degrees.
type Sizes struct {
	Corner float64 `json:"corner" doc:"mm, of rounded and chamfered corners"`
	SetIn  float64 `json:"setIn" doc:"mm, of a flange's ends"`
	Taper  float64 `json:"taper" doc:"degrees, of a flange's ends"`
	Margin float64 `json:"margin" doc:"mm, of several along an edge"`
	Off    float64 `json:"off" doc:"mm, of holes from their edge"`
}

// StartsOf answers what new things start from.
func StartsOf(inch bool) Starts {
	u := sheet.Usual{Inch: inch}
	s := Starts{Sizes: Sizes{Corner: u.Or(10, 0.375), SetIn: u.Or(20, 0.75), Taper: 15, Margin: u.Or(30, 1.25), Off: u.Or(20, 0.75)}}
	t := u.Or(3, 0.125)
	system, size, pitch, grade, washer, metal := stock.Metric, "M10", 1.5, "8.8", 20., "steel-s235"
	if inch {
		system, size, pitch, grade, washer, metal = stock.Inch, "3/8", 16, "SAE 5", 25.4, "steel-a36"
	}
	s.Recipe = sheet.Recipe{Schema: 1, Material: metal, Thickness: t, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir},
		Base: sheet.Base{Length: u.Or(150, 6), Width: u.Or(100, 4), Measure: sheet.Outside}}
	s.Joint, s.Split = joint.Usual(inch), split.Usual(inch)
	s.Joint.Plies = []joint.Ply{{Material: metal, Thickness: t},
		{Name: "vehicle", Material: "steel-unknown", Thickness: u.Or(5, 0.1875), Guessed: true}}
	s.Hold = hold.Mount{Fasten: []string{}, Carry: []string{}, Against: hold.Back, Backed: true, Up: "+z", Forward: "+x",
		Bolts:   hold.Bolts{System: system, Size: size, Pitch: pitch, Grade: grade, ThreadsInPlane: true, Washer: washer},
		InPlane: hold.Elastic, OutPlane: hold.AtCentroid}
	if s.Stock = "50 × 50 × 4 mm tube"; inch {
		s.Stock = "2 × 2 × 11 ga in tube"
	}
	return s
}

// Grain is a step lengths are written in.
type Grain struct {
	Unit  brief.Unit `json:"unit" enum:"mm,fraction,decimal"`
	Value float64    `json:"value" doc:"mm"`
	Text  string     `json:"text"`
	Usual bool       `json:"usual" doc:"a new job of the unit has it"`
}

// Grains lists the steps by unit.
func Grains() []Grain {
	return []Grain{
		{brief.UnitMM, 0.1, "0.1 mm", false}, {brief.UnitMM, 0.5, "0.5 mm", false}, {brief.UnitMM, 1, "1 mm", true},
		{brief.UnitFraction, 25.4 / 16, "1/16 in", true}, {brief.UnitFraction, 25.4 / 32, "1/32 in", false},
		{brief.UnitFraction, 25.4 / 64, "1/64 in", false},
		{brief.UnitDecimal, 0.0254, ".001 in", false}, {brief.UnitDecimal, 0.254, ".010 in", true}, {brief.UnitDecimal, 2.54, ".100 in", false},
	}
}

func freshPattern(kind string, inch bool) sheet.Pattern {
	return fresh.Pattern(sheet.PatternKind(kind), sheet.Usual{Inch: inch})
}
