package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"testing"
	"time"
)

type longWork struct {
	ID, State, Says, Job string
	Done, Total          int64
}

// fileOf takes a job away as a file and lengthens the history of a part in it.
func fileOf(t *testing.T, url, id string, states int) []byte {
	t.Helper()
	r, err := http.Get(url + "/api/v1/jobs/" + id + "/export")
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	raw, err := io.ReadAll(r.Body)
	if err != nil {
		t.Fatal(err)
	}
	var f map[string]any
	if err := json.Unmarshal(raw, &f); err != nil {
		t.Fatal(err)
	}
	for _, d := range f["documents"].([]any) {
		d := d.(map[string]any)
		if list := d["revisions"].([]any); d["kind"] == "sheet" {
			for n := len(list) + 1; n <= states; n++ {
				next := map[string]any{}
				for k, v := range list[0].(map[string]any) {
					next[k] = v
				}
				next["number"], next["summary"] = n, fmt.Sprint("state ", n)
				list = append(list, next)
			}
			d["revisions"] = list
			break
		}
	}
	if raw, err = json.Marshal(f); err != nil {
		t.Fatal(err)
	}
	return raw
}

// A server killed in the midst of bringing in a job's file brings it in when it runs again:
// whole, and once.
func TestKilledWhileBringingIn(t *testing.T) {
	bin := build(t)
	data, err := os.MkdirTemp("", "warmanvil-long-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	d := startDemo(t, bin, data)
	before := d.jobs(t)
	var list []struct{ ID string }
	if code, err := send("GET", d.url+"/api/v1/jobs", nil, 0, &list); err != nil || code != 200 {
		t.Fatal(code, err)
	}
	const states = 4000
	file := fileOf(t, d.url, list[0].ID, states)
	r, err := http.Post(d.url+"/api/v1/import", "application/json", bytes.NewReader(file))
	if err != nil {
		t.Fatal(err)
	}
	var w longWork
	err = json.NewDecoder(r.Body).Decode(&w)
	_ = r.Body.Close()
	if err != nil || r.StatusCode != 200 {
		t.Fatal(r.StatusCode, err)
	}
	look := func() {
		t.Helper()
		if code, err := send("GET", d.url+"/api/v1/tasks/"+w.ID, nil, 0, &w); err != nil || code != 200 {
			t.Fatal(code, err)
		}
	}
	for w.Done == 0 {
		if look(); w.State != "waiting" && w.State != "running" {
			t.Fatalf("over before it could be killed: %+v", w)
		}
		time.Sleep(10 * time.Millisecond)
	}
	_ = d.cmd.Process.Kill()
	_ = d.cmd.Wait()
	d = startDemo(t, bin, data)
	if now := d.jobs(t); len(now) != len(before) {
		t.Fatalf("half of it is there: %d jobs of %d", len(now), len(before))
	}
	for end := time.Now().Add(3 * time.Minute); w.State != "done"; time.Sleep(100 * time.Millisecond) {
		if look(); time.Now().After(end) || w.State == "refused" || w.State == "stopped" {
			t.Fatalf("not brought in after the kill: %+v", w)
		}
	}
	if now := d.jobs(t); len(now) != len(before)+1 {
		t.Errorf("%d jobs, %d wanted", len(now), len(before)+1)
	}
	var got struct {
		Documents []struct {
			Kind      string
			Revisions []struct{ Number int }
		}
	}
	if code, err := send("GET", d.url+"/api/v1/jobs/"+w.Job+"/export", nil, 0, &got); err != nil || code != 200 {
		t.Fatal(code, err)
	}
	most := 0
	for _, doc := range got.Documents {
		most = max(most, len(doc.Revisions))
	}
	if most != states {
		t.Errorf("%d states of %d", most, states)
	}
}
