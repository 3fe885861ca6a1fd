package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"log/slog"
	"net/http"

	"github.com/gin-gonic/gin"

	"warmanvil/account"
	"warmanvil/calc"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/task"
)

// Problem is every error's body (RFC 9457), with the place of each fault as a
// JSON pointer.
type Problem struct {
	Type   string         `json:"type"`
	Title  string         `json:"title"`
	Status int            `json:"status"`
	Detail string         `json:"detail" doc:"what happened, what was kept, what to do"`
	Errors []ProblemFault `json:"errors,omitempty"`
	Clash  *ClashView     `json:"clash,omitempty" doc:"with 412: what somebody else saved meanwhile, and where it clashes"`
}

// ProblemFault is one fault of the request.
type ProblemFault struct {
	Path    string `json:"path" doc:"JSON pointer into the request body"`
	Message string `json:"message"`
}

func problemOf(ctx context.Context, err error, trouble func(error) job.Trouble) Problem {
	p := Problem{Type: "about:blank", Detail: err.Error()}
	var fault *working.Fault
	var tooLarge *http.MaxBytesError
	switch {
	case errors.As(err, &fault):
		p.Status, p.Errors = http.StatusUnprocessableEntity, []ProblemFault{{fault.Path, fault.Message}}
	case errors.As(err, &tooLarge):
		p.Status, p.Detail = http.StatusRequestEntityTooLarge,
			fmt.Sprintf("The request is larger than the %d MB that are taken here: a part that large has to be split, a job's file brought in by "+
				"the program on the command line.", tooLarge.Limit>>20)
	case errors.Is(err, errSignIn), errors.Is(err, errSetup):
		p.Status = http.StatusUnauthorized
	case errors.Is(err, errRole):
		p.Status = http.StatusForbidden
	case errors.Is(err, errLong):
		p.Status, p.Detail = http.StatusUnprocessableEntity, "This was given up: "+err.Error()+". Ask for less at once, a part of the drawing "+
			"or of the job; nothing was changed and nothing typed is lost."
	case errors.Is(err, errTooMany), errors.Is(err, errCrowd), errors.Is(err, errGuessed), errors.Is(err, task.ErrMany):
		p.Status = http.StatusTooManyRequests
	case errors.Is(err, account.ErrOwned):
		p.Status = http.StatusConflict
	case errors.Is(err, account.ErrNotFound), errors.Is(err, job.ErrNotFound), errors.Is(err, calc.ErrUnknown):
		p.Status = http.StatusNotFound
	case errors.Is(err, job.ErrConflict):
		p.Status, p.Clash = http.StatusPreconditionFailed, clashOf(err)
		p.Detail = "Somebody saved this meanwhile. Load it anew and make the change again."
		if p.Clash != nil {
			p.Detail = "Somebody changed the same things meanwhile. Your version is kept here: look at both and choose."
		}
	case errors.Is(err, job.ErrNothing):
		p.Status = http.StatusConflict
	case errors.Is(err, context.Canceled) && ctx.Err() != nil:
		p.Status, p.Detail = 499, "The request was given up."
	case errors.Is(err, errFull), trouble(err) == job.Full:
		p.Status, p.Detail = http.StatusInsufficientStorage,
			"The disk of the server is full: nothing can be saved until there is room on it again. What was saved is safe and can be read; "+
				"nothing typed is lost: keep this page open."
	case trouble(err) == job.Away:
		p.Status, p.Detail = http.StatusServiceUnavailable,
			"The database does not answer. Nothing typed is lost: keep this page open and try again."
	default:
		p.Status, p.Detail = http.StatusInternalServerError,
			"Something went wrong on our side; nothing was saved. Try again, and look into the server's log if it stays."
		slog.ErrorContext(ctx, "request failed", "error", err)
	}
	p.Title = http.StatusText(p.Status)
	return p
}

// refuse answers an error of a use case.
func (s *server) refuse(c *gin.Context, err error) {
	answer(c, problemOf(c.Request.Context(), err, s.trouble))
}

// noTrouble is what every error means where there is no store.
func noTrouble(error) job.Trouble { return job.NoTrouble }

// refuse answers an error that no store had a part in.
func refuse(c *gin.Context, err error) {
	answer(c, problemOf(c.Request.Context(), err, noTrouble))
}

// spoken is the header that says in which units a refusal is read: in or mm. Calculations say
// it in their query, as their workings are.
const spoken = "Spoken"

func answer(c *gin.Context, p Problem) {
	if inches := c.GetHeader(spoken) == "in"; p.Status == http.StatusUnprocessableEntity {
		p.Detail = working.Spoken(p.Detail, inches)
		for i := range p.Errors {
			p.Errors[i].Message = working.Spoken(p.Errors[i].Message, inches)
		}
	}
	raw, _ := json.Marshal(p) // a Problem always encodes
	c.Abort()
	if p.Status == http.StatusTooManyRequests {
		c.Header("Retry-After", "60")
	}
	c.Data(p.Status, "application/problem+json", raw)
}
