package joint

import "testing"

// A ply nobody measured counts 0.7225 of its strength, one of unknown steel as 290 MPa;
// both are said, and the grip stays what it is.
func TestUnknownPly(t *testing.T) {
	in := sound()
	was := check(t, work(t, in), "bearing-1").Capacity
	in = in.with(func(p *Ply) { p.Guessed = true })
	r := work(t, in)
	about(t, "crushed", check(t, r, "bearing-1").Capacity, .85*.85*was, 1e-9)
	if !codes(r)["thickness-guessed-1"] {
		t.Error("it is not said that nobody measured it")
	}
	in = in.with(func(p *Ply) { p.Guessed, p.Material = false, "steel-unknown" })
	if r = work(t, in); !codes(r)["grade-unknown-1"] || check(t, r, "bearing-1").Capacity >= was {
		t.Errorf("unknown steel takes %g N, known %g", check(t, r, "bearing-1").Capacity, was)
	}
}
