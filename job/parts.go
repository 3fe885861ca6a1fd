package job

import "context"

// CreatePart adds a part to a job.
func (s *Service) CreatePart(ctx context.Context, jobID string, state PartState) (Part, error) {
	made, err := s.addParts(ctx, jobID, "started", state)
	if err != nil {
		return Part{}, err
	}
	return made[0], nil
}

// addParts adds parts to a job, all or none.
func (s *Service) addParts(ctx context.Context, jobID, summary string, states ...PartState) ([]Part, error) {
	var list []Document
	now := s.Now()
	for _, state := range states {
		d, err := fresh(s, jobID, KindSheet, state, summary, now)
		if err != nil {
			return nil, err
		}
		if d, err = s.settled(ctx, d, true); err != nil {
			return nil, err
		}
		list = append(list, d)
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return nil, err
	}
	if err := s.Store.AddDocuments(ctx, list...); err != nil {
		return nil, err
	}
	out := make([]Part, len(list))
	for i, d := range list {
		var err error
		if out[i], err = s.filled(ctx)(PartOf(d)); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// DuplicatePart copies a part within its job.
func (s *Service) DuplicatePart(ctx context.Context, id string) (Part, error) {
	from, err := s.Part(ctx, id)
	if err != nil {
		return Part{}, err
	}
	made, err := s.addParts(ctx, from.JobID, "copied from "+from.Name, PartState{copyName(from.Name), from.Quantity, from.Recipe})
	if err != nil {
		return Part{}, err
	}
	return made[0], nil
}

// SavePart keeps a new state of a part. Saving what is there already makes no revision.
func (s *Service) SavePart(ctx context.Context, id string, on On, state PartState) (Part, error) {
	got, err := Save(ctx, s, KindSheet, id, on, state)
	if err != nil {
		return Part{}, err
	}
	return s.filled(ctx)(PartOf(got.Document))
}
