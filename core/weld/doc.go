// Package weld works out welds: groups of seams as lines, fillets and the sheet beside them, stitches, heat, and
// how far work draws and bows.
//
// Lengths mm, forces N, moments N·mm, stresses MPa, angles degrees. A seam is a line: what it takes is counted a
// millimetre of its length.
package weld

// limits of a request: beyond them it is a slip of the pen.
const (
	mostPlace    = 1e5 // mm
	mostForce    = 1e9 // N
	mostSegments = 1000
	mostThick    = 200. // mm
)
