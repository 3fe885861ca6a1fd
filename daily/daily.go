// Package daily writes a backup a day into a folder, keeps the last ones and knows how old
// the newest is. Each is read again before it counts.
package daily

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"slices"
	"sync"
	"time"
)

// Kept is how many backups stay.
const Kept = 7

const (
	every  = 24 * time.Hour
	look   = 15 * time.Minute // between looks whether one is due, and after a failure
	late   = 2 * every
	stamp  = "20060102-150405"
	prefix = "warmanvil-"
	suffix = ".backup"
)

// Keeper writes backups. It is safe for concurrent use.
type Keeper struct {
	Dir    string
	Backup func(ctx context.Context, w io.Writer) error
	Read   func(r io.Reader) error // proves a backup
	Room   func() error            // of the disk; nil when nobody knows
	Now    func() time.Time

	writing sync.Mutex
	mutex   sync.Mutex // guards what follows
	tried   bool
	wrong   error
}

// State is how the backups stand.
type State struct {
	Last  time.Time // zero when there is none
	Kept  int
	Wrong error // why the last try failed
	Late  bool  // the newest is too old, whatever the reason, or there is none after a try
}

// Run writes a backup whenever one is due, until the context ends.
func (k *Keeper) Run(ctx context.Context) {
	for {
		_ = k.Write(ctx) // the state tells
		select {
		case <-ctx.Done():
			return
		case <-time.After(look):
		}
	}
}

// Write writes a backup if one is due, and lets go of the oldest.
func (k *Keeper) Write(ctx context.Context) error {
	k.writing.Lock()
	defer k.writing.Unlock()
	err := k.write(ctx)
	k.mutex.Lock()
	k.tried, k.wrong = true, err
	k.mutex.Unlock()
	return err
}

func (k *Keeper) write(ctx context.Context) error {
	if err := os.MkdirAll(k.Dir, 0o700); err != nil {
		return fmt.Errorf("make the folder for backups: %w", err)
	}
	now := k.Now().UTC()
	there, err := k.list()
	if err != nil {
		return err
	}
	if n := len(there); n > 0 && now.Sub(there[n-1].made) < every {
		return nil
	}
	if k.Room != nil {
		if err := k.Room(); err != nil {
			return fmt.Errorf("no room for a backup: %w", err)
		}
	}
	path := filepath.Join(k.Dir, prefix+now.Format(stamp)+suffix)
	if err := k.proved(ctx, path); err != nil {
		return fmt.Errorf("write the backup: %w", err)
	}
	for len(there) >= Kept { // the new one is the last of them
		if err := os.Remove(there[0].path); err != nil {
			return fmt.Errorf("let go of the oldest backup: %w", err)
		}
		there = there[1:]
	}
	return nil
}

// proved writes a backup, reads it again from the disk, and only then gives it its name.
func (k *Keeper) proved(ctx context.Context, path string) error {
	f, err := os.OpenFile(path+".part", os.O_CREATE|os.O_RDWR|os.O_TRUNC, 0o600)
	if err != nil {
		return err
	}
	defer func() { _ = os.Remove(path + ".part") }() // no effect once renamed
	err = errors.Join(k.Backup(ctx, f), f.Sync())
	if err == nil {
		if _, err = f.Seek(0, io.SeekStart); err == nil {
			err = k.Read(f)
		}
	}
	if err := errors.Join(err, f.Close()); err != nil {
		return err
	}
	return os.Rename(path+".part", path)
}

type kept struct {
	path string
	made time.Time
}

// list answers the backups there are, the oldest first; other files are nobody's.
func (k *Keeper) list() ([]kept, error) {
	names, err := filepath.Glob(filepath.Join(k.Dir, prefix+"*"+suffix))
	if err != nil {
		return nil, err
	}
	var out []kept
	for _, n := range names {
		base := filepath.Base(n)
		made, err := time.Parse(stamp, base[len(prefix):len(base)-len(suffix)])
		if err == nil {
			out = append(out, kept{n, made})
		}
	}
	slices.SortFunc(out, func(a, b kept) int { return a.made.Compare(b.made) })
	return out, nil
}

// State answers how the backups stand, as they lie in the folder.
func (k *Keeper) State() State {
	k.mutex.Lock()
	s, tried := State{Wrong: k.wrong}, k.tried
	k.mutex.Unlock()
	there, err := k.list()
	s.Wrong, s.Kept = errors.Join(s.Wrong, err), len(there)
	if len(there) > 0 {
		s.Last = there[len(there)-1].made
	}
	s.Late = tried && k.Now().Sub(s.Last) > late
	return s
}
