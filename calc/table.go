package calc

import (
	"warmanvil/core/bend"
	"warmanvil/core/bolt"
	"warmanvil/core/load"
)

var table = []Calc{
	define("length.parse", "Read a length as a shop writes it", parseLength),
	define("length.format", "Write a length as fraction, decimal inch or mm", formatLength),
	define("number.parse", "Read a plain number or an angle, arithmetic allowed", parseNumber),
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
	define("boltgroup.elastic", "Share of each bolt of a load in the group's plane", bolt.Elastic),
	define("boltgroup.icr", "Strength of a bolt group by the instantaneous centre of rotation", bolt.ICR),
	define("boltgroup.outofplane", "Bolt tension of a load out of the plane, in both schools", bolt.OutOfPlane),
	define("interaction", "Shear with tension in one bolt", bolt.Interaction),
	define("fastener", "Areas, loads and holes of a bolt by size and grade", bolt.Fastener),
	define("torque", "Preload and tightening torque of a bolt", bolt.Torque),
	define("feet", "What each foot of a device puts on its mount", load.Feet),
	define("flat", "Flat pattern of a folded part, with its holes and bend lines", flat),
}
