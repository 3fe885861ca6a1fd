package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"
)

// writer saves one part again and again, each time longer by one millimetre,
// and remembers the last state that was acknowledged.
type writer struct {
	id       string
	body     map[string]any
	revision int
	length   float64
	tries    int
}

func send(method, url string, body any, revision int, into any) (int, error) {
	raw, err := json.Marshal(body)
	if err != nil {
		return 0, err
	}
	req, err := http.NewRequest(method, url, bytes.NewReader(raw))
	if err != nil {
		return 0, err
	}
	if revision > 0 {
		req.Header.Set("If-Match", strconv.Itoa(revision))
	}
	client := http.Client{Timeout: 10 * time.Second}
	r, err := client.Do(req)
	if err != nil {
		return 0, err
	}
	defer r.Body.Close()
	return r.StatusCode, json.NewDecoder(r.Body).Decode(into)
}

type partView struct {
	ID       string    `json:"id"`
	Revision int       `json:"revision"`
	State    partState `json:"state"`
}

type partState struct {
	Recipe struct {
		Base struct {
			Length float64 `json:"length"`
		} `json:"base"`
	} `json:"recipe"`
}

// writers starts a job with n parts.
func writers(t *testing.T, url string, n int) []*writer {
	t.Helper()
	var j struct{ ID string }
	if code, err := send("POST", url+"/api/v1/jobs", map[string]any{"name": "Kill", "quantity": 1, "unit": "mm", "grain": 1}, 0,
		&j); err != nil || code != 200 {
		t.Fatal(code, err)
	}
	var out []*writer
	for i := range n {
		w := &writer{length: 100, body: map[string]any{"name": fmt.Sprint("part ", i), "quantity": 1,
			"recipe": map[string]any{"schema": 1, "material": "steel-a36", "thickness": 3, "process": "laser",
				"tool": map[string]any{"kind": "vdie"}, "bend": map[string]any{"school": "table", "method": "air"},
				"base": map[string]any{"id": "b", "length": 100.0, "width": 80}}}}
		var p partView
		if code, err := send("POST", url+"/api/v1/jobs/"+j.ID+"/parts", w.body, 0, &p); err != nil || code != 200 {
			t.Fatal(code, err)
		}
		w.id, w.revision = p.ID, p.Revision
		out = append(out, w)
	}
	return out
}

// save tries one save; a failed one is looked up and not counted.
func (w *writer) save(url string) bool {
	w.tries++
	next := w.length + float64(w.tries)
	w.body["recipe"].(map[string]any)["base"].(map[string]any)["length"] = next
	var p partView
	code, err := send("PUT", url+"/api/v1/parts/"+w.id, w.body, w.revision, &p)
	if err != nil || code != 200 {
		return false
	}
	w.revision, w.length = p.Revision, next
	w.tries = 0
	return true
}

// check holds what stands and every acknowledged revision against memory.
func (w *writer) check(t *testing.T, url string) {
	t.Helper()
	var revisions []struct{ Number int }
	if code, err := send("GET", url+"/api/v1/parts/"+w.id+"/revisions", nil, 0, &revisions); err != nil || code != 200 {
		t.Fatal(code, err)
	}
	found := false
	for i, r := range revisions {
		if r.Number == w.revision {
			var kept partState
			code, err := send("GET", fmt.Sprintf("%s/api/v1/parts/%s/revisions/%d", url, w.id, r.Number), nil, 0, &kept)
			found = err == nil && code == 200 && kept.Recipe.Base.Length == w.length
		}
		if want := revisions[0].Number - i; r.Number != want {
			t.Errorf("%s: revision %d is missing", w.id, want)
		}
	}
	if !found {
		t.Errorf("%s: the acknowledged revision %d with length %g is lost", w.id, w.revision, w.length)
	}
	var p partView
	if code, err := send("GET", url+"/api/v1/parts/"+w.id, nil, 0, &p); err != nil || code != 200 || p.Revision != revisions[0].Number {
		t.Errorf("%s: stands at %d of %d (%d, %v)", w.id, p.Revision, revisions[0].Number, code, err)
	}
	w.revision, w.length = p.Revision, p.State.Recipe.Base.Length
}

// during runs the writers until stop is closed.
func during(list []*writer, url func() string, do func()) {
	stop := make(chan struct{})
	var wait sync.WaitGroup
	for _, w := range list {
		wait.Go(func() {
			for {
				select {
				case <-stop:
					return
				default:
					if !w.save(url()) {
						time.Sleep(20 * time.Millisecond)
					}
				}
			}
		})
	}
	do()
	close(stop)
	wait.Wait()
}

// A server killed during saves, and a database killed during saves, lose
// nothing that was acknowledged and leave nothing half written. The server
// outlives its database: it says so and goes on when that is back.
func TestKilledDuringSaves(t *testing.T) {
	bin := build(t)
	data, err := os.MkdirTemp("", "warmanvil-kill-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	d := startDemo(t, bin, data)
	list := writers(t, d.url, 4)
	for range 2 {
		during(list, func() string { return d.url }, func() {
			time.Sleep(700 * time.Millisecond)
			_ = d.cmd.Process.Kill()
		})
		_ = d.cmd.Wait()
		d = startDemo(t, bin, data)
		for _, w := range list {
			w.check(t, d.url)
		}
	}
	for range 2 {
		before := since(t, d.url)
		during(list, func() string { return d.url }, func() {
			time.Sleep(500 * time.Millisecond)
			if err := syscall.Kill(postmaster(t, data), syscall.SIGKILL); err != nil {
				t.Fatal(err)
			}
			await(t, d.url, "the database does not come back", func(code int, h health) bool {
				return code == http.StatusOK && h.Since.After(before)
			})
		})
		for _, w := range list {
			w.check(t, d.url) // the first reads after it is back are answered
			if !w.save(d.url) {
				t.Errorf("%s: the first save after the database is back fails", w.id)
			}
			w.check(t, d.url)
		}
	}
	if total := list[0].revision; total < 10 {
		t.Errorf("only %d saves of the first part: too few to have been killed among", total)
	}

	// A backup is made beside the running demo and restored into an empty folder.
	file := filepath.Join(t.TempDir(), "all.backup")
	for _, c := range []struct {
		data string
		args []string
	}{{data, []string{"backup", file}}, {data + "-two", []string{"restore", file}}, {data + "-two", []string{"backup", file + "2"}}} {
		t.Cleanup(func() { _ = os.RemoveAll(data + "-two") })
		cmd := exec.Command(bin, c.args...)
		cmd.Env = append(os.Environ(), "WARMANVIL_DATA="+c.data, "WARMANVIL_DATABASE_URL=")
		if out, err := cmd.CombinedOutput(); err != nil {
			t.Fatalf("%v: %v: %s", c.args, err, out)
		}
	}
	a, errA := os.ReadFile(file)
	b, errB := os.ReadFile(file + "2")
	if errA != nil || errB != nil || !bytes.Equal(a, b) {
		t.Errorf("the restored database backs up differently: %d and %d bytes (%v, %v)", len(a), len(b), errA, errB)
	}
}

// health is what the server says about its database.
type health struct {
	Since  time.Time `json:"since"`
	Detail string    `json:"detail"`
}

func since(t *testing.T, url string) time.Time {
	t.Helper()
	var h health
	if code, err := send("GET", url+"/api/v1/health", nil, 0, &h); err != nil || code != http.StatusOK || h.Since.IsZero() {
		t.Fatal(code, err, h)
	}
	return h.Since
}

// await asks for the health until it is as wanted, for as long as a loaded machine may
// take; the server itself answers all the while.
func await(t *testing.T, url, or string, is func(code int, h health) bool) {
	t.Helper()
	for end := time.Now().Add(time.Minute); time.Now().Before(end); time.Sleep(50 * time.Millisecond) {
		var h health
		code, err := send("GET", url+"/api/v1/health", nil, 0, &h)
		if err != nil {
			t.Fatalf("the server went with its database: %v", err)
		}
		if code != http.StatusOK && (code != http.StatusServiceUnavailable || h.Detail == "") {
			t.Errorf("health answers %d %q", code, h.Detail)
		}
		if is(code, h) {
			return
		}
	}
	t.Fatal(or)
}

// A database that hangs is told as that: first to those who asked already, then at once,
// and what needs none goes on. When it answers again, so does everything.
func TestDatabaseThatHangs(t *testing.T) {
	data, err := os.MkdirTemp("", "warmanvil-hang-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	d := startDemo(t, build(t), data)
	list := writers(t, d.url, 4)
	before := since(t, d.url)
	during(list, func() string { return d.url }, func() {
		pid := postmaster(t, data)
		all(t, pid, syscall.SIGSTOP)
		defer all(t, pid, syscall.SIGCONT) // were the test to fail, the demo could not stop
		await(t, d.url, "nobody notices that the database hangs", func(code int, _ health) bool { return code != http.StatusOK })
		for path, want := range map[string]int{"/": 200, "/api/v1/stock": 200, "/api/v1/words": 200, "/api/v1/sections": 200,
			"/api/v1/jobs": 503, "/api/v1/parts/" + list[0].id: 503} {
			r, err := http.Get(d.url + path)
			if err != nil {
				t.Fatal(path, err)
			}
			_ = r.Body.Close()
			if r.StatusCode != want || want == 503 && r.Header.Get("Content-Type") != "application/problem+json" {
				t.Errorf("%s beside a database that hangs: %d %s", path, r.StatusCode, r.Header.Get("Content-Type"))
			}
		}
		all(t, pid, syscall.SIGCONT)
		await(t, d.url, "it stays away", func(code int, h health) bool { return code == http.StatusOK && h.Since.Equal(before) })
	})
	for _, w := range list {
		w.check(t, d.url)
		if !w.save(d.url) {
			t.Errorf("%s: the first save after the database goes on fails", w.id)
		}
	}
}

// all signals each of a database's processes, which lead groups of their own.
func all(t *testing.T, postmaster int, sig syscall.Signal) {
	t.Helper()
	raw, err := os.ReadFile(fmt.Sprintf("/proc/%d/task/%d/children", postmaster, postmaster))
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range append(strings.Fields(string(raw)), strconv.Itoa(postmaster)) {
		if pid, err := strconv.Atoi(p); err == nil {
			_ = syscall.Kill(pid, sig) // a child may have ended meanwhile
		}
	}
}

// postmaster answers the process of the private database.
func postmaster(t *testing.T, data string) int {
	t.Helper()
	raw, err := os.ReadFile(filepath.Join(data, "data", "postmaster.pid"))
	if err != nil {
		t.Fatal(err)
	}
	pid, err := strconv.Atoi(strings.TrimSpace(strings.SplitN(string(raw), "\n", 2)[0]))
	if err != nil {
		t.Fatal(err)
	}
	return pid
}
