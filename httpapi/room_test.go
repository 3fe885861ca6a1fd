package httpapi_test

import (
	"context"
	"encoding/json"
	"errors"
	"io"
	"net/http/httptest"
	"path/filepath"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"warmanvil/daily"
	"warmanvil/httpapi"
	"warmanvil/store/storetest"
)

// equipped is a server with a disk that can be full and backups that can fail.
func equipped(t *testing.T) (c client, full *atomic.Bool, k *daily.Keeper) {
	t.Helper()
	alongside(t)
	jobs := storetest.Jobs(t)
	if err := jobs.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	full = &atomic.Bool{}
	k = &daily.Keeper{Dir: filepath.Join(t.TempDir(), "kept"), Now: time.Now, Read: func(io.Reader) error { return nil },
		Backup: func(_ context.Context, w io.Writer) error { _, err := io.WriteString(w, "x"); return err }}
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Backups: k, Room: func() error {
		if full.Load() {
			return errors.New("3 MB are left")
		}
		return nil
	}})
	if err != nil {
		t.Fatal(err)
	}
	s := httptest.NewServer(h)
	t.Cleanup(s.Close)
	return client{t, s.URL, jobs}, full, k
}

// While the disk is full nothing is taken that would be written, which is said as that;
// whatever is only read or computed goes on, and all of it does when there is room again.
func TestFullDiskIsSaid(t *testing.T) {
	c, full, _ := equipped(t)
	var list []httpapi.JobView
	c.do("GET", "/api/v1/jobs", "").into(t, &list)
	job := "/api/v1/jobs/" + list[0].ID
	full.Store(true)
	for _, w := range []struct{ method, path, body string }{
		{"POST", "/api/v1/jobs", newJob}, {"POST", job + "/archive", `{"archived":true}`}, {"POST", job + "/duplicate", ""},
	} {
		r := c.do(w.method, w.path, w.body)
		if r.status != 507 || r.header.Get("Content-Type") != "application/problem+json" || !strings.Contains(string(r.body), "disk") {
			t.Errorf("%s %s: %d %s", w.method, w.path, r.status, r.body)
		}
	}
	if r := c.do("GET", "/api/v1/health", ""); r.status != 507 {
		t.Errorf("health: %d %s", r.status, r.body)
	}
	for _, path := range []string{"/api/v1/jobs", job, job + "/holding", job + "/survey", job + "/export", "/api/v1/backups"} {
		if r := c.do("GET", path, ""); r.status != 200 {
			t.Errorf("reading %s: %d %s", path, r.status, r.body)
		}
	}
	if r := c.do("POST", "/api/v1/calc/bend", `{"angle":90,"radius":3,"thickness":3,"k":0.4}`); r.status == 507 {
		t.Errorf("computing: %d %s", r.status, r.body)
	}
	full.Store(false)
	if r := c.do("POST", "/api/v1/jobs", newJob); r.status != 200 {
		t.Errorf("with room again: %d %s", r.status, r.body)
	}
	if r := c.do("GET", "/api/v1/health", ""); r.status != 200 {
		t.Errorf("health with room again: %d %s", r.status, r.body)
	}
}

// How old the newest backup is can be seen, and that none is being made.
func TestBackupsInSight(t *testing.T) {
	c, _, k := equipped(t)
	seen := func() (v httpapi.BackupsView) {
		t.Helper()
		if err := json.Unmarshal(c.do("GET", "/api/v1/backups", "").body, &v); err != nil {
			t.Fatal(err)
		}
		return v
	}
	if v := seen(); !v.Kept || v.Last != nil || v.Late || v.Count != 0 || v.Dir != k.Dir {
		t.Errorf("before the first: %+v", v)
	}
	if err := k.Write(t.Context()); err != nil {
		t.Fatal(err)
	}
	if v := seen(); v.Last == nil || time.Since(*v.Last) > time.Hour || v.Count != 1 || v.Wrong != "" {
		t.Errorf("after the first: %+v", v)
	}
	k.Now = func() time.Time { return time.Now().Add(72 * time.Hour) }
	k.Read = func(io.Reader) error { return errors.New("cannot be read again") }
	if err := k.Write(t.Context()); err == nil {
		t.Fatal("kept what cannot be read")
	}
	if v := seen(); !v.Late || !strings.Contains(v.Wrong, "cannot be read again") || v.Count != 1 {
		t.Errorf("after a failure: %+v", v)
	}
	without := start(t)
	if r := without.do("GET", "/api/v1/backups", ""); r.status != 200 || strings.Contains(string(r.body), `"kept":true`) {
		t.Errorf("without backups: %d %s", r.status, r.body)
	}
}
