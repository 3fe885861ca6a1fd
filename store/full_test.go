package store_test

import (
	"bytes"
	"encoding/json"
	"testing"

	"warmanvil/job"
	"warmanvil/store"
)

// A disk that is full is told as that, whatever it stops, and nothing is half kept.
func TestFullDisk(t *testing.T) {
	jobs, j, p := started(t)
	s := jobs.Store.(*store.Store)
	if _, err := s.Pool().Exec(t.Context(), `CREATE FUNCTION full_disk() RETURNS trigger LANGUAGE plpgsql AS $$
		BEGIN RAISE EXCEPTION 'could not extend file: No space left on device' USING ERRCODE = 'disk_full'; END $$;
		CREATE TRIGGER full_disk BEFORE INSERT ON document_revision FOR EACH ROW EXECUTE FUNCTION full_disk()`); err != nil {
		t.Fatal(err)
	}
	d, err := s.Document(t.Context(), p.ID)
	if err != nil {
		t.Fatal(err)
	}
	var body map[string]any
	if err := json.Unmarshal(d.Body, &body); err != nil {
		t.Fatal(err)
	}
	body["name"] = "another"
	changed := d
	changed.Revision++
	if changed.Body, err = json.Marshal(body); err != nil {
		t.Fatal(err)
	}
	if _, err := s.SaveDocument(t.Context(), changed, d.Revision); s.Trouble(err) != job.Full {
		t.Error("saving:", err)
	}
	if err := s.AddDocuments(t.Context(), job.Document{ID: j.ID, Kind: job.KindSheet, Body: d.Body,
		Kept: job.Kept{JobID: j.ID}}); s.Trouble(err) != job.Full {
		t.Error("adding:", err)
	}
	now, err := s.Document(t.Context(), p.ID)
	if err != nil || now.Revision != d.Revision || !bytes.Equal(now.Body, d.Body) {
		t.Error("half kept, or not to be read:", err)
	}
	if _, err := s.Pool().Exec(t.Context(), `DROP TRIGGER full_disk ON document_revision`); err != nil {
		t.Fatal(err)
	}
	if now, err = s.SaveDocument(t.Context(), changed, d.Revision); err != nil || now.Revision != d.Revision+1 {
		t.Error("it does not go on:", err)
	}
}
