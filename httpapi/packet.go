package httpapi

import (
	"archive/zip"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"path"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/paper"
	"warmanvil/task"
)

// packing is the kind of a task that puts all files of a job into one.
const packing task.Kind = "pack"

// PacketAsked says how the files in a packet are to be.
type PacketAsked struct {
	Units string `json:"units" enum:"mm,in" doc:"of the drawings"`
	Paper string `json:"paper" enum:"a4,letter"`
}

// hasNone is why there is no file of a kind where nothing is missing: a flat part has no
// bending sheet.
type hasNone struct{ error }

func (h hasNone) Unwrap() error { return h.error }

// bundle is the files of one thing in a packet.
type bundle struct {
	name, folder string
	shelf, id    string
	kinds        []string
	asked        map[string]string
}

func (s *server) packetRoutes() {
	route(s, operation{method: "POST", path: "/api/v1/jobs/{id}/packet", id: "packJob", access: reading,
		summary: "All files of a job in one (ZIP), with a list of what is in it and what is left out and why. It is made as a task"},
		func(c call, in PacketAsked) (TaskView, error) {
			if in.Units != "mm" && in.Units != "in" {
				return TaskView{}, working.Refuse("/units", "Drawings are in mm or in, not %q.", in.Units)
			}
			if in.Paper != "a4" && in.Paper != "letter" {
				return TaskView{}, working.Refuse("/paper", "Papers are a4 or letter, not %q.", in.Paper)
			}
			j, err := s.jobs.Job(c.Request.Context(), c.id)
			if err := working.First(err, s.roomLeft()); err != nil {
				return TaskView{}, err
			}
			if s.tasks == nil {
				return TaskView{}, job.ErrNotFound
			}
			raw, err := json.Marshal(in)
			if err != nil {
				return TaskView{}, err
			}
			t, err := s.tasks.Ask(c.Request.Context(), task.Task{Kind: packing, Who: whoIs(c.Context).ID, Name: j.Brief.Name, Job: j.ID},
				strings.NewReader(string(raw)))
			return taskView(t), err
		})
	s.api.AddOperation(&huma.Operation{Method: "GET", OperationID: "getTaskFile", Path: "/api/v1/tasks/{id}/file",
		Summary:    "The file that a piece of long work made",
		Parameters: []*huma.Param{idParam}, Responses: map[string]*huma.Response{"200": {Description: "the file",
			Content: map[string]*huma.MediaType{"*/*": {Schema: &huma.Schema{Type: "string", Format: "binary"}}}}}})
	s.engine.GET("/api/v1/tasks/:id/file", s.taskFile)
}

// taskFile sends what a task made as it is read, never whole.
func (s *server) taskFile(c *gin.Context) {
	if err := s.admit(c, reading); err != nil {
		s.refuse(c, err)
		return
	}
	if _, err := uuid.Parse(c.Param("id")); err != nil {
		s.refuse(c, job.ErrNotFound)
		return
	}
	t, err := s.task(call{Context: c, id: c.Param("id")})
	if err == nil && (t.Kind != packing || t.State != task.Done) {
		err = job.ErrNotFound
	}
	if err != nil {
		s.refuse(c, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="`+site.FileName(t.Name, "packet", "",
		t.Created.UTC().Format(time.DateOnly), "zip")+`"`)
	s.stream(c, "application/zip", func(w io.Writer) error {
		_, err := io.Copy(w, s.tasks.Made(c.Request.Context(), t.ID))
		return err
	})
}

// pack puts all files of a job into one.
func (s *server) pack(ctx context.Context, t task.Task, in task.Content, out io.Writer, tell func(task.Progress)) (task.Task, error) {
	var how PacketAsked
	if err := json.NewDecoder(in.Open()).Decode(&how); err != nil {
		return t, fmt.Errorf("read how to pack: %w", err)
	}
	list, err := s.bundles(ctx, t.Job, how)
	if err != nil {
		return t, err
	}
	p := packet{zip: zip.NewWriter(out), date: t.Created, taken: map[string]int{}}
	size := map[string]paper.Size{"letter": paper.Letter, "a4": paper.A4}[how.Paper]
	for i, b := range list {
		tell(task.Progress{Done: int64(i), Total: int64(len(list)), Says: "Packing " + b.name + "."})
		files, err := s.shelves[b.shelf](want{ctx: ctx, id: b.id, paper: size,
			asked: func(name string) string { return b.asked[name] }}, b.kinds)
		if err := working.First(p.add(b, files, err), ctx.Err()); err != nil {
			return t, err
		}
	}
	tell(task.Progress{Done: int64(len(list)), Total: int64(len(list)), Says: "Writing the list of it."})
	if err := p.end(t, how); err != nil {
		return t, err
	}
	t.Says = fmt.Sprintf("%d %s packed.", len(p.in), told.Plural(len(p.in), "file", "files"))
	if n := len(p.out); n > 0 {
		t.Says += fmt.Sprintf(" %d %s left out: the list in it says why.", n, told.Plural(n, "is", "are"))
	}
	return t, nil
}

// bundles lists what goes into a job's packet.
func (s *server) bundles(ctx context.Context, id string, how PacketAsked) ([]bundle, error) {
	parts, err := s.jobs.Parts(ctx, id)
	if err != nil {
		return nil, err
	}
	frames, err := s.jobs.Frames(ctx, id)
	if err != nil {
		return nil, err
	}
	var out []bundle
	for _, p := range parts {
		for _, hand := range p.Hands() {
			b := bundle{name: p.Name, folder: "parts", shelf: "/api/v1/parts/{id}/files/{kind}", id: p.ID,
				kinds: []string{"dxf", "pdf", "csv", "bends", "drills"}, asked: map[string]string{"units": how.Units,
					"hand": string(hand), "piece": "first"}}
			if hand != "" {
				b.name += ", " + string(hand)
			}
			out = append(out, b)
		}
	}
	for _, f := range frames {
		out = append(out, bundle{name: f.Name, folder: "frames", shelf: "/api/v1/frames/{id}/files/{kind}", id: f.ID,
			kinds: []string{"saw", "bends", "labels", "wraps", "plan", "csv"}, asked: map[string]string{"piece": "first"}})
	}
	_, all, err := s.jobs.Site(ctx, id)
	if err != nil {
		return nil, err
	}
	welded := all.Weldings()
	for _, w := range all.Brief.Welded {
		welded = append(welded, site.Welding{ID: w.ID, Name: w.Name})
	}
	for _, w := range welded {
		out = append(out, bundle{name: "Weld map, " + w.Name, folder: "welds", shelf: "/api/v1/jobs/{id}/weld-map", id: id, kinds: []string{""},
			asked: map[string]string{"of": w.ID}})
	}
	return append(out, bundle{name: "Parts list", folder: "job", shelf: "/api/v1/jobs/{id}/parts-list/{kind}", id: id,
		kinds: []string{"xlsx"}},
		bundle{name: "Survey", folder: "job", shelf: "/api/v1/jobs/{id}/sheets/{kind}", id: id, kinds: []string{"results"}},
		bundle{name: "Torque sheet", folder: "job", shelf: "/api/v1/jobs/{id}/torque-sheet", id: id, kinds: []string{""}}), nil
}

// packet is one on its way.
type packet struct {
	zip     *zip.Writer
	date    time.Time
	taken   map[string]int // names in use
	in, out []string
}

// add puts a thing's files into the packet, or its name on the list of what is left out.
func (p *packet) add(b bundle, files []madeFile, opened error) error {
	if opened != nil {
		files = []madeFile{{refused: opened}}
	}
	said := ""
	for _, f := range files {
		var fault *working.Fault
		var none hasNone
		switch {
		case errors.As(f.refused, &none):
		case errors.Is(f.refused, job.ErrNotFound):
			p.out = append(p.out, b.name+": it was put away or deleted while this was packed.")
		case errors.As(f.refused, &fault):
			if line := b.name + ": " + fault.Message; line != said { // one reason holds all its files back
				said = line
				p.out = append(p.out, line)
			}
		case f.refused != nil:
			return f.refused
		default:
			if err := p.put(path.Join(b.folder, f.name), f.raw); err != nil {
				return err
			}
		}
	}
	return nil
}

// put adds a file; of two that are called alike the second says so.
func (p *packet) put(name string, raw []byte) error {
	p.taken[name]++
	if n := p.taken[name]; n > 1 {
		ext := path.Ext(name)
		name = fmt.Sprintf("%s_%d%s", strings.TrimSuffix(name, ext), n, ext)
	}
	p.in = append(p.in, name)
	return p.write(name, raw)
}

func (p *packet) write(name string, raw []byte) error {
	w, err := p.zip.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Deflate, Modified: p.date.UTC()})
	if err != nil {
		return err
	}
	_, err = w.Write(raw)
	return err
}

// end writes what is in the packet and what is not.
func (p *packet) end(t task.Task, how PacketAsked) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s, packed %s. Drawings in %s, papers in %s.\r\n\r\nIn it:\r\n", t.Name,
		t.Created.UTC().Format("2006-01-02 15:04 UTC"),
		map[string]string{"mm": "mm", "in": "inches"}[how.Units], map[string]string{"a4": "A4", "letter": "Letter"}[how.Paper])
	for _, name := range p.in {
		fmt.Fprintf(&b, "  %s\r\n", name)
	}
	if len(p.out) > 0 {
		b.WriteString("\r\nLeft out; nothing of these is to be cut or fitted before that is settled:\r\n")
		for _, line := range p.out {
			fmt.Fprintf(&b, "  %s\r\n", line)
		}
	}
	return working.First(p.write("contents.txt", []byte(b.String())), p.zip.Close())
}

// stream sends a long answer as it is made, each piece in time of its own.
func (s *server) stream(c *gin.Context, mime string, write func(w io.Writer) error) {
	out := &leaving{Writer: c.Writer, at: http.NewResponseController(c.Writer)}
	c.Header("Content-Type", mime)
	err := write(out)
	_ = out.at.SetWriteDeadline(time.Time{}) // the next answer has the server's own time
	switch {
	case err == nil:
	case !out.sent:
		s.refuse(c, err)
	default: // half a file must not look like a whole one
		panic(http.ErrAbortHandler)
	}
}
