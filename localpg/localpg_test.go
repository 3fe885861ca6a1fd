package localpg

import (
	"context"
	"errors"
	"os"
	"strings"
	"testing"

	"github.com/jackc/pgx/v5"
)

// A crash keeps what was acknowledged; a second start finds it; the folder is
// held by one process at a time.
func TestCrashAndSecondStart(t *testing.T) {
	ctx := context.Background()
	dir, err := os.MkdirTemp("", "warmanvil-pg-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	c, err := Start(ctx, Options{Dir: dir, Fsync: true})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := Start(ctx, Options{Dir: dir}); !errors.Is(err, ErrBusy) {
		t.Errorf("a second process got the folder: %v", err)
	}
	run(t, c, `CREATE TABLE kept (n int)`)
	run(t, c, `INSERT INTO kept VALUES (42)`)
	c.Kill()
	if err := c.Stop(); err != nil {
		t.Fatal(err)
	}
	c, err = Start(ctx, Options{Dir: dir, Fsync: true})
	if err != nil {
		t.Fatalf("after a crash it does not start again: %v", err)
	}
	defer func() { _ = c.Stop() }()
	conn, err := pgx.Connect(ctx, c.URL(c.Database()))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = conn.Close(ctx) }()
	var n int
	if err := conn.QueryRow(ctx, `SELECT n FROM kept`).Scan(&n); err != nil || n != 42 {
		t.Errorf("kept %d, %v", n, err)
	}
	var fsync, address string
	if err := conn.QueryRow(ctx, `SELECT current_setting('fsync'), host(inet_server_addr())`).Scan(&fsync, &address); err != nil ||
		fsync != "on" || address != "127.0.0.1" {
		t.Errorf("fsync %s at %s, %v", fsync, address, err)
	}
	wrong := strings.Replace(c.URL(c.Database()), c.password, "guess", 1)
	if other, err := pgx.Connect(ctx, wrong); err == nil {
		_ = other.Close(ctx)
		t.Error("it lets in anybody on the machine")
	}
}

func run(t *testing.T, c *Cluster, sql string) {
	t.Helper()
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, c.URL(c.Database()))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = conn.Close(ctx) }()
	if _, err := conn.Exec(ctx, sql); err != nil {
		t.Fatal(err)
	}
}
