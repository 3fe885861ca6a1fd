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
	for _, d := range []struct {
		brief  brief.Brief
		survey vehicle.Survey
		parts  []site.Part
		frame  func() (site.Part, error)
	}{
		{hiveTrailer(), vehicle.Survey{}, nil, s.hiveDeck},
		{demo.SoundLorry(), demo.LorrySurvey(),
			[]site.Part{{Name: "Amplifier shelf", Quantity: 1, Recipe: demo.AmplifierShelf()}, {Name: "Speaker bracket", Quantity: 1, Recipe: demo.SpeakerBracket()}}, s.speakerFrame},
		{demo.OrchardTruck(), demo.OrchardSurvey(),
			[]site.Part{{Name: "Press foot", Quantity: 2, Recipe: demo.PressFoot()}, {Name: "Shelf bracket", Quantity: 4, Recipe: demo.ShelfBracket()},
				{Name: "Compressor tray", Quantity: 1, Recipe: tray}, {Name: "Tank saddle", Quantity: 2, Recipe: cradle[0].Recipe}, {Name: "Tank strap", Quantity: 2, Recipe: cradle[1].Recipe},
				{Name: "Compressor tray bracket", Quantity: 1, Recipe: demo.TrayBracket()}}, s.outriggers},
	} {
		f, err := d.frame()
		if err != nil {
			return err
		}
		d.parts = append(d.parts, f)
		j := s.newJob(d.brief)
		ids := map[string]string{}
		parts := make([]Part, len(d.parts))
		for i, p := range d.parts {
			parts[i] = s.fresh(j.ID, p.Name, p.Quantity, p.Recipe, "started")
			parts[i].Frame = p.Frame
			ids[p.Name] = parts[i].ID
		}
		j.Brief = j.Brief.Renamed(ids) // the demo names its parts
		v := d.survey.Renamed(ids)
		if err := v.Check(); err != nil {
			return err
		}
		if err := s.Store.CreateJob(ctx, j, parts); err != nil {
			return err
		}
		if err := s.Store.SaveSurvey(ctx, j.ID, v, 0, s.Now()); err != nil {
			return err
		}
	}
	return nil
}
