package job

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"runtime"
	"strings"
	"testing"

	"warmanvil/core/demo"
)

// sink keeps nothing of a job but how much there was.
type sink struct {
	*memory
	states int
}

func (s *sink) AddJob(_ context.Context, _ Row, fill func(Adding) error) error {
	return fill((*drain)(s))
}

// drain counts what is added.
type drain sink

func (*drain) Document(Document) error           { return nil }
func (*drain) Number(Number) error               { return nil }
func (s *drain) Revision(string, Revision) error { s.states++; return nil }

// long is the file of a job whose part has a history of so many states, written as it is
// read.
func long(t testing.TB, states int) (size int64, open func() io.Reader) {
	t.Helper()
	body := func(v any) string {
		raw, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	r := demo.TrayBracket()
	state := body(PartState{Name: "Tray", Quantity: 1, Recipe: r})
	revision := func(n int, body string) string {
		return fmt.Sprintf(`{"number":%d,"body":%s,"summary":"","created":"2031-04-01T08:00:00Z"}`, n, body)
	}
	head := `{"format":"warmanvil-job","version":5,"documents":[{"id":"b","kind":"brief","revisions":[` +
		revision(1, body(demo.SoundLorry())) +
		`]},{"id":"p","kind":"sheet","revisions":[`
	open = func() io.Reader {
		n := 0
		return io.MultiReader(strings.NewReader(head), readerOf(func() string {
			if n == states {
				return ""
			}
			if n++; n > 1 {
				return "," + revision(n, state)
			}
			return revision(n, state)
		}), strings.NewReader(`]}],"numbers":[]}`))
	}
	size, err := io.Copy(io.Discard, open())
	if err != nil {
		t.Fatal(err)
	}
	return size, open
}

// readerOf reads what is made piece by piece, until a piece is empty.
func readerOf(next func() string) io.Reader {
	return &piecewise{next: next}
}

type piecewise struct {
	next func() string
	left string
}

func (m *piecewise) Read(p []byte) (int, error) {
	if m.left == "" {
		if m.left = m.next(); m.left == "" {
			return 0, io.EOF
		}
	}
	n := copy(p, m.left)
	m.left = m.left[n:]
	return n, nil
}

// A file of any length is gone through piece by piece: what is in memory does not grow with
// it, and how far it is told from start to end.
func TestLongFilesAreNotHeld(t *testing.T) {
	const states = 3000
	s, m := remembering()
	kept := &sink{memory: m}
	s.Store = kept
	size, open := long(t, states)
	if size < 3<<20 {
		t.Fatalf("a file of only %d bytes shows nothing", size)
	}
	var before, now runtime.MemStats
	runtime.GC()
	runtime.ReadMemStats(&before)
	var most uint64
	var last int64
	_, err := s.Bring(t.Context(), "long", Brought{Size: size, Open: open, Tell: func(done, total int64) error {
		if done < last || done > total || total != 2*size {
			t.Fatalf("%d of %d after %d", done, total, last)
		}
		if done-last > 1<<20 || done == total {
			last = done
			runtime.GC() // what is held, not what is thrown away
			runtime.ReadMemStats(&now)
			most = max(most, now.HeapAlloc)
		}
		return nil
	}})
	if err != nil && !errors.Is(err, ErrNotFound) { // the sink has no job to answer
		t.Fatal(err)
	}
	if kept.states != states+1 || last != 2*size {
		t.Errorf("%d states of %d, told up to %d of %d", kept.states, states+1, last, 2*size)
	}
	t.Logf("%d kB are held of a file of %d", (int64(most)-int64(before.HeapAlloc))>>10, size>>10)
	if held := int64(most) - int64(before.HeapAlloc); held > size/2 {
		t.Errorf("%d MB are held of a file of %d", held>>20, size>>20)
	}
}

func BenchmarkBringLong(b *testing.B) {
	s, m := remembering()
	s.Store = &sink{memory: m}
	size, open := long(b, 2000)
	b.SetBytes(size)
	b.ReportAllocs()
	for b.Loop() {
		if _, err := s.Bring(b.Context(), "long", Brought{Size: size, Open: open}); err != nil && !errors.Is(err, ErrNotFound) {
			b.Fatal(err)
		}
	}
}
