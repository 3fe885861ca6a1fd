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

// A backup is a tar file: manifest.json, its checksum, then one file a table in the text
// form of PostgreSQL's COPY, rows in the order of the key. The same database gives the
// same bytes. The first version had no checksum of the manifest.
const (
	backupFormat  = "warmanvil-backup"
	backupVersion = 2
	manifestName  = "manifest.json"
	manifestSum   = "manifest.sha256"
)

// backedUp lists the tables with their keys, parents before children. Sign-ins, unspent
// codes and tasks are left out: they end with the server they were made on.
var backedUp = []struct{ table, key string }{
	{"job", "id"}, {"document", "id"}, {"document_revision", "document, revision"}, {"kept_number", "id"}, {"verdict", "job_id"},
	{"done_once", "what"}, {"account", "id"},
}

// leftOut are the tables that no backup holds.
var leftOut = []string{"pass", "sessions", "known_device", "task_part", "task", "goose_db_version"}

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

// written is how COPY writes values, whatever the server's own settings are.
const written = `SET LOCAL TimeZone = 'UTC'; SET LOCAL DateStyle = 'ISO, YMD'; SET LOCAL IntervalStyle = 'iso_8601';
	SET LOCAL extra_float_digits = 1; SET LOCAL bytea_output = 'hex'`

// Backup writes everything as it was at one moment.
func (s *Store) Backup(ctx context.Context, w io.Writer) error {
	slow, err := s.unhurried(ctx)
	if err != nil {
		return err
	}
	defer slow.Close()
	m := manifest{Format: backupFormat, Version: backupVersion}
	if m.Schema, err = s.schema(ctx); err != nil {
		return err
	}
	var tables []bytes.Buffer
	err = pgx.BeginTxFunc(ctx, slow.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, written); err != nil {
			return err
		}
		tables = make([]bytes.Buffer, len(backedUp))
		for i, t := range backedUp {
			tag, err := tx.Conn().PgConn().CopyTo(ctx, &tables[i], `COPY (SELECT * FROM `+t.table+` ORDER BY `+t.key+`) TO STDOUT`)
			if err != nil {
				return fmt.Errorf("read %s: %w", t.table, err)
			}
			m.Tables = append(m.Tables, manifestTable{t.table, tag.RowsAffected(), checksum(tables[i].Bytes())})
		}
		return nil
	})
	if err != nil {
		return err
	}
	return writeBackup(w, m, tables)
}

func writeBackup(w io.Writer, m manifest, tables []bytes.Buffer) error {
	raw, err := m.text()
	if err != nil {
		return err
	}
	out := tar.NewWriter(w)
	if err := errors.Join(put(out, manifestName, raw), put(out, manifestSum, []byte(checksum(raw)))); err != nil {
		return err
	}
	for i, t := range m.Tables {
		if err := put(out, t.Name+".copy", tables[i].Bytes()); err != nil {
			return err
		}
	}
	return out.Close()
}

// text is the manifest as it is written, the only way in which it is read again.
func (m manifest) text() ([]byte, error) {
	raw, err := json.MarshalIndent(m, "", "  ")
	return append(raw, '\n'), err
}

func checksum(raw []byte) string {
	sum := sha256.Sum256(raw)
	return hex.EncodeToString(sum[:])
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

func (s *Store) provider() (*goose.Provider, func(), error) {
	if s.closed() {
		return nil, nil, errClosed
	}
	db := stdlib.OpenDB(*s.plain.ConnConfig)
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
