package store

import (
	"archive/tar"
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
	{"done_once", "what"}, {"account", "id"}, {"stock_line", "id"}, {"stock_held", "line, job"}, {"stock_move", "id"},
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
	schema, err := s.schema(ctx)
	if err != nil {
		return err
	}
	return pgx.BeginTxFunc(ctx, slow.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		m, sizes, err := counted(ctx, tx, schema)
		if err != nil {
			return err
		}
		return writeBackup(w, m, sizes, func(i int, to io.Writer) error {
			_, err := copied(ctx, tx, i, to)
			return err
		})
	})
}

// counted reads every table once for what the manifest says of it, and its size in bytes.
// Within the same transaction it reads the same again: no table is ever in memory.
func counted(ctx context.Context, tx pgx.Tx, schema int64) (m manifest, sizes []int64, err error) {
	m = manifest{Format: backupFormat, Version: backupVersion, Schema: schema}
	if _, err := tx.Exec(ctx, written); err != nil {
		return m, nil, err
	}
	for i, t := range backedUp {
		var size length
		sum := sha256.New()
		rows, err := copied(ctx, tx, i, io.MultiWriter(&size, sum))
		if err != nil {
			return m, nil, err
		}
		m.Tables = append(m.Tables, manifestTable{t.table, rows, hex.EncodeToString(sum.Sum(nil))})
		sizes = append(sizes, int64(size))
	}
	return m, sizes, nil
}

// copied writes a table in the order of its key and answers how many rows it has.
func copied(ctx context.Context, tx pgx.Tx, i int, to io.Writer) (int64, error) {
	t := backedUp[i]
	tag, err := tx.Conn().PgConn().CopyTo(ctx, to, `COPY (SELECT * FROM `+t.table+` ORDER BY `+t.key+`) TO STDOUT`)
	if err != nil {
		return 0, fmt.Errorf("read %s: %w", t.table, err)
	}
	return tag.RowsAffected(), nil
}

// length counts bytes.
type length int64

func (l *length) Write(p []byte) (int, error) { *l += length(len(p)); return len(p), nil }

// writeBackup writes a manifest and the tables it lists, as table writes them.
func writeBackup(w io.Writer, m manifest, sizes []int64, table func(i int, to io.Writer) error) error {
	raw, err := m.text()
	if err != nil {
		return err
	}
	out := tar.NewWriter(w)
	if err := errors.Join(put(out, manifestName, raw), put(out, manifestSum, []byte(checksum(raw)))); err != nil {
		return err
	}
	for i, t := range m.Tables {
		if err := begin(out, t.Name+".copy", sizes[i]); err != nil {
			return err
		}
		if err := table(i, out); err != nil {
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

// put adds a file.
func put(out *tar.Writer, name string, content []byte) error {
	if err := begin(out, name, int64(len(content))); err != nil {
		return err
	}
	_, err := out.Write(content)
	return err
}

// begin begins a file with a fixed time, so that equal content is equal bytes.
func begin(out *tar.Writer, name string, size int64) error {
	return out.WriteHeader(&tar.Header{Name: name, Mode: 0o600, Size: size, ModTime: time.Unix(0, 0), Format: tar.FormatPAX})
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
