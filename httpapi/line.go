package httpapi

import (
	"context"
	"errors"
	"slices"
	"sync"
)

// line lets so much work run at once, so much of it one person's, and keeps the others
// waiting: of those who wait each person has a turn, however much one of them asks for.
type line struct {
	slots int // running at once
	each  int // of one person
	room  int // waiting of one person

	mutex   sync.Mutex
	running map[string]int
	total   int
	turn    []string // persons who wait, the next first
	waiting map[string][]*ticket
}

// ticket is one who waits.
type ticket struct{ admitted chan struct{} }

var errCrowd = errors.New("you have asked for very much at once: wait until some of it is done")

func newLine(slots, each, room int) *line {
	return &line{slots: slots, each: each, room: room, running: map[string]int{}, waiting: map[string][]*ticket{}}
}

// enter waits for a slot; leave gives it back. It fails when the context ends, or when the
// person waits too often already.
func (l *line) enter(ctx context.Context, person string) (leave func(), err error) {
	l.mutex.Lock()
	if l.total < l.slots && l.running[person] < l.each && len(l.waiting[person]) == 0 {
		l.start(person)
		l.mutex.Unlock()
		return func() { l.leave(person) }, nil
	}
	if len(l.waiting[person]) >= l.room {
		l.mutex.Unlock()
		return nil, errCrowd
	}
	t := &ticket{make(chan struct{})}
	if len(l.waiting[person]) == 0 {
		l.turn = append(l.turn, person)
	}
	l.waiting[person] = append(l.waiting[person], t)
	l.mutex.Unlock()
	select {
	case <-t.admitted:
		return func() { l.leave(person) }, nil
	case <-ctx.Done():
	}
	l.mutex.Lock()
	defer l.mutex.Unlock()
	select {
	case <-t.admitted: // let in at the same moment
		l.end(person)
	default:
		l.drop(person, t)
	}
	return nil, ctx.Err()
}

func (l *line) leave(person string) {
	l.mutex.Lock()
	defer l.mutex.Unlock()
	l.end(person)
}

func (l *line) start(person string) {
	l.total++
	l.running[person]++
}

// end frees a slot and lets in who is next.
func (l *line) end(person string) {
	l.total--
	if l.running[person]--; l.running[person] == 0 {
		delete(l.running, person)
	}
	for l.total < l.slots {
		i := slices.IndexFunc(l.turn, func(p string) bool { return l.running[p] < l.each })
		if i < 0 {
			return
		}
		next := l.turn[i]
		t := l.waiting[next][0]
		l.drop(next, t)
		if k := slices.Index(l.turn, next); k >= 0 { // behind all others who wait
			l.turn = append(slices.Delete(l.turn, k, k+1), next)
		}
		l.start(next)
		close(t.admitted)
	}
}

// drop takes a ticket out of the line.
func (l *line) drop(person string, t *ticket) {
	list := l.waiting[person]
	i := slices.Index(list, t)
	if i < 0 {
		return
	}
	if list = slices.Delete(list, i, i+1); len(list) > 0 {
		l.waiting[person] = list
		return
	}
	delete(l.waiting, person)
	l.turn = slices.DeleteFunc(l.turn, func(p string) bool { return p == person })
}

// place answers how much of a person's is running and waiting, and how many come before
// the first that waits.
func (l *line) place(person string) (running, waiting, before int) {
	l.mutex.Lock()
	defer l.mutex.Unlock()
	running, waiting = l.running[person], len(l.waiting[person])
	if waiting == 0 {
		return running, 0, 0
	}
	return running, waiting, slices.Index(l.turn, person)
}
