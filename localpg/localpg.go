// Package localpg runs a private PostgreSQL cluster on loopback, for the demo
// and for tests. Everything lies in one folder that may be deleted while it is
// stopped. As root the server runs as the postgres user, as anybody else as
// that user. The server dies with this process, whichever way that ends.
package localpg

import (
	"cmp"
	"context"
	"crypto/rand"
	"encoding/hex"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// Options of a cluster.
type Options struct {
	Dir   string // made when missing
	Fsync bool   // off only for tests
}

// Cluster is a running server.
type Cluster struct {
	dir      string
	port     int
	password string
	lock     *os.File
	bin      string
	cred     *syscall.Credential
	fsync    bool

	mutex    sync.Mutex // guards proc
	proc     *process
	stopping atomic.Bool
}

// ErrBusy is answered when another process runs the same folder's cluster.
var ErrBusy = errors.New("the folder's database is in use by another process")

const owner = "warmanvil"

// Start makes the cluster if need be and runs it. Stop must be called.
func Start(ctx context.Context, opt Options) (*Cluster, error) {
	bin, err := findBin()
	if err != nil {
		return nil, err
	}
	cred, err := credential()
	if err != nil {
		return nil, err
	}
	dir, err := filepath.Abs(opt.Dir)
	if err != nil {
		return nil, err
	}
	if err := makeDir(dir, cred); err != nil {
		return nil, err
	}
	c := &Cluster{dir: dir, bin: bin, cred: cred, fsync: opt.Fsync}
	if c.lock, err = lockDir(dir); err != nil {
		return nil, err
	}
	if err := c.boot(ctx, bin, cred, opt); err != nil {
		_ = c.Stop()
		return nil, err
	}
	return c, nil
}

func (c *Cluster) data() string { return filepath.Join(c.dir, "data") }

func (c *Cluster) boot(ctx context.Context, bin string, cred *syscall.Credential, opt Options) error {
	if err := c.readPassword(); err != nil {
		return err
	}
	if _, err := os.Stat(filepath.Join(c.data(), "PG_VERSION")); err != nil {
		if err := c.initdb(ctx, bin, cred); err != nil {
			return err
		}
	}
	if err := stopLeftover(c.data()); err != nil {
		return err
	}
	var err error
	for range 3 { // a port found free may be taken before the server binds it
		if c.port, err = freePort(); err != nil {
			return err
		}
		if c.proc, err = launch(bin, cred, c.data(), filepath.Join(c.dir, "postgres.log"), c.port, opt.Fsync); err != nil {
			return err
		}
		if err = c.await(ctx); err == nil {
			return c.ensureDatabase(ctx, owner)
		}
		c.proc.stop()
	}
	return err
}

// URL answers the address of a database of the cluster.
func (c *Cluster) URL(database string) string {
	return fmt.Sprintf("postgres://%s:%s@127.0.0.1:%d/%s?sslmode=disable", owner, c.password, c.port, database)
}

// Database is the name of the application's database.
func (c *Cluster) Database() string { return owner }

// Kill ends the server at once, as a crash would; for tests.
func (c *Cluster) Kill() { c.running().kill() }

// Stop shuts the server down in order and frees the folder.
func (c *Cluster) Stop() error {
	c.stopping.Store(true)
	if p := c.running(); p != nil {
		p.stop()
	}
	if c.lock == nil {
		return nil
	}
	return c.lock.Close() // gives the lock up
}

// findBin finds the newest server's programs.
func findBin() (string, error) {
	dirs, _ := filepath.Glob("/usr/lib/postgresql/*/bin/postgres") // the pattern is well formed
	slices.SortFunc(dirs, func(a, b string) int { return cmp.Compare(version(b), version(a)) })
	if len(dirs) > 0 {
		return filepath.Dir(dirs[0]), nil
	}
	if p, err := exec.LookPath("postgres"); err == nil {
		if p, err = filepath.EvalSymlinks(p); err == nil {
			return filepath.Dir(p), nil
		}
	}
	return "", errors.New("PostgreSQL is not installed: on Debian, apt-get install postgresql")
}

func version(path string) int {
	n, _ := strconv.Atoi(filepath.Base(filepath.Dir(filepath.Dir(path)))) // 0 sorts last
	return n
}

// credential answers whose rights the server runs with; nil for our own.
func credential() (*syscall.Credential, error) {
	if os.Geteuid() != 0 {
		return nil, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("PostgreSQL does not run as root and there is no postgres user: %w", err)
	}
	uid, errU := strconv.ParseUint(u.Uid, 10, 32)
	gid, errG := strconv.ParseUint(u.Gid, 10, 32)
	if err := errors.Join(errU, errG); err != nil {
		return nil, err
	}
	return &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}, nil
}

func makeDir(dir string, cred *syscall.Credential) error {
	if err := os.MkdirAll(dir, 0o755); err != nil {
		return fmt.Errorf("make the data folder: %w", err)
	}
	if cred != nil {
		if err := os.Chown(dir, int(cred.Uid), int(cred.Gid)); err != nil {
			return fmt.Errorf("give the data folder to the postgres user: %w", err)
		}
	}
	return os.Chmod(dir, 0o700)
}

func lockDir(dir string) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, fmt.Errorf("lock the data folder: %w", err)
	}
	if err := syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		_ = f.Close()
		return nil, fmt.Errorf("%w (%s)", ErrBusy, dir)
	}
	return f, nil
}

func (c *Cluster) readPassword() error {
	path := filepath.Join(c.dir, "password")
	raw, err := os.ReadFile(path)
	if err == nil {
		c.password = strings.TrimSpace(string(raw))
		return nil
	}
	b := make([]byte, 24)
	if _, err := rand.Read(b); err != nil {
		return err
	}
	c.password = hex.EncodeToString(b)
	return os.WriteFile(path, []byte(c.password+"\n"), 0o600)
}

// initdb makes the cluster in a folder beside and moves it into place whole.
func (c *Cluster) initdb(ctx context.Context, bin string, cred *syscall.Credential) error {
	fresh := c.data() + ".new"
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	secret := filepath.Join(c.dir, "password")
	if cred != nil {
		if err := os.Chown(secret, int(cred.Uid), int(cred.Gid)); err != nil {
			return err
		}
	}
	cmd := exec.CommandContext(ctx, filepath.Join(bin, "initdb"), "-D", fresh, "-U", owner, "--pwfile", secret,
		"--auth=scram-sha-256", "--encoding=UTF8", "--locale=C.UTF-8", "--no-instructions")
	cmd.Dir = c.dir
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: cred}
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("make the database cluster in %s (can the postgres user reach it?): %w\n%s", c.dir, err, out)
	}
	return os.Rename(fresh, c.data())
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// await waits until the server answers, or says what its log says.
func (c *Cluster) await(ctx context.Context) error {
	deadline := time.Now().Add(60 * time.Second)
	for {
		conn, err := pgx.Connect(ctx, c.URL("postgres"))
		if err == nil {
			return conn.Close(ctx)
		}
		select {
		case <-c.proc.done:
			return fmt.Errorf("PostgreSQL stopped at once; its log ends:\n%s", tail(filepath.Join(c.dir, "postgres.log")))
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(50 * time.Millisecond):
		}
		if time.Now().After(deadline) {
			return fmt.Errorf("PostgreSQL does not answer: %w", err)
		}
	}
}

func tail(path string) string {
	raw, err := os.ReadFile(path)
	if err != nil {
		return err.Error()
	}
	if len(raw) > 2000 {
		raw = raw[len(raw)-2000:]
	}
	return string(raw)
}

func (c *Cluster) ensureDatabase(ctx context.Context, name string) error {
	conn, err := pgx.Connect(ctx, c.URL("postgres"))
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close(ctx) }()
	var there bool
	if err := conn.QueryRow(ctx, `SELECT EXISTS (SELECT FROM pg_database WHERE datname = $1)`, name).Scan(&there); err != nil || there {
		return err
	}
	_, err = conn.Exec(ctx, `CREATE DATABASE `+pgx.Identifier{name}.Sanitize())
	return err
}

// Clone makes a database from a template that nobody is connected to; for tests.
func (c *Cluster) Clone(ctx context.Context, name, template string) error {
	conn, err := pgx.Connect(ctx, c.URL("postgres"))
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close(ctx) }()
	_, err = conn.Exec(ctx, `CREATE DATABASE `+pgx.Identifier{name}.Sanitize()+` TEMPLATE `+pgx.Identifier{template}.Sanitize())
	return err
}

// RunningURL answers the address of the application's database in a folder
// whose cluster another process of this machine runs.
func RunningURL(dir string) (string, error) {
	c := &Cluster{dir: dir}
	raw, err := os.ReadFile(filepath.Join(c.data(), "postmaster.pid"))
	if err != nil {
		return "", fmt.Errorf("find the running database: %w", err)
	}
	lines := strings.Split(string(raw), "\n") // the fourth is the port
	if len(lines) < 4 {
		return "", errors.New("the running database is just starting: try again")
	}
	if c.port, err = strconv.Atoi(strings.TrimSpace(lines[3])); err != nil {
		return "", fmt.Errorf("find the running database's port: %w", err)
	}
	if err := c.readPassword(); err != nil {
		return "", err
	}
	return c.URL(owner), nil
}
