package httpapi

import (
	"context"
	"strings"
	"sync"
	"time"
)

// Guesses at a password. A name is never shut: devices that signed in to it before are
// slowed down alone; of those that never did, all together have a hundred wrong guesses an
// hour, and each address less and less quickly.
const (
	hourly     = 100
	freeTries  = 3                // of a name from an address, before it is slowed down
	longestHop = 16 * time.Second // between two guesses
	names      = 20_000           // that are counted at once
)

type guesses struct {
	now   func() time.Time
	sleep func(ctx context.Context, d time.Duration) error

	mutex sync.Mutex
	name  map[string][]time.Time // wrong ones of the last hour from devices that never signed in
	swept time.Time
	from  map[string]*row // wrong ones in a row, by name and where they come from
}

type row struct {
	n    int
	last time.Time
}

func newGuesses() *guesses {
	return &guesses{now: time.Now, sleep: nap, name: map[string][]time.Time{}, from: map[string]*row{}}
}

// nap waits, unless whoever waits leaves.
func nap(ctx context.Context, d time.Duration) error {
	t := time.NewTimer(d)
	defer t.Stop()
	select {
	case <-t.C:
		return nil
	case <-ctx.Done():
		return ctx.Err()
	}
}

// guess is one try at a name, of a device or an address.
type guess struct {
	name, from string
	known      bool // the device signed in to that name before
}

// begin lets a guess be made, later the more went wrong before, or refuses it. It counts as
// wrong until right says otherwise.
func (g *guesses) begin(ctx context.Context, x guess) error {
	x.name = strings.ToLower(strings.TrimSpace(x.name))
	wait, err := g.count(x)
	if err != nil || wait == 0 {
		return err
	}
	return g.sleep(ctx, wait)
}

func (g *guesses) count(x guess) (wait time.Duration, err error) {
	g.mutex.Lock()
	defer g.mutex.Unlock()
	now := g.now()
	g.sweep(now)
	if !x.known {
		list := recent(g.name[x.name], now)
		if len(list) >= hourly || len(g.name) >= names && g.name[x.name] == nil {
			g.name[x.name] = list
			return 0, errGuessed
		}
		g.name[x.name] = append(list, now)
	}
	key := x.key()
	r := g.from[key]
	if r == nil {
		r = &row{}
		g.from[key] = r
	}
	if r.n >= freeTries {
		wait = min(time.Second<<min(r.n-freeTries, 10), longestHop)
	}
	r.n++
	r.last = now
	return wait, nil
}

// right takes a guess back that was none.
func (g *guesses) right(x guess) {
	x.name = strings.ToLower(strings.TrimSpace(x.name))
	g.mutex.Lock()
	defer g.mutex.Unlock()
	delete(g.from, x.key())
	if list := g.name[x.name]; !x.known && len(list) > 0 {
		g.name[x.name] = list[:len(list)-1]
	}
}

func (x guess) key() string { return x.name + "\x00" + x.from }

// recent drops what is older than an hour.
func recent(list []time.Time, now time.Time) []time.Time {
	for len(list) > 0 && now.Sub(list[0]) >= time.Hour {
		list = list[1:]
	}
	return list
}

// sweep forgets what is over, when there is much.
func (g *guesses) sweep(now time.Time) {
	if len(g.from)+len(g.name) < names/2 || now.Sub(g.swept) < time.Minute {
		return
	}
	g.swept = now
	for k, r := range g.from {
		if now.Sub(r.last) > time.Hour {
			delete(g.from, k)
		}
	}
	for k, list := range g.name {
		if len(recent(list, now)) == 0 {
			delete(g.name, k)
		}
	}
}
