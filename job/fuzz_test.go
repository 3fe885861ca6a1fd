package job

import (
	"encoding/json"
	"errors"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/member"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// read decodes a body as a save would: what is refused is refused with its place.
func read[T Form[T]](t *testing.T, k Kind, raw []byte) (v T, ok bool) {
	t.Helper()
	known, err := k.known()
	if err != nil {
		t.Fatal(err)
	}
	raw, err = known.read(raw)
	if err != nil {
		var fault *working.Fault
		if !errors.As(err, &fault) {
			t.Fatalf("refused without a place: %v", err)
		}
		return v, false
	}
	v, err = Body[T](raw)
	if err != nil {
		t.Fatalf("what was taken cannot be read again: %v", err)
	}
	return v, true
}

// finite tells that an answer holds nothing that is no number.
func finite(t *testing.T, ans any) {
	t.Helper()
	if err := strictjson.Finite(ans); err != nil {
		t.Fatal(err)
	}
}

func seeds[T any](f *testing.F, list ...T) {
	for _, v := range list {
		raw, err := json.Marshal(v)
		if err != nil {
			f.Fatal(err)
		}
		f.Add(raw)
	}
}

// Whatever a brief says, it is refused with its place or everything is asked of it, with
// parts and without, and the answer holds numbers.
func FuzzBrief(f *testing.F) {
	seeds(f, demo.OrchardTruck(), demo.SoundLorry(), brief.Brief{Name: "New", Quantity: 1, Unit: "mm", Grain: 1})
	parts := []site.Part{{ID: "tray", Name: "Tray", Quantity: 1, Recipe: demo.TrayBracket()}}
	f.Fuzz(func(t *testing.T, raw []byte) {
		b, ok := read[brief.Brief](t, KindBrief, raw)
		if !ok {
			return
		}
		all := site.Site{Brief: b, Parts: site.BuildParts(t.Context(), parts, b, shop.Shop{}), Survey: demo.OrchardSurvey(), Until: t.Context()}
		h := all.Hold()
		finite(t, h)
		finite(t, all.Tell(h.Joints))
		finite(t, all.Said(h))
	})
}

// Whatever was measured, it is refused with its place or worked out.
func FuzzSurvey(f *testing.F) {
	seeds(f, demo.OrchardSurvey(), demo.LorrySurvey(), vehicle.Survey{})
	b := demo.OrchardTruck()
	parts := site.BuildParts(f.Context(), []site.Part{{ID: "tray", Name: "Tray", Quantity: 1, Recipe: demo.TrayBracket()}}, b, shop.Shop{})
	f.Fuzz(func(t *testing.T, raw []byte) {
		v, ok := read[vehicle.Survey](t, KindSurvey, raw)
		if !ok {
			return
		}
		finite(t, site.WorkSurvey(v, b, parts))
	})
}

// Whatever a frame is drawn like, it is refused with its place or built and held.
func FuzzFrame(f *testing.F) {
	s, _ := remembering()
	for _, make := range []func() (site.Frame, error){s.outriggers, s.speakerFrame, s.hiveDeck} {
		x, err := make()
		if err != nil {
			f.Fatal(err)
		}
		seeds(f, FrameState{Name: x.Name, Quantity: 1, Frame: x.Doc})
	}
	seeds(f, FrameState{Name: "New", Quantity: 1, Frame: member.Doc{}})
	b := demo.OrchardTruck()
	f.Fuzz(func(t *testing.T, raw []byte) {
		x, ok := read[FrameState](t, KindFrame, raw)
		if !ok {
			return
		}
		built := shape.Build(x.Frame, nil)
		finite(t, built)
		finite(t, held.Hold(built, x.Frame, held.Asked{Rule: b.Strength, Cases: b.OnRoad().Cases(), Until: t.Context()}))
		finite(t, site.Site{Brief: b}.Framed(site.Frame{ID: "f", Name: x.Name, Quantity: 1, Doc: x.Frame}).Told())
	})
}

// Whatever a job's file holds, it is refused and nothing is kept, or it is kept whole: taken
// away and brought in again it says the same.
func FuzzJobFile(f *testing.F) {
	s, _ := remembering()
	if err := s.LoadDemo(f.Context()); err != nil {
		f.Fatal(err)
	}
	jobs, err := s.Jobs(f.Context(), false)
	if err != nil {
		f.Fatal(err)
	}
	for _, j := range jobs {
		file, _, err := exported(s, j.ID)
		if err != nil {
			f.Fatal(err)
		}
		seeds(f, file)
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		s, m := remembering()
		j, err := bring(s, raw)
		if err != nil {
			var fault *working.Fault
			if !errors.As(err, &fault) {
				t.Fatalf("refused without a place: %v", err)
			}
			if len(m.jobs)+len(m.documents)+len(m.numbers) != 0 {
				t.Fatal("half of it is kept")
			}
			return
		}
		once := taken(t, s, j.ID)
		again, err := bring(s, written(t, once))
		if err != nil {
			t.Fatalf("what was taken away does not come in again: %v", err)
		}
		if a, b := plain(t, once), plain(t, taken(t, s, again.ID)); a != b {
			t.Errorf("once %s\nagain %s", a, b)
		}
	})
}

func taken(t *testing.T, s *Service, id string) File {
	t.Helper()
	file, _, err := exported(s, id)
	if err != nil {
		t.Fatal(err)
	}
	return file
}

// plain writes how much of everything a file holds, which ids and days do not change.
func plain(t *testing.T, f File) string {
	t.Helper()
	counts := map[string]int{"numbers": len(f.Numbers)}
	for _, d := range f.Documents {
		counts[string(d.Kind)]++
		counts[string(d.Kind)+" states"] += len(d.Revisions)
		for _, r := range d.Revisions {
			counts[string(d.Kind)+" bytes"] += len(r.Body)
		}
	}
	raw, err := json.Marshal(counts)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}
