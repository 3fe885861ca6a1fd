package store

import (
	"context"
	"sync"
	"time"
)

// circuit is open while the database hangs: nobody waits for it then, each is told at once.
// It is tried again until it answers, be it with a refusal, which is told as such.
type circuit struct {
	try   func(ctx context.Context) error // one question on a fresh connection
	pause time.Duration                   // between tries
	ended <-chan struct{}                 // the store is closed

	mutex  sync.Mutex
	opened bool
}

// open is told that the database is silent.
func (c *circuit) open() {
	c.mutex.Lock()
	defer c.mutex.Unlock()
	if c.opened {
		return
	}
	c.opened = true
	go c.mend()
}

// is answers errSilent while it is open.
func (c *circuit) is() error {
	c.mutex.Lock()
	defer c.mutex.Unlock()
	if c.opened {
		return errSilent
	}
	return nil
}

func (c *circuit) mend() {
	for {
		select {
		case <-c.ended:
			return
		case <-time.After(c.pause):
		}
		if c.answers() {
			c.mutex.Lock()
			c.opened = false
			c.mutex.Unlock()
			return
		}
	}
}

// answers tries once, for no longer than a pause or two.
func (c *circuit) answers() bool {
	ctx, cancel := context.WithTimeout(context.Background(), 2*c.pause)
	defer cancel()
	_ = c.try(ctx) // a refusal is an answer too
	return ctx.Err() == nil
}
