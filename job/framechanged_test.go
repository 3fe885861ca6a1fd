package job

import (
	"fmt"
	"testing"

	"warmanvil/core/member"
)

// A revision says what it changed.
func TestFrameChangedInWords(t *testing.T) {
	n := 0
	sec, err := stockSection("40 × 40 × 3 mm tube")
	if err != nil {
		t.Fatal(err)
	}
	was, err := member.Start("hoop", nil, sec, "steel-s235", func() string { n++; return fmt.Sprint("m", n) })
	if err != nil {
		t.Fatal(err)
	}
	for want, change := range map[string]func(r *Revision, d *member.Doc){
		"named Arch, was Hoop": func(r *Revision, d *member.Doc) { r.Name = "Arch" },
		"quantity 4, was 1":    func(r *Revision, d *member.Doc) { r.Quantity = 4 },
		"material Stainless 304, was Structural steel S235JR": func(r *Revision, d *member.Doc) { d.Material = "stainless-304" },
		"2 members, was 3": func(r *Revision, d *member.Doc) { d.Members = d.Members[:2] },
		"Bar of 50 × 50 × 4 mm tube, was 40 × 40 × 3 mm tube": func(r *Revision, d *member.Doc) { d.Members[1].Stock = "50 × 50 × 4 mm tube" },
		"Bar changed":                func(r *Revision, d *member.Doc) { d.Members[1].Turn = 45 },
		"Left top moved":             func(r *Revision, d *member.Doc) { d.Points[2].Z += 5 },
		"loads changed":              func(r *Revision, d *member.Doc) { d.Loads[0].Kilos = 9 },
		"plates changed":             func(r *Revision, d *member.Doc) { d.Plates[0].Thickness = 6 },
		"the saw's settings changed": func(r *Revision, d *member.Doc) { d.Saw.Kerf = 2 },
		"settings changed":           func(r *Revision, d *member.Doc) { d.Sags = 3 },
	} {
		d := was
		d.Members, d.Points = append([]member.Member{}, was.Members...), append([]member.Point{}, was.Points...)
		d.Loads, d.Plates = append([]member.Load{}, was.Loads...), append([]member.Plate{}, was.Plates...)
		now := Revision{Name: "Hoop", Quantity: 1, Frame: &d}
		change(&now, &d)
		if got := frameChanged(Revision{Name: "Hoop", Quantity: 1, Frame: &was}, now); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}
