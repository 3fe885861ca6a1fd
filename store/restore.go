package store

import (
	"context"
	"errors"
	"fmt"
	"io"
	"maps"
	"slices"
	"strings"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"
)

// ErrNotEmpty is answered when a backup is to be restored over jobs.
var ErrNotEmpty = errors.New("the database holds jobs already: restore into an empty one")

// Restored is what a backup brought.
type Restored struct {
	Schema int64 // of the backup
	Tables []Rows
	// Sworn is false for a backup of the first version: no checksum guards its list of tables.
	Sworn bool
}

// Rows counts those of a table as they stand in the backup and were found again.
type Rows struct {
	Table string
	Rows  int64
}

// side is where a backup is put together before it takes the place of the empty tables.
const side = "restoring"

// Restore reads a backup, twice from its start, into an empty database and brings it to this version. It is put
// together beside what stands and takes its place when it is whole and says what the
// backup says: until then, and whenever anything is wrong, nothing is changed.
func (s *Store) Restore(ctx context.Context, r io.ReadSeeker) (Restored, error) {
	m, err := unpack(r, through)
	if err != nil {
		return Restored{}, err
	}
	slow, err := s.unhurried(ctx)
	if err != nil {
		return Restored{}, err
	}
	defer slow.Close()
	if _, err := r.Seek(0, io.SeekStart); err != nil {
		return Restored{}, fmt.Errorf("the backup is read twice, so give it as a file: %w", err)
	}
	out, err := slow.restore(ctx, m, r)
	s.pool.Reset() // connections know the tables that were there
	return out, err
}

func (s *Store) restore(ctx context.Context, m manifest, r io.Reader) (Restored, error) {
	if err := s.Migrate(ctx); err != nil {
		return Restored{}, err
	}
	now, err := s.schema(ctx)
	if err != nil {
		return Restored{}, err
	}
	if m.Schema > now {
		return Restored{}, fmt.Errorf("the backup is of a newer program (schema %d, this one has %d)", m.Schema, now)
	}
	if err := empty(ctx, s.pool); err != nil {
		return Restored{}, err
	}
	beside, err := s.beside(ctx)
	if err != nil {
		return Restored{}, err
	}
	defer beside.Close()
	if err := beside.fill(ctx, m, r); err != nil {
		return Restored{}, errors.Join(err, s.dropSide(ctx))
	}
	if err := errors.Join(beside.tables(ctx), beside.says(ctx, m, now)); err != nil {
		return Restored{}, errors.Join(err, s.dropSide(ctx))
	}
	beside.Close()
	if err := s.swap(ctx); err != nil {
		return Restored{}, errors.Join(err, s.dropSide(ctx))
	}
	out := Restored{Schema: m.Schema, Sworn: m.Version > 1}
	for _, t := range m.Tables {
		out.Tables = append(out.Tables, Rows{t.Name, t.Rows})
	}
	return out, nil
}

func empty(ctx context.Context, q interface {
	QueryRow(ctx context.Context, sql string, args ...any) pgx.Row
}) error {
	var jobs int
	if err := q.QueryRow(ctx, `SELECT count(*) FROM job`).Scan(&jobs); err != nil {
		return err
	}
	if jobs > 0 {
		return ErrNotEmpty
	}
	return nil
}

// beside answers a store on a schema of its own, with nothing in it.
func (s *Store) beside(ctx context.Context) (*Store, error) {
	if err := s.dropSide(ctx); err != nil {
		return nil, err
	}
	if _, err := s.pool.Exec(ctx, `CREATE SCHEMA `+side); err != nil {
		return nil, fmt.Errorf("make room for the backup: %w", err)
	}
	cfg := s.plain.Copy()
	cfg.ConnConfig.RuntimeParams = maps.Clone(cfg.ConnConfig.RuntimeParams)
	cfg.ConnConfig.RuntimeParams["search_path"] = side
	pool, err := pgxpool.NewWithConfig(ctx, cfg)
	if err != nil {
		return nil, fmt.Errorf("connect to the database: %w", err)
	}
	return s.sharing(pool, cfg), nil
}

func (s *Store) dropSide(ctx context.Context) error {
	_, err := s.pool.Exec(context.WithoutCancel(ctx), `DROP SCHEMA IF EXISTS `+side+` CASCADE`)
	return err
}

// fill makes the tables as they were when the backup was made and writes its rows.
func (s *Store) fill(ctx context.Context, m manifest, r io.Reader) error {
	p, done, err := s.provider()
	if err != nil {
		return err
	}
	defer done()
	if _, err := p.UpTo(ctx, m.Schema); err != nil {
		return fmt.Errorf("make the tables of version %d: %w", m.Schema, err)
	}
	want, err := keptTables(ctx, s.pool)
	if err != nil {
		return err
	}
	var listed []string
	for _, t := range m.Tables {
		listed = append(listed, t.Name)
	}
	slices.Sort(listed)
	if m.Version == 1 && !slices.Contains(listed, "verdict") { // verdicts are worked out anew
		want = slices.DeleteFunc(want, func(name string) bool { return name == "verdict" })
	}
	if !slices.Equal(listed, want) {
		return fmt.Errorf("the backup is damaged: it lists the tables %s; schema %d has %s", strings.Join(listed, ", "), m.Schema,
			strings.Join(want, ", "))
	}
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, written); err != nil {
			return err
		}
		again, err := unpack(r, func(t manifestTable, content io.Reader) error {
			into := pgx.Identifier{t.Name}.Sanitize()
			if _, err := tx.Exec(ctx, `DELETE FROM `+into); err != nil { // what the migrations put there
				return err
			}
			tag, err := tx.Conn().PgConn().CopyFrom(ctx, content, `COPY `+into+` FROM STDIN`)
			if err != nil {
				return fmt.Errorf("write %s: %w", t.Name, err)
			}
			if tag.RowsAffected() != t.Rows {
				return fmt.Errorf("%s: %d rows were written, the backup says %d", t.Name, tag.RowsAffected(), t.Rows)
			}
			return nil
		})
		if err == nil && !slices.Equal(again.Tables, m.Tables) {
			err = errors.New("the backup changed while it was read")
		}
		return err
	})
}

// says holds what was restored against the backup: byte for byte where both are of one
// schema, else by the rows of the tables that both have.
func (s *Store) says(ctx context.Context, m manifest, now int64) error {
	var found manifest
	err := pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) (err error) {
		found, _, err = counted(ctx, tx, now)
		return err
	})
	if err != nil {
		return err
	}
	there := map[string]manifestTable{}
	for _, t := range found.Tables {
		there[t.Name] = t
	}
	for _, t := range m.Tables {
		got, is := there[t.Name]
		switch {
		case m.Schema == now && got != t:
			return fmt.Errorf("%s: what was written does not read as the backup: nothing is restored", t.Name)
		case is && got.Rows != t.Rows:
			return fmt.Errorf("%s: the backup has %d rows, %d are there as this program keeps them: nothing is restored", t.Name, t.Rows, got.Rows)
		}
	}
	return nil
}

// keptTables lists those of the schema in use that a backup holds.
func keptTables(ctx context.Context, q interface {
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
}) ([]string, error) {
	rows, err := q.Query(ctx, `SELECT tablename::text FROM pg_tables WHERE schemaname = current_schema() AND tablename <> ALL($1)
		ORDER BY tablename COLLATE "C"`, leftOut)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowTo[string])
}

// swap lets the tables beside take the place of the empty ones.
func (s *Store) swap(ctx context.Context) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `LOCK TABLE job`); err != nil {
			return err
		}
		if err := empty(ctx, tx); err != nil { // somebody may have begun one meanwhile
			return err
		}
		old, err := keptTables(ctx, tx)
		if err != nil {
			return err
		}
		for _, t := range slices.Concat(old, leftOut) {
			if _, err := tx.Exec(ctx, `DROP TABLE `+pgx.Identifier{t}.Sanitize()+` CASCADE`); err != nil {
				return fmt.Errorf("take the empty table %s away: %w", t, err)
			}
		}
		var here string
		if err := tx.QueryRow(ctx, `SELECT current_schema()`).Scan(&here); err != nil {
			return err
		}
		rows, err := tx.Query(ctx, `SELECT tablename::text FROM pg_tables WHERE schemaname = $1`, side)
		if err != nil {
			return err
		}
		moving, err := pgx.CollectRows(rows, pgx.RowTo[string])
		if err != nil {
			return err
		}
		for _, t := range moving {
			if _, err := tx.Exec(ctx, `ALTER TABLE `+pgx.Identifier{side, t}.Sanitize()+` SET SCHEMA `+pgx.Identifier{here}.Sanitize()); err != nil {
				return fmt.Errorf("put %s in its place: %w", t, err)
			}
		}
		_, err = tx.Exec(ctx, `DROP SCHEMA `+side)
		return err
	})
}
