package strength

import "slices"

// Form is a kind of thing that can be asked whether it holds.
type Form string

// The forms.
const (
	Bracket   Form = "bracket"
	BentPlate Form = "bend or row of a bracket"

	BoltedForm  Form = "bolts"
	TappedForm  Form = "bolts in threads"
	InsertForm  Form = "bolts in rivet nuts"
	TrackForm   Form = "bolts in slot nuts"
	PinForm     Form = "pins"
	ScrewForm   Form = "self-drilling screws"
	RivetForm   Form = "blind rivets"
	BoltedPly   Form = "ply under bolts"
	OuterPly    Form = "outer ply under bolts"
	PinnedPly   Form = "ear of a pin"
	ScrewedPly  Form = "sheet under screws"
	RivetedPly  Form = "sheet under rivets"
	IsolatorPly Form = "isolator"
	SoftPly     Form = "ply that is no metal"

	MemberForm Form = "member"
	MemberEnd  Form = "member's end"
	BasePlate  Form = "end plate"
	EarPlate   Form = "ear"
	FrameForm  Form = "frame"

	WeldedBracket Form = "welded bracket"

	WeldForm Form = "seams"
)

// Declaration is one mode a form must answer. Asks says what would answer it.
type Declaration struct{ Key, Name, Asks string }

var fasteners = []Declaration{
	{"shear", "Fastener in shear", "Say what it is and how many shear planes it has."},
	{"tension", "Fastener in tension", "Say what it is and where it stands."},
	{"combined", "Shear and tension together", "It follows from both."},
	{"moment", "Moment that nothing holds", "Say where the fasteners stand."},
}

var bolts = append(slices.Clone(fasteners), Declaration{"slip", "Slip", "Say how it is tightened."})

var ply = []Declaration{
	{"bearing", "Hole crushed", "Choose its material and thickness."},
	{"tear", "Hole torn out to the edge or the next hole", "Give the distance of the holes to its edge."},
	{"spacing", "Holes too near to each other", "Say where the holes are."},
	{"net", "Torn across the holes", "Give its width at the holes, both ways."},
	{"block", "Group torn out", "Give the distance of the holes to its edge."},
}

var outer = append(slices.Clone(ply),
	Declaration{"through", "Head or washer pulled through", "Choose its material and thickness."},
	Declaration{"bend", "Bent beside its fasteners",
		"Say how far the bend, web or wall is that holds it, or that it is backed over its whole face."})

// declared is the table of forms and the modes each must answer. docs/methods.md
// has it for people; a test holds the two together.
var declared = []struct {
	form  Form
	modes []Declaration
}{
	{Bracket, []Declaration{
		{"shear", "Bolt in shear", "Say which holes bolt it on, and with what."},
		{"tension", "Bolt in tension", "Say which holes bolt it on, and with what."},
		{"combined", "Bolt in shear and tension", "It follows from both."},
		{"moment", "Moment that nothing holds", "Add a second row, or a bolt out of the line."},
		{"slip", "Slip along a slot", "Say how it is tightened, or take round holes."},
		{"bearing", "Hole crushed", "Choose the material."},
		{"tear-out", "Hole torn out to the edge", "Look at the plate's edge."},
		{"spacing", "Holes too near to each other", "Look at the pattern."},
		{"net-section", "Plate torn across the row of bolts", "Look at the pattern."},
		{"net-along", "Plate torn along the row of bolts", "Look at the pattern."},
		{"block", "Group of bolts torn out", "Look at the pattern."},
		{"pull-through", "Head pulled through", "Say which washers are used."},
		{"pry", "Plate bent beside its bolts", "Say whether it is backed."},
		{"flat", "Plate bent between load and bolts", "Say whether it is backed."},
		{"load-holes", "Holes that carry the load", "Say which holes carry it, and with what size of bolt."},
		{"strip", "Weakened by a cut-out on the way of the load", "Look at the holes between load and bolts."},
		{"corner", "Inside corner beside a bend", "Look at the relief of the bend."},
	}},
	{WeldedBracket, []Declaration{
		{"seams", "Seams that hold it", "Lay its seams among the welded joints, with its loads from this bracket or the load path."},
		{"among", "Plate bent among its seams", "Move the load past its seams."},
		{"load-holes", "Holes that carry the load", "Say which holes carry it, and with what size of bolt."},
		{"strip", "Weakened by a cut-out on the way of the load", "Look at the holes between load and seams."},
		{"corner", "Inside corner beside a bend", "Look at the relief of the bend."},
	}},
	{BentPlate, []Declaration{{"plate:", "Plate bent", "Say what backs it."}}},
	{BoltedForm, bolts},
	{TappedForm, append(slices.Clone(bolts), Declaration{"strip", "Thread stripped", "Choose the material of what is threaded."})},
	{InsertForm, append(slices.Clone(bolts),
		Declaration{"insert", "Insert pulled out", "Take its strength from the maker's sheet."},
		Declaration{"push", "Insert pushed or turned through its sheet", "Choose material and thickness of the last ply."})},
	{TrackForm, append(slices.Clone(bolts),
		Declaration{"insert", "Slot nut pulled out of its track", "Take its strength from the maker's sheet."},
		Declaration{"slot-slip", "Slot nut slipped along its track", "Take its strength from the maker's sheet."})},
	{PinForm, []Declaration{
		{"shear", "Pin in shear", "Say how many shear planes it has."},
		{"pin-bent", "Pin bent", "Give the thickness of its ears."},
		{"pin-pull", "Pull along the pin", "Take a bolt, or turn the ears."},
		{"moment", "Moment that nothing holds", "Add a second pin."}}},
	{ScrewForm, append(slices.Clone(fasteners),
		Declaration{"tilt", "Screw tilted or hole torn", "Choose the material of the last two plies."},
		Declaration{"pull-out", "Screw pulled out", "Choose the material of the last ply."})},
	{RivetForm, fasteners},
	{BoltedPly, ply},
	{OuterPly, outer},
	{PinnedPly, []Declaration{
		{"bearing", "Hole crushed", "Choose its material and thickness."},
		{"tear", "Hole torn out to the edge", "Give the distance of the hole to its edge."},
		{"ear", "Ear", "Give the distance of the hole to its edge."},
		{"dish", "Ear dished", "Give the distance of the hole to its edge."},
		{"spacing", "Holes too near to each other", "Say where the holes are."}}},
	{ScrewedPly, slices.DeleteFunc(slices.Clone(outer), func(d Declaration) bool { return d.Key == "bearing" || d.Key == "bend" })},
	{RivetedPly, slices.DeleteFunc(slices.Clone(outer), func(d Declaration) bool { return d.Key == "bend" })},
	{IsolatorPly, []Declaration{
		{"rubber-bend", "Bolt bent over the rubber", "Say how high the rubber is and what it carries."},
		{"rubber-shear", "Isolator in shear", "Take what one takes sideways from the maker's sheet."},
		{"rubber-pull", "Isolator pulled", "Take what one takes in pull from the maker's sheet."}}},
	{SoftPly, []Declaration{{"ply", "Strength of the ply", "Choose its material."}}},
	{MemberForm, []Declaration{
		{"stress", "stress", "Say what it is of."},
		{"column", "buckling", "Give its section and where it is held."},
		{"order", "grown by what it moves", "It follows from the buckling of the whole frame."},
		{"lateral", "tipping sideways while bent", "Give its section and where it is held."},
		{"local", "thin walls buckling", "Give its section."},
		{"torsion", "twisting", "Give its section."},
		{"splice", "splice", "Move it to where the member is bent least."}}},
	{MemberEnd, []Declaration{
		{"weld", "weld at its end", "Say how the end is joined."},
		{"chord", "wall of the member it meets", "Say which member it meets, or put a plate between."}}},
	{BasePlate, []Declaration{
		{"plate", "plate bending", "Give its holes: without them it is not known where it is held."},
		{"plate-under", "bolts under the member", "Move the holes out from under the member."},
		{"plate-wrench", "room for a spanner", "Move the holes away from the member's wall."},
		{"plate-line", "moment across a line of bolts", "Give it a second row of bolts."},
		{"plate-edge", "holes near its edge", "Give the distance of the holes to the edge."}}},
	{EarPlate, []Declaration{
		{"ear", "ear tears out", "Give its hole and the distance to the edge."},
		{"ear-bend", "ear bends at its root", "Give its hole and the distance to the edge."},
		{"ear-edge", "free edge buckles", "Give its thickness."}}},
	{WeldForm, []Declaration{
		{"throat", "Weld metal", "Say how large the seams are and what they are laid of."},
		{"base", "Metal beside it", "Say what is joined."},
		{"sheet", "Thin sheet beside it", "Say how the sheet faces."},
		{"root", "Bent about its own line", "Weld both sides, or add a second seam."},
		{"alloy", "What welding leaves of it", "Say of which grade it is."}}},
	{FrameForm, []Declaration{{"modes", "frequencies", "Lower its mass or the number of its members."}}},
}

// Forms lists the forms in the order of the table.
func Forms() (out []Form) {
	for _, d := range declared {
		out = append(out, d.form)
	}
	return out
}

// Declared answers the modes a form must answer, nil for a form that is not in the
// table.
func Declared(f Form) []Declaration {
	for _, d := range declared {
		if d.form == f {
			return slices.Clone(d.modes)
		}
	}
	return []Declaration{{"form", "What it must answer", "It is of no form in the table."}}
}
