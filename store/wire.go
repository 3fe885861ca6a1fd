package store

import (
	"context"
	"errors"
	"fmt"
	"net"
	"os"
	"sync"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5/pgconn"
)

// patience is how long a database that is asked may say nothing. It answers each question
// by a key, within milliseconds: one that is silent for seconds hangs.
const patience = 5 * time.Second

// errSilent is what asking a database that hangs ends with.
var errSilent = errors.New("the database hangs: it is there and says nothing")

// wire is a connection that waits for the other side for as long as patience allows and no
// longer, unless whoever asks has set a deadline of its own.
type wire struct {
	net.Conn
	patience time.Duration
	silent   func() // told when nothing came in time

	mutex sync.Mutex // guards held
	held  bool       // a deadline of the asker's stands
}

// SetDeadline is how the driver gives a question up; the zero time takes that back.
func (w *wire) SetDeadline(t time.Time) error {
	w.mutex.Lock()
	defer w.mutex.Unlock()
	w.held = !t.IsZero()
	return w.Conn.SetDeadline(t)
}

func (w *wire) Read(b []byte) (int, error) {
	return w.within(w.Conn.SetReadDeadline, func() (int, error) { return w.Conn.Read(b) })
}

func (w *wire) Write(b []byte) (int, error) {
	return w.within(w.Conn.SetWriteDeadline, func() (int, error) { return w.Conn.Write(b) })
}

func (w *wire) within(limit func(time.Time) error, do func() (int, error)) (int, error) {
	if err := w.limit(limit); err != nil {
		return 0, err
	}
	n, err := do()
	if errors.Is(err, os.ErrDeadlineExceeded) && !w.isHeld() {
		w.silent()
		err = fmt.Errorf("%w for %v: %w", errSilent, w.patience, err)
	}
	return n, err
}

func (w *wire) limit(set func(time.Time) error) error {
	w.mutex.Lock()
	defer w.mutex.Unlock()
	if w.held {
		return nil
	}
	return set(time.Now().Add(w.patience))
}

func (w *wire) isHeld() bool {
	w.mutex.Lock()
	defer w.mutex.Unlock()
	return w.held
}

// sound tells whether a connection that rests is still one: the other side has neither
// closed it nor said anything, which to nobody's question can only be a farewell.
func (w *wire) sound() bool {
	of, ok := w.Conn.(syscall.Conn)
	if !ok {
		return true
	}
	raw, err := of.SyscallConn()
	if err != nil {
		return false
	}
	sound := false
	err = raw.Control(func(fd uintptr) {
		_, _, err := syscall.Recvfrom(int(fd), make([]byte, 1), syscall.MSG_PEEK|syscall.MSG_DONTWAIT)
		sound = errors.Is(err, syscall.EAGAIN)
	})
	return err == nil && sound
}

// wired finds our wire below what the driver put around it.
func wired(c net.Conn) *wire {
	for {
		switch in := c.(type) {
		case *wire:
			return in
		case interface{ NetConn() net.Conn }: // TLS
			c = in.NetConn()
		default:
			return nil
		}
	}
}

// patient dials with a limit to every wait.
func patient(dial pgconn.DialFunc, wait time.Duration, silent func()) pgconn.DialFunc {
	return func(ctx context.Context, network, address string) (net.Conn, error) {
		c, err := dial(ctx, network, address)
		if err != nil {
			return nil, err
		}
		return &wire{Conn: c, patience: wait, silent: silent}, nil
	}
}
