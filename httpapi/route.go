package httpapi

import (
	"bytes"
	"net/http"
	"reflect"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	"github.com/google/uuid"

	"warmanvil/job"
	"warmanvil/strictjson"
)

// maxBody of a request in bytes.
const maxBody = 1 << 20

// none is the request type of routes without a body.
type none struct{}

// call is one request on its way to a use case.
type call struct {
	*gin.Context
	id string // of the path, a UUID
}

// operation describes a route for the API's description.
type operation struct {
	method, path, id, summary string
	match                     bool   // takes If-Match
	limit                     int64  // of the body in bytes; maxBody when 0
	access                    access // who may; by its method when left out
	work                      work   // how much it computes
	query                     []*huma.Param
}

// route adds a JSON route and its description. The body is decoded strictly,
// with the same words as the calc contract, so it is not validated a second
// time from its schema.
func route[Req, Ans any](s *server, op operation, f func(c call, req Req) (Ans, error)) {
	s.describe(op, reflect.TypeFor[Req](), reflect.TypeFor[Ans]())
	s.engine.Handle(op.method, ginPath(op.path), func(g *gin.Context) {
		if err := s.admit(g, op.access); err != nil {
			s.refuse(g, err)
			return
		}
		c := call{Context: g, id: g.Param("id")}
		if c.id != "" {
			if _, err := uuid.Parse(c.id); err != nil {
				s.refuse(g, job.ErrNotFound)
				return
			}
		}
		var req Req
		if reflect.TypeFor[Req]() != reflect.TypeFor[none]() {
			raw, err := body(g, op.limit)
			if err == nil {
				err = strictjson.Decode(raw, &req)
			}
			if err != nil {
				s.refuse(g, err)
				return
			}
		}
		s.within(g, op.work, func() (func(), error) {
			ans, err := f(call{Context: g, id: c.id}, req)
			return func() { g.JSON(http.StatusOK, ans) }, err
		})
	})
}

func body(g *gin.Context, limit int64) ([]byte, error) {
	if limit == 0 {
		limit = maxBody
	}
	var raw bytes.Buffer
	if n := g.Request.ContentLength; n > 0 && n <= limit {
		raw.Grow(int(n) + bytes.MinRead) // a large one that grows by little is copied often
	}
	_, err := raw.ReadFrom(http.MaxBytesReader(g.Writer, g.Request.Body, limit))
	return raw.Bytes(), err
}

// ginPath turns {id} into :id.
func ginPath(path string) string {
	return strings.NewReplacer("{", ":", "}", "").Replace(path)
}

func (s *server) describe(op operation, req, ans reflect.Type) {
	o := &huma.Operation{OperationID: op.id, Method: op.method, Path: op.path, Summary: op.summary, Parameters: op.query,
		Responses: map[string]*huma.Response{
			"200": {Description: "done", Content: map[string]*huma.MediaType{"application/json": {Schema: s.schema(ans)}}},
			"default": {Description: "refused: what, where, what to do",
				Content: map[string]*huma.MediaType{"application/problem+json": {Schema: s.schema(reflect.TypeFor[Problem]())}}},
		}}
	if req != reflect.TypeFor[none]() {
		o.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{"application/json": {Schema: s.schema(req)}}}
	}
	for _, piece := range strings.Split(op.path, "/") {
		if strings.HasPrefix(piece, "{") {
			name := strings.Trim(piece, "{}")
			kind := &huma.Schema{Type: "string"}
			if name == "id" {
				kind.Format = "uuid"
			}
			o.Parameters = append(o.Parameters, &huma.Param{Name: name, In: "path", Required: true, Schema: kind})
		}
	}
	if op.match {
		o.Parameters = append(o.Parameters, &huma.Param{Name: "If-Match", In: "header", Required: true, Schema: &huma.Schema{Type: "string"},
			Description: "revision the change was made on"})
	}
	s.api.AddOperation(o)
}

func typeOf[T any]() reflect.Type { return reflect.TypeFor[T]() }

func (s *server) schema(t reflect.Type) *huma.Schema {
	return s.api.Components.Schemas.Schema(t, true, t.Name())
}

func query(name, doc string, values ...any) *huma.Param {
	return &huma.Param{Name: name, In: "query", Description: doc, Schema: &huma.Schema{Type: "string", Enum: values}}
}
