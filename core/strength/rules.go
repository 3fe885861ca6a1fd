package strength

// Rules is the version of the rules verdicts are made by. It grows when a rule changes
// what a thing is said to be, with a line in Changed.
const Rules = 3

// Change is what a version of the rules changed, in words.
type Change struct {
	Rules int
	Text  string
}

// Changed lists what changed, oldest first.
var Changed = []Change{
	{2, "Every way a thing may give way must be answered: what nobody looked at is cannot say, never holds."},
	{2, "Loads arrive through frames, loose feet and duties; a moment that nothing holds is over or cannot say."},
	{2, "New checks: spacing, net section both ways, block shear, slip, plate bending, pins, inserts, isolators, buckling, lateral-torsional buckling, chord walls, end plates."},
	{2, "Crash, fatigue and how far inputs can be trusted stand beside joints and frames as beside brackets."},
	{2, "A column is pressed by the largest compression of all its cases, whatever bends it."},
	{2, "Files wait for the longest pitch of a bracket's and a joint's bolts too, measured again with tape, rule or caliper: by eye or from memory proves nothing."},
	{3, "The weld round a member's end is asked as the seam it is: 60 ksi weld metal where nobody named another, a wall under 4.8 mm by the rules of sheet, aluminium as softened, on the wall of a tube as much of it as is stiff there."},
	{3, "Where seams hold the same two things as bolts, the weld alone carries everything: the bolts get no load and no credit."},
	{3, "What stands on a bracket by its feet and by no joint does not come along the load path: joints under it cannot say, instead of holding its own weight."},
}
