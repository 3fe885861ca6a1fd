package httpapi

import (
	"cmp"
	"context"
	"net/http"
	"slices"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/job"
	"warmanvil/paper"
)

// form is how a file is written.
type form struct{ ext, mime string }

var (
	asDXF  = form{"dxf", "application/dxf"}
	asSVG  = form{"svg", "image/svg+xml; charset=utf-8"}
	asPDF  = form{"pdf", "application/pdf"}
	asCSV  = form{"csv", "text/csv; charset=utf-8"}
	asXLSX = form{"xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"}
	asSTL  = form{"stl", "model/stl"}
)

// file is one kind of file that may be fetched of a T.
type file[T any] struct {
	name string // in the path
	form
	says string // what it is
	free bool   // it is not held back: a fit is tried with it, or nothing is cut by it
	make func(f T) ([]byte, error)
}

// shelf is all the kinds of files that are made of one thing.
type shelf[T any] struct {
	path    string // with {id} of the thing, and {kind} where there are several
	id      string // of the operation
	summary string
	asks    []*huma.Param
	files   []file[T]
	// open reads what the files are made of.
	open func(w want) (T, label, error)
}

// want is a file as it is asked for.
type want struct {
	ctx      context.Context
	id, kind string
	paper    paper.Size
	asked    func(name string) string // what else was asked for; empty when it was not
}

// label is what a file is called by, and why it may be held back.
type label struct {
	job, of  string // the job, and what of it
	hand     sheet.Side
	revision int
	held     error
}

var idParam = &huma.Param{Name: "id", In: "path", Required: true, Schema: &huma.Schema{Type: "string", Format: "uuid"}}

var paperQuery = query("paper", "of the sheets", "a4", "letter")

// serve adds the route of a shelf: a plain one, since files are no JSON. They are read by
// GET, by whoever may read.
func serve[T any](s *server, sh shelf[T]) {
	o := huma.Operation{Method: "GET", OperationID: sh.id, Path: sh.path, Summary: sh.summary,
		Responses: map[string]*huma.Response{"200": {Description: "the file",
			Content: map[string]*huma.MediaType{"*/*": {Schema: &huma.Schema{Type: "string", Format: "binary"}}}}}}
	if strings.Contains(sh.path, "{id}") {
		o.Parameters = append(o.Parameters, idParam)
	}
	if strings.Contains(sh.path, "{kind}") {
		var kinds []any
		var says []string
		for _, f := range sh.files {
			kinds = append(kinds, f.name)
			says = append(says, f.name+" ("+f.says+")")
		}
		o.Summary += ": " + strings.Join(says, ", ")
		o.Parameters = append(o.Parameters, &huma.Param{Name: "kind", In: "path", Required: true,
			Schema: &huma.Schema{Type: "string", Enum: kinds}})
	}
	o.Parameters = append(o.Parameters, sh.asks...)
	s.api.AddOperation(&o)
	s.shelves[sh.path] = sh.all
	s.engine.GET(ginPath(sh.path), func(c *gin.Context) {
		if err := s.admit(c, reading); err != nil {
			s.refuse(c, err)
			return
		}
		s.within(c, whole, func() (func(), error) { return sh.fetch(c) })
	})
}

// fetch makes the file asked for and answers what sends it.
func (sh shelf[T]) fetch(c *gin.Context) (send func(), err error) {
	w := want{c.Request.Context(), c.Param("id"), c.Param("kind"), paper.A4, func(name string) string {
		return cmp.Or(c.Param(name), c.Query(name))
	}}
	if _, err := uuid.Parse(w.id); err != nil && strings.Contains(sh.path, "{id}") {
		return nil, job.ErrNotFound
	}
	if w.asked("paper") == "letter" {
		w.paper = paper.Letter
	}
	list, err := sh.all(w, []string{w.kind})
	if err != nil {
		return nil, err
	}
	f := list[0]
	if f.refused != nil {
		return nil, f.refused
	}
	return func() {
		c.Header("Content-Disposition", `attachment; filename="`+f.name+`"`)
		c.Data(http.StatusOK, f.mime, f.raw)
	}, nil
}

// shelved makes files of a shelf, whatever they are made of.
type shelved func(w want, kinds []string) ([]madeFile, error)

// madeFile is a file made of something, or why it is not made.
type madeFile struct {
	kind, name, mime string
	raw              []byte
	refused          error
}

// all makes several kinds of files of one thing, which is read once.
func (sh shelf[T]) all(w want, kinds []string) ([]madeFile, error) {
	of, called, opened := sh.open(w)
	var out []madeFile
	for _, kind := range kinds {
		i := slices.IndexFunc(sh.files, func(f file[T]) bool { return f.name == kind })
		if i < 0 {
			return nil, job.ErrNotFound
		}
		if opened != nil {
			return nil, opened
		}
		f := sh.files[i]
		name := called.of
		if f.name != "" && f.name != f.ext {
			name += " " + f.name
		}
		m := madeFile{kind: kind, mime: f.mime, name: site.FileName(called.job, name, called.hand, "r"+strconv.Itoa(called.revision), f.ext)}
		if m.refused = called.held; m.refused == nil || f.free {
			m.raw, m.refused = f.make(of)
		}
		out = append(out, m)
	}
	return out, nil
}
