package localpg

import (
	"context"
	"log/slog"
	"path/filepath"
	"time"
)

// Tend starts the server again, on the same port, whenever it ends without
// having been asked to. It returns at once; Stop ends it.
func (c *Cluster) Tend(ctx context.Context) {
	go func() {
		for {
			p := c.running()
			select {
			case <-ctx.Done():
				return
			case <-p.done:
			}
			for c.again(ctx) != nil {
				select {
				case <-ctx.Done():
					return
				case <-time.After(300 * time.Millisecond): // children of the dead server may hold its memory a moment longer
				}
			}
			if c.stopping.Load() {
				return
			}
		}
	}()
}

func (c *Cluster) running() *process {
	c.mutex.Lock()
	defer c.mutex.Unlock()
	return c.proc
}

// again launches the server that ended, unless the cluster is being stopped.
func (c *Cluster) again(ctx context.Context) error {
	c.mutex.Lock()
	defer c.mutex.Unlock()
	if c.stopping.Load() {
		return nil
	}
	slog.WarnContext(ctx, "the database ended and is started again", "log", filepath.Join(c.dir, "postgres.log"))
	p, err := launch(c.bin, c.cred, c.data(), filepath.Join(c.dir, "postgres.log"), c.port, c.fsync)
	if err != nil {
		return err
	}
	c.proc = p
	if err := c.await(ctx); err != nil {
		p.kill()
		return err
	}
	return nil
}
