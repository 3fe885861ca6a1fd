package calc

import (
	"warmanvil/core/bend"
	"warmanvil/core/bolt"
	"warmanvil/core/develop"
	"warmanvil/core/fit"
	"warmanvil/core/frame"
	"warmanvil/core/hole"
	"warmanvil/core/load"
	"warmanvil/core/nest"
	"warmanvil/core/section"
	"warmanvil/core/shell/facet"
	"warmanvil/core/survey"
	"warmanvil/core/tube"
	"warmanvil/core/weld"
)

var table = []Calc{
	define("length.parse", "Read a length as a shop writes it", parseLength),
	define("length.format", "Write a length as fraction, decimal inch or mm", formatLength),
	define("length.usual", "The sizes an inch shop says for usual metric ones", usualLengths),
	define("number.parse", "Read a plain number or an angle, arithmetic allowed", parseNumber),
	define("amount.parse", "Read a force, mass, moment, area or speed in any of its units", parseAmount),
	define("amount.format", "Write a force, mass, moment, area or speed as a job does", formatAmount),
	define("drill", "The drill for a hole, by its name", drill),
	define("gauge", "Thickness of a sheet gauge by family", gauge),
	define("bend", "Bend allowance, setbacks and deduction from K", bend.Work),
	define("bend.din6935", "Length correction by DIN 6935", bend.DIN6935),
	define("bend.coupon", "K from a bent test strip", bend.FromCoupon),
	define("bend.schools", "One bend under every school of K, side by side", schools),
	define("bend.springback", "Angle to bend to, springback allowed for", bend.Springback),
	define("bend.force", "Press force of an air bend", bend.Force),
	define("section", "Flat length of a sheet profile", bend.Section),
	define("jog", "Jog of two equal, opposite bends", bend.Jog),
	define("hem", "Flat length of a folded hem", bend.Hem),
	define("tray", "Blank of a four-sided tray", bend.Tray),
	define("develop.cone", "A cone or cylinder, leaning or cut, unrolled", develop.Cone),
	define("develop.transition", "A skin between two outlines unrolled, with its press lines", develop.Transition),
	define("develop.elbow", "A segmented elbow unrolled", develop.Elbow),
	define("develop.bumps", "A round bent in small bends on a brake", develop.Bumps),
	define("develop.arch", "A band that keeps off a wheel in all it does", develop.Arch),
	define("develop.facets", "A body of flat panels between points: blanks, edges, angles", facet.Work),
	define("boltgroup.elastic", "Share of each bolt of a load in the group's plane", bolt.Elastic),
	define("boltgroup.icr", "Strength of a bolt group by the instantaneous centre of rotation", bolt.ICR),
	define("boltgroup.outofplane", "Bolt tension of a load out of the plane, in both schools", bolt.OutOfPlane),
	define("weldgroup", "What a load asks of a group of seams, as lines", weld.WorkGroup),
	define("fillet", "Leg of a fillet, and between what it may lie", weld.Fillet),
	define("weld.sheet", "Strength of a fillet on sheet", weld.FilletOnSheet),
	define("weld.stitch", "The shortest stitches that take a load", weld.Stitch),
	define("weld.seams", "Whether seams between two things hold: weld metal, metal beside it, sheet, root", weld.Hold),
	define("heat", "Heat of a run of weld", weld.Heat),
	define("weld.gap", "What closes a gap under a fillet", weld.Gap),
	define("weld.groove", "Passes, weld metal and throat of prepared edges", weld.Groove),
	define("weld.bow", "How far a seam bows what it is laid on", weld.Bow),
	define("weld.rise", "How far fillets turn a flange up", weld.Rise),
	define("weld.shrink", "How far a butt draws its plates together", weld.Shrink),
	define("interaction", "Shear with tension in one bolt", bolt.Interaction),
	define("fastener", "Areas, loads and holes of a bolt by size and grade", bolt.Fastener),
	define("torque", "Preload and tightening torque of a bolt", bolt.Torque),
	define("threadengagement", "How deep a bolt is screwed in before it breaks rather than strips", bolt.Engagement),
	define("stud", "Length of a stud for a stack", bolt.Stud),
	define("grip", "Bolt length for a stack, threads past the nut, thread in the shear planes", bolt.Grip),
	define("rivet", "Grip, length and strength of a blind rivet", bolt.Rivet),
	define("assemble", "Whether two hole patterns meet, and which hole becomes a slot", hole.Assemble),
	define("access", "Whether a bolt goes in and a tool reaches it, and ways out", hole.Access),
	define("loadpath", "What goes through every joint from device to vehicle", load.Path),
	define("isolator", "How far a thing on isolators sinks, how it shakes and where it is stopped", fit.Isolator),
	define("feet", "What each foot of a device puts on its mount", load.Feet),
	define("centres", "Centre distance of two holes from a reading between their edges", hole.Centres),
	define("locate", "A third point from two distances, on either side", hole.Locate),
	define("locate.space", "A point in space from three distances or more", survey.InSpace),
	define("holemap", "Hole map from any distances, the bad reading named", hole.CalcMap),
	define("holemap.meant", "Whether holes of a map are a rectangle, a row or a circle, tested", hole.CalcMeant),
	define("level", "Pitch, roll, twist and packing from four corner heights", survey.Levels),
	define("slope", "Angle to the vehicle from a gauge, its own slope taken off", survey.OwnSlope),
	define("square", "How far a frame is out of square, by its diagonals", survey.Square),
	define("centred", "How something stands on its centre line, by half widths at both ends", survey.Centred),
	define("flush", "How far two faces are from flush, and what brings them there", survey.Flush),
	define("evengap", "Spacer for an even gap while fitting up, and the sheets that make it", fit.EvenGap),
	define("captive", "Whether a panel in two channels goes in, stays in and can grow", fit.Captive),
	define("noplay", "What a draw-up screw or a taper makes of the play in a socket", fit.NoPlay),
	define("inserts", "Whether one opening serves several inserts", fit.Inserts),
	define("index", "Positions, play and strength of a row of index holes", bolt.Index),
	define("stackup", "Standoff from a gap and what else fills it, worst case and root of squares", fit.Stack),
	define("shims", "Spacer and shims of each place", fit.AskSpacers),
	define("fit", "Whether a section slides into another, with coats, seam and corners", fit.Slide),
	define("clearance", "Least distance of a body from no-go spaces in their states", survey.AskClearance),
	define("section.properties", "Area, inertia, moduli, torsion and mass of a tube, bar, angle or channel", section.Work),
	define("member.mitre", "Mitre of two members, also of unequal depth", tube.Mitre),
	define("member.saddle", "Cope of a round tube on a round tube, station by station", tube.Saddle),
	define("member.vnotch", "Notch of a square tube that closes when folded", tube.VNotch),
	define("member.bend", "Developed length, marks and aims of a bent bar or tube", tube.Bend),
	long("sticks", "Pieces into sticks, and whether fewer are possible", nest.Sticks),
	long("frame", "Space frame by direct stiffness", frame.Solve),
	define("supports", "Where to hold a straight piece under an even load so that it bends least", load.Supports),
	define("trailer", "Axle and nose load of a trailer", load.Trailer),
	define("trailer.tow", "How far a trailer turns before it touches, and what packs it level", load.Tow),
	define("column", "Buckling of a column, Johnson and Euler", frame.Column),
	long("import", "Closed loops, holes and areas of a drawing (DXF, SVG), in file units", importFile),
	define("stock.choose", "What in stock serves a blank, a stick or a bolt, remnants first", choose),
	long("bend.order", "The order of a part's bends that a brake can make, or what stands in the way", bendOrder),
	long("flat", "Flat pattern of a folded part, with its holes and bend lines", flat),
}
