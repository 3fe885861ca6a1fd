package main

import (
	"bufio"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"
)

// demo is the program as a user starts it.
type demo struct {
	cmd *exec.Cmd
	url string
	out *strings.Builder
}

// built is the program, linked once for all tests.
var built = sync.OnceValues(func() (string, error) {
	dir, err := os.MkdirTemp("", "warmanvil-built-")
	if err != nil {
		return "", err
	}
	remove = func() { _ = os.RemoveAll(dir) } // the run is over
	bin := filepath.Join(dir, "warmanvil")
	if out, err := exec.Command("go", "build", "-o", bin, ".").CombinedOutput(); err != nil {
		return "", fmt.Errorf("%w: %s", err, out)
	}
	return bin, nil
})

var remove = func() {}

func TestMain(m *testing.M) {
	code := m.Run()
	remove()
	os.Exit(code)
}

func build(t *testing.T) string {
	t.Helper()
	bin, err := built()
	if err != nil {
		t.Fatal(err)
	}
	return bin
}

func startDemo(t *testing.T, bin, data string) demo {
	t.Helper()
	d := demo{cmd: exec.Command(bin, "demo", "--backups", filepath.Join(data, "backups")), out: &strings.Builder{}}
	d.cmd.Env = append(os.Environ(), "WARMANVIL_DATA="+data, "WARMANVIL_DATABASE_URL=")
	d.cmd.Stderr = d.out
	stdout, err := d.cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := d.cmd.Start(); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = d.cmd.Process.Kill() }) // it may have ended already
	at := regexp.MustCompile(`http://127\.0\.0\.1:\d+`)
	lines := bufio.NewScanner(stdout)
	for lines.Scan() {
		if d.url = at.FindString(lines.Text()); d.url != "" {
			go func() { _, _ = io.Copy(io.Discard, stdout) }()
			return d
		}
	}
	_ = d.cmd.Wait()
	t.Fatalf("the demo prints no address: %s", d.out)
	return d
}

func (d demo) jobs(t *testing.T) []string {
	t.Helper()
	r, err := http.Get(d.url + "/api/v1/jobs")
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	var list []struct {
		Brief struct{ Name string }
	}
	if err := json.NewDecoder(r.Body).Decode(&list); err != nil {
		t.Fatal(err)
	}
	var names []string
	for _, j := range list {
		names = append(names, j.Brief.Name)
	}
	return names
}

// The demo starts from nothing, survives being killed, starts again with its
// data, loads the demo jobs once, and stops cleanly on Ctrl-C.
func TestDemoLife(t *testing.T) {
	bin := build(t)
	data, err := os.MkdirTemp("", "warmanvil-demo-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	d := startDemo(t, bin, data)
	if got := d.jobs(t); len(got) != 3 || got[0] != "Orchard truck" {
		t.Fatalf("demo jobs %v", got)
	}
	r, err := http.Post(d.url+"/api/v1/jobs", "application/json", strings.NewReader(`{"name":"Kept","quantity":1,"unit":"mm","grain":1}`))
	if err != nil || r.StatusCode != 200 {
		t.Fatal(err, r)
	}
	_ = r.Body.Close()
	if err := d.cmd.Process.Signal(syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	_ = d.cmd.Wait() // killed, as asked
	begin := time.Now()
	d = startDemo(t, bin, data)
	t.Logf("started again after a kill in %v", time.Since(begin))
	if got := d.jobs(t); len(got) != 4 || got[0] != "Kept" {
		t.Fatalf("after a kill %v", got)
	}
	if err := d.cmd.Process.Signal(os.Interrupt); err != nil {
		t.Fatal(err)
	}
	if err := d.cmd.Wait(); err != nil {
		t.Errorf("Ctrl-C: %v: %s", err, d.out)
	}
	if _, err := os.Stat(filepath.Join(data, "data", "postmaster.pid")); !os.IsNotExist(err) {
		t.Errorf("the database was not stopped: %v", err)
	}
}

func TestOnlyLoopback(t *testing.T) {
	out, err := exec.Command(build(t), "demo", "--address", "0.0.0.0:8460").CombinedOutput()
	if err == nil || !strings.Contains(string(out), "only loopback addresses are served") {
		t.Errorf("%v: %s", err, out)
	}
}
