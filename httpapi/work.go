package httpapi

import (
	"context"
	"errors"
	"fmt"
	"math"
	"net/http"
	"runtime"
	"time"

	"github.com/gin-gonic/gin"
)

// work says how much a route computes.
type work int

const (
	rest    work = iota // it reads and keeps
	keeping             // it keeps a document and tells what that comes to: in turn, but never refused
	brisk               // it computes one thing: within a second where that is as large as it may be
	whole               // a whole job, a drawing, a frame
)

// patience is how many times its budget work may take: more than one where a tool makes it slow.
var patience time.Duration = 1

// budget is how long each may take once it runs; then it is left off.
var budget = map[work]time.Duration{rest: 20 * time.Second, keeping: 20 * time.Second, brisk: 10 * time.Second, whole: 30 * time.Second}

// waitingRoom is how much of one person's may wait.
const waitingRoom = 64

var errLong = errors.New("this takes longer than any work may")

// newLines keeps as many at work as there are processors, and one of them free of any one
// person's long work.
func newLines() map[work]*line {
	n := max(2, runtime.NumCPU())
	return map[work]*line{keeping: newLine(4*n, 4*n, math.MaxInt), brisk: newLine(2*n, n, waitingRoom), whole: newLine(n, n-1, waitingRoom)}
}

// begin waits until there is room for a route's work and bounds the time it may take; end
// is called when it is done, and says whether what was answered is whole.
func (s *server) begin(c *gin.Context, w work) (end func() error, err error) {
	leave := func() {}
	if l := s.lines[w]; l != nil {
		if leave, err = l.enter(c.Request.Context(), s.person(c)); err != nil {
			return nil, err
		}
	}
	ctx, cancel := context.WithTimeout(c.Request.Context(), patience*budget[w])
	c.Request = c.Request.WithContext(ctx)
	return func() error {
		err := ctx.Err()
		cancel()
		leave()
		if errors.Is(err, context.DeadlineExceeded) {
			err = fmt.Errorf("%w: %v", errLong, budget[w])
		}
		return err
	}, nil
}

// person answers whose work a request is: an account's, or an address's.
func (s *server) person(c *gin.Context) string {
	if id := whoIs(c).ID; id != "" {
		return id
	}
	return address(c)
}

// LineView is how one's own work stands.
type LineView struct {
	Running int `json:"running"`
	Waiting int `json:"waiting"`
	Before  int `json:"before" doc:"persons whose turn comes before one's own"`
}

func (s *server) lineRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/line", id: "getLine", summary: "What of one's own work runs and what waits for it"},
		func(c call, _ none) (v LineView, err error) {
			for _, w := range []work{keeping, brisk, whole} {
				running, waiting, before := s.lines[w].place(s.person(c.Context))
				v.Running += running
				v.Waiting += waiting
				v.Before = max(v.Before, before)
			}
			return v, nil
		})
}

// within does a route's work in its turn and answers it when it is whole.
func (s *server) within(c *gin.Context, w work, do func() (send func(), err error)) {
	end, err := s.begin(c, w)
	if err != nil {
		s.refuse(c, err)
		return
	}
	var send func()
	if c.Request.Method == http.MethodGet {
		err = s.again(c, func() (err error) { send, err = do(); return err })
	} else {
		send, err = do()
	}
	if ended := end(); ended != nil {
		err = ended
	}
	if err != nil {
		s.refuse(c, err)
		return
	}
	send()
}
