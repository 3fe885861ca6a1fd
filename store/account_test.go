package store_test

import (
	"errors"
	"fmt"
	"io"
	"sync"
	"testing"
	"time"

	"warmanvil/account"
	"warmanvil/core/site"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

var day = time.Date(2026, 3, 4, 8, 0, 0, 0, time.UTC)

func person(s string, n int, r account.Role) account.Account {
	return account.Account{ID: fmt.Sprintf("00000000-0000-4000-8000-%012d", n), Name: s, Role: r, Password: "kept", Created: day}
}

// owned is a store with an owner.
func owned(t *testing.T) (*store.Store, account.Account) {
	t.Helper()
	s := storetest.Open(t)
	a := person("Ada", 1, account.Owner)
	if err := s.AddFirstAccount(t.Context(), a); err != nil {
		t.Fatal(err)
	}
	return s, a
}

// Of many who come first at once, one becomes the owner.
func TestOneBecomesTheOwner(t *testing.T) {
	s := storetest.Open(t)
	if any, err := s.AnyAccount(t.Context()); any || err != nil {
		t.Fatal(any, err)
	}
	var wait sync.WaitGroup
	errs := make([]error, 8)
	for i := range errs {
		wait.Go(func() { errs[i] = s.AddFirstAccount(t.Context(), person(fmt.Sprint("P", i), i+1, account.Owner)) })
	}
	wait.Wait()
	first := 0
	for _, err := range errs {
		switch {
		case err == nil:
			first++
		case !errors.Is(err, account.ErrOwned):
			t.Error(err)
		}
	}
	list, err := s.Accounts(t.Context())
	if any, anyErr := s.AnyAccount(t.Context()); first != 1 || err != nil || len(list) != 1 || !any || anyErr != nil {
		t.Errorf("%d became the owner; %v, %v, %v", first, list, err, anyErr)
	}
}

// An account is found by id and by name in any case, and refused by what is wrong.
func TestAccounts(t *testing.T) {
	s, ada := owned(t)
	ctx := t.Context()
	code := []byte("hash of an invitation, 32 bytes..")
	give := func(kind account.Kind, expires time.Time) {
		t.Helper()
		if err := s.GivePass(ctx, account.Pass{Hash: code, Kind: kind, Role: account.Maker, Account: ada.ID, Expires: expires}); err != nil {
			t.Fatal(err)
		}
	}
	soon := time.Now().Add(time.Hour)
	give(account.Invitation, soon)
	bert := person("Bert", 2, account.Maker)
	if err := s.AddInvited(ctx, code, time.Now(), bert); err != nil {
		t.Fatal(err)
	}
	if err := s.AddInvited(ctx, code, time.Now(), person("Cleo", 3, account.Maker)); !errors.Is(err, account.ErrNoPass) {
		t.Error("an invitation lets two in:", err)
	}
	give(account.Invitation, soon)
	if err := s.AddInvited(ctx, code, time.Now(), person("bert", 4, account.Maker)); !errors.Is(err, account.ErrNameTaken) {
		t.Error("a name twice:", err)
	}
	if p, err := s.FindPass(ctx, code, account.Invitation, time.Now()); err != nil || p.Role != account.Maker {
		t.Error("a refused name spends the invitation:", p, err)
	}
	list, err := s.Accounts(ctx)
	if err != nil || len(list) != 2 || list[0].Name != "Ada" || list[1].Name != "Bert" {
		t.Error(list, err)
	}
	if got, err := s.AccountNamed(ctx, "BERT"); err != nil || got.ID != bert.ID || got.Role != account.Maker || !got.Created.Equal(day) {
		t.Error(got, err)
	}
	if err := s.SetPassword(ctx, bert.ID, "another"); err != nil {
		t.Error(err)
	}
	if got, err := s.Account(ctx, bert.ID); err != nil || got.Password != "another" {
		t.Error(got, err)
	}
	nobody := person("", 9, "").ID
	for what, err := range map[string]error{"role": s.SetRole(ctx, nobody, account.Owner), "removed": s.RemoveAccount(ctx, nobody),
		"password": s.SetPassword(ctx, nobody, "x")} {
		if !errors.Is(err, account.ErrNotFound) {
			t.Errorf("%s of nobody: %v", what, err)
		}
	}
	if _, err := s.Account(ctx, nobody); !errors.Is(err, account.ErrNotFound) {
		t.Error(err)
	}
}

// There is always an owner; whoever goes takes the passes along.
func TestTheLastOwnerStays(t *testing.T) {
	s, ada := owned(t)
	ctx := t.Context()
	if err := s.SetRole(ctx, ada.ID, account.Maker); !errors.Is(err, account.ErrLastOwner) {
		t.Error(err)
	}
	if err := s.RemoveAccount(ctx, ada.ID); !errors.Is(err, account.ErrLastOwner) {
		t.Error(err)
	}
	if got, err := s.Account(ctx, ada.ID); err != nil || got.Role != account.Owner {
		t.Error("what was refused was done:", got, err)
	}
	code, now := []byte("hash"), time.Now()
	if err := s.GivePass(ctx, account.Pass{Hash: code, Kind: account.Invitation, Role: account.Owner, Account: ada.ID,
		Expires: now.Add(time.Hour)}); err != nil {
		t.Fatal(err)
	}
	if err := s.AddInvited(ctx, code, now, person("Bert", 2, account.Owner)); err != nil {
		t.Fatal(err)
	}
	pairing := account.Pass{Hash: []byte("pair"), Kind: account.Pairing, Role: account.Owner, Account: ada.ID, Expires: now.Add(time.Hour)}
	if err := s.GivePass(ctx, pairing); err != nil {
		t.Fatal(err)
	}
	if err := s.RemoveAccount(ctx, ada.ID); err != nil {
		t.Fatal(err)
	}
	if _, err := s.FindPass(ctx, pairing.Hash, account.Pairing, now); !errors.Is(err, account.ErrNoPass) {
		t.Error("a pass outlives who gave it:", err)
	}
}

// A pass is good for what it was given, until it ends, once.
func TestPasses(t *testing.T) {
	s, ada := owned(t)
	ctx, now := t.Context(), time.Now()
	code := []byte("pairing")
	if err := s.GivePass(ctx, account.Pass{Hash: code, Kind: account.Pairing, Role: account.Owner, Account: ada.ID,
		Expires: now.Add(time.Minute)}); err != nil {
		t.Fatal(err)
	}
	for what, ask := range map[string]func() error{
		"another kind":  func() error { _, err := s.SpendPass(ctx, code, account.Invitation, now); return err },
		"another code":  func() error { _, err := s.SpendPass(ctx, []byte("guess"), account.Pairing, now); return err },
		"a minute late": func() error { _, err := s.SpendPass(ctx, code, account.Pairing, now.Add(2*time.Minute)); return err },
	} {
		if err := ask(); !errors.Is(err, account.ErrNoPass) {
			t.Errorf("%s: %v", what, err)
		}
	}
	got := make([]error, 6)
	var wait sync.WaitGroup
	for i := range got {
		wait.Go(func() { _, got[i] = s.SpendPass(ctx, code, account.Pairing, now) })
	}
	wait.Wait()
	spent := 0
	for _, err := range got {
		if err == nil {
			spent++
		} else if !errors.Is(err, account.ErrNoPass) {
			t.Error(err)
		}
	}
	if spent != 1 {
		t.Errorf("%d of %d got in by one pass", spent, len(got))
	}
}

// Verdicts are kept, and the last ones stand.
func TestVerdictsAreKept(t *testing.T) {
	jobs, j, _ := started(t)
	s := jobs.Store.(*store.Store)
	ctx := t.Context()
	if v, err := s.Verdicts(ctx, j.ID); err != nil || v.Rules != 0 || v.Said != nil {
		t.Error("verdicts before anybody looked:", v, err)
	}
	for rules := range 3 {
		if err := s.SaveVerdicts(ctx, j.ID, site.Verdicts{Rules: rules, Said: map[string]site.Said{}}, day); err != nil {
			t.Fatal(err)
		}
	}
	if v, err := s.Verdicts(ctx, j.ID); err != nil || v.Rules != 2 {
		t.Error(v, err)
	}
}

// A broken connection is the database being away; a refused value is not.
func TestWhatIsAway(t *testing.T) {
	s := storetest.Open(t)
	if _, err := s.Health(t.Context()); err != nil {
		t.Fatal(err)
	}
	if s.Trouble(fmt.Errorf("asked: %w", io.ErrUnexpectedEOF)) != job.Away {
		t.Error("a broken connection is not away")
	}
	_, err := s.Account(t.Context(), "no id")
	if err == nil || s.Trouble(err) != job.NoTrouble {
		t.Error("a wrong value is taken for the database being away:", err)
	}
	s.Close()
	if _, err := s.Health(t.Context()); err == nil {
		t.Error("a closed store answers")
	}
}
