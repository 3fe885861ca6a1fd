package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// roomed is a pump of 400 × 300 × 200 with a plug on one face, and a box of 100 in front of it so far
// off that face.
func roomed(face brief.Face, off float64) (brief.Brief, vehicle.Survey) {
	b := metric.Upgraded()
	b.Devices = []brief.Device{{ID: "d", Name: "Pump", Envelope: &brief.Box{Length: 400, Width: 300, Height: 200},
		Rooms: []brief.DeviceRoom{{ID: "r", Kind: "plug", Name: "power", Face: face, Z: 100, Wide: 60, High: 60, Out: 80}}}}
	at := map[brief.Face][3]float64{brief.FaceFront: {200 + off, -50, 50}, brief.FaceRear: {-300 - off, -50, 50},
		brief.FaceLeft:  {-50, 150 + off, 50},
		brief.FaceRight: {-50, -250 - off, 50}, brief.FaceUp: {-50, -50, 200 + off}, brief.FaceDown: {-50, -50, -100 - off}}[face]
	return b, vehicle.Survey{Schema: vehicle.SurveySchema, Placed: []vehicle.Placed{{ID: "p", Device: "d"},
		{ID: "x", Name: "Locker", Size: &brief.Box{Length: 100, Width: 100, Height: 100}, At: at}}}
}

// What stands in front of a plug is measured from the room its lead needs, on every face: by hand 80 mm
// are the room, the rest is air. Turned with its device the room turns with it.
func TestRoomInFrontOfAPlug(t *testing.T) {
	for _, face := range []brief.Face{brief.FaceFront, brief.FaceRear, brief.FaceLeft, brief.FaceRight, brief.FaceUp, brief.FaceDown} {
		for _, off := range []float64{30, 130} {
			b, v := roomed(face, off)
			w := WorkSurvey(v, b, nil)
			if len(w.Clearances) != 2 {
				t.Fatalf("%s: %+v", face, w.Clearances)
			}
			c := w.Clearances[0] // its plug is nearer than it is
			if off < 80 {
				if c.Verdict != "bad" || !strings.Contains(c.Thing+c.With, "Pump, plug power") {
					t.Errorf("%s, %g mm off: %s, %s to %s", face, off, c.Verdict, c.Thing, c.With)
				}
				continue
			}
			if d := c.Distance - (off - 80); d > .01 || d < -.01 {
				t.Errorf("%s: %.2f mm from the room, by hand %g", face, c.Distance, off-80)
			}
		}
	}
	b, v := roomed(brief.FaceFront, 30)
	v.Placed[0].Yaw = 180 // the plug looks back now
	for _, c := range WorkSurvey(v, b, nil).Clearances {
		if c.Distance < 29.9 {
			t.Errorf("turned away it is still %.2f mm off: %s to %s", c.Distance, c.Thing, c.With)
		}
	}
}

// Rooms of two devices may share the air between them; a room and another's body may not.
func TestRoomsShareTheAir(t *testing.T) {
	b, v := roomed(brief.FaceFront, 0)
	twin := b.Devices[0]
	twin.ID, twin.Name = "e", "Filter"
	twin.Rooms = []brief.DeviceRoom{{ID: "s", Kind: "lever", Face: brief.FaceRear, Z: 100, Wide: 60, High: 60, Out: 80}}
	b.Devices = append(b.Devices, twin)
	v.Placed = []vehicle.Placed{{ID: "p", Device: "d"}, {ID: "q", Device: "e", At: [3]float64{400 + 120}}}
	w := WorkSurvey(v, b, nil)
	for _, c := range w.Clearances {
		if c.Distance < 39.9 || c.Distance > 40.1 {
			t.Errorf("two rooms of 80 in 120 mm: %s to %s %.2f", c.Thing, c.With, c.Distance)
		}
	}
	if len(w.Clearances) != 2 {
		t.Errorf("%d clearances", len(w.Clearances))
	}
}

// Rooms and bores that mean nothing are refused where they stand.
func TestRoomsThatCannotBe(t *testing.T) {
	ok := brief.DeviceRoom{ID: "r", Kind: "plug", Face: brief.FaceRear, Wide: 10, High: 10, Out: 10}
	for at, change := range map[string]func(*brief.DeviceRoom){
		"kind": func(r *brief.DeviceRoom) { r.Kind = "ghost" }, "face": func(r *brief.DeviceRoom) { r.Face = "inside" },
		"id": func(r *brief.DeviceRoom) { r.ID = "" }, "wide": func(r *brief.DeviceRoom) { r.Wide = 0 },
		"high": func(r *brief.DeviceRoom) { r.High = -1 },
		"out":  func(r *brief.DeviceRoom) { r.Out = 0 }, "z": func(r *brief.DeviceRoom) { r.Z = 1e9 },
	} {
		r := ok
		change(&r)
		err := brief.Device{Rooms: []brief.DeviceRoom{r}}.Check("/devices/0")
		f, is := err.(*working.Fault)
		if !is || f.Path != "/devices/0/rooms/0/"+at {
			t.Errorf("%s: %v", at, err)
		}
	}
	if err := (brief.Device{Feet: []brief.Foot{{Bore: -1}}}).Check(""); err == nil {
		t.Error("a hole of -1 mm")
	}
}

// A bolt that is thicker than the hole in a foot stops the joint, one that rattles in it is to be
// looked at, and feet nobody measured say nothing.
func TestHolesInFeet(t *testing.T) {
	for bore, want := range map[float64]string{0: "", 8.4: "", 9: "", 6.5: "foot-bore", 14: "foot-bore-wide"} {
		b := demo.OrchardTruck().Upgraded()
		d := &b.Devices[0]
		for i := range d.Feet {
			d.Feet[i].Bore = bore
		}
		s := (&Site{Brief: b}).open()
		got := s.footBores(brief.Joint{Sides: []brief.Side{{Kind: brief.DeviceSide, Of: d.ID}}}, joint.Input{System: "metric",
			Size: "M8"})
		code := ""
		if len(got) > 0 {
			code = got[0].Code
		}
		if code != want || len(got) > 1 {
			t.Errorf("%g mm: %+v", bore, got)
		}
	}
}
