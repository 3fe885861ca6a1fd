// Package bending finds the order in which a part can really be bent on a brake, by bending
// it: the body is carried bend by bend through the tools, opened and closed by springback.
//
// Data flow: a part laid out becomes rigid pieces (its panels and the bends made so far) and
// strokes (bends made at once). A stroke moves the two sides of the body as the tool does;
// what each piece does to each tool is swept once and kept by the bends between the two.
// The search walks the states of the body (which strokes are made) over strokes whose
// sweep is clear, and answers steps, or what stands in the way.
//
// Frames: the machine's x runs along the bend, y to the back stop, z up; z = 0 is the top of
// the die, or of the bed the sheet is clamped on. Lengths mm, angles degrees where exported,
// radians inside.
package bending
