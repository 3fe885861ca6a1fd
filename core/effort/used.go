package effort

import (
	"fmt"
	"math"
	"strings"
)

// UsedUp is something that is used up by making.
type UsedUp struct {
	Key    string  `json:"key" enum:"wire,rods,filler,gas,argon,tip,nozzle,tungsten,cup,flap,cutoff,paint"`
	Metal  string  `json:"metal,omitempty" doc:"family of the metal, of wire, rods and filler that are not of plain steel"`
	Text   string  `json:"text"`
	Unit   string  `json:"unit" doc:"kg, l, pieces"`
	Amount float64 `json:"amount"`
	Says   string  `json:"says" doc:"how it was come to"`
}

// Weld is a seam that is laid.
type Weld struct {
	Long   float64 // m
	Leg    float64 // mm; of spots and plugs what one is across
	By     Op      // Welding when left out
	Metal  string  // family; steel when left out
	Spots  float64 // how many, of spots and plugs: they have no length
	Filled float64 // mm, how deep plugs are filled; 0 of resistance spots, which take nothing
	Left   string  // as is, dressed or flush, where it is said how it is left
}

const (
	perFlap   = 6.  // m of weld or edge a flap disc dresses (practice)
	perCutoff = 25. // cuts by hand a thin disc makes, of mm² of section 200 (practice)
	coats     = .22 // l/m² of paint for two coats (practice)
)

// laying is what a way of welding takes (practice of small shops).
type laying struct {
	op        Op
	key, text string
	times     float64 // of the triangle of the leg: crown, spatter, ends; of rods stubs and slag besides
	travel    float64 // m/min, with the arc burning; 0 where it takes no gas
	shield    float64 // l/min
	says      string
	burns     string
}

var layings = []laying{
	{Welding, "wire", "welding wire", 1.4, .3, 12, "half its leg squared by its length, 1.4 times for crown, spatter and ends",
		"3.3 min of arc for each metre, 12 l a minute"},
	{TIG, "filler", "TIG rods", 1.2, .08, 8, "half its leg squared by its length, 1.2 times for crown and ends",
		"12.5 min of arc for each metre, 8 l a minute"},
	{Sticking, "rods", "welding rods", 2.2, 0, 0, "half its leg squared by its length, 2.2 times for crown, spatter, stubs and " +
		"coating", ""},
}

// metals are what welds are of: in words, and how heavy, kg/m³.
var metals = []struct {
	family, text string
	density      float64
}{{"", "", 7850}, {"stainless", "stainless ", 7900}, {"aluminum", "aluminium ", 2700}}

func familyOf(metal string) string {
	if metal == "steel" || metal == "galvanized" {
		return ""
	}
	return metal
}

// Consumed answers what is used up by welds, m of edge and weld that are dressed, mm² of section
// that are cut by hand disc, and m² of paint. What there is none of is left out.
func Consumed(welds []Weld, dressed, handCut, painted float64) []UsedUp {
	out := consumedByWelds(welds)
	add := func(key, text, unit string, amount float64, says string) {
		if amount > 1e-9 {
			out = append(out, UsedUp{Key: key, Text: text, Unit: unit, Amount: amount, Says: says})
		}
	}
	add("flap", "flap discs", "", math.Ceil(dressed/perFlap-1e-9), "one for about 6 m of weld or edge")
	add("cutoff", "cutting discs", "", math.Ceil(handCut/(perCutoff*200)-1e-9), "one for about 25 cuts through a small tube by hand")
	add("paint", "paint", "l", painted*coats, "two coats")
	return out
}

// consumedByWelds answers metal by the way it is laid and what it is of, then gases.
func consumedByWelds(welds []Weld) []UsedUp {
	out := []UsedUp{}
	gas, arc := map[string]float64{}, map[Op]float64{}
	burns := map[string]string{}
	for _, l := range layings {
		for _, m := range metals {
			kg, plugs := 0., false
			for _, w := range welds {
				by := w.By
				if by == "" {
					by = Welding
				}
				if familyOf(w.Metal) != m.family || by != l.op && (by != Spotting || l.op != Welding) {
					continue
				}
				area, long := w.Leg*w.Leg/2, w.Long
				if w.Spots > 0 { // a round hole that is filled
					area, long, plugs = math.Pi/4*w.Leg*w.Leg, w.Spots*w.Filled/1000, plugs || w.Filled > 0
				}
				metal := long * area * 1e-6 * m.density * l.times
				kg += metal
				if l.travel == 0 || metal == 0 {
					continue
				}
				key := "gas"
				if l.op == TIG || m.family == "aluminum" {
					key = "argon"
				}
				burn := long / l.travel
				if w.Spots > 0 {
					burn = w.Spots * plugBurns
				}
				gas[key] += burn * l.shield
				arc[l.op] += burn
				if !strings.Contains(burns[key], l.burns) {
					burns[key] = strings.TrimPrefix(burns[key]+"; "+l.burns, "; ")
				}
			}
			if kg <= 1e-9 {
				continue
			}
			u := UsedUp{Key: l.key, Metal: m.family, Text: m.text + l.text, Unit: "kg", Amount: kg, Says: l.says}
			if plugs {
				u.Says += "; plugs filled through"
			}
			out = append(out, u)
		}
	}
	for _, g := range []struct{ key, text string }{{"gas", "shielding gas"}, {"argon", "argon"}} {
		if gas[g.key] > 1e-9 {
			out = append(out, UsedUp{Key: g.key, Text: g.text, Unit: "l", Amount: gas[g.key], Says: burns[g.key]})
		}
	}
	return append(out, worn(arc)...)
}

// wears is what the arc of a torch wears, and how many hours of it one lasts (practice): what lasts long is counted once
// half of one is gone.
var wears = []struct {
	op        Op
	key, text string
	hours     float64
	from      float64
}{{Welding, "tip", "contact tip", 4, 0}, {Welding, "nozzle", "gas nozzle", 20, .5}, {TIG, "tungsten", "tungsten electrode", 3, 0},
	{TIG, "cup", "gas cup", 15, .5}}

// worn answers what so many minutes of arc wear.
func worn(arc map[Op]float64) (out []UsedUp) {
	for _, w := range wears {
		if n := arc[w.op] / 60 / w.hours; n > 1e-9 && n >= w.from {
			out = append(out, UsedUp{Key: w.key, Text: w.text, Amount: math.Ceil(n - 1e-9), Says: fmt.Sprintf("one for about %.0f "+
				"h of arc", w.hours)})
		}
	}
	return out
}

// Dressed answers how much there is to dress of a weld, m: where it is left as it is laid spatter is taken off, ground
// flush takes twice as long as dressed (practice). Where nothing is said it is dressed.
func (w Weld) Dressed() float64 {
	switch w.Left {
	case "as is":
		return w.Long * .25
	case "flush":
		return w.Long * 2
	}
	return w.Long
}

// plugBurns is how long the arc burns to fill a plug, min (practice).
const plugBurns = .15

// Work answers what a weld takes, for Add.
func (w Weld) Work(pieces float64, of string) Work {
	op := w.By
	if op == "" {
		op = Welding
	}
	many := w.Long
	if w.Spots > 0 {
		op, many = Spotting, w.Spots
	}
	return Work{Op: op, Many: many, Pieces: pieces, Of: of}
}

// By answers the kind of work a way of welding is, by its name in the shop's list of welders: MIG where it names none.
func By(process string) Op {
	if op, is := map[string]Op{"tig": TIG, "stick": Sticking, "spot": Spotting}[process]; is {
		return op
	}
	return Welding
}
