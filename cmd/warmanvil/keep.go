package main

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"time"

	"warmanvil/calc"
	"warmanvil/daily"
	"warmanvil/job"
	"warmanvil/localpg"
	"warmanvil/store"
)

// withStore opens the database in WARMANVIL_DATABASE_URL, or the private one:
// the running one of a demo, or started for as long as this takes.
func withStore(ctx context.Context, do func(s *store.Store) error) error {
	url := os.Getenv("WARMANVIL_DATABASE_URL")
	if url == "" {
		dir, err := dataDir()
		if err != nil {
			return err
		}
		cluster, err := localpg.Start(ctx, localpg.Options{Dir: dir, Fsync: true})
		switch {
		case errors.Is(err, localpg.ErrBusy):
			if url, err = localpg.RunningURL(dir); err != nil {
				return err
			}
		case err != nil:
			return err
		default:
			defer func() { _ = cluster.Stop() }()
			url = cluster.URL(cluster.Database())
		}
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer s.Close()
	return do(s)
}

// keeping answers what writes the daily backups; nil where none are wanted.
func keeping(w way, s *store.Store) (*daily.Keeper, error) {
	dir := w.backups
	switch dir {
	case "none":
		return nil, nil
	case "":
		data, err := dataDir()
		if err != nil {
			return nil, err
		}
		dir = filepath.Clean(data) + "-backups" // beside: the data folder may be deleted
	}
	return &daily.Keeper{Dir: dir, Backup: s.Backup, Read: store.Readable, Room: w.room, Now: time.Now}, nil
}

func oneArgument(args []string, what string) (string, error) {
	if len(args) != 1 {
		return "", fmt.Errorf("say %s", what)
	}
	return args[0], nil
}

// runBackup writes everything into one file, which appears only when whole.
func runBackup(ctx context.Context, args []string) error {
	path, err := oneArgument(args, "which file to write: warmanvil backup FILE")
	if err != nil {
		return err
	}
	return withStore(ctx, func(s *store.Store) error {
		if err := s.Migrate(ctx); err != nil {
			return err
		}
		f, err := os.OpenFile(path+".part", os.O_CREATE|os.O_WRONLY|os.O_TRUNC, 0o600)
		if err != nil {
			return err
		}
		defer func() { _ = os.Remove(path + ".part") }() // no effect once renamed
		if err := errors.Join(s.Backup(ctx, f), f.Sync(), f.Close()); err != nil {
			return err
		}
		if err := os.Rename(path+".part", path); err != nil {
			return err
		}
		fmt.Println("Written:", path)
		return nil
	})
}

// runRestore reads a backup into an empty database.
func runRestore(ctx context.Context, args []string) error {
	path, err := oneArgument(args, "which backup to read: warmanvil restore FILE")
	if err != nil {
		return err
	}
	f, err := os.Open(path)
	if err != nil {
		return err
	}
	defer f.Close()
	return withStore(ctx, func(s *store.Store) error {
		got, err := s.Restore(ctx, f)
		if err != nil {
			return err
		}
		fmt.Println("Restored:", path)
		for _, t := range got.Tables {
			fmt.Printf("%8d rows of %s\n", t.Rows, t.Table)
		}
		if !got.Sworn {
			fmt.Println("It was written by an earlier program, whose list of tables had no checksum: look whether all is there.")
		}
		return nil
	})
}

// runExport writes one job as JSON.
func runExport(ctx context.Context, args []string, out io.Writer) error {
	id, err := oneArgument(args, "which job: warmanvil export ID > file.json; the ID is in the job's address")
	if err != nil {
		return err
	}
	return withStore(ctx, func(s *store.Store) error {
		x, err := service(s).Export(ctx, id)
		if err != nil {
			return err
		}
		to := bufio.NewWriter(out)
		return errors.Join(x.Write(ctx, to, "  "), to.Flush())
	})
}

// runImport adds the job of a file.
func runImport(ctx context.Context, args []string) error {
	path, err := oneArgument(args, "which file: warmanvil import FILE")
	if err != nil {
		return err
	}
	f, err := os.Open(path)
	if err != nil {
		return err
	}
	defer f.Close()
	is, err := f.Stat()
	if err != nil {
		return err
	}
	return withStore(ctx, func(s *store.Store) error {
		if err := s.Migrate(ctx); err != nil {
			return err
		}
		j, err := service(s).Bring(ctx, newID(), job.Brought{Size: is.Size(),
			Open: func() io.Reader { return io.NewSectionReader(f, 0, is.Size()) }})
		if err != nil {
			return fmt.Errorf("%s: %w", path, err)
		}
		fmt.Println("Added:", j.Brief.Name, j.ID)
		return nil
	})
}

func service(s *store.Store) *job.Service {
	return &job.Service{Store: s, Goods: s, Now: time.Now, NewID: newID, Calculates: calc.Known}
}
