package daily

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"
)

// keeper answers one whose clock the test turns and whose backups say when they were made.
func keeper(t *testing.T) (*Keeper, *time.Time) {
	t.Helper()
	now := time.Date(2031, 4, 1, 6, 30, 0, 0, time.UTC)
	k := &Keeper{Dir: filepath.Join(t.TempDir(), "backups"), Now: func() time.Time { return now },
		Read: func(r io.Reader) error {
			raw, err := io.ReadAll(r)
			if err == nil && !strings.HasPrefix(string(raw), "made ") {
				err = fmt.Errorf("not a backup: %q", raw)
			}
			return err
		}}
	k.Backup = func(_ context.Context, w io.Writer) error {
		_, err := io.WriteString(w, "made "+now.Format(time.RFC3339))
		return err
	}
	return k, &now
}

func names(t *testing.T, k *Keeper) (out []string) {
	t.Helper()
	list, err := os.ReadDir(k.Dir)
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range list {
		out = append(out, e.Name())
	}
	return out
}

// One a day is written, the last seven stay, what others put into the folder too.
func TestSevenDaysStay(t *testing.T) {
	k, now := keeper(t)
	if s := k.State(); s.Late || s.Kept != 0 || !s.Last.IsZero() {
		t.Errorf("before the first: %+v", s)
	}
	for day := range 10 {
		for range 3 { // as often as it is asked
			if err := k.Write(t.Context()); err != nil {
				t.Fatal(err)
			}
			*now = now.Add(8 * time.Hour)
		}
		if s := k.State(); s.Kept != min(day+1, Kept) || s.Late || s.Wrong != nil || now.Sub(s.Last) != 24*time.Hour {
			t.Errorf("day %d: %+v", day, s)
		}
		if day == 0 {
			if err := os.WriteFile(filepath.Join(k.Dir, "warmanvil-mine.backup"), []byte("x"), 0o600); err != nil {
				t.Fatal(err)
			}
		}
	}
	got := names(t, k)
	if len(got) != Kept+1 || got[0] != "warmanvil-20310404-063000.backup" || got[Kept] != "warmanvil-mine.backup" {
		t.Errorf("kept %v", got)
	}
	raw, err := os.ReadFile(filepath.Join(k.Dir, got[0]))
	if err != nil || string(raw) != "made 2031-04-04T06:30:00Z" {
		t.Errorf("%q, %v", raw, err)
	}
}

// A backup that fails, cannot be read again, or has no room leaves what is kept and says
// why; two days of it are late; it goes on by itself.
func TestFailuresAreTold(t *testing.T) {
	k, now := keeper(t)
	if err := k.Write(t.Context()); err != nil {
		t.Fatal(err)
	}
	good, read, broken := k.Backup, k.Read, errors.New("broken")
	for name, spoil := range map[string]func(){
		"not written": func() { k.Backup = func(context.Context, io.Writer) error { return broken } },
		"half": func() {
			k.Backup = func(_ context.Context, w io.Writer) error { return errors.Join(good(t.Context(), w), broken) }
		},
		"unreadable": func() { k.Read = func(io.Reader) error { return broken } },
		"no room":    func() { k.Room = func() error { return broken } },
	} {
		*now = now.Add(25 * time.Hour)
		spoil()
		if err := k.Write(t.Context()); !errors.Is(err, broken) {
			t.Errorf("%s: %v", name, err)
		}
		if s := k.State(); s.Kept != 1 || !errors.Is(s.Wrong, broken) || s.Late != (now.Sub(s.Last) > 48*time.Hour) {
			t.Errorf("%s: %+v", name, s)
		}
		if got := names(t, k); len(got) != 1 {
			t.Errorf("%s: left %v", name, got)
		}
		k.Backup, k.Read, k.Room = good, read, nil
	}
	empty, _ := keeper(t)
	empty.Backup = func(context.Context, io.Writer) error { return broken }
	if err := empty.Write(t.Context()); err == nil || !empty.State().Late {
		t.Error("a first backup that fails is not late")
	}
	if !k.State().Late {
		t.Error("four days without a backup are not late")
	}
	if err := k.Write(t.Context()); err != nil {
		t.Fatal(err)
	}
	if s := k.State(); s.Kept != 2 || s.Wrong != nil || s.Late {
		t.Errorf("after it went well again: %+v", s)
	}
}

// It runs until it is told to end, and writes at once.
func TestRunWritesAtOnce(t *testing.T) {
	k, _ := keeper(t)
	ctx, end := context.WithCancel(t.Context())
	backup := k.Backup
	k.Backup = func(ctx context.Context, w io.Writer) error { defer end(); return backup(ctx, w) }
	k.Run(ctx)
	if s := k.State(); s.Kept != 1 || s.Wrong != nil {
		t.Errorf("%+v", s)
	}
	k.Dir = filepath.Join(k.Dir, names(t, k)[0]) // a file in the place of the folder
	if err := k.Write(t.Context()); err == nil {
		t.Error("written into a file as a folder")
	}
}
