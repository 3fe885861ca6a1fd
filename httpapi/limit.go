package httpapi

import (
	"errors"
	"net"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/time/rate"
)

var errTooMany = errors.New("too many tries: wait a minute and try again")

var errGuessed = errors.New("this name was tried too often from devices that never signed in to it: wait an hour, use one that has, or " +
	"pair this one from there")

// limiter gives each key tries of its own; keys that rest are forgotten.
type limiter struct {
	every time.Duration
	burst int

	mutex sync.Mutex
	keys  map[string]*tries
	swept time.Time
}

type tries struct {
	left *rate.Limiter
	last time.Time
}

func newLimiter(every time.Duration, burst int) *limiter {
	return &limiter{every: every, burst: burst, keys: map[string]*tries{}}
}

// allow takes one of a key's tries.
func (l *limiter) allow(key string) bool {
	l.mutex.Lock()
	defer l.mutex.Unlock()
	now := time.Now()
	rest := l.every * time.Duration(l.burst+1) // by then a key has all its tries again
	if now.Sub(l.swept) > rest {
		for k, t := range l.keys {
			if now.Sub(t.last) > rest {
				delete(l.keys, k)
			}
		}
		l.swept = now
	}
	t, there := l.keys[key]
	if !there {
		t = &tries{left: rate.NewLimiter(rate.Every(l.every), l.burst)}
		l.keys[key] = t
	}
	t.last = now
	return t.left.Allow()
}

func address(c *gin.Context) string {
	host, _, err := net.SplitHostPort(c.Request.RemoteAddr)
	if err != nil {
		return c.Request.RemoteAddr
	}
	return host
}

// limited holds each address to a pace no person works at, beyond loopback.
func (s *server) limited(c *gin.Context) {
	if s.door.Listen && !s.pace.allow(address(c)) {
		s.refuse(c, errTooMany)
		return
	}
	c.Next()
}
