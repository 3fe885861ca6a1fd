// Package words names what can be chosen in a job's documents and in quick numbers:
// each choice with its word, what else is asked with it, and how it starts. Forms show
// these and have no list of their own.
package words

import (
	"slices"

	"warmanvil/core/member"
)

// Word is one thing that can be chosen.
type Word struct {
	Value string  `json:"value" doc:"what is stored; empty where nothing is said"`
	Text  string  `json:"text"`
	Hint  string  `json:"hint,omitempty" doc:"what it means, for who does not know the word"`
	Usual float64 `json:"usual,omitempty" doc:"mm, the distance that stands where none is said"`
	// Shows are fields beside it that are chosen with this choice and not with every other.
	Shows []string `json:"shows,omitempty" doc:"fields beside it that are chosen with it only"`
	Asks  []Ask    `json:"asks,omitempty" doc:"numbers that are typed with it"`
	Fresh *Fresh   `json:"fresh,omitempty" doc:"what is stored for a new one"`
}

// Ask is a number that is typed with a choice.
type Ask struct {
	Path  string `json:"path" doc:"JSON pointer below what the choice belongs to"`
	Label string `json:"label"`
	Kind  string `json:"kind" enum:"length,angle,mass,force,area,speed,number"`
	Note  string `json:"note,omitempty" doc:"what is taken when it is left empty"`
}

// Fresh is what a new one of a kind starts as, in a metric and in an inch shop.
type Fresh struct {
	Metric any `json:"metric"`
	Inch   any `json:"inch"`
}

// Field is a field of a form of the API with its choices, in the order they are offered.
type Field struct {
	Form  string
	Name  string
	Words []Word
}

// Fields answers every field that is chosen from words.
func Fields() []Field {
	return slices.Concat(wanted(), vehicle(), plates(), frames(), joints(), welded(), mounts(), quick(), shopFields())
}

// Of answers the choices by form and field: "Flange.kind".
func Of() map[string][]Word {
	out := map[string][]Word{}
	for _, f := range Fields() {
		out[f.Form+"."+f.Name] = f.Words
	}
	return out
}

// plain are choices with nothing more to say: value, text, value, text …
func plain(pairs ...string) []Word {
	var out []Word
	for p := range slices.Chunk(pairs, 2) {
		out = append(out, Word{Value: p[0], Text: p[1]})
	}
	return out
}

// hinted are choices with what they mean: value, text, hint …
func hinted(triples ...string) []Word {
	var out []Word
	for p := range slices.Chunk(triples, 3) {
		out = append(out, Word{Value: p[0], Text: p[1], Hint: p[2]})
	}
	return out
}

// of names fields of one form with the same choices.
func of(form string, words []Word, names ...string) []Field {
	var out []Field
	for _, n := range names {
		out = append(out, Field{form, n, words})
	}
	return out
}

func length(path, label string) Ask { return Ask{Path: path, Label: label, Kind: "length"} }
func angle(path, label string) Ask  { return Ask{Path: path, Label: label, Kind: "angle"} }

// place asks for the three coordinates of a point of the vehicle.
func place(path, what string) []Ask {
	return []Ask{length(path+"/0", what+", forward"), length(path+"/1", what+", left"), length(path+"/2", what+", up")}
}

// Words that several documents share.
var (
	units  = plain("mm", "mm", "fraction", "inch, fractions", "decimal", "inch, decimal")
	trusts = plain("measured", "measured here", "copied", "copied", "memory", "from memory", "assumed", "assumed")
	faces  = plain("front", "forward", "rear", "rearward", "left", "to the left", "right", "to the right", "up", "up", "down", "down")
	tapes  = plain("centre", "centre to centre", "inside", "near edge to near edge", "outside", "far edge to far edge", "sameEdge",
		"same edge to same edge")
	system = plain("metric", "metric", "inch", "inch")
	axes   = plain("x", "forward", "y", "sideways", "z", "up")
	hinges = plain("inner", "the wall that stays", "outer", "its outside")
)

func quick() []Field {
	return slices.Concat(
		of("SchoolsRequest", bent, "method"),
		of("GaugeRequest", plain("steel", "steel, uncoated", "galvanized", "galvanised", "stainless", "stainless", "aluminum", "aluminium"),
			"family"),
		of("HoleCentresInput", tapes, "method"),
		of("GrooveInput", plain("square", "square", "vee", "a vee", "bevel", "bevelled on one", "double vee", "a vee from both sides",
			"fillet", "a fillet, not prepared"), "edges"),
		of("HoleAssembleSide", plain("table", "cut on a table", "tape", "drilled by tape and punch", "matched", "drilled through the other",
			"surveyed", "measured on the vehicle", "typed", "as is typed"), "placed"),
		of("HoleAccessInput", heads, "head"),
		of("GripInput", plain("hex", "a hexagon nut", "lock", "a nut with a plastic ring", "tapped", "a thread in the last ply",
			"other", "another nut"), "nut"),
		of("RivetInput", rivets, "material"),
		of("TubeNotchInput", plain("inner", "inner face of the wall that stays", "outer", "outer face of the wall that stays"), "hinge"),
		of("RoleRequest", hinted("reader", "reader", "looks", "maker", "maker", "changes jobs", "owner", "owner", "says who else may"), "role"),
	)
}

// sections are the kinds of section with the sizes each is typed by.
var sections = []Word{
	{Value: "rectTube", Text: "rectangular tube", Hint: "Square and rectangular tube",
		Asks: []Ask{length("/width", "Wide"), length("/height", "High"),
			length("/wall", "Wall"), length("/outerRadius", "Corner radius outside")}},
	{Value: "roundTube", Text: "round tube", Hint: "Round tube and pipe",
		Asks: []Ask{length("/diameter", "Diameter"), length("/wall", "Wall")}},
	{Value: "angle", Text: "angle", Hint: "Angle", Asks: []Ask{length("/legVertical", "Upright leg"), length("/legHorizontal", "Level leg"),
		length("/thickness", "Thickness")}},
	{Value: "channel", Text: "channel", Hint: "Channel", Asks: []Ask{length("/depth", "High"), length("/flangeWidth", "Flanges wide"),
		length("/web", "Web thick"), length("/flange", "Flanges thick")}},
	{Value: "flatBar", Text: "flat", Hint: "Flat", Asks: []Ask{length("/width", "Wide"), length("/height", "Thick")}},
	{Value: "roundBar", Text: "round bar", Hint: "Round bar", Asks: []Ask{length("/diameter", "Diameter")}},
}

func frames() []Field {
	return slices.Concat(
		of("SectionSizes", sections, "kind"),
		of("MemberEnd", []Word{
			{Value: string(member.Square), Text: "square"},
			{Value: string(member.Mitre), Text: "mitre with", Shows: []string{"onto", "gap"}},
			{Value: string(member.Butt), Text: "butt on the face of", Shows: []string{"onto", "gap"}},
			{Value: string(member.Flush), Text: "run flush over", Shows: []string{"onto", "gap"}},
			{Value: string(member.Saddle), Text: "coped round", Shows: []string{"onto", "gap"}},
		}, "kind"),
		of("MemberPlate", plain("base", "a bolted plate", "cap", "a cap", "tab", "an ear"), "kind"),
		of("MemberPlate", plain("a", "first end", "b", "second end"), "end"),
		of("MemberSupport", []Word{
			{Value: "fixed", Text: "welded or bolted fast"},
			{Value: "pinned", Text: "held, free to turn"},
			{Value: "sliding", Text: "slides one way", Shows: []string{"slide"}},
			{Value: "rubber", Text: "on rubber", Shows: []string{"soft"}},
		}, "kind"),
		of("MemberSupport", axes, "slide"),
		of("MemberLoad", plain("mass", "a weight", "device", "a device", "person", "somebody", "uniform", "spread along", "force", "a force"),
			"kind"),
		of("MemberMember", plain("middle", "along its middle", "left", "along its left side", "right", "along its right side"), "across"),
		of("MemberMember", plain("middle", "along its middle", "top", "along its top", "bottom", "along its bottom"), "up"),
		of("MemberSplice", plain("sleeve", "a sleeve inside", "plates", "plates outside"), "kind"),
		of("MemberCopy", []Word{{Value: "mirror", Text: "mirrored", Shows: []string{"axis"}},
			{Value: "repeat", Text: "repeated in bays", Shows: []string{"step"}}}, "kind"),
		of("MemberCopy", plain("y", "left and right", "x", "front and rear", "z", "up and down"), "axis"),
		of("MemberCorner", []Word{{Value: "fold", Text: "notched, folded", Shows: []string{"hinge"}},
			{Value: "bend", Text: "bent", Shows: []string{"radius"}}}, "kind"),
		of("MemberCorner", hinges, "hinge"),
	)
}
