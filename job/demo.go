package job

import (
	"context"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// LoadDemo adds the demo jobs. Names, makes and people in them are invented.
func (s *Service) LoadDemo(ctx context.Context) error {
	tray, err := s.compressorTray()
	if err != nil {
		return err
	}
	cradle, err := s.tankCradle()
	if err != nil {
		return err
	}
	funnel, err := s.juiceFunnel()
	if err != nil {
		return err
	}
	arch, err := s.trailerArch()
	if err != nil {
		return err
	}
	lorry, truck := demo.SoundLorry(), demo.OrchardTruck()
	lorry.Welded, truck.Welded = shelfWelds(), saddleWelds(cradle[0].Recipe)
	for _, d := range []struct {
		brief  brief.Brief
		survey vehicle.Survey
		parts  []site.Part
		frame  func() (site.Frame, error)
		body   func() (FacetsState, error)
	}{
		{hiveTrailer(), vehicle.Survey{}, []site.Part{{Name: "Wheel-arch band", Quantity: 2, Recipe: arch}}, s.hiveDeck, nil},
		{lorry, demo.LorrySurvey(),
			[]site.Part{{Name: "Amplifier shelf", Quantity: 1, Recipe: demo.AmplifierShelf()},
				{Name: "Speaker bracket", Quantity: 1, Recipe: demo.SpeakerBracket()}}, s.speakerFrame, s.rearGuard},
		{truck, demo.OrchardSurvey(),
			[]site.Part{{Name: "Press foot", Quantity: 2, Recipe: demo.PressFoot()},
				{Name: "Shelf bracket", Quantity: 4, Recipe: demo.ShelfBracket()},
				{Name: "Compressor tray", Quantity: 1, Recipe: tray}, {Name: "Tank saddle", Quantity: 2, Recipe: cradle[0].Recipe},
				{Name: "Tank strap", Quantity: 2, Recipe: cradle[1].Recipe},
				{Name: "Juice funnel", Quantity: 1, Recipe: funnel},
				{Name: "Compressor tray bracket", Quantity: 1, Recipe: demo.TrayBracket()}}, s.outriggers, s.windfallHopper},
	} {
		f, err := d.frame()
		if err != nil {
			return err
		}
		w, err := s.started(d.brief)
		if err != nil {
			return err
		}
		at := w.job.Created
		ids := map[string]string{} // the demo names its parts
		for _, p := range d.parts {
			doc, err := fresh(s, w.job.ID, KindSheet, PartState{p.Name, p.Quantity, p.Recipe}, "started", at)
			if err != nil {
				return err
			}
			ids[p.Name] = doc.ID
			w.add(doc)
		}
		doc, err := fresh(s, w.job.ID, KindFrame, FrameState{f.Name, f.Quantity, f.Doc}, "started", at)
		if err != nil {
			return err
		}
		ids[f.Name] = doc.ID
		w.add(doc)
		if d.body != nil {
			b, err := d.body()
			if err != nil {
				return err
			}
			if doc, err = fresh(s, w.job.ID, KindFacets, b, "started", at); err != nil {
				return err
			}
			ids[b.Name] = doc.ID
			w.add(doc)
		}
		if doc, err = fresh(s, w.job.ID, KindSurvey, d.survey, "started", at); err != nil {
			return err
		}
		w.add(doc)
		if err := w.named(ids); err != nil {
			return err
		}
		if _, err := s.add(ctx, w); err != nil {
			return err
		}
	}
	return nil
}
