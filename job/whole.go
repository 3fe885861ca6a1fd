package job

// Whole is a job with all there is of it, documents that were put away and history
// included.
type Whole struct {
	Job       Row
	Documents []WholeDocument
	Numbers   []Number
}

// WholeDocument is a document with its revisions, oldest first.
type WholeDocument struct {
	Document
	Revisions []Revision
}

// add takes a document without a history before this state.
func (w *Whole) add(d Document) {
	w.Documents = append(w.Documents, WholeDocument{d, []Revision{d.state()}})
}

// named calls the documents that others name by the ids given, in every state kept.
func (w *Whole) named(ids map[string]string) error {
	for i := range w.Documents {
		d := &w.Documents[i]
		k, err := d.Kind.known()
		if err != nil {
			return err
		}
		if d.Body, err = k.renamed(d.Body, ids); err != nil {
			return err
		}
		for r := range d.Revisions {
			if d.Revisions[r].Body, err = k.renamed(d.Revisions[r].Body, ids); err != nil {
				return err
			}
		}
	}
	return nil
}

// rename gives every document an id of its own and calls it so where others name it.
func (s *Service) rename(w *Whole) error {
	ids := map[string]string{}
	for i := range w.Documents {
		d := &w.Documents[i]
		was := d.ID
		d.ID = s.NewID()
		if was != "" {
			ids[was] = d.ID
		}
	}
	return w.named(ids)
}
