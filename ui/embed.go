// Package ui carries the built front end inside the binary. In a fresh clone
// only a placeholder page is there, which says how to build the rest.
package ui

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Dist answers the built front end's files.
func Dist() (fs.FS, error) { return fs.Sub(dist, "dist") }
