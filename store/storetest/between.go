package storetest

import (
	"io"
	"net"
	"net/url"
	"sync"
	"testing"
)

// Between stands between a store and its database, to let one hang or die for the other.
type Between struct {
	listener net.Listener
	target   string

	mutex sync.Mutex
	wake  *sync.Cond
	held  bool
	shut  bool
	ends  map[net.Conn]bool
}

// Stand answers a way to a database that can be held up, and its address.
func Stand(t testing.TB, database string) (*Between, string) {
	t.Helper()
	u, err := url.Parse(database)
	if err != nil {
		t.Fatal(err)
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	b := &Between{listener: l, target: u.Host, ends: map[net.Conn]bool{}}
	b.wake = sync.NewCond(&b.mutex)
	go b.serve()
	t.Cleanup(func() {
		_ = l.Close()
		b.Let()
		b.Break()
	})
	u.Host = l.Addr().String()
	return b, u.String()
}

// Hold lets nothing pass any more: connections stand, new ones too, and nobody answers.
func (b *Between) Hold() { b.set(true) }

// Let lets all pass again.
func (b *Between) Let() { b.set(false) }

// Shut ends every connection and takes no new one, as a server does that is stopped; Open
// takes them again.
func (b *Between) Shut() {
	b.mutex.Lock()
	b.shut = true
	b.mutex.Unlock()
	b.Break()
}

// Open takes connections again.
func (b *Between) Open() {
	b.mutex.Lock()
	defer b.mutex.Unlock()
	b.shut = false
}

// Break ends every connection, as a server does that dies.
func (b *Between) Break() {
	b.mutex.Lock()
	defer b.mutex.Unlock()
	for c := range b.ends {
		_ = c.Close() // it may have ended already
	}
	clear(b.ends)
}

func (b *Between) set(held bool) {
	b.mutex.Lock()
	b.held = held
	b.mutex.Unlock()
	b.wake.Broadcast()
}

func (b *Between) serve() {
	for {
		in, err := b.listener.Accept()
		if err != nil {
			return
		}
		out, err := net.Dial("tcp", b.target)
		if err != nil {
			_ = in.Close()
			continue
		}
		b.mutex.Lock()
		shut := b.shut
		if !shut {
			b.ends[in], b.ends[out] = true, true
		}
		b.mutex.Unlock()
		if shut {
			_, _ = in.Close(), out.Close()
			continue
		}
		go b.pass(in, out)
		go b.pass(out, in)
	}
}

// pass carries what one side says to the other, when it may.
func (b *Between) pass(from, to net.Conn) {
	defer from.Close()
	defer to.Close()
	_, _ = io.Copy(gated{to, b}, from) // either side may end it
}

type gated struct {
	net.Conn
	b *Between
}

func (g gated) Write(p []byte) (int, error) {
	g.b.mutex.Lock()
	for g.b.held {
		g.b.wake.Wait()
	}
	g.b.mutex.Unlock()
	return g.Conn.Write(p)
}
