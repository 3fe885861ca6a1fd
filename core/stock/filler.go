package stock

// Filler is the metal a weld is laid of.
type Filler struct {
	Key     string  `json:"key"`
	Name    string  `json:"name"`
	Metal   string  `json:"metal" enum:"steel,stainless,aluminum" doc:"what it is laid on"`
	Tensile float64 `json:"tensile" doc:"MPa, least of its class; of aluminium as welded"`
	Shear   float64 `json:"shear,omitempty" doc:"MPa, of aluminium: least ultimate shear of a fillet lengthwise"`
	Known   bool    `json:"known" doc:"somebody said which it is"`
	Source  string  `json:"source"`
}

// Fillers are those of small shops, by what they are laid on; the first of steel is what counts where nobody said.
var Fillers = []Filler{
	{"steel-unsaid", "Not said", "steel", 414, 0, false, "counted as the weakest class in use, 60 ksi"},
	{"e60", "E6010, E6011, E6013 rod", "steel", 414, 0, true, "AWS A5.1, 60 ksi class"},
	{"e70", "E7018 rod, ER70S-6 or E71T wire", "steel", 483, 0, true, "AWS A5.1, A5.18, A5.20, 70 ksi class"},
	{"er308l", "ER308L, stainless to stainless", "stainless", 517, 0, true, "AWS A5.9, usual as-welded 75 ksi"},
	{"er309l", "ER309L, stainless to steel", "stainless", 517, 0, true, "AWS A5.9, usual as-welded 75 ksi"},
	{"er4043", "4043 wire or rod", "aluminum", 165, 79, true, "Aluminum Design Manual: shear of fillets lengthwise 11.5 ksi"},
	{"er5356", "5356 wire or rod", "aluminum", 240, 117, true, "Aluminum Design Manual: shear of fillets lengthwise 17 ksi"},
}

// FillerByKey finds a filler; false where none is called so.
func FillerByKey(key string) (Filler, bool) {
	for _, f := range Fillers {
		if f.Key == key {
			return f, true
		}
	}
	return Filler{}, false
}

// Softened is aluminium within 25 mm of a weld.
type Softened struct {
	Yield   float64 `json:"yield" doc:"MPa"`
	Tensile float64 `json:"tensile" doc:"MPa"`
}

// HeatReach is how far from a weld aluminium loses its temper, mm.
const HeatReach = 25.

// softened is what welding leaves of an alloy (Aluminum Design Manual Table A.4.3, minimums); 6061 by 4043 over
// 9.5 mm yields 80.
var softened = map[string]Softened{"alu-6061-t6": {105, 165}, "alu-5052-h32": {65, 170}, "alu-3003-h14": {35, 95}}

// SoftenedBy answers what a weld leaves of a material beside it, of so many mm and laid of a filler; false where
// it keeps its strength or no figure is known.
func SoftenedBy(material, filler string, thickness float64) (Softened, bool) {
	s, is := softened[material]
	if is && material == "alu-6061-t6" && filler == "er4043" && thickness > 9.5 {
		s.Yield = 80
	}
	return s, is
}
