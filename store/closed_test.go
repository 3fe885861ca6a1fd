package store_test

import (
	"bytes"
	"io"
	"testing"
	"time"

	"warmanvil/account"
	"warmanvil/core/site"
	"warmanvil/job"
	"warmanvil/store"
)

// A store that has no database answers every question with an error, and keeps
// nothing in silence.
func TestNothingIsAnsweredWithoutADatabase(t *testing.T) {
	jobs, j, p := started(t)
	s := jobs.Store.(*store.Store)
	ctx := t.Context()
	row, err := s.Job(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	doc, err := s.Document(ctx, p.ID)
	if err != nil {
		t.Fatal(err)
	}
	backed := backup(t, s)
	s.Close()
	err1 := func(_ any, err error) error { return err }
	for what, err := range map[string]error{
		"health":           err1(s.Health(ctx)),
		"jobs":             err1(s.Jobs(ctx, false)),
		"job":              err1(s.Job(ctx, j.ID)),
		"outline":          err1(s.Outline(ctx, j.ID)),
		"states":           err1(s.States(ctx, p.ID, 1, 8)),
		"add job":          s.AddJob(ctx, row, func(job.Adding) error { return nil }),
		"archive job":      s.ArchiveJob(ctx, j.ID, true, day),
		"document":         err1(s.Document(ctx, p.ID)),
		"only":             err1(s.Only(ctx, j.ID, job.KindSurvey)),
		"documents":        err1(s.Documents(ctx, j.ID, job.KindSheet)),
		"put away":         err1(s.PutAway(ctx, j.ID)),
		"add documents":    s.AddDocuments(ctx, doc),
		"save document":    err1(s.SaveDocument(ctx, doc, doc.Revision)),
		"archive document": s.ArchiveDocument(ctx, p.ID, true, day),
		"standing":         err1(s.Standing(ctx, j.ID)),
		"revisions":        err1(s.Revisions(ctx, p.ID)),
		"revision":         err1(s.Revision(ctx, p.ID, 1)),
		"numbers":          err1(s.Numbers(ctx, j.ID)),
		"keep number":      s.KeepNumber(ctx, job.Number{JobID: j.ID, ID: j.ID, Calc: "bend", Request: []byte("{}"), Created: day}),
		"drop number":      s.DropNumber(ctx, j.ID),
		"verdicts":         err1(s.Verdicts(ctx, j.ID)),
		"save verdicts":    s.SaveVerdicts(ctx, j.ID, site.Verdicts{Said: map[string]site.Said{}}, day),
		"any account":      err1(s.AnyAccount(ctx)),
		"accounts":         err1(s.Accounts(ctx)),
		"account":          err1(s.Account(ctx, j.ID)),
		"named":            err1(s.AccountNamed(ctx, "Ada")),
		"first":            s.AddFirstAccount(ctx, person("Ada", 1, account.Owner)),
		"invited":          s.AddInvited(ctx, []byte("x"), time.Now(), person("Ada", 1, account.Owner)),
		"role":             s.SetRole(ctx, j.ID, account.Maker),
		"remove":           s.RemoveAccount(ctx, j.ID),
		"password":         s.SetPassword(ctx, j.ID, "x"),
		"give":             s.GivePass(ctx, account.Pass{Hash: []byte("x"), Kind: account.Pairing, Account: j.ID, Expires: day}),
		"find":             err1(s.FindPass(ctx, []byte("x"), account.Pairing, day)),
		"spend":            err1(s.SpendPass(ctx, []byte("x"), account.Pairing, day)),
		"once":             s.Once(ctx, "test", func() error { return nil }),
		"backup":           s.Backup(ctx, io.Discard),
		"restore":          err1(s.Restore(ctx, bytes.NewReader(backed))),
		"migrate":          s.Migrate(ctx),
	} {
		if err == nil {
			t.Errorf("%s: no error", what)
		}
	}
	if _, err := store.Open(ctx, "postgres://127.0.0.1:1/none?connect_timeout=1"); err == nil {
		t.Error("a store opens where there is no database")
	}
	if _, err := store.Open(ctx, "not an address\x00"); err == nil {
		t.Error("a store opens at no address")
	}
}
