package httpapi

import (
	"bufio"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"
	"time"
	"unicode/utf8"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"warmanvil/core/brief"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/task"
)

// TaskView is a piece of long work: it goes on when the page is left, and when the server
// starts anew.
type TaskView struct {
	ID      string     `json:"id" format:"uuid"`
	Kind    task.Kind  `json:"kind" enum:"bring,pack"`
	Name    string     `json:"name" doc:"of what it works on"`
	State   task.State `json:"state" enum:"arriving,waiting,running,done,refused,stopped"`
	Done    int64      `json:"done" doc:"of the total, in a measure of its own"`
	Total   int64      `json:"total"`
	Says    string     `json:"says" doc:"what it is at, or how it ended"`
	Path    string     `json:"path,omitempty" doc:"place of what is refused, a JSON pointer"`
	Job     string     `json:"job,omitempty" format:"uuid" doc:"that it made or is of"`
	Created time.Time  `json:"created"`
}

func taskView(t task.Task) TaskView {
	return TaskView{ID: t.ID, Kind: t.Kind, Name: t.Name, State: t.State, Done: t.Done, Total: t.Total, Says: t.Says, Path: t.Path,
		Job: t.Job, Created: t.Created}
}

const (
	maxTaskName = 200
	// silent is how long a sender may say nothing. What arrives in time may take as long as it
	// takes.
	silent = 30 * time.Second
)

func (s *server) taskRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/tasks", id: "listTasks", summary: "One's own long work of the last day, newest first"},
		func(c call, _ none) ([]TaskView, error) {
			if s.tasks == nil {
				return []TaskView{}, nil
			}
			list, err := s.tasks.Store.Tasks(c.Request.Context(), whoIs(c.Context).ID)
			views := make([]TaskView, len(list))
			for i, t := range list {
				views[i] = taskView(t)
			}
			return views, err
		})
	route(s, operation{method: "GET", path: "/api/v1/tasks/{id}", id: "getTask", summary: "How far a piece of long work is"},
		func(c call, _ none) (TaskView, error) {
			t, err := s.task(c)
			return taskView(t), err
		})
	route(s, operation{method: "POST", path: "/api/v1/tasks/{id}/stop", id: "stopTask", access: reading,
		summary: "Stop a piece of long work; nothing of it is kept"},
		func(c call, _ none) (TaskView, error) {
			if _, err := s.task(c); err != nil {
				return TaskView{}, err
			}
			t, err := s.tasks.Stop(c.Request.Context(), c.id)
			return taskView(t), err
		})
	route(s, operation{method: "DELETE", path: "/api/v1/tasks/{id}", id: "dropTask", access: reading,
		summary: "Put away the word on a piece of long work that ended"},
		func(c call, _ none) (Done, error) {
			if _, err := s.task(c); err != nil {
				return Done{}, err
			}
			return Done{true}, s.tasks.Store.DropTask(c.Request.Context(), c.id)
		})
	s.describe(operation{method: "POST", path: "/api/v1/import", id: "importJob",
		query:   []*huma.Param{query("name", "of the file, as it is told")},
		summary: "Add the job of such a file. It is checked and added as a task: ask for that until it ended"},
		typeOf[job.File](), typeOf[TaskView]())
	s.engine.POST("/api/v1/import", s.importJob)
}

// task answers one of the asker's own.
func (s *server) task(c call) (task.Task, error) {
	if s.tasks == nil {
		return task.Task{}, job.ErrNotFound
	}
	t, err := s.tasks.Store.Task(c.Request.Context(), c.id)
	if err == nil && t.Who != whoIs(c.Context).ID {
		err = job.ErrNotFound
	}
	return t, err
}

// importJob takes a job's file as it arrives, never whole.
func (s *server) importJob(c *gin.Context) {
	t, err := s.taken(c)
	if err != nil {
		s.refuse(c, err)
		return
	}
	c.JSON(http.StatusOK, taskView(t))
}

func (s *server) taken(c *gin.Context) (task.Task, error) {
	if err := s.admit(c, making); err != nil {
		return task.Task{}, err
	}
	name := c.DefaultQuery("name", "A job's file")
	if n := utf8.RuneCountInString(name); n > maxTaskName {
		return task.Task{}, asFault("The file's name has up to %d characters, not %d.", maxTaskName, n)
	}
	if !utf8.ValidString(name) || strings.ContainsRune(name, 0) {
		return task.Task{}, asFault("The file's name is no text that can be kept: give it another.")
	}
	if err := brief.CheckName("", name); err != nil {
		return task.Task{}, err
	}
	from := bufio.NewReader(arriving{http.MaxBytesReader(c.Writer, c.Request.Body, maxJobFile), http.NewResponseController(c.Writer)})
	if start, err := from.Peek(1); err != nil || start[0] != '{' {
		return task.Task{}, working.First(otherThanEnd(err),
			asFault("This is not a job's file: choose one that was taken away from a job, as .json."))
	}
	// What comes on the same connection later has the server's own time.
	defer func() { _ = http.NewResponseController(c.Writer).SetReadDeadline(time.Time{}) }()
	return s.tasks.Ask(c.Request.Context(), task.Task{Kind: task.Bring, Who: whoIs(c).ID, Name: name}, from)
}

// otherThanEnd answers an error that is more than nothing to read.
func otherThanEnd(err error) error {
	if errors.Is(err, io.EOF) {
		return nil
	}
	return err
}

// arriving gives each piece of a long request time of its own.
type arriving struct {
	io.Reader
	at *http.ResponseController
}

func (a arriving) Read(p []byte) (int, error) {
	if err := a.at.SetReadDeadline(time.Now().Add(silent)); err != nil {
		return 0, fmt.Errorf("wait for the sender: %w", err)
	}
	return a.Reader.Read(p)
}

// leaving gives each piece of a long answer time of its own.
type leaving struct {
	io.Writer
	at   *http.ResponseController
	sent bool
}

func (l *leaving) Write(p []byte) (int, error) {
	if err := l.at.SetWriteDeadline(time.Now().Add(silent)); err != nil {
		return 0, fmt.Errorf("wait for the receiver: %w", err)
	}
	l.sent = true
	return l.Writer.Write(p)
}
