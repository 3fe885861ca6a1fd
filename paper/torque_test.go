package paper

import (
	"bytes"
	"fmt"
	"testing"
	"time"
)

// Every joint and every one of its bolts is on the sheet, on as many pages as it
// takes; the same sheet gives the same bytes.
func TestTorqueSheet(t *testing.T) {
	s := TorqueSheet{Job: "Orchard truck", Revision: 3, Date: time.Date(2026, 5, 4, 0, 0, 0, 0, time.UTC), Paper: A4, Inches: true,
		Write: func(mm float64) string { return fmt.Sprintf("%.1f mm", mm) }}
	for range 6 {
		j := TorqueJoint{Name: "Foot on the floor", Hardware: []string{"8 × M12×1.75 × 40 mm, 8.8"}, Torque: 70e3, Lubed: "oiled",
			Locking: "plastic ring", Keep: []string{"Draw a witness line."}, Mind: []string{"Look behind before drilling."}}
		for i := range 8 {
			j.Sequence, j.Bolts = append(j.Sequence, i), append(j.Bolts, [2]float64{float64(i), 10})
		}
		s.Joints = append(s.Joints, j)
	}
	a, err := s.PDF()
	if err != nil {
		t.Fatal(err)
	}
	b, err := s.PDF()
	if err != nil || !bytes.Equal(a, b) {
		t.Error("the same sheet gives other bytes", err)
	}
	if pages := bytes.Count(a, []byte("/Type /Page\n")); pages < 2 {
		t.Errorf("six joints of eight bolts take %d pages", pages)
	}
	one := s
	one.Joints = s.Joints[:1]
	c, err := one.PDF()
	if err != nil || bytes.Count(c, []byte("/Type /Page\n")) != 1 {
		t.Errorf("one joint: %v, %d pages", err, bytes.Count(c, []byte("/Type /Page\n")))
	}
	// At six places it has six times the rows.
	one.Joints[0].Places = []string{"foot 1", "foot 2", "foot 3", "foot 4", "foot 5", "foot 6"}
	d, err := one.PDF()
	if err != nil || bytes.Count(d, []byte("/Type /Page\n")) < 2 {
		t.Errorf("at six places: %v, %d pages", err, bytes.Count(d, []byte("/Type /Page\n")))
	}
}
