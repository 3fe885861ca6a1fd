package paper

import (
	"math"

	"warmanvil/core/profile"
)

// layout is how a template lies on its tiles: on the whole sheet, mm, x to the right and y
// down, the part as it is or turned a quarter, whichever takes fewer pages.
type layout struct {
	turned        bool
	left, top     float64 // mm round the part on the whole sheet
	columns, rows int
	used          map[[2]int]bool // tiles that part of it lies on, by column and row
	dims          bool            // there is room for running dimensions beside it
	box           profile.Bounds
}

// quiet is the margin round the part on the tiled sheet, and beside the edges dimensions run
// from, mm.
const (
	quiet   = 5.0
	dimRoom = 17.0
)

// layout chooses how the template lies: fewest pages; the running dimensions beside it where
// they cost none.
func (t Template) layout() layout {
	best := t.lie(false, false)
	for _, turned := range []bool{false, true} {
		for _, dims := range []bool{false, true} {
			l := t.lie(turned, dims)
			if fewer := len(l.used) - len(best.used); fewer < 0 || fewer == 0 && dims && !best.dims {
				best = l
			}
		}
	}
	return best
}

// lie lays the template one way.
func (t Template) lie(turned, dims bool) layout {
	l := layout{turned: turned, left: quiet, top: quiet, dims: dims, used: map[[2]int]bool{}, box: t.Flat.Bounds}
	w, h := l.box.Size()
	right, below := quiet, quiet
	if turned { // the front edge comes to lie on the right, the left one below
		w, h = h, w
		if dims {
			right, below = dimRoom, dimRoom
		}
	} else if dims {
		l.left, below = dimRoom, dimRoom
	}
	tw, th := t.tile()
	l.columns, l.rows = tiles(w+l.left+right, tw), tiles(h+l.top+below, th)
	pts := t.Flat.Outline.Flatten(.1)
	for i, q := range pts {
		x, y := l.on(q)
		pts[i] = profile.Point{X: x, Y: y}
	}
	for row := range l.rows {
		for col := range l.columns {
			if reaches(pts, t.cell(l, col, row)) {
				l.used[[2]int{col, row}] = true
			}
		}
	}
	return l
}

// on answers where a place of the flat pattern lies on the whole sheet.
func (l layout) on(q profile.Point) (x, y float64) {
	if l.turned {
		return l.left + l.box.Max.Y - q.Y, l.top + l.box.Max.X - q.X
	}
	return l.left + q.X - l.box.Min.X, l.top + l.box.Max.Y - q.Y
}

// cell is a tile's own part of the whole sheet: neighbours share their overlap half and half.
func (t Template) cell(l layout, col, row int) profile.Bounds {
	tw, th := t.tile()
	b := profile.Bounds{Min: profile.Point{X: float64(col) * (tw - overlap), Y: float64(row) * (th - overlap)}}
	b.Max = b.Min.Add(profile.Point{X: tw, Y: th})
	if col > 0 {
		b.Min.X += overlap / 2
	}
	if row > 0 {
		b.Min.Y += overlap / 2
	}
	if col < l.columns-1 {
		b.Max.X -= overlap / 2
	}
	if row < l.rows-1 {
		b.Max.Y -= overlap / 2
	}
	return b
}

// reaches tells whether an outline has a part in a box.
func reaches(outline []profile.Point, b profile.Bounds) bool {
	for i, p := range outline {
		if crosses(p, outline[(i+1)%len(outline)], b) {
			return true
		}
	}
	return profile.Inside(b.Min.Add(b.Max).Mul(.5), outline)
}

// crosses tells whether a line runs through a box (Liang and Barsky).
func crosses(p, q profile.Point, b profile.Bounds) bool {
	from, to := 0., 1.
	for _, s := range [2][3]float64{{q.X - p.X, b.Min.X - p.X, b.Max.X - p.X}, {q.Y - p.Y, b.Min.Y - p.Y, b.Max.Y - p.Y}} {
		if math.Abs(s[0]) < 1e-12 {
			if s[1] > 0 || s[2] < 0 {
				return false
			}
			continue
		}
		lo, hi := s[1]/s[0], s[2]/s[0]
		from, to = math.Max(from, math.Min(lo, hi)), math.Min(to, math.Max(lo, hi))
	}
	return from <= to
}
