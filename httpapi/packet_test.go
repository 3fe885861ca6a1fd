package httpapi_test

import (
	"archive/zip"
	"bytes"
	"io"
	"regexp"
	"strings"
	"testing"
	"time"

	"warmanvil/httpapi"
	"warmanvil/job"
)

// packed answers a job's packet, its files by name.
func (c client) packed(id, asked string) (said string, files map[string]string) {
	c.t.Helper()
	var v httpapi.TaskView
	r := c.do("POST", "/api/v1/jobs/"+id+"/packet", asked)
	if r.status != 200 {
		c.t.Fatal(r.status, string(r.body))
	}
	r.into(c.t, &v)
	c.do("GET", "/api/v1/tasks/"+v.ID+"/file", "").refused(c.t, 404, "")
	for end := time.Now().Add(time.Minute); !v.State.Ended() && time.Now().Before(end); time.Sleep(20 * time.Millisecond) {
		c.do("GET", "/api/v1/tasks/"+v.ID, "").into(c.t, &v)
	}
	if v.State != "done" || v.Job != id {
		c.t.Fatalf("%+v", v)
	}
	r = c.do("GET", "/api/v1/tasks/"+v.ID+"/file", "")
	if !regexp.MustCompile(`^attachment; filename="[a-z-]+_packet_\d{4}-\d\d-\d\d\.zip"$`).MatchString(r.header.Get("Content-Disposition")) {
		c.t.Error(r.header.Get("Content-Disposition"))
	}
	z, err := zip.NewReader(bytes.NewReader(r.body), int64(len(r.body)))
	if err != nil {
		c.t.Fatal(err)
	}
	files = map[string]string{}
	for _, f := range z.File {
		in, err := f.Open()
		if err != nil {
			c.t.Fatal(err)
		}
		raw, err := io.ReadAll(in) // with its checksum
		if err != nil || len(raw) == 0 || files[f.Name] != "" {
			c.t.Fatal(f.Name, len(raw), err)
		}
		files[f.Name] = string(raw)
	}
	return v.Says, files
}

// A packet holds every file that would be handed out one by one, to the byte, and says what
// it leaves out and why; nothing that is held back is in it.
func TestPacket(t *testing.T) {
	c := start(t)
	j, part := c.demo()
	said, files := c.packed(j.ID, `{"units":"mm","paper":"a4"}`)
	list := files["contents.txt"]
	left := ""
	if _, after, ok := strings.Cut(list, "Left out"); ok {
		left = after
	}
	for name := range files {
		if name != "contents.txt" && !strings.Contains(list, "  "+name+"\r\n") {
			t.Errorf("%s is not on the list", name)
		}
	}
	parts, err := c.jobs.Parts(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	held := 0
	for _, p := range parts {
		for _, hand := range p.Hands() {
			for _, kind := range []string{"dxf", "pdf", "csv", "bends", "drills"} {
				r := c.do("GET", "/api/v1/parts/"+p.ID+"/files/"+kind+"?units=mm&paper=a4&piece=first&hand="+string(hand), "")
				name := "parts/" + strings.TrimSuffix(strings.TrimPrefix(r.header.Get("Content-Disposition"), `attachment; filename="`), `"`)
				switch {
				case r.status == 200 && files[name] != string(r.body):
					t.Errorf("%s is another in the packet", name)
				case r.status != 200 && kind == "dxf":
					held++
					if !strings.Contains(left, p.Name) {
						t.Errorf("%s is left out in silence", p.Name)
					}
				}
			}
		}
	}
	frames, err := c.jobs.Frames(t.Context(), j.ID)
	if err != nil || len(frames) == 0 {
		t.Fatal(len(frames), err)
	}
	for _, f := range frames {
		for _, kind := range []string{"saw", "labels", "plan", "csv"} {
			r := c.do("GET", "/api/v1/frames/"+f.ID+"/files/"+kind+"?paper=a4&piece=first", "")
			name := "frames/" + strings.TrimSuffix(strings.TrimPrefix(r.header.Get("Content-Disposition"), `attachment; filename="`), `"`)
			if r.status == 200 && files[name] != string(r.body) || r.status != 200 && !strings.Contains(left, f.Name) {
				t.Errorf("%s of %s: alone %d, and in the packet something else", kind, f.Name, r.status)
			}
		}
	}
	if j, err = c.jobs.Job(t.Context(), j.ID); err != nil || len(j.Brief.Welded) == 0 {
		t.Fatal("nothing is welded", err)
	}
	for _, w := range j.Brief.Welded {
		r := c.do("GET", "/api/v1/jobs/"+j.ID+"/weld-map?paper=a4&of="+w.ID, "")
		name := "welds/" + strings.TrimSuffix(strings.TrimPrefix(r.header.Get("Content-Disposition"), `attachment; filename="`), `"`)
		if r.status == 200 && files[name] != string(r.body) || r.status != 200 && !strings.Contains(left, w.Name) {
			t.Errorf("weld map of %s: alone %d, and in the packet something else", w.Name, r.status)
		}
	}
	for name := range files {
		if strings.HasPrefix(name, "frames/") && strings.Contains(left, frames[0].Name+":") {
			t.Errorf("%s is in the packet of a frame that is held back", name)
		}
	}
	if held == 0 || held == len(parts) || !strings.Contains(said, "left out") {
		t.Errorf("%d parts of %d are held back: %s", held, len(parts), said)
	}
	if _, again := c.packed(j.ID, `{"units":"mm","paper":"a4"}`); len(again) != len(files) {
		t.Errorf("%d files, then %d", len(files), len(again))
	}

	// Two of one name, one of them a pair, in inches.
	r := part.Recipe
	for range 2 {
		c.do("POST", "/api/v1/parts/"+part.ID+"/duplicate", "")
	}
	parts, err = c.jobs.Parts(t.Context(), j.ID)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range parts[len(parts)-2:] {
		r.Hand.Pair = p.ID == parts[len(parts)-1].ID
		if _, err := c.jobs.SavePart(t.Context(), p.ID, job.On{Revision: p.Revision},
			job.PartState{Name: "Twin", Quantity: 1, Recipe: r}); err != nil {
			t.Fatal(err)
		}
	}
	_, files = c.packed(j.ID, `{"units":"in","paper":"letter"}`)
	twins := 0
	for name, raw := range files {
		if strings.Contains(name, "_twin_") && strings.HasSuffix(name, ".pdf") && !strings.Contains(name, "bends") &&
			!strings.Contains(name, "drills") {
			twins++
		}
		if strings.HasSuffix(name, ".dxf") && strings.HasPrefix(name, "parts/") && !strings.Contains(raw, "$INSUNITS\n 70\n1\n") &&
			!regexp.MustCompile(`\$INSUNITS\s+70\s+1\s`).MatchString(raw) {
			t.Errorf("%s is not in inches", name)
		}
	}
	if twins != 3 {
		t.Errorf("%d templates of a part and a pair of one name", twins)
	}
	for asked, path := range map[string]string{`{"units":"furlong","paper":"a4"}`: "/units", `{"units":"mm","paper":"a5"}`: "/paper",
		`{"units":"mm"}`: "/paper"} {
		c.do("POST", "/api/v1/jobs/"+j.ID+"/packet", asked).refused(t, 422, path)
	}
}
