package store

import (
	"archive/tar"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
)

// A backup is a tar file: manifest.json, then one file a table in the text form
// of PostgreSQL's COPY, rows in the order of the key. The same database gives
// the same bytes.
const (
	backupFormat  = "warmanvil-backup"
	backupVersion = 1
	manifestName  = "manifest.json"
)

// backedUp lists the tables with their keys, parents before children. Sign-ins
// and unspent codes are left out: they end with the server they were made on.
var backedUp = []struct{ table, key string }{
	{"job", "id"}, {"document", "id"}, {"document_revision", "document, revision"}, {"kept_number", "id"}, {"verdict", "job_id"},
	{"done_once", "what"}, {"account", "id"},
}

// formerly lists the tables that backups of earlier schemas hold besides.
var formerly = []string{"part", "part_revision", "survey"}

type manifest struct {
	Format  string          `json:"format"`
	Version int             `json:"version"`
	Schema  int64           `json:"schema"`
	Tables  []manifestTable `json:"tables"`
}

type manifestTable struct {
	Name   string `json:"name"`
	Rows   int64  `json:"rows"`
	SHA256 string `json:"sha256"`
}

// ErrNotEmpty is answered when a backup is to be restored over jobs.
var ErrNotEmpty = errors.New("the database holds jobs already: restore into an empty one")

// written is how COPY writes values, whatever the server's own settings are.
const written = `SET LOCAL TimeZone = 'UTC'; SET LOCAL DateStyle = 'ISO, YMD'; SET LOCAL IntervalStyle = 'iso_8601';
	SET LOCAL extra_float_digits = 1; SET LOCAL bytea_output = 'hex'`

// Backup writes everything as it was at one moment.
func (s *Store) Backup(ctx context.Context, w io.Writer) error {
	m := manifest{Format: backupFormat, Version: backupVersion}
	var err error
	if m.Schema, err = s.schema(ctx); err != nil {
		return err
	}
	var tables []bytes.Buffer
	err = pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, written); err != nil {
			return err
		}
		tables = make([]bytes.Buffer, len(backedUp))
		for i, t := range backedUp {
			tag, err := tx.Conn().PgConn().CopyTo(ctx, &tables[i], `COPY (SELECT * FROM `+t.table+` ORDER BY `+t.key+`) TO STDOUT`)
			if err != nil {
				return fmt.Errorf("read %s: %w", t.table, err)
			}
			sum := sha256.Sum256(tables[i].Bytes())
			m.Tables = append(m.Tables, manifestTable{t.table, tag.RowsAffected(), hex.EncodeToString(sum[:])})
		}
		return nil
	})
	if err != nil {
		return err
	}
	out := tar.NewWriter(w)
	raw, err := json.MarshalIndent(m, "", "  ")
	if err != nil {
		return err
	}
	if err := put(out, manifestName, append(raw, '\n')); err != nil {
		return err
	}
	for i, t := range backedUp {
		if err := put(out, t.table+".copy", tables[i].Bytes()); err != nil {
			return err
		}
	}
	return out.Close()
}

// put adds a file with a fixed time, so that equal content is equal bytes.
func put(out *tar.Writer, name string, content []byte) error {
	if err := out.WriteHeader(&tar.Header{Name: name, Mode: 0o600, Size: int64(len(content)), ModTime: time.Unix(0, 0),
		Format: tar.FormatPAX}); err != nil {
		return err
	}
	_, err := out.Write(content)
	return err
}

// Restore reads a backup into an empty database and brings it to this version.
// Nothing is kept when anything in the backup is wrong.
func (s *Store) Restore(ctx context.Context, r io.Reader) error {
	m, tables, err := unpack(r)
	if err != nil {
		return err
	}
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	var jobs int
	if err := s.pool.QueryRow(ctx, `SELECT count(*) FROM job`).Scan(&jobs); err != nil {
		return err
	}
	if jobs > 0 {
		return ErrNotEmpty
	}
	now, err := s.schema(ctx)
	if err != nil {
		return err
	}
	if m.Schema > now {
		return fmt.Errorf("the backup is of a newer program (schema %d, this one has %d)", m.Schema, now)
	}
	if err := s.migrateTo(ctx, m.Schema); err != nil { // the tables as they were when it was made
		return err
	}
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, written); err != nil {
			return err
		}
		for _, t := range m.Tables {
			if _, err := tx.Exec(ctx, `DELETE FROM `+pgx.Identifier{t.Name}.Sanitize()); err != nil {
				return err
			}
			tag, err := tx.Conn().PgConn().CopyFrom(ctx, bytes.NewReader(tables[t.Name]), `COPY `+pgx.Identifier{t.Name}.Sanitize()+` FROM STDIN`)
			if err != nil {
				return fmt.Errorf("write %s: %w", t.Name, err)
			}
			if tag.RowsAffected() != t.Rows {
				return fmt.Errorf("%s: %d rows were written, the backup says %d", t.Name, tag.RowsAffected(), t.Rows)
			}
		}
		return nil
	})
	if err != nil {
		return errors.Join(err, s.Migrate(ctx))
	}
	return s.Migrate(ctx)
}

// unpack reads a backup and holds every table against its checksum.
func unpack(r io.Reader) (m manifest, tables map[string][]byte, err error) {
	tables = map[string][]byte{}
	in := tar.NewReader(r)
	for {
		h, err := in.Next()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return m, nil, fmt.Errorf("this is not a backup, or it is cut short: %w", err)
		}
		raw, err := io.ReadAll(in)
		if err != nil {
			return m, nil, fmt.Errorf("the backup is cut short in %s: %w", h.Name, err)
		}
		if h.Name == manifestName {
			if err := json.Unmarshal(raw, &m); err != nil {
				return m, nil, fmt.Errorf("read the backup's manifest: %w", err)
			}
			continue
		}
		tables[h.Name[:max(0, len(h.Name)-len(".copy"))]] = raw
	}
	if m.Format != backupFormat {
		return m, nil, errors.New("this is not a backup: it has no manifest of one")
	}
	if m.Version > backupVersion {
		return m, nil, fmt.Errorf("the backup is of version %d, this program reads up to %d", m.Version, backupVersion)
	}
	known := map[string]bool{}
	for _, t := range formerly {
		known[t] = true
	}
	for _, t := range backedUp {
		known[t.table] = true
	}
	for _, t := range m.Tables {
		sum := sha256.Sum256(tables[t.Name])
		if !known[t.Name] || hex.EncodeToString(sum[:]) != t.SHA256 {
			return m, nil, fmt.Errorf("the backup is damaged: the table %s is not what its manifest says", t.Name)
		}
	}
	return m, tables, nil
}

func (s *Store) provider() (*goose.Provider, func(), error) {
	db := stdlib.OpenDBFromPool(s.pool)
	sub, err := migrationFiles()
	if err != nil {
		return nil, nil, err
	}
	p, err := goose.NewProvider(goose.DialectPostgres, db, sub)
	if err != nil {
		_ = db.Close()
		return nil, nil, fmt.Errorf("read migrations: %w", err)
	}
	return p, func() { _ = db.Close() }, nil
}

// schema answers the version of the database's tables.
func (s *Store) schema(ctx context.Context) (int64, error) {
	p, done, err := s.provider()
	if err != nil {
		return 0, err
	}
	defer done()
	return p.GetDBVersion(ctx)
}

// migrateTo makes an empty database's tables those of an older version, column by column
// as they were made then.
func (s *Store) migrateTo(ctx context.Context, version int64) error {
	p, done, err := s.provider()
	if err != nil {
		return err
	}
	defer done()
	if _, err = p.DownTo(ctx, 0); err == nil {
		_, err = p.UpTo(ctx, version)
	}
	if err != nil {
		return fmt.Errorf("take the tables to version %d: %w", version, err)
	}
	return nil
}
