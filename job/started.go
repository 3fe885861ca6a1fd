package job

import "context"

// started is a new job with the first state of each of its documents.
type started struct {
	job       Row
	documents []Document
}

// add takes a document before its first state is kept.
func (w *started) add(d Document) { w.documents = append(w.documents, d) }

// named calls the documents that others name by the ids given.
func (w *started) named(ids map[string]string) error {
	for i := range w.documents {
		d := &w.documents[i]
		k, err := d.Kind.known()
		if err != nil {
			return err
		}
		if d.Body, err = k.renamed(d.Body, ids); err != nil {
			return err
		}
	}
	return nil
}

// rename gives every document an id of its own and calls it so where others name it.
func (s *Service) rename(w *started) error {
	ids := map[string]string{}
	for i := range w.documents {
		was := w.documents[i].ID
		w.documents[i].ID = s.NewID()
		ids[was] = w.documents[i].ID
	}
	return w.named(ids)
}

// add keeps a new job.
func (s *Service) add(ctx context.Context, w started) (Job, error) {
	for _, d := range w.documents {
		if d.Kind == KindBrief {
			w.job.Brief = d
		}
	}
	err := s.Store.AddJob(ctx, w.job, func(add Adding) error {
		for _, d := range w.documents {
			if err := add.Document(d); err != nil {
				return err
			}
			if err := add.Revision(d.ID, d.state()); err != nil {
				return err
			}
		}
		return nil
	})
	if err != nil {
		return Job{}, err
	}
	return jobOf(w.job)
}
