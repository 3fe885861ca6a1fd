package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// PlateAt is a plate as it lies.
type PlateAt struct {
	member.Plate
	At    solid.Vector `json:"at" doc:"mm, its middle"`
	Mass  float64      `json:"mass" doc:"kg, holes taken out"`
	Mesh  Mesh         `json:"mesh"`
	Owner string       `json:"owner" doc:"name of its member"`
	Holds [][2]float64 `json:"holdsAt" doc:"mm, holes from the plate's middle, across and up"`
	why   string
}

// setBack takes bases and caps off the length of their members: the plate's
// outside lies where the end would.
func (b *Built) setBack(d member.Doc) {
	for _, p := range b.Laid.plates {
		for _, r := range b.Runs {
			if r.ID != p.Member || p.Kind == "tab" {
				continue
			}
			if p.End == "b" {
				r.B.Back += p.Thickness
			} else {
				r.A.Back += p.Thickness
			}
		}
	}
}

// plates lays the plates on their members' ends.
func (b *Built) plates(d member.Doc) {
	for _, p := range b.Laid.plates {
		at := PlateAt{Plate: p, Holds: [][2]float64{}}
		var piece *Piece
		var r *Run
		for i := range b.Pieces {
			if b.Pieces[i].ID == p.Member {
				piece, r = &b.Pieces[i], b.Runs[i]
			}
		}
		switch {
		case piece == nil:
			at.why = "Choose the member it sits on."
		case r.Formed[map[string]int{"b": 1}[p.End]] != nil && p.Kind != "tab":
			at.why = "Its member goes on round the corner there in one piece: take its other end, or make the corner cut."
		case piece.Why != "":
			at.why = "Its member cannot be shown: " + piece.Why
		case p.Thickness <= 0 || p.Kind != "cap" && (p.Width <= 0 || p.Height <= 0):
			at.why = "Give its sizes."
		}
		if at.why != "" {
			b.say("plate", working.Stop, p.ID, fmt.Sprintf("%s: %s", PlateName(p), at.why))
			continue
		}
		at.Owner = piece.Name
		e := 0
		if p.End == "b" {
			e = 1
		}
		s := r.cuts[e]
		middle := piece.From
		if e == 1 {
			middle = piece.To
		}
		out := r.Axes.X.Mul(float64(2*e - 1))
		y, z := r.Axes.Y, r.Axes.Z
		switch p.Kind {
		case "cap", "base":
			w, h := p.Width, p.Height
			if p.Kind == "cap" && (w == 0 || h == 0) {
				w, h = r.Box.Right-r.Box.Left, r.Box.Top-r.Box.Bottom
			}
			at.Width, at.Height = w, h
			n := out
			if s.radius == 0 { // in the plane of the cut
				n = s.normal
				y = y.Sub(n.Mul(y.Dot(n))).Unit()
				z = n.Cross(y)
			}
			centre := middle.Add(r.Axes.At((r.Box.Left+r.Box.Right)/2, (r.Box.Top+r.Box.Bottom)/2))
			at.At = centre.Add(n.Mul(p.Thickness / 2))
			at.Mesh = slab(at.At, y, z, n, w, h, p.Thickness)
			at.Holds = corners(p, w, h)
			at.Mass = (w*h - float64(len(at.Holds))*math.Pi*p.Hole*p.Hole/4) * p.Thickness * b.Steel.Density * 1e-9
		case "tab":
			at.At = middle.Add(out.Mul(p.Height / 2))
			at.Mesh = slab(at.At, y, out, z, p.Width, p.Height, p.Thickness)
			for i := range p.Holes {
				at.Holds = append(at.Holds, [2]float64{0, p.Height/2 - p.Margin - float64(i)*3*p.Hole})
			}
			at.Mass = (p.Width*p.Height - float64(p.Holes)*math.Pi*p.Hole*p.Hole/4) * p.Thickness * b.Steel.Density * 1e-9
		}
		if p.Holes > 0 && (p.Hole <= 0 || p.Margin < p.Hole/2) {
			b.say("plate-hole", working.Stop, p.ID, PlateName(p)+": give the holes' diameter and how far their centres lie from the edge.")
		}
		if p.Holes > 0 {
			b.wrench(p, at, r, s.radius == 0 && math.Abs(s.normal.Dot(r.Axes.X)) > .9999)
		}
		b.Plates = append(b.Plates, at)
	}
}

func PlateName(p member.Plate) string {
	if p.Name == "" {
		return "a plate without a name"
	}
	return p.Name
}

// corners sets holes out: one in the middle, two along the longer way, four in
// the corners, more along both long edges.
func corners(p member.Plate, w, h float64) (out [][2]float64) {
	x, y := w/2-p.Margin, h/2-p.Margin
	switch {
	case p.Holes <= 0:
		return [][2]float64{}
	case p.Holes == 1:
		return [][2]float64{{0, 0}}
	case p.Holes <= 3:
		for i := range p.Holes {
			t := 2*float64(i)/float64(p.Holes-1) - 1
			if w >= h {
				out = append(out, [2]float64{x * t, 0})
			} else {
				out = append(out, [2]float64{0, y * t})
			}
		}
		return out
	}
	rows := (p.Holes + 1) / 2
	for i := range p.Holes {
		t := 2*float64(i/2)/float64(rows-1) - 1
		side := float64(2*(i%2) - 1)
		if w >= h {
			out = append(out, [2]float64{x * t, y * side})
		} else {
			out = append(out, [2]float64{x * side, y * t})
		}
	}
	return out
}

// slab is a plate w along y, h along z and t along n about its middle.
func slab(at, y, z, n solid.Vector, w, h, t float64) (m Mesh) {
	for i := range 8 {
		side := func(bit int) float64 { return float64(i>>bit&1) - .5 }
		m.Corners = append(m.Corners, at.Add(y.Mul(w*side(0))).Add(z.Mul(h*side(1))).Add(n.Mul(t*side(2))))
	}
	for _, q := range [6][4]int{{0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}} {
		m.Triangles = append(m.Triangles, [3]int{q[0], q[1], q[2]}, [3]int{q[0], q[2], q[3]})
		loop := []solid.Vector{}
		for _, i := range append(q[:], q[0]) {
			loop = append(loop, m.Corners[i])
		}
		m.Edges = append(m.Edges, loop)
	}
	if m.Volume() < 0 {
		for i := range m.Triangles {
			m.Triangles[i][1], m.Triangles[i][2] = m.Triangles[i][2], m.Triangles[i][1]
		}
	}
	return m
}
