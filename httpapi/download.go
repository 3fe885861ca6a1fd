package httpapi

import (
	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
)

var idParam = &huma.Param{Name: "id", In: "path", Required: true, Schema: &huma.Schema{Type: "string", Format: "uuid"}}

// download adds a route that serves a file: a plain one, since it is no JSON. It
// is read by GET, by whoever may read.
func (s *server) download(o huma.Operation, serve func(*gin.Context) error) {
	o.Method = "GET"
	o.Responses = map[string]*huma.Response{"200": {Description: "the file", Content: map[string]*huma.MediaType{"*/*": {Schema: &huma.Schema{Type: "string", Format: "binary"}}}}}
	s.api.AddOperation(&o)
	s.engine.GET(ginPath(o.Path), func(c *gin.Context) {
		err := s.admit(c, reading)
		if err == nil {
			err = serve(c)
		}
		if err != nil {
			s.refuse(c, err)
		}
	})
}
